/**
 * Part of npm run bench: a store of 10,000 formulas, 50,000 batches and 500,000 taps beside the demo kitchen, each
 * served by a server of its own. Prints each main page's answer in both, and beside `select 1`; the aim is at most
 * three times the demo's. EVEN_CRUMB_BENCH_DEMO and EVEN_CRUMB_BENCH_STORE are the two databases.
 */
import { type ChildProcess, spawn } from 'node:child_process';
import { Client } from 'pg';
import { freePort } from '../e2e/free-port';
import { LIMITS } from '../scripts/limits.mjs';

const FORMULAS = 10_000;
const BATCHES = 50_000;
const ROUNDS = 21;

const env = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: run this with npm run bench`);
  return value;
};

async function on<T>(url: string, work: (c: Client) => Promise<T>): Promise<T> {
  const c = new Client({ connectionString: url });
  await c.connect();
  try {
    return await work(c);
  } finally {
    await c.end();
  }
}

/** Copies of the demo's own formulas and batches, with names and times of their own. */
const FILL = [
  `create temporary table models as select row_number() over (order by v.id) as n, f.id as fid, v.id as vid, count(*) over () as all
     from formulas f join formula_versions v on v.formula_id = f.id and v.number = f.newest`,
  `create temporary table fresh as
     select i, gen_random_uuid() as fid, gen_random_uuid() as vid, m.fid as old_f, m.vid as old_v, now() - make_interval(mins => i * 7) as at
       from generate_series(1, ${FORMULAS}) i join models m on m.n = 1 + i % m.all`,
  `insert into formulas (id, created_at, newest, name, kind, school, saved_at, used_at)
     select x.fid, x.at, 1, f.name || ' ' || x.i, f.kind, f.school, x.at, x.at
       from fresh x join formulas f on f.id = x.old_f`,
  `insert into formula_versions (id, formula_id, number, name, kind, school, conventions, lines, card_notes, saved_at, settings)
     select x.vid, x.fid, 1, v.name || ' ' || x.i, v.kind, v.school, v.conventions, v.lines, v.card_notes, x.at, v.settings
       from fresh x join formula_versions v on v.id = x.old_v`,
  `insert into formula_facts (version_id, formula_id, stamp, code, day, search, main_flour, main_liquid, pour, worst, holds, allergens)
     select x.vid, x.fid, a.stamp, a.code, a.day, a.search || ' ' || x.i, a.main_flour, a.main_liquid, a.pour, a.worst, a.holds, a.allergens
       from fresh x join formula_facts a on a.formula_id = x.old_f`,
  // one formula has been worked on for years
  `insert into formula_versions (formula_id, number, based_on, name, kind, school, conventions, lines, card_notes, saved_at, settings, change_note)
     select v.formula_id, k, k - 1, v.name, v.kind, v.school, v.conventions, v.lines, v.card_notes, now() - make_interval(days => 600 - k), v.settings, 'a little more milk'
       from formula_versions v join models m on m.vid = v.id and m.n = 1 cross join generate_series(100, 600) k`,
  `update formulas f set newest = 600 from models m where m.n = 1 and f.id = m.fid`,
  `create temporary table made as select row_number() over (order by b.id) as n, b.id, count(*) over () as all from batches b where b.finished_at is not null`,
  `create temporary table batchings as
     select k as i, gen_random_uuid() as id, x.vid, m.id as old, now() - make_interval(mins => k * 3 + 600) as at
       from generate_series(1, ${BATCHES}) k join fresh x on x.i = 1 + (k * 7) % ${FORMULAS} join made m on m.n = 1 + k % m.all`,
  `insert into batches (id, version_id, driver, exactness, sheet, mass_g, pieces_planned, portion_ml, started_at, finished_at, pieces, first_side_s, second_side_s, verdict, marks, note, split)
     select x.id, x.vid, b.driver, b.exactness, b.sheet, b.mass_g, b.pieces_planned, b.portion_ml, x.at, x.at + interval '90 minutes', b.pieces, b.first_side_s,
            b.second_side_s, (array['best', 'good', 'fair', 'poor'])[1 + x.i % 4], b.marks, 'batch ' || x.i || ' of the store', b.split
       from batchings x join batches b on b.id = x.old`,
  `insert into batch_taps (id, batch_id, piece, act, surface, slot, at)
     select gen_random_uuid(), x.id, p, a.act, 'griddle', p, x.at + make_interval(secs => p * 5 + a.s)
       from batchings x cross join generate_series(1, 3) p cross join (values ('pour', 0), ('flip', 140), ('pull', 220)) as a(act, s)`,
  `insert into batch_taps (id, batch_id, piece, act, surface, slot, at) select gen_random_uuid(), x.id, 1, 'join', '', 0, x.at from batchings x`,
  'analyze',
];

async function fill(url: string): Promise<void> {
  await on(url, async (c) => {
    for (const sql of FILL) await c.query(sql);
    const { rows } = await c.query(
      'select (select count(*) from formulas) as formulas, (select count(*) from batches) as batches, (select count(*) from batch_taps) as taps',
    );
    console.log(`a store of ${rows[0].formulas} formulas, ${rows[0].batches} batches, ${rows[0].taps} taps`);
  });
}

async function serve(databaseUrl: string): Promise<{ url: string; child: ChildProcess }> {
  const port = await freePort();
  const child = spawn(
    process.execPath,
    ['node_modules/next/dist/bin/next', 'start', '-H', '127.0.0.1', '-p', String(port)],
    {
      env: { ...process.env, DATABASE_URL: databaseUrl, NODE_ENV: 'production', NEXT_TELEMETRY_DISABLED: '1' },
      stdio: ['ignore', 'ignore', 'inherit'],
    },
  );
  const url = `http://127.0.0.1:${port}`;
  for (const until = Date.now() + LIMITS.serverStartMs; Date.now() < until; ) {
    if (
      await fetch(`${url}/api/health`).then(
        (r) => r.ok,
        () => false,
      )
    )
      return { url, child };
    await new Promise((r) => setTimeout(r, 100));
  }
  throw new Error('the server did not answer');
}

const median = (xs: number[]): number => xs.sort((a, b) => a - b)[Math.floor(xs.length / 2)] ?? 0;

async function time(url: string): Promise<{ ms: number; kb: number }> {
  const from = performance.now();
  const r = await fetch(url);
  const text = await r.text();
  if (!r.ok) throw new Error(`${url} answered ${r.status}`);
  return { ms: performance.now() - from, kb: text.length / 1024 };
}

/** Ids that pages are asked by, of the same formula and batch in both. */
const idsIn = (url: string) =>
  on(url, async (c) => {
    const formula = (await c.query<{ id: string }>('select formula_id as id from formula_versions order by id limit 1'))
      .rows[0]?.id;
    const batch = (
      await c.query<{ id: string }>('select id from batches where finished_at is null order by started_at desc limit 1')
    ).rows[0]?.id;
    const done = (
      await c.query<{ id: string }>(
        'select id from batches where finished_at is not null order by started_at desc limit 1',
      )
    ).rows[0]?.id;
    return { formula, batch, done };
  });

async function main(): Promise<void> {
  const [demoUrl, storeUrl] = [env('EVEN_CRUMB_BENCH_DEMO'), env('EVEN_CRUMB_BENCH_STORE')];
  await fill(storeUrl);
  const [demo, store] = [await serve(demoUrl), await serve(storeUrl)];
  const [a, b] = [await idsIn(demoUrl), await idsIn(storeUrl)];
  const pages: readonly (readonly [string, (ids: typeof a) => string])[] = [
    ['Today', () => '/'],
    ['Today, found by a word', () => '/?find=crepe'],
    ['Today, without milk', () => '/?without=milk'],
    ['Today, uses up', () => '/?use=up'],
    ['Log', () => '/log'],
    ['Log, found by a word', () => '/log?find=light'],
    ['Log, best of each', () => '/log?best=1'],
    ['Pantry', () => '/pantry'],
    ['Gather list', () => '/pantry/take-out'],
    ['My measures', () => '/pantry/measures'],
    ['Premix', () => '/premix'],
    ['House', () => '/house'],
    ['Records', () => '/house/records'],
    ['Bench', (x) => `/formulas/${x.formula}`],
    ['Versions', (x) => `/formulas/${x.formula}/history`],
    ['Plan', (x) => `/formulas/${x.formula}/plan`],
    ['Prep', (x) => `/batches/${x.batch}/prep`],
    ['Griddle', (x) => `/batches/${x.batch}/griddle`],
    ['Outcome', (x) => `/batches/${x.done}/outcome`],
  ];
  const one = await on(storeUrl, async (c) => {
    const times: number[] = [];
    for (let n = 0; n < ROUNDS; n++) {
      const from = performance.now();
      await c.query('select 1');
      times.push(performance.now() - from);
    }
    return median(times);
  });
  console.log(`${'select 1'.padEnd(28)} ${one.toFixed(2).padStart(8)} ms`);
  console.log(`${'page'.padEnd(28)} ${'demo'.padStart(8)} ${'store'.padStart(8)}  times   store kB`);
  for (const [name, path] of pages) {
    for (let n = 0; n < 3; n++) await Promise.all([time(demo.url + path(a)), time(store.url + path(b))]);
    const [small, large]: [number[], number[]] = [[], []];
    let kb = 0;
    for (let n = 0; n < ROUNDS; n++) {
      small.push((await time(demo.url + path(a))).ms);
      const t = await time(store.url + path(b));
      large.push(t.ms);
      kb = t.kb;
    }
    const [x, y] = [median(small), median(large)];
    console.log(
      `${name.padEnd(28)} ${x.toFixed(1).padStart(8)} ${y.toFixed(1).padStart(8)}  ${(y / x).toFixed(2).padStart(5)} ${kb.toFixed(0).padStart(10)}${y > 3 * x ? '   MORE THAN THREE TIMES' : ''}`,
    );
  }
  demo.child.kill();
  store.child.kill();
}

main().catch((e: unknown) => {
  console.error(e);
  process.exit(1);
});
