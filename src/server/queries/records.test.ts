/** Formulas, versions and batches on the real database. */

import { randomUUID } from 'node:crypto';
import { readdirSync } from 'node:fs';
import { z } from 'zod';
import type { Act } from '@/core/batch/acts';
import { wayEdits } from '@/core/formula/act-edits';
import { EMPTY_FORMULA, type Formula } from '@/core/formula/formula';
import type { Tap } from '@/core/griddle/board';
import { FRESH_CONVENTIONS } from '@/core/pantry/conventions';
import { NOTHING_OWN } from '@/core/pantry/own';
import { migrate } from '../db/migrate';
import { ownDatabase } from '../db/own-database';
import { closePool, query, reach, transaction } from '../db/pool';
import { countRow, rowsFrom } from '../db/rows';
import { RecordsTrouble } from '../db/trouble';
import { rebalanceMix } from '../usecases/rebalance';
import { startBatch } from '../usecases/start-batch';
import { batchById, log as logPage, setServing, underWay, writeOutcome } from './batches';
import { eventLogOf, keepItems } from './event-log';
import { formulaShelf, type Save, saveVersion as save } from './formulas';
import { dialReadings, earlierSides, tapsOf, wantPieces } from './griddle';
import { changeHouse, loadHouse } from './house';
import { version, versionsOf as versionPage } from './versions';

const FORMULA: Formula = {
  ...EMPTY_FORMULA,
  name: 'Test cakes',
  kind: 'griddle',
  school: 'even',
  conventions: { flourFill: 'spooned' },
  cardNotes: 'Makes 12',
  entries: ['2 cups flour', '2 tsp baking powder', '1 3/4 cups milk', '2 eggs', 'oil for the pan'].map((text, n) => ({
    key: `l${n + 1}`,
    text,
  })),
};

const saveVersion = async (s: Save) => {
  const a = await save(s);
  return a.ok ? a.saved : null;
};
const shelf = async () => (await formulaShelf({}, 1000)).rows;
const versionsOf = async (id: string) => (await versionPage(id)).rows;
const log = async (...of: Parameters<typeof logPage>) => (await logPage(...of)).rows;

beforeAll(async () => {
  await ownDatabase('records_kitchen');
});
afterAll(closePool);

async function made(name = FORMULA.name) {
  const s = await saveVersion({
    formulaId: null,
    basedOn: null,
    knownNewest: null,
    formula: { ...FORMULA, name },
    changeNote: '',
  });
  if (!s) throw new Error('not saved');
  return s;
}

/** Whether all of it was kept. */
const all = async (answers: ReturnType<typeof keepItems>): Promise<boolean> => (await answers).every((a) => a.ok);
const line = (batchId: string, key: string, to: boolean | number) =>
  all(keepItems(batchId, [{ id: randomUUID(), do: 'line', key, to }]));
const keep = (batchId: string, taps: readonly Tap[]) =>
  all(
    keepItems(
      batchId,
      taps.map((tap) => ({ id: tap.id, do: 'tap', tap })),
    ),
  );

test('migrations are applied once', async () => {
  expect(await migrate()).toEqual([]);
  const rows = await rowsFrom(z.object({ name: z.string() }), 'select name from schema_migrations order by name');
  expect(rows.map((r) => r.name)).toEqual(readdirSync('database/migrations').sort());
});

test('a formula comes back as it was saved', async () => {
  const s = await made();
  const v = await version(s.formulaId, null);
  expect(v).toMatchObject({ number: 1, newest: 1, basedOn: null, formula: FORMULA });
});

test('what the Bench keeps of a version comes back: ends, pins, ways, answers, portion', async () => {
  const formula: Formula = {
    ...FORMULA,
    edits: wayEdits({ rest: 'overnight' }),
    portionMl: 75,
    held: { rails: ['egg'], mass: true, eggs: false, blend: false },
    dismissed: ['salt-high:note'],
    ends: [
      { id: 'a', name: 'sweet', school: 'even' },
      { id: 'b', name: 'savoury', school: 'tall' },
    ],
    entries: [
      { key: 'l1', text: '250 g flour', pinned: true },
      { key: 'l2', text: '10 g baking powder', opened: '2026-01-05' },
      { key: 'l3', text: '400 g milk' },
      { key: 'l4', text: '80 g sugar', end: 'a' },
      { key: 'l5', text: '80 g blueberries', moment: 'poured', dressing: 'dried', off: true },
    ],
  };
  const s = await saveVersion({ formulaId: null, basedOn: null, knownNewest: null, formula, changeNote: '' });
  expect((await version(s?.formulaId ?? '', null))?.formula).toEqual(formula);
  const b = await startBatch({
    versionId: s?.versionId ?? '',
    driver: { by: 'factor', factor: 1 },
    exactness: 'gram',
    portionMl: 60,
    end: 'b',
  });
  if (!b.ok) throw new Error(b.message);
  const batch = await batchById(b.id);
  // the savoury end has no sugar, and what is switched off is not weighed
  expect(batch).toMatchObject({ name: 'Test cakes, savoury', massG: 660 });
  expect(batch?.sheet.map((l) => l.key)).toEqual(['l1', 'l2', 'l3']);
});

test('the shelf is told of the louder end, and not of what the cook means', async () => {
  const entries = [
    { key: 'l1', text: '250 g flour' },
    { key: 'l2', text: '430 g milk' },
    { key: 'l3', text: '2 eggs' },
    { key: 'l4', text: '40 g butter' },
    { key: 'l5', text: '25 g sugar' },
    { key: 'l6', text: '4 g salt' },
    { key: 'l7', text: '10 g baking powder' },
    { key: 'l8', text: '5 g baking soda', end: 'b' as const },
  ];
  const ends: Formula['ends'] = [
    { id: 'a', name: 'sweet', school: 'even' },
    { id: 'b', name: 'savoury', school: 'even' },
  ];
  const worst = async (dismissed: readonly string[]) => {
    const s = await saveVersion({
      formulaId: null,
      basedOn: null,
      knownNewest: null,
      formula: { ...FORMULA, cardNotes: '', entries, ends, dismissed },
      changeNote: '',
    });
    return (await shelf()).find((r) => r.id === s?.formulaId)?.worst;
  };
  expect(await worst([])).toBe('stop');
  expect(await worst(['soda-unspent:stop'])).toBeNull();
});

test("the house's own ways are kept, and formulas that say nothing follow them", async () => {
  expect((await loadHouse()).conventions).toEqual({ ...FRESH_CONVENTIONS, own: NOTHING_OWN });
  await changeHouse({
    conventions: { ...FRESH_CONVENTIONS, flourFill: 'dipped' },
    ways: { rest: 'hour', warmth: 'cold', whites: 'firm', altitudeM: 0 },
  });
  try {
    const house = await loadHouse();
    expect(house).toMatchObject({
      conventions: { flourFill: 'dipped', cup: 'us-customary' },
      ways: { rest: 'hour', warmth: 'cold', whites: 'firm', altitudeM: 0 },
    });
    // a dipped cup holds 140 g
    const s = await saveVersion({
      formulaId: null,
      basedOn: null,
      knownNewest: null,
      formula: { ...FORMULA, conventions: {} },
      changeNote: '',
    });
    const b = await startBatch({
      versionId: s?.versionId ?? '',
      driver: { by: 'factor', factor: 1 },
      exactness: 'gram',
      portionMl: 60,
    });
    expect(b.ok && (await batchById(b.id))?.sheet[0]?.measure).toBe('280 g');
  } finally {
    await query("delete from kitchen where key = 'house'");
  }
});

test('each save is a version; an old one is still there as it was', async () => {
  const s = await made();
  const two = await saveVersion({
    formulaId: s.formulaId,
    basedOn: 1,
    knownNewest: 1,
    formula: { ...FORMULA, name: 'Test cakes, sweeter' },
    changeNote: 'sweeter',
  });
  expect(two).toMatchObject({ number: 2, passedBy: null });
  expect((await version(s.formulaId, 1))?.formula.name).toBe('Test cakes');
  expect((await version(s.formulaId, null))?.formula.name).toBe('Test cakes, sweeter');
  expect((await versionsOf(s.formulaId)).map((v) => [v.number, v.basedOn, v.changeNote])).toEqual([
    [2, 1, 'sweeter'],
    [1, null, ''],
  ]);
});

test('saving past a newer version keeps both and says so; saving on an old one knowingly does not', async () => {
  const s = await made();
  const save = (basedOn: number, knownNewest: number) =>
    saveVersion({ formulaId: s.formulaId, basedOn, knownNewest, formula: FORMULA, changeNote: '' });
  expect((await save(1, 1))?.passedBy).toBeNull();
  expect(await save(1, 1)).toMatchObject({ number: 3, passedBy: { number: 2 } });
  expect(await save(1, 3)).toMatchObject({ number: 4, passedBy: null });
});

test('ten people saving at once get ten versions', async () => {
  const s = await made();
  const saves = await Promise.all(
    Array.from({ length: 10 }, () =>
      saveVersion({ formulaId: s.formulaId, basedOn: 1, knownNewest: 1, formula: FORMULA, changeNote: '' }),
    ),
  );
  expect(saves.map((x) => x?.number).sort((a, b) => (a ?? 0) - (b ?? 0))).toEqual([2, 3, 4, 5, 6, 7, 8, 9, 10, 11]);
  expect(saves.filter((x) => x?.passedBy === null)).toHaveLength(1);
});

test('a formula that is not there is not made by saving a version of it', async () => {
  expect(
    await saveVersion({
      formulaId: '00000000-0000-4000-8000-000000000000',
      basedOn: 1,
      knownNewest: 1,
      formula: FORMULA,
      changeNote: '',
    }),
  ).toBeNull();
});

test('the shelf shows the newest version, what it is mostly made of, and the last verdict', async () => {
  const s = await made('Shelf cakes');
  await saveVersion({
    formulaId: s.formulaId,
    basedOn: 1,
    knownNewest: 1,
    formula: { ...FORMULA, name: 'Shelf cakes, again' },
    changeNote: '',
  });
  const b = await startBatch({
    versionId: s.versionId,
    driver: { by: 'factor', factor: 1 },
    exactness: 'gram',
    portionMl: 60,
  });
  if (b.ok)
    await writeOutcome(b.id, { pieces: 11, firstSideS: 140, secondSideS: 70, verdict: 'good', marks: [], note: '' });
  expect((await shelf()).filter((r) => r.id === s.formulaId)).toEqual([
    expect.objectContaining({
      number: 2,
      name: 'Shelf cakes, again',
      mainFlour: 'All-purpose wheat flour',
      mainLiquid: 'Whole milk',
      pour: expect.any(String),
      lastVerdict: 'good',
    }),
  ]);
});

test('a batch keeps the sheet of the version it was made from, its ticks and its outcome', async () => {
  const s = await made('Batch cakes');
  const b = await startBatch({
    versionId: s.versionId,
    driver: { by: 'factor', factor: 2 },
    exactness: 'gram',
    portionMl: 60,
  });
  if (!b.ok) throw new Error(b.message);
  await saveVersion({
    formulaId: s.formulaId,
    basedOn: 1,
    knownNewest: 1,
    formula: { ...FORMULA, entries: FORMULA.entries.slice(0, 1) },
    changeNote: '',
  });
  expect(await line(b.id, 'l1', true)).toBe(true);
  expect(await line(b.id, 'l1', true)).toBe(true);
  expect(await line(b.id, 'l3', true)).toBe(true);
  expect(await line(b.id, 'l3', false)).toBe(true);
  expect(await line(b.id, 'l99', true)).toBe(false);
  expect((await underWay()).map((x) => x.id)).toContain(b.id);
  const batch = await batchById(b.id);
  expect(batch).toMatchObject({
    versionNumber: 1,
    ticked: ['l1'],
    finishedAt: null,
    massG: expect.closeTo(2 * (250 + 9.2 + 427 + 100), 0),
  });
  expect(batch?.sheet.map((l) => [l.key, l.measure])).toEqual([
    ['l1', '500 g'],
    ['l2', '18.4 g'],
    ['l3', '854 g'],
    ['l4', '200 g'],
    ['l5', null],
  ]);
  await writeOutcome(b.id, {
    pieces: 20,
    firstSideS: 145,
    secondSideS: null,
    verdict: 'fair',
    marks: ['dark'],
    note: 'Too hot.',
  });
  const first = (await batchById(b.id))?.finishedAt;
  await writeOutcome(b.id, {
    pieces: 21,
    firstSideS: 145,
    secondSideS: 70,
    verdict: 'good',
    marks: [],
    note: 'Counted again.',
  });
  expect(await batchById(b.id)).toMatchObject({
    pieces: 21,
    verdict: 'good',
    note: 'Counted again.',
    finishedAt: first,
  });
  expect((await underWay()).map((x) => x.id)).not.toContain(b.id);
});

test('what was weighed is kept, and the rest of a mix is worked anew around it: twice is once, and what is weighed stands', async () => {
  const s = await made('Weighed cakes');
  const b = await startBatch({
    versionId: s.versionId,
    driver: { by: 'factor', factor: 4 },
    exactness: 'gram',
    portionMl: 60,
  });
  if (!b.ok) throw new Error(b.message);
  const before = (await batchById(b.id))?.sheet ?? [];
  const [flour, powder] = [
    before.find((l) => l.key === 'l1')?.grams ?? 0,
    before.find((l) => l.key === 'l2')?.grams ?? 0,
  ];
  expect(await line(b.id, 'l1', Math.round(1.1 * flour))).toBe(true);
  expect(await line(b.id, 'l9', 5)).toBe(false);
  expect(await batchById(b.id)).toMatchObject({ weights: { l1: Math.round(1.1 * flour) }, ticked: ['l1'] });
  expect(await rebalanceMix(b.id, 1)).toBe(true);
  const once = await batchById(b.id);
  const after = once?.sheet.find((l) => l.key === 'l2');
  expect(after?.was).toBe(powder);
  expect(Math.abs((after?.grams ?? 0) - 1.1 * powder)).toBeLessThanOrEqual(0.6);
  expect(once?.sheet.find((l) => l.key === 'l1')).toEqual(before.find((l) => l.key === 'l1'));
  expect(await rebalanceMix(b.id, 1)).toBe(true);
  expect((await batchById(b.id))?.sheet).toEqual(once?.sheet);
  // unticked, its weight goes with it
  expect(await line(b.id, 'l1', false)).toBe(true);
  expect((await batchById(b.id))?.weights).toEqual({});
  expect(await line(b.id, 'l1', 480)).toBe(true);
  expect(await line(b.id, 'l1', false)).toBe(true);
  expect(await batchById(b.id)).toMatchObject({ weights: {}, ticked: [] });
  await writeOutcome(b.id, { pieces: null, firstSideS: null, secondSideS: null, verdict: 'good', marks: [], note: '' });
  expect(await rebalanceMix(b.id, 1)).toBe(false);
});

test('taps are kept once each, whichever screen says them; they teach the formula its times', async () => {
  const s = await made('Tapped cakes');
  const start = async () => {
    const b = await startBatch({
      versionId: s.versionId,
      driver: { by: 'pieces', pieces: 8, portionMl: 60 },
      exactness: 'gram',
      portionMl: 60,
    });
    if (!b.ok) throw new Error(b.message);
    return b.id;
  };
  const id = await start();
  const at = Date.UTC(2026, 4, 2, 8);
  const tap = (piece: number, act: 'pour' | 'flip' | 'pull', s: number) => ({
    id: randomUUID(),
    piece,
    act,
    surface: 'griddle',
    slot: piece - 1,
    at: at + 1000 * s,
  });
  const taps = [
    tap(1, 'pour', 0),
    tap(2, 'pour', 4),
    tap(1, 'flip', 130),
    tap(2, 'flip', 138),
    tap(1, 'pull', 200),
    tap(2, 'pull', 214),
  ];
  expect(await Promise.all([keep(id, taps), keep(id, taps)])).toEqual([true, true]);
  // another screen pulls the same piece a moment later: the first word stands
  expect(await keep(id, [tap(1, 'pull', 203)])).toBe(true);
  expect(await tapsOf(id)).toHaveLength(6);
  expect((await tapsOf(id)).find((t) => t.piece === 1 && t.act === 'pull')?.at).toBe(at + 200_000);
  await keepItems(id, [{ id: randomUUID(), do: 'untap', tapId: taps[5]?.id ?? '' }]);
  expect(await tapsOf(id)).toHaveLength(5);
  expect(await keep(randomUUID(), taps)).toBe(false);
  const next = await start();
  const of = { id: next, formulaId: s.formulaId, kind: 'griddle', portionMl: 60 };
  expect(await earlierSides(of)).toEqual({ first: [130], second: [70] });
  expect(await earlierSides({ ...of, portionMl: 120 })).toEqual({ first: [], second: [] });
  // of two ends of other kinds, each kind learns from its own pieces
  await query(
    `update batches set driver = '{"by":"both","a":{"name":"flat","pieces":1,"portionMl":60},"b":{"name":"balls","pieces":1,"portionMl":60,"kind":"ball"}}' where id = $1`,
    [id],
  );
  await query(
    "update batch_taps set end_id = case piece when 1 then 'a' else 'b' end where batch_id = $1 and act = 'pour'",
    [id],
  );
  await keepItems(id, [
    {
      id: randomUUID(),
      do: 'tap',
      tap: { id: randomUUID(), of: taps[1]?.id ?? '', act: 'pull', surface: 'griddle', slot: 1, at: at + 214_000 },
    },
  ]);
  expect(await earlierSides(of)).toEqual({ first: [130], second: [70] });
  expect(await earlierSides({ ...of, kind: 'ball' })).toEqual({ first: [134], second: [76] });
  // two screens add one each, one of them told twice
  const planned = (await batchById(next))?.piecesPlanned ?? 0;
  const request = randomUUID();
  await Promise.all([wantPieces(next, 1, request), wantPieces(next, 1, request), wantPieces(next, 1, randomUUID())]);
  expect((await batchById(next))?.piecesPlanned).toBe(planned + 2);
  expect(await wantPieces(randomUUID(), 1)).toMatchObject({ ok: false });
});

test('what a screen tells is kept once, whatever came between; a line that is not there is refused by itself', async () => {
  const s = await made('Told cakes');
  const b = await startBatch({
    versionId: s.versionId,
    driver: { by: 'factor', factor: 1 },
    exactness: 'gram',
    portionMl: 60,
  });
  if (!b.ok) throw new Error(b.message);
  const at = Date.UTC(2026, 4, 2, 8);
  const entry = { id: randomUUID(), at, act: { what: 'tool', name: "M'B’s ring" } } as const;
  const first = [
    { id: randomUUID(), do: 'line', key: 'l1', to: 250 },
    { id: randomUUID(), do: 'enter', entry },
  ] as const;
  expect(await all(keepItems(b.id, first))).toBe(true);
  const stamp = (await eventLogOf(b.id))?.stamp;
  expect(await line(b.id, 'l1', 255)).toBe(true);
  // an answer was lost, and the first is told again: the later word stands
  expect(await all(keepItems(b.id, first))).toBe(true);
  expect(await eventLogOf(b.id)).toEqual({
    stamp,
    now: expect.any(Number),
    taps: [],
    ticked: ['l1'],
    weights: { l1: 255 },
    entries: [entry],
  });
  expect((await batchById(b.id))?.entries).toEqual([entry]);
  const none = [
    { id: randomUUID(), do: 'strike', entryId: entry.id },
    { id: randomUUID(), do: 'line', key: 'l99', to: true },
  ] as const;
  // the line is not there; the entry is struck out all the same
  expect((await keepItems(b.id, none)).map((a) => a.ok)).toEqual([true, false]);
  expect((await eventLogOf(b.id))?.entries).toHaveLength(0);
  // when it is served is told by the stamp
  const serving = { at, anchor: 'first', helpers: 1, dayOneAt: null, moved: { rest: at } } as const;
  expect(await setServing(b.id, serving)).toMatchObject({ ok: true, revision: 2 });
  expect((await batchById(b.id))?.timeline).toEqual(serving);
  expect((await eventLogOf(b.id))?.stamp).not.toBe(stamp);
  expect(await eventLogOf(randomUUID())).toBeNull();
});

test('a second look is refused while a pile is open, by name, and kept when all are weighed', async () => {
  const s = await made('Looked at cakes');
  const b = await startBatch({
    versionId: s.versionId,
    driver: { by: 'factor', factor: 1 },
    exactness: 'gram',
    portionMl: 60,
  });
  if (!b.ok) throw new Error(b.message);
  const keys = (await batchById(b.id))?.sheet.flatMap((l) => (l.grams === null ? [] : [l.key])) ?? [];
  const looked = () =>
    [
      {
        id: randomUUID(),
        do: 'enter',
        entry: { id: randomUUID(), at: 1e12, act: { what: 'checked', mix: 1, initials: 'AB' } },
      },
    ] as const;
  for (const key of keys.slice(1)) expect(await line(b.id, key, true)).toBe(true);
  expect(await keepItems(b.id, looked())).toMatchObject([
    { ok: false, message: expect.stringMatching(/^The second look waits: .* is not weighed/) },
  ]);
  expect((await batchById(b.id))?.entries).toEqual([]);
  expect(await line(b.id, keys[0] ?? '', 250)).toBe(true);
  expect(await all(keepItems(b.id, looked()))).toBe(true);
});

test('the log is found by words and verdict; a per cent sign is only a sign', async () => {
  const s = await made('Log cakes 100%');
  const b = await startBatch({
    versionId: s.versionId,
    driver: { by: 'factor', factor: 1 },
    exactness: 'exact',
    portionMl: 60,
  });
  if (!b.ok) throw new Error(b.message);
  await writeOutcome(b.id, {
    pieces: null,
    firstSideS: null,
    secondSideS: null,
    verdict: 'poor',
    marks: ['soapy'],
    note: "It's odd'; drop table batches; --",
  });
  const ids = async (text: string, verdict: 'poor' | 'best' | null = null) =>
    (await log({ text, verdict })).map((x) => x.id);
  expect(await ids('100%')).toEqual([b.id]);
  expect(await ids('soapy', 'poor')).toContain(b.id);
  expect(await ids("odd'; drop")).toEqual([b.id]);
  expect(await ids('log cakes', 'best')).toEqual([]);
});

test('the best so far of each formula; scales, waste and the change are kept; what a dial has meant is known to the next batch', async () => {
  const s = await made('Best cakes');
  const out = async (verdict: 'best' | 'good' | 'poor', more: object = {}) => {
    const b = await startBatch({
      versionId: s.versionId,
      driver: { by: 'factor', factor: 1 },
      exactness: 'exact',
      portionMl: 60,
    });
    if (!b.ok) throw new Error(b.message);
    await writeOutcome(b.id, { pieces: 9, firstSideS: null, secondSideS: null, verdict, marks: [], note: '', ...more });
    return b.id;
  };
  const [good] = [await out('good'), await out('poor')];
  const best = async () => (await log({ text: 'best cakes', verdict: null, best: true })).map((b) => b.id);
  expect(await best()).toEqual([good]);
  const better = await out('best', { scales: { colour: 3 }, waste: 2, change: 'a minute longer' });
  expect(await best()).toEqual([better]);
  expect(await batchById(better)).toMatchObject({
    scales: { colour: 3 },
    waste: 2,
    change: 'a minute longer',
    lastOffAt: null,
  });
  expect((await log({ text: 'a minute longer', verdict: null })).map((b) => b.id)).toEqual([better]);
  const at = Date.UTC(2026, 4, 2, 8);
  const enter = (act: Act) =>
    keepItems(better, [{ id: randomUUID(), do: 'enter', entry: { id: randomUUID(), at, act } }]);
  await enter({ what: 'heat', surface: 'lane', by: 'probe', realC: 168, dialC: 180 });
  await enter({ what: 'heat', surface: 'lane', by: 'probe', realC: 150, dialC: null });
  await enter({ what: 'heat', surface: 'lane', by: 'drop', drop: 'dances', dialC: 180 });
  expect((await dialReadings()).filter((r) => r.surface === 'lane')).toEqual([
    { surface: 'lane', at, dialC: 180, realC: 168, drop: null },
  ]);
});

test('a batch that cannot be scaled is refused with its place', async () => {
  const s = await made();
  expect(
    await startBatch({
      versionId: s.versionId,
      driver: { by: 'ingredient', ingredientId: 'honey', grams: 5 },
      exactness: 'gram',
      portionMl: 60,
    }),
  ).toMatchObject({
    ok: false,
    path: 'to.ingredientId',
  });
  expect(
    await startBatch({
      versionId: '00000000-0000-4000-8000-000000000000',
      driver: { by: 'factor', factor: 1 },
      exactness: 'gram',
      portionMl: 60,
    }),
  ).toMatchObject({ ok: false });
});

test('a transaction that fails leaves nothing behind', async () => {
  const count = async () => (await rowsFrom(countRow, 'select count(*)::int as n from formulas'))[0]?.n;
  const before = await count();
  await expect(
    transaction(async (c) => {
      await c.query('insert into formulas default values');
      throw new Error('on purpose');
    }),
  ).rejects.toThrow('on purpose');
  expect(await count()).toBe(before);
});

test('a database that is away is told from a mistake of ours', async () => {
  await closePool();
  const url = process.env.DATABASE_URL;
  process.env.DATABASE_URL = 'postgres://nobody@127.0.0.1:1/none';
  try {
    expect(await reach(() => query('select 1'))).toEqual({ up: false, kind: 'away' });
    await expect(query('select 1')).rejects.toBeInstanceOf(RecordsTrouble);
  } finally {
    await closePool();
    process.env.DATABASE_URL = url;
  }
  await expect(reach(() => query('select nonsense'))).rejects.toThrow(/nonsense/);
});
