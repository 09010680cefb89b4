/**
 * An amount as written: one or more measured terms that add up ("1 cup plus 2 tablespoons", "1 lb 4 oz"), each an
 * exact number (or range) of a unit, with how full the measure was. What an amount weighs is not known here: that
 * takes an ingredient and a kitchen (see pantry/weigh).
 */
import Fraction from 'fraction.js';
import { PART_WORDS, readNumber, writeNumber } from './number';
import { gramsOf, mlOf, readLadle, readUnit, readWhich, type Sizes, unitById } from './units';

export type Fullness = 'scant' | 'level' | 'rounded' | 'heaping' | 'generous';

export interface Term {
  readonly sign: 1 | -1;
  readonly low: Fraction;
  readonly high: Fraction | null;
  /** A unit id; null is a bare count ("2 eggs"). */
  readonly unit: string | null;
  /** Which of several of that sort: the "tall" of a tall glass. */
  readonly which?: string;
  readonly fullness: Fullness | null;
  /** The other value its number may have meant: "11/2", "1.000 g". The term can't be weighed until one is chosen. */
  readonly other?: Fraction;
}

export interface Amount {
  readonly terms: readonly Term[];
  /** "about", "approx.": the cook did not mean it to the gram. */
  readonly approximate: boolean;
  /** "up to a cup", "a cup or more". */
  readonly bound?: 'up-to' | 'or-more';
}

export interface ReadAmount {
  readonly amount: Amount;
  readonly length: number;
  /** How the measure is said to be filled, when that stands before the unit ("2 packed cups"). */
  readonly fill: 'packed' | 'sifted' | 'spooned' | null;
}

const ABOUT =
  /^(?:(?:about|approximately|approx\.?|roughly|around|circa|ca\.?|env\.?|aprox\.?|some|nearly|almost|barely|not\s+quite|all\s+but|close\s+(?:to|on)|just\s+(?:over|under|above|below|about|short\s+of)|(?:just\s+)?shy\s+of|(?:slightly|fractionally)\s+(?:over|under|above|below|more\s+than|less\s+than)|(?:a\s+|just\s+a\s+)?(?:little|bit|touch|hair|tad|smidge|shade|whisker|fraction)\s+(?:over|under|above|below|shy\s+of|short\s+of|more\s+than|less\s+than)|more\s+or\s+less|give\s+or\s+take|maybe|say|perhaps|etwa|ungefähr|zirka|rund|environ|à\s+peu\s+près|un[oa]s|aproximadamente|alrededor\s+de|cirka|ongeveer)\s+|[~≈]\s*)/i;
const ABOUT_AFTER =
  /^\s+(?:or\s+so|or\s+thereabouts|more\s+or\s+less|give\s+or\s+take|approx(?:imately|\.)?|roughly|environ|ungefähr|aproximadamente|aprox\.?)(?![\p{L}])/iu;
const UP_TO = /^(?:up\s+to|at\s+most|no\s+more\s+than|max(?:imum|\.)?)\s+/i;
const AT_LEAST = /^(?:at\s+least|no\s+less\s+than|min(?:imum|\.)?)\s+/i;
const OR_MORE =
  /^\s*,?\s*(?:or|and)\s+(?:(?:a\s+)?(?:little|bit)\s+)?more(?:\s+(?:to\s+taste|if\s+(?:needed|you\s+like|liked)|as\s+needed))?(?![\p{L}])(?!\s+(?:for|of)\b)/iu;
/** How full a measure is, by the words for it; of a measure's own language where it stands before the unit. */
const FULLNESS_WORDS: Readonly<Record<Fullness, string>> = {
  scant: 'scant|skimpy|bare|knapp(?:e[rsn]?)?',
  level: String.raw`level|lvl\.?|flat(?!\s+of\b)|full|gestr\.|gestrichene?[rsn]?|volle[rsn]?|afgestreken|strøge[tn]|strøken|strøkne|struke[tn]|strukna`,
  rounded: 'rounded|rnd\\.?',
  heaping: String.raw`heaping|heaped|mounded|piled|hpg\.?|brimming|overflowing|geh\.|gehäufte?[rsn]?|opgehoopte?|top(?:pet|pede|pad|pade)|rågad[e]?`,
  generous: 'generous|good|big|gute[rsn]?|bonnes?',
};
const FULL = new RegExp(
  String.raw`^(?:${Object.entries(FULLNESS_WORDS)
    .map(([id, words]) => `(?<${id}>${words})`)
    .join('|')}),?(?![\p{L}-])\s*`,
  'iu',
);
/** The same behind the unit, where a language says it there: "cuillères rases de sucre". */
const FULL_BEHIND =
  /^\s+(?:(?<level>rases?|rasas?|ras[oi])|(?<heaping>bombée?s?|colmadas?|colm[oi]|bien pleines?)|(?<scant>scars[oi]|escasas?))(?![\p{L}-])/iu;
const fullnessIn = (m: RegExpExecArray | null): Fullness | null =>
  (Object.entries(m?.groups ?? {}).find(([, words]) => words !== undefined)?.[0] as Fullness | undefined) ?? null;
/** "2 heaped teaspoons", with a word before that only stresses it. */
const STRESS = /^(?:really|very|quite|rather|nicely)\s+(?=scant|level|rounded|heap|generous|big|full)/i;
const FILL =
  /^(?:firmly\s+|tightly\s+|well[\s-]+)?(packed|sifted|lightly\s+spooned|spooned|loosely\s+packed|lightly\s+packed|loose)\b\s*/i;
/** "a half-full quarter cup": half of what it holds. */
const PART_FULL = /^(half|third|quarter|two[\s-]thirds|three[\s-]quarters)[\s-]full\s+/i;
const PART_FULL_OF: Readonly<Record<string, readonly [number, number]>> = {
  half: [1, 2],
  third: [1, 3],
  quarter: [1, 4],
  'two thirds': [2, 3],
  'three quarters': [3, 4],
};
const OF = /^of\s+(?:an?\s+)?/i;
const PLUS =
  /^\s*(?:,\s*)?(plus|\+|and|&|minus|less|−)\s*(?:an?\s+(?:extra|additional)\s+|another\s+|an?\s+further\s+)?/i;

const ONE = new Fraction(1);
/** Units that count: how many of a thing one of them is. */
const MANY: Readonly<Record<string, number>> = { dozen: 12, gross: 144, 'egg-tray': 30 };

/** "pinch of salt", "knob of butter": one, though nobody wrote it. */
const UNSAID =
  /^(?:(?:small|large|tiny|little|big|wee|good|extra)\s+(?=(?:pinch|dash|smidgen|tad|drop|knob|splash|dollop|dab|handful|glug|blob)\b)|(?=(?:tablespoon|teaspoon|dessertspoon|tbsp|tsp|cup|stick|pint|quart|gallon|litre|liter|pound|kilo|spoonful)(?:ful)?\s+(?:of\s|and\s+(?:an?\s+)?(?:half|quarter|third|bit)\b))|(?=(?:taza|cucharada|cucharadita)s?\s+y\s+media\b|(?:tasse|cuillère)\s+et\s+demie)|(?=(?:pinch|dash|smidgen|knob|splash|handful|drizzle|glug|tad|dollop|dab|blob|sprinkle|sprinkling|dusting|squeeze|squirt|touch|hint|grating|twist|prise|pinc[eé]e|pizzico|pizca|snufje|nip|nypa|klype)\b))/i;
function unsaidOne(text: string): { low: Fraction; high: null; length: number; other?: undefined } | null {
  const unit = UNSAID.exec(text);
  return unit ? { low: ONE, high: null, length: unit[0].length } : null;
}

function fillOf(word: string): 'packed' | 'sifted' | 'spooned' {
  const w = word.toLowerCase();
  if (w.startsWith('sift')) return 'sifted';
  return w === 'packed' ? 'packed' : 'spooned';
}

/** French "cc" is a teaspoon; ten and more of them are cubic centimetres. */
const ccUnit = (low: Fraction): string => (low.compare(10) >= 0 ? 'ml' : 'tsp-5ml');

/**
 * Units in which a number of three decimals, or of a comma and three digits, may be a thousand times what it looks
 * like.
 */
const POINTED = new Set(['g', 'ml', 'mg']);
const COMMAED = new Set(['kg', 'l']);
/**
 * What of the two readings of a number is open with this unit: a run-together fraction with any, thousands with few.
 */
function otherFor(other: Fraction | undefined, low: Fraction, said: string, unit: string | null): Fraction | undefined {
  if (!other) return undefined;
  if (said.includes('/') || said.includes('\u2044')) return other;
  // "1 200 g": a thousand and more, or one of so much
  if (/^\d\s\d{3}$/.test(said)) return other;
  if (said.includes('.')) return unit !== null && POINTED.has(unit) ? other : undefined;
  return unit !== null && COMMAED.has(unit) && low.compare(1000) >= 0 ? other : undefined;
}

const spaceAt = (text: string, at: number): number => {
  let n = at;
  while (n < text.length && /\s/.test(text[n] ?? '')) n++;
  return n - at;
};

interface ReadTerm {
  readonly term: Term;
  readonly length: number;
  readonly fill: ReadAmount['fill'];
}

/** "a scant half cup", "a heaped tablespoon", "a half-full quarter cup": the article before says nothing more. */
const ARTICLE =
  /^an?\s+(?=(?:(?:really|very)\s+)?(?:scant|skimpy|level|flat|rounded|heaping|heaped|generous|good|big|brimming|full|half[\s-]full|(?:third|quarter)[\s-]full|two[\s-]thirds[\s-]full|three[\s-]quarters[\s-]full)\b)/i;

/** The words of fullness and filling, and a part of a measure, in any order. */
function readFull(
  text: string,
  from: number,
): { at: number; fullness: Fullness | null; fill: ReadAmount['fill']; part: Fraction | null } {
  let at = from;
  let fullness: Fullness | null = null;
  let fill: ReadAmount['fill'] = null;
  let part: Fraction | null = null;
  for (let again = true; again; ) {
    again = false;
    const rest = text.slice(at);
    const stress = STRESS.exec(rest);
    const full = FULL.exec(stress ? rest.slice(stress[0].length) : rest);
    if (full) {
      fullness = fullnessIn(full);
      at += (stress?.[0].length ?? 0) + full[0].length;
      again = true;
      continue;
    }
    const filled = FILL.exec(rest);
    if (filled) {
      fill = fillOf(filled[1] ?? '');
      at += filled[0].length;
      again = true;
      continue;
    }
    const partly = PART_FULL.exec(rest);
    if (partly) {
      const [n, d] = PART_FULL_OF[(partly[1] ?? '').toLowerCase().replace('-', ' ')] ?? [1, 1];
      part = new Fraction(n, d);
      at += partly[0].length;
      again = true;
    }
  }
  return { at, fullness, fill, part };
}

const SIZE_WORD =
  /^(?:small|large|tiny|little|big|wee|two[\s-]finger|three[\s-]finger)\s+(?=(?:pinch|dash|smidgen|drop|tad|can|tin|jar|packet|carton|tub|pot|bag|glass|mug|bowl|block)(?:e?s)?\b)/i;
const PART_AFTER =
  /^\s+and\s+(an?\s+|one[\s-]+|two[\s-]+|three[\s-]+)?(half|third|thirds|quarters?|fourths?|eighths?)\b/i;
/** "Una taza y media", "une tasse et demie", "eine Tasse und eine halbe". */
const AND_A_HALF_AFTER = /^\s+(?:y\s+medi[oa]|et\s+demie?|e\s+mezz[oa]|und\s+eine?\s+halbe?)(?!\p{L})/iu;
const OR_TWO = /^\s+or\s+(two|three|so)\b(?!\s+\p{L}*(?:spoon|cup|tsp|tbsp|gram|ounce|stick))/iu;
const HALF_FULL_AFTER = /^,?\s*\(?(half|two[\s-]thirds|three[\s-]quarters)[\s-]full\)?(?![\p{L}])/iu;

/** A term while it is read: how far, and what was found so far. */
interface OpenTerm {
  readonly text: string;
  at: number;
  low: Fraction;
  high: Fraction | null;
  fullness: ReadTerm['term']['fullness'];
  fill: ReadTerm['fill'];
  part: Fraction | null;
}
const restOf = (t: OpenTerm): string => t.text.slice(t.at);

/** "2 x 125", and how full the measure is, on either side of it. @returns whether a number is multiplied */
function readFactor(t: OpenTerm): boolean {
  t.at += spaceAt(t.text, t.at);
  const times = /^[x×*]\s*(?=\d)/i.exec(restOf(t));
  const inner = times && readNumber(t.text.slice(t.at + times[0].length));
  if (times && inner && !inner.high && !t.high) {
    t.low = t.low.mul(inner.low);
    t.at += times[0].length + inner.length;
    t.at += spaceAt(t.text, t.at);
  }
  const late = readFull(t.text, t.at);
  t.at = late.at;
  t.fullness = late.fullness ?? t.fullness;
  t.fill = late.fill ?? t.fill;
  t.part = late.part ?? t.part;
  t.at += SIZE_WORD.exec(restOf(t))?.[0].length ?? 0;
  return times !== null;
}

/** "half of a quarter cup", "a half-full 1/4 cup": a part, and then the measure with its own number. */
function takePart(t: OpenTerm): void {
  if (!t.part) return;
  const measure = readNumber(restOf(t));
  if (measure && !measure.high) {
    t.low = t.low.mul(measure.low);
    t.at += measure.length;
    t.at += spaceAt(t.text, t.at);
  }
  t.low = t.low.mul(t.part);
}

interface UnitAt {
  readonly id: string;
  /** Where the unit ends. */
  readonly end: number;
  /** Which of several of its kind. */
  readonly which: string | undefined;
}

/** "1 gr. Apfel", "3 gr. Eier", "2 L eggs": large ones, and neither grams nor litres. */
const MOST_LARGE_ONES = 12;
const LARGE_ONES =
  /^gr\.?\s+(?:Ei(?:er)?|[ÄA]pfel|Birnen?|Bananen?|Zitronen?|Orangen?|Zwiebeln?|Kartoffeln?)(?!\p{L})|^l\s+(?:\p{L}+[\s-]+){0,2}eggs?\b(?!\s+(?:white|yolk))/iu;

function unitAt(t: OpenTerm): UnitAt | null {
  if (t.low.compare(MOST_LARGE_ONES) <= 0 && LARGE_ONES.test(restOf(t))) return null;
  const of = OF.exec(restOf(t));
  const from = of && readUnit(t.text.slice(t.at + of[0].length)) ? t.at + of[0].length : t.at;
  const which = readWhich(t.text.slice(from));
  const named = readUnit(t.text.slice(from + (which?.length ?? 0)));
  if (named) return { id: named.id, end: from + (which?.length ?? 0) + named.length, which: which?.which };
  const dash = /^-\s*/.exec(t.text.slice(from));
  const dashed = dash ? readUnit(t.text.slice(from + dash[0].length)) : null;
  return dash && dashed ? { id: dashed.id, end: from + dash[0].length + dashed.length, which: which?.which } : null;
}

const HOW_MANY: Readonly<Record<string, number>> = { two: 2, three: 3 };
/** What stands behind a unit and adds to it: "a cup and a half", "a spoon or two", "a cup, half full", "1 cup to 2 cups". */
function readBehindUnit(t: OpenTerm, unit: string, sign: 1 | -1): void {
  const full = FULL_BEHIND.exec(restOf(t));
  if (full) {
    t.fullness = fullnessIn(full);
    t.at += full[0].length;
  }
  const more = PART_AFTER.exec(restOf(t));
  if (more && !t.high) {
    const many = HOW_MANY[(more[1] ?? '').replace(/[\s-]+$/, '').toLowerCase()] ?? 1;
    t.low = t.low.add(new Fraction(many, PART_WORDS[(more[2] ?? '').toLowerCase()] ?? 1));
    t.at += more[0].length;
  }
  const half = more || t.high ? null : AND_A_HALF_AFTER.exec(restOf(t));
  if (half) {
    t.low = t.low.add(new Fraction(1, 2));
    t.at += half[0].length;
  }
  const two = t.high || !t.low.equals(ONE) ? null : OR_TWO.exec(restOf(t));
  if (two && two[1] !== 'so') {
    t.high = new Fraction(two[1]?.toLowerCase() === 'two' ? 2 : 3);
    t.at += two[0].length;
  }
  const halfFull = t.part ? null : HALF_FULL_AFTER.exec(restOf(t));
  if (halfFull) {
    const [a, b] = PART_FULL_OF[(halfFull[1] ?? '').toLowerCase().replace('-', ' ')] ?? [1, 1];
    const share = new Fraction(a, b);
    t.low = t.low.mul(share);
    t.high = t.high?.mul(share) ?? null;
    t.at += halfFull[0].length;
  }
  // "1 cup to 1 1/4 cups": a range with its unit said twice
  const again = /^\s*(?:-|–|—|to|or)\s*(?=[\d.¼-¾⅐-⅞])/u.exec(restOf(t));
  const second = again && !t.high ? readTerm(t.text.slice(t.at + again[0].length), sign) : null;
  if (again && second && second.term.unit === unit && !second.term.high && second.term.low.compare(t.low) > 0) {
    t.high = second.term.low;
    t.at += again[0].length + second.length;
  }
}

/** A number once more, in figures or in words. */
const SAID_AGAIN = /^\s*\(\s*(\d+|one|two|three|four|five|six|seven|eight|ten|twelve)\s*\)(?=\s*\p{L})/iu;

function readTerm(text: string, sign: 1 | -1): ReadTerm | null {
  const article = ARTICLE.exec(text);
  const before = article?.[0].length ?? 0;
  const early = readFull(text, before);
  const start = early.part === null && early.at === before ? 0 : early.at;
  const said = text.slice(start);
  const ladle = readLadle(said);
  if (ladle) {
    const term = { sign, low: ONE, high: null, unit: ladle.id, fullness: early.fullness };
    return { term, length: start + ladle.length, fill: early.fill };
  }
  const countsOne = (article || early.fullness) && start > 0 && readUnit(said);
  const n = readNumber(said) ?? (countsOne ? { low: ONE, high: null, length: 0, other: undefined } : unsaidOne(said));
  if (!n) return null;
  // "200-ish g"; "one (1) cup"
  const behind = said.slice(n.length);
  const again = SAID_AGAIN.exec(behind);
  const isSame = again !== null && readNumber(again[1] ?? '')?.low.equals(n.low) === true;
  const numberEnd = start + n.length + (isSame ? again[0].length : (/^-?ish\b/i.exec(behind)?.[0].length ?? 0));
  const { fullness, fill, part } = early;
  const t: OpenTerm = { text, at: numberEnd, low: n.low, high: n.high, fullness, fill, part };
  const times = readFactor(t);
  takePart(t);
  const found = unitAt(t);
  const otherOf = (unit: string | null) => otherFor(n.other, n.low, said.slice(0, n.length), unit);
  if (!found) {
    // "3 x eggs": the cross says nothing more
    const cross = times ? null : /^\s*[x×]\s+(?=\p{L})/u.exec(text.slice(numberEnd));
    const other = otherOf(null);
    return {
      term: { sign, low: t.low, high: t.high, unit: null, fullness: t.fullness, ...(other && { other }) },
      length: times ? t.at : numberEnd + (cross?.[0].length ?? 0),
      fill: null,
    };
  }
  const many = MANY[found.id];
  if (many !== undefined) {
    const term = { sign, low: t.low.mul(many), high: t.high?.mul(many) ?? null, unit: null, fullness: null };
    return { term, length: found.end, fill: null };
  }
  const unit = found.id === 'cc' ? ccUnit(t.low) : found.id;
  t.at = found.end;
  readBehindUnit(t, unit, sign);
  const other = otherOf(unit);
  const { which } = found;
  return {
    term: {
      sign,
      low: t.low,
      high: t.high,
      unit,
      fullness: t.fullness,
      ...(which && { which }),
      ...(other && { other }),
    },
    length: t.at,
    fill: t.fill,
  };
}

const family = (id: string | null): 'mass' | 'volume' | null => {
  const u = id === null ? undefined : unitById(id);
  return u?.dimension === 'mass' ? 'mass' : u?.dimension === 'volume' ? 'volume' : null;
};

const METRIC: ReadonlySet<string> = new Set(['g', 'kg', 'mg', 'ml', 'cl', 'dl', 'l']);
/** Metric, or of the kitchen: two systems side by side say one amount twice. */
export const isMetric = (unit: string | null): boolean => METRIC.has(unit ?? '');

/** One of a unit, g or mL of a US kitchen; 0 for what has no size of its own. */
const sizeOf = (unit: string | null): number => {
  const u = unitById(unit ?? '');
  return u ? (gramsOf(u) ?? mlOf(u, { cup: 'us-customary' }) ?? new Fraction(0)).valueOf() : 0;
};
const middleOf = (t: Term): number => (t.high ? t.low.add(t.high).div(2) : t.low).valueOf();

/** Two amounts are one said twice within this share of the larger. */
const SAME = 0.05;
const nearly = (a: number, b: number): boolean => Math.abs(a - b) <= SAME * Math.max(a, b);

/** "lb 4 oz": less than one of the unit before, in a smaller unit of the same system straight after it. */
function followsOn(a: Term, b: Term): boolean {
  if (
    b.fullness ||
    family(a.unit) === null ||
    family(a.unit) !== family(b.unit) ||
    isMetric(a.unit) !== isMetric(b.unit)
  )
    return false;
  const [all, more] = [middleOf(a) * sizeOf(a.unit), middleOf(b) * sizeOf(b.unit)];
  return sizeOf(b.unit) < sizeOf(a.unit) && more < sizeOf(a.unit) && !nearly(all, more);
}

/** Whether two amounts of one dimension are the same, whatever they are of: "2 cups" and "16 fl oz". */
export function sameSize(a: Amount, b: Amount): boolean {
  const all = (x: Amount): number => x.terms.reduce((sum, t) => sum + t.sign * middleOf(t) * sizeOf(t.unit), 0);
  const dims = [...a.terms, ...b.terms].map((t) => family(t.unit));
  return dims.every((d) => d !== null && d === dims[0]) && nearly(all(a), all(b));
}

/** Terms of one amount: "1 lb 2 oz plus a spoon". */
const MOST_TERMS = 4;

/** "plus 2 tablespoons", "less a spoon": another term, joined by a word; null where it says the first again. */
function joinedTerm(text: string, terms: readonly Term[]): Pick<ReadTerm, 'term' | 'length'> | null {
  const joined = PLUS.exec(text);
  const [first] = terms;
  if (!joined || !first) return null;
  const sign = /^(?:minus|less|−)$/i.test(joined[1] ?? '') ? -1 : 1;
  const next = readTerm(text.slice(joined[0].length), sign);
  // "a cup and a half, and a teaspoon of soda": another thing; "1 cup plus a teaspoon of milk" is one
  const isOther =
    /^\s*,\s*and\b/i.test(joined[0]) &&
    /^tsp|^(?:pinch|dash|smidgen)$/.test(next?.term.unit ?? '') &&
    first.unit !== next?.term.unit;
  if (isOther && /^\s+of\b/i.test(text.slice(joined[0].length + (next?.length ?? 0)))) return null;
  if (!next || family(next.term.unit) === null || family(first.unit) === null) return null;
  // "1 cup and 240 ml": said twice, in another system
  const twice =
    sign === 1 &&
    isMetric(first.unit) !== isMetric(next.term.unit) &&
    sameSize({ terms, approximate: false }, { terms: [next.term], approximate: false });
  return twice ? null : { term: next.term, length: joined[0].length + next.length };
}

/** "1 lb 2 oz", "1lb2oz": another term straight behind. */
function followingTerm(text: string, terms: readonly Term[]): Pick<ReadTerm, 'term' | 'length'> | null {
  const last = terms[terms.length - 1];
  const gap = PLUS.test(text) ? null : /^(?:(?:\s*,)?\s+|(?=\d))(?=[\d¼-¾⅐-⅞])/u.exec(text);
  if (!gap || !last) return null;
  const next = readTerm(text.slice(gap[0].length), 1);
  return next && followsOn(last, next.term) ? { term: next.term, length: gap[0].length + next.length } : null;
}

/**
 * Reads an amount at the start of a text, as far as it goes.
 * @param text trimmed on the left
 * @returns the amount, the characters it took and a fill said within it; null when no number stands there
 */
export function readAmount(text: string): ReadAmount | null {
  let at = 0;
  let bound: Amount['bound'];
  const upTo = UP_TO.exec(text);
  const least = AT_LEAST.exec(text);
  if (upTo) bound = 'up-to';
  if (least) bound = 'or-more';
  at += (upTo ?? least)?.[0].length ?? 0;
  const about = ABOUT.exec(text.slice(at));
  at += about?.[0].length ?? 0;
  const first = readTerm(text.slice(at), 1);
  if (!first) return null;
  const terms: Term[] = [first.term];
  const fill = first.fill;
  at += first.length;
  while (terms.length < MOST_TERMS) {
    const next = joinedTerm(text.slice(at), terms) ?? followingTerm(text.slice(at), terms);
    if (!next) break;
    terms.push(next.term);
    at += next.length;
  }
  const loosely = ABOUT_AFTER.exec(text.slice(at));
  at += loosely?.[0].length ?? 0;
  const more = OR_MORE.exec(text.slice(at));
  if (more) {
    bound = 'or-more';
    at += more[0].length;
  }
  return {
    amount: { terms, approximate: about !== null || loosely !== null, ...(bound && { bound }) },
    length: at,
    fill,
  };
}

/** Reads a text that is an amount and nothing else. */
export function parseAmount(text: string): Amount | null {
  const t = text.trim();
  const r = readAmount(t);
  return r && r.length === t.length ? r.amount : null;
}

function writeTerm(t: Term): string {
  const n = t.high ? `${writeNumber(t.low)} to ${writeNumber(t.high)}` : writeNumber(t.low);
  const unit = t.unit === null ? null : unitById(t.unit);
  if (!unit) return t.fullness ? `${t.fullness} ${n}` : n;
  const several = (t.high ?? t.low).compare(1) > 0;
  return `${n} ${t.fullness ? `${t.fullness} ` : ''}${t.which ? `${t.which} ` : ''}${several ? unit.many : unit.one}`;
}

/** Writes an amount so that reading it back gives the same terms. */
export function writeAmount(a: Amount): string {
  const bound = a.bound === 'up-to' ? 'up to ' : '';
  const more = a.bound === 'or-more' ? ' or more' : '';
  const body = a.terms.map((t, i) => (i === 0 ? '' : t.sign < 0 ? ' minus ' : ' plus ') + writeTerm(t)).join('');
  return `${bound}${a.approximate ? 'about ' : ''}${body}${more}`;
}

/** Scales every term of an amount by an exact factor > 0. */
export function scaleAmount(a: Amount, factor: Fraction): Amount {
  return { ...a, terms: a.terms.map((t) => ({ ...t, low: t.low.mul(factor), high: t.high?.mul(factor) ?? null })) };
}

export interface Combined {
  readonly low: Fraction;
  readonly high: Fraction | null;
  readonly unit: string | null;
  readonly which?: string;
}

/**
 * The whole amount in its first term's unit, exact: 1 cup plus 2 tablespoons is 1 1/8 cup.
 * @param sizes whose cup: with a metric cup 2 tablespoons are 3/25 of it
 */
export function combine(a: Amount, sizes: Sizes): Combined {
  const [first, ...others] = a.terms;
  if (!first) return { low: new Fraction(0), high: null, unit: null };
  const size = (id: string | null): Fraction | null => {
    const u = id === null ? undefined : unitById(id);
    return u ? (gramsOf(u) ?? mlOf(u, sizes)) : null;
  };
  const base = size(first.unit);
  let low = first.low;
  let high = first.high;
  for (const t of others) {
    const s = size(t.unit);
    if (!s || !base) continue;
    const add = (v: Fraction): Fraction => v.mul(s).div(base).mul(t.sign);
    if (high || t.high) high = (high ?? low).add(add(t.high ?? t.low));
    low = low.add(add(t.low));
  }
  return { low, high, unit: first.unit, ...(first.which && { which: first.which }) };
}
