/** One sentence that begins a breakfast: what each word is taken for, and what is left over. Today is Saturday 28 November 2026. */
import fc from 'fast-check';
import type { Gear } from '../pantry/gear';
import { apartIn, formulasFor, morningOfTwo, unreadIn } from './offers';
import { type Begin, beginIn } from './sentence';

const GEAR = [
  { id: 'long', sort: 'griddle', name: 'Long griddle', wideCm: 90, deepCm: 60 },
  { id: 'camp', sort: 'griddle', name: 'Camp griddle', wideCm: 60, deepCm: 40 },
  { id: 'black', sort: 'pan', name: 'Black pan', acrossCm: 28 },
  { id: 'light', sort: 'iron', name: 'Light Shed iron', holdsMl: 200, pieces: 2 },
  { id: 'scale', sort: 'scale', name: 'Scale', stepG: 1, mostG: 5000 },
] as const satisfies readonly Gear[];
const read = (said: string): Begin => beginIn(said, GEAR, '2026-11-28', '19:00');
const NOTHING: Begin = {
  people: null,
  each: null,
  pieces: null,
  day: null,
  orDay: null,
  time: null,
  orTime: null,
  without: [],
  on: [],
  sized: null,
  kind: null,
  called: [],
  unread: [],
};
const SUNDAY = { day: '2026-11-29', orDay: '2026-12-06' };
const at = (time: string, orTime: string | null = null) => ({ time, orTime });
const no = (guests: number | null, ...allergens: Begin['without'][number]['allergens']) => ({ allergens, guests });

test.each<[string, Partial<Begin>]>([
  [
    '30 people Sunday 9, one without milk, griddle 60 by 40',
    { people: 30, ...SUNDAY, ...at('09:00', '21:00'), without: [no(1, 'milk')], on: ['camp'] },
  ],
  ['tomorrow at half past eight for 12', { people: 12, day: '2026-11-29', ...at('08:30', '20:30') }],
  ['breakfast for 6 on saturday 8:30', { people: 6, day: '2026-12-05', orDay: '2026-12-12', ...at('08:30', '20:30') }],
  ['next sunday 9am 4 people', { people: 4, day: '2026-12-06', orDay: '2026-12-13', ...at('09:00') }],
  [
    '12 kids friday morning, two vegan',
    { people: 12, day: '2026-12-04', orDay: '2026-12-11', without: [no(2, 'milk', 'egg')] },
  ],
  [
    'waffles for 20 at 8 on the Light Shed iron',
    { people: 20, ...at('08:00', '20:00'), kind: 'waffle', on: ['light'] },
  ],
  [
    '84 guests 6 December 7:30 one coeliac',
    { people: 84, day: '2026-12-06', ...at('07:30', '19:30'), without: [no(1, 'gluten', 'wheat')] },
  ],
  ['December 6 at 8, 20 people', { people: 20, day: '2026-12-06', ...at('08:00', '20:00') }],
  ['6/12 7.30 for 10', { people: 10, day: '2026-12-06', ...at('07:30', '19:30') }],
  ['today 10', { day: '2026-11-28', ...at('10:00', '22:00') }],
  ['24 crepes tonight at 7', { pieces: 24, day: '2026-11-28', ...at('19:00', '07:00'), kind: 'crepe' }],
  [
    'two each for 15 covers sunday 7 no nuts',
    { people: 15, each: 2, ...SUNDAY, ...at('07:00', '19:00'), without: [no(null, 'tree-nut', 'peanut')] },
  ],
  ['4 of us, 28 cm pan, tomorrow', { people: 4, day: '2026-11-29', on: ['black'] }],
  ['Sunday the 6th, 25 covers at 8', { people: 25, day: '2026-12-06', ...at('08:00', '20:00') }],
  ['in three days, a dozen guests, 9 o’clock', { people: 12, day: '2026-12-01', ...at('09:00', '21:00') }],
  [
    'we are five, tomorrow at ten, everybody without egg',
    { people: 5, day: '2026-11-29', ...at('10:00', '22:00'), without: [no(null, 'egg')] },
  ],
  [
    'buttermilk rounds for eight, nobody without milk, tomorrow quarter to nine',
    {
      people: 8,
      day: '2026-11-29',
      ...at('08:45', '20:45'),
      called: ['buttermilk', 'rounds'],
      unread: ['buttermilk', 'rounds'],
    },
  ],
  ['griddle 100 by 20 cm for 8', { people: 8, sized: { sort: 'griddle', wideCm: 100, deepCm: 20 } }],
  ['at 3 for 9', { people: 9, ...at('15:00', '03:00') }],
  ['', {}],
])('%s', (said, is) => expect(read(said)).toEqual({ ...NOTHING, ...is }));

test('a weekday said on that day after the hour is next week’s; before the hour, or by "today", it is this one', () => {
  const on = (now: string, said: string): Begin => beginIn(said, GEAR, '2026-11-29', now);
  expect(on('10:00', 'Sunday 9 for 30')).toMatchObject({ day: '2026-12-06', orDay: '2026-12-13' });
  expect(on('08:00', 'Sunday 9 for 30')).toMatchObject({ ...SUNDAY, ...at('09:00', '21:00') });
  expect(on('22:00', 'Sunday 9 for 30')).toMatchObject({ day: '2026-12-06', ...at('09:00', '21:00') });
  expect(on('13:00', 'Sunday at 18:00')).toMatchObject({ ...SUNDAY, time: '18:00' });
  expect(on('10:00', 'Sunday at half past eight')).toMatchObject({ day: '2026-12-06', ...at('08:30', '20:30') });
  expect(on('10:00', 'today 9')).toMatchObject({ day: '2026-11-29' });
});

test('the house says which comes first, the day or the month', () => {
  expect(beginIn('6/12 for 10', GEAR, '2026-11-28', '19:00', false)).toMatchObject({ day: '2027-06-12', people: 10 });
});

test('law: whatever is said, nothing breaks, and no word is lost: each letter word is taken, glue, or told as unread', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 400 }), (said) => {
      const b = read(said);
      expect(b.time === null || /^\d\d:\d\d$/.test(b.time)).toBe(true);
      expect(b.day === null || /^\d{4}-\d\d-\d\d$/.test(b.day)).toBe(true);
    }),
  );
  const word = fc.constantFrom('zwyx', 'quonk', 'brell', 'tarvi');
  const known = fc.constantFrom('30 people', 'Sunday 9', 'one without milk', 'griddle 60 by 40');
  fc.assert(
    fc.property(fc.uniqueArray(fc.oneof(word, known), { minLength: 1, maxLength: 6 }), (parts) => {
      const odd = parts.filter((x) => /^[a-z]{4,5}$/.test(x));
      expect(read(parts.join(', ')).unread).toEqual(odd);
    }),
  );
});

const SHELF = [
  { name: 'Cloud cakes', kind: 'foam' },
  { name: 'Buttermilk rounds', kind: 'griddle' },
  { name: 'Lock-side crepes', kind: 'crepe' },
  { name: 'Crisp waffles', kind: 'waffle' },
] as const;
const names = (said: string): readonly string[] => formulasFor(read(said), SHELF, GEAR).map((f) => f.name);

test('what is offered: by name, by kind, as it stands; and nothing that is not made on what was named', () => {
  expect(names('8 people')).toEqual(SHELF.map((f) => f.name));
  expect(names('round for 8')[0]).toBe('Buttermilk rounds');
  expect(names('waffles for 8')[0]).toBe('Crisp waffles');
  expect(names('pancakes for 8').slice(0, 2)).toEqual(['Buttermilk rounds', 'Cloud cakes']);
  expect(names('8 people on the Light Shed iron')).toEqual(['Crisp waffles']);
  expect(unreadIn(read('rounds and brell for 8'), SHELF)).toEqual(['brell']);
});

test('who eats without something stands apart, those of each mention added up; with everybody nobody does', () => {
  expect(apartIn(read('30 people, one without milk, two without egg'))).toEqual({
    everybody: [],
    apart: { guests: 3, without: ['milk', 'egg'] },
  });
  expect(apartIn(read('8 people, two vegan, one without egg, everybody without nuts'))).toEqual({
    everybody: ['tree-nut', 'peanut'],
    apart: { guests: 3, without: ['tree-nut', 'peanut', 'egg', 'milk'] },
  });
  expect(apartIn(read('3 people, two vegan, two without nuts')).apart?.guests).toBe(3);
  expect(apartIn(read('30 people no nuts'))).toEqual({ everybody: ['tree-nut', 'peanut'], apart: null });
  expect(apartIn(read('two people, two vegan'))).toEqual({ everybody: ['milk', 'egg'], apart: null });
});

test('two dishes are a morning: most, and the one without milk; on what was named, at the hour', () => {
  const b = read('30 people Sunday 9, one without milk, griddle 60 by 40');
  const { apart } = apartIn(b);
  if (!apart) throw new Error('one stands apart');
  expect(morningOfTwo(b, apart, 'f1', 'f2', GEAR, [], '2026-11-29')).toMatchObject({
    day: '2026-11-29',
    waves: [{ at: 540, covers: 30 }],
    dishes: [
      { formulaId: 'f1', of: { count: 29 }, without: [] },
      { formulaId: 'f2', of: { count: 1 }, without: ['milk'] },
    ],
    surfaces: [{ gearId: 'camp' }],
    people: [{ name: 'The cook', role: 'lead' }],
  });
  // 24 cakes, two on a plate, are 12 plates
  const c = read('24 griddle cakes, one without milk');
  expect(morningOfTwo(c, apart, 'f1', 'f2', GEAR, [], '2026-11-29')).toMatchObject({
    waves: [{ covers: 12 }],
    dishes: [{ of: { count: 11 } }, { of: { count: 1 } }],
  });
});
