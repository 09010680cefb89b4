/** A morning as it is planned, sent and kept. */
import { z } from 'zod';
import { END_IDS } from '@/core/formula/formula';
import { MOST_NEXT_CHARS } from '@/core/morning/closing';
import { ROLES, SURFACE_KINDS } from '@/core/morning/morning';
import { MOST_PERSON_CHARS } from '@/core/morning/people';
import { ALLERGENS } from '@/core/pantry/ingredient';
import { amount, count, day, name, note, requestId, seen, whole } from './fields';

/** Minutes from the midnight of the day: from the day before to the end of the next. */
const minute = z.number('Write a time, as 8:00.').min(-1440, 'At most a day before.').max(2880, 'At most a day after.');
const key = z.string().min(1).max(40);
/** Of a class: whose bench it is; none: everybody's. */
const bench = z.string().min(1).max(40).nullish();
const shared = z.object({ share: amount('Share', 100_000) });
const counted = z.object({ count: count('Plates', 100_000) });
const once = (list: readonly { readonly name: string }[], what: string, ctx: z.RefinementCtx): void => {
  const names = list.map((x) => x.name.toLowerCase());
  const twice = names.findIndex((n, i) => names.indexOf(n) < i);
  if (twice >= 0) ctx.addIssue({ code: 'custom', path: [what, twice, 'name'], message: 'That name is there already.' });
};

export const morningPlanSchema = z.object({
  name: note(80).default(''),
  day: day('The day: year, month and day.'),
  waves: z
    .array(z.object({ at: minute, covers: count('Covers', 10_000) }))
    .min(1, 'When do they come, and how many?')
    .max(24, 'At most 24 waves.'),
  dishes: z
    .array(
      z.object({
        id: key,
        formulaId: z.uuid('Choose what is made.'),
        end: z.enum(END_IDS).nullable().default(null),
        each: amount('Pieces on a plate', 100),
        of: z.union([shared, counted]),
        without: z.array(z.enum(ALLERGENS)).max(ALLERGENS.length).default([]),
        bench,
      }),
    )
    .min(1, 'Choose what is made.')
    .max(12, 'At most 12 dishes.'),
  people: z
    .array(
      z.object({
        personId: z.uuid().nullish(),
        name: name(MOST_PERSON_CHARS, 'A first name or nickname.'),
        role: z.enum(ROLES),
        from: minute,
        to: minute,
        bench,
      }),
    )
    .min(1, 'Who cooks?')
    .max(40, 'At most 40 people.'),
  surfaces: z
    .array(
      z.object({
        gearId: z.string().max(60).nullish(),
        name: name(60),
        kind: z.enum(SURFACE_KINDS),
        places: count('Places', 500).nullable(),
        from: minute.nullable(),
        to: minute.nullable(),
        bench,
      }),
    )
    .max(40, 'At most 40 surfaces.'),
  ovens: z.number('Ovens: write a number.').int('Ovens come whole.').min(0, 'Ovens: not less than none.').max(20),
  hob: z.number('Pans: write a number.').int('Pans come whole.').min(0, 'Pans: not less than none.').max(40),
  bell: minute.nullable(),
  kept: z
    .array(
      z.object({
        dish: key,
        lotId: z.uuid(),
        pieces: count('Pieces', 10_000),
        state: z.enum(['frozen', 'chilled']),
      }),
    )
    .max(40)
    .default([]),
  sides: z
    .array(z.object({ sideId: z.uuid().nullish(), name: name(80), min: amount('Minutes', 600), onHob: z.boolean() }))
    .max(40, 'At most 40 sauces and sides.')
    .default([]),
  before: z.boolean().default(false),
  pins: z
    .array(
      z.object({
        step: z.string().min(1).max(200),
        name: z.string().max(300),
        from: minute.nullable(),
        by: z.string().max(MOST_PERSON_CHARS).nullable(),
      }),
    )
    .max(100, 'At most 100 steps put by hand.')
    .optional(),
});

/** A plan as a form sends it: what each names is there once, and nobody goes before they come. */
export const keepMorningSchema = z.object({
  /** Made by the form that begins the morning: begun twice it is one. */
  id: z.uuid(),
  plan: morningPlanSchema.superRefine((p, ctx) => {
    once(p.people, 'people', ctx);
    once(p.surfaces, 'surfaces', ctx);
    for (const [n, x] of p.people.entries())
      if (x.to <= x.from)
        ctx.addIssue({ code: 'custom', path: ['people', n, 'to'], message: 'Nobody goes before they come.' });
  }),
  /** What the form has seen; null: the morning is new. */
  seen,
  /** Batches under way that a new morning takes in. */
  batches: z.array(z.uuid()).max(20).default([]),
});
export const dropMorningSchema = z.object({ id: z.uuid() });

/** Begins a morning, or places what is left of it anew around what is done. */
export const placeMorningSchema = z.object({ id: z.uuid() });

/** A step of a morning under way is done, or not after all. */
export const markSchema = z.object({
  id: z.uuid(),
  morningId: z.uuid(),
  step: z.string().min(1).max(200),
  done: z.boolean(),
});

/** A change of a morning, of which is asked what it would change. */
const waveNumber = z.number().int().min(0).max(23);
const changeOfMorning = z.discriminatedUnion('do', [
  z.object({
    do: z.literal('covers'),
    wave: waveNumber,
    by: z.number('Write a number.').int('Guests come whole.').min(-10_000).max(10_000),
  }),
  z.object({ do: z.literal('out'), surface: z.string().min(1).max(60) }),
  z.object({ do: z.literal('later'), wave: waveNumber, min: z.number().int().min(-240).max(240) }),
]);
export const previewMorningSchema = z.object({ id: z.uuid(), change: changeOfMorning });

/** What two people have still to do is the other's. */
export const swapPeopleSchema = z.object({
  morningId: z.uuid(),
  a: name(MOST_PERSON_CHARS, 'Who?'),
  b: name(MOST_PERSON_CHARS, 'Who?'),
  requestId,
});

const allergens = z.array(z.enum(ALLERGENS));
const stepSchema = z.object({
  id: z.string(),
  batch: z.string().nullable(),
  dish: z.string().nullable(),
  name: z.string(),
  from: z.number(),
  to: z.number(),
  by: z.string().nullable(),
  handsMin: z.number(),
  on: z.string().nullable(),
  places: z.number(),
  ovenC: z.number().nullable(),
  oven: z.string().nullable(),
  hob: z.boolean(),
  keepsMin: z.number().nullable(),
  allergens,
  without: allergens,
  needs: z.array(z.string()),
  wave: z.number().nullable(),
});
const bowlSchema = z.object({
  id: z.string(),
  dish: z.string(),
  pieces: z.number(),
  waves: z.array(z.number()),
  of: z.array(z.object({ wave: z.number(), pieces: z.number() })),
  allergens,
  standsMin: z.number().nullable(),
  ready: z.array(z.string()),
});
/** The schedule of a morning under way, as it is kept. */
export const scheduleSchema = z.object({ steps: z.array(stepSchema), bowls: z.array(bowlSchema) });

const pieces = whole('Pieces', 0, 100_000).default(null);
export const closingSchema = z.object({
  dishes: z
    .array(z.object({ dish: key, made: pieces, served: pieces, kept: pieces, thrown: pieces }))
    .max(12)
    .default([]),
  next: note(MOST_NEXT_CHARS).default(''),
});
/** Closes a morning, or puts its closing right. */
export const closeMorningSchema = z.object({ id: z.uuid(), closing: closingSchema });
