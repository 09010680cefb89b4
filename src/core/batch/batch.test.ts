import fc from 'fast-check';
import { analyse } from '../analyse';
import { formulaLines } from '../formula/lines';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { anyFormula, linesOf, PLAIN_CAKE } from '../testing/formulas';
import { nextAction } from './batch';
import { type Driver, wantedPieces } from './driver';
import { scale } from './scale';
import { sheetOf } from './sheet';
import { meansOf, timesOf, wholeEggBatches } from './worth';

const LINES = linesOf(...PLAIN_CAKE);

function scaled(to: Driver, how: 'exact' | 'gram' = 'exact') {
  const r = scale(LINES, to, how, 'griddle', 60);
  if (!r.ok) throw new Error(r.error.message);
  return r.value;
}

test('so many pieces of such a portion: the batter poured, and what stays on the tools on top', () => {
  const s = scaled({ by: 'pieces', pieces: 40, portionMl: 60 });
  const a = analyse(LINES, 'griddle');
  // 2400 mL at the formula's density, over 97 %
  expect(s.massG).toBeCloseTo((2400 * (a.volume?.densityGPerMl ?? 0)) / 0.97, 6);
  expect(s.yield?.pieces).toBe(40);
  expect(s.yield?.restMl).toBeCloseTo(0, 6);
});

test('every driver gives what it asks for', () => {
  expect(scaled({ by: 'factor', factor: 3 }).massG).toBeCloseTo(3 * 859, 6);
  expect(scaled({ by: 'flour', grams: 1000 }).factor).toBeCloseTo(4, 9);
  expect(scaled({ by: 'mass', grams: 1718 }).factor).toBeCloseTo(2, 9);
  expect(scaled({ by: 'eggs', eggs: 5 }).factor).toBeCloseTo(2.5, 9);
  expect(scaled({ by: 'ingredient', ingredientId: 'milk-whole', grams: 645 }).factor).toBeCloseTo(1.5, 9);
});

test('guests come with seconds and a test piece; bowls keep their head room; pans are filled so often', () => {
  const density = analyse(LINES, 'griddle').volume?.densityGPerMl ?? 0;
  const guests: Driver = { by: 'guests', guests: 84, each: 2, secondsPct: 10, testPiece: true, portionMl: 60 };
  // 168 and a tenth more is 184.8: 185, and one to test with, which nobody counts
  expect(wantedPieces(guests)).toBe(185);
  expect(scaled(guests).massG).toBeCloseTo((186 * 60 * density) / 0.97, 5);
  expect(scaled({ ...guests, testPiece: false }).massG).toBeCloseTo((185 * 60 * density) / 0.97, 5);
  // ten guests at three each are thirty, not thirty-one by a float's error
  expect(wantedPieces({ ...guests, guests: 10, each: 3, secondsPct: 0 })).toBe(30);
  // a 4 litre bowl, 35 % of it free
  expect(scaled({ by: 'vessel', ml: 4000, headPct: 35 }).volumeMl).toBeCloseTo(2600, 5);
  const pans: Driver = { by: 'pans', fillings: 5, piecesEach: 7, portionMl: 30 };
  expect(wantedPieces(pans)).toBe(35);
  expect(scaled(pans).massG).toBeCloseTo((35 * 30 * density) / 0.97, 5);
});

test('law: what a batch means by another driver makes the same batch', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.1, max: 400, noNaN: true }), (factor) => {
      const begun = timesOf(LINES, { by: 'factor', factor }, 'griddle');
      if (!begun.ok) throw new Error(begun.error.message);
      const m = meansOf(LINES, begun.value.before, factor, 60);
      const others: readonly Driver[] = [
        { by: 'flour', grams: m.flourG },
        { by: 'mass', grams: m.massG },
        { by: 'vessel', ml: m.volumeMl, headPct: 0 },
        { by: 'eggs', eggs: m.eggs },
      ];
      for (const d of others) expect(scaled(d).factor / factor).toBeCloseTo(1, 9);
      // as many as come out whole: as many again would not
      expect(m.pieces).toBe(scaled({ by: 'factor', factor }).yield?.pieces);
      for (const w of wholeEggBatches(m)) expect(scaled({ by: 'eggs', eggs: w.eggs }).factor).toBeCloseTo(w.factor, 6);
    }),
  );
});

test('two and a half eggs are two or three whole ones, three are three', () => {
  const m = { factor: 1.25, flourG: 0, massG: 0, volumeMl: 0, eggs: 2.5, pieces: null };
  expect(wholeEggBatches(m)).toEqual([
    { eggs: 2, factor: 1 },
    { eggs: 3, factor: 1.5 },
  ]);
  expect(wholeEggBatches({ ...m, factor: 1.5, eggs: 3 }).map((w) => w.eggs)).toEqual([4]);
  expect(wholeEggBatches({ ...m, eggs: 0 })).toEqual([]);
});

test('pan and topping lines scale but count in no ratio; a line without grams comes back unscaled', () => {
  const s = scaled({ by: 'factor', factor: 2 });
  expect(s.lines.at(-1)).toMatchObject({ grams: 100, measure: '100 g' });
  expect(s.lines.at(-2)).toMatchObject({ grams: null, measure: null });
  expect(s.massG).toBeCloseTo(2 * 859, 6);
});

test('grams: large to the gram, small and what does much to the tenth, and the drift that costs', () => {
  const s = scaled({ by: 'factor', factor: 0.33 }, 'gram');
  expect(s.lines.map((l) => l.grams)).toEqual([83, 8.3, 1.3, 3.3, 142, 33, 13.2, null, 16.5]);
  // salt 1.3 g on 83 g flour is 1.558 %, exactly it was 4 x .995/250 = 1.592 %
  expect(s.drift.salt).toBeCloseTo((100 * 1.3 * 0.995) / 83 - 1.592, 2);
  // 1.3 for 1.32, and 83 for 82.5: 2.1 % less of the salt there was
  expect(s.moved.find((m) => m.ratio === 'salt')?.pct).toBeCloseTo(100 * (1.3 / 83 / (1.32 / 82.5) - 1), 6);
  // lift and salt come first, whatever else moved
  expect(
    s.moved
      .slice(0, 2)
      .map((m) => m.ratio)
      .sort(),
  ).toEqual(['co2', 'salt']);
  expect(scaled({ by: 'factor', factor: 0.1 }, 'gram').lines[2]).toMatchObject({ grams: 0.4, measure: '0.4 g' });
});

test('exact grams drift by nothing; scaling by a and then b is scaling by ab', () => {
  fc.assert(
    fc.property(
      anyFormula,
      fc.double({ min: 0.05, max: 8, noNaN: true }),
      fc.double({ min: 0.05, max: 8, noNaN: true }),
      (lines, a, b) => {
        const one = scale(lines, { by: 'factor', factor: a * b }, 'exact');
        const first = scale(lines, { by: 'factor', factor: a }, 'exact');
        if (!one.ok || !first.ok) return one.ok === first.ok || lines.length > 0;
        const between = lines.map((l, n) => {
          const f = (first.value.lines[n]?.grams ?? 0) / l.parts.reduce((x, p) => x + p.grams, 0);
          return { ...l, parts: l.parts.map((p) => ({ ...p, grams: p.grams * f })) };
        });
        const two = scale(between, { by: 'factor', factor: b }, 'exact');
        return (
          two.ok &&
          Object.values(one.value.drift).every((d) => Math.abs(d) < 1e-6) &&
          one.value.lines.every(
            (l, n) => Math.abs((l.grams ?? 0) - (two.value.lines[n]?.grams ?? 0)) <= 1e-9 * Math.max(1, l.grams ?? 0),
          )
        );
      },
    ),
  );
});

test.each([
  [{ by: 'eggs', eggs: 3 }, linesOf('100 g flour', '200 g milk'), 'to.eggs'],
  [{ by: 'flour', grams: 100 }, linesOf('200 g milk'), 'to.flour_g'],
  [{ by: 'ingredient', ingredientId: 'honey', grams: 10 }, linesOf('100 g flour'), 'to.ingredientId'],
  [{ by: 'factor', factor: 2 }, linesOf('flour', 'milk'), 'lines'],
  [{ by: 'factor', factor: 1e9 }, linesOf('100 g flour'), 'to'],
  [{ by: 'factor', factor: Number.NaN }, linesOf('100 g flour'), 'to'],
] as const)('%j cannot be worked: said, with its place', (to, lines, path) => {
  const r = scale(lines, to, 'exact');
  expect(r).toMatchObject({ ok: false, error: { path } });
});

test('the sheet goes by vessel, in kitchen names, with eggs counted', () => {
  const lines = formulaLines({
    conventions: FRESH_CONVENTIONS,
    entries: ['2 eggs', '250 g flour', '430 g milk', 'oil for the pan', '1 cup moondust'].map((text, n) => ({
      key: `l${n + 1}`,
      text,
    })),
  });
  const r = scale(lines, { by: 'factor', factor: 1.6 }, 'gram');
  if (!r.ok) throw new Error(r.error.message);
  expect(sheetOf(r.value, 1).map((l) => [l.key, l.vessel, l.measure, l.name])).toEqual([
    ['l2', 'dry', '400 g', 'All-purpose wheat flour'],
    ['l5', 'dry', null, '1 cup moondust'],
    // what leaves little on the spoon goes before what leaves more
    ['l3', 'wet', '688 g', 'Whole milk'],
    ['l1', 'wet', '160 g', 'Large egg (about 3 1/4)'],
    ['l4', 'pan', null, 'oil for the pan'],
  ]);
});

test('one next action: the first line not ticked, then the verdict, then nothing', () => {
  const line = (key: string) => ({
    key,
    text: '',
    name: key,
    vessel: 'dry' as const,
    measure: '1 g',
    grams: 1,
    preparation: '',
  });
  const sheet = [line('l1'), line('l2'), { ...line('l3'), grams: null }];
  const open = { sheet, finishedAt: null, entries: [], lastOffAt: null };
  const mixed = [{ id: 'e', at: 1, act: { what: 'mixed', mix: 1, turns: 16 } as const }];
  expect(nextAction({ ...open, ticked: ['l1'] })).toMatchObject({ do: 'weigh', left: 1, line: { key: 'l2' } });
  // weighed, then joined, then poured, then judged
  expect(nextAction({ ...open, ticked: ['l1', 'l2'] })).toEqual({ do: 'join' });
  expect(nextAction({ ...open, ticked: ['l1', 'l2'], entries: mixed })).toEqual({ do: 'pour' });
  expect(nextAction({ ...open, ticked: ['l1', 'l2'], entries: mixed, lastOffAt: 5 })).toEqual({ do: 'judge' });
  expect(nextAction({ ...open, ticked: [], finishedAt: new Date() })).toEqual({ do: 'nothing' });
});
