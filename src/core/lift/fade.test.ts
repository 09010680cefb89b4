/** The fade against the model's own reference values, its inputs passed in. */
import { fadeOf, liftLeft } from '../batter/standing';
import { ingredient } from '../pantry/pantry';
import { linesOf } from '../testing/formulas';
import { cakeDensity, type FadeInput, fade } from './fade';
import { type Ledger, ledger } from './ledger';

const TIMES = [0, 30, 60, 120, 1440];

/** A ledger as the reference has it: powders hold 28 % soda there, and acidities are its own. */
const reference = (sodaG: number, acidMeq: number, powder: string | null, powderG = 0): Ledger => ({
  sodaG,
  sodaInPowderG: 0.28 * powderG,
  acidMeq,
  baseMeq: 0,
  unspentSodaG: 0,
  unspentAcidMeq: 0,
  sodaAcidCouldWorkG: 0,
  co2G: 0,
  rows: powder
    ? [{ ingredient: ingredient(powder), grams: powderG, acidMeq: 0, sodaG: 0.28 * powderG, ownAcid: true }]
    : [],
});
const lifts = (l: Ledger, at: FadeInput, times = TIMES): readonly number[] => fade(l, at, times).map((p) => p.lift);
const near = (got: readonly number[], want: readonly number[]): void => {
  expect(got).toHaveLength(want.length);
  want.forEach((w, i) => {
    expect(Math.abs((got[i] ?? 0) / w - 1)).toBeLessThan(0.006);
  });
};

// 250 flour, 486 buttermilk, 100 egg, 43 butter, 25 sugar, 3 salt, 4.7 soda: 911.7 g, acid 2.5 + 43.74 + .2 meq
test('soda and buttermilk', () =>
  near(
    lifts(reference(4.7, 46.44, null), { batterG: 911.7, waterG: 550.28, paS: 2, batterC: 22 }),
    [145.601, 113.605, 94.333, 75.877, 18.915],
  ));

// 125 flour, 244 milk, 50 egg, 28 butter, 12.5 sugar, 1.5 salt, 9.4 powder: 470.4 g; flour, milk and egg bring 3.546
// meq
const MILK: FadeInput = { batterG: 470.4, waterG: 125 * 0.12 + 244 * 0.88 + 38 + 28 * 0.16, paS: 2, batterC: 22 };
test.each([
  ['baking-powder-double-al', [196.466, 188.003, 181.256, 171.589, 73.227]],
  ['baking-powder-double-alfree', [194.963, 168.525, 148.621, 123.201, 23.911]],
  ['baking-powder-single', [192.069, 134.46, 99.158, 69.018, 13.208]],
])('%s', (id, want) => near(lifts(reference(0, 1.25 + 2.196 + 0.1, id, 9.4), MILK), want));

test('chilled overnight', () =>
  near(
    lifts(reference(0, 3.546, 'baking-powder-double-al', 9.4), { ...MILK, batterC: 4 }, [0, 720]),
    [199.379, 169.04],
  ));

// 250 flour, 360 buttermilk, 300 egg, 40 sugar, 40 butter, 3 salt, 4.7 powder: 997.7 g; six firm whites, 235 mL each,
// 38 % lost
test('whipped whites drain', () => {
  const at = {
    batterG: 997.7,
    waterG: 250 * 0.12 + 360 * 0.9 + 300 * 0.76 + 40 * 0.16,
    paS: 4,
    batterC: 22,
    foamMl: 6 * 235 * 0.62,
  };
  const points = fade(reference(0, 2.5 + 32.4 + 0.6, 'baking-powder-double-alfree', 4.7), at, TIMES);
  near(
    points.slice(0, 4).map((p) => p.foam),
    [109.29, 61.18, 34.25, 10.73],
  );
  near(
    points.map((p) => p.chemical),
    [45.04, 43.66, 42.26, 39.55, 8.37],
  );
});

test('lift only falls, and cold keeps it', () => {
  const lines = linesOf('250 g flour', '480 g buttermilk', '2 eggs', '4 g baking soda', '4 g baking powder');
  const warm = fadeOf(lines, { paS: 2, batterC: 22 });
  warm.forEach((p, i) => {
    if (i > 0) expect(p.lift).toBeLessThanOrEqual((warm[i - 1]?.lift ?? 0) + 1e-9);
  });
  expect(liftLeft(lines, { paS: 2, batterC: 4 }, 60)).toBeGreaterThan(
    liftLeft(lines, { paS: 2, batterC: 22 }, 60) ?? 1,
  );
  expect(liftLeft(linesOf('100 g flour', '200 g milk'), { paS: 2, batterC: 22 }, 60)).toBeNull();
  expect(fade(ledger([]), { batterG: 0, waterG: 0, paS: 2, batterC: 22 })).toEqual([]);
});

test('density of the cake keeps 45 % of the gas', () => expect(cakeDensity(150)).toBeCloseTo(100 / (92.6 + 67.5), 9));
