/** What is heard at the griddle in a pour, a turn, a look and at the end. */
import type { Piece } from '@/core/griddle/board';
import { saidAtGriddle } from './said';

const PIECE: Piece = { id: 'a', piece: 3, surface: 'g', slot: 0, pouredAt: 0, flippedAt: null, pulledAt: null };
const AT = { next: 4, test: false, held: false, end: null, rests: null } as const;
const place = { surface: 'g', slot: 1 };

test.each<[string, string]>([
  [saidAtGriddle({ ...AT, step: { do: 'pour', place }, next: 1, test: true }, null), 'Pour 1, one to test with'],
  [saidAtGriddle({ ...AT, step: { do: 'pour', place } }, { act: 'pour', piece: 3 }), 'Poured: 3. Pour 4'],
  [saidAtGriddle({ ...AT, step: { do: 'pour', place }, end: 'thin' }, null), 'Pour 4, thin'],
  [
    saidAtGriddle({ ...AT, step: { do: 'pour', place }, rests: '8:10' }, { act: 'join', piece: 1 }),
    'Combined: bowl 1. Rests until 8:10; heat the griddle',
  ],
  [saidAtGriddle({ ...AT, step: { do: 'flip', piece: PIECE } }, { act: 'flip', piece: 2 }), 'Turned: 2. Turn 3'],
  [saidAtGriddle({ ...AT, step: { do: 'pull', piece: PIECE } }, { act: 'wait', piece: 2 }), 'Not yet: 2. Take off 3'],
  [
    saidAtGriddle({ ...AT, step: { do: 'wait', piece: PIECE, until: 9 } }, { act: 'move', piece: 3 }),
    'Moved: 3. Piece 3 is next',
  ],
  [saidAtGriddle({ ...AT, step: { do: 'done' } }, { act: 'pull', piece: 6 }), 'Taken off: 6. All off the heat'],
  [saidAtGriddle({ ...AT, step: { do: 'done' }, held: true }, null), 'How is the test piece?'],
])('%s', (said, expected) => expect(said).toBe(expected));
