/** Writing an ingredient's name on a line so that reading it back finds the same ingredient. */
import type { Conventions } from './conventions';
import { kitchenName } from './ingredient';
import { lookUp } from './lookup';
import { ingredient } from './pantry';

export interface Named {
  readonly name: string;
  /** The choice that goes with the name where no name alone is enough. */
  readonly ingredientId?: string;
}

/** What cooks just call it, where the house means that one. */
const PLAIN = ['flour', 'milk', 'sugar', 'salt', 'butter', 'oil', 'baking powder', 'buttermilk', 'yoghurt', 'egg'];

/** The plainest name of an ingredient that is understood as that ingredient in this kitchen. */
export function nameFor(id: string, house: Conventions): Named {
  const i = ingredient(id);
  const own = kitchenName(i).toLowerCase();
  for (const name of [...PLAIN, own, ...i.aliases.filter((a) => /^[a-z -]+$/.test(a))]) {
    const found = lookUp(name, house);
    if (found.kind === 'found' && found.ingredient.id === id) return { name };
  }
  return { name: own, ingredientId: id };
}
