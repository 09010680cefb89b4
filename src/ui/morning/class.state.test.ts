/** A class as it is typed. */
import { freshClass, readClass } from './class.state';

const PEOPLE = [{ id: 'p1', name: 'Skipper' }];
const GEAR = { ovens: 1, hob: 4 };

test('what is typed is asked: times in minutes, the end of a forked formula, whoever of the kitchen teaches', () => {
  const { asked, errors } = readClass({ ...freshClass('2026-12-05', 'skipper'), of: 'f1 b' }, PEOPLE, GEAR);
  expect(errors).toEqual({});
  expect(asked).toMatchObject({
    from: 570,
    at: 660,
    formulaId: 'f1',
    end: 'b',
    benches: 4,
    hands: 2,
    each: 3,
    teacher: { personId: 'p1', name: 'skipper' },
    before: true,
  });
});

test('what is missing or wrong is said at its field', () => {
  const typed = { ...freshClass('2026-12-05', ' '), from: '11:30', benches: '13', hands: 'two', each: '0' };
  expect(readClass(typed, PEOPLE, GEAR).errors).toEqual({
    at: 'They eat after they have come.',
    of: 'Choose what is made.',
    teacher: 'A first name or nickname.',
    benches: 'A whole number up to 12.',
    hands: 'A whole number up to 10.',
    each: 'A whole number up to 50.',
  });
});
