/**
 * npm run soak: nine writers over HTTP as an outbox sends, one of which sends every act that there is, while the
 * database and the server are killed twelve times under them. Prints what was lost, what was doubled, and how long each
 * took to be back by itself. Started by scripts/soak.mjs, which says where everything is.
 */
import { execFileSync } from 'node:child_process';
import { randomUUID } from 'node:crypto';
import sharp from 'sharp';
import { z } from 'zod';
import { EMPTY_FORMULA, type Formula } from '../src/core/formula/formula';
import { closePool } from '../src/server/db/pool';
import { rowsFrom } from '../src/server/db/rows';
import { loadHouse } from '../src/server/queries/house';
import { stockNoted } from '../src/server/queries/pantry';
import { oneLife, type SendAct } from './every-act';
import { actsOver, Later, photoOver } from './over-http';

const WRITES = 1000;
const KILLS = 12;
const APART_MS = 5500;
const PACE_MS = 150;
const health = process.env.EVEN_CRUMB_SOAK_HEALTH ?? '';
const url = new URL(health || 'http://127.0.0.1').origin;
const act = actsOver(url);
const supervisor = process.env.EVEN_CRUMB_SOAK_PID ?? '';

const pause = (ms: number): Promise<void> => new Promise((r) => setTimeout(r, ms));

let acked = 0;
let retried = 0;
/** Does one write until it is acknowledged: the same one, however often. */
async function until<T>(work: () => Promise<T>): Promise<T> {
  for (;;) {
    try {
      const answer = await work();
      acked++;
      return answer;
    } catch (e) {
      if (!(e instanceof Later)) throw e;
      retried++;
      await pause(100);
    }
  }
}

const FORMULA: Formula = {
  ...EMPTY_FORMULA,
  name: 'Soak cakes',
  entries: ['250 g flour', '400 g milk', '10 g baking powder', '2 eggs'].map((text, n) => ({ key: `l${n + 1}`, text })),
};

/** The children of the start command that are of a name. */
const childrenNamed = (name: string): readonly number[] =>
  execFileSync('ps', ['--ppid', supervisor, '-o', 'pid=,args='], { encoding: 'utf8' })
    .split('\n')
    .filter((l) => l.includes(name))
    .map((l) => Number(l.trim().split(/\s+/)[0]));

/** What a life that sends every act leaves in the records, and how many of each. */
const LEFT_OF_A_LIFE: readonly (readonly [string, string, number])[] = [
  ['formula', "select count(distinct formula_id)::text as v from formula_versions where name like 'cakes soak%'", 2],
  ['card', "select count(*)::text as v from formula_versions where name like 'card soak%'", 1],
  ['batch', "select count(*)::text as v from batches where name like 'cakes soak%'", 6],
  ['outcome', "select count(*)::text as v from batches where name like 'cakes soak%' and verdict = 'good'", 1],
  ['target', "select count(*)::text as v from targets where note like 'cakes soak%'", 1],
  ['kept lot', "select count(*)::text as v from kept_lots where who like 'Lead soak%'", 1],
  ['kept entry', 'select count(*)::text as v from kept_uses where undone_at is not null', 1],
  ['photograph', 'select count(*)::text as v from photos where undone_at is null', 1],
  ['premix', "select count(*)::text as v from premixes where name like 'mix soak%'", 1],
  ['premix lot', 'select count(*)::text as v from lots where voided_at is not null', 1],
  ['entry of a lot', 'select count(*)::text as v from lot_uses', 4],
  ['correction', 'select count(*)::text as v from lot_changes', 1],
  ['side', "select count(*)::text as v from sides where name like 'butter soak%' or name like 'gone soak%'", 1],
  ['care', "select count(*)::text as v from care_notes where note like 'soak%'", 1],
  ['lesson set aside', 'select count(*)::text as v from lesson_asides', 1],
  ['trial', 'select count(*)::text as v from trials where opened_at is not null', 1],
  ['taste', 'select count(*)::text as v from trial_ballots', 1],
  ['plan', 'select count(*)::text as v from plans', 0],
  ['morning', "select count(*)::text as v from mornings where plan->>'name' like 'morning soak%'", 1],
  ['person', 'select count(*)::text as v from people', 1],
];

async function bookOf(lot: string): Promise<string> {
  const rows = await rowsFrom(
    z.object({ id: z.string() }),
    "select id from lot_uses where lot_id = $1 and kind = 'gift' and undoes is null",
    [lot],
  ).catch(() => {
    throw new Later();
  });
  return rows[0]?.id ?? '';
}

async function main(): Promise<void> {
  interface Saved {
    readonly saved: { readonly formulaId: string; readonly versionId: string };
  }
  const save = (n: number | null, changeNote: string, formulaId: string | null, requestId: string) =>
    act<Saved>('save-formula', { formulaId, basedOn: n, knownNewest: n, formula: FORMULA, changeNote, requestId });
  const { formulaId, versionId } = (await save(null, 'first', null, randomUUID())).saved;
  const start = (more: object) =>
    act<{ readonly batchId: string }>('start-batch', {
      versionId,
      driver: { by: 'factor', factor: 1 },
      exactness: 'gram',
      portionMl: 60,
      ...more,
    });
  const made = await start({ requestId: randomUUID() });
  await act('count-stock', {
    requestId: randomUUID(),
    ingredientId: 'flour-all-purpose',
    countedG: 9_000_000,
    who: 'soak',
  });
  const notes: string[] = [];
  const taps: string[][] = [[], []];
  const batches: string[] = [];
  const counts: string[] = [];
  const sauces: string[] = [];
  const lives: string[] = [];
  const image = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#c96' } })
    .png()
    .toBuffer();
  const anyAct: SendAct = (name, input) => until(() => act(name, input)) as never;
  let altitude = 0;
  let price = 0;
  let killing = true;
  const done = (): boolean => acked >= WRITES && !killing;
  const loop = async (work: (n: number) => Promise<void>): Promise<void> => {
    for (let n = 1; !done(); n++) await work(n);
  };
  const writers = [
    loop(async (n) => {
      const requestId = randomUUID();
      const changeNote = `soak ${n}`;
      await until(() => save(n, changeNote, formulaId, requestId));
      notes.push(changeNote);
      await pause(PACE_MS);
    }),
    ...[0, 1].map((screen) =>
      loop(async (n) => {
        const id = randomUUID();
        await until(() =>
          act('tell-events', {
            batchId: made.batchId,
            items: [
              {
                item: { id, do: 'tap', tap: { id, act: 'pour', surface: 'g', slot: n % 8, at: Date.now() } },
                agoMs: 0,
              },
            ],
          }),
        );
        taps[screen]?.push(id);
        await pause(PACE_MS);
      }),
    ),
    loop(async () => {
      const requestId = randomUUID();
      const b = await until(() => start({ take: 'anyway', requestId }));
      batches.push(b.batchId);
      await pause(200);
    }),
    loop(async (n) => {
      const id = randomUUID();
      await until(() => act('count-stock', { requestId: id, ingredientId: 'honey', countedG: n, who: 'soak' }));
      counts.push(id);
      await pause(PACE_MS);
    }),
    loop(async (n) => {
      const [requestId, name] = [randomUUID(), `soak butter ${n}`];
      const side = {
        id: null,
        name,
        by: 'weight',
        parts: [{ ingredientId: 'honey', parts: 1 }],
        servingG: 10,
        method: '',
      };
      await until(() => act('keep-side', { ...side, seen: null, requestId }));
      sauces.push(name);
      await pause(PACE_MS);
    }),
    loop(async (n) => {
      await until(() => act('set-house', { change: { ways: { altitudeM: n % 3000 } } }));
      altitude = n % 3000;
      await pause(PACE_MS);
    }),
    loop(async (n) => {
      await until(() =>
        act('keep-stock', { ingredientId: 'buttermilk', price: n, packG: 1000, opened: null, bestBefore: null }),
      );
      price = n;
      await pause(PACE_MS);
    }),
  ];
  writers.push(
    loop(async (n) => {
      const name = `soak${[...String(n)].map((d) => 'abcdefghij'[Number(d)]).join('')}`;
      await oneLife(anyAct, name, {
        photo: (batch, request) => until(() => photoOver(url, image, batch, request)),
        bookOf: (lot) => until(() => bookOf(lot)),
      });
      lives.push(name);
    }),
  );
  const back: { readonly what: string; readonly ms: number }[] = [];
  const killer = async (): Promise<void> => {
    for (let k = 0; k < KILLS; k++) {
      while (acked < (WRITES * (k + 0.5)) / KILLS && !done()) await pause(20);
      // what has run for a while is begun again at once; what keeps ending waits longer each time
      await pause(APART_MS);
      const what = k % 3 === 2 ? 'next-server' : 'postgres';
      const [pid] = childrenNamed(what);
      if (pid === undefined) throw new Error(`no ${what} runs`);
      const from = performance.now();
      process.kill(pid, 'SIGKILL');
      await pause(30);
      while (
        !(await fetch(health).then(
          (r) => r.ok,
          () => false,
        ))
      )
        await pause(30);
      back.push({ what, ms: performance.now() - from });
    }
    killing = false;
  };
  await Promise.all([...writers, killer()]);

  const lost: string[] = [];
  const doubled: string[] = [];
  const compare = (what: string, told: readonly string[], kept: readonly string[]): void => {
    const times = new Map<string, number>();
    for (const k of kept) times.set(k, (times.get(k) ?? 0) + 1);
    for (const t of told) if (!times.has(t)) lost.push(`${what} ${t}`);
    for (const [k, n] of times) if (n > 1) doubled.push(`${what} ${k}`);
    if (new Set(told).size !== kept.length) doubled.push(`${what}: ${kept.length} kept, ${told.length} told`);
  };
  const column = async (sql: string, values: readonly unknown[]): Promise<string[]> =>
    (await rowsFrom(z.object({ v: z.string() }), sql, values)).map((r) => r.v);
  compare(
    'version',
    notes,
    await column("select change_note as v from formula_versions where formula_id = $1 and change_note <> 'first'", [
      formulaId,
    ]),
  );
  compare('tap', taps.flat(), await column('select id::text as v from batch_taps where batch_id = $1', [made.batchId]));
  compare(
    'batch',
    batches,
    await column('select id::text as v from batches where formula_id = $1 and id <> $2', [formulaId, made.batchId]),
  );
  compare('count', counts, await column("select id::text as v from stock_counts where ingredient_id = 'honey'", []));
  compare('sauce', sauces, await column("select name as v from sides where name like 'soak butter %'", []));
  const pieces = await column(
    "select piece::text as v from batch_taps where batch_id = $1 and act = 'pour' order by seq",
    [made.batchId],
  );
  if (pieces.some((p, n) => Number(p) !== n + 1)) lost.push('the order of the taps');
  const stock = await stockNoted();
  // of a life's two batches one gives its flour back
  const flour = 9_000_000 - 250 * batches.length - 400 * lives.length;
  if (Math.abs((stock['flour-all-purpose']?.onHandG ?? 0) - flour) > 1e-6)
    lost.push(`flour: ${stock['flour-all-purpose']?.onHandG} where ${flour} is due`);
  if (stock.buttermilk?.price !== price) lost.push(`price: ${stock.buttermilk?.price}, told ${price}`);
  if ((await loadHouse()).ways.altitudeM !== altitude) lost.push('the altitude of the house');
  for (const [what, sql, each] of LEFT_OF_A_LIFE) {
    const n = Number((await column(sql, []))[0]);
    if (n < each * lives.length) lost.push(`${what}: ${n} of ${each * lives.length}`);
    if (n > each * lives.length) doubled.push(`${what}: ${n} where ${each * lives.length} are due`);
  }
  const times = back.map((b) => b.ms).sort((a, b) => a - b);
  console.log(
    `${acked} acknowledged writes by 9 writers, ${lives.length} lives of every act, ${retried} tries while the records were away, ${back.length} kills`,
  );
  console.log(`lost ${lost.length}, doubled ${doubled.length}`);
  for (const l of [...lost, ...doubled].slice(0, 20)) console.log(`  ${l}`);
  console.log(
    `back by itself: median ${((times[Math.floor(times.length / 2)] ?? 0) / 1000).toFixed(2)} s, longest ${((times.at(-1) ?? 0) / 1000).toFixed(2)} s`,
  );
  process.exitCode = lost.length + doubled.length > 0 ? 1 : 0;
}

main()
  .catch((e: unknown) => {
    console.error(e);
    process.exitCode = 1;
  })
  .finally(closePool);
