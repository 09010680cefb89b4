import fc from 'fast-check';
import { clean, cleanText } from './clean';

test('NUL and half surrogates go, whole characters stay', () => {
  expect(cleanText('a\u0000b')).toBe('ab');
  expect(cleanText('\ud83e\udd5e')).toBe('\ud83e\udd5e');
  expect([cleanText('\ud83e'), cleanText('x\udd5ey'), cleanText('\udd5e\ud83e')]).toEqual(['', 'xy', '']);
});

test('everywhere in a value, names of fields too; dates and numbers are left alone', () => {
  const at = new Date(0);
  expect(clean({ 'a\u0000': ['b\ud800', { c: 'd\u0000', n: 1, at }], e: null })).toEqual({
    a: ['b', { c: 'd', n: 1, at }],
    e: null,
  });
});

test('law: what comes out can be kept, and coming in again it is the same', () => {
  let changed = 0;
  fc.assert(
    fc.property(fc.string({ unit: fc.integer({ min: 0, max: 0xffff }).map((n) => String.fromCharCode(n)) }), (s) => {
      const out = cleanText(s);
      if (out !== s) changed++;
      // half a character can't be written in an address
      expect(() => encodeURIComponent(out)).not.toThrow();
      expect(out).not.toContain('\u0000');
      expect(cleanText(out)).toBe(out);
    }),
    { numRuns: 500 },
  );
  expect(changed).toBeGreaterThan(20);
});

test('what is nested without end is cut, not followed', () => {
  let deep: unknown = 'x';
  for (let n = 0; n < 5000; n++) deep = [deep];
  expect(() => JSON.stringify(clean(deep))).not.toThrow();
});
