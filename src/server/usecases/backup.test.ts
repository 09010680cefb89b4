/**
 * A backup taken, everything deleted, restored, and compared table by table; on the real database, with its own tools.
 */

import { randomUUID } from 'node:crypto';
import { existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Client } from 'pg';

import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { countRow, rowsFrom } from '../db/rows';
import { loadHouse } from '../queries/house';
import {
  backups,
  copyOut,
  copyState,
  differing,
  digestOf,
  isBackupName,
  keepSoMany,
  nightlyIsDue,
  takeBackup,
} from './backup';
import { loadDemo } from './demo';
import { clearDemo, kitchenState } from './look-around';
import { checkRecords, recordsFacts } from './records';
import { restore } from './restore';

let folder = '';
beforeAll(async () => {
  await ownDatabase('backup_kitchen');
  folder = mkdtempSync(join(tmpdir(), 'even-crumb-backups-'));
  process.env.EVEN_CRUMB_BACKUPS = folder;
  await loadDemo();
});
afterAll(async () => {
  await closePool();
  rmSync(folder, { recursive: true, force: true });
});

const digest = async () => {
  const c = new Client({ connectionString: process.env.DATABASE_URL });
  await c.connect();
  const d = await digestOf(c);
  await c.end();
  return d;
};

test('taken, everything deleted, restored: every table is as it was, and no device is let in by it', async () => {
  await query("insert into gate.devices (id, name, token_hash) values ($1, 'Phone', sha256('a'))", [randomUUID()]);
  const before = await digest();
  expect(before.formula_versions?.rows).toBeGreaterThan(10);
  const b = await takeBackup('asked');
  expect(b.rows).toBe(Object.values(before).reduce((a, t) => a + t.rows, 0));
  await query('truncate formulas, sides, own_ingredients, own_measures, stock, kitchen, stock_counts cascade');
  expect(differing(before, await digest()).length).toBeGreaterThan(5);
  await closePool();
  expect(await restore(join(folder, b.file))).toEqual({ rows: b.rows, compared: true });
  expect(await query('select 1 from gate.devices')).toEqual([]);
  expect(differing(before, await digest())).toEqual([]);
  expect(await rowsFrom(countRow, 'select count(*)::int as n from batches where search = $1', ['nobody'])).toEqual([
    { n: 0 },
  ]);
});

test('one row more, one value changed, one table gone: each is told', async () => {
  const before = await digest();
  await query("insert into stock_counts (id, ingredient_id, counted_g) values ($1, 'honey', 5)", [randomUUID()]);
  expect(differing(before, await digest())).toEqual(['stock_counts']);
  await query("update sides set method = method || '!' where name = (select min(name) from sides)");
  expect(differing(before, await digest())).toEqual(['sides', 'stock_counts']);
  expect(differing(before, {})).toHaveLength(Object.keys(before).length);
});

test('half a file, no file, and what was changed since it was noted are refused, and what there is stays', async () => {
  const before = await digest();
  const b = await takeBackup('nightly');
  const path = join(folder, b.file);
  writeFileSync(`${path}.json`, JSON.stringify({ digest: { ...(await digest()), sides: { rows: 99, sum: '1' } } }));
  await closePool();
  await expect(restore(path)).rejects.toThrow(/differs .* in sides/);
  truncateSync(path, 2000);
  await expect(restore(path)).rejects.toThrow();
  await expect(restore(join(folder, 'none.dump'))).rejects.toThrow(/no file/);
  expect(differing(before, await digest())).toEqual([]);
  rmSync(path);
});

test('so many are kept, the newest; nothing half stays behind; names of others are none', async () => {
  await keepSoMany(2);
  const nightly = (await takeBackup('nightly')).file;
  const taken: string[] = [];
  for (let n = 0; n < 3; n++) taken.push((await takeBackup('asked')).file);
  // those that were asked for push out no nightly one
  expect(backups().map((b) => b.file)).toEqual([...taken.slice(1).reverse(), nightly]);
  expect(readdirSync(folder).filter((f) => f.endsWith('.half'))).toEqual([]);
  expect([isBackupName(taken[0] ?? ''), isBackupName('../../etc/passwd'), isBackupName('even-crumb-x.dump')]).toEqual([
    true,
    false,
    false,
  ]);
  expect(existsSync(join(folder, taken[0] ?? ''))).toBe(false);
});

test('each is copied to a second folder and read back there; a disk that is away is told, and caught up with', async () => {
  const other = join(folder, 'other-disk');
  process.env.EVEN_CRUMB_BACKUPS_COPY = other;
  try {
    // not mounted: it is taken all the same, and the folder is not made
    const first = await takeBackup('asked');
    expect(existsSync(other)).toBe(false);
    expect(copyState()).toEqual({
      place: other,
      isThere: false,
      trouble: 'there is no such folder: is its disk mounted?',
    });
    mkdirSync(other);
    await copyOut(folder, 2);
    expect(copyState()).toEqual({ place: other, isThere: true, trouble: null });
    const second = await takeBackup('asked');
    expect(backups(other).map((b) => b.file)).toEqual(backups().map((b) => b.file));
    expect(backups(other).map((b) => b.file)).toEqual(expect.arrayContaining([first.file, second.file]));
    expect(backups(other)[0]?.rows).toBe(second.rows);
    truncateSync(join(other, second.file), 100);
    expect(copyState()?.isThere).toBe(false);
    await copyOut(folder, 2);
    expect(copyState()?.isThere).toBe(true);
  } finally {
    delete process.env.EVEN_CRUMB_BACKUPS_COPY;
    rmSync(other, { recursive: true, force: true });
  }
  expect(copyState()).toBeNull();
});

test('the nightly one is due once a night', () => {
  const at = (day: number, h: number) => new Date(2026, 10, day, h, 0);
  expect(nightlyIsDue(at(24, 22), at(25, 2))).toBe(false);
  expect(nightlyIsDue(at(24, 22), at(25, 4))).toBe(true);
  expect(nightlyIsDue(at(25, 3), at(25, 20))).toBe(false);
  expect(nightlyIsDue(null, at(25, 20))).toBe(true);
  // the machine was off for a week
  expect(nightlyIsDue(at(18, 3), at(25, 1))).toBe(true);
});

test('the Records page knows size, place and versions; the check reads all of it and tells what can’t be read', async () => {
  const facts = await recordsFacts();
  expect(facts.bytes).toBeGreaterThan(1_000_000);
  expect(facts).toMatchObject({ keep: 2, backupPlace: folder, schema: expect.stringMatching(/^00\d\d_/) });
  expect(Math.abs(facts.clockOffMs)).toBeLessThan(60_000);
  expect((await checkRecords()).unreadable).toEqual([]);
  await query(
    "update formula_versions set settings = jsonb_set(settings, '{portionMl}', '\"a lot\"') where id = (select min(id::text)::uuid from formula_versions)",
  );
  const checked = await checkRecords();
  expect(checked.unreadable).toHaveLength(1);
  expect(checked.rows).toBeGreaterThan(100);
});

test('a demo is cleared away after a backup, with all that the kitchen had of its own; another kitchen is not', async () => {
  await query("delete from kitchen where key = 'started'");
  expect(await clearDemo()).toMatchObject({ ok: false });
  await query("insert into kitchen (key, value) values ('started', '{\"demo\": true}')");
  expect((await loadHouse()).conventions.own?.ingredients.length).toBeGreaterThan(0);
  const cleared = await clearDemo();
  expect(cleared).toMatchObject({ ok: true, file: backups()[0]?.file });
  expect(await kitchenState()).toEqual({ empty: true, demo: false, first: null });
  expect((await loadHouse()).conventions.own?.ingredients ?? []).toEqual([]);
  expect(await query('select 1 from stock_counts')).toEqual([]);
});
