/**
 * Doubt about fractions: a card whose every amount is 1 1/2 or 1 1/4 while its salt, soda or spice is far out was
 * likely misread from a smudged or badly copied 1/2 and 1/4. Said, never changed.
 */
import type { Line } from './line';
import type { LineFinding } from './parts';

/** Percent of flour above which an amount is far out for any batter. */
const FAR_OUT: Readonly<Record<string, number>> = { salt: 4.5, leavening: 9, flavour: 6 };

const isDoubtful = (n: { readonly valueOf: () => number }): boolean =>
  Math.abs(n.valueOf() - 1.5) < 1e-9 || Math.abs(n.valueOf() - 1.25) < 1e-9;

/** Share of the measured lines from which the same odd fraction is no chance. */
const MOST = 0.6;
/** Percent of flour between which egg stands in any batter that has some. */
const EGG = [6, 350] as const;

export function doubtFractions<L extends Line>(lines: readonly L[]): readonly L[] {
  const measured = lines.filter((l) => l.amounts[0] !== undefined && l.amounts[0].unit !== null && l.use === 'batter');
  const odd = measured.filter((l) => l.amounts[0] && isDoubtful(l.amounts[0].low));
  if (odd.length < 3 || odd.length < MOST * measured.length) return lines;
  const flour = lines.reduce(
    (a, l) => a + (l.ingredient?.category === 'flour' || l.ingredient?.category === 'starch' ? (l.grams ?? 0) : 0),
    0,
  );
  if (!(flour > 0)) return lines;
  const every = odd.length === measured.length ? 'Every amount' : 'Nearly every amount';
  return lines.map((l) => {
    const pct = (100 * (l.grams ?? 0)) / flour;
    const limit = l.ingredient ? FAR_OUT[l.ingredient.category] : undefined;
    const egg =
      l.ingredient?.category === 'egg' && l.grams !== null && l.use === 'batter' && (pct < EGG[0] || pct > EGG[1]);
    const far =
      egg || (odd.includes(l) && limit !== undefined && pct > limit && l.ingredient?.id !== 'vanilla-extract');
    if (!far || !l.amounts[0]) return l;
    const read = odd.includes(l) && l.amounts[0].low.valueOf() === 1.25 ? ['1 1/4', '1/4'] : ['1 1/2', '1/2'];
    const finding: LineFinding = {
      code: 'fraction-doubtful',
      message: egg
        ? `${every} on this card is 1 1/2 or 1 1/4, and the egg would be ${pct.toFixed(1)} % of the flour. Was 1/2 or 1/4 meant all through?`
        : `${every} on this card is 1 1/2 or 1 1/4, and this one would be ${pct.toFixed(1)} % of the flour. Was ${read[1]} meant, not ${read[0]}?`,
    };
    return { ...l, findings: [...l.findings, finding] };
  });
}
