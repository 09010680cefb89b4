// npm test: the same set-up as the start command, then lint, types, Jest, build and Playwright, on throw-away
// databases. Ends with "N passed, N failed", the sum over Jest and Playwright.
//   npm run test:e2e -- planning       only the browser tests of that file
//   npm run test:unit -- src/core/lift  only the unit tests there
//   npm run bench -- browser           only what is measured in the browser
//   npm run test:all                   every width of every page as well, and the long soak
//   --only unit | e2e | screenshots | bench
import { chmodSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, relative } from 'node:path';
import {
  endChildren,
  ensureBuild,
  ensureModules,
  ensurePackages,
  isRoot,
  ROOT,
  run,
  say,
  Told,
  wordsFor,
} from './lib.mjs';
import { slowness } from './limits.mjs';
import { startPostgres } from './postgres.mjs';

const only = process.argv.includes('--only') ? process.argv[process.argv.indexOf('--only') + 1] : 'all';
const all = process.argv.includes('--all');
// what is left is handed on: names of files, and the runners' own flags
const rest = process.argv
  .slice(2)
  .filter((a, n, every) => a !== '--' && a !== '--all' && a !== '--only' && every[n - 1] !== '--only');
const wants = (what) => only === 'all' || only === what;
const node = process.execPath;
/** What a step of tests may take on a quiet machine before it counts as hanging, ms. */
const STEP_MS = 1_200_000;

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
  /** [ms, file, name] of each test. */
  const took = [];
  const slow = await slowness();
  process.env.EVEN_CRUMB_TEST_SLOWNESS = String(slow);
  if (all) process.env.EVEN_CRUMB_TEST_ALL = '1';
  const mostMs = STEP_MS * slow;
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
        mostMs,
      },
    );
    const result = readJson(out);
    if (!result) bad = true;
    passed += result?.numPassedTests ?? 0;
    failed += (result?.numFailedTests ?? 0) + (result?.numRuntimeErrorTestSuites ?? 0);
    say(`unit tests: ${result?.numPassedTests ?? 0} passed, ${result?.numFailedTests ?? 0} failed`);
    if (code !== 0) bad = true;
    for (const file of result?.testResults ?? [])
      for (const t of file.assertionResults) took.push([t.duration ?? 0, relative(ROOT, file.name), t.fullName]);
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
        mostMs: only === 'bench' ? 0 : mostMs,
      },
    );
    const report = readJson(out);
    const stats = report?.stats;
    if (!stats) bad = true;
    passed += (stats?.expected ?? 0) + (stats?.flaky ?? 0);
    failed += stats?.unexpected ?? 0;
    say(
      `browser tests: ${(stats?.expected ?? 0) + (stats?.flaky ?? 0)} passed (${stats?.flaky ?? 0} at the second try), ${stats?.unexpected ?? 0} failed`,
    );
    if (code !== 0) bad = true;
    if (stats?.unexpected || stats?.flaky) for (const line of failures(report)) process.stdout.write(`${line}\n`);
    for (const { spec, test } of testsOf(report))
      took.push([test.results.reduce((ms, r) => ms + r.duration, 0), `e2e/${spec.file}`, spec.title]);
  }
  if (all) {
    say('soak');
    if ((await run(node, ['scripts/soak.mjs'], { loud: true })) !== 0) bad = true;
  }
  if (wants('unit') || wants('e2e')) {
    say('the slowest:');
    for (const [ms, file, title] of took.sort((a, b) => b[0] - a[0]).slice(0, 10))
      process.stdout.write(`${(ms / 1000).toFixed(1).padStart(8)} s  ${file}: ${title.slice(0, 90)}\n`);
  }
  await end(bad || failed > 0 || passed === 0 ? 1 : 0);
}

/** Every test of a report of the browser's, with the spec it belongs to. */
function testsOf(report) {
  const within = (suite) => [
    ...(suite.specs ?? []).flatMap((spec) => spec.tests.map((test) => ({ spec, test }))),
    ...(suite.suites ?? []).flatMap(within),
  ];
  return (report?.suites ?? []).flatMap(within);
}

/**
 * The names and first words of browser tests that failed, or needed a second try, and what the server said meanwhile.
 */
const failures = (report) =>
  testsOf(report)
    .filter(({ test }) => test.status === 'unexpected' || test.status === 'flaky')
    .flatMap(({ spec, test }) => {
      const first = test.results.find((r) => r.error);
      const server = (first?.stderr ?? [])
        .map((s) => s.text ?? '')
        .join('')
        .trim()
        .split('\n')
        .slice(-30);
      return [
        `  ${test.status === 'flaky' ? 'SECOND TRY' : 'FAILED'} ${spec.file}: ${spec.title}`,
        `    ${(first?.error?.message ?? '').split('\n').slice(0, 12).join('\n    ')}`,
        ...server.filter((l) => l !== '').map((l) => `    server: ${l}`),
      ];
    });

main().catch((e) => end(1, wordsFor(e)));
