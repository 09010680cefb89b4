/**
 * What is known of a piece on the heat: how long a side lies, and what is looked for. Defaults of ours, until a kitchen
 * has timed or tapped its own. Seconds.
 */
import type { KindId } from '../formula/kinds';

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

/** Both sides. */
export const onHeatS = (t: SideTimes): number => t.first + (t.second ?? 0);

/** Pouring, taking off and wiping between two loads. */
export const BETWEEN_S = 30;

export interface Cues {
  /** Before each pour: the fat in the pan. */
  readonly pour: string;
  readonly first: string;
  readonly second: string;
  /** Large on the screen: what to look for, or the time. */
  readonly asks: 'cue' | 'clock';
  /** The second side has no clock. */
  readonly secondByCue: boolean;
}
