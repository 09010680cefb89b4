/** Queries on formulas: the shelf, saving and copying, putting away. Each row type is what the page needs of it. */

import { z } from 'zod';
import type { ActionResult } from '@/contract/action-result';
import { refuse } from '@/contract/action-result';
import { VERDICTS } from '@/core/batch/batch';
import type { Formula } from '@/core/formula/formula';
import { KIND_IDS, type KindId, THICKNESSES } from '@/core/formula/kinds';
import type { Saved, ShelfRow } from '@/core/formula/version';
import { copyName, copyStem } from '@/core/formula/version';
import type { LastChange, LastOutcome } from '@/core/judge/came-back';
import { moveOfChange } from '@/core/judge/move-of-change';
import type { Allergen } from '@/core/pantry/ingredient';
import { SOON_DAYS } from '@/core/pantry/stock';
import { dayAfter } from '@/core/quantity/day';
import { query, transaction } from '../db/pool';
import { countRow, idRow, rowsFrom } from '../db/rows';
import { makingRow } from './came-back';
import {
  type FactsKitchen,
  factsDay,
  factsKitchen,
  keepFacts,
  NOT_KNOWN,
  STALE,
  staleBy,
  workFacts,
  workFactsBehind,
} from './formula-facts';
import { type Cursor, cursorOf, type Page, pageOf } from './paging';
import { GONE, onceFor } from './revised';
import { version } from './versions';

/** What the last making of a formula said to change; null: nothing, or it was not made. */
const NEXT_TIME = `(select case when b.change_state in ('not-now', 'done') then null else nullif(btrim(b.change), '') end from batches b where b.formula_id = f.id and b.finished_at is not null and b.verdict is not null and b.trial_id is null order by b.finished_at desc limit 1)`;

/** Formulas that fill a cup the kitchen's own way by what they say themselves, whatever the house does. */
export async function fillingOwnWay(): Promise<number> {
  const rows = await rowsFrom(
    countRow,
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

const FORMULAS_AT_ONCE = 48;

/** So long a page waits for facts that are stale; what is left then is worked behind. */
const FACTS_MS = 1_500;

interface Shelf extends Page<ShelfRow> {
  /**
   * Formulas that the filter could not be asked about yet, for the kitchen has changed: they come when they are worked.
   */
  readonly stale: number;
}

/**
 * Formulas, those used lately first, a page at a time. Text is looked for word by word. What is shown and filtered by
 * is
 * of the kitchen as it is, whoever changed it.
 * @param waitMs so long it waits for facts that are stale
 */
export async function formulaShelf(f: ShelfFilter = {}, most = FORMULAS_AT_ONCE, waitMs = FACTS_MS): Promise<Shelf> {
  const k = await factsKitchen();
  const left = await workFacts(k, { mostMs: waitMs });
  const found = f.text?.trim() || f.flour || f.liquid || f.without || f.useUp;
  let rows = await shelfRows(f, k, most);
  if (left > 0) {
    // what is shown is worked at once, the rest behind
    const old = found ? [] : rows.filter((r) => r.stale).map((r) => r.id);
    if (old.length > 0) {
      await workFacts(k, { only: old });
      rows = await shelfRows(f, k, most);
    }
    workFactsBehind();
  }
  const page = pageOf(rows, most, (r) => cursorOf(r.micros, r.id));
  return { ...page, rows: page.rows.map(({ micros: _, stale: __, ...r }) => r), stale: found ? left : 0 };
}

/** Of the page: a formula on the shelf, where the page goes on, and whether its facts are stale. */
const foundRow = z.object({
  id: z.string(),
  number: z.number(),
  name: z.string(),
  kind: z.enum(KIND_IDS),
  school: z.string(),
  mainFlour: z.string().nullable(),
  mainLiquid: z.string().nullable(),
  pour: z.enum(THICKNESSES).nullable(),
  worst: z.string().nullable(),
  savedAt: z.date(),
  lastVerdict: z.enum(VERDICTS).nullable(),
  nextTime: z.string().nullable(),
  micros: z.string(),
  stale: z.boolean(),
});
type FoundRow = z.output<typeof foundRow>;

/** The rows of a page, and one more where there is more. */
async function shelfRows(f: ShelfFilter, k: FactsKitchen, most: number): Promise<readonly FoundRow[]> {
  const words = (f.text ?? '').toLowerCase().split(/\s+/).filter(Boolean).slice(0, 8);
  const values: unknown[] = [most + 1, ...staleBy(k)];
  const v = (x: unknown): string => `$${values.push(x)}`;
  const where = [
    'f.newest is not null',
    'f.deleted_at is null',
    f.archived ? 'f.archived_at is not null' : 'f.archived_at is null',
    ...words.map((w) => `x.search like ${v(`%${likeText(w)}%`)}`),
    ...(f.kind ? [`f.kind = ${v(f.kind)}`] : []),
    ...(f.flour ? [`x.main_flour = ${v(f.flour)}`] : []),
    ...(f.liquid ? [`x.main_liquid = ${v(f.liquid)}`] : []),
    // facts of another kitchen than this never list a formula as being without a thing
    ...(f.without ? [`not ${STALE} and not x.allergens && array[${v(f.without)}, '${NOT_KNOWN}']::text[]`] : []),
    ...(f.verdict ? [f.verdict === 'none' ? 'f.last_verdict is null' : `f.last_verdict = ${v(f.verdict)}`] : []),
    ...(f.useUp
      ? [
          `x.holds && array(select s.ingredient_id from stock s where s.best_before <= ${v(dayAfter(factsDay(k), SOON_DAYS))}::date and coalesce(s.on_hand_g, 1) > 0)`,
        ]
      : []),
    ...(f.after ? [`(f.used_at, f.id) < (to_timestamp(${v(f.after.at)} / 1000000.0), ${v(f.after.id)}::uuid)`] : []),
  ];
  return rowsFrom(
    foundRow,
    `select f.id, f.newest as number, f.name, f.kind, f.school, x.main_flour as "mainFlour", x.main_liquid as "mainLiquid", x.pour, x.worst, ${STALE} as stale,
            f.saved_at as "savedAt", f.last_verdict as "lastVerdict", ${NEXT_TIME} as "nextTime", (extract(epoch from f.used_at) * 1000000)::bigint::text as micros
       from formulas f left join formula_facts x on x.formula_id = f.id where ${where.join(' and ')} order by f.used_at desc, f.id desc limit $1`,
    values,
  );
}

/** Values of a column of the shelf, each once, by the index and not by reading every row. */
const distinct = async (column: 'main_flour' | 'main_liquid'): Promise<readonly string[]> =>
  (
    await rowsFrom(
      z.object({ v: z.string() }),
      `with recursive t as (
         (select ${column} as v from formula_facts where ${column} is not null order by ${column} limit 1)
         union all select (select ${column} from formula_facts where ${column} > t.v order by ${column} limit 1) from t where t.v is not null)
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

/**
 * A formula that measures flour by the cup, to show a difference on, of those used lately; null where there is none.
 */
export const cupFormula = async (): Promise<string | null> =>
  (
    await rowsFrom(
      idRow,
      `select f.id from (select * from formulas where newest is not null order by used_at desc limit 200) f
         join formula_versions v on v.formula_id = f.id and v.number = f.newest
        where jsonb_typeof(v.lines) = 'array'
          and exists (select 1 from jsonb_array_elements(v.lines) l where l->>'text' ~* ' cups? .*flour' and l->>'text' !~* '[0-9] *(g|oz)( |$|[)])')
          and not v.conventions ? 'flourFill'
        order by f.kind <> 'griddle', lower(f.name) limit 1`,
    )
  )[0]?.id ?? null;

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
    await rowsFrom(
      z.object({
        archived: z.boolean(),
        deleted: z.boolean(),
        copyId: z.string().nullable(),
        copyNumber: z.number().nullable(),
        copyName: z.string().nullable(),
      }),
      `select f.archived_at is not null as archived, f.deleted_at is not null as deleted, c.formula_id as "copyId", c.number as "copyNumber", c.name as "copyName"
         from formulas f left join formula_versions c on c.id = f.copied_from where f.id = $1`,
      [id],
    )
  )[0];
  if (!row) return null;
  const last = (
    await rowsFrom(
      makingRow
        .pick({ batchId: true, change: true, at: true, state: true, pieces: true, planned: true, marks: true })
        .extend({ verdict: z.enum(VERDICTS) }),
      `select id as "batchId", btrim(change) as change, verdict, finished_at as at, change_state as state, pieces, pieces_planned as planned, marks from batches
        where formula_id = $1 and finished_at is not null and verdict is not null and trial_id is null order by finished_at desc limit 1`,
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
  const kitchen = await factsKitchen();
  const { portionMl, held, edits, dismissed, ends } = f;
  return transaction((client) =>
    onceFor(client, requestId ?? null, 'version', async (): Promise<ActionResult<{ readonly saved: Saved }>> => {
      const owner = formulaId
        ? await rowsFrom(idRow, 'select id from formulas where id = $1 for update', [formulaId], client)
        : await rowsFrom(
            idRow,
            'insert into formulas (created_at, copied_from) values (coalesce($1, now()), $2) returning id',
            [savedAt ?? null, copiedFrom ?? null],
            client,
          );
      const id = owner[0]?.id;
      if (!id) return refuse(GONE);
      const newest = await rowsFrom(
        z.object({ number: z.number(), savedAt: z.date() }),
        'select number, saved_at as "savedAt" from formula_versions where formula_id = $1 order by number desc limit 1',
        [id],
        client,
      );
      const last = newest[0];
      const made = await rowsFrom(
        z.object({ id: z.string(), number: z.number(), savedAt: z.date() }),
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
          JSON.stringify({ portionMl, held, edits, dismissed, ends }),
        ],
        client,
      );
      const row = made[0];
      if (!row) throw new Error('insert returned no row');
      await client.query(
        'update formulas set newest = $2, name = $3, kind = $4, school = $5, saved_at = $6, used_at = greatest(used_at, $6) where id = $1',
        [id, row.number, f.name, f.kind, f.school, row.savedAt],
      );
      await keepFacts(client, kitchen, [{ versionId: row.id, formulaId: id, formula: f }]);
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
      await rowsFrom(
        z.object({ name: z.string() }),
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
