/**
 * A lot as it is weighed, blend by blend, in the records: what is put right stands beside what it was. Which blend each
 * numbered bag was filled from, and which bags a sack's code leads to. Grams.
 */
import type { Lot, LotItem, RecalledBags, Sack } from './premix';
import { codesIn, hasCode } from './recall';
import type { Fill } from './weigh';

/** One thing on the scale, once, as it was noted. */
export interface LotWeighing {
  readonly id: string;
  /** Of the weighing on the blend sheet. */
  readonly key: string;
  /** From 1. */
  readonly blend: number;
  readonly ingredientId: string;
  readonly name: string;
  readonly targetG: number;
  readonly toleranceG: number;
  /** Of each sack that it came out of, one after the other. */
  readonly sacks: readonly Sack[];
  /** The scale's name; empty: none is noted. */
  readonly scale: string;
  /** Who signed for it; null: nobody. */
  readonly by: string | null;
  readonly at: Date;
  /** The weighing that this one puts right, and why. */
  readonly replaces: string | null;
  readonly why: string;
}

/** A lot that is being weighed in, or was. */
export interface LotWork {
  readonly id: string;
  readonly premixId: string;
  readonly fills: readonly Fill[];
  /** yyyy-mm-dd. */
  readonly made: string;
  /** Equal ones. */
  readonly blends: number;
  /** The order in which they were emptied into the bags; empty: the first first. */
  readonly emptied: readonly number[];
  /** Every weighing, what was put right later too, in the order they were noted. */
  readonly weighings: readonly LotWeighing[];
}

const sum = (xs: readonly number[]): number => xs.reduce((a, x) => a + x, 0);
export const weighedG = (w: Pick<LotWeighing, 'sacks'>): number => sum(w.sacks.map((s) => s.grams));

/** Those that stand: nothing has put them right since. */
export const standingWeighings = (all: readonly LotWeighing[]): readonly LotWeighing[] =>
  all.filter((w) => !all.some((x) => x.replaces === w.id));

interface BlendItem {
  readonly ingredientId: string;
  readonly name: string;
  readonly grams: number;
  readonly targetG: number;
  readonly toleranceG: number;
  /** Its weighings that stand, in order. */
  readonly weighings: readonly LotWeighing[];
}

interface WeighedBlend {
  readonly blend: number;
  readonly grams: number;
  readonly items: readonly BlendItem[];
}

/** What is in each blend, the first first; a thing that was weighed in parts once. */
export function blendsWeighed(all: readonly LotWeighing[]): readonly WeighedBlend[] {
  const stand = standingWeighings(all);
  const numbers = [...new Set(stand.map((w) => w.blend))].sort((a, b) => a - b);
  return numbers.map((blend) => {
    const own = stand.filter((w) => w.blend === blend);
    const items = [...new Set(own.map((w) => w.ingredientId))].map((ingredientId): BlendItem => {
      const weighings = own.filter((w) => w.ingredientId === ingredientId);
      return {
        ingredientId,
        name: weighings[0]?.name ?? ingredientId,
        grams: sum(weighings.map(weighedG)),
        targetG: sum(weighings.map((w) => w.targetG)),
        toleranceG: sum(weighings.map((w) => w.toleranceG)),
        weighings,
      };
    });
    return { blend, grams: sum(items.map((i) => i.grams)), items };
  });
}

/** Whether an order names each of so many blends once. */
export const isOrder = (order: readonly number[], blends: number): boolean =>
  order.length === blends && new Set(order).size === blends && order.every((b) => b >= 1 && b <= blends);

/** What each thing is of a blend, and was meant to be, percent of all that is in it or was meant. */
export function sharesOf(
  b: WeighedBlend,
): readonly { readonly name: string; readonly pct: number; readonly meantPct: number }[] {
  const meantG = sum(b.items.map((i) => i.targetG));
  return b.items.map((i) => ({
    name: i.name,
    pct: b.grams > 0 ? (100 * i.grams) / b.grams : 0,
    meantPct: meantG > 0 ? (100 * i.targetG) / meantG : 0,
  }));
}

/** A bag of a lot, by the number that stands on it. */
export interface NumberedBag {
  readonly number: number;
  readonly bagG: number;
  /** Blends it was filled from; two where one ended in it; none: nobody noted any. */
  readonly blends: readonly number[];
}

/** Less than this share of a bag is what stuck to the scoop, and no second blend. */
const SCOOP_SHARE = 0.02;

/**
 * Bags of every size of a lot, as they are filled one after the other, each of the equal blends emptied before the next
 * is opened; what the sieve and the drum kept is shared out evenly. A lot from before bags had numbers has none.
 * @param work null: nobody noted its blends
 */
export function bagsOfLot(
  sizes: readonly Pick<Lot, 'bagG' | 'bags' | 'firstBag'>[],
  work: Pick<LotWork, 'blends' | 'emptied'> | null,
): readonly NumberedBag[] {
  const blends = work?.blends ?? 0;
  const fills = sizes
    .flatMap((l) => (l.firstBag ? [{ bagG: l.bagG, bags: l.bags, first: l.firstBag }] : []))
    .sort((a, b) => a.first - b.first);
  const eachG = sum(fills.map((f) => f.bags * f.bagG)) / Math.max(1, blends);
  const numbers = Array.from({ length: blends }, (_, n) => n + 1);
  /** A blend's place in the order of emptying, from 0. */
  const placeOf = (b: number): number => (work && isOrder(work.emptied, blends) ? work.emptied.indexOf(b) : b - 1);
  let at = 0;
  return fills.flatMap(({ bagG, bags, first }) =>
    Array.from({ length: bags }, (_, n): NumberedBag => {
      const [from, to] = [at, at + bagG];
      at = to;
      const shared = (b: number): number => Math.min((placeOf(b) + 1) * eachG, to) - Math.max(placeOf(b) * eachG, from);
      return { number: first + n, bagG, blends: numbers.filter((b) => shared(b) > SCOOP_SHARE * bagG) };
    }),
  );
}

/** Bags that have mix of a blend in them. */
const bagsOfBlend = (bags: readonly NumberedBag[], blend: number): readonly number[] =>
  bags.filter((b) => b.blends.includes(blend)).map((b) => b.number);

interface OffInBlend {
  readonly blend: number;
  readonly name: string;
  readonly grams: number;
  readonly targetG: number;
  readonly bags: readonly number[];
}

/** What is further off in a blend than it may be, and the bags that have it. */
export const offInBlends = (all: readonly LotWeighing[], bags: readonly NumberedBag[]): readonly OffInBlend[] =>
  blendsWeighed(all).flatMap((b) =>
    b.items
      .filter((i) => Math.abs(i.grams - i.targetG) > i.toleranceG + 1e-9)
      .map(({ name, grams, targetG }) => ({ blend: b.blend, name, grams, targetG, bags: bagsOfBlend(bags, b.blend) })),
  );

/**
 * The bags of a lot that a sack's code leads to. A blend is mixed, so all of it holds what went in; a bag may hold it
 * where one of its two blends does, or where nobody noted the sack of that thing.
 * @param contents of the lot, where the code is noted for the whole of it @returns null: no bag of it has a number
 */
export function recalledBags(
  code: string,
  contents: readonly LotItem[],
  all: readonly LotWeighing[],
  bags: readonly NumberedBag[],
): RecalledBags | null {
  if (bags.length === 0) return null;
  const things = contents.filter((c) => hasCode(c.lot, code));
  const stand = standingWeighings(all);
  // noted for the whole lot, and of one sack: all of it
  if (things.some((c) => codesIn(c.lot).length === 1 && !stand.some((w) => w.ingredientId === c.id)))
    return { is: bags.map((b) => b.number), may: [] };
  const has = new Set(stand.filter((w) => w.sacks.some((s) => hasCode(s.lot, code))).map((w) => w.blend));
  // of a thing whose sack nobody noted in a blend, that blend may be of each
  const isOpen = (blend: number): boolean =>
    things.some((c) => {
      const own = stand.filter((w) => w.blend === blend && w.ingredientId === c.id);
      return own.length === 0 || own.some((w) => w.sacks.some((s) => s.lot.trim() === ''));
    });
  const is = bags.filter((b) => b.blends.length > 0 && b.blends.every((n) => has.has(n)));
  const may = bags.filter(
    (b) => !is.includes(b) && (b.blends.length === 0 || b.blends.some((n) => has.has(n) || isOpen(n))),
  );
  return { is: is.map((b) => b.number), may: may.map((b) => b.number) };
}

/** "261125-2/7", "261125-2 bag 7": a lot and a bag of it; null: it names no bag. */
export function bagAsked(text: string): { readonly lot: string; readonly bag: number } | null {
  const m = /^(.+?)\s*(?:\/|#|,?\s*\bbag\b\s*(?:no\.?|number)?)\s*(\d{1,4})$/i.exec(text.trim());
  return m?.[1] && m[2] ? { lot: m[1].trim(), bag: Number(m[2]) } : null;
}

const MOST_NUMBERS = 500;
/** Bag numbers as they are typed: "3, 7-9". @returns null where they can't be read */
export function readNumbers(text: string): readonly number[] | null {
  const out = new Set<number>();
  for (const bit of text.split(/[,;]/).filter((x) => x.trim() !== '')) {
    const m = /^(\d{1,4})(?:\s*(?:-|–|to)\s*(\d{1,4}))?$/i.exec(bit.trim());
    if (!m) return null;
    const [from, to] = [Number(m[1]), Number(m[2] ?? m[1])];
    if (to < from || to - from > MOST_NUMBERS) return null;
    for (let n = from; n <= to; n++) out.add(n);
  }
  return [...out].sort((a, b) => a - b);
}
