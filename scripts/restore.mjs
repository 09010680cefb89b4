// npm run restore -- FILE: brings a backup back, into a fresh data folder or in place of what there is (which is kept
// as a backup of its own first). Even Crumb has to be stopped.
import { existsSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { serverEnv, settings } from './app.mjs';
import { ensureModules, ensurePackages, run, say, Told, wordsFor } from './lib.mjs';
import { clusterThatRuns, startPostgres } from './postgres.mjs';

const file = process.argv.slice(2).find((a) => !a.startsWith('--'));
const { dataFolder, ownDatabase, port } = settings();
let database = null;

async function main() {
  if (!file) throw new Told('Which backup? npm run restore -- .data/backups/even-crumb-....dump');
  const path = resolve(process.env.INIT_CWD ?? process.cwd(), file);
  if (!existsSync(path)) throw new Told(`There is no file ${path}.`);
  await ensureModules();
  let url = process.env.DATABASE_URL;
  if (ownDatabase) {
    await ensurePackages(['postgres']);
    const folder = join(dataFolder, 'postgres');
    if (existsSync(folder) && clusterThatRuns(folder))
      throw new Told('Even Crumb runs on this data folder: stop it first.');
    database = await startPostgres(folder);
    url = database.url;
  }
  const env = serverEnv({ url, dev: false, port, database });
  const script = (name, ...args) =>
    run(process.execPath, ['--import', 'tsx', `src/server/usecases/${name}.ts`, ...args], { env, loud: true });
  if (database && database.psql('evencrumb', "select count(*) from pg_tables where schemaname = 'public'") !== '0') {
    say('keeping what there is as a backup first');
    if ((await script('backup-now', 'restore')) !== 0)
      throw new Told('What there is could not be kept: nothing was changed.');
  }
  const code = await script('restore', path);
  await database?.stop();
  if (code === 0) say('done: npm start serves it');
  process.exit(code);
}

main().catch(async (e) => {
  process.stderr.write(`${wordsFor(e)}\n`);
  await database?.stop();
  process.exit(1);
});
