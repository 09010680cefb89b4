/**
 * Thickness and spread against the model's own reference values, its inputs passed in; and what a cook expects of them.
 */
import { linesOf } from '../testing/formulas';
import { filmed, pooled } from './spread';
import { structureOf } from './structure';
import { type Constituent, thickness, thicknessClass, viscosity } from './thickness';

const solid =
  (mlPerG: number, absorption: number, slow: number, tauMin: number) =>
  (grams: number): Constituent => ({
    grams,
    mlPerG,
    heldMlPerG: 0,
    paS: null,
    swells: { slow, tauMin, absorption },
  });
const liquid =
  (mlPerG: number, paS: number, heldMlPerG = 0) =>
  (grams: number): Constituent => ({ grams, mlPerG, heldMlPerG, paS, swells: null });

/** The reference's own numbers for each, not the pantry's. */
const R = {
  flour: solid(0.68, 0.6, 0.22, 18),
  milk: liquid(0.97, 0.0021),
  buttermilk: liquid(0.97, 0.006, 0.03),
  egg: liquid(0.97, 0.01),
  butter: liquid(1.08, 0.02),
  sugar: liquid(0.62, 0.05),
  salt: liquid(0.46, 0.0011),
  soda: liquid(0.46, 0.0011),
  powder: liquid(0.6, 0.0011),
  banana: liquid(0.95, 0.005, 0.35),
};

const GRIDDLE = [R.flour(188), R.milk(305), R.egg(50), R.butter(43), R.sugar(12.5), R.salt(3), R.powder(16)];
const CREPE = [R.flour(125), R.milk(366), R.egg(150), R.butter(28), R.salt(1.5)];
const SOUR = [
  R.flour(250),
  R.buttermilk(486),
  R.egg(100),
  R.butter(56),
  R.sugar(38),
  R.salt(3),
  R.soda(4.7),
  R.powder(4.7),
];
const BANANA = [R.flour(125), R.milk(200), R.banana(115), R.egg(50), R.butter(14), R.powder(7), R.salt(1)];

test.each([
  ['griddle, 10 min', GRIDDLE, 10, 2.50534],
  ['griddle, fresh', GRIDDLE, 0, 1.78275],
  ['crepe, 30 min', CREPE, 30, 0.2438],
  ['buttermilk, 10 min', SOUR, 10, 2.85999],
  ['banana, 10 min', BANANA, 10, 2.50218],
])('%s: the reference viscosity', (_name, constituents, rest, paS) =>
  expect(viscosity(constituents, rest, 22)).toBeCloseTo(paS, 4),
);

test('spread: the reference diameters of 60 ml', () => {
  expect(pooled(2.50534, 60).diameterCm).toBeCloseTo(10.7666, 3);
  expect(pooled(0.2438, 60).diameterCm).toBeCloseTo(13.5914, 3);
  expect(filmed(0.2438, 60).diameterCm).toBeCloseTo(19.6627, 3);
  expect(filmed(0.2438, 60, 18)).toMatchObject({ diameterCm: 18, thickMm: expect.closeTo(2.358, 2) });
  // 60 mL over a disc of 10.77 cm: 60 / (pi 5.383^2) cm
  expect(pooled(2.50534, 60).thickMm).toBeCloseTo(6.59, 2);
});

test('classes end where the model says', () => {
  expect([0.34, 0.35, 1.09, 1.1, 3.19, 3.2, 11.9, 12].map(thicknessClass)).toEqual([
    'thin cream',
    'heavy cream',
    'heavy cream',
    'ribbon',
    'ribbon',
    'spoon-and-spread',
    'spoon-and-spread',
    'scoop-and-hold',
  ]);
});

test('cold and rest thicken, milk thins, purees and nut butter count', () => {
  const base = ['250 g flour', '430 g milk', '2 eggs', '40 g butter, melted'];
  const paS = (texts: readonly string[], rest = 10, c = 22): number => thickness(linesOf(...texts), rest, c)?.paS ?? 0;
  // 14 degrees at 3 % each
  expect(paS(base, 10, 8) / paS(base)).toBeCloseTo(Math.exp(0.42), 6);
  expect(paS(base, 30)).toBeGreaterThan(1.3 * paS(base, 0));
  expect(paS([...base, '40 g milk'])).toBeLessThan(0.75 * paS(base));
  expect(paS([...base, '100 g pumpkin puree'])).not.toBeCloseTo(paS([...base, '100 g milk']), 1);
  expect(paS([...base, '40 g peanut butter'])).toBeGreaterThan(paS([...base, '40 g oil']));
  expect(paS([...base, '100 g blueberries'])).toBeCloseTo(paS(base), 9);
  expect(thickness(linesOf('100 g flour'))).toBeNull();
});

test('structure: shares add up, and more of a thing pulls to its side', () => {
  const base = ['250 g flour', '430 g milk', '2 eggs', '40 g butter, melted', '30 g sugar'];
  const s = structureOf(linesOf(...base));
  for (const side of [s.bite.left, s.bite.right, s.moisture.left, s.moisture.right])
    expect(side.reduce((a, x) => a + x.share, 0)).toBeCloseTo(1, 2);
  expect(s.bite.left[0]?.name).toBe('all-purpose wheat flour');
  const richer = structureOf(linesOf(...base, '60 g butter'));
  expect(richer.bite.leftPart).toBeLessThan(s.bite.leftPart);
  expect(structureOf(linesOf(...base, '50 g cocoa')).moisture.leftPart).toBeGreaterThan(s.moisture.leftPart);
  expect(structureOf([]).bite).toEqual({ left: [], right: [], leftPart: 0.5 });
});
