import fc from 'fast-check';
import {
  bagAsked,
  bagsOfLot,
  blendsWeighed,
  type LotWeighing,
  offInBlends,
  readNumbers,
  recalledBags,
  sharesOf,
  standingWeighings,
  weighedG,
} from './blended';
import { numbersSaid, type Sack } from './premix';

let n = 0;
const weighing = (
  blend: number,
  ingredientId: string,
  targetG: number,
  sacks: readonly Sack[],
  more: Partial<LotWeighing> = {},
): LotWeighing => ({
  id: `w${++n}`,
  key: `${blend}.1.${ingredientId}.1`,
  blend,
  ingredientId,
  name: ingredientId,
  targetG,
  toleranceG: 1,
  sacks,
  scale: '',
  by: null,
  at: new Date(0),
  replaces: null,
  why: '',
  ...more,
});
const flour = (lot: string) => ({ id: 'flour', name: 'Flour', grams: 0, lot });

const inOrder = (blends: number) => ({ blends, emptied: [] });

test('bags are filled one blend after the other; where one ends within a bag, that bag is of both', () => {
  // two blends of 2500 g in ten bags of 500 g: five of each
  const ten = bagsOfLot([{ bagG: 500, bags: 10, firstBag: 1 }], inOrder(2));
  expect(ten.map((b) => b.blends.join('+'))).toEqual(['1', '1', '1', '1', '1', '2', '2', '2', '2', '2']);
  // 1000 g bags: the third takes the last 500 g of the first blend and 500 g of the second
  const five = bagsOfLot([{ bagG: 1000, bags: 5, firstBag: 11 }], inOrder(2));
  expect(five.map((b) => [b.number, b.blends.join('+')])).toEqual([
    [11, '1'],
    [12, '1'],
    [13, '1+2'],
    [14, '2'],
    [15, '2'],
  ]);
});

test('blends that were emptied in another order, by hand; an order that names no blend twice or none counts', () => {
  const size = [{ bagG: 500, bags: 6, firstBag: 1 }];
  const of = (emptied: readonly number[]): string =>
    bagsOfLot(size, { blends: 3, emptied })
      .map((b) => b.blends.join('+'))
      .join(' ');
  expect(of([])).toBe('1 1 2 2 3 3');
  expect(of([3, 1, 2])).toBe('3 3 1 1 2 2');
  expect(of([3, 1, 1])).toBe('1 1 2 2 3 3');
});

test('shares of a blend beside those that were meant', () => {
  const [b] = blendsWeighed([
    weighing(1, 'flour', 900, [{ lot: '', grams: 900 }]),
    weighing(1, 'soda', 100, [{ lot: '', grams: 300 }]),
  ]);
  if (!b) throw new Error('no blend');
  expect(sharesOf(b)).toEqual([
    { name: 'flour', pct: 75, meantPct: 90 },
    { name: 'soda', pct: 25, meantPct: 10 },
  ]);
});

test('a weighing put right stands for the one before, which stays; what is off is told with its bags', () => {
  const wrong = weighing(2, 'soda', 45, [{ lot: 'S1', grams: 53 }]);
  const all = [weighing(1, 'soda', 45, [{ lot: 'S1', grams: 45 }]), wrong];
  const bags = bagsOfLot([{ bagG: 500, bags: 12, firstBag: 1 }], inOrder(2));
  expect(offInBlends(all, bags)).toEqual([
    { blend: 2, name: 'soda', grams: 53, targetG: 45, bags: [7, 8, 9, 10, 11, 12] },
  ]);
  const put = [...all, weighing(2, 'soda', 45, [{ lot: 'S1', grams: 45.5 }], { replaces: wrong.id, why: 'misread' })];
  expect(offInBlends(put, bags)).toEqual([]);
  expect(standingWeighings(put).map(weighedG)).toEqual([45, 45.5]);
  expect(blendsWeighed(put).map((b) => b.grams)).toEqual([45, 45.5]);
});

test('a sack that ends in a blend is in all of it, and in none of the others', () => {
  const all = [
    weighing(1, 'flour', 1000, [{ lot: 'MILL-1', grams: 1000 }]),
    weighing(2, 'flour', 1000, [
      { lot: 'MILL-1', grams: 300 },
      { lot: 'mill 2', grams: 700 },
    ]),
    weighing(3, 'flour', 1000, [{ lot: 'MILL2', grams: 1000 }]),
  ];
  const bags = bagsOfLot([{ bagG: 750, bags: 4, firstBag: 1 }], inOrder(3));
  expect(bags.map((b) => b.blends.join('+'))).toEqual(['1', '1+2', '2+3', '3']);
  const contents = [flour('MILL-1, mill 2')];
  expect(recalledBags('mill1', contents, all, bags)).toEqual({ is: [1, 2], may: [3] });
  expect(recalledBags('MILL-2', contents, all, bags)).toEqual({ is: [3, 4], may: [2] });
  // a blend whose sack nobody noted may be of it
  const [first, second, third] = all;
  const open = [first, second, third].flatMap((w) =>
    w ? [w.blend === 3 ? { ...w, sacks: [{ lot: '', grams: 1000 }] } : w] : [],
  );
  expect(recalledBags('MILL-1', contents, open, bags)).toEqual({ is: [1, 2], may: [3, 4] });
});

test('a lot whose sacks were noted for the whole of it may be of each in every bag; one without numbers has none', () => {
  const all = [weighing(1, 'flour', 1000, [{ lot: '', grams: 1000 }])];
  const bags = bagsOfLot([{ bagG: 500, bags: 2, firstBag: 1 }], inOrder(1));
  expect(recalledBags('M7', [flour('M7, M8')], all, bags)).toEqual({ is: [], may: [1, 2] });
  expect(
    recalledBags('M7', [flour('M7, M8')], [], bagsOfLot([{ bagG: 500, bags: 2, firstBag: null }], null)),
  ).toBeNull();
});

test('numbers of bags are said as runs, and read back', () => {
  expect(numbersSaid([1, 2, 3, 7, 9, 10])).toBe('1 to 3, 7, 9, 10');
  expect(readNumbers('1 to 3, 7, 9-10')).toEqual([1, 2, 3, 7, 9, 10]);
  expect(readNumbers('')).toEqual([]);
  expect(readNumbers('nine')).toBeNull();
  expect(readNumbers('9-3')).toBeNull();
  expect(bagAsked('261125-2/7')).toEqual({ lot: '261125-2', bag: 7 });
  expect(bagAsked('261125-2 bag 12')).toEqual({ lot: '261125-2', bag: 12 });
  expect(bagAsked('MILL-0502')).toBeNull();
});

const sizes = fc.array(fc.record({ bagG: fc.constantFrom(450, 1000, 5000), bags: fc.integer({ min: 1, max: 30 }) }), {
  minLength: 1,
  maxLength: 3,
});

test('laws: each bag leads to its blends and each blend to its bags; what a code is in and may be in holds the truth', () => {
  fc.assert(
    fc.property(
      sizes,
      fc.array(fc.tuple(fc.integer({ min: 0, max: 3 }), fc.integer({ min: 0, max: 3 })), {
        minLength: 1,
        maxLength: 6,
      }),
      (fills, sacks) => {
        let first = 1;
        const numbered = fills.map((f) => {
          const at = first;
          first += f.bags;
          return { ...f, firstBag: at };
        });
        const allG = fills.reduce((a, f) => a + f.bags * f.bagG, 0);
        const eachG = allG / sacks.length;
        const all = sacks.map(([a, b], k) =>
          weighing(k + 1, 'flour', eachG, [
            { lot: `S${a}`, grams: eachG / 3 },
            { lot: `S${b}`, grams: (2 * eachG) / 3 },
          ]),
        );
        const bags = bagsOfLot(numbered, inOrder(sacks.length));
        expect(bags.map((b) => b.number)).toEqual(Array.from({ length: first - 1 }, (_, k) => k + 1));
        expect(bags.every((b) => b.blends.length > 0)).toBe(true);
        // what is in the bags of a blend, its parts of bags at most, is the blend
        for (const k of sacks.keys()) {
          const own = bags.filter((b) => b.blends.includes(k + 1));
          const whole = own.filter((b) => b.blends.length === 1).reduce((a, b) => a + b.bagG, 0);
          expect(whole).toBeLessThanOrEqual(eachG * 1.05);
          expect(own.reduce((a, b) => a + b.bagG, 0)).toBeGreaterThanOrEqual(eachG * 0.9);
        }
        const contents = [flour([...new Set(sacks.flat())].map((s) => `S${s}`).join(', '))];
        for (const s of new Set(sacks.flat())) {
          const r = recalledBags(`S${s}`, contents, all, bags);
          const holds = (k: number): boolean => sacks[k - 1]?.includes(s) ?? false;
          for (const b of bags) {
            expect(r?.is.includes(b.number)).toBe(b.blends.every(holds));
            expect(r?.may.includes(b.number)).toBe(b.blends.some(holds) && !b.blends.every(holds));
          }
        }
      },
    ),
  );
});
