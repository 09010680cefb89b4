/** What a card measures by its eggs or its flour is as much as it comes to; what hangs on nothing told is asked. */
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { readCard } from './card';

const linesOf = (text: string): readonly string[] => {
  const card = readCard(text, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  return card.value.lines.map(
    (l) => `${l.ingredient?.id ?? '?'} ${l.grams === null ? '-' : Math.round(10 * l.grams) / 10}`,
  );
};

// milk 1.031 g/ml, an egg 50 g
test.each([
  ['Pfannkuchen: pro Ei 50 g Mehl und 100 ml Milch, 4 Eier'],
  ['Pancakes\nFor each egg: 50 g flour, 100 ml milk\nI use four eggs.'],
  ['Crepes\nPer egg, 50 g flour and 100 ml milk. Four eggs feed three.'],
  ['Pour chaque œuf, 50 g de farine et 10 cl de lait. 4 œufs pour 3 personnes.'],
  ['Por cada huevo 50 g de harina y 100 ml de leche. 4 huevos.'],
])('so much for each egg is as much as all of them take: %s', (text) => {
  expect([...linesOf(text)].sort()).toEqual(['egg-large 200', 'flour-all-purpose 200', 'milk-whole 412.5']);
});

test.each([
  ['Pancakes\nFor each egg: 50 g flour, 100 ml milk\nI use seven eggs.', 7],
  ['Pfannkuchen: pro Ei 50 g Mehl und 100 ml Milch, neun Eier', 9],
  ['Por cada huevo 50 g de harina y 100 ml de leche. Doce huevos.', 12],
])('eggs are counted in whatever word: %s', (text, eggs) => {
  expect(linesOf(text)).toContain(`flour-all-purpose ${50 * eggs}`);
});

test('behind its row, and of a card that counts no egg, it is for one; of eggs by the head it is asked', () => {
  expect(linesOf('Crepes\n4 eggs\n60 g flour per egg\n120 ml milk per egg')).toEqual([
    'egg-large 200',
    'flour-all-purpose 240',
    'milk-whole 495',
  ]);
  expect([...linesOf('Pancakes\nPer egg: a tablespoon of sugar, 60 g flour')].sort()).toEqual([
    'egg-large 50',
    'flour-all-purpose 60',
    'sugar-granulated 12.5',
  ]);
  expect(linesOf('Crepes\n1 egg per person\n60 g flour per egg').every((l) => l.endsWith('-'))).toBe(true);
});

test.each([
  ['flour : milk : egg = 1 : 2 : 1 by weight'],
  ['Ratio: 1:2:1 flour, milk, egg'],
  ['1-2-1 flour, milk and egg'],
  ['flour/milk/egg 1/2/1'],
])('a ratio is worked on 100 g of flour, or on as much as the card weighs: %s', (ratio) => {
  expect(linesOf(`Crepes\n${ratio}`)).toEqual(['flour-all-purpose 100', 'milk-whole 200', 'egg-large 100']);
  expect(linesOf(`Crepes\n${ratio}\nfor 4 people take 200 g flour\n10 g melted butter per 100 g flour`)).toEqual([
    'flour-all-purpose 200',
    'milk-whole 400',
    'egg-large 200',
    'butter-unsalted 20',
  ]);
  expect([...linesOf(`Crepes\n${ratio}\n300 g flour`)].sort()).toEqual([
    'egg-large 300',
    'flour-all-purpose 300',
    'milk-whole 600',
  ]);
});

test('halves, ranges and amounts of two flours are no ratio', () => {
  expect(linesOf('Cakes\n3/4 cup all-purpose flour\n1-2 cups milk')).toEqual([
    'flour-all-purpose 93.8',
    'milk-whole 366',
  ]);
  expect(linesOf('Cakes\n1/2 kg Mehl + etwas mehr')).toEqual(['flour-all-purpose 500']);
  expect(linesOf('Cakes\n2 cups plain and rye flour')).toEqual(['flour-rye -']);
});
