/** A device of the kitchen's network, as a form sends it. */
import { z } from 'zod';

/** Headers that the app sets of a request: `own` by this machine's listener, `door` by the kitchen's; and the device. */
export const WAY_IN = 'x-even-crumb-way';
export const DEVICE = 'x-even-crumb-device';
/** Who has signed on the device, by the door's word: the session, the person, and what they may; and of a token. */
export const SESSION = 'x-even-crumb-session';
export const PERSON = 'x-even-crumb-person';
export const ROLE = 'x-even-crumb-role';
/** `yes`: the screen was left alone, and whoever has signed signs again. */
export const LOCKED = 'x-even-crumb-locked';
export const TOKEN = 'x-even-crumb-token';
/** All that the door alone may say. */
export const DOORS_WORDS = [DEVICE, SESSION, PERSON, ROLE, LOCKED, TOKEN] as const;

/** Letters and figures that nobody mistakes for each other. */
export const CODE_LETTERS = 'ABCDEFGHJKMNPQRTUVWXYZ2346789';
export const CODE_CHARS = 8;

export const pairSchema = z.object({
  code: z
    .string()
    .transform((s) => s.toUpperCase().replace(/[^A-Z0-9]/g, ''))
    .pipe(z.string().length(CODE_CHARS, `The code has ${CODE_CHARS} letters and figures.`)),
  name: z.string().trim().min(1, 'A name, as Phone of Wren.').max(40, 'At most 40 characters.'),
  place: z.string().trim().max(40, 'At most 40 characters.'),
});

/** A code that is good now, as the server's own screen shows it. */
export interface PairingCode {
  readonly code: string;
  /** ms since 1970. */
  readonly expiresAt: number;
  /** A picture of the address with the code in it; null: the kitchen is open at no address. */
  readonly picture: string | null;
}

export const deviceIdSchema = z.object({ id: z.uuid('That is no device of this kitchen.') });

/** Figures that anybody would try first. */
const PLAIN = /^(\d)\1*$|^(?:0?123456789?|01234567?|1234|12345|123456|1234567|12345678|4321|54321|654321)$/;
export const pinSchema = z
  .string()
  .regex(/^\d{4,12}$/, 'A PIN has 4 to 12 figures.')
  .refine((p) => !PLAIN.test(p), 'Anybody would try that one first: another.');
export const setPinSchema = z.object({ person: z.uuid('Nobody of this kitchen.'), pin: pinSchema });
export const dropPinSchema = z.object({ person: z.uuid('Nobody of this kitchen.') });
export const signSchema = z.object({
  person: z.uuid('Tap your name.'),
  pin: z.string().min(1, 'Your PIN.').max(40, 'Your PIN.'),
});

/** What a token for programs may: look, or keep formulas too. */
export const SCOPES = ['read', 'write'] as const;
export const tokenSchema = z.object({
  name: z.string().trim().min(1, 'A name, as Label printer.').max(40, 'At most 40 characters.'),
  scope: z.enum(SCOPES),
  days: z.number().int().min(1, 'At least a day.').max(366, 'At most a year.'),
});

/** How long ago an act was done, ms; who had signed then and on which device, as the page was told: ids, or nobody. */
export const sentAsSchema = z.object({
  agoMs: z.coerce.number().min(0).default(0),
  session: z.uuid().nullable().default(null),
  device: z.uuid().nullable().default(null),
});
