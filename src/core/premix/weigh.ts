/**
 * A lot weighed in, one blend after the other: what is put on the scale when, and what has gone in of which sack.
 * Grams.
 */
import type { TallyPart } from '../formula/tally';
import { type Gear, type Scale, scalesOf } from '../pantry/gear';
import type { Ingredient } from '../pantry/ingredient';
import { toleranceG } from '../prep/tolerance';
import type { Bag } from './bag';
import { type Blends, blendsFor } from './blend';
import type { Sack } from './premix';

/** One thing on the scale, once. */
export interface BlendWeighing {
  /** The same for the same amounts in the same blends. */
  readonly key: string;
  /** Which blend, and which step of its folding; from 1. */
  readonly blend: number;
  readonly step: number;
  readonly ingredient: Ingredient;
  readonly targetG: number;
  readonly toleranceG: number;
  readonly scale: Scale | null;
}

/** Every weighing of every blend in the order of the sheet; what a scale can't carry at once comes in parts. */
export function weighingsOf(b: Pick<Blends, 'count' | 'steps'>): readonly BlendWeighing[] {
  return Array.from({ length: b.count }, (_, n) => n + 1).flatMap((blend) =>
    b.steps.flatMap((s, k) =>
      s.weighings.flatMap((w) =>
        Array.from({ length: w.times }, (_, t) => ({
          key: `${blend}.${k + 1}.${w.ingredient.id}.${t + 1}`,
          blend,
          step: k + 1,
          ingredient: w.ingredient,
          targetG: w.eachG,
          toleranceG: toleranceG(w.ingredient, w.eachG, w.scale?.stepG ?? 0),
          scale: w.scale,
        })),
      ),
    ),
  );
}

/**
 * A lot's blends and every weighing of them on this house's scales and bowls.
 * @param lotG of the whole lot @param begun blends that it was begun in; null: not yet
 */
export function blendSheet(
  mix: { readonly bag: Pick<Bag, 'items'>; readonly densityGPerMl: number },
  lotG: number,
  house: { readonly gear: readonly Gear[] },
  begun: number | null,
): Blends & { readonly list: readonly BlendWeighing[] } {
  const vessels = house.gear.filter((g) => g.sort === 'bowl' || g.sort === 'drum');
  const blends = blendsFor(mix.bag, lotG, mix.densityGPerMl, vessels, scalesOf(house.gear), begun);
  return { ...blends, list: weighingsOf(blends) };
}

export interface PutIn {
  readonly ingredient: Ingredient;
  /** In all. */
  readonly grams: number;
  /** By sack, in the order they were opened; what nobody noted a lot of stands under an empty one. */
  readonly sacks: readonly Sack[];
}

/** Sacks of one thing added up, each lot once. */
export function addSacks(sacks: readonly Sack[]): readonly Sack[] {
  const by = new Map<string, Sack>();
  for (const s of sacks) {
    const lot = s.lot.trim();
    const at = lot.toLowerCase();
    const had = by.get(at);
    by.set(at, { lot: had?.lot ?? lot, grams: (had?.grams ?? 0) + s.grams });
  }
  return [...by.values()].filter((s) => s.grams > 0);
}

/** A weighing that was noted: of what, how much was asked, and what came out of each sack. */
interface NotedWeighing {
  /** Of the weighing on the blend sheet. */
  readonly key: string;
  readonly ingredientId: string;
  readonly targetG: number;
  readonly sacks: readonly Sack[];
}

/**
 * What went in of each thing: as it was weighed, and where it is not weighed yet, as it is planned, out of a sack that
 * nobody noted.
 * @param planned for the whole lot @param list every weighing of its blends @param noted those that stand
 */
export function putIn(
  planned: readonly TallyPart[],
  list: readonly BlendWeighing[],
  noted: readonly NotedWeighing[],
): readonly PutIn[] {
  const keys = new Set(noted.map((w) => w.key));
  return planned.map((p) => {
    const own = noted.filter((w) => w.ingredientId === p.ingredient.id);
    if (own.length === 0) return { ingredient: p.ingredient, grams: p.grams, sacks: [] };
    const asked = list.filter((w) => w.ingredient.id === p.ingredient.id);
    // a sheet that was drawn anew since, for other scales, parts the same plan otherwise
    const isOnSheet = own.every((w) => asked.some((x) => x.key === w.key));
    const rest = isOnSheet
      ? asked.filter((w) => !keys.has(w.key)).reduce((a, w) => a + w.targetG, 0)
      : Math.max(0, p.grams - own.reduce((a, w) => a + w.targetG, 0));
    const sacks = addSacks([...own.flatMap((w) => w.sacks), ...(rest > 0 ? [{ lot: '', grams: rest }] : [])]);
    return { ingredient: p.ingredient, grams: sacks.reduce((a, s) => a + s.grams, 0), sacks };
  });
}

/**
 * Sacks as they are typed: where all but one have their grams, that one has the rest.
 * @param plannedG of the thing, for the whole lot @returns null where it can't be told how much is of which
 */
export function readSacks(
  plannedG: number,
  typed: readonly { readonly lot: string; readonly grams: number | null }[],
): readonly Sack[] | null {
  const open = typed.filter((t) => t.grams === null);
  const said = typed.reduce((a, t) => a + (t.grams ?? 0), 0);
  if (open.length > 1) return null;
  if (open.length === 1 && !(plannedG - said > 0)) return null;
  return addSacks(typed.map((t) => ({ lot: t.lot, grams: t.grams ?? plannedG - said })));
}

/** Bags of one size, as a lot is filled. */
export interface Fill {
  readonly bagG: number;
  readonly bags: number;
}

/**
 * What so much mix fills: the bags of other sizes that are asked for, and of the first size as many whole ones as the
 * rest makes.
 * @param mixG in all @param others asked for in number
 */
export function fillsOf(
  mixG: number,
  firstG: number,
  others: readonly Fill[],
): { readonly fills: readonly Fill[]; readonly overG: number } {
  const rest = mixG - others.reduce((a, f) => a + f.bags * f.bagG, 0);
  const bags = Math.max(0, Math.floor(rest / firstG + 1e-9));
  return { fills: [...(bags > 0 ? [{ bagG: firstG, bags }] : []), ...others], overG: rest - bags * firstG };
}

export const massOfFills = (fills: readonly Fill[]): number => fills.reduce((a, f) => a + f.bags * f.bagG, 0);
