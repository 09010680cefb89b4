import { grams, gramsExact, lift, meq, millilitres, minutesAndSeconds, percent } from './say';

// thousands are set off by a thin space
const T = '\u2009';

test.each([
  [grams, 0.38, '0.38 g'],
  [grams, 0.5, '0.5 g'],
  [grams, 4.6, '4.6 g'],
  [grams, 4.96, '5 g'],
  [grams, 9.96, '10 g'],
  [grams, 268.4, '268 g'],
  [grams, 12_500, `12${T}500 g`],
  [gramsExact, 268.44, '268.4 g'],
  [gramsExact, 1000, `1${T}000.0 g`],
  [percent, 100, '100 %'],
  [percent, 188.4, '188 %'],
  [percent, 9.94, '9.9 %'],
  [percent, 9.96, '10 %'],
  [percent, 1.59, '1.6 %'],
  [percent, 0.81, '0.8 %'],
  [millilitres, 1603.2, `1${T}603 ml`],
  [lift, 0.9, '0.90'],
  [lift, 0.001, '0'],
  [meq, 6.77, '6.8 meq'],
  [meq, 47.62, '48 meq'],
  [minutesAndSeconds, 145, '2:25'],
  [minutesAndSeconds, 60, '1:00'],
  [minutesAndSeconds, 9, '0:09'],
])('%p says %d as %s', (say, x, text) => expect(say(x)).toBe(text));
