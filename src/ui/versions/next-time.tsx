'use client';
import { useRouter } from 'next/navigation';
import type { ActionResult } from '@/contract/action-result';
import { VERDICT_WORDS } from '@/core/batch/batch';
import { markName } from '@/core/batch/came-out';
import type { ChangeState, LastChange, LastOutcome } from '@/core/judge/came-back';
import type { Units } from '@/core/quantity/say';
import { act } from '../kit/answer';
import { RefusalNotice, useAsking } from '../kit/asking';
import { Button } from '../kit/button';
import { Link } from '../kit/link';
import { useRefresh } from '../kit/refresh';
import { toastUndoAct } from '../kit/undo';
import { when } from '../kit/when';

export type AnswerChange = (input: unknown) => Promise<ActionResult<{ readonly was: ChangeState | null }>>;

const SAID: Readonly<Record<ChangeState, string>> = {
  tried: 'The next batch tries it, and its outcome is held against this one',
  'not-now': 'Not now: it stays in the history',
  done: 'Done',
};

/**
 * What the last making came to and asked to change, where it is needed, and what becomes of it: tried, not now, done.
 * A device whose clock is another day's keeps the words the server wrote.
 */
export function NextTime({
  next,
  last,
  units,
  formulaId,
  answer,
}: {
  readonly next: LastChange | null;
  readonly last: LastOutcome | null;
  readonly units: Units;
  readonly formulaId: string;
  readonly answer: AnswerChange;
}) {
  const router = useRouter();
  const refresh = useRefresh();
  const asking = useAsking();
  if (!next)
    return last ? (
      <p className="mb-2 text-[15px] text-soft [overflow-wrap:anywhere] print:hidden">
        Last outcome:{' '}
        <Link
          suppressHydrationWarning
          className="font-semibold text-rim underline"
          href={`/batches/${last.batchId}/outcome`}
        >
          {VERDICT_WORDS[last.verdict].toLowerCase()}, {when(last.at, units)}
        </Link>
        {last.pieces === null
          ? ''
          : `, ${last.pieces} pieces${last.planned === null ? '' : ` of ${last.planned} planned`}`}
        {last.marks.length > 0 ? `: ${last.marks.map(markName).join(', ')}` : ''}.
      </p>
    ) : null;
  const { move } = next;
  const say = async (state: ChangeState): Promise<boolean> => {
    const to = (now: ChangeState | null) =>
      act('answer-change', 'the answer to a change for next time', answer, { batchId: next.batchId, state: now });
    const a = await asking.ask(() => to(state));
    if (!a?.ok) return false;
    toastUndoAct(SAID[state], () => to(a.was), refresh);
    refresh();
    return true;
  };
  const bench = move ? `/formulas/${formulaId}?towards=${move}` : null;
  return (
    <section
      aria-label="Next time"
      className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2 rounded-r-hold border-l-8 border-butter bg-white px-3 py-2 print:hidden"
    >
      <p className="min-w-0 flex-1 basis-72 [overflow-wrap:anywhere]">
        <strong>{next.state === 'tried' ? 'The next batch tries:' : 'Next time:'}</strong> {next.change}{' '}
        <span className="text-soft">
          (
          <Link
            suppressHydrationWarning
            className="font-semibold text-rim underline"
            href={`/batches/${next.batchId}/outcome`}
          >
            {when(next.at, units)}
            {next.verdict ? `, ${VERDICT_WORDS[next.verdict].toLowerCase()}` : ''}
          </Link>
          )
        </span>
      </p>
      <span className="flex flex-wrap gap-2">
        {next.state === 'tried' ? (
          bench ? (
            <Button disabled={asking.busy} onClick={() => router.push(bench)}>
              Show it on the Bench
            </Button>
          ) : null
        ) : (
          <Button
            disabled={asking.busy}
            onClick={() =>
              void say('tried').then((done) => {
                if (done && bench) router.push(bench);
              })
            }
          >
            Try it
          </Button>
        )}
        <Button disabled={asking.busy} onClick={() => void say('not-now')}>
          Not now
        </Button>
        <Button disabled={asking.busy} onClick={() => void say('done')}>
          Done
        </Button>
      </span>
      <RefusalNotice text={asking.refusal} waits={asking.waits} />
    </section>
  );
}
