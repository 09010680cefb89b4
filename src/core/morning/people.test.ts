/** Marks that tell people apart. */
import { nextMark, PERSON_MARKS } from './people';

test('a new person has the mark that the fewest have, the first of several', () => {
  expect(nextMark([])).toBe('whisk');
  expect(nextMark([{ mark: 'whisk' }, { mark: 'egg' }])).toBe('ladle');
  const all = PERSON_MARKS.map((mark) => ({ mark }));
  expect(nextMark([...all, { mark: 'whisk' }])).toBe('ladle');
});
