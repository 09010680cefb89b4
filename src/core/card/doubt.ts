/**
 * Doubt about fractions: a card whose every amount is 1 1/2 or 1 1/4 while its salt, soda or spice is far out was
 * likely misread from a smudged or badly copied 1/2 and 1/4. Said, never changed.
 */
import type { Line } from './line';
import type { LineFinding } from './parts';

/** Percent of flour above which an amount is far out for any batter. */
const FAR_OUT: Readonly<Record<string, number>> = { salt: 4.5, leavening: 9, flavour: 6 };

const isDoubtful = (n: { readonly valueOf: () => number }): boolean => Math.abs(n.valueOf() - 1.5) < 1e-9 || Math.abs(n.valueOf() - 1.25) < 1e-9;

export function doubtFractions<L extends Line>(lines: readonly L[]): readonly L[] {
  const measured = lines.filter((l) => l.amounts[0] !== undefined && l.amounts[0].unit !== null);
  if (measured.length < 3 || !measured.every((l) => l.amounts[0] && isDoubtful(l.amounts[0].low))) return lines;
  const flour = lines.reduce((a, l) => a + (l.ingredient?.category === 'flour' || l.ingredient?.category === 'starch' ? (l.grams ?? 0) : 0), 0);
  if (!(flour > 0)) return lines;
  return lines.map((l) => {
    const limit = l.ingredient ? FAR_OUT[l.ingredient.category] : undefined;
    const pct = (100 * (l.grams ?? 0)) / flour;
    if (limit === undefined || pct <= limit || l.ingredient?.id === 'vanilla-extract' || !l.amounts[0]) return l;
    const read = l.amounts[0].low.valueOf() === 1.5 ? ['1 1/2', '1/2'] : ['1 1/4', '1/4'];
    const finding: LineFinding = {
      code: 'fraction-doubtful',
      message: `Every amount on this card is 1 1/2 or 1 1/4, and this one would be ${pct.toFixed(1)} % of the flour. Was ${read[1]} meant, not ${read[0]}?`,
    };
    return { ...l, findings: [...l.findings, finding] };
  });
}
