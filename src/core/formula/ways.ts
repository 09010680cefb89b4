/**
 * Ways of working that cooks disagree about and that change a number on the Bench: how long a batter rests, how cold its
 * egg and milk are, how far whites are whipped. A house has its ways, a formula may have its own. Times and temperatures
 * are kitchen defaults (models, not law); what touches safety is the local food code's to say.
 */

import type { Kind } from './kinds';

export const RESTS = ['usual', 'none', 'short', 'half-hour', 'hour', 'overnight'] as const;
export type Rest = (typeof RESTS)[number];
export const WARMTHS = ['counter', 'cold'] as const;
export type Warmth = (typeof WARMTHS)[number];
export const WHITES = ['soft', 'firm'] as const;
export type Whites = (typeof WHITES)[number];
export const JOININGS = ['well', 'sprinkle', 'blender', 'strained'] as const;
export type Joining = (typeof JOININGS)[number];
export const CHECKS = ['none', 'second'] as const;
export type Check = (typeof CHECKS)[number];
export const LARGE_BOWLS = ['straight', 'less'] as const;
export type LargeBowl = (typeof LARGE_BOWLS)[number];

export interface Ways {
  readonly rest: Rest;
  readonly warmth: Warmth;
  readonly whites: Whites;
  /** How dry and wet meet. */
  readonly joining: Joining;
  /** Whether a second person looks at every pile before they do. */
  readonly check: Check;
  /** What becomes of the leavening in a very large bowl. */
  readonly largeBowl: LargeBowl;
  /** Metres above the sea: thinner air gives the same gas more room. */
  readonly altitudeM: number;
}

/** The ways that are chosen from a list. */
export type ChosenWay = Exclude<keyof Ways, 'altitudeM'>;

export const FRESH_WAYS: Ways = { rest: 'usual', warmth: 'counter', whites: 'soft', joining: 'well', check: 'none', largeBowl: 'straight', altitudeM: 0 };
export const MOST_ALTITUDE_M = 5000;

/** What each way is called on screen, in the order it is offered. */
export const WAY_NAMES: { readonly [W in ChosenWay]: Readonly<Record<Ways[W], string>> } = {
  rest: {
    usual: 'as the kind is used to',
    none: 'none, straight to the heat',
    short: '10 minutes',
    'half-hour': '30 minutes, covered',
    hour: '1 hour, covered',
    overnight: 'overnight, chilled',
  },
  warmth: { counter: 'an hour on the counter', cold: 'straight from the cold' },
  whites: { soft: 'soft peaks, folded in one go', firm: 'firm peaks, folded in thirds' },
  joining: {
    well: 'wet into a well in the dry',
    sprinkle: 'dry sprinkled over the wet',
    blender: 'all at once in a blender',
    strained: 'whisked, then strained',
  },
  check: { none: 'no second look', second: 'a second person looks at every pile' },
  largeBowl: { straight: 'leavening scaled straight', less: 'a tenth less leavening from 10 kg a bowl' },
};

/** Minutes; overnight is twelve hours. */
const REST_MIN: Readonly<Record<Exclude<Rest, 'usual'>, number>> = { none: 0, short: 10, 'half-hour': 30, hour: 60, overnight: 720 };
const OVERNIGHT_C = 4;
const WARMTH_C: Readonly<Record<Warmth, number>> = { counter: 22, cold: 8 };

/** Rest where no kind says otherwise, minutes. */
const USUAL_REST_MIN = 10;

/** What the ways come to for a batter that stands before it is poured. */
export interface Standing {
  readonly restMin: number;
  /** Degrees C of the batter while it stands. */
  readonly batterC: number;
}

/** Minutes more that a batter wants after it was joined that way: bubbles and worked flour have to settle. Ours. */
const MORE_REST_MIN: Readonly<Record<Joining, number>> = { well: 0, sprinkle: 0, blender: 20, strained: 10 };

export const standingOf = (w: Ways, kind: Pick<Kind, 'restMin'> | null): Standing => ({
  restMin: w.rest === 'usual' ? (kind?.restMin ?? USUAL_REST_MIN) + MORE_REST_MIN[w.joining] : REST_MIN[w.rest],
  batterC: w.rest === 'overnight' ? OVERNIGHT_C : WARMTH_C[w.warmth],
});

/**
 * The room a gas takes up at an altitude, against at the sea: standard air, 101.325 kPa there and
 * (1 - 2.25577e-5 h)^5.25588 of it at h metres.
 */
export const gasRoomAt = (altitudeM: number): number => (1 - 2.25577e-5 * altitudeM) ** -5.25588;

/** Where water boils, degrees C: about one less for every 300 m (rule of thumb, good to half a degree up to 3,000 m). */
export const boilsAtC = (altitudeM: number): number => 100 - altitudeM / 300;
