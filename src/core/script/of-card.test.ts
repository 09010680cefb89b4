import { notesOn, readCard } from '../card/card';
import { factsTold } from '../card/told/told';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { findIngredient } from '../pantry/pantry';
import { COMMON } from '../testing/common';
import type { ScriptAct } from './act';
import { actsOfCard } from './of-card';

function actsOf(text: string): readonly ScriptAct[] {
  const card = readCard(text, FRESH_CONVENTIONS);
  if (!card.ok) throw new Error(card.error.message);
  const { title, lines } = card.value;
  return actsOfCard(
    {
      title: title ?? '',
      lines: lines.map((l) => ({ ...l, key: String(l.lineNumber) })),
      notes: notesOn(card.value),
      facts: factsTold(notesOn(card.value), FRESH_CONVENTIONS),
    },
    FRESH_CONVENTIONS,
    (id) => findIngredient(id),
  );
}
const act = (acts: readonly ScriptAct[], verb: string): ScriptAct | undefined => acts.find((a) => a.verb === verb);

const LINES = '250 g flour\n12 g baking powder\n3 g salt\n3 eggs, separated\n30 g sugar\n400 ml milk\n110 g butter';
const WAFFLES = `Lock-keeper's waffles\n${LINES}\n\n`;

test('what the card tells stands over the kind’s usual, with its words', () => {
  const acts = actsOf(
    `${WAFFLES}Melt the butter and let it cool ten minutes. Whip the whites to firm peaks and fold them in in thirds. Heat the iron to 190 C. Pour 120 ml each.`,
  );
  expect(acts.map((a) => `${a.id}: ${a.from}`)).toEqual([
    'let warm egg and whole milk: usual',
    'melt butter: usual',
    'cool butter: told',
    'separate eggs: usual',
    'whisk dry: usual',
    'whisk wet: usual',
    'combine dry and wet: usual',
    'rest batter: usual',
    'whip whites: told',
    'fold foam: told',
    'preheat iron: told',
    'grease iron: usual',
    'pour waffles: told',
    'bake piece: usual',
    'plate piece: usual',
  ]);
  expect(act(acts, 'preheat')).toMatchObject({ heatC: [190, 190], words: 'Heat the iron to 190 C' });
  expect(act(acts, 'pour')).toMatchObject({ portionMl: 120 });
  // the bowls: flour, powder, salt and sugar; milk with the yolks and the cooled butter
  expect(act(acts, 'whisk')?.takes.map((t) => t.id)).toEqual(['2', '3', '4', '6']);
  expect(acts.find((a) => a.id === 'whisk wet')?.takes.map((t) => t.id)).toEqual(['7', 'yolks', 'cooled fat']);
});

test('a rest that is denied is no act; one that is told is as long as it is told', () => {
  const cakes = 'Cakes\n2 cups flour\n1 tbsp baking powder\n1 3/4 cups milk\n2 eggs\n';
  expect(act(actsOf(`${cakes}\nNo need to rest it.`), 'rest')).toBeUndefined();
  expect(act(actsOf(`${cakes}\nRest it a quarter of an hour.`), 'rest')).toMatchObject({
    minutes: { all: 15, hands: 0 },
    from: 'told',
    words: 'Rest it a quarter of an hour',
  });
  // another's way is no act
  expect(act(actsOf(`${cakes}\nMy sister rests hers overnight.`), 'rest')).toMatchObject({ from: 'usual' });
});

test('minutes a side, and what is put on before the turn', () => {
  const acts = actsOf(
    'Cakes\n2 cups flour\n1 tbsp baking powder\n1 3/4 cups milk\n2 eggs\n50 g chocolate chips\n\nCook three minutes, then about two on the other side. Sprinkle the chocolate chips on just before you turn them.',
  );
  expect([act(acts, 'turn')?.minutes?.all, act(acts, 'take off')?.minutes?.all]).toEqual([3, 2]);
  expect(act(acts, 'put on')?.takes.map((t) => t.id)).toEqual(['griddle cakes, poured', '6']);
});

const taken = (acts: readonly ScriptAct[], id: string) =>
  acts.find((a) => a.id === id)?.takes.map((t) => `${t.id}${t.share === 1 ? '' : ` ${t.share.toFixed(2)}`}`);

test('apples fried first in the pan the batter goes into, in a part of the butter; the rest of it for the pan', () => {
  const acts = actsOf(
    `Winter oven pancake with apples
3 eggs
120 g flour
180 ml milk
50 g butter
2 apples, sliced

Heat the oven to 220 C with the skillet in it. Fry the apples in 20 g of the butter in the skillet for 5 minutes. Blend eggs, milk and flour until smooth and let it stand 20 minutes. Melt the rest of the butter in the hot skillet, pour the batter over the apples and bake 20 minutes.`,
  );
  // 20 g of 50 g of butter are 0.4 of it
  expect(taken(acts, 'fry first apple')).toEqual(['6', '5 0.40']);
  expect(act(acts, 'fry first')).toMatchObject({ minutes: { all: 5, hands: 5 }, vessel: 'oven', from: 'told' });
  expect(taken(acts, 'grease oven')).toEqual(['5 0.60']);
  expect(taken(acts, 'pour oven pancakes')).toEqual(['batter 2', 'fried apple']);
  expect(act(acts, 'melt')).toBeUndefined();
  expect(act(acts, 'rest')).toMatchObject({ minutes: { all: 20, hands: 0 } });
});

test('whites that only the method whips, with the sugar beaten in', () => {
  const acts = actsOf(
    'Souffle cakes\n2 egg yolks\n20 ml milk\n30 g cake flour\n1/2 tsp baking powder\n3 egg whites\n25 g sugar\n\nWhisk yolks with milk, sift in the flour and powder. Whip the whites with the sugar to stiff peaks. Fold a third of the whites in, then the rest.',
  );
  expect(taken(acts, 'whip whites')).toEqual(['6', '7']);
  expect(act(acts, 'whip')).toMatchObject({ until: 'firm peaks', from: 'told' });
  expect(act(acts, 'fold')?.after).toContain('whip whites');
});

test('a yeast batter overnight on the counter, egg and soda in the morning', () => {
  const acts = actsOf(
    'Overnight waffles\n2 cups milk, warmed\n1 stick butter, melted\n2 tsp yeast\n2 cups flour\n1 tsp sugar\n2 eggs\n1/4 tsp baking soda\n\nThe night before, stir it all together but for eggs and soda. Cover and leave on the counter overnight. In the morning beat in the eggs and the soda. Bake in a hot waffle iron 5 minutes.',
  );
  expect(act(acts, 'rest')).toMatchObject({ minutes: { all: 720, hands: 0 }, vessel: 'counter', from: 'told' });
  expect(taken(acts, 'stir in large egg, baking soda')).toEqual(['batter 2', '7', '8']);
});

test('a rest in the cold, and pieces held warm at the heat that is told', () => {
  const acts = actsOf(
    'Crepes\n250 g flour\n500 ml milk\n4 eggs\n\nChill 1 hour. Pour 60 ml, swirl, cook 1 minute, turn, 30 seconds. Keep warm in a 95 C oven.',
  );
  expect(act(acts, 'rest')).toMatchObject({ minutes: { all: 60, hands: 0 }, vessel: 'cold' });
  expect(act(acts, 'pour')).toMatchObject({ portionMl: 60, from: 'told' });
  expect(act(acts, 'hold')).toMatchObject({ heatC: [95, 95], takes: [{ id: 'crepes' }] });
});

test('how many at a time is of the pouring; the batter is strained behind the mixing, before it rests', () => {
  const crepes = actsOf(
    'Crepes\n250 g flour\n500 ml milk\n4 eggs\n\nWhisk until smooth, strain. Rest 30 minutes. Two at a time, 60 ml each.',
  );
  expect(act(crepes, 'pour')).toMatchObject({ load: 2, from: 'told', says: [{ do: '2 at a time.' }] });
  const order = crepes.map((a) => a.id);
  expect(order.indexOf('do strain the batter')).toBeGreaterThan(order.indexOf('combine batter'));
  expect(order.indexOf('do strain the batter')).toBeLessThan(order.indexOf('rest batter'));
  expect(act(crepes, 'do')).toMatchObject({ minutes: { all: 2, hands: 2 }, words: 'strain' });
  const ifLumpy = actsOf('Crepes\n250 g flour\n500 ml milk\n4 eggs\n\nStrain it if lumpy.');
  expect(act(ifLumpy, 'do')).toBeUndefined();
});

test('a second rest of the batter stands before the pouring, as long as it is told; one rest stands once', () => {
  const twice = actsOf(
    'Griddle cakes\n250 g flour\n7 g yeast\n400 ml milk\n2 eggs\n\nStir it all, let rise 1 hour. Stir down and rest 15 minutes more. Cook on a griddle at 190 C, 60 ml each.',
  );
  expect(act(twice, 'rest')).toMatchObject({ minutes: { all: 60, hands: 0 } });
  expect(act(twice, 'do')).toMatchObject({
    of: 'let the batter stand once more',
    minutes: { all: 15, hands: 0 },
    from: 'told',
  });
  const order = twice.map((a) => a.id);
  expect(order.indexOf('do let the batter stand once more')).toBe(order.indexOf(act(twice, 'pour')?.id ?? '') - 1);
  // the second begins when the first is over
  expect(act(twice, 'do')).toMatchObject({ after: ['rest batter'], per: 'mix' });
  const once = actsOf('Cakes\n250 g flour\n2 tsp baking powder\n300 ml milk\n\nWhisk, rest 15 minutes. 60 ml each.');
  expect(act(once, 'do')).toBeUndefined();
});

test('whites that the method alone whips are whipped and folded in, in every language', () => {
  const verbs = (card: string): readonly string[] => actsOf(card).map((a) => a.verb);
  for (const card of [
    'Cakes\n250 g flour\n2 tsp baking powder\n2 eggs\n300 ml milk\n\nSeparate the eggs. Whip the whites to firm peaks and fold them in.',
    'Pfannkuchen\n250 g Mehl\n2 Eier\n300 ml Milch\n\nEier trennen. Eiweiß steif schlagen und unterheben.',
    'Pancakes\n250 g de farine\n2 œufs\n30 cl de lait\n\nSéparez les blancs des jaunes. Montez les blancs en neige et incorporez-les.',
    'Tortitas\n250 g de harina\n2 huevos\n300 ml de leche\n\nMontar las claras a punto de nieve e incorporarlas.',
  ]) {
    expect([card, verbs(card)]).toEqual([card, expect.arrayContaining(['separate', 'whip', 'fold'])]);
  }
  expect(verbs('Cakes\n250 g flour\n2 eggs\n300 ml milk\n\nDon’t whip the whites.')).not.toContain('whip');
});

test('a card of no kind that is known has no acts', () => {
  expect(actsOf('Note\n1 onion')).toEqual([]);
});

test('two heats of one thing: the second is what it is changed to; of two things each has its own', () => {
  const oven = actsOf(
    'Oven one\n150 g flour\n240 ml milk\n4 eggs\n40 g butter for the pan\nHeat the oven to 220 C with the pan in it. Bake 10 minutes, then turn it down to 180 C for another 10.',
  );
  expect(act(oven, 'preheat')).toMatchObject({ heatC: [220, 220], thenC: 180 });
  const alone = actsOf(
    'Oven one\n150 g flour\n240 ml milk\n4 eggs\n40 g butter for the pan\nOven at 220 C, the pan in it. 15 minutes, and 5 more at 160 C in the oven.',
  );
  expect(act(alone, 'preheat')).toMatchObject({ heatC: [220, 220], thenC: 160 });
  expect(act(oven, 'bake')).toMatchObject({ minutes: { all: 20 } });
  const iron = actsOf(
    'Waffles\n300 g flour\n300 g milk\n2 eggs\n12 g baking powder\nIron at 200 C. Keep warm in the oven at 90 C.',
  );
  expect(act(iron, 'preheat')).toMatchObject({ heatC: [200, 200], thenC: null });
});

test('a dial is a note on the act that heats, with the card’s words behind it', () => {
  const acts = actsOf('Griddle cakes\n300 g flour\n300 g milk\n2 eggs\n12 g baking powder\nCook over medium-low heat.');
  expect(act(acts, 'preheat')).toMatchObject({ note: 'dial at medium low' });
});

test('law: of every common card each line that is read is taken once, and nothing before it is given', () => {
  for (const c of COMMON) {
    const text = `${c.name}\n${c.lines.join('\n')}`;
    const acts = actsOf(text);
    if (acts.length === 0) continue;
    const given = new Set<string>();
    for (const a of acts) {
      for (const t of a.takes) if (t.of === 'mix') expect([c.name, given.has(t.id)]).toEqual([c.name, true]);
      for (const g of a.gives) given.add(g);
    }
    const card = readCard(text, FRESH_CONVENTIONS);
    const read = card.ok
      ? card.value.lines.filter((l) => l.ingredient && l.side === null).map((l) => String(l.lineNumber))
      : [];
    const taken = acts.flatMap((a) => a.takes.flatMap((t) => (t.of === 'line' ? [t.id] : [])));
    expect([c.name, [...taken].sort()]).toEqual([c.name, [...read].sort()]);
  }
});
