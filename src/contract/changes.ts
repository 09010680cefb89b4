/** What screens are told when something changes: which thing, and nothing of it. */

/** Everything may have changed: a stream has begun, or what was told meanwhile was missed. */
export const ANYTHING = '*';

export interface Heard {
  /** "batch:<id>", "batches", "formulas", "photos", "plans", "pantry", "sides", "premix", "kept", "house"; or anything. */
  readonly thing: string;
  /** When the server heard of it, by its clock, ms since 1970. */
  readonly at: number;
}
