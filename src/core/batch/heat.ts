/** How long pieces lie on the heat, by kind: defaults of ours, until a kitchen has timed or tapped its own. Seconds. */
import type { KindId } from '../formula/kinds';
import { effectOf, type Ways } from '../formula/ways';

export interface SideTimes {
  readonly first: number;
  /** Null: it is not turned. */
  readonly second: number | null;
}

export const USUAL_TIMES: Readonly<Record<KindId, SideTimes>> = {
  griddle: { first: 140, second: 90 },
  small: { first: 85, second: 60 },
  foam: { first: 180, second: 120 },
  ball: { first: 110, second: 90 },
  crepe: { first: 60, second: 20 },
  waffle: { first: 270, second: null },
  oven: { first: 1320, second: null },
};

/**
 * How long the sides take by the house's ways, until taps have taught better: a second side half of the first, or as
 * long.
 */
export function usualTimes(kind: KindId, ways: Ways): SideTimes {
  const usual = USUAL_TIMES[kind];
  const share = effectOf(ways, 'second', kind).second;
  return usual.second === null || !share ? usual : { first: usual.first, second: Math.round(share * usual.first) };
}

/** Both sides. */
export const onHeatS = (t: SideTimes): number => t.first + (t.second ?? 0);

/** Pouring, taking off and wiping between two loads. */
export const BETWEEN_S = 30;
