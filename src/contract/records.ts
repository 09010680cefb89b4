/** What the Records page asks for. */
import { z } from 'zod';

/** How many backups are kept where nobody has said, and the most. */
export const FRESH_KEEP = 14;
export const MOST_KEPT = 365;
export const keepSchema = z
  .number('How many: write a whole number.')
  .int('How many: write a whole number.')
  .min(2, 'Keep at least two.')
  .max(MOST_KEPT, `At most ${MOST_KEPT}.`);

export const keepBackupsSchema = z.object({ keep: keepSchema });
export const asideSchema = z.object({ path: z.string().regex(/^[a-zA-Z]+(?:\.[a-zA-Z0-9-]+){0,3}$/, 'That is no part of the house.') });
export const nothingSchema = z.object({});
