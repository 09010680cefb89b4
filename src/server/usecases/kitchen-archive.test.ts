/**
 * The whole kitchen out and back, on the real database: every table the same, and nothing changed by what is no
 * kitchen.
 */

import { createHash } from 'node:crypto';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import sharp from 'sharp';
import { z } from 'zod';
import { manifestSchema } from '@/contract/archive';
import { databaseAt, ownDatabase } from '../db/own-database';
import { closePool, connectedTo, query, unhurried } from '../db/pool';
import { idRow, rowsFrom } from '../db/rows';
import { keepPhoto } from '../queries/photos';
import { differing, digestOf } from './backup';
import { loadDemo } from './demo';
import { kitchenArchive, readKitchenBack } from './kitchen-archive';
import { kitchenState } from './look-around';
import { copiesOf } from './photo-copies';

let archive: Uint8Array;
beforeAll(async () => {
  await ownDatabase('whole_kitchen');
  await loadDemo();
  // a picture goes with it
  const batch = (await rowsFrom(idRow, 'select id from batches order by started_at limit 1'))[0]?.id;
  const copies = await copiesOf(
    await sharp({ create: { width: 640, height: 480, channels: 3, background: '#c08a3e' } })
      .png()
      .toBuffer(),
    true,
  );
  if (!copies.ok) throw new Error(copies.says);
  const put = await keepPhoto({ batch, shows: 'face', original: '1' }, copies.value);
  if (!put.ok) throw new Error(put.message);
  archive = await kitchenArchive();
});
afterAll(closePool);

/** Its files, with some changed. */
const changed = (change: (files: Record<string, Uint8Array>) => void): Uint8Array => {
  const files = { ...unzipSync(archive) };
  change(files);
  return zipSync(files);
};
const said = async (bytes: Uint8Array): Promise<string> => {
  const r = await readKitchenBack(bytes);
  return r.ok ? 'taken' : r.message;
};

test('what is in it says what it is, and describes every column of every table', () => {
  const files = unzipSync(archive);
  const manifest = manifestSchema.parse(JSON.parse(strFromU8(files['manifest.json'] ?? new Uint8Array())));
  const schema = JSON.parse(strFromU8(files['schema.json'] ?? new Uint8Array())) as {
    $defs: Record<string, { items: { properties: Record<string, unknown> } }>;
  };
  expect(Object.keys(manifest.tables).sort()).toEqual(Object.keys(schema.$defs).sort());
  expect(manifest.tables.formulas?.rows).toBeGreaterThan(5);
  expect(Object.keys(manifest.pictures).map((f) => f.slice(-12).replace(/^.*-/, ''))).toEqual([
    'large.jpg',
    'original.jpg',
    'small.jpg',
  ]);
  for (const f of Object.keys(manifest.pictures)) expect([...(files[f] ?? [])].slice(0, 2)).toEqual([0xff, 0xd8]);
  for (const t of Object.keys(manifest.tables)) {
    const rows = JSON.parse(strFromU8(files[`tables/${t}.json`] ?? new Uint8Array())) as Record<string, unknown>[];
    expect(rows).toHaveLength(manifest.tables[t]?.rows ?? -1);
    for (const r of rows.slice(0, 3))
      expect(Object.keys(r).sort()).toEqual(Object.keys(schema.$defs[t]?.items.properties ?? {}).sort());
  }
});

test('read back into an empty kitchen every table is the same, and the next row finds its number', async () => {
  await ownDatabase('read_back_kitchen');
  expect((await kitchenState()).empty).toBe(true);
  expect(await readKitchenBack(archive)).toMatchObject({ ok: true });
  const [was, is] = [await connectedTo(databaseAt('whole_kitchen'), digestOf), await unhurried(digestOf)];
  // the stamp of what is this kitchen's own is made anew, and migrations are this database's
  expect(differing(was, is)).toEqual(['kitchen', 'schema_migrations']);
  const stampless = (url: string) =>
    connectedTo(
      url,
      async (c) =>
        (await c.query('select key, value from kitchen where value::text !~ \'^"[0-9a-f-]{36}"$\' order by key')).rows,
    );
  expect(await stampless(databaseAt('read_back_kitchen'))).toEqual(await stampless(databaseAt('whole_kitchen')));
  // and it leaves again as it came
  const again = unzipSync(await kitchenArchive());
  for (const [file, bytes] of Object.entries(unzipSync(archive)))
    if (file.startsWith('pictures/')) expect(again[file]).toEqual(bytes);
    else if (file.startsWith('tables/') && file !== 'tables/kitchen.json')
      expect(strFromU8(again[file] ?? new Uint8Array())).toBe(strFromU8(bytes));
  const id = (await rowsFrom(idRow, 'insert into formulas default values returning id'))[0]?.id;
  expect(id).toBeDefined();
  const tap = await rowsFrom(
    z.object({ batch: z.string(), seq: z.string() }),
    'select batch_id as batch, max(seq)::text as seq from batch_taps group by 1 order by 2 desc limit 1',
  );
  const next = await rowsFrom(
    z.object({ n: z.string() }),
    "select nextval(pg_get_serial_sequence('batch_taps', 'seq'))::text as n",
  );
  expect(Number(next[0]?.n)).toBeGreaterThan(Number(tap[0]?.seq ?? 0));
  expect(await said(archive)).toContain('This kitchen is not empty');
});

test('what is no kitchen, or a broken one, is refused with words, and the empty kitchen stays as it was', async () => {
  await ownDatabase('refusing_kitchen');
  const before = await unhurried(digestOf);
  expect(await said(strToU8('hello'))).toBe('It is no zip file.');
  expect(await said(archive.slice(0, Math.floor(archive.length / 2)))).toContain('only a part of a zip file');
  expect(await said(zipSync({ 'readme.txt': strToU8('x') }))).toContain('no manifest.json');
  expect(await said(changed((f) => delete f['tables/stock.json']))).toBe('tables/stock.json is missing in it.');
  expect(await said(changed((f) => Object.assign(f, { 'tables/stock.json': strToU8('[]') })))).toBe(
    'tables/stock.json is not what it was when it was written.',
  );
  const manifest = (m: (of: Record<string, unknown>) => void) =>
    changed((f) => {
      const of = JSON.parse(strFromU8(f['manifest.json'] ?? new Uint8Array())) as Record<string, unknown>;
      m(of);
      Object.assign(f, { 'manifest.json': strToU8(JSON.stringify(of)) });
    });
  expect(await said(manifest((m) => Object.assign(m, { format: 'other' })))).toBe('It is no kitchen of Even Crumb.');
  expect(await said(manifest((m) => Object.assign(m, { version: 99 })))).toContain('a newer Even Crumb');
  expect(await said(manifest((m) => (m.migrations as string[]).push('0999_later.sql')))).toContain(
    'a newer Even Crumb',
  );
  // another table in its place, with its sum put right: rows that point to nobody
  type Row = Record<string, unknown>;
  const forged = (table: string, change: (rows: Row[]) => unknown[]) =>
    changed((f) => {
      const of = JSON.parse(strFromU8(f['manifest.json'] ?? new Uint8Array())) as {
        tables: Record<string, { rows: number; sha256: string }>;
      };
      const rows = change(JSON.parse(strFromU8(f[`tables/${table}.json`] ?? new Uint8Array())) as Row[]);
      const text = JSON.stringify(rows);
      of.tables[table] = { rows: rows.length, sha256: createHash('sha256').update(text).digest('hex') };
      Object.assign(f, { [`tables/${table}.json`]: strToU8(text), 'manifest.json': strToU8(JSON.stringify(of)) });
    });
  expect(await said(forged('formulas', () => []))).toMatch(/A row of \w+ points to one of formulas that is not in it/);
  // a fault in a table: which, where and why
  const second = (of: Row) => (rows: Row[]) => rows.map((r, n) => (n === 1 ? { ...r, ...of } : r));
  expect(await said(forged('batches', second({ started_at: 'last Sunday' })))).toMatch(
    /^tables\/batches\.json, row 2: .*last Sunday/,
  );
  expect(await said(forged('batches', second({ id: null })))).toMatch(/^tables\/batches\.json, row 2: .*"id"/);
  expect(await said(forged('formula_versions', () => ['not a row']))).toMatch(
    /^tables\/formula_versions\.json, row 1: /,
  );
  // a table that records of its age have, and photographs without their pictures
  const tableless = manifest((m) => {
    delete (m.tables as Row).lots;
  });
  expect(await said(tableless)).toBe('tables/lots.json is missing in it: records of that age have that table.');
  expect(await said(manifest((m) => Object.assign(m, { pictures: {} })))).toBe(
    'tables/photos.json names 1 photograph whose picture is not in it.',
  );
  expect(differing(before, await unhurried(digestOf))).toEqual([]);
});

test('a kitchen of an older age is brought up to date on its way in', async () => {
  await ownDatabase('old_kitchen', '0009');
  const [formulaId, versionId] = [crypto.randomUUID(), crypto.randomUUID()];
  await query('insert into formulas (id) values ($1)', [formulaId]);
  await query(
    `insert into formula_versions (id, formula_id, number, name, kind, school, conventions, lines) values ($1, $2, 1, 'Old cakes', 'griddle', 'even', '{}', '[{"key":"l1","text":"2 cups flour"},{"key":"l2","text":"2 eggs"}]')`,
    [versionId, formulaId],
  );
  const old = await kitchenArchive();
  await ownDatabase('new_kitchen');
  expect(await readKitchenBack(old)).toMatchObject({ ok: true });
  expect(await query('select id, name, newest from formulas')).toEqual([
    { id: formulaId, name: 'Old cakes', newest: 1 },
  ]);
});

const KEPT = join(__dirname, 'fixtures');
test.each(readdirSync(KEPT).filter((f) => f.endsWith('.zip')))('%s, kept from that version, is read', async (file) => {
  await ownDatabase(`kept_${file.replace(/\W+/g, '_')}`);
  expect(await readKitchenBack(readFileSync(join(KEPT, file)))).toMatchObject({ ok: true });
  const state = await kitchenState();
  expect(state.empty).toBe(false);
  expect(state.first?.name.length).toBeGreaterThan(0);
});
