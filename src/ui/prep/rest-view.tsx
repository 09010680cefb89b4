'use client';
import type { Life } from '@/core/batch/mixes';
import type { FadePoint } from '@/core/lift/fade';
import { minutesAndSeconds } from '@/core/quantity/say';
import { useAlarm } from '../kit/alarm';
import { Button, lookOf } from '../kit/button';
import { Link } from '../kit/link';
import { useTime } from '../kit/time';
import { liftAt } from '../live/bowl-clock';
import { useNow } from '../live/clock';

const MIN = 60_000;

/** The rest: how long it still stands, what that costs in lift, and until when the bowl is good. */
export function RestView({
  at,
  restMin,
  life,
  batterLife,
  fade,
  foam,
  addIns,
  parting,
  griddle,
}: {
  /** When it was mixed. */
  readonly at: number;
  readonly restMin: number;
  readonly life: Life;
  /** The same until the whites are in. */
  readonly batterLife: Life;
  readonly fade: readonly FadePoint[];
  /** Whites are folded in: how, when they were (null: not yet), and whether before it rests. Null: there are none. */
  readonly foam: {
    readonly steps: readonly string[];
    readonly at: number | null;
    readonly beforeRest: boolean;
    readonly onFolded: () => void;
  } | null;
  /** What else is folded in after the rest. */
  readonly addIns: readonly string[];
  /** How one base is parted between two ends; empty: it is not. */
  readonly parting: string;
  readonly griddle: string;
}) {
  const time = useTime();
  const [now] = useNow(500);
  const until = at + restMin * MIN;
  const rested = now !== null && now >= until;
  useAlarm(now === null ? null : rested ? 'rested' : '');
  if (now === null) return <p role="status">Looking at the clock …</p>;
  const stood = Math.max(0, (now - at) / MIN);
  const left = liftAt(fade, stood);
  const atEnd = liftAt(fade, restMin);
  // until the whites are in it is the leavening that runs; then it is the foam
  const runs = foam && foam.at === null ? batterLife : life;
  const good = runs.min === null ? null : (foam?.at ?? at) + runs.min * MIN;
  return (
    <section aria-label="Rest" className="rounded-plate bg-white p-4">
      <p role="timer" className="text-[72px] leading-none font-bold">
        {rested ? 'Rested' : minutesAndSeconds(Math.ceil((until - now) / 1000))}
      </p>
      <p className="mt-2 text-xl">
        {rested ? `since ${time.ofDay(until)}` : `until ${time.ofDay(until)}; heat the griddle meanwhile`}
        {left === null
          ? ''
          : `. About ${Math.round(100 * left)} % of its rise is left${rested || atEnd === null ? '' : `, ${Math.round(100 * atEnd)} % when it is rested`}`}
        {good === null
          ? ''
          : good > now
            ? `. Good until ${time.ofDay(good)}`
            : '. Past its time: pour it soon, flatter, or combine another'}
        .
      </p>
      {parting ? <p className="mt-1 text-xl font-semibold">{parting}</p> : null}
      {addIns.length > 0 ? (
        <p className="mt-1 text-xl font-semibold">
          {rested ? 'Now fold in' : 'When it has rested, fold in'} {addIns.join(', ').toLowerCase()}.
        </p>
      ) : null}
      {foam === null ? null : foam.at === null ? (
        <div className="mt-3 grid gap-2">
          <h2 className="text-2xl">
            {foam.beforeRest ? 'Before it rests' : rested ? 'Now' : 'When it has rested'}: the whites
          </h2>
          <ol className="list-inside list-decimal text-xl">
            {foam.steps.map((x) => (
              <li key={x}>{x}</li>
            ))}
          </ol>
          <Button
            look={rested || foam.beforeRest ? 'now' : 'plain'}
            size="work"
            className="min-h-16 justify-self-start !px-8 text-xl"
            onClick={foam.onFolded}
          >
            They are folded in
          </Button>
        </div>
      ) : (
        <p className="mt-1 text-xl font-semibold" role="status">
          ✓ Whites folded in at {time.ofDay(foam.at)}: pour it by {time.ofDay(foam.at + (life.min ?? 0) * MIN)}.
        </p>
      )}
      <p className="text-soft">
        {runs.why}; the rise that is left is an estimate. Covered; how long it may stand out of the cold the local food
        code says.
      </p>
      <Link
        href={griddle}
        className={`${lookOf(rested && (foam === null || foam.at !== null) ? 'now' : 'plain', 'work')} mt-3 min-h-16 !px-8 text-xl`}
      >
        To the griddle
      </Link>
    </section>
  );
}
