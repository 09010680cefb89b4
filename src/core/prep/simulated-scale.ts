/**
 * A scale that is not there: it settles, flickers within a step, drifts, has a capacity, can be tared and unplugged.
 * For trying the weigh-in out, and for tests; what it shows is worked from when it was last touched. Grams,
 * milliseconds.
 */
export interface SimulatedScale {
  /** What lies on it, and what its tare takes off. */
  readonly onG: number;
  readonly tareG: number;
  readonly stepG: number;
  readonly mostG: number;
  readonly plugged: boolean;
  /** What it showed when it was last touched, before rounding, and when that was. */
  readonly fromG: number;
  readonly at: number;
  /** When it was last tared: drift counts from there. */
  readonly taredAt: number;
}

export type ScaleAct =
  | { readonly do: 'pour'; readonly grams: number }
  | { readonly do: 'spill'; readonly grams: number }
  | { readonly do: 'clear' }
  | { readonly do: 'tare' }
  | { readonly do: 'plug'; readonly in: boolean };

export interface ScaleReading {
  readonly grams: number;
  readonly stable: boolean;
  /** More than it carries: the number means nothing. */
  readonly over: boolean;
}

const SETTLES_MS = 350;
const STABLE_MS = 900;
/** Steps a minute that its zero wanders. */
const DRIFT_STEPS = 0.04;
const FLICKER_STEPS = 0.3;

export const freshScale = (stepG: number, mostG: number, now: number): SimulatedScale => ({
  onG: 0,
  tareG: 0,
  stepG,
  mostG,
  plugged: true,
  fromG: 0,
  at: now,
  taredAt: now,
});

/** What it is on the way to, and where it is on that way. */
const shows = (s: SimulatedScale, now: number): number =>
  s.onG + (s.fromG - s.onG) * Math.exp(-(now - s.at) / SETTLES_MS);

export function actOn(s: SimulatedScale, act: ScaleAct, now: number): SimulatedScale {
  const fromG = shows(s, now);
  switch (act.do) {
    case 'pour':
      return { ...s, onG: s.onG + act.grams, fromG, at: now };
    case 'spill':
      return { ...s, onG: Math.max(0, s.onG - act.grams), fromG, at: now };
    case 'clear':
      return { ...s, onG: 0, fromG, at: now };
    case 'tare':
      return { ...s, tareG: s.onG, fromG: s.onG, at: now, taredAt: now };
    case 'plug':
      return { ...s, plugged: act.in };
  }
}

/** What it shows. @param flicker from -1 to 1, a new one each time @returns null where it is unplugged */
export function readingOf(s: SimulatedScale, now: number, flicker: number): ScaleReading | null {
  if (!s.plugged) return null;
  const drift = ((now - s.taredAt) / 60_000) * DRIFT_STEPS * s.stepG;
  const exact = shows(s, now) - s.tareG + drift + flicker * FLICKER_STEPS * s.stepG;
  const grams = Math.round(exact / s.stepG) * s.stepG;
  return { grams: Number(grams.toFixed(2)) || 0, stable: now - s.at > STABLE_MS, over: s.onG > s.mostG };
}
