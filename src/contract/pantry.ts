/** What pages and files send about the pantry: packets, stock, measures. */
import { z } from 'zod';
import { MOST_OWN_NAME } from '@/core/exchange/pantry-csv';
import { LEAST_WEIGHINGS, MOST_WEIGHING_G, MOST_WEIGHINGS } from '@/core/pantry/calibrate';
import { GEAR_SORTS } from '@/core/pantry/gear';
import { ALLERGENS, CATEGORIES } from '@/core/pantry/ingredient';
import { PANEL_BASES } from '@/core/pantry/packet';
import { CLOCKS, DAY_ORDERS, isZone } from '@/core/quantity/day';
import { TEMPERATURE_UNITS, WEIGHT_UNITS } from '@/core/quantity/say';
import { unitById } from '@/core/quantity/units';
import { amount, day, figure } from './fields';

const panelSchema = z.object({
  by: z.literal('panel'),
  category: z.enum(CATEGORIES, 'What type of thing is it?'),
  like: z.string().max(60).nullable(),
  base: z.enum(PANEL_BASES),
  baseG: amount('The serving', 10_000).nullable(),
  kcal: figure('Energy', 100_000),
  fatG: figure('Fat'),
  carbohydrateG: figure('Carbohydrate'),
  sugarsG: figure('Sugars'),
  fibreG: figure('Fibre'),
  fibreWithin: z.boolean(),
  proteinG: figure('Protein'),
  saltG: figure('Salt'),
  alcoholG: figure('Alcohol'),
  waterG: figure('Water'),
  leavened: z.boolean(),
  gPer100Ml: amount('What 100 ml weigh', 500).nullable(),
  allergens: z.array(z.enum(ALLERGENS)).max(ALLERGENS.length).nullable(),
});

const blendSchema = z.object({
  by: z.literal('blend'),
  category: z.enum(CATEGORIES),
  members: z
    .array(z.object({ ingredientId: z.string().max(60), parts: amount('A part', 1_000_000) }))
    .max(20, 'A blend has at most 20 parts.'),
});

export const packetSchema = z.discriminatedUnion('by', [panelSchema, blendSchema]);

const ownId = z.string().regex(/^own-[a-z0-9-]{1,56}$/, 'That is no ingredient of this kitchen.');
const name = z
  .string()
  .trim()
  .min(1, 'Give it a name.')
  .max(MOST_OWN_NAME, `A name has at most ${MOST_OWN_NAME} characters.`);

export const thingSchema = z.object({ id: ownId.nullable(), name, packet: packetSchema });

export const dropThingSchema = z.object({ id: ownId });

export const stockSchema = z
  .object({
    ingredientId: z.string().min(1).max(60),
    price: figure('Price', 1_000_000),
    packG: amount('The pack', 10_000_000).nullable(),
    opened: day('The day it was opened: year, month and day.').nullable(),
    bestBefore: day('Best before: year, month and day.').nullable(),
  })
  .refine((s) => s.price === null || s.packG !== null, {
    path: ['packG'],
    message: 'A price needs its pack: how many grams are in it?',
  });

/** What was counted of an ingredient, by whom. */
export const countSchema = z.object({
  ingredientId: z.string().min(1).max(60),
  countedG: z
    .number('What was counted: write a number.')
    .min(0, 'What was counted: not less than nothing.')
    .max(10_000_000, 'What was counted: at most 10,000,000.'),
  who: z.string().trim().max(40, 'Who: at most 40 characters.'),
  requestId: z.uuid(),
});

export const uncountSchema = z.object({ countId: z.uuid() });

export const importSchema = z.object({ text: z.string(), withoutBad: z.boolean() });

const unit = z
  .string()
  .refine(
    (u) => unitById(u) !== undefined && (unitById(u)?.dimension === 'volume' || unitById(u)?.dimension === 'vague'),
    'That is no measure we know.',
  );
const which = z
  .string()
  .trim()
  .toLowerCase()
  .regex(/^(?:\p{L}{3,12})?$/u, 'One word of 3 to 12 letters, as "blue" for the blue ladle; or leave it empty.');
const full = z.string().regex(/^(?:1|[1-9]\/[2-9])$/, 'How full: 1, or a fraction as 2/3.');

export const weighedMeasureSchema = z.object({
  unit,
  which,
  full,
  ingredientId: z.string().max(60).nullable(),
  weighings: z
    .array(amount('A weighing', MOST_WEIGHING_G))
    .min(LEAST_WEIGHINGS, `Weigh ${LEAST_WEIGHINGS} of them: one alone says nothing about the next.`)
    .max(MOST_WEIGHINGS),
  gPerMl: amount('Density', 3),
});

export const answeredMeasureSchema = z
  .object({
    unit,
    which,
    ingredientId: z.string().max(60).nullable(),
    each: amount('The amount', 20_000),
    low: amount('The least', 20_000),
    high: amount('The most', 20_000),
  })
  .refine((m) => m.low <= m.each && m.each <= m.high, {
    path: ['each'],
    message: 'The amount has to be between its least and its most.',
  });

/** A measure that was forgotten just now, as it was. */
export const measureBackSchema = answeredMeasureSchema.safeExtend({
  full: z.string().regex(/^[0-9/ ]{1,12}$/, 'How full: a fraction.'),
  weighings: z.array(z.number().positive().max(20_000)).max(50),
  used: z.boolean(),
});

export const useMeasureSchema = z.object({ id: z.uuid(), used: z.boolean() });
export const forgetMeasureSchema = z.object({ id: z.uuid() });

const named = {
  id: z.string().regex(/^[a-z0-9-]{1,60}$/),
  name: z.string().trim().min(1, 'Give it a name.').max(60, 'A name has at most 60 characters.'),
};

export const gearSchema = z.discriminatedUnion('sort', [
  z.object({
    ...named,
    sort: z.literal(GEAR_SORTS[0]),
    stepG: amount('The step', 100),
    mostG: amount('The most it weighs', 1_000_000),
  }),
  z.object({ ...named, sort: z.literal(GEAR_SORTS[1]), wideCm: amount('Width', 500), deepCm: amount('Depth', 500) }),
  z.object({ ...named, sort: z.literal(GEAR_SORTS[2]), acrossCm: amount('Its bottom across', 200) }),
  z.object({
    ...named,
    sort: z.literal(GEAR_SORTS[3]),
    holdsMl: amount('What it holds', 20_000),
    pieces: amount('Pieces', 100).int('Pieces come whole.'),
  }),
  z.object({
    ...named,
    sort: z.literal(GEAR_SORTS[4]),
    hollowMl: amount('A hollow', 500),
    hollows: amount('Hollows', 200).int('Hollows come whole.'),
  }),
  z.object({
    ...named,
    sort: z.literal(GEAR_SORTS[5]),
    bowlMl: amount('What a bowl holds', 500_000),
    bowls: amount('Bowls', 200).int('Bowls come whole.'),
  }),
  z.object({ ...named, sort: z.literal(GEAR_SORTS[6]), drumG: amount('What a drum takes', 500_000) }),
]);

export const unitsSchema = z.object({
  weight: z.enum(WEIGHT_UNITS),
  temperature: z.enum(TEMPERATURE_UNITS),
  clock: z.enum(CLOCKS),
  days: z.enum(DAY_ORDERS),
  zone: z.string().max(60).refine(isZone, 'Time zone: choose one from the list.'),
  currency: z.string().trim().min(1, 'A sign of one to four letters.').max(4, 'A sign of one to four letters.'),
});
