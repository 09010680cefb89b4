/** The weigh-in: tolerances, and what is worked anew around what stands. */
import fc from 'fast-check';
import { scale } from '../batch/scale';
import { sheetOf } from '../batch/sheet';
import type { SheetLine } from '../batch/sheet-line';
import { bowlLines, plannedG } from '../batch/sheet-line';
import { EMPTY_FORMULA } from '../formula/formula';
import { railOf } from '../formula/kinds';
import { formulaLines } from '../formula/lines';
import { numbersOf } from '../numbers';
import { findIngredient, ingredient } from '../pantry/pantry';
import { counting } from '../testing/counted';
import { PLAIN_CAKE } from '../testing/formulas';
import { standing, toleranceG, type Weights } from './tolerance';
import { drift, rebalance, smaller, wentIn, withAnew } from './weigh';

const find = (id: string) => findIngredient(id);
function sheet(factor = 4): readonly SheetLine[] {
  const lines = formulaLines({ ...EMPTY_FORMULA, entries: PLAIN_CAKE.map((text, n) => ({ key: `l${n + 1}`, text })) });
  const s = scale(lines, { by: 'factor', factor }, 'gram', 'griddle', 60);
  if (!s.ok) throw new Error(s.error.message);
  return sheetOf(s.value, 1);
}
const BOWLS = bowlLines(sheet(), 1);
const grams = (key: string): number => BOWLS.find((l) => l.key === key)?.grams ?? Number.NaN;

test('leavening is weighed tight, milk loose, and nothing finer than the scale', () => {
  expect(toleranceG(ingredient('baking-powder-double-al'), 100, 0.1)).toBeCloseTo(2, 9);
  expect(toleranceG(ingredient('flour-all-purpose'), 1000, 1)).toBeCloseTo(20, 9);
  expect(toleranceG(ingredient('milk-whole'), 1000, 1)).toBeCloseTo(50, 9);
  expect(toleranceG(ingredient('salt-table'), 8, 1)).toBe(1);
  expect([979, 980, 1000, 1020, 1021].map((g) => standing(g, 1000, 20))).toEqual([
    'under',
    'right',
    'right',
    'right',
    'over',
  ]);
});

test('only the bowls are worked: pan, topping and sauces stay', () => {
  expect(BOWLS.map((l) => l.key)).toEqual(['l1', 'l2', 'l3', 'l4', 'l5', 'l6', 'l7']);
});

test('flour over-poured before anything else: all the rest follows it, and every ratio is as planned', () => {
  const r = rebalance(BOWLS, { l1: 1100 }, 'griddle', find);
  // a tenth more of everything, to what is written
  for (const l of BOWLS)
    if (l.key !== 'l1') expect(Math.abs((r.grams.get(l.key) ?? 0) - 1.1 * (l.grams ?? 0))).toBeLessThanOrEqual(0.5);
  for (const rail of ['water', 'egg', 'fat', 'sugar', 'salt', 'lift'] as const) {
    const [a, p] = [railOf(r.anew, rail)?.tested ?? 0, railOf(r.planned, rail)?.tested ?? 0];
    expect(Math.abs(a - p)).toBeLessThan(rail === 'lift' || rail === 'salt' ? 0.04 : 0.7);
  }
  expect(drift(r.anew, r.planned)).toBeLessThan(drift(r.left, r.planned) / 50);
});

test('with leavening weighed, an over-pour of milk brings more of what is left; what is weighed stays off, and shows', () => {
  const weights = { l1: grams('l1'), l2: grams('l2'), l3: grams('l3'), l4: grams('l4'), l5: grams('l5') + 200 };
  const r = rebalance(BOWLS, weights, 'griddle', find);
  expect([...r.grams.keys()].every((k) => weights[k as keyof typeof weights] === undefined)).toBe(true);
  expect(railOf(r.anew, 'water')?.tested).toBeGreaterThan((railOf(r.planned, 'water')?.tested ?? 0) + 10);
  expect(drift(r.anew, r.planned)).toBeLessThanOrEqual(drift(r.left, r.planned) + 1e-6);
});

test('law: what is weighed never changes, nothing goes below nothing, and it is never further from the plan than letting it be', () => {
  const tested = counting();
  const weights = fc.record(
    Object.fromEntries(
      BOWLS.map((l) => [l.key, fc.option(fc.double({ min: 0.6, max: 1.6, noNaN: true }), { freq: 2 })]),
    ),
  );
  fc.assert(
    fc.property(weights, (shares) => {
      const w: Weights = Object.fromEntries(
        Object.entries(shares).flatMap(([k, x]) =>
          x === null ? [] : [[k, Math.round((x as number) * grams(k) * 10) / 10]],
        ),
      );
      if (w.l1 === undefined && Object.keys(w).length === 0) return;
      tested.one();
      const r = rebalance(BOWLS, w, 'griddle', find);
      for (const [k, g] of r.grams) {
        expect(w[k]).toBeUndefined();
        expect(g).toBeGreaterThanOrEqual(0);
      }
      expect(drift(r.anew, r.planned)).toBeLessThanOrEqual(drift(r.left, r.planned));
      const after = withAnew(BOWLS, r.grams, find);
      after.forEach((l, n) => {
        if (r.grams.has(l.key)) expect(plannedG(l)).toBe(BOWLS[n]?.grams);
        else expect(l).toBe(BOWLS[n]);
      });
      // the same asked again of the new sheet is the same plan
      const again = rebalance(after, w, 'griddle', find);
      for (const l of after)
        expect(Math.abs((again.grams.get(l.key) ?? l.grams ?? 0) - (l.grams ?? 0))).toBeLessThanOrEqual(
          Math.max(1.5, 0.03 * (l.grams ?? 0)),
        );
    }),
    { numRuns: 60 },
  );
  tested.atLeast(20);
});

test('all there is of a thing is never asked for more of, whatever was over-poured: the others make up for it', () => {
  // 1,720 g of milk are planned, and there are 1,750
  const limited = BOWLS.map((l) => (l.key === 'l5' ? { ...l, mostG: 1750 } : l));
  const free = rebalance(BOWLS, { l1: 1200 }, 'griddle', find);
  expect(free.grams.get('l5')).toBeGreaterThan(1750);
  const held = rebalance(limited, { l1: 1200 }, 'griddle', find);
  expect(held.grams.get('l5')).toBeLessThanOrEqual(1750);
  expect(drift(held.anew, held.planned)).toBeLessThan(drift(held.left, held.planned));
  fc.assert(
    fc.property(fc.double({ min: 0.7, max: 1.6, noNaN: true }), (x) => {
      const g = rebalance(limited, { l1: x * grams('l1') }, 'griddle', find).grams.get('l5');
      expect(g ?? 0).toBeLessThanOrEqual(1750);
    }),
    { numRuns: 20 },
  );
});

test('too little is answered by all of it smaller: every line that is not weighed at the share there is, and the ratios stay', () => {
  fc.assert(
    fc.property(
      fc.constantFrom(...BOWLS.filter((l) => l.grams !== null).map((l) => l.key)),
      fc.double({ min: 0.3, max: 0.98, noNaN: true }),
      (key, share) => {
        const has = share * grams(key);
        const r = smaller(BOWLS, { [key]: has }, key, find);
        expect(r.share).toBeCloseTo(share, 9);
        expect(r.grams.has(key)).toBe(false);
        for (const [k, g] of r.grams) expect(Math.abs(g - share * grams(k))).toBeLessThanOrEqual(0.5 + 1e-9);
        // what is weighed already is not asked for less of
        const [other] = BOWLS.filter((l) => l.key !== key && l.grams !== null);
        expect(smaller(BOWLS, { [key]: has, [other?.key ?? '']: 10 }, key, find).grams.has(other?.key ?? '')).toBe(
          false,
        );
      },
    ),
    { numRuns: 40 },
  );
});

test('a pinch of salt is in range at the weigh-in as it is on the Bench', () => {
  const formula = {
    ...EMPTY_FORMULA,
    entries: ['250 g flour', '430 g milk', '2 eggs', '10 g baking powder', '1 pinch of salt'].map((text, n) => ({
      key: `l${n + 1}`,
      text,
    })),
  };
  const lines = formulaLines(formula);
  const s = scale(lines, { by: 'factor', factor: 1 }, 'gram', null, null);
  if (!s.ok) throw new Error(s.error.message);
  const stands = (of: Parameters<typeof numbersOf>[0]) =>
    railOf(numbersOf(of, 'griddle', 'even'), 'salt')?.reading?.standing;
  expect([stands(lines), stands(wentIn(sheetOf(s.value, 1), {}, (id) => findIngredient(id)))]).toEqual(['in', 'in']);
});
