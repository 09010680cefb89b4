/**
 * A tally: what all the lines of a formula add up to, in grams. Only batter lines count; pan fat is kept apart, and
 * toppings are left out; what stays whole in the batter is weighed and counts in nothing else. All of it is arithmetic
 * from the pantry's composition.
 */

import { WHITE_SHARE } from '../pantry/egg-parts';
import {
  ALLERGENS,
  type Allergen,
  allergenName,
  type Ingredient,
  isFlour,
  kitchenName,
  type Unknown,
} from '../pantry/ingredient';
import { type AdditionId, behaviourOf, isWholePiece } from '../pantry/tables/behaviour';

export interface TallyPart {
  readonly ingredient: Ingredient;
  readonly grams: number;
}

export interface TallyLine {
  readonly parts: readonly TallyPart[];
  readonly use: 'batter' | 'pan' | 'topping';
  /** What is done to it: a mashed berry is part of the batter, a whole one lies in it. */
  readonly preparation?: string;
  /** Whites that go in as foam. */
  readonly foam?: 'soft' | 'firm' | null;
}

/** What is added to the batter over and above it, and what it brings along, g. */
export interface Addition {
  readonly ingredient: Ingredient;
  readonly id: AdditionId;
  readonly grams: number;
  /** Grated or shredded: threads of it, no smooth puree. */
  readonly grated: boolean;
}

export interface Tally {
  /** All that goes into the bowl. */
  readonly massG: number;
  /** The part of it that stays whole: berries, chips, nuts, cut fruit. No ratio counts it. */
  readonly wholeG: number;
  readonly flourG: number;
  /**
   * Cocoa and ground nuts: they drink and thicken as flour does, and count as flour where a zone is tested. And what a
   * flour that drinks far more than wheat counts for beyond its weight.
   */
  readonly asFlourG: number;
  /** Poured liquids as weighed; milk powder counts as the milk it makes with its water. */
  readonly liquidG: number;
  /** Water from every line but flour and starch. */
  readonly waterG: number;
  /** The part of that water that puree and fresh cheese hold: shown, but not tested against the zone. */
  readonly boundWaterG: number;
  /** Shell egg, yolks and whites as weighed, powders as the egg they stand for. */
  readonly eggG: number;
  readonly yolkG: number;
  readonly whiteG: number;
  /** White that goes in whipped, of whole eggs too. */
  readonly whippedG: number;
  readonly fatG: number;
  /** Butter, oil and their like as weighed. */
  readonly addedFatG: number;
  /** Fat in the pan, not in the bowl. */
  readonly panFatG: number;
  readonly sugarG: number;
  readonly lactoseG: number;
  readonly saltG: number;
  readonly sodiumMg: number;
  readonly proteinG: number;
  readonly additions: readonly Addition[];
  readonly glutenFlourG: number;
  readonly hasYeast: boolean;
  /** What is not known, and of which ingredients: those sums are without them. */
  readonly unknown: Partial<Readonly<Record<Unknown, readonly string[]>>>;
}

/** Nothing is unknown: mostly so. */
export const ALL_KNOWN: Tally['unknown'] = {};

const GRATED = /\b(?:grat|shredd)/i;
const SMOOTH = /\b(?:pur[eé]e|mash|blend)/i;
/** Grated where nothing else is said. */
const THREADS = new Set(['carrot', 'courgette']);
const NOTHING_ADDED: Tally['additions'] = [];

/** The mass that is poured: without what stays whole. */
export const pouredG = (t: Pick<Tally, 'massG' | 'wholeG'>): number => t.massG - t.wholeG;

/** Flour as zones are tested by: cocoa and ground nuts are flour there. */
export const testedFlourG = (t: Pick<Tally, 'flourG' | 'asFlourG'>): number => t.flourG + t.asFlourG;

/** Grams of additions of some sorts. */
export const addedG = (t: Pick<Tally, 'additions'>, ...ids: readonly AdditionId[]): number =>
  t.additions.reduce((a, x) => (ids.includes(x.id) ? a + x.grams : a), 0);

type Sums = { -readonly [K in keyof Tally]: Tally[K] };

/**
 * Adds up the lines of a formula.
 * @param lines grams of each ingredient; a line without grams has no parts and adds nothing
 */
export function tally(lines: readonly TallyLine[]): Tally {
  const t: Sums = {
    massG: 0,
    wholeG: 0,
    flourG: 0,
    asFlourG: 0,
    liquidG: 0,
    waterG: 0,
    boundWaterG: 0,
    eggG: 0,
    yolkG: 0,
    whiteG: 0,
    whippedG: 0,
    fatG: 0,
    addedFatG: 0,
    panFatG: 0,
    sugarG: 0,
    lactoseG: 0,
    saltG: 0,
    sodiumMg: 0,
    proteinG: 0,
    additions: NOTHING_ADDED,
    glutenFlourG: 0,
    hasYeast: false,
    unknown: ALL_KNOWN,
  };
  for (const line of lines) for (const p of line.parts) add(t, p.ingredient, p.grams, line);
  return t;
}

/** g of water that 1 g of wheat flour takes up; and from how much more on a flour is not as flours are. */
const WHEAT_DRINKS = 0.6;
const THIRSTY = 1.3;
/** g of wheat flour that 1 g of a flour drinks like; 1 for those that are about as thirsty (a model). */
export const thirstOf = ({ waterAbsorption: drinks = 0 }: Pick<Ingredient, 'waterAbsorption'>): number =>
  drinks >= THIRSTY ? drinks / WHEAT_DRINKS : 1;

function add(t: Sums, i: Ingredient, grams: number, { use, preparation, foam }: TallyLine): void {
  const c = i.per100g;
  const share = grams / 100;
  if (use === 'pan') t.panFatG += c.fatG * share;
  if (use !== 'batter') return;
  t.massG += grams;
  if (isWholePiece(i, preparation)) {
    t.wholeG += grams;
    return;
  }
  t.fatG += c.fatG * share;
  t.sugarG += c.sugarsG * share;
  t.lactoseG += c.sugarsG * share * behaviourOf(i).lactoseShare;
  t.saltG += c.naclG * share;
  t.sodiumMg += c.sodiumMg * share;
  t.proteinG += c.proteinG * share;
  if (i.category === 'fat') t.addedFatG += grams;
  if (i.id === 'yeast-instant' || i.id === 'yeast-fresh') t.hasYeast = true;
  addFlourOrWater(t, i, grams, preparation);
  addEgg(t, i, grams, foam);
  if (i.unknown) addUnknown(t, i, i.unknown);
}

/** Holds no gluten of its own, though its label says that it may. */
const OATS: ReadonlySet<string> = new Set(['flour-oat', 'rolled-oats']);

function addFlourOrWater(t: Sums, i: Ingredient, grams: number, preparation: string | undefined): void {
  const b = behaviourOf(i);
  const waterG = i.per100g.waterG * (grams / 100);
  if (b.boundWater) t.boundWaterG += waterG;
  if (b.poured) t.liquidG += grams;
  if (isFlour(i)) {
    t.flourG += grams;
    t.asFlourG += grams * (thirstOf(i) - 1);
    if (i.allergens.includes('gluten') && !OATS.has(i.id)) t.glutenFlourG += grams;
  } else {
    t.waterG += waterG;
    if (b.swells && (b.addition === 'cocoa' || b.addition === 'nut')) t.asFlourG += grams;
  }
  if (!b.addition) return;
  const threads = THREADS.has(i.like ?? i.id) && !SMOOTH.test(preparation ?? '');
  const grated = GRATED.test(preparation ?? '') || threads;
  t.additions = [...t.additions, { ingredient: i, id: b.addition, grams, grated }];
}

function addEgg(t: Sums, i: Ingredient, grams: number, foam: TallyLine['foam']): void {
  t.eggG += grams * behaviourOf(i).eggEquivalent;
  if (i.id === 'egg-yolk') t.yolkG += grams;
  if (i.id === 'egg-white') t.whiteG += grams;
  if (foam && i.category === 'egg' && i.id !== 'egg-yolk')
    t.whippedG += i.id === 'egg-white' ? grams : grams * WHITE_SHARE;
}

/** What its packet doesn't say; the water of flour counts nowhere. */
function addUnknown(t: Sums, i: Ingredient, of: readonly Unknown[]): void {
  const unknown: Partial<Record<Unknown, readonly string[]>> = { ...t.unknown };
  for (const what of of)
    if (what !== 'waterG' || !isFlour(i)) unknown[what] = [...new Set([...(unknown[what] ?? []), kitchenName(i)])];
  t.unknown = unknown;
}

export interface Percentages {
  readonly liquid: number;
  readonly water: number;
  /** Water without what puree and fresh cheese hold: the number the zone is tested with. */
  readonly freeWater: number;
  readonly egg: number;
  readonly fat: number;
  readonly sugar: number;
  /** Sugar without milk's lactose. */
  readonly sweetness: number;
  readonly salt: number;
}

/**
 * Baker's percentages: everything against flour = 100.
 * @param panFatCounts an oven pancake bakes in its pan fat, which then counts as fat
 * @returns null when there is no flour to measure against
 */
export function percentages(t: Tally, panFatCounts: boolean): Percentages | null {
  if (!(t.flourG > 0)) return null;
  const of = (grams: number): number => (100 * grams) / t.flourG;
  return {
    liquid: of(t.liquidG),
    water: of(t.waterG),
    freeWater: of(t.waterG - t.boundWaterG),
    egg: of(t.eggG),
    fat: of(t.fatG + (panFatCounts ? t.panFatG : 0)),
    sugar: of(t.sugarG),
    sweetness: of(t.sugarG - t.lactoseG),
    salt: of(t.saltG),
  };
}

export interface Allergens {
  readonly held: readonly {
    readonly allergen: Allergen;
    readonly name: string /** What brings it. */;
    readonly from: readonly string[];
  }[];
  /** Ingredients whose allergens nobody has stated. */
  readonly unstated: readonly string[];
  /** Lines that name nothing known. */
  readonly unread: readonly string[];
}

/** Allergens of everything on the sheet, pan and toppings too, amounts or not. */
export function allergensOf(
  lines: readonly (TallyLine & { readonly text?: string; readonly ingredient?: Ingredient | null })[],
): Allergens {
  const all = new Set(
    lines.flatMap((l) => [...l.parts.map((p) => p.ingredient), ...(l.ingredient ? [l.ingredient] : [])]),
  );
  const names = (has: (i: Ingredient) => boolean): readonly string[] => [
    ...new Set([...all].filter(has).map(kitchenName)),
  ];
  return {
    held: ALLERGENS.map((a) => ({
      allergen: a,
      name: allergenName(a),
      from: names((i) => i.allergens.includes(a)),
    })).filter((h) => h.from.length > 0),
    unstated: names((i) => i.allergensUnstated === true),
    unread: lines.filter((l) => l.parts.length === 0 && !l.ingredient).map((l) => l.text ?? 'a line'),
  };
}
