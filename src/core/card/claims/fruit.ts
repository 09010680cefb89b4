/** Parts of a fruit: its zest, its juice, the whites of so many eggs. */
import Fraction from 'fraction.js';
import { type NameReading, readName } from '../../pantry/lookup';
import { FILLER, HARMLESS, LEADS_INTO_STATE, STATE } from '../../pantry/tables/words';
import { type Amount, readAmount } from '../../quantity/amount';
import { readNumber } from '../../quantity/number';
import { plain } from '../../quantity/units';
import { isWord, tokensOf } from '../words';
import type { NamedThing } from './choices';
import { finish, type Reader, type SplitLine, unitOf } from './reader';

const PART_OF =
  /^(?:the\s+)?(?:(?:finely|freshly|coarsely)\s+)?(?:(?:grated|squeezed|strained|fresh|egg)\s+)?(zest|rind|peel|juice|yolks?|whites?)(?:\s*(?:and|&|\/|\+)\s*(zest|rind|peel|juice))?\s+(?:(?:of|from)\s+)?(?=[\dah½¼¾otf])(.+)$/i;

/** "(from 1 lemon)", "(about 2 lemons)": where it comes from, counted. */
const FROM_PIECES =
  /[\s,(]*\b(?:from|about|of|approx\.?|roughly)\s+(?:about\s+)?(?:(?:\d+|½|half|an?|one|two|three|four)\s*(?:\d\/\d\s*)?(?:an?\s+)?|(?=(?:large|small|medium|whole)\s+eggs?\b))(?:large|small|medium|ripe|unwaxed|whole)?\s*(?:lemons?|oranges?|limes?|bananas?|apples?|eggs?|pods?)\b\s*\)?/iu;

/** The parts of a fruit in the other languages of the names: "abgeriebene Schale einer Zitrone", "zumo de medio limón". */
const ABROAD =
  /^(?:(?:die|das|der|le|la|les|el|l['’]|il|lo|un|de|het)\s*)?(?:(?:fein(?:e)?|abgeriebene[nr]?|geriebene[nr]?|ausgepresste[nr]?|frisch gepresste[nr]?)\s+)*(?:(?<zest>schale|abrieb|zestes?|[ée]corce|ralladura|c[áa]scara|piel|scorza(?:\s+grattugiata)?|buccia|rasp|schil)|(?<juice>saft|jus|zumo|jugo|succo|sap))\s+(?:(?:von|de|du|d['’]|di|del(?:l['’]|la)?|van)\s*)?(?:(?<half>(?:einer?\s+)?halben|1\/2|½|un(?:e|a|o)?\s+demi|demi|medio|media|mezzo|mezza|(?:een\s+)?halve)|(?<one>einer|eines|une?|una|uno|un|een)|(?<many>\d{1,2}|zwei|deux|dos|due|twee))?\s*(?:(?:bio-?|unbehandelten?|gro(?:ß|ss)en|kleinen)\s*)*(?<fruit>zitronen?|citrons?|lim(?:[oó]n(?:es)?|on[ei])|citroen(?:en)?|orangen?|oranges?|naranjas?|aranc[ei]a?|sinaasappels?|limetten?|limas?)\b[^\d]*$/iu;
const HOW_MANY: Readonly<Record<string, number>> = { zwei: 2, deux: 2, dos: 2, due: 2, twee: 2 };
const FRUIT_ABROAD: readonly (readonly [string, RegExp])[] = [
  ['lemon', /^(?:zit|cit|lim[oó]n)/i],
  ['lime', /^lim/i],
  ['orange', /./],
];

const FRUITS: Readonly<Record<string, readonly [zest: string, juice: string]>> = {
  lemon: ['lemon zest', 'lemon juice'],
  orange: ['orange zest', 'orange juice'],
  lime: ['lime zest', 'lime juice'],
};

/** So many of a fruit, or from one number to another. */
const pieces = (low: Fraction, high: Fraction | null): Amount => ({
  terms: [{ sign: 1, low, high, unit: null, fullness: null }],
  approximate: false,
});

/** "(60 ml)", ", about 2 tbsp" behind a fruit: how much comes of it; null: nothing is told, or more than that. */
function measureBehind(r: Reader, from: number, to: number) {
  const m =
    /(?:\s*[([]\s*|\s*,\s*)(?:(?:about|approx\.?|roughly|around|ca\.?|so|that[’']?s|=|~)\s*)*(\d[^()[\]]*|[½¼¾⅓⅔⅛][^()[\]]*)[)\]]?\s*$/iu.exec(
      r.text.slice(from, to),
    );
  const said = m?.[1]?.trimEnd() ?? '';
  const read = said === '' ? null : readAmount(said);
  if (!m || !read || unitOf(read.amount) === null || read.length < said.length) return null;
  const start = from + m.index + m[0].indexOf(said);
  return { from: from + m.index, amount: read.amount, span: { start, end: start + said.length } };
}

const PARTS_OF_EGG: Readonly<Record<string, string>> = { yolk: 'egg yolk', white: 'egg white' };
/** What a part of a fruit or an egg is called in the pantry; null: it has none of that name. */
const partName = (of: string, part: string): string | null =>
  (of === 'egg' ? PARTS_OF_EGG[part] : FRUITS[of]?.[part === 'juice' ? 1 : 0]) ?? null;

/** The part and what it is of are the ingredient; what else is left says what is done to it, or nothing. */
function claimParts(r: Reader): void {
  for (const t of r.tokens) {
    if (t.as !== null || !isWord(t)) continue;
    if (/^(?:zest|rind|peel|juice|yolk|white|whites|egg|lemon|orange|lime)$/.test(t.norm)) t.as = 'ingredient';
    else t.as = STATE.has(t.norm) ? 'state' : 'filler';
  }
}

/** "zest and juice of 1 lemon", "whites of 3 eggs". */
export function partOf(r: Reader, from: number, to: number): SplitLine | null {
  if (!/zest|rind|peel|juice|yolk|white/i.test(r.text)) return null;
  const text = r.text.slice(from, to);
  const m = PART_OF.exec(text);
  const whole = m?.[3];
  if (!m || !whole) return null;
  const n = readNumber(whole);
  if (!n) return null;
  const after = from + text.length - whole.length + n.length;
  const measured = measureBehind(r, after, to);
  // "(wax free)" says nothing of which fruit
  const rest = tokensOf(r.text.slice(after, measured?.from ?? to).replace(/\([^()\d]*\)/g, ' ')).filter(isWord);
  const noun = rest.filter(
    (t) => !FILLER.has(t.norm) && !HARMLESS.has(t.norm) && !/^(?:whole|unwaxed|fresh|large|medium|small)$/.test(t.norm),
  );
  const fruit = noun[0]?.norm ?? '';
  const tail = noun.slice(1);
  const part = plain(m[1] ?? '').replace(/s$/, '');
  const also = m[2] ? plain(m[2]) : null;
  const first = partName(fruit, part);
  const second = also === null ? null : partName(fruit, also);
  if (!first || (also !== null && !second) || tail.some((t) => !STATE.has(t.norm) && !LEADS_INTO_STATE.has(t.norm)))
    return null;
  const word = (name: string): NameReading => readName(name.split(' '), r.asking.house);
  const numberAt = after - n.length;
  r.claim(numberAt, after, 'amount');
  // how much comes of them is what goes in; of two parts it is told of neither
  const isMeasured = measured !== null && second === null;
  if (measured) r.claim(measured.from, to, isMeasured ? 'amount' : 'filler');
  const amount = isMeasured ? measured.amount : pieces(n.low, n.high);
  claimParts(r);
  return {
    ...finish(r),
    amounts: [amount],
    amountSpans: [isMeasured ? measured.span : { start: numberAt, end: after }],
    name: word(first),
    said: first,
    extras: second ? [{ amount, name: word(second), said: second }] : [],
  };
}

/** The same in another language; null: it is none, or says no number. */
export function partAbroad(r: Reader, from: number, to: number): SplitLine | null {
  const m = ABROAD.exec(r.text.slice(from, to));
  const { zest, half, one, many, fruit } = m?.groups ?? {};
  const said = half ?? one ?? many;
  const name = FRUITS[FRUIT_ABROAD.find(([, re]) => re.test(fruit ?? ''))?.[0] ?? '']?.[zest ? 0 : 1];
  if (!m || said === undefined || !fruit || !name) return null;
  const n = new Fraction(half ? '1/2' : one ? 1 : (HOW_MANY[said.toLowerCase()] ?? Number(said)));
  const numberAt =
    from + m[0].toLowerCase().lastIndexOf(said.toLowerCase(), m[0].toLowerCase().lastIndexOf(fruit.toLowerCase()));
  r.claim(numberAt, numberAt + said.length, 'amount');
  const part = zest ?? m.groups?.juice ?? '';
  for (const t of r.tokens) {
    if (t.as !== null || !isWord(t)) continue;
    if ([part, fruit].some((x) => x.toLowerCase().includes(t.text.toLowerCase()))) t.as = 'ingredient';
    else t.as = STATE.has(t.norm) ? 'state' : 'filler';
  }
  return {
    ...finish(r),
    amounts: [pieces(n, null)],
    amountSpans: [{ start: numberAt, end: numberAt + said.length }],
    name: readName(name.split(' '), r.asking.house),
    said: name,
  };
}

/** "1 orange, zest and juice": both parts of so many. */
const BOTH_OF =
  /^(?:large|small|medium|unwaxed|\s)*(lemon|orange|lime)s?\b[\s,(:–—-]+(?:(?:finely|grated|freshly|its|the)\s+)*(zest|juice)d?\s*(?:and|&|\/|\+)\s*(juice|zest)d?\b\s*(?:only\s*)?\)?\s*$/i;

/** "1 citron bio (jus et zeste)": the same in other languages. */
const BOTH_ABROAD =
  /^(?:bio-?|unbehandelte|große|\s)*(zitrone|citron|limón|limon|limone|orange|naranja|arancia)n?s?(?:\s+(?:bio|non\s+traitée?|ecológic[oa]))*[\s,(:–—-]+(?:(?:abgeriebene|geriebene|fein|le|la|su)\s+)*(saft|schale|abrieb|jus|zestes?|zumo|jugo|ralladura|succo|scorza)\s*(?:und|et|y|e|\+|&|\/)\s*(?:(?:abgeriebene|geriebene|fein|le|la|su)\s+)*(saft|schale|abrieb|jus|zestes?|zumo|jugo|ralladura|succo|scorza)\s*\)?\s*$/iu;
const IS_FRUIT_OR_PART =
  /^(?:zest|juice|lemon|orange|lime|zitron|citron|limon|naranja|aranci|saft|schale|abrieb|jus|zumo|jugo|ralladura|succo|scorza)/;
const JUICE_ABROAD = /^(?:saft|jus|zumo|jugo|succo)$/i;

export function bothOf(r: Reader, from: number, to: number): SplitLine | null {
  const n = readNumber(r.text.slice(from, to));
  const rest = n ? r.text.slice(from + n.length, to).trimStart() : '';
  const abroad = BOTH_ABROAD.exec(rest);
  if (abroad && JUICE_ABROAD.test(abroad[2] ?? '') === JUICE_ABROAD.test(abroad[3] ?? '')) return null;
  const m = abroad ?? (/zest/i.test(r.text) ? BOTH_OF.exec(rest) : null);
  const fruit = abroad ? FRUIT_ABROAD.find(([, re]) => re.test(abroad[1] ?? ''))?.[0] : m?.[1]?.toLowerCase();
  const names = fruit === undefined ? undefined : FRUITS[fruit];
  if (!n || !m || !names || m[2]?.toLowerCase() === m[3]?.toLowerCase()) return null;
  const amount = pieces(n.low, n.high);
  r.claim(from, from + n.length, 'amount');
  for (const t of r.tokens)
    if (t.as === null && isWord(t)) t.as = IS_FRUIT_OR_PART.test(t.norm) ? 'ingredient' : 'filler';
  const word = (name: string): NameReading => readName(name.split(' '), r.asking.house);
  return {
    ...finish(r),
    amounts: [amount],
    amountSpans: [{ start: from, end: from + n.length }],
    name: word(names[0]),
    said: names[0],
    extras: [{ amount, name: word(names[1]), said: names[1] }],
  };
}

/** "1 lemon, juiced": the part of the fruit that is meant. */
export function fruitPart(r: Reader, named: NamedThing): NameReading | null {
  const fruit = Object.keys(FRUITS).find((f) => new RegExp(`^(?:[\\p{L}]+\\s+)?${f}s?$`, 'iu').test(named.said));
  if (!fruit || named.name.kind === 'found' || named.alternatives.length > 0) return null;
  const juice = /\bjuice(?:d)?\b/i.test(r.text);
  const zest = /\bzest(?:ed)?\b|\brind\b/i.test(r.text);
  if (juice === zest) return null;
  const called = FRUITS[fruit]?.[juice ? 1 : 0];
  if (!called) return null;
  for (const t of r.tokens) if (/^(?:juice|juiced|zest|zested|rind)$/.test(t.norm)) t.as = 'variant';
  return readName(called.split(' '), r.asking.house);
}

/** "juice (from 1 lemon)": how many it comes from is no amount of it. */
export function takeWhence(r: Reader, from: number): void {
  const m = /lemon|orange|lime|banana|apple|egg|pod/i.test(r.text) ? FROM_PIECES.exec(r.text) : null;
  const before = m ? r.text.slice(from, m.index) : '';
  if (
    m &&
    /\p{L}{3}/u.test(before) &&
    /\b(?:juice|zest|rind|peel|puree|mash(?:ed)?|whites?|yolks?|grated)\b/i.test(before)
  )
    r.claim(m.index, m.index + m[0].length, 'amount');
}
