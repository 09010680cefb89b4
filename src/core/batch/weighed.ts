/** What was weighed of a batch, by the entries of its formula. */
import type { WeighedLine } from '../formula/formula';
import type { Batch } from './batch';
import { linesBehind } from './once';
import { plannedG, type SheetLine } from './sheet-line';

/** What went in of an entry, and the first of its lines on the sheet. */
export interface EntryWent extends WeighedLine {
  readonly line: SheetLine;
}

/**
 * What was asked and went in of each entry, by its key; what stands for two entries or goes beside is left out.
 * @param unweighed whether a line that was not weighed went in as it was asked; else it is left out
 */
export function wentByEntry(
  { sheet, weights }: Pick<Batch, 'sheet' | 'weights'>,
  unweighed: boolean,
): ReadonlyMap<string, EntryWent> {
  const by = new Map<string, EntryWent>();
  for (const line of sheet) {
    // an amount that was worked anew around another was asked for as it was planned
    const asked = plannedG(line);
    const went = weights[line.key] ?? (unweighed ? asked : null);
    const [key, more] = linesBehind(line.key);
    if (went === null || asked === null || line.side !== undefined || key === undefined || more) continue;
    const had = by.get(key) ?? { key, line, askedG: 0, wentG: 0 };
    by.set(key, { ...had, askedG: had.askedG + asked, wentG: had.wentG + went });
  }
  return by;
}

/** Lines of the batter that are one entry's each, as far as they were weighed. */
export const weighedOf = (b: Pick<Batch, 'sheet' | 'weights'>): readonly WeighedLine[] =>
  [...wentByEntry(b, false).values()].map(({ key, askedG, wentG }) => ({ key, askedG, wentG }));

/** Lines whose amounts nobody told, with what went in; empty where none was weighed. */
export const proposedIn = (
  b: Pick<Batch, 'sheet' | 'weights'>,
): readonly { readonly name: string; readonly g: number }[] =>
  b.sheet.flatMap((l) => {
    const g = b.weights[l.key];
    return l.usualG && g !== undefined ? [{ name: l.name, g }] : [];
  });
