/**
 * Brings a backup back: into a database beside the one there is, read whole and compared with what was noted when it
 * was taken, and only then put in its place.
 *   node --import tsx src/server/usecases/restore.ts FILE
 */
import { spawnSync } from 'node:child_process';
import { existsSync } from 'node:fs';
import type { Client } from 'pg';
import { unknownTo } from '../db/migrate';
import { closePool, connectedTo, databaseNamed } from '../db/pool';
import { bin, differing, digestBeside, digestOf } from './backup';

const on = <T>(name: string, work: (c: Client) => Promise<T>): Promise<T> => connectedTo(databaseNamed(name), work);

/** @throws with a sentence that says why; what was there before is then as it was */
export async function restore(file: string): Promise<{ readonly rows: number; readonly compared: boolean }> {
  if (!existsSync(file)) throw new Error(`There is no file ${file}.`);
  const list = spawnSync(bin('pg_restore'), ['--list', file], { encoding: 'utf8' });
  if (list.status !== 0)
    throw new Error(
      `${file} is no backup of Even Crumb, or only a part of one: ${(list.stderr || 'it can’t be read').trim().split('\n')[0]}`,
    );
  const own = new URL(process.env.DATABASE_URL ?? '').pathname.slice(1);
  const fresh = `${own}_restored`;
  await on('postgres', async (c) => {
    await c.query(`drop database if exists "${fresh}" with (force)`);
    await c.query(`create database "${fresh}"`);
  });
  try {
    const r = spawnSync(bin('pg_restore'), ['--no-owner', '--exit-on-error', '-d', databaseNamed(fresh), file], {
      encoding: 'utf8',
    });
    if (r.status !== 0) throw new Error(`It could not be brought back: ${r.stderr.trim().split('\n').pop()}`);
    const { digest, newer } = await on(fresh, async (c) => ({ digest: await digestOf(c), newer: await unknownTo(c) }));
    if (newer.length > 0)
      throw new Error(`That backup was made by a newer Even Crumb (${newer.join(', ')}): restore it with that one.`);
    const noted = digestBeside(file);
    const wrong = noted ? differing(noted, digest) : [];
    if (wrong.length > 0)
      throw new Error(`What came back differs from what was noted when it was taken, in ${wrong.join(', ')}.`);
    await on('postgres', async (c) => {
      await c.query(`drop database if exists "${own}" with (force)`);
      await c.query(`alter database "${fresh}" rename to "${own}"`);
    });
    return { rows: Object.values(digest).reduce((a, t) => a + t.rows, 0), compared: noted !== null };
  } catch (e) {
    await on('postgres', (c) => c.query(`drop database if exists "${fresh}" with (force)`));
    throw e;
  }
}

async function main(): Promise<void> {
  const r = await restore(process.argv[2] ?? '');
  console.log(
    `          restored ${r.rows} rows${r.compared ? ', compared table by table with what was noted when it was taken' : ''}`,
  );
}

if (process.argv[1]?.endsWith('restore.ts'))
  main()
    .catch((e: unknown) => {
      console.error(e instanceof Error ? e.message : e);
      process.exitCode = 1;
    })
    .finally(closePool);
