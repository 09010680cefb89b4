import { EMPTY_FORMULA } from '@/core/formula/formula';
import { FRESH_KITCHEN } from '@/core/formula/ways';
import { type BenchAction, type BenchState, benchReducer, startBench } from './state';

const run = (...actions: readonly BenchAction[]): BenchState => actions.reduce(benchReducer, startBench({ formula: EMPTY_FORMULA, house: FRESH_KITCHEN }));
const texts = (s: BenchState): readonly string[] => s.formula.entries.map((e) => e.text);

const CARD: BenchAction = { do: 'paste', text: 'Weir crepes\n1 cup flour\n1 1/2 cups milk\n2 eggs\nWhisk and rest an hour.' };

test('a pasted card names the formula, sets the kind its title speaks of and keeps the method', () => {
  const s = run(CARD);
  expect(s.formula).toMatchObject({ name: 'Weir crepes', kind: 'crepe', school: 'sweet', cardNotes: 'Whisk and rest an hour.' });
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
  const s = run(CARD, { do: 'take-off', key: 'l3' }, { do: 'add', text: '1 egg' }, { do: 'add', text: '1 tsp salt' });
  expect(new Set(s.formula.entries.map((e) => e.key)).size).toBe(4);
});

test('what was chosen for an unknown word goes when the line is typed to something known', () => {
  const s = run({ do: 'add', text: '1 cup moondust' }, { do: 'choose', key: 'l1', choice: { ingredientId: 'sugar-icing' } });
  expect(benchReducer(s, { do: 'type', key: 'l1', text: '2 cups moondust' }).formula.entries[0]).toMatchObject({ ingredientId: 'sugar-icing' });
  expect(benchReducer(s, { do: 'type', key: 'l1', text: '2 cups flour' }).formula.entries[0]).toEqual({ key: 'l1', text: '2 cups flour' });
});
