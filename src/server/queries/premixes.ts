/** Queries on premixes, their lots, and the bags that leave them. */
import type { PoolClient } from 'pg';
import { z } from 'zod';
import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import { premixSettingsSchema } from '@/contract/premix';
import { lotItemSchema } from '@/contract/stored';
import { FRESH_PREMIX, type Lot, type LotItem, type LotUse, lotNumber, type PremixSettings } from '@/core/premix/premix';
import { SHAPES } from '@/core/records/editable';
import type { Unreadable } from '@/core/records/unreadable';
import { type Column, readStored } from '../db/json';
import { query, transaction } from '../db/pool';
import { Undone } from '../db/undone';
import { GONE, keepRaw, type Opened, onceFor, saveRevised } from './revised';

export interface Premix {
  readonly id: string;
  readonly versionId: string;
  readonly name: string;
  readonly settings: PremixSettings;
  readonly revision: number;
  readonly unreadable: readonly Unreadable[];
}

type PremixRow = Omit<Premix, 'settings' | 'unreadable'> & { readonly settings: unknown } & Record<string, unknown>;

const SELECT_PREMIX = 'select id, version_id as "versionId", name, settings, revision from premixes';

const SETTINGS: Column<PremixSettings> = { at: 'premixes.settings', called: 'the settings', schema: premixSettingsSchema, fresh: FRESH_PREMIX };

function toPremix(r: PremixRow): Premix {
  const settings = readStored({ ...SETTINGS, called: `the settings of ${r.name}` }, r.settings, r.id);
  return { id: r.id, versionId: r.versionId, name: r.name, revision: r.revision, settings: settings.value, unreadable: settings.unreadable };
}

export const premixes = async (): Promise<Premix[]> => (await query<PremixRow>(`${SELECT_PREMIX} order by lower(name)`)).map(toPremix);

export async function premixById(id: string): Promise<Premix | null> {
  const row = (await query<PremixRow>(`${SELECT_PREMIX} where id = $1`, [id]))[0];
  return row ? toPremix(row) : null;
}

export type PremixFields = Pick<Premix, 'name' | 'settings'>;
const TWIN = 'There is one of that name already.';

/**
 * Keeps a premix; without an id it is a new one, made once for a request. What is in the bag stays once a lot was made of
 * it: its bags would not be what they say.
 */
export const keepPremix = (
  p: PremixFields & { readonly id: string | null; readonly versionId: string },
  opened: Opened<PremixFields> | null = null,
  requestId: string | null = null,
): Promise<ActionResult<Kept & { readonly id: string }>> =>
  transaction((client) =>
    onceFor(client, requestId, 'premix', async (): Promise<ActionResult<Kept & { readonly id: string }>> => {
      const twin = await client.query('select 1 from premixes where lower(name) = lower($1) and id is distinct from $2', [p.name, p.id]);
      if (twin.rowCount) return refuse(TWIN, { name: TWIN });
      if (!p.id) {
        const made = await client.query<{ id: string }>(
          'insert into premixes (name, settings, version_id) values ($1, $2, $3) on conflict do nothing returning id',
          [p.name, JSON.stringify(p.settings), p.versionId],
        );
        return made.rows[0] ? { ok: true, id: made.rows[0].id, revision: 1, merged: [] } : refuse(TWIN, { name: TWIN });
      }
      const { id } = p;
      const was = (await client.query<PremixRow>(`${SELECT_PREMIX} where id = $1 for update`, [id])).rows[0];
      if (!was) return refuse(GONE);
      const now = toPremix(was);
      if (now.unreadable.length > 0) await keepRaw(client, `premixes.settings ${id}`, was.settings);
      const lots = await client.query('select 1 from lots where premix_id = $1 limit 1', [id]);
      const other = (['milk', 'buttermilk', 'egg'] as const).some((k) => now.settings.powders[k] !== p.settings.powders[k]);
      if (other && lots.rowCount) return refuse('Lots were made of this bag: what is in it stays. Make another premix for other powders.');
      const kept = await saveRevised(
        SHAPES.premix,
        { revision: now.revision, value: { name: now.name, settings: now.settings } },
        { name: p.name, settings: p.settings },
        opened,
        (v, revision) =>
          client.query('update premixes set name = $1, settings = $2, revision = $3 where id = $4', [v.name, JSON.stringify(v.settings), revision, id]),
      );
      return kept.ok ? { ...kept, id } : kept;
    }),
  );

/** Takes a premix out, where no lot was ever made of it. @returns whether it is gone */
export async function dropPremix(id: string): Promise<boolean> {
  return (await query('delete from premixes where id = $1 and not exists (select 1 from lots where premix_id = $1) returning id', [id])).length > 0;
}

const SELECT_LOT = `
  select l.id, l.premix_id as "premixId", p.name as "premixName", l.number, to_char(l.made, 'YYYY-MM-DD') as made, to_char(l.best_before, 'YYYY-MM-DD') as "bestBefore",
         l.bag_g as "bagG", l.bags, coalesce((select sum(u.bags) from lot_uses u where u.lot_id = l.id), 0)::int as used, l.contents, l.checked, l.note
    from lots l join premixes p on p.id = l.premix_id`;
type LotRow = Omit<Lot, 'contents'> & { readonly contents: unknown } & Record<string, unknown>;

const CONTENTS: Column<Lot['contents']> = { at: 'lots.contents', called: 'what went in', schema: z.array(lotItemSchema), fresh: [] };

function toLot(r: LotRow): Lot {
  const contents = readStored({ ...CONTENTS, called: `what went into lot ${r.number}` }, r.contents, r.id);
  return { ...r, contents: contents.value, unreadable: contents.unreadable };
}
const lotsFrom = async (sql: string, values: readonly unknown[]): Promise<Lot[]> => (await query<LotRow>(sql, values)).map(toLot);

const USED_UP = 'l.bags <= coalesce((select sum(u.bags) from lot_uses u where u.lot_id = l.id), 0)';

/** Lots with bags left, of a premix or of all, the newest first. */
export const openLots = (premixId: string | null = null): Promise<Lot[]> =>
  lotsFrom(`${SELECT_LOT} where ($1::uuid is null or l.premix_id = $1) and not (${USED_UP}) order by l.made desc, l.number desc`, [premixId]);

const LOTS_AT_ONCE = 50;

/** Lots of a premix that are used up, the newest first, a page at a time. @param before the number the page before ended with */
export async function usedUpLots(premixId: string, before: string | null = null): Promise<{ readonly rows: readonly Lot[]; readonly more: boolean }> {
  const rows = await lotsFrom(
    `${SELECT_LOT} where l.premix_id = $1 and ${USED_UP}
        and ($2::text is null or (l.made, l.number) < (select o.made, o.number from lots o where o.number = $2))
      order by l.made desc, l.number desc limit $3`,
    [premixId, before, LOTS_AT_ONCE + 1],
  );
  return { rows: rows.slice(0, LOTS_AT_ONCE), more: rows.length > LOTS_AT_ONCE };
}

/** Whether a lot was ever made of a premix. */
export const hasLots = async (premixId: string): Promise<boolean> => (await query('select 1 from lots where premix_id = $1 limit 1', [premixId])).length > 0;

/** Every lot of a premix, or of all, for a check of all that is kept. */
export const lots = (premixId: string | null = null): Promise<Lot[]> =>
  lotsFrom(`${SELECT_LOT} where $1::uuid is null or l.premix_id = $1 order by l.made desc, l.number desc`, [premixId]);

/** Lots of any version of a formula. */
export const lotsOfFormula = (formulaId: string): Promise<Lot[]> =>
  lotsFrom(`${SELECT_LOT} join formula_versions v on v.id = p.version_id where v.formula_id = $1`, [formulaId]);

export async function lotById(id: string): Promise<Lot | null> {
  return (await lotsFrom(`${SELECT_LOT} where l.id = $1`, [id]))[0] ?? null;
}

/** Where a lot's bags went, the first first. */
export const usesOfLot = (lotId: string): Promise<LotUse[]> =>
  query<LotUse & Record<string, unknown>>(
    `select u.id, u.bags, u.why, u.used_at as "usedAt", u.batch_id as "batchId", v.name || coalesce(', ' || b.ending, '') as "batchName"
       from lot_uses u left join batches b on b.id = u.batch_id left join formula_versions v on v.id = b.version_id
      where u.lot_id = $1 order by u.used_at, u.id`,
    [lotId],
  );

/** The lots a batch's bags came from. */
export const lotsOfBatch = (batchId: string): Promise<{ id: string; number: string; premixName: string; bags: number }[]> =>
  query(
    `select l.id, l.number, p.name as "premixName", u.bags from lot_uses u join lots l on l.id = u.lot_id join premixes p on p.id = l.premix_id where u.batch_id = $1 order by l.number`,
    [batchId],
  );

export interface NewLot {
  readonly premixId: string;
  readonly bags: number;
  /** yyyy-mm-dd. */
  readonly made: string;
  /** The ingredients' own lots, by ingredient. */
  readonly ingredientLots: Readonly<Record<string, string>>;
  readonly checked: string;
  readonly note: string;
  readonly take: 'no' | 'enough' | 'anyway';
  readonly requestId: string | null;
}

export type Made = { readonly ok: true; readonly id: string } | { readonly ok: false; readonly path: string; readonly message: string };

export async function insertLot(
  client: PoolClient,
  l: NewLot,
  bagG: number,
  bestBefore: string,
  contents: readonly LotItem[],
): Promise<{ id: string; again: boolean }> {
  // lots are numbered one after the other: who makes one waits for who is making one
  await client.query("select pg_advisory_xact_lock(hashtext('lot numbers'))");
  const had = l.requestId ? await client.query<{ id: string }>('select id from lots where request_id = $1', [l.requestId]) : null;
  if (had?.rows[0]) return { id: had.rows[0].id, again: true };
  const taken = await client.query<{ number: string }>('select number from lots');
  const made = await client.query<{ id: string }>(
    `insert into lots (premix_id, number, made, best_before, bag_g, bags, contents, checked, note, request_id)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10) returning id`,
    [
      l.premixId,
      lotNumber(l.made, new Set(taken.rows.map((r) => r.number))),
      l.made,
      bestBefore,
      bagG,
      l.bags,
      JSON.stringify(contents),
      l.checked,
      l.note,
      l.requestId,
    ],
  );
  const id = made.rows[0]?.id;
  if (!id) throw new Error('insert returned no row');
  return { id, again: false };
}

/** Counts bags out of a lot; its row is locked, so that two who take at once never take more than there are. @throws Undone */
export async function takeBags(
  client: PoolClient,
  lotId: string,
  bags: number,
  batchId: string | null,
  why: string,
  usedAt: Date | null = null,
): Promise<void> {
  const row = await client.query<{ bags: number }>('select bags from lots where id = $1 for update', [lotId]);
  const made = row.rows[0]?.bags;
  const used = await client.query<{ n: number }>('select coalesce(sum(bags), 0)::int as n from lot_uses where lot_id = $1', [lotId]);
  const left = (made ?? 0) - (used.rows[0]?.n ?? 0);
  if (bags > left)
    throw new Undone<Made>({
      ok: false,
      path: 'bags',
      message: left === 0 ? 'No bag of this lot is left.' : `Only ${left} ${left === 1 ? 'bag is' : 'bags are'} left of this lot.`,
    });
  await client.query('insert into lot_uses (lot_id, batch_id, bags, why, used_at) values ($1, $2, $3, $4, coalesce($5, now()))', [
    lotId,
    batchId,
    bags,
    why,
    usedAt,
  ]);
}

/** Bags that leave without a batch: given away, damaged, past their date. */
export async function discardBags(lotId: string, bags: number, why: string, requestId: string | null = null, usedAt: Date | null = null): Promise<Made> {
  try {
    await transaction((client) =>
      onceFor(client, requestId, 'discard-bags', async () => {
        await takeBags(client, lotId, bags, null, why, usedAt);
        return { ok: true };
      }),
    );
    return { ok: true, id: lotId };
  } catch (e) {
    if (e instanceof Undone) return e.value as Made;
    throw e;
  }
}
