/** A kitchen's own measures: what they change, and what they leave alone. */
import fc from 'fast-check';
import { analyse } from '../analyse';
import { readLine } from '../card/line';
import { CUP_SYSTEMS, mlOf, unitById } from '../quantity/units';
import { linesOf } from '../testing/formulas';
import { againstTable, measureFrom, saltByCrystal, spreadOfWeighings, WATER_G_PER_ML, withMeasure } from './calibrate';
import { FILL_METHODS, FRESH_CONVENTIONS, type KitchenConventions } from './conventions';
import { filledLike, gPerUsCupOf, nearestWay, ownFill, placeOn, US_CUP_ML } from './fill';
import { NOTHING_OWN, type OwnMeasure } from './own';
import { fillRow, findIngredient, ingredient } from './pantry';
import { hangsOnFill, isFollowed } from './weigh';

const cupOf = (ingredientId: string, ...weighings: number[]): OwnMeasure =>
  measureFrom({ id: 'm', unit: 'cup', which: '', full: '1', ingredientId, weighings, gPerMl: 1 });
const vessel = (unit: string, which: string, full: string, ...weighings: number[]): OwnMeasure =>
  measureFrom({ id: 'v', unit, which, full, ingredientId: null, weighings, gPerMl: WATER_G_PER_ML });

const houseWith = (measures: readonly OwnMeasure[], more: Partial<KitchenConventions> = {}): KitchenConventions => ({
  ...FRESH_CONVENTIONS,
  ...more,
  own: measures.reduce((own, m) => withMeasure(own, m), NOTHING_OWN),
});
const grams = (text: string, h: KitchenConventions): number | null => readLine(text, h).grams;

test('three weighings: their mean, their spread, and a bracket of two standard deviations', () => {
  // 139, 141, 143: mean 141, sd 2, within 4 of 141
  expect(spreadOfWeighings([139, 141, 143])).toEqual({ mean: 141, sd: 2, rangePct: expect.closeTo(2.837, 3) });
  const m = cupOf('flour-all-purpose', 139, 141, 143);
  expect([m.each, m.low, m.high]).toEqual([141, 137, 145]);
  // three alike are still no surer than one in a hundred
  expect(cupOf('sugar-granulated', 200, 200, 200)).toMatchObject({ each: 200, low: 198, high: 202 });
});

test('a vessel weighed with water holds millilitres', () => {
  expect(vessel('ladle', 'blue', '1', 61.876, 61.876, 61.876).each).toBeCloseTo(62, 9);
});

test('against the table: how much heavier, and which way of filling it is nearest to', () => {
  expect(
    againstTable(cupOf('flour-all-purpose', 139, 141, 143), ingredient('flour-all-purpose'), FRESH_CONVENTIONS),
  ).toEqual({
    tableG: expect.closeTo(125, 9),
    percentOff: expect.closeTo(12.8, 9),
    nearest: 'dipped',
  });
  expect(againstTable(cupOf('honey', 339, 339, 339), ingredient('honey'), FRESH_CONVENTIONS)).toMatchObject({
    tableG: expect.closeTo(339, 9),
    nearest: null,
  });
});

test('my cup is used for cups, halves and spoons of that flour, once the house fills its own way', () => {
  const mine = cupOf('flour-all-purpose', 139, 141, 143);
  const own = houseWith([mine], { flourFill: 'own' });
  expect(grams('2 cups flour', own)).toBeCloseTo(282, 9);
  expect(grams('1/2 cup flour', own)).toBeCloseTo(70.5, 9);
  // 16 tablespoons are a US cup
  expect(grams('4 tablespoons flour', own)).toBeCloseTo(141 / 4, 6);
  expect(readLine('1 cup flour', own)).toMatchObject({ basis: 'own', gramsLow: 137, gramsHigh: 145 });
  // a house that fills by a named way, and a card that names one, are not moved by it
  expect(grams('1 cup flour', houseWith([mine]))).toBeCloseTo(125, 9);
  expect(grams('1 cup sifted flour', own)).toBeCloseTo(115, 9);
  // not in use: the table
  expect(grams('1 cup flour', houseWith([{ ...mine, used: false }], { flourFill: 'own' }))).toBeCloseTo(125, 9);
});

test('a measure is said to be in use exactly where amounts follow it', () => {
  const measures = [cupOf('flour-all-purpose', 139, 141, 143), cupOf('honey', 300, 300, 300)];
  for (const flourFill of [...FILL_METHODS, 'own'] as const)
    for (const used of [true, false]) {
      const house = houseWith(
        measures.map((m) => ({ ...m, used })),
        { flourFill },
      );
      const followed = ([a, b]: readonly [string, number]): boolean =>
        Math.abs((grams(`1 cup ${a}`, house) ?? 0) - b) < 1e-6;
      expect([flourFill, used, measures.map((m) => isFollowed({ ...m, used }, house))]).toEqual([
        flourFill,
        used,
        [followed(['flour', 141]), followed(['honey', 300])],
      ]);
    }
});

test('another flour is taken as filled by the same hand: the same place between sifted and packed', () => {
  // 136 of plain flour stands half way from fluffed (132) to dipped (140); buckwheat: half way from 126 to 136
  const own = houseWith([cupOf('flour-all-purpose', 136, 136, 136)], { flourFill: 'own' });
  expect(grams('1 cup buckwheat flour', own)).toBeCloseTo(131, 9);
  expect(grams('1 cup sugar', own)).toBeCloseTo(200, 9);
});

test('what does not hang on the fill follows its measure whatever the house says', () => {
  expect(grams('1 cup honey', houseWith([cupOf('honey', 330, 331, 332)]))).toBeCloseTo(331, 9);
  expect(grams('1 cup brown sugar', houseWith([cupOf('sugar-brown-light', 190, 190, 190)]))).toBeCloseTo(190, 9);
  expect(grams('1 cup loose brown sugar', houseWith([cupOf('sugar-brown-light', 190, 190, 190)]))).toBeCloseTo(145, 9);
});

test('a ladle of this kitchen, and two thirds of it as a size of its own', () => {
  const h = houseWith([
    vessel('ladle', 'blue', '1', 59.88, 59.88, 59.88),
    vessel('ladle', 'blue', '2/3', 37.924, 37.924, 37.924),
  ]);
  // milk is 245 g in 236.588 mL
  const milk = (ml: number): number => (ml * 244) / US_CUP_ML;
  expect(grams('1 blue ladle of milk', h)).toBeCloseTo(milk(60), 0);
  expect(grams('2/3 blue ladle of milk', h)).toBeCloseTo(milk(38), 0);
  expect(grams('2 blue ladles milk', h)).toBeCloseTo(milk(120), 0);
  // the red one is another ladle
  expect(readLine('1 red ladle of milk', h)).toMatchObject({ grams: null, findings: [{ code: 'vague-unit' }] });
});

test('a splash that was answered once is a splash from then on; a walnut of butter for butter alone', () => {
  const splash: OwnMeasure = {
    id: 's',
    unit: 'splash',
    which: '',
    full: '1',
    ingredientId: null,
    each: 12,
    low: 9.6,
    high: 15,
    weighings: [],
    used: true,
  };
  const walnut: OwnMeasure = {
    id: 'w',
    unit: 'walnut-size',
    which: '',
    full: '1',
    ingredientId: 'butter-unsalted',
    each: 18,
    low: 15,
    high: 22,
    weighings: [],
    used: true,
  };
  const h = houseWith([splash, walnut]);
  expect(grams('a splash of milk', h)).toBeCloseTo((12 * 244) / US_CUP_ML, 0);
  expect(readLine('butter the size of a walnut', h)).toMatchObject({
    grams: 18,
    gramsLow: 15,
    gramsHigh: 22,
    basis: 'own',
  });
  expect(readLine('a walnut-sized knob of butter', h)).toMatchObject({ grams: 18 });
  expect(readLine('lard the size of a walnut', h)).toMatchObject({ grams: null, findings: [{ code: 'vague-unit' }] });
  expect(readLine('butter the size of a walnut', FRESH_CONVENTIONS)).toMatchObject({
    grams: null,
    status: 'unclear',
    findings: [{ code: 'vague-unit' }],
  });
});

test('my own cup of any content: everything by the cup follows it', () => {
  const h = houseWith([vessel('cup', '', '1', 224.55, 224.55, 224.55)]);
  expect(grams('1 cup water', h)).toBeCloseTo(225, 0);
  expect(grams('1 cup flour', h)).toBeCloseTo((125 * 225) / US_CUP_ML, 6);
});

const filled = fc.constantFrom(
  'flour-all-purpose',
  'flour-buckwheat',
  'flour-whole-wheat',
  'corn-meal-fine',
  'starch-corn',
);
const anyText = fc.constantFrom(
  '1 cup flour',
  '2 1/2 cups buckwheat flour',
  '3 tbsp cornstarch',
  '1/3 cup corn meal',
  '250 ml whole wheat flour',
  '1 cup sugar',
  '200 g milk',
);

test('law: a calibration equal to the table changes nothing, in any cup', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...CUP_SYSTEMS),
      filled,
      fc.constantFrom(...FILL_METHODS),
      anyText,
      (cup, id, fill, text) => {
        const table: KitchenConventions = { ...FRESH_CONVENTIONS, cup, flourFill: fill };
        const unit = unitById('cup');
        const ml = unit ? (mlOf(unit, table)?.valueOf() ?? 0) : 0;
        const g = ((fillRow(ingredient(id))?.[fill] ?? 0) * ml) / US_CUP_ML;
        const calibrated = houseWith([cupOf(id, g, g, g)], { cup, flourFill: 'own' });
        expect(grams(text, calibrated)).toBeCloseTo(grams(text, table) ?? Number.NaN, 6);
        const lines = (h: KitchenConventions) => [text, '300 g milk', '100 g flour'].map((t) => readLine(t, h));
        expect(analyse(lines(calibrated), 'griddle').percent?.water).toBeCloseTo(
          analyse(lines(table), 'griddle').percent?.water ?? Number.NaN,
          6,
        );
      },
    ),
  );
});

test('law: a place on one row and back is the same cup; it is nearest to the way it stands on', () => {
  fc.assert(
    fc.property(filled, fc.double({ min: 60, max: 240, noNaN: true }), (id, g) => {
      const row = fillRow(ingredient(id));
      if (!row) throw new Error(id);
      expect(filledLike(row, placeOn(row, g))).toBeCloseTo(g, 9);
      expect(FILL_METHODS.every((m) => nearestWay(row, row[m] ?? 0) === m)).toBe(true);
    }),
  );
});

test('a measure turned into grams a US cup and back, whatever its size', () => {
  const h = houseWith([]);
  const tbsp = { ...cupOf('flour-all-purpose', 8, 8, 8), unit: 'tbsp' };
  expect(gPerUsCupOf(tbsp, h)).toBeCloseTo(128, 6);
  expect(gPerUsCupOf({ ...cupOf('flour-all-purpose', 70, 70, 70), full: '1/2' }, h)).toBeCloseTo(140, 6);
  expect(gPerUsCupOf({ ...cupOf('flour-all-purpose', 40, 40, 40), unit: 'handful' }, h)).toBeNull();
  expect(ownFill(h)).toBeNull();
  expect(hangsOnFill(ingredient('flour-rye'))).toBe(true);
  expect(hangsOnFill(ingredient('sugar-brown-dark'))).toBe(false);
});

test('a gram and a half of salt by its crystal', () => {
  const by = Object.fromEntries(saltByCrystal(1.5, findIngredient).map((c) => [c.crystal, c.teaspoons]));
  expect(Object.keys(by)).toEqual(['fine', 'light-flake', 'dense-flake']);
  expect(by.fine).toBeCloseTo(1.5 / 6.1, 1);
  expect((by['light-flake'] ?? 0) / (by.fine ?? 1)).toBeGreaterThan(1.9);
});

test('an Australian tablespoon is a third more than a metric one, and the cup stays', () => {
  const h: KitchenConventions = { ...FRESH_CONVENTIONS, cup: 'metric', tablespoon: 'australian' };
  const metric: KitchenConventions = { ...h, tablespoon: 'metric' };
  expect((grams('3 tablespoons sugar', h) ?? 0) / (grams('3 tablespoons sugar', metric) ?? 1)).toBeCloseTo(4 / 3, 9);
  expect(grams('1 cup sugar', h)).toBe(grams('1 cup sugar', metric));
  expect(linesOf('1 tbsp sugar')[0]?.grams).toBeCloseTo(12.5, 1);
});
