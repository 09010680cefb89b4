/** What there is to know of the records themselves: how large, how safe, and whether all of it can be read. */

import { statfsSync } from 'node:fs';
import { z } from 'zod';
import type { RecordsFacts } from '@/contract/records';
import type { Unreadable } from '@/core/records/unreadable';
import { unhurried } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { batchesUnread } from '../queries/batches';
import { loadHouse } from '../queries/house';
import { lots, premixes } from '../queries/premixes';
import { sides } from '../queries/sides';
import { versionsUnread } from '../queries/versions';
import { type Backup, backupFolder, backups, copyState, digestOf, kept } from './backup';

const diskLeft = (place: string | null): number | null => {
  try {
    if (!place) return null;
    const { bavail, bsize } = statfsSync(place);
    return bavail * bsize;
  } catch {
    return null;
  }
};

/** PostgreSQL writes ahead in pieces of 16 MB: with less than one, no save goes in. */
const WRITE_AHEAD_BYTES = 16 * 2 ** 20;

/** Whether the disk of the records takes nothing more; false too where it is another machine's. */
export const diskFull = (): boolean =>
  (diskLeft(process.env.EVEN_CRUMB_PLACE || null) ?? WRITE_AHEAD_BYTES) < WRITE_AHEAD_BYTES;

export async function recordsFacts(): Promise<RecordsFacts & { readonly backups: readonly Backup[] }> {
  const asked = Date.now();
  const rows = await rowsFrom(
    z.object({
      bytes: z.string(),
      now: z.number(),
      postgres: z.string(),
      schema: z.string(),
      formulas: z.string(),
      versions: z.string(),
      batches: z.string(),
    }),
    `select pg_database_size(current_database())::text as bytes, extract(epoch from clock_timestamp())::float8 * 1000 as now,
            current_setting('server_version') as postgres, (select max(name) from schema_migrations) as schema,
            (select count(*) from formulas)::text as formulas,
            (select count(*) from formula_versions)::text as versions,
            (select count(*) from batches)::text as batches`,
  );
  const r = rows[0];
  if (!r) throw new Error('no facts');
  const place = process.env.EVEN_CRUMB_PLACE || null;
  return {
    bytes: Number(r.bytes),
    diskLeftBytes: diskLeft(place),
    place,
    counts: { formulas: Number(r.formulas), versions: Number(r.versions), batches: Number(r.batches) },
    backups: backups(),
    keep: await kept(),
    backupPlace: backupFolder(),
    copies: copyState(),
    clockOffMs: (asked + Date.now()) / 2 - r.now,
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    postgres: r.postgres.split(' ')[0] ?? '',
    schema: r.schema,
    node: process.versions.node,
  };
}

export interface Checked {
  readonly tables: number;
  readonly rows: number;
  readonly unreadable: readonly Unreadable[];
}

/** Reads every row of every table whole, and everything that stands in a JSON column as the pages read it. */
export async function checkRecords(): Promise<Checked> {
  const digest = await unhurried(async (client) => {
    await client.query('begin isolation level repeatable read read only');
    return digestOf(client);
  });
  const [house, batch, version, side, mix, lot] = await Promise.all([
    loadHouse(),
    batchesUnread(),
    versionsUnread(),
    sides(),
    premixes(),
    lots(),
  ]);
  return {
    tables: Object.keys(digest).length,
    rows: Object.values(digest).reduce((a, t) => a + t.rows, 0),
    unreadable: [house, ...side, ...mix, ...lot].flatMap((x) => x.unreadable ?? []).concat(batch, version),
  };
}
