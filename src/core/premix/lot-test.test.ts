import fc from 'fast-check';
import { type LotTest, offLot, offLotSaid, testedLots } from './lot-test';

const NONE = { flowS: null, acrossMm: null, heightMm: null, foamMm: null };
const tested = (number: string, values: Partial<LotTest['values']>, struck = false): LotTest => ({
  id: `${number} ${JSON.stringify(values)}`,
  number,
  values: { ...NONE, ...values },
  who: '',
  note: '',
  at: new Date(0),
  struck,
});

test('a lot is the middle of its standing tests; what is struck out counts no more', () => {
  const lots = testedLots([
    tested('A', { foamMm: 20 }),
    tested('A', { foamMm: 24, heightMm: 11 }),
    tested('A', { foamMm: 90 }, true),
    tested('B', { foamMm: 21 }),
  ]);
  expect(lots).toEqual([
    { number: 'A', values: { ...NONE, foamMm: 22, heightMm: 11 } },
    { number: 'B', values: { ...NONE, foamMm: 21 } },
  ]);
});

test('from five lots on one that is off beyond the others’ spread is told, by hand', () => {
  // 18, 20, 22, 24: middle 21, spread root(20/3) = 2.582; 5.841 x 2.582 x root(1.25) = 16.86
  const four = [18, 20, 22, 24].map((foamMm, n) => tested(`L${n}`, { foamMm }));
  const off = (foamMm: number) => offLot('N', testedLots([...four, tested('N', { foamMm })]));
  expect(off(4.2)).toEqual([]);
  expect(off(4)[0]).toMatchObject({ measure: 'foamMm', lots: 4 });
  expect(off(4)[0]?.high).toBeCloseTo(37.86, 1);
  expect(offLotSaid(off(4)[0] as never)).toBe('Foam 4 mm: by the 4 other lots 4 to 38 mm is expected (duller).');
  // four lots in all are too few to say so
  expect(offLot('N', testedLots([...four.slice(1), tested('N', { foamMm: 1 })]))).toEqual([]);
  // equal lots: no finer than the eye reads, 2 mm; t(5) = 4.032 x 2 x root(7/6) = 8.71
  const six = Array.from({ length: 6 }, (_, n) => tested(`S${n}`, { foamMm: 20 }));
  expect(offLot('N', testedLots([...six, tested('N', { foamMm: 28 })]))).toEqual([]);
  expect(offLot('N', testedLots([...six, tested('N', { foamMm: 29 })]))).toHaveLength(1);
});

test('of lots that differ by chance alone at most about one in a hundred is told', () => {
  // a sum of twelve even draws is nearly normal
  let told = 0;
  let all = 0;
  fc.assert(
    fc.property(
      fc.array(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 12, maxLength: 12 }), {
        minLength: 8,
        maxLength: 8,
      }),
      (draws) => {
        const lots = testedLots(
          draws.map((d, n) => tested(`L${n}`, { acrossMm: 120 + 5 * (d.reduce((a, x) => a + x, 0) - 6) })),
        );
        all++;
        if (offLot('L7', lots).length > 0) told++;
      },
    ),
    { numRuns: 600, seed: 11 },
  );
  expect(told / all).toBeLessThan(0.04);
});
