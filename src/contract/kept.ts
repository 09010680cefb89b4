/** What is kept after the heat, and what leaves of it. */
import { z } from 'zod';
import { COOKED, KEPT_HOWS, KEPT_STATES } from '@/core/batch/kept';
import { amount, count, day, note, requestId } from './fields';

const MOST_PIECES = 10_000;
const who = note(80);

export const keepLotSchema = z
  .object({
    batchId: z.uuid(),
    state: z.enum(KEPT_STATES),
    cooked: z.enum(COOKED),
    pieces: count('Pieces', MOST_PIECES),
    parcel: count('Pieces in a parcel', MOST_PIECES).nullable(),
    place: note(80),
    made: day('The day it was made: year, month and day.'),
    bestBy: day('Best by: year, month and day.'),
    note: note(500),
    who,
    requestId,
  })
  .refine((k) => k.bestBy >= k.made, { path: ['bestBy'], message: 'It is not best before it was made.' })
  .refine((k) => (k.state === 'batter') === (k.cooked === 'raw'), {
    path: ['cooked'],
    message: 'Batter is not baked, and pieces are.',
  });

export const keptGoneSchema = z.object({
  lotId: z.uuid(),
  pieces: amount('Pieces', MOST_PIECES).int('Pieces come whole.'),
  how: z.enum(KEPT_HOWS),
  who,
  requestId,
});
export const keptUndoSchema = z.object({ useId: z.uuid() });
