/** What stands in JSON columns and is nobody's form: written by the app itself, read field by field. */
import { z } from 'zod';
import { FORETOLD } from '@/core/batch/foretold';
import { VESSELS } from '@/core/card/parts';
import { MOMENTS } from '@/core/formula/formula';
import { KIND_IDS } from '@/core/formula/kinds';
import { LESSON_IDS, type LessonId } from '@/core/formula/learned';
import { WAY_IDS } from '@/core/formula/schools';
import { ALLERGENS } from '@/core/pantry/ingredient';
import { actEditSchema, entrySchema, formulaSchema, settingsSchema } from './formula';
import { conventionsSchema, waysSchema } from './house';
import { unitsSchema } from './pantry';

const gramsKept = z.number().min(0).max(1e9);
const partSchema = z.object({ id: z.string(), grams: gramsKept });

/** A line of a batch's sheet. */
export const sheetLineSchema = z.object({
  key: z.string().min(1),
  text: z.string().default(''),
  name: z.string().default(''),
  vessel: z.enum(VESSELS),
  measure: z.string().nullable().default(null),
  grams: gramsKept.nullable().default(null),
  preparation: z.string().default(''),
  mix: z.number().int().positive().optional(),
  was: gramsKept.optional(),
  mostG: gramsKept.optional(),
  usualG: z.tuple([gramsKept, gramsKept]).optional(),
  moment: z.enum(MOMENTS).exclude(['bowl']).optional(),
  side: z.string().optional(),
  forEnd: z.string().optional(),
  standsFor: z.string().optional(),
  lot: z.string().optional(),
  spoons: z.string().nullable().optional(),
  parts: z.array(partSchema).optional(),
});

/** How a batch is made, as house and formula had it when it was begun. */
export const makingSchema = z
  .object({
    ways: waysSchema,
    edits: z.array(actEditSchema).default([]),
    told: z.partialRecord(z.enum([...WAY_IDS, 'portion']), z.string()).default({}),
    served: z.array(z.object({ said: z.string(), allergen: z.enum(ALLERGENS) })).optional(),
  })
  .nullable();

const foretelling = z.object({ what: z.enum(FORETOLD), value: z.number(), low: z.number(), high: z.number() });
/** What was foretold of a batch as it was begun. */
export const foretoldSchema = z
  .object({ numbers: z.array(foretelling), by: z.array(z.enum(LESSON_IDS as [LessonId, ...LessonId[]])) })
  .nullable();

/** Times a first side takes by place of a surface. */
export const placeMapSchema = z
  .object({
    stepCm: z.number().positive(),
    columns: z.number().int().positive().max(200),
    rows: z.number().int().positive().max(200),
    factors: z.array(z.number().positive()),
  })
  .refine((m) => m.factors.length === m.columns * m.rows)
  .nullable();

/** Allergens by ingredient, as they were known. */
export const knownSchema = z.record(z.string(), z.array(z.enum(ALLERGENS))).nullable();

/** What went into a lot. */
export const lotItemSchema = z.object({
  id: z.string(),
  name: z.string(),
  grams: gramsKept,
  lot: z.string().default(''),
  sacks: z.array(z.object({ lot: z.string(), grams: gramsKept })).optional(),
});

const run = z.object({ text: z.string(), strong: z.boolean().optional() });
/** What a lot was made as. */
export const frozenSchema = z
  .object({
    name: z.string(),
    maker: z.string().default(''),
    place: z.string().default(''),
    ingredients: z.array(run),
    contains: z.array(z.string()),
    nutrition: z
      .object({
        kJ: z.number(),
        kcal: z.number(),
        fatG: z.number(),
        saturatesG: z.number().nullable().optional(),
        carbohydrateG: z.number(),
        sugarsG: z.number(),
        fibreG: z.number(),
        proteinG: z.number(),
        saltG: z.number(),
      })
      .nullable(),
    storage: z.string(),
    cautions: z.array(z.string()),
    code: z.string().default(''),
    products: z.array(
      z.object({
        product: z.object({ kind: z.enum(KIND_IDS), school: z.string() }),
        title: z.string(),
        parts: z.array(z.object({ id: z.string(), name: z.string(), grams: gramsKept })),
        density: z.number().positive(),
        portionMl: z.number().positive().nullable(),
        directions: z.string(),
      }),
    ),
    units: unitsSchema,
    leastPt: z.number().positive().optional(),
    writtenOn: z.string().optional(),
  })
  .nullable();

/** A version's columns. */
export const keptConventionsSchema = conventionsSchema.partial();
export const keptEntriesSchema = z.array(entrySchema);
export const keptSettingsSchema = settingsSchema;

/** A sheet as it was before anything stood in on it. */
export const unswappedSchema = z.object({ sheet: z.array(sheetLineSchema), massG: gramsKept }).nullable();

/** What stands in for a line of a batch. */
export const standInSchema = z.object({
  lineKey: z.string(),
  to: z.string(),
  with: z.string().nullable().default(null),
  name: z.string().default(''),
  standsFor: z.string().default(''),
});

/** A formula as one batch alone has it. */
export const swappedSchema = formulaSchema.nullable();
