/**
 * Splitting a line into parts that together account for every word: its amounts, the ingredient with what changes it,
 * what is done to it, what it is for, when it goes in, and the words that say nothing.
 */
import Fraction from 'fraction.js';
import { type FillMethod, houseKey, type KitchenConventions } from '../pantry/conventions';
import { type NameReading, readName } from '../pantry/lookup';
import type { Language } from '../pantry/tables/other-names';
import { FILLER, HARMLESS, HEADS, ITS_PARTS, LEADS_INTO_STATE, STATE, VARIANT } from '../pantry/tables/words';
import { type Amount, isMetric, type ReadAmount, readAmount, sameSize, scaleAmount } from '../quantity/amount';
import { readNumber } from '../quantity/number';
import { plain, unitById } from '../quantity/units';
import { stripBullet } from './bullet';
import type { LineFinding, Use } from './parts';
import * as phrases from './phrases';
import { type Claim, claim, isWord, saidAs, type Token, tokensOf, type Word } from './words';

interface Span {
  readonly start: number;
  readonly end: number;
}

/** One more thing on the same line, with its own amount: "2 eggs plus 1 yolk". */
export interface Extra {
  readonly amount: Amount;
  readonly name: NameReading;
  readonly said: string;
}

export interface SplitLine {
  /** The line without bullets and marks: what the words are of. */
  readonly text: string;
  readonly words: readonly Word[];
  /** The same amount, once or more: written twice. */
  readonly amounts: readonly Amount[];
  /** Where each amount stands in `text`, the words that lead into it too. */
  readonly amountSpans: readonly Span[];
  readonly name: NameReading;
  /** The words of the name, as written. */
  readonly said: string;
  /** Other things that will do instead: "or oil". An amount of its own where one is written. */
  readonly alternatives: readonly {
    readonly name: NameReading;
    readonly said: string;
    readonly amount: Amount | null;
  }[];
  readonly preparation: string;
  readonly fill: FillMethod | null;
  readonly use: Use | null;
  /** What with the batter it is for: "for the apples". */
  readonly side: string | null;
  readonly extras: readonly Extra[];
  /** Several lines in one, each as it would be written alone. */
  readonly rows: readonly string[];
  readonly problem: LineFinding | null;
}

const PREFILL =
  /^\s*(?:(firmly|tightly|lightly|loosely|well)[\s-]+)?(packed|sifted|spooned|loose|dipped|fluffed)(?![\p{L}])/iu;
const POSTFILL = /\b(?:(lightly|loosely)\s+)?(packed|spooned|loose|dipped|fluffed)\b/i;

function fillOf(how: string | undefined, word: string): FillMethod {
  const w = word.toLowerCase();
  if (w === 'packed') return /lightly|loosely/i.test(how ?? '') ? 'spooned' : 'packed';
  if (w === 'sifted' || w === 'dipped' || w === 'fluffed') return w;
  return 'spooned';
}

const unitOf = (a: Amount): string | null => a.terms[0]?.unit ?? null;
const isVague = (a: Amount): boolean => unitById(unitOf(a) ?? '')?.dimension === 'vague';
const countOf = (a: Amount): Fraction => a.terms[0]?.low ?? new Fraction(1);

/** How an amount measures: two of different ways side by side say the same twice. */
function wayOf(a: Amount): string {
  const id = unitOf(a);
  const unit = unitById(id ?? '');
  if (!unit || !id) return 'count';
  if (unit.dimension === 'vague') return 'vague';
  if (unit.butterOnly) return 'stick';
  return `${unit.dimension}-${isMetric(id) ? 'metric' : 'kitchen'}`;
}

interface At extends Span {
  readonly amount: Amount;
  readonly fill: ReadAmount['fill'];
  /** Units apart from bare numbers. */
  readonly counted: boolean;
}

/** Words an amount may begin with, besides digits. */
const STARTS = new Set(
  'my our your a an one two three four five six seven eight nine ten eleven twelve thirteen fourteen fifteen sixteen eighteen twenty thirty forty fifty sixty seventy eighty ninety hundred half halves between couple third thirds quarter quarters dozen couple pinch dash smidgen knob splash handful drizzle glug tad dollop dab blob sprinkle sprinkling dusting squeeze squirt grating twist scant skimpy level heaped heaping rounded generous good big brimming small large tiny little about approximately approx roughly around circa ca nearly almost barely close just between up at max maximum min minimum maybe say perhaps touch hint full flat another prise pincee pizzico pizca snufje nip nypa klype'.split(
    ' ',
  ),
);
const OTHER_STARTS = new Set(
  'ein eine einen einem une un una uno een en et ett ei zwei deux dos due twee to tva drei trois tres tre drie vier quatre cuatro quattro fire fyra halber halbe halbes halben demi media medio mezzo mezza half halve halv halvt'.split(
    ' ',
  ),
);

/** One, half and so on in the languages of the names, where a unit or a name follows. */
const OTHER_NUMBERS: readonly (readonly [RegExp, string])[] = [
  [
    /^(?:halber|halbe[rsn]?|ein(?:e[nm]?)?\s+halbe[rsnm]?|demi|une?\s+demi|media|medio|mezzo|mezza|half|halve|en\s+halv|et\s+halvt|halv|halvt|ett\s+halvt)[\s-]+/iu,
    '1/2 ',
  ],
  [/^(?:ein(?:e[nm]?)?|une?|un|una|uno|een|en|et|ett|ei)\s+/iu, '1 '],
  [/^(?:zwei|deux|dos|due|twee|to|två|tva)\s+/iu, '2 '],
  [/^(?:drei|trois|tres|tre|drie)\s+/iu, '3 '],
  [/^(?:vier|quatre|cuatro|quattro|fire|fyra)\s+/iu, '4 '],
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
  /(?:\b(?:(?:an?|1|one)\s+)?(?:(?:small|large|good)\s+)?(?:knob|piece|lump|pat|bit)\s+of\s+)?\b[\p{L}]+(?:\s+[\p{L}]+)?,?\s+((?:about\s+)?(?:of\s+)?the\s+size\s+of\s+an?\s+(?:small\s+|large\s+)?(walnut|hazelnut|egg)\b)/iu;
const SIZED = /^((?:an?\s+|1\s+|one\s+)?(walnut|hazelnut|egg)[\s-]sized?\s+(?:(?:knob|piece|lump|pat|bit)\s+of\s+)?)/i;

/** "a little milk", "some sugar": words that stand where an amount would, and are none. */
const LOOSE =
  /^(?:(?:just\s+)?(?:a\s+)?(?:(?:tiny\s+|wee\s+|little\s+)?(?:little|bit|touch|hint|suggestion)(?:\s+bit)?)(?:\s+(?:more\s+)?of)?|some(?:\s+of)?|enough|any|plenty(?:\s+of)?|lots(?:\s+of)?|a few(?:\s+(?:drops?|pinches|spoons?|gratings?|turns?|leaves|dashes|shakes))?(?:\s+of)?|several|more|extra|as much|(?:a\s+)?(?:good\s+)?amount\s+of|etwas|ein\s+(?:wenig|bisschen)|un\s+p(?:eu|oco)\s+d[ei]|q\.?\s?b\.?|lidt|litt|lite|een\s+beetje|wat|algo\s+de)\s+(?:(?:of\s+)?(?:the|my|your)\s+)?(?=\p{L})/iu;

/** "an extra egg", "another tablespoon of sugar", "my cup of milk": one. */
const ONE_MORE =
  /^(?:(?:an?\s+(?:extra|additional|further)|another)\s+(?=\p{L})|(?:my|our|your|the)\s+(?=(?:\p{L}+\s+)?(?:cup|mug|glass|ladle|jug|spoon|tablespoon|teaspoon|bowl)\s+of\b))/iu;

/** Words that lead a spoken line in and say nothing. */
const LEAD_IN =
  /^(?:(?:for|into|to) (?:the|my|our) (?:pancakes?|batter|waffles?|cr[eê]pes?|cakes?|griddle cakes?)[,\s]+(?=\p{L}|\d)|in(?:to)? (?:an?|another|the|my|one) (?:\p{L}+ )?(?:bowl|jug|pan)[,\s]+(?=\p{L}|\d)|(?:and|then|also|plus|so|next|first|finally|now|well|ok|okay|oh|um|er|yes|right|or)\b[,\s]+|(?:i|we|you)(?:[’']ll|[’']d)?\s+(?:use|used|need|take|add|put(?: in)?|like|go for|go in with|start with|begin with|throw in|chuck in|tip in|measure(?: out)?|crack(?: in)?|pour(?: in)?|also (?:add|use)|will need|want|have|do|always (?:add|use))\s+|(?:goes|go|comes|come)\s+(?=\d|an?\s|one\s|two\s|three\s|half\s)|(?:take|add|use|put(?: in)?|get|grab|in goes?|there[’']?s|it[’']?s|you[’']?ll need|goes in|in go)\s+(?=\d|an?\s|one\s|two\s|three\s|about\s|half\s)|(?:my|our|your|the)\s+(?=\d)|(?:an?\s+)?(?:further|additional|extra)\s+(?=\d)|another\s+(?=\d))/iu;

/** A spoken line without the words that lead it in. */
export function withoutLead(text: string): string {
  let t = text;
  for (let m = LEAD_IN.exec(t); m && m[0].length < t.length; m = LEAD_IN.exec(t)) t = t.slice(m[0].length);
  return t;
}

const TIMES_COUNT = /\s*\b[x×]\s*(\d{1,3})\b(?!\s*(?:cm|mm|g\b|ml\b))/iu;
const OR_TWO = /\s+or\s+(two|three)\b/i;

const PACK =
  /^\s*-?\s*(?:(?:small|large|whole|full)\s+)?(?:cans?|tins?|packets?|packages?|packs?|pkgs?\.?|jars?|sachets?|sticks?|bars?|containers?|tubs?|cartons?|pots?|bags?|box(?:es)?|bottles?|blocks?|envelopes?|pouch(?:es)?|cups?(?=\s+of\s+(?:yog|cream)))(?![\p{L}])/iu;
const EACH = /^\s*(?:each|apiece|a\s+piece|per\s+(?:\w+)|every)(?![\p{L}])/iu;
const ALL_TOGETHER =
  /^\s*(?:in total|total|in all|altogether|net(?: weight)?|weight|drained(?: weight)?|(?:shelled|peeled|sifted|mashed)(?: weight)?|without (?:the )?(?:shells?|skin|stones?)|(?:when|once|after) (?:peeled|mashed|melted|sifted|drained|shelled|sifting|peeling|mashing|draining|melting|shelling))(?![\p{L}])/iu;

/** So much for each of the guests: how much that is hangs on how many come. */
const PER_HEAD =
  /\b(?:per|for each|for every)\s+(?:person|head|guest|eater|portion|serving|pancake|waffle|crepe|batch|egg)\b/i;

const SAYS_AGAIN =
  /^[\s,;([:–—-]*(?:or|=|i\.?\s?e\.?|that[’']?s|that is|which is|which makes|equals?|equal to|(?:the )?equivalent (?:is|of|to)|equivalent|about|approx(?:imately|\.)?|roughly|around|aka|so|meaning|makes|comes to|weighing|weighs|in weight|by weight|~|≈|\/|\|)?[\s,:(]*(?:(?:is|to|of|or)\s+)?(?:about|approx(?:imately|\.)?|roughly|around|~|≈)?[\s,]*$/i;
const CONNECTS =
  /^(?:or|plus|minus|less|about|equal|equivalent|i|e|ie|aka|roughly|around|approximately|approx|is|that|which|make|come|weigh|weighing|equals|by|weight|mean|meaning)$/;
const JOINED =
  /(?:^|[\s,(])(plus|\+|and|&|minus|less|−|with|but for)\s*(?:an?\s+(?:extra|additional|further)\s+|another\s+|about\s+)?$/i;

const PART_OF =
  /^(?:the\s+)?(?:(?:finely|freshly|coarsely)\s+)?(?:(?:grated|squeezed|strained|fresh)\s+)?(zest|rind|peel|juice|yolks?|whites?)(?:\s*(?:and|&|\/)\s*(zest|rind|peel|juice))?\s+(?:(?:of|from)\s+)?(?=[\dah½¼¾otf])(.+)$/i;
/** "(from 1 lemon)", "(about 2 lemons)": where it comes from, counted. */
const FROM_PIECES =
  /[\s,(]*\b(?:from|about|of|approx\.?|roughly)\s+(?:about\s+)?(?:\d+|½|half|an?|one|two|three|four)\s*(?:\d\/\d\s*)?(?:an?\s+)?(?:large|small|medium|ripe|unwaxed|whole)?\s*(?:lemons?|oranges?|limes?|bananas?|apples?|eggs?|pods?)\b\s*\)?/iu;

const FRUITS: Readonly<Record<string, readonly [zest: string, juice: string]>> = {
  lemon: ['lemon zest', 'lemon juice'],
  orange: ['orange zest', 'orange juice'],
  lime: ['?', 'lime juice'],
};

/** What the cook's name of a thing is, read with the card's languages in mind. */
interface Asking {
  readonly house: KitchenConventions;
  readonly languages: ReadonlySet<Language> | null;
}

const nothing: NameReading = { kind: 'unknown', suggestions: [], as: [] };

class Reader {
  readonly tokens: Token[];
  readonly amounts: At[] = [];
  readonly prep: { at: number; text: string }[] = [];
  use: Use | null = null;
  side: string | null = null;
  fill: FillMethod | null = null;
  problem: LineFinding | null = null;
  divided = false;
  orMore = false;
  rows: string[] = [];

  constructor(
    readonly text: string,
    readonly asking: Asking,
  ) {
    this.tokens = tokensOf(text);
  }

  claim(start: number, end: number, as: Claim): void {
    claim(this.tokens, start, end, as);
  }

  /** The words of the text that nobody claimed yet, between two places. */
  free(start = 0, end = this.text.length): Token[] {
    return this.tokens.filter((t) => t.as === null && t.start >= start && t.end <= end);
  }

  keep(start: number, end: number): void {
    const text = this.text
      .slice(start, end)
      .replace(/^[\s,;:()[\]–—-]+|[\s,;:([\]–—-]+$/g, '')
      .replace(/^\)|\($/g, '');
    const closed = text.includes('(') ? text : text.replace(/\)+$/, '');
    if (closed) this.prep.push({ at: start, text: closed });
  }
}

/** A line with none of these has no phrase to look for. */
const TRIGGERS =
  /\b(?:for|to|on|in|into|over|round|around|not|left|unused|at|alongside|plus|and|with|or|more|extra|additional|optional|optionally|needed|required|necessary|like|liked|want|wish|desired|using|please|see|choice|any|whatever|give|thereabouts|divided|two|split|separated|added|stirred|folded|mixed|sprinkled|scattered|dropped|put|going|goes|go|whisked|poured|last|before|after|zum|zur|f[uü]rs?|pour|para|per|om|voor|til|till)\b|\+/iu;

function takePanFat(r: Reader): void {
  if (phrases.PAN_FAT.test(r.text) || (r.use === null && phrases.SPRAY.test(r.text))) r.use = 'pan';
}

/** Phrases at the end and the start of a line, in any order: each is claimed, and the line ends before it. */
function takePhrases(r: Reader, start: number): { from: number; to: number } {
  const remark = r.text.includes('(') ? [...r.text.matchAll(phrases.REMARK)].at(-1) : undefined;
  let to = r.text.length;
  if (remark && /^[\s.;]*$/.test(r.text.slice(remark.index + remark[0].length))) {
    r.claim(remark.index, to, 'state');
    to = remark.index;
  }
  let from = start;
  let batter = false;
  const take = (re: RegExp, as: Claim, said = true): RegExpExecArray | null => {
    const m = re.exec(r.text.slice(start, to));
    if (!m || m.index === 0) return null;
    r.claim(start + m.index, to, as);
    if (said) r.keep(start + m.index, to);
    to = start + m.index;
    return m;
  };
  if (!TRIGGERS.test(r.text)) {
    takePanFat(r);
    return { from, to };
  }
  const extraAt = take(phrases.EXTRA, 'use');
  if (extraAt) {
    batter = true;
    if (!/\b(?:for|to)\b/i.test(extraAt[0])) r.orMore = true;
  }
  for (let again = true; again; ) {
    again = false;
    if (!batter && take(phrases.OR_MORE, 'use')) {
      r.orMore = true;
      again = true;
    }
    while (take(phrases.TAIL, 'use')) again = true;
    if (take(phrases.MOMENT, 'moment')) again = true;
    if (take(phrases.DIVIDED, 'use')) {
      r.divided = true;
      again = true;
    }
    if (r.use === null && !batter && r.side === null) {
      const side = take(phrases.SIDE, 'use', false);
      if (side) {
        r.side = (side[1] ?? '').toLowerCase();
        r.use = 'topping';
        again = true;
      } else if (phrases.PAN_TAILS.some((re) => take(re, 'use'))) {
        r.use = 'pan';
        again = true;
      } else if (phrases.TOPPING_TAILS.some((re) => take(re, 'use'))) {
        r.use = 'topping';
        again = true;
      } else {
        const beside = take(phrases.BESIDE, 'use', false);
        if (beside) {
          r.side = beside[1] ? 'filling' : 'not in the batter';
          r.use = 'topping';
          again = true;
        }
      }
    }
  }
  for (const [re, use] of [
    [phrases.PAN_FIRST, 'pan'],
    [phrases.TOPPING_FIRST, 'topping'],
    [phrases.FIRST, null],
  ] as const) {
    const m = re.exec(r.text.slice(from, to));
    if (!m || m[0].length === 0 || from + m[0].length >= to) continue;
    r.claim(from, from + m[0].length, 'use');
    r.keep(from, from + m[0].length);
    if (use && !batter) r.use = use;
    from += m[0].length;
  }
  takePanFat(r);
  return { from, to };
}

/** Numbers that are no amounts: sizes, degrees, minutes, types of flour. */
function takeMeasures(r: Reader): void {
  if (/dry|temp|warm|heat|finger|blood|stone|milled|thaw|freezer|curd/i.test(r.text))
    for (const m of r.text.matchAll(phrases.STATES)) r.claim(m.index, m.index + m[0].length, 'state');
  if (/toss|roll|dust|coat|dredg|shak/i.test(r.text))
    for (const m of r.text.matchAll(phrases.TURNED_IN)) r.claim(m.index, m.index + m[0].length, 'state');
  if (r.text.includes('('))
    for (const m of r.text.matchAll(phrases.REMARK)) r.claim(m.index, m.index + m[0].length, 'state');
  if (/\bnot\b/i.test(r.text))
    for (const m of r.text.matchAll(phrases.NOT)) r.claim(m.index, m.index + m[0].length, 'state');
  if (!/cm|mm|inch|in\.|["”°º]|degree|\d\s*[CF]\b|min|hour|hr|sec|day/i.test(r.text)) return;
  for (const re of phrases.MEASURES)
    for (const m of r.text.matchAll(re)) r.claim(m.index, m.index + m[0].length, 'state');
}

/** Every amount of the text between two places, in order. */
function findAmounts(r: Reader, from: number, to: number): void {
  const blocked: Span[] = !/half|type|typ|tipo|\bt-?\s?\d|00|405|550|630/i.test(r.text)
    ? []
    : [...r.text.matchAll(phrases.FLOUR_TYPE), ...r.text.matchAll(/\bhalf[\s-]*(?:and[\s-]*half|fat\b)/gi)].map(
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
    const a =
      first || /^(?:un|ein|een|en|et)/iu.test(t.text)
        ? readAny(r.text.slice(t.start, to), first)
        : readAmount(r.text.slice(t.start, to));
    if (!a || a.length === 0) continue;
    const end = t.start + a.length;
    // it would take in words that are claimed: degrees, sizes, types
    if (r.tokens.some((x) => x.as !== null && x.start >= t.start && x.end <= end)) continue;
    const digits = /[\d½¼¾⅓⅔⅛⅜⅝⅞]/u.test(r.text.slice(t.start, end));
    const counted = unitOf(a.amount) !== null;
    // a bare "a" or "one" further on counts nothing
    if (!counted && !digits && !first && !/^(?:half|two|three|four|five|six|one|dozen|another)/i.test(t.text)) continue;
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

const FIRST_SIGNS = new Set('0123456789½¼¾⅐⅑⅒⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞~≈.');
const isMaybeAmount = (t: Token, r: Reader, from: number): boolean =>
  FIRST_SIGNS.has(t.text[0] ?? '') ||
  (isWord(t) &&
    (STARTS.has(t.text.toLowerCase()) ||
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

function takeTradeCan(r: Reader, from: number, to: number): void {
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

/** Names split off by "or", "and" or commas, as spans of free words. */
interface Group {
  readonly tokens: readonly Token[];
}

function groupsOf(tokens: readonly Token[], parts: RegExp): readonly Group[] {
  const out: { tokens: Token[] }[] = [{ tokens: [] }];
  for (const t of tokens) {
    const here = out[out.length - 1];
    const joins = t.as !== 'amount' && t.as !== 'state' && parts.test(t.text);
    if (joins && here?.tokens.some(isWord)) out.push({ tokens: [] });
    else if (!joins) here?.tokens.push(t);
  }
  return out.filter((g) => g.tokens.some(isWord));
}

/** Where a new part of the words begins: past a comma, a bracket or a dash; as places among the words. */
function breaksOf(r: Reader, words: readonly Token[]): readonly number[] {
  const out: number[] = [];
  for (let n = 1; n < words.length; n++) {
    const [a, b] = [words[n - 1], words[n]];
    if (a && b && /[,;:()[\]–—]|\s-\s/.test(r.text.slice(a.end, b.start))) out.push(n);
  }
  return out;
}

const nameOf = (r: Reader, words: readonly Token[]): NameReading =>
  readName(
    words.map((t) => t.norm),
    r.asking.house,
    { breaks: breaksOf(r, words), languages: r.asking.languages },
  );

/** A name with a noun lent from elsewhere in the line: what stands between parts nothing. */
const lentName = (r: Reader, words: readonly Token[]): NameReading =>
  readName(
    words.map((t) => t.norm),
    r.asking.house,
    { languages: r.asking.languages },
  );

const isOpen = (n: NameReading): boolean => n.kind === 'unknown';

const saidBy = (r: Reader, words: readonly Token[]): string => {
  const [a, b] = [words[0], words[words.length - 1]];
  return a && b ? r.text.slice(a.start, b.end) : '';
};

function claimName(words: readonly Token[], n: NameReading): void {
  words.forEach((t, k) => {
    t.as = n.as[k] ?? 'unknown';
  });
}

/** Words that lead into where it comes from, and the state words before them, are claimed to the end of their part. */
function takeStates(r: Reader, words: readonly Token[]): readonly Token[] {
  const breaks = [...breaksOf(r, words), words.length];
  const parts: Token[][] = [];
  let from = 0;
  for (const b of breaks) {
    parts.push(words.slice(from, b));
    from = b;
  }
  const isEgg = parts[0]?.some((t) => t.norm === 'egg') ?? false;
  parts.forEach((part, p) => {
    const dangerous = (t: Token): boolean => VARIANT.has(t.norm) || HEADS.has(t.norm) || /\d/.test(t.norm);
    // "eggs, whites whipped": what is done to a part of them
    if (
      p > 0 &&
      isEgg &&
      part.some((t) => /^(?:white|whites|yolk)$/.test(t.norm)) &&
      part.some((t) => /^(?:beaten|whisked|whipped|separated|stiff|separate)$/.test(t.norm))
    ) {
      for (const t of part) t.as = 'state';
      return;
    }
    if (
      p > 0 &&
      part.some((t) => STATE.has(t.norm)) &&
      part.every((t) => STATE.has(t.norm) || ITS_PARTS.has(t.norm) || FILLER.has(t.norm) || HARMLESS.has(t.norm)) &&
      part.some((t) => ITS_PARTS.has(t.norm))
    ) {
      for (const t of part) t.as = 'state';
      return;
    }
    for (let n = 0; n < part.length; n++) {
      const t = part[n];
      if (!t || !LEADS_INTO_STATE.has(t.norm)) continue;
      const before = part.slice(0, n);
      const rest = part.slice(n + 1);
      const stateBefore =
        before.length > 0 &&
        (STATE.has(before[before.length - 1]?.norm ?? '') || before[before.length - 1]?.as === 'state');
      const begins = p > 0 && n === 0;
      const next = r.tokens[r.tokens.indexOf(t) + 1];
      if (rest.length === 0 && next?.as === 'state') t.as = 'state';
      if (rest.length === 0 && !stateBefore) continue;
      if ((begins || before.length > 0) && (stateBefore || !rest.some(dangerous))) {
        if (/^(?:with|for)$/.test(t.norm) && !stateBefore && rest.some(dangerous)) continue;
        for (const x of part.slice(n)) x.as = 'state';
        // a temperature or a fridge is told with what leads into it
        break;
      }
    }
  });
  return words.filter((t) => t.as === null);
}

interface Named {
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

/** One of several that will do: by itself, or with the noun that another of them has. */
function readGroup(r: Reader, g: readonly Token[], n: number, groups: readonly (readonly Token[])[]): NameReading {
  const alone = nameOf(r, g);
  const last = groups[groups.length - 1] ?? g;
  const used = (name: NameReading, count: number): boolean =>
    name.as.slice(0, count).some((a) => a === 'ingredient' || a === 'variant');
  if (n === groups.length - 1) {
    const before = groups[n - 1] ?? [];
    const head = before.findLast((t) => HEADS.has(t.norm));
    // "milk (dairy or oat)": the noun stood before
    if (head && isBare(g) && !standsAlone(g) && !g.some((t) => HEADS.has(t.norm))) {
      const lent = lentName(r, [...g, head]);
      if (!isOpen(lent) && used(lent, g.length)) return { ...lent, as: lent.as.slice(0, g.length) };
    }
    // "vanilla extract or essence"
    if (isOpen(alone))
      for (let cut = before.length - 1; cut > 0; cut--) {
        const lent = lentName(r, [...before.slice(0, cut), ...g]);
        if (!isOpen(lent)) return { ...lent, as: lent.as.slice(cut) };
      }
    return alone;
  }
  // "apple or orange juice": a word that lacks its noun is no fruit, and no soda
  const lacking = lacksNoun(g, last);
  if (lacking) {
    const head = last[last.length - 1] as Token;
    const lent = lentName(r, [...g, head]);
    return isOpen(lent) ? { kind: 'unknown', suggestions: [], as: [] } : { ...lent, as: lent.as.slice(0, g.length) };
  }
  const chocolate = g.length === 1 && g[0]?.norm === 'milk' && last.some((t) => t.norm === 'chocolate');
  if (standsAlone(g) && alone.kind === 'found' && !chocolate) return alone;
  const bare = isBare(g);
  if (!bare && !isOpen(alone) && !chocolate) return alone;
  // as much of the last as makes a name of which the bare word is a part
  const tails = [...last.keys()].slice(1).map((from) => last.slice(from));
  const lendable = tails.filter((lent) => lent.some((t) => HEADS.has(t.norm)));
  const tries = lendable
    .map((lent) => ({ name: lentName(r, [...g, ...lent]) }))
    .filter((t) => !isOpen(t.name) && used(t.name, g.length));
  const [chosen] = tries;
  if (chosen) return chosen.name;
  if (isPraise(g)) {
    const whole = nameOf(r, [...g, ...last]);
    if (!isOpen(whole)) return whole;
  }
  if (bare && last.some((t) => HEADS.has(t.norm)) && alone.kind === 'found' && !standsAlone(g))
    return { kind: 'unknown', suggestions: [alone.ingredient], as: [] };
  return alone;
}

/** "A or B", "A/B": read one by one, the shared noun lent to the first. */
function readAlternatives(r: Reader, words: readonly Token[]): Named | null {
  const OR = /^(?:or|oder|ou|\/)$/i;
  const marks = r.tokens.filter((t) => words.includes(t) || (t.as === null && (t.text === '/' || t.text === ',')));
  const lastOr = marks.findLastIndex((t) => OR.test(t.text));
  // "white, milk or dark": a comma before the "or" parts too; one after it leads to what is done to it
  const all = marks.filter((t, n) => t.text !== ',' || n < lastOr);
  const split = (parts: RegExp): readonly (readonly Token[])[] =>
    groupsOf(all, parts).map((g) => g.tokens.filter((t) => isWord(t)));
  const byComma = split(/^(?:or|oder|ou|\/|,)$/i);
  const groups = byComma.every((g) => isBare(g) || !isOpen(nameOf(r, g))) ? byComma : split(OR);
  if (groups.length < 2) return null;
  const readings = groups.map((g, n) => ({ tokens: g, name: readGroup(r, g, n, groups) }));
  if (readings.every((x) => isOpen(x.name))) return null;
  for (const t of marks) if (t.text === ',' && t.as === null) t.as = 'filler';
  for (const x of readings) {
    x.tokens.forEach((t, k) => {
      t.as = isOpen(x.name)
        ? FILLER.has(t.norm)
          ? 'filler'
          : STATE.has(t.norm)
            ? 'state'
            : 'unknown'
        : (x.name.as[k] ?? 'unknown');
    });
  }
  for (const t of all) if (t.as === null) t.as = 'filler';
  const standing = readings.find((x) => !isOpen(x.name));
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
  'honey butter water milk cream buttermilk yoghurt yogurt kefir lemon lime orange vanilla cinnamon ginger banana apple pear pumpkin rum brandy beer coffee tea molasses treacle'.split(
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
};
const lacksNoun = (words: readonly Token[], last: readonly Token[]): string | null => {
  const own = words.filter((t) => !FILLER.has(t.norm) && !HARMLESS.has(t.norm));
  const noun = last[last.length - 1]?.norm ?? '';
  return own.length === 1 && LENT[noun]?.test(own[0]?.norm ?? '') ? noun : null;
};

/** Things listed for one amount: "cinnamon, ginger and nutmeg". @returns null where one of them is not understood */
function readEach(
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
      !own.every((t) => VARIANT.has(t.norm) || HARMLESS.has(t.norm))
    )
      return null;
    const lent = lentName(r, [...own, head]);
    return isOpen(lent) ? null : { ...lent, as: lent.as.slice(0, own.length) };
  };
  const out: { name: NameReading; said: string; tokens: readonly Token[] }[] = [];
  const inSpan = r.tokens.filter(
    (t) => t.as === null && t.start >= (listed[0]?.start ?? 0) && t.end <= (head?.end ?? 0),
  );
  for (const g of groupsOf(inSpan, /^(?:and|&|\+|plus|,|;|\/|und|et|y|e|og|och|en)$/i)) {
    const words = g.tokens.filter(isWord);
    const own = words.slice(words.findIndex((t) => !FILLER.has(t.norm)));
    const lent = withHead(own);
    const name = lent ?? nameOf(r, own);
    if (isOpen(name)) return null;
    out.push({ name, said: lent ? `${saidBy(r, own)} ${head?.text}` : saidBy(r, own), tokens: own });
  }
  if (out.length < 2) return null;
  for (const o of out) claimName(o.tokens, o.name);
  for (const t of inSpan) if (t.as === null) t.as = 'filler';
  return out;
}

function readNames(r: Reader, words: readonly Token[]): Named {
  const free = takeStates(r, words);
  if (free.length === 0) return { name: nothing, said: '', alternatives: [] };
  const whole = nameOf(r, free);
  if (
    whole.kind !== 'found' ||
    free.some((t) => /^(?:or|oder|ou)$/i.test(t.text)) ||
    r.tokens.some((t) => t.as === null && t.text === '/')
  ) {
    const or = readAlternatives(r, free);
    if (or) return or;
  }
  claimName(free, whole);
  const named = free.filter((t) => t.as === 'ingredient' || t.as === 'variant');
  return { name: whole, said: saidBy(r, named.length > 0 ? named : free), alternatives: [] };
}

/** "zest and juice of 1 lemon", "whites of 3 eggs". */
function partOf(r: Reader, from: number, to: number): SplitLine | null {
  if (!/zest|rind|peel|juice|yolk|white/i.test(r.text)) return null;
  const text = r.text.slice(from, to);
  const m = PART_OF.exec(text);
  const whole = m?.[3];
  if (!m || !whole) return null;
  const n = readNumber(whole);
  if (!n) return null;
  const after = from + text.length - whole.length + n.length;
  const rest = tokensOf(r.text.slice(after, to)).filter(isWord);
  const noun = rest.filter(
    (t) => !FILLER.has(t.norm) && !HARMLESS.has(t.norm) && !/^(?:whole|unwaxed|fresh|large|medium|small)$/.test(t.norm),
  );
  const fruit = noun[0]?.norm ?? '';
  const tail = noun.slice(1);
  const part = plain(m[1] ?? '').replace(/s$/, '');
  const also = m[2] ? plain(m[2]) : null;
  const called = (p: string): string | null =>
    fruit === 'egg'
      ? p === 'yolk'
        ? 'egg yolk'
        : p === 'white'
          ? 'egg white'
          : null
      : (FRUITS[fruit]?.[p === 'juice' ? 1 : 0] ?? null);
  const first = called(part);
  const second = also === null ? null : called(also);
  if (
    !first ||
    first === '?' ||
    (also !== null && !second) ||
    tail.some((t) => !STATE.has(t.norm) && !LEADS_INTO_STATE.has(t.norm))
  )
    return null;
  const amount: Amount = {
    terms: [{ sign: 1, low: n.low, high: n.high, unit: null, fullness: null }],
    approximate: false,
  };
  const word = (name: string): NameReading => readName(name.split(' '), r.asking.house);
  const numberAt = after - n.length;
  r.claim(numberAt, after, 'amount');
  for (const t of r.tokens) {
    if (t.as !== null || !isWord(t)) continue;
    if (/^(?:zest|rind|peel|juice|yolk|white|whites|egg|lemon|orange|lime)$/.test(t.norm)) t.as = 'ingredient';
    else t.as = STATE.has(t.norm) ? 'state' : 'filler';
  }
  return {
    ...finish(r),
    amounts: [amount],
    amountSpans: [{ start: numberAt, end: after }],
    name: word(first),
    said: first,
    extras: second && second !== '?' ? [{ amount, name: word(second), said: second }] : [],
  };
}

/** "1 orange, zest and juice": both parts of so many. */
const BOTH_OF =
  /^(?:large|small|medium|unwaxed|\s)*(lemon|orange|lime)s?\b[\s,(:–—-]+(?:(?:finely|grated|freshly|its|the)\s+)*(zest|juice)d?\s*(?:and|&|\/|\+)\s*(juice|zest)d?\b\s*(?:only\s*)?\)?\s*$/i;
function bothOf(r: Reader, from: number, to: number): SplitLine | null {
  const n = /zest/i.test(r.text) ? readNumber(r.text.slice(from, to)) : null;
  const m = n ? BOTH_OF.exec(r.text.slice(from + n.length, to).trimStart()) : null;
  const names = m?.[1] ? FRUITS[m[1].toLowerCase()] : undefined;
  if (!n || !m || !names || names[0] === '?' || m[2]?.toLowerCase() === m[3]?.toLowerCase()) return null;
  const amount: Amount = {
    terms: [{ sign: 1, low: n.low, high: n.high, unit: null, fullness: null }],
    approximate: false,
  };
  r.claim(from, from + n.length, 'amount');
  for (const t of r.tokens)
    if (t.as === null && isWord(t)) t.as = /^(?:zest|juice|lemon|orange|lime)/.test(t.norm) ? 'ingredient' : 'filler';
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

/** What is done to it, as written: the runs of words that were claimed so. */
function preparationOf(r: Reader, named = true): string {
  const out = [...r.prep];
  const kept = (t: Token): boolean => t.as === 'state' || (named && t.as === 'unknown' && !/\d/.test(t.text));
  const ts = r.tokens;
  for (let n = 0; n < ts.length; n++) {
    const t = ts[n];
    if (!t || !isWord(t) || !kept(t)) continue;
    let end = n;
    // fillers between two words of state belong to it; a comma parts it
    for (let k = n + 1; k < ts.length; k++) {
      const x = ts[k];
      if (!x) break;
      if (!isWord(x) && !/^[-–'’°/.%"”]$/.test(x.text)) break;
      if (isWord(x) && kept(x)) end = k;
      else if (isWord(x) && x.as !== 'filler') break;
    }
    const last = ts[end];
    if (last && !out.some((o) => t.start >= o.at && t.start < o.at + o.text.length + 2))
      out.push({ at: t.start, text: r.text.slice(t.start, last.end) });
    n = end;
  }
  return out
    .sort((a, b) => a.at - b.at)
    .map((o) => o.text)
    .join(', ');
}

const finish = (r: Reader): SplitLine => ({
  text: r.text,
  words: saidAs(r.tokens),
  amounts: [],
  amountSpans: [],
  name: nothing,
  said: '',
  alternatives: [],
  preparation: preparationOf(r),
  fill: r.fill,
  use: r.use,
  side: r.side,
  extras: [],
  rows: r.rows,
  problem: r.problem,
});

const twoAmounts = (message: string): LineFinding => ({ code: 'two-amounts', message });
const ASIDE = 'Two amounts side by side: which one counts? Put the second in brackets if it says the same twice.';
const EACH_ITS_LINE =
  'Two amounts on one line: give each ingredient a line of its own, or put the second in brackets if it says the same twice.';

/** A plain number and words without another: what the words mean hangs on no number. */
const SIMPLE = /^(\d{1,4}(?:\.\d{1,2})?|\d{1,4} \d\/\d|\d{1,4}\/\d|\d{0,3}[½¼¾⅓⅔⅛])( ?)(\p{L}[^\d½¼¾⅓⅔⅛%×*/]*)$/u;
const HANGS_ON_NUMBER =
  /\b(?:x|or|and|plus|minus|less|cc|to|dozen|half|quarter|third|one|two|three|four|five|six|ten|twelve|an?)\b/i;
const SEVEN = new Fraction(7);
const templates = new Map<string, SplitLine | null>();
const MOST_TEMPLATES = 4000;

/** The line as it was split before with another number; null where it has to be read whole. */
function byTemplate(
  text: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): SplitLine | null {
  const m = SIMPLE.exec(text);
  if (
    !m?.[1] ||
    m[3] === undefined ||
    HANGS_ON_NUMBER.test(m[3]) ||
    (m[2] === '' && /^(?:rds?|ths?|nds?|st|x)\b/i.test(m[3]))
  )
    return null;
  const rest = `${m[2]}${m[3]}`;
  const key = `${houseKey(house)}|${languages ? [...languages].join('') : ''}|${rest}`;
  let t = templates.get(key);
  if (t === undefined) {
    const seven = splitWhole(`7${rest}`, house, languages);
    const term = seven.amounts[0]?.terms[0];
    const plainly =
      seven.amounts.length === 1 &&
      seven.amountSpans[0]?.start === 0 &&
      seven.amounts[0]?.terms.length === 1 &&
      term?.low.equals(SEVEN) &&
      !term.high &&
      !term.other &&
      seven.words[0]?.text === '7' &&
      seven.extras.length + seven.rows.length + seven.alternatives.length === 0 &&
      seven.problem === null;
    t = plainly ? seven : null;
    if (templates.size >= MOST_TEMPLATES) templates.clear();
    templates.set(key, t);
  }
  const n = t ? readNumber(m[1]) : null;
  if (!t || !n || n.high || n.other || n.length !== m[1].length) return null;
  const more = m[1].length - 1;
  const { low } = n;
  const [a] = t.amounts;
  const [x] = a?.terms ?? [];
  if (!a || !x) return null;
  const words: Word[] = (
    /^\d+$/.test(m[1])
      ? [m[1]]
      : tokensOf(m[1])
          .filter(isWord)
          .map((t) => t.text)
  ).map((w) => ({ text: w, as: 'amount' }));
  for (let k = 1; k < t.words.length; k++) words.push(t.words[k] as Word);
  const term = {
    sign: x.sign,
    low,
    high: null,
    unit: x.unit,
    fullness: x.fullness,
    ...(x.which && { which: x.which }),
  };
  const amount: Amount = { terms: [term], approximate: a.approximate, ...(a.bound && { bound: a.bound }) };
  return {
    text,
    words,
    amounts: [amount],
    amountSpans: [{ start: 0, end: (t.amountSpans[0]?.end ?? 1) + more }],
    name: t.name,
    said: t.said,
    alternatives: t.alternatives,
    preparation: t.preparation,
    fill: t.fill,
    use: t.use,
    side: t.side,
    extras: t.extras,
    rows: t.rows,
    problem: t.problem,
  };
}

/**
 * Splits an ingredient line.
 * @param source as written
 * @param house whose pantry names are looked up in
 * @param languages those the card seems to be in, besides English; null: any
 */
export const splitLine = (
  source: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null = null,
): SplitLine => byTemplate(source, house, languages) ?? splitWhole(source, house, languages);

function splitWhole(source: string, house: KitchenConventions, languages: ReadonlySet<Language> | null): SplitLine {
  const r = new Reader(stripBullet(source), { house, languages });
  const { text } = r;
  if (/^[-−]\s*[\d½¼¾⅓⅔⅛]/u.test(text) || /^[-−]\d/u.test(source.trim()))
    return {
      ...finish(r),
      problem: { code: 'not-positive', message: 'An amount has to be more than nothing: take the minus sign off.' },
    };
  if (/\d{10,}|\d[eE][+]?\d{2,}/.test(text))
    return {
      ...finish(r),
      problem: { code: 'enormous', message: 'That number is too long to be an amount: check it.' },
    };

  let from = 0;
  for (
    let lead = LEAD_IN.exec(text);
    lead && from + lead[0].length < text.length;
    lead = LEAD_IN.exec(text.slice(from))
  ) {
    r.claim(from, from + lead[0].length, 'filler');
    from += lead[0].length;
  }
  const ends = takePhrases(r, from);
  from = ends.from;
  const { to } = ends;
  const whom = r.use === null && r.side === null ? phrases.FOR_WHOM.exec(text.slice(from, to)) : null;
  if (whom && !phrases.BATTERS.test(whom[1] ?? '') && !phrases.BATTERS.test(whom[2] ?? ''))
    r.problem = {
      code: 'not-understood',
      message: `“${whom[0].trim().replace(/^[,(\s]+|[)\s.]+$/g, '')}”: is it for the batter? Say where it goes.`,
    };
  if (phrases.TWO_USES.test(text))
    r.problem = {
      code: 'divided',
      message: 'For two uses: how much of it goes into the batter? Give each a line of its own.',
    };
  const again = phrases.TWICE.exec(text);
  if (again)
    r.problem = {
      code: 'two-amounts',
      message: `“${again[0]}”: how much is that in all? Write the whole amount, or a line for each time.`,
    };
  const special = partOf(r, from, to) ?? bothOf(r, from, to);
  if (special) return special;
  takeMeasures(r);
  const pieces = /lemon|orange|lime|banana|apple|egg|pod/i.test(text) ? FROM_PIECES.exec(text) : null;
  if (
    pieces &&
    pieces.index > from &&
    /\p{L}{3}/u.test(text.slice(from, pieces.index)) &&
    /\b(?:juice|zest|rind|peel|puree|mash(?:ed)?|whites?|yolks?|grated)\b/i.test(text.slice(from, pieces.index))
  )
    r.claim(pieces.index, pieces.index + pieces[0].length, 'amount');

  takeTradeCan(r, from, to);
  const sizes = /size/i.test(text);
  const sized = sizes ? SIZED.exec(text.slice(from, to)) : null;
  const sizeOf = sized || !sizes ? null : SIZE_OF.exec(text.slice(from, to));
  const thing = (sized?.[2] ?? sizeOf?.[2])?.toLowerCase();
  const byThing =
    thing !== undefined &&
    !/\d/.test(text.slice(from, from + (sizeOf?.index ?? 0))) &&
    unitById(`${thing}-size`) !== undefined;
  if (byThing) {
    const start = sized ? from : from + (sizeOf?.index ?? 0) + (sizeOf?.[0].length ?? 0) - (sizeOf?.[1]?.length ?? 0);
    const end = sized ? from + sized[0].length : start + (sizeOf?.[1]?.length ?? 0);
    r.claim(start, end, 'amount');
    const leading = sized
      ? null
      : /^(?:(?:an?|1|one)\s+)?(?:(?:small|large|good)\s+)?(?:knob|piece|lump|pat|bit)\s+of\s+/i.exec(text.slice(from));
    if (leading) r.claim(from, from + leading[0].length, 'amount');
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
  } else {
    const loose = LOOSE.exec(text.slice(from, to));
    if (loose && !/^(?:extra|more)\s+(?:large|virgin|fine|strong|thick|ripe)/i.test(text.slice(from))) {
      r.claim(from, from + loose[0].length, 'amount');
      r.keep(from, from + loose[0].length);
      from += loose[0].length;
    }
    findAmounts(r, from, to);
  }
  return assemble(r, from, to);
}

/** Amounts, names and what joins them, made one line. */
function assemble(r: Reader, from: number, to: number): SplitLine {
  const { text } = r;
  const [first] = r.amounts;
  const amounts: Amount[] = [];
  const spans: Span[] = [];
  const later: { at: At; joined: string | null; or: boolean }[] = [];
  const nameWords = (start: number, end: number): Token[] =>
    r.free(start, end).filter((t) => isWord(t) && !FILLER.has(t.norm) && !CONNECTS.test(t.norm));

  if (first) {
    amounts.push(first.amount);
    spans.push(first);
    r.fill = first.fill;
    const packed = first.counted && !isVague(first.amount) ? PACK.exec(text.slice(first.end, to)) : null;
    if (packed && !/^\s*(?:sticks?|cups?|bars?)/i.test(packed[0])) {
      r.claim(first.end, first.end + packed[0].length, 'amount');
      spans[0] = { start: first.start, end: first.end + packed[0].length };
    }
    for (let k = 1; k < r.amounts.length; k++) {
      const cur = r.amounts[k];
      const prev = r.amounts[k - 1];
      if (!cur || !prev || cur.start < (spans[spans.length - 1]?.end ?? 0)) continue;
      const between = text.slice(prev.end, cur.start);
      const names = nameWords(prev.end, cur.start);
      const after = text.slice(cur.end, to);
      const each = EACH.exec(after);
      const total = ALL_TOGETHER.exec(after);
      const pack = PACK.exec(after);
      const standing = amounts[0] ?? first.amount;
      const bracket =
        /[([]\s*(?:[^)\]]*)$/.test(between) ||
        /[=/|≈~]|\bor\b|\bthat\b|\bi\.?e\b|\babout\b|\bequi|\bwhich\b|\bapprox|\broughly\b|\bweigh/i.test(between);
      // "(8 oz / 225 g) package": the size of the pack, said twice
      const inside = /[([]\s*$/.test(between) ? /^([^()[\]]*)[)\]]/.exec(after) : null;
      const twiceIn =
        inside?.[1] !== undefined &&
        /\d/.test(inside[1]) &&
        nameWords(cur.end, cur.end + inside[1].length).length === 0 &&
        PACK.test(after.slice(inside[0].length));
      const packedIn =
        twiceIn ||
        pack !== null ||
        (/^\s*[([]?\s*$/.test(between) && /^\s*[)\]]\s*/.test(after) && PACK.test(after.replace(/^\s*[)\]]/, '')));
      // so many packs of a size
      if (
        names.length === 0 &&
        spans.length === 1 &&
        unitOf(standing) === null &&
        unitOf(cur.amount) !== null &&
        packedIn &&
        wayOf(cur.amount) !== 'vague'
      ) {
        amounts[0] = scaleAmount(cur.amount, countOf(standing));
        spans[0] = { start: spans[0]?.start ?? cur.start, end: cur.end };
        const close = (twiceIn ? inside?.[0].length : /^\s*[)\]]?/.exec(after)?.[0].length) ?? 0;
        const word = PACK.exec(after.slice(close));
        if (word) {
          r.claim(cur.end, cur.end + close + word[0].length, 'amount');
          spans[0] = { start: spans[0].start, end: cur.end + close + word[0].length };
        }
        continue;
      }
      // "2 tins of 400 g", "3 eggs (50 g each)"
      if (unitOf(cur.amount) !== null && (each || (isVague(standing) && !total && !JOINED.test(between)))) {
        amounts.push(scaleAmount(cur.amount, countOf(standing)));
        const end = cur.end + (each?.[0].length ?? 0);
        if (each) r.claim(cur.end, end, 'amount');
        r.claim(prev.end, cur.start, 'filler');
        spans.push({ start: cur.start, end });
        if (names.length > 0) for (const t of names) t.as = null;
        continue;
      }
      const joined = JOINED.exec(between)?.[1] ?? null;
      const saysAgain =
        names.length === 0
          ? SAYS_AGAIN.test(between)
          : SAYS_AGAIN.test(text.slice(names[names.length - 1]?.end ?? prev.end, cur.start));
      // inside brackets nothing but the amount may stand
      const opened = Math.max(text.lastIndexOf('(', cur.start), text.lastIndexOf('[', cur.start));
      const closed = /[)\]]/.exec(text.slice(cur.end, to));
      const alone =
        total !== null ||
        opened < prev.end ||
        /[)\]]/.test(text.slice(opened, cur.start)) ||
        (SAYS_AGAIN.test(text.slice(opened, cur.start)) &&
          nameWords(cur.end, cur.end + (closed?.index ?? 0)).every((t) => STATE.has(t.norm) || HARMLESS.has(t.norm)));
      const otherWay =
        cur.counted &&
        wayOf(cur.amount) !== wayOf(standing) &&
        wayOf(cur.amount) !== 'count' &&
        wayOf(cur.amount) !== 'vague';
      const afterNames = nameWords(cur.end, r.amounts[k + 1]?.start ?? to);
      const plainAfter =
        names.length === 0 || afterNames.length === 0 || /^\s*[)\]]/.test(after) || !beginsName(r, afterNames);
      if (
        joined === null &&
        saysAgain &&
        alone &&
        cur.counted &&
        plainAfter &&
        (otherWay ||
          sameSize(cur.amount, standing) ||
          (bracket && !(/\bor\b/i.test(between) && names.length > 0 && afterNames.length > 0)))
      ) {
        amounts.push(cur.amount);
        spans.push(cur);
        if (total) r.claim(cur.end, cur.end + total[0].length, 'amount');
        const lead = names.length === 0 ? prev.end : (names[names.length - 1]?.end ?? prev.end);
        r.claim(lead, cur.start, 'filler');
        continue;
      }
      later.push({ at: cur, joined, or: /\b(?:or|oder|ou)\s*$/i.test(between) });
    }
  }
  // "eggs x 3", "an egg or two"
  const times = /\b[x×]/iu.test(text) ? TIMES_COUNT.exec(text.slice(from, to)) : null;
  const timesAt = times ? from + times.index : 0;
  const own = times ? r.amounts.find((a) => a.start >= timesAt && a.end <= timesAt + times[0].length + 1) : undefined;
  if (times && own) {
    for (const t of r.tokens) if (t.start >= timesAt && t.end <= timesAt + times[0].length) t.as = 'amount';
    const n = new Fraction(Number(times[1]));
    const [before] = r.amounts;
    // "400 ml tins x 3": so many of what stands before
    if (before && before !== own && amounts[0]) amounts[0] = scaleAmount(before.amount, n);
    else amounts[0] = { terms: [{ sign: 1, low: n, high: null, unit: null, fullness: null }], approximate: false };
    spans[0] = {
      start: before && before !== own ? before.start : timesAt,
      end: before && before !== own ? before.end : timesAt + times[0].length,
    };
    for (let k = later.length - 1; k >= 0; k--) if (later[k]?.at === own) later.splice(k, 1);
  }
  const orTwo =
    amounts[0] && !first?.counted && countOf(amounts[0]).equals(1) && amounts[0].terms.length === 1
      ? OR_TWO.exec(text.slice(from, to))
      : null;
  if (r.orMore && amounts[0]) amounts[0] = { ...amounts[0], bound: 'or-more' };
  if (orTwo && amounts[0]) {
    const start = from + orTwo.index;
    for (const t of r.tokens) if (t.start >= start && t.end <= start + orTwo[0].length) t.as = 'amount';
    amounts[0] = {
      ...amounts[0],
      terms: amounts[0].terms.map((t) => ({ ...t, high: new Fraction(orTwo[1]?.toLowerCase() === 'two' ? 2 : 3) })),
    };
    const n = later.findIndex((l) => l.at.start >= start && l.at.end <= start + orTwo[0].length);
    if (n >= 0) later.splice(n, 1);
  }
  const per = PER_HEAD.exec(text);
  if (per) r.problem = { code: 'no-amount', message: `"${per[0].trim()}": for how many? Write the whole amount.` };
  const done = later.length === 0 ? single(r, from, to, amounts, spans) : several(r, from, to, amounts, spans, later);
  return { ...done, words: saidAs(r.tokens), preparation: preparationOf(r, done.name.kind === 'found') };
}

/** Whether words by themselves are a thing, so that an amount before them is theirs. */
function beginsName(r: Reader, words: readonly Token[]): boolean {
  const n = nameOf(r, words);
  return !isOpen(n) && n.as.some((a) => a === 'ingredient');
}

/** Words right behind an amount that say how it was filled. */
function takeFill(r: Reader, spans: readonly Span[]): void {
  for (const s of spans) {
    const m = PREFILL.exec(r.text.slice(s.end).replace(/^\s*[,(]\s*/, ' '));
    if (m && r.fill === null) r.fill = fillOf(m[1], m[2] ?? '');
  }
}

function single(r: Reader, from: number, to: number, amounts: Amount[], spans: Span[]): SplitLine {
  const [span] = spans;
  // right behind the amount, or right before the thing
  if (span) {
    const rest = r.text.slice(span.end).replace(/^\s*(?:of\s+)?/, ' ');
    const m = PREFILL.exec(rest);
    if (m) r.fill = fillOf(m[1], m[2] ?? '');
  }
  const free = r.free(from, to).filter(isWord);
  const each = free.find((t) => /^(?:each|both|apiece)$/.test(t.norm));
  if (each && amounts.length > 0) {
    each.as = 'filler';
    for (const t of free)
      if (t.norm === 'of' && (free[free.indexOf(t) + 1] === each || free[free.indexOf(t) - 1] === each))
        t.as = 'filler';
    const things = readEach(
      r,
      free.filter((t) => t.as === null),
    );
    const [a] = amounts;
    const [one, ...more] = things ?? [];
    if (one && a) {
      for (const t of free) t.as ??= 'filler';
      r.rows.push(...(things ?? []).map((x) => `${r.text.slice(span?.start ?? 0, span?.end ?? 0).trim()} ${x.said}`));
      return {
        ...finish(r),
        amounts,
        amountSpans: spans,
        name: one.name,
        said: one.said,
        extras: more.map((x) => ({ amount: a, name: x.name, said: x.said })),
      };
    }
  }
  const open = fullAfter(
    free.filter((t) => t.as === null),
    amounts,
  );
  const list = amounts.length === 0 && isOpen(nameOf(r, open)) ? listedThings(r, open) : null;
  if (list) {
    const tail = r.prep.map((x) => x.text).join(', ');
    r.rows.push(...list.map((x) => (tail ? `${x}, ${tail}` : x)));
    return {
      ...finish(r),
      said: list.join(', '),
      problem: { code: 'several-lines', message: `${list.length} things on one line: each wants a line of its own.` },
    };
  }
  const named = readNames(r, open);
  const out = { ...finish(r), amounts, amountSpans: spans, ...named };
  const post = POSTFILL.exec(preparationOf(r));
  if (post && !r.fill) r.fill = fillOf(post[1], post[2] ?? '');
  const juiced = fruitPart(r, named);
  const result = { ...out, fill: r.fill, ...(juiced && { name: juiced, said: named.said }) };
  if (named.name.kind === 'unknown' && named.alternatives.length === 0 && amounts.length > 0) {
    const things = severalThings(r, free);
    if (things) return { ...result, problem: things };
  }
  return r.divided && named.name.kind === 'found' && r.use === null
    ? {
        ...result,
        problem: {
          code: 'divided',
          message: 'Divided: how much of it goes into the batter? Give each part a line of its own.',
        },
      }
    : result;
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
function fullAfter(words: readonly Token[], amounts: Amount[]): readonly Token[] {
  const [a] = amounts;
  const t = words.find((w) => FULL_AFTER[w.norm] !== undefined);
  const fullness = t && FULL_AFTER[t.norm];
  if (!a || !t || !fullness || a.terms.length !== 1 || a.terms[0]?.fullness || a.terms[0]?.unit === null) return words;
  amounts[0] = { ...a, terms: a.terms.map((x) => ({ ...x, fullness })) };
  t.as = 'amount';
  return words.filter((w) => w !== t);
}

/** Known things and no amount: "butter and maple syrup, to serve". Each is a line. */
function listedThings(r: Reader, free: readonly Token[]): readonly string[] | null {
  const groups = groupsOf(
    r.tokens.filter((t) => free.includes(t) || t.text === ',' || t.text === '&' || t.text === '+'),
    /^(?:and|&|\+|plus|,|und|et|y|e|og|och|en)$/i,
  );
  const things = groups.map((g) => g.tokens.filter(isWord)).map((words) => ({ words, name: nameOf(r, words) }));
  if (things.length < 2 || things.some((t) => isOpen(t.name))) return null;
  for (const t of things) claimName(t.words, t.name);
  for (const t of free) t.as ??= 'filler';
  return things.map((t) => saidBy(r, t.words));
}

/** Two known things and one amount: nobody can say how much of each. */
function severalThings(r: Reader, free: readonly Token[]): LineFinding | null {
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

/** "1 lemon, juiced": the part of the fruit that is meant. */
function fruitPart(r: Reader, named: Named): NameReading | null {
  const fruit = Object.keys(FRUITS).find((f) => new RegExp(`^(?:[\\p{L}]+\\s+)?${f}s?$`, 'iu').test(named.said));
  if (!fruit || named.name.kind === 'found' || named.alternatives.length > 0) return null;
  const juice = /\bjuice(?:d)?\b/i.test(r.text);
  const zest = /\bzest(?:ed)?\b|\brind\b/i.test(r.text);
  if (juice === zest) return null;
  const called = FRUITS[fruit]?.[juice ? 1 : 0];
  if (!called || called === '?') return null;
  for (const t of r.tokens) if (/^(?:juice|juiced|zest|zested|rind)$/.test(t.norm)) t.as = 'variant';
  return readName(called.split(' '), r.asking.house);
}

const signed = (a: Amount, sign: 1 | -1): Amount['terms'] =>
  a.terms.map((t) => ({ ...t, sign: (t.sign * sign) as 1 | -1 }));
const LESS = /^(?:minus|less|−|but for)$/i;

/** More amounts with words of their own: sums, differences, things besides, things instead. */
function several(
  r: Reader,
  from: number,
  to: number,
  amounts: Amount[],
  spans: Span[],
  later: readonly { at: At; joined: string | null; or: boolean }[],
): SplitLine {
  const extras: Extra[] = [];
  const alternatives: SplitLine['alternatives'][number][] = [];
  let problem: LineFinding | null = null;
  const mainEnd = later[0]?.at.start ?? to;
  takeFill(r, spans.slice(0, 1));
  // the joining word stands before the later amount
  const joinAt = (l: { at: At }): number => {
    const m =
      /(?:[\s,(]*(?:plus|\+|and|&|minus|less|−|with|or|but for)\s*(?:an?\s+(?:extra|additional|further)\s+|another\s+|about\s+)?)$/i.exec(
        r.text.slice(0, l.at.start),
      );
    return m ? m.index : l.at.start;
  };
  const named = readNames(r, r.free(from, Math.min(mainEnd, ...later.slice(0, 1).map(joinAt))).filter(isWord));
  const sumOn = (l: { at: At; joined: string | null }): boolean => {
    const [a] = amounts;
    if (!a) return false;
    amounts[0] = { ...a, terms: [...a.terms, ...signed(l.at.amount, LESS.test(l.joined ?? '') ? -1 : 1)] };
    return true;
  };
  for (const [n, l] of later.entries()) {
    const start = joinAt(l);
    r.claim(start, l.at.start, 'filler');
    const end = later[n + 1] ? joinAt(later[n + 1] ?? l) : to;
    const words = r.free(l.at.end, end).filter(isWord);
    const own = words.filter((t) => !FILLER.has(t.norm));
    const moreOf =
      own.length > 0 &&
      own.every((t) => /^(?:more|extra|additional)$/.test(t.norm) || STATE.has(t.norm)) &&
      own.some((t) => /^(?:more|extra|additional)$/.test(t.norm));
    const name = own.length > 0 && !moreOf ? nameOf(r, words) : nothing;
    const takenOut = phrases.TAKEN_OUT.exec(r.text.slice(l.at.end, end));
    const same =
      name.kind === 'found' && named.name.kind === 'found' && name.ingredient.id === named.name.ingredient.id;
    if (takenOut && !l.or) {
      const [a] = amounts;
      if (a) amounts[0] = { ...a, terms: [...a.terms, ...signed(l.at.amount, -1)] };
      r.claim(l.at.end, l.at.end + takenOut[0].length, 'amount');
      spans.push(l.at);
    } else if (named.alternatives.length > 0 || (l.or && later.length > n + 1)) {
      problem = twoAmounts('One amount or several others: which do you use? Keep that one on the line.');
    } else if (l.or && own.length > 0 && !isOpen(name)) {
      alternatives.push({ name, said: saidBy(r, words), amount: l.at.amount });
      claimName(words, name);
    } else if (
      l.joined !== null &&
      (r.use !== null || r.side !== null) &&
      own.length === 0 &&
      n === later.length - 1 &&
      named.name.kind !== 'unknown'
    ) {
      // "2 tbsp butter, plus 1 tbsp for the pan": two uses
      const what = named.said;
      const tail = r.text.slice(to).replace(/^[\s,(]+|[\s)]+$/g, '');
      r.rows.push(
        `${r.text.slice(from, start).replace(/[\s,(]+$/, '')}`,
        `${r.text.slice(l.at.start, l.at.end)} ${what} ${tail}`,
      );
      r.use = null;
      problem = { code: 'several-lines', message: 'Two uses on one line: each wants a line of its own.' };
    } else if (l.joined !== null && moreOf) {
      const [a] = amounts;
      if (a) amounts[0] = { ...a, bound: 'or-more' };
      for (const t of words) t.as = 'amount';
    } else if (
      l.joined !== null &&
      (own.length === 0 || same || own.every((t) => STATE.has(t.norm) || HARMLESS.has(t.norm)))
    ) {
      if (!sumOn(l)) problem = twoAmounts(ASIDE);
      spans.push(l.at);
      if (same) claimName(words, name);
      else for (const t of words) t.as = STATE.has(t.norm) ? 'state' : 'filler';
    } else if (l.joined !== null && !isOpen(name) && named.name.kind !== 'unknown' && !LESS.test(l.joined)) {
      extras.push({ amount: l.at.amount, name, said: saidBy(r, words) });
      claimName(words, name);
    } else {
      const within =
        r.text.slice(l.at.end).trim() === ''
          ? 'Two amounts on one line: put the second in brackets if it says the same twice, or take one off.'
          : EACH_ITS_LINE;
      problem ??= twoAmounts(own.length === 0 && named.said === '' ? ASIDE : within);
    }
  }
  for (const t of r.free(from, to))
    if (isWord(t)) t.as = FILLER.has(t.norm) ? 'filler' : STATE.has(t.norm) ? 'state' : null;
  const post = POSTFILL.exec(preparationOf(r));
  if (post && !r.fill) r.fill = fillOf(post[1], post[2] ?? '');
  return {
    ...finish(r),
    amounts,
    amountSpans: spans,
    ...named,
    alternatives: [...named.alternatives, ...alternatives],
    extras,
    problem: problem ?? r.problem,
  };
}
