'use client';
import { useRouter } from 'next/navigation';
import type { ActionResult } from '@/contract/action-result';
import { grams, type Units } from '@/core/quantity/say';
import { typedGrams } from '@/core/quantity/typed';
import { RefusalNotice, useAsking } from '../kit/asking';
import { useCopied } from '../kit/browser-copy';
import { Button } from '../kit/button';
import { Field } from '../kit/field';
import { Form } from '../kit/form';
import { toast, toastUndo } from '../kit/toast';

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
  const router = useRouter();
  const [{ counted, who }, set, sent] = useCopied(`count:${ingredientId}`, () => ({ counted: '', who: '' }));
  const asking = useAsking();
  const submit = async (): Promise<void> => {
    const countedG = typedGrams(counted);
    if (
      asking.found(
        countedG === null || Number.isNaN(countedG) ? { countedG: 'Write what was counted, as 800 or 1.5 kg.' } : {},
      )
    )
      return;
    let countId = '';
    const a = await asking.ask((requestId) => {
      countId = requestId;
      return count({ ingredientId, countedG, who, requestId });
    });
    if (!a?.ok) return;
    toastUndo(`Counted ${grams(countedG ?? 0, units)}`, async () => {
      const back = await uncount({ countId });
      toast(back.ok ? 'The count is taken back' : back.message);
      router.refresh();
    });
    set({ counted: '' });
    sent();
  };
  return (
    <Form noValidate aria-label="On hand" className="grid content-start gap-3 rounded-plate bg-white p-4" act={submit}>
      <h2 className="text-xl">
        On hand: <span data-on-hand>{onHandG === null ? 'not counted yet' : grams(onHandG, units)}</span>
      </h2>
      <div className="grid grid-cols-2 gap-3">
        <Field
          label="Counted"
          unit="g"
          inputMode="decimal"
          value={counted}
          error={asking.errors.countedG}
          onChange={(e) => {
            set({ counted: e.target.value });
            asking.touched();
          }}
        />
        <Field
          label="Who counted"
          maxLength={40}
          value={who}
          error={asking.errors.who}
          onChange={(e) => set({ who: e.target.value })}
        />
      </div>
      <Button type="submit" disabled={asking.busy} className="justify-self-start">
        Note the count
      </Button>
      <RefusalNotice text={Object.keys(asking.errors).length === 0 ? asking.refusal : null} />
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
