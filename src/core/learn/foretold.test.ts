import { againstForetold, type Foretold, foretoldNumber, foretoldRange, foretoldSaid } from '../batch/foretold';
import { FRESH_DATING } from '../quantity/day';

const OF: Foretold = {
  numbers: [
    { what: 'pieces', value: 84, low: 78, high: 84 },
    { what: 'across', value: 105, low: 94, high: 118 },
    { what: 'height', value: 11, low: 9, high: 14 },
    { what: 'first', value: 140, low: 111, high: 176 },
  ],
  by: ['spread'],
};
const came = { pieces: 80, acrossMm: 119, heightMm: null, firstSideS: 176, secondSideS: 70, lastOffAt: null };

test('what was measured is held against its range, half a millimetre either way; what nobody measured is left out', () => {
  expect(againstForetold(OF, came).map((h) => [h.what, h.seen, h.within])).toEqual([
    ['pieces', 80, true],
    ['across', 119, false],
    ['first', 176, true],
  ]);
  expect(againstForetold(OF, { ...came, acrossMm: 118.4 }).find((h) => h.what === 'across')?.within).toBe(true);
});

test('each number is written as a cook writes it, its unit once', () => {
  const u = { ...FRESH_DATING, zone: 'UTC' };
  expect(OF.numbers.map((n) => [foretoldNumber(n.what, n.value, u), foretoldRange(n, u)])).toEqual([
    ['84', '78 to 84'],
    ['10.5 cm', '9.4 to 11.8 cm'],
    ['11 mm', '9 to 14 mm'],
    ['2:20', '1:51 to 2:56'],
  ]);
  expect(foretoldRange({ what: 'height', value: 11, low: 10.9, high: 11.2 }, u)).toBeNull();
  const thick = { what: 'first' as const, value: 140, low: 111, high: 176 };
  expect(foretoldSaid(thick, u)).toEqual(['2:20', '1:51 to 2:56']);
  expect(foretoldSaid({ ...thick, ranged: true }, u)).toEqual(['1:51 to 2:56', null]);
  expect(foretoldNumber('off', Date.UTC(2026, 4, 4, 7, 30), u)).toBe('07:30');
});
