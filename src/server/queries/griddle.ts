/** What was tapped at the griddle: kept tap by tap, and what it teaches about a formula's times. */

import type { PoolClient } from 'pg';
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import { END_IDS } from '@/core/formula/formula';
import { piecesFrom, TAPPED, type Tap } from '@/core/griddle/board';
import { type HeatReading, readingsIn } from '@/core/griddle/heat';
import { sidesOf } from '@/core/griddle/times';
import { transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { readEntries } from './event-entries';
import { onceFor } from './revised';

const tapRow = z.object({
  id: z.string(),
  batchId: z.string(),
  piece: z.number(),
  act: z.enum(TAPPED),
  surface: z.string(),
  slot: z.number(),
  at: z.number(),
  end: z.enum(END_IDS).nullable(),
  of: z.string().nullable(),
});

const SELECT = `select id, batch_id as "batchId", piece, act, surface, slot, of_pour as of, end_id as end, (extract(epoch from at) * 1000)::float8 as at from batch_taps`;

/** A batch's taps, in the order they arrived. */
export async function tapsOf(batchId: string, client?: PoolClient): Promise<Tap[]> {
  const [sql, values] = [`${SELECT} where batch_id = $1 order by seq`, [batchId]];
  return rowsFrom(tapRow, sql, values, client);
}

/**
 * So many more pieces are wanted, or fewer; never under one. Sent twice it is once. @returns a refusal when there is no
 * such batch under way
 */
export const wantPieces = (batchId: string, by: number, requestId: string | null = null): Promise<ActionResult> =>
  transaction((client) =>
    onceFor(client, requestId, 'want-pieces', async () => {
      const r = await client.query(
        `update batches set pieces_planned = least(100000, greatest(1, pieces_planned + $2))
          where id = $1 and finished_at is null and pieces_planned is not null returning id`,
        [batchId, by],
      );
      return r.rowCount === 1 ? { ok: true } : refuse('That batch is finished, or not in this kitchen any more.');
    }),
  );

/** Batches that are looked at for a formula's times: the newest. */
const LOOKED_AT = 8;

/**
 * Seconds of each side over a formula's earlier batches of a kind and about the same portion; of two ends from one
 * base, the pieces of that kind.
 */
export async function earlierSides(batch: {
  readonly id: string;
  readonly formulaId: string;
  readonly kind: string;
  readonly portionMl: number | null;
}) {
  const rows = await rowsFrom(
    tapRow,
    `${SELECT} where batch_id in (
       select b.id from batches b join formula_versions v on v.id = b.version_id
        where b.formula_id = $1 and b.id <> $3
          and (coalesce(b.kind, v.kind) = $2 and ($4::float8 is null or b.portion_ml is null or b.portion_ml between $4 * 0.85 and $4 * 1.18)
               or b.driver->'b'->>'kind' = $2)
          and exists (select 1 from batch_taps t where t.batch_id = b.id)
        order by b.started_at desc limit ${LOOKED_AT}) order by seq`,
    [batch.formulaId, batch.kind, batch.id, batch.portionMl],
  );
  const ids = [...new Set(rows.map((r) => r.batchId))];
  const kinds = await rowsFrom(
    z.object({ id: z.string(), a: z.string(), b: z.string().nullable() }),
    `select b.id, coalesce(b.kind, v.kind) as a, b.driver->'b'->>'kind' as b from batches b join formula_versions v on v.id = b.version_id where b.id = any($1)`,
    [ids],
  );
  const all = ids.map((id) => {
    const of = kinds.find((k) => k.id === id);
    const pieces = piecesFrom(rows.filter((r) => r.batchId === id));
    // a batch of one kind, or of two and the pieces of this one
    return sidesOf(
      of?.b && of.b !== of.a ? pieces.filter((p) => (p.end === 'b' ? of.b : of.a) === batch.kind) : pieces,
    );
  });
  return { first: all.flatMap((s) => s.first), second: all.flatMap((s) => s.second) };
}

/** Times dial and probe were read together that are looked at: the newest. */
const DIALS_LOOKED_AT = 300;

/** What every surface's dial has meant, over all batches. */
export async function dialReadings(): Promise<readonly HeatReading[]> {
  const rows = await rowsFrom(
    z.object({ entries: z.unknown() }),
    `select coalesce(json_agg(json_build_object('id', e.id, 'at', (extract(epoch from e.at) * 1000)::float8, 'act', e.act)), '[]') as entries
       from (select * from batch_entries where act->>'what' = 'heat' and act->>'by' = 'probe' and act->>'dialC' is not null order by at desc limit ${DIALS_LOOKED_AT}) e`,
  );
  return readingsIn(readEntries('', rows[0]?.entries).value);
}

/** Batches whose taps draw a surface: the newest. */
const DRAWN_BY = 12;
/** Among so many: a surface that nobody cooks on is not looked for through years. */
const DRAWN_AMONG = 300;

/** Taps of the newest finished batches on a surface, in the order they arrived. */
export const tapsOnSurface = (surface: string) =>
  rowsFrom(
    tapRow,
    `${SELECT} where batch_id in (
       select b.id from (select id, started_at from batches where finished_at is not null and not put_away order by started_at desc limit ${DRAWN_AMONG}) b
        where exists (select 1 from batch_taps t where t.batch_id = b.id and t.surface = $1 and t.act = 'flip')
        order by b.started_at desc limit ${DRAWN_BY}) order by seq`,
    [surface],
  );

/** Days that are looked back on a surface. */
const DAYS_LOOKED_BACK = 14;

/** The last piece of each other batch on some surfaces, ms since 1970. */
export const lastPours = (batchId: string, surfaces: readonly string[]) =>
  rowsFrom(
    z.object({ batchId: z.string(), surface: z.string(), lastAt: z.number() }),
    `select batch_id as "batchId", surface, (extract(epoch from max(at)) * 1000)::float8 as "lastAt" from batch_taps
      where act in ('pour', 'move') and surface = any($2) and batch_id <> $1 and at > now() - interval '${DAYS_LOOKED_BACK} days' group by 1, 2 order by 3 desc`,
    [batchId, surfaces],
  );
