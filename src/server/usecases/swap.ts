/** A stand-in for what is missing, in one batch alone: the Bench's swap, planned again; the formula stays as it is. */

import { workedOn } from '@/core/balance/bench';
import { swapRebalanced, swapsFor } from '@/core/balance/swaps';
import type { Batch } from '@/core/batch/batch';
import { plannedSheet, readyFor } from '@/core/batch/plan';
import type { EndId, Formula, FormulaLine } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { scalesOf } from '@/core/pantry/gear';
import type { StandInOffer } from '@/core/prep/mise';
import { transaction } from '../db/pool';
import { batchById } from '../queries/batches';
import { versionById } from '../queries/formulas';
import { loadHouse } from '../queries/house';
import { stockNoted } from '../queries/pantry';
import { returnToShelf, takeFromShelf } from '../queries/stock';
import { wantsOf } from './start-batch';

const endIn = (f: Formula, batch: Batch): EndId | null => (f.ends ? (batch.endId ?? 'a') : null);

const swapsOn = (line: FormulaLine | undefined) => (line ? swapsFor(line) : []);

/** The stand-ins for each line of a batch's formula, by the line's key; a batch from bags of premix has none. */
export async function standInsOf(batch: Batch, house: Kitchen): Promise<Readonly<Record<string, readonly StandInOffer[]>>> {
  const v = await versionById(batch.versionId);
  if (!v || batch.sheet.some((l) => l.lot)) return {};
  const { lines } = workedOn({ formula: v.formula, house, end: endIn(v.formula, batch) });
  return Object.fromEntries(
    lines.map((l) => [
      l.key,
      swapsOn(l).map(
        (s): StandInOffer => ({
          to: s.standIn.to,
          with: s.standIn.with?.id ?? null,
          name: s.name,
          amount: s.amount,
          says: s.standIn.says,
          caution: s.standIn.caution ?? '',
        }),
      ),
    ]),
  );
}

export type Swapped = { readonly ok: true } | { readonly ok: false; readonly message: string };
const no = (message: string): Swapped => ({ ok: false, message });

/**
 * Puts a stand-in on a batch's sheet, the other lines making up for it, and takes it from the shelf in place of what was
 * taken. Only while nothing is weighed.
 */
export async function swapInBatch(batchId: string, lineKey: string, to: string, withId: string | null): Promise<Swapped> {
  const [batch, house, stock] = await Promise.all([batchById(batchId), loadHouse(), stockNoted()]);
  const v = batch ? await versionById(batch.versionId) : null;
  if (!batch || !v || batch.finishedAt) return no('That batch is finished, or not in this kitchen.');
  if (batch.unreadable?.length) return no('Some of this batch can’t be read: its sheet stays as it is.');
  const end = endIn(v.formula, batch);
  // a second swap goes on from the first
  const formula = batch.swapped ?? v.formula;
  const bench = { formula, house, end };
  const line = workedOn(bench).lines.find((l) => l.key === lineKey);
  const swap = swapsOn(line).find((s) => s.standIn.to === to && (s.standIn.with?.id ?? null) === withId);
  if (!line || !swap) return no('Nothing like that stands in for it.');
  const proposal = swapRebalanced(bench, line, swap);
  const ready = readyFor({ formula: proposal.formula, house, end, driver: batch.driver, split: batch.split, eggs: null });
  if (!ready.ok) return no(ready.error.message);
  const planned = plannedSheet(ready.value, {
    driver: batch.driver,
    exactness: batch.exactness,
    house,
    kind: batch.kind,
    portionMl: batch.piecesPlanned === null ? null : batch.portionMl,
    split: batch.split,
    stepG: scalesOf(house.gear)[0]?.stepG ?? 1,
  });
  if (!planned.ok) return no(planned.error.message);
  const sheet = [...planned.value.sheet, ...batch.sheet.filter((l) => l.side !== undefined && !planned.value.sheet.some((x) => x.key === l.key))];
  return transaction(async (client): Promise<Swapped> => {
    const open = await client.query('select 1 from batches where id = $1 and finished_at is null for update', [batchId]);
    if (open.rowCount === 0) return no('That batch is finished, or not in this kitchen.');
    const begun = await client.query('select 1 from batch_ticks where batch_id = $1 limit 1', [batchId]);
    if (begun.rowCount !== 0) return no('Some of it is weighed already. Take it off the list first, or swap on the Bench for the next batch.');
    await client.query('update batches set sheet = $2, mass_g = $3, swapped = $4 where id = $1', [
      batchId,
      JSON.stringify(sheet),
      planned.value.massG,
      JSON.stringify(proposal.formula),
    ]);
    if (batch.deductions.length > 0) {
      await returnToShelf(client, batchId);
      await takeFromShelf(client, { batchId }, wantsOf(sheet, house, stock), true);
    }
    return { ok: true };
  });
}
