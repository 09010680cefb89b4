/**
 * What a batter costs and holds, in all and by the piece: money from the shelf's prices, nutrition and allergens from
 * the pantry. What is not known is named as a gap, never counted as nothing without saying so.
 */

import { allergensOf, type TallyLine, type TallyPart } from '../formula/tally';
import { type Composition, type Ingredient, kitchenName, membersOf } from '../pantry/ingredient';
import { pricePerG, type Shelf } from '../pantry/stock';
import type { Amount } from '../quantity/amount';

export interface AccountLine extends TallyLine {
  readonly text?: string;
  readonly ingredient?: Ingredient | null;
  /** Which of several equal mixes it is of; left out where it serves them all. */
  readonly mix?: number | undefined;
  /** The sauce or glaze beside the batter it is of. */
  readonly side?: string | null | undefined;
  /** As the card has it. */
  readonly written?: readonly Amount[];
  /** Measured by the pinch. */
  readonly pinched?: boolean;
}

/** The lines of each sauce or glaze beside the batter, by its name. */
export const besideLines = (
  lines: readonly AccountLine[],
): readonly { readonly name: string; readonly lines: readonly AccountLine[] }[] =>
  [...new Set(lines.flatMap((l) => l.side ?? []))].map((name) => ({
    name,
    lines: lines.filter((l) => l.side === name),
  }));

/**
 * Who has to be told, in a sentence or two: everything on the sheet, pan and toppings too. Null where there is nothing
 * to tell.
 */
export function allergensSaid(lines: readonly AccountLine[]): string | null {
  const { held, unstated, unread } = allergensOf(lines);
  if (held.length === 0 && unstated.length === 0 && unread.length === 0) return null;
  // a sauce that is left off the plate takes its allergens with it
  const beside = besideLines(lines).flatMap((s) => {
    const own = allergensOf(s.lines).held.map((h) => h.name);
    return own.length > 0 ? [`${s.name}: ${own.join(', ')}`] : [];
  });
  return [
    `Holds ${held.length > 0 ? held.map((h) => h.name).join(', ') : 'none of the allergens we list'}`,
    unstated.length > 0 ? `; of ${unstated.join(', ')} nobody has stated them` : '',
    unread.length > 0
      ? `; ${unread.length} ${unread.length === 1 ? 'line is' : 'lines are'} not read, and may hold more`
      : '',
    '.',
    beside.length > 0 ? ` Sauces and sides: ${beside.join('; ')}.` : '',
  ].join('');
}

interface CostRow {
  readonly ingredient: Ingredient;
  readonly grams: number;
  /** Null: its price is not known. */
  readonly cost: number | null;
}

export interface Cost {
  /** Of everything that has grams and a price: batter, pan and topping. */
  readonly total: number;
  readonly rows: readonly CostRow[];
  /** What is in it without a price, and lines without an amount. */
  readonly gaps: readonly string[];
}

/** One row for each ingredient, over all its uses, in the order they come. */
function gramsByIngredient(lines: readonly TallyLine[]): ReadonlyMap<Ingredient, number> {
  const sums = new Map<string, { i: Ingredient; grams: number }>();
  for (const l of lines)
    for (const p of l.parts) {
      const had = sums.get(p.ingredient.id);
      sums.set(p.ingredient.id, { i: had?.i ?? p.ingredient, grams: (had?.grams ?? 0) + p.grams });
    }
  return new Map([...sums.values()].map((s) => [s.i, s.grams]));
}

/** What a line is of, a blend as itself and not as what it is made of. */
export function asItself(l: AccountLine): readonly TallyPart[] {
  const { ingredient } = l;
  return ingredient?.blend && l.parts.length === membersOf(ingredient).length
    ? [{ ingredient, grams: l.parts.reduce((a, p) => a + p.grams, 0) }]
    : l.parts;
}

/**
 * What a line is taken off the shelf as: a blend as itself where the shelf has it ready mixed or nobody takes it apart,
 * else as what it is made of.
 */
export function takenAs(l: AccountLine, shelf: Shelf): readonly TallyPart[] {
  const ready = l.ingredient ? shelf[l.ingredient.id] : undefined;
  const isReady = ready !== undefined && (ready.price !== null || ready.onHandG !== null);
  return l.ingredient?.keptWhole || isReady ? asItself(l) : l.parts;
}

/** Money of everything with grams. */
export function costOf(lines: readonly AccountLine[], shelf: Shelf): Cost {
  const rows = [...gramsByIngredient(lines.map((l) => ({ ...l, parts: takenAs(l, shelf) })))].map(
    ([ingredient, grams]): CostRow => {
      const per = pricePerG(shelf[ingredient.id]);
      return { ingredient, grams, cost: per === null ? null : per * grams };
    },
  );
  return {
    total: rows.reduce((a, r) => a + (r.cost ?? 0), 0),
    rows,
    gaps: [
      ...rows.filter((r) => r.cost === null).map((r) => kitchenName(r.ingredient)),
      ...lines.filter((l) => l.parts.length === 0).map((l) => l.text ?? 'a line without an amount'),
    ],
  };
}

export const NUTRIENTS = [
  'kcal',
  'fatG',
  'sugarsG',
  'starchG',
  'fibreG',
  'proteinG',
  'sodiumMg',
] as const satisfies readonly (keyof Composition)[];
type Nutrient = (typeof NUTRIENTS)[number];
export const NUTRIENT_NAMES: Readonly<Record<Nutrient, readonly [name: string, unit: string]>> = {
  kcal: ['Energy', 'kcal'],
  fatG: ['Fat', 'g'],
  sugarsG: ['Sugars', 'g'],
  starchG: ['Starch', 'g'],
  fibreG: ['Fibre', 'g'],
  proteinG: ['Protein', 'g'],
  sodiumMg: ['Sodium', 'mg'],
};

export interface Nutrition {
  readonly of: Readonly<Record<Nutrient, number>>;
  /** Ingredients whose figure is not known, by nutrient. */
  readonly gaps: Partial<Readonly<Record<Nutrient, readonly string[]>>>;
  /** Batter lines without an amount. */
  readonly open: readonly string[];
}

/** What the batter holds as it is mixed, before the heat takes its water; pan fat and toppings are not in it. */
export function nutritionOf(lines: readonly AccountLine[]): Nutrition {
  const batter = lines.filter((l) => l.use === 'batter');
  const sums = [...gramsByIngredient(batter)];
  const of = Object.fromEntries(
    NUTRIENTS.map((n) => [n, sums.reduce((a, [i, g]) => a + (i.per100g[n] * g) / 100, 0)]),
  ) as Record<Nutrient, number>;
  const gaps = Object.fromEntries(
    NUTRIENTS.map(
      (n) => [n, sums.filter(([i]) => i.unknown?.includes(n)).map(([i]) => kitchenName(i))] as const,
    ).filter(([, names]) => names.length > 0),
  );
  return {
    of,
    gaps,
    open: batter.filter((l) => l.parts.length === 0).map((l) => l.text ?? 'a line without an amount'),
  };
}
