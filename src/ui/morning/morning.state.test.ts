/** A morning as it is typed: what is sent of it, and what is wrong at its place. */
import { morningPlanSchema } from '@/contract/morning';
import type { MorningPlan } from '@/core/morning/plan';
import { arrivalsRead, blankDish, comes, coversTyped, freshMorning, morningTyped, readMorning } from './morning.state';

const ID = '0c08fcbc-0d68-4e85-bce1-9e30bcb6eaab';
const PLAN: MorningPlan = {
  name: 'Regatta breakfast',
  day: '2026-12-05',
  waves: [
    { at: 450, covers: 28 },
    { at: 500, covers: 30 },
  ],
  dishes: [
    { id: 'd1', formulaId: ID, end: null, each: 2, of: { share: 0.6 }, without: [] },
    { id: 'd2', formulaId: ID, end: 'b', each: 1.5, of: { count: 12 }, without: ['wheat'] },
  ],
  people: [{ personId: ID, name: 'Wren', role: 'lead', from: 330, to: 660 }],
  surfaces: [
    { gearId: 'long', name: 'Long griddle', kind: 'griddle', places: null, from: 480, to: null },
    { gearId: null, name: 'borrowed', kind: 'iron', places: 2, from: null, to: null },
  ],
  ovens: 1,
  hob: 4,
  bell: 600,
  kept: [{ dish: 'd1', lotId: ID, pieces: 8, state: 'frozen' }],
  sides: [
    { name: 'Plum sauce', min: 15, onHob: true },
    { sideId: ID, name: 'Honey butter', min: 10, onHob: false },
  ],
  before: true,
};

test('a plan that is opened and not touched is sent as it was, and is a plan', () => {
  const { plan, errors } = readMorning(morningTyped(PLAN), PLAN);
  expect([plan, errors]).toEqual([PLAN, {}]);
  expect(morningPlanSchema.parse(plan)).toEqual(PLAN);
});

test('who comes over a time becomes waves; what is wrong with it is said at its place', () => {
  expect(arrivalsRead({ from: '7:30', to: '8:00', covers: '30', most: '' })).toEqual({
    waves: [
      { at: '07:30', covers: '10' },
      { at: '07:45', covers: '10' },
      { at: '08:00', covers: '10' },
    ],
  });
  expect(arrivalsRead({ from: '', to: 'x', covers: '', most: '9:00' })).toEqual({
    errors: {
      from: 'Write a time, as 8:00.',
      to: 'Write a time, as 8:00.',
      covers: 'Write a number.',
      most: 'A time between the two.',
    },
  });
  expect(arrivalsRead({ from: '9:00', to: '8:00', covers: '4', most: '' })).toEqual({
    errors: { to: 'Later than the first.' },
  });
});

test('what is missing or no number is said at its place', () => {
  const fresh = freshMorning('2026-12-05', '', [], []);
  expect(readMorning(fresh, null).errors).toEqual({
    'waves.0.covers': 'Write a number.',
    'dishes.0.formulaId': 'Choose what is made.',
  });
  const { errors } = readMorning(
    {
      ...fresh,
      waves: [{ at: 'soon', covers: '12' }],
      people: [{ ...comes(null), name: ' ', from: '09:00', to: '08:00' }],
      sides: [{ sideId: null, name: '', min: '10', onHob: false }],
      ovens: 'two',
      bell: 'late',
    },
    null,
  );
  expect(Object.keys(errors).sort()).toEqual([
    'bell',
    'dishes.0.formulaId',
    'ovens',
    'people.0.name',
    'people.0.to',
    'sides.0.name',
    'waves.0.at',
  ]);
});

test('waves go in their order of time, a dish that is gone takes its kept pieces along', () => {
  const typed = morningTyped(PLAN);
  const { plan } = readMorning(
    { ...typed, waves: [...typed.waves].reverse(), dishes: typed.dishes.filter((d) => d.id === 'd2') },
    PLAN,
  );
  expect([plan.waves, plan.kept]).toEqual([PLAN.waves, []]);
});

test('a new dish has an id that none has, and covers are summed as far as they are numbers', () => {
  const two = [blankDish([]), { ...blankDish([]), id: 'd2' }];
  expect([blankDish(two).id, blankDish(two.slice(1)).id]).toEqual(['d3', 'd1']);
  expect(
    coversTyped({
      waves: [
        { at: '', covers: '28' },
        { at: '', covers: 'x' },
        { at: '', covers: '14' },
      ],
    }),
  ).toBe(42);
});
