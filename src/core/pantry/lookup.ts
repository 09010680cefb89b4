/**
 * From the words on a card to an ingredient. Every word is answered for: it names the thing, changes what it is, says
 * what is done to it, or says nothing. Words that change it count wherever they stand ("milk, 2 %", "flour
 * (self-raising)"); a name with one that the pantry does not hold is not guessed at, it comes back as a question with
 * the nearest.
 */
import { distance } from 'fastest-levenshtein';
import { plain } from '../quantity/units';
import { EGG_INGREDIENT, houseKey, type KitchenConventions, POWDER_INGREDIENT, SALT_INGREDIENT } from './conventions';
import type { Ingredient } from './ingredient';
import type { Own } from './own';
import { everyIngredient, findIngredient } from './pantry';
import { MORE_NAMES } from './tables/more-names';
import { LANGUAGES, type Language, OTHER_NAMES } from './tables/other-names';
import { FILLER, HARMLESS, HARMLESS_WITH, HEADS, ITS_PARTS, STATE, VARIANT } from './tables/words';

export interface Found {
  readonly kind: 'found';
  readonly ingredient: Ingredient;
}
export interface NotFound {
  readonly kind: 'ambiguous' | 'unknown';
  readonly suggestions: readonly Ingredient[];
}

/** What a word of a name was taken for. */
type NameClaim = 'ingredient' | 'variant' | 'state' | 'filler' | 'unknown';

export type NameReading = (Found | NotFound) & {
  /** For each word given, in order. */
  readonly as: readonly NameClaim[];
};

const KEEP_S = new Set([
  'molasses',
  'swiss',
  'glass',
  'sis',
  'pus',
  'hibiscus',
  'couscous',
  'asparagus',
  'is',
  'gas',
  'whites',
  'oats',
  'moes',
  'appelmoes',
  'pus',
  'citrus',
  'plus',
]);

/** The singular of an English word, near enough; of a short or another word itself. */
export function singular(word: string): string {
  if (word.length < 4 || KEEP_S.has(word) || word.endsWith('ss')) return word;
  if (word.endsWith('ies')) return `${word.slice(0, -3)}y`;
  if (/(?:atoes|oes|ches|shes|xes)$/.test(word)) return word.slice(0, -2);
  return word.endsWith('s') ? word.slice(0, -1) : word;
}

/** The words of a phrase as they are looked up: no accents, lower case, the singular. */
export const wordsIn = (text: string): string[] =>
  plain(text)
    .replace(/(\d)\s*(?:%|percent\b|per cent\b)/g, '$1% ')
    .replace(/(\d),(\d)/g, '$1.$2')
    .replace(/\b[dl][’'](?=\p{L})/gu, '')
    .replace(/[’']s?\b/g, '')
    .split(/[^a-z0-9%.:]+/)
    .map((w) => w.replace(/^[.:]+|[.:]+$/g, ''))
    .filter(Boolean)
    .map((w) => (w === 'oats' ? 'oat' : singular(w)));

interface Index {
  readonly exact: ReadonlyMap<string, string>;
  /** By the words of a name in any order. */
  readonly bags: ReadonlyMap<string, string>;
  /** Every word that some name holds. */
  readonly words: ReadonlySet<string>;
  readonly longest: number;
  /** Each name and alias by its words, with what it is of. */
  readonly names: readonly { readonly id: string; readonly words: readonly string[] }[];
  /** Words of `words` that a word may be a slip of the pen for, kept as they are worked out. */
  readonly near: Map<string, readonly Near[]>;
}

/** Words and readings kept at most. */
const CACHE_MOST = 8000;

interface Near {
  readonly word: string;
  /** Letters written wrongly, and what else speaks against it. */
  readonly slips: number;
}

const NO_OWN = {};
const indexes = new WeakMap<object, Index>();

const bagOf = (ws: readonly string[]): string => [...new Set(ws)].sort().join(' ');
/** Names whose words may stand side by side and mean two things: these count only as they are written. */
const AS_WRITTEN = new Set(
  [
    'buttermilk',
    'butter milk',
    'vanilla sugar',
    'milk chocolate',
    'chocolate milk',
    'cinnamon sugar',
    'butter oil',
    'sugar syrup',
    'egg powder',
  ].map((n) => bagOf(n.split(' '))),
);

function buildIndex(own: Own | undefined): Index {
  const exact = new Map<string, string>();
  const bags = new Map<string, string>();
  const known = new Set<string>();
  const names: { id: string; words: readonly string[] }[] = [];
  let longest = 1;
  const put = (name: string, id: string): void => {
    const ws = wordsIn(name);
    const key = ws.join(' ');
    if (!key) return;
    for (const w of ws) known.add(w);
    longest = Math.max(longest, ws.length);
    if (!exact.has(key)) exact.set(key, id);
    const bag = bagOf(ws);
    if (ws.length > 1 && !AS_WRITTEN.has(bag) && !bags.has(bag)) bags.set(bag, id);
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
      names.push({ id: i.id, words: wordsIn(a) });
    }
  }
  for (const i of everyIngredient(own)) {
    put(i.name, i.id);
    put(i.name.replace(/\([^)]*\)/g, ''), i.id);
    names.push({ id: i.id, words: wordsIn(i.name) });
  }
  return { exact, bags, words: known, longest, names, near: new Map() };
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

/** Names of other languages: what each means, by language. */
let others: { readonly names: ReadonlyMap<string, ReadonlyMap<Language, string>>; readonly longest: number } | null =
  null;
function otherNames() {
  if (others) return others;
  const names = new Map<string, Map<Language, string>>();
  let longest = 1;
  for (const [id, by] of Object.entries(OTHER_NAMES))
    for (const lang of LANGUAGES)
      for (const name of by[lang] ?? []) {
        const ws = wordsIn(name);
        longest = Math.max(longest, ws.length);
        const key = ws.join(' ');
        const at = names.get(key) ?? new Map<Language, string>();
        const had = at.get(lang);
        // one word, two things in one language: asked about
        at.set(lang, had && had !== id ? `?${had.replace('?', '')} ${id}` : id);
        names.set(key, at);
      }
  // "mit zwei Eiern, drei Äpfeln"
  for (const [key, by] of [...names]) {
    const id = by.get('de');
    const several = /(?:er|el|e)$/.test(key) ? `${key}n` : null;
    if (id && several && !names.get(several)?.has('de'))
      names.set(several, new Map([...(names.get(several) ?? []), ['de', id]]));
  }
  others = { names, longest };
  return others;
}

/** In which languages a word or name is an ingredient's. */
export const languagesOf = (name: string): readonly Language[] => [
  ...(otherNames().names.get(wordsIn(name).join(' '))?.keys() ?? []),
];

/** Offered at most for words that are not understood. */
const MOST_OFFERED = 5;

/** How much of a word another one is, 0 to 1: itself, its beginning or a part of it, or a slip of the pen away. */
function likeness(asked: string, word: string): number {
  if (asked === word) return 1;
  const [short, long] = asked.length < word.length ? [asked, word] : [word, asked];
  if (short.length >= LEAST_PART && long.includes(short)) return short.length / long.length;
  const most = mostSlips(asked);
  if (asked.length < LEAST_PART || Math.abs(asked.length - word.length) > most) return 0;
  const slips = distance(asked, word);
  return slips <= most ? 0.9 * (1 - slips / asked.length) : 0;
}
/** Letters that a part of a word has at least. */
const LEAST_PART = 4;
/** Below this a name is nothing that the words may mean. */
const LEAST_LIKENESS = 0.45;

/** Likely ingredients for words that are no slip of any name's, best first: names that share a word, or most of one. */
function alike(clean: readonly string[], own: Own | undefined): readonly Ingredient[] {
  const ws = clean.filter((w) => w.length > 2 && !/^[\d.%]+$/.test(w) && !HARMLESS.has(w) && !STATE.has(w)).slice(0, 6);
  const best = new Map<string, number>();
  for (const { id, words } of indexOf(own).names) {
    const found = words.map((x) => Math.max(0, ...ws.map((w) => likeness(w, x))));
    const top = Math.max(0, ...found);
    if (top < LEAST_LIKENESS) continue;
    // of two names with the same word the one that says less besides
    const score = top + 0.1 * (found.reduce((a, x) => a + x, 0) / words.length);
    if (score > (best.get(id) ?? 0)) best.set(id, score);
  }
  return [...best]
    .sort((a, b) => b[1] - a[1] || (a[0] < b[0] ? -1 : 1))
    .slice(0, MOST_OFFERED)
    .map(([id]) => findIngredient(id, own))
    .filter((i) => i !== undefined);
}

/** Letters written wrongly, at most, for a word still to be taken for a slip of the pen. */
const mostSlips = (word: string): number => (word.length <= 3 ? 1 : word.length <= 7 ? 2 : 3);
const sameLetters = (a: string, b: string): boolean =>
  a.length === b.length && [...a].sort().join('') === [...b].sort().join('');

/**
 * Up to six words of the pantry that a word may be a slip of the pen for, nearest first. A word that is one itself
 * counts as a slip more.
 */
function nearTo(w: string, index: Index): readonly Near[] {
  if (w.length < 3 || /\d/.test(w) || FILLER.has(w)) return [];
  const had = index.near.get(w);
  if (had) return had;
  const known = index.words.has(w) || STATE.has(w) || HARMLESS.has(w) ? 1 : 0;
  const most = mostSlips(w);
  const out: Near[] = [];
  for (const word of index.words) {
    if (word === w || word.length < 3 || Math.abs(word.length - w.length) > most) continue;
    // the first letter is seldom the wrong one
    const slips = (sameLetters(w, word) ? 1 : distance(w, word)) + (word[0] === w[0] ? 0 : 0.5);
    if (slips <= most) out.push({ word, slips: slips + known });
  }
  const best = out.sort((a, b) => a.slips - b.slips || (a.word < b.word ? -1 : 1)).slice(0, 6);
  if (index.near.size >= CACHE_MOST) index.near.clear();
  index.near.set(w, best);
  return best;
}

/**
 * A phrase as it may have been meant where a word or two of it are misspelt, fewest wrong letters first.
 * @returns the phrases; whether they name anything is for the caller to find out
 */
function respelt(ws: readonly string[], index: Index): readonly (readonly string[])[] {
  const near = ws.map((w) => nearTo(w, index));
  const put = (words: readonly string[], n: number, word: string): readonly string[] =>
    words.map((w, k) => (k === n ? word : w));
  const one = near.flatMap((at, n) => at.map((a) => ({ n, words: put(ws, n, a.word), slips: a.slips })));
  const two = one.flatMap((t) =>
    near.flatMap((at, m) =>
      m > t.n ? at.slice(0, 3).map((b) => ({ words: put(t.words, m, b.word), slips: t.slips + b.slips })) : [],
    ),
  );
  return [...one, ...two].sort((a, b) => a.slips - b.slips).map((t) => t.words);
}

/** "egg", "salt" and "baking powder" are what the house says they are. */
function asHouse(id: string, key: string, house: KitchenConventions): string {
  if (id === 'egg-large' && /^(?:whole |beaten |hen )?egg$/.test(key)) return EGG_INGREDIENT[house.egg];
  if (id === 'salt-table' && key === 'salt') return SALT_INGREDIENT[house.salt];
  if (id === 'baking-powder-double-al' && /^(?:baking powder|bp)$/.test(key)) return POWDER_INGREDIENT[house.powder];
  return id;
}

/** "2 medium free-range eggs": the size may stand apart from the egg. A letter alone is the stamp of a European egg. */
function eggSize(ws: readonly string[]): { readonly id: string; readonly said: boolean } {
  const has = (w: string): boolean => ws.includes(w);
  if (has('medium')) return { id: 'egg-medium', said: true };
  if (has('m')) return { id: 'egg-medium-eu', said: true };
  if (has('small')) return { id: 'egg-small', said: true };
  if (has('s')) return { id: 'egg-small-eu', said: true };
  if (has('jumbo') || has('giant')) return { id: 'egg-jumbo', said: true };
  if (has('xl') || ((has('extra') || has('very') || has('really')) && has('large')))
    return { id: 'egg-extra-large', said: true };
  if (has('l')) return { id: 'egg-large-eu', said: true };
  return { id: 'egg-large', said: has('large') || has('big') };
}

type Match = { readonly id: string; readonly key: string; readonly used: readonly boolean[] };

const harmlessWith = (w: string, last: string, key: string): boolean =>
  HARMLESS_WITH.some(([word, re]) => word === w && (re.test(last) || re.test(key)));

/** What a word is that no name used; null: it may change what the thing is, or nobody knows it. */
function leftOver(w: string, key: string): NameClaim | null {
  if (FILLER.has(w)) return 'filler';
  if (STATE.has(w)) return 'state';
  if (HARMLESS.has(w)) return 'filler';
  return harmlessWith(w, key.slice(key.lastIndexOf(' ') + 1), key) ? 'filler' : null;
}

const PART_OF_EGG = new Set(['white', 'yolk']);
/** Whether a word is left over by no name: it says something, and no name makes it harmless. */
const isBound = (w: string): boolean => leftOver(w, '') === null && !HARMLESS_WITH.some(([word]) => word === w);

/** The longest run of words that is a name, provided that every word left over changes nothing. */
function byRun(
  ws: readonly string[],
  names: { get: (key: string) => string | undefined },
  longest: number,
): Match | null {
  // a run holds every word that may not be left over, whatever the name
  const first = ws.findIndex(isBound);
  const last = ws.findLastIndex(isBound);
  const least = first < 0 ? 1 : last - first + 1;
  for (let size = Math.min(ws.length, longest); size >= least; size--)
    for (
      let from = first < 0 ? 0 : Math.max(0, last - size + 1);
      from + size <= ws.length && (first < 0 || from <= first);
      from++
    ) {
      const key = ws.slice(from, from + size).join(' ');
      const id = names.get(key);
      if (!id) continue;
      // a white egg is an egg, an egg's white is not
      if (PART_OF_EGG.has(ws[from + size] ?? '') && /\begg$/.test(key)) continue;
      if (ws.every((w, n) => (n >= from && n < from + size) || leftOver(w, key) !== null))
        return { id, key, used: ws.map((_, n) => n >= from && n < from + size) };
    }
  return null;
}

/** A name whose words stand apart or turned round: "sugar, soft brown", "flour (self-raising)". */
function byBag(ws: readonly string[], index: Index): Match | null {
  const candidates = ws.map((w) => !FILLER.has(w));
  const without = [
    (_: string) => false,
    (w: string) => STATE.has(w),
    (w: string) => HARMLESS.has(w),
    (w: string) => STATE.has(w) || HARMLESS.has(w),
    (w: string) => STATE.has(w) || HARMLESS.has(w) || HARMLESS_WITH.some(([x]) => x === w),
  ];
  for (const drop of without) {
    const used = ws.map((w, n) => candidates[n] === true && !drop(w));
    const own = ws.filter((_, n) => used[n]);
    if (own.length < 2 || own.length > 7) continue;
    const key = bagOf(own);
    const id = index.bags.get(key);
    const last = own.find((w) => HEADS.has(w)) ?? own[own.length - 1] ?? '';
    if (id && ws.every((w, n) => used[n] || leftOver(w, `${key} ${last}`) !== null)) return { id, key, used };
  }
  return null;
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

/** A size as the house's own eggs are stamped. */
const stamped = (id: string, house: KitchenConventions): string =>
  house.egg.endsWith('-eu') && /^egg-(?:small|medium|large|extra-large)$/.test(id) ? `${id}-eu` : id;

function answerMatch(m: Match, ws: readonly string[], house: KitchenConventions): NameReading {
  const size = m.key === 'egg' || m.key === 'hen egg' || m.key === 'whole egg' ? eggSize(ws) : null;
  const key = size?.said ? 'sized egg' : m.key;
  // the word that says what it is; the others say which
  const taken = ws.filter((_, n) => m.used[n]);
  const last = taken.findLast((w) => HEADS.has(w)) ?? taken[taken.length - 1];
  return {
    ...answer(
      size?.said ? stamped(size.id, house) : /small|medium|large/.test(m.key) ? stamped(m.id, house) : m.id,
      key,
      house,
    ),
    as: ws.map((w, n): NameClaim => {
      if (m.used[n]) return w !== last && (VARIANT.has(w) || /%$/.test(w)) ? 'variant' : 'ingredient';
      if (size && /^(?:small|medium|large|jumbo|xl|l|m|s|big|extra)$/.test(w)) return 'variant';
      return leftOver(w, m.key) ?? 'unknown';
    }),
  };
}

/** Adjectives by their ending; a noun before "flour" or "milk" is mostly a plant. */
const LIKE_AN_ADJECTIVE = /(?:[^e]y|ly|ish|ful|ous|less|est|like|esque|ive|able|ible)$/;
const LIKE_A_NOUN =
  /(?:berry|nut|barley|rosemary|celery|sherry|chicory|curry|parsley|whisky|whiskey|turkey|jelly|candy|soy|whey|poppy|barberry|savory|jersey|bay)$/;

/**
 * Whether an unknown word only praises or describes: by its ending, or because it stands after the thing, past a comma.
 */
function describes(ws: readonly string[], n: number, breaks: readonly number[], index: Index): boolean {
  const w = ws[n] ?? '';
  const isBehind = breaks.some((b) => b <= n);
  // "laid on", "warmed up"
  if (isBehind && /^(?:on|up)$/.test(w)) return true;
  if (w.length < 3 || /\d/.test(w) || VARIANT.has(w) || index.words.has(w) || LIKE_A_NOUN.test(w)) return false;
  if (isBehind) return true;
  // the last word of a name says what it is: "sweet potato fries"
  return LIKE_AN_ADJECTIVE.test(w) && n < ws.length - 1;
}

function inOtherLanguages(
  ws: readonly string[],
  languages: ReadonlySet<Language> | null,
  house: KitchenConventions,
): NameReading | null {
  const { names, longest } = otherNames();
  const pick = (key: string): string | undefined => {
    const by = names.get(key);
    if (!by) return undefined;
    const ids = new Set(
      [...by]
        .filter(([lang]) => languages === null || languages.has(lang))
        .flatMap(([, id]) => id.replace('?', '').split(' ')),
    );
    if (ids.size === 0) return undefined;
    return ids.size === 1 ? [...ids][0] : `?${[...ids].join(' ')}`;
  };
  const m = byRun(ws, { get: pick }, longest);
  // "egg", "salt" in another language are the house's too
  const key = m?.id === 'egg-large' ? 'egg' : m?.id === 'salt-table' ? 'salt' : (m?.key ?? '');
  return m ? answerMatch({ ...m, key }, ws, house) : null;
}

interface NameAsked {
  /** Words from which another part of the line begins: past a comma or a bracket. */
  readonly breaks?: readonly number[];
  /** The languages the card seems to be in, besides English; null: any. */
  readonly languages?: ReadonlySet<Language> | null;
}

/**
 * Whether a name was put together from two things: it holds words from both sides of a comma or bracket in the order
 * they stand in. A name turned round ("sugar, soft brown", "milk (coconut)") is one thing; "butter, milk" and "butter,
 * oil" are two.
 */
function isPutTogether(m: Match, ws: readonly string[], breaks: readonly number[], index: Index): boolean {
  const parts = [0, ...breaks]
    .map((from, n) => ws.slice(from, breaks[n] ?? ws.length).filter((_, k) => m.used[from + k]))
    .filter((p) => p.length > 0);
  const [first, second] = parts;
  // a part of the thing itself, and a name that only says more of it
  if (
    parts.length !== 2 ||
    !first ||
    !second ||
    second.every((w) => ITS_PARTS.has(w) || /^(?:white|yolk|zest|juice|rind|peel)s?$/.test(w)) ||
    index.exact.get(first.join(' ')) === m.id
  )
    return false;
  const has = (words: readonly string[]): boolean => index.exact.get(words.join(' ')) !== undefined;
  return has([...first, ...second]) && !has([...second, ...first]) && has(first) && has(second);
}

/**
 * What words that name nothing may have meant: the plain thing first, where leaving one or two words out makes a name.
 * @param one reads words as a name
 */
function offeredFor(
  ws: readonly string[],
  house: KitchenConventions,
  index: Index,
  one: (of: readonly string[]) => NameReading | null,
): readonly Ingredient[] {
  const near: Ingredient[] = [];
  const offer = (of: readonly string[]): void => {
    const r = one(of);
    if (r?.kind === 'found') near.push(r.ingredient);
    else if (r?.kind === 'ambiguous') near.push(...r.suggestions);
  };
  const less = (drop: (w: string, n: number) => boolean): void => offer(ws.filter((w, n) => !drop(w, n)));
  // more words than a name has are prose
  const short = ws.length <= 5;
  for (const as of short ? respelt(ws, index) : []) if (near.length < MOST_OFFERED) offer(as);
  if (ws.length <= 8) for (let n = 0; n < ws.length; n++) less((_, k) => k === n);
  less((w) => VARIANT.has(w) && !HEADS.has(w));
  less((w) => !index.words.has(w));
  const first = [...new Map(near.map((i) => [i.id, i])).values()];
  return first.length > 0 || !short ? first.slice(0, MOST_OFFERED) : alike(ws, house.own);
}

/** "Gluten-free", "GF", "sans gluten", as words. */
const FREE_OF_GLUTEN: readonly RegExp[] = [
  /^(?:gluten|wheat) free$/,
  /^(?:gluten-?free|wheat-?free|gf|glutenfrei\p{L}*)$/u,
  /^(?:sans|sin|senza) gluten$/,
  /^senza glutine$/,
];
/** Which words only say that a thing has no gluten. */
function saysFree(ws: readonly string[]): readonly boolean[] {
  const is = (words: readonly (string | undefined)[]): boolean =>
    words.every((w) => w !== undefined) && FREE_OF_GLUTEN.some((re) => re.test(words.join(' ')));
  return ws.map((w, n) => is([w]) || is([w, ws[n + 1]]) || is([ws[n - 1], w]));
}

function search(
  ws: readonly string[],
  house: KitchenConventions,
  { breaks = [], languages = null }: NameAsked,
): NameReading {
  const index = indexOf(house.own);
  const nobody = ws.map((w): NameClaim => leftOver(w, '') ?? 'unknown');
  if (ws.length === 0) return { kind: 'unknown', suggestions: [], as: [] };
  const one = (of: readonly string[]): NameReading | null => {
    const turned = breaks.length > 0 || HEADS.has(of[0] ?? '');
    const run = byRun(of, index.exact, index.longest);
    // "ginger, fresh": a word that mostly only praises may make another thing of it
    const more = run?.used.some((u, n) => !u && HARMLESS.has(of[n] ?? '')) ? byBag(of, index) : null;
    const m =
      more && run && more.key.split(' ').length > run.key.split(' ').length
        ? more
        : (run ?? (turned || of.length > 1 ? byBag(of, index) : null));
    if (m && of === ws && isPutTogether(m, ws, breaks, index)) return null;
    if (!m) return inOtherLanguages(of, languages, house);
    // "raisin frais": in its own language the name is longer, and another thing's
    const isShort = languages !== null && languages.size > 0 && m.used.includes(false);
    const longer = isShort ? inOtherLanguages(of, languages, house) : null;
    const own = longer?.as.filter((a) => a === 'ingredient').length ?? 0;
    return longer && own > m.used.filter(Boolean).length ? longer : answerMatch(m, of, house);
  };
  const plainly = one(ws);
  if (plainly) return plainly;
  // gluten-free oats are oats; gluten-free flour is another thing than flour
  const free = saysFree(ws);
  const without = free.includes(true) ? one(ws.filter((_, n) => !free[n])) : null;
  if (without?.kind === 'found' && !without.ingredient.allergens.includes('wheat')) {
    let at = 0;
    return { ...without, as: ws.map((_, n) => (free[n] ? 'filler' : (without.as[at++] ?? 'unknown'))) };
  }
  // words nobody knows that only describe are told, and the rest is read
  const odd = ws.map((_, n) => leftOver(ws[n] ?? '', '') === null && describes(ws, n, breaks, index));
  if (odd.some(Boolean) && !odd.every(Boolean)) {
    const rest = one(ws.filter((_, n) => !odd[n]));
    if (rest && rest.kind !== 'unknown') {
      let at = 0;
      return { ...rest, as: ws.map((_, n) => (odd[n] ? 'unknown' : (rest.as[at++] ?? 'unknown'))) };
    }
  }
  // looked for when somebody asks: most of what is read is read to see whether it is a line at all
  let offered: readonly Ingredient[] | null = null;
  return {
    kind: 'unknown',
    get suggestions() {
      offered ??= offeredFor(ws, house, index, one);
      return offered;
    },
    as: nobody,
  };
}

const cache = new Map<string, NameReading>();

/**
 * Reads the words that name an ingredient, and answers for each of them.
 * @param ws as `wordsIn` gives them
 * @param house decides which egg and which salt is meant where the words don't
 */
export function readName(ws: readonly string[], house: KitchenConventions, asked: NameAsked = {}): NameReading {
  const cacheKey = `${houseKey(house)}|${asked.languages ? [...asked.languages].join('') : ''}|${asked.breaks?.join(' ') ?? ''}|${ws.join(' ')}`;
  const had = cache.get(cacheKey);
  if (had) return had;
  const result = search(ws, house, asked);
  if (cache.size >= CACHE_MOST) cache.clear();
  cache.set(cacheKey, result);
  return result;
}

/** Where the parts of a phrase begin that stand past a comma or a bracket, as places among its words. */
const breaksIn = (phrase: string): readonly number[] => {
  const bits = phrase.split(/[,;()[\]]|\s[-–—]\s/);
  const out: number[] = [];
  let at = 0;
  for (const [n, bit] of bits.entries()) {
    if (n > 0) out.push(at);
    at += wordsIn(bit).length;
  }
  return out;
};

/**
 * Finds the ingredient a phrase names.
 * @param phrase the words without their amount
 */
export function lookUp(phrase: string, house: KitchenConventions): Found | NotFound {
  return readName(wordsIn(phrase), house, { breaks: breaksIn(phrase) });
}
