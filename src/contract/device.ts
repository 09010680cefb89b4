/** A device of the kitchen's network, as a form sends it. */
import { z } from 'zod';

/** Headers that the app sets of a request: `own` by this machine's listener, `door` by the kitchen's; and the device. */
export const WAY_IN = 'x-even-crumb-way';
export const DEVICE = 'x-even-crumb-device';

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
