/**
 * How an opened baking powder weakens. A model of ours for comparing: full strength for three months, then a twentieth
 * of it lost each month, never under a fifth. A spoonful in hot water tells the truth: if it does not foam, it is done.
 */
const FRESH_MONTHS = 3;
const LOSS_PER_MONTH = 0.05;
const LEAST = 0.2;
const DAYS_PER_MONTH = 30.44;

const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** Whole days from one day to another, both yyyy-mm-dd; null when either is no date. */
function daysBetween(from: string, to: string): number | null {
  if (!DAY.test(from) || !DAY.test(to)) return null;
  const days = (Date.parse(`${to}T00:00:00Z`) - Date.parse(`${from}T00:00:00Z`)) / 86_400_000;
  return Number.isFinite(days) ? days : null;
}

/**
 * Gas an opened powder still gives, as a share of a fresh one's (0.2 to 1).
 * @param opened the day it was opened, @param today both yyyy-mm-dd; anything else, or a day to come, counts as fresh
 */
export function powderStrength(opened: string, today: string): number {
  const months = (daysBetween(opened, today) ?? 0) / DAYS_PER_MONTH;
  return Math.max(LEAST, Math.min(1, 1 - LOSS_PER_MONTH * (months - FRESH_MONTHS)));
}

/** Share of its gas under which an opened powder is worth a word, and worth a look. */
export const WEAK = [0.85, 0.6] as const;
