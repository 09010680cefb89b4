/** An amount written twice that disagrees: what each reading, or a third, would make of the balance. Never averaged. */

import type { Worked } from '../analyse-formula';
import { rewriteAmount } from '../card/rewrite';
import type { Formula } from '../formula/formula';
import { type Bench, conventionsOn, editEntry, withFormula, workedOn } from './bench';

export interface StandsReading {
  readonly formula: Formula;
  readonly grams: number;
  readonly worked: Worked;
}

function readingOf(b: Bench, key: string, formula: Formula): StandsReading | null {
  const worked = workedOn(withFormula(b, formula));
  const grams = worked.lines.find((l) => l.key === key)?.grams ?? null;
  return grams === null ? null : { formula, grams, worked };
}

/** The formula with the weight, or the measure, of a line standing. */
export const withStanding = (b: Bench, key: string, stands: 'weight' | 'volume'): StandsReading | null =>
  readingOf(b, key, editEntry(b.formula, key, { stands }));

/** The formula with neither standing: the line says a third amount. @param grams > 0 */
export function withThird(b: Bench, key: string, grams: number): StandsReading | null {
  const entry = b.formula.entries.find((e) => e.key === key);
  const line = workedOn(b).lines.find((l) => l.key === key);
  if (!entry || !line || !(grams > 0)) return null;
  return readingOf(
    b,
    key,
    editEntry(b.formula, key, { text: rewriteAmount(line, grams, conventionsOn(b), entry), stands: undefined }),
  );
}
