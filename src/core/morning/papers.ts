/** The papers of a morning: what is gathered for all its bowls, and what each dish holds for whoever is allergic. */
import { analyseFormula } from '../analyse-formula';
import { noticeOfLines } from '../batch/notice';
import { linesOfSheet, offTheShelf, usesOf } from '../batch/sheet';
import type { ShelfUse } from '../batch/take-out';
import { kitchenOf } from '../formula/formula';
import type { Kitchen } from '../formula/kitchen-settings';
import { findIngredient } from '../pantry/pantry';
import type { Shelf } from '../pantry/stock';
import { houseFatLines } from '../script/pan-fat';
import { bowlPlan, type DishMade, type MorningBowl } from './work';

/** Every use of an ingredient in all bowls of a morning, each bowl planned as it is mixed. */
export const usesOfMorning = (
  dishes: readonly DishMade[],
  bowls: readonly MorningBowl[],
  house: Kitchen,
  shelf: Shelf,
): readonly ShelfUse[] =>
  bowls.flatMap((b) => {
    const dish = dishes.find((d) => d.id === b.dish);
    const plan = dish ? bowlPlan(dish, b.pieces, house) : null;
    if (!dish || !plan?.ok) return [];
    const lines = linesOfSheet(offTheShelf(plan.value.sheet), (id) => findIngredient(id, house.conventions.own));
    return usesOf(lines, shelf, dishes.length > 1 ? dish.name : '');
  });

interface BoardRow {
  readonly dish: string;
  /** By the name of the allergen, what brings it. */
  readonly holds: ReadonlyMap<string, readonly string[]>;
  /** Ingredients whose allergens nobody has stated, and lines that could not be read. */
  readonly unknown: readonly string[];
}

export interface AllergenBoard {
  /** Allergens of all dishes, as they are called. */
  readonly names: readonly string[];
  readonly rows: readonly BoardRow[];
}

/** What each dish holds, pan fat and toppings with it. */
export function allergenBoard(dishes: readonly DishMade[], house: Kitchen): AllergenBoard {
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const rows = dishes.map((d): BoardRow => {
    const { lines } = analyseFormula(d.formula, house);
    const fat = houseFatLines(lines, kitchenOf(d.formula, house).ways, d.kind, find);
    const n = noticeOfLines([...lines, ...fat]);
    return { dish: d.name, holds: new Map(n.held.map((h) => [h.name, h.from])), unknown: [...n.unstated, ...n.unread] };
  });
  return { names: [...new Set(rows.flatMap((r) => [...r.holds.keys()]))].sort(), rows };
}
