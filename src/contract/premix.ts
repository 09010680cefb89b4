/** What the premix pages send: every field checked before it goes anywhere. */
import { z } from 'zod';
import { TAKES } from '@/core/batch/take-out';
import { KIND_IDS, kindById } from '@/core/formula/kinds';
import { MOST_BAGS, MOST_PRODUCTS } from '@/core/premix/premix';
import { amount, count, day, requestId } from './fields';

const productSchema = z
  .object({ kind: z.enum(KIND_IDS), school: z.string().max(40) })
  .refine((p) => kindById(p.kind).schools.some((s) => s.id === p.school), { path: ['school'], message: 'There is no such school of that kind.' });

export const premixSettingsSchema = z.object({
  powders: z.object({ milk: z.boolean(), buttermilk: z.boolean(), egg: z.boolean() }),
  bagG: amount('A bag', 25_000).min(20, 'A bag: at least 20 g.'),
  densityGPerMl: z.number('Write a number.').min(0.2, 'Lighter than any mix: at least 0.2.').max(1.2, 'Heavier than any mix: at most 1.2.').nullable(),
  products: z.array(productSchema).max(MOST_PRODUCTS, `At most ${MOST_PRODUCTS} besides its own.`),
  months: count('Months', 24).nullable(),
  storage: z.string().trim().max(300, 'At most 300 characters.'),
});

export const premixSchema = z.object({
  id: z.uuid().nullable(),
  versionId: z.uuid(),
  name: z.string().trim().min(1, 'Give it a name.').max(80, 'A name has at most 80 characters.'),
  settings: premixSettingsSchema,
});

export const lotSchema = z.object({
  premixId: z.uuid(),
  bags: count('Bags', MOST_BAGS),
  made: day('Choose a day that there is.'),
  ingredientLots: z.record(z.string().max(60), z.string().trim().max(40, 'At most 40 characters.')),
  checked: z.string().trim().max(300, 'At most 300 characters.'),
  note: z.string().trim().max(1000, 'At most 1,000 characters.'),
  take: z.enum(TAKES),
  requestId,
});

export const fromBagsSchema = z.object({
  lotId: z.uuid(),
  bags: count('Bags', MOST_BAGS),
  product: productSchema,
  take: z.enum(TAKES),
  requestId,
});

export const discardSchema = z.object({
  lotId: z.uuid(),
  bags: count('Bags', MOST_BAGS),
  why: z.string().trim().min(1, 'Write why.').max(200, 'At most 200 characters.'),
  requestId,
});

export const dropPremixSchema = z.object({ id: z.uuid() });
