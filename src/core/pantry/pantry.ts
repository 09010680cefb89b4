/**
 * The pantry: the shipped ingredients by id, and those of a kitchen's own; with their fill methods.
 */
import { type FillRow, type Ingredient, type IngredientRow, ingredientFrom, ofMembers } from './ingredient';
import { type Own, ownIngredient } from './own';
import { dairyEggsRows } from './tables/dairy-eggs';
import { fatsFruitsNutsRows } from './tables/fats-fruits-nuts';
import { fillRows } from './tables/fills';
import { flavoursLiquidsToppingsRows } from './tables/flavours-liquids-toppings';
import { floursRows } from './tables/flours';
import { leaveningsSaltsRows } from './tables/leavenings-salts';
import { moreWaresRows } from './tables/more-wares';
import { type StarterRow, starterRows } from './tables/starters';
import { sugarsRows } from './tables/sugars';

const rows: readonly IngredientRow[] = [
  ...floursRows,
  ...sugarsRows,
  ...leaveningsSaltsRows,
  ...dairyEggsRows,
  ...fatsFruitsNutsRows,
  ...flavoursLiquidsToppingsRows,
  ...moreWaresRows,
];

const plain: readonly Ingredient[] = rows.map(ingredientFrom);
const byId = new Map(plain.map((i) => [i.id, i]));

/** A starter is poured, and is as itself on every list; what it brings is what it is fed with. */
function starterFrom({ id, name, members, gPerUsCup, aliases, note }: StarterRow): Ingredient {
  const row = { id, name, category: 'liquid', per100g: {}, gPerUsCup, gPerTsp: gPerUsCup / 48, aliases, note } as const;
  const held = members.map(([of, share]) => ({ ingredient: ingredient(of), share }));
  return { ...ingredientFrom(row), ...ofMembers(held), keptWhole: true };
}
const starters = starterRows.map(starterFrom);
for (const s of starters) byId.set(s.id, s);

export const PANTRY: readonly Ingredient[] = [...plain, ...starters];

export const findIngredient = (id: string, own?: Own): Ingredient | undefined => byId.get(id) ?? ownIngredient(own, id);

/** For ids the tables themselves name. Throws when there is none: that is a bug, not input. */
export function ingredient(id: string): Ingredient {
  const found = byId.get(id);
  if (!found) throw new Error(`no ingredient ${id} in the pantry`);
  return found;
}

export const fillRow = (i: Pick<Ingredient, 'id' | 'fills'>): FillRow | undefined => i.fills ?? fillRows[i.id];

/** Everything there is to measure out: the shipped ingredients, then the kitchen's own. */
export const everyIngredient = (own?: Own): readonly Ingredient[] =>
  own && own.ingredients.length > 0 ? [...PANTRY, ...own.ingredients] : PANTRY;
