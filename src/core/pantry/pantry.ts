/**
 * The pantry: the shipped ingredients by id, with their fill methods and their behaviour in a batter.
 */
import { type Ingredient, type IngredientRow, ingredientFrom } from './ingredient';
import { dairyEggsRows } from './tables/dairy-eggs';
import { fatsFruitsNutsRows } from './tables/fats-fruits-nuts';
import { type FillRow, fillRows } from './tables/fills';
import { flavoursLiquidsToppingsRows } from './tables/flavours-liquids-toppings';
import { floursRows } from './tables/flours';
import { leaveningsSaltsRows } from './tables/leavenings-salts';
import { sugarsRows } from './tables/sugars';

const rows: readonly IngredientRow[] = [
  ...floursRows,
  ...sugarsRows,
  ...leaveningsSaltsRows,
  ...dairyEggsRows,
  ...fatsFruitsNutsRows,
  ...flavoursLiquidsToppingsRows,
];

export const PANTRY: readonly Ingredient[] = rows.map(ingredientFrom);

const byId = new Map(PANTRY.map((i) => [i.id, i]));

export const findIngredient = (id: string): Ingredient | undefined => byId.get(id);

/** For ids the tables themselves name. Throws when there is none: that is a bug, not input. */
export function ingredient(id: string): Ingredient {
  const found = byId.get(id);
  if (!found) throw new Error(`no ingredient ${id} in the pantry`);
  return found;
}

export const fillRow = (id: string): FillRow | undefined => fillRows[id];
