/** Queries on formulas and their versions. Each row type is what the page needs of it. */

import { settingsSchema } from '@/contract/formula';
import { analyseFormula, loudest } from '@/core/analyse';
import { type Entry, type Formula, mainsOf } from '@/core/formula/formula';
import type { KindId } from '@/core/formula/kinds';
import type { Saved, ShelfRow, Version, VersionSummary } from '@/core/formula/version';
import type { Conventions } from '@/core/pantry/conventions';
import { query, transaction } from '../db/pool';
import { loadHouse } from './house';

/** The newest version of each formula, with the verdict of its last finished batch. */
export const shelf = (): Promise<ShelfRow[]> =>
  query<ShelfRow & Record<string, unknown>>(`
    select f.id, v.number, v.name, v.kind, v.school, v.main_flour as "mainFlour", v.main_liquid as "mainLiquid", v.pour, v.worst,
           v.saved_at as "savedAt", last.verdict as "lastVerdict"
      from formulas f
      join lateral (select * from formula_versions where formula_id = f.id order by number desc limit 1) v on true
      left join lateral (
        select b.verdict from batches b join formula_versions bv on bv.id = b.version_id
         where bv.formula_id = f.id and b.finished_at is not null order by b.finished_at desc limit 1) last on true
     order by lower(v.name), f.created_at`);

interface VersionRow {
  readonly versionId: string;
  readonly formulaId: string;
  readonly number: number;
  readonly basedOn: number | null;
  readonly name: string;
  readonly kind: KindId;
  readonly school: string;
  readonly conventions: Partial<Conventions>;
  readonly settings: unknown;
  readonly lines: readonly Entry[];
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

const toVersion = (r: VersionRow): Version => ({
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
    conventions: r.conventions,
    entries: r.lines,
    cardNotes: r.cardNotes,
    ...settingsSchema.parse(r.settings),
  },
});

/** A formula that measures flour by the cup, to show a difference on; null where there is none. */
export const cupFormula = async (): Promise<string | null> =>
  (
    await query<{ id: string }>(
      `select f.id from formulas f join lateral (select name, kind, lines, conventions from formula_versions where formula_id = f.id order by number desc limit 1) v on true
        where exists (select 1 from jsonb_array_elements(v.lines) l where l->>'text' ~* ' cups? .*flour' and l->>'text' !~* '[0-9] *(g|oz)( |$|[)])') and not v.conventions ? 'flourFill'
        order by v.kind <> 'griddle', lower(v.name) limit 1`,
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

export const versionsOf = (formulaId: string): Promise<VersionSummary[]> =>
  query<VersionSummary & Record<string, unknown>>(
    'select number, based_on as "basedOn", change_note as "changeNote", saved_at as "savedAt" from formula_versions where formula_id = $1 order by number desc',
    [formulaId],
  );

export interface Save {
  /** Null makes a new formula. */
  readonly formulaId: string | null;
  /** The version that was open, and the newest there was when it was opened. */
  readonly basedOn: number | null;
  readonly knownNewest: number | null;
  readonly formula: Formula;
  readonly changeNote: string;
  /** For the demo kitchen, whose past lies behind us. */
  readonly savedAt?: Date;
}

/**
 * Saves a formula as a new version. Nothing is overwritten; two saves at the same moment wait for each other on the
 * formula's row.
 * @returns null when there is no such formula
 */
export async function saveVersion({ formulaId, basedOn, knownNewest, formula: f, changeNote, savedAt }: Save): Promise<Saved | null> {
  const house = await loadHouse();
  const { lines, analysis } = analyseFormula(f, house);
  const mains = mainsOf(lines);
  const { ways, portionMl, held, meant, ends } = f;
  return transaction(async (client) => {
    const owner = formulaId
      ? await client.query<{ id: string }>('select id from formulas where id = $1 for update', [formulaId])
      : await client.query<{ id: string }>('insert into formulas (created_at) values (coalesce($1, now())) returning id', [savedAt ?? null]);
    const id = owner.rows[0]?.id;
    if (!id) return null;
    const newest = await client.query<{ number: number; savedAt: Date }>(
      'select number, saved_at as "savedAt" from formula_versions where formula_id = $1 order by number desc limit 1',
      [id],
    );
    const last = newest.rows[0];
    const made = await client.query<{ id: string; number: number }>(
      `insert into formula_versions (formula_id, number, based_on, name, kind, school, conventions, lines, card_notes, change_note, main_flour, main_liquid, pour, worst, saved_at, settings)
       values ($1, $2, $3, $4, $5, $6, $7, $8, $9, $10, $11, $12, $13, $14, coalesce($15, now()), $16) returning id, number`,
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
        mains.flour,
        mains.liquid,
        analysis.thickness?.pour ?? null,
        loudest(f, house),
        savedAt ?? null,
        JSON.stringify({ ways, portionMl, held, meant, ends }),
      ],
    );
    const row = made.rows[0];
    if (!row) throw new Error('insert returned no row');
    const passedBy = last && last.number !== knownNewest ? last : null;
    return { formulaId: id, versionId: row.id, number: row.number, passedBy };
  });
}
