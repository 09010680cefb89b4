/** What is done to the practice scale and the practice griddle. */
import { z } from 'zod';
import { degreesC } from './fields';

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
