/** A trial as it is planned, tasted and opened. */
import { z } from 'zod';
import { TAKES } from '@/core/batch/take-out';
import { BOWLS } from '@/core/judge/taste';
import { LEAST_WAYS, MOST_WAYS } from '@/core/judge/trial';
import { MOST_PERSON_CHARS } from '@/core/morning/people';
import { amount, name, note } from './fields';
import { actEditSchema } from './formula';

const lineText = z.string().trim().min(1, 'Write the line.').max(300, 'A line has at most 300 characters.');
const lineKey = z.string().min(1, 'Pick a line.').max(20);

const trialChangeSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('same') }),
  z.object({ do: z.literal('line'), key: lineKey, text: lineText }),
  z.object({ do: z.literal('leave'), key: lineKey }),
  z.object({ do: z.literal('add'), text: lineText }),
  z.object({ do: z.literal('edit'), edit: actEditSchema }),
  z.object({ do: z.literal('portion'), ml: amount('Portion', 5000) }),
  z.object({ do: z.literal('version'), number: z.number().int().min(1) }),
]);

const bowls = z.array(z.enum(BOWLS)).max(MOST_WAYS);
const each = { pieces: amount('Pieces', 1000).int('Pieces come whole.'), portionMl: amount('Portion', 5000) };
const maker = note(MOST_PERSON_CHARS).default('');

export const trialPlanSchema = z.object({
  ways: z
    .array(z.object({ bowl: z.enum(BOWLS), change: trialChangeSchema }))
    .min(LEAST_WAYS)
    .max(MOST_WAYS),
  ...each,
  maker,
});

export const keepTrialSchema = z.object({
  /** Made by the form: sent twice it is one. */
  id: z.uuid(),
  versionId: z.uuid(),
  changes: z
    .array(trialChangeSchema)
    .min(LEAST_WAYS, 'A trial has two ways at least.')
    .max(MOST_WAYS, `A trial has at most ${MOST_WAYS} ways.`),
  ...each,
  maker,
});

export const beginTrialSchema = z.object({ id: z.uuid(), take: z.enum(TAKES).default('anyway') });

export const tasteSchema = z
  .object({
    id: z.uuid(),
    trialId: z.uuid(),
    taster: name(MOST_PERSON_CHARS, 'Say who tastes.'),
    personId: z.uuid().nullable().default(null),
    tasted: bowls.min(LEAST_WAYS),
    picked: bowls,
  })
  .refine((b) => new Set(b.tasted).size === b.tasted.length, { path: ['tasted'], message: 'Each bowl is tasted once.' })
  .refine((b) => new Set(b.picked).size === b.picked.length && b.picked.every((x) => b.tasted.includes(x)), {
    path: ['picked'],
    message: 'Pick among the bowls that were tasted, each once.',
  });

export const oneTrialSchema = z.object({ id: z.uuid() });
