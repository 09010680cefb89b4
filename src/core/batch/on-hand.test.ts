/** Begin from what there is: read, matched, bounded, ranked. */
import fc from 'fast-check';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { COMMON } from '../testing/common';
import { counting } from '../testing/counted';
import { readOnHand, usingUpFrom } from './on-hand';

const of = (name: string, ...lines: readonly string[]): { readonly formula: Formula } => ({
  formula: { ...EMPTY_FORMULA, name, entries: lines.map((text, n) => ({ key: `l${n + 1}`, text })) },
});
const SOUR = of(
  'Sour cakes',
  '250 g flour',
  '25 g sugar',
  '4 g salt',
  '3 g baking soda',
  '440 g buttermilk',
  '2 eggs',
  '40 g butter',
);
const BANANA = of(
  'Banana cakes',
  '200 g flour',
  '10 g sugar',
  '3 g salt',
  '9 g baking powder',
  '280 g milk',
  '1 egg',
  '1 banana, mashed',
  '30 g butter',
);
const PLAIN = of(
  'Plain cakes',
  '250 g flour',
  '25 g sugar',
  '4 g salt',
  '10 g baking powder',
  '430 g water',
  '40 g oil',
);

test('a sentence of things and amounts is read; what says no amount is asked about', () => {
  const read = readOnHand('700 g of buttermilk, five eggs, one banana', FRESH_KITCHEN);
  expect(read.things.map((t) => [t.ingredient.id, Math.round(t.grams)])).toEqual([
    ['buttermilk', 700],
    ['egg-large', 250],
    ['banana', 118],
  ]);
  expect(read.open).toEqual([]);
  expect(readOnHand('some milk; moondust; 2 eggs', FRESH_KITCHEN).open.map((o) => o.text)).toEqual([
    'milk',
    'moondust',
  ]);
  expect(readOnHand('', FRESH_KITCHEN)).toEqual({ things: [], open: [] });
});

test('a blend is there as itself: a starter, and what a formula takes of it; what is not there is left out', () => {
  const DISCARD = of('Discard cakes', '240 g sourdough starter', '1 egg', '60 g milk', '3 g baking soda');
  const read = readOnHand('sourdough discard 480 g, one egg, no butter', FRESH_KITCHEN);
  expect(read.things.map((t) => [t.ingredient.id, t.grams])).toEqual([
    ['sourdough-starter', 480],
    ['egg-large', 50],
  ]);
  expect(read.open).toEqual([]);
  const [first] = usingUpFrom([DISCARD, PLAIN], read.things, FRESH_KITCHEN);
  // one egg of the two that 480 g want: made once
  expect(first?.factor).toBeCloseTo(1);
  expect(first?.uses.map((u) => [u.thing.ingredient.id, Math.round(u.grams)])).toEqual([
    ['sourdough-starter', 240],
    ['egg-large', 50],
  ]);
  expect(first?.needs.map((n) => n.name)).toEqual(['whole milk', 'baking soda']);
  // flour and water on hand are still what a starter is fed with
  const [fed] = usingUpFrom([DISCARD], readOnHand('500 g flour', FRESH_KITCHEN).things, FRESH_KITCHEN);
  expect(Math.round(fed?.factor ?? 0)).toBe(4);
});

test.each([
  ['the last of the sour cream, about 200 ml', 'sour-cream 194'],
  ['1.5 l milk going off tomorrow', 'milk-whole 1547'],
  ['3 egg whites left over', 'egg-white 99'],
  ['tub of ricotta, 250 g', 'ricotta 250'],
  ['whey from the ricotta, half a litre', 'whey 514'],
  ['honey, nearly a full jar (450 g)', 'honey 450'],
  ['cup and a half of yoghurt and two eggs', 'yoghurt-whole 368, egg-large 100'],
  // what they weigh mashed is what there is
  ['4 brown bananas, mashed 400 g', 'banana 400'],
  ['two soft apples and a pear', 'apple 364, pear 178'],
  // whatever parts them, and whatever says that they are there
  ...[', ', '; ', ' + ', ' / ', ' - ', ' & ', ' • ', '. ', ' and ', ' und ', ' et ', ' y '].map((sign) => [
    ['2 bananas', '5 eggs', '700 ml buttermilk'].join(sign),
    'banana 236, egg-large 250, buttermilk 725',
  ]),
  ...['There are ', 'I have ', 'We’ve still got ', 'left: ', 'Ich habe noch ', 'J’ai ', 'Quedan '].map((there) => [
    `${there}5 eggs, 200 g ricotta`,
    'egg-large 250, ricotta 200',
  ]),
])('%s', (said, is) => {
  const { things, open } = readOnHand(said, FRESH_KITCHEN);
  expect(things.map((t) => `${t.ingredient.id} ${Math.round(t.grams)}`).join(', ')).toBe(is);
  expect(open).toEqual([]);
});

test.each([
  ['a punnet of blueberries', /punnet.*\(150 g\)/],
  ['a bag of flour', /1 bag \(500 g\)/],
  ['a bar of dark chocolate', /1 bar \(100 g\)/],
  ['3/4 of a pot of crème fraîche', /1 tub \(250 g\)/],
])('%s: asked how much it holds, with an example that such a pack could hold', (said, asks) =>
  expect(readOnHand(said, FRESH_KITCHEN).open[0]?.why).toMatch(asks),
);

test('a thing that nobody knows is no note on the thing before it: it is told', () => {
  const { things, open } = readOnHand('700 g of buttermilk, five eggs, one banana, moondust', FRESH_KITCHEN);
  expect(things.map((t) => t.ingredient.id)).toEqual(['buttermilk', 'egg-large', 'banana']);
  expect(open.map((o) => o.text)).toEqual(['moondust']);
});

test('a thing written twice is there twice; what is more than can be asked at once is told', () => {
  const read = readOnHand('2 eggs, 300 g milk, 3 eggs', FRESH_KITCHEN);
  expect(read.things.map((t) => [t.text, Math.round(t.grams)])).toEqual([
    ['2 eggs, 3 eggs', 250],
    ['300 g milk', 300],
  ]);
  const many = readOnHand(Array.from({ length: 42 }, () => '10 g milk').join('; '), FRESH_KITCHEN);
  expect([many.things[0]?.grams, many.open.length]).toEqual([400, 2]);
});

test('a line that is not read is no line less that it takes', () => {
  const open = of('Open cakes', '250 g flour', '300 g milk', '2 eggs', 'some moondust');
  const [u] = usingUpFrom([open], readOnHand('600 g milk', FRESH_KITCHEN).things, FRESH_KITCHEN);
  expect(u?.unread).toEqual(['some moondust']);
});

// 700 / 440 = 1.59 times the sour cakes: 3.18 of five eggs; one banana is once the banana cakes, and one of five eggs
test('what uses up most comes first, never beyond what there is, with pieces and what else it takes', () => {
  const { things } = readOnHand('700 g buttermilk, 5 eggs, 1 banana', FRESH_KITCHEN);
  const found = usingUpFrom([PLAIN, BANANA, SOUR], things, FRESH_KITCHEN);
  expect(found.map((u) => u.of.formula.name)).toEqual(['Sour cakes', 'Banana cakes']);
  expect(found[0]?.factor).toBeCloseTo(700 / 440, 6);
  expect(found[0]?.drives.ingredient.id).toBe('buttermilk');
  expect(found[0]?.uses.map((u) => Math.round(u.grams))).toEqual([700, 159]);
  expect(found[0]?.needs[0]).toEqual({ name: 'all-purpose wheat flour', grams: expect.closeTo(397.7, 1) });
  expect(found[0]?.pieces).toBeGreaterThan(15);
  expect(found[1]?.factor).toBeCloseTo(1, 6);
});

test('law: nothing is asked for beyond what there is', () => {
  const law = counting();
  const formulas = COMMON.map((c) => ({
    formula: { ...of(c.name, ...c.lines).formula, kind: c.kind, school: c.school },
  }));
  fc.assert(
    fc.property(
      fc.integer({ min: 20, max: 2000 }),
      fc.integer({ min: 1, max: 12 }),
      fc.integer({ min: 20, max: 3000 }),
      (milk, eggs, flour) => {
        const { things } = readOnHand(`${milk} g milk, ${eggs} eggs, ${flour} g flour`, FRESH_KITCHEN);
        for (const u of usingUpFrom(formulas, things, FRESH_KITCHEN)) {
          law.one();
          for (const x of u.uses) expect(x.grams).toBeLessThanOrEqual(x.thing.grams * (1 + 1e-9));
        }
      },
    ),
    { numRuns: 10 },
  );
  law.atLeast(500);
});
