/**
 * What the models need of an ingredient beyond its composition: a second table, all of it "model".
 * True density from kitchen physics (flour 1.45, sugar 1.59, oil 0.92, milk and egg 1.03 g/mL); hydration, immobilised
 * volume and liquid viscosity from the thickness model, with a default for each category where nothing better is known.
 */
import type { Category, Ingredient } from '../ingredient';

export interface Behaviour {
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
}

const NONE: Behaviour = {
  trueDensity: null, swells: null, heldMlPerG: 0, viscosity: null, inclusion: false, boundWater: false, poured: false, lactoseShare: 0, eggEquivalent: 0,
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
  'fruit-veg': { viscosity: 0.004, heldMlPerG: 0.3, boundWater: true },
  'nut-seed': { inclusion: true },
  flavour: { viscosity: 0.0015 },
  liquid: { viscosity: 0.001, poured: true },
  topping: { viscosity: 0.05 },
};

const whole = { inclusion: true, heldMlPerG: 0, viscosity: null } as const;

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
  'cocoa-natural': { trueDensity: 1.43, swells: { slow: 0.4, tauMin: 20, absorption: 1 }, viscosity: null },
  'cocoa-alkalised': { trueDensity: 1.43, swells: { slow: 0.4, tauMin: 20, absorption: 1 }, viscosity: null },
  'egg-white': { viscosity: 0.006 },
  'egg-yolk': { viscosity: 0.2 },
  'egg-powder-whole': { poured: false, lactoseShare: 0, eggEquivalent: 4, swells: { slow: 0.2, tauMin: 10, absorption: 1 }, viscosity: null },
  'egg-white-powder': { poured: false, lactoseShare: 0, eggEquivalent: 8, swells: { slow: 0.2, tauMin: 10, absorption: 1.2 }, viscosity: null },
  'malted-milk-powder': { poured: false, lactoseShare: 0.4 },
  buttermilk: { viscosity: 0.006, heldMlPerG: 0.03 },
  kefir: { viscosity: 0.006, heldMlPerG: 0.03 },
  'yoghurt-whole': { viscosity: 0.012, heldMlPerG: 0.1 },
  'yoghurt-greek': { viscosity: 0.02, heldMlPerG: 0.25 },
  'sour-cream': { trueDensity: 1, viscosity: 0.02, heldMlPerG: 0.15 },
  'cream-35': { trueDensity: 1, viscosity: 0.012 },
  'half-and-half': { viscosity: 0.004 },
  ricotta: { viscosity: 0.02, heldMlPerG: 0.35, boundWater: true, poured: false },
  'cottage-cheese': { viscosity: 0.02, heldMlPerG: 0.35, boundWater: true, poured: false },
  'coconut-milk-canned': { viscosity: 0.012 },
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
  'lemon-juice': { viscosity: 0.0012, heldMlPerG: 0, boundWater: false, poured: true },
  'lemon-zest': whole,
  blueberries: whole,
  strawberries: whole,
  raspberries: whole,
  apple: whole,
  pear: whole,
  'chocolate-chips': { inclusion: true, viscosity: null },
  'peanut-butter': { inclusion: false, viscosity: 0.2, heldMlPerG: 0.2 },
  'almond-butter': { inclusion: false, viscosity: 0.2, heldMlPerG: 0.2 },
  'cream-whipped': { viscosity: 0.012, lactoseShare: 1, poured: true },
};

const made = new WeakMap<Ingredient, Behaviour>();

/** How an ingredient behaves in a batter; its own water absorption, where the pantry has one, wins over the model's. */
export function behaviourOf(i: Ingredient): Behaviour {
  const known = made.get(i);
  if (known) return known;
  const b = { ...NONE, ...BY_CATEGORY[i.category], ...BY_ID[i.like ?? i.id] };
  const swells = b.swells && i.waterAbsorption ? { ...b.swells, absorption: i.waterAbsorption } : b.swells;
  const full = { ...b, swells };
  made.set(i, full);
  return full;
}
