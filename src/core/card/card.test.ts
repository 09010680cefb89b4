import fc from 'fast-check';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { stripBullet } from './bullet';
import { MOST_CARD_CHARS, notesOn, readCard } from './card';
import { readLine } from './line';
import { factsTold } from './told/told';

const CARD = `Saturday stack
from the boathouse notebook
Serves 4

Ingredients
- 2 cups flour
- 2 tsp baking powder
• 1 3/4 cups buttermilk
2 eggs
1 cup moondust

For the pan:
butter

To serve
2 cups strawberries

Method
1. Whisk the dry things.
2. Add 2 eggs.
Flip after 3 minutes.`;

function read(text: string) {
  const r = readCard(text, FRESH_CONVENTIONS);
  if (!r.ok) throw new Error(r.error.message);
  return r.value;
}

test('title, yield, headings and method are set apart; every ingredient line is kept with its line number', () => {
  const c = read(CARD);
  expect(c.title).toBe('Saturday stack');
  expect(c.lines.map((l) => [l.lineNumber, l.text, l.ingredient?.id ?? null, l.use])).toEqual([
    [6, '- 2 cups flour', 'flour-all-purpose', 'batter'],
    [7, '- 2 tsp baking powder', 'baking-powder-double-al', 'batter'],
    [8, '• 1 3/4 cups buttermilk', 'buttermilk', 'batter'],
    [9, '2 eggs', 'egg-large', 'batter'],
    [10, '1 cup moondust', null, 'batter'],
    [13, 'butter', 'butter-unsalted', 'pan'],
    [16, '2 cups strawberries', 'strawberries', 'topping'],
  ]);
  expect(c.ignored.map((i) => [i.lineNumber, i.why])).toEqual([
    [2, 'note'],
    [3, 'yield'],
    [5, 'heading'],
    [12, 'heading'],
    [15, 'heading'],
    [18, 'heading'],
    [19, 'method'],
    [20, 'method'],
    [21, 'method'],
  ]);
});

test('nothing is dropped: every row of a text is title, line, set aside or empty', () => {
  const row = fc.oneof(
    fc.constantFrom(
      '2 cups flour',
      '- 3 eggs',
      'Method',
      'For the pan:',
      'butter',
      'Serves 4',
      'Whisk until smooth.',
      '',
      '1 cup moondust',
      'Grandstand cakes',
      '1 tsp salt, 2 eggs',
    ),
    fc.string({ maxLength: 40 }).map((s) => s.replace(/[\r\n\u2028\u2029]/g, ' ')),
  );
  fc.assert(
    fc.property(fc.array(row, { minLength: 1, maxLength: 15 }), (rows) => {
      const c = read(rows.join('\n'));
      const seen = new Set([...c.lines.map((l) => l.lineNumber), ...c.ignored.map((i) => i.lineNumber)]);
      const empty = rows.filter((r) => stripBullet(r) === '').length;
      return seen.size + empty + (c.title === null ? 0 : 1) === rows.length;
    }),
  );
});

test('cups by their letter are amounts, not degrees; degrees and minutes are method', () => {
  const c = read('Quick ones\n1 ½ c. flour\n1 1/4 C milk\n2 c buttermilk\n350 F oven\n2 minutes a side\n20 min rest');
  expect(c.lines.map((l) => l.ingredient?.id)).toEqual(['flour-all-purpose', 'milk-whole', 'buttermilk']);
  expect(c.ignored.map((i) => i.lineNumber)).toEqual([5, 6, 7]);
});

test('tables, sentences and headings of several makings', () => {
  const ids = (text: string) => read(text).lines.map((l) => l.ingredient?.id ?? l.text);
  expect(ids('| Ingredient | Amount |\n|---|---|\n| Flour | 2 cups |\n| Egg | 1 |')).toEqual([
    'flour-all-purpose',
    'egg-large',
  ]);
  expect(ids('Two cups of flour, one tablespoon of sugar, a teaspoon of salt, two eggs.')).toEqual([
    'flour-all-purpose',
    'sugar-granulated',
    'salt-table',
    'egg-large',
  ]);
  expect(ids('Ingredients for 4 people\n250 g flour\nNote: rest 20 min.\nTo finish\nicing sugar')).toEqual([
    'flour-all-purpose',
    'sugar-icing',
  ]);
  expect(ids('Step 1\n2 cups flour\nStep 2\n1 cup milk')).toEqual(['flour-all-purpose', 'milk-whole']);
});

test('a title may carry its yield', () => {
  const c = read('Waffles for the Saturday crew (makes 8)\nFlour 2 cups\nEggs 2');
  expect(c.title).toBe('Waffles for the Saturday crew (makes 8)');
  expect(c.lines).toHaveLength(2);
});

test('a dash on several lines is a bullet; on one line it is a minus', () => {
  expect(read('-2 cups flour\n-1 cup milk').lines.map((l) => l.grams)).toEqual([
    expect.closeTo(250),
    expect.closeTo(244),
  ]);
  expect(read('2 cups flour\n-1 cup milk').lines[1]?.findings[0]?.code).toBe('not-positive');
});

test('several whole ingredients on one line become several lines of that number', () => {
  const c = read('2 cups flour, 1 tsp salt, 2 eggs');
  expect(c.lines.map((l) => [l.lineNumber, l.ingredient?.id])).toEqual([
    [1, 'flour-all-purpose'],
    [1, 'salt-table'],
    [1, 'egg-large'],
  ]);
});

test.each([
  // a number that goes on with a half is the next thing's
  [
    '1.2 kilos of flour, 2 eggs and one and a half litres of milk',
    ['flour-all-purpose 1200', 'egg-large 100', 'milk-whole 1547'],
  ],
  ['flour 250 g, butter 50 g (melted), eggs 4', ['flour-all-purpose 250', 'butter-unsalted 50', 'egg-large 200']],
  // without a sign, and with a point within a number
  [
    'so one and a half cups flour three teaspoons baking powder quarter teaspoon salt one and a quarter cups milk one egg mix it and leave it lumpy',
    ['flour-all-purpose 188', 'baking-powder-double-al 14', 'salt-table 2', 'milk-whole 305', 'egg-large 50'],
  ],
  [
    'The griddle is on. Batter is 1 kg flour, 1.6 litres buttermilk, 8 eggs. Whisk it just till wet.',
    ['flour-all-purpose 1000', 'buttermilk 1657', 'egg-large 400'],
  ],
  [
    'For twenty of them. One point two kilos of flour, ten eggs, one point five litres of milk. Mix it.',
    ['flour-all-purpose 1200', 'egg-large 500', 'milk-whole 1547'],
  ],
])('told in a breath: %s', (text, wanted) => {
  const lines = read(text).lines.filter((l) => l.grams !== null);
  expect(lines.map((l) => `${l.ingredient?.id} ${Math.round(l.grams ?? 0)}`).toSorted()).toEqual(wanted.toSorted());
});

test('headings put lines into vessels', () => {
  const c = read('Dry:\n1 cup flour\nWet:\n1 cup milk\n1 tbsp sugar\nFold in:\n1/2 cup walnuts');
  expect(c.lines.map((l) => l.vessel)).toEqual(['dry', 'wet', 'wet', 'fold-in']);
});

test('a text too long to be a card is refused with its size', () => {
  const r = readCard('2 cups flour\n'.repeat(MOST_CARD_CHARS / 10), FRESH_CONVENTIONS);
  expect(r.ok).toBe(false);
  if (!r.ok) expect(r.error.message).toMatch(/at most 60,000/);
});

test('amounts written twice: within the ways of filling they agree, outside they are held against each other', () => {
  // 2 cups of flour weigh 230 g sifted to 320 g packed
  expect(readLine('2 cups flour (300 g)', FRESH_CONVENTIONS).findings).toEqual([]);
  const apart = readLine('2 cups flour (340 g)', FRESH_CONVENTIONS);
  expect(apart.findings.map((f) => f.code)).toEqual(['amounts-disagree']);
  expect(apart.grams).toBe(340);
  expect(readLine('2 cups flour (340 g)', FRESH_CONVENTIONS, { stands: 'volume' })).toMatchObject({
    grams: expect.closeTo(250),
    findings: [],
  });
  // the table has no way of filling for milk: a tenth either way
  expect(readLine('1 cup milk (260 g)', FRESH_CONVENTIONS).findings).toEqual([]);
  expect(readLine('1 cup milk (275 g)', FRESH_CONVENTIONS).findings).toHaveLength(1);
});

test('the house decides what the card does not say', () => {
  const house = {
    cup: 'metric',
    tablespoon: 'with-cup',
    flourFill: 'dipped',
    egg: 'extra-large',
    salt: 'light-flake',
    powder: 'single-tartrate',
  } as const;
  // 250/236.588 x 140
  expect(readLine('1 cup flour', house).grams).toBeCloseTo(147.94, 1);
  expect(readLine('1 egg', house).grams).toBe(56);
  expect(readLine('1 large egg', house).grams).toBe(50);
  expect(readLine('1 egg yolk', house).grams).toBeCloseTo(19.04, 2);
  // 5 ml of light flakes at 135 g a US cup
  expect(readLine('1 tsp salt', house).grams).toBeCloseTo(2.853, 2);
  expect(readLine('1 tsp baking powder', house).ingredient?.id).toBe('baking-powder-single');
  expect(readLine('1 tsp kosher salt', house).ingredient?.id).toBe('salt-kosher-dense');
  expect(readLine('1 pint milk', { ...house, cup: 'imperial' }).grams).toBeCloseTo((568.26125 * 244) / 236.5882365, 2);
});

test('the bracket: a range its ends, a fill not stated sifted to packed, an ounce of liquid up to the fluid ounce', () => {
  expect(readLine('2-3 eggs', FRESH_CONVENTIONS)).toMatchObject({
    gramsLow: expect.closeTo(92),
    gramsHigh: expect.closeTo(162),
  });
  expect(readLine('1 cup flour', FRESH_CONVENTIONS)).toMatchObject({
    gramsLow: expect.closeTo(115),
    gramsHigh: expect.closeTo(160),
    basis: 'fill-not-stated',
  });
  expect(readLine('1 cup sifted flour', FRESH_CONVENTIONS).gramsHigh).toBeCloseTo(121.9, 1);
  expect(readLine('8 oz milk', FRESH_CONVENTIONS)).toMatchObject({
    grams: expect.closeTo(226.8, 1),
    gramsHigh: expect.closeTo(244, 0),
  });
  const kosher = readLine('1 tsp kosher salt', FRESH_CONVENTIONS);
  expect((kosher.gramsHigh ?? 0) / (kosher.gramsLow ?? 1)).toBeGreaterThan(1.8);
});

test('a card whose every amount is 1 1/2 or 1 1/4 and whose salt is far out is doubted', () => {
  const c = read('1 1/2 cups flour\n1 1/4 cups milk\n1 1/2 tablespoons salt');
  expect(c.lines.map((l) => l.findings.map((f) => f.code))).toEqual([[], [], ['fraction-doubtful']]);
  expect(read('1 1/2 cups flour\n1 1/4 cups milk\n1 1/4 tsp salt').lines.flatMap((l) => l.findings)).toEqual([]);
});

test('conventions of ours and units of two meanings are said', () => {
  const said = (text: string): readonly string[] => readLine(text, FRESH_CONVENTIONS).findings.map((f) => f.message);
  expect(said('1 heaping teaspoon baking powder')).toEqual([
    'A heaping spoon is taken as 1.5 level ones: our convention.',
  ]);
  expect(said('8 oz milk')).toEqual([expect.stringContaining('"fl oz"')]);
  expect(said('8 oz flour')).toEqual([]);
  expect(said('1 level teaspoon salt')).toEqual([]);
});

test('what was chosen for an unknown line is used', () => {
  const line = readLine('1 cup moondust', FRESH_CONVENTIONS, { ingredientId: 'sugar-icing' });
  expect(line).toMatchObject({ status: 'read', grams: expect.closeTo(120) });
});

test('suggestions come for a slip of the pen, best first', () => {
  expect(readLine('1 cup buttermlik', FRESH_CONVENTIONS).suggestions[0]?.id).toBe('buttermilk');
  expect(readLine('2 tsp bakign powder', FRESH_CONVENTIONS).suggestions.map((s) => s.id)).toContain(
    'baking-powder-double-al',
  );
});

test('what stands under "Notes:" is no line of the batter, and a yield that names crepes heads nothing', () => {
  const notes = readCard(
    'Lock cakes\n2 cups flour\n1 cup milk\n\nNotes:\n1 cup of the flour can be rye\nLeft out: 2 eggs',
    FRESH_CONVENTIONS,
  );
  expect(notes.ok && notes.value.lines.map((l) => l.text)).toEqual(['2 cups flour', '1 cup milk']);
  expect(notes.ok && notes.value.ignored.map((i) => i.why)).toEqual(['heading', 'note', 'note']);
  const yields = readCard('Sluice crepes\nMakes 8 crepes\n\n1 cup flour\n1 1/2 cups milk', FRESH_CONVENTIONS);
  expect(yields.ok && yields.value.ignored).toEqual([{ lineNumber: 2, text: 'Makes 8 crepes', why: 'yield' }]);
  const cakes = readCard('Makes 12 griddle cakes\n2 cups flour\n1 egg', FRESH_CONVENTIONS);
  expect(cakes.ok && cakes.value.ignored).toEqual([{ lineNumber: 1, text: 'Makes 12 griddle cakes', why: 'yield' }]);
});

describe('a card that has its amounts in its steps alone', () => {
  const told = (text: string): readonly (readonly [string, string, number])[] => {
    const c = readCard(text, FRESH_CONVENTIONS);
    if (!c.ok) throw new Error(c.error.message);
    return c.value.lines.map(
      (l) => [l.ingredient?.id ?? `?${l.findings[0]?.code}`, l.use, Math.round(l.grams ?? 0)] as const,
    );
  };

  test('each step gives what it measures: what is stirred into what, what it is fried in', () => {
    expect(
      told(`Lock-side drop scones
Method
1. Sift 225 g self-raising flour with a pinch of salt into a bowl.
2. Stir in 30 g caster sugar.
3. Beat in 1 egg and 300 ml milk.
4. Cook spoonfuls in 15 g butter.`),
    ).toEqual([
      ['flour-self-raising-uk', 'batter', 225],
      ['salt-table', 'batter', 0],
      ['sugar-caster', 'batter', 30],
      ['egg-large', 'batter', 50],
      ['milk-whole', 'batter', 309],
      ['butter-unsalted', 'pan', 15],
    ]);
  });

  test('in one breath, with bowls, wells and peaks between', () => {
    expect(
      told(
        'Put two cups of flour and half a teaspoon of salt into a bowl. Beat an egg into one and a half cups of milk. Combine. Fry in butter.',
      ),
    ).toEqual([
      ['flour-all-purpose', 'batter', 250],
      ['salt-table', 'batter', 3],
      ['egg-large', 'batter', 50],
      ['milk-whole', 'batter', 366],
    ]);
    expect(
      told(`Weir cakes
1. Separate 3 eggs.
2. In another bowl, whisk the yolks with 20 g sugar and 40 g flour.
3. Make a well and pour in 30 ml milk, whisking until smooth.
4. Whip the whites with 30 g sugar to soft peaks. Rest 20 minutes.`),
    ).toEqual([
      ['egg-large', 'batter', 150],
      ['sugar-granulated', 'batter', 20],
      ['flour-all-purpose', 'batter', 40],
      ['milk-whole', 'batter', 31],
      ['sugar-granulated', 'batter', 30],
    ]);
  });

  test('in one paragraph, each measured thing once; what the table and the pan take is theirs', () => {
    expect(
      told(
        'Weir cakes. Mix 200 g flour with half a litre of milk, then stir in the dry things. Beat 2 eggs, add 20 g sugar and beat until light. Melt 40 g butter in the skillet. Pour in. Cook 4 minutes a side with 1 tbsp water. Serve with 200 g sugar.',
      ),
    ).toEqual([
      ['flour-all-purpose', 'batter', 200],
      ['milk-whole', 'batter', 516],
      ['egg-large', 'batter', 100],
      ['sugar-granulated', 'batter', 20],
      ['butter-unsalted', 'pan', 40],
      ['water', 'pan', 15],
      ['sugar-granulated', 'topping', 200],
    ]);
    // "2 c" are cups, "375" and "40 C" heats, "for 4 people" and "1/4 cup batter" nothing of the batter
    expect(
      told(
        'Combine 2 c flour, 1 T sugar. Warm 2 c milk to 40 C, beat in 2 eggs, for 4 people. Ladle 1/4 cup batter on a griddle of 375 F.',
      ),
    ).toEqual([
      ['flour-all-purpose', 'batter', 250],
      ['sugar-granulated', 'batter', 13],
      ['milk-whole', 'batter', 488],
      ['egg-large', 'batter', 100],
    ]);
  });

  test('a sentence without end is searched for nothing, and stays with the method', () => {
    const endless = `Weir cakes. Mix 200 g flour with 2 eggs. ${'Add 1 2 3 4 a '.repeat(400)}`;
    expect(told(endless)).toEqual([
      ['flour-all-purpose', 'batter', 200],
      ['egg-large', 'batter', 100],
    ]);
  });

  test('of what is put into a pan only fat to fry in is the pan’s', () => {
    expect(
      told(`Weir cakes
1. Put 200 g flour in a large dish.
2. Warm 300 ml milk in a small pan and pour it over.
3. Melt 40 g butter in a small pan. Stir it in.
4. Melt 10 g butter in the pan, pour in the batter.`),
    ).toEqual([
      ['flour-all-purpose', 'batter', 200],
      ['milk-whole', 'batter', 309],
      ['butter-unsalted', 'batter', 40],
      ['butter-unsalted', 'pan', 10],
    ]);
  });

  test('what a step measures and nobody understands is asked about, and never left out', () => {
    const read = told(
      'Weir cakes\n1. Mix 200 g flour and 1 egg.\n2. Stir in 40 g moondust with 2 cups of zzz.\n3. Bake at 220 C for 18 minutes.',
    );
    expect(read.slice(0, 2)).toEqual([
      ['flour-all-purpose', 'batter', 200],
      ['egg-large', 'batter', 50],
    ]);
    expect(read).toHaveLength(3);
    expect(read[2]?.[0]).toMatch(/^\?/);
  });
});

test('pictures and boxes before a row are no part of it, and strokes part three things and more', () => {
  const c = readCard(
    '🥞 SUNDAY STACK 🥞\n▢ 200 g flour\n🥛 300 ml milk\nWet: 100 g egg / 45 g oil / 25 g sugar\n🍓 Toppings\n▢ 50 g strawberries',
    FRESH_CONVENTIONS,
  );
  if (!c.ok) throw new Error(c.error.message);
  expect(c.value.title).toBe('SUNDAY STACK');
  expect(c.value.lines.map((l) => [l.ingredient?.id, l.grams && Math.round(l.grams), l.use])).toEqual([
    ['flour-all-purpose', 200, 'batter'],
    ['milk-whole', 309, 'batter'],
    ['egg-large', 100, 'batter'],
    ['oil-vegetable', 45, 'batter'],
    ['sugar-granulated', 25, 'batter'],
    ['strawberries', 50, 'topping'],
  ]);
  // one stroke may part two ways to take one thing: asked
  const one = readCard('250 g flour\n1 cup buttermilk / 1 cup milk', FRESH_CONVENTIONS);
  expect(one.ok && one.value.lines[1]?.status).toBe('unclear');
});

test('in talk what is fried in is the pan’s, what is cooked in milk keeps its milk, and a bit of salt stays in the list', () => {
  const of = (text: string) => read(text).lines.map((l) => [l.ingredient?.id, l.use]);
  const MINE = 'Mine: a cup of flour, a cup of milk, an egg.';
  expect(of(`${MINE} Whisk it and fry with a knob of butter, and serve with a drop of honey.`)).toEqual([
    ['flour-all-purpose', 'batter'],
    ['milk-whole', 'batter'],
    ['egg-large', 'batter'],
    ['butter-unsalted', 'pan'],
    ['honey', 'topping'],
  ]);
  expect(
    of('You need 3 eggs and 30 g butter. First cook 100 g semolina in 500 ml milk and let it cool.'),
  ).toContainEqual(['milk-whole', 'batter']);
  expect(
    of('To cook for six I take 200 g flour, 300 ml milk, 2 eggs and a bit of salt. Whisk it well.'),
  ).toContainEqual(['salt-table', 'batter']);
});

test('in talk what is added if the batter is too thick is kept back: a line of its own that is asked about', () => {
  const water = (text: string) =>
    read(`330 g buckwheat flour, 750 g cold water, 1 egg. ${text}`)
      .lines.slice(3)
      .map((l) => [Math.round(l.grams ?? 0), l.findings.map((f) => f.code)]);
  const KEPT_BACK = [[50, ['kept-back']]];
  expect(water('Rest overnight, thin with another 50 g of water if needed.')).toEqual(KEPT_BACK);
  expect(water("If it's thick add 50 g of milk.")).toEqual(KEPT_BACK);
  expect(water('When the batter has thickened, add up to 50 g more milk.')).toEqual(KEPT_BACK);
  expect(water('Rest an hour, add up to 50 g of milk if it is too thick after the rest.')).toEqual(KEPT_BACK);
});

test('in talk only fat goes to the pan that heats in the oven', () => {
  const uses = (text: string) => read(text).lines.map((l) => l.use);
  const PAN = ['batter', 'batter', 'batter', 'pan'];
  const OVEN = 'Put the cast iron in with 3 tablespoons of butter. Bake 20 minutes.';
  expect(uses(`Oven one: 3 eggs, 3/4 cup milk, 3/4 cup flour. Blender. ${OVEN}`)).toEqual(PAN);
  expect(
    uses('3 eggs, 3/4 cup milk, 3/4 cup flour. Put the skillet in the oven with 3 tablespoons of butter at 425.'),
  ).toEqual(PAN);
});

test('in talk a mix that is put in is asked about, a mix that is poured is no line', () => {
  const asked = (text: string) =>
    read(text)
      .lines.filter((l) => l.status !== 'read')
      .map((l) => l.text);
  expect(asked('1 cup pancake mix, 3/4 cup water. Stir. Done.')).toEqual(['1 cup pancake mix']);
  expect(asked('I use 500 g of our dry mix with 600 ml buttermilk and 3 eggs, then 60 ml of batter each.')).toEqual([
    '500 g of our dry mix',
  ]);
  expect(asked('Whisk 2 eggs with 300 ml milk. Pour 50 ml of the mix for each.')).toEqual([]);
});

test('in talk a weight of plain is flour, and what goes in by turns keeps its name', () => {
  const of = (text: string) =>
    read(text).lines.map((l) => [l.status, l.ingredient?.id, l.grams === null ? null : Math.round(l.grams)]);
  expect(
    of('120 g buckwheat flour, 120 g plain, 5 g instant yeast. Leave it an hour until it bubbles.'),
  ).toContainEqual(['read', 'flour-all-purpose', 120]);
  expect(
    of(
      '125 g weiche Butter schaumig rühren, 3 Eier einzeln dazu, dann 250 g Mehl und 200 g Milch im Wechsel. Stufe 4, 3 Minuten.',
    ),
  ).toEqual(
    expect.arrayContaining([
      ['read', 'egg-large', 150],
      ['read', 'milk-whole', 200],
    ]),
  );
});

test('in talk a count of a thing that no table knows is asked about, and what is counted besides is none', () => {
  const unknown = (text: string) =>
    read(text)
      .lines.filter((l) => l.ingredient === null)
      .map((l) => l.text);
  expect(unknown('2 gherkins, 2 eggs, 1 cup milk, 1 cup flour. Mix.')).toEqual(['2 gherkins']);
  expect(unknown('Take 4 sheets matzo, 2 eggs, 1 cup milk. Soak and fry.')).toEqual(['4 sheets matzo']);
  expect(unknown('Three rusks crumbled, two eggs, a cup of milk and 100 g flour. Whisk and rest.')).toEqual([
    'Three rusks crumbled',
  ]);
  expect(unknown('Take two bowls, a cup of flour, 2 eggs and 1 cup milk. Whisk and rest.')).toEqual([]);
  // what goes into each hollow is the pan's
  expect(
    read(
      '3 eggs, 1 cup milk, 1 cup flour. Whisk. Half a teaspoon of butter in each of twelve cups, 15 minutes.',
    ).lines.map((l) => l.use),
  ).toEqual(['batter', 'batter', 'batter', 'pan']);
});

test('a list behind a word for when it goes in, or for how many it is, is lines; how many it is for stays told', () => {
  const c = read('Waffles\n2 cups flour\nThen: 3 egg whites, stiffly beaten\nAt the end: 30 g sugar');
  expect(c.lines.map((l) => [l.ingredient?.id, Math.round(l.grams ?? 0)])).toEqual([
    ['flour-all-purpose', 250],
    ['egg-white', 99],
    ['sugar-granulated', 30],
  ]);
  for (const [label, told] of [
    ['For 84 covers (2 each)', ['pieces 168', 'serves 84']],
    ['Batch of 50 cakes', ['pieces 50']],
    ['Per 10 waffles', ['pieces 10']],
  ] as const) {
    const many = read(`${label}: flour 6.2 kg; baking powder 230 g; eggs 62. Mix on speed one.`);
    expect(many.lines.map((l) => [l.ingredient?.id, l.grams])).toEqual([
      ['flour-all-purpose', 6200],
      ['baking-powder-double-al', 230],
      ['egg-large', 3100],
    ]);
    expect(factsTold(notesOn(many), FRESH_CONVENTIONS).map((f) => `${f.fact} ${f.value}`)).toEqual(told);
  }
});

test('a title tells how many: of people with so many each, and behind a times sign', () => {
  const told = (title: string) =>
    factsTold(notesOn(read(`${title}\n250 g flour\n2 eggs`)), FRESH_CONVENTIONS).map((f) => `${f.fact} ${f.value}`);
  expect(told('Blini for 12 people (5 each)')).toEqual(['pieces 60', 'serves 12']);
  expect(told('Vegan pancakes x 8')).toEqual(['pieces 8']);
  expect(told('Club breakfast x 40')).toEqual([]);
});

test('what a first step measures in one breath, before any list, is the card’s own', () => {
  const c = read(
    'Cornmeal cakes\nboil 1 1/4 cups water, pour over 1 cup cornmeal w/ 1 tsp salt and 1 tbsp honey, cover 10 min\nadd 1/2 c milk, 1 egg\n2 T each, griddle 375, 3 min 2 min',
  );
  expect(c.lines.map((l) => l.ingredient?.id)).toEqual([
    'water',
    'corn-meal-fine',
    'salt-table',
    'honey',
    'milk-whole',
    'egg-large',
  ]);
});

test('one row that begins with what it is called: its name is the title, and each thing behind it a line', () => {
  const c = read('Lemon ricotta: 250g ricotta, 120ml milk, zest 1 lemon, 100g flour. Mix well.');
  expect(c.title).toBe('Lemon ricotta');
  expect(c.lines.map((l) => l.ingredient?.id)).toEqual(['ricotta', 'milk-whole', 'lemon-zest', 'flour-all-purpose']);
  // how many eggs a mug holds is no yield
  expect(factsTold('1 mug flour, 1 mug eggs (about 4), 1 mug milk.', FRESH_CONVENTIONS)).toEqual([]);
});

test('names first, points behind short words, a bracket in the title, a heading with its yield', () => {
  const ids = (text: string) => read(text).lines.map((l) => `${l.ingredient?.id} ${Math.round(l.grams ?? 0)}`);
  expect(
    ids('Pikelets from the canteen board: SR flour 500g, caster 60g, eggs 3, milk 450ml, pinch salt. Whisk, rest 10.'),
  ).toEqual(['flour-self-raising-uk 500', 'sugar-caster 60', 'egg-large 150', 'milk-whole 464', 'salt-table 0']);
  expect(
    ids('TO MAKE 20 SMALL: 1 1/2 c. flour, 2 t. b.p., 2 T. sug., 1 egg, 1 1/4 c. milk, 3 T. melt. butter'),
  ).toEqual([
    'flour-all-purpose 188',
    'baking-powder-double-al 9',
    'sugar-granulated 25',
    'egg-large 50',
    'milk-whole 305',
    'butter-unsalted 43',
  ]);
  expect(read('Rava (semolina) pancakes: 1 cup fine semolina, 1 cup yoghurt, 1/2 tsp salt. Rest 20.').title).toBe(
    'Rava (semolina) pancakes',
  );
  const c = read('Waffle station\nBatter (yields ~9 L):\nAP flour 3.4 kg\nMilk 4.5 L\nEggs 40 ea');
  expect(c.lines).toHaveLength(3);
  expect(c.sections[0]?.heading ?? c.sections[1]?.heading).toBe('Batter');
});

test('a step’s word for several sorts is asked, whatever else the list has that is not understood', () => {
  const things = (text: string): readonly string[] => {
    const card = readCard(text, FRESH_CONVENTIONS);
    return card.ok ? card.value.lines.map((l) => l.text) : [];
  };
  expect(things('Cakes\n200 g flour\n2 tsp zork\n300 ml milk\nWhisk the flour with 1 tsp powder. Bake.')).toContain(
    '1 tsp powder',
  );
  // the list's powder is no fat
  expect(
    things('Hoe cakes\n2 cups cornmeal\n2 tsp baking powder\nStir in 1/4 cup milk and 1 tbsp bacon fat. Bake.'),
  ).toContain('1 tbsp bacon fat');
  // and what the list has by its own name is not asked again
  expect(
    things('Cakes\n200 g flour\n2 tsp baking powder\n300 ml milk\nWhisk the flour with 1 tsp powder. Bake.'),
  ).not.toContain('1 tsp powder');
});

test('a title may tell minutes; a rest above the list is the method’s', () => {
  const read = (first: string) => {
    const card = readCard(`${first}\n200 g flour\n2 eggs\n300 ml milk`, FRESH_CONVENTIONS);
    return card.ok && [card.value.title, card.value.lines.length, notesOn(card.value)];
  };
  expect(read('My 5-minute pancakes')).toEqual(['My 5-minute pancakes', 3, '']);
  expect(read('15 minute rest')).toEqual([null, 3, '15 minute rest']);
});

test.each<[string, readonly string[]]>([
  // steps whose numbers have no point are no counts of eggs
  [
    "Hotcakes\nYou'll need:\nself raising flour – 200g\neggs – 2 large, separated\n1 Whisk the yolks.\n2 Fold in the flour.\n3 Beat whites to soft peaks.",
    ['flour-self-raising-uk 200', 'egg-large 100'],
  ],
  [
    'INGREDIENTS: Flour (250g), Milk (500ml), Eggs (3), Salt (1 tsp).\nMETHOD: Blend all.',
    ['flour-all-purpose 250', 'milk-whole 515.7', 'egg-large 150', 'salt-table 6.1'],
  ],
  [
    'Pancakes\nMix together:\n200 g flour\n3 tsp baking powder\nAdd all at once:\n300 g milk\n1 egg',
    ['flour-all-purpose 200', 'baking-powder-double-al 13.8', 'milk-whole 300', 'egg-large 50'],
  ],
  [
    'Flour  2 cups     | Eggs   2\nSalt   1 tsp      | Oil    1/4 c\nSugar  2 T        |',
    ['flour-all-purpose 250', 'egg-large 100', 'salt-table 6.1', 'oil-vegetable 54.5', 'sugar-granulated 25'],
  ],
  [
    'Ingr. / 10 pax / 50 pax\nFlour / 500 g / 2.5 kg\nMilk / 700 g / 3.5 kg\nEgg / 4 / 20',
    ['flour-all-purpose 500', 'milk-whole 700', 'egg-large 200'],
  ],
  [
    'Waffles (double batch in brackets)\n2 cups flour (4)\n2 eggs (4)\n1 tsp soda (2)',
    ['flour-all-purpose 250', 'egg-large 100', 'baking-soda 4.6'],
  ],
  [
    '1C flour 1C milk 1 egg 1t bp 1/2t salt\nmix & fry',
    ['flour-all-purpose 125', 'milk-whole 244', 'egg-large 50', 'baking-powder-double-al 4.6', 'salt-table 3'],
  ],
  [
    'Blini\nWeizenmehl ........ 125\nMilch ............. 400\nEier .............. 2\n(alles in g, Eier in Stück)',
    ['flour-all-purpose 125', 'milk-whole 400', 'egg-large 100'],
  ],
  [
    'Pancakes\nBowl 1 - 300g AP, 15g BP\nBowl 2 - 360g bm, 2 eggs',
    ['flour-all-purpose 300', 'baking-powder-double-al 15', 'buttermilk 360', 'egg-large 100'],
  ],
  // below a star a remark, and no second flour
  [
    '200 g flour*\n300 g milk\n2 eggs\n*or use half wholemeal',
    ['flour-all-purpose 200', 'milk-whole 300', 'egg-large 100'],
  ],
  [
    'Our pancakes*\n* 200 g flour\n* 2 eggs\n* salt\n*makes 8',
    ['flour-all-purpose 200', 'egg-large 100', 'salt-table -'],
  ],
  ['Raggmunkar\n4 port\n2 ägg\n300 g mjölk', ['egg-large 100', 'milk-whole 300']],
  [
    'Pancakes\n1 t. ea. baking powder & soda\n200 g flour\nzest of 1 lemon plus 1 tbsp juice',
    ['baking-powder-double-al 4.6', 'baking-soda 4.6', 'flour-all-purpose 200', 'lemon-zest 6', 'lemon-juice 15.2'],
  ],
  [
    'Waffles\n120 g (gf) oat flour\n100 g gluten-free rolled oats\n2 eggs',
    ['flour-oat 120', 'rolled-oats 100', 'egg-large 100'],
  ],
  [
    'Jump to Recipe - Print Recipe\n★★★★★ 4.9 from 212 votes\nYeasted Waffles\n200 g flour\n300 g milk',
    ['flour-all-purpose 200', 'milk-whole 300'],
  ],
  [
    'Pancakes\n200 g flour\n300 g milk\nArbeitszeit ca. 10 Minuten\nKoch-/Backzeit ca. 20 Minuten\nHydration ~ 150%\n65 g/pc → 9 pc',
    ['flour-all-purpose 200', 'milk-whole 300'],
  ],
  [
    'Crepes\nMix A: 200 g flour + 5 g salt\nMix B: 500 g water + 1 egg\nPour B into A and fry.',
    ['flour-all-purpose 200', 'salt-table 5', 'water 500', 'egg-large 50'],
  ],
  // what a step measures in c and t, EL and TL
  [
    'Malted waffles\nWhisk: 2 c flour, 2 t b.p.\nSeparate: 2 eggs\nWhisk: yolks + 1 3/4 c milk + 1/2 c oil + 1 t vanilla\nBeat whites stiff, fold in.',
    [
      'flour-all-purpose 250',
      'baking-powder-double-al 9.2',
      'egg-large 100',
      'milk-whole 427',
      'oil-vegetable 109',
      'vanilla-extract 4.8',
    ],
  ],
  [
    'Pfannkuchen\n250 g Mehl\n3 Eier\n300 g Milch\nMehl mit 2 EL Zucker und 1 TL Natron mischen.',
    ['flour-all-purpose 250', 'egg-large 150', 'milk-whole 300', 'sugar-granulated 25.4', 'baking-soda 4.7'],
  ],
  // in two languages, and once in the bowl
  [
    'Ugnspannkaka\n4 ägg | 4 eggs\n180 g vetemjöl | 180 g flour\n600 g mjölk | 600 g milk\n225 °C, 25-30 min',
    ['egg-large 200', 'flour-all-purpose 180', 'milk-whole 600'],
  ],
  ['pancakes:\n  flour: 2 cups\n  eggs: 2\ngriddle: 375F', ['flour-all-purpose 250', 'egg-large 100']],
  [
    'Waffeln: 200 g Butter | 4 Eier | 300 g Mehl | 150 g Milch || Alles verrühren.',
    ['butter-unsalted 200', 'egg-large 200', 'flour-all-purpose 300', 'milk-whole 150'],
  ],
  // units before their numbers
  [
    'Crespelle\nFarina 00 g 125\nLatte g 250\nUova n. 2\nBurro g 20',
    ['flour-all-purpose 125', 'milk-whole 250', 'egg-large 100', 'butter-unsalted 20'],
  ],
  [
    'Waffles\n180g flour, 60g sugar, pinch salt // 2 eggs, 300g milk // whisk dry, whisk wet, combine',
    ['flour-all-purpose 180', 'sugar-granulated 60', 'salt-table 0.4', 'egg-large 100', 'milk-whole 300'],
  ],
  [
    'Prep sheet\nPar: 8 L   Made by: __   Date: __\n[ ] Flour 2.4 kg\n[ ] Eggs 24\nTotal cost',
    ['flour-all-purpose 2400', 'egg-large 1200'],
  ],
  ['Æbleskiver (ca. 21 stk)\n150 g mel\n2 æg', ['flour-all-purpose 150', 'egg-large 100']],
])('all of a list however it is laid out, and nothing besides: %j', (text, lines) => {
  const r = readCard(text, FRESH_CONVENTIONS);
  if (!r.ok) throw new Error(r.error.message);
  expect(
    r.value.lines.map((l) => `${l.ingredient?.id ?? '?'} ${l.grams === null ? '-' : Math.round(10 * l.grams) / 10}`),
  ).toEqual(lines);
});
