/**
 * A school's zones as this formula is tested by them. What is added over and above the batter shifts what is usual: a
 * puree brings sugar of its own, a nut butter fat and salt, curd wants egg to bind it, whipped whites are lift and no
 * rubber. Each widens the upper end by what it brings, and says so in words. Percent of flour, cocoa counted as flour.
 */
import { isA, isFlour, kitchenName } from '../pantry/ingredient';
import { type AdditionId, behaviourOf } from '../pantry/tables/behaviour';
import { capital, lift, percentNumber } from '../quantity/say';
import { type Kind, RAIL_NAMES, type Rail, type School, schoolOf, type Zone } from './kinds';
import { type Addition, addedG, type Tally, testedFlourG, thirstOf } from './tally';
import { gasRoomAt } from './ways';

/** What an addition brings along that the batter itself would not have, g of it per g. */
type Brings = (a: Addition) => number;
const its =
  (what: 'fatG' | 'sugarsG' | 'naclG'): Brings =>
  ({ ingredient: i, grams }) =>
    (i.per100g[what] * grams) / 100;
const share =
  (x: number): Brings =>
  ({ grams }) =>
    x * grams;

/**
 * Bland additions are salted too: 0.6 g for 100 g of them, a little less where they stay whole. Cocoa is bitter, and
 * takes its weight in sugar.
 */
const SEASONING = 0.006;
const WHOLE_SEASONING = 0.004;
const COCOA_SUGAR = 1;
/** A puree carries a share of what the batter is: fat, and leavening for its own weight, g of gas per g. */
const PUREE_FAT = 0.04;
const CARRIED_LIFT = 0.003;
/** Egg that binds curd: one to some 70 g of it; a tenth of an egg is fat. */
const CURD_EGG = 0.7;
/**
 * What is rich and sour, and puree a little, are bound by egg as well; and curd is sweetened, or lies low without
 * leavening.
 */
const CREAM_EGG = 0.2;
const PUREE_EGG = 0.16;
const CURD_SUGAR = 0.06;
const MOSTLY_CURD = 100;
/** What is ground of nuts has no gluten and much fat: egg holds it. */
const MEAL_EGG = 0.4;
/**
 * Share of the water bound in puree and curd that less other water is usual by; and percent of flour from which it is
 * told.
 */
const BOUND_THINS = 0.25;
const BOUND_WORTH = 10;
/** Water more that a batter with yeast is begun with, percent of flour: it thickens as it rises. */
const YEAST_WATER = 45;
const EGG_FAT = 0.1;

/** To add an addition is to add a row. */
const WIDENS: Readonly<Record<AdditionId, Partial<Readonly<Record<Rail, Brings>>>>> = {
  puree: {
    sugar: its('sugarsG'),
    fat: (a) => its('fatG')(a) + PUREE_FAT * a.grams,
    salt: (a) => (isA(a.ingredient, 'potato') ? 2 : 1) * SEASONING * a.grams,
    egg: share(PUREE_EGG),
    lift: share(CARRIED_LIFT),
  },
  curd: {
    fat: (a) => its('fatG')(a) + CURD_EGG * EGG_FAT * a.grams,
    egg: share(CURD_EGG),
    sugar: share(CURD_SUGAR),
    salt: (a) => its('naclG')(a) + SEASONING * a.grams,
    lift: share(CARRIED_LIFT),
  },
  nut: {
    fat: its('fatG'),
    sugar: its('sugarsG'),
    salt: its('naclG'),
    egg: (a) => (behaviourOf(a.ingredient).swells ? MEAL_EGG * thirstOf(a.ingredient) * a.grams : 0),
  },
  cocoa: { fat: its('fatG'), sugar: share(COCOA_SUGAR) },
  chocolate: { fat: its('fatG'), sugar: its('sugarsG') },
  cream: { fat: its('fatG'), egg: share(CREAM_EGG) },
};

/** Percent of flour under which an addition is not worth a word. */
const WORTH_A_WORD: Partial<Readonly<Record<Rail, number>>> = { sugar: 1, fat: 1, salt: 0.3, egg: 2, lift: 0.1 };
/** More egg holds what no gluten holds, percent of flour (a model). */
const NO_GLUTEN_EGG = 15;
/** The least salt that is a pinch meant as one. */
const A_PINCH = 0.1;

/** What else the zones hang on. */
interface SeenAround {
  readonly altitudeM: number;
  /** Salt written by the pinch is meant as one. */
  readonly pinchOfSalt: boolean;
}

interface TestedBy {
  readonly school: School;
  /** Why a rail's zone reaches further than the school's; null where only milk's own sugar does it, or nothing. */
  readonly shifts: Partial<Readonly<Record<Rail, string>>>;
}

/** Whole eggs whipped with their sugar, percent of flour from which a foam-raised cake stands on them. */
const WHOLE_EGG_FOAM = { egg: 70, sweetness: 30 } as const;

/** Percent of flour: an oven pancake of so much milk and so little egg is meant to set in its tray, not to climb. */
const SET_IN_A_TRAY = { water: 300, egg: 110 } as const;

/** Percent of flour: a crepe of less gluten and fewer eggs is held by what buckwheat has of its own. */
const OF_BUCKWHEAT = { gluten: 40, egg: 50 } as const;

interface Row {
  readonly school: School;
  /** Why it is another than the cook's; null where it is the cook's. */
  readonly why: string | null;
}

/** The school whose row fits what was put in, where the school named cannot be what is meant. */
function rowFor(kind: Kind, school: School, t: Tally, flour: number): Row {
  const egg = (100 * t.eggG) / flour;
  if (
    school.id === 'soft-fold' &&
    t.whippedG === 0 &&
    egg >= WHOLE_EGG_FOAM.egg &&
    (100 * (t.sugarG - t.lactoseG)) / flour >= WHOLE_EGG_FOAM.sweetness
  )
    return { school: schoolOf(kind, 'whole-egg'), why: 'The eggs go in whole: tested as a foam of whole eggs.' };
  if (school.id === 'puffed' && egg < SET_IN_A_TRAY.egg && (100 * t.waterG) / flour >= SET_IN_A_TRAY.water)
    return { school: schoolOf(kind, 'tray'), why: 'Much milk and few eggs: tested as one that sets in its tray.' };
  if (kind.id === 'crepe' && egg < OF_BUCKWHEAT.egg && (100 * t.glutenFlourG) / flour < OF_BUCKWHEAT.gluten)
    return {
      school: schoolOf(kind, 'buckwheat'),
      why: school.id === 'buckwheat' ? null : 'Hardly any gluten and few eggs: tested as a buckwheat crepe.',
    };
  return { school, why: null };
}

/** "With banana, 9 % more sugar is usual." */
function words(rail: Rail, by: readonly { readonly name: string; readonly percent: number }[]): string | null {
  const all = by.reduce((a, x) => a + x.percent, 0);
  const least = WORTH_A_WORD[rail] ?? 0;
  if (all < least) return null;
  const names = [...new Set(by.filter((x) => x.percent >= least / 2).map((x) => x.name))];
  const who = names.length > 2 ? `${names.slice(0, 2).join(', ')} and others` : names.join(' and ');
  const much = rail === 'lift' ? `${lift(all)} g` : `${percentNumber(all)} %`;
  return `With ${who}, ${much} more ${RAIL_NAMES[rail].toLowerCase()} is usual.`;
}

interface Widening {
  readonly name: string;
  /** Of flour. */
  readonly percent: number;
}
type Widenings = Partial<Readonly<Record<Rail, readonly Widening[]>>>;

/** What widens each rail, by name, percent of flour. @param flour as zones are tested by, g */
function widenings(t: Tally, flour: number): Widenings {
  const by: Partial<Record<Rail, Widening[]>> = {};
  const put = (rail: Rail, name: string, percent: number): void => {
    if (percent > 0) by[rail] = [...(by[rail] ?? []), { name, percent }];
  };
  const pct = (grams: number): number => (100 * grams) / flour;
  for (const a of t.additions)
    for (const [rail, brings] of Object.entries(WIDENS[a.id]) as [Rail, Brings][])
      put(rail, kitchenName(a.ingredient).toLowerCase(), pct(brings(a)));
  put('egg', 'whipped whites', pct(t.whippedG));
  if (t.glutenFlourG === 0) put('egg', 'flour without gluten', NO_GLUTEN_EGG);
  put('salt', 'what stays whole', pct(WHOLE_SEASONING * t.wholeG));
  return by;
}

/** A zone as it is tested: its upper end wider by what is added, its lower by what makes less of it usual. */
function widened(rail: Rail, [low, high]: Zone, by: Widenings, t: Tally, flour: number, seen: SeenAround): Zone {
  const pct = (grams: number): number => (100 * grams) / flour;
  const more = (by[rail] ?? []).reduce((a, x) => a + x.percent, 0);
  switch (rail) {
    case 'water':
      // what yeast raises is begun thinner
      return [Math.max(0, low - BOUND_THINS * pct(t.boundWaterG)), high + (t.hasYeast ? YEAST_WATER : 0)];
    case 'lift': {
      const room = seen.altitudeM > 0 ? gasRoomAt(seen.altitudeM) : 1;
      return [pct(addedG(t, 'curd')) >= MOSTLY_CURD ? 0 : low / room, (high + more) / room];
    }
    case 'salt':
      return [seen.pinchOfSalt ? Math.min(low, A_PINCH) : low, high + more];
    case 'egg':
      // what yeast raises stands by its gluten
      return [t.hasYeast ? low / 2 : low, high + more];
    case 'sugar':
      // milk's own sugar browns and does not sweeten
      return [low, high + more + pct(t.lactoseG)];
    default:
      return [low, high + more];
  }
}

/** What is said of the water: what is bound, and what drinks like flour. */
function waterWords(t: Tally, flour: number): string | null {
  const bound = (100 * t.boundWaterG) / flour;
  const names = [
    ...new Set(
      t.additions
        .filter((a) => a.id === 'puree' || a.id === 'curd')
        .map((a) => kitchenName(a.ingredient).toLowerCase()),
    ),
  ];
  if (bound > BOUND_WORTH && names.length > 0)
    return `${percentNumber(bound)} % more is bound in ${names.slice(0, 2).join(' and ')}, and hardly thins.`;
  const thirsty = t.additions.find((a) => isFlour(a.ingredient) && thirstOf(a.ingredient) > 1)?.ingredient;
  if (thirsty)
    return `${kitchenName(thirsty)} drinks as ${thirstOf(thirsty).toFixed(1)} times its weight of wheat flour, and counts as so much here.`;
  const flours = flourLike(t);
  return flours ? `${capital(flours)} counts as flour here.` : null;
}

/**
 * The zones this formula is tested by.
 * @returns the school with its zones shifted, and why; the school as it is without flour
 */
export function testedBy(kind: Kind, asked: School, t: Tally, seen: SeenAround): TestedBy {
  const flour = testedFlourG(t);
  if (!(flour > 0)) return { school: asked, shifts: {} };
  const { school, why } = rowFor(kind, asked, t, flour);
  const by = widenings(t, flour);
  const at = (rail: Rail): Zone => widened(rail, school.zones[rail], by, t, flour, seen);
  const zones = {
    water: at('water'),
    egg: at('egg'),
    fat: at('fat'),
    sugar: at('sugar'),
    salt: at('salt'),
    lift: at('lift'),
  };
  const shifts: Partial<Record<Rail, string>> = {};
  for (const rail of Object.keys(by) as Rail[]) {
    const said = words(rail, by[rail] ?? []);
    if (said) shifts[rail] = said;
  }
  const water = waterWords(t, flour);
  if (water) shifts.water = water;
  if (why) shifts.egg = why;
  return { school: { ...school, zones }, shifts };
}

/** What counts as flour without being any, by name; null where nothing does. */
export function flourLike(t: Tally): string | null {
  if (!(t.asFlourG > 0)) return null;
  const names = t.additions
    .filter((a) => a.ingredient.category !== 'flour' && behaviourOf(a.ingredient).swells)
    .map((a) => kitchenName(a.ingredient).toLowerCase());
  return names.length > 0 ? [...new Set(names)].slice(0, 2).join(' and ') : null;
}

/** The middle of a lift zone as it would be without what puree and curd carry: from there on the middle sets. */
export const middleLift = (t: Tally, [low, high]: Zone): number =>
  (low + high - (100 * CARRIED_LIFT * addedG(t, 'puree', 'curd')) / testedFlourG(t)) / 2;

/** Percent of flour of additions from which a batter is thicker by nature than its school. */
const THICKENS = 40;

/** Whether what is added makes a batter one class thicker than its school wants, and that is as it should be. */
export const thickByNature = (t: Tally): boolean => {
  const flour = testedFlourG(t);
  return flour > 0 && (100 * addedG(t, 'puree', 'curd', 'nut', 'cream')) / flour >= THICKENS;
};
