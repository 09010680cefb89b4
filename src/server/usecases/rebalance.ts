/** The rest of a mix worked anew around what really went in. */

import { z } from 'zod';
import type { SheetLine } from '@/core/batch/sheet-line';
import { bowlLines } from '@/core/batch/sheet-line';
import { KIND_IDS } from '@/core/formula/kinds';
import { findIngredient } from '@/core/pantry/pantry';
import type { Weights } from '@/core/prep/tolerance';
import { rebalance, smaller, withAnew } from '@/core/prep/weigh';
import { readStored } from '../db/json';
import { transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { SHEET } from '../queries/batches';
import { loadHouse } from '../queries/house';

/**
 * How the rest of a mix is worked: so that the ratios come back, or all of it smaller, to what there is of one line.
 */
type RestBy = { readonly by: 'ratios' } | { readonly by: 'smaller'; readonly key: string };

/**
 * Works the rest of a mix anew around what is weighed, and writes it on the sheet. It hangs on the plan and the weights
 * alone, so that asking twice changes nothing more. A line that is ticked without a weight counts as its target.
 * @returns false when there is no such batch under way, or its sheet can't be read whole
 */
export async function rebalanceMix(batchId: string, mix: number, how: RestBy = { by: 'ratios' }): Promise<boolean> {
  const house = await loadHouse();
  return transaction(async (client) => {
    const rows = await rowsFrom(
      z.object({ sheet: z.unknown(), kind: z.enum(KIND_IDS) }),
      `select b.sheet, coalesce(b.kind, v.kind) as kind from batches b join formula_versions v on v.id = b.version_id
        where b.id = $1 and b.finished_at is null for update of b`,
      [batchId],
      client,
    );
    const batch = rows[0];
    if (!batch) return false;
    const read = readStored(SHEET, batch.sheet, batchId);
    // what can't be read whole is not written back
    if (read.unreadable.length > 0) return false;
    const was: readonly SheetLine[] = read.value;
    const weights: Record<string, number> = {};
    const ticked = await rowsFrom(
      z.object({ key: z.string(), grams: z.number().nullable() }),
      'select t.line_key as key, w.grams from batch_ticks t left join batch_weights w using (batch_id, line_key) where t.batch_id = $1',
      [batchId],
      client,
    );
    for (const t of ticked) {
      const grams = t.grams ?? was.find((l) => l.key === t.key)?.grams;
      if (grams !== null && grams !== undefined) weights[t.key] = grams;
    }
    const find = (id: string) => findIngredient(id, house.conventions.own);
    const bowls = bowlLines(was, mix);
    const less = how.by === 'smaller' ? smaller(bowls, weights as Weights, how.key, find) : null;
    const sheet = withAnew(was, less?.grams ?? rebalance(bowls, weights as Weights, batch.kind, find).grams, find);
    // what one mix makes less of
    const mixes = new Set(was.flatMap((l) => (l.mix === undefined ? [] : [l.mix]))).size || 1;
    const fewer = less ? Math.max(0, 1 - less.share) / mixes : 0;
    await client.query(
      `update batches set sheet = $2, sheet_state = sheet_state + 1, sheet_at = now(),
              pieces_planned = case when $3::float8 > 0 then greatest(1, floor(pieces_planned * (1 - $3::float8) + 1e-6)) else pieces_planned end
        where id = $1`,
      [batchId, JSON.stringify(sheet), fewer],
    );
    return true;
  });
}
