'use client';
import type { ActionResult, Kept } from '@/contract/action-result';
import { EMPTY_STOCK, pricePerG, type Shelf, type Stock } from '@/core/pantry/stock';
import { type PricedMix, repriced } from '@/core/premix/price';
import { grams, money, pricePer, type Units } from '@/core/quantity/say';
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
  mixes,
  shelf,
  keep,
}: {
  readonly ingredientId: string;
  readonly stock: Stock | null;
  readonly units: Units;
  /** Mixes that have it. */
  readonly mixes: readonly PricedMix[];
  readonly shelf: Shelf;
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
      {per === null || !Number.isFinite(per) ? null : (
        <InMixes list={repriced(mixes, shelf, { ...EMPTY_STOCK, ingredientId, ...note })} units={units} />
      )}
      <RowNotices of={form} />
      <Button look="now" type="submit" disabled={form.busy} className="justify-self-start">
        Note it
      </Button>
    </Form>
  );
}

/** What a bag of each mix with it costs: as it is kept, and as it is typed where that is another. */
function InMixes({ list, units }: { readonly list: ReturnType<typeof repriced>; readonly units: Units }) {
  if (list.length === 0) return null;
  return (
    <ul aria-label="In mixes" className="text-[15px]">
      {list.map(({ mix, bagG, was, now }) => {
        const same = Math.abs(now.total - was.total) < 0.005 && now.gaps.length === was.gaps.length;
        const open = now.gaps.length > 0 ? `, without ${now.gaps.join(', ').toLowerCase()}` : '';
        return (
          <li key={`${mix.id} ${bagG}`}>
            {mix.name}, a bag of {grams(bagG, units)}: <strong>{money(now.total, units)}</strong>
            {same
              ? open
              : was.gaps.length > now.gaps.length
                ? `${open}; had no price before`
                : ` instead of ${money(was.total, units)}${open}`}
            {!same && now.marginPct !== null ? `; of its price ${now.marginPct.toFixed(0)} % stays` : ''}
          </li>
        );
      })}
    </ul>
  );
}
