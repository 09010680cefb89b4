/**
 * Proposals keep the batch: its flour and its total within a tenth, each line's order of magnitude, nothing off; on the
 * common formulas.
 */
import fc from 'fast-check';
import { EMPTY_FORMULA, type Formula, type FormulaLine } from '../formula/formula';
import { type KindId, RAILS, railOf } from '../formula/kinds';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { testedFlourG } from '../formula/tally';
import { COMMON } from '../testing/common';
import { type Bench, type Proposal, workedOn } from './bench';
import { fixesFor } from './fixes';
import { WISHES } from './moves';
import { bend } from './ratios';
import { swapRebalanced, swapsFor } from './swaps';

const on = (lines: readonly string[], kind: KindId, school: string, more: Partial<Formula> = {}): Bench => ({
  formula: { ...EMPTY_FORMULA, kind, school, entries: lines.map((text, n) => ({ key: `l${n + 1}`, text })), ...more },
  house: FRESH_KITCHEN,
  end: null,
});
const some = fc.constantFrom(...COMMON).map((c) => on(c.lines, c.kind, c.school));

/**
 * Shares of flour and of all the batter that are left, and the least and most times itself a line comes to: worked from
 * the sheet, by itself.
 */
function shares(b: Bench, p: Pick<Proposal, 'formula'>, isAsked: (l: FormulaLine) => boolean) {
  const [was, is] = [workedOn(b), workedOn({ ...b, formula: p.formula })];
  const times = was.lines
    .filter((l) => l.use === 'batter' && l.grams && !isAsked(l))
    .map((l) => (is.lines.find((x) => x.key === l.key)?.grams ?? 0) / (l.grams ?? 1));
  return {
    flour: testedFlourG(is.analysis.tally) / testedFlourG(was.analysis.tally),
    mass: is.analysis.tally.massG / was.analysis.tally.massG,
    least: Math.min(1, ...times),
    most: Math.max(1, ...times),
  };
}
const isKept = (s: ReturnType<typeof shares>): boolean =>
  s.mass > 0.894 && s.mass < 1.106 && s.least > 0.327 && s.most < 3.02;

const BY_ITSELF = { salt: 'salt', sugar: 'sugar', fat: 'fat', egg: 'egg', lift: 'leavening' } as const;
/** Roughly what a rail is asked of, told apart from the code's own table. */
const isOf = (l: FormulaLine, rail: (typeof RAILS)[number]): boolean => {
  const c = l.ingredient?.category;
  return rail === 'water'
    ? c !== 'flour' && c !== 'leavening' && c !== 'salt'
    : c === BY_ITSELF[rail] || (rail === 'sugar' && c === 'syrup');
};

test('law: a wish keeps flour and total within a tenth, and what it takes off is what it names', () => {
  fc.assert(
    fc.property(some, fc.constantFrom(...WISHES), (b, wish) => {
      const p = wish.propose(b);
      if (!p) return true;
      const s = shares(
        b,
        p,
        (l) => RAILS.some((r) => r !== 'water' && isOf(l, r)) || l.ingredient?.category !== 'flour',
      );
      // what is milder takes off what it names, and as little of the batch as any other
      if (wish.id === 'milder') return s.flour > 0.894 && s.flour < 1.106 && s.mass > 0.894 && s.mass < 1.106;
      return s.flour > 0.894 && s.flour < 1.106 && isKept(s);
    }),
    { numRuns: 150 },
  );
});

test('law: a rail dragged anywhere stops where the batch would begin to be another', () => {
  fc.assert(
    fc.property(some, fc.constantFrom(...RAILS), fc.double({ min: 0.2, max: 5, noNaN: true }), (b, rail, times) => {
      const r = railOf(workedOn(b).analysis, rail);
      if (!r?.reading) return true;
      const s = shares(b, bend(b, [{ rail, value: times * r.tested }]), (l) => isOf(l, rail));
      return s.flour > 0.894 && s.flour < 1.106 && isKept(s);
    }),
    { numRuns: 150 },
  );
});

test('what a drag writes in whole grams is still no more than three times the line: 9.2 g of powder never 28 g', () => {
  const lines = [
    '2 cups flour',
    '1/4 cup sugar',
    '2 tsp baking powder',
    '1 tsp baking soda',
    '1/2 tsp salt',
    '1 3/4 cups buttermilk',
    '2 eggs',
  ];
  const b = on([...lines, '1/4 cup butter, melted'], 'griddle', 'tall');
  const water = railOf(workedOn(b).analysis, 'water')?.tested ?? 0;
  expect(water).toBeGreaterThan(0);
  const bent = workedOn({ ...b, formula: bend(b, [{ rail: 'water', value: 0.2 * water }]).formula }).lines;
  const powder = (of: readonly FormulaLine[]) => of.find((l) => l.key === 'l3')?.grams ?? 0;
  expect(powder(workedOn(b).lines)).toBeCloseTo(9.2, 1);
  expect(powder(bent)).toBeLessThanOrEqual(27.6);
});

test('law: a swap keeps the total, and every line that it is not about', () => {
  const swap = some.chain((b) => {
    const can = workedOn(b).lines.flatMap((l) => swapsFor(l).map((s) => ({ l, s })));
    return can.length > 0 ? fc.constantFrom(...can).map((x) => ({ b, ...x })) : fc.constant(null);
  });
  fc.assert(
    fc.property(swap, (x) => {
      if (!x) return true;
      const p = swapRebalanced(x.b, x.l, x.s);
      const alone = p.why.startsWith('Only this line');
      return alone || isKept(shares(x.b, p, (l) => l.key === x.l.key || l.ingredient?.category === 'leavening'));
    }),
    { numRuns: 150 },
  );
});

test('crepes without leavening: no "Taller" by flour that shrinks; a drag says what would bring the rise, and moves nothing', () => {
  const crepes = on(
    ['250 g flour', '500 ml milk', '3 eggs', '20 g sugar', '2 g salt', '30 g butter, melted'],
    'crepe',
    'sweet',
  );
  expect(WISHES.find((w) => w.id === 'taller')?.propose(crepes)).toBeNull();
  const lifted = bend(crepes, [{ rail: 'lift', value: 0.5 }]);
  expect(lifted.formula).toEqual(crepes.formula);
  expect(lifted.short).toMatch(/nothing on the sheet brings it\. Add baking powder/);
});

test('"Thinner" says everything else as it is, and it is: with all the buttermilk bound and the eggs apart nothing is offered', () => {
  const bound = on(
    [
      '300 g flour',
      '700 g buttermilk',
      '2 egg yolks',
      '2 egg whites, whipped',
      '30 g sugar',
      '4 g salt',
      '5 g baking soda',
    ],
    'griddle',
    'even',
  );
  const all = {
    ...bound,
    formula: {
      ...bound.formula,
      entries: bound.formula.entries.map((e) => (e.key === 'l2' ? { ...e, mostG: 700 } : e)),
    },
  };
  expect(WISHES.find((w) => w.id === 'thinner')?.propose(all)).toBeNull();
  const plain = on(
    ['300 g flour', '450 g milk', '2 eggs', '30 g sugar', '4 g salt', '12 g baking powder', '30 g butter'],
    'griddle',
    'even',
  );
  const p = WISHES.find((w) => w.id === 'thinner')?.propose(plain);
  expect(p?.formula.entries.filter((e, n) => e.text !== plain.formula.entries[n]?.text).map((e) => e.key)).toEqual([
    'l2',
  ]);
});

test('a cinnamon pancake with three tablespoons of it is mended down to what is usual, though it is named by it', () => {
  const b = on(
    [
      '2 cups flour',
      '2 tbsp sugar',
      '1 tbsp baking powder',
      '1/2 tsp salt',
      '3 tbsp cinnamon',
      '1 3/4 cups milk',
      '2 eggs',
      '1/4 cup butter, melted',
    ],
    'griddle',
    'even',
    { name: 'Cinnamon pancakes' },
  );
  const f = workedOn(b).analysis.findings.find((x) => x.code === 'spice-high');
  if (!f) throw new Error('three tablespoons of cinnamon are not told');
  const [fix] = fixesFor(b, f);
  expect(fix?.title).toMatch(/cinnamon/);
  expect(workedOn({ ...b, formula: fix?.formula ?? b.formula }).analysis.findings.map((x) => x.code)).not.toContain(
    'spice-high',
  );
});

test('with five lines open nothing is known well enough to be mended', () => {
  const b = on(['flour', 'milk', 'eggs', 'sugar', 'butter', '3 tbsp salt', '10 g baking powder'], 'griddle', 'even');
  for (const f of workedOn(b).analysis.findings) if (f.code !== 'lines-open') expect(fixesFor(b, f)).toEqual([]);
});
