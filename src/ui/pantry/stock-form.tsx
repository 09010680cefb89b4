'use client';
import { useState } from 'react';
import { toast } from 'sonner';
import { EMPTY_STOCK, pricePerG, type Stock } from '@/core/pantry/stock';
import { money, type Units } from '@/core/quantity/say';
import { answerOf, type Refused } from '../kit/answer';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';
import { numberIn } from '../kit/typed';

type Typed = Readonly<Record<keyof Omit<Stock, 'ingredientId'>, string>>;

const NUMBERS = ['price', 'packG', 'onHandG'] as const;

const shown = (x: number | null): string => (x === null ? '' : String(x));

/** "1.5 kg" is 1500 g; null where nothing is typed, NaN where it is no amount. */
function gramsIn(text: string): number | null {
  const t = text.trim().toLowerCase();
  return t === '' ? null : t.endsWith('kg') ? 1000 * numberIn(t, 'kg') : numberIn(t);
}

/** What is known of an ingredient on the shelf: what a pack costs and holds, how much there is, and its dates. */
export function StockForm({
  ingredientId,
  stock,
  units,
  keep,
}: {
  readonly ingredientId: string;
  readonly stock: Stock | null;
  readonly units: Units;
  readonly keep: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}) {
  const from = stock ?? { ...EMPTY_STOCK, ingredientId };
  const [typed, setTyped] = useState<Typed>({
    price: shown(from.price),
    packG: shown(from.packG),
    onHandG: shown(from.onHandG),
    opened: from.opened ?? '',
    bestBefore: from.bestBefore ?? '',
  });
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const [refusal, setRefusal] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const now: Stock = {
    ingredientId,
    price: typed.price.trim() === '' ? null : numberIn(typed.price),
    packG: gramsIn(typed.packG),
    onHandG: gramsIn(typed.onHandG),
    opened: typed.opened || null,
    bestBefore: typed.bestBefore || null,
  };
  const per = pricePerG(now);
  const submit = async (): Promise<void> => {
    const bad = Object.fromEntries(NUMBERS.filter((k) => Number.isNaN(now[k] ?? 0)).map((k) => [k, 'Write a number.']));
    setErrors(bad);
    setRefusal(null);
    if (Object.keys(bad).length > 0 || busy) return;
    setBusy(true);
    const a = await answerOf(() => keep(now));
    setBusy(false);
    if (a.ok) toast('Noted');
    else {
      setErrors(a.fields);
      setRefusal(a.message);
    }
  };
  const field = (key: keyof Typed, label: string, unit: string, type = 'text') => (
    <Field
      label={label}
      unit={unit}
      type={type}
      inputMode={type === 'text' ? 'decimal' : undefined}
      value={typed[key]}
      error={errors[key]}
      onChange={(e) => {
        setTyped((t) => ({ ...t, [key]: e.target.value }));
        setErrors({});
        setRefusal(null);
      }}
    />
  );
  return (
    <form
      noValidate
      aria-label="On the shelf"
      className="grid content-start gap-3 rounded-plate bg-white p-4"
      onSubmit={(e) => {
        e.preventDefault();
        void submit();
      }}
    >
      <h2 className="text-xl">On the shelf</h2>
      <div className="grid grid-cols-2 gap-3">
        {field('price', 'A pack costs', units.currency)}
        {field('packG', 'and holds', 'g')}
      </div>
      <p className="-mt-1 text-[15px] text-soft">
        {per !== null && Number.isFinite(per) ? `${money(per * 1000, units)} a kilogram.` : 'Cost is counted once both are known.'}
      </p>
      {field('onHandG', 'On hand', 'g')}
      <div className="grid grid-cols-2 gap-3">
        {field('opened', 'Opened on', '', 'date')}
        {field('bestBefore', 'Best before', '', 'date')}
      </div>
      {refusal && Object.keys(errors).length === 0 ? (
        <Notice weight="stop" role="alert">
          {refusal}
        </Notice>
      ) : null}
      <Button look="now" type="submit" disabled={busy} className="justify-self-start">
        Note it
      </Button>
    </form>
  );
}
