/** The event log of a batch: what screens have told of it, kept once each, in the order it arrived. */

import type { PoolClient } from 'pg';
import { z } from 'zod';
import type { ActEntry } from '@/core/batch/acts';
import { bowlLines } from '@/core/batch/sheet-line';
import { type EventLog, type Item, toldAt } from '@/core/day/event-log';
import { settle, type Tap, type ToldTap } from '@/core/griddle/board';
import { openIn } from '@/core/prep/check';
import { doer } from '../db/done';
import { readStored } from '../db/json';
import { transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { troubleIn } from '../db/trouble';
import { SHEET } from './batches';
import { ENTRIES, readEntries } from './event-entries';
import { tapsOf } from './griddle';

/** What became of one thing that was told: kept (or known already), or why it can't be. */
export type ItemAnswer =
  | { readonly id: string; readonly ok: true }
  | { readonly id: string; readonly ok: false; readonly message: string };

/** @returns false where a newer word about the line stands: it is kept, and the older one is none any more */
async function isNewest(client: PoolClient, batchId: string, key: string, at: number): Promise<boolean> {
  const r = await client.query(
    `insert into batch_line_told (batch_id, line_key, at) values ($1, $2, to_timestamp($3 / 1000.0))
     on conflict (batch_id, line_key) do update set at = excluded.at where batch_line_told.at <= excluded.at returning 1`,
    [batchId, key, at],
  );
  return r.rowCount === 1;
}

async function writeLine(
  client: PoolClient,
  batchId: string,
  key: string,
  to: boolean | number,
  at: number,
): Promise<void> {
  if (!(await isNewest(client, batchId, key, at))) return;
  if (typeof to === 'number')
    await client.query(
      `insert into batch_weights (batch_id, line_key, grams, at) values ($1, $2, $3, to_timestamp($4 / 1000.0))
       on conflict (batch_id, line_key) do update set grams = excluded.grams,
         at = case when batch_weights.grams = excluded.grams then batch_weights.at else excluded.at end`,
      [batchId, key, to, at],
    );
  else await client.query('delete from batch_weights where batch_id = $1 and line_key = $2', [batchId, key]);
  if (to === false) await client.query('delete from batch_ticks where batch_id = $1 and line_key = $2', [batchId, key]);
  else
    await client.query('insert into batch_ticks (batch_id, line_key) values ($1, $2) on conflict do nothing', [
      batchId,
      key,
    ]);
}

interface Open {
  readonly client: PoolClient;
  readonly batchId: string;
  /** Keys of the sheet's lines. */
  readonly keys: readonly string[];
  /** The batch's taps, and those this parcel has added. */
  taps: readonly Tap[];
  readonly now: number;
}

/** Notes an entry of a batch; one that is there already changes nothing. */
export async function noteEntry(client: PoolClient, batchId: string, e: ActEntry): Promise<void> {
  await client.query(
    'insert into batch_entries (id, batch_id, act, at) values ($1, $2, $3, to_timestamp($4 / 1000.0)) on conflict do nothing',
    [e.id, batchId, JSON.stringify(e.act), e.at],
  );
}

async function writeTap(o: Open, told: ToldTap): Promise<string | null> {
  const t = settle(told, o.taps);
  if (t === 'unknown') return 'That piece was never poured here, or its pour was taken back.';
  // turned or off already: told again it changes nothing
  if (t === null) return null;
  await o.client.query(
    'insert into batch_taps (id, batch_id, piece, act, surface, slot, of_pour, at, end_id) values ($1, $2, $3, $4, $5, $6, $7, to_timestamp($8 / 1000.0), $9)',
    [t.id, o.batchId, t.piece, t.act, t.surface, t.slot, t.of ?? null, t.at, t.end ?? null],
  );
  o.taps = [...o.taps, t];
  return null;
}

/** Why a second look can't be given; null: every pile of the mix is weighed, none by who has signed and looks. */
async function stillOpen(client: PoolClient, batchId: string, mix: number): Promise<string | null> {
  const rows = await rowsFrom(
    z.object({ sheet: z.unknown(), ticked: z.array(z.string()), own: z.array(z.string()) }),
    `select b.sheet, array(select line_key from batch_ticks t where t.batch_id = b.id) as ticked,
            array(select line_key from batch_ticks t where t.batch_id = b.id and t.by_person = $2
                  union select line_key from batch_weights w where w.batch_id = b.id and w.by_person = $2) as own
       from batches b where b.id = $1`,
    [batchId, doer()?.person ?? null],
    client,
  );
  const row = rows[0];
  const sheet = row ? readStored(SHEET, row.sheet, batchId).value : [];
  const open = openIn(sheet, row?.ticked ?? [], mix);
  const own = bowlLines(sheet, mix).filter((l) => row?.own.includes(l.key));
  if (open.length === 0 && own.length > 0)
    return `The second look is somebody else’s: you weighed ${own.map((l) => l.name).join(', ')}.`;
  return open.length === 0
    ? null
    : `The second look waits: ${open.map((l) => l.name).join(', ')} ${open.length === 1 ? 'is' : 'are'} not weighed.`;
}

/** @returns why it can't be kept; null: it is */
async function write(o: Open, i: Item): Promise<string | null> {
  const { client, batchId } = o;
  switch (i.do) {
    case 'tap':
      return writeTap(o, i.tap);
    case 'untap':
      await client.query('delete from batch_taps where batch_id = $1 and (id = $2 or of_pour = $2)', [
        batchId,
        i.tapId,
      ]);
      o.taps = o.taps.filter((t) => t.id !== i.tapId && t.of !== i.tapId);
      return null;
    case 'line':
      if (!o.keys.includes(i.key)) return 'That line is not on the sheet any more.';
      await writeLine(client, batchId, i.key, i.to, toldAt(i) ?? o.now);
      return null;
    case 'enter':
      if (i.entry.act.what === 'checked') {
        const why = await stillOpen(client, batchId, i.entry.act.mix);
        if (why) return why;
      }
      await noteEntry(client, batchId, i.entry);
      return null;
    case 'strike':
      await client.query('delete from batch_entries where batch_id = $1 and id = $2', [batchId, i.entryId]);
      return null;
  }
}

/** One item, by itself: what goes wrong with it undoes it and nothing else. */
async function keepOne(o: Open, i: Item): Promise<ItemAnswer> {
  await o.client.query('savepoint item');
  try {
    const fresh = await o.client.query('insert into batch_told (id, batch_id) values ($1, $2) on conflict do nothing', [
      i.id,
      o.batchId,
    ]);
    const why = fresh.rowCount === 1 ? await write(o, i) : null;
    if (why === null) {
      await o.client.query('release savepoint item');
      return { id: i.id, ok: true };
    }
    await o.client.query('rollback to savepoint item');
    return { id: i.id, ok: false, message: why };
  } catch (e) {
    if (troubleIn(e) !== 'unkeepable') throw e;
    await o.client.query('rollback to savepoint item');
    return { id: i.id, ok: false, message: 'The records refuse it as it stands.' };
  }
}

/**
 * Keeps what a screen tells, each item by itself; an item that is kept already changes nothing.
 * @returns an answer for each item, in their order
 */
export const keepItems = (batchId: string, items: readonly Item[]): Promise<readonly ItemAnswer[]> =>
  transaction(async (client) => {
    const rows = await rowsFrom(
      z.object({ keys: z.array(z.string()) }),
      `select case when jsonb_typeof(sheet) = 'array' then array(select l->>'key' from jsonb_array_elements(sheet) l) else '{}' end as keys
         from batches where id = $1 for no key update`,
      [batchId],
      client,
    );
    const keys = rows[0]?.keys;
    if (!keys)
      return items.map((i) => ({ id: i.id, ok: false, message: 'That batch is not in this kitchen any more.' }));
    const taps = items.some((i) => i.do === 'tap') ? await tapsOf(batchId, client) : [];
    const open: Open = { client, batchId, keys, taps, now: Date.now() };
    const out: ItemAnswer[] = [];
    for (const i of items) out.push(await keepOne(open, i));
    return out;
  });

export interface Followed extends EventLog {
  /** Changes when the batch's sheet, its time line or what is wanted of it does. */
  readonly stamp: string;
  /** The kitchen's clock, ms since 1970: a screen's own may be another. */
  readonly now: number;
}

/** What there is in a batch's event log, for a screen that follows it; null: no such batch. */
export async function eventLogOf(batchId: string): Promise<Followed | null> {
  const [rows, taps] = await Promise.all([
    rowsFrom(
      z.object({
        stamp: z.string(),
        ticked: z.array(z.string()),
        weights: z.record(z.string(), z.number()),
        entries: z.unknown(),
      }),
      `select md5(concat(b.sheet, b.timeline, b.pieces_planned, b.finished_at)) as stamp,
              array(select line_key from batch_ticks t where t.batch_id = b.id order by line_key) as ticked,
              coalesce((select json_object_agg(w.line_key, w.grams) from batch_weights w where w.batch_id = b.id), '{}') as weights,
              ${ENTRIES} as entries
         from batches b where b.id = $1`,
      [batchId],
    ),
    tapsOf(batchId),
  ]);
  const row = rows[0];
  return row ? { ...row, entries: readEntries('', row.entries).value, taps, now: Date.now() } : null;
}
