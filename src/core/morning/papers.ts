/** The papers of a morning: what is gathered for all its bowls, and what each dish holds for whoever is allergic. */
import { analyseFormula } from '../analyse-formula';
import { noticeOfLines } from '../batch/notice';
import { linesOfSheet, offTheShelf, usesOf } from '../batch/sheet';
import type { SheetLine } from '../batch/sheet-line';
import { type Side, sideLines } from '../batch/sides';
import type { ShelfUse } from '../batch/take-out';
import type { AccountLine } from '../facts/account';
import { servedBy } from '../findings/served';
import { kitchenOf } from '../formula/formula';
import type { Kitchen } from '../formula/kitchen-settings';
import { findIngredient } from '../pantry/pantry';
import type { Shelf } from '../pantry/stock';
import { houseFatLines } from '../script/pan-fat';
import type { MorningPlan } from './plan';
import { bowlPlan, type DishMade, type MorningBowl } from './work';

/** A sauce or side for so many people. */
export interface SauceFor {
  readonly side: Side;
  readonly people: number;
}

/** The kitchen's own sauces of a plan, each once for all covers. */
export const besidesOf = (p: MorningPlan, sides: readonly Side[]): readonly SauceFor[] => {
  const people = p.waves.reduce((a, w) => a + w.covers, 0);
  return p.sides.flatMap((s) => {
    const side = sides.find((x) => x.id === s.sideId);
    return side ? [{ side, people }] : [];
  });
};

/** What a sauce is made of, in grams for all who get it. */
export const linesOfBeside = ({ side, people }: SauceFor, house: Kitchen): readonly SheetLine[] =>
  sideLines(side, people, 1, (id) => findIngredient(id, house.conventions.own), { ...house, exactness: 'gram' });
const amountsOf = (b: SauceFor, house: Kitchen): readonly AccountLine[] =>
  linesOfSheet(linesOfBeside(b, house), (id) => findIngredient(id, house.conventions.own));

/** Every use of an ingredient in all bowls of a morning, each bowl planned as it is mixed. */
export const usesOfMorning = (
  dishes: readonly DishMade[],
  bowls: readonly MorningBowl[],
  house: Kitchen,
  shelf: Shelf,
  besides: readonly SauceFor[] = [],
): readonly ShelfUse[] => [
  ...bowls.flatMap((b) => {
    const dish = dishes.find((d) => d.id === b.dish);
    const plan = dish ? bowlPlan(dish, b.pieces, house) : null;
    if (!dish || !plan?.ok) return [];
    const lines = linesOfSheet(offTheShelf(plan.value.sheet), (id) => findIngredient(id, house.conventions.own));
    return usesOf(lines, shelf, dishes.length > 1 ? dish.name : '');
  }),
  ...besides.flatMap((b) => usesOf(amountsOf(b, house), shelf, b.side.name)),
];

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

/** What each dish holds, pan fat and toppings with it; and each sauce of the kitchen's that goes with them. */
export function allergenBoard(
  dishes: readonly DishMade[],
  house: Kitchen,
  besides: readonly SauceFor[] = [],
): AllergenBoard {
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const rowOf = (dish: string, lines: readonly AccountLine[], cardNotes = ''): BoardRow => {
    const n = noticeOfLines(lines, servedBy(cardNotes, house.conventions));
    const served = n.served.map((s) => s.said);
    return {
      dish,
      holds: new Map(n.held.map((h) => [h.name, h.from])),
      unknown: [...n.unstated, ...n.unread, ...served],
    };
  };
  const made = dishes.map((d): BoardRow => {
    const { lines } = analyseFormula(d.formula, house);
    const fat = houseFatLines(lines, kitchenOf(d.formula, house).ways, d.kind, find);
    return rowOf(d.name, [...lines, ...fat], d.formula.cardNotes);
  });
  const rows = [...made, ...besides.map((b) => rowOf(b.side.name, amountsOf(b, house)))];
  return { names: [...new Set(rows.flatMap((r) => [...r.holds.keys()]))].sort(), rows };
}
