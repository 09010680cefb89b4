/**
 * What is copied, put away, deleted, given up or taken back, on the real database: nothing is lost, and everything
 * comes back.
 */

import { randomUUID } from 'node:crypto';
import { EMPTY_FORMULA, type Formula } from '@/core/formula/formula';
import { ownDatabase } from '../db/own-database';
import { closePool, query } from '../db/pool';
import { batchById, writeOutcome } from '../queries/batches';
import { copyFormula, formulaShelf, formulaState, putFormula, saveVersion } from '../queries/formulas';
import { countStock, countsOf, keepPantry, stockNoted, uncountStock } from '../queries/pantry';
import { newestVersions, version } from '../queries/versions';
import { endBatch, putAway, takeUp } from './change-batch';
import { startTogether } from './headcount';
import { kitchenState, lookAround } from './look-around';

const FORMULA: Formula = {
  ...EMPTY_FORMULA,
  name: 'Lock cakes',
  entries: ['250 g flour', '10 g baking powder', '3 g salt', '350 g milk', '2 eggs', '30 g oil'].map((text, n) => ({
    key: `l${n + 1}`,
    text,
  })),
};
let formulaId = '';
let versionId = '';
beforeAll(async () => {
  await ownDatabase('away_kitchen');
  expect(await kitchenState()).toEqual({ empty: true, demo: false, first: null });
  const saved = await saveVersion({
    formulaId: null,
    basedOn: null,
    knownNewest: null,
    formula: FORMULA,
    changeNote: '',
  });
  if (!saved.ok) throw new Error(saved.message);
  ({ versionId, formulaId } = saved.saved);
});
afterAll(closePool);

const names = async (archived = false) => (await formulaShelf({ archived }, 100)).rows.map((r) => r.name).sort();
const flour = async () => (await stockNoted())['flour-all-purpose']?.onHandG ?? null;
async function begun(take: 'enough' | 'no' = 'enough'): Promise<string> {
  const s = await startTogether({
    versionId,
    driver: { by: 'factor', factor: 1 },
    exactness: 'gram',
    portionMl: 60,
    bags: [],
    take,
    requestId: null,
  });
  if (!s.ok) throw new Error(s.message);
  return s.id;
}

test('a copy is a formula of its own, under a name nobody has; its history begins with what it is a copy of', async () => {
  const request = '0b1b2c3d-0000-4000-8000-000000000001';
  const [a, b] = await Promise.all([copyFormula(formulaId, null, request), copyFormula(formulaId, null, request)]);
  if (!a.ok || !b.ok) throw new Error('not copied');
  // the same press is one copy
  expect(a.saved.formulaId).toBe(b.saved.formulaId);
  expect((await version(a.saved.formulaId, null))?.formula).toMatchObject({
    name: 'Lock cakes, copy',
    entries: FORMULA.entries,
  });
  expect((await formulaState(a.saved.formulaId))?.copyOf).toEqual({ formulaId, number: 1, name: 'Lock cakes' });
  const second = await copyFormula(a.saved.formulaId, 1, null);
  expect(second.ok && (await version(second.saved.formulaId, null))?.formula.name).toBe('Lock cakes, copy 2');
  expect((await formulaState(formulaId))?.copyOf).toBeNull();
  expect(await copyFormula('00000000-0000-4000-8000-00000000dead', null, null)).toMatchObject({ ok: false });
  // the original stands as it stood
  expect((await version(formulaId, null))?.number).toBe(1);
});

test('what is archived or deleted is on no list, keeps its versions, and comes back', async () => {
  const before = await names();
  expect(await putFormula(formulaId, { archived: true })).toBe(true);
  expect(await names()).toEqual(before.filter((n) => n !== 'Lock cakes'));
  expect(await names(true)).toEqual(['Lock cakes']);
  expect((await newestVersions()).some((v) => v.formulaId === formulaId)).toBe(false);
  expect(await putFormula(formulaId, { archived: false })).toBe(true);
  expect(await putFormula(formulaId, { deleted: true })).toBe(true);
  expect([await names(true), await names()]).toEqual([[], before.filter((n) => n !== 'Lock cakes')]);
  // by its address it is still there, for the log
  expect((await version(formulaId, 1))?.formula.name).toBe('Lock cakes');
  expect(await formulaState(formulaId)).toMatchObject({ deleted: true });
  expect(await putFormula(formulaId, { deleted: false })).toBe(true);
  expect(await names()).toEqual(before);
  expect(await putFormula('00000000-0000-4000-8000-00000000dead', { deleted: true })).toBe(false);
});

test('a batch given up gives back what it took, and takes it again when it is taken up; one that is ended says nothing of how it came out', async () => {
  await keepPantry(
    [],
    [{ ingredientId: 'flour-all-purpose', price: null, packG: null, onHandG: 1000, opened: null, bestBefore: null }],
  );
  const id = await begun();
  expect(await flour()).toBeCloseTo(750, 6);
  expect(await putAway(id, true)).toBe(true);
  expect(await flour()).toBeCloseTo(1000, 6);
  expect(await batchById(id)).toMatchObject({ putAway: true, finishedAt: expect.any(Date) });
  expect((await formulaShelf({}, 100)).rows.find((r) => r.id === formulaId)?.lastVerdict).toBeNull();
  expect(await takeUp(id)).toMatchObject({ ok: true });
  expect(await flour()).toBeCloseTo(750, 6);
  // given up and taken up a second time, and once with what it took used up: never more than it took
  await putAway(id, true);
  await takeUp(id);
  expect(await flour()).toBeCloseTo(750, 6);
  await putAway(id, false);
  expect(await takeUp(id)).toMatchObject({ ok: true });
  expect(await flour()).toBeCloseTo(750, 6);
  // one that took nothing takes nothing when it is taken up
  const none = await begun('no');
  await putAway(none, true);
  expect(await takeUp(none)).toMatchObject({ ok: true });
  expect(await flour()).toBeCloseTo(750, 6);
  await endBatch(none);
  expect(await batchById(id)).toMatchObject({ putAway: false, finishedAt: null });
  // one that is under way is taken up already
  expect(await takeUp(id)).toEqual({ ok: true });
  expect(await flour()).toBeCloseTo(750, 6);
  expect(await takeUp(randomUUID())).toMatchObject({ ok: false });
  expect(await endBatch(id)).toBe(true);
  // told twice is told once; one that is ended is not given up
  expect(await endBatch(id)).toBe(true);
  expect(await putAway(id, true)).toBe(false);

  expect(await batchById(id)).toMatchObject({ putAway: false, verdict: null });
  // the last outcome that was written stays the last, and its change stands for the next time
  const judged = await begun();
  const outcome = {
    pieces: 8,
    firstSideS: null,
    secondSideS: null,
    verdict: 'good' as const,
    marks: [],
    note: '',
    scales: {},
    waste: null,
    change: 'less heat',
  };
  expect(await writeOutcome(judged, outcome as never, null)).toMatchObject({ ok: true });
  const after = await begun();
  await putAway(after, true);
  expect((await formulaShelf({}, 100)).rows.find((r) => r.id === formulaId)).toMatchObject({
    lastVerdict: 'good',
    nextTime: 'less heat',
  });
  expect((await formulaState(formulaId))?.next).toMatchObject({
    batchId: judged,
    change: 'less heat',
    verdict: 'good',
  });
});

test('a count is taken back: what came and went since stays so; twice is once', async () => {
  const [first, second] = ['0b1b2c3d-0000-4000-8000-0000000000a1', '0b1b2c3d-0000-4000-8000-0000000000a2'];
  await countStock(first, 'sugar-granulated', 500, 'Ada');
  await countStock(second, 'sugar-granulated', 60, 'Ada');
  await query("update stock set on_hand_g = on_hand_g - 20 where ingredient_id = 'sugar-granulated'");
  expect(await uncountStock(second)).toBe(true);
  expect((await stockNoted())['sugar-granulated']?.onHandG).toBe(480);
  expect(await uncountStock(second)).toBe(true);
  expect((await stockNoted())['sugar-granulated']?.onHandG).toBe(480);
  expect(await uncountStock(randomUUID())).toBe(false);
  expect((await countsOf('sugar-granulated')).map((c) => [c.countedG, c.undone])).toEqual([
    [60, true],
    [500, false],
  ]);
  // nobody had counted it before: nobody has counted it
  expect(await uncountStock(first)).toBe(true);
  expect((await stockNoted())['sugar-granulated']?.onHandG ?? null).toBeNull();
});

test('the demo is loaded into an empty kitchen alone', async () => {
  expect(await lookAround()).toMatchObject({ ok: false, message: expect.stringMatching(/something in this kitchen/) });
  expect(await query("select 1 from kitchen where key = 'loading'")).toEqual([]);
});
