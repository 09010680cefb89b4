/** The shelf under batches that take from it, on the real database. */

import { randomUUID } from 'node:crypto';
import { z } from 'zod';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { offersFor } from '@/core/prep/mise';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { countRow, rowsFrom } from '../db/rows';
import { batchById, writeOutcome } from '../queries/batches';
import { keepItems } from '../queries/event-log';
import { saveVersion } from '../queries/formulas';
import { loadHouse } from '../queries/house';
import { keepPantry, stockNoted } from '../queries/pantry';
import { dropSide, keepSide, sideById, sides } from '../queries/sides';
import { versionById } from '../queries/versions';
import {
  changeCovers,
  makeAgain,
  previewSwap,
  putAway,
  putBack,
  standInPart,
  standInsOf,
  swapInBatch,
  undoSwaps,
} from './change-batch';
import { startBatch } from './start-batch';

// its own database: the shelf is everybody's
let versionId = '';
beforeAll(async () => {
  await ownDatabase('shelf_kitchen');
  const formula = {
    ...EMPTY_FORMULA,
    name: 'Shelf cakes',
    entries: ['500 g flour', '800 g milk', '20 g baking powder'].map((text, n) => ({ key: `l${n + 1}`, text })),
  };
  const saved = await saveVersion({ formulaId: null, basedOn: null, knownNewest: null, formula, changeNote: '' });
  versionId = saved.ok ? saved.saved.versionId : '';
});
afterAll(closePool);

const note = (ingredientId: string, onHandG: number) =>
  keepPantry([], [{ ingredientId, price: null, packG: null, onHandG, opened: null, bestBefore: null }]);
const onHand = async (id = 'flour-all-purpose'): Promise<number | null> => (await stockNoted())[id]?.onHandG ?? null;
const start = (more: Partial<Parameters<typeof startBatch>[0]> = {}) =>
  startBatch({
    versionId,
    driver: { by: 'factor', factor: 1 },
    exactness: 'exact',
    portionMl: 60,
    take: 'enough',
    ...more,
  });
const count = async (): Promise<number> =>
  (await rowsFrom(countRow, 'select count(*)::int as n from batches'))[0]?.n ?? 0;

test('a batch takes what it weighs, of what is noted, and says so', async () => {
  await note('flour-all-purpose', 1800);
  const b = await start();
  if (!b.ok) throw new Error(b.message);
  expect(await onHand()).toBeCloseTo(1300, 6);
  // nobody noted the milk: it is not counted
  expect((await batchById(b.id))?.deductions).toEqual([{ id: 'flour-all-purpose', wantedG: 500, takenG: 500 }]);
  const not = await start({ take: 'no' });
  if (!not.ok) throw new Error(not.message);
  expect(await onHand()).toBeCloseTo(1300, 6);
  expect((await batchById(not.id))?.deductions).toEqual([]);
});

test('where there is too little nothing is taken and no batch starts, unless it is asked anyway', async () => {
  await note('flour-all-purpose', 300);
  const before = await count();
  expect(await start()).toMatchObject({
    ok: false,
    path: 'take',
    message: expect.stringContaining('200 g short of 500 g'),
  });
  expect([await onHand(), await count()]).toEqual([300, before]);
  const b = await start({ take: 'anyway' });
  if (!b.ok) throw new Error(b.message);
  expect(await onHand()).toBe(0);
  expect((await batchById(b.id))?.deductions).toEqual([{ id: 'flour-all-purpose', wantedG: 500, takenG: 300 }]);
});

test('two batches started at the same moment: what is there is given out once, and never below nothing', async () => {
  await note('flour-all-purpose', 700);
  const both = await Promise.all([start(), start()]);
  expect(both.filter((b) => b.ok)).toHaveLength(1);
  expect(await onHand()).toBeCloseTo(200, 6);
  await note('flour-all-purpose', 1400);
  await note('milk-whole', 1000);
  const many = await Promise.all(Array.from({ length: 6 }, () => start({ take: 'anyway' })));
  expect(many.every((b) => b.ok)).toBe(true);
  expect(await onHand()).toBe(0);
  expect(await onHand('milk-whole')).toBe(0);
  const taken = await rowsFrom(
    z.object({ id: z.string(), g: z.number() }),
    'select ingredient_id as id, sum(taken_g) as g from stock_takings where batch_id = any($1) group by 1 order by 1',
    [many.flatMap((b) => (b.ok ? [b.id] : []))],
  );
  expect(taken.map((t) => [t.id, Math.round(t.g)])).toEqual([
    ['flour-all-purpose', 1400],
    ['milk-whole', 1000],
  ]);
  await query("delete from stock where ingredient_id = 'milk-whole'");
});

test('the same press of the button twice is one batch, and takes once', async () => {
  await note('flour-all-purpose', 5000);
  const requestId = randomUUID();
  const before = await count();
  const [a, b, c] = await Promise.all([start({ requestId }), start({ requestId }), start({ requestId })]);
  expect(a).toEqual(b);
  expect(b).toEqual(c);
  expect(a.ok).toBe(true);
  expect([await count(), await onHand()]).toEqual([before + 1, 4500]);
});

test('what was taken goes back once, and not after the batch is finished', async () => {
  await note('flour-all-purpose', 2000);
  const [a, b] = [await start(), await start()];
  if (!a.ok || !b.ok) throw new Error('not started');
  expect(await onHand()).toBe(1000);
  expect(await Promise.all([putBack(a.id), putBack(a.id)])).toEqual([true, true]);
  expect(await onHand()).toBe(1500);
  expect((await batchById(a.id))?.deductions).toEqual([]);
  await writeOutcome(b.id, { pieces: 10, firstSideS: null, secondSideS: null, verdict: 'good', marks: [], note: '' });
  expect(await putBack(b.id)).toBe(false);
  expect(await putBack(randomUUID())).toBe(false);
  expect(await onHand()).toBe(1500);
});

test('a split batch takes for all its mixes, and for what goes with it', async () => {
  await note('flour-all-purpose', 5000);
  await note('honey', 1000);
  const side = await keepSide({
    id: null,
    name: 'Shelf butter',
    by: 'weight',
    parts: [{ ingredientId: 'honey', parts: 1 }],
    servingG: 10,
    method: '',
  });
  if (!side.ok) throw new Error(side.message);
  const b = await start({ split: { by: 'kits', benches: 3, classes: 2 }, sides: [{ sideId: side.id, people: 12 }] });
  if (!b.ok) throw new Error(b.message);
  expect(await onHand()).toBeCloseTo(5000 - 6 * 500, 6);
  expect(await onHand('honey')).toBeCloseTo(880, 6);
  const batch = await batchById(b.id);
  expect(batch?.sheet).toHaveLength(6 * 3 + 1);
  expect(batch?.massG).toBeCloseTo(6 * 1320, 6);
  expect(await start({ sides: [{ sideId: randomUUID(), people: 2 }] })).toMatchObject({ ok: false, path: 'sides.0' });
});

test('sides are kept under one name each, changed and dropped; a batch that had one keeps it', async () => {
  const side = {
    name: 'Plum sauce',
    by: 'weight' as const,
    parts: [{ ingredientId: 'sugar-caster', parts: 1 }],
    servingG: 30,
    method: '',
  };
  const kept = await keepSide({ id: null, ...side });
  if (!kept.ok) throw new Error(kept.message);
  expect(await keepSide({ id: null, ...side, name: 'PLUM sauce' })).toMatchObject({
    ok: false,
    fields: { name: expect.any(String) },
  });
  expect(await keepSide({ ...side, id: kept.id, servingG: 40 })).toMatchObject({ ok: true, revision: 2 });
  expect((await sideById(kept.id))?.servingG).toBe(40);
  expect(await keepSide({ ...side, id: randomUUID(), name: 'Other' })).toMatchObject({ ok: false });
  const b = await start({ take: 'no', sides: [{ sideId: kept.id, people: 5 }] });
  // opened before the serving was changed: told, not dropped unseen
  expect(await dropSide(kept.id, 1)).toMatchObject({
    ok: false,
    kind: 'conflict',
    conflict: { revision: 2, theirs: { servingG: 40 } },
  });
  expect((await sideById(kept.id))?.servingG).toBe(40);
  expect([await dropSide(kept.id, 2), await dropSide(kept.id, 2)]).toEqual([{ ok: true }, { ok: true }]);
  expect((await sides()).some((s) => s.id === kept.id)).toBe(false);
  expect(b.ok && (await batchById(b.id))?.sheet.at(-1)).toMatchObject({ side: 'Plum sauce', grams: 200 });
});

test('a stand-in on this batch alone: the sheet planned again, the shelf given back and taken from, the formula as it was', async () => {
  await note('flour-all-purpose', 2000);
  await note('flour-bread', 2000);
  const b = await start();
  if (!b.ok) throw new Error(b.message);
  const batch = async () => {
    const x = await batchById(b.id);
    if (!x) throw new Error('gone');
    return x;
  };
  const offered = await standInsOf(await batch(), await loadHouse());
  expect(offered.l1?.map((o) => o.to)).toContain('flour-bread');
  expect(await onHand()).toBeCloseTo(1500, 6);
  expect(await swapInBatch(b.id, 'l1', 'egg-white', null)).toMatchObject({
    ok: false,
    message: 'Nothing like that stands in for it.',
  });
  expect(await swapInBatch(b.id, 'l1', 'flour-bread', null)).toEqual({ ok: true });
  const now = await batch();
  expect(now.sheet.find((l) => l.key === 'l1')?.parts?.map((p) => p.id)).toEqual(['flour-bread']);
  expect(now.swapped?.entries[0]?.text).toMatch(/bread flour/);
  expect(await onHand()).toBeCloseTo(2000, 6);
  expect(await onHand('flour-bread')).toBeCloseTo(1500, 0);
  const v = await versionById(now.versionId);
  expect(v?.formula.entries[0]?.text).toBe('500 g flour');
  // a second one goes on from the first
  expect(await swapInBatch(b.id, 'l2', 'oat-drink', null)).toEqual({ ok: true });
  expect((await batch()).sheet.flatMap((l) => l.parts?.map((p) => p.id) ?? [])).toEqual(
    expect.arrayContaining(['flour-bread', 'oat-drink']),
  );
  // what is weighed stays weighed
  await keepItems(b.id, [{ id: randomUUID(), do: 'line', key: 'l1', to: true }]);
  expect(await swapInBatch(b.id, 'l1', 'flour-spelt', null)).toMatchObject({
    ok: false,
    message: expect.stringContaining('weighed already'),
  });
  await writeOutcome(b.id, { pieces: null, firstSideS: null, secondSideS: null, verdict: 'good', marks: [], note: '' });
  expect(await swapInBatch(b.id, 'l1', 'flour-spelt', null)).toMatchObject({ ok: false });
});

test('a thing that stands on two lines is stood in for on both', async () => {
  const formula = {
    ...EMPTY_FORMULA,
    name: 'Two pours',
    entries: ['500 g flour', '600 g milk', '200 g milk, warmed', '20 g baking powder', '4 eggs, separated'].map(
      (text, n) => ({ key: `l${n + 1}`, text }),
    ),
  };
  const saved = await saveVersion({ formulaId: null, basedOn: null, knownNewest: null, formula, changeNote: '' });
  if (!saved.ok) throw new Error('not saved');
  const b = await open({ versionId: saved.saved.versionId, take: 'no' });
  // four eggs: 4 x 17 g of yolk in the wet, 4 x 33 g of white to be folded in
  const eggs = (await b.at()).sheet.filter((l) => l.key.startsWith('l5'));
  expect(eggs.map((l) => [l.key, l.vessel, l.grams])).toEqual([
    ['l5~y', 'wet', 68],
    ['l5~w', 'fold-in', 132],
  ]);
  const house = await loadHouse();
  const offers = await standInsOf(await b.at(), house);
  expect(offersFor('l2+l3', offers).map((o) => o.to)).toContain('oat-drink');
  expect(await swapInBatch(b.id, 'l2+l3', 'oat-drink', null)).toEqual({ ok: true });
  const now = await b.at();
  const ids = now.sheet.flatMap((l) => (l.parts ?? []).map((p) => p.id));
  expect(ids).toContain('oat-drink');
  expect(ids).not.toContain('milk-whole');
  expect(now.sheet.filter((l) => l.standsFor).map((l) => [l.key, l.standsFor])).toEqual([
    // both are the same thing now, and are poured once
    ['l2+l3', 'Whole milk'],
  ]);
  expect(await undoSwaps(b.id, null)).toEqual({ ok: true });
  expect((await b.at()).sheet.flatMap((l) => (l.parts ?? []).map((p) => p.id))).not.toContain('oat-drink');
});

const open = async (more: Partial<Parameters<typeof startBatch>[0]> = {}) => {
  const b = await start(more);
  if (!b.ok) throw new Error(b.message);
  const at = async () => {
    const x = await batchById(b.id);
    if (!x) throw new Error('gone');
    return x;
  };
  return { id: b.id, at };
};

test('a stand-in is told before it is taken, marked after, and taken out again whole, with the shelf as it was', async () => {
  await note('milk-whole', 5000);
  await note('almond-drink', 5000);
  const b = await open();
  const before = await b.at();
  const told = await previewSwap(b.id, 'l2', 'almond-drink', null);
  if (!told.ok) throw new Error(told.message);
  // nothing is changed by looking
  expect(await b.at()).toEqual(before);
  expect(told.preview.lines.map((l) => [l.from === null, l.to === null])).toEqual(
    expect.arrayContaining([
      [false, true],
      [true, false],
    ]),
  );
  expect([told.preview.comes.join(), told.preview.goes.join()]).toEqual([
    expect.stringMatching(/nut/i),
    expect.stringMatching(/milk/i),
  ]);
  expect(await swapInBatch(b.id, 'l2', 'almond-drink', null)).toEqual({ ok: true });
  const now = await b.at();
  expect(now.sheet.find((l) => l.key === 'l2')?.standsFor).toMatch(/milk/i);
  expect(now.sheetState).toBe(2);
  expect(await onHand('milk-whole')).toBeCloseTo(5000, 6);
  expect(await undoSwaps(b.id, null)).toEqual({ ok: true });
  const undone = await b.at();
  expect([undone.sheet, undone.massG, undone.swapped, undone.unswapped]).toEqual([
    before.sheet,
    before.massG,
    null,
    null,
  ]);
  expect(await onHand('milk-whole')).toBeCloseTo(4200, 6);
  expect(await onHand('almond-drink')).toBeCloseTo(5000, 6);
  expect(await undoSwaps(b.id, null)).toMatchObject({ ok: false });
});

test('more covers: what is not weighed is planned anew, what is weighed gets so much more, and the shelf gives the difference', async () => {
  await note('flour-all-purpose', 10_000);
  await note('milk-whole', 10_000);
  const b = await open({ driver: { by: 'pieces', pieces: 12, portionMl: 60 } });
  const was = await b.at();
  const grams = (x: typeof was, key: string): number => x.sheet.find((l) => l.key === key)?.grams ?? 0;
  await keepItems(b.id, [{ id: randomUUID(), do: 'line', key: 'l1', to: grams(was, 'l1') }]);
  expect(await changeCovers(b.id, 18)).toEqual({ ok: true, stays: [] });
  const now = await b.at();
  expect(now.piecesPlanned).toBe(18);
  // eighteen for twelve, but for the least that stays in the bowl
  expect(grams(now, 'l2') / grams(was, 'l2')).toBeCloseTo(1.5, 1);
  expect(grams(now, 'l1')).toBe(grams(was, 'l1'));
  expect((grams(now, 'l1') + grams(now, 'l1t1')) / grams(was, 'l1')).toBeCloseTo(
    grams(now, 'l2') / grams(was, 'l2'),
    2,
  );
  expect(await onHand('flour-all-purpose')).toBeCloseTo(10_000 - grams(now, 'l1') - grams(now, 'l1t1'), 3);
  // fewer: the flour is in, and nothing comes out of it again
  expect(await changeCovers(b.id, 6)).toMatchObject({
    ok: true,
    stays: [expect.stringContaining('nothing comes out of it again')],
  });
  expect((await b.at()).piecesPlanned).toBe(6);
  expect(grams(await b.at(), 'l2')).toBe(grams(now, 'l2'));
  // nothing weighed: all of it is as for six, and the rest is on the shelf again
  const c = await open({ driver: { by: 'pieces', pieces: 12, portionMl: 60 } });
  const [stood, twelve] = [(await onHand('flour-all-purpose')) ?? 0, grams(await c.at(), 'l1')];
  expect(await changeCovers(c.id, 6)).toEqual({ ok: true, stays: [] });
  expect(await onHand('flour-all-purpose')).toBeCloseTo(stood + twelve - grams(await c.at(), 'l1'), 3);
});

test('a stand-in and then more covers: undone, the sheet is the plan for as many', async () => {
  const b = await open({ driver: { by: 'pieces', pieces: 12, portionMl: 60 }, take: 'no' });
  expect(await swapInBatch(b.id, 'l2', 'oat-drink', null)).toEqual({ ok: true });
  expect(await changeCovers(b.id, 18)).toEqual({ ok: true, stays: [] });
  expect((await b.at()).sheet.find((l) => l.key === 'l2')?.standsFor).toMatch(/milk/i);
  expect(await undoSwaps(b.id, null)).toEqual({ ok: true });
  const eighteen = await open({ driver: { by: 'pieces', pieces: 18, portionMl: 60 }, take: 'no' });
  const [now, plan] = [await b.at(), await eighteen.at()];
  expect([now.sheet, now.piecesPlanned]).toEqual([plan.sheet, 18]);
  expect(now.massG).toBeCloseTo(plan.massG, 6);
});

test('of two stand-ins one is taken out alone: the other stays, as if it had been put in by itself', async () => {
  const b = await open({ take: 'no' });
  const powder = (await standInsOf(await b.at(), await loadHouse())).l3?.[0];
  if (!powder) throw new Error('nothing stands in for the powder');
  expect(await swapInBatch(b.id, 'l2', 'oat-drink', null)).toEqual({ ok: true });
  const alone = await b.at();
  expect(await swapInBatch(b.id, 'l3', powder.to, powder.with)).toEqual({ ok: true });
  expect((await b.at()).standIns?.map((s) => s.lineKey)).toEqual(['l2', 'l3']);
  expect(await undoSwaps(b.id, 1)).toEqual({ ok: true });
  const now = await b.at();
  expect([now.sheet, now.standIns, now.swapped]).toEqual([alone.sheet, alone.standIns, alone.swapped]);
  expect(await undoSwaps(b.id, 4)).toMatchObject({ ok: false });
  expect(await undoSwaps(b.id, 0)).toEqual({ ok: true });
  expect(await b.at()).toMatchObject({ standIns: [], swapped: null, unswapped: null });
});

test('a stand-in goes again while nothing that it changes is weighed: another line may be', async () => {
  const b = await open({ take: 'no' });
  expect(await swapInBatch(b.id, 'l2', 'oat-drink', null)).toEqual({ ok: true });
  const now = await b.at();
  const before = now.unswapped?.sheet ?? [];
  const same = now.sheet.find((l) =>
    before.some((x) => x.key === l.key && Math.abs((x.grams ?? 0) - (l.grams ?? 0)) < 0.01 && x.name === l.name),
  );
  if (!same) throw new Error('every line has changed');
  await keepItems(b.id, [{ id: randomUUID(), do: 'line', key: 'l2', to: 800 }]);
  expect(await undoSwaps(b.id, 0)).toMatchObject({
    ok: false,
    message: expect.stringMatching(/^Oat drink .*weighed already/),
  });
  await keepItems(b.id, [
    { id: randomUUID(), do: 'line', key: 'l2', to: false },
    { id: randomUUID(), do: 'line', key: same.key, to: true },
  ]);
  expect(await undoSwaps(b.id, 0)).toEqual({ ok: true });
  expect((await b.at()).ticked).toEqual([same.key]);
});

test('made again in cups after a part stood in: the plan in its own measures, and no line of the part', async () => {
  const b = await open({ take: 'no', exactness: 'kitchen', driver: { by: 'factor', factor: 1 } });
  const before = await b.at();
  const milk = before.sheet.find((l) => l.key === 'l2');
  expect(milk?.measure).not.toMatch(/^[\d.]+ g$/);
  expect(await standInPart(b.id, 'l2', (milk?.grams ?? 0) / 2, 'oat-drink', null)).toEqual({ ok: true });
  expect((await b.at()).sheet.length).toBe(before.sheet.length + 1);
  const again = await makeAgain(b.id, randomUUID());
  expect(again.ok && (await batchById(again.id))).toMatchObject({ sheet: before.sheet, massG: before.massG });
});

test('put away it is finished, with its stock back or not; made again it is the plan once more, once', async () => {
  await note('flour-all-purpose', 3000);
  const b = await open();
  expect(await putAway(b.id, true)).toBe(true);
  expect(await b.at()).toMatchObject({ putAway: true, finishedAt: expect.any(Date), deductions: [] });
  expect(await onHand()).toBeCloseTo(3000, 6);
  // told again it is as it was
  expect(await putAway(b.id, true)).toBe(true);
  const c = await open();
  expect(await putAway(c.id, false)).toBe(true);
  expect(await onHand()).toBeCloseTo(2500, 6);
  const before = await c.at();
  const request = randomUUID();
  const [one, two] = await Promise.all([makeAgain(c.id, request), makeAgain(c.id, request)]);
  expect(one.ok && two.ok && one.id === two.id).toBe(true);
  const again = one.ok ? await batchById(one.id) : null;
  expect(again).toMatchObject({
    sheet: before.sheet,
    massG: before.massG,
    finishedAt: null,
    ticked: [],
    putAway: false,
  });
  expect(await onHand()).toBeCloseTo(2000, 6);
});

test('a stand-in for the missing part of a line, with others weighed: what there is goes in, and the rest as another thing', async () => {
  await note('milk-whole', 5000);
  await note('oat-drink', 5000);
  const b = await open();
  await keepItems(b.id, [{ id: randomUUID(), do: 'line', key: 'l1', to: 500 }]);
  expect(await standInPart(b.id, 'l2', 900, 'oat-drink', null)).toMatchObject({ ok: false });
  expect(await standInPart(b.id, 'l2', 500, 'oat-drink', null)).toEqual({ ok: true });
  const now = await b.at();
  expect(now.sheet.find((l) => l.key === 'l2')).toMatchObject({ grams: 500, was: 800 });
  expect(now.sheet.find((l) => l.key === 'l2r1')).toMatchObject({
    grams: 300,
    standsFor: expect.stringMatching(/milk/i),
    parts: [{ id: 'oat-drink', grams: 300 }],
  });
  expect(now.ticked).toEqual(['l1']);
  expect(await onHand('milk-whole')).toBeCloseTo(4500, 6);
  expect(await onHand('oat-drink')).toBeCloseTo(4700, 6);
});
