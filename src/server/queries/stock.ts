/**
 * Taking from the shelf and putting back. What a batch or a lot takes is written once, in the transaction that makes
 * it; rows of the shelf are locked in the order of their names, so that two who take at the same moment wait for each
 * other.
 */

import type { PoolClient } from 'pg';
import { z } from 'zod';
import type { Deduction } from '@/core/batch/take-out';

import { rowsFrom } from '../db/rows';

export interface Short {
  readonly ingredientId: string;
  readonly wantedG: number;
  readonly onHandG: number;
}

/** Who takes. */
type Taker = { readonly batchId: string } | { readonly lotId: string };

const CRUMB_G = 1e-6;

/** What there is too little of; the rows are locked until the end of the work. @param wants g by ingredient */
export async function shortOnShelf(client: PoolClient, wants: ReadonlyMap<string, number>): Promise<readonly Short[]> {
  const ids = [...wants].filter(([, g]) => g > CRUMB_G).map(([id]) => id);
  const rows = await rowsFrom(
    z.object({ id: z.string(), onHandG: z.number() }),
    'select ingredient_id as id, on_hand_g as "onHandG" from stock where ingredient_id = any($1) and on_hand_g is not null order by ingredient_id for update',
    [ids],
    client,
  );
  const want = (id: string): number => wants.get(id) ?? 0;
  return rows
    .filter((r) => r.onHandG < want(r.id) - CRUMB_G)
    .map((r): Short => ({ ingredientId: r.id, wantedG: want(r.id), onHandG: r.onHandG }));
}

/**
 * Takes what is noted on the shelf; what nobody noted is not counted. Never below nothing: where there is less than is
 * wanted, all there is of it goes, and only if `anyway`.
 * @param wants g by ingredient
 * @returns what is short, in which case nothing has been taken unless `anyway`
 */
export async function takeFromShelf(
  client: PoolClient,
  who: Taker,
  wants: ReadonlyMap<string, number>,
  anyway: boolean,
): Promise<readonly Short[]> {
  const short = await shortOnShelf(client, wants);
  if (short.length > 0 && !anyway) return short;
  const some = [...wants].filter(([, g]) => g > CRUMB_G);
  await client.query(
    `with took as (
       insert into stock_takings (batch_id, lot_id, ingredient_id, wanted_g, taken_g)
       select $1, $2, t.id, t.wanted, least(t.wanted, s.on_hand_g)
         from unnest($3::text[], $4::float8[]) as t(id, wanted) join stock s on s.ingredient_id = t.id and s.on_hand_g is not null
       returning ingredient_id, taken_g)
     update stock s set on_hand_g = greatest(0, s.on_hand_g - took.taken_g) from took where took.ingredient_id = s.ingredient_id`,
    [
      'batchId' in who ? who.batchId : null,
      'lotId' in who ? who.lotId : null,
      some.map(([id]) => id),
      some.map(([, g]) => g),
    ],
  );
  return short;
}

export const deductionRow = z.object({ id: z.string(), wantedG: z.number(), takenG: z.number() });

/** What a lot took off the shelf, and what it wanted: less, where there was less. */
export const takingsOfLot = (lotId: string): Promise<Deduction[]> =>
  rowsFrom(
    deductionRow,
    'select ingredient_id as id, wanted_g as "wantedG", taken_g as "takenG" from stock_takings where lot_id = $1 order by ingredient_id',
    [lotId],
  );

/**
 * Moves what a lot took off the shelf of one thing, where its weighing is put right: what more went in comes off it as
 * far as there is any, what less went in goes back. Where the thing was counted since, the count has it already.
 * @param byG g that more went in; less than 0: less
 */
export const moveTaking = (client: PoolClient, lotId: string, ingredientId: string, byG: number) =>
  client.query(
    `with was as (
       select t.lot_id, t.ingredient_id, t.taken_g, greatest(0, t.wanted_g + $3) as wanted, s.on_hand_g as left_g
         from stock_takings t join stock s on s.ingredient_id = t.ingredient_id and s.on_hand_g is not null
        where t.lot_id = $1 and t.ingredient_id = $2
          and not exists (select 1 from stock_counts c where c.ingredient_id = $2 and c.counted_at > t.taken_at)
          for update of t, s),
     moved as (
       update stock_takings t set wanted_g = was.wanted, taken_g = least(was.wanted, was.taken_g + was.left_g)
         from was where t.lot_id = was.lot_id and t.ingredient_id = was.ingredient_id
       returning was.taken_g - t.taken_g as back)
     update stock s set on_hand_g = greatest(0, s.on_hand_g + moved.back) from moved where s.ingredient_id = $2`,
    [lotId, ingredientId, byG],
  );

/** Puts what a batch or a lot took back onto the shelf. */
export const returnToShelf = (client: PoolClient, who: Taker) =>
  client.query(
    `with back as (delete from stock_takings where batch_id = $1 or lot_id = $2 returning ingredient_id, taken_g)
     update stock s set on_hand_g = s.on_hand_g + back.taken_g from back where back.ingredient_id = s.ingredient_id and s.on_hand_g is not null`,
    ['batchId' in who ? who.batchId : null, 'lotId' in who ? who.lotId : null],
  );
