/** What stands around a card in a letter, a chat or on a page is no line of it, and what it says of how many is told. */
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { type Card, notesOn, readCard } from './card';
import { factsTold } from './told/told';

function cardOf(text: string): Card {
  const card = readCard(text, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  return card.value;
}
const linesOf = (card: Card): readonly string[] =>
  card.lines.map(
    (l) => `${l.ingredient?.id ?? `? ${l.text}`} ${l.grams === null ? '-' : Math.round(10 * l.grams) / 10}`,
  );
const told = (card: Card): readonly string[] =>
  factsTold(notesOn(card), FRESH_CONVENTIONS).map((f) => `${f.fact} ${f.value}`);

const LIST = ['300 g flour', '300 ml milk', '2 eggs'];
const IN_GRAMS = ['flour-all-purpose 300', 'milk-whole 309.4', 'egg-large 100'];

test('a letter: who wrote it to whom, its greeting and its end are no lines, and what it is about is the title', () => {
  const card = cardOf(
    [
      'From: Jo',
      'To: kitchen',
      'Subject: Fwd: Sunday pancakes',
      '',
      'Hi all,',
      '',
      ...LIST,
      '',
      'Cheers',
      'Jo',
      '',
      'Sent from my phone',
    ].join('\n'),
  );
  expect([card.title, ...linesOf(card)]).toEqual(['Sunday pancakes', ...IN_GRAMS]);
  for (const end of ['Best wishes,', 'Liebe Grüße', 'Bisous', 'Un abrazo', 'xx', 'Thanks again!'])
    expect(linesOf(cardOf(['Pancakes', ...LIST, '', end, 'Jo'].join('\n')))).toEqual(IN_GRAMS);
});

test.each([
  ['in brackets', (row: string, n: number) => `[03/05/2024, 08:1${n}] Jo: ${row}`],
  ['with a dash', (row: string, n: number) => `12.05.24, 8:1${n} pm - Jo Ann: ${row}`],
])('a chat, each row with its stamp %s, is its rows', (_, stamp) => {
  expect(linesOf(cardOf(LIST.map(stamp).join('\n')))).toEqual(IN_GRAMS);
});

test.each([
  ['Station: Brunch   Item: Ricotta pancake   Yield: 40 ea', 'Ricotta pancake', ['pieces 40']],
  ['Item: Waffles | Serves: 6', 'Waffles', ['serves 6']],
  ['Lemon hotcakes | serves four | 30 mins', 'Lemon hotcakes', ['serves 4']],
  ['Crepes · makes 12 · 45 min', 'Crepes', ['pieces 12']],
  ['CREPES (12-14)', 'Crepes (12-14)', ['pieces 13']],
  ['Prep 10 min | Cook 15 min | Servings: 4', null, ['serves 4']],
  ['PREP TIME 10 mins COOK TIME 15 mins TOTAL TIME 25 mins SERVINGS 4', null, ['serves 4']],
])('above a list, %s', (row, title, facts) => {
  const card = cardOf([row, ...LIST].join('\n'));
  expect([card.title?.toLowerCase() ?? null, linesOf(card), told(card)]).toEqual([
    title?.toLowerCase() ?? null,
    IN_GRAMS,
    facts,
  ]);
});

test('a page: what is told above its list, its buttons and its switches are no lines', () => {
  const card = cardOf(
    [
      'Jump to recipe',
      'Harbour pancakes',
      'By the kitchen | Updated March 3 | 4.8 from 212 votes',
      'We have made these every Sunday since 2011, and tried fourteen versions of them.',
      'WHY WE LIKE THEM',
      'Fast: they take 1 bowl.',
      'INGREDIENTS YOU NEED',
      'Flour – plain flour does best.',
      'Ingredients',
      'US Customary Metric 1x 2x 3x',
      ...LIST,
    ].join('\n'),
  );
  expect([card.title, ...linesOf(card)]).toEqual(['Harbour pancakes', ...IN_GRAMS]);
  // a list above another keeps its lines
  expect(
    linesOf(cardOf(['Pancakes', '2 cups flour', '1 tsp salt', 'Ingredients', '1 cup milk', '2 eggs'].join('\n'))),
  ).toHaveLength(4);
});
