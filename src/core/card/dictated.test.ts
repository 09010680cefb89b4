/** Talk in one breath: where the points and commas go, and what is then read of it. */
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { notesOn, readCard } from './card';
import { pointed } from './dictated';
import { factsTold } from './told/told';

test.each([
  [
    'pour the wet into the dry stir till just combined let it sit ten minutes griddle at 375 quarter cup each about two minutes a side makes about twelve',
    'Pour the wet into the dry. Stir till just combined. Let it sit ten minutes. Griddle at 375. Quarter cup each. About two minutes a side. Makes about twelve',
  ],
  [
    'whisk it let it stand while the oven gets to four fifty three tablespoons butter in the pan batter in bake fifteen minutes',
    'Whisk it. Let it stand while the oven gets to four fifty. Three tablespoons butter in the pan. Batter in. Bake fifteen minutes',
  ],
  // a portion ends with "each", and the second side belongs to the first
  [
    'heat the pan two tablespoons of batter in each turn them when they bubble about three minutes then two more feeds six',
    'Heat the pan. Two tablespoons of batter in each. Turn them when they bubble about three minutes then two more. Feeds six',
  ],
  // signs it has already, and a short row, stay as they are
  ['two eggs and a cup of milk', 'two eggs and a cup of milk'],
])('%s', (said, wanted) => {
  expect(pointed(said, null)).toBe(wanted);
});

test('what has signs of its own gets no others', () => {
  const row = `${'whisk it, then let it stand for a while. '.repeat(4)}griddle at 375 quarter cup each`;
  expect(pointed(row, null)).toBe(row);
});

test.each([
  [
    'so i take two cups of flour and two teaspoons of baking powder and a half teaspoon of salt then in another bowl two eggs a cup and a half of milk and three tablespoons melted butter stir till just combined let it sit ten minutes griddle at 375 quarter cup each about two minutes a side makes about twelve',
    'flour-all-purpose 250, baking-powder-double-al 9, salt-table 3, egg-large 100, milk-whole 366, butter-unsalted 43',
    'mix=just rest=10 heat=191 portion=59.147 firstSide=2 secondSide=2 pieces=12',
  ],
  [
    'gaufres 250 grammes de farine un sachet de levure chimique 75 grammes de sucre cinq oeufs 100 grammes de beurre fondu 40 centilitres de lait on mélange le tout on laisse reposer 30 minutes on fait cuire quatre minutes dans le gaufrier ça donne douze gaufres',
    'flour-all-purpose 250, baking-powder-sapp 11, sugar-granulated 75, egg-large 250, butter-unsalted 100, milk-whole 413',
    'rest=30 bake=4 pieces=12',
  ],
  [
    'wir nehmen 500 gramm mehl ein liter milch sechs eier zwei prisen salz 50 gramm flüssige butter alles glatt rühren eine stunde ruhen lassen dann in der pfanne von jeder seite zwei minuten das gibt etwa zwanzig stück',
    'flour-all-purpose 500, milk-whole 1031, egg-large 300, salt-table 1, butter-unsalted 50',
    'mix=smooth rest=60 firstSide=2 secondSide=2 pieces=20',
  ],
  [
    'tortitas para cuatro 200 gramos de harina dos huevos 250 mililitros de leche una cucharadita de levadura química una cucharada de azúcar mezclar todo reposar quince minutos en la sartén a fuego medio tres minutos por un lado y dos por el otro',
    'flour-all-purpose 200, egg-large 100, milk-whole 258, baking-powder-sapp 4, sugar-granulated 13',
    'rest=15 dial=medium firstSide=3 secondSide=2',
  ],
])('its list and its facts: %s', (said, list, facts) => {
  const card = readCard(said, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  expect(card.value.lines.map((l) => `${l.ingredient?.id} ${Math.round(l.grams ?? Number.NaN)}`).join(', ')).toBe(list);
  const told = factsTold(notesOn(card.value), FRESH_CONVENTIONS).filter((f) => f.taken === 'told');
  expect(told.map((f) => `${f.fact}=${f.value}`).join(' ')).toBe(facts);
});
