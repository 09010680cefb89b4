/** Kept lots and their books: nothing leaves that is not there, whoever asks at once. */

import type { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import type { keepLotSchema, keptGoneSchema } from '@/contract/kept';
import { type KeptLot, type KeptUse, keptWords } from '@/core/batch/kept';
import { query, transaction } from '../db/pool';
import { GONE } from './revised';

const SELECT_KEPT = `select k.id, k.number, k.batch_id as "batchId", k.formula_id as "formulaId", k.name, k.kind, k.state, k.cooked, k.pieces, k.parcel, k.place,
       k.made::text, k.best_by::text as "bestBy", k.note, k.who,
       (k.pieces - coalesce((select sum(u.pieces) from kept_uses u where u.lot_id = k.id and u.undone_at is null), 0))::int as left
  from kept_lots k`;

const from = (sql: string, values: readonly unknown[] = []): Promise<KeptLot[]> => query<KeptLot & Record<string, unknown>>(sql, values);

const LOTS_AT_ONCE = 500;
/** Everything that was ever kept, the newest first. */
export const keptLots = (): Promise<KeptLot[]> => from(`${SELECT_KEPT} order by k.number desc limit ${LOTS_AT_ONCE}`);

/** What there is of a formula, or of all. */
export const keptNow = (formulaId: string | null = null): Promise<KeptLot[]> =>
  from(`select * from (${SELECT_KEPT} where $1::uuid is null or k.formula_id = $1) k where k.left > 0 order by k."bestBy", k.number`, [formulaId]);

export const keptOfBatch = (batchId: string): Promise<KeptLot[]> => from(`${SELECT_KEPT} where k.batch_id = $1 order by k.number`, [batchId]);

export const keptLot = async (id: string): Promise<KeptLot | null> => (await from(`${SELECT_KEPT} where k.id = $1`, [id]))[0] ?? null;

export const usesOfKept = (lotId: string): Promise<KeptUse[]> =>
  query<KeptUse & Record<string, unknown>>('select id, pieces, how, who, at, undone_at as "undoneAt" from kept_uses where lot_id = $1 order by at, id', [
    lotId,
  ]);

/** Keeps what is over of a batch. The same request once more keeps nothing twice. */
export async function keep(k: z.output<typeof keepLotSchema>): Promise<ActionResult<{ readonly id: string }>> {
  const made = await query<{ id: string }>(
    `insert into kept_lots (request_id, batch_id, formula_id, name, kind, state, cooked, pieces, parcel, place, made, best_by, note, who)
     select $1, b.id, b.formula_id, b.name, coalesce(b.kind, v.kind), $3, $4, $5, $6, $7, $8, $9, $10, $11 from batches b join formula_versions v on v.id = b.version_id where b.id = $2
     on conflict (request_id) do nothing returning id`,
    [k.requestId ?? null, k.batchId, k.state, k.cooked, k.pieces, k.parcel, k.place, k.made, k.bestBy, k.note, k.who],
  );
  const id = made[0]?.id ?? (k.requestId ? (await query<{ id: string }>('select id from kept_lots where request_id = $1', [k.requestId]))[0]?.id : undefined);
  return id === undefined ? refuse(GONE) : { ok: true, id };
}

/** So many leave: served, or thrown away. Refused where there are not so many, also when two screens ask at once. */
export const letKeptGo = (u: z.output<typeof keptGoneSchema>): Promise<ActionResult<{ readonly id: string; readonly left: number }>> =>
  transaction(async (client) => {
    // one at a time for each lot
    const held = await client.query('select id from kept_lots where id = $1 for update', [u.lotId]);
    if (held.rowCount === 0) return refuse(GONE);
    const had = u.requestId ? await client.query<{ id: string }>('select id from kept_uses where request_id = $1', [u.requestId]) : null;
    const lot = (await client.query<KeptLot>(`${SELECT_KEPT} where k.id = $1`, [u.lotId])).rows[0];
    if (!lot) return refuse(GONE);
    const again = had?.rows[0];
    if (again) return { ok: true, id: again.id, left: lot.left };
    if (u.pieces > lot.left) {
      const says = lot.left === 0 ? 'There is nothing left of it.' : `There ${lot.left === 1 ? 'is' : 'are'} only ${keptWords(lot, lot.left)}.`;
      return refuse(says, { pieces: says });
    }
    const made = await client.query<{ id: string }>('insert into kept_uses (request_id, lot_id, pieces, how, who) values ($1, $2, $3, $4, $5) returning id', [
      u.requestId ?? null,
      u.lotId,
      u.pieces,
      u.how,
      u.who,
    ]);
    return { ok: true, id: made.rows[0]?.id ?? '', left: lot.left - u.pieces };
  });

/** What left comes back; the entry stays, and counts no more. */
export async function takeKeptBack(useId: string): Promise<ActionResult> {
  const rows = await query('update kept_uses set undone_at = coalesce(undone_at, now()) where id = $1 returning id', [useId]);
  return rows.length > 0 ? { ok: true } : refuse(GONE);
}
