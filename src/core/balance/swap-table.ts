/**
 * What stands in for what: grams for a gram, what comes with it, how it tastes, and what to be careful of. Kitchen
 * sense; what a swap does to water, fat, sugar, acid, salt and allergens is worked from the pantry, not written here.
 * To add a stand-in is to add a row.
 */
import type { FormulaLine } from '../formula/formula';

export interface StandInRow {
  readonly to: string;
  /** Grams for one gram of what it replaces; `egg`: as many eggs. */
  readonly ratio: number | 'egg';
  /** More that goes in, grams for one gram replaced. */
  readonly with?: { readonly id: string; readonly ratio: number };
  readonly says: string;
  readonly caution?: string;
}

const NUTS = 'Tree nuts: keep it apart, and say so to whoever eats.';
const INFANT = 'Honey is not for infants under one year.';

const SWEET_MILKS: readonly StandInRow[] = [
  { to: 'milk-whole', ratio: 1, says: 'rounder, browns well' },
  { to: 'milk-2pct', ratio: 1, says: 'a little leaner' },
  { to: 'milk-skim', ratio: 1, says: 'lean; the crumb dries sooner' },
];
const PLANT: readonly StandInRow[] = [
  { to: 'oat-drink', ratio: 1, says: 'mild, browns a little' },
  { to: 'soy-drink', ratio: 1, says: 'browns well, a trace of bean' },
  { to: 'almond-drink', ratio: 1, says: 'thin and pale', caution: NUTS },
  { to: 'coconut-drink', ratio: 1, says: 'thin, a trace of coconut' },
];
const SOUR: readonly StandInRow[] = [
  { to: 'buttermilk', ratio: 1, says: 'tang, and acid for soda' },
  { to: 'kefir', ratio: 1, says: 'tang, and acid for soda' },
  {
    to: 'yoghurt-whole',
    ratio: 0.75,
    with: { id: 'water', ratio: 0.25 },
    says: 'let down with a quarter of water; thicker, more tang',
  },
];
const SOURED: StandInRow = {
  to: 'milk-whole',
  ratio: 0.94,
  with: { id: 'lemon-juice', ratio: 0.06 },
  says: 'milk soured with lemon: ten minutes until it thickens',
};

/** Soured drinks of plants: acid for soda, and no milk. */
const PLANT_SOURED: readonly StandInRow[] = [
  {
    to: 'oat-drink',
    ratio: 0.94,
    with: { id: 'lemon-juice', ratio: 0.06 },
    says: 'soured with lemon, no milk in it',
  },
  {
    to: 'soy-drink',
    ratio: 0.94,
    with: { id: 'vinegar-white', ratio: 0.06 },
    says: 'soured with vinegar, no milk in it',
  },
];
/** The fat of coconut for that of cream. */
const COCONUT: StandInRow = { to: 'coconut-milk-canned', ratio: 1, says: 'as rich, a taste of coconut; no milk in it' };

const WHEAT: readonly StandInRow[] = [
  { to: 'flour-all-purpose', ratio: 1, says: 'the plain choice' },
  { to: 'flour-cake', ratio: 1, says: 'softer, a little thinner' },
  { to: 'flour-bread', ratio: 1, says: 'chewier; mix less' },
  { to: 'flour-whole-wheat', ratio: 1, says: 'nuttier, drinks more: it thickens as it stands' },
  { to: 'flour-white-whole-wheat', ratio: 1, says: 'whole grain, milder' },
  { to: 'flour-spelt', ratio: 1, says: 'nutty, tender, tears sooner' },
];
const OTHER_FLOURS: readonly StandInRow[] = [
  { to: 'flour-gluten-free', ratio: 1, says: 'a blend without gluten; let it stand' },
  { to: 'flour-buckwheat', ratio: 1, says: 'earthy and grey, no gluten to hold it' },
  { to: 'flour-oat', ratio: 0.95, says: 'sweet and soft, drinks most of all' },
  { to: 'flour-rice-white', ratio: 1, says: 'crisp and pale, no gluten' },
];
const FATS: readonly StandInRow[] = [
  { to: 'butter-unsalted', ratio: 1.23, says: 'butter taste, firmer when cold' },
  { to: 'butter-salted', ratio: 1.23, says: 'the same, with its salt' },
  { to: 'oil-vegetable', ratio: 1, says: 'no taste, stays soft' },
  { to: 'oil-olive', ratio: 1, says: 'a taste of its own' },
  { to: 'oil-coconut', ratio: 1, says: 'sets in a cold batter' },
  { to: 'butter-clarified', ratio: 1, says: 'butter taste, no water' },
];
/** The same for what holds a fifth of water: butter and margarine. */
const forButter = FATS.map((f) => ({
  ...f,
  ratio: f.to.startsWith('butter-') && f.to !== 'butter-clarified' ? 1 : 0.82,
}));
const SUGARS: readonly StandInRow[] = [
  { to: 'sugar-granulated', ratio: 1, says: 'plain sweet' },
  { to: 'sugar-caster', ratio: 1, says: 'the same, dissolves at once' },
  { to: 'sugar-brown-light', ratio: 1.03, says: 'a little toffee, browns more' },
  { to: 'sugar-brown-dark', ratio: 1.03, says: 'toffee, browns more' },
  { to: 'honey', ratio: 1.22, says: 'flowery, wet, browns early', caution: INFANT },
  { to: 'maple-syrup', ratio: 1.5, says: 'maple, wet' },
  { to: 'golden-syrup', ratio: 1.25, says: 'mild toffee, wet' },
];
const scaledBy = (rows: readonly StandInRow[], k: number): readonly StandInRow[] =>
  rows.map((r) => ({ ...r, ratio: typeof r.ratio === 'number' ? r.ratio * k : r.ratio }));
const EGGS: readonly StandInRow[] = [
  { to: 'egg-medium', ratio: 'egg', says: 'as many, smaller' },
  { to: 'egg-large', ratio: 'egg', says: 'as many, large' },
  { to: 'egg-extra-large', ratio: 'egg', says: 'as many, bigger' },
  { to: 'egg-duck', ratio: 'egg', says: 'as many; richer' },
  { to: 'applesauce', ratio: 1.1, says: 'mild, moist, holds less' },
  { to: 'banana', ratio: 1.1, says: 'mashed: sweet, dense, holds less' },
  { to: 'egg-powder-whole', ratio: 0.25, with: { id: 'water', ratio: 0.75 }, says: 'whisked into its water first' },
];
const POWDERS: readonly StandInRow[] = [
  { to: 'baking-powder-double-al', ratio: 1, says: 'waits well; a trace of metal in large amounts' },
  { to: 'baking-powder-double-alfree', ratio: 1, says: 'half of it works on the bench' },
  { to: 'baking-powder-single', ratio: 1.1, says: 'nearly all of it works on the bench: cook at once' },
  { to: 'baking-powder-sapp', ratio: 1.05, says: 'waits fairly well' },
  {
    to: 'baking-soda',
    ratio: 0.3,
    with: { id: 'cream-of-tartar', ratio: 0.68 },
    says: 'your own: soda and cream of tartar, cook at once',
  },
];
const SALTS: readonly StandInRow[] = [
  { to: 'salt-table', ratio: 1, says: 'fine' },
  { to: 'salt-sea-fine', ratio: 1, says: 'fine sea salt' },
  { to: 'salt-kosher-light', ratio: 1, says: 'light flakes: more spoons for the same weight' },
  { to: 'salt-kosher-dense', ratio: 1, says: 'dense flakes' },
];

const STARCHES: readonly StandInRow[] = [
  { to: 'starch-corn', ratio: 1, says: 'crisp, a trace of corn' },
  { to: 'starch-potato', ratio: 1, says: 'crisp and soft, drinks a little more' },
  { to: 'starch-tapioca', ratio: 1, says: 'chewier' },
];

const MILKS = [...SWEET_MILKS, ...SOUR, SOURED, ...PLANT, { to: 'water', ratio: 1, says: 'lean and pale' } as const];
const FLOURS = [...WHEAT, ...OTHER_FLOURS];

const BY_ID: Readonly<Record<string, readonly StandInRow[]>> = {
  buttermilk: [...SOUR, SOURED, ...SWEET_MILKS, ...PLANT_SOURED, ...PLANT],
  kefir: [...SOUR, SOURED, ...SWEET_MILKS, ...PLANT_SOURED],
  'yoghurt-whole': [
    { to: 'buttermilk', ratio: 1, says: 'thinner, the same tang' },
    { to: 'kefir', ratio: 1, says: 'thinner, the same tang' },
    { to: 'yoghurt-greek', ratio: 0.8, with: { id: 'water', ratio: 0.2 }, says: 'let down with water' },
    { to: 'sour-cream', ratio: 1, says: 'richer' },
    { to: 'milk-whole', ratio: 1, says: 'thinner, no tang' },
    ...PLANT_SOURED,
  ],
  'yoghurt-greek': [
    { to: 'yoghurt-whole', ratio: 1.1, says: 'looser' },
    { to: 'sour-cream', ratio: 1, says: 'richer, less tang' },
    { to: 'buttermilk', ratio: 1, says: 'much thinner' },
  ],
  'sour-cream': [
    { to: 'yoghurt-greek', ratio: 1, says: 'leaner, more tang' },
    { to: 'yoghurt-whole', ratio: 1, says: 'leaner, looser' },
    COCONUT,
  ],
  'butter-unsalted': forButter,
  'butter-salted': forButter,
  margarine: forButter,
  honey: scaledBy(SUGARS, 0.82),
  'maple-syrup': scaledBy(SUGARS, 0.66),
  'golden-syrup': scaledBy(SUGARS, 0.8),
  'agave-syrup': scaledBy(SUGARS, 0.76),
  'egg-white': [
    { to: 'egg-white-powder', ratio: 0.125, with: { id: 'water', ratio: 0.875 }, says: 'whisked into its water first' },
  ],
  water: [...SWEET_MILKS, ...PLANT],
  'baking-soda': [
    { to: 'baking-powder-double-al', ratio: 3.3, says: 'three times as much; what is sour stays sour' },
    { to: 'baking-powder-double-alfree', ratio: 3.5, says: 'three times as much; what is sour stays sour' },
  ],
  'half-and-half': [
    {
      to: 'milk-whole',
      ratio: 0.9,
      with: { id: 'butter-unsalted', ratio: 0.1 },
      says: 'milk with a little melted butter',
    },
    ...SWEET_MILKS,
    COCONUT,
  ],
  'cream-35': [
    {
      to: 'milk-whole',
      ratio: 0.6,
      with: { id: 'butter-unsalted', ratio: 0.4 },
      says: 'milk with melted butter: as rich, it does not whip',
    },
    ...SWEET_MILKS,
    COCONUT,
  ],
  'milk-condensed': [],
  'milk-evaporated': [...SWEET_MILKS, COCONUT],
  'cream-18': [
    {
      to: 'milk-whole',
      ratio: 0.82,
      with: { id: 'butter-unsalted', ratio: 0.18 },
      says: 'milk with a little melted butter',
    },
    ...SWEET_MILKS,
    COCONUT,
  ],
  'cream-48': [
    {
      to: 'milk-whole',
      ratio: 0.45,
      with: { id: 'butter-unsalted', ratio: 0.55 },
      says: 'milk with melted butter: as rich, it does not whip',
    },
    COCONUT,
  ],
  'creme-fraiche': [{ to: 'sour-cream', ratio: 1, says: 'a little leaner, more tang' }, COCONUT],
  'sour-cream-light': [
    { to: 'sour-cream', ratio: 1, says: 'richer' },
    { to: 'yoghurt-whole', ratio: 1, says: 'leaner, more tang' },
  ],
  'yoghurt-lowfat': [
    { to: 'yoghurt-whole', ratio: 1, says: 'a little richer' },
    { to: 'buttermilk', ratio: 1, says: 'thinner, as sour' },
    ...PLANT_SOURED,
  ],
  'yoghurt-skim': [
    { to: 'yoghurt-whole', ratio: 1, says: 'a little richer' },
    { to: 'buttermilk', ratio: 1, says: 'thinner, as sour' },
    ...PLANT_SOURED,
  ],
  'yoghurt-greek-skim': [{ to: 'yoghurt-greek', ratio: 1, says: 'richer' }],
  quark: [{ to: 'yoghurt-greek', ratio: 1, says: 'richer, looser' }],
  'cream-cheese': [{ to: 'mascarpone', ratio: 1, says: 'richer, no salt' }],
  'cream-cheese-light': [{ to: 'cream-cheese', ratio: 1, says: 'richer' }],
  'ricotta-light': [{ to: 'ricotta', ratio: 1, says: 'richer' }],
  'cottage-cheese-light': [{ to: 'cottage-cheese', ratio: 1, says: 'a little richer' }],
  mascarpone: [{ to: 'cream-cheese', ratio: 1, says: 'leaner, with salt' }],
  banana: [
    { to: 'applesauce', ratio: 1, says: 'milder, wetter' },
    { to: 'pumpkin-puree', ratio: 1, says: 'not sweet, wetter' },
    { to: 'sweet-potato-puree', ratio: 1, says: 'earthy sweet' },
  ],
  'pumpkin-puree': [
    { to: 'sweet-potato-puree', ratio: 1, says: 'sweeter, drier' },
    { to: 'banana', ratio: 1, says: 'much sweeter' },
    { to: 'applesauce', ratio: 1, says: 'sweeter, looser' },
  ],
  'vinegar-white': [{ to: 'lemon-juice', ratio: 1, says: 'the same acid, a taste of lemon' }],
  'lemon-juice': [{ to: 'vinegar-white', ratio: 0.95, says: 'the same acid, no lemon' }],
  'cocoa-natural': [{ to: 'cocoa-alkalised', ratio: 1, says: 'darker, milder, brings alkali' }],
  'cocoa-alkalised': [{ to: 'cocoa-natural', ratio: 1, says: 'sharper, brings acid' }],
};

const BY_CATEGORY: Readonly<Record<string, readonly StandInRow[]>> = {
  dairy: MILKS,
  'plant-milk': MILKS,
  fat: FATS,
  sugar: SUGARS,
  egg: EGGS,
  flour: FLOURS,
  salt: SALTS,
  starch: STARCHES,
  'nut-seed': [
    { to: 'walnuts', ratio: 1, says: 'bitter-sweet', caution: NUTS },
    { to: 'pecans', ratio: 1, says: 'sweeter', caution: NUTS },
    { to: 'hazelnuts', ratio: 1, says: 'toast them first', caution: NUTS },
  ],
};

/** The stand-ins for an ingredient, none that is made of itself; empty where there is no usual one. */
export function standInsFor(i: { readonly id: string; readonly category: string }): readonly StandInRow[] {
  const rows = i.id.startsWith('baking-powder')
    ? POWDERS
    : i.id === 'egg-yolk'
      ? []
      : (BY_ID[i.id] ?? BY_CATEGORY[i.category] ?? []);
  return rows.filter((r) => r.to !== i.id && r.with?.id !== i.id);
}

/** The stand-ins for a line; empty where the line is not read, made of two things, or has no usual stand-in. */
export const lineStandIns = ({ ingredient, grams, parts }: FormulaLine): readonly StandInRow[] =>
  ingredient && grams && parts.length === 1 ? standInsFor(ingredient) : [];
