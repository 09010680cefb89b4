/** The second look: a second person sees every pile of a mix, and none is passed by while it is open. */
import { entriesOf } from '../batch/acts';
import type { Batch } from '../batch/batch';
import type { SheetLine } from '../batch/sheet-line';
import { bowlLines } from '../batch/sheet-line';

/** Lines of a mix's bowls that nobody has weighed or ticked: the look waits for them. */
export const openIn = (sheet: readonly SheetLine[], ticked: readonly string[], mix: number): readonly SheetLine[] =>
  bowlLines(sheet, mix).filter((l) => l.grams !== null && !ticked.includes(l.key));

/**
 * Whether somebody has looked at a mix, and all of it is still as it was: a pile that was taken off the list is not
 * seen.
 */
export const isLookedAt = (batch: Pick<Batch, 'sheet' | 'ticked' | 'entries'>, mix: number): boolean =>
  openIn(batch.sheet, batch.ticked, mix).length === 0 &&
  entriesOf(batch.entries, 'checked').some((e) => e.act.mix === mix);

/** When the whites, or what else is folded in, were in a mix; null: they are not. */
export const foldedAt = (entries: Batch['entries'], mix: number): number | null =>
  entriesOf(entries, 'folded')
    .filter((e) => e.act.mix === mix)
    .at(-1)?.at ?? null;
