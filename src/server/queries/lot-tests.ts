/** Tests of lots, and the codes on the packets that batches were mixed from. */
import type { PoolClient } from 'pg';
import { z } from 'zod';
import type { LotMeasure, LotTest } from '@/core/premix/lot-test';
import type { BatchSack, RecalledBatch } from '@/core/premix/recall';
import { query } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { KEY_OF } from './premixes';

const testRow = z
  .object({
    id: z.string(),
    number: z.string(),
    flowS: z.number().nullable(),
    acrossMm: z.number().nullable(),
    heightMm: z.number().nullable(),
    foamMm: z.number().nullable(),
    who: z.string(),
    note: z.string(),
    at: z.date(),
    struck: z.boolean(),
  })
  .transform(
    ({ flowS, acrossMm, heightMm, foamMm, ...t }): LotTest => ({ ...t, values: { flowS, acrossMm, heightMm, foamMm } }),
  );

/** Tests of every lot of a mix, in the order its lots were made. Cancelled lots are not held against others. */
export const testsOfMix = (premixId: string): Promise<LotTest[]> =>
  rowsFrom(
    testRow,
    `select t.id, l.number, t.flow_s as "flowS", t.across_mm as "acrossMm", t.height_mm as "heightMm", t.foam_mm as "foamMm",
            t.who, t.note, t.at, t.struck_at is not null as struck
       from lot_tests t join lots l on l.id = t.lot_id where l.premix_id = $1 and l.voided_at is null order by l.made, l.number, t.at`,
    [premixId],
  );

interface NewLotTest {
  readonly id: string;
  readonly lotId: string;
  readonly values: Readonly<Record<LotMeasure, number | null>>;
  readonly who: string;
  readonly note: string;
}
/** Notes a test once, however often it is told. @returns whether there is such a lot, and it is not cancelled */
export const keepTest = async ({ id, lotId, values: v, who, note }: NewLotTest): Promise<boolean> =>
  (
    await query(
      `with made as (
         insert into lot_tests (id, lot_id, flow_s, across_mm, height_mm, foam_mm, who, note)
         select $8, id, $2, $3, $4, $5, $6, $7 from lots where id = $1 and voided_at is null
         on conflict (id) do nothing)
       select 1 from lots where id = $1 and voided_at is null`,
      [lotId, v.flowS, v.acrossMm, v.heightMm, v.foamMm, who, note, id],
    )
  ).length > 0;

/** Strikes a test out: it stays, and counts no more. */
export const strikeTest = async (testId: string): Promise<boolean> =>
  (await query('update lot_tests set struck_at = coalesce(struck_at, now()) where id = $1 returning id', [testId]))
    .length > 0;

const sackRow = z.object({ id: z.string(), name: z.string(), lot: z.string() });

export const sacksOfBatch = (batchId: string): Promise<BatchSack[]> =>
  rowsFrom(sackRow, 'select ingredient_id as id, name, lot from batch_sacks where batch_id = $1 order by name', [
    batchId,
  ]);

/** Notes the codes of what a batch was mixed from; an empty one is taken out. @returns whether there is such a batch */
export async function keepBatchSacks(
  client: PoolClient,
  batchId: string,
  sacks: readonly BatchSack[],
  who: string,
): Promise<boolean> {
  const there = await client.query('select 1 from batches where id = $1 for update', [batchId]);
  if (!there.rowCount) return false;
  for (const s of sacks)
    await (s.lot === ''
      ? client.query('delete from batch_sacks where batch_id = $1 and ingredient_id = $2', [batchId, s.id])
      : client.query(
          `insert into batch_sacks (batch_id, ingredient_id, name, lot, who) values ($1, $2, $3, $4, $5)
           on conflict (batch_id, ingredient_id) do update set lot = excluded.lot, name = excluded.name, who = excluded.who, at = now()
            where batch_sacks.lot <> excluded.lot`,
          [batchId, s.id, s.name, s.lot, who],
        ));
  return true;
}

/** Batches that were mixed from a packet with a code. @param key the code by its letters and digits */
export const batchesByCode = (key: string): Promise<RecalledBatch[]> =>
  rowsFrom(
    sackRow.extend({ batchId: z.string(), batchName: z.string(), startedAt: z.date() }),
    `select s.ingredient_id as id, s.name, s.lot, b.id as "batchId", b.name as "batchName", b.started_at as "startedAt"
       from batch_sacks s join batches b on b.id = s.batch_id
      where exists (select 1 from regexp_split_to_table(s.lot, '[,;]') code where ${KEY_OF('code')} = $1)
      order by b.started_at, s.name`,
    [key],
  );
