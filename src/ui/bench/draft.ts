/** Unsaved work, kept in this browser so that a reload or a closed lid loses nothing. */
import { EMPTY_FORMULA, type Formula } from '@/core/formula/formula';
import { settingsSince } from '@/core/formula/version';
import { draftOf, keepDraftOf } from '../kit/drafts';

export interface Draft {
  readonly formula: Formula;
  readonly basedOn: number | null;
  readonly knownNewest: number | null;
  readonly at: string;
  /** What changed, as it is typed; drafts from before it was kept have none. */
  readonly note?: string;
}

/** One draft for each version it was begun from, so that looking at an old version throws nothing away. */
export const draftName = (formulaId: string | null, basedOn: number | null): string =>
  `draft:${formulaId ?? 'new'}:${basedOn ?? 0}`;

async function readOne(formulaId: string | null, basedOn: number | null): Promise<Draft | null> {
  const draft = (await draftOf(draftName(formulaId, basedOn))) as Draft | null;
  // a draft of an older version of the app lacks what came since
  return draft && Array.isArray(draft.formula?.entries)
    ? { ...draft, formula: { ...EMPTY_FORMULA, ...(settingsSince(draft.formula) as Formula) } }
    : null;
}

/**
 * The draft begun from a version; on the newest version also one begun from an older, which somebody saved past.
 * @returns null when there is none or the browser keeps nothing
 */
export async function readDraft(
  formulaId: string | null,
  number: number | null,
  newest: number | null,
): Promise<Draft | null> {
  const own = await readOne(formulaId, number);
  if (own || number === null || number !== newest) return own;
  for (let n = number - 1; n > 0; n--) {
    const older = await readOne(formulaId, n);
    if (older) return older;
  }
  return null;
}

export const keepDraft = (formulaId: string | null, basedOn: number | null, draft: Draft | null): Promise<void> =>
  keepDraftOf(draftName(formulaId, basedOn), draft);
