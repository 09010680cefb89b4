import fc from 'fast-check';
import { parseAmount } from '../quantity/amount';
import { anyHouse } from '../testing/formulas';
import { type Conventions, FILL_METHODS, FRESH_CONVENTIONS } from './conventions';
import { ingredient, PANTRY } from './pantry';
import { disagreementBracket, type Weighed, weigh } from './weigh';

function weighed(
  text: string,
  id: string,
  house: Conventions = FRESH_CONVENTIONS,
  fill: Parameters<typeof weigh>[2] = null,
): Weighed {
  const amount = parseAmount(text);
  if (!amount) throw new Error(`${text} was not read`);
  const r = weigh(amount, ingredient(id), fill, house);
  if (!r.ok) throw new Error(r.error.message);
  return r.value;
}

test.each([
  ['sifted', 115],
  ['spooned', 125],
  ['fluffed', 132],
  ['dipped', 140],
  ['packed', 160],
] as const)('a %s cup of flour weighs %d g, by the house or by the line', (fill, g) => {
  expect(weighed('1 cup', 'flour-all-purpose', { ...FRESH_CONVENTIONS, flourFill: fill }).grams).toBeCloseTo(g, 6);
  expect(weighed('1 cup', 'flour-all-purpose', FRESH_CONVENTIONS, fill).grams).toBeCloseTo(g, 6);
});

test('the fill governs flour by the spoon too, and cocoa, starch and icing sugar; not sugar, salt or milk', () => {
  const dipped = { ...FRESH_CONVENTIONS, flourFill: 'dipped' } as const;
  for (const [id, spooned, dip] of [
    ['flour-all-purpose', 125 / 16, 140 / 16],
    ['cocoa-natural', 86 / 16, 96 / 16],
    ['starch-corn', 8, 138 / 16],
    ['sugar-icing', 7.5, 8],
  ] as const) {
    expect(weighed('1 tbsp', id).grams).toBeCloseTo(spooned, 6);
    expect(weighed('1 tbsp', id, dipped).grams).toBeCloseTo(dip, 6);
  }
  for (const id of ['sugar-granulated', 'salt-table', 'milk-whole', 'sugar-brown-light'])
    expect(weighed('1 cup', id, dipped).grams).toBe(weighed('1 cup', id).grams);
});

test('a stated fill narrows the bracket to the table, an unstated one runs from sifted to packed', () => {
  // 6 % either way of 140
  expect(weighed('1 cup', 'flour-all-purpose', FRESH_CONVENTIONS, 'dipped')).toMatchObject({
    low: expect.closeTo(131.6),
    high: expect.closeTo(148.4),
    basis: 'fill-stated',
  });
  expect(weighed('1 cup', 'flour-all-purpose')).toMatchObject({
    low: expect.closeTo(115),
    high: expect.closeTo(160),
    basis: 'fill-not-stated',
  });
});

test.each([
  ['1 heaping teaspoon', 6.9],
  ['1 rounded teaspoon', 5.75],
  ['1 scant teaspoon', 4.278],
  ['1 generous teaspoon', 4.968],
])('%s of baking powder', (text, g) => expect(weighed(text, 'baking-powder-double-al').grams).toBeCloseTo(g, 3));

test('the bracket holds the best value, whatever the amount, the ingredient and the house', () => {
  const text = fc.constantFrom(
    '1 cup',
    '2 to 3 tbsp',
    '1 cup plus 2 tablespoons',
    'about 100 g',
    '1 heaping tsp',
    '8 oz',
    '1 pinch',
    '2 dl',
    '1 #16 scoop',
    '3',
  );
  fc.assert(
    fc.property(text, fc.constantFrom(...PANTRY), anyHouse, fc.constantFrom(null, ...FILL_METHODS), (t, i, h, fill) => {
      const amount = parseAmount(t);
      const r = amount ? weigh(amount, i, fill, h) : null;
      if (!r) return false;
      return !r.ok || (r.value.low <= r.value.grams + 1e-9 && r.value.grams <= r.value.high + 1e-9 && r.value.low >= 0);
    }),
  );
});

test('a volume is as many times heavier as the cup is larger', () => {
  const us = weighed('3 cups', 'flour-all-purpose').grams;
  expect(weighed('3 cups', 'flour-all-purpose', { ...FRESH_CONVENTIONS, cup: 'metric' }).grams / us).toBeCloseTo(
    250 / 236.5882365,
    9,
  );
  expect(weighed('3 cups', 'flour-all-purpose', { ...FRESH_CONVENTIONS, cup: 'imperial' }).grams / us).toBeCloseTo(
    284.130625 / 236.5882365,
    9,
  );
});

test('yolk and white follow the size of the egg they come from', () => {
  for (const [egg, yolk, white] of [
    ['medium', 14.96, 29.04],
    ['large', 17, 33],
    ['extra-large', 19.04, 36.96],
  ] as const) {
    expect(weighed('1', 'egg-yolk', { ...FRESH_CONVENTIONS, egg }).grams).toBeCloseTo(yolk, 6);
    expect(weighed('1', 'egg-white', { ...FRESH_CONVENTIONS, egg }).grams).toBeCloseTo(white, 6);
  }
});

test.each([
  ['2', 'flour-all-purpose', 'no-unit'],
  ['1/3', 'butter-unsalted', 'no-unit'],
  ['1 stick', 'flour-all-purpose', 'wrong-unit'],
  ['1 knob', 'butter-unsalted', 'vague-unit'],
  ['1 packet', 'sugar-granulated', 'vague-unit'],
  ['0 g', 'honey', 'not-positive'],
  ['5 kg minus 6 kg', 'honey', 'not-positive'],
  ['2000 kg', 'honey', 'enormous'],
])('%s of %s cannot be weighed: %s', (text, id, reason) => {
  const amount = parseAmount(text);
  if (!amount) throw new Error(`${text} was not read`);
  expect(weigh(amount, ingredient(id), null, FRESH_CONVENTIONS)).toMatchObject({
    ok: false,
    error: { reason, message: expect.stringMatching(/\w{4}/) },
  });
});

test('two amounts are held against the ways of filling where there are any, else a tenth either way', () => {
  expect(disagreementBracket(weighed('1 cup', 'flour-all-purpose'))).toEqual({
    low: expect.closeTo(115),
    high: expect.closeTo(160),
  });
  expect(disagreementBracket(weighed('1 cup', 'milk-whole'))).toEqual({
    low: expect.closeTo(219.6),
    high: expect.closeTo(268.4),
  });
});
