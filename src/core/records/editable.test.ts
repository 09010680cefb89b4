import { pathWords, SHAPES, sideWords } from './editable';
import { merge } from './merge';

test.each([
  ['price', 'price'],
  ['bestBefore', 'best before'],
  ['marks:tall', 'mark tall'],
  ['scales.crumb', 'scale crumb'],
  ['moved.rest', 'a moved step rest'],
  ['packet.allergens:egg', 'allergen egg'],
  ['packet.fatG', 'fat'],
  ['settings.powders.milk', 'powder milk'],
  ['conventions.flourFill', 'flour fill'],
  ['gear:long', 'gear long'],
])('the path %s is called "%s"', (path, words) => expect(pathWords(path)).toBe(words));

test('a side is said as a cook reads it', () => {
  expect([null, undefined, '', true, false, 12, 'good'].map(sideWords)).toEqual([
    'nothing',
    'nothing',
    'nothing',
    'yes',
    'no',
    '12',
    'good',
  ]);
  expect(sideWords({ id: 'long', sort: 'griddle', name: 'Long one', wideCm: 90, deepCm: 45 })).toBe(
    'Long one, wide cm 90, deep cm 45',
  );
  expect(sideWords({ ingredientId: 'honey', parts: 2 })).toBe('ingredient id honey, part 2');
});

test('every row that is edited is parted so that two changes of different fields never meet', () => {
  const rows: readonly (readonly [keyof typeof SHAPES, object, object, object])[] = [
    ['stock', { price: 1, packG: 2, opened: null, bestBefore: null }, { price: 3 }, { bestBefore: '2027-01-01' }],
    [
      'thing',
      { name: 'a', packet: { by: 'panel', fatG: 1, allergens: ['milk'] } },
      { name: 'b' },
      { packet: { by: 'panel', fatG: 1, allergens: ['milk', 'egg'] } },
    ],
    [
      'side',
      { name: 'a', by: 'weight', servingG: 5, method: '', parts: [{ ingredientId: 'x', parts: 1 }] },
      { method: 'Whip.' },
      { servingG: 8 },
    ],
    [
      'serving',
      { at: 1, anchor: 'last', helpers: 0, dayOneAt: null, moved: {} },
      { helpers: 2 },
      { moved: { rest: 5 } },
    ],
    [
      'outcome',
      { pieces: 1, verdict: 'good', note: '', waste: null, change: '', marks: [], scales: {} },
      { marks: ['dry'] },
      { scales: { crumb: 2 } },
    ],
    [
      'target',
      { scales: { crumb: 4 }, heightMm: null, acrossMm: null, note: '' },
      { scales: { crumb: 4, colour: 3 } },
      { heightMm: 18 },
    ],
    [
      'premix',
      { name: 'a', settings: { bagG: 500, months: null, storage: '', powders: { milk: true } } },
      { name: 'b' },
      { settings: { bagG: 500, months: 4, storage: '', powders: { milk: true } } },
    ],
    [
      'morning',
      { name: '', waves: [{ at: 450, covers: 28 }], people: [{ name: 'Wren', to: 600 }], ovens: 1 },
      { waves: [{ at: 450, covers: 40 }] },
      { people: [{ name: 'Wren', to: 660 }] },
    ],
    [
      'house',
      { conventions: { cup: 'metric' }, gear: [{ id: 'a' }], drawer: ['cup 1'] },
      { drawer: ['cup 1', 'tsp 1'] },
      { gear: [{ id: 'a' }, { id: 'b' }] },
    ],
  ];
  expect(new Set(rows.map((r) => r[0])).size).toBe(Object.keys(SHAPES).length);
  for (const [name, base, mine, theirs] of rows) {
    const m = merge(base, { ...base, ...mine }, { ...base, ...theirs }, SHAPES[name]);
    expect([name, m.clashes]).toEqual([name, []]);
    expect(m.value).toMatchObject({ ...mine, ...theirs });
    expect(m.taken.length).toBeGreaterThan(0);
  }
});
