/** Covers that come over a time become waves. */
import fc from 'fast-check';
import { wavesOfArrivals } from './arrivals';

test('as many at one time as at another; most at a peak; all at once', () => {
  expect(wavesOfArrivals({ from: 450, to: 510, covers: 50, most: null })).toEqual([
    { at: 450, covers: 10 },
    { at: 465, covers: 10 },
    { at: 480, covers: 10 },
    { at: 495, covers: 10 },
    { at: 510, covers: 10 },
  ]);
  // 0.2, 0.6, 1, 0.6, 0.2 of 26 in all: 2, 6, 10, 6, 2
  expect(wavesOfArrivals({ from: 450, to: 510, covers: 26, most: 480 }).map((w) => w.covers)).toEqual([2, 6, 10, 6, 2]);
  expect(wavesOfArrivals({ from: 480, to: 480, covers: 12, most: null })).toEqual([{ at: 480, covers: 12 }]);
  expect(wavesOfArrivals({ from: 480, to: 450, covers: 12, most: null })).toEqual([]);
});

test('law: the waves sum to all who come, none is empty, at most twelve, each within the time', () => {
  const time = fc.integer({ min: 0, max: 1200 });
  fc.assert(
    fc.property(
      time,
      fc.integer({ min: 0, max: 720 }),
      fc.integer({ min: 1, max: 2000 }),
      fc.option(time),
      (from, length, covers, most) => {
        const to = from + length;
        const waves = wavesOfArrivals({ from, to, covers, most });
        expect(waves.reduce((a, w) => a + w.covers, 0)).toBe(covers);
        expect(waves.length).toBeLessThanOrEqual(12);
        expect(waves.every((w) => w.covers >= 1 && w.at >= from && w.at <= to)).toBe(true);
      },
    ),
  );
});
