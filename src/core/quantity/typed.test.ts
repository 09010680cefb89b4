import { typedGrams, typedNumber } from './typed';

test.each([
  ['12', 12],
  [' 1 250 ', 1250],
  ['2,5', 2.5],
  ['80 g', 80],
  ['.5', 0.5],
  ['-3', -3],
  ['−3', -3],
])('"%s" is %p', (text, x) => expect(typedNumber(text)).toBe(x));

test.each(['', 'g', 'twelve', '1e9', '0x1f', 'Infinity', '1.2.3', '12 ml'])('"%s" is no number', (text) =>
  expect(typedNumber(text)).toBeNaN(),
);

test('a unit of another kind is forgiven where it is asked for', () => {
  expect([typedNumber('12 ml', 'ml'), typedNumber('30%', '%'), typedNumber('7', '')]).toEqual([12, 30, 7]);
});

test('amounts in grams or kilograms', () => {
  expect([typedGrams(''), typedGrams('1.5 kg'), typedGrams('1500'), typedGrams('0,25kg')]).toEqual([
    null,
    1500,
    1500,
    250,
  ]);
  expect(typedGrams('much')).toBeNaN();
});
