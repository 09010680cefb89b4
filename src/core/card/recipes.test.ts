/** A text with several recipes is asked about; a card of one is never parted, whatever it is written like. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { toldCards } from '../testing/corpus';
import { readCard } from './card';
import { recipesOnCard } from './recipes';

const CARDS = toldCards(readFileSync(join(__dirname, 'corpus/told-cards.txt'), 'utf8'));
const rows = (text: string): readonly string[] => text.split('\n');

test.each([
  ['as it stands', (t: string) => t],
  ['with blank rows', (t: string) => t.replaceAll('\n', '\n\n')],
  ['in capitals', (t: string) => t.toUpperCase()],
])('a card of the corpus %s is one recipe', (_, write) => {
  expect(CARDS.length).toBeGreaterThan(700);
  expect(CARDS.filter((t) => recipesOnCard(rows(write(t))).length > 0).map((t) => t.split('\n')[0])).toEqual([]);
});

/** Cards with a name of a dish above rows of their own, with flour, milk and eggs: any two of them are two recipes. */
const NAMED = CARDS.filter(
  (t) =>
    /^[^\d.,:|]{3,40}(?:pancakes|waffles|crepes|griddle cakes|Waffeln|Pfannkuchen|crêpes|gaufres|tortitas|gofres)\n/u.test(
      t,
    ) &&
    /\d ?(?:g|cups?) [^\n]*(?:flour|Mehl|farine|harina)/u.test(t) &&
    /\d[^\n]*(?:milk|Milch|lait|leche|water)/u.test(t) &&
    /\d[^\n]*(?:egg|Eier|œuf|huevo)/u.test(t),
);
test('two cards of the corpus, one below the other, are two recipes, and the first alone is read', () => {
  expect(NAMED.length).toBeGreaterThan(40);
  const missed = NAMED.flatMap((one, n) => {
    const other = NAMED[(n + 7) % NAMED.length] ?? '';
    const found = recipesOnCard(rows(`${one}\n\n${other}`));
    return found.length === 2 && found[1]?.text === other.trim()
      ? []
      : [`${one.split('\n')[0]} + ${other.split('\n')[0]}`];
  });
  expect(missed).toEqual([]);
  const [one = '', other = ''] = NAMED;
  const read = (text: string) => {
    const card = readCard(text, FRESH_CONVENTIONS);
    return card.ok ? card.value : null;
  };
  const both = read(`${one}\n\n${other}`);
  expect(both?.lines.map((l) => [l.text, l.grams])).toEqual(read(one)?.lines.map((l) => [l.text, l.grams]));
  expect(both?.recipes).toHaveLength(2);
  expect(both?.ignored.filter((i) => i.why === 'another')).toHaveLength(
    rows(other).filter((r) => r.trim() !== '').length,
  );
});

test.each([
  ['a sauce of flour and milk', 'White sauce\n50 g butter\n50 g flour\n600 ml milk'],
  ['a filling', 'Ricotta filling\n250 g ricotta\n1 egg\n20 g flour\n30 ml milk'],
  ['what is put in the next day', 'In the morning\n2 eggs\n100 g flour\n50 ml milk'],
  ['the dry of a second batch', 'Dry mix\n100 g flour\n1 tsp salt\n20 g milk powder'],
])('%s below a card is of the same recipe', (_, below) => {
  expect(recipesOnCard(rows(`Crepes\n250 g flour\n500 ml milk\n4 eggs\nRest an hour.\n\n${below}`))).toEqual([]);
});

test.each([
  ['6 c flour\n1/2 c sugar\n1/4 c bp\n1 T salt\nTo make a batch:\n1 1/2 c mix\n1 c milk\n1 egg\n2 T oil'],
  [
    '1 kg flour\n60 g baking powder\n100 g sugar\n150 g milk powder\n\nTo make pancakes\nWhisk 200 g of the mix with 250 ml water.',
  ],
])('a dry mix and a batch of it are two recipes, and the batch is not put into the mix: %j', (text) => {
  const r = readCard(`Pancake mix for the jar\n${text}`, FRESH_CONVENTIONS);
  if (!r.ok) throw new Error(r.error.message);
  expect(r.value.recipes).toHaveLength(2);
  expect(r.value.lines).toHaveLength(4);
  expect(r.value.ignored.filter((i) => i.why === 'another').length).toBeGreaterThan(1);
});
