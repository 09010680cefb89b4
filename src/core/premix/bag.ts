/**
 * The dry side of a formula as a bag: what goes into it, what is added at the bench, and the water that powders ask
 * back. Grams per one formula throughout; shares of the bag are from 0 to 1.
 */
import { isShellEgg } from '../formula/eggs';
import type { FormulaLine } from '../formula/formula';
import type { TallyPart } from '../formula/tally';
import { US_CUP_ML } from '../pantry/fill';
import type { Category, Ingredient } from '../pantry/ingredient';
import { ingredient } from '../pantry/pantry';

export const MILK_POWDERS = ['whole', 'skim'] as const;

/** Which wet things go into the bag as powder. */
export interface Powders {
  readonly milk: boolean;
  readonly buttermilk: boolean;
  readonly egg: boolean;
  /** Which milk powder, where that is not as the milk is. */
  readonly milkAs?: (typeof MILK_POWDERS)[number] | undefined;
}
export const NO_POWDERS: Powders = { milk: false, buttermilk: false, egg: false };
export type PowderKey = 'milk' | 'buttermilk' | 'egg';

interface AsPowder {
  readonly key: PowderKey;
  /** g of powder a gram of the wet thing; the rest is water, given back at the bench. */
  readonly powders: readonly (readonly [id: string, share: number])[];
}

/**
 * What stands for a wet thing. Skim milk 97 g + 903 g water, whole 125 + 875, whole egg 25 + 75, white 1 + 7 by the
 * conventions of the trade; half-fat milks are mixed of the two; buttermilk by its solids (its powder's own acid is
 * then what counts, and the lift is worked with that).
 */
const AS_POWDER: Readonly<Record<string, AsPowder>> = {
  'milk-whole': { key: 'milk', powders: [['milk-powder-whole', 0.125]] },
  'milk-2pct': {
    key: 'milk',
    powders: [
      ['milk-powder-whole', 0.076],
      ['milk-powder-skim', 0.038],
    ],
  },
  'milk-1pct': {
    key: 'milk',
    powders: [
      ['milk-powder-whole', 0.037],
      ['milk-powder-skim', 0.068],
    ],
  },
  'milk-skim': { key: 'milk', powders: [['milk-powder-skim', 0.097]] },
  buttermilk: { key: 'buttermilk', powders: [['buttermilk-powder', 0.1017]] },
  'egg-large': { key: 'egg', powders: [['egg-powder-whole', 0.25]] },
  'egg-white': { key: 'egg', powders: [['egg-white-powder', 0.125]] },
};

/** What stands for a wet thing in the table: a hen's egg of any size is the large one. */
const wetAs = (i: Ingredient): AsPowder | undefined =>
  AS_POWDER[isShellEgg(i.id) && i.id !== 'egg-duck' ? 'egg-large' : i.id] ?? AS_POWDER[i.like ?? ''];

/** The powders that stand for a wet thing in such a bag, each as a share of it; null where none does. */
export function asPowder(i: Ingredient, powders: Powders): AsPowder['powders'] | null {
  const as = wetAs(i);
  if (!as || !powders[as.key]) return null;
  // the maker's own choice: its fat is what is then counted
  const chosen = as.key === 'milk' && powders.milkAs ? AS_POWDER[`milk-${powders.milkAs}`] : undefined;
  return (chosen ?? as).powders;
}

/**
 * Dry by what they are: they stand in bags wherever they are sold. What is wetter is no powder (a starter, lemon
 * juice).
 */
const BY_KIND: readonly Category[] = ['flour', 'starch', 'sugar', 'leavening', 'acid', 'salt'];
const POWDER_BELOW_WATER = 25;
/** These may be dry or not: wetter than this they cake the bag, g per 100 g; flour itself stands at 12 to 14. */
const MAY_BE: readonly Category[] = ['dry-dairy', 'flavour', 'nut-seed'];
const DRY_BELOW_WATER = 16;
const PASTES = ['peanut-butter', 'almond-butter'];

/** Whether a thing keeps in a bag of flour. */
export const isDry = (i: Ingredient): boolean =>
  (BY_KIND.includes(i.category) && i.per100g.waterG < POWDER_BELOW_WATER) ||
  (MAY_BE.includes(i.category) &&
    i.per100g.waterG < DRY_BELOW_WATER &&
    !PASTES.includes(i.id) &&
    !PASTES.includes(i.behaves ?? i.like ?? ''));

interface BagItem extends TallyPart {
  readonly share: number;
}

export interface Added extends TallyPart {
  /** Where it goes: as on the card. */
  readonly how: string;
}

export interface Bag {
  /** The heaviest first. */
  readonly items: readonly BagItem[];
  /** g of bag for one formula. */
  readonly massG: number;
  /** Added at the bench for that much, water given back among it. */
  readonly added: readonly Added[];
  /** What is left for the pan and to serve, as written. */
  readonly beside: readonly string[];
  /** Powders that could stand for something of this formula. */
  readonly couldBe: readonly PowderKey[];
  /** Batter lines without an amount: they can't be in it. */
  readonly open: readonly string[];
  /** Lines whose whites are whipped: no powder does that at the bench. */
  readonly whipped: boolean;
}

const sumUp = (parts: readonly TallyPart[]): readonly TallyPart[] => {
  const by = new Map<string, { ingredient: Ingredient; grams: number }>();
  for (const p of parts) {
    const had = by.get(p.ingredient.id);
    if (had) had.grams += p.grams;
    else by.set(p.ingredient.id, { ...p });
  }
  return [...by.values()];
};

/** What a line is made of; a starter comes out of its jar whole. */
const partsOf = ({ ingredient: i, parts }: FormulaLine): readonly TallyPart[] =>
  i?.keptWhole ? [{ ingredient: i, grams: parts.reduce((a, p) => a + p.grams, 0) }] : parts;

/** Where a part of a line goes: into the bag, as itself or as powder and water, or on at the bench. */
interface PlacedPart {
  readonly dry: readonly TallyPart[];
  readonly added: readonly Added[];
  /** g of water that its powder asks for. */
  readonly water: number;
  /** What could be in the bag as powder. */
  readonly couldBe: readonly PowderKey[];
}

function placeOfPart(p: TallyPart, l: FormulaLine, powders: Powders): PlacedPart {
  // what is whipped stays fresh
  const as = l.foam ? null : wetAs(p.ingredient);
  const stands = l.foam ? null : asPowder(p.ingredient, powders);
  const couldBe = as ? [as.key] : [];
  if (stands) {
    const solids = stands.reduce((a, [, share]) => a + share, 0);
    const dry = stands.map(([id, share]) => ({ ingredient: ingredient(id), grams: p.grams * share }));
    return { dry, added: [], water: p.grams * (1 - solids), couldBe };
  }
  return isDry(p.ingredient)
    ? { dry: [p], added: [], water: 0, couldBe }
    : { dry: [], added: [{ ...p, how: l.preparation }], water: 0, couldBe };
}

/** Splits a formula's lines into bag and bench. */
export function bagOf(lines: readonly FormulaLine[], powders: Powders): Bag {
  const inBatter = lines.filter((l) => l.use === 'batter');
  const placed = inBatter.flatMap((l) => partsOf(l).map((p) => placeOfPart(p, l, powders)));
  const dry = placed.flatMap((p) => p.dry);
  const added = placed.flatMap((p) => p.added);
  const water = placed.reduce((a, p) => a + p.water, 0);
  const items = sumUp(dry);
  const massG = items.reduce((a, i) => a + i.grams, 0);
  const wet = sumUp([...(water > 0 ? [{ ingredient: ingredient('water'), grams: water }] : []), ...added]);
  return {
    items: [...items].sort((a, b) => b.grams - a.grams).map((i) => ({ ...i, share: i.grams / massG })),
    massG,
    added: wet.map((w) => ({ ...w, how: added.find((a) => a.ingredient.id === w.ingredient.id)?.how ?? '' })),
    beside: lines.filter((l) => l.use !== 'batter').map((l) => l.text),
    couldBe: [...new Set(placed.flatMap((p) => p.couldBe))],
    open: inBatter.filter((l) => l.parts.length === 0).map((l) => l.text),
    whipped: inBatter.some((l) => l.foam && l.parts.length > 0),
  };
}

/** The bag as it is weighed for so many grams. */
export const itemsFor = (bag: Pick<Bag, 'items'>, massG: number): readonly TallyPart[] =>
  bag.items.map((i) => ({ ingredient: i.ingredient, grams: i.share * massG }));

/** g of water in 100 g of the bag: what a thing holds by the pantry's table. */
export const moisturePct = (bag: Pick<Bag, 'items'>): number =>
  bag.items.reduce((a, i) => a + i.share * i.ingredient.per100g.waterG, 0);
/** From here a mix cakes and spoils; a convention of the trade. */
export const MOST_MOISTURE_PCT = 14;

/** Where mixes stand, spooned, g/mL; what is worked out from cups is kept within it. */
export const BULK = [0.5, 0.62] as const;

/**
 * g/mL of the mix, spooned: worked from the cups of what is in it, good to about a tenth; a measured one replaces it.
 */
export function bulkDensity(bag: Pick<Bag, 'items'>): number {
  const ml = bag.items.reduce((a, i) => a + i.share / ((i.ingredient.gPerUsCup ?? 0.56 * US_CUP_ML) / US_CUP_ML), 0);
  return Math.min(BULK[1], Math.max(BULK[0], 1 / ml));
}
