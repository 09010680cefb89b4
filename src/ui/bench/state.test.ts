import { fork } from '@/core/balance/lines';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { entriesFromCard } from '@/core/formula/from-card';
import { FRESH_KITCHEN } from '@/core/formula/kitchen-settings';
import { diffSheet } from './diff';
import { benchReducer } from './reducer';
import { type BenchAction, type BenchState, startBench } from './state';

const run = (...actions: readonly BenchAction[]): BenchState =>
  actions.reduce(benchReducer, startBench({ formula: EMPTY_FORMULA, house: FRESH_KITCHEN }));
const texts = (s: BenchState): readonly string[] => s.formula.entries.map((e) => e.text);

const cardOf = (text: string) => {
  const card = entriesFromCard(text, FRESH_KITCHEN.conventions);
  if (!card.ok) throw new Error(card.message);
  return card.value;
};
const pasted = (text: string): BenchAction => ({ do: 'paste', card: cardOf(text) });
const typed = (text: string): BenchAction => ({ do: 'add', text, card: cardOf(text) });
const CARD = pasted('Weir crepes\n1 cup flour\n1 1/2 cups milk\n2 eggs\nWhisk and rest an hour.');

test('a pasted card names the formula, sets the kind its title speaks of and keeps the method', () => {
  const s = run(CARD);
  expect(s.formula).toMatchObject({
    name: 'Weir crepes',
    kind: 'crepe',
    school: 'sweet',
    cardNotes: 'Whisk and rest an hour.',
  });
  expect(texts(s)).toEqual(['1 cup flour', '1 1/2 cups milk', '2 eggs']);
});

test('typing in one line is one step back; undo and redo go both ways', () => {
  const s = run(
    CARD,
    { do: 'type', key: 'l2', text: '2' },
    { do: 'type', key: 'l2', text: '2 cups' },
    { do: 'type', key: 'l2', text: '2 cups milk' },
    { do: 'take-off', key: 'l3' },
  );
  expect(texts(s)).toEqual(['1 cup flour', '2 cups milk']);
  const back = [1, 2].reduce((x) => benchReducer(x, { do: 'undo' }), s);
  expect(texts(back)).toEqual(['1 cup flour', '1 1/2 cups milk', '2 eggs']);
  const forth = [1, 2].reduce((x) => benchReducer(x, { do: 'redo' }), back);
  expect(texts(forth)).toEqual(['1 cup flour', '2 cups milk']);
  expect(benchReducer(run(), { do: 'undo' }).formula).toBe(EMPTY_FORMULA);
});

test('keys are never used twice', () => {
  const s = run(CARD, { do: 'take-off', key: 'l3' }, typed('1 egg'), typed('1 tsp salt'));
  expect(new Set(s.formula.entries.map((e) => e.key)).size).toBe(4);
});

test('what was chosen for an unknown word goes when the line is typed to something known', () => {
  const s = run(typed('1 cup moondust'), { do: 'choose', key: 'l1', choice: { ingredientId: 'sugar-icing' } });
  expect(benchReducer(s, { do: 'type', key: 'l1', text: '2 cups moondust' }).formula.entries[0]).toMatchObject({
    ingredientId: 'sugar-icing',
  });
  expect(benchReducer(s, { do: 'type', key: 'l1', text: '2 cups flour' }).formula.entries[0]).toEqual({
    key: 'l1',
    text: '2 cups flour',
  });
});

test('grams and percent rewrite the line, each a step back; what changes nothing is no step', () => {
  const s = run(CARD, { do: 'grams', key: 'l1', grams: 187.5 }, { do: 'percent', key: 'l2', percent: 200 });
  // 187.5 g are a cup and a half; 200 % of it is 375 g of milk
  expect(texts(s)).toEqual(['1 1/2 cups flour', '375 g milk', '2 eggs']);
  expect(s.past).toHaveLength(3);
  expect(run(CARD, { do: 'grams', key: 'l1', grams: 0 }).past).toHaveLength(1);
  expect(run(CARD, { do: 'percent', key: 'l1', percent: 50 }).past).toHaveLength(1);
});

test('a line is switched off, moved and taken off; the end looked at lasts as long as there are ends', () => {
  const s = run(CARD, { do: 'switch', key: 'l3', off: true }, { do: 'move', key: 'l3', vessel: 'dry', before: 'l1' });
  expect(s.formula.entries.map((e) => [e.key, e.off, e.vessel])).toEqual([
    ['l3', true, 'dry'],
    ['l1', undefined, undefined],
    ['l2', undefined, undefined],
  ]);
  const forked = benchReducer(s, { do: 'put', formula: fork(s.formula, ['sweet', 'savoury'], ['sweet', 'savoury']) });
  expect(forked.end).toBe('a');
  const other = benchReducer(forked, { do: 'look-at', end: 'b' });
  expect(other.end).toBe('b');
  expect(benchReducer(other, { do: 'undo' }).end).toBeNull();
  expect(benchReducer(benchReducer(other, { do: 'undo' }), { do: 'redo' }).end).toBe('a');
});

test('what a proposal changes: old, new, gone and added lines', () => {
  const { formula } = run(CARD);
  const b = { formula, house: FRESH_KITCHEN, end: null };
  const entries = [
    { key: 'l1', text: '150 g flour' },
    { key: 'l2', text: '1 1/2 cups milk' },
    { key: 'l3', text: '2 eggs', off: true },
    { key: 'l4', text: '10 g sugar' },
  ];
  const d = diffSheet(b, { ...formula, entries });
  expect(d.byKey.get('l1')).toMatchObject({ was: expect.closeTo(125), becomes: 150, goes: false, text: '150 g flour' });
  expect(d.byKey.has('l2')).toBe(false);
  expect(d.byKey.get('l3')).toMatchObject({ goes: true, becomes: null });
  expect(d.added.map((l) => l.text)).toEqual(['10 g sugar']);
  expect(diffSheet(b, { ...formula, portionMl: 80 })).toEqual({ byKey: new Map(), added: [] });
});

test('one line that says several things becomes as many, where it stood; typed, it comes apart by itself', () => {
  const s = run(CARD, { do: 'part', key: 'l2', rows: ['1 tsp salt', '1 tsp cinnamon'] });
  expect(s.formula.entries.map((e) => [e.key, e.text])).toEqual([
    ['l1', '1 cup flour'],
    ['l2', '1 tsp salt'],
    ['l4', '1 tsp cinnamon'],
    ['l3', '2 eggs'],
  ]);
  expect(texts(run(typed('1 tsp each of cinnamon and nutmeg')))).toEqual(['1 tsp cinnamon', '1 tsp nutmeg']);
  expect(texts(run(typed('200 g flour, 2 eggs and 300 ml milk')))).toEqual(['200 g flour', '2 eggs', '300 ml milk']);
  expect(texts(run(typed('2 eggs plus 1 yolk')))).toEqual(['2 eggs plus 1 yolk']);
});

test('a group goes where it is put, and a line dragged out of it is no part of it any more', () => {
  const s = run(pasted('Cakes\n200 g flour\n300 ml milk\nMoonlight:\n20 g honey\n10 g rum'));
  expect(s.formula.entries.map((e) => e.group?.role)).toEqual([undefined, undefined, 'side', 'side']);
  const put = benchReducer(s, { do: 'place', group: 'Moonlight', role: 'batter' });
  expect(put.formula.entries.map((e) => [e.group?.asked, e.vessel])).toEqual(
    Array.from({ length: 4 }, () => [undefined, undefined]),
  );
  const dragged = benchReducer(s, { do: 'move', key: 'l4', vessel: 'wet', before: null });
  expect(dragged.formula.entries.map((e) => e.group?.name)).toEqual([undefined, undefined, 'Moonlight', undefined]);
});

test('sweet and savoury headings fork a formula that has no ends yet', () => {
  const s = run(pasted('Crepes\n250 g flour\n500 ml milk\n3 eggs\nFor sweet:\n20 g sugar\nFor savoury:\n5 g salt'));
  expect(s.formula.ends?.map((e) => [e.name, e.school])).toEqual([
    ['sweet', 'sweet'],
    ['savoury', 'savoury'],
  ]);
});

test('a proposed amount that is typed over, in words or grams, is the cook’s; a ratio that moves it keeps it proposed', () => {
  const s = run(CARD);
  const entries = s.formula.entries.map((e) => ({ ...e, proposed: [0.5, 2] as const }));
  const open: BenchState = { ...s, formula: { ...s.formula, entries } };
  const marks = (x: BenchState) => x.formula.entries.map((e) => e.proposed !== undefined);
  expect(marks(benchReducer(open, { do: 'type', key: 'l2', text: '2 cups milk' }))).toEqual([true, false, true]);
  expect(marks(benchReducer(open, { do: 'grams', key: 'l1', grams: 150 }))).toEqual([false, true, true]);
  expect(marks(benchReducer(open, { do: 'told' }))).toEqual([false, false, false]);
  expect(marks(benchReducer(open, { do: 'choose', key: 'l3', choice: { proposed: undefined } }))).toEqual([
    true,
    true,
    false,
  ]);
});

test('lines that came in while a card was read keep their keys, and so do the card’s', () => {
  const card = cardOf('Cakes\n200 g flour\n300 ml milk');
  const s = run(typed('2 eggs'), typed('5 g salt'), { do: 'paste', card }, { do: 'paste', card });
  expect(texts(s)).toEqual(['2 eggs', '5 g salt', '200 g flour', '300 ml milk', '200 g flour', '300 ml milk']);
  expect(new Set(s.formula.entries.map((e) => e.key)).size).toBe(6);
});

test('a line that nobody could read as a card is one line', () => {
  expect(texts(run({ do: 'add', text: '1 egg and 2 tbsp sugar', card: null }))).toEqual(['1 egg and 2 tbsp sugar']);
});
