/**
 * Everything the Bench shows of a formula: its numbers and what is found of them. Well under a millisecond: it is
 * called at every keystroke.
 */
import type { Finding } from './findings/finding';
import { findingsOf } from './findings/findings';
import type { KindId } from './formula/kinds';
import { type AnalysableLine, type Circumstances, type Numbers, numbersOf } from './numbers';

export interface Analysis extends Numbers {
  readonly findings: readonly Finding[];
}

/** Analyses a formula. Parameters as of `numbersOf`. */
export function analyse(
  lines: readonly AnalysableLine[],
  kindId: KindId | null,
  schoolId: string | null = null,
  at: Circumstances = {},
): Analysis {
  const numbers = numbersOf(lines, kindId, schoolId, at);
  // added to, not spread anew
  return Object.assign(numbers, { findings: findingsOf({ lines, ...numbers }) });
}
