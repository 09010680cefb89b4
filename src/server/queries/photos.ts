/** Photographs with the records: of outcomes, and of what is wanted. */

import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import type { PhotoAsked } from '@/contract/photo';
import { MOST_PHOTOS, type Photograph, SHOWS, type Shows } from '@/core/judge/photographs';
import { query, transaction } from '../db/pool';
import { countRow, idRow, rowsFrom } from '../db/rows';
import { GONE } from './revised';

const photoRow = z.object({
  id: z.string(),
  shows: z.enum(SHOWS),
  width: z.number(),
  height: z.number(),
  original: z.boolean(),
  batchId: z.string().nullable(),
});

const SELECT_PHOTO = `select p.id, p.shows, p.width, p.height, exists (select 1 from photo_files f where f.photo_id = p.id and f.size = 'original') as original,
       p.batch_id as "batchId" from photos p`;

/** In the order they were taken. */
export const photosOf = (of: { readonly batch: string } | { readonly formula: string }): Promise<Photograph[]> =>
  rowsFrom(
    photoRow,
    `${SELECT_PHOTO} where p.${'batch' in of ? 'batch_id' : 'formula_id'} = $1 and p.undone_at is null order by p.at, p.id`,
    ['batch' in of ? of.batch : of.formula],
  );

/** Of many batches, by batch. */
export async function photosOfBatches(ids: readonly string[]): Promise<ReadonlyMap<string, readonly Photograph[]>> {
  const rows =
    ids.length === 0
      ? []
      : await rowsFrom(
          photoRow.extend({ batchId: z.string() }),
          `${SELECT_PHOTO} where p.batch_id = any($1) and p.undone_at is null order by p.at, p.id`,
          [ids],
        );
  const of = new Map<string, Photograph[]>();
  for (const r of rows) of.set(r.batchId, [...(of.get(r.batchId) ?? []), r]);
  return of;
}

/** A copy's bytes; null where there is none. What was taken away is still shown to who takes it back. */
export const photoFile = async (id: string, size: string): Promise<Buffer | null> =>
  (
    await rowsFrom(
      z.object({ bytes: z.custom<Buffer>((b) => Buffer.isBuffer(b)) }),
      'select bytes from photo_files where photo_id = $1 and size = $2',
      [id, size],
    )
  )[0]?.bytes ?? null;

/** A photograph as it is kept: JPEG, small and large, and as large as it came where that is wanted. */
export interface Copies {
  readonly small: Buffer;
  readonly large: Buffer;
  readonly original: Buffer | null;
  /** Of the large one, px. */
  readonly width: number;
  readonly height: number;
}

/** Keeps one with its copies. The same press again keeps nothing more. */
export async function keepPhoto(asked: PhotoAsked, c: Copies): Promise<ActionResult<{ readonly id: string }>> {
  const of = asked.batch ?? asked.formula ?? null;
  const [table, column] = asked.batch ? ['batches', 'batch_id'] : ['formulas', 'formula_id'];
  return transaction(async (client) => {
    // one after the other: two screens together keep no more than there is room for
    const owner = await client.query(`select 1 from ${table} where id = $1 for update`, [of]);
    if (owner.rowCount === 0) return refuse(GONE);
    // gone for a day: there is no way back from here on
    await client.query("delete from photos where undone_at < now() - interval '1 day'");
    const had = await rowsFrom(idRow, 'select id from photos where request_id = $1', [asked.request ?? null], client);
    if (had[0]) return { ok: true as const, id: had[0].id };
    const there = await rowsFrom(
      countRow,
      `select count(*)::int as n from photos where ${column} = $1 and undone_at is null`,
      [of],
      client,
    );
    if ((there[0]?.n ?? 0) >= MOST_PHOTOS)
      return refuse(`There are ${MOST_PHOTOS} photographs already: take one away first.`);
    const made = await rowsFrom(
      idRow,
      `insert into photos (request_id, ${column}, shows, width, height) values ($1, $2, $3, $4, $5) returning id`,
      [asked.request ?? null, of, asked.shows, c.width, c.height],
      client,
    );
    const id = made[0]?.id;
    if (id === undefined) return refuse(GONE);
    for (const [size, bytes] of [
      ['small', c.small],
      ['large', c.large],
      ['original', c.original],
    ] as const)
      if (bytes)
        await client.query('insert into photo_files (photo_id, size, bytes) values ($1, $2, $3)', [id, size, bytes]);
    return { ok: true as const, id };
  });
}

export async function photoAway(id: string): Promise<ActionResult> {
  const rows = await query('update photos set undone_at = coalesce(undone_at, now()) where id = $1 returning id', [id]);
  return rows.length > 0 ? { ok: true } : refuse(GONE);
}

export async function photoBack(id: string): Promise<ActionResult> {
  const rows = await query('update photos set undone_at = null where id = $1 returning id', [id]);
  return rows.length > 0 ? { ok: true } : refuse('It is gone for good by now.');
}

export async function photoShows(id: string, shows: Shows): Promise<ActionResult> {
  const rows = await query('update photos set shows = $2 where id = $1 returning id', [id, shows]);
  return rows.length > 0 ? { ok: true } : refuse(GONE);
}
