/**
 * Numbers as they are spoken, in figures: "three fifty" degrees, "ten, fifteen minutes", "two minutes fifteen". What is
 * written in their place keeps where it stood, so that a fact is quoted as it was said.
 */

import { readNumber } from '../../quantity/number';
import { inFiguresOf } from '../../quantity/spelled';

/** The middle of a number or a range, and how many characters it took. */
export function middle(text: string): { readonly value: number; readonly length: number } | null {
  const n = readNumber(text);
  if (!n) return null;
  const low = n.low.valueOf();
  return { value: (low + (n.high?.valueOf() ?? low)) / 2, length: n.length };
}
/** What a spoken number is; 0: none. */
export const figureOf = (said: string | undefined): number => (said ? (middle(said)?.value ?? 0) : 0);

const HUNDREDS: Readonly<Record<string, number>> = { a: 100, one: 100, two: 200, three: 300, four: 400 };
const SMALL = 'one|two|three|four|five|six|eight|ten';
const TENS = 'ten|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety';

/** Minutes on a side, as figures. */
const ON_A_SIDE = String.raw`(?<![\d/])(\d{1,2}[½¼¾]?|\d\.5)`;
/** Two sides by a stroke or a plus: the first takes as long as the second, or longer; "1/2 min" is half a minute. */
const bothSides = (all: string, first = '', second = ''): string =>
  figureOf(first) >= figureOf(second) ? `${first} min, ${second} min` : all;
const AT_SO_MANY_DEGREES = String.raw`(?<=\b(?:griddle|pan|plate|flat top|skillet|iron|\d{3} ?°? ?[CF]?)(?![a-z])[^.;\n]{0,12}[.,;] )`;

/** Patterns, and what is written for what they find. */
const SPOKEN: readonly (readonly [RegExp, (...found: string[]) => string])[] = [
  [/ @ ?(?=\d)/g, () => ' at '],
  [/\bmils?\b/g, () => 'ml'],
  // "2 große EL Teig"
  [/(?<=\d )(?:große|gute|dicke)[nr]? (?=(?:EL|TL|Esslöffel|Teelöffel)\b)/gi, () => 'gehäufte '],
  // "425 20-22 min": a heat, and how long
  [/(?<=^|[.;,]\s*)(\d{3} ?°? ?[CF]?)(?= \d{1,2}(?: ?[-–] ?\d{1,2})? ?min)/gim, (_, heat = '') => `${heat},`],
  // "bake 20", "bake 20 at 425": minutes
  [/\bbake (?:for )?(\d{1,2})(?=\s*(?:[.,;](?!\d)|$| at \d{3}))/gim, (_, n = '') => `bake ${n} min`],
  // "2/1 min", "3 + 2 min"; behind a heat "2½/1½", "2 + 1" alone
  [new RegExp(String.raw`${ON_A_SIDE} ?[/+] ?(\d{1,2}[½¼¾]?|\d\.5) ?min(?:s|utes?)?\b`, 'gi'), bothSides],
  [
    new RegExp(
      String.raw`${AT_SO_MANY_DEGREES}${ON_A_SIDE} ?(?:[/+]|(?<=[½¼¾])-) ?(\d{1,2}[½¼¾]?|\d\.5)(?=\s*(?:[.;,](?!\d)|$))`,
      'gim',
    ),
    bothSides,
  ],
  [/\b(1st|2nd)(?= side\b)/gi, (_, which = '') => (which.startsWith('1') ? 'first' : 'second')],
  // "scoop 16": by its number
  [
    /\b(?:scoop|disher),? ?(?:#|no\.? |number )?(8|10|12|16|20|24|30|40)\b(?! ?(?:ml|cm|g|oz)\b)/gi,
    (_, number = '') => `no. ${number} disher`,
  ],
  // "three fifty", "four twenty-five", "two hundred": degrees
  [
    new RegExp(
      String.raw`\b(a(?= hundred)|one(?= (?:hundred|[sen]\w+ty|eighty)\b)|one(?=-(?:[sen]\w+ty|eighty)\b)|two|three|four)[- ](?:hundred(?: and)?\b ?)?(?:(${TENS})?(?:[- ]?(?<=[- ])(five))?)?\b(?! (?:minutes|seconds|hours))`,
      'gi',
    ),
    (all, hundred = '', tens, five) =>
      tens === undefined && !/hundred/i.test(all)
        ? all
        : `${(HUNDREDS[hundred.toLowerCase()] ?? 0) + figureOf(tens) + figureOf(five)}${/\s$/.test(all) ? ' ' : ''}`,
  ],
  // "at one seventy five two minutes": a heat, and behind it a time
  [
    new RegExp(
      String.raw`(?<=\b(?:at|to|on|about|around) )(\d{3})(?= (?:an?|half|${SMALL})(?: and a half| to (?:${SMALL}))? min)`,
      'gi',
    ),
    (_, c = '') => `${c},`,
  ],
  // "small pan, minute a side"
  [
    /\bminute(?<=(?:^|[,;.:] ?|\b(?:then|and|about|around|pan|flip|turn|tablespoons?|each)\b[,]? )minute)(?= (?:a|each|per|more|and a half|on|the other)\b)/gi,
    () => 'a minute',
  ],
  // "ladle and a half per iron"
  [
    /\b(ladle|ladleful|scoop|spoonful|tablespoon)(?<=(?:^|[,;.:] )\w+) and a half\b/gi,
    (_, of = '') => `one and a half ${of.toLowerCase()}s`,
  ],
  // "hundred and thirty"
  [
    new RegExp(
      String.raw`\bhundred(?<!\b(?:a|one|two|three|four|five|six|seven|eight|nine|\d)\shundred) and (?:(${TENS})(?:[- ](five))?)\b`,
      'gi',
    ),
    (_, tens, five) => String(100 + figureOf(tens) + figureOf(five)),
  ],
  [
    /\b(?:degrees )?(fahrenheit|celsius|centigrade)\b(?<=\d{2,3} (?:degrees )?\w+)/gi,
    (w) => (/f/i.test(w) ? 'F' : 'C'),
  ],
  [/\b(?:eight|ten|twelve|sixteen|twenty|thirty)\b(?<=\b(?:number|no\.?) \w+)/gi, (said) => String(figureOf(said))],
  [
    /\b(?:eight|ten|twelve|sixteen|twenty|thirty)\b(?<=\b(?:scoop|disher)(?:[’']s| is) (?:an? )?\w+)/gi,
    (said) => String(figureOf(said)),
  ],
  [
    new RegExp(String.raw`\b(fifteen|${TENS})(?:[- ](five|seven|eight))?(?= (?:degrees|ml|cm|centimet\w+)\b)`, 'gi'),
    (said) => String(figureOf(said)),
  ],
  // "a minute fifty", "two minutes forty-five": and so many seconds
  [
    /\b(an?(?:other)?|one|two|three|four|five) min(?:ute)?s? (ten|fifteen|twenty|thirty|forty|fifty)(?:[- ](five))?(?=\s*(?:[,.;)]|$|(?:and|then|more|on|per|a|each|for|if|or so)\b)(?! seconds))/gi,
    (_, min = '', tens, five) => `${/^a/i.test(min) ? 1 : figureOf(min)} minutes ${figureOf(tens) + figureOf(five)} s`,
  ],
  // "2 + 1 min": a side and the other
  [
    /(?<![\d+]\s?)(?<!\d[.,])\b(\d(?:[.,]\d)?|\d 1\/2) ?\+ ?(\d(?:[.,]\d)?|\d 1\/2) ?min(?:ute)?s?\b(?!\s*\+)/gi,
    (_, first, second) => `${first} min, turn, ${second} min`,
  ],
  // "they hold at eighty-five": degrees
  [
    /\b(sixty|seventy|eighty|ninety)\b(?<=\b(?:holds?|keep|kept|oven|drawer|cupboard|warm)\b[^,;.]{0,20}\b(?:at|to|on) \w+)(?:[- ](five))?\b(?! (?:min|sec))/gi,
    (_, tens, five) => String(figureOf(tens) + figureOf(five)),
  ],
  // "two-thirty and one-thirty": a side and the other, minutes and seconds
  [
    /\b(one|two|three|four)-(ten|fifteen|twenty|thirty|forty|fifty)(?:-(five))?( and | then |, (?:then )?)(one|two|three)-(ten|fifteen|twenty|thirty|forty|fifty)(?:-(five))?\b/gi,
    (_, m1, s1, f1, between = '', m2, s2, f2) =>
      `${figureOf(m1)} minutes ${figureOf(s1) + figureOf(f1)} s${between}${figureOf(m2)} minutes ${figureOf(s2) + figureOf(f2)} s`,
  ],
  // "two three minutes": a range
  [
    /\b(one|two|three|four|five|ten|fifteen) (two|three|four|five|six|ten|fifteen|twenty)(?= (?:min(?:ute)?s?|sec(?:ond)?s?)\b)/gi,
    (all, low, high) => (figureOf(low) < figureOf(high) ? `${low} to ${high}` : all),
  ],
  // "ten, fifteen minutes": a range
  [
    /\b(?<!\b(?:side|number|gas|mark|setting|on) )((?:one|two|three|four|five|eight|ten|fifteen|twenty|thirty|forty)(?: and a half)?|\d{1,2}), (?:maybe )?(two|three|four|five|six|ten|fifteen|twenty|thirty|forty|sixty|\d{1,2})(?= (?:min(?:ute)?s?|seconds|hours))/gi,
    (_, low, high) => `${low} to ${high}`,
  ],
  [/\b(?:a|one) minute and a half,? (?:to |or )?two minutes\b/gi, () => '1 1/2 to 2 minutes'],
  [/\b(?:a|another) minute,? (?:to |or )?(?:a )?minute and a half\b/gi, () => '1 to 1 1/2 minutes'],
];

export interface InFigures {
  readonly text: string;
  /** What was said for a part of the text, by its characters from and to. */
  readonly asSaid: (from: number, to: number) => string;
}

/** A text with its spoken numbers in figures. */
export function spokenInFigures(said: string): InFigures {
  let text = said;
  // where each character stood; those of a figure stand where its words began
  let stood: readonly number[] | null = null;
  for (const [re, writes] of SPOKEN) {
    // most texts hold none: a search is cheaper than the places of all characters
    if (text.search(re) < 0) continue;
    let [out, from] = ['', 0];
    const at: number[] = [];
    const was: readonly number[] = stood ?? Array.from(text, (_, n) => n);
    for (const m of text.matchAll(re)) {
      const figure = writes(...m);
      if (figure === m[0]) continue;
      out += text.slice(from, m.index) + figure;
      for (let k = from; k < m.index; k++) at.push(was[k] ?? k);
      for (let k = 0; k < figure.length; k++) at.push(was[m.index] ?? m.index);
      from = m.index + m[0].length;
    }
    if (from === 0) continue;
    for (let k = from; k < text.length; k++) at.push(was[k] ?? k);
    text = out + text.slice(from);
    stood = at;
  }
  const places = stood;
  return {
    text,
    asSaid: (from, to) =>
      places ? said.slice(places[from] ?? said.length, places[to] ?? said.length) : said.slice(from, to),
  };
}

/** Numbers of other tongues, and what stands between two of them, as figures that are as long as the words. */
export const inFigures = (text: string): string =>
  inFiguresOf(text, null, (figures, words) => (figures === '1' ? words : figures.padEnd(words.length)))
    .replace(/(?<=\d\s*)bis(?=\s*\d)/g, ' - ')
    .replace(/(?<=\d\s)[àa](?=\s\d)/g, '-');
