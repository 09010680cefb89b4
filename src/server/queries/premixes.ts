/** Queries on premixes, their lots, and the bags that leave them. */
import type { PoolClient } from 'pg';
import { z } from 'zod';
import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import { premixSettingsSchema } from '@/contract/premix';
import { frozenSchema, lotItemSchema } from '@/contract/stored';
import {
  FRESH_PREMIX,
  type FrozenLot,
  type Lot,
  type LotChange,
  type LotItem,
  type LotUse,
  lotNumber,
  type PremixSettings,
  sayBags,
  type UseKind,
} from '@/core/premix/premix';
import { SHAPES } from '@/core/records/editable';
import type { Unreadable } from '@/core/records/unreadable';
import { type Column, readStored } from '../db/json';
import { query, transaction } from '../db/pool';
import { Undone } from '../db/undone';
import { GONE, keepRaw, type Opened, onceFor, saveRevised } from './revised';
import { returnToShelf } from './stock';

export interface Premix {
  readonly id: string;
  readonly versionId: string;
  readonly name: string;
  readonly settings: PremixSettings;
  readonly revision: number;
  /** Of the product, from 1. */
  readonly edition: number;
  readonly unreadable: readonly Unreadable[];
}

type PremixRow = Omit<Premix, 'settings' | 'unreadable'> & { readonly settings: unknown } & Record<string, unknown>;

const SELECT_PREMIX = 'select id, version_id as "versionId", name, settings, revision, edition from premixes';

const SETTINGS: Column<PremixSettings> = { at: 'premixes.settings', called: 'the settings', schema: premixSettingsSchema, fresh: FRESH_PREMIX };

function toPremix(r: PremixRow): Premix {
  const settings = readStored({ ...SETTINGS, called: `the settings of ${r.name}` }, r.settings, r.id);
  return {
    id: r.id,
    versionId: r.versionId,
    name: r.name,
    revision: r.revision,
    edition: r.edition,
    settings: settings.value,
    unreadable: settings.unreadable,
  };
}

export const premixes = async (): Promise<Premix[]> => (await query<PremixRow>(`${SELECT_PREMIX} order by lower(name)`)).map(toPremix);

export async function premixById(id: string): Promise<Premix | null> {
  const row = (await query<PremixRow>(`${SELECT_PREMIX} where id = $1`, [id]))[0];
  return row ? toPremix(row) : null;
}

export type PremixFields = Pick<Premix, 'name' | 'settings'>;
const TWIN = 'There is one of that name already.';

/**
 * Keeps a premix; without an id it is a new one, made once for a request. Another bag, of another version of its formula too,
 * keeps the name and is the next edition once a lot was made of this one: its lots stay what they were.
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
      // another bag is another edition, once a lot was made of this one
      const bagOf = (x: PremixFields, version: string): string => JSON.stringify([version, x.settings.powders, x.settings.bagged]);
      const other = bagOf(now, now.versionId) !== bagOf(p, p.versionId);
      const lots = other ? await client.query('select 1 from lots where premix_id = $1 and edition = $2 limit 1', [id, now.edition]) : null;
      const kept = await saveRevised(
        SHAPES.premix,
        { revision: now.revision, value: { name: now.name, settings: now.settings } },
        { name: p.name, settings: p.settings },
        opened,
        (v, revision) =>
          client.query('update premixes set name = $1, settings = $2, revision = $3, version_id = $5 where id = $4', [
            v.name,
            JSON.stringify(v.settings),
            revision,
            id,
            p.versionId,
          ]),
      );
      if (kept.ok && lots?.rowCount) {
        await client.query('insert into premix_editions (premix_id, edition, version_id, settings) values ($1, $2, $3, $4) on conflict do nothing', [
          id,
          now.edition,
          now.versionId,
          JSON.stringify(now.settings),
        ]);
        await client.query('update premixes set edition = edition + 1 where id = $1', [id]);
      }
      return kept.ok ? { ...kept, id } : kept;
    }),
  );

/** Takes a premix out, where no lot was ever made of it. @returns whether it is gone */
export async function dropPremix(id: string): Promise<boolean> {
  return (await query('delete from premixes where id = $1 and not exists (select 1 from lots where premix_id = $1) returning id', [id])).length > 0;
}

const SELECT_LOT = `
  select l.id, l.premix_id as "premixId", p.name as "premixName", l.number, to_char(l.made, 'YYYY-MM-DD') as made, to_char(l.best_before, 'YYYY-MM-DD') as "bestBefore",
         l.bag_g as "bagG", l.bags, coalesce((select sum(u.bags) from lot_uses u where u.lot_id = l.id), 0)::float8 as used, l.contents, l.checked, l.note,
         l.frozen, l.made_by as "madeBy", l.rest_g as "restG", l.edition,
         coalesce((select e.version_id from premix_editions e where e.premix_id = l.premix_id and e.edition = l.edition), p.version_id) as "versionId", l.voided_at as "voidedAt", l.voided_by as "voidedBy", l.void_why as "voidWhy"
    from lots l join premixes p on p.id = l.premix_id`;
type LotRow = Omit<Lot, 'contents' | 'frozen'> & { readonly contents: unknown; readonly frozen: unknown } & Record<string, unknown>;

const CONTENTS: Column<Lot['contents']> = { at: 'lots.contents', called: 'what went in', schema: z.array(lotItemSchema), fresh: [] };
const FROZEN: Column<FrozenLot | null> = { at: 'lots.frozen', called: 'what it was made as', schema: frozenSchema, fresh: null };

function toLot(r: LotRow): Lot {
  const contents = readStored({ ...CONTENTS, called: `what went into lot ${r.number}` }, r.contents, r.id);
  const frozen = readStored({ ...FROZEN, called: `what lot ${r.number} was made as` }, r.frozen, r.id);
  return { ...r, contents: contents.value, frozen: frozen.value, unreadable: [...contents.unreadable, ...frozen.unreadable] };
}
const lotsFrom = async (sql: string, values: readonly unknown[]): Promise<Lot[]> => (await query<LotRow>(sql, values)).map(toLot);

const USED_UP = '(l.voided_at is not null or l.bags <= coalesce((select sum(u.bags) from lot_uses u where u.lot_id = l.id), 0) + 1e-6)';

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

/** Where a lot's bags went, the first first; counter-entries among them. */
export const usesOfLot = (lotId: string): Promise<LotUse[]> => usesOf([lotId]);

/** The books of several lots. */
export const usesOf = (lotIds: readonly string[]): Promise<(LotUse & { readonly lotId: string } & Record<string, unknown>)[]> =>
  query(
    `select u.id, u.lot_id as "lotId", u.bags, u.kind, u.who, u.why, u.price, u.undoes, u.used_at as "usedAt", u.batch_id as "batchId", b.name as "batchName"
       from lot_uses u left join batches b on b.id = u.batch_id
      where u.lot_id = any($1) order by u.used_at, u.undoes nulls first, u.id`,
    [lotIds],
  );

/** The lots a batch's bags came from; bags that were put back are not in it. */
export const lotsOfBatch = (batchId: string): Promise<{ id: string; number: string; premixName: string; bags: number }[]> =>
  query(
    `select l.id, l.number, p.name as "premixName", sum(u.bags) as bags from lot_uses u join lots l on l.id = u.lot_id join premixes p on p.id = l.premix_id
      where u.batch_id = $1 group by l.id, l.number, p.name having sum(u.bags) > 1e-6 order by l.number`,
    [batchId],
  );

/** What of a lot was corrected, the last first. */
export const changesOfLot = async (lotId: string): Promise<LotChange[]> =>
  (await query<LotChange & Record<string, unknown>>('select id, who, why, at, was from lot_changes where lot_id = $1 order by at desc', [lotId])).map((c) => ({
    ...c,
    was: wasSchema.parse(c.was),
  }));

const wasSchema = z.object({ bags: z.number(), contents: z.array(lotItemSchema), checked: z.string().default(''), note: z.string().default('') });

/** Lots that an ingredient's lot, or a lot's own number, leads to. @param code as it is on the packet, or the lot's number; whole, capitals or not */
export const lotsByCode = (code: string): Promise<Lot[]> =>
  lotsFrom(
    `${SELECT_LOT} where lower(l.number) = lower($1)
        or exists (select 1 from jsonb_array_elements(l.contents) c where regexp_split_to_array(lower(c->>'lot'), '\\s*[,;]\\s*') @> array[lower($1)])
      order by l.made, l.number`,
    [code],
  );

export interface NewLot {
  readonly premixId: string;
  readonly bags: number;
  /** g in one; left out: as the product has it. */
  readonly bagG?: number | undefined;
  /** yyyy-mm-dd. */
  readonly made: string;
  /** The ingredients' own lots, by ingredient. */
  readonly ingredientLots: Readonly<Record<string, string>>;
  /** g that really went in, by ingredient; what is left out went in as planned. */
  readonly weighed?: Readonly<Record<string, number>>;
  readonly checked: string;
  readonly note: string;
  readonly madeBy?: string;
  /** What stayed in the sieve, g. */
  readonly restG?: number;
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
  frozen: FrozenLot,
): Promise<{ id: string; again: boolean }> {
  // lots are numbered one after the other: who makes one waits for who is making one
  await client.query("select pg_advisory_xact_lock(hashtext('lot numbers'))");
  const had = l.requestId ? await client.query<{ id: string }>('select id from lots where request_id = $1', [l.requestId]) : null;
  if (had?.rows[0]) return { id: had.rows[0].id, again: true };
  const taken = await client.query<{ number: string }>('select number from lots');
  const made = await client.query<{ id: string }>(
    `insert into lots (premix_id, number, made, best_before, bag_g, bags, contents, checked, note, request_id, frozen, made_by, rest_g, edition)
     values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, (select edition from premixes where id = $1)) returning id`,
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
      JSON.stringify(frozen),
      l.madeBy ?? '',
      l.restG ?? 0,
    ],
  );
  const id = made.rows[0]?.id;
  if (!id) throw new Error('insert returned no row');
  return { id, again: false };
}

/** Lots that were made before what they were made as was kept. @param premixId of one premix; null: of all */
export const unfrozenLots = async (premixId: string | null): Promise<readonly string[]> =>
  (await query<{ id: string }>('select id from lots where frozen is null and ($1::uuid is null or premix_id = $1)', [premixId])).map((r) => r.id);

/** Keeps what a lot was made as, where it was made before that was kept: once, and never again. */
export const freeze = async (lotId: string, frozen: FrozenLot): Promise<void> => {
  await query('update lots set frozen = $2 where id = $1 and frozen is null', [lotId, JSON.stringify(frozen)]);
};

/** Why bags leave, who has them and for how much. */
export interface Leaving {
  readonly bags: number;
  readonly kind: UseKind;
  readonly batchId?: string | null;
  readonly who?: string;
  readonly why?: string;
  readonly price?: number | null;
  readonly usedAt?: Date | null;
}

/** How many bags are there; the lot's row is locked, so that two who take at once never take more than there are. */
async function leftOf(client: PoolClient, lotId: string): Promise<{ readonly bags: number; readonly left: number; readonly voided: boolean } | null> {
  const row = (
    await client.query<{ bags: number; voided: boolean }>('select bags, voided_at is not null as voided from lots where id = $1 for update', [lotId])
  ).rows[0];
  const used = await client.query<{ n: number }>('select coalesce(sum(bags), 0)::float8 as n from lot_uses where lot_id = $1', [lotId]);
  return row ? { bags: row.bags, left: row.voided ? 0 : row.bags - (used.rows[0]?.n ?? 0), voided: row.voided } : null;
}

const no = (path: string, message: string): Undone<Made> => new Undone<Made>({ ok: false, path, message });

/** Counts bags out of a lot. @throws Undone */
export async function takeBags(client: PoolClient, lotId: string, l: Leaving): Promise<void> {
  const { left = 0, voided = false } = (await leftOf(client, lotId)) ?? {};
  if (voided) throw no('bags', 'That lot is voided: nothing leaves it any more.');
  if (l.bags > left + 1e-6)
    throw no('bags', left < 1e-6 ? 'No bag of this lot is left.' : `Only ${sayBags(left)} ${left <= 1 ? 'bag is' : 'bags are'} left of this lot.`);
  await client.query('insert into lot_uses (lot_id, batch_id, bags, why, used_at, kind, who, price) values ($1, $2, $3, $4, coalesce($5, now()), $6, $7, $8)', [
    lotId,
    l.batchId ?? null,
    l.bags,
    l.why ?? '',
    l.usedAt ?? null,
    l.kind,
    l.who ?? '',
    l.price ?? null,
  ]);
}

/** A change of the books, or why it is none. */
async function booked(id: string, requestId: string | null, what: string, work: (client: PoolClient) => Promise<void>): Promise<Made> {
  try {
    await transaction((client) =>
      onceFor(client, requestId, what, async () => {
        await work(client);
        return { ok: true };
      }),
    );
    return { ok: true, id };
  } catch (e) {
    if (e instanceof Undone) return e.value as Made;
    throw e;
  }
}

/** Bags that leave without a batch: sold, given, thrown away. */
export const letBagsGo = (lotId: string, l: Leaving, requestId: string | null = null): Promise<Made> =>
  booked(lotId, requestId, 'bags-gone', (client) => takeBags(client, lotId, l));

/** Takes an entry of the books back by its counter-entry; a batch's bags come back with the batch. */
export const undoUse = (useId: string, who: string, why: string, requestId: string | null = null): Promise<Made> =>
  booked(useId, requestId, 'undo-use', async (client) => {
    const use = (
      await client.query<{ lot: string; bags: number; kind: UseKind; undoes: string | null }>(
        'select u.lot_id as lot, u.bags, u.kind, u.undoes from lot_uses u join lots l on l.id = u.lot_id where u.id = $1 for update of l',
        [useId],
      )
    ).rows[0];
    if (!use || use.undoes) throw no('useId', 'That entry is not in the books.');
    if (use.kind === 'batch') throw no('useId', 'These went into a batch: put the batch back, and its bags come with it.');
    const made = await client.query(
      `insert into lot_uses (lot_id, bags, kind, who, why, undoes) values ($1, $2, $3, $4, $5, $6) on conflict (undoes) do nothing`,
      [use.lot, -use.bags, use.kind, who, why, useId],
    );
    if (made.rowCount === 0) throw no('useId', 'That entry is taken back already.');
  });

/** Bags of a batch that is put back: a counter-entry for each that still stands. */
export const returnBags = (client: PoolClient, batchId: string) =>
  client.query(
    `insert into lot_uses (lot_id, batch_id, bags, kind, why, undoes)
     select u.lot_id, u.batch_id, -u.bags, 'batch', 'put back', u.id from lot_uses u
      where u.batch_id = $1 and u.undoes is null and not exists (select 1 from lot_uses x where x.undoes = u.id)
     on conflict (undoes) do nothing`,
    [batchId],
  );

export interface Correction {
  readonly bags: number;
  /** By ingredient. */
  readonly ingredientLots: Readonly<Record<string, string>>;
  readonly checked: string;
  readonly note: string;
}

/** Corrects a lot, and keeps it as it was with who did it and why. Never fewer bags than have left it. */
export const correctLot = (lotId: string, to: Correction, who: string, why: string): Promise<Made> =>
  booked(lotId, null, 'correct-lot', async (client) => {
    const now = await leftOf(client, lotId);
    if (!now || now.voided) throw no('lotId', 'That lot is voided, or not in this kitchen.');
    const gone = now.bags - now.left;
    if (to.bags < gone - 1e-6) throw no('bags', `${sayBags(gone)} have left this lot already: it can’t have been fewer.`);
    const row = (await client.query<{ contents: unknown; checked: string; note: string }>('select contents, checked, note from lots where id = $1', [lotId]))
      .rows[0];
    const read = readStored(CONTENTS, row?.contents, lotId);
    // what can't be read whole is not written back
    if (!row || read.unreadable.length > 0) throw no('lotId', 'What went into this lot can’t be read whole: it stays as it is.');
    await client.query('insert into lot_changes (lot_id, who, why, was) values ($1, $2, $3, $4)', [
      lotId,
      who,
      why,
      JSON.stringify({ bags: now.bags, contents: read.value, checked: row.checked, note: row.note }),
    ]);
    // what was weighed in was weighed in, however many bags it filled
    const contents = read.value.map((c) => ({ ...c, lot: to.ingredientLots[c.id] ?? c.lot }));
    await client.query('update lots set bags = $2, contents = $3, checked = $4, note = $5 where id = $1', [
      lotId,
      to.bags,
      JSON.stringify(contents),
      to.checked,
      to.note,
    ]);
  });

/** Voids a lot: it is kept, with who and why, and nothing leaves it any more. @param back what it took goes back onto the shelf */
export const voidLot = (lotId: string, who: string, why: string, back: boolean): Promise<Made> =>
  booked(lotId, null, 'void-lot', async (client) => {
    const r = await client.query('update lots set voided_at = now(), voided_by = $2, void_why = $3 where id = $1 and voided_at is null', [lotId, who, why]);
    if (r.rowCount === 0) throw no('lotId', 'That lot is voided already, or not in this kitchen.');
    if (back) await returnToShelf(client, { lotId });
  });
