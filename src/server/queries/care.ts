/** The diaries of pans, irons and griddles. */

import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import type { careSchema } from '@/contract/house';
import { CARES, type CareNote } from '@/core/pantry/care';
import { doneAt } from '../db/done';
import { query } from '../db/pool';
import { idRow, rowsFrom } from '../db/rows';
import { GONE } from './revised';

const SELECT_CARE = `select id, gear_id as "gearId", what, note, batch_id as "batchId", at, undone_at is not null as undone from care_notes`;
const careRow = z.object({
  id: z.string(),
  gearId: z.string(),
  what: z.enum(CARES),
  note: z.string(),
  batchId: z.string().nullable(),
  at: z.date(),
  undone: z.boolean(),
});
const NOTES_AT_ONCE = 400;

/** Of all there is, the newest first. */
export const careNotes = (): Promise<CareNote[]> =>
  rowsFrom(careRow, `${SELECT_CARE} order by at desc, id limit ${NOTES_AT_ONCE}`);

export const stuckIn = (batchId: string): Promise<CareNote[]> =>
  rowsFrom(careRow, `${SELECT_CARE} where batch_id = $1 and what = 'stuck' and undone_at is null`, [batchId]);

/** Writes an entry. That something stuck in a batch is written once for each thing it stuck to. */
export async function noteCare(c: z.output<typeof careSchema>): Promise<ActionResult<{ readonly id: string }>> {
  const made = await rowsFrom(
    idRow,
    `insert into care_notes (request_id, gear_id, what, note, batch_id, at) select $1, $2, $3, $4, $5, coalesce($6, now()) where $5::uuid is null or exists (select 1 from batches where id = $5) on conflict do nothing returning id`,
    [c.requestId ?? null, c.gearId, c.what, c.note, c.batchId, doneAt()],
  );
  const id =
    made[0]?.id ??
    (
      await rowsFrom(
        idRow,
        `select id from care_notes where request_id = $1 or (gear_id = $2 and batch_id = $3 and what = 'stuck' and undone_at is null) limit 1`,
        [c.requestId ?? null, c.gearId, c.batchId],
      )
    )[0]?.id;
  return id === undefined ? refuse(GONE) : { ok: true, id };
}

export async function takeCareBack(id: string): Promise<ActionResult> {
  const rows = await query('update care_notes set undone_at = coalesce(undone_at, now()) where id = $1 returning id', [
    id,
  ]);
  return rows.length > 0 ? { ok: true } : refuse(GONE);
}
