import { liftAt } from './bowl-clock';

test('the lift that is left, between the minutes it was worked for', () => {
  const points = [
    { min: 0, lift: 200 },
    { min: 10, lift: 160 },
    { min: 30, lift: 100 },
  ];
  expect([0, 5, 10, 20, 30, 99].map((m) => liftAt(points, m))).toEqual([1, 0.9, 0.8, 0.65, 0.5, 0.5]);
  expect(liftAt([{ min: 0, lift: 0.2 }], 5)).toBeNull();
  expect(liftAt([], 5)).toBeNull();
});
