/** Records of every age of the app: rows as they were written then, brought up to date, and read as they were meant. */

import { randomUUID } from 'node:crypto';

import { batchById, log, underWay } from '../queries/batches';
import { eventLogOf, keepItems } from '../queries/event-log';
import { formulaShelf } from '../queries/formulas';
import { tapsOf } from '../queries/griddle';
import { loadHouse } from '../queries/house';
import { lots, premixes } from '../queries/premixes';
import { sides } from '../queries/sides';
import { versionById } from '../queries/versions';
import { migrate } from './migrate';
import { ownDatabase } from './own-database';
import { closePool, query } from './pool';
import { idRow, rowsFrom } from './rows';

afterEach(closePool);

/** A database as the app had it when `upTo` was its newest migration. */
const age = (upTo: string): Promise<void> => ownDatabase(`age_${upTo}`, upTo);

const CONVENTIONS = {
  cup: 'us-customary',
  flourFill: 'spooned',
  egg: 'large',
  salt: 'fine',
  powder: 'double-phosphate',
};
const LINES = [
  { key: 'l1', text: '2 cups flour' },
  { key: 'l2', text: '300 g milk', vessel: 'wet' },
  { key: 'l3', text: '1 1/2 tsp baking powder (8 g)', stands: 'weight' },
];
const SHEET = [
  { key: 'l1', text: '2 cups flour', name: 'Flour', vessel: 'dry', measure: '250 g', grams: 250, preparation: '' },
  { key: 'l2', text: '300 g milk', name: 'Milk', vessel: 'wet', measure: '300 g', grams: 300, preparation: '' },
];

async function formula(name: string): Promise<{ formulaId: string; versionId: string }> {
  const [formulaId, versionId] = [randomUUID(), randomUUID()];
  await query('insert into formulas (id) values ($1)', [formulaId]);
  await query(
    "insert into formula_versions (id, formula_id, number, name, kind, school, conventions, lines) values ($1, $2, 1, $3, 'griddle', 'even', $4, $5)",
    [versionId, formulaId, name, JSON.stringify(CONVENTIONS), JSON.stringify(LINES)],
  );
  return { formulaId, versionId };
}

async function batch(versionId: string, more: Readonly<Record<string, unknown>> = {}): Promise<string> {
  const row = {
    id: randomUUID(),
    version_id: versionId,
    driver: JSON.stringify({ by: 'pieces', pieces: 12, portionMl: 60 }),
    exactness: 'gram',
    sheet: JSON.stringify(SHEET),
    mass_g: 550,
    pieces_planned: 12,
    portion_ml: 60,
    ...more,
  };
  const keys = Object.keys(row);
  await query(
    `insert into batches (${keys.join(', ')}) values (${keys.map((_, n) => `$${n + 1}`).join(', ')})`,
    Object.values(row),
  );
  return row.id;
}

/** Brought up to date, and read by every list there is without a word of complaint. */
async function today(): Promise<void> {
  await migrate();
  expect((await loadHouse()).unreadable).toEqual([]);
  for (const b of await underWay()) expect([b.name, b.unreadable]).toEqual([b.name, []]);
  expect((await formulaShelf()).rows.length).toBeGreaterThan(0);
}

test('0.1.0: a formula and a finished batch', async () => {
  await age('0001');
  const f = await formula('First cakes');
  const id = await batch(f.versionId, {
    finished_at: new Date(),
    pieces: 11,
    verdict: 'good',
    marks: ['tall'],
    note: 'Light.',
  });
  await query('insert into batch_ticks (batch_id, line_key) values ($1, $2)', [id, 'l1']);
  await today();
  const v = await versionById(f.versionId);
  expect(v?.unreadable).toEqual([]);
  expect(v?.formula).toMatchObject({
    name: 'First cakes',
    conventions: CONVENTIONS,
    entries: LINES,
    edits: [],
    portionMl: null,
    ends: null,
    dismissed: [],
  });
  expect(await batchById(id)).toMatchObject({
    name: 'First cakes',
    ticked: ['l1'],
    split: { by: 'one' },
    scales: {},
    timeline: null,
    verdict: 'good',
    unreadable: [],
  });
  expect((await log({ text: 'light', verdict: 'good' })).rows.map((b) => b.id)).toEqual([id]);
  expect((await formulaShelf()).rows).toMatchObject([{ name: 'First cakes', lastVerdict: 'good' }]);
});

test('0.2.0 and 0.3.0: ends, a house without what came since', async () => {
  await age('0003');
  const f = await formula('Forked cakes');
  const ends = [
    { id: 'a', name: 'sweet', school: 'even' },
    { id: 'b', name: 'savoury', school: 'even' },
  ];
  await query('update formula_versions set settings = $2 where id = $1', [
    f.versionId,
    JSON.stringify({ ways: { rest: 'hour' }, portionMl: 75, meant: ['salt-high:note'], ends }),
  ]);
  const id = await batch(f.versionId, { ending: 'savoury' });
  await query("insert into kitchen (key, value) values ('house', $1)", [
    JSON.stringify({
      conventions: { cup: 'metric' },
      ways: { altitudeM: 1200 },
      units: { weight: 'oz', currency: '$' },
    }),
  ]);
  await today();
  expect((await versionById(f.versionId))?.formula).toMatchObject({
    portionMl: 75,
    edits: [{ do: 'way', act: 'rest', value: 'hour' }],
    dismissed: ['salt-high:note'],
    ends,
  });
  // which end it was is known by its id since
  expect(await batchById(id)).toMatchObject({
    name: 'Forked cakes, savoury',
    ending: 'savoury',
    endId: 'b',
    ways: { rest: 'hour' },
  });
  expect(await loadHouse()).toMatchObject({
    conventions: { cup: 'metric', egg: 'large' },
    ways: { altitudeM: 1200 },
    units: { weight: 'oz', clock: '24' },
  });
});

test('0.4.0 and 0.5.0: kits, sauces, a premix with a lot, taps by number', async () => {
  await age('0007');
  const f = await formula('Kit cakes');
  const id = await batch(f.versionId, {
    exactness: 'kitchen',
    split: JSON.stringify({ by: 'kits', benches: 2, classes: 1 }),
  });
  await query("insert into sides (name, measure, parts, serving_g) values ('Old butter', 'volume', $1, 15)", [
    JSON.stringify([{ ingredientId: 'honey', parts: 1 }]),
  ]);
  const settings = {
    powders: { milk: true, buttermilk: false, egg: false },
    bagG: 500,
    densityGPerMl: null,
    products: [],
    months: null,
    storage: '',
  };
  const mix = (
    await rowsFrom(idRow, 'insert into premixes (version_id, name, settings) values ($1, $2, $3) returning id', [
      f.versionId,
      'Old mix',
      JSON.stringify(settings),
    ])
  )[0];
  await query(
    "insert into lots (premix_id, number, made, best_before, bag_g, bags, contents) values ($1, '260101-1', '2026-01-01', '2026-06-01', 500, 4, $2)",
    [mix?.id, JSON.stringify([{ id: 'flour-all-purpose', name: 'flour', grams: 2000, lot: 'A1' }])],
  );
  const at = Date.UTC(2026, 5, 1, 8);
  const tap = (piece: number, act: string, s: number) =>
    query(
      'insert into batch_taps (id, batch_id, piece, act, surface, slot, at) values (gen_random_uuid(), $1, $2, $3, $4, $5, to_timestamp($6))',
      [id, piece, act, 'g', piece, at / 1000 + s],
    );
  // rows in no order: their times say it
  await tap(2, 'pour', 5);
  await tap(1, 'flip', 140);
  await tap(1, 'pour', 0);
  await tap(1, 'pull', 220);
  await tap(1, 'join', -60);
  await today();
  const taps = await tapsOf(id);
  expect(taps.map((t) => [t.act, t.piece])).toEqual([
    ['join', 1],
    ['pour', 1],
    ['pour', 2],
    ['flip', 1],
    ['pull', 1],
  ]);
  expect(taps[3]?.of).toBe(taps[1]?.id);
  // and it goes on from there
  const pour = randomUUID();
  expect(
    await keepItems(id, [
      { id: pour, do: 'tap', tap: { id: pour, act: 'pour', surface: 'g', slot: 2, at: at + 300_000 } },
    ]),
  ).toEqual([{ id: pour, ok: true }]);
  expect((await tapsOf(id)).at(-1)).toMatchObject({ piece: 3, slot: 0 });
  expect(await sides()).toMatchObject([
    { name: 'Old butter', parts: [{ ingredientId: 'honey', parts: 1 }], unreadable: [] },
  ]);
  expect(await premixes()).toMatchObject([{ name: 'Old mix', settings, revision: 1, unreadable: [] }]);
  expect(await lots()).toMatchObject([{ number: '260101-1', contents: [{ lot: 'A1' }], unreadable: [] }]);
});

test('0.6.0: the event log of a batch, its time line, its scales', async () => {
  await age('0008');
  const f = await formula('Counter cakes');
  const serving = {
    at: Date.UTC(2026, 10, 28, 9),
    anchor: 'last',
    helpers: 1,
    dayOneAt: null,
    moved: { rest: Date.UTC(2026, 10, 28, 8) },
  };
  const id = await batch(f.versionId, {
    timeline: JSON.stringify(serving),
    scales: JSON.stringify({ crumb: 4 }),
    change: 'less milk',
  });
  const act = { what: 'heat', surface: 'g', by: 'probe', realC: 178, dialC: 190 };
  await query('insert into batch_entries (id, batch_id, act, at) values (gen_random_uuid(), $1, $2, now())', [
    id,
    JSON.stringify(act),
  ]);
  await query('insert into batch_weights (batch_id, line_key, grams) values ($1, $2, 251)', [id, 'l1']);
  await today();
  expect(await batchById(id)).toMatchObject({
    timeline: serving,
    scales: { crumb: 4 },
    change: 'less milk',
    weights: { l1: 251 },
    entries: [{ act }],
    timelineRevision: 1,
    unreadable: [],
  });
  expect((await eventLogOf(id))?.entries).toMatchObject([{ act }]);
  // an older screen tells a turn by the piece's number alone
  const [pour, flip] = [randomUUID(), randomUUID()];
  await keepItems(id, [
    { id: pour, do: 'tap', tap: { id: pour, piece: 1, act: 'pour', surface: 'g', slot: 0, at: Date.now() } },
    { id: flip, do: 'tap', tap: { id: flip, piece: 1, act: 'flip', surface: 'g', slot: 0, at: Date.now() } },
  ]);
  expect((await tapsOf(id)).map((t) => [t.act, t.piece, t.of])).toEqual([
    ['pour', 1, null],
    ['flip', 1, pour],
  ]);
});

test('records of a newer Even Crumb are left alone, and said to be', async () => {
  await age('0010');
  await query("insert into schema_migrations (name, sha256) values ('0999_later.sql', 'x')");
  await expect(migrate()).rejects.toThrow('These records were made by a newer Even Crumb (0999_later.sql)');
});
