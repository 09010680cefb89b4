/** The solver's laws, on random formulas: met where it can be, pinned is still, nothing under nothing, here is here. */
import fc from 'fast-check';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { KINDS, RAILS, type Rail } from '../formula/kinds';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { counting } from '../testing/counted';
import { type Bench, withGrams, workedOn } from './bench';
import { bringsOf } from './brings';
import { minimum } from './quadratic';
import { ask, bend, bentFrom } from './ratios';
import { railValue, solve, sumOf } from './solve';

const on = (formula: Formula): Bench => ({ formula, house: FRESH_KITCHEN, end: null });
const formula = (texts: readonly string[], more: Partial<Formula> = {}): Formula => ({
  ...EMPTY_FORMULA,
  ...more,
  entries: texts.map((text, n) => ({ key: `l${n + 1}`, text })),
});

/** Plausible griddle cakes: every rail has a source of its own. */
const someCakes = fc
  .record({
    flour: fc.integer({ min: 100, max: 2000 }),
    whole: fc.boolean(),
    milk: fc.double({ min: 1.3, max: 2.4, noNaN: true }),
    sour: fc.boolean(),
    egg: fc.double({ min: 0.15, max: 0.7, noNaN: true }),
    butter: fc.double({ min: 0.06, max: 0.3, noNaN: true }),
    sugar: fc.double({ min: 0.06, max: 0.3, noNaN: true }),
    salt: fc.double({ min: 0.005, max: 0.03, noNaN: true }),
    powder: fc.double({ min: 0.02, max: 0.07, noNaN: true }),
    soda: fc.double({ min: 0, max: 0.02, noNaN: true }),
    pins: fc.array(fc.integer({ min: 1, max: 7 }), { maxLength: 2 }),
    kind: fc.constantFrom(...KINDS.map((k) => k.id)),
  })
  .map((r) => {
    const g = (share: number): string => `${(share * r.flour).toFixed(2)} g`;
    const texts = [
      `${r.flour} g ${r.whole ? 'whole wheat flour' : 'flour'}`,
      `${g(r.milk)} ${r.sour ? 'buttermilk' : 'milk'}`,
      `${g(r.egg)} egg`,
      `${g(r.butter)} butter`,
      `${g(r.sugar)} sugar`,
      `${g(r.salt)} salt`,
      `${g(r.powder)} baking powder`,
      ...(r.soda > 0.003 ? [`${g(r.soda)} baking soda`] : []),
      '20 g butter for the pan',
    ];
    const f = formula(texts, { kind: r.kind, school: KINDS.find((k) => k.id === r.kind)?.schools[0].id ?? '' });
    return { ...f, entries: f.entries.map((e, n) => (r.pins.includes(n) ? { ...e, pinned: true } : e)) };
  });

const anyRail = fc.constantFrom<Rail>(...RAILS);

function solved(f: Formula, rail: Rail, times: number) {
  const b = on(f);
  const w = workedOn(b);
  const now = w.analysis.rails.find((r) => r.rail === rail)?.tested ?? 0;
  const asked = ask(b, w, [{ rail, value: now * times }]);
  return { b, w, asked, answer: solve(asked.question), target: now * times };
}

test('a rail that can be met is met within a tenth of a percent, on the sheet as it is then written', () => {
  const tested = counting();
  let met = 0;
  fc.assert(
    fc.property(someCakes, anyRail, fc.double({ min: 0.85, max: 1.15, noNaN: true }), (f, rail, times) => {
      const { b, w, asked, answer, target } = solved(f, rail, times);
      if (!answer.met || asked.unmet.length > 0) return true;
      tested.one();
      met++;
      const then = workedOn(on(withGrams(b, w.lines, bentFrom(b, w, asked, answer).grams, 0.01)));
      const at = then.analysis.rails.find((r) => r.rail === rail)?.tested ?? 0;
      return Math.abs(at - target) <= 0.1;
    }),
    { numRuns: 150 },
  );
  expect(met).toBeGreaterThan(90);
  tested.atLeast(20);
});

test('pinned lines never move, nothing goes negative, and the other rails stay on their leash', () => {
  fc.assert(
    fc.property(someCakes, anyRail, fc.double({ min: 0, max: 4, noNaN: true }), (f, rail, times) => {
      const { w, asked, answer } = solved(f, rail, times);
      const pinned = w.lines.filter((l) => l.pinned).map((l) => l.key);
      expect(asked.keys.filter((k) => pinned.includes(k))).toEqual([]);
      expect(answer.grams.every((g) => g >= 0 && Number.isFinite(g))).toBe(true);
      asked.question.goals.forEach((g, i) => {
        if (g.leash !== undefined)
          expect(Math.abs((answer.values[i] ?? 0) - g.value)).toBeLessThanOrEqual(g.leash + 0.02 * g.width);
      });
    }),
    { numRuns: 150 },
  );
});

test('asking for where it stands changes nothing; the same question has the same answer', () => {
  fc.assert(
    fc.property(someCakes, anyRail, (f, rail) => {
      const { b, w, asked, answer } = solved(f, rail, 1);
      asked.question.movers.forEach((m, i) => {
        expect(Math.abs((answer.grams[i] ?? 0) - m.grams)).toBeLessThan(1e-5 * Math.max(1, m.grams));
      });
      expect(withGrams(b, w.lines, bentFrom(b, w, asked, answer).grams, 0.01)).toEqual(f);
      expect(solve(asked.question)).toEqual(answer);
    }),
    { numRuns: 60 },
  );
});

test('what the solver adds up is what the tally and the ledger add up', () => {
  fc.assert(
    fc.property(someCakes, (f) => {
      const w = workedOn(on(f));
      const panFat = w.analysis.kind?.panFatCounts ?? false;
      const sums = w.lines
        .map((l) => bringsOf(l, panFat))
        .reduce((a, x) => sumOf(a, [{ grams: 1, least: 1, most: 1, clings: 1, brings: x }], [1]));
      for (const r of w.analysis.rails) expect(railValue(sums, r.rail)).toBeCloseTo(r.tested, 6);
    }),
    { numRuns: 60 },
  );
});

test('the whole batter and the number of eggs are held when asked', () => {
  const f = formula(
    ['500 g flour', '880 g buttermilk', '3 eggs', '85 g butter', '60 g sugar', '8 g salt', '10 g baking powder'],
    {
      held: { rails: ['fat'], mass: true, eggs: true, blend: true },
    },
  );
  const b = on(f);
  const w = workedOn(b);
  const asked = ask(b, w, [{ rail: 'water', value: 200 }]);
  const answer = solve(asked.question);
  expect(answer.met).toBe(true);
  expect(answer.grams.reduce((a, g) => a + g, 0)).toBeCloseTo(w.analysis.tally.massG, 4);
  expect(answer.grams[asked.keys.indexOf('l3')]).toBeCloseTo(150, 4);
  expect(answer.values[2]).toBeCloseTo(w.analysis.percent?.fat ?? 0, 3);
});

test.each([
  [['500 g flour', '900 g milk', '60 g sugar'], [], 'egg', 30, /nothing on the sheet brings it. Add eggs/],
  [
    ['500 g flour', '900 g milk', '150 g egg', '80 g butter'],
    ['l4', 'l3', 'l2'],
    'fat',
    40,
    /what brings it is kept as it is \("80 g butter"/,
  ],
  [['500 g flour', '900 g milk', '150 g egg', '80 g butter', '50 g sugar'], [], 'fat', 1, /bring that much/],
  [
    ['250 g flour', '400 g milk', '2 eggs', '1/2 cup each sugar and butter'],
    [],
    'fat',
    20,
    /holds two things that move together/,
  ],
  [['500 g flour', '900 g milk', '100 g sugar'], [], 'lift', 1, /Add baking powder/],
] as const)('%j with %j pinned: %s to %d says why, and the nearest', (texts, pinned, rail, value, why) => {
  const f = formula(texts);
  const b = on({
    ...f,
    entries: f.entries.map((e) => ((pinned as readonly string[]).includes(e.key) ? { ...e, pinned: true } : e)),
  });
  const bent = bend(b, [{ rail, value }]);
  expect(bent.short).toMatch(why);
  expect(bent.short).toMatch(/is the nearest/);
});

/*
 * 500 g flour and 900 g milk, water to 180 %: milk brings 88.13 g of water in 100 g, so 900/.8813 x 1 = 1021.2 g of
 * milk when the flour stays; it clings a thousand times as hard as the milk.
 */
test('flour is the hundred: the milk moves', () => {
  const b = on(formula(['500 g flour', '900 g milk']));
  const grams = bend(b, [{ rail: 'water', value: 180 }]).grams;
  expect(grams.get('l1')).toBeCloseTo(500, 0);
  expect(grams.get('l2')).toBeCloseTo((180 * 5) / 0.8813, 0);
});

/*
 * min (x-1)^2 + (y-2)^2 with x + y = 1: by hand x = 0, y = 1. With x >= 0.5 besides: x = .5, y = .5.
 */
test('the quadratic programme itself, by hand', () => {
  const base = {
    h: [Float64Array.of(2, 0), Float64Array.of(0, 2)],
    c: Float64Array.of(2, 4),
    equal: [{ row: Float64Array.of(1, 1), value: 1 }],
  };
  expect([...(minimum({ ...base, atLeast: [] })?.y ?? [])].map((x) => Math.round(1e9 * x) / 1e9)).toEqual([0, 1]);
  expect(
    [...(minimum({ ...base, atLeast: [{ row: Float64Array.of(1, 0), value: 0.5 }] })?.y ?? [])].map(
      (x) => Math.round(1e9 * x) / 1e9,
    ),
  ).toEqual([0.5, 0.5]);
  expect(minimum({ ...base, atLeast: [{ row: Float64Array.of(-1, -1), value: 0 }] })).toBeNull();
  expect(minimum({ ...base, equal: [{ row: Float64Array.of(0, 0), value: 1 }], atLeast: [] })).toBeNull();
});
