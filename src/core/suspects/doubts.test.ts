/** Lines in doubt are decided by the whole card where one set makes it agree, and stay asked where either fits. */
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { linesOf } from '../testing/formulas';
import { type Settled, settledBy } from './doubts';

const settle = (card: string): Settled | null =>
  settledBy({
    lines: linesOf(...card.split('; ')),
    kind: 'griddle',
    school: 'even',
    at: {},
    conventions: FRESH_CONVENTIONS,
  });
const ways = (card: string) => settle(card)?.ways.map((w) => [w.at, w.text, w.stands ?? null]) ?? null;
const REST = '1 tbsp sugar; 1/2 tsp salt; 2 tbsp butter, melted';

test('three lines in doubt are one answer, and the nearest other set is told', () => {
  const card = `11/2 cups flour; 11/4 cups milk; 1 egg; 21/2 tsp baking powder; ${REST}`;
  const best = ['1 1/2 cups flour', '1 1/4 cups milk', '2 1/2 teaspoons baking powder'];
  expect(ways(card)).toEqual([0, 1, 3].map((at, n) => [at, best[n], null]));
  const otherwise = settle(card)?.otherwise.map((w) => w.text);
  expect(otherwise).toHaveLength(3);
  expect(otherwise).not.toEqual(best);
});

test('of two amounts that disagree the one that fits the rest stands', () => {
  const rest = `2 eggs; 1 tbsp baking powder; ${REST}`;
  expect(ways(`2 cups flour (400 g); 1 3/4 cups milk; ${rest}`)).toEqual([[0, '2 cups flour (400 g)', 'volume']]);
  expect(ways(`2 cups flour (400 g); 2 3/4 cups milk; 3 eggs; 5 tsp baking powder; ${REST}`)).toEqual([
    [0, '2 cups flour (400 g)', 'weight'],
  ]);
});

test('what fits either way, what fits no way, and what is in no doubt is not decided', () => {
  const rest = '1 3/4 cups milk; 2 eggs; 1 tbsp baking powder; 1/2 tsp salt; 2 tbsp butter, melted';
  // 1 1/2 and 5 1/2 tablespoons of sugar are both usual
  expect(ways(`2 cups flour; 11/2 tbsp sugar; ${rest}`)).toBeNull();
  expect(ways(`2 cups flour; 2 tbsp sugar; ${rest}`)).toBeNull();
  // 1.5 g or 1,500 g of milk: neither makes a batter of 250 g of flour
  expect(ways(`250 g flour; 1.500 g milk; 2 eggs; 1 tbsp baking powder; ${REST}`)).toBeNull();
});
