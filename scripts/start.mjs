// npm start: brings the machine, the packages, the build and the database up, then serves.
//   npm start               with the demo kitchen, loaded once
//   npm start -- --empty    a blank kitchen (asked for the first time the data folder is used)
//   npm run dev             the same with the development server
// PORT (4310), EVEN_CRUMB_DATA (.data), DATABASE_URL (an existing database instead of our own)
import { spawn } from 'node:child_process';
import { join, resolve } from 'node:path';
import { answers, endChildren, ensureBuild, ensureModules, ensurePackages, freePort, ROOT, run, say, Told, tied } from './lib.mjs';
import { startPostgres } from './postgres.mjs';

const dev = process.argv.includes('--dev');
const empty = process.argv.includes('--empty');
const port = Number(process.env.PORT ?? 4310);

let database = null;
let server = null;
let stopping = false;

async function stop(code, words) {
  if (stopping) return;
  stopping = true;
  if (words) say(words);
  endChildren();
  if (server && server.exitCode === null && server.signalCode === null) {
    const gone = new Promise((r) => server.once('exit', r));
    server.kill('SIGTERM');
    const t = setTimeout(() => server.kill('SIGKILL'), 5000);
    await gone;
    clearTimeout(t);
  }
  await database?.stop();
  if (words) say('stopped');
  process.exit(code);
}
for (const s of ['SIGINT', 'SIGTERM']) process.on(s, () => void stop(0, 'stopping'));

async function main() {
  if (!Number.isInteger(port) || port < 1 || port > 65_535) throw new Told(`PORT is "${process.env.PORT}": it has to be a number from 1 to 65535.`);
  if (Number(process.versions.node.split('.')[0]) < 20) throw new Told(`Node ${process.versions.node} is too old: Even Crumb needs Node 20 or newer.`);
  if ((await freePort(port)) === null) throw new Told(`Port ${port} is in use: is Even Crumb already running? Else choose another with PORT=4311 npm start.`);
  const own = process.env.DATABASE_URL === undefined;
  if (own) await ensurePackages(['postgres']);
  await ensureModules();
  if (!dev) await ensureBuild();
  let url = process.env.DATABASE_URL;
  if (own) {
    say('starting the database');
    database = await startPostgres(join(resolve(ROOT, process.env.EVEN_CRUMB_DATA ?? '.data'), 'postgres'));
    url = database.url;
    void database.gone.then(() => stop(1, stopping ? undefined : 'the database ended; stopping'));
  }
  const setUp = await run(process.execPath, ['--import', 'tsx', 'src/server/usecases/setup.ts', empty ? '--empty' : '--demo'], {
    env: { DATABASE_URL: url },
    loud: true,
  });
  if (setUp !== 0) throw new Told('The database could not be brought up to date (its own words are above).');
  const next = join(ROOT, 'node_modules/next/dist/bin/next');
  const [command, args] = tied(process.execPath, [next, dev ? 'dev' : 'start', '-H', '127.0.0.1', '-p', String(port)]);
  const env = { ...process.env, DATABASE_URL: url, NEXT_TELEMETRY_DISABLED: '1', NODE_ENV: dev ? 'development' : 'production' };
  server = spawn(command, args, { cwd: ROOT, env, stdio: ['ignore', dev ? 'inherit' : 'ignore', 'inherit'] });
  server.once('exit', (code) => void stop(1, stopping ? undefined : `the server ended (${code})`));
  await answers(`http://127.0.0.1:${port}/api/health`, { seconds: 60, alive: () => server.exitCode === null });
  say('ready; Ctrl-C stops it');
  process.stdout.write(`\n  Even Crumb is open at  http://127.0.0.1:${port}\n\n`);
}

main().catch((e) => {
  process.stderr.write(`${e instanceof Told ? e.message : (e.stack ?? e)}\n`);
  void stop(1);
});
