import fc from 'fast-check';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { FRESH_KITCHEN } from '@/core/formula/kitchen-settings';
import { type Desk, deskReducer, deskWith, engine } from './desk';
import { benchReducer } from './reducer';
import { type BenchAction, startBench } from './state';

const CARD = {
  ...EMPTY_FORMULA,
  entries: [
    { key: 'l1', text: '2 cups flour' },
    { key: 'l2', text: '1 cup moondust', ingredientId: 'sugar-icing' },
    { key: 'l3', text: '2 eggs' },
  ],
};
const start = startBench({ formula: CARD, house: FRESH_KITCHEN });

const key = fc.constantFrom('l1', 'l2', 'l3');
const act: fc.Arbitrary<BenchAction> = fc.oneof(
  fc.record({ do: fc.constant('type' as const), key, text: fc.constantFrom('2 c', '250 g flour', '1 cup milk', '3 eggs') }),
  fc.record({ do: fc.constant('set' as const), part: fc.constantFrom({ name: 'Weir cakes' }, { cardNotes: 'Rest it.' }), place: fc.constant('name') }),
  fc.record({ do: fc.constant('switch' as const), key, off: fc.boolean() }),
  fc.record({ do: fc.constant('take-off' as const), key }),
  fc.record({ do: fc.constant('add' as const), text: fc.constantFrom('1 tsp salt', '30 g sugar') }),
  fc.record({ do: fc.constant('grams' as const), key, grams: fc.integer({ min: 1, max: 400 }) }),
  fc.constant<BenchAction>({ do: 'undo' }),
);

// in this order: once what works on a formula has been fetched, it is here for good
test('until it can be worked, letters are seen, a line typed anew is not what was chosen for its old words, and the rest waits', () => {
  const acts: readonly BenchAction[] = [
    { do: 'type', key: 'l2', text: '1 cup milk' },
    { do: 'set', part: { name: 'Weir cakes' }, place: 'name' },
    { do: 'take-off', key: 'l1' },
  ];
  const d = acts.reduce(deskReducer, deskWith(start));
  expect(d.state.formula.name).toBe('Weir cakes');
  expect(d.state.formula.entries).toEqual([CARD.entries[0], { key: 'l2', text: '1 cup milk' }, CARD.entries[2]]);
  expect(d.waiting).toHaveLength(3);
  // nothing can be worked yet
  expect(deskReducer(d, { do: 'settle' })).toBe(d);
});

test('what waited comes out as if nothing had to wait, and in its turn', async () => {
  const lists = fc.sample(fc.array(act, { maxLength: 8 }), { numRuns: 200, seed: 7 });
  const waiting = lists.map((acts) => acts.reduce(deskReducer, deskWith(start)));
  expect(engine.here()).toBeNull();
  await engine.load();
  lists.forEach((acts, i) => {
    const settled = deskReducer(waiting[i] as Desk, { do: 'settle' });
    const straight = acts.reduce(benchReducer, start);
    expect(settled.waiting).toHaveLength(0);
    expect({ formula: settled.state.formula, past: settled.state.past, future: settled.state.future }).toEqual({
      formula: straight.formula,
      past: straight.past,
      future: straight.future,
    });
    // an act that comes first finds it worked already
    const on: BenchAction = { do: 'add', text: '10 g oil' };
    expect(deskReducer(waiting[i] as Desk, on).state.formula).toEqual(benchReducer(straight, on).formula);
  });
});
