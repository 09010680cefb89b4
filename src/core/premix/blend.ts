/**
 * Blending a lot so that a pinch is in every spoon: small things are folded into a part first, that part into a larger
 * one (geometric dilution); and what a scale can weigh honestly for it.
 */
import type { TallyPart } from '../formula/tally';
import type { Scale } from '../pantry/gear';
import type { Ingredient } from '../pantry/ingredient';
import type { Bag } from './bag';

/** Under this share of the bag a thing is folded into a part first. */
export const SMALL_SHARE = 0.01;
/** Times its own weight it goes into at each step: 5 to 10 by convention. */
export const FOLD_INTO = 7;

export interface BlendStep {
  /** What comes in at this step. */
  readonly parts: readonly TallyPart[];
  /** g after it. */
  readonly massG: number;
  readonly last: boolean;
}

/**
 * The steps, in order; every gram of the lot comes in once.
 * @param lotG of the whole lot
 */
export function blendSteps(bag: Pick<Bag, 'items'>, lotG: number): readonly BlendStep[] {
  const all = bag.items.map((i) => ({ ingredient: i.ingredient, grams: i.share * lotG }));
  const small = all.filter((_, n) => (bag.items[n]?.share ?? 1) < SMALL_SHARE);
  const large = all.filter((p) => !small.includes(p));
  const carrier = large.find((p) => p.ingredient.category === 'flour' || p.ingredient.category === 'sugar') ?? large[0];
  if (small.length === 0 || !carrier) return [{ parts: all, massG: lotG, last: true }];
  const steps: BlendStep[] = [];
  let left = carrier.grams;
  let massG = small.reduce((a, p) => a + p.grams, 0);
  let first: readonly TallyPart[] = small;
  while (massG * (1 + FOLD_INTO) < lotG && left > massG * FOLD_INTO) {
    const part = massG * FOLD_INTO;
    left -= part;
    massG += part;
    steps.push({ parts: [...first, { ingredient: carrier.ingredient, grams: part }], massG, last: false });
    first = [];
  }
  const rest = large.map((p) => (p === carrier ? { ...p, grams: left } : p)).filter((p) => p.grams > 1e-9);
  return [...steps, { parts: [...first, ...rest], massG: lotG, last: true }];
}

/** An amount is weighed well from so many of the scale's steps. */
export const LEAST_STEPS = 50;

export interface TooFine {
  readonly ingredient: Ingredient;
  readonly grams: number;
  /** The least the scale weighs well. */
  readonly leastG: number;
  readonly stepG: number;
  /** The lot from which it is enough, g. */
  readonly lotG: number;
}

/** What no scale of the house weighs well for a lot: each on the finest that takes it. */
export function tooFine(bag: Pick<Bag, 'items'>, lotG: number, scales: readonly Scale[]): readonly TooFine[] {
  const finest = scales[0];
  if (!finest) return [];
  return bag.items.flatMap((i): readonly TooFine[] => {
    const grams = i.share * lotG;
    const { stepG } = scales.find((s) => s.mostG >= grams) ?? finest;
    const leastG = LEAST_STEPS * stepG;
    return grams < leastG - 1e-9 && finest.stepG * LEAST_STEPS > grams
      ? [{ ingredient: i.ingredient, grams, leastG: finest.stepG * LEAST_STEPS, stepG: finest.stepG, lotG: (finest.stepG * LEAST_STEPS) / i.share }]
      : [];
  });
}
