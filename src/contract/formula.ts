/** What a version of a formula is saved by, and what is kept of it. */
import { z } from 'zod';
import { VESSELS } from '@/core/card/parts';
import { MOST_SENTENCE_CHARS } from '@/core/card/told/words';
import { MOST_ACT_MIN, MOST_ACT_NOTE_CHARS, MOST_DOES_CHARS, MOST_EDITS, MOST_LOAD } from '@/core/formula/act-edits';
import {
  DRESSINGS,
  END_IDS,
  GROUP_ROLES,
  MOMENTS,
  MOST_ENTRIES,
  MOST_NAME_CHARS,
  MOST_NOTES_CHARS,
  NOTHING_HELD,
} from '@/core/formula/formula';
import { KIND_IDS, RAILS } from '@/core/formula/kinds';
import { settingsSince } from '@/core/formula/version';
import type { Ways } from '@/core/formula/ways';
import { requestId } from './fields';
import { conventionsSchema, waysSchema } from './house';

export const entrySchema = z.object({
  key: z.string().regex(/^l\d{1,6}$/),
  text: z.string().max(2000, 'A line has at most 2,000 characters.'),
  ingredientId: z.string().max(60).optional(),
  vessel: z.enum(VESSELS).optional(),
  stands: z.enum(['weight', 'volume']).optional(),
  foam: z.enum(['soft', 'firm']).optional(),
  off: z.boolean().optional(),
  pinned: z.boolean().optional(),
  opened: z.iso.date('The day it was opened: year, month and day.').optional(),
  drainedG: z.number().positive().max(1_000_000).optional(),
  mostG: z.number().positive().max(1_000_000).optional(),
  proposed: z.tuple([z.number().min(0).max(1), z.number().min(1).max(100)]).optional(),
  moment: z.enum(MOMENTS).optional(),
  dressing: z.enum(DRESSINGS).optional(),
  end: z.enum(END_IDS).optional(),
  group: z
    .object({ name: z.string().min(1).max(60), role: z.enum(GROUP_ROLES), asked: z.literal(true).optional() })
    .optional(),
});

const actId = z.string().min(1).max(120);
const actHeat = z
  .number('Heat: write a number.')
  .min(30, 'A surface is at least 30 °C.')
  .max(400, 'A surface is at most 400 °C.');
const actMinutes = z
  .number('Minutes: write a number.')
  .positive('Minutes have to be more than nothing.')
  .max(MOST_ACT_MIN, `An act takes at most ${MOST_ACT_MIN.toLocaleString('en-GB')} minutes.`);
const toldWords = z.string().max(MOST_SENTENCE_CHARS).optional();
/** @see ActEdit */
export const actEditSchema = z.discriminatedUnion('do', [
  z
    .object({
      do: z.literal('way'),
      act: z.enum(Object.keys(waysSchema.shape) as [keyof Ways, ...(keyof Ways)[]]),
      value: z.union([z.string(), z.number()]),
      words: toldWords,
    })
    .superRefine(({ act, value }, ctx) => {
      const [issue] = waysSchema.shape[act].safeParse(value).error?.issues ?? [];
      if (issue) ctx.addIssue({ code: 'custom', path: ['value'], message: issue.message });
    }),
  z.object({
    do: z.literal('set'),
    act: actId,
    minutes: actMinutes.optional(),
    heatC: actHeat.optional(),
    thenC: actHeat.optional(),
    load: z.number().int().min(1, 'At least one.').max(MOST_LOAD, `At most ${MOST_LOAD} at a time.`).optional(),
    words: toldWords,
  }),
  z.object({ do: z.literal('leave'), act: actId, words: toldWords }),
  z.object({
    do: z.literal('note'),
    act: actId,
    note: z
      .string()
      .trim()
      .min(1, 'Write the note.')
      .max(MOST_ACT_NOTE_CHARS, `A note has at most ${MOST_ACT_NOTE_CHARS} characters.`),
    words: toldWords,
  }),
  z.object({
    do: z.literal('own'),
    act: actId,
    before: actId,
    does: z
      .string()
      .trim()
      .min(1, 'Write what is done.')
      .max(MOST_DOES_CHARS, `What is done has at most ${MOST_DOES_CHARS} characters.`),
    minutes: actMinutes,
    hands: z.number().min(0).max(MOST_ACT_MIN),
    words: toldWords,
  }),
]);

const endName = z
  .string()
  .trim()
  .min(1, 'A finish needs a name.')
  .max(40, 'The name of a finish has at most 40 characters.');

/** What a version keeps besides name, kind, conventions and lines. */
export const settingsSchema = z.object({
  portionMl: z
    .number('Portion: write a number.')
    .positive('Portion has to be more than nothing.')
    .max(5000, 'Portion: at most 5,000.')
    .nullable()
    .default(null),
  held: z
    .object({
      rails: z.array(z.enum(RAILS)).max(RAILS.length),
      mass: z.boolean(),
      eggs: z.boolean(),
      blend: z.boolean(),
    })
    .default({ ...NOTHING_HELD, rails: [] }),
  edits: z.array(actEditSchema).max(MOST_EDITS, `At most ${MOST_EDITS} changes of the making.`).default([]),
  dismissed: z.array(z.string().max(60)).max(60).default([]),
  ends: z
    .tuple([
      z.object({ id: z.literal('a'), name: endName, kind: z.enum(KIND_IDS).optional(), school: z.string().max(30) }),
      z.object({ id: z.literal('b'), name: endName, kind: z.enum(KIND_IDS).optional(), school: z.string().max(30) }),
    ])
    .nullable()
    .default(null),
});

/** A formula as it is sent or kept whole; an older shape of its settings is brought to today's first. */
const formulaShape = settingsSchema.extend({
  name: z
    .string()
    .trim()
    .min(1, 'Give the formula a name before saving it.')
    .max(MOST_NAME_CHARS, `A name has at most ${MOST_NAME_CHARS} characters.`),
  kind: z.enum(KIND_IDS),
  school: z.string().max(30),
  conventions: conventionsSchema.partial(),
  entries: z
    .array(entrySchema)
    .min(1, 'A formula needs at least one line.')
    .max(MOST_ENTRIES, `A formula has at most ${MOST_ENTRIES} lines.`),
  cardNotes: z
    .string()
    .max(MOST_NOTES_CHARS, `The notes have at most ${MOST_NOTES_CHARS.toLocaleString('en-GB')} characters.`),
});

export const formulaSchema = z.preprocess(settingsSince, formulaShape);

/** A formula of this kitchen, and which of its versions; null: the newest. */
export const copySchema = z.object({ formulaId: z.uuid(), number: z.number().int().positive().nullable(), requestId });

/** Put away, deleted, or brought back. */
export const putFormulaSchema = z.object({
  formulaId: z.uuid(),
  archived: z.boolean().optional(),
  deleted: z.boolean().optional(),
});

export const saveSchema = z.object({
  formulaId: z.uuid('That is no formula of this kitchen.').nullable(),
  /** The version that was open. */
  basedOn: z.number().int().positive().nullable(),
  /** The newest version there was when it was opened. */
  knownNewest: z.number().int().positive().nullable(),
  formula: formulaSchema,
  requestId,
  changeNote: z.string().trim().max(500, 'A note on what changed has at most 500 characters.'),
});

/** So many cards are taken at once. */
const MOST_CARDS = 200;

/** Cards about to be kept, to be looked for among those that are. */
export const cardsSchema = z.object({
  cards: z
    .array(z.object({ name: z.string().max(MOST_NAME_CHARS), lines: z.array(z.string().max(2000)).max(MOST_ENTRIES) }))
    .max(MOST_CARDS),
});

export interface KnownCard {
  /** A formula with the very same lines. */
  readonly same: { readonly id: string; readonly name: string } | null;
  /** One of the same name and other lines. */
  readonly named: { readonly id: string; readonly name: string } | null;
}

export const keepCardsSchema = z.object({
  cards: z
    .array(z.object({ formula: formulaSchema, requestId, from: z.string().trim().max(500) }))
    .min(1, 'Tick at least one card.')
    .max(MOST_CARDS, `At most ${MOST_CARDS} cards at once.`),
});

export const takeCardsBackSchema = z.object({ formulaIds: z.array(z.uuid()).max(MOST_CARDS) });
