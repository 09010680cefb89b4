/**
 * The ways a batter is worked by: of each matter that cooks disagree about, the school that is chosen. A house has its
 * ways, a formula may have its own. Times and temperatures are kitchen defaults (models, not law); what touches safety
 * is the local food code's to say.
 */

import { minutesOrHours } from '../quantity/say';
import type { Kind, KindId } from './kinds';
import { choiceFor, type Effects, MATTERS, type SchoolChoice, type SchoolIdOf, WAY_IDS, type WayId } from './schools';

export type Ways = {
  readonly [W in Exclude<WayId, 'rest'>]: SchoolIdOf<W>;
} & {
  /** A named rest, or any number of minutes. */
  readonly rest: SchoolIdOf<'rest'> | number;
  /** Metres above the sea: thinner air gives the same gas more room. */
  readonly altitudeM: number;
};

export const FRESH_WAYS: Ways = {
  rest: 'usual',
  warmth: 'counter',
  joining: 'well',
  mixing: 'usual',
  lift: 'usual',
  whites: 'soft',
  whip: 'last',
  panFat: 'usual',
  flip: 'usual',
  second: 'usual',
  asks: 'cue',
  moreEgg: 'whole',
  check: 'none',
  largeBowl: 'straight',
  altitudeM: 0,
};
export const MOST_ALTITUDE_M = 5000;
/** Longer than two days no batter stands. */
export const MOST_REST_MIN = 2880;

/** What a way is called: "30 minutes, covered", "firm peaks, folded in thirds"; minutes of one's own as they are. */
export const wayName = (w: WayId, value: string | number): string =>
  typeof value === 'number'
    ? minutesOrHours(value)
    : ((MATTERS[w].choices as Readonly<Record<string, { readonly name: string } | undefined>>)[value]?.name ?? value);

/** What the ways change, matter by matter, for a kind. */
export const effectOf = (w: Ways, matter: WayId, kind: KindId | null): Effects =>
  choiceFor(matter, String(w[matter]), kind)?.does ?? NO_EFFECTS;
const NO_EFFECTS: Effects = {};

/** Things of the mise that the ways want, and that they don't. */
export function toolsOf(
  w: Ways,
  kind: KindId,
): { readonly wanted: ReadonlySet<string>; readonly unwanted: ReadonlySet<string> } {
  const all = WAY_IDS.map((m) => effectOf(w, m, kind));
  return { wanted: new Set(all.flatMap((e) => e.tools ?? [])), unwanted: new Set(all.flatMap((e) => e.without ?? [])) };
}

export interface Against {
  readonly matter: string;
  readonly choice: string;
  readonly why: string;
}

/** Schools that go against a kind's nature, and why. */
export const againstKind = (w: Ways, kind: KindId): readonly Against[] =>
  WAY_IDS.flatMap((m) => {
    const c: SchoolChoice | null = choiceFor(m, String(w[m]), kind);
    const why = c?.against?.[kind];
    return c && why ? [{ matter: MATTERS[m].name, choice: c.name, why }] : [];
  });

/** Minutes; overnight is twelve hours. */
const REST_MIN: Readonly<Record<Exclude<SchoolIdOf<'rest'>, 'usual'>, number>> = {
  none: 0,
  short: 10,
  'half-hour': 30,
  hour: 60,
  overnight: 720,
};
const CHILLED_C = 4;
/** A rest as long as this is in the cold. */
const CHILLED_FROM_MIN = 240;
const WARMTH_C: Readonly<Record<SchoolIdOf<'warmth'>, number>> = { counter: 22, cold: 8 };

/** Rest where no kind says otherwise, minutes. */
const USUAL_REST_MIN = 10;

/** What the ways come to for a batter that stands before it is poured. */
export interface Standing {
  readonly restMin: number;
  /** Degrees C of the batter while it stands. */
  readonly batterC: number;
}

/**
 * Bubbles and worked flour have to settle after some ways of joining: minutes more where the rest is the kind's usual.
 */
const moreRestMin = (w: Ways, kind: KindId | null): number =>
  (effectOf(w, 'joining', kind).moreRestMin ?? 0) + (effectOf(w, 'mixing', kind).moreRestMin ?? 0);

/** Minutes a batter stands by the ways. */
function restMinOf(w: Ways, kind: Pick<Kind, 'id' | 'restMin'> | null): number {
  if (typeof w.rest === 'number') return w.rest;
  return w.rest === 'usual' ? (kind?.restMin ?? USUAL_REST_MIN) + moreRestMin(w, kind?.id ?? null) : REST_MIN[w.rest];
}

/** The rest is so long that it is taken in the cold. */
export const restsChilled = (w: Ways): boolean =>
  w.rest === 'overnight' || (typeof w.rest === 'number' && w.rest >= CHILLED_FROM_MIN);

export const standingOf = (w: Ways, kind: Pick<Kind, 'id' | 'restMin'> | null): Standing => ({
  restMin: restMinOf(w, kind),
  batterC: restsChilled(w) ? CHILLED_C : WARMTH_C[w.warmth],
});

/**
 * The room a gas takes up at an altitude, against at the sea: standard air, 101.325 kPa there and
 * (1 - 2.25577e-5 h)^5.25588 of it at h metres.
 */
export const gasRoomAt = (altitudeM: number): number => (1 - 2.25577e-5 * altitudeM) ** -5.25588;

/**
 * Where water boils, degrees C: about one less for every 300 m (rule of thumb, good to half a degree up to 3,000 m).
 */
export const boilsAtC = (altitudeM: number): number => 100 - altitudeM / 300;
