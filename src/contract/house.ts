/** What the house is changed by, and what is kept of it. */

import { z } from 'zod';
import { LESSON_IDS, type LessonId } from '@/core/formula/learned';
import { MATTERS, type SchoolIdOf, type WayId } from '@/core/formula/schools';
import { MOST_ALTITUDE_M, MOST_REST_MIN } from '@/core/formula/ways';
import { CARES } from '@/core/pantry/care';
import { EGG_SIZES, FLOUR_FILLS, POWDERS, SALT_CRYSTALS } from '@/core/pantry/conventions';
import { TOOLS } from '@/core/pantry/tools';
import { LEAST_PT_RANGE } from '@/core/premix/label';
import { CUP_SYSTEMS, TABLESPOONS } from '@/core/quantity/units';
import { decided, requestId } from './fields';
import { gearSchema, unitsSchema } from './pantry';

export const conventionsSchema = z.object({
  cup: z.enum(CUP_SYSTEMS),
  tablespoon: z.enum(TABLESPOONS),
  flourFill: z.enum(FLOUR_FILLS),
  egg: z.enum(EGG_SIZES),
  salt: z.enum(SALT_CRYSTALS),
  powder: z.enum(POWDERS),
});

/** One of a matter's schools. */
const school = <W extends WayId>(w: W) => z.enum(Object.keys(MATTERS[w].choices) as SchoolIdOf<W>[]);

export const waysSchema = z.object({
  rest: z.union([
    school('rest'),
    z
      .number('Rest: write a number of minutes.')
      .int('Rest: whole minutes.')
      .min(0, 'Rest: not less than none.')
      .max(MOST_REST_MIN, `Rest: at most ${MOST_REST_MIN / 60} hours.`),
  ]),
  warmth: school('warmth'),
  joining: school('joining'),
  mixing: school('mixing'),
  lift: school('lift'),
  whites: school('whites'),
  whip: school('whip'),
  panFat: school('panFat'),
  flip: school('flip'),
  second: school('second'),
  asks: school('asks'),
  moreEgg: school('moreEgg'),
  check: school('check'),
  largeBowl: school('largeBowl'),
  altitudeM: z
    .number('Altitude: write a number of metres.')
    .min(0, 'Altitude: not below the sea.')
    .max(MOST_ALTITUDE_M, `Altitude: at most ${MOST_ALTITUDE_M.toLocaleString('en-GB')} m.`),
});

const makerSchema = z.object({
  name: z.string().trim().max(80, 'Maker: at most 80 characters.'),
  place: z.string().trim().max(120, 'Place: at most 120 characters.'),
  /** A line each. */
  /** Points. */
  leastPt: z
    .number('Smallest text: write a number.')
    .min(LEAST_PT_RANGE[0], `Smallest text: at least ${LEAST_PT_RANGE[0]} pt.`)
    .max(LEAST_PT_RANGE[1], `Smallest text: at most ${LEAST_PT_RANGE[1]} pt.`),
  clearDown: z.string().trim().max(600, 'Clear-down: at most 600 characters.'),
});

export const houseSchema = z.object({
  conventions: conventionsSchema,
  ways: waysSchema,
  units: unitsSchema,
  gear: z.array(gearSchema).max(60, 'At most 60 things.'),
  drawer: z.array(z.enum(TOOLS)).max(TOOLS.length),
  maker: makerSchema,
});
/** What of a house is to be changed; the rest stays. */
export const houseChangeSchema = z.object({
  conventions: conventionsSchema.partial().optional(),
  ways: waysSchema.partial().optional(),
  units: unitsSchema.partial().optional(),
  gear: houseSchema.shape.gear.optional(),
  drawer: houseSchema.shape.drawer.optional(),
  maker: makerSchema.partial().optional(),
});
/** A change, and the same parts as they were when the page was opened: compared, never written. */
export const houseSaveSchema = z.object({
  change: houseChangeSchema,
  base: z.custom<z.output<typeof houseChangeSchema>>().nullable().default(null),
  decided,
});
/** What is kept of a house: what an older version of the app did not know yet is as a fresh house has it. */
export const keptHouseSchema = z.object({
  conventions: conventionsSchema.partial().default({}),
  ways: waysSchema.partial().default({}),
  units: unitsSchema.partial().default({}),
  gear: z.array(gearSchema).optional(),
  drawer: z.array(z.enum(TOOLS)).optional(),
  maker: makerSchema.partial().default({}),
});

/** An entry in the diary of a pan, an iron or a griddle. */
export const careSchema = z.object({
  gearId: z.string().min(1).max(60),
  what: z.enum(CARES),
  note: z.string().trim().max(300, 'At most 300 characters.').default(''),
  batchId: z.uuid().nullable().default(null),
  requestId,
});
const lesson = z.enum(LESSON_IDS as [LessonId, ...LessonId[]]);
/** A number that was learned is used, or used no more. `from`: batches that the cook saw it rest on. */
export const useLessonSchema = z.object({ lesson, use: z.boolean(), from: z.number().int().min(0).default(0) });
/** The hot and cool places of a surface are used, or no more. */
export const usePlacesSchema = z.object({
  gearId: z.string().min(1).max(60),
  use: z.boolean(),
  from: z.number().int().min(0).default(0),
});
/** A batch is not to be learned from, or again. */
export const lessonAsideSchema = z.object({ lesson, batchId: z.uuid(), aside: z.boolean() });

export const careBackSchema = z.object({ id: z.uuid() });
