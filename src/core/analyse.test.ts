/** Laws that hold for every formula, and the details of tally, ledger and batter. */
import fc from 'fast-check';
import { analyse } from './analyse';
import { thickness, thicknessClass } from './batter/thickness';
import { batterVolume, massForUsable, piecesOf, toolLossG } from './batter/volume';
import { THICKNESSES } from './formula/kinds';
import { tally } from './formula/tally';
import { ledger, MEQ_PER_G_SODA } from './lift/ledger';
import { ingredient } from './pantry/pantry';
import { anyFormula, anyLine, linesOf } from './testing/formulas';

const times = <T extends { readonly parts: readonly { readonly ingredient: unknown; readonly grams: number }[] }>(
  lines: readonly T[],
  f: number,
): readonly T[] => lines.map((l) => ({ ...l, parts: l.parts.map((p) => ({ ...p, grams: p.grams * f })) }));

const near = (a: number, b: number): boolean => Math.abs(a - b) <= 1e-8 * Math.max(1, Math.abs(a), Math.abs(b));

test('the totals are the sum of the lines', () => {
  fc.assert(
    fc.property(fc.array(anyLine, { maxLength: 12 }), (lines) => {
      const whole = tally(lines);
      const parts = lines.map((l) => tally([l]));
      const keys = [
        'massG',
        'flourG',
        'liquidG',
        'waterG',
        'eggG',
        'fatG',
        'sugarG',
        'saltG',
        'sodiumMg',
        'panFatG',
      ] as const;
      return keys.every((k) =>
        near(
          whole[k],
          parts.reduce((a, p) => a + p[k], 0),
        ),
      );
    }),
  );
});

test('percentages, lift and thickness do not change when a formula is scaled', () => {
  fc.assert(
    fc.property(anyFormula, fc.double({ min: 0.01, max: 100, noNaN: true }), (lines, f) => {
      const [a, b] = [analyse(lines, null), analyse(times(lines, f), null)];
      if (!a.percent || !b.percent || !a.volume || !b.volume) return false;
      const keys = ['liquid', 'water', 'freeWater', 'egg', 'fat', 'sugar', 'sweetness', 'salt'] as const;
      return (
        keys.every((k) => near(a.percent?.[k] ?? 0, b.percent?.[k] ?? 1)) &&
        near(a.co2Per100gFlour ?? 0, b.co2Per100gFlour ?? 1) &&
        near(a.volume.densityGPerMl, b.volume.densityGPerMl) &&
        near(a.thickness?.paS ?? 0, b.thickness?.paS ?? 0)
      );
    }),
  );
});

test('nothing is made of nothing: soda and acid spent and unspent add up, and gas stays within what the soda holds', () => {
  fc.assert(
    fc.property(anyFormula, (lines) => {
      const l = ledger(lines);
      const spent = (l.sodaG - l.unspentSodaG) * MEQ_PER_G_SODA;
      const acid = Math.max(0, l.acidMeq - l.baseMeq);
      return (
        near(spent, acid - l.unspentAcidMeq) &&
        l.co2G <= (l.sodaG + l.sodaInPowderG) * MEQ_PER_G_SODA * 0.04401 + 1e-9 &&
        l.unspentSodaG >= 0 &&
        l.unspentAcidMeq >= 0
      );
    }),
  );
});

test('a powder keeps its acid to its own soda; self-raising flour likewise', () => {
  const l = ledger(linesOf('100 g self-raising flour', '5 g baking powder', '2 g baking soda'));
  // UK self-raising: 1.15 % soda with 13.7 of 14.7 meq its own; left for the plain soda: 1.0 meq
  expect(l.sodaInPowderG).toBeCloseTo(1.15 + 1.5, 6);
  expect(l.acidMeq).toBeCloseTo(1, 6);
  expect(l.unspentSodaG).toBeCloseTo(2 - 1 / MEQ_PER_G_SODA, 6);
});

test('whole berries keep their acid, mashed ones give it; old egg white takes acid up', () => {
  expect(ledger(linesOf('100 g blueberries')).acidMeq).toBe(0);
  expect(ledger(linesOf('100 g blueberries, mashed')).acidMeq).toBeCloseTo(9.4, 6);
  expect(ledger(linesOf('100 g egg white')).baseMeq).toBeCloseTo(2, 6);
});

test('egg powder counts four times, milk powder as the milk it makes, pan fat only in an oven pancake', () => {
  const t = tally(linesOf('10 g whole egg powder', '10 g skim milk powder', '90 g water', '10 g butter for the pan'));
  expect(t.eggG).toBeCloseTo(40, 6);
  expect(t.liquidG).toBeCloseTo(100, 6);
  expect(t.fatG).toBeCloseTo(4.095 + 0.077, 6);
  const oven = linesOf('100 g flour', '300 g milk', '100 g butter for the pan');
  // flour .98, milk 9.75; the pan's 81.11 only where it bakes in
  expect(analyse(oven, 'oven').percent?.fat).toBeCloseTo(91.84, 2);
  expect(analyse(oven, 'crepe').percent?.fat).toBeCloseTo(10.73, 2);
});

test('whites folded in make foam of a density between 0.55 and 0.75', () => {
  const lines = linesOf('200 g cake flour', '300 g buttermilk', '4 eggs, separated', '30 g butter');
  const v = batterVolume(lines, 0.08);
  expect(v?.foamed).toBe(true);
  expect(v?.densityGPerMl).toBeGreaterThanOrEqual(0.55);
  expect(v?.densityGPerMl).toBeLessThanOrEqual(0.75);
  expect(batterVolume(linesOf('200 g cake flour', '300 g buttermilk', '4 eggs'), 0.08)?.foamed).toBe(false);
});

test('the bowl keeps 3 %, at least 15 g, and what is made for the loss pours what was wanted', () => {
  expect(toolLossG(1000)).toBe(30);
  expect(toolLossG(200)).toBe(15);
  expect(toolLossG(10)).toBe(10);
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 500 }),
      fc.double({ min: 10, max: 200, noNaN: true }),
      fc.double({ min: 0.5, max: 1.2, noNaN: true }),
      (n, ml, d) => piecesOf(massForUsable(n * ml * d), d, ml).pieces === n,
    ),
  );
});

// Formulas and the thickness an experienced eye gives them, Pa.s: the model is good to one class.
test.each([
  [2, ['130 g flour', '244 g milk', '50 g egg', '28 g butter', '12.5 g sugar', '1.5 g salt']],
  [9, ['150 g flour', '183 g milk', '50 g egg', '28 g butter', '25 g sugar', '3 g salt']],
  [3.3, ['188 g flour', '305 g milk', '50 g egg', '43 g butter', '12.5 g sugar', '3 g salt']],
  [4, ['250 g flour', '486 g buttermilk', '100 g egg', '56 g butter', '38 g sugar']],
  [0.18, ['125 g flour', '366 g milk', '150 g egg', '28 g butter']],
  [0.4, ['250 g flour', '500 g milk', '200 g egg', '50 g butter']],
  [0.1, ['125 g flour', '488 g milk', '100 g egg', '28 g butter']],
  [1.5, ['250 g flour', '427 g milk', '150 g egg', '73 g oil', '12.5 g sugar']],
  [0.3, ['60 g flour', '120 g milk', '100 g egg', '14 g butter']],
  [7, ['225 g flour', '309 g milk', '50 g egg', '25 g butter', '25 g sugar']],
  [2, ['120 g whole wheat flour', '244 g milk', '50 g egg', '28 g butter', '12.5 g sugar']],
  [4, ['125 g flour', '200 g milk', '115 g banana, mashed', '50 g egg', '14 g butter']],
  [0.7, ['125 g flour', '305 g milk', '50 g egg', '14 g butter', '12 g sugar']],
])('judged at %d Pa.s, within a class', (judged, texts) => {
  const t = thickness(linesOf(...texts));
  expect(
    Math.abs(THICKNESSES.indexOf(t?.pour ?? 'scoop-and-hold') - THICKNESSES.indexOf(thicknessClass(judged))),
  ).toBeLessThanOrEqual(1);
});

test('more milk is thinner, more flour and a longer rest are thicker', () => {
  const eta = (flour: number, milk: number, rest = 10): number =>
    thickness(linesOf(`${flour} g flour`, `${milk} g milk`), rest)?.paS ?? 0;
  expect(eta(100, 160)).toBeLessThan(eta(100, 150));
  expect(eta(105, 150)).toBeGreaterThan(eta(100, 150));
  expect(eta(100, 150, 60)).toBeGreaterThan(eta(100, 150, 0));
  expect(thickness(linesOf('100 g flour'))).toBeNull();
});

test('without flour there is no ratio, and it is said', () => {
  const a = analyse(linesOf('200 g milk', '2 eggs'), 'crepe');
  expect(a.percent).toBeNull();
  expect(a.rails).toEqual([]);
  expect(a.findings).toEqual([expect.objectContaining({ code: 'no-flour', severity: 'stop' })]);
});

test('yeast is not counted as lift, and silent', () => {
  const a = analyse(
    linesOf('250 g flour', '4 g salt', '5 g yeast', '480 g milk', '2 eggs', '60 g butter'),
    'waffle',
    'soft',
  );
  expect(a.rails.find((r) => r.rail === 'lift')?.reading).toBeNull();
  expect(a.findings.map((f) => f.code)).not.toContain('under-raised');
});

test('an empty pantry row is a bug that shows', () => {
  expect(() => ingredient('no-such-thing')).toThrow(/no-such-thing/);
});
