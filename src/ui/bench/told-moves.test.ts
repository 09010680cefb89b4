import { moveSaid } from './told-moves';

const places = (bowls: Readonly<Record<string, readonly string[]>>) =>
  Object.entries(bowls).flatMap(([under, keys]) =>
    keys.map((key, n) => ({ key, text: `10 g ${key}`, under, nth: n + 1, of: keys.length })),
  );
const WAS = places({ 'Dry bowl': ['flour', 'salt'], 'Wet bowl': ['milk', 'egg'] });

test('a line that was moved is told with its place, also over the edge into the next bowl', () => {
  expect(moveSaid(WAS, places({ 'Dry bowl': ['salt', 'flour'], 'Wet bowl': ['milk', 'egg'] }), 'salt')).toBe(
    '10 g salt: line 1 of 2, dry bowl',
  );
  // the order of all lines is the same, the bowl is another
  expect(moveSaid(WAS, places({ 'Dry bowl': ['flour'], 'Wet bowl': ['salt', 'milk', 'egg'] }), null)).toBe(
    '10 g salt: line 1 of 3, wet bowl',
  );
});

test('nothing is told where nothing moved, and of lines that came or went', () => {
  expect(moveSaid(WAS, WAS, 'salt')).toBeNull();
  expect(moveSaid(WAS, places({ 'Dry bowl': ['flour'], 'Wet bowl': ['milk', 'egg'] }), null)).toBeNull();
  expect(moveSaid(WAS, places({ 'Dry bowl': ['flour', 'soda'], 'Wet bowl': ['milk', 'egg'] }), null)).toBeNull();
});
