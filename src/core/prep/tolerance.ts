/** How far an amount may be off, and how it stands. Grams. */

import type { Category, Ingredient } from '../pantry/ingredient';

/** Share by which an amount may be off: leavening and salt tight, milk loose. Defaults of ours. */
const BEARS: Partial<Readonly<Record<Category, number>>> = {
  leavening: 0.02,
  acid: 0.02,
  salt: 0.03,
  flour: 0.02,
  starch: 0.02,
  egg: 0.04,
  fat: 0.04,
  sugar: 0.04,
};
const BEARS_ELSE = 0.05;

/** How far from its target an amount may be, g: never less than one step of the scale. */
export const toleranceG = (i: Pick<Ingredient, 'category'> | null, targetG: number, stepG: number): number =>
  Math.max(stepG, targetG * (i ? (BEARS[i.category] ?? BEARS_ELSE) : BEARS_ELSE));

export type WeighedIn = 'under' | 'right' | 'over';
export const standing = (grams: number, targetG: number, tolerance: number): WeighedIn =>
  grams < targetG - tolerance - 1e-9 ? 'under' : grams > targetG + tolerance + 1e-9 ? 'over' : 'right';

/** What really went in, g by the line's key; a line that is not in it has not been weighed. */
export type Weights = Readonly<Record<string, number>>;
