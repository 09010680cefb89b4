/**
 * What a scale can't honestly weigh: an amount of so few of its steps that half a step is more than the amount can
 * bear. What to use instead: level spoons, a finer scale, a larger batch; salt by its crystal.
 */
import Fraction from 'fraction.js';
import { writeNumber } from '../quantity/number';
import type { Category, Ingredient } from './ingredient';

/** What a little of does much: it is weighed to the tenth of a gram, however much of it there is. */
const FINE: ReadonlySet<Category> = new Set(['leavening', 'acid', 'salt', 'flavour']);

/** Whether everything in a line is such. */
export const allFine = (parts: readonly { readonly ingredient: Pick<Ingredient, 'category'> }[]): boolean =>
  parts.length > 0 && parts.every((p) => FINE.has(p.ingredient.category));

/** Share by which an amount may be off and nobody tastes it: spices bear more. */
const BEARS = { usual: 0.05, flavour: 0.1 } as const;

/** The least a scale of a step weighs honestly of an ingredient, g: half a step is then no more than it can bear. */
export const leastHonestG = (stepG: number, i: Pick<Ingredient, 'category'>): number =>
  stepG / 2 / (i.category === 'flavour' ? BEARS.flavour : BEARS.usual);

/** g in a level teaspoon by the table; null where it has none. */
export const tableTeaspoonG = (i: Pick<Ingredient, 'gPerTsp' | 'gPerUsCup'>): number | null =>
  i.gPerTsp ?? (i.gPerUsCup ? i.gPerUsCup / 48 : null);

/** A spoon that misses the grams by more than this share is no way to measure them. */
const SPOON_MISS = 0.15;

interface InSpoons {
  /** "1/4 tsp", "1 1/2 tsp". */
  readonly text: string;
  readonly grams: number;
}

/** Eighths of a teaspoon in a tablespoon, and the most that is spooned: three tablespoons. */
const TBSP = 24;
const MOST_EIGHTHS = 3 * TBSP;

/**
 * Level spoons to the nearest eighth of a teaspoon: "1 1/2 tsp", "1 tbsp + 1 tsp".
 * @param tsp teaspoons wanted, exact @param tbsp said in tablespoons where halves of one do
 * @returns null where none is near, or it would be more than three tablespoons
 */
export function spoonsOf(tsp: number, tbsp = false): { readonly text: string; readonly tsp: number } | null {
  const eighths = Math.round(8 * tsp);
  if (eighths < 1 || eighths > MOST_EIGHTHS || Math.abs(eighths / 8 - tsp) > SPOON_MISS * tsp) return null;
  const whole = eighths % (TBSP / 2) === 0 && (tbsp || eighths >= TBSP);
  const [large, small] = whole ? [eighths, 0] : [Math.floor(eighths / TBSP) * TBSP, eighths % TBSP];
  const said = [
    ...(large > 0 ? [`${writeNumber(new Fraction(large, TBSP))} tbsp`] : []),
    ...(small > 0 ? [`${writeNumber(new Fraction(small, 8))} tsp`] : []),
  ];
  return { text: said.join(' + '), tsp: eighths / 8 };
}

/** The nearest level spoons; null where none is near, or it would be too many. */
export function inSpoons(grams: number, i: Ingredient): InSpoons | null {
  const tsp = tableTeaspoonG(i);
  const spoons = tsp ? spoonsOf(grams / tsp) : null;
  return tsp && spoons ? { text: spoons.text, grams: spoons.tsp * tsp } : null;
}

interface Instead {
  readonly spoons: InSpoons | null;
  /** How many times larger the batch has to be for the scale to weigh it honestly. */
  readonly times: number;
}

/** What to do instead of weighing; null where the scale weighs it honestly. */
export function instead(grams: number, i: Ingredient, stepG: number): Instead | null {
  const least = leastHonestG(stepG, i);
  return grams >= least ? null : { spoons: inSpoons(grams, i), times: least / grams };
}
