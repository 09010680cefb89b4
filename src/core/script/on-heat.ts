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

/** From cold until it is as hot as it has to be, minutes. Ours, until a kitchen has timed its own. */
export const HEAT_UP_MIN = { griddle: 15, pan: 15, 'ball pan': 15, iron: 10, oven: 25, 'low oven': 15 } as const;

/** The low oven in which pieces wait, Celsius, where a formula asks for no other heat: the middle of 90 to 95. */
export const HOLD_C = 93;
/**
 * How long pieces off the heat are as they should be, in a low oven or under a cloth, minutes: 20 to 30 for a griddle
 * cake (domain practice); of the others ours. What may be held, and how hot, the local food code rules.
 */
export const HOLDS_MIN: Readonly<Record<KindId, number>> = {
  griddle: 25,
  small: 25,
  foam: 5,
  ball: 15,
  crepe: 45,
  waffle: 15,
  oven: 3,
};

/** Laying out the plates, minutes. Ours. */
export const PLATE_MIN = 2;

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
