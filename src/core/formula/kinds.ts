/**
 * Kinds of batter and their schools: the zone of each ratio (percent of flour; where most good formulas stand, not a
 * law), the pour it wants and the usual portion. To add a kind is to add a row.
 */
import { lift, percent } from '../quantity/say';

export const THICKNESSES = ['thin cream', 'heavy cream', 'ribbon', 'spoon-and-spread', 'scoop-and-hold'] as const;
export type Thickness = (typeof THICKNESSES)[number];

/** What a cook sees of each class. */
export const POUR_WORDS: Readonly<Record<Thickness, string>> = {
  'thin cream': 'pours like thin cream',
  'heavy cream': 'pours like heavy cream',
  ribbon: 'falls in a ribbon',
  'spoon-and-spread': 'has to be spooned and spread',
  'scoop-and-hold': 'holds its shape on the scoop',
};

/** The same as a thing wanted: "griddle cakes want a ribbon". */
export const POUR_NOUNS: Readonly<Record<Thickness, string>> = {
  'thin cream': 'thin cream',
  'heavy cream': 'heavy cream',
  ribbon: 'a ribbon',
  'spoon-and-spread': 'a batter to spoon and spread',
  'scoop-and-hold': 'a batter to scoop',
};

export const KIND_IDS = ['griddle', 'small', 'foam', 'ball', 'crepe', 'waffle', 'oven'] as const;
export type KindId = (typeof KIND_IDS)[number];

/** The ratios that have a rail. Percent of flour, but for lift: g CO2 per 100 g flour. */
export const RAILS = ['water', 'egg', 'fat', 'sugar', 'salt', 'lift'] as const;
export type Rail = (typeof RAILS)[number];

export type Zone = readonly [low: number, high: number];

/** A place in a zone. @param share 0 its low end, 1 its high one */
export const along = ([low, high]: Zone, share: number): number => low + share * (high - low);

export interface School {
  readonly id: string;
  readonly name: string;
  readonly zones: Readonly<Record<Rail, Zone>>;
  /** Thinnest and thickest class that suits it. */
  readonly pour: readonly [Thickness, Thickness];
  /** mL of one portion, least and most; null: a pan. */
  readonly portionMl: Zone | null;
}

export interface Kind {
  readonly id: KindId;
  readonly name: string;
  /** Several of what comes off the heat. */
  readonly pieces: string;
  readonly schools: readonly [School, ...School[]];
  /** Air whisked in, as a share of the airless volume. */
  readonly air: number;
  /** Pan fat bakes into it, and counts as fat. */
  readonly panFatCounts: boolean;
  /** Minutes its batter usually stands, flour wet, before it is poured. */
  readonly restMin: number;
  /** Runs over a tilted pan instead of lying where it is poured. */
  readonly tilted: boolean;
}

type Row = readonly [
  id: string,
  name: string,
  water: Zone,
  egg: Zone,
  fat: Zone,
  sugar: Zone,
  salt: Zone,
  lift: Zone,
  pour: School['pour'],
  portion: Zone | null,
];

const school = ([id, name, water, egg, fat, sugar, salt, lift, pour, portionMl]: Row): School => ({
  id,
  name,
  zones: { water, egg, fat, sugar, salt, lift },
  pour,
  portionMl,
});

const RIBBON: School['pour'] = ['ribbon', 'ribbon'];
/** Before the foam, which thickens it. */
const FOLDED: School['pour'] = ['heavy cream', 'ribbon'];
const THICK: School['pour'] = ['ribbon', 'spoon-and-spread'];
const SPOON: School['pour'] = ['spoon-and-spread', 'spoon-and-spread'];
const RUNNY: School['pour'] = ['thin cream', 'heavy cream'];

export const KINDS: readonly Kind[] = [
  {
    id: 'griddle',
    name: 'Griddle cake',
    pieces: 'griddle cakes',
    air: 0.08,
    panFatCounts: false,
    restMin: 10,
    tilted: false,
    schools: [
      school(['even', 'even', [160, 235], [18, 60], [8, 40], [5, 30], [0.6, 3.0], [0.5, 1.6], RIBBON, [60, 60]]),
      school(['tall', 'tall', [112, 180], [20, 75], [8, 35], [6, 30], [0.6, 3.0], [0.5, 1.7], SPOON, [80, 80]]),
      school(['thin', 'thin', [195, 420], [35, 100], [6, 45], [2, 20], [0, 2.5], [0, 0.8], RUNNY, [60, 60]]),
    ],
  },
  {
    id: 'small',
    name: 'Small griddle cake',
    pieces: 'small griddle cakes',
    air: 0.08,
    panFatCounts: false,
    restMin: 10,
    tilted: false,
    schools: [school(['even', 'even', [125, 225], [18, 70], [5, 35], [4, 32], [0, 3.0], [0.45, 1.6], THICK, [25, 30]])],
  },
  {
    id: 'foam',
    name: 'Foam-raised cake',
    pieces: 'foam-raised cakes',
    air: 0.08,
    panFatCounts: false,
    restMin: 5,
    tilted: false,
    schools: [
      school([
        'soft-fold',
        'soft fold',
        [180, 300],
        [80, 175],
        [3, 45],
        [8, 30],
        [0, 2.2],
        [0.1, 1.1],
        FOLDED,
        [80, 80],
      ]),
      school(['souffle', 'soufflé', [230, 350], [200, 340], [15, 50], [30, 95], [0, 2.2], [0, 1.3], FOLDED, [80, 80]]),
      school([
        'whole-egg',
        'whole egg, whipped with its sugar',
        [90, 190],
        [70, 150],
        [3, 38],
        [25, 90],
        [0, 1.5],
        [0, 1.1],
        THICK,
        [50, 80],
      ]),
    ],
  },
  {
    id: 'ball',
    name: 'Ball cake',
    pieces: 'ball cakes',
    air: 0.08,
    panFatCounts: false,
    restMin: 10,
    tilted: false,
    schools: [
      school([
        'round-pan',
        'round pan',
        [155, 235],
        [35, 115],
        [8, 45],
        [5, 25],
        [0.5, 2.4],
        [0.3, 1.1],
        RIBBON,
        [25, 35],
      ]),
    ],
  },
  {
    id: 'crepe',
    name: 'Crepe',
    pieces: 'crepes',
    air: 0.02,
    panFatCounts: false,
    restMin: 30,
    tilted: true,
    schools: [
      school(['sweet', 'sweet', [220, 450], [50, 130], [8, 48], [4, 25], [0, 2.0], [0, 0.15], RUNNY, [45, 60]]),
      school(['savoury', 'savoury', [220, 450], [55, 130], [6, 40], [2, 14], [1.0, 3.8], [0, 0.15], RUNNY, [45, 60]]),
      school(['buckwheat', 'buckwheat', [190, 300], [0, 40], [2, 25], [0, 12], [1.0, 3.8], [0, 0.15], RUNNY, [70, 90]]),
    ],
  },
  {
    id: 'waffle',
    name: 'Waffle',
    pieces: 'waffles',
    air: 0.08,
    panFatCounts: false,
    restMin: 10,
    tilted: false,
    schools: [
      school(['crisp', 'crisp', [150, 230], [35, 75], [28, 75], [4, 30], [0.5, 2.8], [0.5, 1.4], RIBBON, [80, 120]]),
      school(['soft', 'soft', [160, 230], [25, 70], [12, 58], [6, 45], [0.5, 2.6], [0.4, 1.5], THICK, [80, 120]]),
    ],
  },
  {
    id: 'oven',
    name: 'Oven pancake',
    pieces: 'oven pancakes',
    air: 0.02,
    panFatCounts: true,
    restMin: 15,
    tilted: false,
    schools: [
      school(['puffed', 'puffed', [240, 420], [110, 250], [20, 110], [2, 38], [0, 3.7], [0, 0.2], RUNNY, null]),
      school(['tray', 'set in a tray', [300, 570], [50, 140], [10, 90], [2, 65], [0, 3.7], [0, 0.8], RUNNY, null]),
    ],
  },
];

const byId = new Map(KINDS.map((k) => [k.id, k]));

export function kindById(id: KindId): Kind {
  const k = byId.get(id);
  if (!k) throw new Error(`no kind ${id}`);
  return k;
}

/** "a waffle", "an oven pancake". */
export function oneOf(id: KindId): string {
  const name = kindById(id).name.toLowerCase();
  return `${/^[aeiou]/.test(name) ? 'an' : 'a'} ${name}`;
}

/** The school of a kind by id; the kind's first where the id is none of its own. */
export const schoolOf = (kind: Kind, id: string | null | undefined): School =>
  kind.schools.find((s) => s.id === id) ?? kind.schools[0];

/** Middle of the usual portion to the nearest 5 mL; 60 where the kind has no portion. */
export const usualPortionMl = (s: School): number =>
  s.portionMl ? 5 * Math.round((s.portionMl[0] + s.portionMl[1]) / 10) : 60;

type ZoneStanding = 'in' | 'below' | 'above';

interface ZoneReading {
  readonly standing: ZoneStanding;
  /** More than a quarter of the zone's width outside it. */
  readonly far: boolean;
}

/** A rail as it stands in a formula. */
export interface RailReading {
  readonly rail: Rail;
  /** Percent of flour; for lift g CO2 per 100 g flour. */
  readonly value: number;
  /** What is tested against the zone: water without what puree holds, cocoa counted as flour. */
  readonly tested: number;
  /** The school's zone, wider by what is added to the batter. */
  readonly zone: Zone | null;
  /** Why the zone or the number tested is another than the school's, in words; null mostly. */
  readonly shift: string | null;
  /** Lines still open would move it: no zone is tested. */
  readonly waits: boolean;
  readonly reading: ZoneReading | null;
  /** Ingredients whose part in it is not known: the value is at least what is shown, and below it no zone is tested. */
  readonly unknown: readonly string[];
}

/** Where a rail stands, as its zone is tested; null without flour. */
export const railOf = (a: { readonly rails: readonly RailReading[] }, rail: Rail): RailReading | null =>
  a.rails.find((r) => r.rail === rail) ?? null;

/** What a rail is called at the head of a sentence or a row. */
/** What one filling of the heat is called: a griddleful, a panful. */
export const FILLING_NAMES: Readonly<Record<KindId, string>> = {
  griddle: 'griddleful',
  small: 'griddleful',
  foam: 'griddleful',
  crepe: 'panful',
  ball: 'panful',
  waffle: 'ironful',
  oven: 'panful',
};

export const RAIL_NAMES: Readonly<Record<Rail, string>> = {
  water: 'Water',
  egg: 'Egg',
  fat: 'Fat',
  sugar: 'Sugar',
  salt: 'Salt',
  lift: 'Rise',
};

/** A rail's value with its unit: percent of flour, or g of gas per 100 g flour. */
export const sayRail = (rail: Rail, x: number): string => (rail === 'lift' ? `${lift(x)} g` : percent(x));

type OfRails = { readonly rails: readonly RailReading[] };
/** What of a formula's rails another has otherwise, as it is said: "rise 0.94 g to 0.75 g". */
export const railsMoved = (was: OfRails, now: OfRails): readonly string[] =>
  RAILS.flatMap((rail) => {
    const [a, b] = [railOf(was, rail), railOf(now, rail)];
    if (!a || !b) return [];
    const [x, y] = [sayRail(rail, a.tested), sayRail(rail, b.tested)];
    return x === y ? [] : [`${RAIL_NAMES[rail].toLowerCase()} ${x} to ${y}`];
  });

/**
 * Rounding of cups to grams, or of grams to what a scale shows, is no reason to stand outside a zone: a share of its
 * width.
 */
const A_HAIR = 1e-4;

/** Where a value stands against a zone. The ends belong to the zone. */
export function readZone(value: number, zone: Zone): ZoneReading {
  const width = zone[1] - zone[0];
  const quarter = width / 4;
  const [low, high] = [zone[0] - A_HAIR * width, zone[1] + A_HAIR * width];
  if (value < low) return { standing: 'below', far: value < low - quarter };
  if (value > high) return { standing: 'above', far: value > high + quarter };
  return { standing: 'in', far: false };
}

const WORDS: readonly (readonly [RegExp, KindId])[] = [
  [/\bwaffles?\b/i, 'waffle'],
  [/\bcr[eê]pes?\b/i, 'crepe'],
  [/\b(?:oven(?![- ]kept)|baked|puffed)\b/i, 'oven'],
  [/\b(?:balls?|round[- ]pan)\b/i, 'ball'],
  [/\b(?:souffl[eé]|clouds?|foam)\b/i, 'foam'],
  [/\b(?:small|mini|drop)\b/i, 'small'],
];

/** The kind a title speaks of; null when it names none. Shown and free to change, never more than a first setting. */
export const kindFromWords = (title: string): KindId | null => WORDS.find(([re]) => re.test(title))?.[1] ?? null;
