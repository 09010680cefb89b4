/** What is wanted of each formula. */
import { z } from 'zod';
import type { ActionResult, Kept } from '@/contract/action-result';
import { outcomeSchema, type targetSchema } from '@/contract/batch';
import type { Scales } from '@/core/batch/came-out';
import { NO_TARGET, type Target } from '@/core/judge/target';
import { SHAPES } from '@/core/records/editable';
import { type JsonColumn, readStored } from '../db/json';
import { transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { keepRaw, type OpenedRow, saveRevised } from './revised';

interface KeptTarget {
  readonly target: Target;
  readonly revision: number;
}

const targetRow = z.object({
  scales: z.unknown(),
  heightMm: z.number().nullable(),
  acrossMm: z.number().nullable(),
  note: z.string(),
  revision: z.number(),
});
const WANTED: JsonColumn<Scales> = {
  at: 'targets.scales',
  called: 'the target’s scales',
  schema: outcomeSchema.shape.scales,
  fresh: {},
};
const SELECT_TARGET =
  'select scales, height_mm as "heightMm", across_mm as "acrossMm", note, revision from targets where formula_id = $1';

const wanted = (r: z.output<typeof targetRow>, id: string): Target => ({
  scales: readStored(WANTED, r.scales, id).value,
  heightMm: r.heightMm,
  acrossMm: r.acrossMm,
  note: r.note,
});

/** @returns an empty one, revision 0, where nobody has said what is wanted */
export async function targetOf(formulaId: string): Promise<KeptTarget> {
  const row = (await rowsFrom(targetRow, SELECT_TARGET, [formulaId]))[0];
  return row ? { target: wanted(row, formulaId), revision: row.revision } : { target: NO_TARGET, revision: 0 };
}

/** Keeps what is wanted; what another screen has changed meanwhile is kept with it. */
export const saveTarget = (
  { formulaId, ...to }: z.output<typeof targetSchema>,
  opened: OpenedRow<Target> | null,
): Promise<ActionResult<Kept>> =>
  transaction(async (client) => {
    // a formula's first target, too, is written by one screen after the other
    const there = await client.query('select 1 from formulas where id = $1 for update', [formulaId]);
    const row = (await rowsFrom(targetRow, `${SELECT_TARGET} for update`, [formulaId], client))[0];
    if (row && readStored(WANTED, row.scales, formulaId).unreadable.length > 0)
      await keepRaw(client, `targets.scales ${formulaId}`, row.scales);
    const now =
      there.rowCount === 0
        ? null
        : row
          ? { revision: row.revision, value: wanted(row, formulaId) }
          : { revision: 0, value: NO_TARGET };
    return saveRevised<Target>(SHAPES.target, now, to, opened, (v, revision) =>
      client.query(
        `insert into targets (formula_id, scales, height_mm, across_mm, note, revision) values ($1, $2, $3, $4, $5, $6)
           on conflict (formula_id) do update set scales = $2, height_mm = $3, across_mm = $4, note = $5, revision = $6, set_at = now()`,
        [formulaId, JSON.stringify(v.scales), v.heightMm, v.acrossMm, v.note, revision],
      ),
    );
  });
