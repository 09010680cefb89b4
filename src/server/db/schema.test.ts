/**
 * Laws of the schema, asked of the database itself: keys have indexes, and the page of what is stored names its tables.
 */

import { readFileSync } from 'node:fs';
import { z } from 'zod';
import { ownDatabase } from './own-database';
import { closePool, query } from './pool';
import { idRow, rowsFrom } from './rows';

beforeAll(() => ownDatabase('schema_laws'));
afterAll(closePool);

test('every key to another table has an index that begins with its columns', async () => {
  const bare = await rowsFrom(
    z.object({ table: z.string(), key: z.string() }),
    `select c.conrelid::regclass::text as "table", c.conname as key from pg_constraint c
      where c.contype = 'f' and c.connamespace = 'public'::regnamespace and not exists (
        select 1 from pg_index i where i.indrelid = c.conrelid and (i.indkey::int2[])[0:array_length(c.conkey, 1) - 1] @> c.conkey)`,
  );
  expect(bare).toEqual([]);
  const keys = await query("select 1 from pg_constraint where contype = 'f' and connamespace = 'public'::regnamespace");
  expect(keys.length).toBeGreaterThan(25);
});

test('the best batch of a formula is a batch: another is refused', async () => {
  const [f] = await rowsFrom(idRow, 'insert into formulas default values returning id');
  const set = (batch: string) => query(`update formulas set best_batch_id = ${batch} where id = $1`, [f?.id]);
  await expect(set('gen_random_uuid()')).rejects.toMatchObject({ kind: 'unkeepable' });
  await expect(set('null')).resolves.toEqual([]);
});

test('docs/data.md names each table that there is, and none that is not', async () => {
  const there = await rowsFrom(
    z.object({ name: z.string() }),
    "select table_name as name from information_schema.tables where table_schema = 'public' and table_type = 'BASE TABLE' and table_name <> 'schema_migrations'",
  );
  const text = readFileSync('docs/data.md', 'utf8');
  const rows = text.slice(0, text.indexOf('## JSON columns')).matchAll(/^\| ((?:`[a-z_]+`(?:, )?)+) \|/gm);
  const named = [...rows].flatMap((m) => [...(m[1] ?? '').matchAll(/`([a-z_]+)`/g)].map((x) => x[1]));
  expect([...named].sort()).toEqual(there.map((t) => t.name).sort());
});
