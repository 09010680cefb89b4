/** What a copy is called. */
import fc from 'fast-check';
import { MOST_NAME_CHARS } from './formula';
import { copyName, copyStem } from './version';

test('a copy is called so, and never as anything that is there; a copy of a copy is no copy, copy', () => {
  expect(copyName('Lock cakes', new Set(['lock cakes']))).toBe('Lock cakes, copy');
  expect(copyName('Lock cakes, copy', new Set(['lock cakes', 'lock cakes, copy']))).toBe('Lock cakes, copy 2');
  expect(copyStem('Lock cakes, copy 12')).toBe('Lock cakes');
  fc.assert(
    fc.property(fc.string({ minLength: 1, maxLength: MOST_NAME_CHARS }), fc.integer({ min: 0, max: 12 }), (name, n) => {
      const taken = new Set<string>();
      for (let k = 0; k <= n; k++) {
        const made = copyName(name, taken);
        expect(taken.has(made.toLowerCase())).toBe(false);
        expect(made.length).toBeLessThanOrEqual(MOST_NAME_CHARS);
        taken.add(made.toLowerCase());
      }
    }),
  );
});
