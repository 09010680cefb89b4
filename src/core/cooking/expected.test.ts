import fc from 'fast-check';
import { type KindId, kindById } from '../formula/kinds';
import type { Learned } from '../formula/learned';
import { FRESH_WAYS, standingOf } from '../formula/ways';
import { numbersOf } from '../numbers';
import { ingredient } from '../pantry/pantry';
import { USUAL_TIMES } from '../script/on-heat';
import type { AtTheHeat } from '../script/read';
import { cookedPiece, expectedTimes } from './expected';

const line = (id: string, grams: number) => ({
  use: 'batter' as const,
  parts: [{ ingredient: ingredient(id), grams }],
});
/** A batter of our own: 200 g of flour, and so much milk. */
const batter = (kind: KindId, milkG: number, learned: Learned = {}) =>
  numbersOf(
    [
      line('flour-all-purpose', 200),
      line('milk-whole', milkG),
      line('egg-large', 50),
      line('butter-unsalted', 30),
      line('sugar-granulated', 20),
      line('baking-powder-double-al', 9),
      line('salt-table', 3),
    ],
    kind,
    null,
    { standing: standingOf(FRESH_WAYS, kindById(kind)), learned },
  );
const heat = (kind: KindId, given = { first: false, second: false }): AtTheHeat => ({
  zoneC: [165, 185],
  thenC: null,
  cues: { pour: '', first: '', second: '', asks: 'cue', secondByCue: false },
  times: USUAL_TIMES[kind],
  given,
});

test('a flat cake is timed by the model; what fills a shape or lies too thick by its kind', () => {
  // 30 ml of this batter lies 6.4 mm thick
  const thin = expectedTimes(heat('griddle'), 'griddle', FRESH_WAYS, batter('griddle', 300), 30);
  expect(thin).toMatchObject({ by: 'model', ranged: false, times: { first: Math.round(thin.piece?.firstS ?? 0) } });
  expect(Math.abs(thin.times.first - 158)).toBeLessThan(8);
  const waffle = expectedTimes(heat('waffle'), 'waffle', FRESH_WAYS, batter('waffle', 260), 120);
  expect(waffle).toMatchObject({ by: 'usual', piece: null, times: USUAL_TIMES.waffle });
  // 120 ml of a thick batter lies over 8 mm
  expect(expectedTimes(heat('griddle'), 'griddle', FRESH_WAYS, batter('griddle', 150), 120)).toMatchObject({
    by: 'usual',
    times: USUAL_TIMES.griddle,
  });
});

test('between 6.5 and 8 mm the model goes over into the usual, without a jump', () => {
  const at = (ml: number) => expectedTimes(heat('griddle'), 'griddle', FRESH_WAYS, batter('griddle', 300), ml);
  const all = Array.from({ length: 60 }, (_, n) => at(30 + n));
  expect(all.map((e) => e.ranged)).toContain(true);
  expect(all.map((e) => e.by)).toEqual(expect.arrayContaining(['model', 'usual']));
  for (let n = 1; n < all.length; n++)
    expect(Math.abs((all[n]?.times.first ?? 0) - (all[n - 1]?.times.first ?? 0))).toBeLessThan(8);
});

test('seconds that somebody gave stand, whatever was learned; the other side is still expected', () => {
  const learned: Learned = { 'time:griddle': { factor: 2, sd: 0.1, from: 5 } };
  const a = batter('griddle', 260, learned);
  const given = expectedTimes(heat('griddle', { first: true, second: true }), 'griddle', FRESH_WAYS, a, 60);
  expect(given).toMatchObject({ by: 'told', times: USUAL_TIMES.griddle });
  const half = expectedTimes(heat('griddle', { first: true, second: false }), 'griddle', FRESH_WAYS, a, 60);
  expect(half.times).toEqual({ first: 140, second: 180 });
});

test('a second side that a way sets is that share of the first', () => {
  const a = batter('griddle', 260);
  const t = expectedTimes(heat('griddle'), 'griddle', { ...FRESH_WAYS, second: 'shorter' }, a, 60).times;
  expect(t.second).toBe(Math.round(t.first / 2));
});

test('minutes that were learned stand on the model with nothing learned: a width in use is not counted twice', () => {
  const [time, spread] = [1.2, 1.5].map((factor) => ({ factor, sd: 0.1, from: 5 }));
  const first = (learned: Learned) =>
    expectedTimes(heat('griddle'), 'griddle', FRESH_WAYS, batter('griddle', 320, learned), 30).times.first;
  expect(first({ spread })).toBeLessThan(first({}));
  expect(first({ 'time:griddle': time, spread })).toBe(first({ 'time:griddle': time }));
});

test('laws: what was learned of a kind moves both sides by it; wider learned lies thinner and turns sooner', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.7, max: 1.4, noNaN: true }), fc.integer({ min: 300, max: 320 }), (factor, milk) => {
      const lesson = { factor, sd: 0.1, from: 5 };
      const [plain, learned] = [batter('griddle', milk), batter('griddle', milk, { 'time:griddle': lesson })].map((a) =>
        expectedTimes(heat('griddle'), 'griddle', FRESH_WAYS, a, 30),
      );
      expect(Math.abs((learned?.times.first ?? 0) - factor * (plain?.times.first ?? 0))).toBeLessThan(1.3);
      expect(learned?.by).toBe('model');
      const wide = cookedPiece(kindById('griddle'), batter('griddle', milk, { spread: lesson }), 30, 175);
      const same = cookedPiece(kindById('griddle'), batter('griddle', milk), 30, 175);
      if (factor > 1.05) expect(wide?.firstS).toBeLessThan(same?.firstS ?? 0);
      if (wide && factor < 0.95) expect(wide.firstS).toBeGreaterThan(same?.firstS ?? 0);
    }),
    { numRuns: 20 },
  );
});
