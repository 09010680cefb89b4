/**
 * A line that drives the rest: all of the buttermilk, one banana. Its amount is given and pinned; either everything
 * scales with it, or the size stays and the other lines make up for it.
 */

import { piecesOf } from '../batter/volume';
import { rewriteAmount } from '../card/rewrite';
import { pouredG } from '../formula/tally';
import { railsOf } from '../numbers';
import { counted, millilitres, grams as say } from '../quantity/say';
import { type Bench, conventionsOn, editEntry, type Proposal, withFormula, withGrams, workedOn } from './bench';
import { bend } from './ratios';

/** What is on hand decides the size here: so much of itself flour and total may change with it. */
const FOLLOWS = 0.5;

/** "It pours 12 of 60 ml." */
function poursIn(b: Bench): string {
  const a = workedOn(b).analysis;
  if (!a.volume || !a.kind || !a.school?.portionMl || !a.portionMl) return '';
  return `It pours ${counted(piecesOf(pouredG(a.tally), a.volume.densityGPerMl, a.portionMl).pieces, a.kind.pieces)} of ${millilitres(a.portionMl)}.`;
}

type DriveHow = 'scale' | 'rebalance';

/**
 * @param key the line; it needs grams
 * @param grams what there is of it, > 0
 * @param how `scale`: every other line by the same factor, so that no ratio moves; `rebalance`: the other lines keep
 * the
 *   ratios, with the size about as it was
 */
export function drive(b: Bench, key: string, grams: number, how: DriveHow): Proposal | null {
  const w = workedOn(b);
  const line = w.lines.find((l) => l.key === key);
  if (!line?.grams || !(grams > 0) || line.use !== 'batter') return null;
  const pinned = editEntry(b.formula, key, {
    text: rewriteAmount(line, grams, conventionsOn(b), line),
    pinned: true,
    stands: undefined,
  });
  const name = `"${line.text.slice(0, 40)}"`;
  if (how === 'scale') {
    const factor = grams / line.grams;
    const all = new Map(
      w.lines
        .filter((l) => l.key !== key && l.grams !== null && l.use !== 'topping')
        .map((l) => [l.key, (l.grams ?? 0) * factor]),
    );
    const formula = withGrams(withFormula(b, pinned), w.lines, all);
    return {
      title: `All of it: ${say(grams, b.house.units)}`,
      why: `${name} becomes ${say(grams, b.house.units)}, and every line goes with it, ${factor.toFixed(2)} times. No ratio moves. ${poursIn(withFormula(b, formula))}`.trim(),
      formula,
      short: null,
    };
  }
  const { formula, short } = bend(withFormula(b, pinned), [], {
    still: new Set([key]),
    keepAt: railsOf(w.analysis),
    slack: FOLLOWS,
  });
  return {
    title: `${say(grams, b.house.units)}, the rest made up`,
    why: `${name} becomes ${say(grams, b.house.units)} and stays; the other lines keep the ratios, and the size about as it is. ${poursIn(withFormula(b, formula))}`.trim(),
    formula,
    short,
  };
}

/** All there is of a line drives the rest, and nothing asks for more of it after. */
export const usingUp = (b: Bench, key: string, grams: number, how: DriveHow): Proposal | null =>
  drive(withFormula(b, editEntry(b.formula, key, { mostG: grams })), key, grams, how);
