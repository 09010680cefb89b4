import { FRESH_UNITS } from '@/core/quantity/say';
import { canAddWay, canDropWay, changeOf, NEW_WAY, trialAsked, type WayTyped } from './trial.state';

const way = (part: Partial<WayTyped>): WayTyped => ({ ...NEW_WAY, ...part });
const said = (part: Partial<WayTyped>) => changeOf(way(part), FRESH_UNITS);

test.each([
  [{ sort: 'line' }, { wrong: 'Pick a line.' }],
  [{ sort: 'line', key: 'l2', text: ' ' }, { wrong: 'Write what it is to be.' }],
  [{ sort: 'line', key: 'l2', text: ' 60 g oil ' }, { change: { do: 'line', key: 'l2', text: '60 g oil' } }],
  [{ sort: 'leave', key: 'l2' }, { change: { do: 'leave', key: 'l2' } }],
  [{ sort: 'add', text: '1 tsp malt' }, { change: { do: 'add', text: '1 tsp malt' } }],
  [
    { sort: 'way', way: 'rest', value: 'hour' },
    { change: { do: 'edit', edit: { do: 'way', act: 'rest', value: 'hour' } } },
  ],
  [{ sort: 'way' }, { wrong: 'Pick another way.' }],
  [{ sort: 'act' }, { wrong: 'Pick a step.' }],
  [{ sort: 'act', act: 'preheat' }, { wrong: 'Write the minutes or the degrees.' }],
  [{ sort: 'act', act: 'preheat', minutes: 'x' }, { wrong: 'Minutes: a number, more than nothing.' }],
  [{ sort: 'act', act: 'preheat', degrees: '900' }, { wrong: 'No heat of a kitchen.' }],
  [
    { sort: 'act', act: 'preheat', minutes: '10', degrees: '190' },
    { change: { do: 'edit', edit: { do: 'set', act: 'preheat', minutes: 10, heatC: 190 } } },
  ],
  [{ sort: 'portion', ml: '90 ml' }, { change: { do: 'portion', ml: 90 } }],
  [{ sort: 'portion', ml: '' }, { wrong: 'A number of millilitres.' }],
  [{ sort: 'version', version: '3' }, { change: { do: 'version', number: 3 } }],
  [{ sort: 'version' }, { wrong: 'Pick a version.' }],
] as const)('%j means %j', (part, expected) => expect(said(part)).toEqual(expected));

test('degrees are read in the house’s own', () => {
  expect(changeOf(way({ sort: 'act', act: 'preheat', degrees: '374' }), { ...FRESH_UNITS, temperature: 'F' })).toEqual({
    change: { do: 'edit', edit: { do: 'set', act: 'preheat', heatC: 190 } },
  });
});

test('what is wrong is told at its place, and the first way is as written', () => {
  const typed = { ways: [way({ sort: 'leave', key: 'l2' }), way({})], pieces: '6.5', portion: '', maker: ' Marta ' };
  expect(trialAsked(typed, FRESH_UNITS)).toEqual({
    errors: { 'changes.2': 'Pick a line.', pieces: 'A whole number.', portionMl: 'A number of millilitres.' },
  });
  expect(trialAsked({ ...typed, ways: typed.ways.slice(0, 1), pieces: '6', portion: '60' }, FRESH_UNITS)).toEqual({
    asked: { changes: [{ do: 'same' }, { do: 'leave', key: 'l2' }], pieces: 6, portionMl: 60, maker: 'Marta' },
  });
});

test('a trial has two to four ways', () => {
  const of = (n: number) => ({ ways: Array.from({ length: n }, () => NEW_WAY) });
  expect([1, 2, 3].map((n) => canDropWay(of(n)))).toEqual([false, true, true]);
  expect([1, 2, 3].map((n) => canAddWay(of(n)))).toEqual([true, true, false]);
});
