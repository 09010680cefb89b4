'use client';
import type { ActionResult, Kept } from '@/contract/action-result';
import { EMPTY_STOCK, pricePerG, type Stock } from '@/core/pantry/stock';
import { pricePer, type Units } from '@/core/quantity/say';
import { RefusalNotice, useAsking } from '../kit/asking';
import { useCopied } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { DayField } from '../kit/date-fields';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { Clashes, useRevised } from '../kit/revised';
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
  const [typed, change, sent] = useCopied(`stock:${ingredientId}:${stock?.revision ?? 0}`, () => stockFieldsOf(stock));
  const asking = useAsking();
  const revised = useRevised(stock?.revision ?? 1, stockNoteOf(stock));
  const { note, errors } = stockToSend(typed);
  const per = pricePerG({ ...EMPTY_STOCK, ingredientId, ...note });
  const put = (key: StockKey, text: string): void => {
    change({ [key]: text });
    asking.touched();
  };
  const submit = async (): Promise<void> => {
    if (asking.found(errors)) return;
    const a = await asking.ask(() => keep({ ingredientId, ...note, seen: revised.seen }));
    revised.heard(a);
    if (a?.ok) sent();
    if (a?.ok && a.merged.length === 0) toast('Noted');
  };
  const day = (key: StockKey, label: string) => (
    <DayField label={label} value={typed[key]} error={asking.errors[key]} onDay={(d) => put(key, d)} />
  );
  const field = (key: StockKey, label: string, unit: string) => (
    <Field
      label={label}
      unit={unit}
      inputMode="decimal"
      value={typed[key]}
      error={asking.errors[key]}
      onChange={(e) => put(key, e.target.value)}
    />
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
      <Clashes of={revised} />
      <RefusalNotice text={Object.keys(asking.errors).length === 0 && !revised.conflict ? asking.refusal : null} />
      <Button look="now" type="submit" disabled={asking.busy} className="justify-self-start">
        Note it
      </Button>
    </Form>
  );
}
