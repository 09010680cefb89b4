/** Queries on premixes, their lots, and the bags that leave them. */
import type { PoolClient } from 'pg';
import { z } from 'zod';
import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import { premixSettingsSchema } from '@/contract/premix';
import { frozenSchema, lotItemSchema } from '@/contract/stored';
import {
  type BetweenAllergens,
  FRESH_PREMIX,
  type FrozenLot,
  type Lot,
  type LotItem,
  lotNumber,
  type PremixSettings,
} from '@/core/premix/premix';
import { codeKey } from '@/core/premix/recall';
import type { Fill } from '@/core/premix/weigh';
import { SHAPES } from '@/core/records/editable';
import type { Unreadable } from '@/core/records/unreadable';
import { type JsonColumn, readStored } from '../db/json';
import { query, transaction } from '../db/pool';
import { idRow, rowsFrom } from '../db/rows';
import { GONE, keepRaw, type OpenedRow, onceFor, saveRevised } from './revised';

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

const premixRow = z.object({
  id: z.string(),
  versionId: z.string(),
  name: z.string(),
  settings: z.unknown(),
  revision: z.number(),
  edition: z.number(),
});
type PremixRow = z.output<typeof premixRow>;

const SELECT_PREMIX = 'select id, version_id as "versionId", name, settings, revision, edition from premixes';

const SETTINGS: JsonColumn<PremixSettings> = {
  at: 'premixes.settings',
  called: 'the settings',
  schema: premixSettingsSchema,
  fresh: FRESH_PREMIX,
};

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

export const premixes = async (): Promise<Premix[]> =>
  (await rowsFrom(premixRow, `${SELECT_PREMIX} order by lower(name)`)).map(toPremix);

export async function premixById(id: string): Promise<Premix | null> {
  const row = (await rowsFrom(premixRow, `${SELECT_PREMIX} where id = $1`, [id]))[0];
  return row ? toPremix(row) : null;
}

export type PremixFields = Pick<Premix, 'name' | 'settings'>;
const TWIN = 'There is one of that name already.';

/**
 * Keeps a premix; without an id it is a new one, made once for a request. Another bag, of another version of its
 * formula too, keeps the name and is the next edition once a lot was made of this one: its lots stay what they were.
 */
export const keepPremix = (
  p: PremixFields & { readonly id: string | null; readonly versionId: string },
  opened: OpenedRow<PremixFields> | null = null,
  requestId: string | null = null,
): Promise<ActionResult<Kept & { readonly id: string }>> =>
  transaction((client) =>
    onceFor(client, requestId, 'premix', async (): Promise<ActionResult<Kept & { readonly id: string }>> => {
      const twin = await client.query(
        'select 1 from premixes where lower(name) = lower($1) and id is distinct from $2',
        [p.name, p.id],
      );
      if (twin.rowCount) return refuse(TWIN, { name: TWIN });
      if (!p.id) {
        const made = await rowsFrom(
          idRow,
          'insert into premixes (name, settings, version_id) values ($1, $2, $3) on conflict do nothing returning id',
          [p.name, JSON.stringify(p.settings), p.versionId],
          client,
        );
        return made[0] ? { ok: true, id: made[0].id, revision: 1, merged: [] } : refuse(TWIN, { name: TWIN });
      }
      const { id } = p;
      const was = (await rowsFrom(premixRow, `${SELECT_PREMIX} where id = $1 for update`, [id], client))[0];
      if (!was) return refuse(GONE);
      const now = toPremix(was);
      if (now.unreadable.length > 0) await keepRaw(client, `premixes.settings ${id}`, was.settings);
      // another bag is another edition, once a lot was made of this one
      const bagOf = (x: PremixFields, version: string): string =>
        JSON.stringify([version, x.settings.powders, x.settings.bagged]);
      const other = bagOf(now, now.versionId) !== bagOf(p, p.versionId);
      const lots = other
        ? await client.query('select 1 from lots where premix_id = $1 and edition = $2 limit 1', [id, now.edition])
        : null;
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
        await client.query(
          'insert into premix_editions (premix_id, edition, version_id, settings) values ($1, $2, $3, $4) on conflict do nothing',
          [id, now.edition, now.versionId, JSON.stringify(now.settings)],
        );
        await client.query('update premixes set edition = edition + 1 where id = $1', [id]);
      }
      return kept.ok ? { ...kept, id } : kept;
    }),
  );

/** Takes a premix out, where no lot was ever made of it. @returns whether it is gone */
export async function dropPremix(id: string): Promise<boolean> {
  await query(
    'delete from premixes where id = $1 and not exists (select 1 from lots where premix_id = $1) and not exists (select 1 from lot_works where premix_id = $1)',
    [id],
  );
  return (await query('select 1 from premixes where id = $1', [id])).length === 0;
}

const SELECT_LOT = `
  select l.id, l.premix_id as "premixId", p.name as "premixName", l.number, to_char(l.made, 'YYYY-MM-DD') as made, to_char(l.best_before, 'YYYY-MM-DD') as "bestBefore",
         l.bag_g as "bagG", l.bags, coalesce((select sum(u.bags) from lot_uses u where u.lot_id = l.id), 0)::float8 as used, l.contents, l.checked, l.note,
         l.frozen, l.made_by as "madeBy", l.rest_g as "restG", l.edition,
         coalesce((select e.version_id from premix_editions e where e.premix_id = l.premix_id and e.edition = l.edition), p.version_id) as "versionId", l.voided_at as "voidedAt", l.voided_by as "voidedBy", l.void_why as "voidWhy",
         l.work_id as "workId", l.first_bag as "firstBag", l.cost, l.carried, l.carried_from as "carriedFrom", l.clear_asked as "clearAsked",
         l.cleared, l.cleared_by as "clearedBy", l.traces, l.traces_by as "tracesBy"
    from lots l join premixes p on p.id = l.premix_id`;
const lotRow = z.object({
  id: z.string(),
  premixId: z.string(),
  premixName: z.string(),
  number: z.string(),
  made: z.string(),
  bestBefore: z.string(),
  bagG: z.number(),
  bags: z.number(),
  used: z.number(),
  contents: z.unknown(),
  checked: z.string(),
  note: z.string(),
  frozen: z.unknown(),
  madeBy: z.string(),
  restG: z.number(),
  edition: z.number(),
  versionId: z.string(),
  voidedAt: z.date().nullable(),
  voidedBy: z.string(),
  voidWhy: z.string(),
  workId: z.string().nullable(),
  firstBag: z.number().nullable(),
  cost: z.number().nullable(),
  carried: z.array(z.string()),
  carriedFrom: z.string(),
  clearAsked: z.array(z.string()),
  cleared: z.array(z.string()),
  clearedBy: z.string(),
  traces: z.string(),
  tracesBy: z.string(),
});
type LotRow = z.output<typeof lotRow>;

export const CONTENTS: JsonColumn<Lot['contents']> = {
  at: 'lots.contents',
  called: 'what went in',
  schema: z.array(lotItemSchema),
  fresh: [],
};
const FROZEN: JsonColumn<FrozenLot | null> = {
  at: 'lots.frozen',
  called: 'what it was made as',
  schema: frozenSchema,
  fresh: null,
};

function toLot({ carried, carriedFrom, clearAsked, cleared, clearedBy, traces, tracesBy, ...r }: LotRow): Lot {
  const contents = readStored({ ...CONTENTS, called: `what went into lot ${r.number}` }, r.contents, r.id);
  const frozen = readStored({ ...FROZEN, called: `what lot ${r.number} was made as` }, r.frozen, r.id);
  return {
    ...r,
    contents: contents.value,
    frozen: frozen.value,
    between: { carried, from: carriedFrom, asked: clearAsked, cleared, clearedBy, traces, tracesBy },
    unreadable: [...contents.unreadable, ...frozen.unreadable],
  };
}
const lotsFrom = async (sql: string, values: readonly unknown[]): Promise<Lot[]> =>
  (await rowsFrom(lotRow, sql, values)).map(toLot);

const USED_UP =
  '(l.voided_at is not null or l.bags <= coalesce((select sum(u.bags) from lot_uses u where u.lot_id = l.id), 0) + 1e-6)';

/** Lots with bags left, of a premix or of all, the newest first. */
export const openLots = (premixId: string | null = null): Promise<Lot[]> =>
  lotsFrom(
    `${SELECT_LOT} where ($1::uuid is null or l.premix_id = $1) and not (${USED_UP}) order by l.made desc, l.number desc`,
    [premixId],
  );

const LOTS_AT_ONCE = 50;

/**
 * Lots of a premix that are used up, the newest first, a page at a time. @param before the id of the lot the page
 * before ended with
 */
export async function usedUpLots(
  premixId: string,
  before: string | null = null,
): Promise<{ readonly rows: readonly Lot[]; readonly more: boolean }> {
  const rows = await lotsFrom(
    `${SELECT_LOT} where l.premix_id = $1 and ${USED_UP}
        and ($2::uuid is null or (l.made, l.number, l.id) < (select o.made, o.number, o.id from lots o where o.id = $2))
      order by l.made desc, l.number desc, l.id desc limit $3`,
    [premixId, before, LOTS_AT_ONCE + 1],
  );
  return { rows: rows.slice(0, LOTS_AT_ONCE), more: rows.length > LOTS_AT_ONCE };
}

/** Whether a lot was ever made of a premix. */
export const hasLots = async (premixId: string): Promise<boolean> =>
  (await query('select 1 from lots where premix_id = $1 limit 1', [premixId])).length > 0;

/** Every lot of a premix, or of all, for a check of all that is kept. */
export const lots = (premixId: string | null = null): Promise<Lot[]> =>
  lotsFrom(`${SELECT_LOT} where $1::uuid is null or l.premix_id = $1 order by l.made desc, l.number desc`, [premixId]);

/** The rows of one lot, the larger bags first. */
export const sizesOfLot = (number: string): Promise<Lot[]> =>
  lotsFrom(`${SELECT_LOT} where l.number = $1 order by l.bag_g desc`, [number]);

/** Lots with bags left that hold an ingredient, or ask for it at the bench. */
export const openLotsWith = (ingredientId: string): Promise<Lot[]> =>
  lotsFrom(
    `${SELECT_LOT} where not (${USED_UP}) and (jsonb_path_exists(l.contents, '$[*] ? (@.id == $id)', jsonb_build_object('id', $1::text))
        or jsonb_path_exists(l.frozen, '$.products[*].parts[*] ? (@.id == $id)', jsonb_build_object('id', $1::text))) order by l.made, l.number`,
    [ingredientId],
  );

/** Lots of any version of a formula. */
export const lotsOfFormula = (formulaId: string): Promise<Lot[]> =>
  lotsFrom(`${SELECT_LOT} join formula_versions v on v.id = p.version_id where v.formula_id = $1`, [formulaId]);

/** The lot that was made last, of whatever mix. */
export const lastLot = async (client?: PoolClient): Promise<Lot | null> =>
  (await rowsFrom(lotRow, `${SELECT_LOT} order by l.created_at desc, l.number desc limit 1`, [], client)).map(
    toLot,
  )[0] ?? null;

/** Keeps what whoever leads says of traces in a lot, in bags of every size. @returns whether there is such a lot */
export const keepTraces = async (lotId: string, traces: string, who: string): Promise<boolean> =>
  (
    await query(
      `update lots set traces = $2, traces_by = $3 where number = (select number from lots where id = $1) returning id`,
      [lotId, traces, who],
    )
  ).length > 0;

export async function lotById(id: string): Promise<Lot | null> {
  return (await lotsFrom(`${SELECT_LOT} where l.id = $1`, [id]))[0] ?? null;
}

/** A code by its letters and digits, as `codeKey` has it. */
export const KEY_OF = (column: string): string => `regexp_replace(upper(${column}), '[^[:alnum:]]', '', 'g')`;

/**
 * Lots that an ingredient's lot, or a lot's own number, leads to. @param code as it is on the packet, or the lot's
 * number; equal by letters and digits
 */
export const lotsByCode = (code: string): Promise<Lot[]> =>
  lotsFrom(
    `${SELECT_LOT} where ${KEY_OF('l.number')} = $1
        or exists (select 1 from jsonb_array_elements(l.contents) c, regexp_split_to_table(c->>'lot', '[,;]') code where ${KEY_OF('code')} = $1)
      order by l.made, l.number`,
    [codeKey(code)],
  );

/** Every code that stands on a lot or on a packet in one, each as it is written. */
export async function codesWritten(): Promise<readonly string[]> {
  const rows = await rowsFrom(
    z.object({ code: z.string() }),
    `select distinct trim(code) as code from (
       select number as code from lots
       union all
       select code from lots l, jsonb_array_elements(l.contents) c, regexp_split_to_table(c->>'lot', '[,;]') code
       union all
       select code from batch_sacks s, regexp_split_to_table(s.lot, '[,;]') code) all_codes
     where trim(code) <> ''`,
  );
  return rows.map((r) => r.code);
}

export interface NewLot {
  readonly premixId: string;
  /** Bags of each size, one row of the books for each, under one number. */
  readonly fills: readonly Fill[];
  /** yyyy-mm-dd. */
  readonly made: string;
  /**
   * By ingredient, each sack's own lot and what went in of it; one without grams has the rest, and what is left out
   * went in as planned.
   */
  readonly sacks: Readonly<Record<string, readonly { readonly lot: string; readonly grams: number | null }[]>>;
  readonly checked: string;
  readonly note: string;
  readonly madeBy?: string;
  /** What stayed in the sieve, g. */
  readonly restG?: number;
  readonly take: 'no' | 'enough' | 'anyway';
  /** The weighing that fills it; null: nothing of it was weighed in. */
  readonly workId?: string | null;
  /** What was cleared down after the lot before, and by whom. */
  readonly cleared?: readonly string[];
  readonly clearedBy?: string;
  readonly requestId: string | null;
}

/** One size of a lot, ready to be written: its own part of what went in. */
export interface FilledLot extends Fill {
  readonly contents: readonly LotItem[];
  readonly restG: number;
  readonly frozen: FrozenLot;
  /** Of one bag, today; null: not all of it has a price. */
  readonly cost: number | null;
}

/**
 * Numbers a lot and writes a row for each size of bag. @returns the rows' ids, in order; again: the same press wrote
 * them before
 */
export async function insertLot(
  client: PoolClient,
  l: NewLot,
  bestBefore: string,
  rows: readonly FilledLot[],
  between: Pick<BetweenAllergens, 'carried' | 'from' | 'asked'> | null,
): Promise<{ ids: readonly string[]; again: boolean }> {
  // lots are numbered one after the other: who makes one waits for who is making one
  await client.query("select pg_advisory_xact_lock(hashtext('lot numbers'))");
  const had = l.requestId
    ? await rowsFrom(idRow, 'select id from lots where request_id = $1', [l.requestId], client)
    : null;
  if (had?.[0]) return { ids: [had[0].id], again: true };
  const taken = await rowsFrom(z.object({ number: z.string() }), 'select distinct number from lots', [], client);
  const number = lotNumber(l.made, new Set(taken.map((r) => r.number)));
  const ids: string[] = [];
  let firstBag = 1;
  for (const [n, row] of rows.entries()) {
    const made = await rowsFrom(
      idRow,
      `insert into lots (premix_id, number, made, best_before, bag_g, bags, contents, checked, note, request_id, frozen, made_by, rest_g, edition, work_id, first_bag, carried, carried_from, clear_asked, cleared, cleared_by, cost)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, (select edition from premixes where id = $1), $14, $15, $16, $17, $18, $19, $20, $21) returning id`,
      [
        l.premixId,
        number,
        l.made,
        bestBefore,
        row.bagG,
        row.bags,
        JSON.stringify(row.contents),
        l.checked,
        l.note,
        n === 0 ? l.requestId : null,
        JSON.stringify(row.frozen),
        l.madeBy ?? '',
        row.restG,
        l.workId ?? null,
        firstBag,
        between?.carried ?? [],
        between?.from ?? '',
        between?.asked ?? [],
        between ? (l.cleared ?? []).filter((x) => between.asked.includes(x)) : [],
        between ? (l.clearedBy ?? '') : '',
        row.cost,
      ],
      client,
    );
    const id = made[0]?.id;
    if (!id) throw new Error('insert returned no row');
    ids.push(id);
    firstBag += row.bags;
  }
  return { ids, again: false };
}

/** Lots that were made before what they were made as was kept. @param premixId of one premix; null: of all */
export const unfrozenLots = async (premixId: string | null): Promise<readonly string[]> =>
  (
    await rowsFrom(idRow, 'select id from lots where frozen is null and ($1::uuid is null or premix_id = $1)', [
      premixId,
    ])
  ).map((r) => r.id);

/** Keeps what a lot was made as, where it was made before that was kept: once, and never again. */
export const freeze = async (lotId: string, frozen: FrozenLot): Promise<void> => {
  await query('update lots set frozen = $2 where id = $1 and frozen is null', [lotId, JSON.stringify(frozen)]);
};
