'use client';
import type { ActionResult } from '@/contract/action-result';
import { grams, type Units } from '@/core/quantity/say';
import { typedGrams } from '@/core/quantity/typed';
import { act, pageName } from '../kit/answer';
import { RefusalNotice } from '../kit/asking';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { useRefresh } from '../kit/refresh';
import { useTypedForm } from '../kit/row-form';
import { toast } from '../kit/toast';
import { toastUndoAct } from '../kit/undo';

interface CountRow {
  readonly countedG: number;
  readonly wasG: number | null;
  readonly who: string;
  /** When, as it is said. */
  readonly at: string;
  readonly undone: boolean;
}

/** What is on hand: moved by batches and lots, and counted by people. A count is an entry of its own. */
export function CountForm({
  ingredientId,
  onHandG,
  counts,
  units,
  count,
  uncount,
}: {
  readonly ingredientId: string;
  readonly onHandG: number | null;
  readonly counts: readonly CountRow[];
  readonly units: Units;
  readonly count: (input: unknown) => Promise<ActionResult>;
  readonly uncount: (input: unknown) => Promise<ActionResult>;
}) {
  const refresh = useRefresh();
  const form = useTypedForm(`count:${ingredientId}`, () => ({ counted: '', who: '' }));
  const { counted, who } = form.typed;
  const submit = async (): Promise<void> => {
    const countedG = typedGrams(counted);
    if (
      form.found(
        countedG === null || Number.isNaN(countedG) ? { countedG: 'Write what was counted, as 800 or 1.5 kg.' } : {},
      )
    )
      return;
    let countId = '';
    const a = await form.ask((requestId) => {
      countId = requestId;
      return act('count-stock', `${counted} of ${pageName()} counted`, count, {
        ingredientId,
        countedG,
        who,
        requestId,
      });
    });
    if (!a?.ok) return;
    toastUndoAct(
      `Counted ${grams(countedG ?? 0, units)}`,
      () => act('uncount-stock', `a count of ${pageName()} taken back`, uncount, { countId }),
      () => {
        toast('The count is taken back');
        refresh();
      },
    );
    form.set({ counted: '' });
    form.sent();
  };
  return (
    <Form noValidate aria-label="On hand" className="grid content-start gap-3 rounded-plate bg-white p-4" act={submit}>
      <h2 className="text-xl">
        On hand: <span data-on-hand>{onHandG === null ? 'not counted yet' : grams(onHandG, units)}</span>
      </h2>
      <div className="grid grid-cols-2 gap-3">
        <Field label="Counted" unit="g" inputMode="decimal" {...form.text('counted', 'countedG')} />
        <Field label="Who counted" maxLength={40} {...form.text('who')} />
      </div>
      <Button type="submit" disabled={form.busy} className="justify-self-start">
        Note the count
      </Button>
      <RefusalNotice text={Object.keys(form.errors).length === 0 ? form.refusal : null} waits={form.waits} />
      {counts.length > 0 ? (
        <ul className="text-[15px] text-soft" aria-label="Counts">
          {counts.slice(0, 5).map((c) => (
            <li key={c.at}>
              {c.at}: counted {grams(c.countedG, units)}
              {c.who ? ` by ${c.who}` : ''}
              {c.undone ? ' (taken back)' : ''}
              {c.wasG === null ? '' : `, where ${grams(c.wasG, units)} stood`}
            </li>
          ))}
        </ul>
      ) : (
        <p className="text-[15px] text-soft">Batches and lots take from it by themselves once it is counted.</p>
      )}
    </Form>
  );
}
