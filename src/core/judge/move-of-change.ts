/** A change for next time in words, as the wish of the Bench that makes it. */

import { CAUSES } from './causes';

const plain = (s: string): string =>
  s
    .toLowerCase()
    .replace(/[^a-z]+/g, ' ')
    .trim();

const MOVE_OF: ReadonlyMap<string, string> = new Map(
  CAUSES.flatMap((c) => (c.move ? [[plain(c.change), c.move] as const] : [])),
);

/** The wish of the Bench that a change is, where it is one: "Less liquid." is thicker. */
export const moveOfChange = (change: string): string | null => MOVE_OF.get(plain(change)) ?? null;
