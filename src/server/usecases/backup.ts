/**
 * Backups: PostgreSQL's own dump of everything, taken at one moment, and read back before it counts as one. A backup
 * that could not be read back is not kept as one.
 */
import { spawn } from 'node:child_process';
import { createHash, randomBytes } from 'node:crypto';
import {
  createReadStream,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs';
import { copyFile } from 'node:fs/promises';
import { join } from 'node:path';
import { pipeline } from 'node:stream/promises';
import type { Client } from 'pg';
import { z } from 'zod';
import { FRESH_KEEP, keepSchema } from '@/contract/records';
import { readStored } from '../db/json';
import { connectedTo, databaseNamed, query } from '../db/pool';
import { idRow, rowsFrom } from '../db/rows';
import { RecordsTrouble, toldApart } from '../db/trouble';
import { logLine } from '../log';

/** Why it was taken; it stands in the file's name. */
export const BACKUP_WHYS = ['asked', 'nightly', 'migration', 'restore'] as const;
type BackupWhy = (typeof BACKUP_WHYS)[number];

export interface Backup {
  readonly file: string;
  readonly at: Date;
  readonly why: BackupWhy;
  readonly bytes: number;
  /** Rows of every table, as they were read back. */
  readonly rows: number;
}

export class BackupFailed extends Error {
  override readonly name = 'BackupFailed';
}

const NAME =
  /^even-crumb-(\d{4})-(\d{2})-(\d{2})-(\d{2})(\d{2})(\d{2})(\d{3})-(asked|nightly|migration|restore)\.dump$/;
export const isBackupName = (file: string): boolean => NAME.test(file);

/** Where they are kept; null: nobody has said where (an own database, or a test). */
export const backupFolder = (): string | null => process.env.EVEN_CRUMB_BACKUPS ?? null;
/** Where each is copied to, on another disk or a mounted share; null: nowhere. */
const copyFolder = (): string | null => process.env.EVEN_CRUMB_BACKUPS_COPY || null;
/** One of PostgreSQL's own programs, of the server's version. */
export const bin = (program: string): string =>
  process.env.EVEN_CRUMB_PG_BIN ? join(process.env.EVEN_CRUMB_PG_BIN, program) : program;

const digestSchema = z.record(z.string(), z.object({ rows: z.number(), sum: z.string() }));
/** What is in a database: rows of each table, and a sum over them that no order changes. */
type Digest = Readonly<Record<string, { readonly rows: number; readonly sum: string }>>;

/** @param client in a transaction where all of it is of one moment */
export async function digestOf(client: Pick<Client, 'query'>): Promise<Digest> {
  const tables = await rowsFrom(
    z.object({ name: z.string() }),
    "select tablename as name from pg_tables where schemaname = 'public' order by tablename",
    [],
    client,
  );
  const out: Record<string, { rows: number; sum: string }> = {};
  for (const { name } of tables) {
    const r = await rowsFrom(
      z.object({ rows: z.string(), sum: z.string().nullable() }),
      `select count(*)::text as rows, sum(hashtextextended(t::text, 7)::numeric)::text as sum from public."${name.replaceAll('"', '""')}" t`,
      [],
      client,
    );
    out[name] = { rows: Number(r[0]?.rows ?? 0), sum: r[0]?.sum ?? '0' };
  }
  return out;
}

/** Tables in which two differ. */
export const differing = (a: Digest, b: Digest): readonly string[] =>
  [...new Set([...Object.keys(a), ...Object.keys(b)])]
    .filter((t) => a[t]?.rows !== b[t]?.rows || a[t]?.sum !== b[t]?.sum)
    .sort();

function run(program: string, args: readonly string[]): Promise<void> {
  return new Promise((done, fail) => {
    const child = spawn(bin(program), args, {
      stdio: ['ignore', 'ignore', 'pipe'],
      env: { ...process.env, LC_ALL: 'C.UTF-8' },
    });
    let words = '';
    child.stderr.on('data', (d: Buffer) => {
      words = (words + String(d)).slice(-2000);
    });
    child.once('error', (e) => fail(new BackupFailed(`${program} can’t be run (${e.message}).`)));
    child.once('exit', (code) =>
      code === 0 ? done() : fail(new BackupFailed(`${program}: ${words.trim().split('\n').pop() ?? code}`)),
    );
  });
}

/** Reads a dump back into a database of its own, and says what is in it. The database is gone again afterwards. */
async function readBack(file: string): Promise<Digest> {
  const scratch = `read_back_${randomBytes(6).toString('hex')}`;
  await connectedTo(databaseNamed('postgres'), (c) => c.query(`create database ${scratch}`));
  try {
    await run('pg_restore', ['--no-owner', '--exit-on-error', '-d', databaseNamed(scratch), file]);
    return await connectedTo(databaseNamed(scratch), digestOf);
  } finally {
    await connectedTo(databaseNamed('postgres'), (c) => c.query(`drop database if exists ${scratch} with (force)`));
  }
}

/** To the millisecond: two in one second are two. */
const stamp = (d: Date): string => d.toISOString().slice(0, 23).replace('T', '-').replaceAll(/[:.]/g, '');

// one at a time: the second waits for the first
let turn: Promise<unknown> = Promise.resolve();

/**
 * Takes a backup and reads it back.
 * @throws BackupFailed with a sentence that says why; nothing is left of what failed
 */
export function takeBackup(why: BackupWhy, folder = backupFolder()): Promise<Backup> {
  const mine = turn.then(() => toldApart(() => take(why, folder)));
  turn = mine.catch(() => {
    // told to whoever asked
  });
  return mine;
}

async function take(why: BackupWhy, folder: string | null): Promise<Backup> {
  if (!folder)
    throw new BackupFailed(
      'Nobody has said where backups go: start Even Crumb with npm start, or set EVEN_CRUMB_BACKUPS.',
    );
  mkdirSync(folder, { recursive: true });
  const at = new Date();
  const file = `even-crumb-${stamp(at)}-${why}.dump`;
  const path = join(folder, file);
  const half = `${path}.half`;
  try {
    const digest = await connectedTo(process.env.DATABASE_URL, async (client) => {
      await client.query('begin isolation level repeatable read read only');
      const snapshot = (await rowsFrom(idRow, 'select pg_export_snapshot() as id', [], client))[0]?.id ?? '';
      const [taken] = await Promise.all([
        digestOf(client),
        run('pg_dump', [
          '-Fc',
          '--no-owner',
          '--exclude-table-data=gate.*',
          `--snapshot=${snapshot}`,
          '-f',
          half,
          process.env.DATABASE_URL ?? '',
        ]),
      ]);
      return taken;
    });
    const wrong = differing(digest, await readBack(half));
    if (wrong.length > 0) throw new BackupFailed(`What was read back differs in ${wrong.join(', ')}: it is not kept.`);
    writeFileSync(`${path}.json`, JSON.stringify({ at, why, digest }));
    renameSync(half, path);
    const rows = Object.values(digest).reduce((a, t) => a + t.rows, 0);
    logLine('backup', { why, file, rows, ms: Date.now() - at.getTime() });
    const keep = await kept();
    prune(folder, keep);
    await copyOut(folder, keep);
    return { file, at, why, bytes: statSync(path).size, rows };
  } catch (e) {
    rmSync(half, { force: true });
    rmSync(`${path}.json`, { force: true });
    logLine('backup-failed', { why, said: e instanceof Error ? e.message : String(e) });
    if (/No space left|ENOSPC/i.test(String((e as Error | null)?.message)))
      throw new RecordsTrouble('full', 'backup', { cause: e });
    throw e;
  }
}

/** What a dump held when it was taken; null where nothing was written beside it. */
export function digestBeside(path: string): Digest | null {
  try {
    const beside = JSON.parse(readFileSync(`${path}.json`, 'utf8')) as { digest?: unknown };
    const read = digestSchema.safeParse(beside.digest);
    return read.success ? read.data : null;
  } catch {
    return null;
  }
}

/** The backups there are, the newest first. */
export function backups(folder = backupFolder()): readonly Backup[] {
  if (!folder || !existsSync(folder)) return [];
  return readdirSync(folder)
    .flatMap((file): Backup[] => {
      const m = NAME.exec(file);
      if (!m) return [];
      const at = new Date(`${m[1]}-${m[2]}-${m[3]}T${m[4]}:${m[5]}:${m[6]}.${m[7]}Z`);
      const digest = digestBeside(join(folder, file));
      const rows = Object.values(digest ?? {}).reduce((a, t) => a + t.rows, 0);
      return [{ file, at, why: m[8] as BackupWhy, bytes: statSync(join(folder, file)).size, rows }];
    })
    .sort((a, b) => b.at.getTime() - a.at.getTime());
}

/** How many backups the house keeps. */
export async function kept(): Promise<number> {
  const rows = await rowsFrom(z.object({ value: z.unknown() }), "select value from kitchen where key = 'backups'");
  return readStored(
    { at: 'kitchen.backups', called: 'how many backups are kept', schema: keepSchema, fresh: FRESH_KEEP },
    rows[0]?.value ?? FRESH_KEEP,
  ).value;
}

export const keepSoMany = (n: number): Promise<unknown> =>
  query(
    "insert into kitchen (key, value) values ('backups', $1) on conflict (key) do update set value = excluded.value",
    [JSON.stringify(n)],
  );

/** Takes the oldest away, so that so many stay; those that were asked for push out none that came by themselves. */
function prune(folder: string, keep: number): void {
  const all = backups(folder);
  for (const isAsked of [true, false])
    for (const b of all.filter((x) => (x.why === 'asked') === isAsked).slice(keep)) {
      rmSync(join(folder, b.file), { force: true });
      rmSync(join(folder, `${b.file}.json`), { force: true });
    }
}

const sumOf = async (path: string): Promise<string> => {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
};

/** Why the last copying failed; null: it did not. */
let copyTrouble: string | null = null;

/**
 * Copies what is not there yet to the second folder, and reads each copy back. A folder that is not there is not made:
 * it may be a disk that is not mounted. What goes wrong is told on the Records page, and keeps no backup from being one.
 */
export async function copyOut(folder: string, keep: number): Promise<void> {
  const to = copyFolder();
  if (!to) return;
  try {
    if (!existsSync(to)) throw new Error('there is no such folder: is its disk mounted?');
    const there = new Set(backups(to).map((b) => `${b.file} ${b.bytes}`));
    for (const { file, bytes } of backups(folder)) {
      if (there.has(`${file} ${bytes}`)) continue;
      const half = join(to, `${file}.half`);
      await copyFile(join(folder, file), half);
      if ((await sumOf(half)) !== (await sumOf(join(folder, file)))) {
        rmSync(half, { force: true });
        throw new Error('what was read back there differs');
      }
      if (existsSync(join(folder, `${file}.json`)))
        await copyFile(join(folder, `${file}.json`), join(to, `${file}.json`));
      renameSync(half, join(/*turbopackIgnore: true*/ to, file));
    }
    prune(to, keep);
    copyTrouble = null;
  } catch (e) {
    copyTrouble = e instanceof Error ? e.message : String(e);
    logLine('backup-copy-failed', { said: copyTrouble });
  }
}

/** Where the copies go, and whether the newest backup is there; null: nowhere. */
export function copyState(
  folder = backupFolder(),
): { readonly place: string; readonly isThere: boolean; readonly trouble: string | null } | null {
  const place = copyFolder();
  if (!place) return null;
  const newest = backups(folder)[0];
  const isThere =
    newest === undefined || backups(place).some((b) => b.file === newest.file && b.bytes === newest.bytes);
  return { place, isThere, trouble: isThere ? null : copyTrouble };
}

const HOUR = 3_600_000;
/** The nightly one is due from this hour on, by the server's clock; at the latest a day after the last. */
const NIGHT_HOUR = 3;

export function nightlyIsDue(last: Date | null, now: Date): boolean {
  const night = new Date(now);
  night.setHours(NIGHT_HOUR, 0, 0, 0);
  if (night > now) night.setDate(night.getDate() - 1);
  return last === null ? now.getTime() - night.getTime() < 24 * HOUR : last < night;
}

/** Looks now and then whether a backup is due, as long as the app runs. */
export function keepNightly(): void {
  const look = async (): Promise<void> => {
    const folder = backupFolder();
    if (!folder) return;
    const last = backups(folder)[0]?.at ?? null;
    if (nightlyIsDue(last, new Date())) await takeBackup('nightly', folder);
    // a disk that was away is back
    else await copyOut(folder, await kept());
  };
  const timer = setInterval(() => {
    // it is in the log, and tried again at the next look
    look().catch(() => {});
  }, HOUR / 4);
  timer.unref();
}
