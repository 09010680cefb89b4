'use client';
import { useState } from 'react';
import { toast } from 'sonner';
import { EMPTY_STOCK, pricePerG, type Stock } from '@/core/pantry/stock';
import { money, type Units } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Notice } from '../kit/notice';

type Answer = { readonly ok: true } | { readonly ok: false; readonly message: string; readonly fields: Readonly<Record<string, string>> };
type Typed = Readonly<Record<keyof Omit<Stock, 'ingredientId'>, string>>;

const NUMBERS = ['price', 'packG', 'onHandG'] as const;

const shown = (x: number | null): string => (x === null ? '' : String(x));

/** "1.5 kg" is 1500 g. NaN where it is no amount. */
function gramsIn(text: string): number | null {
  const t = text.trim().toLowerCase().replace(',', '.');
  if (t === '') return null;
  const m = /^(\d*\.?\d+)\s*(kg|g)?$/.exec(t);
  return m ? Number(m[1]) * (m[2] === 'kg' ? 1000 : 1) : Number.NaN;
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
  readonly keep: (input: unknown) => Promise<Answer>;
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
    price: typed.price.trim() === '' ? null : Number(typed.price.trim().replace(',', '.')),
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
    try {
      const a = await keep(now);
      if (a.ok) {
        toast('Noted');
      } else {
        setErrors(a.fields);
        setRefusal(a.message);
      }
    } catch {
      setRefusal('Even Crumb does not answer just now. What you typed is still here: try again in a moment.');
    } finally {
      setBusy(false);
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
