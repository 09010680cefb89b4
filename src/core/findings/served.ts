/**
 * What a card serves its pieces with, by allergen, for whoever eats: apart from the rules, so that a page that only
 * judges a formula need not fetch the reading of every thing that is served.
 */
import { clausesOf } from '../card/told/clause';
import { servedInClauses } from '../card/told/served';
import { FRESH_CONVENTIONS, type KitchenConventions } from '../pantry/conventions';
import { isEaten, type ServedBeside, servedByWords } from './card-rules';

/**
 * One thing for each allergen: whatever a sentence of the table names, left to the guest or not, and each thing that is
 * served with what the pantry says it holds.
 * @param house for its own ingredients
 */
export function servedBy(cardNotes: string, house: KitchenConventions = FRESH_CONVENTIONS): readonly ServedBeside[] {
  if (cardNotes === '') return [];
  const things = servedInClauses(clausesOf(cardNotes), house, isEaten).flatMap(({ said, line }) =>
    (line.ingredient?.allergens ?? []).map((allergen) => ({ said: said.toLowerCase(), allergen })),
  );
  return [...servedByWords(cardNotes), ...things].filter(
    (s, n, all) => all.findIndex((x) => x.allergen === s.allergen) === n,
  );
}
