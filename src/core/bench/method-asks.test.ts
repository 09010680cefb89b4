/** What a method leaves open is asked with choices, and asked no more once it is answered or left. */
import { workedOn } from '../balance/bench';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { entriesFromCard } from '../formula/from-card';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { formulaLines } from '../formula/lines';
import { withOffer } from '../formula/offers';
import { withCard } from '../formula/pasted';
import { askKey } from './ask';
import { bareAsk } from './bare-numbers';
import { cardSight } from './card-sight';

const of = (text: string): Formula => {
  const card = entriesFromCard(text, FRESH_KITCHEN.conventions);
  if (!card.ok) throw new Error(card.message);
  return withCard(EMPTY_FORMULA, card.value);
};
const cardOf = (formula: Formula) => {
  const on = { formula, house: FRESH_KITCHEN, end: null };
  return cardSight(on, workedOn(on));
};
const bareOf = (f: Formula) => bareAsk(formulaLines(f, FRESH_KITCHEN), f, FRESH_KITCHEN.conventions);
const asked = (formula: Formula) => cardOf(formula)?.asks ?? [];
const CAKES = of(
  `Sunday cakes. 250 g flour, 12 g baking powder, 3 g salt, 20 g sugar, 2 eggs, 300 ml milk, 40 g melted butter. Stir till just combined. Twelve minutes covered with the board. Griddle 190, a lick of butter. A big ladle for each. They lie there a minute.`,
);

test('a ladle of no size, and a time that nothing says what it is of', () => {
  expect(asked(CAKES).map((q) => [q.words, q.choices.map((o) => o.what !== 'rows' && o.says)])).toEqual([
    ['Twelve minutes covered with the board', ['rests 12 minutes']],
    ['A big ladle for each', ['45 ml a piece', '60 ml a piece', '90 ml a piece']],
    ['They lie there a minute', ['First side: 1 min', 'Second side: 1 min']],
  ]);
});

test('what is answered or left is asked no more', () => {
  const [first] = asked(CAKES);
  const [choice] = first?.choices ?? [];
  if (!first || !choice || choice.what === 'rows') throw new Error('nothing is asked');
  const words = (f: Formula) => asked(f).map((q) => q.words);
  expect(words(withOffer(CAKES, choice))).not.toContain(first.words);
  expect(words({ ...CAKES, dismissed: [askKey(first.words)] })).toEqual(words(CAKES).slice(1));
});

test('numbers without a unit are asked together, and settled by one tap', () => {
  const bare = of('Cakes\n240 flour\n10 bp\n5 salt\n300 milk\n2 eggs\nbutter 30');
  const q = bareOf(bare);
  expect(q?.asks).toBe('5 lines have a number and no unit. What are they?');
  const texts = (n: number) => {
    const o = q?.choices[n];
    return o && o.what !== 'rows' ? withOffer(bare, o).entries.map((e) => e.text) : [];
  };
  expect(texts(0)).toEqual(['240 g flour', '10 g bp', '5 g salt', '300 g milk', '2 eggs', 'butter 30 g']);
  expect(texts(1)[3]).toBe('300 ml milk');
  expect(bareOf(of('Cakes\n240 flour\n300 milk\n2 eggs'))).toBeNull();
  // among bare numbers 55 eggs are grams too, and 2 are eggs
  const inGrams = (card: string) => {
    const [o] = bareOf(of(card))?.choices ?? [];
    return o?.what === 'texts' ? Object.values(o.texts) : [];
  };
  expect(inGrams('Cakes\nflour 240\nmilk 300\neggs 55\nbutter 30')).toContain('eggs 55 g');
  expect(inGrams('Cakes\nflour 240\nmilk 300\negg 35\nbutter 30')).toContain('egg 35 g');
});

test('a surface that is only greased is asked about, with which fat; what the kind is used to is no offer', () => {
  const cakes = (method: string) =>
    cardOf(of(`Weir griddle cakes\n200 g flour\n300 ml milk\n2 eggs\n8 g baking powder\n\n${method}`));
  const asked = cakes('Stir until just combined. Griddle at medium, lightly greased. 2 minutes, flip, 1 minute.');
  expect(asked?.asks.find((q) => /greased/.test(q.words))?.choices.map((o) => o.what === 'way' && o.value)).toEqual([
    'film',
    'butter',
    'lard',
  ]);
  const ways = (c: typeof asked) => c?.offers.flatMap((o) => (o.what === 'way' ? [`${o.way} ${o.value}`] : []));
  expect(ways(asked)).toEqual([]);
  expect(ways(cakes('Whisk until smooth. Griddle at medium, butter the griddle. Flip.'))).toEqual([
    'mixing smooth',
    'panFat butter',
  ]);
});
