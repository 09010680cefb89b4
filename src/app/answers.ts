/** What an action answers: done, or a refusal with its place. */
import { revalidatePath } from 'next/cache';
import type { z } from 'zod';
import { fieldErrors } from '@/contract/fields';

export interface Refusal {
  readonly ok: false;
  readonly message: string;
  /** Field errors by dotted path. */
  readonly fields: Readonly<Record<string, string>>;
}

export type Done<T> = ({ readonly ok: true } & T) | Refusal;

export const AWAY: Refusal = { ok: false, message: 'The records are out of reach just now. What you typed is still here: try again in a moment.', fields: {} };
export const refuse = (message: string, fields: Readonly<Record<string, string>> = {}): Refusal => ({ ok: false, message, fields });

export function invalid(error: z.ZodError): Refusal {
  const fields = fieldErrors(error);
  return refuse(Object.values(fields)[0] ?? 'Something in it is not right.', fields);
}

/** What every page rests on has changed: the house, the pantry, a measure. Pages kept for going back are drawn anew too. */
export const everyPageAnew = (): void => revalidatePath('/', 'layout');
