/**
 * What a scale can't honestly weigh: an amount of so few of its steps that half a step is more than the amount can bear.
 * What to use instead: level spoons, a finer scale, a larger batch; salt by its crystal.
 */
import Fraction from 'fraction.js';
import { writeNumber } from '../quantity/number';
import type { Ingredient } from './ingredient';

/** Share by which an amount may be off and nobody tastes it: spices bear more. */
const BEARS = { usual: 0.05, flavour: 0.1 } as const;

/** The least a scale of a step weighs honestly of an ingredient, g: half a step is then no more than it can bear. */
export const leastHonestG = (stepG: number, i: Pick<Ingredient, 'category'>): number => stepG / 2 / (i.category === 'flavour' ? BEARS.flavour : BEARS.usual);

/** g in a level teaspoon by the table; null where it has none. */
export const tableTeaspoonG = (i: Pick<Ingredient, 'gPerTsp' | 'gPerUsCup'>): number | null => i.gPerTsp ?? (i.gPerUsCup ? i.gPerUsCup / 48 : null);

/** A spoon that misses the grams by more than this share is no way to measure them. */
const SPOON_MISS = 0.15;

export interface InSpoons {
  /** "1/4 tsp", "1 1/2 tsp". */
  readonly text: string;
  readonly grams: number;
}

/** The nearest eighth of a level teaspoon; null where none is near, or it would be more than three spoons. */
export function inSpoons(grams: number, i: Ingredient): InSpoons | null {
  const tsp = tableTeaspoonG(i);
  if (!tsp) return null;
  const eighths = Math.round((8 * grams) / tsp);
  const is = (eighths * tsp) / 8;
  if (eighths < 1 || eighths > 24 || Math.abs(is - grams) > SPOON_MISS * grams) return null;
  return { text: `${writeNumber(new Fraction(eighths, 8))} tsp`, grams: is };
}

export interface Instead {
  readonly spoons: InSpoons | null;
  /** How many times larger the batch has to be for the scale to weigh it honestly. */
  readonly times: number;
}

/** What to do instead of weighing; null where the scale weighs it honestly. */
export function instead(grams: number, i: Ingredient, stepG: number): Instead | null {
  const least = leastHonestG(stepG, i);
  return grams >= least ? null : { spoons: inSpoons(grams, i), times: least / grams };
}
