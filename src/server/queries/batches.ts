/** Queries on batches: starting one, ticking its sheet, writing what came out, and the log. */

import type { PoolClient } from 'pg';
import type { Batch, Outcome, Verdict } from '@/core/batch/batch';
import type { Driver } from '@/core/batch/driver';
import type { Exactness } from '@/core/batch/scale';
import type { Serving } from '@/core/batch/serving';
import type { SheetLine } from '@/core/batch/sheet-line';
import type { Split } from '@/core/batch/split';
import type { KindId } from '@/core/formula/kinds';
import { query } from '../db/pool';
import { ENTRIES } from './book';

const SELECT_BATCH = `
  select b.id, v.formula_id as "formulaId", v.id as "versionId", v.number as "versionNumber", v.name || coalesce(', ' || b.ending, '') as name, coalesce(b.kind, v.kind) as kind, v.school, b.driver, b.exactness, b.split, b.sheet,
         b.mass_g as "massG", b.pieces_planned as "piecesPlanned", b.portion_ml as "portionMl", b.started_at as "startedAt", b.finished_at as "finishedAt",
         coalesce(v.settings->'ways', '{}') as ways, b.swapped, b.timeline, b.scales, b.waste, b.change,
         (select (extract(epoch from max(t.at)) * 1000)::float8 from batch_taps t where t.batch_id = b.id and t.act = 'pull') as "lastOffAt", ${ENTRIES} as entries,
         b.pieces, b.first_side_s as "firstSideS", b.second_side_s as "secondSideS", b.verdict, b.marks, b.note,
         coalesce((select json_agg(json_build_object('id', k.ingredient_id, 'wantedG', k.wanted_g, 'takenG', k.taken_g) order by k.ingredient_id)
                     from stock_takings k where k.batch_id = b.id), '[]') as takings,
         coalesce((select json_object_agg(w.line_key, w.grams) from batch_weights w where w.batch_id = b.id), '{}') as weights,
         array(select line_key from batch_ticks t where t.batch_id = b.id order by line_key) as ticked
    from batches b join formula_versions v on v.id = b.version_id`;

type Row = Batch & Record<string, unknown>;

/** Seconds a piece of a formula lies on the heat, both sides, as its batches were timed; null where none was. */
export async function timedHere(formulaId: string): Promise<number | null> {
  const rows = await query<{ s: number | null }>(
    `select avg(b.first_side_s + b.second_side_s)::float8 as s from batches b join formula_versions v on v.id = b.version_id
      where v.formula_id = $1 and b.kind is null and b.first_side_s is not null and b.second_side_s is not null`,
    [formulaId],
  );
  return rows[0]?.s ?? null;
}

export const underWay = (): Promise<Batch[]> =>
  query<Row>(`${SELECT_BATCH} where b.finished_at is null order by coalesce((b.timeline->>'at')::float8, extract(epoch from b.started_at) * 1000)`);

export async function batchById(id: string): Promise<Batch | null> {
  return (await query<Row>(`${SELECT_BATCH} where b.id = $1`, [id]))[0] ?? null;
}

export interface LogFilter {
  readonly text: string;
  readonly verdict: Verdict | null;
  /** Of each formula only the best so far. */
  readonly best?: boolean;
}

/** Finished and running batches, newest first; text is looked for in the name and the note. At most 500. */
export const log = (f: LogFilter): Promise<Batch[]> =>
  query<Row>(
    `${SELECT_BATCH}
      where ($1 = '' or position(lower($1) in lower(v.name || ' ' || b.note || ' ' || b.change || ' ' || array_to_string(b.marks, ' '))) > 0)
        and ($2::text is null or b.verdict = $2)
        and (not $3 or b.id in (
          select distinct on (bv.formula_id) bb.id from batches bb join formula_versions bv on bv.id = bb.version_id
           where bb.verdict is not null
           order by bv.formula_id, array_position(array['best', 'good', 'fair', 'poor'], bb.verdict), bb.finished_at desc))
      order by b.started_at desc limit 500`,
    [f.text, f.verdict, f.best === true],
  );

export interface NewBatch {
  readonly versionId: string;
  readonly driver: Driver;
  readonly exactness: Exactness;
  readonly portionMl: number;
  readonly serving?: Serving | null;
  readonly requestId?: string | null;
  readonly startedAt?: Date | null;
  readonly split: Split;
  readonly sheet: readonly SheetLine[];
  readonly massG: number;
  readonly pieces: number | null;
  readonly ending: string | null;
  /** What it is made as, where that is not what the formula is. */
  readonly kind?: KindId | null;
}

/** Writes a batch. @returns its id; `again` where this press of the button has started it before */
export async function insertBatch(client: PoolClient, b: NewBatch): Promise<{ readonly id: string; readonly again: boolean }> {
  const made = await client.query<{ id: string }>(
    `insert into batches (version_id, driver, exactness, sheet, mass_g, pieces_planned, portion_ml, started_at, ending, split, request_id, kind, timeline)
     values ($1, $2, $3, $4, $5, $6, $7, coalesce($8, now()), $9, $10, $11, $12, $13) on conflict (request_id) do nothing returning id`,
    [
      b.versionId,
      JSON.stringify(b.driver),
      b.exactness,
      JSON.stringify(b.sheet),
      b.massG,
      b.pieces,
      b.portionMl,
      b.startedAt ?? null,
      b.ending,
      JSON.stringify(b.split),
      b.requestId ?? null,
      b.kind ?? null,
      b.serving ? JSON.stringify(b.serving) : null,
    ],
  );
  const id = made.rows[0]?.id;
  if (id) return { id, again: false };
  const had = await client.query<{ id: string }>('select id from batches where request_id = $1', [b.requestId]);
  if (!had.rows[0]) throw new Error('insert returned no row');
  return { id: had.rows[0].id, again: true };
}

/** When a batch is served, and what of its time line was decided by hand. @returns false when there is no such batch under way */
export async function setServing(batchId: string, serving: Serving | null): Promise<boolean> {
  const rows = await query<{ id: string }>('update batches set timeline = $2 where id = $1 and finished_at is null returning id', [
    batchId,
    serving === null ? null : JSON.stringify(serving),
  ]);
  return rows.length > 0;
}

/**
 * Writes what came out. Written again, it replaces what was written; the time of the first stays.
 * @returns false when there is no such batch
 */
export async function writeOutcome(batchId: string, o: Outcome, finishedAt: Date | null = null): Promise<boolean> {
  const rows = await query<{ id: string }>(
    `update batches set pieces = $2, first_side_s = $3, second_side_s = $4, verdict = $5, marks = $6, note = $7, finished_at = coalesce(finished_at, $8, now()),
            scales = $9, waste = $10, change = $11
      where id = $1 returning id`,
    [batchId, o.pieces, o.firstSideS, o.secondSideS, o.verdict, o.marks, o.note, finishedAt, JSON.stringify(o.scales ?? {}), o.waste ?? null, o.change ?? ''],
  );
  return rows.length > 0;
}
