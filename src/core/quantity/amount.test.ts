import fc from 'fast-check';
import Fraction from 'fraction.js';
import { type Amount, combine, parseAmount, readAmount, scaleAmount, type Term, writeAmount } from './amount';
import { writeNumber } from './number';
import { CUP_SYSTEMS, mlOf, unitById } from './units';

const same = (a: Amount, b: Amount): boolean =>
  a.approximate === b.approximate &&
  a.terms.length === b.terms.length &&
  a.terms.every((t, i) => {
    const u = b.terms[i];
    return (
      u !== undefined &&
      t.sign === u.sign &&
      t.unit === u.unit &&
      t.fullness === u.fullness &&
      t.low.equals(u.low) &&
      (t.high ? u.high !== null && t.high.equals(u.high) : u.high === null)
    );
  });

const value = fc.oneof(
  fc.integer({ min: 1, max: 999 }).map((n) => new Fraction(n)),
  fc
    .tuple(
      fc.integer({ min: 0, max: 20 }),
      fc.constantFrom(
        [1, 8],
        [1, 6],
        [1, 4],
        [1, 3],
        [3, 8],
        [1, 2],
        [5, 8],
        [2, 3],
        [3, 4],
        [5, 6],
        [7, 8],
        [1, 7],
        [3, 11],
      ),
    )
    .map(([w, [n, d]]) => new Fraction(w).add(new Fraction(n ?? 1, d ?? 2))),
  fc.integer({ min: 1, max: 99_999 }).map((n) => new Fraction(n, 100)),
);
const unit = fc.constantFrom(
  'cup',
  'tbsp',
  'tsp',
  'ml',
  'g',
  'kg',
  'oz',
  'lb',
  'dl',
  'l',
  'fl-oz',
  'pint',
  'stick',
  'pinch',
  'scoop-16',
  'tsp-5ml',
  'ladle-2oz',
);
const term: fc.Arbitrary<Term> = fc
  .record({
    low: value,
    more: fc.option(value),
    unit,
    fullness: fc.constantFrom(null, null, null, 'scant' as const, 'heaping' as const),
  })
  .map(({ low, more, unit: u, fullness }) => ({
    sign: 1 as const,
    low,
    high: more ? low.add(more) : null,
    unit: u,
    fullness: u === 'cup' || u === 'tbsp' || u === 'tsp' ? fullness : null,
  }));
const amount: fc.Arbitrary<Amount> = fc.oneof(
  fc.tuple(term, fc.boolean()).map(([t, approximate]) => ({ terms: [t], approximate })),
  fc.tuple(value, value, fc.constantFrom(1 as const, -1 as const)).map(([a, b, sign]) => ({
    terms: [
      { sign: 1 as const, low: a, high: null, unit: 'cup', fullness: null },
      { sign, low: b, high: null, unit: 'tbsp', fullness: null },
    ],
    approximate: false,
  })),
);

test('writing an amount and reading it back keeps it', () => {
  fc.assert(
    fc.property(amount, (a) => {
      const back = parseAmount(writeAmount(a));
      return back !== null && same(a, back);
    }),
  );
});

test('scaling by a then b is scaling by ab, exactly', () => {
  fc.assert(
    fc.property(amount, value, value, (x, a, b) => same(scaleAmount(scaleAmount(x, a), b), scaleAmount(x, a.mul(b)))),
  );
});

test('a third of a cup three times is a cup', () => {
  const third = parseAmount('1/3 cup');
  expect(third && writeAmount(scaleAmount(third, new Fraction(3)))).toBe('1 cup');
});

test.each([
  ['1 1/3', new Fraction(4, 3)],
  ['1/2', new Fraction(1, 2)],
  ['2.5', new Fraction('2.5'), '2 1/2'],
  ['268.4', new Fraction('268.4')],
  ['1/7', new Fraction(1, 7)],
  ['12', new Fraction(12)],
])('%s is written as a cook would', (text, f, written = text) => {
  expect(writeNumber(f)).toBe(written);
});

test('spoons and cups are exact in the US set: 48 teaspoons, 16 tablespoons, 8 fluid ounces to the cup', () => {
  const ml = (id: string): Fraction => {
    const u = unitById(id);
    const x = u ? mlOf(u, { cup: 'us-customary' }) : null;
    if (!x) throw new Error(id);
    return x;
  };
  expect(ml('tsp').mul(48).equals(ml('cup'))).toBe(true);
  expect(ml('tbsp').mul(16).equals(ml('cup'))).toBe(true);
  expect(ml('fl-oz').mul(8).equals(ml('cup'))).toBe(true);
  expect(ml('quart').equals(ml('cup').mul(4))).toBe(true);
  expect(ml('scoop-16').mul(16).equals(ml('quart'))).toBe(true);
});

test('a sum is combined in its first unit: in the metric cup 2 tablespoons are 3/25 of it', () => {
  const a = parseAmount('1 cup plus 2 tablespoons');
  if (!a) throw new Error('not read');
  expect(combine(a, { cup: 'us-customary' }).low.equals(new Fraction(9, 8))).toBe(true);
  expect(combine(a, { cup: 'metric' }).low.equals(new Fraction(28, 25))).toBe(true);
});

test('volumes convert there and back in every cup system', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...CUP_SYSTEMS),
      fc.constantFrom('cup', 'tbsp', 'tsp', 'pint', 'dl', 'fl-oz'),
      fc.constantFrom('ml', 'cup', 'quart', 'tsp'),
      value,
      (cup, a, b, v) => {
        const [ua, ub] = [unitById(a), unitById(b)];
        const [ma, mb] = [ua && mlOf(ua, { cup }), ub && mlOf(ub, { cup })];
        if (!ma || !mb) return false;
        return v.mul(ma).div(mb).mul(mb).div(ma).equals(v);
      },
    ),
  );
});

test('reading stops at what is no amount, and never throws', () => {
  expect(readAmount('flour')).toBeNull();
  expect(readAmount('')).toBeNull();
  expect(readAmount('2 cups flour')?.length).toBe('2 cups'.length);
  fc.assert(
    fc.property(fc.string({ maxLength: 60, unit: 'grapheme' }), (s) => {
      const r = readAmount(s);
      return r === null || (r.length > 0 && r.length <= s.length);
    }),
  );
});
