import { unbroken } from './unbroken';

test('a number stays with its unit, and words with nothing', () => {
  expect(unbroken('700 g on hand, 2\u202f153 g short; 100 % of 9 eggs in 20 min at 180 °C')).toBe(
    '700\u00a0g on hand, 2\u202f153\u00a0g short; 100\u00a0% of 9 eggs in 20\u00a0min at 180\u00a0°C',
  );
  expect(unbroken('4 grams, 3 girls')).toBe('4 grams, 3 girls');
});
