import { ArrowRight } from 'lucide-react';
import { type Batch, type NextAction, nextAction } from '@/core/batch/batch';
import { measureSaid, type SheetLine } from '@/core/batch/sheet-line';
import type { StepsOfDay } from '@/core/day/schedule';
import { lower } from '@/core/day/step';
import { servedTogether } from '@/core/morning/loose';
import { dayAfter, localDay, sayTime, sayWeekday } from '@/core/quantity/day';
import type { Units } from '@/core/quantity/say';
import { counted } from '@/core/quantity/say';
import { lookOf } from '../kit/button';
import { Link } from '../kit/link';
import { Opens } from '../kit/signed';
import { when } from '../kit/when';

/** Where the next thing is done, and what it is called. */
const AFTER_WEIGHING: Readonly<Record<NextAction['do'], readonly [to: string, says: string]>> = {
  weigh: ['prep', ''],
  join: ['prep', 'Combine dry and wet'],
  pour: ['griddle', 'Pour'],
  judge: ['outcome', 'Write what came out'],
  nothing: ['outcome', 'See what came out'],
};

const today = (day: string, now: number, units: Units): string | null =>
  day === localDay(now, units) ? 'today' : day === dayAfter(localDay(now, units), 1) ? 'tomorrow' : null;

/** "Steps: 3 today, next 18:00 weigh the dry; 8 tomorrow from 07:40." */
const stepsInWords = (days: readonly StepsOfDay[], now: number, units: Units): string =>
  `Steps: ${days
    .map(({ day, count, first }, n) => {
      const on = today(day, now, units) ?? `on ${sayWeekday(first.start, units)}`;
      return `${count} ${on}${n === 0 ? `, next ${sayTime(Math.max(first.start, now), units)} ${lower(first.step.name)}` : ` from ${sayTime(first.start, units)}`}`;
    })
    .join('; ')}.`;

/** "Weigh 396 g fine corn meal", "Take 1 bag of corn mix". */
const weighWords = (l: SheetLine, units: Units): string =>
  l.lot === undefined ? `Weigh ${measureSaid(l, units)} ${l.name.toLowerCase()}` : `Take ${l.text.toLowerCase()}`;

/** The batches under way, oldest first, each with its one next action. */
export function UnderWay({
  batches,
  units,
  steps,
}: {
  readonly batches: readonly Batch[];
  readonly units: Units;
  /** What each still has to do with hands, by day. */
  readonly steps: Readonly<Record<string, readonly StepsOfDay[]>>;
}) {
  if (batches.length === 0) return null;
  return (
    <section aria-labelledby="under-way" className="mb-6">
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <h2 id="under-way" className="text-2xl">
          Under way
        </h2>
        <span className="flex flex-wrap items-center gap-x-3">
          {servedTogether(batches, units).map((of) => (
            <Opens key={of[0]?.id} to="/mornings/new">
              <Link href={`/mornings/new?batches=${of.map((b) => b.id).join(',')}`} className={lookOf('bare')}>
                Make the {of.length} for {sayTime(of[0]?.timeline?.at ?? 0, units)} one morning
              </Link>
            </Opens>
          ))}
          <Opens to="/pantry/take-out">
            <Link href="/pantry/take-out" className={lookOf('bare')}>
              What to get
            </Link>
          </Opens>
        </span>
      </div>
      <ul className="grid gap-2 lg:grid-cols-2">
        {batches.map((b) => {
          const next = nextAction(b);
          const weigh = next.do === 'weigh';
          const [to, says] = AFTER_WEIGHING[next.do];
          return (
            <li key={b.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-plate bg-white px-4 py-3">
              <div className="min-w-56 flex-1">
                <h3 className="truncate text-xl">{b.name}</h3>
                <p className="text-sm text-soft">
                  {b.piecesPlanned ? `${counted(b.piecesPlanned, 'pieces')}, ` : ''}begun {when(b.startedAt, units)}
                  {weigh ? `, ${next.left} to weigh` : ''}
                  {b.timeline
                    ? `; ${b.timeline.anchor === 'first' ? 'first plates' : 'last plate'} ${when(new Date(b.timeline.at), units)}`
                    : ''}
                </p>
                {steps[b.id]?.length ? (
                  <p className="text-[15px]">{stepsInWords(steps[b.id] ?? [], Date.now(), units)}</p>
                ) : null}
              </div>
              <Link
                href={`/batches/${b.id}/${to}`}
                className={`${lookOf('now', 'work')} max-w-full !whitespace-normal`}
              >
                {weigh ? weighWords(next.line, units) : says}
                <ArrowRight size={20} aria-hidden className="shrink-0" />
              </Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
