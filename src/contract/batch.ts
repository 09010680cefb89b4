/** What a batch is started, changed and finished by. */

import { z } from 'zod';
import { VERDICTS } from '@/core/batch/batch';
import { MARKS, SCALES, STEPS } from '@/core/batch/came-out';
import { EXACTNESSES } from '@/core/batch/exactness';
import { MOST_MIXES } from '@/core/batch/mixes';
import { ANCHORS, MOST_HELPERS } from '@/core/batch/serving';
import { ONE } from '@/core/batch/split';
import { TAKES } from '@/core/batch/take-out';
import { END_IDS } from '@/core/formula/formula';
import { KIND_IDS } from '@/core/formula/kinds';
import { CHANGE_STATES } from '@/core/judge/came-back';
import { MOST_BAGS } from '@/core/premix/premix';
import { amount, count, moment, requestId, whole } from './fields';

/** A portion in the words it was said in. */
const portionSaid = z.string().trim().max(40).optional();

/** One first piece to test with, outside the count. */
const testPiece = z.boolean().optional();

const endAsked = z.object({
  name: z.string().max(60),
  pieces: amount('Pieces', 100_000).int('Pieces come whole.'),
  portionMl: amount('Portion', 5000),
  said: portionSaid,
  kind: z.enum(KIND_IDS).optional(),
  school: z.string().max(30).optional(),
});

export const driverSchema = z.discriminatedUnion('by', [
  z.object({
    by: z.literal('pieces'),
    pieces: amount('Pieces', 100_000).int('Pieces come whole.'),
    portionMl: amount('Portion', 5000),
    testPiece,
  }),
  z.object({
    by: z.literal('guests'),
    guests: amount('Guests', 100_000).int('Guests come whole.'),
    each: amount('Pieces each', 1000),
    secondsPct: z
      .number('Seconds: write a number.')
      .min(0, 'Seconds: not less than none.')
      .max(500, 'Seconds: at most 500 %.'),
    portionMl: amount('Portion', 5000),
    testPiece,
  }),
  z.object({
    by: z.literal('vessel'),
    ml: amount('The bowl', 1_000_000),
    headPct: z
      .number('Head room: write a number.')
      .min(0, 'Head room: not less than none.')
      .max(90, 'Head room: at most 90 %.'),
    testPiece,
  }),
  z.object({
    by: z.literal('pans'),
    fillings: amount('Fillings', 10_000).int('Fillings come whole.'),
    piecesEach: amount('Pieces in one', 200).int('Pieces come whole.'),
    portionMl: amount('Portion', 5000),
    testPiece,
  }),
  z.object({ by: z.literal('factor'), factor: amount('Times', 10_000), testPiece }),
  z.object({ by: z.literal('flour'), grams: amount('Flour', 1_000_000), testPiece }),
  z.object({ by: z.literal('mass'), grams: amount('Batter', 1_000_000), testPiece }),
  z.object({
    by: z.literal('ingredient'),
    ingredientId: z.string().max(60),
    grams: amount('Amount', 1_000_000),
    testPiece,
  }),
  z.object({ by: z.literal('both'), a: endAsked, b: endAsked, testPiece }),
  z.object({ by: z.literal('eggs'), eggs: amount('Eggs', 20_000), testPiece }),
]);

/** Benches and classes together, at most so many kits. */
export const splitSchema = z
  .discriminatedUnion('by', [
    z.object({ by: z.literal('one') }),
    z.object({
      by: z.literal('bowls'),
      mixes: count('Mixes', MOST_MIXES),
      atOnce: count('Mixes at once', MOST_MIXES),
      bowl: z.string().max(60).nullable(),
      lifeMin: amount('Minutes', 2880).nullable(),
      apartMin: z.number().min(0).max(100_000).nullable(),
    }),
    z.object({ by: z.literal('kits'), benches: count('Benches', MOST_MIXES), classes: count('Classes', MOST_MIXES) }),
  ])
  .refine((s) => s.by !== 'kits' || s.benches * s.classes <= MOST_MIXES, {
    path: ['benches'],
    message: `At most ${MOST_MIXES} kits at a time.`,
  });

/** What is lit, by its id in the gear, and how many lie there at a time at most. */
export const litSchema = z.object({
  on: z.array(z.string().max(60)).max(60).nullable(),
  most: count('At a time', 1000).nullable(),
});

const people = amount('People', 100_000).int('People come whole.');

export const serving = z
  .object({
    at: moment,
    anchor: z.enum(ANCHORS),
    helpers: z
      .number('Helpers: write a whole number.')
      .int('Helpers come whole.')
      .min(0, 'Helpers: not less than none.')
      .max(MOST_HELPERS, `Helpers: at most ${MOST_HELPERS}.`),
    dayOneAt: moment.nullable(),
    moved: z.record(z.string().max(80), moment),
  })
  .nullable();

export const startBatchSchema = z.object({
  versionId: z.uuid(),
  driver: driverSchema,
  exactness: z.enum(EXACTNESSES),
  portionMl: amount('Portion', 5000),
  end: z.enum(END_IDS).nullable().default(null),
  split: splitSchema.default(ONE),
  eggs: amount('Eggs', 20_000).int('Eggs come whole here.').nullable().default(null),
  sides: z
    .array(z.object({ sideId: z.uuid(), people }))
    .max(20, 'At most 20 beside one batch.')
    .default([]),
  take: z.enum(TAKES).default('no'),
  serving: serving.default(null),
  lit: litSchema.default({ on: null, most: null }),
  /** What is lit for the second of two ends, where that is of another kind. */
  litSecond: litSchema.default({ on: null, most: null }),
  portionSaid,
  /** Bags of premix that make a part of the headcount. */
  bags: z
    .array(z.object({ lotId: z.uuid(), bags: count('Bags', MOST_BAGS) }))
    .max(20, 'At most 20 lots at once.')
    .default([]),
  /** Kept pieces that make a part of it. */
  kept: z
    .array(z.object({ lotId: z.uuid(), pieces: count('Pieces', 10_000) }))
    .max(20, 'At most 20 lots at once.')
    .default([]),
  /** The bags make all of it: nothing is mixed fresh. */
  bagsAlone: z.boolean().default(false),
  /** The kept plan that it was; null: it was not kept. */
  planId: z.uuid().nullable().default(null),
  /** The morning that it is made for; null: it is made by itself. */
  morningId: z.uuid().nullable().default(null),
  requestId,
});

const box = z.string().max(60);
const boxes = z.record(z.string().max(80), box);
const bothBoxes = z.object({ pieces: box, portion: box });
/** How a plan stands in its boxes, so that it opens as it was left. */
export const planTypedSchema = z.object({
  typed: z.object({
    by: z.enum(['pieces', 'guests', 'flour', 'mass', 'vessel', 'pans', 'eggs', 'ingredient', 'factor']),
    amount: box,
    portion: box,
    each: box,
    seconds: box,
    testPiece: z.boolean().nullable(),
    head: box,
    gear: box,
    piecesEach: box,
    ingredientId: box,
    several: z.array(box).max(60),
    panCm: box.optional(),
  }),
  split: z.object({
    by: z.enum(['one', 'bowls', 'kits']),
    mixes: box.nullable(),
    life: box.nullable(),
    pace: box.nullable(),
    benches: box,
    classes: box,
  }),
  beside: z.array(z.object({ sideId: z.uuid(), people: box.nullable() })).max(20),
  exactness: z.enum(EXACTNESSES),
  eggs: z.number().nullable(),
  take: z.boolean(),
  serving,
  lit: litSchema,
  litSecond: litSchema,
  bags: boxes,
  kept: boxes,
  both: z.object({ a: bothBoxes, b: bothBoxes }).nullable(),
  end: z.enum(END_IDS).nullable(),
});

/** What is asked to start a plan, without the press that starts it. */
export const planAskedSchema = startBatchSchema.omit({ requestId: true, planId: true, morningId: true });
/** A plan that is kept for later; with an id it is the one that is changed, as it was opened. */
export const keepPlanSchema = z.object({
  id: z.uuid().nullable(),
  revision: z.number().int().positive().nullable(),
  asked: planAskedSchema,
  typed: planTypedSchema,
  requestId,
});
export const dropPlanSchema = z.object({ id: z.uuid() });

export const putBackSchema = z.object({ batchId: z.uuid() });

export const rebalanceSchema = z.object({
  batchId: z.uuid(),
  mix: count('Mixes', MOST_MIXES),
  how: z
    .union([z.object({ by: z.literal('ratios') }), z.object({ by: z.literal('smaller'), key: z.string().max(80) })])
    .default({ by: 'ratios' }),
});
/** What stands in for the missing part of a line, where some of it is there. */
export const partSchema = z.object({
  batchId: z.uuid(),
  lineKey: z.string().max(80),
  hasG: amount('There is', 1_000_000),
  to: z.string().max(60),
  with: z.string().max(60).nullable(),
  requestId,
});

export const servingSchema = z.object({ batchId: z.uuid(), serving });
/** So many more, or fewer: two screens that each add one add two. */
export const wantSchema = z.object({ batchId: z.uuid(), by: z.number().int().min(-1000).max(1000), requestId });

export const swapSchema = z.object({
  batchId: z.uuid(),
  lineKey: z.string().max(80),
  to: z.string().max(60),
  with: z.string().max(60).nullable(),
  requestId,
});

/** Which stand-in is taken out again, as they were put in, from 0; null: all of them. */
export const unswapSchema = z.object({
  batchId: z.uuid(),
  nth: z.number().int().min(0).max(200).nullable().default(null),
  requestId,
});

export const coversSchema = z.object({ batchId: z.uuid(), pieces: count('Pieces', 100_000) });
export const putAwaySchema = z.object({ batchId: z.uuid(), back: z.boolean() });
export const takeUpSchema = z.object({ batchId: z.uuid() });
/** What becomes of a batch's change for next time; null: as if nothing was said. */
export const changeSchema = z.object({ batchId: z.uuid(), state: z.enum(CHANGE_STATES).nullable() });
export const againSchema = z.object({ batchId: z.uuid(), requestId });

/** Of one piece: at least one, or left open. */
const millimetres = (what: string, most: number) =>
  z
    .number(`${what}: write a number of mm.`)
    .min(1, `${what}: at least 1 mm.`)
    .max(most, `${what}: at most ${most.toLocaleString('en-GB')} mm.`)
    .nullable();

/** What is wanted of a formula. */
export const targetSchema = z.object({
  formulaId: z.uuid(),
  scales: z.partialRecord(z.enum(SCALES), z.number().int().min(1).max(STEPS.length)).default({}),
  heightMm: millimetres('Height', 300),
  acrossMm: millimetres('Across', 2000),
  note: z.string().trim().max(4000, 'A note has at most 4,000 characters.'),
});

const MOST_TESTED = 40;
export const outcomeSchema = z.object({
  batchId: z.uuid(),
  pieces: whole('Pieces', 0, 100_000),
  firstSideS: whole('First side', 1, 7200),
  secondSideS: whole('Second side', 1, 7200),
  verdict: z.enum(VERDICTS, 'Say how it was.'),
  marks: z.array(z.enum(MARKS)).max(MARKS.length),
  note: z.string().trim().max(4000, 'A note has at most 4,000 characters.'),
  scales: z.partialRecord(z.enum(SCALES), z.number().int().min(1).max(STEPS.length)).default({}),
  waste: whole('Thrown away', 0, 100_000).default(null),
  heightMm: millimetres('Height', 300).default(null),
  acrossMm: millimetres('Across', 2000).default(null),
  change: z.string().trim().max(500, 'The change has at most 500 characters.').default(''),
  tested: z
    .record(z.string().max(20), z.boolean())
    .refine((t) => Object.keys(t).length <= MOST_TESTED, `At most ${MOST_TESTED} tests.`)
    .default({}),
});
