/** The book of a batch: what screens have told of it, kept once each, in the order it was told. */
import type { PoolClient } from 'pg';
import type { Book, Item } from '@/core/day/book';
import type { Tap } from '@/core/griddle/board';
import { query, transaction } from '../db/pool';
import { tapsOf } from './griddle';

async function writeLine(client: PoolClient, batchId: string, key: string, to: boolean | number): Promise<void> {
  if (typeof to === 'number')
    await client.query(
      `insert into batch_weights (batch_id, line_key, grams) values ($1, $2, $3)
       on conflict (batch_id, line_key) do update set grams = excluded.grams, at = case when batch_weights.grams = excluded.grams then batch_weights.at else now() end`,
      [batchId, key, to],
    );
  else await client.query('delete from batch_weights where batch_id = $1 and line_key = $2', [batchId, key]);
  if (to === false) await client.query('delete from batch_ticks where batch_id = $1 and line_key = $2', [batchId, key]);
  else await client.query('insert into batch_ticks (batch_id, line_key) values ($1, $2) on conflict do nothing', [batchId, key]);
}

/** A piece is poured, turned or taken off once: what another screen says again changes nothing. */
const writeTap = (client: PoolClient, batchId: string, t: Tap) =>
  client.query(
    'insert into batch_taps (id, batch_id, piece, act, surface, slot, at) values ($1, $2, $3, $4, $5, $6, to_timestamp($7 / 1000.0)) on conflict do nothing',
    [t.id, batchId, t.piece, t.act, t.surface, t.slot, t.at],
  );

async function write(client: PoolClient, batchId: string, i: Item): Promise<void> {
  switch (i.do) {
    case 'tap':
      await writeTap(client, batchId, i.tap);
      break;
    case 'untap':
      await client.query('delete from batch_taps where batch_id = $1 and id = $2', [batchId, i.tapId]);
      break;
    case 'line':
      await writeLine(client, batchId, i.key, i.to);
      break;
    case 'enter':
      await client.query('insert into batch_entries (id, batch_id, act, at) values ($1, $2, $3, to_timestamp($4 / 1000.0)) on conflict do nothing', [
        i.entry.id,
        batchId,
        JSON.stringify(i.entry.act),
        i.entry.at,
      ]);
      break;
    case 'strike':
      await client.query('delete from batch_entries where batch_id = $1 and id = $2', [batchId, i.entryId]);
  }
}

/**
 * Keeps what a screen tells, all of it or none; an item that is kept already changes nothing.
 * @returns false when there is no such batch, or a line of it is not on its sheet
 */
export const keepItems = (batchId: string, items: readonly Item[]): Promise<boolean> =>
  transaction(async (client) => {
    const { rows } = await client.query<{ keys: string[] }>(
      "select array(select l->>'key' from jsonb_array_elements(sheet) l) as keys from batches where id = $1 for no key update",
      [batchId],
    );
    const keys = rows[0]?.keys;
    if (!keys || items.some((i) => i.do === 'line' && !keys.includes(i.key))) return false;
    for (const i of items) {
      const fresh = await client.query('insert into batch_told (id, batch_id) values ($1, $2) on conflict do nothing', [i.id, batchId]);
      if (fresh.rowCount === 1) await write(client, batchId, i);
    }
    return true;
  });

export interface Followed extends Book {
  /** Changes when the batch's sheet, its time line or what is wanted of it does. */
  readonly stamp: string;
}

/** What there is in a batch's book, for a screen that follows it; null: no such batch. */
export async function bookOf(batchId: string): Promise<Followed | null> {
  const [rows, taps] = await Promise.all([
    query<Omit<Followed, 'taps'> & Record<string, unknown>>(
      `select md5(concat(b.sheet, b.timeline, b.pieces_planned, b.finished_at)) as stamp,
              array(select line_key from batch_ticks t where t.batch_id = b.id order by line_key) as ticked,
              coalesce((select json_object_agg(w.line_key, w.grams) from batch_weights w where w.batch_id = b.id), '{}') as weights,
              ${ENTRIES} as entries
         from batches b where b.id = $1`,
      [batchId],
    ),
    tapsOf(batchId),
  ]);
  return rows[0] ? { ...rows[0], taps } : null;
}

/** A batch's entries as a column, in the order they happened. */
export const ENTRIES = `coalesce((select json_agg(json_build_object('id', e.id, 'at', (extract(epoch from e.at) * 1000)::float8, 'act', e.act) order by e.at, e.id)
  from batch_entries e where e.batch_id = b.id), '[]')`;
