/** Covers that come over a time, as the waves that they are served in. Minutes from midnight. */
import { apportioned, type Wave } from './morning';

interface Arrivals {
  readonly from: number;
  readonly to: number;
  readonly covers: number;
  /** When most of them come; null: as many at one time as at another. */
  readonly most: number | null;
}

/** Minutes from one wave to the next: the shortest with which they are few enough. Ours. */
const APART = [15, 20, 30, 60, 120] as const;
const MOST_WAVES = 12;
/** At the ends of the time come so many of those who come at its peak, as a share. Ours. */
const AT_THE_ENDS = 0.2;

/** How thick they come at a time, against the peak: rising to it and falling from it in straight lines. */
function thick(at: number, { from, to, most }: Arrivals): number {
  if (most === null) return 1;
  const side = at < most ? most - from : to - most;
  const far = side <= 0 ? 0 : Math.abs(at - most) / side;
  return 1 - (1 - AT_THE_ENDS) * Math.min(1, far);
}

/**
 * The waves of an arrival pattern: whole covers that sum to all of them, none of them empty.
 * @returns none where it ends before it begins, or nobody comes
 */
export function wavesOfArrivals(a: Arrivals): readonly Wave[] {
  const length = a.to - a.from;
  if (!(length >= 0) || !(a.covers >= 1)) return [];
  const apart = APART.find((min) => length / min < MOST_WAVES) ?? length / MOST_WAVES;
  const times = Array.from({ length: Math.floor(length / apart) + 1 }, (_, n) => a.from + n * apart);
  const covers = apportioned(
    Math.round(a.covers),
    times.map((at) => thick(at, a)),
  );
  return times.flatMap((at, n) => ((covers[n] ?? 0) > 0 ? [{ at, covers: covers[n] ?? 0 }] : []));
}
