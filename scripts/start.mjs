// npm start: brings the machine, the packages, the build and the database up, then serves, and keeps both up.
//   npm start               with the demo kitchen, loaded once
//   npm start -- --empty    a blank kitchen (asked for the first time the data folder is used)
//   npm run dev             the same with the development server
// PORT (4310), EVEN_CRUMB_DATA (.data), DATABASE_URL (an existing database instead of our own)
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { prepareApp, serverEnv, serverFor, settings } from './app.mjs';
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

let database = null;
let server = null;
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

async function startServer(url) {
  const { command, args, cwd, user } = await serverFor({ dev, port });
  const child = spawn(command, args, {
    cwd,
    env: serverEnv({ url, dev, port, database, user }),
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
  if ((await freePort(port)) === null)
    throw new Told(
      `Port ${port} is in use: is Even Crumb already running? Else choose another with PORT=4311 npm start.`,
    );
  if (ownDatabase) await ensurePackages(['postgres']);
  await ensureModules();
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
  say('ready; Ctrl-C stops it');
  const where = database?.elsewhere ? `\n  Its records stand in      ${database.folder}\n` : '';
  process.stdout.write(`\n  Even Crumb is open at  http://127.0.0.1:${port}\n${where}\n`);
}

main().catch((e) => {
  process.stderr.write(`${wordsFor(e)}\n`);
  void stop(1);
});
