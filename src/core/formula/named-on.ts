import { kitchenName } from '../pantry/ingredient';
import type { FormulaLine } from './formula';

/** What of a line names the thing: everything but how much. */
export const namedOn = (line: Pick<FormulaLine, 'text' | 'words' | 'ingredient'>): string => {
  if (line.ingredient) return kitchenName(line.ingredient).toLowerCase();
  const said = line.words
    .filter((w) => w.as !== 'amount' && w.as !== 'filler')
    .map((w) => w.text)
    .join(' ')
    .trim();
  return said || line.text.trim();
};
