/** The plain nouns an ingredient goes by in a method: "the milk", "eggs", "sugar", "soda". */
import type { Category, Ingredient } from './ingredient';
import { PANTRY } from './pantry';

const BY_CATEGORY: Partial<Readonly<Record<Category, readonly string[]>>> = {
  flour: ['flour'],
  starch: ['starch', 'flour'],
  sugar: ['sugar'],
  syrup: ['syrup'],
  salt: ['salt'],
  egg: ['egg', 'yolk', 'white'],
  dairy: ['milk'],
  'plant-milk': ['milk', 'drink'],
  'dry-dairy': ['powder', 'milk'],
};

const BY_ID: Readonly<Record<string, readonly string[]>> = {
  'egg-yolk': ['egg', 'yolk'],
  'egg-white': ['egg', 'white'],
  'egg-powder-whole': ['egg', 'powder'],
  'baking-soda': ['soda', 'bicarbonate', 'bicarb'],
  'yeast-instant': ['yeast'],
  buttermilk: ['buttermilk', 'milk'],
  'yoghurt-whole': ['yoghurt', 'yogurt'],
  'yoghurt-greek': ['yoghurt', 'yogurt'],
  'sour-cream': ['cream'],
  'cream-35': ['cream'],
  kefir: ['kefir', 'milk'],
  ricotta: ['ricotta', 'cheese'],
  'cottage-cheese': ['cheese'],
  'butter-unsalted': ['butter'],
  'butter-salted': ['butter', 'salt'],
  'butter-clarified': ['butter'],
  'oil-vegetable': ['oil'],
  'oil-olive': ['oil'],
  'oil-coconut': ['oil', 'coconut'],
  margarine: ['margarine', 'butter'],
  lard: ['lard'],
  honey: ['honey'],
  molasses: ['molasses', 'treacle'],
  'maple-syrup': ['syrup', 'maple'],
  banana: ['banana'],
  'pumpkin-puree': ['pumpkin', 'puree'],
  'sweet-potato-puree': ['potato', 'puree'],
  apple: ['apple'],
  applesauce: ['applesauce', 'apple', 'sauce'],
  pear: ['pear'],
  blueberries: ['blueberry', 'berry'],
  strawberries: ['strawberry', 'berry'],
  raspberries: ['raspberry', 'berry'],
  'lemon-juice': ['lemon', 'juice'],
  'lemon-zest': ['lemon', 'zest', 'rind'],
  walnuts: ['walnut', 'nut'],
  pecans: ['pecan', 'nut'],
  hazelnuts: ['hazelnut', 'nut'],
  'almonds-chopped': ['almond', 'nut'],
  'chocolate-chips': ['chocolate', 'chip'],
  'cocoa-natural': ['cocoa'],
  'cocoa-alkalised': ['cocoa'],
  'vanilla-extract': ['vanilla'],
  cinnamon: ['cinnamon', 'spice'],
  ginger: ['ginger', 'spice'],
  nutmeg: ['nutmeg', 'spice'],
  clove: ['clove', 'spice'],
  beer: ['beer'],
  'coffee-brewed': ['coffee'],
  'vinegar-white': ['vinegar'],
  'vinegar-cider': ['vinegar'],
  rum: ['rum'],
  'apple-brandy': ['brandy'],
  'cream-of-tartar': ['tartar'],
  'rolled-oats': ['oat', 'flour'],
  'corn-meal-fine': ['cornmeal', 'meal', 'flour'],
  'corn-meal-medium': ['cornmeal', 'meal', 'flour'],
};

const made = new WeakMap<Ingredient, ReadonlySet<string>>();

/** Singular, lower case. */
export function nounsOf(i: Ingredient): ReadonlySet<string> {
  const known = made.get(i);
  if (known) return known;
  const own =
    BY_ID[i.id] ??
    (i.id.startsWith('baking-powder') ? ['powder'] : [...(BY_CATEGORY[i.category] ?? []), ...lastWord(i)]);
  const set = new Set(own);
  made.set(i, set);
  return set;
}

const singular = (w: string): string => w.replace(/ies$/, 'y').replace(/(?<=[^s])s$/, '');

function lastWord(i: Ingredient): readonly string[] {
  const words =
    i.name
      .replace(/\([^)]*\)/g, '')
      .toLowerCase()
      .match(/[a-z]+/g) ?? [];
  const last = words.at(-1);
  return last && last.length > 2 ? [singular(last)] : [];
}

/** Nouns that name one thing of the pantry and nothing else in a kitchen: what a method can be searched for. */
const TOO_LOOSE = new Set([
  'powder',
  'drink',
  'juice',
  'sauce',
  'spice',
  'white',
  'nut',
  'berry',
  'chip',
  'meal',
  'puree',
  'cheese',
  'rind',
  'starch',
  'type',
  'flake',
  'brewed',
  'concentrate',
  'spread',
  'jam',
  'whipped',
  'chopped',
  'potato',
  'drop',
  // names of parts and forms, verbs, and words that mean other things beside a bowl
  'acid',
  'blend',
  'che',
  'colouring',
  'compote',
  'crumb',
  'curd',
  'date',
  'extract',
  'gum',
  'half',
  'kernel',
  'liqueur',
  'monohydrate',
  'paste',
  'phosphate',
  'plum',
  'pod',
  'pudding',
  'pyrophosphate',
  'seed',
  'shortening',
  'spray',
  'sprinkle',
  'tartar',
  'tea',
  'wine',
  'treacle',
  'orange',
  'ham',
  'bran',
  'pepper',
  'onion',
  'sauce',
  'chive',
  'basil',
  'cordial',
  'fat',
  'germ',
  'gluten',
  'harina',
  'husk',
  'mint',
  'mustard',
  'nib',
  'pea',
  'peel',
  'protein',
  'pulp',
  'rosemary',
  'sage',
  'thyme',
  'bean',
  'cider',
  'fresco',
  'fruit',
  'meat',
  'olive',
  'sake',
  'starter',
  'tomatoe',
]);

let all: ReadonlySet<string> | null = null;

/** Every noun worth looking for in a method. */
export function kitchenNouns(): ReadonlySet<string> {
  all ??= new Set(PANTRY.flatMap((i) => [...nounsOf(i)]).filter((n) => !TOO_LOOSE.has(n)));
  return all;
}
