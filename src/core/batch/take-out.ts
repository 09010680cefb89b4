/**
 * The take-out and shopping list: every ingredient once, summed over all its uses (batter, pan, topping, and several
 * batches), against what is on hand, and the packs that make up what is short.
 */
import type { Ingredient } from '../pantry/ingredient';
import type { Shelf } from '../pantry/stock';

/** Whether a batch takes from the shelf: not at all, if there is enough of all, or what there is. */
export const TAKES = ['no', 'enough', 'anyway'] as const;
export type Take = (typeof TAKES)[number];

/** g that were wanted of an ingredient, and what there was of it. */
export interface Deduction {
  readonly id: string;
  readonly wantedG: number;
  readonly takenG: number;
}

export interface ShelfUse {
  /** What it is for: "batter", "for the pan", "to serve"; several batches name theirs. */
  readonly what: string;
  readonly ingredient: Ingredient | null;
  /** Null: as needed. */
  readonly grams: number | null;
  /** As written, where no ingredient is known. */
  readonly text: string;
}

export interface TakeOut {
  readonly ingredient: Ingredient;
  readonly grams: number;
  /** Some of its uses have no amount: more is needed. */
  readonly andMore: boolean;
  readonly uses: readonly { readonly what: string; readonly grams: number | null }[];
  /** Null: nobody noted what is there. */
  readonly onHandG: number | null;
  /** g to buy; null where what is on hand is not known. */
  readonly shortG: number | null;
  /** What one pack holds, g; null where that is not noted. */
  readonly packG: number | null;
  /** Whole packs that make it up; null where no pack is known or nothing is short. */
  readonly packs: number | null;
}

export interface TakeOutList {
  readonly rows: readonly TakeOut[];
  /** Lines that name nothing the pantry knows. */
  readonly unknown: readonly string[];
}

/** A shelf as it would be without what these batches took off it: set aside for them, it counts as there. */
export function withTaken(shelf: Shelf, takings: readonly Deduction[]): Shelf {
  const back: Record<string, Shelf[string]> = { ...shelf };
  for (const t of takings) {
    const had = back[t.id];
    if (had && had.onHandG !== null) back[t.id] = { ...had, onHandG: had.onHandG + t.takenG };
  }
  return back;
}

const CRUMB_G = 1e-6;

export function takeOut(uses: readonly ShelfUse[], shelf: Shelf): TakeOutList {
  const byId = new Map<string, { ingredient: Ingredient; uses: { what: string; grams: number | null }[] }>();
  for (const u of uses) {
    if (!u.ingredient) continue;
    const row = byId.get(u.ingredient.id) ?? { ingredient: u.ingredient, uses: [] };
    const same = row.uses.find((x) => x.what === u.what && (x.grams === null) === (u.grams === null));
    if (same && u.grams !== null) same.grams = (same.grams ?? 0) + u.grams;
    else if (!same) row.uses.push({ what: u.what, grams: u.grams });
    byId.set(u.ingredient.id, row);
  }
  const rows = [...byId.values()].map(({ ingredient, uses: of }): TakeOut => {
    const grams = of.reduce((a, u) => a + (u.grams ?? 0), 0);
    const stock = shelf[ingredient.id];
    const onHandG = stock?.onHandG ?? null;
    const shortG = onHandG === null ? null : Math.max(0, grams - onHandG);
    const pack = stock?.packG ?? null;
    const packs = pack !== null && shortG !== null && shortG > CRUMB_G ? Math.ceil(shortG / pack - CRUMB_G) : null;
    return {
      ingredient,
      grams,
      andMore: of.some((u) => u.grams === null),
      uses: of,
      onHandG,
      shortG,
      packG: pack,
      packs,
    };
  });
  return {
    rows: rows.sort((a, b) => b.grams - a.grams),
    unknown: [...new Set(uses.filter((u) => !u.ingredient).map((u) => u.text))],
  };
}
