/**
 * What the models need of an ingredient beyond its composition: a second table, all of it "model".
 * True density from kitchen physics (flour 1.45, sugar 1.59, oil 0.92, milk and egg 1.03 g/mL); hydration, immobilised
 * volume and liquid viscosity from the thickness model, with a default for each category where nothing better is known.
 */
import type { Category, Ingredient } from '../ingredient';

/**
 * What is added to a batter over and above the batter itself: it is counted, and what is usual shifts with it. Puree, curd
 * (fresh and grated cheese), nut (butters and meals), cocoa, chocolate, and what is rich and sour at once.
 */
const ADDITIONS = ['puree', 'curd', 'nut', 'cocoa', 'chocolate', 'cream'] as const;
export type AdditionId = (typeof ADDITIONS)[number];

interface Behaviour {
  /** g/mL of the material itself, no air between; null: worked from composition. */
  readonly trueDensity: number | null;
  /** A powder that swells: share of its hydration that is slow, and the slow part's time constant, minutes. */
  readonly swells: { readonly slow: number; readonly tauMin: number; readonly absorption: number } | null;
  /** mL of liquid a gram of puree or cultured milk holds fast. */
  readonly heldMlPerG: number;
  /** Pa.s as a part of the continuous liquid; null for what is no part of it. */
  readonly viscosity: number | null;
  /** Stays whole in the batter: berries, chips, nuts. */
  readonly inclusion: boolean;
  /** Its water is bound in flesh or curd, and left out where the water zone is tested. */
  readonly boundWater: boolean;
  /** Counted as poured liquid. */
  readonly poured: boolean;
  /** Share of its sugars that is lactose. */
  readonly lactoseShare: number;
  /** Grams of shell egg that one gram stands for. */
  readonly eggEquivalent: number;
  /** What it adds to a batter; null: it is the batter. */
  readonly addition: AdditionId | null;
}

const NONE: Behaviour = {
  trueDensity: null, swells: null, heldMlPerG: 0, viscosity: null, inclusion: false, boundWater: false, poured: false, lactoseShare: 0, eggEquivalent: 0,
  addition: null,
};

const BY_CATEGORY: Readonly<Record<Category, Partial<Behaviour>>> = {
  flour: { trueDensity: 1.45, swells: { slow: 0.3, tauMin: 25, absorption: 0.6 } },
  starch: { trueDensity: 1.45, swells: { slow: 0.05, tauMin: 5, absorption: 0.45 } },
  sugar: { trueDensity: 1.59, viscosity: 0.05 },
  syrup: { viscosity: 0.05 },
  leavening: { viscosity: 0.0011 },
  acid: { viscosity: 0.0011 },
  salt: { viscosity: 0.0011 },
  egg: { trueDensity: 1.03, viscosity: 0.01, eggEquivalent: 1 },
  dairy: { trueDensity: 1.03, viscosity: 0.0021, poured: true, lactoseShare: 1 },
  'dry-dairy': { viscosity: 0.05, lactoseShare: 1, poured: true },
  'plant-milk': { viscosity: 0.0021, poured: true },
  fat: { viscosity: 0.03 },
  'fruit-veg': { viscosity: 0.004, heldMlPerG: 0.3, boundWater: true, addition: 'puree' },
  'nut-seed': { inclusion: true },
  flavour: { viscosity: 0.0015 },
  liquid: { viscosity: 0.001, poured: true },
  topping: { viscosity: 0.05 },
};

const whole = { inclusion: true } as const;
/** Cheese that is spooned, not poured: its water is held in the curd. */
const curd = { viscosity: 0.02, heldMlPerG: 0.35, boundWater: true, poured: false, addition: 'curd' } as const;
const grated = { viscosity: 0.05, heldMlPerG: 0.2, boundWater: true, addition: 'curd' } as const;
const chocolate = { viscosity: 0.2, addition: 'chocolate' } as const;
/** Pressed out of its flesh: it pours. */
const juice = { viscosity: 0.0012, heldMlPerG: 0, boundWater: false, poured: true, addition: null } as const;
/** Ground so fine that it is part of the batter. */
const meal = { inclusion: false, addition: 'nut', viscosity: null, trueDensity: 1.1, swells: { slow: 0.3, tauMin: 25, absorption: 0.3 } } as const;

const BY_ID: Readonly<Record<string, Partial<Behaviour>>> = {
  'flour-all-purpose': { swells: { slow: 0.22, tauMin: 18, absorption: 0.6 } },
  'flour-pastry': { swells: { slow: 0.2, tauMin: 14, absorption: 0.54 } },
  'flour-cake': { swells: { slow: 0.18, tauMin: 12, absorption: 0.54 } },
  'flour-bread': { swells: { slow: 0.24, tauMin: 20, absorption: 0.64 } },
  'flour-self-raising-us': { swells: { slow: 0.22, tauMin: 18, absorption: 0.58 } },
  'flour-self-raising-uk': { swells: { slow: 0.22, tauMin: 18, absorption: 0.57 } },
  'flour-whole-wheat': { swells: { slow: 0.32, tauMin: 30, absorption: 0.72 } },
  'flour-white-whole-wheat': { swells: { slow: 0.32, tauMin: 30, absorption: 0.69 } },
  'flour-spelt': { swells: { slow: 0.32, tauMin: 30, absorption: 0.64 } },
  'flour-buckwheat': { swells: { slow: 0.35, tauMin: 35, absorption: 0.72 } },
  'flour-oat': { swells: { slow: 0.4, tauMin: 15, absorption: 0.95 } },
  'rolled-oats': { swells: { slow: 0.6, tauMin: 25, absorption: 1.2 } },
  'flour-rice-white': { swells: { slow: 0.3, tauMin: 25, absorption: 0.55 } },
  'flour-rice-brown': { swells: { slow: 0.3, tauMin: 25, absorption: 0.6 } },
  'corn-meal-fine': { swells: { slow: 0.6, tauMin: 40, absorption: 0.55 } },
  'corn-meal-medium': { swells: { slow: 0.6, tauMin: 40, absorption: 0.5 } },
  'cocoa-natural': { trueDensity: 1.43, swells: { slow: 0.4, tauMin: 20, absorption: 1 }, viscosity: null, addition: 'cocoa' },
  'cocoa-alkalised': { trueDensity: 1.43, swells: { slow: 0.4, tauMin: 20, absorption: 1 }, viscosity: null, addition: 'cocoa' },
  'egg-white': { viscosity: 0.006 },
  'egg-yolk': { viscosity: 0.2 },
  'egg-powder-whole': { poured: false, lactoseShare: 0, eggEquivalent: 4, swells: { slow: 0.2, tauMin: 10, absorption: 1 }, viscosity: null },
  'egg-white-powder': { poured: false, lactoseShare: 0, eggEquivalent: 8, swells: { slow: 0.2, tauMin: 10, absorption: 1.2 }, viscosity: null },
  'malted-milk-powder': { poured: false, lactoseShare: 0.4 },
  buttermilk: { viscosity: 0.006, heldMlPerG: 0.03 },
  kefir: { viscosity: 0.006, heldMlPerG: 0.03 },
  'yoghurt-whole': { viscosity: 0.012, heldMlPerG: 0.1 },
  'yoghurt-greek': { viscosity: 0.02, heldMlPerG: 0.25 },
  'sour-cream': { trueDensity: 1, viscosity: 0.02, heldMlPerG: 0.15, addition: 'cream' },
  'sour-cream-light': { trueDensity: 1, viscosity: 0.02, heldMlPerG: 0.15, addition: 'cream' },
  'creme-fraiche': { trueDensity: 1, viscosity: 0.02, heldMlPerG: 0.15, addition: 'cream' },
  'cream-35': { trueDensity: 1, viscosity: 0.012 },
  'half-and-half': { viscosity: 0.004 },
  ricotta: curd,
  'ricotta-light': curd,
  'cottage-cheese': curd,
  'cottage-cheese-light': curd,
  quark: curd,
  'cream-cheese': curd,
  'cream-cheese-light': curd,
  mascarpone: curd,
  'cheese-hard': grated,
  parmesan: grated,
  feta: grated,
  mozzarella: grated,
  'coconut-milk-canned': { viscosity: 0.012, addition: 'cream' },
  'butter-unsalted': { viscosity: 0.02, lactoseShare: 1 },
  'butter-salted': { viscosity: 0.02, lactoseShare: 1 },
  'butter-clarified': { trueDensity: 0.92, viscosity: 0.02 },
  'oil-vegetable': { trueDensity: 0.92 },
  'oil-olive': { trueDensity: 0.92 },
  'oil-coconut': { trueDensity: 0.92 },
  lard: { trueDensity: 0.92 },
  'maple-syrup': { viscosity: 0.02 },
  banana: { viscosity: 0.005, heldMlPerG: 0.35 },
  applesauce: { viscosity: 0.004, heldMlPerG: 0.3 },
  'pumpkin-puree': { viscosity: 0.004, heldMlPerG: 0.45 },
  'sweet-potato-puree': { viscosity: 0.004, heldMlPerG: 0.45 },
  'lemon-juice': juice,
  'lime-juice': juice,
  'orange-juice': juice,
  'apple-juice': juice,
  'lemon-zest': whole,
  'orange-zest': whole,
  blueberries: whole,
  strawberries: whole,
  raspberries: whole,
  apple: whole,
  pear: whole,
  blackberries: whole,
  cherries: whole,
  cranberries: whole,
  peach: whole,
  pineapple: whole,
  plum: whole,
  rhubarb: whole,
  raisins: whole,
  dates: whole,
  sweetcorn: whole,
  spinach: whole,
  onion: whole,
  mushrooms: whole,
  tomato: whole,
  'cranberries-dried': whole,
  'apricots-dried': whole,
  'banana-dried': whole,
  'chocolate-chips': { inclusion: true, viscosity: null },
  'chocolate-chips-milk': { inclusion: true, viscosity: null },
  'chocolate-chips-white': { inclusion: true, viscosity: null },
  'chips-butterscotch': { inclusion: true, viscosity: null },
  'chips-peanut-butter': { inclusion: true, viscosity: null },
  bacon: { inclusion: true, viscosity: null },
  ham: { inclusion: true, viscosity: null },
  'smoked-salmon': { inclusion: true, viscosity: null },
  granola: { inclusion: true, viscosity: null },
  marshmallows: { inclusion: true, viscosity: null },
  sprinkles: { inclusion: true, viscosity: null },
  'cookie-crumbs': { inclusion: true, viscosity: null },
  'chocolate-dark': chocolate,
  'chocolate-milk': chocolate,
  'peanut-butter': { inclusion: false, viscosity: 0.2, heldMlPerG: 0.2, addition: 'nut' },
  'almond-butter': { inclusion: false, viscosity: 0.2, heldMlPerG: 0.2, addition: 'nut' },
  'linseed-ground': { inclusion: false, viscosity: null, trueDensity: 1.2, swells: { slow: 0.5, tauMin: 20, absorption: 3 } },
  'hazelnuts-ground': meal,
  'walnuts-ground': meal,
  'flour-almond': { addition: 'nut' },
  'flour-coconut': { addition: 'nut' },
  'hazelnut-cocoa-spread': { viscosity: 0.2, addition: 'nut' },
  'wheat-bran': { boundWater: false, viscosity: null, heldMlPerG: 0, addition: null, trueDensity: 1.3, swells: { slow: 0.5, tauMin: 25, absorption: 1.5 } },
  potato: { heldMlPerG: 0.45 },
  'cream-whipped': { viscosity: 0.012, lactoseShare: 1, poured: true },
};

const made = new WeakMap<Ingredient, Behaviour>();

/** How an ingredient behaves in a batter; its own water absorption, where the pantry has one, wins over the model's. */
export function behaviourOf(i: Ingredient): Behaviour {
  const known = made.get(i);
  if (known) return known;
  const b = { ...NONE, ...BY_CATEGORY[i.category], ...BY_ID[i.behaves ?? i.like ?? i.id] };
  const swells = b.swells && i.waterAbsorption ? { ...b.swells, absorption: i.waterAbsorption } : b.swells;
  const full = { ...b, swells };
  made.set(i, full);
  return full;
}

/** Broken down until it is part of the batter; what fruit does on the heat, a nut or a slice of ham does not. */
const GROUND = /\b(?:ground|crush|blend|blitz|pur[eé]e|mash|melt|sieved)/i;
const SOFTENED = /\b(?:mash|pur[eé]e|crush|blend|blitz|grat|shredd|stew|cook|roast|sieved|squeezed)/i;
/** Fruit and chocolate that stay in pieces. */
const IN_PIECES = /\b(?:slic|chop|dic|cub|halv|quarter|wedge|chunk|segment|whole)/i;

const wholes = new WeakMap<Ingredient, Map<string, boolean>>();

/**
 * Whether something stays whole in the batter: berries, chips, nuts, cut fruit. It counts in its own line, and in no ratio,
 * volume or thickness of the batter. @param preparation what is done to it, as written
 */
export function isWholePiece(i: Ingredient, preparation = ''): boolean {
  const b = behaviourOf(i);
  // most things are neither: no word of theirs is looked at
  if (!b.inclusion && i.category !== 'fruit-veg' && b.addition !== 'chocolate') return false;
  const known = wholes.get(i) ?? new Map<string, boolean>();
  wholes.set(i, known);
  let whole = known.get(preparation);
  if (whole === undefined) {
    const broken = i.category === 'fruit-veg' ? SOFTENED : GROUND;
    whole = !broken.test(preparation) && (b.inclusion || IN_PIECES.test(preparation));
    known.set(preparation, whole);
  }
  return whole;
}
