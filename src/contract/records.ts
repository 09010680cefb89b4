/** What the Records page asks for. */
import { z } from 'zod';

/** What there is to know of the records themselves. */
export interface RecordsFacts {
  readonly bytes: number;
  /** Null where the disk is another machine's. */
  readonly diskLeftBytes: number | null;
  readonly place: string | null;
  readonly counts: { readonly formulas: number; readonly versions: number; readonly batches: number };
  /** How many backups are kept, and where they stand; null: nobody has said where. */
  readonly keep: number;
  readonly backupPlace: string | null;
  /** Where each is copied to, and whether the newest is there; null: nowhere. */
  readonly copies: { readonly place: string; readonly isThere: boolean; readonly trouble: string | null } | null;
  /** The server's clock less the database's, ms. */
  readonly clockOffMs: number;
  readonly zone: string;
  readonly postgres: string;
  readonly schema: string;
  readonly node: string;
}

/** How many backups are kept where nobody has said, and the most. */
export const FRESH_KEEP = 14;
const MOST_KEPT = 365;
export const keepSchema = z
  .number('How many: write a whole number.')
  .int('How many: write a whole number.')
  .min(2, 'Keep at least two.')
  .max(MOST_KEPT, `At most ${MOST_KEPT}.`);

export const keepBackupsSchema = z.object({ keep: keepSchema });
export const asideSchema = z.object({
  path: z.string().regex(/^[a-zA-Z]+(?:\.[a-zA-Z0-9-]+){0,3}$/, 'That is no part of the house.'),
});
export const nothingSchema = z.object({});
