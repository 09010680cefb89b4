import type { SheetLine } from './sheet-line';
import { proposedIn, weighedOf } from './weighed';

const line = (key: string, grams: number, more: Partial<SheetLine> = {}): SheetLine =>
  ({
    key,
    name: key.toUpperCase(),
    grams,
    vessel: 'dry',
    measure: `${grams} g`,
    text: '',
    preparation: '',
    ...more,
  }) as SheetLine;

test('mixes and parts of an egg are one entry’s; what stands for two, a sauce, and what was not weighed are left out', () => {
  const batch = {
    sheet: [
      line('l1m1', 100),
      line('l1m2', 100),
      line('l2~y', 40),
      line('l2~w', 60),
      line('l3', 10),
      line('l4+l5', 50),
      line('l6', 30, { side: 'Sauce' }),
      line('l7', 80, { was: 70 }),
    ],
    weights: { l1m1: 102, l1m2: 99, 'l2~y': 41, 'l2~w': 60, 'l4+l5': 50, l6: 30, l7: 80 },
  };
  expect(weighedOf(batch)).toEqual([
    { key: 'l1', askedG: 200, wentG: 201 },
    { key: 'l2', askedG: 100, wentG: 101 },
    // worked anew around another: asked for as it was planned
    { key: 'l7', askedG: 70, wentG: 80 },
  ]);
});

test('proposed amounts are told once they are weighed', () => {
  const sheet = [line('l1', 100, { usualG: [50, 200] }), line('l2', 5, { usualG: [4, 6] }), line('l3', 9)];
  expect(proposedIn({ sheet, weights: { l1: 120, l3: 9 } })).toEqual([{ name: 'L1', g: 120 }]);
});
