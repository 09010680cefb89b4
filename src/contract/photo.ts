/** What a photograph comes with. */
import { z } from 'zod';
import { SHOWS } from '@/core/judge/photographs';

/** As the address says it. */
export const photoAskedSchema = z
  .object({
    batch: z.uuid().optional(),
    formula: z.uuid().optional(),
    shows: z.enum(SHOWS, 'It shows a face, a cut, a bowl, or something other.'),
    original: z.enum(['0', '1']).default('0'),
    request: z.uuid().optional(),
  })
  .refine(
    (p) => (p.batch === undefined) !== (p.formula === undefined),
    'A photograph is of a batch or of a formula’s target.',
  );
export type PhotoAsked = z.output<typeof photoAskedSchema>;

export const photoIdSchema = z.object({ id: z.uuid() });
export const photoShowsSchema = z.object({ id: z.uuid(), shows: z.enum(SHOWS) });
