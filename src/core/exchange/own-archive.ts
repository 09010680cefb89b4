/** The formulas of a whole kitchen that left as one file; and files of any format that come together in a zip. */

import { type OpenRecipe, type Recipes, unread } from './open-recipe';
import { type Files, unpacked } from './zip';

const MOST = { bytes: 200_000_000, files: 300 };

type Row = Readonly<Record<string, unknown>>;

function rowsOf(files: Files, name: string): readonly Row[] | null {
  const bytes = files[name];
  if (!bytes) return null;
  try {
    const of: unknown = JSON.parse(new TextDecoder().decode(bytes));
    return Array.isArray(of) ? (of as readonly Row[]) : null;
  } catch {
    return null;
  }
}

/** The newest version of each formula that was not deleted, whole. */
function formulasIn(files: Files): readonly OpenRecipe[] | null {
  const [versions, formulas] = [rowsOf(files, 'tables/formula_versions.json'), rowsOf(files, 'tables/formulas.json')];
  if (!versions || !formulas) return null;
  const gone = new Set(formulas.flatMap((f) => (typeof f.deleted_at === 'string' ? [f.id] : [])));
  const newest = new Map<unknown, Row>();
  for (const v of versions)
    if (!gone.has(v.formula_id) && Number(v.number) > Number(newest.get(v.formula_id)?.number ?? 0))
      newest.set(v.formula_id, v);
  return [...newest.values()].map((v): OpenRecipe => {
    const entries = Array.isArray(v.lines) ? (v.lines as readonly Row[]) : [];
    const settings = typeof v.settings === 'object' && v.settings !== null ? v.settings : {};
    return {
      name: typeof v.name === 'string' ? v.name : null,
      card: [v.name, '', ...entries.map((e) => e.text)].join('\n'),
      lines: [],
      method: [],
      remarks: [],
      nutrition: null,
      formula: {
        ...settings,
        name: v.name,
        kind: v.kind,
        school: v.school,
        conventions: v.conventions ?? {},
        entries,
        cardNotes: v.card_notes ?? '',
      },
    };
  });
}

/** @param readOne how a file that is in it is read */
export function readZip(bytes: Uint8Array, readOne: (name: string, bytes: Uint8Array) => Recipes): Recipes {
  const files = unpacked(bytes, MOST);
  if (!files.ok) return unread(files.error);
  const own = formulasIn(files.value);
  if (own) return own.length > 0 ? { ok: true, value: own } : unread('There is no formula in this kitchen.');
  const found = Object.entries(files.value)
    // folders, and what a system puts beside its files
    .filter(([name, of]) => of.length > 0 && !/(?:^|\/)(?:__MACOSX|\.)/.test(name))
    .flatMap(([name, of]) => {
      const read = readOne(name.replace(/^.*\//, ''), of);
      return read.ok ? read.value : [];
    });
  return found.length > 0 ? { ok: true, value: found } : unread('There is no recipe in any file of this zip.');
}
