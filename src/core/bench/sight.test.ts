import { workedOn } from '../balance/bench';
import { fixesFor } from '../balance/fixes';
import { findingKey, meantKey } from '../findings/finding';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { entriesFromCard } from '../formula/from-card';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { withOffer } from '../formula/offers';
import { withCard } from '../formula/pasted';
import { cardSight } from './card-sight';
import { firstSight } from './first-sight';
import { sightOf } from './sight';
import { whatIf } from './what-if';

const of = (text: string): Formula => {
  const card = entriesFromCard(text, FRESH_KITCHEN.conventions);
  if (!card.ok) throw new Error(card.message);
  return withCard(EMPTY_FORMULA, card.value);
};
const on = (formula: Formula) => ({ formula, house: FRESH_KITCHEN, end: null });
const CAKES = on(
  of(`Weir cakes
2 cups flour
1/2 cup cornmeal
2 tsp baking powder
1 tsp baking soda
1 3/4 cups buttermilk or milk
2 eggs
2 tbsp butter, melted
a handful of moondust
butter for the pan
Caramel sauce:
200 g sugar
100 g heavy cream
Rest 20 minutes. Makes 14.`),
);

test('what is seen comes over the wire as it is: plain values, nothing of it lost', () => {
  const first = firstSight(CAKES);
  expect(structuredClone(first)).toEqual(first);
  expect(JSON.parse(JSON.stringify(first))).toEqual(first);
});

test('of each line: what it weighs, what it is called without its amount, and what its menu offers', () => {
  const { lines, blend, asks, flourG } = sightOf(CAKES, workedOn(CAKES));
  const line = (text: string) => lines.find((l) => l.text.startsWith(text));
  expect(line('2 eggs')).toMatchObject({
    grams: 100,
    called: 'large egg',
    flour: false,
    hasAmount: true,
    can: { swap: true, apart: true, age: false },
  });
  expect(line('2 tsp baking powder')?.can).toMatchObject({ age: true, apart: false, drain: false });
  expect(line('a handful')).toMatchObject({ ingredient: null, called: 'moondust' });
  expect(line('1 3/4 cups buttermilk')?.alternatives.map((a) => a.name)).toEqual(['Whole milk']);
  expect(blend.map((b) => b.key)).toEqual([line('2 cups flour')?.key, line('1/2 cup cornmeal')?.key]);
  expect(flourG).toBeCloseTo((line('2 cups flour')?.grams ?? 0) + (line('1/2 cup cornmeal')?.grams ?? 0), 6);
  expect(asks).toBe(1);
});

test('a line that has not changed is the same, by reference too', () => {
  const before = sightOf(CAKES, workedOn(CAKES));
  const typed = on({
    ...CAKES.formula,
    entries: CAKES.formula.entries.map((e) => (e.text === '2 eggs' ? { ...e, text: '3 eggs' } : e)),
  });
  const after = sightOf(typed, workedOn(typed));
  expect(after.lines.filter((l, i) => l === before.lines[i])).toHaveLength(before.lines.length - 1);
});

test('the first look says what each finding offers, as it is worked afterwards; an answered one speaks no more', () => {
  const { sight, fixes } = firstSight(CAKES);
  expect(sight.open.length).toBeGreaterThan(0);
  for (const f of sight.open) expect(fixes[findingKey(f)]).toEqual(fixesFor(CAKES, f).map((p) => p.title));
  const [top] = sight.open;
  if (!top) throw new Error('nothing speaks');
  const answered = on({ ...CAKES.formula, dismissed: [meantKey(top)] });
  const then = sightOf(answered, workedOn(answered));
  expect(then.open.map(findingKey)).not.toContain(findingKey(top));
  expect(then.dismissed.map(findingKey)).toEqual([findingKey(top)]);
  expect(then.findings).toHaveLength(sight.findings.length);
});

test('the card offers what is not so yet, and allergens of a sauce are told apart', () => {
  const { allergens } = sightOf(CAKES, workedOn(CAKES));
  const card = cardSight(CAKES, workedOn(CAKES));
  const rest = card?.offers.find((o) => o.what === 'way' && o.way === 'rest');
  if (rest?.what !== 'way') throw new Error('the rest is not offered');
  const taken = on(withOffer(CAKES.formula, rest));
  expect(cardSight(taken, workedOn(taken))?.offers).not.toContainEqual(rest);
  expect(allergens).toMatch(
    /^Holds wheat, gluten, milk, egg; 1 line is not read, and may hold more\. Sauces and sides: Caramel sauce: milk\.$/,
  );
});

test('an empty sheet tells of no batter', () => {
  const s = sightOf(on(EMPTY_FORMULA), workedOn(on(EMPTY_FORMULA)));
  expect(s).toMatchObject({ lines: [], pour: null, allergens: null });
  expect(cardSight(on(EMPTY_FORMULA), workedOn(on(EMPTY_FORMULA)))).toBeNull();
  expect(whatIf(on(EMPTY_FORMULA))).toHaveLength(1);
});

test('a little more of the milk thins it, of the flour thickens it', () => {
  const [milk, flour, rest] = whatIf(CAKES);
  expect(milk).toMatch(/^15 g more cultured buttermilk: \d+ % thinner/);
  expect(flour).toMatch(/^15 g more .*flour: \d+ % thicker/);
  expect(rest).toMatch(/^Fresh it /);
});
