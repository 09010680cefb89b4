/** A premix worked whole: its bag, what it asks for as each product, and what has to be checked. */
import { type EndId, type Formula, kindIdOf, schoolIdOf } from '../formula/formula';
import type { Kitchen } from '../formula/kitchen-settings';
import { countedLines } from '../formula/lines';
import type { TallyPart } from '../formula/tally';
import { EGG_INGREDIENT, POWDER_INGREDIENT, SALT_INGREDIENT } from '../pantry/conventions';
import { findIngredient } from '../pantry/pantry';
import { behaviourOf } from '../pantry/tables/behaviour';
import { type Bag, bagOf, bulkDensity, itemsFor, NO_POWDERS } from './bag';
import type { PremixSettings } from './premix';
import { type Additions, additionsFor, ownAdditions, type Pantryful, type Product, USUAL } from './products';

export interface WorkedPremix {
  readonly bag: Bag;
  /** What is in 100 g of it. */
  readonly mix: readonly TallyPart[];
  /** g/mL, spooned, and whether the kitchen measured it. */
  readonly densityGPerMl: number;
  readonly measured: boolean;
  /** The formula's own first; then those that were asked for. */
  readonly products: readonly Additions[];
}

/** What the house means by an egg, sugar, salt and powder. */
export const dryOf = ({ conventions: c }: Kitchen): Pick<Pantryful, 'eggId' | 'sugarId' | 'saltId' | 'powderId'> => ({
  eggId: EGG_INGREDIENT[c.egg],
  sugarId: USUAL.sugarId,
  saltId: SALT_INGREDIENT[c.salt],
  powderId: POWDER_INGREDIENT[c.powder],
});

/** What a formula is usually let down with: its own liquid and fat where it has them. */
function pantryfulOf(bag: Bag, house: Kitchen): Pantryful {
  const heaviest = (of: (p: TallyPart) => boolean): string | undefined =>
    [...bag.added].filter(of).sort((a, b) => b.grams - a.grams)[0]?.ingredient.id;
  return {
    liquidId: heaviest((p) => behaviourOf(p.ingredient).poured) ?? USUAL.liquidId,
    fatId: heaviest((p) => p.ingredient.category === 'fat') ?? USUAL.fatId,
    ...dryOf(house),
  };
}

/** What was put right for a product, with the ingredients the pantry has; null where one of them is gone. */
function partsIn(parts: NonNullable<Product['parts']>, house: Kitchen): readonly TallyPart[] | null {
  const found = parts.flatMap(({ id, grams }) => {
    const ingredient = findIngredient(id, house.conventions.own);
    return ingredient ? [{ ingredient, grams }] : [];
  });
  return found.length === parts.length ? found : null;
}

/** @returns null where nothing of the formula goes into a bag, or no flour does */
export function workPremix(
  whole: Formula,
  house: Kitchen,
  end: EndId | null,
  settings: PremixSettings,
): WorkedPremix | null {
  // put right for this mix alone, its powders stand on its lines already
  const formula = settings.bagged ?? whole;
  const bag = bagOf(
    countedLines(formula, house, settings.bagged ? null : end),
    settings.bagged ? NO_POWDERS : settings.powders,
  );
  if (
    !(bag.massG > 0) ||
    !bag.items.some((i) => i.ingredient.category === 'flour' || i.ingredient.category === 'starch')
  )
    return null;
  const mix = itemsFor(bag, 100);
  const own = bag.added.map((a) => ({ ingredient: a.ingredient, grams: (100 * a.grams) / bag.massG }));
  const from = pantryfulOf(bag, house);
  return {
    bag,
    mix,
    densityGPerMl: settings.densityGPerMl ?? bulkDensity(bag),
    measured: settings.densityGPerMl !== null,
    products: [
      ownAdditions(mix, own, { kind: kindIdOf(formula, end), school: schoolIdOf(formula, end) }),
      ...settings.products.map((p) => {
        const parts = p.parts ? partsIn(p.parts, house) : null;
        return parts ? ownAdditions(mix, parts, p) : additionsFor(mix, p, from);
      }),
    ],
  };
}
