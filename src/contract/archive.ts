/** The whole kitchen as one file: what its first page says of it. */
import { z } from 'zod';

export const ARCHIVE_FORMAT = 'even-crumb-kitchen';
/** Of the file itself; the records in it are of the age that `migrations` tells. */
export const ARCHIVE_VERSION = 1;

const sha = z.string().regex(/^[0-9a-f]{64}$/);
/** `pictures/<id of the photograph>-<size>.jpg` */
export const PICTURE_FILE = /^pictures\/([0-9a-f-]{36})-(small|large|original)\.jpg$/;

export const manifestSchema = z.object({
  format: z.literal(ARCHIVE_FORMAT, 'It is no kitchen of Even Crumb.'),
  version: z.number().int().min(1).max(ARCHIVE_VERSION, 'It was written by a newer Even Crumb: read it with that one.'),
  /** The app that wrote it. */
  app: z.string().max(40),
  madeAt: z.iso.datetime(),
  /** What had been applied to its records, in order. */
  migrations: z
    .array(z.string().regex(/^\d{4}_[a-z0-9_]+\.sql$/))
    .min(1)
    .max(1000),
  tables: z.record(
    z.string().regex(/^[a-z][a-z0-9_]{0,62}$/),
    z.object({ rows: z.number().int().min(0), sha256: sha }),
  ),
  /** Pictures, each a file of its own, by its name there. */
  pictures: z.record(z.string().regex(PICTURE_FILE), z.object({ sha256: sha })).default({}),
});
export type Manifest = z.output<typeof manifestSchema>;
