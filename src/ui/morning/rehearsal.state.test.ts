/** Rehearsed plans side by side, in words. */
import { clockOf } from '@/core/morning/morning';
import type { Rehearsed } from '@/core/morning/rehearse';
import { behindWords, rehearsalRows, waitWords } from './rehearsal.state';

const clock = (min: number): string => clockOf(min);
const even = (half: number) => ({ half, low: half, high: half });
const came = (nineOfTen: number, left: number): Rehearsed => ({
  mornings: 300,
  wait: { mean: 2, half: 0.3, nineOfTen, longest: nineOfTen + 5 },
  waves: [{ at: 450, nineOfTenBy: 450 + nineOfTen, lastBy: 455 + nineOfTen }],
  dishes: [
    {
      id: 'd1',
      name: 'Cakes',
      without: even(0),
      otherwise: { half: 2, low: 0, high: 5 },
      outAt: null,
      left: even(left),
      held: { half: 3, nineOfTen: 9, tooLong: 0.1 },
    },
  ],
  hands: [
    { name: 'Wren', load: 0.4 },
    { name: 'Pip', load: 0.7 },
  ],
  surfaces: [{ name: 'Long griddle', load: 0.9 }],
  curve: [
    { at: 445, ready: even(10), wanted: 0 },
    { at: 455, ready: { half: 10, low: 8, high: 12 }, wanted: 24 },
    { at: 465, ready: even(28), wanted: 28 },
  ],
});

test('what is best of two plans is marked; where both are alike, neither is', () => {
  const rows = rehearsalRows([came(12, 3), came(4, 3)], clock);
  const row = (label: string) => rows.find((r) => r.label === label);
  expect(row('Nine of ten wait at most')).toEqual({ label: expect.anything(), values: ['12 min', '4 min'], best: [1] });
  expect(row('Half of the guests wait at most')).toMatchObject({
    values: ['under a minute', 'under a minute'],
    best: [],
  });
  expect(row('Last plate of 07:30')).toMatchObject({ values: ['07:47', '07:39'], best: [1] });
  expect(row('Pieces left over')).toMatchObject({ values: ['3', '3'], best: [] });
  expect(row('Guests who take another dish')?.values[0]).toBe('2 (0 to 5)');
  expect(row('Busiest hands')?.values).toEqual(['Pip, 70 %', 'Pip, 70 %']);
});

test('the answer, and when it is furthest behind, in a sentence each', () => {
  expect(waitWords(came(12, 0))).toBe('Nine of ten guests have their plate within 12 min.');
  expect(waitWords(came(0.2, 0))).toBe('Nine of ten guests have their plate at once.');
  expect(behindWords(came(12, 0), clock)).toBe(
    'Furthest behind at 07:35: 24 plates are wanted by then, 10 ready in half of the mornings (8 in one of ten, 12 in nine).',
  );
  expect(behindWords({ ...came(1, 0), curve: [{ at: 450, ready: even(9), wanted: 9 }] }, clock)).toMatch(
    /always as many/,
  );
});
