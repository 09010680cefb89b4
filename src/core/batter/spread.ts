/**
 * Spread: how wide and how thick one portion lies. Viscous batter under its own weight; on a tilted crepe pan a film
 * whose thickness the batter sets. An estimate: the diameter is good to about a tenth, and much better after one
 * measured pour.
 */
import type { Kind } from '../formula/kinds';
import { factorOf, type Learned } from '../formula/learned';

/** Fit of judged pours: D^3 / V = 27.4 eta^-0.30 (V/60)^0.125, D in cm, V in mL. */
const FIT = 27.4;
const ETA_POWER = -0.3;
const VOLUME_POWER = 0.125;
const REFERENCE_ML = 60;
/** mm of film a tilted pan keeps of a 0.15 Pa.s batter. */
const FILM_MM = 1.75;
const FILM_PA_S = 0.15;
/** Above this pour no cooking time is predicted: wait for real taps. */
export const MOST_TIMED_MM = 7;

export interface Spread {
  readonly diameterCm: number;
  readonly thickMm: number;
}

/**
 * Spread of a portion where it is poured.
 * @param paS Pa.s, @param ml the portion in mL, both > 0 @param cubed times the fit's cubed width, as a kitchen has found
 */
export function pooled(paS: number, ml: number, cubed = 1): Spread {
  const diameterCm = Math.cbrt(cubed * FIT * paS ** ETA_POWER * (ml / REFERENCE_ML) ** VOLUME_POWER * ml);
  return { diameterCm, thickMm: thickness(ml, diameterCm) };
}

/**
 * Thickness from a measured pour, the fit turned round: Pa.s. A tenth in the diameter is a factor of 2.6: mean three
 * pours.
 * @param ml poured, @param cm across it lies, both > 0
 */
export const paSFromPour = (ml: number, cm: number): number =>
  (cm ** 3 / ml / (FIT * (ml / REFERENCE_ML) ** VOLUME_POWER)) ** (1 / ETA_POWER);

/** Spread of a portion run over a tilted pan. @param panCm its width, which the batter can't leave */
export function filmed(paS: number, ml: number, panCm = Number.POSITIVE_INFINITY): Spread {
  const film = FILM_MM * (paS / FILM_PA_S) ** 0.25;
  const diameterCm = Math.min(panCm, Math.sqrt((40 * ml) / (Math.PI * film)));
  return { diameterCm, thickMm: thickness(ml, diameterCm) };
}

const thickness = (ml: number, cm: number): number => (40 * ml) / (Math.PI * cm * cm);

/** Spread as this kind is poured; null for what fills a pan or an iron. @param cubed as of `pooled` */
export function spreadOf(kind: Kind, paS: number, ml: number, cubed = 1): Spread | null {
  if (kind.id === 'oven' || kind.id === 'waffle' || kind.id === 'ball') return null;
  return kind.tilted ? filmed(paS, ml) : pooled(paS, ml, cubed);
}

/** What a batter has to be known by to say how a portion of it lies here. */
export interface FlowingBatter {
  readonly thickness: { readonly paS: number } | null;
  readonly learned: Learned;
}

/** How a portion of a batter lies in this kitchen; null for what fills a shape, or does not flow. @param ml > 0 */
export const liesAs = (kind: Kind, a: FlowingBatter, ml: number): Spread | null =>
  a.thickness && spreadOf(kind, a.thickness.paS, ml, factorOf(a.learned, 'spread'));
