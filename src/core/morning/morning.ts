/**
 * A morning: who comes when, what is made for them, by whom and on what. Times are minutes from the midnight with which
 * its day begins; pieces and covers are counted.
 */
import type { KindId } from '../formula/kinds';
import type { Allergen } from '../pantry/ingredient';
import { type Dating, sayTime } from '../quantity/day';

/** So many covers at one time. */
export interface Wave {
  readonly at: number;
  readonly covers: number;
}

export const ROLES = ['lead', 'cook', 'helper', 'child'] as const;
export type MorningRole = (typeof ROLES)[number];

/** Of a class: whose bench it is, by its name; none: everybody's. */
interface AtABench {
  readonly bench?: string | null | undefined;
}

export interface Person extends AtABench {
  readonly name: string;
  readonly role: MorningRole;
  readonly from: number;
  readonly to: number;
}

export const SURFACE_KINDS = ['griddle', 'iron', 'pan', 'oven'] as const;
export type SurfaceKind = (typeof SURFACE_KINDS)[number];

/** What pieces lie on. */
export interface MorningSurface extends AtABench {
  readonly name: string;
  readonly kind: SurfaceKind;
  /** Pieces at once. */
  readonly places: number;
  /** What is made on it, where that is less than its kind takes: balls in a ball pan alone; none: all of that. */
  readonly kinds?: readonly KindId[];
  /** From when to when it is there; null: all morning. */
  readonly from: number | null;
  readonly to: number | null;
}

/** Pans that an oven takes where nobody says. Ours. */
const PANS_IN_AN_OVEN = 1;

/** What a kind of piece can be made on, the best first. */
export const SURFACES_FOR: Readonly<Record<KindId, readonly SurfaceKind[]>> = {
  griddle: ['griddle', 'pan'],
  small: ['griddle', 'pan'],
  foam: ['griddle', 'pan'],
  ball: ['pan'],
  crepe: ['pan', 'griddle'],
  waffle: ['iron'],
  oven: ['oven'],
};

/** Whether pieces of a kind can be made on a surface. */
export const takesKind = (s: Pick<MorningSurface, 'kind' | 'kinds'>, kind: KindId): boolean =>
  SURFACES_FOR[kind].includes(s.kind) && (s.kinds?.includes(kind) ?? true);

/** Plates of one thing, as they are asked for. */
export interface Dish extends AtABench {
  readonly id: string;
  readonly name: string;
  readonly kind: KindId;
  /** Pieces on a plate. */
  readonly each: number;
  /** Of all covers, 0 to 1; or so many plates in all. */
  readonly of: { readonly share: number } | { readonly count: number };
  /** It has to be without these. */
  readonly without: readonly Allergen[];
}

/** A step as the cook wants it: at a time, by somebody, or both. */
export interface Pin {
  /** The step's id. */
  readonly step: string;
  /** As it is called, for when it is not of the plan any more. */
  readonly name: string;
  /** When it begins; null: as late as what follows it lets it. */
  readonly from: number | null;
  /** Whose it is; null: anybody's. */
  readonly by: string | null;
}

export interface Morning {
  readonly waves: readonly Wave[];
  readonly dishes: readonly Dish[];
  readonly people: readonly Person[];
  readonly surfaces: readonly MorningSurface[];
  /** Ovens in all: those that stand among the surfaces too. */
  readonly ovens: number;
  /** Pans that the hob takes at once. */
  readonly hob: number;
  /** When all has to be over; null: nobody rings. */
  readonly bell: number | null;
  /** Steps that stand where the cook has put them. */
  readonly pins?: readonly Pin[] | undefined;
}

/** Every oven by its name, with the pieces it takes: those among the surfaces, and the rest, of one pan each. */
export function ovensOf(m: Pick<Morning, 'surfaces' | 'ovens'>): readonly Pick<MorningSurface, 'name' | 'places'>[] {
  const named = m.surfaces.filter((s) => s.kind === 'oven').map(({ name, places }) => ({ name, places }));
  const more = Math.max(0, m.ovens - named.length);
  return [
    ...named,
    ...Array.from({ length: more }, (_, n) => ({ name: `oven ${named.length + n + 1}`, places: PANS_IN_AN_OVEN })),
  ];
}

/** Whole numbers that sum to `total`, as near to the shares as whole numbers come; the first of two equal ones gains. */
export function apportioned(total: number, shares: readonly number[]): readonly number[] {
  const sum = shares.reduce((a, s) => a + s, 0);
  if (sum <= 0) return shares.map(() => 0);
  const exact = shares.map((s) => (total * s) / sum);
  const whole = exact.map(Math.floor);
  let left = total - whole.reduce((a, n) => a + n, 0);
  const order = exact.map((x, n) => ({ n, rest: x - Math.floor(x) })).sort((a, b) => b.rest - a.rest || a.n - b.n);
  for (const { n } of order) {
    if (left <= 0) break;
    whole[n] = (whole[n] ?? 0) + 1;
    left--;
  }
  return whole;
}

/** Plates that are wanted: by dish, in the order of the dishes, of each wave. Shares of a wave sum to its covers. */
export function platesWanted(m: Pick<Morning, 'waves' | 'dishes'>): readonly (readonly number[])[] {
  const shared = m.dishes.map((d) => ('share' in d.of ? d.of.share : 0));
  const byWave = m.waves.map((w) => {
    const all = shared.reduce((a, s) => a + s, 0);
    // shares that leave some covers without are as they are asked
    return apportioned(Math.round(w.covers * Math.min(1, all)), shared);
  });
  return m.dishes.map((d, n) =>
    'count' in d.of
      ? apportioned(
          d.of.count,
          m.waves.map((w) => w.covers),
        )
      : byWave.map((b) => b[n] ?? 0),
  );
}

/** "07:28", also past midnight; "7:28 am" where the house has it so. */
export const clockOf = (min: number, clock: Dating['clock'] = '24'): string =>
  sayTime(Math.round(min) * 60_000, { clock, zone: 'UTC' });
