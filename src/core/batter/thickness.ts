/**
 * Thickness of a batter before any foam: swollen flour and held liquid take up room, what is left flows. A model with
 * constants fitted to judged batters; good to one class, and for comparing one formula with another.
 */
import { THICKNESSES, type Thickness } from '../formula/kinds';
import type { TallyLine } from '../formula/tally';
import { behaviourOf, isWholePiece } from '../pantry/tables/behaviour';
import { specificVolume } from './volume';

/** Fit constants: read them as such, not as physics. */
const A = 5.9;
const INTRINSIC = 7.8;
const PHI_MAX = 0.75;
const PER_DEGREE = 0.03;
const MOST_PA_S = 200;

/** Upper ends of the classes, Pa.s at about 10 per second and 22 C. */
const UPPER = [0.35, 1.1, 3.2, 12, Number.POSITIVE_INFINITY] as const;

export interface ThicknessReading {
  readonly paS: number;
  readonly pour: Thickness;
}

/** Pa.s from the lower end of one class to the upper end of another; the outermost are as wide as their neighbours. */
export function viscosityEnds([from, to]: readonly [Thickness, Thickness]): readonly [number, number] {
  const upper = (n: number): number => (n < 0 ? UPPER[0] / 3 : Math.min(UPPER[n] ?? MOST_FLOWING, MOST_FLOWING));
  return [upper(THICKNESSES.indexOf(from) - 1), upper(THICKNESSES.indexOf(to))];
}
const MOST_FLOWING = 40;

export const thicknessClass = (paS: number): Thickness =>
  THICKNESSES[UPPER.findIndex((u) => paS < u)] ?? 'scoop-and-hold';

/** What the model needs of each thing in the bowl. */
export interface Constituent {
  readonly grams: number;
  readonly mlPerG: number;
  /** mL of liquid a gram holds fast. */
  readonly heldMlPerG: number;
  /** Pa.s as a part of the continuous liquid; null for what swells or stays apart. */
  readonly paS: number | null;
  readonly swells: { readonly slow: number; readonly tauMin: number; readonly absorption: number } | null;
}

/**
 * Viscosity of a batter from its constituents, Pa.s at about 10 per second.
 * @param restMin minutes since flour met liquid; tempC of the batter
 * @returns null when there is nothing that flows; at most 200
 */
export function viscosity(constituents: readonly Constituent[], restMin: number, tempC: number): number | null {
  let volume = 0;
  let held = 0;
  let liquid = 0;
  let lnEta = 0;
  for (const c of constituents) {
    const v = c.grams * c.mlPerG;
    volume += v;
    if (c.swells) {
      const hydrated = 1 - c.swells.slow * Math.exp(-restMin / c.swells.tauMin);
      held += v + c.grams * c.swells.absorption * hydrated;
    } else if (c.paS !== null) {
      held += c.grams * c.heldMlPerG;
      liquid += v;
      lnEta += v * Math.log(c.paS);
    }
  }
  if (!(liquid > 0)) return null;
  const crowding = Math.min(0.985, held / volume / PHI_MAX);
  const eta =
    A * Math.exp(lnEta / liquid) * (1 - crowding) ** (-INTRINSIC * PHI_MAX) * Math.exp(PER_DEGREE * (22 - tempC));
  return Math.min(eta, MOST_PA_S);
}

/**
 * How thick the batter lines make a batter; berries, chips and nuts swim in it and count for nothing.
 * @returns null when there is nothing that flows
 */
export function thickness(lines: readonly TallyLine[], restMin = 10, tempC = 22): ThicknessReading | null {
  const constituents: Constituent[] = [];
  for (const line of lines) {
    if (line.use !== 'batter') continue;
    for (const { ingredient: i, grams } of line.parts) {
      const b = behaviourOf(i);
      if (!isWholePiece(i, line.preparation))
        constituents.push({
          grams,
          mlPerG: specificVolume(i),
          heldMlPerG: b.heldMlPerG,
          paS: b.viscosity,
          swells: b.swells,
        });
    }
  }
  const paS = viscosity(constituents, restMin, tempC);
  return paS === null ? null : { paS, pour: thicknessClass(paS) };
}
