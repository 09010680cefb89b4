/** Queries on batches: starting one, ticking its sheet, writing what came out, and the log. */

import type { Batch, Outcome, Verdict } from '@/core/batch/batch';
import { type Driver, timesOf, wantedPieces } from '@/core/batch/driver';
import { type Exactness, scale } from '@/core/batch/scale';
import { sheetOf } from '@/core/batch/sheet';
import { countedLines, type EndId, endOf, schoolIdOf } from '@/core/formula/formula';
import { kindById, schoolOf } from '@/core/formula/kinds';
import { scalesOf } from '@/core/pantry/gear';
import { versionById } from './formulas';
import { loadHouse } from './house';
import { takeInKitchen } from './kitchen';
import { query, transaction } from './pool';

const SELECT_BATCH = `
  select b.id, v.formula_id as "formulaId", v.id as "versionId", v.number as "versionNumber", v.name || coalesce(', ' || b.ending, '') as name, v.kind, v.school, b.driver, b.exactness, b.sheet,
         b.mass_g as "massG", b.pieces_planned as "piecesPlanned", b.portion_ml as "portionMl", b.started_at as "startedAt", b.finished_at as "finishedAt",
         b.pieces, b.first_side_s as "firstSideS", b.second_side_s as "secondSideS", b.verdict, b.marks, b.note,
         array(select line_key from batch_ticks t where t.batch_id = b.id order by line_key) as ticked
    from batches b join formula_versions v on v.id = b.version_id`;

type Row = Batch & Record<string, unknown>;

export const underWay = (): Promise<Batch[]> => query<Row>(`${SELECT_BATCH} where b.finished_at is null order by b.started_at`);

export async function batchById(id: string): Promise<Batch | null> {
  return (await query<Row>(`${SELECT_BATCH} where b.id = $1`, [id]))[0] ?? null;
}

export interface LogFilter {
  readonly text: string;
  readonly verdict: Verdict | null;
}

/** Finished and running batches, newest first; text is looked for in the name and the note. At most 500. */
export const log = (f: LogFilter): Promise<Batch[]> =>
  query<Row>(
    `${SELECT_BATCH}
      where ($1 = '' or position(lower($1) in lower(v.name || ' ' || b.note || ' ' || array_to_string(b.marks, ' '))) > 0)
        and ($2::text is null or b.verdict = $2)
      order by b.started_at desc limit 500`,
    [f.text, f.verdict],
  );

export type Started = { readonly ok: true; readonly id: string } | { readonly ok: false; readonly message: string; readonly path: string };

/**
 * Starts a batch of a version. The sheet is worked out here, from the version as saved, and kept as it is.
 * @returns errors of the scaling, or that there is no such version
 */
export async function startBatch(
  versionId: string,
  driver: Driver,
  exactness: Exactness,
  portionMl: number,
  end: EndId | null = null,
  startedAt: Date | null = null,
): Promise<Started> {
  const v = await versionById(versionId);
  if (!v) return { ok: false, path: 'versionId', message: 'That version is not in this kitchen.' };
  const house = await loadHouse();
  const lines = countedLines(v.formula, house, end);
  const begun = timesOf(lines, driver, v.formula.kind);
  if (!begun.ok) return { ok: false, path: begun.error.path, message: begun.error.message };
  const how = exactness === 'kitchen' ? await takeInKitchen(lines, begun.value.factor, house) : exactness;
  const scaled = scale(lines, driver, how, v.formula.kind, portionMl);
  if (!scaled.ok) return { ok: false, path: scaled.error.path, message: scaled.error.message };
  const sheet = sheetOf(scaled.value, scalesOf(house.gear)[0]?.stepG ?? 1);
  const pan = schoolOf(kindById(v.formula.kind), schoolIdOf(v.formula, end)).portionMl === null;
  const planned = wantedPieces(driver) ?? (pan ? null : (scaled.value.yield?.pieces ?? null));
  const rows = await query<{ id: string }>(
    `insert into batches (version_id, driver, exactness, sheet, mass_g, pieces_planned, portion_ml, started_at, ending)
     values ($1, $2, $3, $4, $5, $6, $7, coalesce($8, now()), $9) returning id`,
    [
      versionId,
      JSON.stringify(driver),
      exactness,
      JSON.stringify(sheet),
      scaled.value.massG,
      planned,
      portionMl,
      startedAt,
      endOf(v.formula, end)?.name ?? null,
    ],
  );
  const id = rows[0]?.id;
  if (!id) throw new Error('insert returned no row');
  return { ok: true, id };
}

/**
 * Ticks or unticks a line of a batch's sheet. The same tick twice is one tick.
 * @returns false when the batch has no such line
 */
export const setTick = (batchId: string, lineKey: string, ticked: boolean): Promise<boolean> =>
  transaction(async (client) => {
    const has = await client.query("select 1 from batches b, jsonb_array_elements(b.sheet) l where b.id = $1 and l->>'key' = $2", [batchId, lineKey]);
    if (has.rowCount === 0) return false;
    if (ticked) await client.query('insert into batch_ticks (batch_id, line_key) values ($1, $2) on conflict do nothing', [batchId, lineKey]);
    else await client.query('delete from batch_ticks where batch_id = $1 and line_key = $2', [batchId, lineKey]);
    return true;
  });

/**
 * Writes what came out. Written again, it replaces what was written; the time of the first stays.
 * @returns false when there is no such batch
 */
export async function writeOutcome(batchId: string, o: Outcome, finishedAt: Date | null = null): Promise<boolean> {
  const rows = await query<{ id: string }>(
    `update batches set pieces = $2, first_side_s = $3, second_side_s = $4, verdict = $5, marks = $6, note = $7, finished_at = coalesce(finished_at, $8, now())
      where id = $1 returning id`,
    [batchId, o.pieces, o.firstSideS, o.secondSideS, o.verdict, o.marks, o.note, finishedAt],
  );
  return rows.length > 0;
}
