/** Several names on one line: one of which will do, each of which is taken, or things nobody can part. */
import type { NameReading } from '../../pantry/lookup';
import { FILLER, HARMLESS, HEADS, STATE, VARIANT } from '../../pantry/tables/words';
import type { LineFinding } from '../parts';
import { isWord, type Token } from '../words';
import { claimName, groupsOf, isUnknown, lentName, nameOf, saidBy, takeStates } from './names';
import { nothing, type Reader, type SplitLine, twoAmounts } from './reader';

export interface NamedThing {
  readonly name: NameReading;
  readonly said: string;
  readonly alternatives: SplitLine['alternatives'];
}

/** The bare word of a plant, a colour or a sort before "or": it shares the noun that follows. */
const sharesNoun = (words: readonly Token[]): boolean =>
  words.every((t) => VARIANT.has(t.norm) || FILLER.has(t.norm) || HARMLESS.has(t.norm) || STATE.has(t.norm));

const isPraise = (words: readonly Token[]): boolean =>
  words.every((t) => FILLER.has(t.norm) || HARMLESS.has(t.norm) || STATE.has(t.norm));

/** Whether nothing but a colour, a plant or a sort stands there, without a noun of its own. */
const isBare = (words: readonly Token[]): boolean => {
  const last = words[words.length - 1];
  return sharesNoun(words) && !(words.length > 1 && last !== undefined && HEADS.has(last.norm));
};

/** Whether the first words of a name are of the thing, and not of what is lent to it. */
const isUsed = (name: NameReading, count: number): boolean =>
  name.as.slice(0, count).some((a) => a === 'ingredient' || a === 'variant');

const headOf = (words: readonly Token[]): Token | undefined => words.findLast((t) => HEADS.has(t.norm));

/** The last of several that will do: by itself, or with the noun or the words of the one before. */
function readLast(r: Reader, g: readonly Token[], before: readonly Token[]): NameReading {
  const alone = nameOf(r, g);
  const head = headOf(before);
  // "milk (dairy or oat)": the noun stood before
  if (head && isBare(g) && !standsAlone(g) && !headOf(g)) {
    const lent = lentName(r, [...g, head]);
    if (!isUnknown(lent) && isUsed(lent, g.length)) return { ...lent, as: lent.as.slice(0, g.length) };
  }
  if (!isUnknown(alone)) return alone;
  // "vanilla extract or essence"
  for (let cut = before.length - 1; cut > 0; cut--) {
    const lent = lentName(r, [...before.slice(0, cut), ...g]);
    if (!isUnknown(lent)) return { ...lent, as: lent.as.slice(cut) };
  }
  return alone;
}

/** A bare word with as much of the last as makes a name of which it is a part; null where none does. */
function withItsNoun(r: Reader, g: readonly Token[], last: readonly Token[]): NameReading | null {
  for (const from of [...last.keys()].slice(1)) {
    const lent = last.slice(from);
    if (!headOf(lent)) continue;
    const name = lentName(r, [...g, ...lent]);
    if (!isUnknown(name) && isUsed(name, g.length)) return name;
  }
  const whole = isPraise(g) ? nameOf(r, [...g, ...last]) : nothing;
  return isUnknown(whole) ? null : whole;
}

/** What comes with vanilla in it. */
const FLAVOURED = /^(?:milk|drink|yogurt|yoghurt|yogourt|cream|kefir|quark|skyr|custard|pudding)$/;

/** One of several that will do, before the last: by itself, or with the noun that the last has. */
function readGroup(r: Reader, g: readonly Token[], last: readonly Token[]): NameReading {
  const alone = nameOf(r, g);
  // "apple or orange juice": a word that lacks its noun is no fruit, and no soda
  if (lacksNoun(g, last)) {
    const lent = lentName(r, [...g, ...last.slice(-1)]);
    return isUnknown(lent) ? nothing : { ...lent, as: lent.as.slice(0, g.length) };
  }
  const chocolate = g.length === 1 && g[0]?.norm === 'milk' && last.some((t) => t.norm === 'chocolate');
  const isThing = standsAlone(g) && alone.kind === 'found';
  // "vanilla or plain almond milk": a flavour of it, and no cup of extract
  const flavour = g.length === 1 && g[0]?.norm === 'vanilla' && last.some((t) => FLAVOURED.test(t.norm));
  if (flavour) return withItsNoun(r, g, last) ?? nothing;
  if (!chocolate && (isThing || (!isBare(g) && !isUnknown(alone)))) return alone;
  const named = withItsNoun(r, g, last);
  if (named) return named;
  return isBare(g) && headOf(last) && alone.kind === 'found' && !standsAlone(g)
    ? { kind: 'unknown', suggestions: [alone.ingredient], as: [] }
    : alone;
}

/** "A or B", "A/B": read one by one, the shared noun lent to the first. */
function readAlternatives(r: Reader, words: readonly Token[]): NamedThing | null {
  const OR = /^(?:or|oder|ou|o|\/)$/i;
  const marks = r.tokens.filter((t) => words.includes(t) || (t.as === null && (t.text === '/' || t.text === ',')));
  const lastOr = marks.findLastIndex((t) => OR.test(t.text));
  // "white, milk or dark": a comma before the "or" parts too; one after it leads to what is done to it
  const all = marks.filter((t, n) => t.text !== ',' || n < lastOr);
  const split = (parts: RegExp): readonly (readonly Token[])[] =>
    groupsOf(all, parts).map((g) => g.tokens.filter((t) => isWord(t)));
  const byComma = split(/^(?:or|oder|ou|o|\/|,)$/i);
  const groups = byComma.every((g) => isBare(g) || !isUnknown(nameOf(r, g))) ? byComma : split(OR);
  if (groups.length < 2) return null;
  const [last] = groups.slice(-1);
  if (!last) return null;
  const readings = groups.map((g, n) => ({
    tokens: g,
    name: g === last ? readLast(r, g, groups[n - 1] ?? []) : readGroup(r, g, last),
  }));
  if (readings.every((x) => isUnknown(x.name))) return null;
  for (const t of marks) if (t.text === ',' && t.as === null) t.as = 'filler';
  for (const x of readings) {
    x.tokens.forEach((t, k) => {
      t.as = isUnknown(x.name)
        ? FILLER.has(t.norm)
          ? 'filler'
          : STATE.has(t.norm)
            ? 'state'
            : 'unknown'
        : (x.name.as[k] ?? 'unknown');
    });
  }
  for (const t of all) if (t.as === null) t.as = 'filler';
  const standing = readings.find((x) => !isUnknown(x.name));
  if (!standing) return null;
  return {
    name: standing.name,
    said: saidBy(r, standing.tokens),
    alternatives: readings
      .filter((x) => x !== standing)
      .map((x) => ({ name: x.name, said: saidBy(r, x.tokens), amount: null })),
  };
}

/**
 * Things that are whole by their bare name: "honey or maple syrup", "butter or sunflower oil", "banana or apple puree".
 */
const WHOLE = new Set(
  'honey oil butter water milk cream buttermilk yoghurt yogurt kefir lemon lime orange vanilla cinnamon ginger banana apple pear pumpkin rum brandy beer coffee tea molasses treacle'.split(
    ' ',
  ),
);

const standsAlone = (words: readonly Token[]): boolean => words.some((t) => WHOLE.has(t.norm));

/** A noun and the words that only lack it: "apple or orange juice", "soda or sparkling water". */
const LENT: Readonly<Record<string, RegExp>> = {
  juice: /^(?:apple|orange|lemon|lime|pear|grape|pineapple|cherry|cranberry|tomato|mango)$/,
  zest: /^(?:orange|lemon|lime|grapefruit)$/,
  water: /^(?:soda|tonic|sparkling|mineral|coconut|rose|tap|still|spring|seltzer)$/,
  cider: /^(?:apple|pear)$/,
  seed: /^(?:pumpkin|squash|poppy|sesame|chia|flax|hemp|fennel|caraway|melon)$/,
  syrup: /^(?:date|rice|malt|elderflower)$/,
  puree:
    /^(?:apple|pear|plum|peach|apricot|mango|pumpkin|squash|carrot|banana|prune|date|raspberry|strawberry|blueberry|sweet potato|potato)$/,
  extract: /^(?:vanilla|almond|lemon|orange|peppermint|coffee|rum|coconut)$/,
};

const lacksNoun = (words: readonly Token[], last: readonly Token[]): string | null => {
  const own = words.filter((t) => !FILLER.has(t.norm) && !HARMLESS.has(t.norm));
  const noun = last[last.length - 1]?.norm ?? '';
  return own.length === 1 && !isPlural(own) && LENT[noun]?.test(own[0]?.norm ?? '') ? noun : null;
};

/** "Oats and flour": a plural is a thing by itself, and no kind of what follows. */
const isPlural = (words: readonly Token[]): boolean =>
  /\p{L}{2}s$/iu.test(words.at(-1)?.text ?? '') && words.at(-1)?.norm !== words.at(-1)?.text.toLowerCase();

/** Things listed for one amount: "cinnamon, ginger and nutmeg". @returns null where one of them is not understood */
export function readEach(
  r: Reader,
  listed: readonly Token[],
): readonly { readonly name: NameReading; readonly said: string }[] | null {
  const head = listed.at(-1);
  // "white and whole wheat flour": the noun stands once, at the end
  const withHead = (own: readonly Token[]): NameReading | null => {
    if (
      !head ||
      !HEADS.has(head.norm) ||
      own.length === 0 ||
      standsAlone(own) ||
      isPlural(own) ||
      !own.every((t) => VARIANT.has(t.norm) || HARMLESS.has(t.norm))
    )
      return null;
    const lent = lentName(r, [...own, head]);
    return isUnknown(lent) ? null : { ...lent, as: lent.as.slice(0, own.length) };
  };
  // "pumpkin and sunflower seeds"
  const lentNoun = (own: readonly Token[]): NameReading | null => {
    if (!head || own.includes(head) || !lacksNoun(own, [head])) return null;
    const lent = lentName(r, [...own, head]);
    return isUnknown(lent) ? null : { ...lent, as: lent.as.slice(0, own.length) };
  };
  const out: { name: NameReading; said: string; tokens: readonly Token[] }[] = [];
  const inSpan = r.tokens.filter(
    (t) => t.as === null && t.start >= (listed[0]?.start ?? 0) && t.end <= (head?.end ?? 0),
  );
  for (const g of groupsOf(inSpan, /^(?:and|&|\+|plus|,|;|\/|und|et|y|e|og|och|en)$/i)) {
    const words = g.tokens.filter(isWord);
    const own = words.slice(words.findIndex((t) => !FILLER.has(t.norm)));
    const lent = withHead(own) ?? lentNoun(own);
    const name = lent ?? nameOf(r, own);
    if (isUnknown(name)) return null;
    out.push({ name, said: lent ? `${saidBy(r, own)} ${head?.text}` : saidBy(r, own), tokens: own });
  }
  if (out.length < 2) return null;
  for (const o of out) claimName(o.tokens, o.name);
  for (const t of inSpan) if (t.as === null) t.as = 'filler';
  return out;
}

/** "chickpea flour (besan)": a thing and, in a bracket, its other name. */
function saidTwice(r: Reader, free: readonly Token[]): NamedThing | null {
  const [first] = free;
  const inside = free.filter((t) => /[([][^)\]]*$/.test(r.text.slice(first?.start, t.start)));
  const before = free.filter((t) => !inside.includes(t));
  if (before.length === 0 || inside.length === 0) return null;
  const [name, other] = [nameOf(r, before), nameOf(r, inside)];
  if (name.kind !== 'found' || other.kind !== 'found' || name.ingredient.id !== other.ingredient.id) return null;
  claimName(before, name);
  claimName(inside, other);
  return { name, said: saidBy(r, before), alternatives: [] };
}

export function readNames(r: Reader, words: readonly Token[]): NamedThing {
  const free = takeStates(r, words);
  if (free.length === 0) return { name: nothing, said: '', alternatives: [] };
  const whole = nameOf(r, free);
  if (
    whole.kind !== 'found' ||
    free.some((t) => /^(?:or|oder|ou|o)$/i.test(t.text)) ||
    r.tokens.some((t) => t.as === null && t.text === '/')
  ) {
    const or = readAlternatives(r, free);
    if (or) return or;
  }
  if (isUnknown(whole)) {
    const again = saidTwice(r, free);
    if (again) return again;
  }
  claimName(free, whole);
  const named = free.filter((t) => t.as === 'ingredient' || t.as === 'variant');
  return { name: whole, said: saidBy(r, named.length > 0 ? named : free), alternatives: [] };
}

/** Known things and no amount: "butter and maple syrup, to serve". Each is a line. */
export function listedThings(r: Reader, free: readonly Token[]): readonly string[] | null {
  const groups = groupsOf(
    r.tokens.filter((t) => free.includes(t) || t.text === ',' || t.text === '&' || t.text === '+'),
    /^(?:and|&|\+|plus|,|und|et|y|e|og|och|en)$/i,
  );
  const things = groups.map((g) => g.tokens.filter(isWord)).map((words) => ({ words, name: nameOf(r, words) }));
  if (things.length < 2 || things.some((t) => isUnknown(t.name))) return null;
  for (const t of things) claimName(t.words, t.name);
  for (const t of free) t.as ??= 'filler';
  return things.map((t) => saidBy(r, t.words));
}

/** Two known things and one amount: nobody can say how much of each. */
export function severalThings(r: Reader, free: readonly Token[]): LineFinding | null {
  const groups = groupsOf(
    r.tokens.filter((t) => free.includes(t) || t.text === ','),
    /^(?:and|&|\+|plus|,|with|mit|avec|con|met|med)$/i,
  );
  if (groups.length < 2) return null;
  const known = groups.filter((g) => nameOf(r, g.tokens.filter(isWord)).kind === 'found');
  return known.length >= 2
    ? twoAmounts(
        `${known.length} things and one amount: how much of each? Write "each", or give each a line of its own.`,
      )
    : null;
}
