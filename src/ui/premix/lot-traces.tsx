'use client';
import { useState } from 'react';
import type { BetweenAllergens } from '@/core/premix/premix';
import type { Refused } from '../kit/answer';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Field, PEOPLE_LIST } from '../kit/field';
import { Notice } from '../kit/notice';
import { useRefresh } from '../kit/refresh';

/** What was cleared down before a lot, after one with other allergens; and what is said of traces where it was not. */
export function LotTraces({
  lotId,
  between: b,
  waits,
  say,
}: {
  readonly lotId: string;
  readonly between: BetweenAllergens;
  /** Why it has no label yet; null: it may be printed. */
  readonly waits: string | null;
  readonly say: (input: unknown) => Promise<{ readonly ok: true } | Refused>;
}) {
  const refresh = useRefresh();
  const asking = useAsking();
  const [traces, setTraces] = useState(b.traces);
  const [who, setWho] = useState('');
  const send = async (): Promise<void> => {
    if (
      asking.found({
        ...(traces.trim() === '' && { traces: 'Write what is said.' }),
        ...(who.trim() === '' && { who: 'Write who.' }),
      })
    )
      return;
    const a = await asking.ask((requestId) =>
      act('say-traces', 'what is said of traces', say, { lotId, traces, who, requestId }),
    );
    if (a?.ok) refresh();
  };
  const left = b.asked.filter((x) => !b.cleared.includes(x));
  return (
    <section aria-label="Between allergens" className="grid gap-2">
      <h2 className="text-xl">Between allergens</h2>
      {waits ? <Notice weight="stop">{waits}</Notice> : null}
      <p>
        {waits ? '' : `${b.from} held ${b.carried.join(', ')}. `}
        {b.cleared.length > 0
          ? `Cleared down${b.clearedBy ? ` by ${b.clearedBy}` : ', by nobody’s name'}: ${b.cleared.join('; ')}.`
          : 'Nothing was ticked as cleared down.'}{' '}
        {left.length > 0 && b.cleared.length > 0 ? `Not ticked: ${left.join('; ')}.` : ''}
      </p>
      {b.traces ? (
        <p>
          On its label: <strong>{b.traces}</strong> ({b.tracesBy})
        </p>
      ) : null}
      {waits ? (
        <div className="flex flex-wrap items-start gap-3">
          <Field
            label="What the label says of traces"
            className="min-w-64 flex-1"
            placeholder={`May contain traces of ${b.carried.join(', ')}.`}
            maxLength={300}
            value={traces}
            error={asking.errors.traces}
            onChange={(e) => setTraces(e.target.value)}
          />
          <Field
            label="Who"
            className="w-36"
            list={PEOPLE_LIST}
            value={who}
            error={asking.errors.who}
            onChange={(e) => setWho(e.target.value)}
          />
          <Button className="mt-7 min-h-11" disabled={asking.busy} onClick={() => void send()}>
            Write it on the label
          </Button>
        </div>
      ) : null}
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </section>
  );
}
