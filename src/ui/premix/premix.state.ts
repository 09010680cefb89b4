/** A premix as it stands in its form: numbers as typed, and the settings that come of them. */
import type { PremixSettings } from '@/core/premix/premix';
import { typedNumber } from '@/core/quantity/typed';

interface PremixTyped {
  readonly bag: string;
  readonly density: string;
  readonly months: string;
  /** Money and minutes, as typed. */
  readonly costs: Readonly<Record<CostField, string>>;
}

export const COST_FIELDS = ['packaging', 'minutesABag', 'hour', 'lossPct', 'price'] as const;
export type CostField = (typeof COST_FIELDS)[number];

const shown = (x: number | null): string => (x === null ? '' : String(x));
export const premixTyped = (s: PremixSettings): PremixTyped => ({
  bag: String(s.bagG),
  density: shown(s.densityGPerMl),
  months: shown(s.months),
  costs: Object.fromEntries(COST_FIELDS.map((f) => [f, shown(s[f])])) as Record<CostField, string>,
});

const optional = (text: string): number | null => (text.trim() === '' ? null : typedNumber(text, 'g/ml'));

/** The settings as typed; what is no number is told by its field. */
export function premixToSend(
  settings: PremixSettings,
  typed: PremixTyped,
): { readonly now: PremixSettings; readonly errors: Readonly<Record<string, string>> } {
  const now: PremixSettings = {
    ...settings,
    bagG: typedNumber(typed.bag),
    densityGPerMl: optional(typed.density),
    months: optional(typed.months),
    ...(Object.fromEntries(COST_FIELDS.map((f) => [f, optional(typed.costs[f])])) as Record<CostField, number | null>),
  };
  const errors: Record<string, string> = {};
  if (Number.isNaN(now.bagG)) errors['settings.bagG'] = 'Write a number of grams.';
  if (Number.isNaN(now.densityGPerMl ?? 0)) errors['settings.densityGPerMl'] = 'Write a number.';
  if (Number.isNaN(now.months ?? 0)) errors['settings.months'] = 'Write a number of months.';
  for (const f of COST_FIELDS) if (Number.isNaN(now[f] ?? 0)) errors[`settings.${f}`] = 'Write a number.';
  return { now, errors };
}
