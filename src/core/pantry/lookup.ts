/**
 * From the words on a card to an ingredient. An exact name or alias is found; words that only describe ("fresh",
 * "at room temperature") are set aside; anything else is not guessed at: it comes back as suggestions.
 */
import Fuse from 'fuse.js';
import { EGG_INGREDIENT, houseKey, type KitchenConventions, POWDER_INGREDIENT, SALT_INGREDIENT } from './conventions';
import type { Ingredient } from './ingredient';
import type { Own } from './own';
import { everyIngredient, findIngredient } from './pantry';

export interface Found {
  readonly kind: 'found';
  readonly ingredient: Ingredient;
}
export interface NotFound {
  readonly kind: 'ambiguous' | 'unknown';
  readonly suggestions: readonly Ingredient[];
}

/** Words that say how a thing is, not what it is. */
const DESCRIBES = new Set(
  `fresh freshly good quality best organic free range large medium small big extra ripe overripe very cold chilled warm lukewarm tepid hot boiling
  melted softened soft cooled sifted packed loosely firmly lightly heaping beaten whisked separated well whole grated ground chopped finely roughly coarsely
  mashed sliced diced pureed crushed toasted roasted unbleached bleached enriched pure real natural plain room temperature at of the a an and or
  into to taste divided optional about unsweetened unsalted 
  hen hens chicken pasteurised pasteurized lukewarm thick thin runny clear level scant more extra some your favourite favorite any such as fine
  cooking baking table drained squeezed thawed frozen wild peeled cored pitted if needed needed desired brewed strong black dark light juiced zested grade plus
  separately whipped stiff firm peaks until foamy frothy then for in from with sticks pieces piece cubed scalded strained juicy medium-sized tepid shelled shell`
    .split(/\s+/)
    .filter(Boolean),
);

/** More names than the tables carry. */
const MORE_NAMES: Readonly<Record<string, string>> = {
  buttermilk: 'buttermilk',
  yoghurt: 'yoghurt-whole',
  'plain yoghurt': 'yoghurt-whole',
  'full fat yogurt': 'yoghurt-whole',
  'full fat yoghurt': 'yoghurt-whole',
  'whole milk yogurt': 'yoghurt-whole',
  'whole milk yoghurt': 'yoghurt-whole',
  'greek style yogurt': 'yoghurt-greek',
  'greek style yoghurt': 'yoghurt-greek',
  'corn meal': 'corn-meal-fine',
  'muscovado sugar': 'sugar-brown-dark',
  'dry yeast': 'yeast-instant',
  'dry milk powder': 'milk-powder-skim',
  rum: 'rum',
  'egg medium': 'egg-medium',
  'egg large': 'egg-large',
  'egg extra large': 'egg-extra-large',
  'creme fraiche': '?sour-cream cream-35',
  quark: '?yoghurt-greek cottage-cheese ricotta',
  'cream cheese': '?ricotta cottage-cheese',
  ap: 'flour-all-purpose',
  'all purpose': 'flour-all-purpose',
  'wheat flour': 'flour-all-purpose',
  'whole grain wheat flour': 'flour-whole-wheat',
  'whole meal flour': 'flour-whole-wheat',
  'granulated white sugar': 'sugar-granulated',
  'confectioner sugar': 'sugar-icing',
  syrup: '?maple-syrup golden-syrup corn-syrup-light',
  cream: '?cream-35 half-and-half sour-cream',
  'double cream': '?cream-35',
  'single cream': '?half-and-half cream-35',
  'corn flour': '?corn-meal-fine starch-corn',
  'potato flour': '?starch-potato',
  'egg white': 'egg-white',
  'white of egg': 'egg-white',
  'yolk of egg': 'egg-yolk',
  'juice of lemon': 'lemon-juice',
  'lemon juice': 'lemon-juice',
  'zest of lemon': 'lemon-zest',
  'rind of lemon': 'lemon-zest',
  lemon: '?lemon-juice lemon-zest',
  chip: '?chocolate-chips',
  'chocolate chip': 'chocolate-chips',
  chocolate: '?chocolate-chips cocoa-natural hazelnut-cocoa-spread',
  nut: '?walnuts pecans hazelnuts almonds-chopped',
  berry: '?blueberries strawberries raspberries',
  'mixed berry': '?blueberries strawberries raspberries',
  spread: '?hazelnut-cocoa-spread',
  lukewarm: '?water milk-whole',
  'sparkling water': 'water',
  'mineral water': 'water',
  'soda water': 'water',
  'club soda': 'water',
  soda: 'baking-soda',
  'kosher salt': 'salt-kosher-dense',
  'sea salt': 'salt-sea-fine',
  'flaky salt': 'salt-kosher-light',
  butter: 'butter-unsalted',
  vinegar: 'vinegar-white',
  brandy: 'apple-brandy',
};

const KEEP_S = new Set(['molasses', 'swiss', 'glass', 'sis', 'pus', 'hibiscus', 'couscous', 'asparagus', 'is', 'gas']);

function singular(word: string): string {
  if (word.length < 4 || KEEP_S.has(word) || word.endsWith('ss')) return word;
  if (word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (/(?:atoes|oes|ches|shes|xes)$/.test(word)) return word.slice(0, -2);
  return word.endsWith('s') ? word.slice(0, -1) : word;
}

const words = (text: string): string[] =>
  text
    .normalize('NFD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .replace(/(\d)\s*(?:%|percent|per cent)/g, '$1% ')
    .replace(/[’']s?\b/g, '')
    .split(/[^a-z0-9%.:]+/)
    .map((w) => w.replace(/^[.:]+|[.:]+$/g, ''))
    .filter(Boolean)
    .map(singular);

interface Index {
  readonly exact: ReadonlyMap<string, string>;
  readonly fuse: Fuse<{ readonly id: string; readonly name: string }>;
}

const NO_OWN = {};
const indexes = new WeakMap<object, Index>();

function buildIndex(own: Own | undefined): Index {
  const exact = new Map<string, string>();
  const list: { id: string; name: string }[] = [];
  const put = (name: string, id: string): void => {
    const key = words(name).join(' ');
    if (key && !exact.has(key)) exact.set(key, id);
  };
  // what a kitchen named itself is what it means by the word
  for (const i of own?.ingredients ?? []) {
    put(i.name, i.id);
    for (const a of i.aliases) put(a, i.id);
  }
  for (const [name, id] of Object.entries(MORE_NAMES)) put(name, id);
  for (const i of everyIngredient(own)) {
    for (const a of i.aliases) {
      if (/\(/.test(a)) continue;
      put(a, i.id);
      list.push({ id: i.id, name: a.toLowerCase() });
    }
  }
  for (const i of everyIngredient(own)) {
    put(i.name, i.id);
    put(i.name.replace(/\([^)]*\)/g, ''), i.id);
    list.push({ id: i.id, name: i.name.toLowerCase() });
  }
  return { exact, fuse: new Fuse(list, { keys: ['name'], threshold: 0.36, ignoreLocation: true, includeScore: true, minMatchCharLength: 2 }) };
}

function indexOf(own: Own | undefined): Index {
  const key = own && own.ingredients.length > 0 ? own : NO_OWN;
  let index = indexes.get(key);
  if (!index) {
    index = buildIndex(own);
    indexes.set(key, index);
  }
  return index;
}

/**
 * Up to five likely ingredients for words that are not understood, best first.
 * Fuzzy matching is fuse.js over names and aliases.
 */
function suggest(text: string, own: Own | undefined, most = 5): readonly Ingredient[] {
  const { fuse } = indexOf(own);
  const clean = words(text).filter((w) => !/^[\d.%]+$/.test(w));
  if (clean.length === 0) return [];
  const ids = new Map<string, number>();
  const add = (query: string, weight: number): void => {
    for (const r of fuse.search(query.slice(0, 60), { limit: 12 })) {
      const score = (r.score ?? 1) * weight;
      const had = ids.get(r.item.id);
      if (had === undefined || score < had) ids.set(r.item.id, score);
    }
  };
  add(clean.join(' '), 1);
  for (const w of clean.slice(0, 6)) if (w.length > 3 && !DESCRIBES.has(w)) add(w, 1.25);
  return [...ids.entries()]
    .filter(([, score]) => score < 0.36)
    .sort((a, b) => a[1] - b[1] || (a[0] < b[0] ? -1 : 1))
    .slice(0, most)
    .map(([id]) => findIngredient(id, own))
    .filter((i) => i !== undefined);
}

/** "egg", "salt" and "baking powder" are what the house says they are. */
function asHouse(id: string, key: string, house: KitchenConventions): string {
  if (id === 'egg-large' && /^(?:whole |beaten )?egg$/.test(key)) return EGG_INGREDIENT[house.egg];
  if (id === 'salt-table' && key === 'salt') return SALT_INGREDIENT[house.salt];
  if (id === 'baking-powder-double-al' && /^(?:baking powder|bp)$/.test(key)) return POWDER_INGREDIENT[house.powder];
  return id;
}

/** "2 medium free-range eggs": the size may stand apart from the egg. */
function eggSize(ws: readonly string[]): string {
  if (ws.includes('medium')) return 'egg-medium';
  if (ws.includes('small')) return '?egg-medium egg-large';
  return ws.includes('extra') && ws.includes('large') ? 'egg-extra-large' : 'egg-large';
}

function answer(id: string, key: string, house: KitchenConventions): Found | NotFound {
  if (id.startsWith('?')) {
    const suggestions = id
      .slice(1)
      .split(' ')
      .map((x) => findIngredient(x, house.own))
      .filter((x) => x !== undefined);
    return { kind: 'ambiguous', suggestions };
  }
  const found = findIngredient(asHouse(id, key, house), house.own);
  return found ? { kind: 'found', ingredient: found } : { kind: 'unknown', suggestions: [] };
}

const cache = new Map<string, Found | NotFound>();
const CACHE_MOST = 4000;

/**
 * Finds the ingredient a phrase names.
 * @param phrase the words without their amount
 * @param house decides which egg and which salt is meant where the words don't
 */
export function lookUp(phrase: string, house: KitchenConventions): Found | NotFound {
  const cacheKey = `${houseKey(house)}|${phrase}`;
  const had = cache.get(cacheKey);
  if (had) return had;
  const result = search(phrase, house);
  if (cache.size >= CACHE_MOST) cache.clear();
  cache.set(cacheKey, result);
  return result;
}

function search(phrase: string, house: KitchenConventions): Found | NotFound {
  const { exact } = indexOf(house.own);
  const ws = words(phrase);
  if (ws.length === 0) return { kind: 'unknown', suggestions: [] };
  // the longest run of words that is a name, provided every word left over only describes
  let best: { id: string; key: string; size: number } | null = null;
  for (let size = Math.min(ws.length, 10); size > 0 && !best; size--) {
    for (let from = 0; from + size <= ws.length; from++) {
      const key = ws.slice(from, from + size).join(' ');
      const id = exact.get(key);
      if (!id) continue;
      const left = [...ws.slice(0, from), ...ws.slice(from + size)];
      if (left.every((w) => DESCRIBES.has(w) || /^[\d.]+%?$/.test(w))) {
        best = { id, key, size };
        break;
      }
    }
  }
  if (best) return answer(best.key === 'egg' ? eggSize(ws) : best.id, best.key === 'egg' && ws.includes('large') ? 'large egg' : best.key, house);
  return { kind: 'unknown', suggestions: suggest(phrase, house.own) };
}
