/** Writing an ingredient's name on a line so that reading it back finds the same ingredient. */
import type { KitchenConventions } from './conventions';
import { kitchenName } from './ingredient';
import { lookUp } from './lookup';
import { findIngredient } from './pantry';

export interface Named {
  readonly name: string;
  /** The choice that goes with the name where no name alone is enough. */
  readonly ingredientId?: string;
}

/** What cooks just call it, where the house means that one. */
const PLAIN = ['flour', 'milk', 'sugar', 'salt', 'butter', 'oil', 'baking powder', 'buttermilk', 'yoghurt', 'egg'];

/**
 * The plainest name of an ingredient that is understood as that ingredient in this kitchen. Throws for an id in no
 * pantry: a bug, not input.
 */
export function nameFor(id: string, house: KitchenConventions): Named {
  const i = findIngredient(id, house.own);
  if (!i) throw new Error(`no ingredient ${id} in the pantry`);
  const own = kitchenName(i).toLowerCase();
  for (const name of [...PLAIN, own, ...i.aliases.filter((a) => /^[a-z -]+$/.test(a))]) {
    const found = lookUp(name, house);
    if (found.kind === 'found' && found.ingredient.id === id) return { name };
  }
  return { name: own, ingredientId: id };
}
