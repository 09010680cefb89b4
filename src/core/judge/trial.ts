/**
 * A trial: two to four ways of one formula that differ in one thing, made side by side and tasted blind. The first is
 * the formula as it stands; each other is the same with a change.
 */

import { addAfter, takeOff } from '../balance/bench';
import { planOf } from '../batch/plan-of';
import { bareName, type SheetLine } from '../batch/sheet-line';
import { ONE } from '../batch/split';
import { type ActEdit, withEdit } from '../formula/act-edits';
import type { EndId, Formula } from '../formula/formula';
import type { Kitchen } from '../formula/kitchen-settings';
import { countedLines, notUnderstood } from '../formula/lines';
import type { Result } from '../result';
import { formulasDiffer } from './differs';
import { BOWLS, type BowlLetter, type Tasted, tastedInWords } from './taste';

/** What one way has otherwise. */
export type TrialChange =
  | { readonly do: 'same' }
  /** A line in other words: another amount, another thing. */
  | { readonly do: 'line'; readonly key: string; readonly text: string }
  | { readonly do: 'leave'; readonly key: string }
  | { readonly do: 'add'; readonly text: string }
  /** A way, a time or a heat of the making. */
  | { readonly do: 'edit'; readonly edit: ActEdit }
  | { readonly do: 'portion'; readonly ml: number }
  /** As another version of the formula has it. */
  | { readonly do: 'version'; readonly number: number };

export const LEAST_WAYS = 2;
export const MOST_WAYS = BOWLS.length;

interface TrialWay {
  readonly bowl: BowlLetter;
  readonly change: TrialChange;
}

/** A trial as it is planned. */
export interface TrialPlan {
  /** In the order they were planned; the letters of their bowls are drawn by lot. */
  readonly ways: readonly TrialWay[];
  /** Pieces of each way. */
  readonly pieces: number;
  readonly portionMl: number;
  /** Who mixes and so knows the letters; empty: nobody has said. */
  readonly maker: string;
}

/** A formula as one way has it; null: its line or its version is not there. @param versions by their number */
export function asTried(f: Formula, c: TrialChange, versions: ReadonlyMap<number, Formula>): Formula | null {
  const has = (key: string): boolean => f.entries.some((e) => e.key === key);
  switch (c.do) {
    case 'same':
      return f;
    case 'line': {
      const was = f.entries.find((e) => e.key === c.key);
      if (!was) return null;
      // what was settled about the old words does not hold for others
      const { key, vessel, moment, dressing, end, group } = was;
      const now = {
        key,
        text: c.text,
        ...(vessel && { vessel }),
        ...(moment && { moment }),
        ...(dressing && { dressing }),
        ...(end && { end }),
        ...(group && { group }),
      };
      return { ...f, entries: f.entries.map((e) => (e === was ? now : e)) };
    }
    case 'leave':
      return has(c.key) ? takeOff(f, c.key) : null;
    case 'add':
      return addAfter(f, null, c.text);
    case 'edit':
      return { ...f, edits: withEdit(f.edits, c.edit) };
    case 'portion':
      return { ...f, portionMl: c.ml };
    case 'version':
      return versions.get(c.number) ?? null;
  }
}

/** One way with its formula and what it has otherwise, in words, each one thing; none: as written. */
export interface TriedWay extends TrialWay {
  readonly formula: Formula;
  readonly moved: readonly string[];
}

/** The ways of a trial with what each has otherwise; a way whose line or version is gone is left out. */
export const triedOf = (
  f: Formula,
  plan: Pick<TrialPlan, 'ways'>,
  versions: ReadonlyMap<number, Formula>,
  house: Kitchen,
  end: EndId | null = null,
): readonly TriedWay[] =>
  plan.ways.flatMap((w) => {
    const formula = asTried(f, w.change, versions);
    return formula ? [{ ...w, formula, moved: formulasDiffer(f, formula, house, end) }] : [];
  });

/** What a way is called where its letter is open: "oil for butter, 60 g", "as written". */
export const wayInWords = (t: Pick<TriedWay, 'moved'>): string =>
  t.moved.length === 0 ? 'as written' : t.moved.join('; ');

/**
 * What is wrong with the ways of a trial, by the place of the way: nothing changed, the same as another, a line that is
 * not understood.
 */
export function wrongWays(
  f: Formula,
  changes: readonly TrialChange[],
  versions: ReadonlyMap<number, Formula>,
  house: Kitchen,
): Readonly<Record<number, string>> {
  const out: Record<number, string> = {};
  const made = changes.map((c) => asTried(f, c, versions));
  made.forEach((formula, n) => {
    if (!formula) out[n] = 'That line or version is not there any more.';
    else if (changes[n]?.do === 'same') {
      if (changes.findIndex((c) => c.do === 'same') !== n) out[n] = 'As written is one of the ways already.';
    } else {
      const [unread] = notUnderstood(countedLines(formula, house));
      const twin = made.findIndex((x, m) => m < n && x !== null && formulasDiffer(x, formula, house).length === 0);
      if (unread) out[n] = `“${unread.text.slice(0, 60)}” is not understood.`;
      else if (twin >= 0) out[n] = `That makes the same as way ${twin + 1}.`;
    }
  });
  return out;
}

/** More than one thing moved: nobody could tell which of them was tasted. Null: one thing did. */
export const tooMuchMoved = (t: Pick<TriedWay, 'moved'>): string | null =>
  t.moved.length > 1
    ? `${t.moved.length} things are otherwise here (${t.moved.join('; ')}): nobody can tell which of them is tasted.`
    : null;

/** The portion of one way, mL. */
export const portionOfWay = (plan: Pick<TrialPlan, 'portionMl'>, w: Pick<TrialWay, 'change'>): number =>
  w.change.do === 'portion' ? w.change.ml : plan.portionMl;

/** How many times the formula as written makes the pieces of one bowl. @returns why it can't be scaled */
export function timesWritten(
  f: Formula,
  { pieces, portionMl }: Pick<TrialPlan, 'pieces' | 'portionMl'>,
  house: Kitchen,
): Result<number, string> {
  const made = planOf({
    formula: f,
    house,
    end: f.ends?.[0].id ?? null,
    driver: { by: 'pieces', pieces, portionMl },
    split: ONE,
    eggs: null,
    exactness: 'exact',
    portionMl,
    sides: [],
  });
  if (!made.ok) return { ok: false, error: made.error.message };
  const { planned, ready } = made.value;
  return { ok: true, value: planned.massG / ready.before.tally.massG };
}

/** A line of the bowls beside each other. */
export interface BowlRow {
  readonly key: string;
  readonly name: string;
  /** g in each bowl, in the order of the bowls; null: it is not in that one, or has no grams. */
  readonly each: readonly (number | null)[];
  /** All bowls have the same of it: it can be weighed at once, g. Null: they differ. */
  readonly togetherG: number | null;
}

/** What a scale shows the same is the same, g. */
const SAME_G = 0.05;

/** The lines of all bowls, each once: what they share first, then what they differ in. */
export function bowlsBeside(sheets: readonly (readonly SheetLine[])[]): readonly BowlRow[] {
  const named = (l: SheetLine): string => `${l.key} ${bareName(l)}`;
  const first = new Map(sheets.flat().map((l) => [named(l), l]));
  const rows = [...first].flatMap(([name, l]): readonly BowlRow[] => {
    const each = sheets.map((s) => s.find((x) => named(x) === name)?.grams ?? null);
    if (each.every((g) => g === null)) return [];
    const [a] = each;
    const same = a != null && each.every((g) => g !== null && Math.abs(g - a) < SAME_G);
    return [{ key: name, name: bareName(l), each, togetherG: same ? a * sheets.length : null }];
  });
  return [...rows.filter((r) => r.togetherG !== null), ...rows.filter((r) => r.togetherG === null)];
}

/** Why a version came to be, as its note says it: what won, by how much, and how often chance does the same. */
export const reasonOf = (won: TriedWay, tasted: Tasted): string =>
  `Tried side by side: ${wayInWords(won)} was bowl ${won.bowl}. ${tastedInWords(tasted)}`;
