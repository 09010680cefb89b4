/**
 * Conventions: whose cup, how it is filled, which egg and which salt a kitchen means when a card does not say.
 * A fresh house has the ones below; a formula may override each.
 */
import type { CupSystem, Tablespoon } from '../quantity/units';
import { NOTHING_OWN, type Own } from './own';

export const FILL_METHODS = ['sifted', 'spooned', 'fluffed', 'dipped', 'packed'] as const;
export type FillMethod = (typeof FILL_METHODS)[number];

/** How a kitchen fills a cup of flour: one of the ways, or its own as it was weighed. */
export const FLOUR_FILLS = [...FILL_METHODS, 'own'] as const;
export type FlourFill = (typeof FLOUR_FILLS)[number];

/** American sizes, and the European stamps: each its own weight. */
export const EGG_SIZES = [
  'medium',
  'large',
  'extra-large',
  'small-eu',
  'medium-eu',
  'large-eu',
  'extra-large-eu',
] as const;
type EggSize = (typeof EGG_SIZES)[number];

export const SALT_CRYSTALS = ['fine', 'light-flake', 'dense-flake'] as const;
export type SaltCrystal = (typeof SALT_CRYSTALS)[number];

/** Which powder "baking powder" is, where the card does not say. */
export const POWDERS = ['double-aluminium', 'double-phosphate', 'pyrophosphate', 'single-tartrate'] as const;
export type Powder = (typeof POWDERS)[number];

export interface Conventions {
  readonly cup: CupSystem;
  readonly tablespoon: Tablespoon;
  readonly flourFill: FlourFill;
  readonly egg: EggSize;
  readonly salt: SaltCrystal;
  readonly powder: Powder;
}

/** A house to read a card in: its conventions, and what it has of its own. */
export interface KitchenConventions extends Conventions {
  readonly own?: Own | undefined;
}

export const FRESH_CONVENTIONS: Conventions = {
  cup: 'us-customary',
  tablespoon: 'with-cup',
  flourFill: 'spooned',
  egg: 'large',
  salt: 'fine',
  powder: 'double-aluminium',
};

/** Everything about a house that decides what a line means, in one word: for answers that are remembered. */
export function houseKey(h: KitchenConventions): string {
  let key = keys.get(h);
  if (key === undefined) {
    key = [h.cup, h.tablespoon, h.flourFill, h.egg, h.salt, h.powder, h.own?.stamp ?? NOTHING_OWN.stamp].join(' ');
    keys.set(h, key);
  }
  return key;
}
const keys = new WeakMap<KitchenConventions, string>();

/** What each choice is called on screen, in the order it is offered. */
export const CONVENTION_NAMES = {
  cup: {
    'us-customary': 'US cup, 237 ml',
    'us-label': 'label cup, 240 ml',
    metric: 'metric cup, 250 ml',
    imperial: 'imperial cup, 284 ml',
  },
  tablespoon: {
    'with-cup': 'as the cup has it',
    us: 'US, 14.8 ml',
    metric: 'metric, 15 ml',
    australian: 'Australian, 20 ml',
  },
  flourFill: {
    sifted: 'sifted in',
    spooned: 'spooned and levelled',
    fluffed: 'fluffed, then scooped',
    dipped: 'dipped and levelled',
    packed: 'packed',
    own: 'my own, as weighed',
  },
  egg: {
    medium: 'medium, 44 g',
    large: 'large, 50 g',
    'extra-large': 'extra-large, 56 g',
    'small-eu': 'European S, 42 g',
    'medium-eu': 'European M, 50 g',
    'large-eu': 'European L, 59 g',
    'extra-large-eu': 'European XL, 66 g',
  },
  salt: { fine: 'fine', 'light-flake': 'light flake', 'dense-flake': 'dense flake' },
  powder: {
    'double-aluminium': 'double-acting, aluminium',
    'double-phosphate': 'double-acting, aluminium-free',
    pyrophosphate: 'pyrophosphate (sachet)',
    'single-tartrate': 'single-acting, tartrate',
  },
} as const satisfies {
  readonly cup: Readonly<Record<CupSystem, string>>;
  readonly tablespoon: Readonly<Record<Tablespoon, string>>;
  readonly flourFill: Readonly<Record<FlourFill, string>>;
  readonly egg: Readonly<Record<EggSize, string>>;
  readonly salt: Readonly<Record<SaltCrystal, string>>;
  readonly powder: Readonly<Record<Powder, string>>;
};

/** g of an egg without its shell. */
export const EGG_GRAMS: Readonly<Record<EggSize, number>> = {
  medium: 44,
  large: 50,
  'extra-large': 56,
  'small-eu': 42,
  'medium-eu': 50,
  'large-eu': 59,
  'extra-large-eu': 66,
};

/** The ingredient that "egg", "salt" and "baking powder" stand for in a kitchen. */
export const EGG_INGREDIENT: Readonly<Record<EggSize, string>> = {
  medium: 'egg-medium',
  large: 'egg-large',
  'extra-large': 'egg-extra-large',
  'small-eu': 'egg-small-eu',
  'medium-eu': 'egg-medium-eu',
  'large-eu': 'egg-large-eu',
  'extra-large-eu': 'egg-extra-large-eu',
};
export const SALT_INGREDIENT: Readonly<Record<SaltCrystal, string>> = {
  fine: 'salt-table',
  'light-flake': 'salt-kosher-light',
  'dense-flake': 'salt-kosher-dense',
};
export const POWDER_INGREDIENT: Readonly<Record<Powder, string>> = {
  'double-aluminium': 'baking-powder-double-al',
  'double-phosphate': 'baking-powder-double-alfree',
  pyrophosphate: 'baking-powder-sapp',
  'single-tartrate': 'baking-powder-single',
};
