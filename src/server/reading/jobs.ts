/** What is read on the reader's thread: pure functions of what was sent, whose values can be sent between threads. */
import { formulaSchema } from '@/contract/formula';
import type { OnHand, UsesUp } from '@/core/batch/on-hand';
import { takenTogether } from '@/core/batch/together';
import type { Format } from '@/core/exchange/formats';
import { formulaFrom, type Imported } from '@/core/exchange/import';
import type { OpenRecipe, Recipes, Unread } from '@/core/exchange/open-recipe';
import { readAs } from '@/core/exchange/read-file';
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { solveMorning } from '@/core/morning/solve';
import type { MorningAsked } from '@/core/morning/work';
import type { KitchenConventions } from '@/core/pantry/conventions';
import type { Result } from '@/core/result';
import { cardOut } from './card-out';

const JOBS = {
  /** A file of an open format: the recipes in it. */
  recipes: (format: Format, words: string): Recipes => readAs(format, words),
  /** A card's text: its lines, facts and acts. */
  card: (text: string, house: KitchenConventions) => cardOut(text, house),
  /** A morning as programs send it: solved, with its ways out. */
  morning: (asked: MorningAsked) => solveMorning(asked),
  /** The same for its schedule alone. */
  place: (asked: MorningAsked) => solveMorning(asked, false),
  /** Formulas bent to use up more of what is on hand together. */
  together: (found: readonly UsesUp<{ readonly formula: Formula }>[], things: readonly OnHand[], house: Kitchen) => ({
    ok: true as const,
    value: found.map((u) => takenTogether(u, things, house)),
  }),
  /** A recipe as a formula; one of ours that it carries whole is checked first. */
  formula: (r: OpenRecipe, house: Kitchen): Result<Imported, Unread> => {
    const own = r.formula === undefined ? null : formulaSchema.safeParse(r.formula);
    return formulaFrom(r, house, own?.success ? (own.data as Formula) : null);
  },
};
export type Jobs = typeof JOBS;
export type JobName = keyof Jobs;

/** A job as it is sent to the thread, and its answer. */
export interface Job {
  readonly name: JobName;
  readonly args: readonly unknown[];
}
/** `threw`: a bug of ours, told with its stack. */
export type JobDone = { readonly value: unknown } | { readonly threw: string };

export function doJob({ name, args }: Job): JobDone {
  try {
    return { value: (JOBS[name] as (...a: readonly unknown[]) => unknown)(...args) };
  } catch (e) {
    return { threw: e instanceof Error ? (e.stack ?? e.message) : String(e) };
  }
}
