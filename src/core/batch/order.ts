/**
 * The order of measuring: dry before wet, wet before oily, oil before what sticks (it slides off an oiled spoon), and
 * within each what takes the same spoon together. A spoon has to be washed when it goes back from a stickier thing to a
 * cleaner.
 */
import type { Category, Ingredient } from '../pantry/ingredient';
import { isA } from '../pantry/ingredient';

const RANKS: Readonly<Record<Category, number>> = {
  flour: 0,
  starch: 0,
  sugar: 0,
  leavening: 0,
  acid: 0,
  salt: 0,
  'dry-dairy': 0,
  flavour: 0,
  liquid: 1,
  dairy: 1,
  'plant-milk': 1,
  'fruit-veg': 2,
  egg: 2,
  fat: 3,
  'nut-seed': 4,
  syrup: 4,
  topping: 4,
};
const DRY_NUTS = ['walnuts', 'pecans', 'hazelnuts', 'almonds-chopped'];

/** How much a thing leaves on the spoon: 0 dry to 4 sticky. */
export function leaves(i: Ingredient | null): number {
  if (!i) return 0;
  if (isA(i, 'vanilla-extract') || isA(i, 'lemon-juice')) return 1;
  if (DRY_NUTS.some((id) => isA(i, id))) return 0;
  return RANKS[i.category];
}

export interface Measured {
  readonly ingredient: Ingredient | null;
  /** The spoon or cup it takes, by unit; null: it goes on the scale. */
  readonly tool: string | null;
}

const TOOLS = ['cup', 'tbsp', 'tsp'];

/** Things to measure in the best order; equal ones stay as they were. */
export const inOrder = <T extends Measured>(things: readonly T[]): readonly T[] => {
  const tool = (t: T): number => (t.tool === null ? -1 : TOOLS.indexOf(t.tool) + 1);
  return things
    .map((t, n) => ({ t, n }))
    .sort((a, b) => leaves(a.t.ingredient) - leaves(b.t.ingredient) || tool(a.t) - tool(b.t) || a.n - b.n)
    .map(({ t }) => t);
};

/** How often a spoon has to be washed between, taken in this order. */
export function washes(things: readonly Measured[]): number {
  const last = new Map<string, number>();
  let n = 0;
  for (const t of things) {
    if (t.tool === null) continue;
    const now = leaves(t.ingredient);
    if ((last.get(t.tool) ?? 0) > now) n++;
    last.set(t.tool, now);
  }
  return n;
}
