/** What was weighed of a batch, by the entries of its formula. */
import type { WeighedLine } from '../formula/formula';
import type { Batch } from './batch';
import { linesBehind } from './once';

/** Lines of the batter that are one entry's each, as far as they were weighed. */
export function weighedOf({ sheet, weights }: Pick<Batch, 'sheet' | 'weights'>): readonly WeighedLine[] {
  const by = new Map<string, WeighedLine>();
  for (const l of sheet) {
    const went = weights[l.key];
    const [key, more] = linesBehind(l.key);
    if (went === undefined || l.grams === null || l.side !== undefined || key === undefined || more) continue;
    // an amount that was worked anew around another was asked for as it was planned
    const asked = l.was ?? l.grams;
    const had = by.get(key) ?? { key, askedG: 0, wentG: 0 };
    by.set(key, { key, askedG: had.askedG + asked, wentG: had.wentG + went });
  }
  return [...by.values()];
}

/** Lines whose amounts nobody told, with what went in; empty where none was weighed. */
export const proposedIn = (
  b: Pick<Batch, 'sheet' | 'weights'>,
): readonly { readonly name: string; readonly g: number }[] =>
  b.sheet.flatMap((l) => {
    const g = b.weights[l.key];
    return l.usualG && g !== undefined ? [{ name: l.name, g }] : [];
  });
