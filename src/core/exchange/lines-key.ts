import { oneRow } from './open-recipe';

/** The words of a formula's lines, as they are compared: two cards with the same are the same card. */
export const linesKey = (lines: readonly string[]): string =>
  lines
    .map((t) => oneRow(t).toLowerCase())
    .filter(Boolean)
    .join('\n');
