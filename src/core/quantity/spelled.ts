/**
 * Numbers spelled out in German, French, Spanish, Italian and Dutch, as figures: "zweihundertfünfzig", "deux cent
 * cinquante", "treinta y cinco". One table of their words for all that reads them.
 */

export const SPELLED_IN = ['de', 'fr', 'es', 'it', 'nl'] as const;
type SpelledIn = (typeof SPELLED_IN)[number];

interface Numerals {
  /** Words by what they are worth; of 100 and 1000 what stands before multiplies. */
  readonly worth: Readonly<Record<string, number>>;
  /** What stands between two of them and says nothing. */
  readonly joins: readonly string[];
  /** One number is written as one word. */
  readonly together: boolean;
  /** Words that mean something else in English, or in the language itself, where nothing shows what is meant. */
  readonly doubtful: ReadonlySet<string>;
}

/** "zwei drei vier": worth so much each, counted up. */
const counting = (from: number, words: string, step = 1): Readonly<Record<string, number>> =>
  Object.fromEntries(words.split(' ').map((w, n) => [w, from + n * step]));

const NUMERALS: Readonly<Record<SpelledIn, Numerals>> = {
  de: {
    worth: {
      ein: 1,
      ...counting(
        1,
        'eins zwei drei vier fünf sechs sieben acht neun zehn elf zwölf dreizehn vierzehn fünfzehn sechzehn siebzehn achtzehn neunzehn',
      ),
      ...counting(20, 'zwanzig dreißig vierzig fünfzig sechzig siebzig achtzig neunzig', 10),
      dreissig: 30,
      hundert: 100,
      tausend: 1000,
    },
    joins: ['und'],
    together: true,
    doubtful: new Set(['ein', 'eins']),
  },
  nl: {
    worth: {
      ...counting(
        1,
        'een twee drie vier vijf zes zeven acht negen tien elf twaalf dertien veertien vijftien zestien zeventien achttien negentien',
      ),
      ...counting(20, 'twintig dertig veertig vijftig zestig zeventig tachtig negentig', 10),
      honderd: 100,
      duizend: 1000,
    },
    joins: ['en', 'ën'],
    together: true,
    doubtful: new Set(['een']),
  },
  it: {
    worth: {
      ...counting(
        1,
        'uno due tre quattro cinque sei sette otto nove dieci undici dodici tredici quattordici quindici sedici diciassette diciotto diciannove',
      ),
      ...counting(20, 'venti trenta quaranta cinquanta sessanta settanta ottanta novanta', 10),
      // before one and eight the vowel goes
      ...counting(20, 'vent trent quarant cinquant sessant settant ottant novant', 10),
      cento: 100,
      mille: 1000,
      mila: 1000,
    },
    joins: [],
    together: true,
    doubtful: new Set(['uno', 'due', 'tre', 'sei', 'nove', 'vent', 'trent', 'cinquant']),
  },
  fr: {
    worth: {
      une: 1,
      ...counting(1, 'un deux trois quatre cinq six sept huit neuf dix onze douze treize quatorze quinze seize'),
      ...counting(20, 'vingt trente quarante cinquante soixante', 10),
      septante: 70,
      huitante: 80,
      octante: 80,
      nonante: 90,
      vingts: 20,
      cent: 100,
      cents: 100,
      mille: 1000,
    },
    joins: ['et'],
    together: false,
    doubtful: new Set(['un', 'une', 'six', 'neuf', 'cent', 'cents']),
  },
  es: {
    worth: {
      ...counting(
        1,
        'uno dos tres cuatro cinco seis siete ocho nueve diez once doce trece catorce quince dieciséis diecisiete dieciocho diecinueve',
      ),
      dieciseis: 16,
      ...counting(
        20,
        'veinte veintiuno veintidós veintitrés veinticuatro veinticinco veintiséis veintisiete veintiocho veintinueve',
      ),
      ...counting(30, 'treinta cuarenta cincuenta sesenta setenta ochenta noventa', 10),
      cien: 100,
      ciento: 100,
      ...counting(
        200,
        'doscientos trescientos cuatrocientos quinientos seiscientos setecientos ochocientos novecientos',
        100,
      ),
      ...counting(
        200,
        'doscientas trescientas cuatrocientas quinientas seiscientas setecientas ochocientas novecientas',
        100,
      ),
      mil: 1000,
    },
    joins: ['y'],
    together: false,
    doubtful: new Set(['uno', 'once', 'mil']),
  },
};

const longestFirst = (words: readonly string[]): string => [...words].sort((a, b) => b.length - a.length).join('|');
/** A number of a language, whole: one word of parts, or words one behind the other. */
const PATTERNS = Object.fromEntries(
  SPELLED_IN.map((l): readonly [SpelledIn, { readonly whole: RegExp; readonly part: RegExp }] => {
    const { worth, joins, together } = NUMERALS[l];
    const one = longestFirst(Object.keys(worth));
    const join = joins.length > 0 ? `(?:${joins.join('|')})` : '';
    const next = together ? `${join && `${join}?`}(?:${one})` : `(?:[ -]${join && `(?:${join}[ -])?`})(?:${one})`;
    return [
      l,
      {
        whole: new RegExp(`(?<![\\p{L}\\d])(?:${one})(?:${next})*(?![\\p{L}\\d])`, 'giu'),
        part: new RegExp(one, 'giu'),
      },
    ];
  }),
) as Readonly<Record<SpelledIn, { readonly whole: RegExp; readonly part: RegExp }>>;

/** What words of a number are worth together: "deux cent cinquante" is 250, "quatre-vingt-dix" 90. */
function worthOf(words: string, l: SpelledIn): number {
  const { worth } = NUMERALS[l];
  let [sum, now] = [0, 0];
  for (const [word] of words.toLowerCase().matchAll(PATTERNS[l].part)) {
    const w = worth[word] ?? 0;
    const before = now % 100;
    if (w === 1000) {
      sum += Math.max(1, now) * 1000;
      now = 0;
    } else if (w === 100) now += Math.max(1, before) * 100 - before;
    // "quatre-vingt"
    else if (l === 'fr' && w === 20 && before === 4) now += 76;
    else now += w;
  }
  return sum + now;
}

/**
 * A text with its spelled numbers as figures.
 * @param languages those the text is in; null: nobody knows, and only what is a number in any language is taken
 * @param as what stands for the words: the figures, where nothing else is said
 */
export function inFiguresOf(
  text: string,
  languages: readonly SpelledIn[] | null,
  as: (figures: string, words: string) => string = (figures) => figures,
): string {
  return (languages ?? SPELLED_IN).reduce(
    (t, l) =>
      t.replace(PATTERNS[l].whole, (words: string) =>
        NUMERALS[l].doubtful.has(words.toLowerCase()) && languages === null
          ? words
          : as(String(worthOf(words, l)), words),
      ),
    text,
  );
}
