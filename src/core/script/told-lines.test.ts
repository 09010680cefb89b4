/** Where a card's method puts its lines: offered to the cook, and on the sheet and in the script once it is taken. */
import { editEntry } from '../balance/bench';
import { asRows } from '../balance/lines';
import { planOf } from '../batch/plan-of';
import { scriptOfBatch } from '../batch/script-of';
import { sheetGroups } from '../batch/sheet-groups';
import { ONE } from '../batch/split';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { entriesFromCard } from '../formula/from-card';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { formulaLines } from '../formula/lines';
import { offersFrom } from '../formula/offers';
import { withCard } from '../formula/pasted';
import { findIngredient } from '../pantry/pantry';
import { lineOffers } from './told-lines';

const find = (id: string) => findIngredient(id);
const { conventions } = FRESH_KITCHEN;

function pasted(text: string): Formula {
  const card = entriesFromCard(text, conventions);
  if (!card.ok) throw new Error(card.message);
  return withCard(EMPTY_FORMULA, card.value);
}
const offers = (f: Formula) => lineOffers(formulaLines(f, FRESH_KITCHEN), f.cardNotes, conventions, find);
/** The formula with all that its method offers, taken. */
const taken = (f: Formula): Formula =>
  offers(f).reduce((g, o) => {
    if (o.what === 'rows') return asRows(g, o.key, o.rows);
    return o.what === 'moment' ? editEntry(g, o.key, { moment: o.moment }) : g;
  }, f);

function made(f: Formula) {
  const p = planOf({
    formula: f,
    house: FRESH_KITCHEN,
    end: null,
    driver: { by: 'factor', factor: 1 },
    split: ONE,
    eggs: null,
    exactness: 'gram',
    portionMl: f.kind === 'oven' ? 400 : 60,
    sides: [],
  });
  if (!p.ok) throw new Error(p.error.message);
  const { acts } = scriptOfBatch({ sheet: p.value.sheet, kind: f.kind, school: f.school }, p.value.ways, find);
  const groups = sheetGroups(p.value.sheet, { acts }).map((g) => [
    g.name,
    ...g.lines.map((l) => `${l.name} ${l.grams}`),
  ]);
  return { groups, acts };
}

const APPLES = `Winter oven pancake
120 g flour
240 g milk
4 eggs
2 g salt
50 g butter
2 apples
Fry the sliced apples in 20 g of the butter in the skillet for 5 minutes. Heat the oven to 220 C with the skillet and the rest of the butter. Blend flour, milk and eggs, rest 20 minutes, pour over the apples and bake 20 minutes.`;

test('apples fried first stand apart, their butter is the pan’s, and the batter goes over them', () => {
  const f = pasted(APPLES);
  expect(offers(f).map((o) => o.says)).toEqual(['unsalted butter: for the pan', 'apple: fried first, in the pan']);
  const { groups, acts } = made(taken(f));
  const names = groups.map(([name]) => name);
  expect(names).toEqual(['Dry bowl', 'Wet bowl', 'Fried first, in the pan', 'For the pan']);
  expect(groups.find(([n]) => n === 'For the pan')?.[1]).toBe('Unsalted butter 50');
  const fry = acts.find((a) => a.verb === 'fry first');
  expect(fry?.takes.map((t) => t.id)).toEqual(['l6']);
  // the batter is poured over what was fried
  expect(acts.find((a) => a.verb === 'pour')?.takes.map((t) => t.id)).toContain(fry?.gives[0]);
  // taken, nothing of it is offered again
  expect(offers(taken(f)).filter((o) => o.what === 'rows')).toEqual([]);
});

test('butter browned, half for the batter and half for the pan: two lines of half', () => {
  const f = pasted(`Brown butter cakes
250 g flour
10 g baking powder
400 g milk
2 eggs
60 g butter, browned
Brown the butter. Whisk half of it into the wet; half of the butter is for the pan.`);
  expect(offers(f)).toMatchObject([
    { what: 'rows', rows: ['30 g butter, browned', '30 g unsalted butter for the pan'] },
  ]);
  const { groups, acts } = made(taken(f));
  expect(groups.find(([n]) => n === 'Wet bowl')).toContain('Unsalted butter 30');
  expect(groups.find(([n]) => n === 'For the pan')).toEqual(['For the pan', 'Unsalted butter 30']);
  expect(acts.find((a) => a.verb === 'brown')?.takes).toEqual([{ of: 'line', id: 'l5', share: 1 }]);
});

test('a yeast batter overnight with soda in the morning: soda and eggs wait for the rest, on sheet and in script', () => {
  const f = pasted(`Overnight yeast cakes
300 g flour
450 g milk
3 g dry yeast
2 eggs
4 g salt
2 g baking soda
Stir flour, milk and yeast, leave overnight in the cold. In the morning beat in the eggs and stir in the soda.`);
  const { groups, acts } = made(taken(f));
  expect(groups.find(([n]) => n === 'After the rest')?.slice(1)).toEqual(['Baking soda 2', 'Large egg (2) 100']);
  expect(groups.find(([n]) => n === 'Dry bowl')?.join()).not.toContain('soda');
  const verbs = acts.map((a) => a.verb);
  expect(verbs.indexOf('rest')).toBeLessThan(verbs.indexOf('stir in'));
  expect(acts.find((a) => a.verb === 'stir in')?.takes.map((t) => t.id)).toEqual(expect.arrayContaining(['l4', 'l6']));
  // what only waits is no add-in: it is said in other words than blueberries are
  expect(acts.find((a) => a.verb === 'stir in')?.says[0]?.do).toMatch(/^Stir in the /);
});

test('what is denied, left to taste or another’s way is not offered', () => {
  for (const notes of [
    'Some fry the apples first; I do not.',
    'Do not fry the apples first.',
    'My aunt keeps half of the butter for the pan.',
  ])
    expect(offers(pasted(`Cakes\n200 g flour\n50 g butter\n2 apples\n300 g milk\n2 eggs\n${notes}`))).toEqual([]);
});

test.each([
  [
    'Blend all but the butter. Heat the oven to 220 C with the skillet inside. Butter into the hot skillet, batter in, 20 minutes.',
    true,
  ],
  ['Whizz it. Oven 220. Melt the butter in the hot tin and pour the batter in. Bake 20 minutes.', true],
  // in the batter too, or greased with some of it: which, nobody says
  ['Whisk in the butter. Oven at 220, a little butter in the hot pan, pour, bake 20 minutes.', false],
  ['Butter in the pan, pour, two minutes, flip, one minute.', false],
] as const)('%s: the butter is the pan’s: %s', (method, isPans) => {
  const f = pasted(`Weir oven pancake\n120 g flour\n240 ml milk\n4 eggs\n50 g butter\n\n${method}`);
  const rows = offers(f).flatMap((o) => (o.what === 'rows' ? o.rows : []));
  expect(rows.some((r) => /50 g .*butter for the pan/i.test(r))).toBe(isPans);
});

/** A card with a bit of everything, in four languages. */
const LISTS = {
  de: 'Pfannkuchen\n\nZutaten\n200 g Mehl\n300 ml Milch\n3 Eier\n40 g Zucker\n50 g Butter\n2 Äpfel\n100 g Heidelbeeren\n2 Bananen\n3 g Natron\n\nZubereitung\n',
  fr: 'Galettes\n\nIngrédients\n200 g de farine\n300 ml de lait\n3 œufs\n40 g de sucre\n50 g de beurre\n2 pommes\n100 g de myrtilles\n2 bananes\n3 g de bicarbonate\n\nPréparation\n',
  es: 'Tortitas\n\nIngredientes\n200 g de harina\n300 ml de leche\n3 huevos\n40 g de azúcar\n50 g de mantequilla\n2 manzanas\n100 g de arándanos\n2 plátanos\n3 g de bicarbonato\n\nPreparación\n',
  en: 'Cakes\n\nIngredients\n200 g flour\n300 ml milk\n3 eggs\n40 g sugar\n50 g butter\n2 apples\n100 g blueberries\n2 bananas\n3 g baking soda\n\nMethod\n',
} as const;

test.each([
  ['de', 'Eiweiß mit dem Zucker steif schlagen, unterheben.', ['granulated sugar: whipped with the whites']],
  [
    'de',
    'Die Eiweiße steif schlagen, dabei den Zucker einrieseln lassen.',
    ['granulated sugar: whipped with the whites'],
  ],
  ['de', 'Eigelb mit dem Zucker schaumig rühren. Eiweiß steif schlagen und unterheben.', []],
  ['de', 'Die Apfelscheiben in etwas Butter anbraten, den Teig darübergießen.', ['apple: fried first, in the pan']],
  [
    'de',
    'Teig in die Pfanne geben und die Heidelbeeren darauf streuen.',
    ['blueberries: sprinkled on the poured face'],
  ],
  ['de', 'Kurz vor dem Wenden mit Bananenscheiben belegen.', ['banana: just before the flip']],
  ['de', 'Den Teig 30 Minuten quellen lassen. Die Heidelbeeren unterheben.', ['blueberries: in after the rest']],
  ['de', 'Über Nacht kalt stellen. Am Morgen das Natron unterrühren.', ['baking soda: in after the rest']],
  ['de', 'Die Butter bräunen und abkühlen lassen.', ['unsalted butter: browned']],
  ['de', 'Die Hälfte der Butter in die Pfanne geben.', ['25 g of the unsalted butter is for the pan']],
  ['de', 'Manche braten die Äpfel vorher an, ich nicht.', []],
  ['fr', 'Montez les blancs en neige avec le sucre.', ['granulated sugar: whipped with the whites']],
  ['fr', 'Mélanger les jaunes et le sucre. Battre les blancs en neige et les incorporer.', []],
  ['fr', 'Faire revenir les pommes dans un peu de beurre. Verser la pâte dessus.', ['apple: fried first, in the pan']],
  ['fr', 'Verser une louche de pâte, parsemer de myrtilles et cuire.', ['blueberries: sprinkled on the poured face']],
  ['fr', 'Juste avant de retourner, disposez les rondelles de bananes.', ['banana: just before the flip']],
  ['fr', 'Faire un beurre noisette.', ['unsalted butter: browned']],
  ['fr', 'La moitié du beurre est pour la poêle.', ['25 g of the unsalted butter is for the pan']],
  ['fr', 'Retourner la crêpe, poser dessus les pommes, plier.', []],
  ['es', 'Montar las claras a punto de nieve con el azúcar.', ['granulated sugar: whipped with the whites']],
  ['es', 'Saltear las manzanas en un poco de mantequilla. Verter la masa encima.', ['apple: fried first, in the pan']],
  ['es', 'Verter la masa, esparcir los arándanos por encima.', ['blueberries: sprinkled on the poured face']],
  ['es', 'Justo antes de dar la vuelta, poner las rodajas de plátano.', ['banana: just before the flip']],
  ['es', 'Dejar reposar 20 minutos. Incorporar los arándanos al final.', ['blueberries: in after the rest']],
  ['es', 'La mitad de la mantequilla es para la sartén.', ['25 g of the unsalted butter is for the pan']],
  ['en', 'Beat the whites to soft peaks, then rain in the sugar.', ['granulated sugar: whipped with the whites']],
  ['en', 'Lay the banana slices in the pan first, pour over the batter.', ['banana: fried first, in the pan']],
] as const)('%s: %s', (language, method, says) => {
  const f = pasted(LISTS[language] + method);
  const lines = formulaLines(f, FRESH_KITCHEN);
  const late = offersFrom(f.cardNotes, lines, conventions);
  expect([...offers(f), ...late].flatMap((o) => (o.what === 'rows' || o.what === 'moment' ? [o.says] : []))).toEqual(
    says,
  );
});
