/**
 * Queries on what a kitchen has of its own: its ingredients, the measures it has weighed, and what stands on its shelf.
 */
import type { ClientBase } from 'pg';
import { z } from 'zod';
import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import { packetSchema } from '@/contract/pantry';
import type { Ingredient } from '@/core/pantry/ingredient';
import { NOTHING_OWN, type Own, type OwnMeasure } from '@/core/pantry/own';
import { ingredientOf, type OwnThing, type Packet } from '@/core/pantry/packet';
import { findIngredient } from '@/core/pantry/pantry';
import type { Shelf, Stock } from '@/core/pantry/stock';
import { SHAPES } from '@/core/records/editable';
import type { Unreadable } from '@/core/records/unreadable';
import { doneAt } from '../db/done';
import { type JsonColumn, readStored } from '../db/json';
import { longTransaction, transaction } from '../db/pool';
import { rowsFrom, signedBy } from '../db/rows';
import { GONE, keepRaw, type OpenedRow, saveRevised } from './revised';

const STAMP = 'own';

/** Tells every page and process that what the kitchen has of its own is another thing now. */
export const stampAnew = (client: ClientBase): Promise<unknown> =>
  client.query(
    'insert into kitchen (key, value) values ($1, to_jsonb(gen_random_uuid())) on conflict (key) do update set value = excluded.value',
    [STAMP],
  );

const thingRow = z.object({
  id: z.string(),
  name: z.string(),
  aliases: z.array(z.string()),
  packet: z.unknown(),
  revision: z.number(),
});
const measureRow = z.object({
  id: z.string(),
  unit: z.string(),
  which: z.string(),
  full: z.string(),
  ingredientId: z.string().nullable(),
  each: z.number(),
  low: z.number(),
  high: z.number(),
  weighings: z.array(z.number()),
  used: z.boolean(),
});
const stockRow = z.object({
  ingredientId: z.string(),
  price: z.number().nullable(),
  packG: z.number().nullable(),
  onHandG: z.number().nullable(),
  opened: z.string().nullable(),
  bestBefore: z.string().nullable(),
  revision: z.number(),
});

interface KeptThing extends OwnThing {
  readonly aliases: readonly string[];
  readonly revision: number;
}

/** A packet is one thing: half of its figures would be another food. */
const packetColumn = (name: string): JsonColumn<Packet | null> => ({
  at: 'own_ingredients.packet',
  called: `the packet of ${name}`,
  schema: z.custom<Packet>((v) => packetSchema.safeParse(v).success, 'what is noted of it can’t be read').nullable(),
  fresh: null,
});

interface Things {
  readonly things: readonly KeptThing[];
  /** Those whose packet can't be read: by name, without what is in them. */
  readonly broken: readonly { readonly id: string; readonly name: string }[];
  readonly unreadable: readonly Unreadable[];
}

/** The kitchen's own ingredients as they were entered, by name, and those that can't be read. */
export async function allThings(): Promise<Things> {
  const rows = await rowsFrom(
    thingRow,
    'select id, name, aliases, packet, revision from own_ingredients order by lower(name)',
  );
  const read = rows.map((r) => ({ row: r, ...readStored(packetColumn(r.name), r.packet, r.id) }));
  return {
    things: read.flatMap(({ row, value }): KeptThing[] =>
      value ? [{ id: row.id, name: row.name, aliases: row.aliases, revision: row.revision, packet: value }] : [],
    ),
    broken: read.flatMap(({ row, value }) => (value ? [] : [{ id: row.id, name: row.name }])),
    unreadable: read.flatMap((r) => r.unreadable),
  };
}

export const ownThings = async (): Promise<readonly KeptThing[]> => (await allThings()).things;

const SELECT_MEASURE = `select id, unit, which, "full", nullif(ingredient_id, '') as "ingredientId", each, low, high, weighings, used from own_measures`;

/** Measures of the kitchen, those not in use too; the newest first. */
export const ownMeasures = (): Promise<OwnMeasure[]> =>
  rowsFrom(measureRow, `${SELECT_MEASURE} order by made_at desc, id`);

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
  var evenCrumbOwn: LoadedOwn | undefined;
}

interface LoadedOwn {
  readonly own: Own;
  readonly unreadable: readonly Unreadable[];
}

/** What the kitchen has of its own. @param stamp as the kitchen's facts have it; the same stamp is the same thing */
export async function loadOwn(stamp: string): Promise<LoadedOwn> {
  if (stamp === '') return { own: NOTHING_OWN, unreadable: [] };
  if (globalThis.evenCrumbOwn?.own.stamp === stamp) return globalThis.evenCrumbOwn;
  const [{ things, unreadable }, measures] = await Promise.all([allThings(), ownMeasures()]);
  const loaded: LoadedOwn = { own: { stamp, ingredients: ingredientsOf(things), measures }, unreadable };
  globalThis.evenCrumbOwn = loaded;
  return loaded;
}

const SELECT_STOCK = `select ingredient_id as "ingredientId", price, pack_g as "packG", on_hand_g as "onHandG",
  to_char(opened, 'YYYY-MM-DD') as opened, to_char(best_before, 'YYYY-MM-DD') as "bestBefore", revision from stock`;

export const stockNoted = async (): Promise<Shelf> => {
  const rows = await rowsFrom(stockRow, SELECT_STOCK);
  return Object.fromEntries(rows.map((r) => [r.ingredientId, r]));
};

/** What is noted of an ingredient besides how much there is: that is moved and counted, never set. */
export type StockNote = Pick<Stock, 'price' | 'packG' | 'opened' | 'bestBefore'>;
const NOTHING_NOTED: StockNote = { price: null, packG: null, opened: null, bestBefore: null };

/** Saves what is noted of an ingredient; what is on hand stays as it is. */
export const keepStockNote = (
  ingredientId: string,
  note: StockNote,
  opened: OpenedRow<StockNote> | null,
): Promise<ActionResult<Kept>> =>
  transaction(async (client) => {
    await stampAnew(client);
    await client.query('insert into stock (ingredient_id) values ($1) on conflict do nothing', [ingredientId]);
    const row = (
      await rowsFrom(stockRow, `${SELECT_STOCK} where ingredient_id = $1 for update`, [ingredientId], client)
    )[0];
    const now = row
      ? { price: row.price, packG: row.packG, opened: row.opened, bestBefore: row.bestBefore }
      : NOTHING_NOTED;
    return saveRevised(SHAPES.stock, { revision: row?.revision ?? 1, value: now }, note, opened, (v, revision) =>
      client.query(
        'update stock set price = $2, pack_g = $3, opened = $4, best_before = $5, revision = $6 where ingredient_id = $1',
        [ingredientId, v.price, v.packG, v.opened, v.bestBefore, revision],
      ),
    );
  });

const countedRow = z.object({
  id: z.string(),
  ingredientId: z.string(),
  countedG: z.number(),
  wasG: z.number().nullable(),
  who: z.string(),
  countedAt: z.date(),
  /** It was taken back. */
  undone: z.boolean(),
});
export type Count = z.output<typeof countedRow>;

/** Somebody has counted: an entry of its own, and what is on hand from then on. Sent twice it is one. */
export const countStock = (id: string, ingredientId: string, countedG: number, who: string): Promise<void> =>
  transaction(async (client) => {
    await client.query('insert into stock (ingredient_id) values ($1) on conflict do nothing', [ingredientId]);
    const row = (
      await rowsFrom(
        z.object({ g: z.number().nullable() }),
        'select on_hand_g as g from stock where ingredient_id = $1 for update',
        [ingredientId],
        client,
      )
    )[0];
    const fresh = await client.query(
      'insert into stock_counts (id, ingredient_id, counted_g, was_g, who, counted_at) values ($1, $2, $3, $4, $5, coalesce($6, now())) on conflict do nothing',
      [id, ingredientId, countedG, row?.g ?? null, who, doneAt()],
    );
    if (fresh.rowCount === 1)
      await client.query('update stock set on_hand_g = $2 where ingredient_id = $1', [ingredientId, countedG]);
  });

/**
 * Takes a count back; it stays in the list, said to be. What was taken or put back since is not lost. @returns whether
 * it stood
 */
export const uncountStock = (id: string): Promise<boolean> =>
  transaction(async (client) => {
    const row = (
      await rowsFrom(
        z.object({ ingredientId: z.string(), countedG: z.number(), wasG: z.number().nullable() }),
        'update stock_counts set undone_at = now() where id = $1 and undone_at is null returning ingredient_id as "ingredientId", counted_g as "countedG", was_g as "wasG"',
        [id],
        client,
      )
    )[0];
    if (!row) return ((await client.query('select 1 from stock_counts where id = $1', [id])).rowCount ?? 0) > 0;
    await client.query(
      'update stock set on_hand_g = case when $2::float8 is null then null else greatest(0, on_hand_g + $2 - $3) end where ingredient_id = $1',
      [row.ingredientId, row.wasG, row.countedG],
    );
    return true;
  });

/** Counts of an ingredient, the newest first. */
export const countsOf = (ingredientId: string): Promise<Count[]> =>
  rowsFrom(
    countedRow,
    `select id, ingredient_id as "ingredientId", counted_g as "countedG", was_g as "wasG", concat_ws('; ', nullif(who, ''), ${signedBy('c')}) as who, counted_at as "countedAt", undone_at is not null as undone
       from stock_counts c where ingredient_id = $1 order by counted_at desc limit 12`,
    [ingredientId],
  );

const putThings = (client: ClientBase, things: readonly OwnThing[]): Promise<unknown> =>
  client.query(
    `insert into own_ingredients (id, name, packet)
     select t->>'id', t->>'name', t->'packet' from jsonb_array_elements($1::jsonb) t
     on conflict (id) do update set
       aliases = case when lower(own_ingredients.name) = lower(excluded.name) or own_ingredients.name = any(own_ingredients.aliases)
                      then own_ingredients.aliases else own_ingredients.aliases || own_ingredients.name end,
       name = excluded.name, packet = excluded.packet, revision = own_ingredients.revision + 1
     where (own_ingredients.name, own_ingredients.packet) is distinct from (excluded.name, excluded.packet)`,
    [JSON.stringify(things)],
  );

/** Rows in the order of their names, so that two who write many wait for each other and not in a circle. */
async function putStock(client: ClientBase, stock: readonly Stock[], who: string): Promise<void> {
  const rows = [...stock].sort((a, b) => (a.ingredientId < b.ingredientId ? -1 : 1));
  const list = JSON.stringify(rows);
  const AS =
    'as s("ingredientId" text, price float8, "packG" float8, "onHandG" float8, opened date, "bestBefore" date)';
  await client.query(
    `insert into stock (ingredient_id, price, pack_g, opened, best_before)
     select s."ingredientId", s.price, s."packG", s.opened, s."bestBefore" from jsonb_to_recordset($1::jsonb) ${AS}
     on conflict (ingredient_id) do update set
       price = excluded.price, pack_g = excluded.pack_g, opened = excluded.opened, best_before = excluded.best_before, revision = stock.revision + 1
       where (stock.price, stock.pack_g, stock.opened, stock.best_before) is distinct from (excluded.price, excluded.pack_g, excluded.opened, excluded.best_before)`,
    [list],
  );
  await client.query(
    `with said as (select s."ingredientId" as id, s."onHandG" as g from jsonb_to_recordset($1::jsonb) ${AS}),
          counted as (insert into stock_counts (id, ingredient_id, counted_g, was_g, who)
            select gen_random_uuid(), said.id, said.g, k.on_hand_g, $2 from said join stock k on k.ingredient_id = said.id
             where said.g is not null and said.g is distinct from k.on_hand_g)
     update stock k set on_hand_g = said.g from said where said.id = k.ingredient_id and said.g is distinct from k.on_hand_g`,
    [list, who],
  );
}

/**
 * Saves an ingredient of the kitchen's own, new or changed. A packet that could not be read is kept aside when another
 * takes its place.
 */
export const storeThing = (
  thing: OwnThing,
  fresh: boolean,
  opened: OpenedRow<Omit<OwnThing, 'id'>> | null,
): Promise<ActionResult<Kept>> =>
  transaction(async (client) => {
    await stampAnew(client);
    if (fresh) {
      await putThings(client, [thing]);
      return { ok: true, revision: 1, merged: [] };
    }
    const row = (
      await rowsFrom(
        thingRow,
        'select id, name, aliases, packet, revision from own_ingredients where id = $1 for update',
        [thing.id],
        client,
      )
    )[0];
    if (!row) return refuse(GONE);
    const read = readStored(packetColumn(row.name), row.packet, row.id).value;
    if (!read) await keepRaw(client, `own_ingredients.packet ${row.id}`, row.packet);
    const value = { name: thing.name, packet: thing.packet };
    const now = { revision: row.revision, value: read ? { name: row.name, packet: read } : value };
    return saveRevised(SHAPES.thing, now, value, read ? opened : null, async (v, revision) => {
      // half of a panel and half of a blend is neither
      const packet = packetSchema.safeParse(v.packet);
      await putThings(client, [{ id: thing.id, name: v.name, packet: packet.success ? packet.data : thing.packet }]);
      await client.query('update own_ingredients set revision = $2 where id = $1', [thing.id, revision]);
    });
  });

/** Takes a whole table in: ingredients and stock together, all of it or nothing. What it says is on hand is a count. */
export const keepPantry = (things: readonly OwnThing[], stock: readonly Stock[], who = ''): Promise<void> =>
  longTransaction(async (client) => {
    // two people who save at the same moment wait for each other on the stamp
    await stampAnew(client);
    if (things.length > 0) await putThings(client, things);
    if (stock.length > 0) await putStock(client, stock, who);
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
    await rowsFrom(
      z.object({ name: z.string() }),
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
    const kept = await rowsFrom(
      measureRow,
      `insert into own_measures (unit, which, "full", ingredient_id, each, low, high, weighings, used) values ($1, $2, $3, $4, $5, $6, $7, $8, $9)
       on conflict (unit, which, "full", ingredient_id) do update set
         each = excluded.each, low = excluded.low, high = excluded.high, weighings = excluded.weighings, used = excluded.used, made_at = now()
       returning id, unit, which, "full", nullif(ingredient_id, '') as "ingredientId", each, low, high, weighings, used`,
      [m.unit, m.which, m.full, m.ingredientId ?? '', m.each, m.low, m.high, m.weighings, m.used],
      client,
    );
    const row = kept[0];
    if (!row) throw new Error('insert returned no row');
    return row;
  });

/** Lets amounts follow a measure, or the table again. @returns null when it is not there */
export const useMeasure = (id: string, used: boolean): Promise<Pick<OwnMeasure, 'ingredientId'> | null> =>
  transaction(async (client) => {
    await stampAnew(client);
    const rows = await rowsFrom(
      z.object({ ingredientId: z.string().nullable() }),
      `update own_measures set used = $2 where id = $1 returning nullif(ingredient_id, '') as "ingredientId"`,
      [id, used],
      client,
    );
    return rows[0] ?? null;
  });

export const forgetMeasure = (id: string): Promise<void> =>
  transaction(async (client) => {
    await stampAnew(client);
    await client.query('delete from own_measures where id = $1', [id]);
  });
