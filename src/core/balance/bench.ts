/**
 * What stands on the Bench: a formula, the house it is read in, and which end of it is looked at. A proposal is a
 * changed formula beside the one that stands, with its reason: every tool of the Bench makes one, and the cook takes or
 * refuses it.
 */
import { analyseFormula, type Worked } from '../analyse-formula';
import { type Finest, rewriteAmount } from '../card/rewrite';
import type { ToldPortion } from '../card/told/portion';
import { type EndId, type Entry, type Formula, type FormulaLine, kitchenOf, nextKey } from '../formula/formula';
import type { Kitchen } from '../formula/kitchen-settings';
import type { KitchenConventions } from '../pantry/conventions';

export interface Bench {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly end: EndId | null;
  /** The portion that its card tells, where findings are shown. */
  readonly toldPortionMl?: ToldPortion | null;
}

export interface Proposal {
  readonly title: string;
  /** Why, and what it comes to, in a sentence or two. */
  readonly why: string;
  readonly formula: Formula;
  /** What could not be reached, and the nearest that can; null when all of it is. */
  readonly short: string | null;
}

export const workedOn = (b: Bench): Worked => analyseFormula(b.formula, b.house, b.end, b.toldPortionMl ?? null);

export const conventionsOn = (b: Bench): KitchenConventions => kitchenOf(b.formula, b.house).conventions;

export const withFormula = (b: Bench, formula: Formula): Bench => ({ ...b, formula });

export const withEntries = (f: Formula, entries: readonly Entry[]): Formula => ({ ...f, entries });

export const editEntry = (f: Formula, key: string, edit: Partial<Omit<Entry, 'key'>>): Formula =>
  withEntries(
    f,
    f.entries.map((e) => (e.key === key ? { ...e, ...edit } : e)),
  );

export const takeOff = (f: Formula, key: string): Formula =>
  withEntries(
    f,
    f.entries.filter((e) => e.key !== key),
  );

/** Adds a line after another (or at the end); in the same end as that one. */
export function addAfter(
  f: Formula,
  key: string | null,
  text: string,
  more: Partial<Omit<Entry, 'key' | 'text'>> = {},
): Formula {
  const at = key === null ? f.entries.length : f.entries.findIndex((e) => e.key === key) + 1;
  const made: Entry = { key: nextKey(f.entries), text, ...more };
  return withEntries(f, [...f.entries.slice(0, at), made, ...f.entries.slice(at)]);
}

/** Below this a line is as good as gone, and is switched off instead of written as nothing. */
const GONE_G = 0.05;

/** The text of an entry with other grams; what was settled about the old amount is dropped. */
function retold(e: Entry, line: FormulaLine, grams: number, c: KitchenConventions, finest: Finest): Entry {
  const { stands: _, ...rest } = e;
  if (grams < GONE_G) return { ...rest, off: true };
  const text = rewriteAmount(line, grams, c, e, finest);
  return text === e.text ? e : { ...rest, text };
}

/**
 * The formula with other grams on some lines.
 * @param grams by key; lines not named stay as they are
 */
export function withGrams(
  b: Bench,
  lines: readonly FormulaLine[],
  grams: ReadonlyMap<string, number>,
  finest: Finest = 0.1,
): Formula {
  const c = conventionsOn(b);
  const byKey = new Map(lines.map((l) => [l.key, l]));
  return withEntries(
    b.formula,
    b.formula.entries.map((e) => {
      const g = grams.get(e.key);
      const line = byKey.get(e.key);
      return g === undefined || !line || line.grams === null || line.drainedG > 0 ? e : retold(e, line, g, c, finest);
    }),
  );
}
