/** Kept lots and their books: nothing leaves that is not there, whoever asks at once. */

import type { ClientBase } from 'pg';
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import type { keepLotSchema, keptGoneSchema } from '@/contract/kept';
import { COOKED, KEPT_HOWS, KEPT_STATES, type KeptLot, type KeptUse, keptWords, type TakenIn } from '@/core/batch/kept';
import { KIND_IDS } from '@/core/formula/kinds';
import { doneAt } from '../db/done';
import { query, transaction } from '../db/pool';
import { idRow, rowsFrom } from '../db/rows';
import { GONE } from './revised';

const SELECT_KEPT = `select k.id, k.number, k.batch_id as "batchId", k.formula_id as "formulaId", k.name, k.kind, k.state, k.cooked, k.pieces, k.parcel, k.place,
       k.made::text, k.best_by::text as "bestBy", k.note, k.who,
       (k.pieces - coalesce((select sum(u.pieces) from kept_uses u where u.lot_id = k.id and u.undone_at is null), 0))::int as left
  from kept_lots k`;

const keptRow = z.object({
  id: z.string(),
  number: z.number(),
  batchId: z.string().nullable(),
  formulaId: z.string().nullable(),
  name: z.string(),
  kind: z.enum(KIND_IDS),
  state: z.enum(KEPT_STATES),
  cooked: z.enum(COOKED),
  pieces: z.number(),
  left: z.number(),
  parcel: z.number().nullable(),
  place: z.string(),
  made: z.string(),
  bestBy: z.string(),
  note: z.string(),
  who: z.string(),
});
const useRow = z.object({
  id: z.string(),
  pieces: z.number(),
  how: z.enum(KEPT_HOWS),
  who: z.string(),
  at: z.date(),
  undoneAt: z.date().nullable(),
  forBatch: z.string().nullable(),
  forName: z.string().nullable(),
});
const takenRow = keptRow
  .pick({ number: true, kind: true, state: true, cooked: true, pieces: true })
  .extend({ lotId: z.string() });

const from = (sql: string, values: readonly unknown[] = []): Promise<KeptLot[]> => rowsFrom(keptRow, sql, values);

const LOTS_AT_ONCE = 500;
/** Everything that was ever kept, the newest first. */
export const keptLots = (): Promise<KeptLot[]> => from(`${SELECT_KEPT} order by k.number desc limit ${LOTS_AT_ONCE}`);

/** What there is of a formula, or of all. */
export const keptNow = (formulaId: string | null = null): Promise<KeptLot[]> =>
  from(
    `select * from (${SELECT_KEPT} where $1::uuid is null or k.formula_id = $1) k where k.left > 0 order by k."bestBy", k.number`,
    [formulaId],
  );

export const keptOfBatch = (batchId: string): Promise<KeptLot[]> =>
  from(`${SELECT_KEPT} where k.batch_id = $1 order by k.number`, [batchId]);

export const keptLot = async (id: string): Promise<KeptLot | null> =>
  (await from(`${SELECT_KEPT} where k.id = $1`, [id]))[0] ?? null;

export const usesOfKept = (lotId: string): Promise<KeptUse[]> =>
  rowsFrom(
    useRow,
    `select u.id, u.pieces, u.how, u.who, u.at, u.undone_at as "undoneAt", u.for_batch as "forBatch", b.name as "forName"
       from kept_uses u left join batches b on b.id = u.for_batch where u.lot_id = $1 order by u.at, u.id`,
    [lotId],
  );

/** Keeps what is over of a batch. The same request once more keeps nothing twice. */
export async function keep(k: z.output<typeof keepLotSchema>): Promise<ActionResult<{ readonly id: string }>> {
  const made = await rowsFrom(
    idRow,
    `insert into kept_lots (request_id, batch_id, formula_id, name, kind, state, cooked, pieces, parcel, place, made, best_by, note, who)
     select $1, b.id, b.formula_id, b.name, coalesce(b.kind, v.kind), $3, $4, $5, $6, $7, $8, $9, $10, $11 from batches b join formula_versions v on v.id = b.version_id where b.id = $2
     on conflict (request_id) do nothing returning id`,
    [k.requestId ?? null, k.batchId, k.state, k.cooked, k.pieces, k.parcel, k.place, k.made, k.bestBy, k.note, k.who],
  );
  const id =
    made[0]?.id ??
    (k.requestId
      ? (await rowsFrom(idRow, 'select id from kept_lots where request_id = $1', [k.requestId]))[0]?.id
      : undefined);
  return id === undefined ? refuse(GONE) : { ok: true, id };
}

/** What a batch has taken in, lot by lot. */
export const keptTakenBy = (batchId: string): Promise<TakenIn[]> =>
  rowsFrom(
    takenRow,
    `select k.id as "lotId", k.number, k.kind, k.state, k.cooked, sum(u.pieces)::int as pieces from kept_uses u join kept_lots k on k.id = u.lot_id
      where u.for_batch = $1 and u.undone_at is null group by k.id order by k.number`,
    [batchId],
  );

/** Says that there are not so many, or nothing where there are. The lot is held from here on. */
async function tooFew(
  client: ClientBase,
  lotId: string,
  pieces: number,
): Promise<{ readonly says: string | null; readonly left: number } | null> {
  // one at a time for each lot
  const held = await client.query('select id from kept_lots where id = $1 for update', [lotId]);
  const lot =
    held.rowCount === 0 ? undefined : (await rowsFrom(keptRow, `${SELECT_KEPT} where k.id = $1`, [lotId], client))[0];
  if (!lot) return null;
  const says =
    pieces <= lot.left
      ? null
      : lot.left === 0
        ? 'There is nothing left of it.'
        : `There ${lot.left === 1 ? 'is' : 'are'} only ${keptWords(lot, lot.left)}.`;
  return { says, left: lot.left };
}

/** A batch takes kept pieces in, in the transaction that begins it. @returns what is wrong with it, by lot; or null */
export async function takeKeptIn(
  client: ClientBase,
  batchId: string,
  asked: readonly { readonly lotId: string; readonly pieces: number }[],
): Promise<{ readonly lotId: string; readonly says: string } | null> {
  // in one order: two batches never wait for each other
  for (const { lotId, pieces } of [...asked].sort((a, b) => (a.lotId < b.lotId ? -1 : 1))) {
    const lot = await tooFew(client, lotId, pieces);
    const says = lot === null ? GONE : lot.says;
    if (says !== null) return { lotId, says };
    await client.query("insert into kept_uses (lot_id, pieces, how, for_batch) values ($1, $2, 'served', $3)", [
      lotId,
      pieces,
      batchId,
    ]);
  }
  return null;
}

/** A batch that is given up gives back what it took in. @returns the entries, for who takes it up again */
export const giveKeptBack = async (client: ClientBase, batchId: string): Promise<readonly string[]> =>
  (
    await rowsFrom(
      idRow,
      'update kept_uses set undone_at = now() where for_batch = $1 and undone_at is null returning id',
      [batchId],
      client,
    )
  ).map((r) => r.id);

/** Taken up again it takes the same once more, where it is still there. @returns what is wrong with it, or null */
export async function takeKeptAgain(client: ClientBase, useIds: readonly string[]): Promise<string | null> {
  for (const id of [...useIds].sort()) {
    const use = (
      await rowsFrom(
        z.object({ lotId: z.string(), pieces: z.number() }),
        'select lot_id as "lotId", pieces from kept_uses where id = $1 and undone_at is not null',
        [id],
        client,
      )
    )[0];
    if (!use) continue;
    const lot = await tooFew(client, use.lotId, use.pieces);
    if (lot?.says) return `What it had taken of the kept pieces is used up meanwhile. ${lot.says}`;
    await client.query('update kept_uses set undone_at = null where id = $1', [id]);
  }
  return null;
}

/** So many leave: served, or thrown away. Refused where there are not so many, also when two screens ask at once. */
export const letKeptGo = (
  u: z.output<typeof keptGoneSchema>,
): Promise<ActionResult<{ readonly id: string; readonly left: number }>> =>
  transaction(async (client) => {
    const lot = await tooFew(client, u.lotId, u.pieces);
    if (!lot) return refuse(GONE);
    const had = u.requestId
      ? await rowsFrom(idRow, 'select id from kept_uses where request_id = $1', [u.requestId], client)
      : null;
    const again = had?.[0];
    if (again) return { ok: true, id: again.id, left: lot.left };
    if (lot.says !== null) return refuse(lot.says, { pieces: lot.says });
    const made = await rowsFrom(
      idRow,
      'insert into kept_uses (request_id, lot_id, pieces, how, who, at) values ($1, $2, $3, $4, $5, coalesce($6, now())) returning id',
      [u.requestId ?? null, u.lotId, u.pieces, u.how, u.who, doneAt()],
      client,
    );
    return { ok: true, id: made[0]?.id ?? '', left: lot.left - u.pieces };
  });

/** What left comes back; the entry stays, and counts no more. */
export async function takeKeptBack(useId: string): Promise<ActionResult> {
  const rows = await query('update kept_uses set undone_at = coalesce(undone_at, now()) where id = $1 returning id', [
    useId,
  ]);
  return rows.length > 0 ? { ok: true } : refuse(GONE);
}
