/**
 * A batch whose eggs come whole, its other lines balanced anew around them: what the Bench does with a line that drives
 * the rest, asked for a scaled batch.
 */

import { type Bench, workedOn } from '../balance/bench';
import { drive } from '../balance/drive';
import { isShellEgg } from '../formula/eggs';
import type { Formula, FormulaLine } from '../formula/formula';

/** The one line of the batter that whole eggs stand on; null where there is none, or eggs stand on several. */
export function eggLine(lines: readonly FormulaLine[]): FormulaLine | null {
  const found = lines.filter((l) => l.use === 'batter' && l.parts.some((p) => isShellEgg(p.ingredient.id)));
  const [line] = found;
  return line && found.length === 1 && line.parts.length === 1 && line.drainedG === 0 ? line : null;
}

/**
 * @param factor times the formula that the batch would be
 * @param eggs so many, > 0
 * @returns the formula as it has to be; null where its eggs can't be made whole
 */
export function withWholeEggs(
  b: Bench,
  factor: number,
  eggs: number,
): { readonly formula: Formula; readonly short: string | null } | null {
  const line = eggLine(workedOn(b).lines);
  const each = line?.parts[0]?.ingredient.piece?.grams;
  if (!line || !each || !(eggs > 0) || !(factor > 0)) return null;
  const made = drive(b, line.key, (eggs * each) / factor, 'rebalance');
  return made && { formula: made.formula, short: made.short };
}
