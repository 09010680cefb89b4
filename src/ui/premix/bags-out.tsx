'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { linesOfSheet, offTheShelf, usesOf } from '@/core/batch/sheet';
import { takeOut } from '@/core/batch/take-out';
import { kindById, schoolOf } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { TallyPart } from '@/core/formula/tally';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import type { Shelf } from '@/core/pantry/stock';
import { bagsLeft, type Lot, readBagCount } from '@/core/premix/premix';
import type { Product } from '@/core/premix/products';
import { bagSheet } from '@/core/premix/use';
import { grams } from '@/core/quantity/say';
import { act, type Refused } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Taps } from '../kit/choice';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { useRefresh } from '../kit/refresh';
import { Switch } from '../kit/switch';
import { toast } from '../kit/toast';

type Answer = Promise<{ readonly ok: true; readonly id: string } | Refused>;

/** What a lot can become, and what is added to 100 g of it. */
interface BagProduct {
  readonly product: Product;
  readonly parts: readonly TallyPart[];
}

const productKey = (a: BagProduct): string => `${a.product.kind} ${a.product.school}`;

/** Bags out of a lot into a batch. */
export function BagsOut({
  lot,
  products,
  house,
  shelf,
  use,
}: {
  readonly lot: Lot;
  /** As the lot was made. */
  readonly products: readonly BagProduct[];
  readonly house: Kitchen;
  readonly shelf: Shelf;
  readonly use: (input: unknown) => Answer;
}) {
  const router = useRouter();
  const refresh = useRefresh();
  const { units } = house;
  const offered = products;
  const [chosen, setChosen] = useState(offered[0] ? productKey(offered[0]) : '');
  const [bags, setBags] = useState('1');
  const [take, setTake] = useState(true);
  const asking = useAsking();
  const { errors, busy, touched } = asking;
  const left = bagsLeft(lot);
  const product = offered.find((p) => productKey(p) === chosen);
  const read = readBagCount(bags, left, lot.bagG);
  const wrong = read.error;
  const sheet = product && !wrong ? bagSheet(lot, read.bags, product.parts) : [];
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const short = takeOut(usesOf(linesOfSheet(offTheShelf(sheet), find), shelf), shelf).rows.filter(
    (x) => (x.shortG ?? 0) > 0,
  );

  const start = async (): Promise<void> => {
    if (!product || wrong) return;
    const a = await asking.ask(
      (requestId) =>
        act('use-bags', `bags of lot ${lot.number}, started`, use, {
          lotId: lot.id,
          bags: read.bags,
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
      refresh();
    }
  };
  return (
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
            return {
              value: productKey(p),
              label: kind.schools.length > 1 ? `${kind.pieces}, ${schoolOf(kind, p.product.school).name}` : kind.pieces,
            };
          })}
        />
      ) : null}
      <Field
        label="Bags"
        hint="2, 1/2, or 250 g"
        inputMode="decimal"
        className="w-40"
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
        <Notice weight="look">
          Short in stock: {short.map((x) => `${kitchenName(x.ingredient)} ${grams(x.shortG ?? 0, units)}`).join(', ')}.
        </Notice>
      ) : null}
      <RefusalNotice text={asking.refusal} />
      <div className="flex flex-wrap items-center gap-4">
        <Button look="now" size="work" disabled={busy || wrong !== null} onClick={() => void start()}>
          Start a batch of them
        </Button>
        <Switch
          label="take the rest from stock"
          on={take}
          onSwitch={(v) => {
            touched();
            setTake(v);
          }}
        />
      </div>
    </section>
  );
}
