/** Too thick, too thin: how much, of what, and what stays. */
import fc from 'fast-check';
import { pooled } from '../batter/spread';
import { thickness } from '../batter/thickness';
import { EMPTY_FORMULA, formulaLines } from '../formula/formula';
import { kindById, THICKNESSES } from '../formula/kinds';
import { FRESH_WAYS, standingOf } from '../formula/ways';
import { ingredient } from '../pantry/pantry';
import { counting } from '../testing/counted';
import { PLAIN_CAKE } from '../testing/formulas';
import { correction, inTheBowl, meansOf, paSOf, wantedPour } from './correct';

const LINES = formulaLines({ ...EMPTY_FORMULA, entries: PLAIN_CAKE.map((text, n) => ({ key: `l${n + 1}`, text })) });
const STANDING = standingOf(FRESH_WAYS, kindById('griddle'));
const MEANS = meansOf(LINES, ingredient('milk-whole'), ingredient('flour-all-purpose'));
const ask = (seen: number, bowlG = 400) => correction(LINES, { bowlG, seen, want: 'ribbon', standing: STANDING, ...MEANS, stepG: 1 });

test('a measured pour turned round is the batter that poured it', () => {
  for (const eta of [0.3, 1, 2.4, 9]) expect(paSOf({ by: 'pour', ml: 60, cm: [pooled(eta, 60).diameterCm] })).toBeCloseTo(eta, 9);
  expect(paSOf({ by: 'pour', ml: 60, cm: [] })).toBeNull();
  // a tenth narrower: 0.9^-10 = 2.87 times as thick
  const d = pooled(2, 60).diameterCm;
  expect((paSOf({ by: 'pour', ml: 60, cm: [0.9 * d] }) ?? 0) / 2).toBeCloseTo(2.868, 2);
});

test('too thick takes the batter’s own milk, too thin its own flour; near enough takes nothing', () => {
  const thick = ask(8);
  expect(thick).toMatchObject({ towards: 'thinner', short: false });
  expect(thick?.ingredient.id).toBe(MEANS.thin.id);
  const thin = ask(0.5);
  expect(thin).toMatchObject({ towards: 'thicker' });
  expect(thin?.ingredient.id).toBe('flour-all-purpose');
  expect(ask(2)).toBeNull();
  // half, then a look, then the rest in two; a twentieth of the bowl at once, 20 of 400 g
  expect(thick?.grams).toBe(100);
  expect(thick?.steps).toEqual([20, 20, 20, 20, 20]);
  expect(ask(2.8)?.grams).toBe(21);
  expect(ask(2.8)?.steps).toEqual([11, 5, 5]);
});

test('the table of models.md: 400 g at 8.5 Pa.s take about 60 g of milk to 2.0', () => {
  const at = (milk: number) => LINES.map((l) => (l.key === 'l5' ? { ...l, parts: l.parts.map((p) => ({ ...p, grams: milk })) } : l));
  const eta = (milk: number) => thickness(at(milk), STANDING.restMin, STANDING.batterC)?.paS ?? 0;
  const milk = Array.from({ length: 400 }, (_, n) => 150 + n).find((g) => eta(g) <= 8.5) as number;
  const c = correction(at(milk), { bowlG: 400, seen: eta(milk), want: 'ribbon', standing: STANDING, ...MEANS, stepG: 1 });
  // to the middle of a ribbon, 1.88
  expect(c?.grams).toBeGreaterThan(50);
  expect(c?.grams).toBeLessThan(75);
});

test('the class of the school that is nearest', () => {
  expect(wantedPour({ pour: ['thin cream', 'heavy cream'] }, 0.05)).toBe('thin cream');
  expect(wantedPour({ pour: ['thin cream', 'heavy cream'] }, 5)).toBe('heavy cream');
});

test('law: what is asked for brings the model as far as was asked, and twice the bowl takes twice as much', () => {
  const tested = counting();
  fc.assert(
    fc.property(fc.constantFrom(...THICKNESSES), fc.integer({ min: 300, max: 6000 }), (pour, bowlG) => {
      const seen = paSOf({ by: 'look', pour }) as number;
      const c = ask(seen, bowlG);
      if (!c) return expect(pour).toBe('ribbon');
      const two = ask(seen, 2 * bowlG);
      expect(Math.abs((two?.grams ?? 0) - 2 * c.grams)).toBeLessThanOrEqual(2);
      expect(c.steps.reduce((a, g) => a + g, 0)).toBe(c.grams);
      for (const g of c.steps) expect(g).toBeLessThanOrEqual(Math.ceil(0.05 * bowlG) + 2);
      if (c.short) return;
      tested.one();
      const mass = LINES.filter((l) => l.use === 'batter').reduce((a, l) => a + (l.grams ?? 0), 0);
      const eta = (g: number) =>
        thickness([...LINES, { use: 'batter', parts: [{ ingredient: c.ingredient, grams: (g * mass) / bowlG }] }], STANDING.restMin, STANDING.batterC)?.paS ??
        0;
      const ratio = eta(c.grams) / eta(0);
      const wanted = (paSOf({ by: 'look', pour: 'ribbon' }) as number) / seen;
      // to the whole gram in the bowl
      expect(Math.abs(Math.log(ratio / wanted))).toBeLessThan(0.1);
    }),
    { numRuns: 60 },
  );
  tested.atLeast(20);
});

test('what was stirred in is in the bowl', () => {
  const sheet = [
    { key: 'l1', text: '', name: '', vessel: 'dry' as const, measure: '100 g', grams: 100, preparation: '', parts: [{ id: 'flour-all-purpose', grams: 100 }] },
  ];
  const corrected = (mix: number, grams = 30, bowlG = 110) => ({
    id: `${mix} ${grams}`,
    at: -grams,
    act: { what: 'corrected', mix, ingredientId: 'milk-whole', grams, bowlG, seen: '' } as const,
  });
  const lines = inTheBowl({ sheet, weights: { l1: 110 }, entries: [corrected(1), corrected(2)] }, 1, ingredient);
  expect(lines.map((l) => l.parts.map((p) => [p.ingredient.id, p.grams]))).toEqual([[['flour-all-purpose', 110]], [['milk-whole', 30]]]);
  // half of it is poured: 14 g into the 70 that are left are as 28 into the 140
  const half = inTheBowl({ sheet, weights: { l1: 110 }, entries: [corrected(1), corrected(1, 14, 70)] }, 1, ingredient);
  expect(half.at(-1)?.parts[0]?.grams).toBeCloseTo(28, 9);
});
