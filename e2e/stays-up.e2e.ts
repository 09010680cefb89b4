/**
 * The start command itself: what ends is begun again, what is frozen is found, what can't work says so in a sentence.
 */
import { type ChildProcess, execFileSync, spawn } from 'node:child_process';
import { chmodSync, mkdirSync, mkdtempSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '@playwright/test';
import { LIMITS } from '../scripts/limits.mjs';
import { freePort } from './free-port';

const root = process.getuid?.() === 0;

interface Run {
  readonly child: ChildProcess;
  readonly said: () => string;
  readonly ended: Promise<number | null>;
}

function start(folder: string, port: number): Run {
  const { DATABASE_URL: _, EVEN_CRUMB_BACKUPS: __, EVEN_CRUMB_PG_BIN: ___, NODE_OPTIONS: ____, ...env } = process.env;
  const child = spawn(process.execPath, ['scripts/start.mjs', '--empty'], {
    env: { ...env, PORT: String(port), EVEN_CRUMB_DATA: folder, NODE_ENV: 'production' },
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  let said = '';
  const hear = (d: Buffer): void => {
    said += String(d);
  };
  child.stdout?.on('data', hear);
  child.stderr?.on('data', hear);
  return { child, said: () => said, ended: new Promise((r) => child.once('exit', r)) };
}

const childrenNamed = (of: number, name: string): readonly number[] =>
  execFileSync('ps', ['--ppid', String(of), '-o', 'pid=,args='], { encoding: 'utf8' })
    .split('\n')
    .filter((l) => l.includes(name))
    .map((l) => Number(l.trim().split(/\s+/)[0]));

test('database and server come back by themselves; a frozen database is found; one lock, one major, one sentence each', async () => {
  const folder = mkdtempSync(join(root ? '/var/tmp' : tmpdir(), 'even-crumb-up-'));
  chmodSync(folder, 0o711);
  const port = await freePort();
  const health = (): Promise<number> =>
    fetch(`http://127.0.0.1:${port}/api/health`).then(
      (r) => r.status,
      () => 0,
    );
  // a lock that a killed run left half written
  mkdirSync(join(folder, 'postgres'), { recursive: true });
  writeFileSync(join(folder, 'postgres/owner'), 'nobody');
  const run = start(folder, port);
  try {
    const pid = run.child.pid ?? 0;
    await expect.poll(run.said, { timeout: LIMITS.serverStartMs }).toContain('ready; Ctrl-C stops it');
    expect(run.said()).toContain('a lock without an owner stood in the data folder: taken over');
    const only = (name: string): number => {
      const [one] = childrenNamed(pid, name);
      if (one === undefined) throw new Error(`no ${name} runs`);
      return one;
    };
    // the web server is not root's
    if (root) expect(statSync(`/proc/${only('next-server')}`).uid).not.toBe(0);
    for (const name of ['postgres', 'next-server', 'postgres']) {
      const was = only(name);
      process.kill(was, 'SIGKILL');
      await expect.poll(() => childrenNamed(pid, name).filter((p) => p !== was).length).toBe(1);
      await expect.poll(health).toBe(200);
    }
    expect(run.said()).toMatch(/"event":"the database-ended".*\n[\s\S]*"event":"the database-back"/);
    // frozen, not gone: told as away, on a page too, and it goes on when it thaws
    const postmaster = only('postgres');
    const all = [postmaster, ...childrenNamed(postmaster, 'postgres')];
    for (const p of all) process.kill(p, 'SIGSTOP');
    expect(await health()).toBe(503);
    expect(await (await fetch(`http://127.0.0.1:${port}/log`)).text()).toContain('records are out of reach');
    for (const p of all) process.kill(p, 'SIGCONT');
    await expect.poll(health).toBe(200);
    // the same folder twice
    const second = start(folder, await freePort());
    expect(await second.ended).toBe(1);
    expect(second.said()).toContain(`Even Crumb already runs on this data folder (process ${pid})`);
    expect(await health()).toBe(200);
  } finally {
    run.child.kill('SIGTERM');
    expect(await run.ended).toBe(0);
  }
  // records of another major version of PostgreSQL, which is nowhere to be had
  const version = join(folder, 'postgres/data/PG_VERSION');
  const was = readFileSync(version, 'utf8');
  writeFileSync(version, '7\n');
  const other = start(folder, port);
  expect(await other.ended).toBe(1);
  expect(other.said()).toMatch(
    /was made by PostgreSQL 7, and only [\d, ]+ is installed here\. Install that one .* or bring a backup/,
  );
  writeFileSync(version, was);
  rmSync(folder, { recursive: true, force: true });
});
