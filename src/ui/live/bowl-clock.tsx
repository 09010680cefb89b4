'use client';
import type { Life } from '@/core/batch/mixes';
import type { FadePoint } from '@/core/lift/fade';
import { minutesOrHours } from '@/core/quantity/say';
import { Button, lookOf } from '../kit/button';
import { Link } from '../kit/link';
import { useTime } from '../kit/time';
import { unbroken } from '../kit/unbroken';

const MIN_MS = 60_000;

/** Share of the fresh lift at a minute, between the points it was worked for; null where there is none to lose. */
export function liftAt(points: readonly Pick<FadePoint, 'min' | 'lift'>[], min: number): number | null {
  const fresh = points[0]?.lift ?? 0;
  if (fresh < 1) return null;
  const after = points.findIndex((p) => p.min >= min);
  if (after <= 0) return (after === 0 ? fresh : (points.at(-1)?.lift ?? 0)) / fresh;
  const [a, b] = [points[after - 1] as FadePoint, points[after] as FadePoint];
  return (a.lift + ((b.lift - a.lift) * (min - a.min)) / (b.min - a.min)) / fresh;
}

/**
 * A bowl's clock from the moment dry and wet met: how long it stands, what is left of its lift, and until when it is
 * good.
 */
export function BowlClock({
  bowl,
  bowls,
  at,
  folded,
  now,
  life,
  points,
  guard,
  onJoin,
}: {
  readonly bowl: number;
  readonly bowls: number;
  readonly at: number | null;
  /** When its whites were folded in, null: not yet; undefined: it has none. */
  readonly folded: number | null | undefined;
  readonly now: number;
  readonly life: Life;
  readonly points: readonly FadePoint[];
  /** Where it is combined, when somebody has to look first; null: here. */
  readonly guard: string | null;
  readonly onJoin: () => void;
}) {
  const time = useTime();
  const name = bowls > 1 ? `Bowl ${bowl}` : 'The bowl';
  if (at === null && guard !== null)
    return (
      <Link href={guard} className={lookOf('plain', 'work')}>
        {name}: second look and combining
      </Link>
    );
  if (at === null)
    return (
      <Button size="work" onClick={onJoin}>
        {name} is combined
      </Button>
    );
  const min = Math.max(0, (now - at) / MIN_MS);
  const left = liftAt(points, min);
  const until = life.min === null ? null : (folded ?? at) + life.min * MIN_MS;
  const past = until !== null && now > until;
  return (
    <p className={past ? 'font-semibold' : ''} role={past ? 'status' : undefined}>
      {name} combined {min < 1 ? 'just now' : `${minutesOrHours(Math.floor(min))} ago`}
      {folded === undefined
        ? ''
        : folded === null
          ? '; its whites are not in yet'
          : `, whites in ${minutesOrHours(Math.max(0, Math.floor((now - folded) / MIN_MS)))} ago`}
      {left === null ? '' : unbroken(`: about ${Math.round(100 * left)} % of its rise is left`)}
      {until === null
        ? ''
        : past
          ? '; past its time: pour what is left soon, flatter, or combine another'
          : `; good until ${time.ofDay(until)}`}
      .<span className="block text-sm text-soft">{life.why}; the rise that is left is an estimate.</span>
    </p>
  );
}
