// npm run soak: a kitchen of its own, started as npm start does, with writers in it while its parts are killed.
// Loopback only.
import { spawn } from 'node:child_process';
import { chmodSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { answers, ensureModules, ensurePackages, freePort, isRoot, ROOT, run, say, Told, wordsFor } from './lib.mjs';
import { clusterThatRuns } from './postgres.mjs';

let app = null;
let folder = null;

async function end(code) {
  if (app && app.exitCode === null) {
    const gone = new Promise((r) => app.once('exit', r));
    app.kill('SIGTERM');
    await gone;
  }
  if (folder) rmSync(folder, { recursive: true, force: true });
  process.exit(code);
}
for (const s of ['SIGINT', 'SIGTERM']) process.on(s, () => void end(130));

async function main() {
  await ensurePackages(['postgres']);
  await ensureModules();
  folder = mkdtempSync(join(isRoot ? '/var/tmp' : tmpdir(), 'even-crumb-soak-'));
  chmodSync(folder, 0o711);
  const port = await freePort();
  const { DATABASE_URL: _, ...env } = process.env;
  app = spawn(process.execPath, ['scripts/start.mjs', '--empty'], {
    cwd: ROOT,
    env: { ...env, PORT: String(port), EVEN_CRUMB_DATA: folder },
    stdio: ['ignore', 'ignore', 'ignore'],
  });
  say('starting a kitchen of its own');
  const health = `http://127.0.0.1:${port}/api/health`;
  await answers(health, { alive: () => app.exitCode === null });
  const cluster = clusterThatRuns(join(folder, 'postgres'));
  if (!cluster) throw new Told('The database does not run.');
  say('nine writers, twelve kills');
  const code = await run(process.execPath, ['--import', 'tsx', 'bench/soak.ts'], {
    env: { DATABASE_URL: cluster.url, EVEN_CRUMB_SOAK_HEALTH: health, EVEN_CRUMB_SOAK_PID: String(app.pid) },
    loud: true,
  });
  await end(code);
}

main().catch((e) => {
  process.stderr.write(`${wordsFor(e)}\n`);
  void end(1);
});
