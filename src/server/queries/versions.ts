/** Versions of formulas: what of them is read, one, the newest of each, and all of one formula. */
import { z } from 'zod';
import { keptConventionsSchema, keptEntriesSchema, keptSettingsSchema } from '@/contract/stored';
import type { Batch } from '@/core/batch/batch';
import type { Entry } from '@/core/formula/formula';
import { KIND_IDS } from '@/core/formula/kinds';
import type { Version, VersionSummary } from '@/core/formula/version';
import { settingsSince } from '@/core/formula/version';
import type { Conventions } from '@/core/pantry/conventions';
import type { Unreadable } from '@/core/records/unreadable';
import { type JsonColumn, readStored } from '../db/json';

import { rowsFrom, signedBy } from '../db/rows';

export const versionRow = z.object({
  versionId: z.string(),
  formulaId: z.string(),
  number: z.number(),
  basedOn: z.number().nullable(),
  name: z.string(),
  kind: z.enum(KIND_IDS),
  school: z.string(),
  conventions: z.unknown(),
  settings: z.unknown(),
  lines: z.unknown(),
  cardNotes: z.string(),
  changeNote: z.string(),
  savedAt: z.date(),
  newest: z.number(),
});
type VersionRow = z.output<typeof versionRow>;

export const SELECT_VERSION = `
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
  upgrade: settingsSince,
  fresh: keptSettingsSchema.parse({}),
};

export function toVersion(r: VersionRow): Version {
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

/** One version of a formula: the newest where no number is asked. */
export async function version(formulaId: string, number: number | null): Promise<Version | null> {
  const rows = await rowsFrom(
    versionRow,
    `${SELECT_VERSION} where v.formula_id = $1 and ($2::int is null or v.number = $2) order by v.number desc limit 1`,
    [formulaId, number],
  );
  return rows[0] ? toVersion(rows[0]) : null;
}

export async function versionById(versionId: string): Promise<Version | null> {
  const rows = await rowsFrom(versionRow, `${SELECT_VERSION} where v.id = $1`, [versionId]);
  return rows[0] ? toVersion(rows[0]) : null;
}

/** The version a batch is made from; of a bowl of a trial, its formula as that bowl has it. */
export async function versionOfBatch({
  versionId,
  tried,
}: Pick<Batch, 'versionId' | 'tried'>): Promise<Version | null> {
  const v = await versionById(versionId);
  return v && tried ? { ...v, formula: tried } : v;
}

/** Versions of a formula that were made to the end, the newest first, at most so many. */
const MOST_MADE = 20;
export const versionsMade = async (formulaId: string): Promise<readonly Version[]> =>
  (
    await rowsFrom(
      versionRow,
      `${SELECT_VERSION} where v.formula_id = $1 and exists (select 1 from batches b where b.version_id = v.id and b.finished_at is not null and not b.put_away) order by v.number desc limit ${MOST_MADE}`,
      [formulaId],
    )
  ).map(toVersion);

/** Formulas that are looked through at once, those used lately. */
const LOOKED_THROUGH = 300;

/** The newest version of each formula, those used lately first. */
export const newestVersions = async (): Promise<readonly Version[]> =>
  (
    await rowsFrom(
      versionRow,
      `${SELECT_VERSION} join formulas f on f.id = v.formula_id and f.newest = v.number where f.archived_at is null and f.deleted_at is null order by f.used_at desc, f.id desc limit $1`,
      [LOOKED_THROUGH],
    )
  ).map(toVersion);

const VERSIONS_AT_ONCE = 100;

/** Versions of a formula, the newest first, a page at a time. @param below only those before this number */
export async function versionsOf(
  formulaId: string,
  below: number | null = null,
): Promise<{ readonly rows: readonly VersionSummary[]; readonly more: boolean }> {
  const rows = await rowsFrom(
    versionRow
      .pick({ number: true, basedOn: true, changeNote: true, savedAt: true })
      .extend({ by: z.string().nullable() }),
    `select number, based_on as "basedOn", change_note as "changeNote", saved_at as "savedAt", ${signedBy('v')} as by from formula_versions v
      where formula_id = $1 and ($2::int is null or number < $2) order by number desc limit $3`,
    [formulaId, below, VERSIONS_AT_ONCE + 1],
  );
  return { rows: rows.slice(0, VERSIONS_AT_ONCE), more: rows.length > VERSIONS_AT_ONCE };
}

const READ_AT_ONCE = 500;

/** What of all versions can't be read, a few hundred at a time. */
export async function versionsUnread(): Promise<readonly Unreadable[]> {
  const out: Unreadable[] = [];
  for (let after = '00000000-0000-0000-0000-000000000000'; ; ) {
    const rows = await rowsFrom(versionRow, `${SELECT_VERSION} where v.id > $1 order by v.id limit ${READ_AT_ONCE}`, [
      after,
    ]);
    out.push(...rows.flatMap((r) => toVersion(r).unreadable ?? []));
    const last = rows.at(-1);
    if (!last || rows.length < READ_AT_ONCE) return out;
    after = last.versionId;
  }
}
