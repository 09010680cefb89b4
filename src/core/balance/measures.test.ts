/** Cups in different hands, amounts written twice, altitude and units, on the Bench. */

import { analyseFormula } from '../analyse-formula';
import { heard } from '../findings/finding';
import { wayEdits } from '../formula/act-edits';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { railOf } from '../formula/kinds';
import { FRESH_KITCHEN, type Kitchen } from '../formula/kitchen-settings';
import { boilsAtC, gasRoomAt } from '../formula/ways';
import { measureFrom, withMeasure } from '../pantry/calibrate';
import { NOTHING_OWN } from '../pantry/own';
import { grams, massBoth, massNumber, money, OZ_G, temperature } from '../quantity/say';
import type { Bench } from './bench';
import { fillsSideBySide } from './fills';
import { fixesFor } from './fixes';
import { withStanding, withThird } from './stands';

const formula = (...texts: string[]): Formula => ({
  ...EMPTY_FORMULA,
  name: 'Test',
  entries: texts.map((text, n) => ({ key: `l${n + 1}`, text })),
});
const on = (f: Formula, house: Kitchen = FRESH_KITCHEN): Bench => ({ formula: f, house, end: null });
const CARD = formula(
  '2 cups flour',
  '2 cups milk',
  '2 eggs',
  '2 tbsp butter, melted',
  '1 tbsp baking powder',
  '1/2 tsp salt',
);

test('one card by five ways of filling: spooned 1 : 1.95, dipped 1 : 1.74', () => {
  const fills = fillsSideBySide(on(CARD));
  // milk 2 x 244 g on 2 x 115, 125, 132, 140 and 160 g flour
  expect(fills.map((f) => [f.fill, f.now, Number((f.liquidToFlour ?? 0).toFixed(2))])).toEqual([
    ['sifted', false, 2.12],
    ['spooned', true, 1.95],
    ['fluffed', false, 1.85],
    ['dipped', false, 1.74],
    ['packed', false, 1.52],
  ]);
});

test('a kitchen that has weighed its cup stands beside the named ways; a card in grams has nothing to show', () => {
  const own = withMeasure(
    NOTHING_OWN,
    measureFrom({
      id: 'c',
      unit: 'cup',
      which: '',
      full: '1',
      ingredientId: 'flour-all-purpose',
      weighings: [136, 136, 136],
      gPerMl: 1,
    }),
  );
  const house: Kitchen = { ...FRESH_KITCHEN, conventions: { ...FRESH_KITCHEN.conventions, own, flourFill: 'own' } };
  const mine = fillsSideBySide(on(CARD, house)).at(-1);
  expect([mine?.fill, mine?.now, mine?.worked.analysis.tally.flourG]).toEqual(['own', true, 272]);
  expect(fillsSideBySide(on(formula('250 g flour', '400 g milk')))).toEqual([]);
});

test('written twice: the weight, the measure or a third, each with its own balance, and nothing in between', () => {
  const b = on(formula('2 cups flour (340 g)', '400 g milk', '2 eggs'));
  const [weight, measure, third] = [
    withStanding(b, 'l1', 'weight'),
    withStanding(b, 'l1', 'volume'),
    withThird(b, 'l1', 290),
  ];
  expect([weight?.grams, measure?.grams, third?.grams]).toEqual([340, expect.closeTo(250, 9), 290]);
  expect(railOf(weight?.worked.analysis ?? { rails: [] }, 'egg')?.value).toBeCloseTo(100 / 3.4, 6);
  expect(railOf(measure?.worked.analysis ?? { rails: [] }, 'egg')?.value).toBeCloseTo(40, 6);
  expect(third?.formula.entries[0]?.text).toBe('290 g flour');
  for (const r of [weight, measure, third])
    expect(r?.worked.analysis.findings.map((f) => f.code)).not.toContain('amounts-disagree');
  expect(withThird(b, 'l1', 0)).toBeNull();
});

test('a pinch for a coarse scale: spoons, or a batch large enough; salt by its crystal', () => {
  const b = on(
    formula('250 g flour', '430 g milk', '2 eggs', '25 g sugar', '40 g butter', '10 g baking powder', '2.4 g salt'),
  );
  const w = analyseFormula(b.formula, b.house);
  const small = w.analysis.findings.find((f) => f.code === 'small-weighing');
  expect(small?.message).toMatch(
    /steps of 1 g can't weigh 2\.4 g\. Use 3\/8 tsp, level, a finer scale, or a batch 4\.2 times as large\. By crystal: 3\/8 tsp fine, /,
  );
  expect(small && fixesFor(b, small).map((p) => p.title)).toEqual(['Measure it in spoons', '4.5 times the batch']);
  // a scale to the tenth of a gram weighs it
  const fine: Kitchen = { ...FRESH_KITCHEN, gear: [{ id: 's', sort: 'scale', name: 'Fine', stepG: 0.1, mostG: 200 }] };
  expect(analyseFormula(b.formula, fine).analysis.findings.map((f) => f.code)).not.toContain('small-weighing');
});

test('high up the same gas takes more room: the zone for lift stands lower, nothing else moves', () => {
  // standard air: 82.4 kPa at 1,700 m less 100, 101.325 at the sea
  expect(gasRoomAt(0)).toBe(1);
  expect(gasRoomAt(1600)).toBeCloseTo(1.213, 3);
  expect(boilsAtC(1500)).toBe(95);
  const up: Kitchen = { ...FRESH_KITCHEN, ways: { ...FRESH_KITCHEN.ways, altitudeM: 1600 } };
  const [sea, high] = [analyseFormula(CARD, FRESH_KITCHEN).analysis, analyseFormula(CARD, up).analysis];
  const [a, b] = [railOf(sea, 'lift'), railOf(high, 'lift')];
  expect(b?.value).toBe(a?.value);
  expect(b?.zone?.map((x) => x * gasRoomAt(1600))).toEqual([expect.closeTo(0.5, 9), expect.closeTo(1.6, 9)]);
  expect(railOf(high, 'water')).toEqual(railOf(sea, 'water'));
  const strong = formula(
    '2 cups flour',
    '2 cups milk',
    '2 eggs',
    '2 tbsp butter',
    '7 tsp baking powder',
    '1/2 tsp salt',
  );
  expect(
    heard(analyseFormula(strong, up).analysis, strong).open.find((f) => f.code === 'over-raised')?.message,
  ).toMatch(/at 1600 m, where gas takes more room/);
  // a formula may be made elsewhere
  expect(railOf(analyseFormula({ ...CARD, edits: wayEdits({ altitudeM: 0 }) }, up).analysis, 'lift')).toEqual(a);
});

test('ounces and Fahrenheit: findings, fixes and sheets follow the house', () => {
  const oz = { weight: 'oz', temperature: 'F', currency: '$', clock: '12', days: 'month-day', zone: '' } as const;
  expect([grams(OZ_G, oz), grams(10 * OZ_G, oz), grams(1234.5 * OZ_G, oz), massNumber(70.87, oz)]).toEqual([
    '1 oz',
    '10 oz',
    '1\u202f234.5 oz',
    '2.5',
  ]);
  expect([massBoth(283.5, oz), massBoth(283.5, { weight: 'g' })]).toEqual(['10 oz (284 g)', '284 g']);
  expect([temperature(175, oz), temperature(175), temperature(0, oz)]).toEqual(['347 °F', '175 °C', '32 °F']);
  expect([money(3.4, oz), money(0.001, oz), money(0, oz), money(1234.5, oz)]).toEqual([
    '$3.40',
    'under $0.01',
    '$0.00',
    '$1\u202f234.50',
  ]);
  const f = formula('250 g flour', '430 g milk', '2 eggs', '6 g baking soda');
  const soda = analyseFormula(f, { ...FRESH_KITCHEN, units: oz }).analysis.findings.find(
    (x) => x.code === 'soda-unspent',
  );
  expect(soda?.message).toMatch(/^0\.\d+ oz of soda has no acid/);
});
