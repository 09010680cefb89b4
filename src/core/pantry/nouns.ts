/** The plain nouns an ingredient goes by in a method: "the milk", "eggs", "sugar", "soda". */
import type { Category, Ingredient } from './ingredient';
import { PANTRY } from './pantry';
import { OTHER_NAMES } from './tables/other-names';

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

/** The plain thing of a category, by whose name abroad a method calls every one of them: "Zucker" is any sugar. */
const PLAIN_OF: Partial<Readonly<Record<Category, string>>> = {
  flour: 'flour-all-purpose',
  sugar: 'sugar-granulated',
  salt: 'salt-table',
  egg: 'egg-large',
  dairy: 'milk-whole',
};
/** The same by ingredient; and what a method calls a thing by that is no name of it alone. */
const PLAIN_BY_ID: Readonly<Record<string, readonly string[]>> = {
  'butter-salted': ['butter-unsalted'],
  'butter-clarified': ['butter-unsalted'],
  'oil-olive': ['oil-vegetable'],
  'oil-coconut': ['oil-vegetable'],
  'yeast-instant': ['yeast-fresh'],
};
const CALLED: Partial<Readonly<Record<Category, readonly string[]>>> = {
  egg: ['eigelb', 'eiweiß', 'eischnee', 'dotter', 'jaunes', 'blancs', 'yemas', 'claras'],
  leavening: ['levure', 'levadura', 'lievito', 'hefe', 'triebmittel', 'polvo'],
  starch: ['stärke', 'fécule', 'almidón', 'maizena'],
  'plant-milk': ['milch', 'lait', 'leche', 'bebida', 'boisson'],
};
/** "Apfelscheiben": the thing, and the shape it was cut into. */
const SHAPE_BEHIND = '(?:(?:n|s)?(?:scheiben|spalten|würfel|stücke|stückchen|ringe|schnitze|raspel))?';
const escaped = (w: string): string => w.replace(/[.*+?^${}()|[\]\\]/g, '\\$&');

function namesAbroad(i: Ingredient): readonly string[] {
  const ids = [i.id, PLAIN_OF[i.category], ...(PLAIN_BY_ID[i.id] ?? [])].filter((id) => id !== undefined);
  return [...ids.flatMap((id) => Object.values(OTHER_NAMES[id] ?? {}).flat()), ...(CALLED[i.category] ?? [])];
}

const patterns = new WeakMap<Ingredient, RegExp>();

/** Whether a text names an ingredient, by an English noun of its or a name it has in another language. */
export function isNamedIn(text: string, i: Ingredient): boolean {
  let pattern = patterns.get(i);
  if (!pattern) {
    const own = [...nounsOf(i)].map((n) => `${n.replace(/y$/, '(?:y|ie)')}(?:s|es)?`);
    const abroad = namesAbroad(i).map((n) => `${escaped(n.toLowerCase())}(?:n|en|s|x)?${SHAPE_BEHIND}`);
    pattern = new RegExp(`(?<!\\p{L})(?:${[...own, ...abroad].join('|')})(?!\\p{L})`, 'iu');
    patterns.set(i, pattern);
  }
  return pattern.test(text);
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
