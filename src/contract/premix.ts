/** What the premix pages send: every field checked before it goes anywhere. */
import { z } from 'zod';
import { TAKES } from '@/core/batch/take-out';
import { KIND_IDS, kindById } from '@/core/formula/kinds';
import { MILK_POWDERS } from '@/core/premix/bag';
import { codeWrong } from '@/core/premix/code';
import { MOST_BAGS, MOST_PRODUCTS, MOST_SACKS, MOST_SIZES, USE_KINDS } from '@/core/premix/premix';
import { amount, count, day, requestId } from './fields';
import { formulaSchema } from './formula';

const productSchema = z
  .object({
    kind: z.enum(KIND_IDS),
    school: z.string().max(40),
    parts: z
      .array(z.object({ id: z.string().max(60), grams: amount('Added', 10_000) }))
      .max(20)
      .optional(),
  })
  .refine((p) => kindById(p.kind).schools.some((s) => s.id === p.school), {
    path: ['school'],
    message: 'There is no such style of that kind.',
  });

const bagSize = amount('A bag', 25_000).min(20, 'A bag: at least 20 g.');

const money = (of: string) =>
  z
    .number(`${of}: write a number.`)
    .min(0, `${of}: not less than nothing.`)
    .max(100_000, `${of}: at most 100,000.`)
    .nullable()
    .default(null);

export const premixSettingsSchema = z.object({
  powders: z.object({
    milk: z.boolean(),
    buttermilk: z.boolean(),
    egg: z.boolean(),
    milkAs: z.enum(MILK_POWDERS).optional(),
  }),
  bagged: formulaSchema.nullable().default(null),
  bagG: bagSize,
  densityGPerMl: z
    .number('Write a number.')
    .min(0.2, 'Lighter than any mix: at least 0.2.')
    .max(1.2, 'Heavier than any mix: at most 1.2.')
    .nullable(),
  products: z.array(productSchema).max(MOST_PRODUCTS, `At most ${MOST_PRODUCTS} besides its own.`),
  months: count('Months', 24).nullable(),
  storage: z.string().trim().max(300, 'At most 300 characters.'),
  code: z
    .string()
    .trim()
    .max(80, 'A code: at most 80 characters.')
    .default('')
    .superRefine((code, ctx) => {
      const why = codeWrong(code);
      if (why) ctx.addIssue({ code: 'custom', message: why });
    }),
  packaging: money('Packaging'),
  price: money('Price'),
  minutesABag: money('Minutes'),
  hour: money('An hour'),
  lossPct: z
    .number('Loss: write a number.')
    .min(0, 'Loss: not less than none.')
    .max(50, 'Loss: at most 50 %.')
    .nullable()
    .default(null),
  sizes: z
    .array(
      z.object({ bagG: bagSize, packaging: money('Packaging'), minutesABag: money('Minutes'), price: money('Price') }),
    )
    .max(MOST_SIZES - 1, `At most ${MOST_SIZES - 1} other sizes.`)
    .default([]),
});

export const premixSchema = z.object({
  id: z.uuid().nullable(),
  versionId: z.uuid(),
  name: z.string().trim().min(1, 'Give it a name.').max(80, 'A name has at most 80 characters.'),
  settings: premixSettingsSchema,
});

const sackLot = z.string().trim().max(40, 'At most 40 characters.');

export const lotSchema = z.object({
  premixId: z.uuid(),
  /** Bags of each size. */
  fills: z
    .array(z.object({ bagG: bagSize, bags: count('Bags', MOST_BAGS) }))
    .min(1, 'At least one bag.')
    .max(MOST_SIZES, `At most ${MOST_SIZES} sizes.`),
  made: day('Choose a day that there is.'),
  /** By ingredient, each sack's own lot and what went in of it; null: the rest, as planned. */
  sacks: z
    .record(
      z.string().max(60),
      z
        .array(z.object({ lot: sackLot, grams: amount('Weighed', 1_000_000).nullable() }))
        .max(MOST_SACKS, `At most ${MOST_SACKS} sacks of one thing.`),
    )
    .default({}),
  /** What stayed in the sieve, g. */
  restG: z
    .number('Left in the sieve: write a number.')
    .min(0, 'Left in the sieve: not less than none.')
    .max(100_000, 'Left in the sieve: at most 100,000.')
    .default(0),
  checked: z.string().trim().max(300, 'At most 300 characters.'),
  note: z.string().trim().max(1000, 'At most 1,000 characters.'),
  madeBy: z.string().trim().max(80, 'At most 80 characters.').default(''),
  take: z.enum(TAKES),
  /** The weighing in the records that fills it. */
  workId: z.uuid().nullable().default(null),
  /** What was cleared down after the lot before, and by whom. */
  cleared: z.array(z.string().max(200)).max(40).default([]),
  clearedBy: z.string().trim().max(80, 'At most 80 characters.').default(''),
  requestId,
});

/** Half a bag is half. */
const bagsOut = z
  .number('Bags: write a number.')
  .positive('Bags: more than nothing.')
  .max(MOST_BAGS, `Bags: at most ${MOST_BAGS}.`);
const who = z.string().trim().min(1, 'Write who.').max(80, 'At most 80 characters.');
const why = z.string().trim().min(1, 'Write why.').max(300, 'At most 300 characters.');

export const fromBagsSchema = z.object({
  lotId: z.uuid(),
  bags: bagsOut,
  product: productSchema,
  take: z.enum(TAKES),
  requestId,
});

/** Bags that leave without a batch: who has them, or who threw them away and why. */
const bagNumbers = z.array(z.number().int().positive().max(100_000)).max(MOST_BAGS).default([]);
export const bagsGoneSchema = z
  .object({
    lotId: z.uuid(),
    bags: bagsOut,
    kind: z.enum(USE_KINDS),
    who: z.string().trim().max(80, 'At most 80 characters.').default(''),
    why: z.string().trim().max(300, 'At most 300 characters.').default(''),
    price: z
      .number('Price: write a number.')
      .min(0, 'Price: not less than nothing.')
      .max(1_000_000, 'Price: at most 1,000,000.')
      .nullable()
      .default(null),
    /** Which, by the numbers on them; none: nobody wrote it. */
    numbers: bagNumbers,
    requestId,
  })
  .superRefine((b, ctx) => {
    if ((b.kind === 'sale' || b.kind === 'gift') && b.who === '')
      ctx.addIssue({ code: 'custom', path: ['who'], message: 'Write who has them.' });
    if ((b.kind === 'bin' || b.kind === 'other') && b.why === '')
      ctx.addIssue({ code: 'custom', path: ['why'], message: 'Write why.' });
  });

/** Bags that come back of an entry: onto the shelf, or thrown away. */
export const bagsBackSchema = z.object({
  useId: z.uuid(),
  bags: bagsOut,
  numbers: bagNumbers,
  to: z.enum(['shelf', 'bin']),
  who,
  why,
  requestId,
});
export const countBagsSchema = z.object({
  lotId: z.uuid(),
  counted: z.number('Write a number.').min(0, 'Not less than none.').max(MOST_BAGS, `At most ${MOST_BAGS}.`),
  who,
  why,
  requestId,
});

export const undoUseSchema = z.object({ useId: z.uuid(), who, why, requestId });

export const correctLotSchema = z.object({
  lotId: z.uuid(),
  bags: count('Bags', MOST_BAGS),
  /** By ingredient, the lots of its sacks in order. */
  sackLots: z.record(z.string().max(60), z.array(sackLot).max(MOST_SACKS)),
  checked: lotSchema.shape.checked,
  note: lotSchema.shape.note,
  who,
  why,
  requestId,
});

export const voidLotSchema = z.object({ lotId: z.uuid(), who, why, back: z.boolean(), requestId });

const MOST_SACKS_AT_ONCE = 10;
export const weighLotSchema = z
  .object({
    workId: z.uuid(),
    premixId: z.uuid(),
    fills: lotSchema.shape.fills,
    made: lotSchema.shape.made,
    /** Of the weighing on the blend sheet. */
    key: z.string().min(1).max(120),
    /** One sack, or those that ended and followed within it. */
    sacks: z
      .array(z.object({ lot: sackLot, grams: amount('Weighed', 1_000_000) }))
      .min(1, 'What was weighed?')
      .max(MOST_SACKS_AT_ONCE, `At most ${MOST_SACKS_AT_ONCE} sacks at once.`),
    /** The weighing that this one puts right. */
    replaces: z.uuid().nullable().default(null),
    who: z.string().trim().max(80, 'At most 80 characters.').default(''),
    why: z.string().trim().max(300, 'At most 300 characters.').default(''),
    requestId,
  })
  .superRefine((w, ctx) => {
    if (w.replaces === null) return;
    if (w.who === '') ctx.addIssue({ code: 'custom', path: ['who'], message: 'Write who.' });
    if (w.why === '') ctx.addIssue({ code: 'custom', path: ['why'], message: 'Write why.' });
  });

export const lotOrderSchema = z.object({
  workId: z.uuid(),
  emptied: z.array(z.number().int().positive()).min(1, 'Each blend once.').max(1000),
  who,
  why,
  requestId,
});

const reading = (of: string, most: number) =>
  z
    .number(`${of}: write a number.`)
    .min(0, `${of}: not less than nothing.`)
    .max(most, `${of}: at most ${most}.`)
    .nullable()
    .default(null);
export const lotTestSchema = z
  .object({
    /** Made up by the browser that notes it. */
    id: z.uuid(),
    lotId: z.uuid(),
    values: z.object({
      flowS: reading('Pour', 600),
      acrossMm: reading('Spread', 600),
      heightMm: reading('Height', 200),
      foamMm: reading('Foam', 300),
    }),
    who: z.string().trim().max(80, 'At most 80 characters.').default(''),
    note: z.string().trim().max(300, 'At most 300 characters.').default(''),
  })
  .superRefine(({ values: v }, ctx) => {
    if (Object.values(v).every((x) => x === null))
      ctx.addIssue({ code: 'custom', path: ['values', 'flowS'], message: 'Write one of them at least.' });
    for (const k of ['flowS', 'acrossMm', 'heightMm'] as const)
      if (v[k] === 0) ctx.addIssue({ code: 'custom', path: ['values', k], message: 'More than nothing.' });
  });
export const strikeTestSchema = z.object({ testId: z.uuid() });

/** Codes on the packets that a batch was mixed from; an empty one is none. */
export const batchSacksSchema = z.object({
  batchId: z.uuid(),
  who: z.string().trim().max(80, 'At most 80 characters.').default(''),
  sacks: z
    .array(
      z.object({
        id: z.string().max(60),
        name: z.string().max(120),
        lot: z.string().trim().max(200, 'At most 200 characters.'),
      }),
    )
    .max(60),
  requestId,
});

export const giveUpLotSchema = z.object({ workId: z.uuid(), why, requestId });

export const tracesSchema = z.object({
  lotId: z.uuid(),
  traces: z.string().trim().min(1, 'Write what is said.').max(300, 'At most 300 characters.'),
  who,
  requestId,
});

export const dropPremixSchema = z.object({ id: z.uuid() });
