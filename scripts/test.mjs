// npm test: the same set-up as the start command, then lint, types, Jest, build and Playwright, on throw-away
// databases. Ends with "N passed, N failed", the sum over Jest and Playwright.
//   npm run test:e2e -- planning       only the browser tests of that file
//   npm run test:unit -- src/core/lift  only the unit tests there
//   npm run bench -- browser           only what is measured in the browser
//   --only unit | e2e | screenshots | bench
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { endChildren, ensureBuild, ensureModules, ensurePackages, isRoot, run, say, Told, wordsFor } from './lib.mjs';
import { startPostgres } from './postgres.mjs';

const only = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1] : 'all';
// what is left is handed on: names of files, and the runners' own flags
const rest = process.argv.slice(2).filter((a, n, all) => a !== '--' && a !== '--only' && all[n - 1] !== '--only');
const wants = (what) => only === 'all' || only === what;
const node = process.execPath;
/** Unit tests of what prints or reads days and times. */
const DATED = 'core/(quantity/day|batch/plan|premix/|day/)|server/print/';

let passed = 0;
let failed = 0;
let database = null;
let folder = null;

async function end(code, words) {
  if (words) process.stderr.write(`${words}\n`);
  endChildren();
  await database?.stop();
  if (folder) rmSync(folder, { recursive: true, force: true });
  if (only !== 'screenshots' && only !== 'bench') process.stdout.write(`${passed} passed, ${failed} failed\n`);
  process.exit(code);
}
for (const s of ['SIGINT', 'SIGTERM']) process.on(s, () => void end(130));

const readJson = (file) => {
  try {
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch {
    return null;
  }
};

async function main() {
  await ensurePackages(only === 'unit' ? ['postgres'] : ['postgres', 'chromium']);
  await ensureModules();
  let bad = false;
  const step = async (name, args) => {
    say(name);
    if ((await run(node, args)) === 0) return;
    bad = true;
    say(`${name}: FAILED (its words are above)`);
  };
  if (only === 'all') {
    await step('lint', ['node_modules/@biomejs/biome/bin/biome', 'check', '.']);
    await step('types', ['node_modules/typescript/bin/tsc', '--noEmit']);
    await step('imports', ['scripts/imports.mjs']);
    await step('exports', ['scripts/exports.mjs']);
  }
  folder = mkdtempSync(join(isRoot ? '/var/tmp' : tmpdir(), 'even-crumb-test-'));
  // the database may run as another user, who has to get through
  chmodSync(folder, 0o711);
  database = await startPostgres(join(folder, 'postgres'), { fast: true });

  if (wants('unit')) {
    say('unit tests');
    const out = join(folder, 'jest.json');
    database.psql('postgres', 'create database unit');
    const code = await run(
      node,
      ['node_modules/jest/bin/jest.js', '--json', `--outputFile=${out}`, '--silent', ...rest],
      {
        env: { DATABASE_URL: database.urlOf('unit'), NODE_ENV: 'test', EVEN_CRUMB_PG_BIN: database.bin },
        loud: only === 'unit',
      },
    );
    const result = readJson(out);
    if (!result) bad = true;
    passed += result?.numPassedTests ?? 0;
    failed += (result?.numFailedTests ?? 0) + (result?.numRuntimeErrorTestSuites ?? 0);
    say(`unit tests: ${result?.numPassedTests ?? 0} passed, ${result?.numFailedTests ?? 0} failed`);
    if (code !== 0) bad = true;
    // what prints or reads days and times holds wherever the kitchen stands
    for (const zone of rest.length > 0 ? [] : ['America/Los_Angeles', 'Asia/Kathmandu']) {
      const zoned = join(folder, 'jest-zone.json');
      const args = [
        'node_modules/jest/bin/jest.js',
        '--json',
        `--outputFile=${zoned}`,
        '--silent',
        `--testPathPatterns=${DATED}`,
      ];
      if ((await run(node, args, { env: { TZ: zone, NODE_ENV: 'test' } })) !== 0) bad = true;
      const there = readJson(zoned);
      passed += there?.numPassedTests ?? 0;
      failed += (there?.numFailedTests ?? 0) + (there?.numRuntimeErrorTestSuites ?? 0);
      if (!there || there.numPassedTests === 0) bad = true;
      say(
        `the same in ${zone}, where days are printed: ${there?.numPassedTests ?? 0} passed, ${there?.numFailedTests ?? 0} failed`,
      );
    }
  }

  if (
    only === 'bench' &&
    rest.length === 0 &&
    (await run(node, ['--import', 'tsx', 'bench/run.ts'], { loud: true })) !== 0
  )
    bad = true;

  if (wants('e2e') || only === 'screenshots' || only === 'bench') {
    await ensureBuild();
    // one database set up whole, from which each worker makes its own
    say('browser tests');
    for (const [name, how] of [
      ['furnished', '--demo'],
      ['blank', '--empty'],
    ]) {
      database.psql('postgres', `create database ${name}`);
      if (
        (await run(node, ['--import', 'tsx', 'src/server/usecases/setup.ts', how], {
          env: { DATABASE_URL: database.urlOf(name) },
        })) !== 0
      )
        throw new Told('The test database could not be set up.');
    }
    if (only === 'bench' && rest.length === 0) {
      database.psql('postgres', 'create database store template furnished');
      const env = {
        EVEN_CRUMB_BENCH_DEMO: database.urlOf('furnished'),
        EVEN_CRUMB_BENCH_STORE: database.urlOf('store'),
      };
      if ((await run(node, ['--import', 'tsx', 'bench/store.ts'], { env, loud: true })) !== 0) bad = true;
    }
    const out = join(folder, 'playwright.json');
    const project = only === 'screenshots' || only === 'bench' ? only : 'cook';
    const code = await run(
      node,
      [
        'node_modules/@playwright/test/cli.js',
        'test',
        `--project=${project}`,
        `--reporter=${only === 'all' ? 'json' : only === 'bench' ? 'dot,json' : 'list,json'}`,
        ...rest,
      ],
      {
        env: {
          EVEN_CRUMB_TEST_ADMIN: database.urlOf('postgres'),
          EVEN_CRUMB_PG_BIN: database.bin,
          PLAYWRIGHT_JSON_OUTPUT_NAME: out,
          PLAYWRIGHT_JSON_OUTPUT_FILE: out,
        },
        loud: only !== 'all',
      },
    );
    const stats = readJson(out)?.stats;
    if (!stats) bad = true;
    passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
    failed += stats?.unexpected ?? 0;
    say(
      `browser tests: ${(stats?.expected ?? 0) + (stats?.flaky ?? 0)} passed (${stats?.flaky ?? 0} at the second try), ${stats?.unexpected ?? 0} failed`,
    );
    if (code !== 0) bad = true;
    if (stats?.unexpected || stats?.flaky)
      for (const line of failures(readJson(out))) process.stdout.write(`${line}\n`);
  }
  await end(bad || failed > 0 || passed === 0 ? 1 : 0);
}

/**
 * The names and first words of browser tests that failed, or needed a second try, and what the server said meanwhile.
 */
function failures(report) {
  const lines = [];
  const walk = (suite) => {
    for (const spec of suite.specs ?? [])
      for (const t of spec.tests)
        if (t.status === 'unexpected' || t.status === 'flaky') {
          const first = t.results.find((r) => r.error);
          const server = (first?.stderr ?? [])
            .map((s) => s.text ?? '')
            .join('')
            .trim()
            .split('\n')
            .slice(-30);
          lines.push(
            `  ${t.status === 'flaky' ? 'SECOND TRY' : 'FAILED'} ${spec.file}: ${spec.title}`,
            `    ${(first?.error?.message ?? '').split('\n').slice(0, 12).join('\n    ')}`,
            ...server.filter((l) => l !== '').map((l) => `    server: ${l}`),
          );
        }
    for (const s of suite.suites ?? []) walk(s);
  };
  for (const s of report.suites) walk(s);
  return lines;
}

main().catch((e) => end(1, wordsFor(e)));
