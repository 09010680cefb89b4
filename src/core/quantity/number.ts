/**
 * A number as cooks write it: 2, 1.5, 1,5, 1/2, 1 1/2, 1-1/2, 1½, "three quarters of a", and ranges of these.
 * Values are exact fractions (fraction.js). Reading never rounds.
 */
import Fraction from 'fraction.js';

interface ReadNumber {
  readonly low: Fraction;
  /** The upper end of a written range, else null. */
  readonly high: Fraction | null;
  /** Another value the same signs may have meant ("11/2": 5 1/2 or 1 1/2); left out where there is none. */
  readonly other?: Fraction;
  /** Characters taken from the text, trailing space not included. */
  readonly length: number;
}

const VULGAR: Readonly<Record<string, string>> = {
  '¼': '1/4',
  '½': '1/2',
  '¾': '3/4',
  '⅐': '1/7',
  '⅑': '1/9',
  '⅒': '1/10',
  '⅓': '1/3',
  '⅔': '2/3',
  '⅕': '1/5',
  '⅖': '2/5',
  '⅗': '3/5',
  '⅘': '4/5',
  '⅙': '1/6',
  '⅚': '5/6',
  '⅛': '1/8',
  '⅜': '3/8',
  '⅝': '5/8',
  '⅞': '7/8',
};
const V = '[¼½¾⅐⅑⅒⅓⅔⅕⅖⅗⅘⅙⅚⅛⅜⅝⅞]';

const WORDS: Readonly<Record<string, number>> = {
  one: 1,
  two: 2,
  three: 3,
  four: 4,
  five: 5,
  six: 6,
  seven: 7,
  eight: 8,
  nine: 9,
  ten: 10,
  eleven: 11,
  twelve: 12,
  thirteen: 13,
  fourteen: 14,
  fifteen: 15,
  sixteen: 16,
  seventeen: 17,
  eighteen: 18,
  nineteen: 19,
  twenty: 20,
  'twenty-four': 24,
  thirty: 30,
  forty: 40,
  fifty: 50,
  sixty: 60,
  seventy: 70,
  eighty: 80,
  ninety: 90,
  hundred: 100,
};
const WORD = Object.keys(WORDS)
  .sort((a, b) => b.length - a.length)
  .join('|');
/** Into how many parts a word parts one: "thirds" is 3. */
export const PART_WORDS: Readonly<Record<string, number>> = {
  half: 2,
  halves: 2,
  third: 3,
  thirds: 3,
  quarter: 4,
  quarters: 4,
  fourth: 4,
  fourths: 4,
  fifth: 5,
  fifths: 5,
  sixth: 6,
  sixths: 6,
  eighth: 8,
  eighths: 8,
};
const PART = Object.keys(PART_WORDS)
  .sort((a, b) => b.length - a.length)
  .join('|');

const SLASH = '[/\\u2044\\u2215]';
// tried in order; each takes as much as it can
const MIXED_VULGAR = new RegExp(`^(\\d{1,6})\\s*(?:-|and|&)?\\s*(${V})`, 'i');
const MIXED = new RegExp(
  `^(\\d{1,6})(?:\\s+(?:and|&)\\s+|\\s+|\\s*-\\s*)(\\d{1,4})\\s*${SLASH}\\s*(\\d{1,4})(?!\\d|[.,]\\d)`,
  'i',
);
const FRACTION = new RegExp(
  `^(\\d{1,6})\\s*${SLASH}\\s*(\\d{1,6})(?!\\d|[.,]\\d)(?:(?:rd|th|nd)s?\\b)?(?:\\s+(?:of\\s+)?an?\\b(?=\\s))?`,
  'i',
);
/** "11/2", "21/2": the whole and the fraction run together, or an improper fraction. */
const RUN_TOGETHER = /^(\d)(\d)\s*[/\u2044]\s*([2348])(?![\d.,])/;
const VULGAR_ONLY = new RegExp(`^(${V})(?:\\s+(?:of\\s+)?an?\\b(?=\\s))?`, 'i');
const THOUSANDS = /^(\d{1,3}(?:,\d{3})+)(?![\d,])/;
/** Thousands parted by an apostrophe; by a gap where that can be nothing else: "1 000 g" is no pack of a size. */
const PARTED = /^([1-9]\d{0,2}(?:['\u2019\u2009\u202f]\d{3}| 000))(?=\s*(?:g|grams?|gr|ml)\b)/i;
/** "1 200 g": a thousand and two hundred, or one of 200 g; before the word of a pack it is so many packs. */
const PACKS =
  'tubs?|tins?|cans?|cartons?|packs?|packets?|packages?|pkgs?|sachets?|bars?|blocks?|pots?|jars?|bottles?|bags?|boxes|box|pieces?|containers?|balls?|sticks?|slices?|pouch(?:es)?|punnets?|portions?';
const GAP_OR_PACK = new RegExp(
  String.raw`^([1-9])[ \u00a0]([1-9]\d\d|0[1-9]\d|00[1-9])(?=\s*(?:g|grams?|gr|ml)\b(?!\s*(?:\)\s*)?(?:\p{L}+\s+){0,2}(?:${PACKS})\b))`,
  'iu',
);
const DECIMAL = /^(\d{1,9}(?:[.,]\d{1,6})?|\.\d{1,6})(?![\d])/;
const WORD_AND = new RegExp(`^(${WORD})\\s+and\\s+(an?|${WORD})[\\s-]+(${PART})\\b(?:\\s+of)?(?:\\s+an?\\b)?`, 'i');
const DIGIT_AND = new RegExp(`^(\\d{1,3})\\s+and\\s+(an?|${WORD})[\\s-]+(${PART})\\b(?:\\s+of)?(?:\\s+an?\\b)?`, 'i');
const WORD_PARTS = new RegExp(`^(${WORD}|an?)[\\s-]+(${PART})\\b(?:\\s+of)?(?:\\s+an?\\b)?`, 'i');
const PARTS_ONLY = new RegExp(`^(${PART})\\b(?:\\s+of)?(?:\\s+an?\\b)?`, 'i');
const DOZEN = new RegExp(
  `^(?:(half\\s+an?|an?\\s+half|an?|${WORD})\\s+)?(dozen)\\b(\\s+and\\s+a\\s+half\\b)?(?:\\s+of\\b)?`,
  'i',
);
const COUPLE = /^(?:an?\s+)?(?:couple|pair(?=\s+of))(?:\s+of)?\b/i;
/** "between 1 and 2". */
const BETWEEN = /^between\s+/i;
const UNIT_WORD = 'one|two|three|four|five|six|seven|eight|nine';
const TENS_WORD = 'twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety';
/** "three hundred", "a hundred and fifty", "two hundred and twenty-five". */
const HUNDREDS = new RegExp(
  `^(an?|${WORD})\\s+hundred(?:(?:\\s+and)?\\s+(?:(${TENS_WORD})(?:[\\s-]+(${UNIT_WORD}))?|(${WORD})))?\\b(?!\\s+hundred)`,
  'i',
);
/** "One twenty five", "two fifty", of grams or millilitres: a hundred and more. */
const HUNDRED_LEFT_OUT = new RegExp(
  `^(${UNIT_WORD})\\s+(${TENS_WORD})(?:[\\s-]+(${UNIT_WORD}))?(?=\\s+(?:g|gr|grams?|ml|mils?|millilit(?:re|er)s?)\\b)`,
  'i',
);
/** "One point five". */
const POINT = new RegExp(
  `^(${UNIT_WORD}|ten|eleven|twelve|zero|nought)\\s+point\\s+(${UNIT_WORD})(?:\\s+(${UNIT_WORD}))?\\b`,
  'i',
);
/** "twenty five", "thirty-two". */
const TENS = new RegExp(`^(${TENS_WORD})[\\s-]+(${UNIT_WORD})\\b`, 'i');
const WORD_ONLY = new RegExp(`^(${WORD})\\b`, 'i');
const ARTICLE = /^an?\b(?=\s+\S)/i;

type One = { readonly value: Fraction; readonly length: number; readonly other?: Fraction };
const oneOf = (value: Fraction, length: number, other?: Fraction): One =>
  other ? { value, length, other } : { value, length };

const fraction = (over: string | undefined, under: string | undefined): Fraction =>
  new Fraction(Number(over), Number(under));
const mixed = (whole: string | undefined, over: string | undefined, under: string | undefined): Fraction =>
  new Fraction(Number(whole)).add(fraction(over, under));

/** Nobody writes parts so small of a whole, but by halving: "250/300 g" is a range, "4/200 g" so many and what they weigh. */
const LEAST_OF_RANGE = 20;
/** Twentieths and smaller that are not in their lowest terms, are a short decimal, or have gaps around their stroke. */
const isNoFraction = (over: number, under: number, said: string): boolean =>
  under >= LEAST_OF_RANGE &&
  Math.log2(under) % 1 !== 0 &&
  (new Fraction(over, under).d < BigInt(under) || 1_000_000 % under === 0 || /\s/.test(said));

/** Numbers that begin with a digit or a fraction, in the order they are tried. @returns null: it is none of that kind */
const WRITTEN: readonly (readonly [RegExp, (m: RegExpExecArray, text: string) => One | null])[] = [
  [
    DIGIT_AND,
    (m) => {
      const part = new Fraction(wordValue(m[2]), PART_WORDS[(m[3] ?? '').toLowerCase()] ?? 1);
      return oneOf(new Fraction(Number(m[1])).add(part), m[0].length);
    },
  ],
  [MIXED_VULGAR, (m) => oneOf(new Fraction(m[1] ?? 0).add(VULGAR[m[2] ?? ''] ?? 0), m[0].length)],
  // "1-1/2" is one and a half; "1-3/2" would be no mixed number, so the fraction must be a proper one
  [MIXED, (m) => (Number(m[2]) < Number(m[3]) ? oneOf(mixed(m[1], m[2], m[3]), m[0].length) : null)],
  [
    RUN_TOGETHER,
    (m) =>
      Number(m[2]) > 0 && Number(m[2]) < Number(m[3])
        ? oneOf(mixed(m[1], m[2], m[3]), m[0].length, fraction(`${m[1]}${m[2]}`, m[3]))
        : null,
  ],
  // "250/300 g" is from one to the other, and no part of one
  [
    FRACTION,
    (m) =>
      Number(m[2]) > 0 && !isNoFraction(Number(m[1]), Number(m[2]), m[0])
        ? oneOf(fraction(m[1], m[2]), m[0].length)
        : null,
  ],
  [VULGAR_ONLY, (m) => oneOf(new Fraction(VULGAR[m[1] ?? ''] ?? 0), m[0].length)],
  [
    GAP_OR_PACK,
    (m) => oneOf(new Fraction(Number(`${m[1]}${m[2]}`)), m[0].length, new Fraction(Number(m[1])).mul(Number(m[2]))),
  ],
  [PARTED, (m) => oneOf(new Fraction((m[1] ?? '').replace(/\D/g, '')), m[0].length)],
  [
    THOUSANDS,
    (m, text) => {
      if (text.startsWith('0')) return null;
      const whole = new Fraction((m[1] ?? '').replaceAll(',', ''));
      return oneOf(whole, m[0].length, /^\d{1,3},\d{3}$/.test(m[1] ?? '') ? whole.div(1000) : undefined);
    },
  ],
  [
    DECIMAL,
    (m) => {
      const value = new Fraction((m[1] ?? '').replace(',', '.'));
      // "1.250 g": a thousand and more where a point parts the thousands
      const thousands = /^[1-9]\d{0,2}[.]\d{3}$/.test(m[1] ?? '');
      return oneOf(value, m[0].length, thousands ? value.mul(1000) : undefined);
    },
  ],
];

/** A one as a scan or a hand leaves it: "l½ cups", "l/2 cup". */
const LIKE_ONE = /^[lI|](?=\s?[½¼¾⅓⅔⅛]|\s?[/\u2044]\s?[2348]\b|\s\d\/[2348]\b)/u;

function readOne(text: string): One | null {
  if (LIKE_ONE.test(text)) return readOne(`1${text.slice(1)}`);
  if (/^[a-z]/i.test(text)) return readWords(text);
  for (const [re, read] of WRITTEN) {
    const m = re.exec(text);
    const one = m && read(m, text);
    if (one) return one;
  }
  return null;
}

const wordValue = (s: string | undefined): number => {
  const w = (s ?? '').toLowerCase();
  return w === 'a' || w === 'an' ? 1 : (WORDS[w] ?? 0);
};

function readWords(text: string): One | null {
  const word = wordValue;
  const part = (s: string | undefined): number => PART_WORDS[(s ?? '').toLowerCase()] ?? 1;
  let m = WORD_AND.exec(text);
  if (m) return { value: new Fraction(word(m[1])).add(new Fraction(word(m[2]), part(m[3]))), length: m[0].length };
  m = DOZEN.exec(text);
  if (m) {
    const times =
      m[1] === undefined ? new Fraction(1) : /half/i.test(m[1]) ? new Fraction(1, 2) : new Fraction(word(m[1]));
    // "a dozen and a half"
    return { value: times.add(new Fraction(m[3] ? 1 : 0, 2)).mul(12), length: m[0].length };
  }
  m = WORD_PARTS.exec(text);
  if (m) return { value: new Fraction(word(m[1]), part(m[2])), length: m[0].length };
  m = PARTS_ONLY.exec(text);
  if (m) return { value: new Fraction(1, part(m[1])), length: m[0].length };
  m = HUNDREDS.exec(text);
  if (m) return { value: new Fraction(100 * word(m[1]) + word(m[2]) + word(m[3]) + word(m[4])), length: m[0].length };
  m = HUNDRED_LEFT_OUT.exec(text);
  if (m) return { value: new Fraction(100 * word(m[1]) + word(m[2]) + word(m[3])), length: m[0].length };
  m = POINT.exec(text);
  if (m)
    return {
      value: new Fraction(100 * word(m[1]) + 10 * word(m[2]) + word(m[3]), 100),
      length: m[0].length,
    };
  m = TENS.exec(text);
  if (m) return { value: new Fraction(word(m[1]) + word(m[2])), length: m[0].length };
  m = COUPLE.exec(text);
  if (m) return { value: new Fraction(2), length: m[0].length };
  m = WORD_ONLY.exec(text);
  if (m) return { value: new Fraction(word(m[1])), length: m[0].length };
  m = ARTICLE.exec(text);
  if (m) return { value: new Fraction(1), length: m[0].length };
  return null;
}

const RANGE = /^\s*(?:-|–|—|to|or)\s*(?=[\d.¼-¾⅐-⅞]|[a-z])|^\s+(?:bis|oder|à|a|ou|o|tot)\s+(?=[\d¼-¾⅐-⅞])/iu;

/** "250/300 g". */
const SLASH_RANGE = /^\s*\/\s*(?=\d{2,4}(?![\d.,/]))/;

/**
 * Reads a number, or a range of two, at the start of a text.
 * @param text trimmed on the left; digits, fractions, vulgar fractions or English number words
 * @returns the exact value(s) and the characters taken; null when the text starts with no number
 */
export function readNumber(text: string): ReadNumber | null {
  const between = BETWEEN.exec(text);
  if (between) {
    const low = readOne(text.slice(between[0].length));
    const and = low ? /^\s+and\s+/i.exec(text.slice(between[0].length + low.length)) : null;
    const high = low && and ? readOne(text.slice(between[0].length + low.length + and[0].length)) : null;
    return low && and && high && high.value.compare(low.value) > 0
      ? { low: low.value, high: high.value, length: between[0].length + low.length + and[0].length + high.length }
      : null;
  }
  const first = readOne(text);
  if (!first) return null;
  const rest = text.slice(first.length);
  const gap = RANGE.exec(rest) ?? (first.value.compare(LEAST_OF_RANGE) >= 0 ? SLASH_RANGE.exec(rest) : null);
  if (gap) {
    const second = readOne(rest.slice(gap[0].length));
    const article = /^an?\b/i.test(rest.slice(gap[0].length));
    const isFar = second !== null && second.value.compare(first.value.mul(LEAST_OF_RANGE)) >= 0;
    if (second && !article && second.value.compare(first.value) > 0 && !(isFar && /^\s*[-–—]/.test(gap[0])))
      return { low: first.value, high: second.value, length: first.length + gap[0].length + second.length };
  }
  // "half of a quarter cup", "half of 1/4 cup"
  const of =
    first.value.compare(1) < 0 && /\bof(?:\s+an?)?$/i.test(text.slice(0, first.length)) ? /^\s+/.exec(rest) : null;
  const whole = of ? readOne(rest.slice(of[0].length)) : null;
  if (of && whole && whole.value.compare(1) < 0)
    return { low: first.value.mul(whole.value), high: null, length: first.length + of[0].length + whole.length };
  // "2x", "2 x": a count of packages, "2 x 50 g"
  return { low: first.value, high: null, length: first.length, ...(first.other && { other: first.other }) };
}

const COOK_FRACTIONS: readonly (readonly [number, number])[] = [
  [1, 8],
  [1, 6],
  [1, 4],
  [1, 3],
  [3, 8],
  [1, 2],
  [5, 8],
  [2, 3],
  [3, 4],
  [5, 6],
  [7, 8],
];

/**
 * Writes an exact value as a cook would: 1 1/3 where the denominator is a kitchen one (2, 3, 4, 6, 8, 16), else a
 * terminating decimal, else the plain fraction, so that reading it back gives the same value.
 */
export function writeNumber(value: Fraction): string {
  const whole = value.floor();
  const rest = value.sub(whole);
  if (rest.equals(0)) return whole.toString();
  const kitchen = COOK_FRACTIONS.some(([n, d]) => rest.equals(new Fraction(n, d))) || rest.d === 16n;
  const decimal = terminating(rest.d);
  if (!kitchen && decimal) {
    const text = value.toString();
    if (/^\d{1,9}(\.\d{1,6})?$/.test(text)) return text;
  }
  const frac = `${rest.n}/${rest.d}`;
  return whole.equals(0) ? frac : `${whole.toString()} ${frac}`;
}

function terminating(d: bigint): boolean {
  let n = d;
  while (n % 2n === 0n) n /= 2n;
  while (n % 5n === 0n) n /= 5n;
  return n === 1n;
}

/** A number to the nearest eighth as cooks write it; "under 1/8" where it is less than half of that. */
export const writeEighths = (x: number): string =>
  x < 1 / 16 ? 'under 1/8' : writeNumber(new Fraction(Math.round(8 * x), 8));
