/** What a batch asks for: steps from its lines, its kind, its ways and its bowls. */

import { scale } from '../batch/scale';
import { scriptOfBatch } from '../batch/script-of';
import { sheetOf } from '../batch/sheet';
import type { SheetLine } from '../batch/sheet-line';
import { ONE, type Split } from '../batch/split';
import type { ActEdit } from '../formula/act-edits';
import { EMPTY_FORMULA } from '../formula/formula';
import type { KindId } from '../formula/kinds';
import { formulaLines } from '../formula/lines';
import { FRESH_WAYS, type Ways } from '../formula/ways';
import { findIngredient } from '../pantry/pantry';
import { PLAIN_CAKE } from '../testing/formulas';
import { doneSteps } from './done';
import { timeLine } from './schedule';
import type { Step } from './step';
import { forDays, stepsOf } from './steps';

const find = (id: string) => findIngredient(id);
function sheet(...card: readonly string[]): readonly SheetLine[] {
  const lines = formulaLines({ ...EMPTY_FORMULA, entries: card.map((text, n) => ({ key: `l${n + 1}`, text })) });
  const s = scale(lines, { by: 'factor', factor: 1 }, 'gram', null, null);
  if (!s.ok) throw new Error(s.error.message);
  return sheetOf(s.value, 1);
}
const GUESTS = { by: 'guests', guests: 12, each: 2, secondsPct: 0, testPiece: true, portionMl: 60 } as const;
const steps = (
  card: readonly string[],
  kind: KindId,
  more: {
    ways?: Partial<Ways>;
    split?: Split;
    pieces?: number;
    lifeMin?: number | null;
    restMin?: number;
    edits?: readonly ActEdit[];
  } = {},
): readonly Step[] => {
  const batch = { sheet: sheet(...card), split: more.split ?? ONE, kind, driver: GUESTS };
  const ways = { ...FRESH_WAYS, ...more.ways };
  return stepsOf({
    batch,
    ways,
    script: scriptOfBatch({ ...batch, making: { ways, edits: more.edits ?? [], told: {} } }, ways, find),
    restMin: more.restMin ?? 10,
    life: { min: more.lifeMin === undefined ? 60 : more.lifeMin, why: 'powder' },
    pourings: [{ kind, name: null, pieces: more.pieces ?? 24, times: { first: 140, second: 90 }, atOnce: 8 }],
    find,
  });
};
const ids = (s: readonly Step[]): readonly string[] => s.map((x) => x.id);

test('a plain cake for twelve: cold out, butter melted and cooled, three loads of eight, a test piece, an oven to hold', () => {
  const all = steps(PLAIN_CAKE, 'griddle');
  expect(ids(all)).toEqual([
    'out',
    'melt',
    'cool',
    'dry',
    'wet',
    'label',
    'heat',
    'hold',
    'topwarm',
    'join1',
    'rest1',
    'test',
    'load1',
    'load2',
    'load3',
    'plate',
  ]);
  // nothing waits for what is not there
  for (const s of all) for (const a of s.after) expect(ids(all)).toContain(a);
  // 140 + 90 + 30 between: 260 s
  expect(all.find((s) => s.id === 'load2')?.min).toBeCloseTo(260 / 60, 9);
  expect(all.find((s) => s.id === 'dry')).toMatchObject({ min: 5, who: 'helper', ahead: true });
});

test('a house that straight from the cold, checks twice and has one load asks for other things', () => {
  expect(ids(steps(PLAIN_CAKE, 'griddle', { ways: { warmth: 'cold', check: 'second' }, pieces: 8 }))).toEqual([
    'melt',
    'cool',
    'dry',
    'wet',
    'label',
    'check',
    'heat',
    'topwarm',
    'join1',
    'rest1',
    'test',
    'load1',
    'plate',
  ]);
});

test('foam is whipped last and waits for what pouring leaves of its quarter of an hour; an oven pancake keeps its oven shut; what is roasted wants the oven first', () => {
  const foam = steps(['100 g flour', '120 g milk', '80 g egg yolk', '150 g egg white, whipped', '40 g sugar'], 'foam');
  // 15 min less two loads of 6 1/2
  expect(foam.find((s) => s.id === 'whip1')).toMatchObject({
    keepsMin: expect.closeTo(2, 0),
    after: ['join1', 'rest1'],
  });
  const oven = steps(['200 g flour', '400 g milk', '6 eggs', '50 g butter for the pan'], 'oven', { pieces: 2 });
  expect(oven.find((s) => s.id === 'load1')).toMatchObject({ ovenC: 225, handsMin: 1, keepsMin: 3 });
  expect(ids(oven)).not.toContain('hold');
  const pumpkin = steps(
    ['200 g flour', '5 g baking powder', '250 g milk', '200 g pumpkin puree, roasted', '1 egg'],
    'griddle',
  );
  expect(pumpkin.find((s) => s.id === 'hold')?.after).toEqual(['roast']);
});

test('bowls in waves: each joined, rested and poured in turn, none standing past its life', () => {
  const split: Split = { by: 'bowls', mixes: 3, atOnce: 1, bowl: null, lifeMin: 60, apartMin: 20 };
  const all = steps(PLAIN_CAKE, 'griddle', { split, pieces: 72 });
  expect(ids(all).filter((i) => i.startsWith('join'))).toEqual(['join1', 'join2', 'join3']);
  expect(all.filter((s) => s.loads)).toHaveLength(9);
  expect(all.find((s) => s.id === 'load4')?.after).toEqual(['join2', 'rest2', 'load3']);
  const line = timeLine(
    all,
    { at: Date.UTC(2026, 4, 2, 8), anchor: 'last', helpers: 0, dayOneAt: null, moved: {} },
    null,
  );
  expect(line.clashes.filter((c) => c.what !== 'stands')).toEqual([]);
  // alone at the griddle, the second bowl is combined between two loads and not before them all
  const at = (id: string): number => line.placed.find((p) => p.step.id === id)?.start ?? 0;
  expect(at('join2')).toBeGreaterThan(at('load1'));
  expect(at('join2')).toBeLessThan(at('load4'));
});

test('flat cakes and balls from one bowl: both surfaces hot, all of the first poured and then the second, each in its own time', () => {
  const batch = {
    sheet: sheet(...PLAIN_CAKE),
    split: ONE,
    kind: 'griddle',
    driver: { by: 'factor', factor: 1 },
  } as const;
  const all = stepsOf({
    batch,
    ways: FRESH_WAYS,
    script: scriptOfBatch(batch, FRESH_WAYS, find),
    restMin: 10,
    life: { min: 60, why: 'powder' },
    pourings: [
      { kind: 'griddle', name: 'flat', pieces: 12, times: { first: 140, second: 90 }, atOnce: 8 },
      { kind: 'ball', name: 'balls', pieces: 9, times: { first: 110, second: 90 }, atOnce: 7 },
    ],
    find,
  });
  expect(all.filter((s) => s.id.startsWith('heat')).map((s) => s.name)).toEqual([
    'Heat the griddle',
    'Heat the ball pan',
  ]);
  // 140 + 90 + 30 s a griddleful of cakes, 110 + 90 + 30 s one of balls; 8 and 4 cakes, 7 and 2 balls
  expect(all.filter((s) => s.loads).map((s) => [s.name, Math.round(60 * s.min), s.loads?.off])).toEqual([
    ['Griddleful 1, flat', 260, 8],
    ['Griddleful 2, flat', 260, 12],
    ['Panful 3, balls', 230, 19],
    ['Panful 4, balls', 230, 21],
  ]);
  expect(all.find((s) => s.id === 'load3')?.after).toEqual(expect.arrayContaining(['load2', 'heat-also']));
  const { clashes, placed } = timeLine(
    all,
    { at: Date.UTC(2026, 4, 2, 8), anchor: 'last', helpers: 0, dayOneAt: null, moved: {} },
    null,
  );
  expect([clashes.filter((c) => c.what !== 'stands'), placed.length]).toEqual([[], forDays(all, false).length]);
});

test('done: by a tap, by what was weighed, joined and pulled, and by what came after', () => {
  const all = steps(PLAIN_CAKE, 'griddle');
  const batch = { sheet: sheet(...PLAIN_CAKE), split: ONE, driver: GUESTS, piecesPlanned: 24 };
  const dry = batch.sheet.filter((l) => l.vessel === 'dry').map((l) => l.key);
  const none = { taps: [], entries: [], ticked: [], weights: {} };
  const done = (log: Parameters<typeof doneSteps>[2], now = 100) => [...doneSteps(all, batch, log, now).keys()].sort();
  expect(done(none)).toEqual([]);
  expect(done({ ...none, ticked: dry.slice(1) })).toEqual([]);
  expect(done({ ...none, ticked: dry })).toEqual(['dry']);
  const melted = { id: 'e', at: 0, act: { what: 'step', step: 'melt' } as const };
  // ten minutes after it was melted it has cooled by itself
  expect(done({ ...none, entries: [melted] }, 9 * 60_000)).toEqual(['melt']);
  expect(done({ ...none, entries: [melted] }, 10 * 60_000)).toEqual(['cool', 'melt']);
  const tap = (piece: number, act: 'pour' | 'pull' | 'join', at: number) => ({
    id: `${piece}${act}`,
    piece,
    act,
    surface: 'g',
    slot: 0,
    at,
  });
  // what is combined was weighed
  expect(done({ ...none, taps: [tap(1, 'join', 0)] })).toEqual(['cool', 'dry', 'join1', 'label', 'melt', 'out', 'wet']);
  // the test piece and eight more are off: one load of three
  const off = Array.from({ length: 9 }, (_, n) => [tap(n + 1, 'pour', n), tap(n + 1, 'pull', 500_000 + n)]).flat();
  const after = doneSteps(all, batch, { ...none, taps: off }, 600_000);
  expect(after.get('load1')).toBe(500_008);
  expect(after.has('load2')).toBe(false);
  expect(after.has('rest1')).toBe(true);
});

test('what a card has beside its batter is a step of its own, made ahead', () => {
  const card = ['200 g flour', '300 ml milk', '2 eggs'];
  const beside = sheet('150 g sugar', '60 g butter').map(
    (l, n): SheetLine => ({ ...l, key: `l${n + 7}`, vessel: 'topping', side: 'Caramel sauce' }),
  );
  const taken = sheet('50 g honey').map(
    (l): SheetLine => ({ ...l, key: 's0p0', vessel: 'topping', side: 'Honey butter' }),
  );
  const of = (more: readonly SheetLine[]): readonly Step[] => {
    const batch = { sheet: [...sheet(...card), ...more], split: ONE, kind: 'griddle', driver: GUESTS } as const;
    return stepsOf({
      batch,
      ways: FRESH_WAYS,
      script: scriptOfBatch(batch, FRESH_WAYS, find),
      restMin: 10,
      life: { min: 60, why: 'powder' },
      pourings: [{ kind: 'griddle', name: null, pieces: 24, times: { first: 140, second: 90 }, atOnce: 8 }],
      find,
    });
  };
  // 8 minutes for the sauce and one for each of its two lines
  expect(of(beside).find((s) => s.id === 'side1')).toMatchObject({
    name: 'Cook Caramel sauce',
    min: 10,
    ahead: true,
    pan: 1,
  });
  expect(of(taken).find((s) => s.id === 'side1')).toMatchObject({ name: 'Make Honey butter', min: 9 });
  expect(ids(of([])).some((id) => id.startsWith('side'))).toBe(false);
});

test('law: folded in before the rest, foam has its quarter of an hour from the fold: what rest and pouring take of it is told once, with the way out', () => {
  const card = ['100 g flour', '120 g milk', '80 g egg yolk', '150 g egg white, whipped', '40 g sugar'];
  for (const kind of ['foam', 'waffle', 'griddle'] as const)
    for (const restMin of [5, 20, 45]) {
      const all = steps(card, kind, { ways: { whip: 'before-rest' } as Partial<Ways>, restMin, pieces: 8 });
      const pouring = all.filter((s) => s.id.startsWith('load')).reduce((a, s) => a + s.min, 0);
      const rest = all.find((s) => s.id === 'rest1');
      // 15 min from the fold, less the rest and the pouring; wiping between loads is part of pouring
      expect(Math.abs((rest?.keepsMin ?? 99) - (15 - restMin - pouring))).toBeLessThan(2);
      const line = timeLine(
        all,
        { at: 1_800_000_000_000, anchor: 'last', helpers: 0, dayOneAt: null, moved: {} },
        null,
      );
      const foam = line.clashes.filter((c) => /foam has stood/.test(c.text));
      expect([kind, restMin, foam.length]).toEqual([kind, restMin, (rest?.keepsMin ?? 0) < 0 ? 1 : 0]);
      if (foam[0]) expect(foam[0].text).toMatch(/fold the whites in after the rest, or rest less/);
    }
});

test('an act of the cook’s own is a step before what waits for it; a heat, minutes and what is left out follow the edits', () => {
  const edits: readonly ActEdit[] = [
    { do: 'own', act: 'do toast the oats', before: 'whisk dry', does: 'toast the oats', minutes: 12, hands: 5 },
    { do: 'set', act: 'cool butter', minutes: 25 },
    { do: 'set', act: 'hold piece', heatC: 80 },
    { do: 'leave', act: 'let warm egg and whole milk' },
  ];
  const all = steps(PLAIN_CAKE, 'griddle', { edits });
  const at = (id: string): Step | undefined => all.find((s) => s.id === id);
  expect(at('own1')).toMatchObject({ name: 'Toast the oats', min: 12, handsMin: 5, after: [] });
  expect(at('dry')?.after).toEqual(['own1']);
  expect(ids(all).indexOf('own1')).toBe(ids(all).indexOf('dry') - 1);
  expect([at('cool')?.min, at('hold')?.ovenC, at('hold')?.name]).toEqual([25, 80, 'Holding oven to 80 °C']);
  expect(at('out')).toBeUndefined();
  const line = timeLine(all, { at: 1.8e12, anchor: 'last', helpers: 0, dayOneAt: null, moved: {} }, null);
  const placed = (id: string) => line.placed.find((p) => p.step.id === id);
  expect(placed('own1')?.end ?? 0).toBeLessThanOrEqual(placed('dry')?.start ?? 0);
});

test('what is done to the batter comes behind what made the batter, bowl by bowl; what is done besides is done once', () => {
  const own = (does: string, before: string, minutes: number, hands: number) =>
    ({ do: 'own', act: `do ${does}`, before, does, minutes, hands }) as const;
  const edits = [
    own('strain the batter', 'rest batter', 2, 2),
    own('let the batter stand once more', 'pour griddle cakes', 15, 0),
    own('tap the batter down', 'pour griddle cakes', 1, 1),
    own('warm the plates', 'pour griddle cakes', 10, 1),
  ];
  const split: Split = { by: 'bowls', mixes: 2, atOnce: 1, bowl: null, lifeMin: 60, apartMin: 20 };
  const all = steps(PLAIN_CAKE, 'griddle', { edits, split, restMin: 20 });
  const after = (id: string) => all.find((s) => s.id === id)?.after;
  expect([after('own1'), after('own1-2')]).toEqual([['join1'], ['join2']]);
  expect([after('rest1'), after('rest2')]).toEqual([
    ['join1', 'own1'],
    ['join2', 'own1-2'],
  ]);
  // the second rest behind the first, what follows it behind it
  expect([after('own2'), after('own2-2'), after('own3'), after('own3-2')]).toEqual([
    ['rest1'],
    ['rest2'],
    ['own2'],
    ['own2-2'],
  ]);
  expect([after('own4'), all.some((s) => s.id === 'own4-2')]).toEqual([[], false]);
  const loads = all.filter((s) => s.loads);
  const second = loads.find((s) => s.after.includes('join2'));
  expect(loads[0]?.after).toEqual(expect.arrayContaining(['own2', 'own3', 'own4']));
  expect(second?.after).toEqual(expect.arrayContaining(['own2-2', 'own3-2']));
  expect(second?.after).not.toContain('own4');
});
