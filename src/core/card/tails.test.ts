/**
 * What stands behind a thing decides where it goes; remarks, cooked goods, cans of the trade and old ways of writing
 * are read or asked.
 */
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { readLine } from './line';

const asked = (text: string): boolean => readLine(text, FRESH_CONVENTIONS).status !== 'read';
const where = (text: string): string => {
  const l = readLine(text, FRESH_CONVENTIONS);
  return l.status !== 'read' && l.use === 'batter' && l.side === null ? 'asked' : l.side !== null ? 'side' : l.use;
};

test.each([
  ['1 litre oil for deep frying', 'pan'],
  ['500 ml oil, for deep-frying', 'pan'],
  ['oil to shallow fry', 'pan'],
  ['2 tbsp butter to film the pan', 'pan'],
  ['1 tbsp oil to coat the skillet', 'pan'],
  ['20 g butter for rubbing the griddle', 'pan'],
  ['1 tsp oil to season the irons', 'pan'],
  ['1 tbsp oil in the pan', 'pan'],
  ['1 tsp butter in each hollow', 'pan'],
  ['30 g lard for the pan', 'pan'],
  ['2 tbsp sugar, to caramelise the pan', 'pan'],
  ['butter, to grease the tin', 'pan'],
  ['1/2 cup sugar for rolling', 'topping'],
  ['100 g sugar to roll them in', 'topping'],
  ['60 g butter, to pour over at the end', 'topping'],
  ['50 g sugar, over the top', 'topping'],
  ['200 g berries to go on top', 'topping'],
  ['1 cup syrup to pass at the table', 'topping'],
  ['30 g butter, to melt over', 'topping'],
  ['2 tbsp sugar for strewing', 'topping'],
  ['2 cups water for the steamer', 'side'],
  ['1 litre water for boiling', 'side'],
  ['100 g ham, to go inside', 'side'],
  ['150 g cheese for stuffing', 'side'],
  ['200 g apples, to go in the middle', 'side'],
  ['1 egg for the dog', 'side'],
  ['2 egg whites, not used', 'side'],
  ['100 g flour, not needed', 'side'],
  ['1 egg for later', 'side'],
  // what serves the batter stays in it
  ['250 g flour', 'batter'],
  ['30 g butter, melted in a small pan', 'batter'],
  ['30 g butter, browned in the pan', 'batter'],
  ['2 tbsp milk for thinning', 'batter'],
  ['250 g flour, sifted twice', 'batter'],
  ['1 cup reduced-fat milk', 'batter'],
  ['200 g oats, soaked overnight in the milk', 'batter'],
  ['1 tsp vinegar for lift', 'batter'],
  ['250 g flour for the batter', 'batter'],
  ['2 eggs for the batter', 'batter'],
  ['1 tsp lemon juice for the whites', 'batter'],
  ['2 tbsp sugar for the whites', 'batter'],
  ['100 g blueberries, tossed in flour', 'batter'],
  ['1 cup blueberries dusted with a little flour', 'batter'],
  ['1 egg white (keep the yolk for the glaze)', 'batter'],
  ['2 egg yolks (whites saved)', 'batter'],
  ['2 egg yolks (save the whites for meringue)', 'batter'],
  ['3 tbsp butter (oil is fine too)', 'batter'],
  ['3 tbsp butter (margarine works)', 'batter'],
] as const)('%s: %s', (text, use) => expect(where(text)).toBe(use));

test('a tail that is not understood is asked about, never counted in silence', () => {
  for (const text of [
    '2 eggs for the neighbours',
    '100 g butter (for the lodge)',
    '1 cup milk, for the porridge',
    // two uses, so many times, and what was done to it before it was weighed
    '2 tbsp oil, for the batter and the pan',
    '50 g butter for the pan and the batter',
    '2 tsp sugar twice',
    '1 cup milk, twice',
    '1 cup reduced milk',
    '1 cup soaked oats',
  ])
    expect([text, asked(text)]).toEqual([text, true]);
});

test('a remark in brackets lends no name', () => {
  const of = (text: string) => readLine(text, FRESH_CONVENTIONS).ingredient?.id;
  expect(
    [
      '1 egg white (keep the yolk)',
      '1 egg yolk (save the white)',
      '3 tbsp butter (oil is fine too)',
      '2 egg yolks (whites saved)',
    ].map(of),
  ).toEqual(['egg-white', 'egg-yolk', 'butter-unsalted', 'egg-yolk']);
});

test('a name is never put together across a comma or a bracket, and a noun is lent only to what lacks one', () => {
  const of = (text: string) => {
    const l = readLine(text, FRESH_CONVENTIONS);
    return l.status === 'read' ? (l.rows.length > 1 ? l.rows.join(' + ') : l.ingredient?.id) : 'asked';
  };
  for (const [text, is] of [
    ['butter, milk, 1 cup', 'asked'],
    ['2 tbsp butter, oil', 'asked'],
    ['50 g butter, milk', 'asked'],
    ['1 cup milk, coconut', 'coconut-milk-canned'],
    ['200 g sugar, soft brown', 'sugar-brown-light'],
    ['100 g cheese, cream', 'cream-cheese'],
    ['3 eggs (whites only)', 'egg-white'],
    ['1 cup apple or orange juice', 'apple-juice'],
    ['1/2 cup orange or apple juice', 'orange-juice'],
    ['1 cup soda or sparkling water', 'water'],
    ['1 cup club soda or water', 'water'],
    ['1 cup each white and whole wheat flour', '1 cup white flour + 1 cup whole wheat flour'],
    ['1 banana or 1/2 cup apple puree', 'banana'],
    ['1 cup almond, oat or soy milk', 'almond-drink'],
  ] as const)
    expect([text, of(text)]).toEqual([text, is]);
});

test('cooked, a dry thing is asked about, whatever it is measured in', () => {
  for (const text of [
    '1 cup cooked oats',
    '3/4 cup polenta, cooked and cooled',
    '200 g cooked buckwheat flour',
    '1 cup boiled corn meal',
    '1 cup steamed oats',
  ])
    expect([text, asked(text)]).toEqual([text, true]);
  for (const text of ['1 cup oats', '150 g cooked apples', '1 cup mashed potato, boiled'])
    expect([text, readLine(text, FRESH_CONVENTIONS).findings.some((f) => f.code === 'no-density')]).toEqual([
      text,
      false,
    ]);
});

test('a can of the trade is kilograms, and no scoop', () => {
  const g = (text: string) => readLine(text, FRESH_CONVENTIONS).grams ?? 0;
  expect(g('1 #10 can pumpkin puree')).toBe(3005);
  expect(g('#10 can of pumpkin puree')).toBe(3005);
  expect(g('2 No. 10 tins pumpkin puree')).toBe(6010);
  expect(g('half a #10 can pumpkin puree')).toBeCloseTo(1502.5, 6);
  expect(g('1 #2 1/2 can pumpkin puree')).toBe(822);
  // a scoop stays one: number 10 to the quart
  expect(g('1 #10 scoop pumpkin puree')).toBeLessThan(150);
});

test.each([
  ['my cup of milk', 'milk-whole', 244],
  ['two cups and a fourth of milk', 'milk-whole', 549],
  ['2 lge. eggs', 'egg-large', 100],
  ['2 lg eggs', 'egg-large', 100],
  ['3 tspns baking powder', 'baking-powder-double-al', 13.8],
  ['1 c. A.P. flour', 'flour-all-purpose', 125],
  ['4 oz s.r. flour', 'flour-self-raising-uk', 113.4],
  ['2 tbsp oleo', 'margarine', 28],
  ['2 tblspns sugar', 'sugar-granulated', 25],
  ['2 tbsp malt or cider vinegar', 'vinegar-white', 30],
] as const)('%s', (text, id, grams) => {
  const l = readLine(text, FRESH_CONVENTIONS);
  expect([l.status, l.ingredient?.id]).toEqual(['read', id]);
  expect(Math.abs((l.grams ?? 0) / grams - 1)).toBeLessThan(0.03);
});
