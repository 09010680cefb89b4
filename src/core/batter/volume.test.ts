import { ingredient, PANTRY } from '../pantry/pantry';
import { linesOf } from '../testing/formulas';
import { batterVolume, massForUsable, piecesOf, specificVolume, toolLossG } from './volume';

test.each([
  ['flour-all-purpose', 1 / 1.45],
  ['sugar-granulated', 1 / 1.59],
  ['oil-vegetable', 1 / 0.92],
  ['milk-whole', 1 / 1.03],
  ['egg-large', 1 / 1.03],
  // worked from composition: water 17.94 + fat 81.11/.92 + protein .85/1.35 + sugars .06/1.6 + ash .04/2.3 = 106.79 mL
  // per 100 g
  ['butter-unsalted', 1.06788],
])('%s: %d mL a gram', (id, ml) => expect(specificVolume(ingredient(id))).toBeCloseTo(ml, 4));

test('nothing in the pantry is lighter than oil or heavier than salt', () => {
  for (const i of PANTRY) {
    expect(1 / specificVolume(i)).toBeGreaterThan(0.85);
    expect(1 / specificVolume(i)).toBeLessThan(2.35);
  }
});

test('air is added to the airless volume: 8 % whisked, 2 % for crepes', () => {
  const lines = linesOf('145 g flour', '206 g milk');
  // 100 + 200 mL
  expect(batterVolume(lines, 0.08)).toMatchObject({
    airlessMl: expect.closeTo(300),
    volumeMl: expect.closeTo(324),
    densityGPerMl: expect.closeTo(351 / 324),
  });
  expect(batterVolume(lines, 0.02)?.volumeMl).toBeCloseTo(306, 6);
  expect(batterVolume(linesOf('butter for the pan'), 0.08)).toBeNull();
});

test('firm whites hold more than soft ones; yolks hold none', () => {
  const base = ['200 g cake flour', '300 g buttermilk'];
  const density = (line: string): number => batterVolume(linesOf(...base, line), 0.08)?.densityGPerMl ?? 0;
  const soft = density('3 egg whites, whipped to soft peaks');
  const firm = density('3 egg whites, whipped to firm peaks');
  expect(firm).toBeLessThanOrEqual(soft);
  expect(soft).toBeLessThan(density('3 egg whites'));
  expect(density('3 egg yolks, beaten')).toBe(density('3 egg yolks'));
});

test('pieces: whole ones, and what is left for a part-load', () => {
  // 1000 g less 30 at 1 g/mL is 970 mL: 16 of 60, 10 left
  expect(piecesOf(1000, 1, 60)).toEqual({ pieces: 16, restMl: expect.closeTo(10) });
  expect(piecesOf(10, 1, 60)).toEqual({ pieces: 0, restMl: 0 });
  expect(massForUsable(970)).toBeCloseTo(1000, 9);
  expect(massForUsable(85)).toBeCloseTo(100, 9);
  expect(toolLossG(massForUsable(85))).toBeCloseTo(15, 9);
});
