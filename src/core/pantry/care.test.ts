/** What a diary of a pan says. */
import fc from 'fast-check';
import { CARES, type Care, type CareNote, careOf } from './care';

const note = (what: Care, day: number, undone = false): CareNote => ({
  id: `${what}${day}`,
  gearId: 'g',
  what,
  note: '',
  batchId: null,
  at: new Date(Date.UTC(2026, 4, day)),
  undone,
});

test('once is looked at, twice is seasoned; seasoned, it starts anew', () => {
  expect(careOf([])).toEqual({ seasoned: null, sticksSince: 0, says: null });
  expect(careOf([note('stuck', 2)]).says).toMatch(/^It stuck once/);
  expect(careOf([note('seasoned', 1), note('stuck', 2), note('stuck', 3)]).says).toBe(
    'It stuck twice since it was seasoned: wipe it, oil it thin, and season it.',
  );
  expect(careOf([note('stuck', 2), note('stuck', 3), note('stuck', 4)]).says).toMatch(/^It stuck 3 times: /);
  expect(careOf([note('stuck', 2), note('stuck', 3), note('seasoned', 4)])).toEqual({
    seasoned: note('seasoned', 4).at,
    sticksSince: 0,
    says: null,
  });
});

test('stripped it asks to be seasoned, whatever stuck before; what was taken back is not counted', () => {
  expect(careOf([note('seasoned', 1), note('stuck', 2), note('stripped', 3)]).says).toMatch(
    /^Stripped, and not seasoned since/,
  );
  expect(careOf([note('stuck', 2), note('stuck', 3, true)]).sticksSince).toBe(1);
  expect(careOf([note('seasoned', 5, true), note('stripped', 4)]).says).toMatch(/^Stripped/);
});

test('the order notes come in changes nothing, and cleaning changes no count', () => {
  const any = fc.array(fc.record({ what: fc.constantFrom(...CARES), day: fc.integer({ min: 1, max: 400 }) }), {
    maxLength: 12,
  });
  fc.assert(
    fc.property(any, (rows) => {
      const days = new Set<number>();
      const notes = rows.filter((r) => !days.has(r.day) && days.add(r.day)).map((r) => note(r.what, r.day));
      expect(careOf([...notes].reverse())).toEqual(careOf(notes));
      expect(careOf(notes.filter((n) => n.what !== 'cleaned'))).toEqual(careOf(notes));
    }),
  );
});
