/** The demo kitchen on the real database: whole, varied, and with the three cards that have something wrong. */

import { randomUUID } from 'node:crypto';
import { analyseFormula } from '@/core/analyse-formula';
import { acrossOf } from '@/core/batch/mixes';
import { partsOf } from '@/core/batch/sides';
import { factorAt } from '@/core/griddle/places';
import { priorOf } from '@/core/learn/lessons';
import { findIngredient } from '@/core/pantry/pantry';
import { EMPTY_STOCK, keeping } from '@/core/pantry/stock';
import { bagsLeft, firstToUse } from '@/core/premix/premix';
import { ownDatabase } from '../db/own-database';
import { closePool } from '../db/pool';
import { log, underWay } from '../queries/batches';
import { formulaShelf } from '../queries/formulas';
import { loadHouse } from '../queries/house';
import { lots, premixes } from '../queries/premixes';
import { sides } from '../queries/sides';
import { version } from '../queries/versions';
import { mapsInUse } from './day';
import { loadDemo } from './demo';
import { DEMO_TRUTH, demoPlace } from './demo-months';
import { placesHere, setAside, switchLesson, switchPlaces, whatWasLearned } from './learned';
import { workedPremix } from './premix-lots';

// its own database, so that the tests of records can run beside it
beforeAll(async () => {
  await ownDatabase('demo_kitchen');
  await loadDemo();
});
afterAll(closePool);

async function analysed() {
  const [rows, house] = await Promise.all([formulaShelf({}, 1000).then((p) => p.rows), loadHouse()]);
  return Promise.all(
    rows.map(async (r) => {
      const v = await version(r.id, null);
      if (!v) throw new Error(r.name);
      const ends = (v.formula.ends ?? [null]).map((e) => analyseFormula(v.formula, house, e?.id ?? null));
      return {
        name: r.name,
        kind: r.kind,
        lines: ends.flatMap((e) => e.lines),
        findings: ends.flatMap((e) => e.analysis.findings),
      };
    }),
  );
}

test('at least ten formulas of at least five kinds, found by liquid and pour', async () => {
  const rows = await formulaShelf({}, 1000).then((p) => p.rows);
  expect(rows.length).toBeGreaterThanOrEqual(10);
  expect(new Set(rows.map((r) => r.kind)).size).toBe(7);
  expect(new Set(rows.map((r) => r.mainLiquid)).size).toBeGreaterThanOrEqual(3);
  expect(rows.every((r) => r.pour !== null && r.mainFlour !== null)).toBe(true);
});

test('one has soda with nothing to work on, one amounts that disagree, one a line without a measured amount; the rest are calm', async () => {
  const all = await analysed();
  const look = all.filter((f) => f.findings.some((x) => x.severity !== 'note')).map((f) => f.name);
  expect(look.sort()).toEqual(['Grandstand banana cakes', 'Old tea-hut card', "Skipper's soda cakes"]);
  const codes = (name: string): readonly string[] =>
    all.find((f) => f.name === name)?.findings.map((x) => x.code) ?? [];
  expect(codes("Skipper's soda cakes")[0]).toBe('soda-unspent');
  expect(codes('Old tea-hut card')).toContain('amounts-disagree');
  expect(codes('Grandstand banana cakes')).toContain('lines-open');
});

test('every line of the batter is understood, but for the two that are meant not to be', async () => {
  const open = (await analysed()).flatMap((f) =>
    f.lines.filter((l) => l.use === 'batter' && l.parts.length === 0).map((l) => l.text),
  );
  expect(open.sort()).toEqual(['a splash of milk, more if it is stiff', 'cinnamon']);
});

test('one is forked, both ends calm; one has a powder that is getting old', async () => {
  const all = await analysed();
  const by = (name: string) => all.find((f) => f.name === name);
  expect(by("Lock-keeper's two-way crepes")?.findings).toEqual([]);
  expect(by('Camp trailer corn cakes')?.findings.map((x) => x.code)).toEqual(['powder-old']);
});

test('two batches are under way at different steps, and the log has good and bad ones', async () => {
  const now = await underWay();
  expect(now.map((b) => [b.name, b.ticked.length])).toEqual([
    ['Regatta griddle cakes', 4],
    ['Lock-side crepes', 7],
  ]);
  const done = (await log({ text: '', verdict: null })).rows.filter((b) => b.finishedAt);
  expect(new Set(done.map((b) => b.verdict))).toEqual(new Set(['best', 'good', 'fair', 'poor']));
  expect(done.every((b) => b.finishedAt && b.finishedAt > b.startedAt && b.finishedAt < new Date())).toBe(true);
});

test('sauces and butters by weight and by volume, all of it in the pantry', async () => {
  const [all, house] = await Promise.all([sides(), loadHouse()]);
  expect(all.length).toBeGreaterThanOrEqual(6);
  expect(new Set(all.map((s) => s.by))).toEqual(new Set(['weight', 'volume']));
  for (const s of all)
    expect([s.name, partsOf(s, (id) => findIngredient(id, house.conventions.own)).gone]).toEqual([s.name, []]);
});

test('a premix with a lot near its date and a newer one; what it is kept for, its balance allows', async () => {
  const house = await loadHouse();
  const mix = (await premixes()).find((p) => p.name === 'Camp trailer corn mix');
  const made = await lots(mix?.id ?? '');
  expect(firstToUse(made).map((l) => [l.bags, bagsLeft(l)])).toEqual([
    [12, 3],
    [8, 7],
  ]);
  const keeps = (date: string | undefined) =>
    keeping({ ...EMPTY_STOCK, ingredientId: '', bestBefore: date ?? null }, house.today ?? '');
  expect(firstToUse(made).map((l) => keeps(l.bestBefore))).toEqual(['soon', 'well']);
  const worked = (await workedPremix(mix?.id ?? '', house))?.worked;
  expect(worked?.products.map((p) => [p.product.kind, p.against])).toEqual([
    ['small', []],
    ['waffle', []],
    ['griddle', []],
  ]);
});

test('its three months teach the four numbers that they were made by, each within two standard errors, and no other', async () => {
  const { lessons } = await whatWasLearned(await loadHouse());
  expect(lessons.flatMap((l) => (l.offered ? [l.id] : [])).sort()).toEqual(Object.keys(DEMO_TRUTH).sort());
  for (const l of lessons) {
    const truth = DEMO_TRUTH[l.id];
    if (truth === undefined || !l.now) continue;
    const error = (2 * priorOf(l.id).sdBatch) / Math.sqrt(l.now.from);
    expect(Math.abs(Math.log(l.now.factor / truth))).toBeLessThan(error);
  }
});

test('nothing of it is used before somebody agrees; agreed, the Bench lies wider by it, and stopped it lies as before', async () => {
  const across = async (): Promise<number | undefined> => {
    const house = await loadHouse();
    const [row] = (await formulaShelf({}, 1000)).rows.filter((r) => r.name === 'Regatta griddle cakes');
    const v = await version(row?.id ?? '', null);
    return v ? acrossOf('griddle', analyseFormula(v.formula, house, null).analysis, 60) : undefined;
  };
  const before = await across();
  const spread = (await whatWasLearned(await loadHouse())).lessons.find((l) => l.id === 'spread');
  // another batch was judged since it was shown
  expect(await switchLesson('spread', true, 3)).toMatchObject({ ok: false });
  expect(await switchLesson('spread', true, spread?.now?.from ?? 0)).toEqual({ ok: true });
  expect((await across()) ?? 0).toBeCloseTo((before ?? 0) * Math.cbrt(spread?.now?.factor ?? 0), 6);
  expect((await whatWasLearned(await loadHouse())).lessons.find((l) => l.id === 'spread')?.used).toEqual(spread?.now);
  // a number that would not have foretold the past better has no switch
  expect(await switchLesson('time:griddle', true, 15)).toMatchObject({ ok: false });
  await switchLesson('spread', false, 0);
  expect(await across()).toBe(before);
});

test('a batch that is set aside teaches no more, until it counts again', async () => {
  const from = async (): Promise<number> =>
    (await whatWasLearned(await loadHouse())).lessons.find((l) => l.id === 'spread')?.now?.from ?? 0;
  const before = await from();
  const [told] = (await whatWasLearned(await loadHouse())).lessons.find((l) => l.id === 'spread')?.told ?? [];
  expect(await setAside('spread', told?.batchId ?? '', true)).toEqual({ ok: true });
  expect(await setAside('spread', told?.batchId ?? '', true)).toEqual({ ok: true });
  expect(await from()).toBe(before - 1);
  await setAside('spread', told?.batchId ?? '', false);
  expect(await from()).toBe(before);
  expect(await setAside('spread', randomUUID(), true)).toMatchObject({ ok: false });
});

test('its taps draw the long griddle: cool at the left, hot at the right; used, each place has a time of its own', async () => {
  const [long, ...none] = await placesHere(await loadHouse());
  expect(none).toEqual([]);
  expect(long?.drawn).toMatchObject({ offered: true, batches: 4 });
  const map = long?.drawn?.map;
  if (!map) throw new Error('nothing is drawn');
  // against the middle of the griddle, where the truth is 1
  for (const x of [10, 38, 66]) expect(Math.abs(factorAt(map, x, 22) - demoPlace(x))).toBeLessThan(0.05);
  expect(await mapsInUse()).toEqual({});
  expect(await switchPlaces('long-griddle', true, 3)).toMatchObject({ ok: false });
  expect(await switchPlaces('long-griddle', true, 4)).toEqual({ ok: true });
  expect(await mapsInUse()).toEqual({ 'long-griddle': map });
  await switchPlaces('long-griddle', false, 0);
  expect(await mapsInUse()).toEqual({});
  expect(await switchPlaces('crepe-pan', true, 4)).toMatchObject({ ok: false });
});
