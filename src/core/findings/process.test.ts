/** The rules that read the card and what happens to the batter, each at its step. */

import { analyse } from '../analyse';
import { analyseFormula } from '../analyse-formula';
import { methodOf, namesIn, yieldClaim } from '../card/method';
import { portionTold } from '../card/told/portion';
import { wayEdits } from '../formula/act-edits';
import { EMPTY_FORMULA, type Entry, type Formula } from '../formula/formula';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { nounsOf } from '../pantry/nouns';
import { ingredient } from '../pantry/pantry';
import { linesOf } from '../testing/formulas';
import type { Finding } from './finding';

const GOOD = [
  '250 g flour',
  '25 g sugar',
  '4 g salt',
  '10 g baking powder',
  '430 g milk',
  '2 eggs',
  '40 g butter, melted',
];
const of = (
  texts: readonly string[],
  more: Partial<Formula> = {},
  edit: Readonly<Record<string, Partial<Entry>>> = {},
): Formula => ({
  ...EMPTY_FORMULA,
  ...more,
  entries: texts.map((text, n) => ({ key: `l${n + 1}`, text, ...edit[`l${n + 1}`] })),
});
const findingsIn = (f: Formula): readonly Finding[] =>
  analyseFormula(f, FRESH_KITCHEN, null, portionTold(f.cardNotes, FRESH_KITCHEN.conventions)).analysis.findings;
const found = (f: Formula): readonly string[] => findingsIn(f).map((x) => `${x.code}:${x.severity}`);
const message = (f: Formula, code: string): string => findingsIn(f).find((x) => x.code === code)?.message ?? '';

const SOUR = [
  '250 g flour',
  '25 g sugar',
  '4 g salt',
  '4 g baking soda',
  '480 g buttermilk',
  '2 eggs',
  '40 g butter, melted',
];
test.each([
  ['a good one is calm', of(GOOD), []],
  ['chilled overnight with powder', of(GOOD, { edits: wayEdits({ rest: 'overnight' }) }), ['cold-batter:note']],
  ['soda with no rest', of(SOUR, { edits: wayEdits({ rest: 'none' }) }), []],
  ['soda and half an hour', of(SOUR, { edits: wayEdits({ rest: 'half-hour' }) }), ['soda-and-wait:note']],
  ['soda overnight', of(SOUR, { edits: wayEdits({ rest: 'overnight' }) }), ['soda-and-wait:look', 'cold-batter:note']],
  ['egg and milk from the cold', of(GOOD, { edits: wayEdits({ warmth: 'cold' }) }), ['cold-batter:note']],
  // usual is 60 ml; half as much again is 90
  ['a portion of 90 ml', of(GOOD, { portionMl: 90 }), []],
  ['a portion of 95 ml', of(GOOD, { portionMl: 95 }), ['portion-large:note']],
  [
    'half a gram of salt on a gram scale',
    of([...GOOD.filter((x) => !x.includes('salt')), '3.4 g salt']),
    ['small-weighing:note'],
  ],
  ['berries in the bowl of a ribbon', of([...GOOD, '80 g blueberries']), ['add-ins-sink:note']],
  ['cinnamon by the cup', of([...GOOD, '20 g cinnamon']), ['spice-high:look']],
  ['cinnamon from two jars', of([...GOOD, '6 g cinnamon', '5 g cinnamon']), ['spice-high:note']],
  ['cinnamon by the spoon', of([...GOOD, '3 g cinnamon']), []],
  ['berries on the poured face', of([...GOOD, '80 g blueberries'], {}, { l8: { moment: 'poured' } }), []],
  ['berries tossed in flour', of([...GOOD, '80 g blueberries'], {}, { l8: { dressing: 'floured' } }), []],
] as const)('%s', (_name, f, codes) => expect(found(f)).toEqual(codes));

test('whites that wait: none, a note past 15 minutes, a look past 30', () => {
  const foam = (rest: 'none' | 'half-hour' | 'hour') =>
    found(
      of(
        [
          '200 g flour',
          '25 g sugar',
          '4 g baking powder',
          '2 g salt',
          '280 g milk',
          '4 eggs, separated',
          '20 g butter',
        ],
        {
          kind: 'foam',
          school: 'soft-fold',
          edits: wayEdits({ rest }),
        },
      ),
    );
  expect(foam('none')).toEqual([]);
  expect(foam('half-hour')).toContain('whites-and-wait:note');
  expect(foam('hour')).toContain('whites-and-wait:look');
});

// 859 g are 814 ml with their air, 790 after the bowl's share: 13 of 60 ml, or 6 of 131
test.each([
  ['Makes 12', []],
  ['Makes about 18', []],
  ['Makes 6', ['yield-claim:note']],
  ['Makes 40 small ones', ['yield-claim:note']],
  ['Serves 4', []],
  // by its own spoon it is 52 of 15 ml
  ['Makes 40. One tablespoon of batter for each.', []],
  ['Makes 40. Pour 60 ml for each.', ['yield-claim:note']],
  // by a ladle that nobody has measured no yield is wrong
  ['Makes 40. A small ladle of batter for each.', []],
])('a card that says "%s"', (cardNotes, codes) => expect(found(of(GOOD, { cardNotes }))).toEqual(codes));

test('where the card tells its own portion, the yield is held against that', () =>
  expect(message(of(GOOD, { cardNotes: 'Makes 6. Pour 30 ml for each.' }), 'yield-claim')).toMatch(
    /The card says 6; this bowl pours 26 of 30 ml. Its 6 would be of 131 ml each\./,
  ));

test('the yield is held against what the bowl pours, with the size its own number would be', () =>
  expect(message(of(GOOD, { cardNotes: 'Makes 6' }), 'yield-claim')).toMatch(
    /The card says 6; this bowl pours 13 of 60 ml. Its 6 would be of 131 ml each\./,
  ));

const METHOD =
  'Whisk flour, sugar, salt and baking powder. Beat eggs with milk, stir in the melted butter, join and leave the lumps.';
test.each([
  ['uses what is listed', METHOD, []],
  ['forgets the sugar', METHOD.replace('flour, sugar, salt', 'flour, salt'), ['listed-never-used:note']],
  ['adds vanilla that is not there', `${METHOD} Add the vanilla.`, ['used-never-listed:look']],
  [
    'speaks of all the dry things',
    'Whisk all the dry ingredients, then the wet ones, then join them and leave the lumps.',
    [],
  ],
  [
    'butters the pan and dips in water',
    `${METHOD} Butter the pan; a drop of water should dance. Serve with syrup.`,
    [],
  ],
  ['sends lemon to the table', `${METHOD} Lemon and honey go to the table.`, []],
  ['speaks of fat, peel and herbs', `${METHOD} Wipe the fat off, peel a stalk of mint and sage over them.`, []],
  ['is only a remark', 'Good on Saturdays.', []],
  ['rubs the pan with coconut oil and bacon', `${METHOD} A smear of coconut oil, or bacon fat, in the pan.`, []],
  ['ends at the table', `${METHOD} Two minutes a side in a hot pan. Lemon and sugar. Eat with honey.`, []],
  ['rests while the coffee brews', `${METHOD} Ten minutes while the coffee brews.`, []],
  ['has no cinnamon, and says so', `${METHOD} I never add cinnamon, and there is no vanilla in these.`, []],
  ['makes a syrup beside', `${METHOD} For the syrup, boil honey with cinnamon and stir.`, []],
  ['adds honey when the pan is hot', `${METHOD} Heat the griddle. Stir the honey in.`, ['used-never-listed:look']],
  [
    'names a thing without a verb',
    'Flour, milk and cinnamon together. Whisk it all, ten minutes.',
    ['used-never-listed:look'],
  ],
  // half of the list is in "the dry" and "the mixture": a way to say it, and nothing forgotten
  ['says half of it in other words', 'Whisk milk and eggs. Sift the dry stuff over, fold to a loose mixture.', []],
])('a method that %s', (_name, cardNotes, codes) => expect(found(of(GOOD, { cardNotes }))).toEqual(codes));

test('a thing is named in a method by the words of its line, whatever else it is called', () => {
  const f = of(['150 g wholemeal spelt', '1 tsp bp', '2 tbsp beef dripping', '3 g salt', '200 ml oat milk', '2 eggs'], {
    cardNotes:
      'Sift the spelt with the bp and the salt. Whisk in the oat milk and the eggs, and the dripping, smoking hot, last.',
  });
  expect(found(f).filter((x) => /listed/.test(x))).toEqual([]);
});

test('whites that are whipped want an egg on the list', () =>
  expect(
    message(
      of(['200 g flour', '280 g milk', '20 g sugar'], {
        cardNotes: 'Flour, milk and sugar are whisked. Whip the whites stiff and fold them through.',
      }),
      'used-never-listed',
    ),
  ).toContain('egg'));

test.each([
  ['We eat them with peanut butter.', 'peanut butter', 'peanut'],
  ['Serve with a few almonds, if you like.', 'almonds', 'tree nuts'],
  ['Serve with toasted walnuts and honey.', 'walnuts', 'tree nuts'],
  ['Mit Erdnussbutter servieren.', 'erdnussbutter', 'peanut'],
  ['Servir con huevos fritos y salmón.', 'salmón', 'fish'],
])('what they are eaten with and no line has is said, with its allergen: %s', (cardNotes, said, allergen) => {
  const told = message(of(GOOD, { cardNotes }), 'served-not-listed');
  expect(told).toContain(said);
  expect(told).toContain(allergen);
});
test('what a line holds already, what is denied and what only sounds like it, is not said', () => {
  for (const cardNotes of ['Serve with butter.', 'No nuts on top, please.', 'Eat with coconut cream.', 'Serve hot.'])
    expect(found(of(GOOD, { cardNotes }))).toEqual([]);
  // of oat drink and oil the butter at the table is news
  const vegan = ['250 g flour', '400 g oat drink', '20 g sugar', '10 g baking powder', '3 g salt', '30 g oil'];
  expect(message(of(vegan, { cardNotes: 'Serve with a knob of butter.' }), 'served-not-listed')).toContain(
    'tells milk only as served',
  );
});

test('a card told by mouth has no list that could be forgotten', () =>
  expect(
    found(
      of(['two cups of flour', 'three eggs', 'a pint of milk', 'a pinch of salt', 'a spoon of sugar'], {
        cardNotes: 'We make these on Sundays. The flour in a bowl, milk whisked in, and half an hour on the side.',
      }),
    ).filter((x) => /listed/.test(x)),
  ).toEqual([]));

test('what a method names, a claim and a remark are told apart', () => {
  expect([...namesIn('Fold the blueberries into the milk and two eggs.')].sort()).toEqual(['blueberry', 'egg', 'milk']);
  expect(namesIn('Butter the griddle.').size).toBe(0);
  expect(yieldClaim('Good.\nMakes 10 to 12 waffles')).toEqual({ pieces: 11, text: 'Makes 10 to 12 waffles' });
  expect(yieldClaim('Makes 1 litre of batter')).toBeNull();
  expect(methodOf('Makes 12')).toBeNull();
  expect(nounsOf(ingredient('baking-powder-single')).has('powder')).toBe(true);
});

test('a card of 1 1/2 and 1 1/4 is doubted, and the other reading is offered by its line', () => {
  const card = ['1 1/2 cups flour', '1 1/4 cups milk', '1 1/2 tbsp salt', '1 1/2 tbsp sugar'];
  const a = analyseFormula(of(card), FRESH_KITCHEN).analysis.findings.find((x) => x.code === 'fraction-doubtful');
  expect(a).toMatchObject({ severity: 'look', keys: ['l3'] });
  // salt that is what it should be raises no doubt
  expect(
    analyse(linesOf('1 1/2 cups flour', '1 1/4 cups milk', '1 1/4 tsp sugar'), 'griddle').findings.map((x) => x.code),
  ).not.toContain('fraction-doubtful');
});
