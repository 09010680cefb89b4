/** Fields that many forms have: each with the words for what is wrong with it, and the limits, once. */
import { z } from 'zod';
import { type Refusal, refuse } from './action-result';

/** More than nothing. */
export const amount = (what: string, most: number) =>
  z
    .number(`${what}: write a number.`)
    .positive(`${what} has to be more than nothing.`)
    .max(most, `${what}: at most ${most.toLocaleString('en-GB')}.`);

export const count = (what: string, most: number) => amount(what, most).int(`${what} come whole.`);

/** Nothing or more, or left open. */
export const figure = (what: string, most = 10_000) =>
  z
    .number(`${what}: write a number.`)
    .min(0, `${what}: not less than nothing.`)
    .max(most, `${what}: at most ${most.toLocaleString('en-GB')}.`)
    .nullable();

/** A whole number, or left open. */
export const whole = (what: string, least: number, most: number) =>
  z
    .number(`${what}: write a whole number.`)
    .int(`${what}: write a whole number.`)
    .min(least, `${what}: at least ${least}.`)
    .max(most, `${what}: at most ${most.toLocaleString('en-GB')}.`)
    .nullable();

export const degreesC = (what: string) =>
  z
    .number(`${what}: write a number of degrees.`)
    .min(0, `${what}: not below freezing.`)
    .max(400, `${what}: at most 400 °C.`);

/** A moment, ms since 1970. */
export const moment = z.number().min(1e12, 'That is before there were griddles here.').max(1e13);

/** A day that exists, yyyy-mm-dd, within what the records can hold. */
export const day = (words: string) => z.iso.date(words).refine((d) => d >= '2000-01-01' && d <= '2199-12-31', words);

export const name = (most: number, empty = 'Give it a name.') =>
  z.string().trim().min(1, empty).max(most, `A name has at most ${most} characters.`);
export const note = (most: number) =>
  z
    .string()
    .trim()
    .max(most, `At most ${most.toLocaleString('en-GB')} characters.`);

/** The same press of a button has one id, however often it arrives. */
export const requestId = z.uuid().nullable().default(null);

/** First message of each field, by dotted path, for a form to show at its place. */
export function fieldErrors(error: z.ZodError): Readonly<Record<string, string>> {
  const out: Record<string, string> = {};
  for (const i of error.issues) out[i.path.join('.')] ??= i.message;
  return out;
}

/** A refusal with each field's error at its place. */
export function invalid(error: z.ZodError): Refusal {
  const fields = fieldErrors(error);
  return refuse(Object.values(fields)[0] ?? 'Something in it is not right.', fields, 'invalid');
}

/** Where both have changed the same thing: which side stands, said of the revision that was shown. */
export const decided = z
  .object({ revision: z.number().int(), paths: z.record(z.string(), z.enum(['theirs', 'yours'])) })
  .optional();

/**
 * What a form was seen with. It is only compared with what is kept and with what is sent, never written, so that
 * nothing hangs on its shape.
 */
export const seen = z
  .object({ revision: z.number().int().min(0), base: z.unknown(), decided })
  .nullable()
  .default(null);
