/** What stands on a bag: name, what is in it by weight, allergens, net weight, lot, dates, directions, cautions. */

import type { Label } from '../batch/label';
import { kindById } from '../formula/kinds';
import type { TallyPart } from '../formula/tally';
import { allergensOf } from '../formula/tally';
import { type Ingredient, isA, kitchenName } from '../pantry/ingredient';
import { sayDay } from '../quantity/day';
import { grams, type Units } from '../quantity/say';
import type { Lot, PremixSettings } from './premix';
import type { Additions } from './products';
import { eggWords } from './use';

/** "To a bag add 640 g whole milk, 100 g large egg (2) and 50 g unsalted butter." */
export function directions(a: Pick<Additions, 'product' | 'parts'>, bagG: number, units: Units): string {
  const parts = a.parts.map((p) => {
    const g = (p.grams * bagG) / 100;
    return `${grams(g, units)} ${kitchenName(p.ingredient).toLowerCase()}${eggWords(p.ingredient, g)}`;
  });
  const list = parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : (parts[0] ?? 'nothing');
  return `${kindById(a.product.kind).pieces.replace(/^./, (c) => c.toUpperCase())}: to a bag add ${list}.`;
}

export const LABEL_CAUTION = 'Do not eat raw: flour is uncooked. Check with the local food code before it is sold.';

/** Labels of a lot's bags. @param products those the balance allows */
export function bagLabels(
  lot: Lot,
  settings: PremixSettings,
  products: readonly Pick<Additions, 'product' | 'parts'>[],
  find: (id: string) => Ingredient | undefined,
  units: Units,
): readonly Label[] {
  const parts = lot.contents.flatMap((c): readonly TallyPart[] => {
    const ingredient = find(c.id);
    return ingredient ? [{ ingredient, grams: c.grams }] : [];
  });
  const unknown = lot.contents.filter((c) => !find(c.id)).map((c) => c.name);
  const all = lot.contents.reduce((a, c) => a + c.grams, 0);
  const inIt = [...lot.contents].sort((a, b) => b.grams - a.grams).map((c) => `${c.name.toLowerCase()} ${share(c.grams / all)}`);
  const { held, unstated } = allergensOf([{ use: 'batter', parts }]);
  const open = [...unstated, ...unknown];
  const label = (n: number): Label => ({
    key: `bag${n}`,
    title: lot.premixName,
    sub: `Net ${grams(lot.bagG, units)}; lot ${lot.number}, bag ${n} of ${lot.bags}`,
    body: [
      `Ingredients, by weight: ${inIt.join(', ')}.`,
      `Holds: ${held.map((h) => h.name).join(', ') || 'none of the allergens listed'}${open.length > 0 ? `; of ${open.join(', ')} not stated` : ''}.`,
      ...products.map((p) => directions(p, lot.bagG, units)),
    ],
    foot: [
      `Made ${sayDay(lot.made, units)}, best before ${sayDay(lot.bestBefore, units)}. ${settings.storage}`,
      ...(parts.some((p) => isA(p.ingredient, 'honey')) ? ['Honey: not for infants under one.'] : []),
      LABEL_CAUTION,
    ],
  });
  return Array.from({ length: lot.bags }, (_, n) => label(n + 1));
}

const share = (x: number): string => (x >= 0.095 ? `${Math.round(100 * x)} %` : `${(100 * x).toFixed(1)} %`);
