/** What stands in an address, checked before it reaches a query. */
import { z } from 'zod';

const uuid = z.uuid();
export const isUuid = (s: string): boolean => uuid.safeParse(s).success;

const whole = z
  .string()
  .regex(/^[1-9]\d{0,5}$/)
  .transform(Number);

/** A version number, or null for anything else. */
export function versionNumber(s: string | string[] | undefined): number | null {
  const r = whole.safeParse(s);
  return r.success ? r.data : null;
}
