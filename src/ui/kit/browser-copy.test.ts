/** What was kept in the browser takes its place again only where it still has its shape. */
import { ofItsShape } from './browser-copy';

const NOW = {
  amount: '12',
  eggs: null as number | null,
  take: true,
  several: [] as readonly string[],
  split: { by: 'one', mixes: null as string | null },
  bags: {} as Readonly<Record<string, string>>,
};

test('what has its shape comes back, null for a number and a number for null too', () => {
  const kept = {
    ...NOW,
    amount: '84',
    eggs: 3,
    several: ['egg'],
    split: { by: 'bowls', mixes: '2' },
    bags: { a: '1' },
  };
  expect(ofItsShape(NOW, kept)).toEqual(kept);
  expect(ofItsShape({ ...NOW, eggs: 3 }, { eggs: null })).toEqual({ eggs: null });
});

test('what has lost its shape stays out, part by part, deep too', () => {
  expect(ofItsShape(NOW, { amount: 84, take: 'yes', several: 'egg', other: 1 })).toEqual({});
  expect(ofItsShape(NOW, { split: { by: 'bowls' }, take: false })).toEqual({ take: false });
  expect(ofItsShape(NOW, { split: ['bowls'] })).toEqual({});
});
