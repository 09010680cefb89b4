/**
 * Migrations: the files of database/migrations in the order of their names, each in a transaction of its own, each once.
 */
import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { query, transaction } from './pool';

const FOLDER = join(process.cwd(), 'database/migrations');
/** Any number, as long as it is always the same: two servers starting at once wait for each other. */
const LOCK = 4_310_001;

/**
 * Applies what has not been applied.
 * @returns the names of the files applied now
 * @throws when an applied file was changed since, or a file fails (it is then rolled back whole)
 */
export async function migrate(): Promise<readonly string[]> {
  await query('create table if not exists schema_migrations (name text primary key, sha256 text not null, applied_at timestamptz not null default now())');
  const files = readdirSync(FOLDER)
    .filter((f) => /^\d{4}_.*\.sql$/.test(f))
    .sort();
  const applied: string[] = [];
  for (const name of files) {
    const sql = readFileSync(join(FOLDER, name), 'utf8');
    const sha = createHash('sha256').update(sql).digest('hex');
    const fresh = await transaction(async (client) => {
      await client.query('select pg_advisory_xact_lock($1)', [LOCK]);
      const had = await client.query<{ sha256: string }>('select sha256 from schema_migrations where name = $1', [name]);
      if (had.rows[0]) {
        if (had.rows[0].sha256 !== sha) throw new Error(`${name} was changed after it had been applied: add a new migration instead.`);
        return false;
      }
      await client.query(sql);
      await client.query('insert into schema_migrations (name, sha256) values ($1, $2)', [name, sha]);
      return true;
    });
    if (fresh) applied.push(name);
  }
  return applied;
}
