import fc from 'fast-check';
import { faceOf, SHOWS, sideBySide } from './photographs';

const photos = fc.array(fc.record({ id: fc.uuid(), shows: fc.constantFrom(...SHOWS) }), { maxLength: 12 });

test('side by side every photograph stands once, beside one of its own sort or alone', () => {
  fc.assert(
    fc.property(photos, photos, (a, b) => {
      const pairs = sideBySide(a, b);
      for (const p of pairs) for (const x of [p.a, p.b]) if (x) expect(x.shows).toBe(p.shows);
      expect(pairs.flatMap((p) => (p.a ? [p.a] : [])).length).toBe(a.length);
      expect(new Set(pairs.flatMap((p) => (p.b ? [p.b] : [])))).toEqual(new Set(b));
      for (const s of SHOWS) {
        const [n, m] = [a, b].map((x) => x.filter((p) => p.shows === s).length);
        expect(pairs.filter((p) => p.shows === s)).toHaveLength(Math.max(n ?? 0, m ?? 0));
      }
    }),
  );
});

test('the face stands for a making: the last of them, a cut or a bowl where there is none', () => {
  expect(faceOf([])).toBeNull();
  expect(
    faceOf([
      { shows: 'bowl' as const, n: 1 },
      { shows: 'cut' as const, n: 2 },
    ]),
  ).toMatchObject({ n: 2 });
  expect(
    faceOf([
      { shows: 'face' as const, n: 1 },
      { shows: 'face' as const, n: 2 },
      { shows: 'cut' as const, n: 3 },
    ]),
  ).toMatchObject({ n: 2 });
});
