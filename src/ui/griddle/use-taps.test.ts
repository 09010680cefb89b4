import type { Tap } from '@/core/griddle/board';
import { applied } from './use-taps';

const tap = (id: string, piece = 1): Tap => ({ id, piece, act: 'pour', surface: 'g', slot: 0, at: 0 });
const ids = (taps: readonly Tap[]): readonly string[] => taps.map((t) => t.id);

test('what is still to be sent shows at once, once, in order; and what is taken back is gone', () => {
  const server = [tap('a'), tap('b', 2)];
  expect(ids(applied(server, []))).toEqual(['a', 'b']);
  expect(ids(applied(server, [{ tap: tap('c', 3) }]))).toEqual(['a', 'b', 'c']);
  // the server has it already, and the answer was lost
  expect(ids(applied(server, [{ tap: tap('b', 2) }]))).toEqual(['a', 'b']);
  expect(ids(applied(server, [{ drop: 'a' }, { tap: tap('c', 3) }, { drop: 'c' }]))).toEqual(['b']);
  // taken back twice is taken back
  expect(ids(applied(server, [{ drop: 'a' }, { drop: 'a' }]))).toEqual(['b']);
});
