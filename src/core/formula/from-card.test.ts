/** A pasted card as a formula: its groups and ends, the kind it is taken for, and what its method offers. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { analyseFormula } from '../analyse-formula';
import { notesOn, readCard } from '../card/card';
import { factsTold } from '../card/told/told';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { thirdOf } from '../testing/share';
import { EMPTY_FORMULA, type Formula, placeGroup } from './formula';
import { entriesFromCard } from './from-card';
import { guessKind } from './guess-kind';
import { FRESH_KITCHEN } from './kitchen-settings';
import { formulaLines } from './lines';
import { offersFrom, toldBy } from './offers';
import { leftOut } from './pasted';

const pasted = (text: string) => {
  const r = entriesFromCard(text, FRESH_CONVENTIONS);
  if (!r.ok) throw new Error(r.message);
  return r.value;
};
const formulaOf = (text: string): Formula => {
  const { title, entries, notes, guess } = pasted(text);
  return {
    ...EMPTY_FORMULA,
    name: title ?? '',
    entries,
    cardNotes: notes,
    ...(guess && { kind: guess.kind, school: guess.school }),
  };
};

const SAUCED = 'Cakes\n300 g flour\n400 ml milk\nCaramel sauce:\n100 g sugar\n50 g butter\nMoonlight:\n20 g honey';

test('companions stand beside the batter under their own name and count in no ratio', () => {
  const f = formulaOf(SAUCED);
  expect(f.entries.map((e) => [e.text, e.group ?? null])).toEqual([
    ['300 g flour', null],
    ['400 ml milk', null],
    ['100 g sugar', { name: 'Caramel sauce', role: 'side' }],
    ['50 g butter', { name: 'Caramel sauce', role: 'side' }],
    ['20 g honey', { name: 'Moonlight', role: 'side', asked: true }],
  ]);
  expect(formulaLines(f).map((l) => [l.use, l.side])).toEqual([
    ['batter', null],
    ['batter', null],
    ['topping', 'Caramel sauce'],
    ['topping', 'Caramel sauce'],
    ['topping', 'Moonlight'],
  ]);
  // 300 g of flour and 412.5 g of milk, and no sugar of the sauce's
  expect(analyseFormula(f, FRESH_KITCHEN).analysis.tally.massG).toBeCloseTo(712.5, 1);
});

test('a group that was asked about goes where the cook says, all of it', () => {
  const f = formulaOf(SAUCED);
  const moved = { ...f, entries: placeGroup(f.entries, 'Moonlight', 'batter') };
  expect(formulaLines(moved)[4]).toMatchObject({
    use: 'batter',
    side: null,
    group: { name: 'Moonlight', role: 'batter' },
  });
  const onTop = { ...f, entries: placeGroup(f.entries, 'Moonlight', 'topping') };
  expect(formulaLines(onTop)[4]).toMatchObject({ use: 'topping', side: null });
  expect(placeGroup(f.entries, 'Moonlight', 'side').some((e) => e.group?.asked)).toBe(false);
});

test('a word that only its card explains is kept with the line', () => {
  // "mel" is flour in Danish and honey's neighbour elsewhere; alone nobody could say
  const danish = pasted('Pandekager\n250 g mel\n5 dl mælk\n3 æg\n1 spsk sukker');
  expect(
    danish.entries[0]?.ingredientId ?? formulaLines({ ...EMPTY_FORMULA, entries: danish.entries })[0]?.ingredient?.id,
  ).toBe('flour-all-purpose');
});

test('sweet and savoury headings are the two ends of one base', () => {
  const c = pasted('Crepes\n250 g flour\n500 ml milk\nFor sweet:\n20 g sugar\nFor savoury:\n5 g salt');
  expect(c.ends).toEqual(['sweet', 'savoury']);
  expect(c.entries.map((e) => e.end)).toEqual([undefined, undefined, 'a', 'b']);
  expect(pasted('Crepes\n250 g flour\nFor sweet:\n20 g sugar').ends).toBeNull();
});

test.each([
  ['Waffles', '', 'waffle', 'the title says "Waffles"'],
  ['Crêpes of the house', '', 'crepe', 'the title says "Crêpes"'],
  ['Dutch baby', '', 'oven', 'the title says "Dutch baby"'],
  ['Small batch pancakes', '', 'griddle', 'the title says "pancakes"'],
  ['Small griddle cakes', '', 'small', 'the title says "Small"'],
  ['Sunday best', 'Pour into the hot waffle iron and close it.', 'waffle', 'the method bakes it in an iron'],
  ['Brüsseler Art', 'Waffeleisen auf 200 Grad, 5 Minuten backen.', 'waffle', 'the method bakes it in an iron'],
  ['Sunday best', 'Swirl a ladle to a paper-thin layer.', 'crepe', 'the method swirls it thin'],
  ['Sunday best', 'Turn each ball a quarter turn in the ball pan.', 'ball', 'the method turns it in a ball pan'],
  ['Sunday best', 'Whip the egg whites to stiff peaks and fold them in.', 'foam', 'the whites are whipped'],
  [
    'The farm pancake',
    'Oven at gas 7, lard smoking in the tin, batter in, 30 minutes.',
    'oven',
    'the method bakes it whole in the oven',
  ],
  ['Kaiserschmarrn', 'Bei 180 Grad im Ofen 15 Minuten backen.', 'oven', 'the method bakes it whole in the oven'],
  ['Skillet one', 'Swirl the butter, pour. Oven at 220, 20 minutes.', 'oven', 'the method bakes it whole in the oven'],
  ['Camp one', 'Into the hot pot, lid on, bake 35 minutes.', 'oven', 'the method bakes it whole in the oven'],
  ['Griddle cakes', '2 minutes, flip, 1 minute. Keep in a 90 C oven.', 'griddle', expect.any(String)],
] as const)('%s, %s: a %s', (title, method, kind, why) => {
  expect(guessKind(title, [], method, factsTold(method, FRESH_CONVENTIONS))).toMatchObject({ kind, why });
});

test.each([
  ['Pour les gaufres : 300 g de farine, 3 œufs. Fouettez les blancs.', 'waffle'],
  ["my nan's scotch pancakes, she'd take four ounces", 'small'],
  ['Okay so for the crepes we need four eggs.', 'crepe'],
  ['For the little ones: mash two bananas, and the griddle hot.', 'griddle'],
  // further on it may be what it is like
  ['Whisk it. It should pour like a crepe batter. Bubbles, flip.', 'griddle'],
] as const)('a card without a title that begins “%s” is of the kind %s', (method, kind) => {
  expect(guessKind('', [], method, [])?.kind).toBe(kind);
});

test('without a word the ratios speak; and where nothing speaks nothing is guessed', () => {
  const thin = formulaLines(formulaOf('250 g flour\n600 ml milk\n4 eggs'));
  expect(guessKind('', thin, '', [])).toMatchObject({
    kind: 'crepe',
    why: expect.stringMatching(/^no leavening, and \d+ % water/),
  });
  expect(guessKind('Sunday best', [], '', [])).toBeNull();
});

const offered = (notes: string, texts = '200 g flour\n100 g blueberries') =>
  offersFrom(notes, formulaLines(formulaOf(texts)), FRESH_CONVENTIONS).map((o) =>
    o.what === 'way'
      ? `${o.way} ${o.value}`
      : o.what === 'measure'
        ? `${o.of} ${o.value}`
        : o.what === 'portion'
          ? `portion ${o.ml}`
          : o.what === 'moment'
            ? `${o.key} ${o.moment}`
            : o.what,
  );

test.each([
  ['Let the batter rest for 30 minutes.', ['rest half-hour']],
  ['Rest for half an hour.', ['rest half-hour']],
  ['Leave it to stand overnight in the fridge.', ['rest overnight']],
  ['Chill for at least 1 hour.', ['rest hour']],
  ['Whip the whites to firm peaks.', ['whites firm']],
  ['Whisk the whites to soft peaks.', ['whites soft']],
  ['Put everything in a blender.', ['joining blender']],
  ['Make a well in the dry and pour in the wet.', ['joining well']],
  ['Pour 1/4 cup of batter for each.', ['portion 59.1']],
  ['Ladle 60 ml of batter into the pan.', ['portion 60']],
  ['Sprinkle the blueberries over each cake.', ['l2 poured']],
  ['Scatter blueberries on top just before you flip.', ['l2 flip']],
  ['Add half an hour of patience.', []],
  ['Rest it for 45 minutes.', ['rest 45']],
  ['Blend it all in a blender and strain through a sieve.', ['joining blender-sieve']],
  ['Whisk everything together.', ['joining at-once']],
  ['Stir in the melted butter last.', ['joining butter-last']],
  ['Stir until just combined, lumps are fine.', ['mixing lumps']],
  ['Whisk until smooth.', ['mixing smooth']],
  ['Wipe the pan with a little oil.', ['panFat film']],
  ['Fry in butter and oil.', ['panFat butter-oil']],
  ['Brush with ghee.', ['panFat clarified']],
  ['Use cooking spray.', ['panFat spray']],
  ['Flip once and do not press.', ['flip once']],
  ['Press lightly after turning.', ['flip press']],
  ['Keep turning with a skewer.', ['flip several']],
  ['Spoon the flour into the cup and level it.', ['flourFill spooned']],
  ['Scoop and sweep the flour.', ['flourFill dipped']],
  ['Cups are metric cups.', ['cup metric']],
  ['Eggs at room temperature.', ['warmth counter']],
  // in the other languages, and by other fats
  ['Graisser la poêle au beurre.', ['panFat butter']],
  ['In Butterschmalz ausbacken.', ['panFat clarified']],
  ['Dripping on a rag for the griddle.', ['panFat lard']],
  ['Heat 1 tbsp oil in a large frying pan.', ['panFat oil']],
  ['Nonstick pan, no fat needed.', ['panFat none']],
  ['Alle Zutaten gut verrühren.', ['joining at-once']],
  ['Eine Mulde ins Mehl drücken.', ['joining well']],
  ['Incorporer le beurre fondu à la fin.', ['joining butter-last']],
  ['Mezclar todo hasta obtener una masa lisa.', ['mixing smooth', 'joining at-once']],
  ['Huevos a temperatura ambiente.', ['warmth counter']],
  [
    'Whisk half of the milk in to a smooth paste, then the rest. Strain the batter.',
    ['mixing smooth', 'joining strained'],
  ],
  // denied, of the table, or said of something else
  ['Don’t make a well, and never use metric cups.', []],
  ['Some people make a well.', []],
  ['Den Teig nicht ruhen lassen, keine Mulde nötig.', ['rest none']],
  ['Wer mag, lässt den Teig 30 Minuten ruhen.', []],
  ['Flip once bubbles pop.', []],
  ['Strain if lumpy.', []],
  ['Never use ghee for it.', []],
  ['Serve with clarified butter.', ['lines']],
  ['(Serve with maple syrup and jam).', ['lines']],
] as const)('%s', (notes, expected) => expect(offered(notes)).toEqual(expected));

test('an offer brings the words it came from', () => {
  expect(offersFrom('Whisk it. Rest the batter 10 minutes, covered. Fry.', [], FRESH_CONVENTIONS)).toEqual([
    {
      what: 'way',
      way: 'rest',
      value: 'short',
      says: 'rests 10 minutes',
      words: 'Rest the batter 10 minutes',
    },
  ]);
});

test.each([
  ['Makes 12', ['makes 12']],
  ['Two each for two people', ['makes 4', 'serves 2']],
  ['Serves 4 to 6', ['serves 6']],
  ['Fry at 180 °C, 2 minutes a side.', ['180 °C', '2 min a side']],
  ['Make a well. It makes a good cake for half an hour of work.', []],
  ['Cook 3 minutes on one side and 2 on the other.', ['first side 3 min', 'second side 2 min']],
  ['Never above 180 °C. My aunt bakes hers at 200 °C, 20 minutes.', []],
  ['Im Ofen bei 180 °C 25 Minuten backen. Ergibt 12 Stück.', ['oven 180 °C', 'bakes 25 min', 'makes 12']],
  ['Cuire à feu moyen, 2 minutes de chaque côté. Pour 4 personnes.', ['heat at medium', '2 min a side', 'serves 4']],
] as const)('%s says %j', (notes, says) =>
  expect(toldBy(factsTold(notes, FRESH_CONVENTIONS), { temperature: 'C' }).map((t) => t.says)).toEqual(says),
);

const WHOLE =
  '250 g flour\n2 tsp baking powder\n1/2 tsp salt\n20 g sugar\n350 ml milk\n2 eggs\n50 g butter, melted\n1 tsp vanilla';
test.each([
  'Sift the flour, baking powder, salt and sugar. Beat the eggs with the milk and vanilla, stir in the butter. Let it rest for half an hour.',
  'Mix the dry. Whisk the yolks with half of the milk, fold in the whites. Serve with syrup and berries.',
  'Whisk everything together. Cook in a little oil, two minutes a side. Serve with honey, yoghurt and fruit.',
  'Blend all of it until smooth and strain. Butter the pan. Sprinkle a few drops of water on it: they should dance.',
  'Separate the eggs. Cream the butter and sugar, beat in the yolks, flour, baking powder, salt, milk and vanilla by turns. Fold in the stiff whites.',
  'Combine the dry ingredients. Make a well. Pour in the wet. Top with whipped cream and chocolate at the table.',
  'Put the lot in a bowl, whisk, and leave it while you butter the iron.',
])('no false alarm: %s', (method) => {
  const f = formulaOf(`Cakes\n${WHOLE}\nMethod\n${method}`);
  const codes = analyseFormula(f, FRESH_KITCHEN).analysis.findings.map((x) => x.code);
  expect(codes.filter((c) => /listed|yield-claim/.test(c))).toEqual([]);
});

const FOUR = {
  de: 'Pfannkuchen\n\nZutaten\n250 g Mehl\n10 g Backpulver\n3 g Salz\n300 ml Milch\n2 Eier\n\nZubereitung\n',
  fr: 'Pancakes\n\nIngrédients\n250 g de farine\n10 g de levure chimique\n3 g de sel\n300 ml de lait\n2 œufs\n\nPréparation\n',
  es: 'Tortitas\n\nIngredientes\n250 g de harina\n10 g de levadura química\n3 g de sal\n300 ml de leche\n2 huevos\n\nPreparación\n',
} as const;
test.each([
  ['de', 'Mehl, Backpulver und Salz mischen, Milch und Eigelb unterrühren, den Eischnee unterheben.', false],
  ['de', 'Mehl mit Salz mischen, Milch und Eier unterrühren und zu einem glatten Teig schlagen.', true],
  ['de', 'Alle Zutaten gut verrühren und in der heißen Pfanne backen, bis sie goldbraun sind.', false],
  ['fr', 'Mélanger farine, levure et sel, ajouter le lait et les jaunes, incorporer les blancs montés.', false],
  ['fr', 'Mélanger farine et sel, ajouter le lait et les œufs, puis cuire dans une poêle chaude.', true],
  ['es', 'Mezclar harina, levadura y sal, añadir la leche y las yemas, incorporar las claras montadas.', false],
  ['es', 'Mezclar la harina y la sal, añadir la leche y los huevos y cocer en una sartén caliente.', true],
] as const)('%s, %s: the leavening is forgotten: %s', (language, method, forgotten) => {
  const { findings } = analyseFormula(formulaOf(FOUR[language] + method), FRESH_KITCHEN).analysis;
  expect(findings.filter((x) => /listed/.test(x.code)).map((x) => x.code)).toEqual(
    forgotten ? ['listed-never-used'] : [],
  );
});

test.each([
  ['Ugnspannkaka från slussen', 'oven'],
  ['Pannukakku', 'oven'],
  ['Ofenpfannkuchen', 'oven'],
  ['Æbleskiver', 'ball'],
  ['Aebleskiver for a wet day', 'ball'],
  ['Poffertjes', 'ball'],
  ['Palatschinken', 'crepe'],
  ['Naleśniki', 'crepe'],
  ['Palacsinta', 'crepe'],
  ['Plättar', 'small'],
  ['Pannkakor', 'crepe'],
  ['Kleine Pfannkuchen', 'small'],
  ['Soufflé-Pfannkuchen', 'foam'],
  ['Little balls', 'ball'],
  ['Little cakes', 'small'],
  ['Oven-kept hotcakes for 30', 'griddle'],
] as const)('%s is of the kind %s', (title, kind) => {
  expect(guessKind(title, [], '', [])?.kind).toBe(kind);
});

test.each([
  ['Haferpfannkuchen', 'griddle'],
  ['Pandekager', 'griddle'],
  ['Palatschinken', 'crepe'],
] as const)('raised by powder, %s are of the kind %s', (title, kind) =>
  expect(
    guessKind(title, formulaLines(formulaOf('250 g flour\n300 ml milk\n2 eggs\n8 g baking powder')), '', [])?.kind,
  ).toBe(kind),
);

test('whites that the method alone whips are whipped on their line, as far as it says; denied or another’s they are not', () => {
  const lines = 'Cakes\n2 cups flour\n1 tbsp baking powder\n1 cup milk\n2 eggs\n\n';
  const foamIn = (text: string) => {
    const c = entriesFromCard(text, FRESH_CONVENTIONS);
    return c.ok ? c.value.entries.flatMap((e) => (e.foam ? [`${e.text}: ${e.foam}`] : [])) : [c.message];
  };
  expect(foamIn(`${lines}Separate the eggs. Whip the whites to stiff peaks and fold them in last.`)).toEqual([
    '2 eggs: firm',
  ]);
  expect(foamIn(`${lines}Beat the egg whites until they hold soft peaks.`)).toEqual(['2 eggs: soft']);
  expect(foamIn('Cakes\n2 cups flour\n1 cup milk\n2 egg yolks\n3 egg whites\n\nWhip the whites stiff.')).toEqual([
    '3 egg whites: firm',
  ]);
  for (const not of [
    'Don’t whip the whites.',
    'Some people whip the whites apart.',
    'You can whip the whites if you like.',
    'Beat the eggs well.',
  ])
    expect([not, foamIn(lines + not)]).toEqual([not, []]);
  // the line says it itself: nothing is settled beside it
  expect(foamIn(`${lines.replace('2 eggs', '2 eggs, separated')}Whip the whites stiff.`)).toEqual([]);
});

test('whites folded into a leavened cake of few eggs make no foam-raised cake of it; many eggs do', () => {
  const kindOf = (eggs: string) => {
    const text = `Morning cakes\n2 cups flour\n2 tsp baking powder\n1 1/2 cups milk\n${eggs}\n\nWhip the whites to soft peaks and fold them in last.`;
    const c = entriesFromCard(text, FRESH_CONVENTIONS);
    return c.ok ? c.value.guess?.kind : c.message;
  };
  // 2 eggs on 250 g of flour are 40 %, 4 are 80 %
  expect([kindOf('2 eggs'), kindOf('4 eggs')]).toEqual(['griddle', 'foam']);
});

test('each fat, mixing and turn that a method tells is offered, in its own words', () => {
  const cards = readFileSync(join(__dirname, '..', 'card', 'corpus', 'told-cards.txt'), 'utf8').split('\n====\n');
  const silent = thirdOf(cards).flatMap((card) => {
    const read = readCard(card.split('\n---\n')[0] ?? '', FRESH_CONVENTIONS);
    if (!read.ok) return [];
    const notes = notesOn(read.value);
    const facts = factsTold(notes, FRESH_CONVENTIONS);
    const offers = offersFrom(notes, [], FRESH_CONVENTIONS, facts);
    const of = { panFat: ['panFat'], mix: ['mixing', 'joining'], turns: ['flip'] } as const;
    return facts
      .filter(
        (f) =>
          f.taken === 'told' &&
          f.fact in of &&
          !offers.some((o) => o.what === 'way' && (of[f.fact as keyof typeof of] as readonly string[]).includes(o.way)),
      )
      .map((f) => `${f.fact} ${f.value}: ${f.words}`);
  });
  expect(silent).toEqual([]);
});

test.each([
  [
    'with both weights',
    'Towpath crepes\n250 g / 9 oz plain flour\n600 ml / 1 pint milk\n3 large eggs\n50 g (2 oz) butter, melted\n1 tbsp caster sugar\npinch of salt',
    6,
    250,
  ],
  [
    'with a savoury filling',
    'Towpath crepes\n250 g flour\n600 ml milk\n3 eggs\n1/4 tsp salt\n\nSavoury filling\n200 g feta, crumbled\n150 g spinach',
    6,
    250,
  ],
  [
    'in one paragraph',
    'Waffles for the landing stage. Take two cups of flour, a tablespoon of sugar, 1 tablespoon baking powder and half a teaspoon of salt. Beat 2 eggs with 1 3/4 cups milk and 1/2 cup melted butter, then stir in the dry things. Bake in a hot iron for 5 minutes.',
    7,
    250,
  ],
  [
    'of a hotel, with #10 cans',
    'Hotel griddle cakes\n25 lb all-purpose flour\n1 #10 can pumpkin puree\n2 #10 cans evaporated milk\n5 gal milk\n90 eggs\n3 lb sugar\n1 1/4 lb baking powder\n5 oz salt\n2 qt oil',
    9,
    11_339.8,
  ],
])('a card %s: no line is lost, nothing is doubled, and nothing is left to ask', (_, card, count, flour) => {
  const lines = formulaLines(formulaOf(card));
  expect([lines.length, lines.filter((l) => l.grams === null)]).toEqual([count, []]);
  expect(lines[0]?.grams).toBeCloseTo(flour, 0);
});

test('a list in another size is left out, and that is said; a recipe of its own is asked about', () => {
  const sized = pasted('Crepes\nSingle: 200 g flour, 4 eggs, 400 ml milk\nDouble: 400 g flour, 8 eggs, 800 ml milk');
  expect([sized.entries.length, leftOut(sized)]).toEqual([
    3,
    'The list stands there in another size, too: its 3 lines are left out.',
  ]);
  const two = pasted('Waffles\n250 g flour\n300 ml milk\n2 eggs\n\nThin crepes\n200 g flour\n500 ml milk\n4 eggs');
  expect([two.recipes.map((r) => r.title), leftOut(two)]).toEqual([['Waffles', 'Thin crepes'], null]);
});
