'use client';
import Link from 'next/link';
import type { Life } from '@/core/batch/mixes';
import type { FadePoint } from '@/core/lift/fade';
import { minutesAndSeconds } from '@/core/quantity/say';
import { useNow } from '../day/clock';
import { liftAt } from '../griddle/bowl-clock';
import { useAlarm } from '../kit/alarm';
import { lookOf } from '../kit/button';
import { useTime } from '../time';

const MIN = 60_000;

/** The rest: how long it still stands, what that costs in lift, and until when the bowl is good. */
export function RestView({
  at,
  restMin,
  life,
  fade,
  foam,
  griddle,
}: {
  /** When it was mixed. */
  readonly at: number;
  readonly restMin: number;
  readonly life: Life;
  readonly fade: readonly FadePoint[];
  /** Whites are folded in when it has rested. */
  readonly foam: boolean;
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
  const good = life.min === null ? null : at + life.min * MIN;
  return (
    <section aria-label="Rest" className="rounded-plate bg-white p-4">
      <p role="timer" className="text-[72px] leading-none font-bold">
        {rested ? 'Rested' : minutesAndSeconds(Math.ceil((until - now) / 1000))}
      </p>
      <p className="mt-2 text-xl">
        {rested ? `since ${time.ofDay(until)}` : `until ${time.ofDay(until)}; heat the griddle meanwhile`}
        {left === null
          ? ''
          : `. About ${Math.round(100 * left)} % of its lift is left${rested || atEnd === null ? '' : `, ${Math.round(100 * atEnd)} % when it is rested`}`}
        {good === null ? '' : good > now ? `. Good until ${time.ofDay(good)}` : '. Past its time: pour it soon, flatter, or join another'}.
      </p>
      {foam ? (
        <p className="mt-1 text-xl font-semibold">
          {rested ? 'Now whip' : 'When it has rested, whip'} the whites, fold them in, and pour within a quarter of an hour.
        </p>
      ) : null}
      <p className="text-soft">{life.why}; the lift that is left is a model. Covered; how long it may stand out of the cold the local food code says.</p>
      <Link href={griddle} className={`${lookOf(rested ? 'now' : 'plain', 'work')} mt-3 min-h-16 !px-8 text-xl`}>
        To the griddle
      </Link>
    </section>
  );
}
