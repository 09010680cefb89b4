/**
 * A ratio that nothing on the sheet can raise: the line that would, in the amount it takes, the other ratios kept.
 * Offered beside the nearest that can be had without it.
 */

import { writtenGrams } from '../card/rewrite';
import { RAIL_NAMES, type Rail, railOf, sayRail } from '../formula/kinds';
import { testedFlourG } from '../formula/tally';
import { CO2_G_PER_MMOL } from '../lift/ledger';
import { railsOf } from '../numbers';
import { EGG_INGREDIENT, POWDER_INGREDIENT, SALT_INGREDIENT } from '../pantry/conventions';
import { nameFor } from '../pantry/naming';
import { ingredient } from '../pantry/pantry';
import { addAfter, type Bench, conventionsOn, type Proposal, withFormula, workedOn } from './bench';
import { bringsOf } from './brings';
import { bend, type Wish } from './ratios';

/** What a cook would reach for. */
export function sourceOf(b: Bench, rail: Rail): string {
  const c = conventionsOn(b);
  const ids: Readonly<Record<Rail, string>> = {
    water: 'milk-whole',
    egg: EGG_INGREDIENT[c.egg],
    fat: 'butter-unsalted',
    sugar: 'sugar-granulated',
    salt: SALT_INGREDIENT[c.salt],
    lift: POWDER_INGREDIENT[c.powder],
  };
  return ids[rail];
}

/**
 * The formula with a line that brings what a wish lacks.
 * @returns null where a line of that thing is on the sheet already, less is wished than there is, or there is no flour
 */
export function withSource(b: Bench, wish: Wish): Proposal | null {
  const w = workedOn(b);
  if (wish.value <= (railOf(w.analysis, wish.rail)?.tested ?? 0)) return null;
  const id = sourceOf(b, wish.rail);
  if (!(w.analysis.tally.flourG > 0) || w.lines.some((l) => l.parts.some((p) => p.ingredient.id === id))) return null;
  const named = nameFor(id, conventionsOn(b));
  const adding = (grams: number): Bench =>
    withFormula(
      b,
      addAfter(
        b.formula,
        null,
        `${writtenGrams(grams)} ${named.name}`,
        named.ingredientId ? { ingredientId: named.ingredientId } : {},
      ),
    );
  const begun = adding(10);
  const line = workedOn(begun).lines.find((l) => l.key === begun.formula.entries.at(-1)?.key);
  if (!line) return null;
  // near enough to begin with: what ten grams bring, against what is asked
  const all = bringsOf(line, false);
  const per = (wish.rail === 'lift' ? all.powderMeq * CO2_G_PER_MMOL : all[wish.rail]) / 10 || 1;
  const { formula, short } = bend(
    adding(Math.max(1, (wish.value * testedFlourG(w.analysis.tally)) / 100 / per)),
    [wish],
    { keepAt: railsOf(w.analysis) },
  );
  return {
    title: `Add ${named.name}`,
    why: `A new line brings ${RAIL_NAMES[wish.rail].toLowerCase()} to ${sayRail(wish.rail, wish.value)}; the other lines make room for what comes with ${ingredient(id).category === 'egg' ? 'the egg' : 'it'}.`,
    formula,
    short,
  };
}
