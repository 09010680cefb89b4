/** Lots that are being weighed, or were: every weighing in its order, and nothing of it rubbed out. */
import type { PoolClient } from 'pg';
import { z } from 'zod';
import type { LotWeighing, LotWork } from '@/core/premix/blended';
import type { Sack } from '@/core/premix/premix';
import type { Fill } from '@/core/premix/weigh';
import { rowsFrom, signedBy } from '../db/rows';

const workRow = z.object({
  id: z.string(),
  premixId: z.string(),
  bagG: z.array(z.number()),
  bags: z.array(z.number()),
  made: z.string(),
  blends: z.number(),
  closedAt: z.date().nullable(),
  emptied: z.array(z.number()),
});
const SELECT_WORK = `select w.id, w.premix_id as "premixId", w.bag_g as "bagG", w.bags, to_char(w.made, 'YYYY-MM-DD') as made, w.blends,
  w.closed_at as "closedAt",
  coalesce((select o.emptied from lot_orders o where o.work_id = w.id order by o.seq desc limit 1), '{}') as emptied from lot_works w`;

const weighingRow = z
  .object({
    id: z.string(),
    key: z.string(),
    blend: z.number(),
    ingredientId: z.string(),
    name: z.string(),
    targetG: z.number(),
    toleranceG: z.number(),
    sackLots: z.array(z.string()),
    sackGrams: z.array(z.number()),
    scale: z.string(),
    by: z.string().nullable(),
    at: z.date(),
    replaces: z.string().nullable(),
    why: z.string(),
  })
  .transform(
    ({ sackLots, sackGrams, ...w }): LotWeighing => ({
      ...w,
      sacks: sackLots.map((lot, n) => ({ lot, grams: sackGrams[n] ?? 0 })),
    }),
  );

type On = Pick<PoolClient, 'query'>;

const weighingsIn = (workId: string, on?: On): Promise<LotWeighing[]> =>
  rowsFrom(
    weighingRow,
    `select g.id, g.key, g.blend, g.ingredient_id as "ingredientId", g.name, g.target_g as "targetG", g.tolerance_g as "toleranceG",
            g.sack_lots as "sackLots", g.sack_grams as "sackGrams", g.scale, ${signedBy('g')} as by, g.at, g.replaces, g.why
       from lot_weighings g where g.work_id = $1 order by g.seq`,
    [workId],
    on,
  );

export type KeptWork = LotWork & { readonly closedAt: Date | null };

async function workFrom(where: string, value: string, on?: On): Promise<KeptWork | null> {
  const row = (await rowsFrom(workRow, `${SELECT_WORK} where ${where}`, [value], on))[0];
  if (!row) return null;
  const { bagG, bags, ...work } = row;
  return {
    ...work,
    fills: bagG.map((g, n) => ({ bagG: g, bags: bags[n] ?? 0 })),
    weighings: await weighingsIn(row.id, on),
  };
}

/** The lot of a mix that is being weighed now; null: none is. */
export const openWork = (premixId: string, on?: On): Promise<KeptWork | null> =>
  workFrom('w.premix_id = $1 and w.closed_at is null', premixId, on);
export const workById = (id: string, on?: On): Promise<KeptWork | null> => workFrom('w.id = $1', id, on);

/** Who weighs a mix, or fills it, waits for who does that already. */
export const lockWork = (client: PoolClient, premixId: string) =>
  client.query("select pg_advisory_xact_lock(hashtextextended('lot work ' || $1, 0))", [premixId]);

export const beginWork = (
  client: PoolClient,
  w: {
    readonly id: string;
    readonly premixId: string;
    readonly fills: readonly Fill[];
    readonly made: string;
    readonly blends: number;
  },
) =>
  client.query(
    `insert into lot_works (id, premix_id, edition, bag_g, bags, made, blends)
     values ($1, $2, (select edition from premixes where id = $2), $3, $4, $5, $6)`,
    [w.id, w.premixId, w.fills.map((f) => f.bagG), w.fills.map((f) => f.bags), w.made, w.blends],
  );

/** The order in which its blends were emptied into the bags, as it is known now; what was said before stays. */
export const keepOrder = (
  client: PoolClient,
  o: { readonly workId: string; readonly emptied: readonly number[]; readonly who: string; readonly why: string },
) =>
  client.query('insert into lot_orders (work_id, emptied, who, why) values ($1, $2, $3, $4)', [
    o.workId,
    o.emptied,
    o.who,
    o.why,
  ]);

type NewWeighing = Omit<LotWeighing, 'id' | 'by' | 'at' | 'sacks'> & { readonly sacks: readonly Sack[] };

export const noteWeighing = (client: PoolClient, workId: string, w: NewWeighing) =>
  client.query(
    `insert into lot_weighings (work_id, key, blend, ingredient_id, name, target_g, tolerance_g, sack_lots, sack_grams, scale, replaces, why)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12)`,
    [
      workId,
      w.key,
      w.blend,
      w.ingredientId,
      w.name,
      w.targetG,
      w.toleranceG,
      w.sacks.map((s) => s.lot),
      w.sacks.map((s) => s.grams),
      w.scale,
      w.replaces,
      w.why,
    ],
  );

/** Filled into bags, or given up: nothing more is weighed into it. @returns whether it was open */
export async function closeWork(client: PoolClient, id: string, why: string): Promise<boolean> {
  const r = await client.query(
    'update lot_works set closed_at = now(), close_why = $2 where id = $1 and closed_at is null',
    [id, why],
  );
  return (r.rowCount ?? 0) > 0;
}
