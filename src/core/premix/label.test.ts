import fc from 'fast-check';
import { FRESH_UNITS } from '../quantity/say';
import { fitLabels, LABEL_HIGH, type LabelBlock, labelBlocks, labelFitSaid } from './label';
import type { FrozenLot, Lot } from './premix';

/** Every letter half as wide as it is high: 0.97 x 243 / (0.5 x 9) is 52 letters a line. */
const half = (text: string): number => text.length / 2;
const F: FrozenLot = {
  name: 'Mix',
  maker: 'Lantern Lock',
  place: '',
  ingredients: [{ text: 'wheat flour' }],
  contains: ['Wheat'],
  nutrition: null,
  storage: 'Dry and cool.',
  cautions: ['Look and smell first.'],
  code: '',
  products: [],
  units: FRESH_UNITS,
  leastPt: 7,
};
const LOT: Lot = {
  id: 'a',
  premixId: 'p',
  premixName: 'Mix',
  number: '261125-2',
  made: '2026-11-25',
  bestBefore: '2027-05-25',
  bagG: 500,
  bags: 4,
  used: 0,
  contents: [],
  checked: '',
  note: '',
};
const product = (title: string, letters: number) => ({
  product: { kind: 'griddle' as const, school: 'even' },
  title,
  parts: [],
  density: 1,
  portionMl: 60,
  directions: 'word '.repeat(letters / 5).trimEnd(),
});

test('what stands on a label, in order; what is said of traces with the allergens, the date with the bag', () => {
  const between = {
    carried: [],
    from: '',
    asked: [],
    cleared: [],
    clearedBy: '',
    traces: 'May hold egg.',
    tracesBy: '',
  };
  const blocks = labelBlocks({ ...LOT, between }, F, 'milk, in whey', 'full', 3);
  expect(blocks.map((b) => b.runs.map((r) => r.text).join(''))).toEqual([
    'Ingredients: wheat flour.',
    'Contains: Wheat. Contains also, as corrected since: milk, in whey. May hold egg.',
    'Look and smell first.',
    'Dry and cool.',
    expect.stringMatching(/^Best before .* Lot 261125-2, bag 3\. Made /),
    'Lantern Lock',
  ]);
});

test('letters are as large as the label bears, never under what the house has set: the rest is on a second', () => {
  const fitted = (letters: number, leastPt: number) => {
    const f = { ...F, leastPt, products: [product('Griddle cakes', 200), product('Waffles', letters)] };
    return fitLabels(labelBlocks(LOT, f, '', 'full', null), f, 'full', 243, half);
  };
  expect(fitted(200, 7)).toMatchObject({ pt: 9, tooLong: [] });
  expect(fitted(200, 7).labels).toHaveLength(1);
  // smaller than nine, and all on one
  const tight = fitted(1200, 7);
  expect(tight.pt).toBeLessThan(9);
  expect(tight.labels).toHaveLength(1);
  expect(labelFitSaid(tight)).toBeNull();
  // a house that prints no smaller than nine has a second label for the same words
  const two = fitted(1200, 9);
  expect(two.pt).toBe(9);
  expect(two.labels.map((l) => l.map((b) => b.called))).toEqual([
    expect.arrayContaining(['the ingredients', 'the allergens', 'its date and lot']),
    ['the directions of waffles'],
  ]);
  expect(labelFitSaid(two)).toBe(
    'At 9 pt, the smallest that was set, this does not fit: the directions of waffles; a second label has them.',
  );
  // what is longer than a whole label is said to be
  expect(fitted(9000, 9).tooLong).toEqual(['the directions of waffles']);
});

test('law: nothing is lost, nothing is under the size set, and what is said to fit fits', () => {
  fc.assert(
    fc.property(
      fc.array(fc.integer({ min: 1, max: 300 }), { minLength: 1, maxLength: 6 }),
      fc.integer({ min: 10, max: 24 }),
      fc.constantFrom('full' as const, 'front' as const),
      (words, least, size) => {
        const f = { ...F, leastPt: least / 2, products: words.map((w, n) => product(`P${n}`, 5 * w)) };
        const blocks = labelBlocks(LOT, f, '', size, 7);
        const fit = fitLabels(blocks, f, size, 243, half);
        expect(fit.pt).toBeGreaterThanOrEqual(f.leastPt);
        const called = (list: readonly LabelBlock[]) => list.map((b) => b.called).sort();
        expect(called(fit.labels.flat())).toEqual(called(blocks));
        // at 0.97 of the width each line holds 471/pt letters at least, less one word of four
        for (const l of fit.labels) {
          if (l.some((b) => fit.tooLong.includes(b.called))) continue;
          const least = l.reduce((a, b) => {
            const letters = b.runs.reduce((x, r) => x + r.text.length, 0);
            return a + Math.ceil((letters * fit.pt) / 2 / 243) * fit.pt * 1.2 + 2;
          }, 0);
          expect(least).toBeLessThanOrEqual(LABEL_HIGH[size]);
        }
      },
    ),
  );
});
