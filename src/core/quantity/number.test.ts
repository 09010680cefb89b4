import fc from 'fast-check';
import Fraction from 'fraction.js';
import { readNumber, writeNumber } from './number';

const read = (text: string): string | null => {
  const n = readNumber(text);
  return n && `${n.low.toFraction()}${n.high ? ` to ${n.high.toFraction()}` : ''} | ${text.slice(n.length)}`;
};

test.each([
  ['2 cups', '2 |  cups'],
  ['2.25 cups', '9/4 |  cups'],
  ['2,25 cups', '9/4 |  cups'],
  ['1,000 g', '1000 |  g'],
  ['12,345 g', '12345 |  g'],
  ['0,125 l', '1/8 |  l'],
  ['1/2 cup', '1/2 |  cup'],
  ['1 1/2 cups', '3/2 |  cups'],
  ['1-1/2 cups', '3/2 |  cups'],
  ['10 3/4 oz', '43/4 |  oz'],
  ['1½c', '3/2 | c'],
  ['3⅔ cups', '11/3 |  cups'],
  ['1⁄3 cup', '1/3 |  cup'],
  ['3/2 cups', '3/2 |  cups'],
  ['2-3 eggs', '2 to 3 |  eggs'],
  ['1/2 to 3/4 cup', '1/2 to 3/4 |  cup'],
  ['1 - 2 tbsp', '1 to 2 |  tbsp'],
  ['two or three eggs', '2 to 3 |  eggs'],
  ['1½–2 cups', '3/2 to 2 |  cups'],
  ['a cup', '1 |  cup'],
  ['an egg', '1 |  egg'],
  ['half an egg', '1/2 |  egg'],
  ['one third of a cup', '1/3 |  cup'],
  ['two and a quarter cups', '9/4 |  cups'],
  ['half a dozen eggs', '6 |  eggs'],
  ['a couple of eggs', '2 |  eggs'],
  ['three hundred ml', '300 |  ml'],
  ['a hundred and fifty g', '150 |  g'],
  ['two hundred and twenty-five g', '225 |  g'],
  ['thirty two g', '32 |  g'],
  ['one and three-quarter cups', '7/4 |  cups'],
  ['2/3rds cup', '2/3 |  cup'],
  ['1/2 a cup', '1/2 |  cup'],
  ['half of a quarter cup', '1/8 |  cup'],
  ['between 1 and 2 cups', '1 to 2 |  cups'],
])('%s', (text, said) => expect(read(text)).toBe(said));

// what looks like a range but runs downwards is none: the second number is left standing
test.each([
  ['3-2 eggs', '3 | -2 eggs'],
  ['2 to 2 cups', '2 |  to 2 cups'],
  ['2 to a bowl', '2 |  to a bowl'],
])('%s is no range', (text, said) => expect(read(text)).toBe(said));

test.each(['', 'cups', 'about 2', '1/0 cup', 'anise', 'onerous', '-2'])('"%s" starts with no number', (text) => {
  const n = readNumber(text);
  // of "1/0" only the 1 can be meant
  expect(n === null || text === '1/0 cup').toBe(true);
});

test('what is written is read back to the same value', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 9_999 }),
      fc.constantFrom(1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 12, 16, 100),
      (n, d) => {
        const value = new Fraction(n, d);
        const text = writeNumber(value);
        const back = readNumber(text);
        return back !== null && back.length === text.length && back.low.equals(value) && back.high === null;
      },
    ),
  );
});

// what was run together or parted by a point may mean two things; both are told
test.each([
  ['11/2 cups', '3/2', '11/2'],
  ['21/2 cups', '5/2', '21/2'],
  ['1.000 g', '1', '1000'],
  ['1,250 kg', '1250', '5/4'],
  ['3/2 cups', '3/2', null],
  ['12/2 cups', '6', null],
  ['1.5 g', '3/2', null],
] as const)('%s: %s or %s', (text, low, other) => {
  const n = readNumber(text);
  expect([n?.low.toFraction(), n?.other?.toFraction() ?? null]).toEqual([low, other]);
});
