// npm start: brings the machine, the packages, the build and the database up, then serves, and keeps both up.
//   npm start               with the demo kitchen, loaded once
//   npm start -- --empty    a blank kitchen (asked for the first time the data folder is used)
//   npm start -- --kitchen  open to paired devices of the local network too, over TLS
//   npm start -- --ask      this machine's own screen opens by an address with a key alone, printed at the start: whoever
//                           cooks at it uses the kitchen's address, paired and signed as on any device
//   npm run dev             the same with the development server
// PORT (4310), EVEN_CRUMB_DATA (.data), DATABASE_URL (an existing database instead of our own)
// with --kitchen: KITCHEN_PORT (4343), EVEN_CRUMB_HOSTS (more names it is reached by, with commas), TLS_CERT and TLS_KEY
// (a certificate of your own, as files, instead of the kitchen's)
// EVEN_CRUMB_PROXY (https://name): behind a proxy of your own on this machine, which speaks TLS and asks the door at
// http://127.0.0.1:KITCHEN_PORT; this machine's own screen then opens by an address with a key, printed at the start
import { spawn } from 'node:child_process';
import { randomBytes } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { doorFor, prepareApp, serverEnv, serverFor, settings } from './app.mjs';
import {
  answers,
  endChildren,
  ensureModules,
  ensurePackages,
  freePort,
  logged,
  run,
  say,
  Told,
  wordsFor,
} from './lib.mjs';
import { mbLeft, startPostgres } from './postgres.mjs';

const dev = process.argv.includes('--dev');
const empty = process.argv.includes('--empty');
const { port, dataFolder, ownDatabase } = settings();
/** The origin of a proxy of one's own; null: there is none. */
const behind = process.env.EVEN_CRUMB_PROXY ?? null;
const kitchen = process.argv.includes('--kitchen') || behind !== null;
const kitchenPort = Number(process.env.KITCHEN_PORT ?? 4343);
/** Between the door and the web server: made anew at each start, known to these two alone. */
const secret = randomBytes(32).toString('hex');
/** By which this machine's own screen is told apart from what a proxy might bring, which asks 127.0.0.1 too. */
const ownKey = behind !== null || process.argv.includes('--ask') ? randomBytes(24).toString('base64url') : null;

let database = null;
let server = null;
let door = null;
/** What makes certificates: fetched when the packages are there. */
let authority = null;
let stopping = false;

/** Ends a child, kindly first. */
async function end(child, kindMs) {
  if (!child || child.exitCode !== null || child.signalCode !== null) return;
  const gone = new Promise((r) => child.once('exit', r));
  child.kill('SIGTERM');
  const t = setTimeout(() => child.kill('SIGKILL'), kindMs);
  await gone;
  clearTimeout(t);
}

async function stop(code, words) {
  if (stopping) return;
  stopping = true;
  if (words) say(words);
  endChildren();
  await end(door, 2000);
  await end(server, 5000);
  await database?.stop();
  if (words) say('stopped');
  process.exit(code);
}
for (const s of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(s, () => void stop(0, 'stopping'));

const FIRST_PAUSE_MS = 500;
const MOST_PAUSE_MS = 15_000;
/** What has run so long was well: the next pause is a short one again. */
const WELL_MS = 5_000;

/**
 * Keeps something up: when it ends it is begun again, after a pause that grows while it keeps ending.
 * @param begin starts it; resolves, when it is up, to `{ gone }`, a promise of its last words
 */
async function keepUp(name, begin) {
  let pause = FIRST_PAUSE_MS;
  let { gone } = await begin();
  for (;;) {
    const since = Date.now();
    const words = await gone;
    if (stopping) return;
    if (Date.now() - since > WELL_MS) pause = FIRST_PAUSE_MS;
    for (;;) {
      logged(`${name}-ended`, { said: words || undefined, againInMs: pause });
      say(`${name} ended${words ? ` (${words})` : ''}: begun again in ${pause / 1000} s`);
      await new Promise((r) => setTimeout(r, pause));
      if (stopping) return;
      pause = Math.min(MOST_PAUSE_MS, pause * 2);
      try {
        ({ gone } = await begin());
        logged(`${name}-back`);
        say(`${name} is back`);
        break;
      } catch (e) {
        if (stopping) return;
        say(wordsFor(e));
      }
    }
  }
}

async function startDatabase() {
  database = await startPostgres(join(dataFolder, 'postgres'), { port: database?.port ?? null });
  return database;
}

/** What the web server is told of the door; nothing where it is shut. */
const doorEnv = () => ({
  ...(ownKey !== null && { EVEN_CRUMB_OWN_KEY: ownKey }),
  ...(kitchen && {
    EVEN_CRUMB_LISTENER: secret,
    EVEN_CRUMB_DOOR: JSON.stringify({
      port: kitchenPort,
      hosts: hostsNow().map(authority.inAddress),
      ...(behind !== null && { proxy: behind }),
    }),
  }),
});
const hostsNow = () => {
  const { names, addresses } = authority.hostsHere();
  return [...addresses, ...names];
};

/** Key and certificate for the names and addresses there are now: the kitchen's own, or what was given. */
async function certificateNow() {
  if (behind !== null) return { hosts: hostsNow() };
  const hosts = authority.hostsHere();
  const { TLS_CERT, TLS_KEY } = process.env;
  if (TLS_CERT && TLS_KEY) {
    const [chain, key] = [readFileSync(TLS_CERT, 'utf8'), readFileSync(TLS_KEY, 'utf8')];
    return { key, chain, authority: chain, hosts: hostsNow() };
  }
  return { ...(await authority.certificateIn(join(dataFolder, 'kitchen'), hosts)), hosts: hostsNow() };
}

/** So often the addresses and the certificate's end are looked at, ms. */
const LOOK_MS = 60_000;

async function startDoor(url) {
  const { command, args, cwd, user } = await doorFor();
  const child = spawn(command, args, {
    cwd,
    env: {
      PATH: process.env.PATH,
      NODE_ENV: 'production',
      DATABASE_URL: url,
      PORT: String(port),
      KITCHEN_PORT: String(kitchenPort),
      EVEN_CRUMB_LISTENER: secret,
      ...(behind !== null && { KITCHEN_PROXY: behind }),
      ...(process.env.KITCHEN_BIND && { KITCHEN_BIND: process.env.KITCHEN_BIND }),
      ...(user && { HOME: '/' }),
    },
    stdio: ['ignore', 'ignore', 'inherit', 'ipc'],
  });
  door = child;
  const gone = new Promise((r) => child.once('exit', (code, signal) => r(signal ?? `exit ${code}`)));
  let sent = '';
  const tell = async () => {
    const now = await certificateNow();
    const text = JSON.stringify(now);
    if (text === sent || !child.connected) return;
    sent = text;
    child.send(now);
  };
  const open = new Promise((r, no) => {
    child.once('message', r);
    child.once('exit', () => no(new Told('The kitchen’s door did not open (its own words are above).')));
  });
  await tell();
  await open;
  const look = setInterval(() => tell().catch((e) => logged('certificate', { said: wordsFor(e) })), LOOK_MS);
  void gone.then(() => clearInterval(look));
  return { gone };
}

async function startServer(url) {
  const { command, args, cwd, user } = await serverFor({ dev, port });
  const child = spawn(command, args, {
    cwd,
    env: { ...serverEnv({ url, dev, port, database, user }), ...doorEnv() },
    stdio: ['ignore', dev ? 'inherit' : 'ignore', 'inherit'],
  });
  server = child;
  const gone = new Promise((r) => child.once('exit', (code, signal) => r(signal ?? `exit ${code}`)));
  await answers(`http://127.0.0.1:${port}/api/health`, {
    alive: () => child.exitCode === null && child.signalCode === null,
    anyStatus: true,
  });
  return { gone };
}

async function main() {
  if (!Number.isInteger(port) || port < 1 || port > 65_535)
    throw new Told(`PORT is "${process.env.PORT}": it has to be a number from 1 to 65535.`);
  if (Number(process.versions.node.split('.')[0]) < 20)
    throw new Told(`Node ${process.versions.node} is too old: Even Crumb needs Node 20 or newer.`);
  if (kitchen && (!Number.isInteger(kitchenPort) || kitchenPort < 1 || kitchenPort > 65_535 || kitchenPort === port))
    throw new Told(`KITCHEN_PORT is "${process.env.KITCHEN_PORT}": another number than PORT, from 1 to 65535.`);
  if (behind !== null && !/^https:\/\/[^/?#\s]+$/.test(behind))
    throw new Told(`EVEN_CRUMB_PROXY is "${behind}": the address devices use, as https://kitchen.example.`);
  if ((await freePort(port)) === null)
    throw new Told(
      `Port ${port} is in use: is Even Crumb already running? Else choose another with PORT=4311 npm start.`,
    );
  if (ownDatabase) await ensurePackages(['postgres']);
  await ensureModules();
  if (kitchen) authority = await import('./authority.mjs');
  await prepareApp({ dev });
  let url = process.env.DATABASE_URL;
  if (ownDatabase) {
    say('starting the database');
    let up;
    const isUp = new Promise((r) => {
      up = r;
    });
    keepUp('the database', async () => {
      const begun = await startDatabase();
      up();
      return begun;
    }).catch((e) => stop(1, wordsFor(e)));
    await isUp;
    url = database.url;
    const left = mbLeft(database.folder);
    if (left < 200) say(`only ${left} MB are left on the disk where the data stands`);
  }
  const setUp = await run(
    process.execPath,
    ['--import', 'tsx', 'src/server/usecases/setup.ts', empty ? '--empty' : '--demo'],
    {
      env: serverEnv({ url, dev, port, database }),
      loud: true,
    },
  );
  if (setUp !== 0) throw new Told('The records could not be brought up to date (their own words are above).');
  let serving;
  const isServing = new Promise((r) => {
    serving = r;
  });
  keepUp('the server', async () => {
    const begun = await startServer(url);
    serving();
    return begun;
  }).catch((e) => stop(1, wordsFor(e)));
  await isServing;
  await answers(`http://127.0.0.1:${port}/api/health`);
  if (kitchen) {
    let opened;
    const isOpen = new Promise((r) => {
      opened = r;
    });
    keepUp('the kitchen’s door', async () => {
      const begun = await startDoor(url);
      opened();
      return begun;
    }).catch((e) => stop(1, wordsFor(e)));
    await isOpen;
  }
  say('ready; Ctrl-C stops it');
  const where = database?.elsewhere ? `\n  Its records stand in      ${database.folder}\n` : '';
  const addresses = () =>
    behind === null ? hostsNow().map((h) => `https://${authority.inAddress(h)}:${kitchenPort}`) : [behind];
  const devices = kitchen
    ? `  For paired devices at  ${addresses().join('  ')}\n  Pair one under House, Devices, on this screen.\n`
    : '';
  const own = `http://127.0.0.1:${port}${ownKey === null ? '' : `/own?key=${ownKey}`}`;
  process.stdout.write(`\n  Even Crumb is open at  ${own}\n${devices}${where}\n`);
}

main().catch((e) => {
  process.stderr.write(`${wordsFor(e)}\n`);
  void stop(1);
});
