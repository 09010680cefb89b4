/** All the rules, in one list, and what they find. */
import { BALANCE_RULES } from './balance-rules';
import { CARD_RULES } from './card-rules';
import { type Evidence, type Finding, type Rule, SEVERITIES } from './finding';
import { PROCESS_RULES } from './process-rules';

export const RULES: readonly Rule[] = [...BALANCE_RULES, ...CARD_RULES, ...PROCESS_RULES];

const OPEN = 'lines-open';

/**
 * Runs every rule; worst first, and within a severity in the list's order. What is not read yet stands first among its
 * equals: the rest hangs on it.
 */
export function findingsOf(e: Evidence, rules: readonly Rule[] = RULES): readonly Finding[] {
  const found = rules.map((rule) => rule(e)).filter((f) => f !== null);
  const first = (f: Finding): number => (f.code === OPEN ? 0 : 1);
  return SEVERITIES.flatMap((s) => found.filter((f) => f.severity === s).sort((a, b) => first(a) - first(b)));
}
