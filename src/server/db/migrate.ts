/**
 * Migrations: the files of database/migrations in the order of their names, each in a transaction of its own, each
 * once.
 */

import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Client } from 'pg';
import { z } from 'zod';
import { unhurried } from './pool';
import { rowsFrom } from './rows';

const FOLDER = join(process.cwd(), 'database/migrations');
/** Any number, as long as it is always the same: two servers starting at once wait for each other. */
const LOCK = 4_310_001;

/** The migrations there are, in order. */
export const migrationsThere = (): readonly string[] =>
  readdirSync(FOLDER)
    .filter((f) => /^\d{4}_.*\.sql$/.test(f))
    .sort();

export const migrationText = (name: string): string => readFileSync(join(FOLDER, name), 'utf8');

const TABLE =
  'create table if not exists schema_migrations (name text primary key, sha256 text not null, applied_at timestamptz not null default now())';

const appliedTo = async (client: Pick<Client, 'query'>): Promise<ReadonlySet<string>> => {
  await client.query(TABLE);
  return new Set(
    (await rowsFrom(z.object({ name: z.string() }), 'select name from schema_migrations', [], client)).map(
      (r) => r.name,
    ),
  );
};

/** What was applied to a database that this Even Crumb does not know: only a newer one can have done it. */
export async function unknownTo(client: Pick<Client, 'query'>): Promise<readonly string[]> {
  const files = migrationsThere();
  return [...(await appliedTo(client))].filter((n) => !files.includes(n)).sort();
}

/** What would be applied; and whether nothing was yet. */
export const pending = (): Promise<{ readonly files: readonly string[]; readonly fresh: boolean }> =>
  unhurried(async (client) => {
    const had = await appliedTo(client);
    return { files: migrationsThere().filter((f) => !had.has(f)), fresh: had.size === 0 };
  });

/**
 * Applies what has not been applied.
 * @param upTo the last file to apply, by the beginning of its name; for tests of an older age
 * @returns the names of the files applied now
 * @throws when the records were made by a newer Even Crumb, an applied file was changed since, or a file fails (it is
 * then
 *   rolled back whole)
 */
export async function migrate(upTo = '9999'): Promise<readonly string[]> {
  const unknown = await unhurried(unknownTo);
  if (unknown.length > 0)
    throw new Error(
      `These records were made by a newer Even Crumb (${unknown.join(', ')}): start that one, or restore a backup of this one's age.`,
    );
  return unhurried(async (client) => {
    const applied: string[] = [];
    for (const name of migrationsThere().filter((f) => f.slice(0, upTo.length) <= upTo)) {
      const sql = migrationText(name);
      const sha = createHash('sha256').update(sql).digest('hex');
      await client.query('begin');
      try {
        await client.query('select pg_advisory_xact_lock($1)', [LOCK]);
        const had = await rowsFrom(
          z.object({ sha256: z.string() }),
          'select sha256 from schema_migrations where name = $1',
          [name],
          client,
        );
        if (had[0] && had[0].sha256 !== sha)
          throw new Error(`${name} was changed after it had been applied: add a new migration instead.`);
        if (!had[0]) {
          await client.query(sql);
          await client.query('insert into schema_migrations (name, sha256) values ($1, $2)', [name, sha]);
          applied.push(name);
        }
        await client.query('commit');
      } catch (e) {
        await client.query('rollback').catch(() => {
          // the first error says why
        });
        throw e;
      }
    }
    return applied;
  });
}
