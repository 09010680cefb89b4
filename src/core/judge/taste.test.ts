import fc from 'fast-check';
import { binomialDistribution } from 'simple-statistics';
import {
  type Ballot,
  BOWLS,
  type BowlLetter,
  chanceOfFirst,
  lastWords,
  nextOrder,
  tastedInWords,
  tastedOf,
  tastersFor,
  timesInWords,
} from './taste';

const said = (picks: string, bowls: readonly BowlLetter[] = ['A', 'B']): readonly Ballot[] =>
  [...picks].map((p, n) => ({ taster: `taster ${n}`, tasted: bowls, picked: p === '-' ? [] : [p as BowlLetter] }));

test('the chance of two bowls is the two ends of the binomial', () => {
  // by hand: of 2^8 = 256 ways to pick, 28 + 8 + 1 give one bowl six or more, and as many the other
  expect(chanceOfFirst(6, 8, 2)).toBeCloseTo(74 / 256, 10);
  expect(chanceOfFirst(8, 8, 2)).toBeCloseTo(2 / 256, 10);
  expect(chanceOfFirst(5, 5, 2)).toBeCloseTo(1 / 16, 10);
  // as many as half comes always
  expect(chanceOfFirst(4, 8, 2)).toBe(1);
  expect(chanceOfFirst(40, 40, 2)).toBeCloseTo(2 / 2 ** 40, 15);
  // the package leaves out of the thin ends what is below 1 in 10,000
  for (let n = 1; n <= 60; n++) {
    const each = binomialDistribution(n, 0.5) ?? [];
    const most = Math.ceil((2 * n) / 3);
    const tail = 1 - each.slice(0, most).reduce((a, p) => a + p, 0);
    expect(Math.abs(chanceOfFirst(most, n, 2) - Math.min(1, 2 * tail))).toBeLessThan(3e-4);
  }
});

test('the chance of three and four bowls is counted out', () => {
  // of 3^3 = 27 ways three are for one bowl; 4 of 4 among four bowls: 4 of 256
  expect(chanceOfFirst(3, 3, 3)).toBeCloseTo(3 / 27, 10);
  expect(chanceOfFirst(4, 4, 4)).toBeCloseTo(4 / 256, 10);
  // of 4 picks among three bowls 3 or more for one: 3 * (4 * 2 + 1) = 27 of 81
  expect(chanceOfFirst(3, 4, 3)).toBeCloseTo(27 / 81, 10);
});

test('a chance grows as fewer picks are asked, and is what all ways to pick give', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 7 }), fc.integer({ min: 2, max: 4 }), (picks, bowls) => {
      const all = bowls ** picks;
      const tops = Array.from({ length: all }, (_, way) => {
        const got = new Array<number>(bowls).fill(0);
        for (let n = 0, w = way; n < picks; n++, w = Math.floor(w / bowls)) got[w % bowls] = (got[w % bowls] ?? 0) + 1;
        return Math.max(...got);
      });
      for (let most = 1; most <= picks; most++) {
        const exact = tops.filter((t) => t >= most).length / all;
        expect(chanceOfFirst(most, picks, bowls)).toBeCloseTo(exact, 6);
      }
    }),
    { numRuns: 40 },
  );
});

test('a count is said with its chance in words', () => {
  const t = tastedOf(['A', 'B'], said('BBABBABB'));
  expect(t).toMatchObject({ ahead: 'B', tasters: 8, none: 0, verdict: 'open' });
  expect(tastedInWords(t)).toBe(
    '6 of 8 chose B. By chance one of the two gets six or more about once in 3 to 4 times: no clear winner.',
  );
  // 13 of 17 is the first that is clear with three of four: 2 * (2380 + 680 + 136 + 17 + 1) / 2^17 = 0.049
  expect(tastersFor(t)).toBe(17);
  expect(tastedInWords(tastedOf(['A', 'B'], said('AAAAAA')))).toBe(
    '6 of 6 chose A. By chance one of the two gets six about once in 30 times: A is clearly liked more.',
  );
  expect(tastedInWords(tastedOf(['A', 'B'], said('AAAAA-')))).toBe(
    '5 of 5 chose A. One had no preference. By chance one of the two gets five about once in 16 times: it leans to A, and is not clear.',
  );
  expect(tastedInWords(tastedOf(['A', 'B'], said('AB')))).toBe('Level: 1 for A, 1 for B. No clear winner.');
  expect(tastedInWords(tastedOf(['A', 'B'], said('--')))).toBe('None of the 2 tasters has a preference.');
  expect(tastedInWords(tastedOf(['A', 'B'], []))).toBe('Nobody has tasted yet.');
  expect(tastersFor(tastedOf(['A', 'B'], said('AB')))).toBeNull();
});

test.each([
  [1 / 3.46, 'about once in 3 to 4 times'],
  [1 / 4.1, 'about once in 4 times'],
  [1 / 16, 'about once in 16 times'],
  [1 / 128, 'about once in 150 times'],
  [0.9, 'nearly always'],
  [0.66, 'about two times in three'],
  [0.5, 'about once in 2 times'],
  [1, 'always'],
  [1e-5, 'less than once in 1,000 times'],
])('one in %f is said', (p, says) => expect(timesInWords(p)).toBe(says));

test('of who tastes twice the last word counts, however the name is written', () => {
  const list: readonly Ballot[] = [
    { taster: 'Ann', tasted: ['A', 'B'], picked: ['A'] },
    { taster: 'Ben', tasted: ['B', 'A'], picked: ['A'] },
    { taster: ' ann', tasted: ['A', 'B'], picked: ['B'] },
  ];
  expect(lastWords(list).map((b) => b.picked[0])).toEqual(['B', 'A']);
  expect(tastedOf(['A', 'B'], list).tasters).toBe(2);
});

test('each bowl stands in each place as often as the others, for any number of tasters', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 4 }), fc.integer({ min: 1, max: 24 }), (n, tasters) => {
      const bowls = BOWLS.slice(0, n);
      const orders: (readonly BowlLetter[])[] = [];
      for (let t = 0; t < tasters; t++) orders.push(nextOrder(bowls, orders));
      for (const o of orders) expect([...o].sort()).toEqual([...bowls]);
      for (let place = 0; place < n; place++) {
        const had = bowls.map((b) => orders.filter((o) => o[place] === b).length);
        expect(Math.max(...had) - Math.min(...had)).toBeLessThanOrEqual(n === 2 ? 1 : 2);
      }
    }),
  );
});
