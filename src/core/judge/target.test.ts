import fc from 'fast-check';
import { WISHES } from '../balance/moves';
import { SCALES, STEPS } from '../batch/came-out';
import { courseOf, NO_TARGET, nearerFrom, scoreOf, TARGET_MEASURES, type TargetPiece, wantsAnything } from './target';

const piece: fc.Arbitrary<TargetPiece> = fc.record({
  scales: fc.dictionary(fc.constantFrom(...SCALES), fc.constantFrom(...STEPS)),
  heightMm: fc.option(fc.integer({ min: 1, max: 80 })),
  acrossMm: fc.option(fc.integer({ min: 20, max: 400 })),
});

test('a making is held against what is wanted, scale by scale: a step off is a quarter, half off in mm is nothing', () => {
  const target: TargetPiece = { scales: { colour: 3, crumb: 4, taste: 3 }, heightMm: 20, acrossMm: 100 };
  const s = scoreOf(target, { scales: { colour: 3, crumb: 2, edge: 5 }, heightMm: 16, acrossMm: 160 });
  expect(s.rows).toEqual([
    { what: 'colour', wanted: 'golden', got: 'golden', off: 0, score: 100 },
    { what: 'crumb', wanted: 'open', got: 'tight', off: -2, score: 50 },
    { what: 'taste', wanted: 'balanced', got: null, off: null, score: null },
    { what: 'heightMm', wanted: '20 mm', got: '16 mm', off: -4, score: 60 },
    { what: 'acrossMm', wanted: '100 mm', got: '160 mm', off: 60, score: 0 },
  ]);
  // (100 + 50 + 60 + 0) / 4
  expect([s.pct, s.judged]).toEqual([52.5, 4]);
  expect(nearerFrom(s)).toEqual([
    { what: 'acrossMm', says: 'across 160 mm, wanted 100 mm', move: null, tip: 'A smaller portion.' },
    { what: 'crumb', says: 'crumb tight, wanted open', move: 'taller', tip: '' },
    { what: 'heightMm', says: 'height 16 mm, wanted 20 mm', move: 'taller', tip: '' },
  ]);
});

test('whatever is wanted: itself is met whole, nothing is below nothing or above all, and what is met leads nowhere', () => {
  fc.assert(
    fc.property(piece, piece, (target, made) => {
      const own = scoreOf(target, target);
      expect(own.pct).toBe(wantsAnything(target) ? 100 : null);
      expect(nearerFrom(own)).toEqual([]);
      const s = scoreOf(target, made);
      expect(s.rows).toHaveLength(
        Object.keys(target.scales).length + TARGET_MEASURES.filter((m) => target[m] !== null).length,
      );
      for (const r of s.rows) if (r.score !== null) expect(r.score >= 0 && r.score <= 100).toBe(true);
      for (const n of nearerFrom(s)) expect(n.move !== null).toBe(n.tip === '');
      // a step nearer never scores less
      for (const id of SCALES) {
        const [want, got] = [target.scales[id], made.scales[id]];
        if (want === undefined || got === undefined || want === got) continue;
        const nearer = scoreOf(target, { ...made, scales: { ...made.scales, [id]: got + Math.sign(want - got) } });
        expect(nearer.pct ?? 0).toBeGreaterThan(s.pct ?? 0);
      }
    }),
  );
  expect(wantsAnything(NO_TARGET)).toBe(false);
});

test('every wish that leads nearer is one the Bench has', () => {
  const ids = new Set(WISHES.map((m) => m.id));
  for (const what of SCALES)
    for (const [want, got] of [
      [1, 5],
      [5, 1],
    ] as const) {
      const [n] = nearerFrom(
        scoreOf({ ...NO_TARGET, scales: { [what]: want } }, { ...NO_TARGET, scales: { [what]: got } }),
      );
      if (n?.move) expect(ids).toContain(n.move);
    }
});

test('nearer, farther or as near, by the first and the last', () => {
  expect(courseOf([])).toBeNull();
  expect(courseOf([60])).toBeNull();
  expect(courseOf([58, 40, 71])).toBe('nearer');
  expect(courseOf([71, 90, 58])).toBe('farther');
  expect(courseOf([71, 20, 72])).toBe('as near');
});
