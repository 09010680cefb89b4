// npm run backup: takes a backup of the records, whether Even Crumb runs or not, and reads it back.
import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { serverEnv, settings } from './app.mjs';
import { ensureModules, ensurePackages, run, Told, wordsFor } from './lib.mjs';
import { clusterThatRuns, startPostgres } from './postgres.mjs';

const { dataFolder, ownDatabase, port } = settings();
let database = null;

async function main() {
  await ensureModules();
  let url = process.env.DATABASE_URL;
  let running = null;
  if (ownDatabase) {
    await ensurePackages(['postgres']);
    const folder = join(dataFolder, 'postgres');
    if (!existsSync(folder)) throw new Told(`There are no records in ${dataFolder} yet.`);
    running = clusterThatRuns(folder);
    database = running ?? (await startPostgres(folder));
    url = database.url;
  }
  const code = await run(process.execPath, ['--import', 'tsx', 'src/server/usecases/backup-now.ts', 'asked'], {
    env: serverEnv({ url, dev: false, port, database }),
    loud: true,
  });
  if (!running) await database?.stop();
  process.exit(code);
}

main().catch(async (e) => {
  process.stderr.write(`${wordsFor(e)}\n`);
  await database?.stop?.();
  process.exit(1);
});
