import { perClient } from './per-client.mjs';

test('so many requests a window, the next ones wait until it is over; another client does not', () => {
  const tooMany = perClient({ windowMs: 10_000, most: 3 });
  expect([0, 100, 200].map((t) => tooMany('phone', t))).toEqual([false, false, false]);
  expect([300, 9_000, 10_000].map((t) => tooMany('phone', t))).toEqual([true, true, true]);
  expect(tooMany('tablet', 9_500)).toBe(false);
  expect(tooMany('phone', 10_001)).toBe(false);
});
