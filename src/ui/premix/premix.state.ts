/** A premix as it stands in its form: numbers as typed, and the settings that come of them. */
import { piecesOf } from '@/core/batter/volume';
import type { Formula } from '@/core/formula/formula';
import { KINDS, type KindId, kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { pouredG } from '@/core/formula/tally';
import type { Shelf } from '@/core/pantry/stock';
import { limitsOf } from '@/core/premix/keeping';
import type { PremixSettings } from '@/core/premix/premix';
import { type WorkedPremix, workPremix } from '@/core/premix/work';
import { typedNumber } from '@/core/quantity/typed';

/** What stands in the form. */
export interface PremixDraft {
  readonly name: string;
  readonly settings: PremixSettings;
  readonly typed: PremixTyped;
}

interface PremixTyped {
  readonly bag: string;
  readonly density: string;
  readonly months: string;
  /** Money and minutes, as typed. */
  readonly costs: Readonly<Record<CostField, string>>;
  /** Bags of other sizes; left out: a draft from before there were any. */
  readonly sizes?: readonly SizeTyped[];
}
export type SizeTyped = Readonly<Record<SizeField, string>>;
export const SIZE_FIELDS = ['bagG', 'packaging', 'minutesABag', 'price'] as const;
export type SizeField = (typeof SIZE_FIELDS)[number];
export const EMPTY_SIZE: SizeTyped = { bagG: '', packaging: '', minutesABag: '', price: '' };

export const COST_FIELDS = ['packaging', 'minutesABag', 'hour', 'lossPct', 'price'] as const;
export type CostField = (typeof COST_FIELDS)[number];

const shown = (x: number | null): string => (x === null ? '' : String(x));
export const premixTyped = (s: PremixSettings): PremixTyped => ({
  bag: String(s.bagG),
  density: shown(s.densityGPerMl),
  months: shown(s.months),
  costs: Object.fromEntries(COST_FIELDS.map((f) => [f, shown(s[f])])) as Record<CostField, string>,
  sizes: s.sizes.map((x) => Object.fromEntries(SIZE_FIELDS.map((f) => [f, shown(x[f])])) as SizeTyped),
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
    sizes: typed.sizes
      ? typed.sizes.map((x) => ({
          bagG: typedNumber(x.bagG),
          packaging: optional(x.packaging),
          minutesABag: optional(x.minutesABag),
          price: optional(x.price),
        }))
      : settings.sizes,
  };
  const errors: Record<string, string> = {};
  if (Number.isNaN(now.bagG)) errors['settings.bagG'] = 'Write a number of grams.';
  if (Number.isNaN(now.densityGPerMl ?? 0)) errors['settings.densityGPerMl'] = 'Write a number.';
  if (Number.isNaN(now.months ?? 0)) errors['settings.months'] = 'Write a number of months.';
  for (const f of COST_FIELDS) if (Number.isNaN(now[f] ?? 0)) errors[`settings.${f}`] = 'Write a number.';
  for (const [n, x] of now.sizes.entries()) {
    for (const f of SIZE_FIELDS) if (Number.isNaN(x[f] ?? 0)) errors[`settings.sizes.${n}.${f}`] = 'Write a number.';
    if (x.bagG === now.bagG || now.sizes.findIndex((y) => y.bagG === x.bagG) < n)
      errors[`settings.sizes.${n}.bagG`] = 'Each size once.';
  }
  return { now, errors };
}

/** What comes of a premix as it stands in its form. */
export interface PremixAtHand {
  readonly worked: WorkedPremix;
  /** g in a bag; null: what is typed can't be. */
  readonly bagG: number | null;
  /** Pieces of the formula's own kind that a bag makes; null: that can't be told. */
  readonly perBag: number | null;
  /** mL of one of them. */
  readonly portionMl: number;
  /** Kinds and schools that it isn't sold as yet. */
  readonly others: readonly { readonly kind: KindId; readonly school: string; readonly label: string }[];
  /** What ends its keeping, the first first. */
  readonly limits: ReturnType<typeof limitsOf>;
}

const MOST_BAG_G = 25_000;
/** A density below this is still being typed, g per mL. */
const LEAST_DENSITY = 0.1;

/** @returns null where nothing of the formula goes into a bag */
export function premixAtHand(now: PremixSettings, formula: Formula, house: Kitchen, shelf: Shelf): PremixAtHand | null {
  const measured = now.densityGPerMl;
  const densityGPerMl = measured !== null && measured > LEAST_DENSITY ? measured : null;
  const worked = workPremix(formula, house, null, { ...now, densityGPerMl });
  if (!worked) return null;
  const bagG = now.bagG > 0 && now.bagG <= MOST_BAG_G ? now.bagG : null;
  const school = schoolOf(kindById(formula.kind), formula.school);
  const own = worked.products[0]?.analysis;
  const portionMl = formula.portionMl ?? usualPortionMl(school);
  const months = now.months !== null && now.months > 0 ? Math.floor(now.months) : null;
  return {
    worked,
    bagG,
    perBag:
      bagG && own?.volume && school.portionMl
        ? piecesOf((bagG * pouredG(own.tally)) / 100, own.volume.densityGPerMl, portionMl).pieces
        : null,
    portionMl,
    others: KINDS.flatMap((k) =>
      k.schools.map((s) => ({
        kind: k.id,
        school: s.id,
        label: k.schools.length > 1 ? `${k.pieces}, ${s.name}` : k.pieces,
      })),
    ).filter((o) => !worked.products.some((p) => p.product.kind === o.kind && p.product.school === o.school)),
    limits: limitsOf(worked.bag, shelf, house.today ?? '2000-01-01', months),
  };
}
