import {
  asRead,
  counted,
  grams,
  gramsExact,
  lift,
  meq,
  millilitres,
  minutesAndParts,
  minutesAndSeconds,
  percent,
  pricePer,
} from './say';

// thousands are set off by a thin space
const T = '\u202f';

test.each([
  [grams, 0.38, '0.38 g'],
  [grams, 0.5, '0.5 g'],
  [grams, 4.6, '4.6 g'],
  [grams, 4.96, '5 g'],
  [grams, 9.96, '10 g'],
  [grams, 268.4, '268 g'],
  [grams, 12_500, `12${T}500 g`],
  [gramsExact, 268.44, '268.4 g'],
  [gramsExact, 1000, `1${T}000 g`],
  [gramsExact, 6, '6 g'],
  [(n: number) => counted(n, 'griddle cakes'), 1, '1 griddle cake'],
  [(n: number) => counted(n, 'griddle cakes'), 12, '12 griddle cakes'],
  [
    (c: number) => asRead(`under ${c} °C; 90 to 95 °C; by about 10 °C`, { temperature: 'F' }),
    40,
    'under 104 °F; 194 to 203 °F; by about 18 °F',
  ],
  [(c: number) => asRead(`under ${c} °C`, { temperature: 'C' }), 40, 'under 40 °C'],
  [(x: number) => pricePer(x, { currency: '€', weight: 'g' }), 0.002, '€2.00 a kilogram'],
  [(x: number) => pricePer(x, { currency: '€', weight: 'oz' }), 0.002, '€0.91 a pound'],
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

test('minutes of an act with their seconds, where there are some', () => {
  expect([4.5, 20, 720, 1.25, 90].map(minutesAndParts)).toEqual(['4:30 min', '20 min', '12 h', '1:15 min', '1 1/2 h']);
});
