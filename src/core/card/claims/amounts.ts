/**
 * Amounts of a line: how they begin, how full a measure is, sizes told by a thing, cans of the trade, and numbers that
 * are none.
 */
import Fraction from 'fraction.js';
import type { FillMethod } from '../../pantry/conventions';
import { type Amount, type ReadAmount, readAmount } from '../../quantity/amount';
import { plain, unitById } from '../../quantity/units';
import * as phrases from '../phrases';
import { isWord, type Token } from '../words';
import { preparationOf, type Reader, type Span, unitOf } from './reader';

export const PREFILL =
  /^\s*\(?(?:(firmly|tightly|lightly|loosely|well)[\s-]+)?(packed|pkd|sifted|spooned|loose|dipped|fluffed|scooped|dip[\s-]+(?:and|&)[\s-]+(?:sweep|level))(?![\p{L}])\)?/iu;

const POSTFILL =
  /\b(?:(lightly|loosely)\s+)?(packed|pkd|spooned|loose|dipped|fluffed|scooped|dip[\s-]+(?:and|&)[\s-]+(?:sweep|level))\b/i;

export function fillOf(how: string | undefined, word: string): FillMethod {
  const w = word.toLowerCase();
  if (w === 'packed' || w === 'pkd') return /lightly|loosely/i.test(how ?? '') ? 'spooned' : 'packed';
  if (w === 'sifted' || w === 'fluffed') return w;
  if (/^(?:dip|scoop)/.test(w)) return 'dipped';
  return 'spooned';
}

/** Words an amount may begin with, besides digits. */
const STARTS = new Set(
  'l i my our your a an one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen eighteen twenty thirty forty fifty sixty seventy eighty ninety hundred half halves between couple third thirds quarter quarters dozen couple tablespoon teaspoon dessertspoon tbsp tsp cup stick pint quart gallon litre liter pound kilo spoonful pinch dash smidgen knob splash handful drizzle glug tad dollop dab blob sprinkle sprinkling dusting squeeze squirt grating twist scant skimpy level heaped heaping rounded generous good big brimming small large tiny little about approximately approx env aprox roughly around circa ca nearly almost barely not all fractionally close just slightly between up at max maximum min minimum maybe say perhaps touch hint shade whisker fraction hair tad full flat bare mounded piled another etwa ungefähr zirka rund environ unos unas aproximadamente alrededor cirka ongeveer taza cucharada cucharadita prise pincee pizzico pizca snufje nip nypa klype'.split(
    ' ',
  ),
);

const OTHER_STARTS = new Set(
  'ein eine einen einem une un una uno een en et ett ei zwei deux dos due twee to tva drei trois tres tre drie vier quatre cuatro quattro fire fyra funf cinq cinco cinque vijf fem sechs seis sei zes seks halber halbe halbes halben demi media medio mezzo mezza half halve halv halvt anderthalb anderthalbe anderthalben eineinhalb anderhalve anderhalf zweieinhalb dreiviertel viertel driekwart kwart litre litro'.split(
    ' ',
  ),
);

/** One, half and so on in the languages of the names, where a unit or a name follows. */
const OTHER_NUMBERS: readonly (readonly [RegExp, string])[] = [
  // a pound of the mainland is 500 g
  [/^(?:ein(?:en?)?\s+halbes\s+pfund|een\s+half\s+pond|une?\s+demi-livre)\s+/iu, '250 g '],
  [/^(?:ein\s+pfund|een\s+pond|une\s+livre)\s+/iu, '500 g '],
  [/^(?:zwei\s+pfund|twee\s+pond|deux\s+livres)\s+/iu, '1000 g '],
  [/^(?:un\s+)?litr[eo]\s+(?:et\s+demi|y\s+medio|e\s+mezzo)\s+/iu, '1.5 l '],
  [/^(?:ein(?:en?)?\s+)?achtelliter\s+/iu, '125 ml '],
  [/^(?:ein(?:en?)?\s+)?viertelliter\s+/iu, '250 ml '],
  [/^(?:ein(?:en?)?\s+)?halbliter\s+/iu, '500 ml '],
  [/^(?:ein(?:en?)?\s+)?dreiviertelliter\s+/iu, '750 ml '],
  [
    /^(?:(?:ein(?:en?)?\s+)?drei\s?viertel|trois\s+quarts\s+de|tres\s+cuartos\s+de|tre\s+quarti\s+di|driekwart)\s+/iu,
    '3/4 ',
  ],
  [/^(?:(?:ein(?:en?)?\s+)?viertel|un\s+quart\s+de|un\s+cuarto\s+de|un\s+quarto\s+di|(?:een\s+)?kwart)\s+/iu, '1/4 '],
  [/^(?:anderthalb(?:e[nr]?)?|eineinhalb|anderhal(?:ve|f))\s+/iu, '1.5 '],
  [/^(?:zweieinhalb|tweeënhal(?:ve|f))\s+/iu, '2.5 '],
  [
    /^(?:halber|halbe[rsn]?|ein(?:e[nm]?)?\s+halbe[rsnm]?|demi|une?\s+demi|media|medio|mezzo|mezza|half|halve|een\s+halve?|en\s+halv|et\s+halvt|halv|halvt|ett\s+halvt)[\s-]+/iu,
    '1/2 ',
  ],
  [/^(?:ein(?:e[nmr]?)?|une?|un|una|uno|een|en|et|ett|ei)\s+(?![\d½¼¾])/iu, '1 '],
  [/^(?:zwei|deux|dos|due|twee|to|två|tva)\s+/iu, '2 '],
  [/^(?:drei|trois|tres|tre|drie)\s+/iu, '3 '],
  [/^(?:vier|quatre|cuatro|quattro|fire|fyra)\s+/iu, '4 '],
  [/^(?:fünf|cinq|cinco|cinque|vijf|fem)\s+/iu, '5 '],
  [/^(?:sechs|seis|sei|zes|seks)\s+/iu, '6 '],
];

/** An amount at the start of a text, in English or with a number of another language before a unit. */
function readAny(text: string, lead = true): ReadAmount | null {
  const more = ONE_MORE.exec(text);
  if (more) {
    const one = readAmount(`1 ${text.slice(more[0].length)}`);
    if (one) return { ...one, length: one.length - 2 + more[0].length };
  }
  const r = readAmount(text);
  if (r && (unitOf(r.amount) !== null || /^[\d½¼¾⅓⅔⅛]/u.test(text))) return r;
  if (lead)
    for (const [re, as] of OTHER_NUMBERS) {
      const m = re.exec(text);
      if (!m) continue;
      const other = readAmount(as + text.slice(m[0].length));
      if (other && (unitOf(other.amount) !== null || !/^(?:an?|to|half|en|et)\s/i.test(text)))
        return { ...other, length: other.length - as.length + m[0].length };
    }
  return r;
}

const SIZE_OF =
  /(?:\b(?:(?:an?|1|one)\s+)?(?:(?:small|large|good)\s+)?(?:knob|piece|lump|pat|bit)\s+of\s+)?\b[\p{L}]+(?:\s+[\p{L}]+)?,?\s+((?:about\s+)?(?:of\s+)?(?:the\s+)?size\s+of\s+an?\s+(?:small\s+|large\s+)?(walnut|hazelnut|egg)\b)/iu;

const SIZED = /^((?:an?\s+|1\s+|one\s+)?(walnut|hazelnut|egg)[\s-]sized?\s+(?:(?:knob|piece|lump|pat|bit)\s+of\s+)?)/i;

/** "a little milk", "some sugar": words that stand where an amount would, and are none. */
const LOOSE =
  /^(?:(?:just\s+)?(?:a\s+)?(?:(?:tiny\s+|wee\s+|little\s+)?(?:little|bit|touch|hint|suggestion)(?:\s+bit)?)(?!\s+(?:over|under|above|below|shy|more\s+than|less\s+than)\b)(?:\s+(?:more\s+)?of)?|some(?:\s+of)?|enough|any|plenty(?:\s+of)?|lots(?:\s+of)?|(?:a\s+)?few(?:\s+(?:drops?|pinches|spoons?|gratings?|grinds?|twists?|scrapes?|turns?|leaves|dashes|shakes))?(?:\s+of)?|several|more|extra|as much|(?:a\s+)?(?:good\s+)?amount\s+of|(?:ein\s+paar|einige|quelques|un[ao]s(?:\s+poc[ao]s)?)\s+(?:tropfen|gouttes?|gotas)(?:\s+d[e’'])?|etwas|ein\s+(?:wenig|bisschen)|un\s+p(?:eu|oco)\s+d[ei]|q\.?\s?b\.?|lidt|litt|lite|een\s+beetje|wat|algo\s+de)\s+(?:(?:of\s+)?(?:the|my|your)\s+)?(?=\p{L})/iu;

/** "an extra egg", "another tablespoon of sugar", "my cup of milk": one. */
const ONE_MORE =
  /^(?:(?:an?\s+(?:extra|additional|further)|another)\s+(?=\p{L})|[lI|]\s+(?=(?:cups?|c\.|tsp|tbsp|teaspoons?|tablespoons?|lbs?|oz|pounds?|pints?|quarts?|sticks?|eggs?|large)\b)|(?:my|our|your|the)\s+(?=(?:\p{L}+\s+)?(?:cup|mug|glass|ladle|jug|spoon|tablespoon|teaspoon|bowl)\s+of\b))/iu;

const NUMBERED = /cm|mm|inch|in\.|["”°º]|degree|\d\s*[CF]\b|min|hour|hr|sec|day/i;
/** What is no amount, though numbers stand in it: where it may stand at all, and what is claimed. */
const NO_AMOUNTS: readonly (readonly [where: RegExp, what: RegExp])[] = [
  [
    /dry|temp|warm|heat|\bice[- ]cold|\band\s+all\b|finger|ground|blitz|blend|whizz|turned|made|pulsed|process|blood|stone|milled|thaw|freezer|curd|hydration|seeds|split/i,
    phrases.STATES,
  ],
  [/toss|roll|dust|coat|dredg|shak|thinned|loosened|slackened|moistened|mixed|blended/i, phrases.TURNED_IN],
  [/\bin(?:to)?\s/i, phrases.IN_A_VESSEL],
  [/\b(?:separated|split|parted)\b/i, phrases.OF_THE_PARTS],
  [/\b(?:out of|from)\b/i, phrases.FROM_A_PACK],
  [/\(/, phrases.REMARK],
  [/sift|siev/i, phrases.SIFTED_OFTEN],
  [/\bnot\b/i, phrases.NOT],
  [/\bt(?:ype?|ipo)?\s?-?\s?\d/i, phrases.WHITE_FLOUR_TYPE],
  [/mehl/i, phrases.MILLED_TYPE],
  ...phrases.MEASURES.map((re) => [NUMBERED, re] as const),
];

/** Numbers that are no amounts: sizes, degrees, minutes, types of flour. */
export function takeMeasures(r: Reader): void {
  const claim = (re: RegExp, as: 'state' | 'filler'): void => {
    for (const m of r.text.matchAll(re)) r.claim(m.index, m.index + m[0].length, as);
  };
  // "1 cup mashed banana (about 3)": so many were needed, and the cup is what goes in
  if (/\(\D*\d/.test(r.text) && (readAmount(r.text)?.amount.terms[0]?.unit ?? null) !== null)
    claim(phrases.SO_MANY, 'filler');
  if (/\bat\s+a\s+time\b/i.test(r.text)) claim(phrases.AT_A_TIME, 'filler');
  for (const [where, what] of NO_AMOUNTS) if (where.test(r.text)) claim(what, 'state');
}

/** Every amount of the text between two places, in order. */
export function findAmounts(r: Reader, from: number, to: number): void {
  const blocked: Span[] = !/half|type|typ|tipo|\bt-?\s?\d|00|405|550|630/i.test(r.text)
    ? []
    : [...r.text.matchAll(phrases.FLOUR_TYPE), ...r.text.matchAll(/\bhalf[\s-]*(?:(?:and|&)[\s-]*half|fat\b)/gi)].map(
        (m) => ({
          start: m.index,
          end: m.index + m[0].length,
        }),
      );
  let at = from;
  for (const t of r.tokens) {
    if (t.start < at || t.end > to || t.as !== null || !isMaybeAmount(t, r, from)) continue;
    if (/%$|^10x$|^1:1$|^[et]\d/.test(t.norm) || blocked.some((b) => t.start >= b.start && t.start < b.end)) continue;
    const first = r.amounts.length === 0 && r.free(from, t.start).filter(isWord).length === 0;
    const leads = first || isSpelledBehind(t, r);
    const said = r.text.slice(t.start, to);
    const a = leads || /^(?:un|ein|een|en|et)/iu.test(t.text) ? readAny(said, leads) : readAmount(said);
    if (!a || a.length === 0) continue;
    const end = t.start + a.length;
    // it would take in words that are claimed: degrees, sizes, types
    if (r.tokens.some((x) => x.as !== null && x.start >= t.start && x.end <= end)) continue;
    const digits = /[\d½¼¾⅓⅔⅛⅜⅝⅞]/u.test(r.text.slice(t.start, end));
    const counted = unitOf(a.amount) !== null;
    // a bare "a" or "one" further on counts nothing, but of eggs: "two eggs and a white"
    const more =
      /\b(?:and|plus)\s*$|[&+]\s*$/i.test(r.text.slice(from, t.start)) && ONE_EGG.test(r.text.slice(end, to));
    if (!counted && !digits && !first && !more && !/^(?:half|two|three|four|five|six|one|dozen|another)/i.test(t.text))
      continue;
    if (
      !counted &&
      !digits &&
      first &&
      /^an?$/i.test(t.text.trim()) &&
      a.length <= 2 &&
      LOOSE.test(r.text.slice(t.start))
    )
      continue;
    r.amounts.push({ start: t.start, end, amount: a.amount, fill: a.fill, counted });
    r.claim(t.start, end, 'amount');
    at = end;
  }
}

const ONE_EGG = /^\s*(?:(?:extra|whole|large|more)\s+)?(?:eggs?|yolks?|whites?)\b/i;

/** "Zucker: ein Esslöffel", "azúcar, media cucharadita": spelled in its own language, behind the name. */
const SPELLED_BEHIND =
  /^(?:ein(?:e[nr]?)?|halbe[rs]?|zwei|drei|vier|une?|demi|deux|trois|quatre|una?|medi[oa]|dos|tres|cuatro)$/i;
const isSpelledBehind = (t: Token, r: Reader): boolean => {
  if (r.amounts.length > 0 || !SPELLED_BEHIND.test(t.text)) return false;
  const a = readAny(r.text.slice(t.start));
  return a !== null && unitOf(a.amount) !== null;
};

const FIRST_SIGNS = new Set('0123456789½¼¾⅐⅑⅒⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞~≈.');

const isMaybeAmount = (t: Token, r: Reader, from: number): boolean =>
  FIRST_SIGNS.has(t.text[0] ?? '') ||
  (isWord(t) &&
    (STARTS.has(t.text.toLowerCase()) ||
      isSpelledBehind(t, r) ||
      ((r.asking.languages !== null || r.amounts.length === 0) &&
        OTHER_STARTS.has(plain(t.text)) &&
        r.free(from, t.start).filter(isWord).length === 0 &&
        OTHER_NUMBERS.some(([re]) => re.test(r.text.slice(t.start))))));

/** What a numbered can of the trade holds, g: usual net weights. A can of number ten is no scoop. */
const TRADE_CANS: Readonly<Record<string, number>> = {
  '10': 3005,
  '5': 1588,
  '3': 1360,
  '2 1/2': 822,
  '2.5': 822,
  '2': 567,
  '303': 454,
  '300': 425,
  '1': 298,
};

const TRADE_CAN =
  /(?:(\d{1,2}|an?|one|two|three|half an?)\s+)?(?:#|no\.?|number)\s?(10|5|3(?!0)|2 1\/2|2\.5|2|303|300|1)[\s-]+(?:cans?|tins?)\b(?:\s+of\b)?/i;

const COUNTS: Readonly<Record<string, Fraction>> = {
  half: new Fraction(1, 2),
  two: new Fraction(2),
  three: new Fraction(3),
};

export function takeTradeCan(r: Reader, from: number, to: number): void {
  const m = /#|no\.|number|no\s/i.test(r.text) ? TRADE_CAN.exec(r.text.slice(from, to)) : null;
  const grams = m && TRADE_CANS[m[2] ?? ''];
  if (!m || !grams) return;
  const said = (m[1] ?? '1').toLowerCase();
  const n = /^\d/.test(said) ? new Fraction(said) : (COUNTS[said.split(' ')[0] ?? ''] ?? new Fraction(1));
  const [start, end] = [from + m.index, from + m.index + m[0].length];
  const amount: Amount = {
    terms: [{ sign: 1, low: n.mul(grams), high: null, unit: 'g', fullness: null }],
    approximate: true,
  };
  r.amounts.push({ start, end, amount, fill: null, counted: true });
  r.claim(start, end, 'amount');
}

/** Words right behind an amount that say how it was filled. */
export function takeFill(r: Reader, spans: readonly Span[]): void {
  for (const s of spans) {
    const m = PREFILL.exec(r.text.slice(s.end).replace(/^\s*[,(]\s*/, ' '));
    if (m && r.fill === null) r.fill = fillOf(m[1], m[2] ?? '');
  }
}

/** How it was filled, said among what is done to it: "flour, spooned". */
export function takeFillAfter(r: Reader): void {
  const said = preparationOf(r);
  // what is said not to be packed lies loose
  if (!r.fill && /\bnot\s+(?:\w+\s+)?packed\b/i.test(said)) r.fill = 'spooned';
  const m = POSTFILL.exec(said);
  if (m && !r.fill) r.fill = fillOf(m[1], m[2] ?? '');
}

const FULL_AFTER: Readonly<Record<string, NonNullable<Amount['terms'][number]['fullness']>>> = {
  heaped: 'heaping',
  heaping: 'heaping',
  rounded: 'rounded',
  scant: 'scant',
  level: 'level',
  generous: 'generous',
};

/** "1 tsp baking powder, heaped": how full, said at the end. @returns the words that are left */
export function fullAfter(words: readonly Token[], amounts: Amount[]): readonly Token[] {
  const [a] = amounts;
  const t = words.find((w) => FULL_AFTER[w.norm] !== undefined);
  const fullness = t && FULL_AFTER[t.norm];
  if (!a || !t || !fullness || a.terms.length !== 1 || a.terms[0]?.fullness || a.terms[0]?.unit === null) return words;
  amounts[0] = { ...a, terms: a.terms.map((x) => ({ ...x, fullness })) };
  t.as = 'amount';
  return words.filter((w) => w !== t);
}

/** A knob, a piece: what a thing's size is told of. */
const LUMP = /^(?:(?:an?|1|one)\s+)?(?:(?:small|large|good)\s+)?(?:knob|piece|lump|pat|bit)\s+of\s+/i;

/** "a walnut-sized knob of butter", "butter the size of an egg". @returns whether it is told so */
export function takeSizeOfThing(r: Reader, from: number, to: number): boolean {
  if (!/size/i.test(r.text)) return false;
  const text = r.text.slice(from, to);
  const first = SIZED.exec(text);
  const after = first ? null : SIZE_OF.exec(text);
  const thing = (first ?? after)?.[2]?.toLowerCase();
  if (thing === undefined || unitById(`${thing}-size`) === undefined) return false;
  if (/\d/.test(text.slice(0, after?.index ?? 0))) return false;
  const end = from + (first ? first[0].length : (after?.index ?? 0) + (after?.[0].length ?? 0));
  const start = first ? from : end - (after?.[1]?.length ?? 0);
  r.claim(start, end, 'amount');
  const lump = first ? null : LUMP.exec(r.text.slice(from));
  if (lump) r.claim(from, from + lump[0].length, 'amount');
  r.amounts.push({
    start,
    end,
    amount: {
      terms: [{ sign: 1, low: new Fraction(1), high: null, unit: `${thing}-size`, fullness: null }],
      approximate: false,
    },
    fill: null,
    counted: true,
  });
  return true;
}

/** "a little milk": words that stand where an amount would. @returns where the thing begins */
export function takeLoose(r: Reader, from: number, to: number): number {
  const loose = LOOSE.exec(r.text.slice(from, to)) ?? phrases.AS_MUCH_OF.exec(r.text.slice(from, to));
  if (!loose || /^(?:extra|more)\s+(?:large|virgin|fine|strong|thick|ripe)/i.test(r.text.slice(from))) return from;
  const end = from + loose[0].length;
  r.claim(from, end, 'amount');
  r.keep(from, end);
  return end;
}
