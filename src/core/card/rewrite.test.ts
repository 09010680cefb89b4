import fc from 'fast-check';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { PANTRY } from '../pantry/pantry';
import { counting } from '../testing/counted';
import { readLine } from './line';
import { rewriteAmount } from './rewrite';

const again = (text: string, grams: number): string =>
  rewriteAmount(readLine(text, FRESH_CONVENTIONS), grams, FRESH_CONVENTIONS);

test.each([
  // 3/4 of 2 cups; 125 g a cup
  ['2 cups flour', 187.5, '1 1/2 cups flour'],
  ['2 cups flour', 250, '2 cups flour'],
  ['2 cups flour', 262, '262 g flour'],
  ['280 g (2 cups) flour', 300, '300 g flour'],
  ['500 g plain flour, sifted', 512.34, '512.3 g plain flour, sifted'],
  ['3 large eggs', 100, '2 large eggs'],
  ['3 eggs, separated', 125, '2 1/2 eggs, separated'],
  ['3 large eggs', 137, '137 g large eggs'],
  ['1/2 stick butter, melted and cooled', 75.6, '2/3 stick butter, melted and cooled'],
  ['Flour: 2 cups', 125, '1 cup Flour'],
  ['6 g baking soda', 4.567, '4.57 g baking soda'],
  ['2 tsp baking powder', 4.6, '1 teaspoon baking powder'],
  ['- 880 g buttermilk', 700, '700 g buttermilk'],
  ['2 eggs plus 1 yolk', 58.5, '50 g large egg plus 8.5 g egg yolk'],
  ['20 g butter for the pan', 25, '25 g butter for the pan'],
  ['1 cup packed brown sugar', 110, '1/2 cup packed brown sugar'],
])('%s at %d g is %s', (text, grams, expected) => expect(again(text, grams)).toBe(expected));

test('whatever is written anew weighs what was asked for, and is still the same thing', () => {
  const tested = counting();
  const sure = PANTRY.filter(
    (i) => readLine(`100 g ${i.aliases[0] ?? i.name}`, FRESH_CONVENTIONS).ingredient?.id === i.id,
  );
  fc.assert(
    fc.property(
      fc.constantFrom(...sure),
      fc.constantFrom('100 g', '1 cup', '2 tsp', '1 1/2 tablespoons', '2', '1/3 cup', '3 oz'),
      fc.double({ min: 0.5, max: 4000, noNaN: true }),
      (i, amount, grams) => {
        const line = readLine(`${amount} ${i.aliases[0] ?? i.name}, cold`, FRESH_CONVENTIONS);
        if (line.grams === null) return true;
        tested.one();
        const now = readLine(rewriteAmount(line, grams, FRESH_CONVENTIONS), FRESH_CONVENTIONS);
        return (
          now.ingredient?.id === line.ingredient?.id &&
          now.use === line.use &&
          Math.abs((now.grams ?? 0) - grams) <= Math.max(0.006, 0.006 * Math.min(10, grams), 0.0021 * grams)
        );
      },
    ),
  );
  tested.atLeast(40);
});
