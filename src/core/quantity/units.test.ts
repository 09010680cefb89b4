import { CUP_SYSTEMS, gramsOf, mlOf, readUnit, unitById } from './units';

/** What a unit holds, mL, in the four cup systems; from the legal definitions. */
const SIZES: readonly (readonly [id: string, us: number, label: number, metric: number, imperial: number])[] = [
  ['tsp', 4.929, 5, 5, 5],
  ['tbsp', 14.787, 15, 15, 15],
  ['cup', 236.588, 240, 250, 284.131],
  ['fl-oz', 29.574, 30, 28.413, 28.413],
  ['gill', 118.294, 120, 142.065, 142.065],
  ['pint', 473.176, 480, 568.261, 568.261],
  ['quart', 946.353, 960, 1136.523, 1136.523],
  ['gallon', 3785.412, 3840, 4546.09, 4546.09],
  ['dl', 100, 100, 100, 100],
  ['krm', 1, 1, 1, 1],
  ['tsp-5ml', 5, 5, 5, 5],
  ['tbsp-15ml', 15, 15, 15, 15],
  ['dash', 0.616, 0.616, 0.616, 0.616],
  ['pinch', 0.308, 0.308, 0.308, 0.308],
];

test.each(SIZES)('%s holds %d, %d, %d, %d mL', (id, ...sizes) => {
  const unit = unitById(id);
  CUP_SYSTEMS.forEach((cup, n) => {
    expect(unit && mlOf(unit, { cup })?.valueOf()).toBeCloseTo(sizes[n] ?? 0, 2);
  });
});

test.each([
  [6, 157.725],
  [8, 118.294],
  [10, 94.635],
  [12, 78.863],
  [16, 59.147],
  [20, 47.318],
  [24, 39.431],
  [30, 31.545],
  [40, 23.659],
])('scoop #%d is a quart over it, %d mL', (n, ml) => {
  const unit = unitById(`scoop-${n}`);
  expect(unit && mlOf(unit, { cup: 'metric' })?.valueOf()).toBeCloseTo(ml, 2);
});

test('weights are exact', () => {
  for (const [id, g] of [
    ['g', 1],
    ['kg', 1000],
    ['mg', 0.001],
    ['oz', 28.349523125],
    ['lb', 453.59237],
    ['stick', 113.4],
  ] as const) {
    const unit = unitById(id);
    expect(unit && gramsOf(unit)?.valueOf()).toBeCloseTo(g, 9);
    expect(unit && mlOf(unit, { cup: 'metric' })).toBeNull();
  }
});

test.each([
  ['tsp', 'tsp'],
  ['tsps.', 'tsp'],
  ['t', 'tsp'],
  ['teaspoonfuls', 'tsp'],
  ['T', 'tbsp'],
  ['Tbsp', 'tbsp'],
  ['TBSP', 'tbsp'],
  ['tbs.', 'tbsp'],
  ['tblsp', 'tbsp'],
  ['C', 'cup'],
  ['c.', 'cup'],
  ['Cups', 'cup'],
  ['fl. oz.', 'fl-oz'],
  ['fluid ounces', 'fl-oz'],
  ['floz', 'fl-oz'],
  ['ozs', 'oz'],
  ['Ounces', 'oz'],
  ['lbs.', 'lb'],
  ['pounds', 'lb'],
  ['pts', 'pint'],
  ['qt', 'quart'],
  ['gal', 'gallon'],
  ['gm', 'g'],
  ['grammes', 'g'],
  ['kilos', 'kg'],
  ['mls', 'ml'],
  ['millilitres', 'ml'],
  ['centiliter', 'cl'],
  ['decilitres', 'dl'],
  ['ltr', 'l'],
  ['litres', 'l'],
  ['tsk', 'tsp-5ml'],
  ['TL', 'tsp-5ml'],
  ['teelöffel', 'tsp-5ml'],
  ['c. à c.', 'tsp-5ml'],
  ['cuillère à café', 'tsp-5ml'],
  ['msk', 'tbsp-15ml'],
  ['EL', 'tbsp-15ml'],
  ['c. à s.', 'tbsp-15ml'],
  ['cuillères à soupe', 'tbsp-15ml'],
  ['càs', 'tbsp-15ml'],
  ['#16 scoop', 'scoop-16'],
  ['scoop #20', 'scoop-20'],
  ['no. 8 scoop', 'scoop-8'],
  ['4 oz ladle', 'ladle-4oz'],
  ['60 ml ladle', 'ladle-60ml'],
  ['pinches', 'pinch'],
  ['dashes', 'dash'],
  ['sticks', 'stick'],
  ['pats', 'pat'],
  ['knob', 'knob'],
  ['sachets', 'packet'],
  ['tin', 'can'],
  ['glug', 'splash'],
])('"%s" is %s', (text, id) => {
  expect(readUnit(`${text} of it`)?.id).toBe(id);
});

test.each(['flour', 'tom', 'large', 'cupboard', 'gram-flour?', 'large eggs', '', '12'])(
  '"%s" starts with no unit',
  (text) => {
    const unit = readUnit(text);
    expect(unit === null || text === 'gram-flour?').toBe(true);
  },
);

test('scoops and ladles of impossible sizes are none', () => {
  for (const id of ['scoop-1', 'scoop-99', 'ladle-0oz', 'ladle-9999ml', 'bucket']) expect(unitById(id)).toBeUndefined();
});
