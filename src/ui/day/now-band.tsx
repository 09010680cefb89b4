import type { Serving } from '@/core/batch/serving';
import type { DayStep } from '@/core/day/schedule';
import { lower } from '@/core/day/step';
import { minutesOrHours } from '@/core/quantity/say';
import { Button } from '../kit/button';
import { useTime } from '../kit/time';

const MIN = 60_000;

/** The day's list at its head: what is to be done now, what comes next, and whether the plates go when they should. */
export function NowBand({
  list,
  now,
  servedAt,
  wanted,
  anchor,
  onDone,
}: {
  readonly list: readonly DayStep[];
  readonly now: number;
  readonly servedAt: number;
  readonly wanted: number;
  readonly anchor: Serving['anchor'];
  readonly onDone: (step: string) => void;
}) {
  const time = useTime();
  const due = list.filter((s) => (s.state === 'late' || s.state === 'now') && s.step.handsMin > 0);
  const waits = list.filter((s) => s.state === 'now' && s.step.handsMin === 0);
  const next = list.find((s) => (s.state === 'next' || s.state === 'later') && s.step.handsMin > 0);
  const first = due[0];
  const lateMin = Math.round((servedAt - wanted) / MIN);
  return (
    <section aria-label="Now" className="rounded-plate bg-white p-4">
      {list.length === 0 ? (
        <p role="status" className="text-[56px] leading-tight font-bold">
          All of it is done
        </p>
      ) : first ? (
        <div className="flex flex-wrap items-center gap-x-6 gap-y-3">
          <div className="min-w-0 flex-1 basis-96" role="status">
            <p className="text-[56px] leading-tight font-bold [overflow-wrap:anywhere]">{first.step.name}</p>
            <p className="text-lg">
              {first.state === 'late' ? <strong>late; </strong> : null}
              {first.step.why}
            </p>
          </div>
          <Button look="now" size="work" className="min-h-16 !px-8 text-xl" onClick={() => onDone(first.step.id)}>
            Done: {lower(first.step.name)}
          </Button>
        </div>
      ) : (
        <p role="status" className="text-[56px] leading-tight font-bold">
          {next ? `Nothing until ${time.andDay(next.start, now)}` : 'Only waiting is left'}
        </p>
      )}
      <p className="mt-2 text-lg text-soft">
        {due.length > 1
          ? `Then ${due
              .slice(1, 3)
              .map((s) => lower(s.step.name))
              .join(', ')}. `
          : ''}
        {waits.map((s) => `${s.step.name} until ${time.ofDay(s.end)}. `)}
        {next ? `Next ${time.andDay(next.start, now)}: ${lower(next.step.name)}. ` : ''}
        {list.length === 0 ? (
          ''
        ) : (
          <strong className="text-ink">
            {anchor === 'first' ? 'First plates' : 'Last plate'} {time.andDay(servedAt, now)}
            {lateMin > 0 ? `, ${minutesOrHours(lateMin)} late` : ', in time'}.
          </strong>
        )}
      </p>
    </section>
  );
}
