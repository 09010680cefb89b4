/**
 * What stands before a line on a card and is no part of it: bullets, tick boxes, numbering, table bars, dot leaders.
 */

const BULLET =
  /^\s*(?:[•●▪◦‣∙·*★☆✱✶✦✧❖►▶▸➤→⇒☐☑✓✔✗□■▢▣◻◽◯○❑❒▪▫◆◇–—>»]|(?![©®™])\p{Extended_Pictographic}(?:\uFE0F|\u200D|[\u{1F3FB}-\u{1F3FF}])*|\[[ xX]?\]|->|=>|-(?!\s*\d)|-(?=\s+\d))\s*/u;
const NUMBERING = /^\s*\(?\d{1,2}[.)]\s+(?=\S)/;
/** "a) 2 cups flour", "(b) salt"; "b. powder" is baking powder. */
const LETTERING = /^\s*(?:\(?[a-h]\)|[a-h]\.(?!\s+(?:powder|pwdr|soda)\b))\s+(?=\S)/i;

/** "| Flour | 2 cups |": a row of a table, as "Flour: 2 cups". */
const unTable = (text: string): string => {
  const row = /^\s*\|(.*)\|\s*$/.exec(text);
  if (!row) return text;
  const cells = (row[1] ?? '').split('|').map((c) => c.trim());
  return cells.every((c) => /^:?-*:?$/.test(c)) ? '' : cells.filter(Boolean).join(': ');
};

const ENTITIES: Readonly<Record<string, string>> = {
  amp: '&',
  nbsp: ' ',
  quot: '"',
  apos: "'",
  lt: '<',
  gt: '>',
  frac12: '½',
  frac14: '¼',
  frac34: '¾',
  frac13: '⅓',
  frac23: '⅔',
  frac18: '⅛',
  frac38: '⅜',
  frac58: '⅝',
  frac78: '⅞',
  times: '×',
  deg: '°',
  ndash: '–',
  mdash: '—',
  rarr: '→',
  frasl: '/',
  rsquo: '’',
  lsquo: '‘',
  eacute: 'é',
  egrave: 'è',
  agrave: 'à',
  ecirc: 'ê',
  auml: 'ä',
  ouml: 'ö',
  uuml: 'ü',
  szlig: 'ß',
  aring: 'å',
  oslash: 'ø',
  aelig: 'æ',
};

/** HTML entities as the characters they stand for; what is none stays as it is. */
export const unEntity = (text: string): string =>
  text.includes('&')
    ? text.replace(
        /&(?:#(\d{1,6})|#x([0-9a-f]{1,5})|([a-z]{2,6}\d{0,2}));/gi,
        (all, dec?: string, hex?: string, name?: string) => {
          if (name) return ENTITIES[name.toLowerCase()] ?? all;
          const code = dec ? Number(dec) : Number.parseInt(hex ?? '', 16);
          return code > 31 && code < 0x11_0000 && !(code >= 0xd800 && code < 0xe000) ? String.fromCodePoint(code) : all;
        },
      )
    : text;

/** Marks of a page that end what stands before them: "<li>2 eggs</li><li>1 cup milk</li>". */
const ENDS_BLOCK = /<\/(?:li|p|div|tr|dd)>\s*(?=\S)|<br\s*\/?>\s*(?=\S)/gi;
/** A page's own marks around words: "<b>2 cups</b> flour"; a gap stands for each, a point where one ends a thing. */
export const unTag = (text: string): string =>
  text.includes('<')
    ? text
        .replace(ENDS_BLOCK, '; ')
        .replace(/<\/?[a-z][a-z0-9]*(?:\s[^<>]{0,80})?\/?>/gi, ' ')
        .trim()
    : text;

/** Bold, italic and the like around words: "**2 cups** flour". */
const unMark = (text: string): string => (/[*_~`]/.test(text) ? unMarked(text) : text);
const unMarked = (text: string): string =>
  text
    .replace(/(\*\*|__|~~)(?=\S)(.*?\S)\1/g, '$2')
    .replace(/(^|[\s(])[*_](?=\S)([^*_]*\S)[*_](?=[\s).,:;]|$)/g, '$1$2')
    .replace(/`([^`]*)`/g, '$1');

/** "1–1/2 cups", "8–ounce", "three–quarters": a hyphen, as it is set in print. */
const SET_DASH =
  /(?<=\d)\s*[–—]\s*(?=\d+\/\d)|(?<=\d)[–—](?=(?:ounce|oz|inch|cup|pound|lb|gram|g|ml|cm)\b)|(?<=\p{L})–(?=\p{L})/giu;
/** "Salt . . . . pinch": dots that lead from a thing to its amount. */
const LEADER = /[ \t]*(?:\.[ \t]+){3,}\.?[ \t]*/g;
/** What is written in several ways: a sign without which it is not there (lower case), the way, and what it becomes. */
const WRITINGS: readonly (readonly [sign: string, way: RegExp, instead: string])[] = [
  // "5# flour": pounds
  ['#', /(?<=(?<![\p{L}\d#])\d{1,3}(?:\.\d+)?) ?#(?=\s+\p{L}|\s*$)/gmu, ' lb'],
  // "2 egg(s)", "2 Ei(er)": one or more
  ['(', /(?<=\p{L}{2})\((e?s|e?n|er|x)\)/giu, '$1'],
  // "3 T. melt. butter"
  ['melt.', /(?<=\s)melt\.(?=\s\p{L})/giu, 'melted'],
  // "120 g (gf) oat flour"
  ['(g', /\((?:gf|gluten[- ]free)\) ?/giu, 'gluten-free '],
  // "1 t. ea. powder & soda"
  ['ea', /(?<=\d ?(?:t|c|tb?sp?s?|tsps?|tbsps?|cups?|teaspoons?|tablespoons?|g|oz)\.? )ea\.?(?= \p{L})/giu, 'each'],
  // "zest of 1 lemon plus 2 tbsp juice": of the same fruit
  [
    'zest of',
    /(?<=\bzest of \S+ (lemon|lime|orange)s?,? (?:plus|and|&|\+) (?:[\d½¼¾/ ]+|an? )\p{L}+\.? (?:of )?)(?=(?:the |its )?juice\b)/giu,
    '$1 ',
  ],
  // "4 tsp b. powder"
  ['b. ', /(?<=\d ?(?:tb?sp?s?|tsps?|tbsps?|t|g)\.? )b\. (?=powder|pwdr|pdr|soda)/giu, 'baking '],
  // "2 table spoons of sugar", "dessert spoon each"
  [' spoon', /(?<!\p{L})(table|tea|dessert) (?=spoon(?:ful)?s?(?!\p{L}))/giu, '$1'],
  // "hot water 3/4 c +/-": about
  ['+/-', / ?\+\/-(?=\s*(?:[,;)]|$))/gm, ''],
  // "1/2 c GF 1:1 flour"
  ['1:1', /(?<!\p{L})(?:gf|gluten[- ]free) 1:1(?= (?:flour|blend|baking))/giu, '1:1 gluten-free'],
  // "1/4 de litre de bière", "1/2 de taza de azúcar"
  [
    ' de ',
    /(?<=(?:\d\/\d|[½¼¾⅓⅔])) de (?=(?:litr[eo]|l|kilo|kg|livre|taza|vaso|tasse|verre|cuill\p{L}+|cuchar\p{L}+|sachet|sobre)(?!\p{L}))/giu,
    ' ',
  ],
  // "sale q.b."
  ['b.', /(?<=\p{L},? )q\. ?b\.?(?=\s|$|[,;)])/gimu, 'quanto basta'],
  // "w/w flour"
  ['w/', /(?<![\p{L}\d])w\/w(?=\s+\p{L})/giu, 'wholewheat'],
  // "milk w/ a squeeze of lemon"
  ['w/', /(?<=\s)w\/o(?:ut)?(?=\s)/gi, 'without'],
  ['w/', /(?<=\s)w\/ ?(?=[\p{L}\d½¼¾⅓⅔])/gu, 'with '],
  // "neutral oil, e.g. sunflower"
  ['g', /,?(?<=\s|,)(?:e\. ?g\.?|(?<=[,(] ?)eg\.?),? (?=\p{L})/giu, 'such as '],
  ['.', LEADER, ' … '],
];
/** The same text in one way of writing: accents with their letters, plain spaces, dashes within words as hyphens. */
export function inOneWriting(text: string): string {
  const plain = (/\p{M}/u.test(text) ? text.normalize('NFC') : text)
    // between thousands a narrow space is no word's end
    .replace(/(?<!\d)[\u00a0\u2002-\u200a\u202f]|[\u00a0\u2002-\u200a\u202f](?!\d{3}(?!\d))/g, ' ');
  const dashed = /[–—]/.test(plain) ? plain.replace(SET_DASH, '-') : plain;
  const small = dashed.toLowerCase();
  return WRITINGS.reduce((t, [sign, way, instead]) => (small.includes(sign) ? t.replace(way, instead) : t), dashed);
}

/** What points to a note beneath the card: "*", "[1]", "(see note 2)". */
const NOTE_MARK =
  /\s*(?:[*†‡§]+|[¹²³⁴⁵⁶⁷⁸⁹]|\[\d{1,2}\]|\((?:see )?(?:foot)?(?:notes?|tips?)(?: (?:below|above|\d{1,2}))?\)|\(\*+\))$/iu;
/** "One & a half": and. */
const AND_A_HALF =
  /(?<=[\p{L}\d])\s+&\s+(?=(?:an? |one[- ]|two[- ]|three[- ])?(?:half|quarters?|thirds?|\d\/\d|[½¼¾⅓⅔]))/giu;
/** "Flour 2 kg <- the strong one", "milk 3 l // skimmed": what is remarked behind a line. */
const REMARK = /\s+(?:<[-=]+|←|⇐|\/\/|#)\s*(?=\p{L})([^()]+)$/u;
/** "Butter 300 g > melt first": what is done with it. */
const THEN_DONE = /\s+(?:-{1,2}>|=>|→|>)\s+(?=(?:melt|sift|separate|beat|mash|grate|drain|soften)\b)/iu;
/** Takes bullets, tick boxes, numbering, table bars, marks and dot leaders off a line; the rest is as written. */
export const stripBullet = (text: string): string => {
  // most lines wear nothing
  if (/^\d[\w ,()%/]*$/.test(text) && !/^\d{1,2}\) |\s\s|\s$|\)$|\bw\/|\/\d de | spoon/.test(text)) return text;
  let t = unTable(unEntity(unTag(inOneWriting(text))));
  // a tick box may stand after a bullet
  for (let n = 0; n < 3; n++) {
    const next = unMark(t).replace(BULLET, '');
    if (next === t) break;
    t = next;
  }
  return (
    t
      .replace(NUMBERING, '')
      .replace(LETTERING, '')
      // "2) + 150 g flour"
      .replace(/^\+\s+(?=\d)/, '')
      .replace(/\s*\.{3,}\s*|\s*…\s*/g, ' ')
      .replace(NOTE_MARK, '')
      .replace(AND_A_HALF, ' and ')
      .replace(REMARK, ' ($1)')
      .replace(THEN_DONE, ', ')
      .replace(/\s*[→⇒]\s*|\s+(?:->|=>)\s+/g, ': ')
      .replace(/\s+/g, ' ')
      .trim()
  );
};
