'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { toast } from 'sonner';
import { linesOfSheet, offTheShelf, usesOf } from '@/core/batch/sheet';
import { takeOut } from '@/core/batch/take-out';
import { kindById, schoolOf } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import type { Shelf } from '@/core/pantry/stock';
import { bagsLeft, type Lot } from '@/core/premix/premix';
import type { Additions } from '@/core/premix/products';
import { bagSheet } from '@/core/premix/use';
import { grams } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import type { Refused } from '../kit/answer';
import { Refusal, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { Switch } from '../kit/switch';

type Answer = Promise<{ readonly ok: true; readonly id: string } | Refused>;

const productKey = (a: Pick<Additions, 'product'>): string => `${a.product.kind} ${a.product.school}`;

/** Bags out of a lot: into a batch, or away for a reason. */
export function BagsOut({
  lot,
  products,
  house,
  shelf,
  use,
  lose,
}: {
  readonly lot: Lot;
  readonly products: readonly Additions[];
  readonly house: Kitchen;
  readonly shelf: Shelf;
  readonly use: (input: unknown) => Answer;
  readonly lose: (input: unknown) => Answer;
}) {
  const router = useRouter();
  const { units } = house;
  const allowed = products.filter((p) => p.against.length === 0);
  const offered = allowed.length > 0 ? allowed : products.slice(0, 1);
  const [chosen, setChosen] = useState(offered[0] ? productKey(offered[0]) : '');
  const [bags, setBags] = useState('1');
  const [why, setWhy] = useState('');
  const [away, setAway] = useState('1');
  const [take, setTake] = useState(true);
  const asking = useAsking();
  const { errors, busy, touched } = asking;
  const left = bagsLeft(lot);
  const wrongCount = (text: string): string | null => {
    const n = typedNumber(text, 'bags');
    if (Number.isNaN(n)) return 'Write a number.';
    if (!Number.isInteger(n) || n < 1) return 'Bags come whole.';
    return n > left ? `Only ${left} ${left === 1 ? 'is' : 'are'} left.` : null;
  };
  const product = offered.find((p) => productKey(p) === chosen);
  const wrong = wrongCount(bags);
  const sheet = product && !wrong ? bagSheet(lot, typedNumber(bags, 'bags'), product.parts) : [];
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const short = takeOut(usesOf(linesOfSheet(offTheShelf(sheet), find), shelf), shelf).rows.filter((x) => (x.shortG ?? 0) > 0);

  const start = async (): Promise<void> => {
    if (!product || wrong) return;
    const a = await asking.ask(
      (requestId) =>
        use({
          lotId: lot.id,
          bags: typedNumber(bags, 'bags'),
          product: product.product,
          take: take ? (short.length > 0 ? 'anyway' : 'enough') : 'no',
          requestId,
        }),
      true,
    );
    if (a?.ok) router.push(`/batches/${a.id}/prep`);
    else if (a) {
      // bags that another took meanwhile: the page is drawn anew, and says why
      toast(a.message);
      router.refresh();
    }
  };
  const discard = async (): Promise<void> => {
    if (wrongCount(away) || asking.found(why.trim() === '' ? { why: 'Write why.' } : {})) return;
    const a = await asking.ask(() => lose({ lotId: lot.id, bags: typedNumber(away, 'bags'), why }));
    if (!a?.ok) return;
    toast('Written off');
    router.refresh();
  };
  return (
    <>
      <section aria-label="Use bags" className="grid gap-3 rounded-plate bg-white p-4">
        <h2 className="text-xl">Use bags</h2>
        {offered.length > 1 ? (
          <Taps
            label="Make"
            value={chosen}
            onChange={(v) => {
              if (!v) return;
              touched();
              setChosen(v);
            }}
            options={offered.map((p) => {
              const kind = kindById(p.product.kind);
              return { value: productKey(p), label: kind.schools.length > 1 ? `${kind.pieces}, ${schoolOf(kind, p.product.school).name}` : kind.pieces };
            })}
          />
        ) : null}
        <Field
          label="Bags"
          inputMode="numeric"
          className="w-32"
          inputClass="text-xl font-semibold !min-h-14"
          value={bags}
          error={wrong ?? errors.bags}
          onChange={(e) => {
            touched();
            setBags(e.target.value);
          }}
        />
        {sheet.length > 1 ? (
          <p>
            {sheet[0]?.measure} of mix, with{' '}
            <strong>
              {sheet
                .slice(1)
                .map((l) => `${l.measure} ${l.name.toLowerCase()}`)
                .join(', ')}
            </strong>
            .
          </p>
        ) : null}
        {short.length > 0 ? (
          <Notice weight="look">Short on the shelf: {short.map((x) => `${kitchenName(x.ingredient)} ${grams(x.shortG ?? 0, units)}`).join(', ')}.</Notice>
        ) : null}
        <Refusal text={asking.refusal} />
        <div className="flex flex-wrap items-center gap-4">
          <Button look="now" size="work" disabled={busy || wrong !== null} onClick={() => void start()}>
            Start a batch of them
          </Button>
          <Switch
            label="take the rest off the shelf"
            on={take}
            onSwitch={(v) => {
              touched();
              setTake(v);
            }}
          />
        </div>
      </section>
      <section aria-label="Bags that go otherwise" className="grid gap-2">
        <h2 className="text-lg">Gone otherwise</h2>
        <div className="flex flex-wrap items-start gap-3">
          <Field
            label="Bags gone"
            inputMode="numeric"
            className="w-28"
            value={away}
            error={wrongCount(away) ?? undefined}
            onChange={(e) => setAway(e.target.value)}
          />
          <Field
            label="Why"
            className="min-w-56 flex-1"
            placeholder="given away, torn, past its date"
            inputClass="placeholder:text-soft"
            value={why}
            error={errors.why}
            onChange={(e) => {
              touched();
              setWhy(e.target.value);
            }}
          />
          <Button className="mt-6" disabled={busy || wrongCount(away) !== null} onClick={() => void discard()}>
            Write off
          </Button>
        </div>
      </section>
    </>
  );
}
