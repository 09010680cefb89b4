/** Several things on hand used up together: a formula bent within its zones. */
import fc from 'fast-check';
import { withFormula, workedOn } from '../balance/bench';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { findIngredient } from '../pantry/pantry';
import { COMMON } from '../testing/common';
import { counting } from '../testing/counted';
import { readOnHand, scaledFor, shareUsed } from './on-hand';
import { takenTogether, thingsRead, thingsWritten, usingUpTogether } from './together';

const formulaOf = (...lines: readonly string[]): Formula => ({
  ...EMPTY_FORMULA,
  entries: lines.map((text, n) => ({ key: `l${n + 1}`, text })),
});
const SOUR = formulaOf(
  '250 g flour',
  '25 g sugar',
  '4 g salt',
  '3 g baking soda',
  '440 g buttermilk',
  '2 eggs',
  '40 g butter',
);
const there = (text: string) => readOnHand(text, FRESH_KITCHEN).things;
const taken = (formula: Formula, text: string) => {
  const things = there(text);
  const u = scaledFor({ formula }, null, things, FRESH_KITCHEN);
  if (!u) throw new Error('it takes some of it');
  return takenTogether(u, things, FRESH_KITCHEN);
};

// scaled by its buttermilk, 700 / 440, it takes 159 of 250 g of egg; twice as many eggs a flour is within the zone
test('five eggs and 700 g of buttermilk go in whole: the flour is more for them than the buttermilk alone asks', () => {
  const t = taken(SOUR, '700 g buttermilk, 5 eggs');
  expect(t.alone.uses.map((x) => Math.round(x.grams))).toEqual([700, 159]);
  expect(t.uses.map((x) => Math.round(x.grams))).toEqual([700, 250]);
  const flour = t.needs.find((n) => n.name === 'all-purpose wheat flour')?.grams ?? 0;
  expect(flour).toBeGreaterThan((250 * 700) / 440 + 40);
  expect(t.shifts.find((s) => s.name === 'large egg')?.byG).toBeGreaterThan(30);
  const bench = { formula: SOUR, house: FRESH_KITCHEN, end: null };
  expect(usingUpTogether(bench, there('700 g buttermilk, 5 eggs'))?.formula.entries.map((e) => e.text)).toContain(
    '5 eggs',
  );
});

test('what fits as it is stays as it is; one thing, or one that stands on two lines, is scaled alone', () => {
  expect(taken(SOUR, '440 g buttermilk, 2 eggs').bent).toBeNull();
  expect(taken(SOUR, '5 eggs').bent).toBeNull();
  expect(taken(formulaOf('250 g flour', '200 g milk', '240 g milk', '2 eggs'), '900 g milk, 3 eggs').bent).toBeNull();
});

test('things in an address come back as they are', () => {
  const things = there('700 g buttermilk, 5 eggs, one banana');
  const back = thingsRead(thingsWritten(things), (id) => findIngredient(id));
  expect(back.map((t) => [t.ingredient.id, Math.round(t.grams)])).toEqual([
    ['buttermilk', 700],
    ['egg-large', 250],
    ['banana', 118],
  ]);
  expect(thingsRead('moondust 5,milk-whole x,', (id) => findIngredient(id))).toEqual([]);
});

test('written as the card writes it, a bent formula lies no further outside its zones than its exact grams do', () => {
  const lines = ['1 1/2 cups flour', '2 tbsp sugar', '2 tsp baking powder', '1/4 tsp salt', '1 1/4 cups milk', '1 egg'];
  const formula: Formula = {
    ...formulaOf(...lines, '2 tbsp butter, melted', '3/4 cup chocolate chips'),
    kind: 'griddle',
    school: 'even',
  };
  const things = there('1496 g milk, 6 eggs, 43 g butter');
  const u = scaledFor({ formula }, null, things, FRESH_KITCHEN);
  const t = u && takenTogether(u, things, FRESH_KITCHEN);
  const bench = { formula, house: FRESH_KITCHEN, end: null };
  const far = (f: Formula): readonly number[] =>
    workedOn(withFormula(bench, f)).analysis.rails.map(({ tested, zone }) =>
      zone ? Math.max(0, zone[0] - tested, tested - zone[1]) / (zone[1] - zone[0]) : 0,
    );
  const [before, after] = [far(formula), far(t?.bent ?? formula)];
  expect(t?.bent).not.toBeNull();
  expect(after.filter((x, n) => x > (before[n] ?? 0) + 0.02)).toEqual([]);
});

test('law: never beyond what there is, never less than scaled alone, no ratio further outside its zone', () => {
  const law = counting();
  const formulas = COMMON.slice(0, 40).map((c) => ({ ...formulaOf(...c.lines), kind: c.kind, school: c.school }));
  fc.assert(
    fc.property(
      fc.constantFrom(...formulas),
      fc.integer({ min: 100, max: 1500 }),
      fc.integer({ min: 1, max: 9 }),
      fc.integer({ min: 20, max: 300 }),
      (formula, milk, eggs, butter) => {
        const things = there(`${milk} g milk, ${eggs} eggs, ${butter} g butter`);
        const u = scaledFor({ formula }, null, things, FRESH_KITCHEN);
        const t = u && takenTogether(u, things, FRESH_KITCHEN);
        if (!t?.bent) return;
        law.one();
        for (const x of t.uses) expect(x.grams).toBeLessThanOrEqual(x.thing.grams * 1.001);
        expect(shareUsed(t, things)).toBeGreaterThan(shareUsed(t.alone, things));
        const bench = { formula, house: FRESH_KITCHEN, end: null };
        const was = workedOn(bench).analysis.rails;
        for (const { rail, tested, zone } of workedOn(withFormula(bench, t.bent)).analysis.rails) {
          const before = was.find((r) => r.rail === rail);
          if (!zone || !before) continue;
          const far = (x: number): number => Math.max(0, zone[0] - x, x - zone[1]) / (zone[1] - zone[0]);
          expect(far(tested)).toBeLessThanOrEqual(far(before.tested) + 0.021);
        }
      },
    ),
    { numRuns: 40 },
  );
  law.atLeast(8);
});
