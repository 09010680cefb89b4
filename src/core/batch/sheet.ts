/**
 * The sheet to mix from: a scaled formula as lines to weigh, in the order of the vessels they go into.
 */

import Fraction from 'fraction.js';
import { VESSELS } from '../card/parts';
import type { FormulaLine } from '../formula/formula';
import { kitchenName } from '../pantry/ingredient';
import { writeNumber } from '../quantity/number';
import type { SheetLine } from './batch';
import type { Scaled } from './scale';

/** "about 9 3/4", to the quarter egg; empty for what is not counted. */
function eggs(line: FormulaLine, grams: number): string {
  const i = line.ingredient;
  if (i?.category !== 'egg' || !i.piece || line.parts.length !== 1) return '';
  const quarters = Math.round((4 * grams) / i.piece.grams);
  if (quarters < 1) return '';
  const exact = Math.abs(quarters / 4 - grams / i.piece.grams) < 0.02;
  return ` (${exact ? '' : 'about '}${writeNumber(new Fraction(quarters, 4))})`;
}

/**
 * @param scaled the scaled formula; lines that have no grams keep their text
 * @returns one line each, dry bowl first, in the order of the card within a vessel
 */
export function sheetOf(scaled: Scaled<FormulaLine>): readonly SheetLine[] {
  const lines = scaled.lines.map(({ line, grams, measure }): SheetLine => {
    const names = line.parts.map((p) => kitchenName(p.ingredient)).join(' and ');
    return {
      key: line.key,
      text: line.text,
      name: grams === null ? line.text : names + eggs(line, grams),
      vessel: line.vessel,
      measure,
      grams,
      preparation: line.preparation,
    };
  });
  return VESSELS.flatMap((v) => lines.filter((l) => l.vessel === v));
}
