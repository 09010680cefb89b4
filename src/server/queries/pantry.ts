/** Queries on what a kitchen has of its own: its ingredients, the measures it has weighed, and what stands on its shelf. */
import type { PoolClient } from 'pg';
import { packetSchema } from '@/contract/pantry';
import type { Ingredient } from '@/core/pantry/ingredient';
import { NOTHING_OWN, type Own, type OwnMeasure } from '@/core/pantry/own';
import { ingredientOf, type OwnThing } from '@/core/pantry/packet';
import { findIngredient } from '@/core/pantry/pantry';
import type { Shelf, Stock } from '@/core/pantry/stock';
import { query, transaction } from '../db/pool';

const STAMP = 'own';

/** Tells every page and process that what the kitchen has of its own is another thing now. */
const stampAnew = (client: PoolClient): Promise<unknown> =>
  client.query('insert into kitchen (key, value) values ($1, to_jsonb(gen_random_uuid())) on conflict (key) do update set value = excluded.value', [STAMP]);

interface ThingRow {
  readonly id: string;
  readonly name: string;
  readonly aliases: readonly string[];
  readonly packet: unknown;
}

export interface KeptThing extends OwnThing {
  readonly aliases: readonly string[];
}

/** The kitchen's own ingredients as they were entered, by name. */
export const ownThings = async (): Promise<readonly KeptThing[]> =>
  (await query<ThingRow & Record<string, unknown>>('select id, name, aliases, packet from own_ingredients order by lower(name)')).map((r) => ({
    id: r.id,
    name: r.name,
    aliases: r.aliases,
    packet: packetSchema.parse(r.packet),
  }));

const SELECT_MEASURE = `select id, unit, which, "full", nullif(ingredient_id, '') as "ingredientId", each, low, high, weighings, used from own_measures`;

/** Measures of the kitchen, those not in use too; the newest first. */
export const ownMeasures = (): Promise<OwnMeasure[]> => query<OwnMeasure & Record<string, unknown>>(`${SELECT_MEASURE} order by made_at desc, id`);

/** Packets first, then the blends that are made of them. */
export function ingredientsOf(things: readonly KeptThing[]): readonly Ingredient[] {
  const made = new Map<string, Ingredient>();
  const find = (id: string): Ingredient | undefined => findIngredient(id) ?? made.get(id);
  for (const t of [...things].sort((a, b) => Number(a.packet.by === 'blend') - Number(b.packet.by === 'blend'))) {
    const m = ingredientOf(t, find);
    if (m.ok) made.set(t.id, { ...m.ingredient, aliases: t.aliases });
  }
  return things.map((t) => made.get(t.id)).filter((i) => i !== undefined);
}

declare global {
  // the same for pages, actions and the JSON interface, as long as its stamp stands: indexes hang on it
  var evenCrumbOwn: Own | undefined;
}

/** What the kitchen has of its own. @param stamp as the kitchen's facts have it; the same stamp is the same thing */
export async function loadOwn(stamp: string): Promise<Own> {
  if (stamp === '') return NOTHING_OWN;
  if (globalThis.evenCrumbOwn?.stamp === stamp) return globalThis.evenCrumbOwn;
  const [things, measures] = await Promise.all([ownThings(), ownMeasures()]);
  const own: Own = { stamp, ingredients: ingredientsOf(things), measures };
  globalThis.evenCrumbOwn = own;
  return own;
}

export const shelf = async (): Promise<Shelf> => {
  const rows = await query<Stock & Record<string, unknown>>(
    `select ingredient_id as "ingredientId", price, pack_g as "packG", on_hand_g as "onHandG",
            to_char(opened, 'YYYY-MM-DD') as opened, to_char(best_before, 'YYYY-MM-DD') as "bestBefore" from stock`,
  );
  return Object.fromEntries(rows.map((r) => [r.ingredientId, r]));
};

const putThings = (client: PoolClient, things: readonly OwnThing[]): Promise<unknown> =>
  client.query(
    `insert into own_ingredients (id, name, packet)
     select t->>'id', t->>'name', t->'packet' from jsonb_array_elements($1::jsonb) t
     on conflict (id) do update set
       aliases = case when lower(own_ingredients.name) = lower(excluded.name) or own_ingredients.name = any(own_ingredients.aliases)
                      then own_ingredients.aliases else own_ingredients.aliases || own_ingredients.name end,
       name = excluded.name, packet = excluded.packet`,
    [JSON.stringify(things)],
  );

const putStock = (client: PoolClient, stock: readonly Stock[]): Promise<unknown> =>
  client.query(
    `insert into stock (ingredient_id, price, pack_g, on_hand_g, opened, best_before)
     select s."ingredientId", s.price, s."packG", s."onHandG", s.opened, s."bestBefore"
       from jsonb_to_recordset($1::jsonb) as s("ingredientId" text, price float8, "packG" float8, "onHandG" float8, opened date, "bestBefore" date)
     on conflict (ingredient_id) do update set
       price = excluded.price, pack_g = excluded.pack_g, on_hand_g = excluded.on_hand_g, opened = excluded.opened, best_before = excluded.best_before`,
    [JSON.stringify(stock)],
  );

/** Keeps ingredients and stock together: all of it or nothing. */
export const keepPantry = (things: readonly OwnThing[], stock: readonly Stock[]): Promise<void> =>
  transaction(async (client) => {
    // two people who save at the same moment wait for each other on the stamp
    await stampAnew(client);
    if (things.length > 0) await putThings(client, things);
    if (stock.length > 0) await putStock(client, stock);
  });

/** Takes an ingredient of the kitchen's own out, with its stock and measures. */
export const dropThing = (id: string): Promise<void> =>
  transaction(async (client) => {
    await stampAnew(client);
    await client.query('delete from own_ingredients where id = $1', [id]);
    await client.query('delete from stock where ingredient_id = $1', [id]);
    await client.query('delete from own_measures where ingredient_id = $1', [id]);
  });

/** Names of the formulas whose newest version speaks of an ingredient, by its id or by one of its names. */
export const formulasWith = async (id: string, names: readonly string[]): Promise<readonly string[]> =>
  (
    await query<{ name: string }>(
      `select v.name from formulas f join lateral (select name, lines from formula_versions where formula_id = f.id order by number desc limit 1) v on true
        where exists (select 1 from jsonb_array_elements(v.lines) l where l->>'ingredientId' = $1
                         or exists (select 1 from unnest($2::text[]) n where position(lower(n) in lower(l->>'text')) > 0))
        order by lower(v.name)`,
      [id, names],
    )
  ).map((r) => r.name);

/** Keeps a measure; one of the same thing is replaced. */
export const keepMeasure = (m: Omit<OwnMeasure, 'id'>): Promise<OwnMeasure> =>
  transaction(async (client) => {
    await stampAnew(client);
    const kept = await client.query<OwnMeasure>(
      `insert into own_measures (unit, which, "full", ingredient_id, each, low, high, weighings, used) values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
       on conflict (unit, which, "full", ingredient_id) do update set
         each = excluded.each, low = excluded.low, high = excluded.high, weighings = excluded.weighings, used = excluded.used, made_at = now()
       returning id, unit, which, "full", nullif(ingredient_id, '') as "ingredientId", each, low, high, weighings, used`,
      [m.unit, m.which, m.full, m.ingredientId ?? '', m.each, m.low, m.high, m.weighings, m.used],
    );
    const row = kept.rows[0];
    if (!row) throw new Error('insert returned no row');
    return row;
  });

/** Lets amounts follow a measure, or the table again. @returns null when it is not there */
export const useMeasure = (id: string, used: boolean): Promise<Pick<OwnMeasure, 'ingredientId'> | null> =>
  transaction(async (client) => {
    await stampAnew(client);
    const rows = await client.query<{ ingredientId: string | null }>(
      `update own_measures set used = $2 where id = $1 returning nullif(ingredient_id, '') as "ingredientId"`,
      [id, used],
    );
    return rows.rows[0] ?? null;
  });

export const forgetMeasure = (id: string): Promise<boolean> =>
  transaction(async (client) => {
    await stampAnew(client);
    return ((await client.query('delete from own_measures where id = $1', [id])).rowCount ?? 0) > 0;
  });
