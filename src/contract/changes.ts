/** What screens are told when something changes: which thing, and nothing of it. */

/** Everything may have changed: a stream has begun, or what was told meanwhile was missed. */
export const ANYTHING = '*';

/**
 * A place in the order in which the server heard of changes. It is counted, not read off a clock: a clock that is set
 * back hides nothing.
 */
export interface HeardAt {
  /** The listening that counts; places of two listenings have no order. */
  readonly of: string;
  readonly n: number;
}
/** Before anything was heard. */
export const NOWHERE: HeardAt = { of: '', n: 0 };

/** Whether what stands at a place was heard after another, or may have been: another listening knows nothing of it. */
export const isLater = (a: HeardAt, than: HeardAt): boolean => a.of !== than.of || a.n > than.n;

/** A place in an address or a stream's event, and back; what is no place is before anything. */
export const placeText = (p: HeardAt): string => `${p.of}.${p.n}`;
export function placeIn(text: string): HeardAt {
  const [, of, n] = /^(.*)\.(\d{1,15})$/.exec(text) ?? [];
  return of === undefined ? NOWHERE : { of, n: Number(n) };
}

export interface Heard {
  /**
   * "batch:<id>", "batches", "formulas", "photos", "plans", "mornings", "pantry", "sides", "premix", "kept", "trials", "house"; or
   * anything.
   */
  readonly thing: string;
  readonly at: HeardAt;
}
