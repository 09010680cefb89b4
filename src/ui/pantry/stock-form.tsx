'use client';
import type { ActionResult, Kept } from '@/contract/action-result';
import { EMPTY_STOCK, pricePerG, type Stock } from '@/core/pantry/stock';
import { pricePer, type Units } from '@/core/quantity/say';
import { act, pageName } from '../kit/answer';
import { Button } from '../kit/button';
import { DayField } from '../kit/date-fields';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { RowNotices, useRowForm } from '../kit/row-form';
import { toast } from '../kit/toast';
import { type StockKey, stockFieldsOf, stockNoteOf, stockToSend } from './stock.state';

/**
 * What is noted of an ingredient's packs: what one costs and holds, and its dates. How much there is, is counted beside
 * it.
 */
export function StockForm({
  ingredientId,
  stock,
  units,
  keep,
}: {
  readonly ingredientId: string;
  readonly stock: Stock | null;
  readonly units: Units;
  readonly keep: (input: unknown) => Promise<ActionResult<Kept>>;
}) {
  const form = useRowForm(`stock:${ingredientId}`, { revision: stock?.revision, base: stockNoteOf(stock) }, () =>
    stockFieldsOf(stock),
  );
  const { note, errors } = stockToSend(form.typed);
  const per = pricePerG({ ...EMPTY_STOCK, ingredientId, ...note });
  const submit = async (): Promise<void> => {
    const a = await form.save(errors, ({ seen }) =>
      act('keep-stock', `packs and dates of ${pageName()}`, keep, { ingredientId, ...note, seen }),
    );
    if (a?.merged.length === 0) toast('Noted');
  };
  const day = (key: StockKey, label: string) => (
    <DayField label={label} value={form.typed[key]} error={form.errors[key]} onDay={(d) => form.set({ [key]: d })} />
  );
  const field = (key: StockKey, label: string, unit: string) => (
    <Field label={label} unit={unit} inputMode="decimal" {...form.text(key)} />
  );
  return (
    <Form
      noValidate
      aria-label="Packs and dates"
      className="grid content-start gap-3 rounded-plate bg-white p-4"
      act={submit}
    >
      <h2 className="text-xl">Packs and dates</h2>
      <div className="grid grid-cols-2 gap-3">
        {field('price', 'A pack costs', units.currency)}
        {field('packG', 'and holds', 'g')}
      </div>
      <p className="-mt-1 text-[15px] text-soft">
        {per !== null && Number.isFinite(per) ? `${pricePer(per, units)}.` : 'Cost is counted once both are known.'}
      </p>
      <div className="grid grid-cols-2 gap-3">
        {day('opened', 'Opened on')}
        {day('bestBefore', 'Best before')}
      </div>
      <RowNotices of={form} />
      <Button look="now" type="submit" disabled={form.busy} className="justify-self-start">
        Note it
      </Button>
    </Form>
  );
}
