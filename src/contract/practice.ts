/** What the practice pages send. */
import { z } from 'zod';
import { DRILLS } from '@/core/practice/drills';
import { LESSONS } from '@/core/practice/lessons';
import { requestId } from './fields';

const WHAT = [...LESSONS.map((l) => `lesson:${l.id}`), ...DRILLS.map((d) => `drill:${d}`)];

export const trySchema = z.object({
  id: z.uuid(),
  /** Whose it is; on a device that somebody has signed on it is theirs, whatever is sent. */
  personId: z.uuid().nullable(),
  what: z.string().refine((w) => WHAT.includes(w), 'There is no such lesson or drill.'),
  passed: z.boolean(),
  worth: z.number().min(0).max(1),
  was: z.string().max(200),
});
export const forgetTriesSchema = z.object({ personId: z.uuid(), requestId });
