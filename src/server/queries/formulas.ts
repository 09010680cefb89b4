/** Queries on formulas and their versions. Each row type is what the page needs of it. */
import type { z } from 'zod';
import type { ActionResult } from '@/contract/action-result';
import { refuse } from '@/contract/action-result';
import { keptConventionsSchema, keptEntriesSchema, keptSettingsSchema } from '@/contract/stored';
import { factsOf } from '@/core/facts/facts';
import type { Entry, Formula } from '@/core/formula/formula';
import { type KindId, kindById, schoolOf } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Saved, ShelfRow, Version, VersionSummary } from '@/core/formula/version';
import { copyName, copyStem, dismissedSince } from '@/core/formula/version';
import type { LastChange, LastOutcome } from '@/core/judge/came-back';
import { moveOfChange } from '@/core/judge/move-of-change';
import type { Conventions } from '@/core/pantry/conventions';
import type { Allergen } from '@/core/pantry/ingredient';
import { SOON_DAYS } from '@/core/pantry/stock';
import { dayAfter, localDay } from '@/core/quantity/day';
import { FRESH_UNITS } from '@/core/quantity/say';
import type { Unreadable } from '@/core/records/unreadable';
import { type JsonColumn, readStored } from '../db/json';
import { query, transaction, unhurried } from '../db/pool';
import { kitchenStamp, lastHouse, loadHouse } from './house';
import { type Cursor, cursorOf, type Page, pageOf } from './paging';
import { GONE, onceFor } from './revised';

/** What the last making of a formula said to change; null: nothing, or it was not made. */
const NEXT_TIME = `(select case when b.change_state in ('not-now', 'done') then null else nullif(btrim(b.change), '') end from batches b where b.formula_id = f.id and b.finished_at is not null and b.verdict is not null order by b.finished_at desc limit 1)`;

/** Formulas that fill a cup the kitchen's own way by what they say themselves, whatever the house does. */
export async function fillingOwnWay(): Promise<number> {
  const rows = await query<{ n: number }>(
    `select count(*)::int as n from formulas f
       join lateral (select conventions from formula_versions where formula_id = f.id order by number desc limit 1) v on true
      where f.deleted_at is null and v.conventions->>'flourFill' = 'own'`,
  );
  return rows[0]?.n ?? 0;
}

interface ShelfFilter {
  /** Words of its name, kind, school, flour or liquid. */
  readonly text?: string;
  readonly kind?: KindId | null;
  readonly flour?: string | null;
  readonly liquid?: string | null;
  /** Nothing in it is noted to hold this, and everything in it is known. */
  readonly without?: Allergen | null;
  /** Its last verdict; `none` where it was not made yet. */
  readonly verdict?: string | null;
  /** Holds something on hand that has to be used soon. */
  readonly useUp?: boolean;
  /** Those that were put away, and none else; left out: those that were not. */
  readonly archived?: boolean;
  readonly after?: Cursor | null;
}

/** Marks a formula of which something is not known: it is never listed as without anything. */
const NOT_KNOWN = '?';

const FORMULAS_AT_ONCE = 48;

/** Formulas, those used lately first, a page at a time. Text is looked for word by word. */
export async function formulaShelf(f: ShelfFilter = {}, most = FORMULAS_AT_ONCE): Promise<Page<ShelfRow>> {
  const words = (f.text ?? '').toLowerCase().split(/\s+/).filter(Boolean).slice(0, 8);
  // what the page shows and is filtered by is of this kitchen, whoever changed it
  await reindexFormulas();
  const stamp = f.without ? await kitchenStamp() : null;
  const values: unknown[] = [most + 1];
  const v = (x: unknown): string => `$${values.push(x)}`;
  const where = [
    'f.newest is not null',
    'f.deleted_at is null',
    f.archived ? 'f.archived_at is not null' : 'f.archived_at is null',
    ...words.map((w) => `f.search like ${v(`%${likeText(w)}%`)}`),
    ...(f.kind ? [`f.kind = ${v(f.kind)}`] : []),
    ...(f.flour ? [`f.main_flour = ${v(f.flour)}`] : []),
    ...(f.liquid ? [`f.main_liquid = ${v(f.liquid)}`] : []),
    // a row of another kitchen than this is never listed as being without a thing
    ...(f.without
      ? [
          `f.facts_stamp = ${v(stamp)} and f.allergens is not null and not f.allergens && array[${v(f.without)}, '${NOT_KNOWN}']::text[]`,
        ]
      : []),
    ...(f.verdict ? [f.verdict === 'none' ? 'f.last_verdict is null' : `f.last_verdict = ${v(f.verdict)}`] : []),
    ...(f.useUp
      ? [
          `f.holds && array(select s.ingredient_id from stock s where s.best_before <= ${v(dayAfter(lastHouse()?.today ?? localDay(Date.now(), FRESH_UNITS), SOON_DAYS))}::date and coalesce(s.on_hand_g, 1) > 0)`,
        ]
      : []),
    ...(f.after ? [`(f.used_at, f.id) < (to_timestamp(${v(f.after.at)} / 1000000.0), ${v(f.after.id)}::uuid)`] : []),
  ];
  const rows = await query<ShelfRow & { readonly micros: string } & Record<string, unknown>>(
    `select f.id, f.newest as number, f.name, f.kind, f.school, f.main_flour as "mainFlour", f.main_liquid as "mainLiquid", f.pour, f.worst,
            f.saved_at as "savedAt", f.last_verdict as "lastVerdict", ${NEXT_TIME} as "nextTime", (extract(epoch from f.used_at) * 1000000)::bigint::text as micros
       from formulas f where ${where.join(' and ')} order by f.used_at desc, f.id desc limit $1`,
    values,
  );
  return pageOf(rows, most, (r) => cursorOf(r.micros, r.id));
}

/** Values of a column of the shelf, each once, by the index and not by reading every row. */
const distinct = async (column: 'main_flour' | 'main_liquid'): Promise<readonly string[]> =>
  (
    await query<{ v: string }>(
      `with recursive t as (
         (select ${column} as v from formulas where ${column} is not null order by ${column} limit 1)
         union all select (select ${column} from formulas where ${column} > t.v order by ${column} limit 1) from t where t.v is not null)
       select v from t where v is not null`,
    )
  ).map((r) => r.v);

/** The flours and liquids that formulas here are mainly made of. */
export async function shelfMains(): Promise<{
  readonly flours: readonly string[];
  readonly liquids: readonly string[];
}> {
  const [flours, liquids] = await Promise.all([distinct('main_flour'), distinct('main_liquid')]);
  return { flours, liquids };
}

/** What a formula's row is found by. */
function findable(f: Formula, house: Kitchen) {
  const facts = factsOf(f, house);
  const kind = kindById(f.kind);
  const { mains, pour, worst, holds, day } = facts;
  return {
    search: [f.name, kind.name, schoolOf(kind, f.school).name, mains.flour, mains.liquid]
      .filter(Boolean)
      .join(' ')
      .toLowerCase(),
    mains,
    pour,
    worst,
    holds,
    allergens: [...facts.allergens.map(String), ...(facts.allergensOpen ? [NOT_KNOWN] : [])],
    day,
  };
}

/** Raised when the code works something else of a formula that it is found by: every row is worked again then. */
const FACTS_CODE = 4;

/**
 * Whether a row was worked in another kitchen than this, by other code, or for another day. Parameters: the stamp, the
 * code, the day.
 */
const STALE = (stamp: string, code: string, day: string): string =>
  `(f.facts_stamp is distinct from ${stamp} or f.facts_code <> ${code} or f.facts_day <> ${day}::date)`;

const AT_A_TIME = 200;

/** Works what formulas are found by wherever it is of another kitchen than this. @returns how many */
export async function reindexFormulas(): Promise<number> {
  // read first: a change that comes meanwhile makes them stale again
  const stamp = await kitchenStamp();
  const house = await loadHouse();
  const day = house.today ?? localDay(Date.now(), FRESH_UNITS);
  for (let n = 0; ; ) {
    const rows = await query<VersionRow & Record<string, unknown>>(
      `${SELECT_VERSION} join formulas f on f.id = v.formula_id and f.newest = v.number where ${STALE('$1', '$2', '$3')} order by f.id limit ${AT_A_TIME}`,
      [stamp, FACTS_CODE, day],
    );
    if (rows.length === 0) return n;
    n += rows.length;
    const worked = rows.map((r) => {
      const { mains, day: of, ...found } = findable(toVersion(r).formula, house);
      return { id: r.formulaId, ...found, flour: mains.flour, liquid: mains.liquid, day: of };
    });
    await unhurried((client) =>
      client.query(
        `update formulas f set search = w.search, main_flour = w.flour, main_liquid = w.liquid, pour = w.pour, worst = w.worst,
                holds = array(select jsonb_array_elements_text(w.holds)), allergens = array(select jsonb_array_elements_text(w.allergens)),
                facts_stamp = $2, facts_code = $3, facts_day = w.day
         from jsonb_to_recordset($1::jsonb) as w(id uuid, search text, flour text, liquid text, pour text, worst text, holds jsonb, allergens jsonb, day date)
         where f.id = w.id`,
        [JSON.stringify(worked), stamp, FACTS_CODE],
      ),
    );
  }
}

interface VersionRow {
  readonly versionId: string;
  readonly formulaId: string;
  readonly number: number;
  readonly basedOn: number | null;
  readonly name: string;
  readonly kind: KindId;
  readonly school: string;
  readonly conventions: unknown;
  readonly settings: unknown;
  readonly lines: unknown;
  readonly cardNotes: string;
  readonly changeNote: string;
  readonly savedAt: Date;
  readonly newest: number;
}

const SELECT_VERSION = `
  select v.id as "versionId", v.formula_id as "formulaId", v.number, v.based_on as "basedOn", v.name, v.kind, v.school, v.conventions, v.settings, v.lines,
         v.card_notes as "cardNotes", v.change_note as "changeNote", v.saved_at as "savedAt",
         (select max(number) from formula_versions n where n.formula_id = v.formula_id) as newest
    from formula_versions v`;

const CONVENTIONS: JsonColumn<Partial<Conventions>> = {
  at: 'formula_versions.conventions',
  called: 'conventions',
  schema: keptConventionsSchema,
  fresh: {},
};
const LINES: JsonColumn<readonly Entry[]> = {
  at: 'formula_versions.lines',
  called: 'lines',
  schema: keptEntriesSchema,
  fresh: [],
};
const SETTINGS: JsonColumn<z.output<typeof keptSettingsSchema>> = {
  at: 'formula_versions.settings',
  called: 'settings',
  schema: keptSettingsSchema,
  upgrade: dismissedSince,
  fresh: keptSettingsSchema.parse({}),
};

function toVersion(r: VersionRow): Version {
  const of = <T>(column: JsonColumn<T>, raw: unknown) =>
    readStored({ ...column, called: `${r.name}, version ${r.number}, ${column.called}` }, raw, r.versionId);
  const [conventions, lines, settings] = [of(CONVENTIONS, r.conventions), of(LINES, r.lines), of(SETTINGS, r.settings)];
  return {
    versionId: r.versionId,
    formulaId: r.formulaId,
    number: r.number,
    basedOn: r.basedOn,
    changeNote: r.changeNote,
    savedAt: r.savedAt,
    newest: r.newest,
    formula: {
      name: r.name,
      kind: r.kind,
      school: r.school,
      conventions: conventions.value,
      entries: lines.value,
      cardNotes: r.cardNotes,
      ...settings.value,
    },
    unreadable: [...conventions.unreadable, ...lines.unreadable, ...settings.unreadable],
  };
}

/**
 * A formula that measures flour by the cup, to show a difference on, of those used lately; null where there is none.
 */
export const cupFormula = async (): Promise<string | null> =>
  (
    await query<{ id: string }>(
      `select f.id from (select * from formulas where newest is not null order by used_at desc limit 200) f
         join formula_versions v on v.formula_id = f.id and v.number = f.newest
        where jsonb_typeof(v.lines) = 'array'
          and exists (select 1 from jsonb_array_elements(v.lines) l where l->>'text' ~* ' cups? .*flour' and l->>'text' !~* '[0-9] *(g|oz)( |$|[)])')
          and not v.conventions ? 'flourFill'
        order by f.kind <> 'griddle', lower(f.name) limit 1`,
    )
  )[0]?.id ?? null;

/** One version of a formula: the newest where no number is asked. */
export async function version(formulaId: string, number: number | null): Promise<Version | null> {
  const rows = await query<VersionRow & Record<string, unknown>>(
    `${SELECT_VERSION} where v.formula_id = $1 and ($2::int is null or v.number = $2) order by v.number desc limit 1`,
    [formulaId, number],
  );
  return rows[0] ? toVersion(rows[0]) : null;
}

export async function versionById(versionId: string): Promise<Version | null> {
  const rows = await query<VersionRow & Record<string, unknown>>(`${SELECT_VERSION} where v.id = $1`, [versionId]);
  return rows[0] ? toVersion(rows[0]) : null;
}

/** Formulas that are looked through at once, those used lately. */
const LOOKED_THROUGH = 300;

/** The newest version of each formula, those used lately first. */
export const newestVersions = async (): Promise<readonly Version[]> =>
  (
    await query<VersionRow & Record<string, unknown>>(
      `${SELECT_VERSION} join formulas f on f.id = v.formula_id and f.newest = v.number where f.archived_at is null and f.deleted_at is null order by f.used_at desc, f.id desc limit $1`,
      [LOOKED_THROUGH],
    )
  ).map(toVersion);

/** What of a formula is known besides its versions. */
interface FormulaState {
  readonly archived: boolean;
  readonly deleted: boolean;
  /** What it is a copy of. */
  readonly copyOf: { readonly formulaId: string; readonly number: number; readonly name: string } | null;
  readonly next: LastChange | null;
  readonly last: LastOutcome | null;
}

/** @returns null where there is no such formula */
export async function formulaState(id: string): Promise<FormulaState | null> {
  const row = (
    await query<{
      archived: boolean;
      deleted: boolean;
      copyId: string | null;
      copyNumber: number | null;
      copyName: string | null;
    }>(
      `select f.archived_at is not null as archived, f.deleted_at is not null as deleted, c.formula_id as "copyId", c.number as "copyNumber", c.name as "copyName"
         from formulas f left join formula_versions c on c.id = f.copied_from where f.id = $1`,
      [id],
    )
  )[0];
  if (!row) return null;
  const last = (
    await query<Omit<LastChange, 'move'> & LastOutcome & Record<string, unknown>>(
      `select id as "batchId", btrim(change) as change, verdict, finished_at as at, change_state as state, pieces, pieces_planned as planned, marks from batches
        where formula_id = $1 and finished_at is not null and verdict is not null order by finished_at desc limit 1`,
      [id],
    )
  )[0];
  return {
    archived: row.archived,
    deleted: row.deleted,
    copyOf:
      row.copyId && row.copyNumber !== null && row.copyName !== null
        ? { formulaId: row.copyId, number: row.copyNumber, name: row.copyName }
        : null,
    last: last
      ? {
          batchId: last.batchId,
          verdict: last.verdict,
          at: last.at,
          pieces: last.pieces,
          planned: last.planned,
          marks: last.marks,
        }
      : null,
    next:
      last && last.change !== '' && (last.state === null || last.state === 'tried')
        ? { ...last, move: moveOfChange(last.change) }
        : null,
  };
}

/** Puts a formula away, or deletes it, or brings it back; nothing of it is lost. @returns whether it is there */
export async function putFormula(
  id: string,
  to: { readonly archived?: boolean; readonly deleted?: boolean },
): Promise<boolean> {
  const at = (on: boolean | undefined, column: string): string =>
    on === undefined ? column : on ? `coalesce(${column}, now())` : 'null';
  const rows = await query(
    `update formulas set archived_at = ${at(to.archived, 'archived_at')}, deleted_at = ${at(to.deleted, 'deleted_at')} where id = $1 returning id`,
    [id],
  );
  return rows.length > 0;
}

const VERSIONS_AT_ONCE = 100;

/** Versions of a formula, the newest first, a page at a time. @param below only those before this number */
export async function versionsOf(
  formulaId: string,
  below: number | null = null,
): Promise<{ readonly rows: readonly VersionSummary[]; readonly more: boolean }> {
  const rows = await query<VersionSummary & Record<string, unknown>>(
    `select number, based_on as "basedOn", change_note as "changeNote", saved_at as "savedAt" from formula_versions
      where formula_id = $1 and ($2::int is null or number < $2) order by number desc limit $3`,
    [formulaId, below, VERSIONS_AT_ONCE + 1],
  );
  return { rows: rows.slice(0, VERSIONS_AT_ONCE), more: rows.length > VERSIONS_AT_ONCE };
}

export interface Save {
  /** Null makes a new formula. */
  readonly formulaId: string | null;
  /** The version that was open, and the newest there was when it was opened. */
  readonly basedOn: number | null;
  readonly knownNewest: number | null;
  readonly formula: Formula;
  readonly changeNote: string;
  /** The same save sent again makes no second version. */
  readonly requestId?: string | null;
  /** For the demo kitchen, whose past lies behind us. */
  readonly savedAt?: Date;
  /** The version that a new formula is a copy of. */
  readonly copiedFrom?: string;
}

/**
 * Saves a formula as a new version. Nothing is overwritten; two saves at the same moment wait for each other on the
 * formula's row.
 * @returns a refusal when there is no such formula
 */
export async function saveVersion({
  formulaId,
  basedOn,
  knownNewest,
  formula: f,
  changeNote,
  requestId,
  savedAt,
  copiedFrom,
}: Save): Promise<ActionResult<{ readonly saved: Saved }>> {
  const stamp = await kitchenStamp();
  const house = await loadHouse();
  const found = findable(f, house);
  const { ways, portionMl, held, dismissed, ends } = f;
  return transaction((client) =>
    onceFor(client, requestId ?? null, 'version', async (): Promise<ActionResult<{ readonly saved: Saved }>> => {
      const owner = formulaId
        ? await client.query<{ id: string }>('select id from formulas where id = $1 for update', [formulaId])
        : await client.query<{ id: string }>(
            'insert into formulas (created_at, copied_from) values (coalesce($1, now()), $2) returning id',
            [savedAt ?? null, copiedFrom ?? null],
          );
      const id = owner.rows[0]?.id;
      if (!id) return refuse(GONE);
      const newest = await client.query<{ number: number; savedAt: Date }>(
        'select number, saved_at as "savedAt" from formula_versions where formula_id = $1 order by number desc limit 1',
        [id],
      );
      const last = newest.rows[0];
      const made = await client.query<{ id: string; number: number; savedAt: Date }>(
        `insert into formula_versions (formula_id, number, based_on, name, kind, school, conventions, lines, card_notes, change_note, saved_at, settings)
         values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, coalesce($11, now()), $12) returning id, number, saved_at as "savedAt"`,
        [
          id,
          (last?.number ?? 0) + 1,
          basedOn,
          f.name,
          f.kind,
          f.school,
          JSON.stringify(f.conventions),
          JSON.stringify(f.entries),
          f.cardNotes,
          changeNote,
          savedAt ?? null,
          JSON.stringify({ ways, portionMl, held, dismissed, ends }),
        ],
      );
      const row = made.rows[0];
      if (!row) throw new Error('insert returned no row');
      await client.query(
        `update formulas set newest = $2, name = $3, kind = $4, school = $5, main_flour = $6, main_liquid = $7, pour = $8, worst = $9, saved_at = $10,
                used_at = greatest(used_at, $10), search = $11, holds = $12, allergens = $13,
                facts_stamp = $14, facts_code = $15, facts_day = $16 where id = $1`,
        [
          id,
          row.number,
          f.name,
          f.kind,
          f.school,
          found.mains.flour,
          found.mains.liquid,
          found.pour,
          found.worst,
          row.savedAt,
          found.search,
          found.holds,
          found.allergens,
          stamp,
          FACTS_CODE,
          found.day,
        ],
      );
      const passed =
        last && last.number !== knownNewest ? { number: last.number, savedAt: last.savedAt.toISOString() } : null;
      return { ok: true, saved: { formulaId: id, versionId: row.id, number: row.number, passedBy: passed } };
    }),
  );
}

/** A copy of a version as a formula of its own, under a name that no other has; once for a request. */
export async function copyFormula(
  formulaId: string,
  number: number | null,
  requestId: string | null,
): Promise<ActionResult<{ readonly saved: Saved }>> {
  const source = await version(formulaId, number);
  if (!source) return refuse(GONE);
  const names = new Set(
    (
      await query<{ name: string }>(
        'select lower(name) as name from formulas where name is not null and lower(name) like $1',
        [`${likeText(copyStem(source.formula.name).toLowerCase())}%`],
      )
    ).map((r) => r.name),
  );
  return saveVersion({
    formulaId: null,
    basedOn: null,
    knownNewest: null,
    formula: { ...source.formula, name: copyName(source.formula.name, names) },
    changeNote: `Copied from ${source.formula.name}, version ${source.number}`,
    requestId,
    copiedFrom: source.versionId,
  });
}

const likeText = (s: string): string => s.replace(/[\\%_]/g, '\\$&');

const READ_AT_ONCE = 500;

/** What of all versions can't be read, a few hundred at a time. */
export async function versionsUnread(): Promise<readonly Unreadable[]> {
  const out: Unreadable[] = [];
  for (let after = '00000000-0000-0000-0000-000000000000'; ; ) {
    const rows = await query<VersionRow & Record<string, unknown>>(
      `${SELECT_VERSION} where v.id > $1 order by v.id limit ${READ_AT_ONCE}`,
      [after],
    );
    out.push(...rows.flatMap((r) => toVersion(r).unreadable ?? []));
    const last = rows.at(-1);
    if (!last || rows.length < READ_AT_ONCE) return out;
    after = last.versionId;
  }
}
