/** What a sauce, butter, filling or topping is kept by. */
import { z } from 'zod';
import { MOST_PARTS, SIDE_BYS } from '@/core/batch/sides';
import { amount } from './fields';

export const sideSchema = z.object({
  id: z.uuid().nullable(),
  name: z.string().trim().min(1, 'Give it a name.').max(80, 'A name has at most 80 characters.'),
  by: z.enum(SIDE_BYS),
  parts: z
    .array(z.object({ ingredientId: z.string().min(1, 'Choose what it is.').max(60), parts: amount('Parts', 100_000) }))
    .min(1, 'It needs at least one part.')
    .max(MOST_PARTS, `At most ${MOST_PARTS} parts.`),
  servingG: amount('A serving', 5000),
  method: z.string().trim().max(2000, 'At most 2,000 characters.'),
});
/** The revision is the one that was seen: what another has made of it meanwhile is not dropped unseen. */
export const dropSideSchema = z.object({ id: z.uuid(), revision: z.int().positive() });
