/**
 * A ratio that nothing on the sheet can raise: the line that would, in the amount it takes, the other ratios kept. Offered
 * beside the nearest that can be had without it.
 */
import { railOf } from '../analyse';
import { writtenGrams } from '../card/rewrite';
import { nextKey } from '../formula/formula';
import { RAIL_NAMES, type Rail } from '../formula/kinds';
import { EGG_INGREDIENT, POWDER_INGREDIENT, SALT_INGREDIENT } from '../pantry/conventions';
import { nameFor } from '../pantry/naming';
import { ingredient } from '../pantry/pantry';
import { lift, percent } from '../quantity/say';
import { type Bench, conventionsOn, type Proposal, withEntries, withFormula, withGrams, workedOn } from './bench';
import { bend, bringsOf, type Wish } from './ratios';

/** What a cook would reach for. */
function sourceOf(b: Bench, rail: Rail): string {
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
  const entry = { key: nextKey(b.formula.entries), text: `10 g ${named.name}`, ...(named.ingredientId ? { ingredientId: named.ingredientId } : {}) };
  const begun = withFormula(b, withEntries(b.formula, [...b.formula.entries, entry]));
  const line = workedOn(begun).lines.find((l) => l.key === entry.key);
  if (!line) return null;
  // near enough to begin with: what ten grams bring, against what is asked
  const all = bringsOf(line, false);
  const per = (wish.rail === 'lift' ? (all.powderMeq * 0.044) / 10 : all[wish.rail] / 10) || 1;
  const grams = Math.max(1, (wish.value * w.analysis.tally.flourG) / 100 / per);
  const added = withFormula(b, withEntries(b.formula, [...b.formula.entries, { ...entry, text: `${writtenGrams(grams)} ${named.name}` }]));
  const keepAt = Object.fromEntries(w.analysis.rails.map((r) => [r.rail, r.tested]));
  const bent = bend(added, [wish], { keepAt });
  const to = wish.rail === 'lift' ? `${lift(wish.value)} g` : percent(wish.value);
  return {
    title: `Add ${named.name}`,
    why: `A new line brings ${RAIL_NAMES[wish.rail].toLowerCase()} to ${to}; the other lines make room for what comes with ${ingredient(id).category === 'egg' ? 'the egg' : 'it'}.`,
    formula: withGrams(added, workedOn(added).lines, bent.grams, 0.01),
    short: bent.short,
  };
}
