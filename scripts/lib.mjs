// What start and test share: saying what happens, running a step, and bringing a machine to where the app can run.
// Plain Node, no dependencies: these run before `npm ci`.
import { spawn, spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join, relative, resolve } from 'node:path';
import { fileURLToPath } from 'node:url';
import { LIMITS } from './limits.mjs';

export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '..');
export const isRoot = process.getuid?.() === 0;

/** A failure that is told in one line, without a stack. */
export class Told extends Error {}

/** What went wrong, as one sentence where it is one that is known, else with all there is to know. */
export function wordsFor(e) {
  if (e instanceof Told) return e.message;
  if (e?.code === 'ENOSPC')
    return `The disk is full (writing ${e.path ?? 'a file'}). Make room, then start again; nothing that was saved is lost.`;
  if (e?.code === 'EACCES' || e?.code === 'EROFS')
    return `${e.path ?? 'A file'} can't be written: check its permissions.`;
  return String(e?.stack ?? e);
}

const started = Date.now();
export const say = (text) =>
  process.stdout.write(`${((Date.now() - started) / 1000).toFixed(1).padStart(6)} s  ${text}\n`);

const children = new Set();

/**
 * Runs a command to its end. Its output is shown only when it fails, unless `loud`. Returns its exit code.
 * @param mostMs what has not ended by then hangs: that is said, and it is ended
 */
export function run(command, args, { env = {}, loud = false, cwd = ROOT, mostMs = 0 } = {}) {
  return new Promise((done, fail) => {
    const child = spawn(command, args, {
      cwd,
      env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1', ...env },
      stdio: ['ignore', loud ? 'inherit' : 'pipe', loud ? 'inherit' : 'pipe'],
    });
    children.add(child);
    let output = '';
    child.stdout?.on('data', (d) => (output = (output + d).slice(-20_000)));
    child.stderr?.on('data', (d) => (output = (output + d).slice(-20_000)));
    child.once('error', fail);
    let hangs = false;
    const watchdog =
      mostMs > 0 &&
      setTimeout(() => {
        hangs = true;
        say(`${args.slice(0, 2).join(' ')} hangs: not over after ${Math.round(mostMs / 60_000)} minutes. Ended.`);
        child.kill('SIGTERM');
      }, mostMs);
    child.once('exit', (code, signal) => {
      clearTimeout(watchdog);
      children.delete(child);
      if (code !== 0 && !loud && output && (!signal || hangs)) process.stdout.write(`${output.trimEnd()}\n`);
      done(code ?? 128);
    });
  });
}

/** Ends whatever `run` has under way. */
export function endChildren() {
  for (const child of children) child.kill('SIGTERM');
}

/** Keeps a child from outliving this process, even when this process is killed with -9. */
const hasSetpriv = spawnSync('setpriv', ['--pdeathsig', 'TERM', 'true']).status === 0;
export const tied = (command, args, as = []) =>
  hasSetpriv ? ['setpriv', [...as, '--pdeathsig', 'TERM', command, ...args]] : [command, args];

/** A line in the server's log. */
export const logged = (event, facts = {}) =>
  process.stderr.write(`${JSON.stringify({ at: new Date().toISOString(), event, ...facts })}\n`);

const NEEDS = {
  postgres: {
    packages: ['postgresql-15'],
    there: () =>
      existsSync('/usr/lib/postgresql') &&
      readdirSync('/usr/lib/postgresql').some((v) => existsSync(`/usr/lib/postgresql/${v}/bin/initdb`)),
  },
  chromium: {
    packages: ['chromium-headless-shell'],
    there: () => ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium'].some((p) => existsSync(p)),
  },
};

/** What is needed under a name; `postgres-14` is the server of one major version. */
const needOf = (name) => {
  const major = /^postgres-(\d+)$/.exec(name)?.[1];
  return major
    ? { packages: [`postgresql-${major}`], there: () => existsSync(`/usr/lib/postgresql/${major}/bin/initdb`) }
    : NEEDS[name];
};

/** Installs Debian packages that are missing, or says the exact command. */
export async function ensurePackages(names) {
  const missing = names.filter((n) => !needOf(n).there()).flatMap((n) => needOf(n).packages);
  if (missing.length === 0) return;
  const command = `apt-get install -y --no-install-recommends ${missing.join(' ')}`;
  if (!isRoot || spawnSync('which', ['apt-get']).status !== 0)
    throw new Told(`Missing on this machine: ${missing.join(', ')}. Install with: sudo ${command}`);
  say(`installing ${missing.join(', ')}`);
  // the package would make and start a cluster of its own; ours lives in the data folder
  if (missing.some((m) => m.startsWith('postgresql-')) && !existsSync('/etc/postgresql-common/createcluster.conf')) {
    mkdirSync('/etc/postgresql-common', { recursive: true });
    writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n');
  }
  const env = { DEBIAN_FRONTEND: 'noninteractive' };
  if ((await run('apt-get', ['update', '-qq'], { env })) !== 0)
    throw new Told('apt-get update failed: is the package mirror reachable?');
  if (
    (await run(
      'apt-get',
      ['install', '-y', '-qq', '--no-install-recommends', '-o', 'Dpkg::Options::=--force-confold', ...missing],
      { env },
    )) !== 0
  )
    throw new Told(`Could not install ${missing.join(', ')}. Try: ${command}`);
}

function filesUnder(dir) {
  const out = [];
  for (const e of readdirSync(dir, { withFileTypes: true })) {
    const p = join(dir, e.name);
    if (e.isDirectory()) out.push(...filesUnder(p));
    else if (!/\.test\.tsx?$/.test(e.name)) out.push(p);
  }
  return out;
}

/** A fingerprint of files and folders, to tell whether a step has to be done again. */
function fingerprint(paths) {
  const hash = createHash('sha256').update(process.version);
  for (const p of paths) {
    const full = join(ROOT, p);
    if (!existsSync(full)) continue;
    const files = statSync(full).isDirectory() ? filesUnder(full).sort() : [full];
    for (const f of files) hash.update(relative(ROOT, f)).update(readFileSync(f));
  }
  return hash.digest('hex');
}

const stampIs = (file, value) => existsSync(file) && readFileSync(file, 'utf8') === value;

/** `npm ci`, when the lock file has changed since the last one. */
export async function ensureModules() {
  const stamp = join(ROOT, 'node_modules/.even-crumb-lock');
  const want = fingerprint(['package-lock.json']);
  if (stampIs(stamp, want)) return;
  say('installing npm packages');
  if ((await run('npm', ['ci', '--no-audit', '--no-fund'])) !== 0)
    throw new Told('npm ci failed (its own words are above).');
  writeFileSync(stamp, want);
}

/** The production build, when what it is made from has changed. */
export async function ensureBuild({ standalone = false } = {}) {
  const stamp = join(ROOT, '.next/even-crumb-build');
  const want = fingerprint(['src', 'package-lock.json', 'next.config.ts', 'postcss.config.mjs', 'tsconfig.json']);
  const whole = !standalone || existsSync(join(ROOT, '.next/standalone/server.js'));
  if (existsSync(join(ROOT, '.next/BUILD_ID')) && whole && stampIs(stamp, want)) return;
  say('building (a minute the first time)');
  const env = standalone ? { EVEN_CRUMB_STANDALONE: '1' } : {};
  if ((await run(process.execPath, ['node_modules/next/dist/bin/next', 'build'], { env })) !== 0)
    throw new Told('The build failed (its own words are above).');
  writeFileSync(stamp, want);
}

/** Whether a port on loopback can be listened on; 0 asks for any free one. Returns the port or null. */
export function freePort(port = 0) {
  return new Promise((done) => {
    const s = createServer();
    s.once('error', () => done(null));
    s.listen(port, '127.0.0.1', () => {
      const got = s.address().port;
      s.close(() => done(got));
    });
  });
}

/** Waits until an address answers 200 (or anything at all), or says what the last answer was. */
export async function answers(
  url,
  { seconds = LIMITS.serverStartMs / 1000, alive = () => true, anyStatus = false } = {},
) {
  let last = 'no answer';
  for (let i = 0; i < seconds * 10; i++) {
    if (!alive()) throw new Told('The server ended before it answered.');
    try {
      const r = await fetch(url);
      // a full disk is told on the screens: what is kept can still be read
      if (r.ok || r.status === 507 || anyStatus) return;
      last = `status ${r.status}`;
    } catch (e) {
      last = e.cause?.code ?? e.message;
    }
    await new Promise((r) => setTimeout(r, 100));
  }
  throw new Told(`${url} did not answer in ${seconds} s (${last}).`);
}
