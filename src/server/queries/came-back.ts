/** What makings of a formula taught, and what became of it. */

import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import { VERDICTS } from '@/core/batch/batch';
import { CHANGE_STATES, type ChangeState, type Making } from '@/core/judge/came-back';
import { readStored } from '../db/json';

import { rowsFrom } from '../db/rows';
import { SCALED } from './batches';
import { GONE } from './revised';

const SELECT_MAKING = `select b.id as "batchId", v.number as version, b.finished_at as at, b.verdict, b.marks, b.pieces, b.pieces_planned as planned, b.waste, b.scales, b.height_mm as "heightMm", b.across_mm as "acrossMm",
       b.first_side_s as "firstS", b.second_side_s as "secondS", btrim(b.change) as change, b.change_state as state, b.tries,
       -- how much longer the last third lay on its first side than the first third: a griddle that cools
       (select avg(s) filter (where n > 2 * of / 3.0) - avg(s) filter (where n <= of / 3.0)
          from (select extract(epoch from f.at - p.at)::float8 as s, row_number() over (order by p.at, p.piece) as n, count(*) over () as of
                  from batch_taps p join batch_taps f on f.batch_id = p.batch_id and f.piece = p.piece and f.act = 'flip'
                 where p.batch_id = b.id and p.act = 'pour') sides where of >= 6) as "driftS"
  from batches b join formula_versions v on v.id = b.version_id`;

const MAKINGS_AT_ONCE = 200;

export const makingRow = z.object({
  batchId: z.string(),
  version: z.number(),
  at: z.date(),
  verdict: z.enum(VERDICTS).nullable(),
  marks: z.array(z.string()),
  pieces: z.number().nullable(),
  planned: z.number().nullable(),
  waste: z.number().nullable(),
  firstS: z.number().nullable(),
  secondS: z.number().nullable(),
  scales: z.unknown(),
  heightMm: z.number().nullable(),
  acrossMm: z.number().nullable(),
  driftS: z.number().nullable(),
  change: z.string(),
  state: z.enum(CHANGE_STATES).nullable(),
  tries: z.string().nullable(),
});

/** What an older log has on its scales and nobody knows any more is left out here; it stays where it is. */
const made = async (rows: Promise<z.output<typeof makingRow>[]>): Promise<Making[]> =>
  (await rows).map((m) => ({
    ...m,
    scales: readStored(SCALED, m.scales, m.batchId).value,
  }));

/**
 * Finished makings of a formula that came to something, the newest first; bowls of trials are no makings of it as it is
 * written.
 */
export const makingsOf = (formulaId: string): Promise<Making[]> =>
  made(
    rowsFrom(
      makingRow,
      `${SELECT_MAKING} where b.formula_id = $1 and b.finished_at is not null and not b.put_away and b.trial_id is null order by b.finished_at desc, b.id limit ${MAKINGS_AT_ONCE}`,
      [formulaId],
    ),
  );

/** The same over all formulas, the last so many. */
export const lastMakings = (most: number): Promise<Making[]> =>
  made(
    rowsFrom(
      makingRow,
      `${SELECT_MAKING} where b.finished_at is not null and not b.put_away order by b.finished_at desc, b.id limit $1`,
      [most],
    ),
  );

/** What a batch tries: the change of an earlier making, and how that came out. */
const triedRow = makingRow.pick({ batchId: true, change: true, verdict: true, marks: true, at: true });
export type Tried = z.output<typeof triedRow>;

export const triedBy = async (batchId: string): Promise<Tried | null> =>
  (
    await rowsFrom(
      triedRow,
      `select s.id as "batchId", btrim(s.change) as change, s.verdict, s.marks, s.finished_at as at from batches b join batches s on s.id = b.tries where b.id = $1 and btrim(s.change) <> ''`,
      [batchId],
    )
  )[0] ?? null;

/** Says what becomes of a batch's change for next time; null: nothing was said of it. @returns what was said before */
export async function answerChange(
  batchId: string,
  state: ChangeState | null,
): Promise<ActionResult<{ readonly was: ChangeState | null }>> {
  const rows = await rowsFrom(
    z.object({ was: z.enum(CHANGE_STATES).nullable() }),
    `update batches b set change_state = $2, change_at = now() from (select id, change_state from batches where id = $1 for update) o
      where b.id = o.id and btrim(b.change) <> '' returning o.change_state as was`,
    [batchId, state],
  );
  return rows[0] ? { ok: true, was: rows[0].was } : refuse(GONE);
}
