/** What the pages send: every field checked before it goes anywhere. */
import { z } from 'zod';
import { DROPS, JOIN_PARTS, MISE_STATES, VERDICTS_OF_TEST } from '@/core/batch/acts';
import { MARKS, VERDICTS } from '@/core/batch/batch';
import { SCALES, STEPS } from '@/core/batch/came-out';
import { MOST_MIXES } from '@/core/batch/mixes';
import { ONE } from '@/core/batch/plan';
import { EXACTNESSES } from '@/core/batch/scale';
import { ANCHORS, MOST_HELPERS } from '@/core/batch/serving';
import { MOST_PARTS, SIDE_BYS } from '@/core/batch/sides';
import { TAKES } from '@/core/batch/take-out';
import { VESSELS } from '@/core/card/parts';
import { DRESSINGS, END_IDS, MOMENTS, MOST_ENTRIES, MOST_NAME_CHARS, MOST_NOTES_CHARS, NOTHING_HELD } from '@/core/formula/formula';
import { KIND_IDS, RAILS } from '@/core/formula/kinds';
import { CHECKS, JOININGS, LARGE_BOWLS, MOST_ALTITUDE_M, RESTS, WARMTHS, WHITES } from '@/core/formula/ways';
import { TAPPED } from '@/core/griddle/board';
import { EGG_SIZES, FLOUR_FILLS, POWDERS, SALT_CRYSTALS } from '@/core/pantry/conventions';
import { TOOLS } from '@/core/pantry/tools';
import { CUP_SYSTEMS, TABLESPOONS } from '@/core/quantity/units';
import { gearSchema, unitsSchema } from './pantry-schemas';

export const conventionsSchema = z.object({
  cup: z.enum(CUP_SYSTEMS),
  tablespoon: z.enum(TABLESPOONS),
  flourFill: z.enum(FLOUR_FILLS),
  egg: z.enum(EGG_SIZES),
  salt: z.enum(SALT_CRYSTALS),
  powder: z.enum(POWDERS),
});

const waysSchema = z.object({
  rest: z.enum(RESTS),
  warmth: z.enum(WARMTHS),
  whites: z.enum(WHITES),
  joining: z.enum(JOININGS),
  check: z.enum(CHECKS),
  largeBowl: z.enum(LARGE_BOWLS),
  altitudeM: z
    .number('Altitude: write a number of metres.')
    .min(0, 'Altitude: not below the sea.')
    .max(MOST_ALTITUDE_M, `Altitude: at most ${MOST_ALTITUDE_M.toLocaleString('en-GB')} m.`),
});

export const houseSchema = z.object({
  conventions: conventionsSchema,
  ways: waysSchema,
  units: unitsSchema,
  gear: z.array(gearSchema).max(60, 'At most 60 things.'),
  drawer: z.array(z.enum(TOOLS)).max(TOOLS.length),
});
/** What of a house is to be changed; the rest stays. */
export const houseChangeSchema = z.object({
  conventions: conventionsSchema.partial().optional(),
  ways: waysSchema.partial().optional(),
  units: unitsSchema.partial().optional(),
  gear: houseSchema.shape.gear.optional(),
  drawer: houseSchema.shape.drawer.optional(),
});
/** What is kept of a house: what an older version of the app did not know yet is as a fresh house has it. */
export const keptHouseSchema = z.object({
  conventions: conventionsSchema.partial().default({}),
  ways: waysSchema.partial().default({}),
  units: unitsSchema.partial().default({}),
  gear: z.array(gearSchema).optional(),
  drawer: z.array(z.enum(TOOLS)).optional(),
});

const entrySchema = z.object({
  key: z.string().regex(/^l\d{1,6}$/),
  text: z.string().max(2000, 'A line has at most 2,000 characters.'),
  ingredientId: z.string().max(60).optional(),
  vessel: z.enum(VESSELS).optional(),
  stands: z.enum(['weight', 'volume']).optional(),
  off: z.boolean().optional(),
  pinned: z.boolean().optional(),
  opened: z.iso.date('The day it was opened: year, month and day.').optional(),
  drainedG: z.number().positive().max(1_000_000).optional(),
  moment: z.enum(MOMENTS).optional(),
  dressing: z.enum(DRESSINGS).optional(),
  end: z.enum(END_IDS).optional(),
});

const endName = z.string().trim().min(1, 'An end needs a name.').max(40, 'The name of an end has at most 40 characters.');

/** What a version keeps besides name, kind, conventions and lines. */
export const settingsSchema = z.object({
  ways: waysSchema.partial().default({}),
  portionMl: z
    .number('Portion: write a number.')
    .positive('Portion has to be more than nothing.')
    .max(5000, 'Portion: at most 5,000.')
    .nullable()
    .default(null),
  held: z
    .object({ rails: z.array(z.enum(RAILS)).max(RAILS.length), mass: z.boolean(), eggs: z.boolean(), blend: z.boolean() })
    .default({ ...NOTHING_HELD, rails: [] }),
  meant: z.array(z.string().max(60)).max(60).default([]),
  ends: z
    .tuple([
      z.object({ id: z.literal('a'), name: endName, school: z.string().max(30) }),
      z.object({ id: z.literal('b'), name: endName, school: z.string().max(30) }),
    ])
    .nullable()
    .default(null),
});

const formulaSchema = settingsSchema.extend({
  name: z.string().trim().min(1, 'Give the formula a name before saving it.').max(MOST_NAME_CHARS, `A name has at most ${MOST_NAME_CHARS} characters.`),
  kind: z.enum(KIND_IDS),
  school: z.string().max(30),
  conventions: conventionsSchema.partial(),
  entries: z.array(entrySchema).min(1, 'A formula needs at least one line.').max(MOST_ENTRIES, `A formula has at most ${MOST_ENTRIES} lines.`),
  cardNotes: z.string().max(MOST_NOTES_CHARS, `The notes have at most ${MOST_NOTES_CHARS.toLocaleString('en-GB')} characters.`),
});

export const saveSchema = z.object({
  formulaId: z.uuid('That is no formula of this kitchen.').nullable(),
  /** The version that was open. */
  basedOn: z.number().int().positive().nullable(),
  /** The newest version there was when it was opened. */
  knownNewest: z.number().int().positive().nullable(),
  formula: formulaSchema,
  changeNote: z.string().trim().max(500, 'A note on what changed has at most 500 characters.'),
});

export const amount = (what: string, most: number) =>
  z
    .number(`${what}: write a number.`)
    .positive(`${what} has to be more than nothing.`)
    .max(most, `${what}: at most ${most.toLocaleString('en-GB')}.`);

export const driverSchema = z.discriminatedUnion('by', [
  z.object({ by: z.literal('pieces'), pieces: amount('Pieces', 100_000).int('Pieces come whole.'), portionMl: amount('Portion', 5000) }),
  z.object({
    by: z.literal('guests'),
    guests: amount('Guests', 100_000).int('Guests come whole.'),
    each: amount('Pieces each', 1000),
    secondsPct: z.number('Seconds: write a number.').min(0, 'Seconds: not less than none.').max(500, 'Seconds: at most 500 %.'),
    testPiece: z.boolean(),
    portionMl: amount('Portion', 5000),
  }),
  z.object({
    by: z.literal('vessel'),
    ml: amount('The bowl', 1_000_000),
    headPct: z.number('Head room: write a number.').min(0, 'Head room: not less than none.').max(90, 'Head room: at most 90 %.'),
  }),
  z.object({
    by: z.literal('pans'),
    fillings: amount('Fillings', 10_000).int('Fillings come whole.'),
    piecesEach: amount('Pieces in one', 200).int('Pieces come whole.'),
    portionMl: amount('Portion', 5000),
  }),
  z.object({ by: z.literal('factor'), factor: amount('Times', 10_000) }),
  z.object({ by: z.literal('flour'), grams: amount('Flour', 1_000_000) }),
  z.object({ by: z.literal('mass'), grams: amount('Batter', 1_000_000) }),
  z.object({ by: z.literal('ingredient'), ingredientId: z.string().max(60), grams: amount('Amount', 1_000_000) }),
  z.object({ by: z.literal('eggs'), eggs: amount('Eggs', 20_000) }),
]);

export const count = (what: string, most: number) => amount(what, most).int(`${what} come whole.`);

/** Benches and classes together, at most so many kits. */
const splitSchema = z
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
  .refine((s) => s.by !== 'kits' || s.benches * s.classes <= MOST_MIXES, { path: ['benches'], message: `At most ${MOST_MIXES} kits at a time.` });

const people = amount('People', 100_000).int('People come whole.');

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
export const dropSideSchema = z.object({ id: z.uuid() });

const atSchema = z.number().min(1e12, 'That is before there were griddles here.').max(1e13);
const serving = z
  .object({
    at: atSchema,
    anchor: z.enum(ANCHORS),
    helpers: z
      .number('Helpers: write a whole number.')
      .int('Helpers come whole.')
      .min(0, 'Helpers: not less than none.')
      .max(MOST_HELPERS, `Helpers: at most ${MOST_HELPERS}.`),
    dayOneAt: atSchema.nullable(),
    moved: z.record(z.string().max(80), atSchema),
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
  requestId: z.uuid().nullable().default(null),
});

export const putBackSchema = z.object({ batchId: z.uuid() });

export const rebalanceSchema = z.object({ batchId: z.uuid(), mix: count('Mixes', MOST_MIXES) });

const tapSchema = z.object({
  id: z.uuid(),
  piece: z.number().int().min(1).max(100_000),
  act: z.enum(TAPPED),
  surface: z.string().max(60),
  slot: z.number().int().min(0).max(1000),
  at: atSchema,
});
const mixNumber = count('Mixes', MOST_MIXES);
const degreesC = (what: string) => z.number(`${what}: write a number of degrees.`).min(0, `${what}: not below freezing.`).max(400, `${what}: at most 400 °C.`);
const heat = z.object({ what: z.literal('heat'), surface: z.string().max(60) });
const piecesMoved = count('Pieces', 100_000);
export const actSchema = z.union([
  z.discriminatedUnion('what', [
    z.object({ what: z.literal('mise'), key: z.string().max(80), state: z.enum(MISE_STATES) }),
    z.object({ what: z.literal('mise-done') }),
    z.object({ what: z.literal('ready'), mix: mixNumber, part: z.enum(JOIN_PARTS) }),
    z.object({
      what: z.literal('checked'),
      mix: mixNumber,
      initials: z.string().trim().min(1, 'Initials of who has looked.').max(12, 'Initials: at most 12.'),
    }),
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
    z.object({ what: z.literal('bell'), bellAt: atSchema.nullable() }),
    z.object({ what: z.literal('step'), step: z.string().max(80) }),
  ]),
  heat.extend({ by: z.literal('probe'), realC: degreesC('The surface'), dialC: degreesC('The dial').nullable() }),
  heat.extend({ by: z.literal('drop'), drop: z.enum(DROPS), dialC: degreesC('The dial').nullable() }),
  heat.extend({ by: z.literal('dial'), dialC: degreesC('The dial') }),
]);

/** What a screen tells of a batch, in the order it happened. */
const itemSchema = z.intersection(
  z.object({ id: z.uuid() }),
  z.discriminatedUnion('do', [
    z.object({ do: z.literal('tap'), tap: tapSchema }),
    z.object({ do: z.literal('untap'), tapId: z.uuid() }),
    z.object({
      do: z.literal('line'),
      key: z.string().max(20),
      to: z.union([z.boolean(), z.number('Write a number of grams.').min(0, 'Not less than nothing.').max(1_000_000, 'At most a tonne.')]),
    }),
    z.object({ do: z.literal('enter'), entry: z.object({ id: z.uuid(), at: atSchema, act: actSchema }) }),
    z.object({ do: z.literal('strike'), entryId: z.uuid() }),
  ]),
);
export const tellSchema = z.object({ batchId: z.uuid(), items: z.array(itemSchema).min(1).max(500) });

export const servingSchema = z.object({ batchId: z.uuid(), serving });
export const wantSchema = z.object({ batchId: z.uuid(), pieces: count('Pieces', 100_000) });

const pourG = z.number().positive().max(20_000);
export const scaleActSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('pour'), grams: pourG }),
  z.object({ do: z.literal('spill'), grams: pourG }),
  z.object({ do: z.literal('clear') }),
  z.object({ do: z.literal('tare') }),
  z.object({ do: z.literal('plug'), in: z.boolean() }),
]);

export const surfaceActSchema = z.discriminatedUnion('do', [
  z.object({ do: z.literal('dial'), toC: degreesC('The dial') }),
  z.object({ do: z.literal('pour'), pieces: z.number().int().min(1).max(200) }),
  z.object({ do: z.literal('cool') }),
  z.object({ do: z.literal('plug'), in: z.boolean() }),
]);

export const swapSchema = z.object({ batchId: z.uuid(), lineKey: z.string().max(20), to: z.string().max(60), with: z.string().max(60).nullable() });

const whole = (what: string, least: number, most: number) =>
  z
    .number(`${what}: write a whole number.`)
    .int(`${what}: write a whole number.`)
    .min(least, `${what}: at least ${least}.`)
    .max(most, `${what}: at most ${most.toLocaleString('en-GB')}.`)
    .nullable();

export const outcomeSchema = z.object({
  batchId: z.uuid(),
  pieces: whole('Pieces', 0, 100_000),
  firstSideS: whole('First side', 1, 7200),
  secondSideS: whole('Second side', 1, 7200),
  verdict: z.enum(VERDICTS, 'Tap a verdict.'),
  marks: z.array(z.enum(MARKS)).max(MARKS.length),
  note: z.string().trim().max(4000, 'A note has at most 4,000 characters.'),
  scales: z.partialRecord(z.enum(SCALES), z.number().int().min(1).max(STEPS.length)).default({}),
  waste: whole('Thrown away', 0, 100_000).default(null),
  change: z.string().trim().max(500, 'The change has at most 500 characters.').default(''),
});

/** First message of each field, by dotted path, for a form to show at its place. */
export function fieldErrors(error: z.ZodError): Readonly<Record<string, string>> {
  const out: Record<string, string> = {};
  for (const i of error.issues) out[i.path.join('.')] ??= i.message;
  return out;
}
