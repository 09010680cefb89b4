/** What stands in an address, checked before it reaches a query. */
import { z } from 'zod';

const uuid = z.uuid();
export const isUuid = (s: string): boolean => uuid.safeParse(s).success;

/** An id in an address, or null for anything else. */
export const uuidIn = (s: string | string[] | undefined): string | null =>
  typeof s === 'string' && isUuid(s) ? s : null;

const whole = z
  .string()
  .regex(/^[1-9]\d{0,5}$/)
  .transform(Number);

/** A version number, or null for anything else. */
export function versionNumber(s: string | string[] | undefined): number | null {
  const r = whole.safeParse(s);
  return r.success ? r.data : null;
}

interface VersionPick {
  readonly formulaId: string;
  readonly number: number;
}

/** "3" is version 3 of the formula at hand, "<id>:3" of another; null for anything else. */
export function versionPick(s: string | string[] | undefined, own: string): VersionPick | null {
  if (typeof s !== 'string') return null;
  const [first = '', second] = s.split(':');
  const [formulaId, number] = second === undefined ? [own, first] : [first, second];
  const n = versionNumber(number);
  return n !== null && isUuid(formulaId) ? { formulaId, number: n } : null;
}
