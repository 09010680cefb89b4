// The built app and who serves it: under root the web server runs as another user, from a place that user can read.
import { spawnSync } from 'node:child_process';
import { createHash } from 'node:crypto';
import {
  chmodSync,
  chownSync,
  cpSync,
  existsSync,
  lstatSync,
  mkdirSync,
  readFileSync,
  rmSync,
  symlinkSync,
  writeFileSync,
} from 'node:fs';
import { join, resolve } from 'node:path';
import { ensureBuild, isRoot, ROOT, say, tied } from './lib.mjs';

/** What the environment says of this start. */
export const settings = () => ({
  port: Number(process.env.PORT ?? 4310),
  dataFolder: resolve(ROOT, process.env.EVEN_CRUMB_DATA ?? '.data'),
  ownDatabase: process.env.DATABASE_URL === undefined,
});

const SYSTEM_APP = '/var/lib/even-crumb/app';

/** Whom the web server runs as, where root starts it; null: whoever starts it. */
function servingUser() {
  if (!isRoot) return null;
  for (const name of ['postgres', 'nobody']) {
    const ids = ['-u', '-g'].map((flag) => spawnSync('id', [flag, name], { encoding: 'utf8' }));
    if (ids.every((r) => r.status === 0)) return { name, uid: Number(ids[0].stdout), gid: Number(ids[1].stdout) };
  }
  return null;
}

const canRead = (user, path) =>
  user === null || spawnSync('test', ['-r', path], { uid: user.uid, gid: user.gid }).status === 0;

const BUILD_ID = join(ROOT, '.next/BUILD_ID');
/** The place the app is served from: here, or a copy where the serving user can't read here. */
const placed = () => join(SYSTEM_APP, createHash('sha256').update(ROOT).digest('hex').slice(0, 12));
const needsCopy = (user) =>
  !canRead(user, join(ROOT, 'package.json')) || (existsSync(BUILD_ID) && !canRead(user, BUILD_ID));

/** Builds, and copies the build where the serving user can't read it in its own place. */
export async function prepareApp({ dev }) {
  if (dev) return;
  const user = servingUser();
  // the copy is small: a build that carries what it needs with it
  await ensureBuild({ standalone: needsCopy(user) });
  if (!needsCopy(user)) return;
  await ensureBuild({ standalone: true });
  const from = join(ROOT, '.next/standalone');
  const to = placed();
  const id = readFileSync(BUILD_ID, 'utf8');
  const stamp = join(to, 'copied');
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === id) return;
  say(`${user?.name} can't read ${ROOT}; the app is served from a copy in ${to}`);
  rmSync(to, { recursive: true, force: true });
  mkdirSync(to, { recursive: true });
  cpSync(from, to, { recursive: true, verbatimSymlinks: true });
  cpSync(join(ROOT, '.next/static'), join(to, '.next/static'), { recursive: true });
  cpSync(join(ROOT, 'public'), join(to, 'public'), { recursive: true });
  spawnSync('chmod', ['-R', 'a+rX', SYSTEM_APP]);
  writeFileSync(stamp, id);
}

/** How the web server is started. */
export async function serverFor({ dev, port }) {
  const user = dev ? null : servingUser();
  const as = user ? [`--reuid=${user.uid}`, `--regid=${user.gid}`, '--clear-groups'] : [];
  const copied = !dev && needsCopy(user);
  const next = join(ROOT, 'node_modules/next/dist/bin/next');
  const app = copied
    ? [join(placed(), 'server.js')]
    : [next, dev ? 'dev' : 'start', '-H', '127.0.0.1', '-p', String(port)];
  const [command, args] = tied(process.execPath, app, as);
  return { command, args, cwd: copied ? placed() : ROOT, user };
}

/** How the kitchen's door is started: as the web server's user, for it listens to the network. */
export async function doorFor() {
  const user = servingUser();
  const as = user ? [`--reuid=${user.uid}`, `--regid=${user.gid}`, '--clear-groups'] : [];
  const cwd = needsCopy(user) ? placed() : ROOT;
  const script = join(cwd, 'scripts/listener.mjs');
  if (needsCopy(user)) {
    mkdirSync(join(cwd, 'scripts'), { recursive: true });
    for (const part of ['listener.mjs', 'per-client.mjs']) {
      cpSync(join(ROOT, 'scripts', part), join(cwd, 'scripts', part));
      chmodSync(join(cwd, 'scripts', part), 0o644);
    }
  }
  const [command, args] = tied(process.execPath, [script], as);
  return { command, args, cwd, user };
}

/** Where backups stand: in the data folder, or beside a cluster that had to stand elsewhere, linked from there. */
export function backupFolder(database) {
  if (process.env.EVEN_CRUMB_BACKUPS) return resolve(process.env.EVEN_CRUMB_BACKUPS);
  const linked = join(settings().dataFolder, 'backups');
  if (!database?.elsewhere) return linked;
  const real = join(database.folder, 'backups');
  if (!existsSync(linked)) {
    mkdirSync(real, { recursive: true });
    symlinkSync(real, linked);
  } else if (!lstatSync(linked).isSymbolicLink()) return linked;
  return real;
}

/** What the web server and the set-up are told by their environment. */
export function serverEnv({ url, dev, port, database, user = servingUser() }) {
  const backups = backupFolder(database);
  mkdirSync(backups, { recursive: true });
  // who serves takes the nightly one
  if (user) chownSync(backups, user.uid, user.gid);
  chmodSync(backups, 0o750);
  return {
    ...process.env,
    DATABASE_URL: url,
    NEXT_TELEMETRY_DISABLED: '1',
    NODE_ENV: dev ? 'development' : 'production',
    HOSTNAME: '127.0.0.1',
    PORT: String(port),
    EVEN_CRUMB_BACKUPS: backups,
    ...(process.env.EVEN_CRUMB_BACKUPS_COPY && {
      EVEN_CRUMB_BACKUPS_COPY: resolve(process.env.EVEN_CRUMB_BACKUPS_COPY),
    }),
    EVEN_CRUMB_PLACE: database?.folder ?? '',
    ...(database && { EVEN_CRUMB_PG_BIN: database.bin }),
    ...(user && { HOME: '/' }),
  };
}
