import { actOn, freshScale, readingOf } from './simulated-scale';

const at = (s: ReturnType<typeof freshScale>, now: number, flicker = 0) => readingOf(s, now, flicker);

test('it settles on what lies on it, and says when', () => {
  const s = actOn(freshScale(1, 5000, 0), { do: 'pour', grams: 500 }, 1000);
  expect(at(s, 1000)).toEqual({ grams: 0, stable: false, over: false });
  // one settling time: 1 - 1/e of the way
  expect(at(s, 1350)?.grams).toBe(316);
  expect(at(s, 6000)).toEqual({ grams: 500, stable: true, over: false });
});

test('tare takes off what is there; a spill goes below it, and nothing below an empty plate', () => {
  let s = actOn(freshScale(1, 5000, 0), { do: 'pour', grams: 300 }, 0);
  s = actOn(s, { do: 'tare' }, 5000);
  expect(at(s, 6000)?.grams).toBe(0);
  s = actOn(s, { do: 'pour', grams: 40 }, 6000);
  expect(at(s, 9000)?.grams).toBe(40);
  s = actOn(s, { do: 'spill', grams: 90 }, 9000);
  expect(at(s, 12_000)?.grams).toBe(-50);
  s = actOn(s, { do: 'spill', grams: 9000 }, 12_000);
  expect(s.onG).toBe(0);
  expect(at(actOn(s, { do: 'clear' }, 13_000), 20_000)?.grams).toBe(-300);
});

test('it flickers within a step, drifts slowly, shows steps, has a capacity, and says nothing unplugged', () => {
  const s = actOn(freshScale(5, 2000, 0), { do: 'pour', grams: 102 }, 0);
  expect([-1, 0, 1].map((f) => at(s, 9000, f)?.grams)).toEqual([100, 100, 105]);
  // 0.04 steps a minute: five steps in 125 minutes
  expect(at(s, 125 * 60_000)?.grams).toBe(125);
  expect(at(actOn(s, { do: 'pour', grams: 2000 }, 0), 9000)?.over).toBe(true);
  expect(at(actOn(s, { do: 'plug', in: false }, 0), 9000)).toBeNull();
});
