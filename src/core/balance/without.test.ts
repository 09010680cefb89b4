/** A guest's bowl: by hand, and as a law on cards drawn at random. */
import fc from 'fast-check';
import { analyseFormula } from '../analyse-formula';
import { EMPTY_FORMULA, type Formula, kitchenOf } from '../formula/formula';
import type { Rail } from '../formula/kinds';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { formulaLines } from '../formula/lines';
import { allergensOf } from '../formula/tally';
import { ALLERGENS, type Allergen } from '../pantry/ingredient';
import { findIngredient } from '../pantry/pantry';
import { houseFatLines } from '../script/pan-fat';
import { counting } from '../testing/counted';
import { cases } from '../testing/share';
import { bowlWithout, withoutSaid } from './without';

const of = (lines: readonly string[], more: Partial<Formula> = {}): Formula => ({
  ...EMPTY_FORMULA,
  name: 'Lock cakes',
  entries: lines.map((text, n) => ({ key: `l${n + 1}`, text })),
  ...more,
});
const bowl = (f: Formula, ...without: Allergen[]) =>
  bowlWithout({ formula: f, house: FRESH_KITCHEN, end: null }, without);
const heldBy = (f: Formula): readonly Allergen[] => {
  const lines = formulaLines(f, FRESH_KITCHEN).filter((l) => !l.off);
  const { ways, conventions } = kitchenOf(f, FRESH_KITCHEN);
  const fat = houseFatLines(lines, ways, f.kind, (id) => findIngredient(id, conventions.own));
  return allergensOf([...lines, ...fat]).held.map((h) => h.allergen);
};
const CAKES = of([
  '250 g flour',
  '2 tsp baking powder',
  '1/2 tsp baking soda',
  '3 g salt',
  '420 g buttermilk',
  '2 eggs',
  '56 g butter, melted',
  '50 g walnuts',
  'butter for the pan',
  'butter to serve',
]);

test('without milk: a soured drink and oil, in the pan too; the butter on top is left off; the ratios stay', () => {
  const b = bowl(CAKES, 'milk');
  expect(b.formula.name).toBe('Lock cakes, without milk');
  expect(b.swaps).toEqual([
    'oat drink with lemon juice for cultured buttermilk',
    'vegetable oil for unsalted butter',
    'oil for unsalted butter in the pan',
  ]);
  expect([b.leftOut, b.stays]).toEqual([['unsalted butter'], []]);
  const rail = (f: Formula, r: Rail) =>
    analyseFormula(f, FRESH_KITCHEN).analysis.rails.find((x) => x.rail === r)?.tested ?? 0;
  for (const r of ['water', 'egg', 'fat', 'lift'] as const) {
    const [was, is] = [rail(CAKES, r), rail(b.formula, r)];
    expect(Math.abs(is / was - 1)).toBeLessThan(0.04);
  }
});

test('without egg, gluten, nuts: mild first; an add-in is left out', () => {
  expect(bowl(CAKES, 'egg').swaps).toEqual(['applesauce for large egg']);
  expect(bowl(CAKES, 'wheat', 'gluten').swaps).toEqual([
    expect.stringMatching(/^gluten-free flour blend.* for all-purpose wheat flour$/),
  ]);
  expect(bowl(CAKES, 'wheat', 'gluten').formula.name).toBe('Lock cakes, without gluten');
  expect(bowl(CAKES, 'tree-nut')).toMatchObject({ swaps: [], leftOut: ['walnuts'], stays: [] });
  expect(withoutSaid(['milk', 'egg'])).toBe('without milk, egg');
  expect(bowl({ ...CAKES, name: 'Lock cakes, without milk' }, 'egg').formula.name).toBe(
    'Lock cakes, without milk, egg',
  );
});

test('what eggs raise, what is whipped, and what is not known stays, and is told', () => {
  const puff = of(['100 g flour', '200 g milk', '3 eggs', '20 g butter'], { kind: 'oven' });
  expect(bowl(puff, 'egg').stays).toEqual(['large egg']);
  expect(bowl(of(['250 g flour', '300 g milk', '3 eggs, whites whipped stiff']), 'egg').stays).toEqual(['large egg']);
  expect(bowl(of(['250 g flour', '300 g oat drink', '20 g zibbet']), 'milk').stays).toEqual(['“20 g zibbet”']);
});

test('the house’s butter in the pan becomes oil', () => {
  const house = { ...FRESH_KITCHEN, ways: { ...FRESH_KITCHEN.ways, panFat: 'butter' as const } };
  const b = bowlWithout({ formula: of(['250 g flour', '300 g oat drink', '2 eggs']), house, end: null }, ['milk']);
  expect(b.swaps).toEqual(['oil in the pan']);
  expect(b.formula.entries.at(-1)?.text).toBe('vegetable oil for the pan');
});

const LINES = [
  ['250 g flour', '200 g spelt flour', '180 g buckwheat flour'],
  ['420 g buttermilk', '400 g milk', '300 g kefir', '350 g plain yoghurt', '380 g oat milk', '250 g half-and-half'],
  ['2 eggs', '3 eggs', '4 egg yolks'],
  ['50 g butter', '40 g oil', '60 g sour cream', '50 g heavy cream', '30 g ghee'],
  ['10 g baking powder', '3 g baking soda'],
  ['80 g chocolate chips', '50 g walnuts', '40 g ricotta', '60 g blueberries', '30 g milk powder', '20 g oats'],
  ['butter for the pan', 'maple syrup to serve', 'whipped cream on top', '10 g oil for the pan'],
] as const;

test('law: of what it does without nothing is in it, in the pan or on top, or it is told what stays', () => {
  const law = counting();
  const card = fc.tuple(...LINES.map((l) => fc.constantFrom(...l)));
  fc.assert(
    fc.property(
      card,
      fc.constantFrom('griddle', 'waffle', 'crepe', 'oven'),
      fc.uniqueArray(fc.constantFrom(...ALLERGENS), { minLength: 1, maxLength: 3 }),
      (lines, kind, without) => {
        const b = bowl(of(lines, { kind }), ...without);
        const still = heldBy(b.formula).filter((a) => without.includes(a));
        if (b.stays.length === 0) {
          law.one();
          expect(still).toEqual([]);
        }
        if (still.length > 0) expect(b.stays.length).toBeGreaterThan(0);
        expect(new Set(b.formula.entries.map((e) => e.key)).size).toBe(b.formula.entries.length);
      },
    ),
    { numRuns: cases(60) },
  );
  law.atLeast(10);
});
