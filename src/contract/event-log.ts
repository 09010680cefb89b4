/** What a screen tells of a batch while it is made. */
import { z } from 'zod';
import { DONE_AT_THE_HEAT, DROPS, MISE_STATES, VERDICTS_OF_TEST } from '@/core/batch/acts';
import { MOST_MIXES } from '@/core/batch/mixes';
import { END_IDS } from '@/core/formula/formula';
import { MATTERS } from '@/core/formula/schools';
import { TAPPED } from '@/core/griddle/board';
import { JOIN_PARTS } from '@/core/script/act';
import { litSchema } from './batch';
import { amount, count, degreesC, moment } from './fields';

const tapSchema = z.object({
  id: z.uuid(),
  /** The bowl that is combined; of an older screen also the piece. */
  piece: z.number().int().min(1).max(100_000).optional(),
  /** The tap that poured the piece. */
  of: z.uuid().nullable().optional(),
  act: z.enum(TAPPED),
  surface: z.string().max(60),
  slot: z.number().int().min(0).max(1000),
  at: moment,
  /** Of two ends from one base, the one that is poured. */
  end: z.enum(END_IDS).nullable().optional(),
});
const mixNumber = count('Mixes', MOST_MIXES);
const heat = z.object({ what: z.literal('heat'), surface: z.string().max(60) });
const piecesMoved = count('Pieces', 100_000);
export const actSchema = z.union([
  z.discriminatedUnion('what', [
    z.object({ what: z.literal('mise'), key: z.string().max(80), state: z.enum(MISE_STATES) }),
    z.object({
      what: z.literal('tool'),
      name: z.string().trim().min(1, 'Write what it is.').max(60, 'A tool’s name: at most 60.'),
    }),
    z.object({ what: z.literal('mise-done') }),
    z.object({ what: z.literal('ready'), mix: mixNumber, part: z.enum(JOIN_PARTS) }),
    z.object({
      what: z.literal('checked'),
      mix: mixNumber,
      initials: z.string().trim().min(1, 'Initials of who has looked.').max(40, 'At most 40 letters.'),
    }),
    z.object({ what: z.literal('folded'), mix: mixNumber }),
    z.object({ what: z.literal('mixed'), mix: mixNumber, turns: z.number().int().min(0).max(10_000) }),
    z.object({
      what: z.literal('corrected'),
      mix: mixNumber,
      ingredientId: z.string().min(1).max(60),
      grams: amount('Amount', 100_000),
      bowlG: amount('Batter', 1_000_000),
      seen: z.string().max(200),
    }),
    z.object({ what: z.literal('test'), verdict: z.enum(VERDICTS_OF_TEST) }),
    z.object({ what: z.literal('held'), pieces: piecesMoved }),
    z.object({ what: z.literal('plated'), pieces: piecesMoved }),
    z.object({ what: z.literal('out'), pieces: piecesMoved }),
    z.object({ what: z.literal('bell'), bellAt: moment.nullable() }),
    z.object({
      what: z.literal('way'),
      way: z.enum(DONE_AT_THE_HEAT),
      value: z.enum(DONE_AT_THE_HEAT.flatMap((w) => Object.keys(MATTERS[w].choices))),
    }),
    litSchema.extend({ what: z.literal('lit'), end: z.literal('b').optional() }),
    z.object({ what: z.literal('printed'), paper: z.string().max(40), state: z.number().int().min(1) }),
    z.object({ what: z.literal('step'), step: z.string().max(80) }),
  ]),
  heat.extend({ by: z.literal('probe'), realC: degreesC('The surface'), dialC: degreesC('The dial').nullable() }),
  heat.extend({ by: z.literal('drop'), drop: z.enum(DROPS), dialC: degreesC('The dial').nullable() }),
  heat.extend({ by: z.literal('dial'), dialC: degreesC('The dial') }),
]);

/** What a screen tells of a batch, in the order it happened. */
export const itemSchema = z.intersection(
  z.object({ id: z.uuid() }),
  z.discriminatedUnion('do', [
    z.object({ do: z.literal('tap'), tap: tapSchema }),
    z.object({ do: z.literal('untap'), tapId: z.uuid() }),
    z.object({
      do: z.literal('line'),
      key: z.string().max(80),
      at: moment.optional(),
      to: z.union([
        z.boolean(),
        z.number('Write a number of grams.').min(0, 'Not less than nothing.').max(1_000_000, 'At most a tonne.'),
      ]),
    }),
    z.object({ do: z.literal('enter'), entry: z.object({ id: z.uuid(), at: moment, act: actSchema }) }),
    z.object({ do: z.literal('strike'), entryId: z.uuid() }),
  ]),
);

/** How long ago it was when it is sent: the screen's own clock tells a span, if not the time. At most a month. */
export const agoMs = z
  .number()
  .min(0)
  .max(31 * 86_400_000);
/** Each item is checked by itself: one that is wrong does not hold up the rest. */
export const tellSchema = z.object({
  batchId: z.uuid(),
  items: z
    .array(z.object({ item: z.looseObject({ id: z.uuid() }), agoMs: agoMs.nullable() }))
    .min(1)
    .max(500),
});
