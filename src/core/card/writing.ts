/**
 * How a card is written down: columns and strokes between things, capitals throughout, talk all in small letters,
 * numbers spelled out. Each is brought to the one writing that its rows are read in; no word of it is another.
 */
import type { Language } from '../pantry/tables/other-names';
import { capital } from '../quantity/say';
import { inFiguresOf, SPELLED_IN } from '../quantity/spelled';
import { inOneWriting, unEntity, unTag } from './bullet';
import { COUNT_SAID, pointed } from './dictated';

/** What is done, as a step begins. */
export const DOING = new Set(
  `add allow arrange bake beat blend boil bring brush chill check combine cook cool cover crack cut discard divide do drain drizzle drop dust fill finish flip
  fold fry garnish grease grind heat hold if in invert keep ladle leave let lift lightly line lower make mash measure meanwhile melt mix once open place pour
  preheat prepare press puree put quickly reduce reheat remove repeat rest return rub scatter scoop scrape season separate serve set sieve sift simmer slide slowly soak
  spoon spread sprinkle start stack stir strain swirl switch take then tilt toss transfer turn until use wait warm when whip whisk wipe work wrap gently carefully
  using with after before while as for to first next finally repeat
  laisser laissez mélanger mélangez verser versez ajouter ajoutez cuire faites battre battez fouetter fouettez
  rühren verrühren mischen vermischen backen ausbacken braten unterheben unterrühren schlagen quellen
  mezclar mezcla batir bate añadir añade dejar cocinar verter mescolare mescolate lasciare lasciate aggiungere
  aggiungete cuocere sbattere sbattete mengen bakken roeren kloppen pisk vispa grädda häll`
    .split(/\s+/)
    .filter(Boolean),
);
export const firstWord = (t: string): string => (/^[\p{L}]+/u.exec(t)?.[0] ?? '').toLowerCase();

/** The head of a table: names of its columns. */
export const TABLE_HEAD =
  /^(?:(?:ingredients?|items?|what|name|amounts?|quantity|qty|weight|measure|volume|units?|grams?|metric|us|cups?|imperial|notes?|prep(?:aration)?|percent(?:age)?|%|baker.?s %|zutat(?:en)?|menge|quantité|cantidad)[\s:|()/]*)+$/i;

/** "Flour | 250 | g", tabs between: a row of a table, as one line. */
function unTab(raw: string): string {
  if (!raw.includes('\t') && !/^\s*\|.*\|\s*$/.test(raw)) return raw;
  const cells = raw
    .replace(/^\s*\||\|\s*$/g, '')
    .split(raw.includes('\t') ? /\t+/ : '|')
    .map((c) => c.trim())
    .filter(Boolean);
  if (cells.length < 2 || cells.every((c) => /^:?-*:?$/.test(c))) return raw;
  // a number and its unit in cells of their own
  const joined: string[] = [];
  for (const c of cells) {
    const last = joined[joined.length - 1];
    if (last !== undefined && /^[\d.,/½¼¾⅓⅔⅛ ]+$/.test(last) && /^\p{L}/u.test(c))
      joined[joined.length - 1] = `${last} ${c}`;
    else joined.push(c);
  }
  return joined.join(': ');
}

/** "2 T. sugar - sift together. Add ...": what is done begins a sentence behind a dash. */
const DASH_DOING =
  / [-–—] (?=(?:sift|mix|whisk|stir|beat|blend|combine|cream|fold|melt|rest|fry|cook|bake)(?: (?:together|well|until|till|in|it|them|all|for)\b|[.,;]|$))/giu;

/** A row of so many things at least is a list with what is done behind it. */
const LEAST_LISTED = 3;
const undashed = (row: string): string =>
  (row.match(/, /g)?.length ?? 0) >= LEAST_LISTED - 1 ? row.replace(DASH_DOING, '. ') : row;

/** Things that strokes part, so many at least: "180 g meal / 120 g flour / 10 g powder / 2 eggs". */
const LEAST_STROKES = 3;
function unStroke(row: string): string {
  const bits = row.split(/\s+\/\s+/);
  const measured = bits.filter((b) => /^[\d½¼¾⅓⅔⅛][\d.,/]*\s*\p{L}+(?:\s+\p{L}{2,}|$)/u.test(b.trim()));
  return bits.length > LEAST_STROKES && measured.length === bits.length ? bits.join(', ') : row;
}

/** "gestr." and "cuil." are of measures. */
export const SHORTENED = /^(?:gestr|cuil|evtl|approx|tbsp|env|pkts?|lrge?|Stck|Essl|Teel)$/i;
/** Measures and words that are written short, before a point: "2 tsp. sugar", "5 min. a side". */
const A_UNIT_SHORT =
  /^(?:tsp|tbs|tbl|tbls|pr|pers|stk|pkg|min|mins|max|sec|secs|hrs|deg|lge|med|sml|lbs|ozs|pts|qts|gal|env|incl|etc|resp|bzw|ca|ggf|usw|pck|msp|cucch|cdas?|cdtas?)$/i;

const OF_TIME = /^(?:mins?|max|secs?|hrs)$/i;
/** A text without the points of its shortened measures: "2 gestr. TL", "1 c. à s.". */
export const withoutShortPoints = (text: string): string =>
  text.replace(/(?<!\p{L})(\p{L}{1,6})\.(?=[\s,)]|$)/gu, (all, word: string) =>
    (SHORTENED.test(word) || A_UNIT_SHORT.test(word) || /^[csglt]$/i.test(word)) && !OF_TIME.test(word) ? word : all,
  );

/** A row as long as this is talk, and no line with an abbreviation. */
export const LEAST_TALK_CHARS = 80;
/** Where a sentence ends in talk that is written down small: "half a cup of oil. whites get whipped". */
const SMALL_POINT = /(?<=(?<!\p{L})(\p{L}{3,})[.!?]\s+)\p{Ll}\p{L}*/gu;
/** "Melted butter 800 g. machine with whisk": the weight behind a thing ends what is listed. */
const LIST_ENDS =
  /(?<=(?<!(?<!\p{L})(?:with|and|plus|about|add|the|into|mit|und|avec|puis|con|unos|ca))(?<=\p{L}{3})\s\d[\d.,]*\s?(?:k?g|m?l)\.\s+)\p{Ll}/gu;
/** A shorter row is a line with an abbreviation. */
const LEAST_CASED_CHARS = 50;
/** Each sentence of talk with a large letter, as it would be written; nothing else of it is another. */
const sentenceCased = (t: string): string =>
  t.length < LEAST_CASED_CHARS
    ? t
    : t.replace(LIST_ENDS, capital).replace(SMALL_POINT, (next, word: string) =>
        // "bake 18 min. rest it": what is done begins a sentence behind any word
        (SHORTENED.test(word) || A_UNIT_SHORT.test(word)) && !DOING.has(next) ? next : capital(next),
      );

/** A card all in capitals has so many letters, and of small ones at most this share. */
const LEAST_SHOUTED = 40;
const MOST_SMALL = 0.05;
/** A card all in capitals in small letters, each row with a large first; a lone T stays the tablespoon it may be. */
function unShouted(text: string): string {
  const letters = text.match(/\p{L}/gu) ?? [];
  if (letters.length < LEAST_SHOUTED) return text;
  const small = letters.filter((x) => x !== x.toUpperCase()).length;
  if (small > MOST_SMALL * letters.length) return text;
  return text
    .replace(/\p{L}+/gu, (w) => (w === 'T' ? w : w.toLowerCase()))
    .replace(/^(\P{L}*)(\p{Ll})/gmu, (row, before: string, first: string) =>
      /\d/.test(before) ? row : before + first.toUpperCase(),
    );
}

/** "[03/05/2024, 08:12] Jo: ", "12.5.24, 08:12 - Jo: ": when a row of a chat was sent, and by whom. */
const STAMP =
  /^\s*\[?\d{1,4}[./-]\d{1,2}[./-]\d{2,4},? (?:at )?\d{1,2}:\d{2}(?::\d{2})?(?: ?[ap]\.?m\.?)?\]?(?: [-–])? [^:\n]{1,40}: /gimu;
const LEAST_STAMPED = 2;
/** The rows of a chat without their stamps; any other text as it is. */
const withoutStamps = (text: string): string =>
  (text.match(STAMP)?.length ?? 0) >= LEAST_STAMPED ? text.replace(STAMP, '') : text;

/** Up to here numbers of other languages are read as the words they are. */
const LEAST_SPELLED = 7;
/** Large numbers of the card's own languages in figures: "zweihundertfünfzig Gramm". */
const spelledOut = (t: string, languages: ReadonlySet<Language> | null): string =>
  languages === null
    ? t
    : inFiguresOf(
        t,
        SPELLED_IN.filter((l) => languages.has(l)),
        (figures, words) => (Number(figures) < LEAST_SPELLED ? words : figures),
      );

/** "... | 150 ml Milch || Alles verrühren": what is parted by more ends there. */
const ENDS_LIST = /[ \t]+\|\|[ \t]+(?=\p{Lu})(?<=\|.*[ \t]\|\|[ \t]+)/gu;
/** "flour, salt // 2 eggs, milk // whisk": a row of several, each ends at its strokes; one of them is a remark's. */
const LEAST_PAIRS = 2;
const endedByStrokes = (text: string): string =>
  text.includes(' // ')
    ? text
        .split('\n')
        .map((row) => {
          const parts = row.split(/\s+\/\/\s+/);
          return parts.length > LEAST_PAIRS ? parts.map((p, n) => (n > 0 ? capital(p) : p)).join('. ') : row;
        })
        .join('\n')
    : text;
/** A whole card as it is read. */
export const cardAsRead = (written: string): string =>
  unShouted(withoutStamps(endedByStrokes(inOneWriting(written).replace(ENDS_LIST, '. '))));

/** Signs that part the things of a list in one row, where a comma would; one that stands tight has an amount behind it. */
const PARTS_BY =
  /\s+(?:[/–—+&•·|>=;-]|[-=]>|\.{3}|…|then|dann|puis|luego)\s+|\t+|;\s+|(?<=\p{L}),(?=[\d½¼¾\p{L}])|(?<=\p{L}{3})\/(?=[\d½¼¾]+ ?\p{L}|\p{L}{3,}(?:[.,/]|$))|(?<=\p{L}{2})\/(?=\d+ ?\p{L}+ \p{L}{2})/giu;
const SO_MUCH_OF = new RegExp(
  String.raw`^(?:(?:about|ca\.?|etwa|environ|unos) )?(?:[\d½¼¾⅓⅔⅛][\d.,/½¼¾⅓⅔⅛]*(?: [\d/]+)?|${COUNT_SAID}|ein\p{L}*|une?|una?)[ -]?(?:\p{L}{1,12}\.? )?(?:of |de |d[’'])?\p{L}{3,}`,
  'iu',
);
/** "eggs 3", "butter 30g (melted)", "salt pinch". */
const THING_MUCH =
  /^\p{L}[\p{L} .’'-]{1,30}?[ :]\s*(?:[\d½¼¾⅓⅔⅛][\d./½¼¾⅓⅔⅛]*(?: \d\/\d)? ?\p{L}{0,6}\.?|pinch)(?:\s*\([^()]*\))?$/u;
const MUCH_ALONE = /^[\d½¼¾⅓⅔⅛][\d.,/\s½¼¾⅓⅔⅛]*(?:(?:k?g|[mcd]?l|oz|lbs?|cups?|tsp|tbsp|[ct]|[te]l)\.?)?$/iu;
const PARTS_BY_ANY = new RegExp(`,\\s+|${PARTS_BY.source}`, 'iu');
const LEAST_PARTED = 3;
const MOST_PART_CHARS = 60;
/** What a row calls its list: "Pancakes - 250 g flour ...". */
const CALLED =
  /^(?:\*\*)?(\p{L}[^:\d,;/*]{1,40}?)(?:\*\*)?(?:\s*[:.,=]|\s+[-–—])?(?<!\b(?:of|from|de|von|aus|di))\s+(?=[\d½¼¾⅓⅔⅛])|^(\p{L}[^:\d,;/*]{1,40}?):\s+(?=\p{L})/u;
/** "Pancakes (250 g flour, 2 eggs, 300 ml milk)". */
const IN_BRACKETS = /^(\p{L}[^:\d,;/()]{1,40}?) \(([^()]{20,})\)[.:]?(?=\s|$)/u;
/** "salt Mix and fry.": what is done begins a sentence, though no sign ends the list. */
const BEGINS_DOING =
  /(?<=\p{Ll}) (?=(?:(?:Mix|Whisk|Stir|Beat|Blend|Combine|Sift|Fry|Cook|Bake|Heat|Rest|Pour|Fold|Melt)\b(?! (?:of|for)\b)|Alles \p{Ll}|M[ée]lange[rz]\b|Mezcl(?:ar|a|e)\b|Bat(?:ir|a|e)\b))/gu;

const isListOf = (things: readonly string[]): boolean => {
  const measured = things.filter((p) => SO_MUCH_OF.test(p) || THING_MUCH.test(p));
  const amounts = new Set(measured.map((p) => /^\S+ ?\S*/.exec(p)?.[0]));
  return (
    measured.length >= LEAST_PARTED &&
    measured.length >= things.length / 2 &&
    // as much of each: one thing or another
    amounts.size > 1 &&
    !things.some((p) => MUCH_ALONE.test(p)) &&
    things.slice(0, -1).every((p) => p.length <= MOST_PART_CHARS && !p.includes(','))
  );
};

/** "flour (2 cups), milk (1 cup), egg (1)": each amount before its thing. */
const THING_IN_FRONT = /^(\p{L}[^()\d,;]*?)\s*\(([^()]*\d[^()]*)\)$/u;
const MUCH_FIRST = /^[\d½¼¾⅓⅔⅛][\d.,/½¼¾⅓⅔⅛]*(?: [\d/]+)? ?\p{L}/u;
/** "2c flour 1T sugar 2 eggs": where the next amount begins. */
const NEXT_NUMBER = /(?<=\p{L}{2})\s+(?=[\d½¼¾⅓⅔⅛])/u;
/** A row of several things without a sign between them, or each with its amount in brackets, with commas; else as it is. */
function commaed(row: string): string {
  // "Dry team: flour (1 1/2 cups), butter (3 T, melted)": within a bracket nothing is parted
  const label = /^\p{L}[\p{L} ]{2,28}:\s+/u.exec(row)?.[0] ?? '';
  const inBrackets = row
    .slice(label.length)
    .replace(/\)[.;]\s*$/, ')')
    .split(/,\s+(?![^()]*\))/)
    .map((p) => THING_IN_FRONT.exec(p.trim()));
  if (inBrackets.length >= LEAST_PARTED && inBrackets.every((m) => m !== null))
    return (
      label +
      inBrackets
        .map((m) => `${m?.[2]?.replace(/,.*$/, '')} ${m?.[1]}${/,.*$/.exec(m?.[2] ?? '')?.[0] ?? ''}`)
        .join(', ')
    );
  if (/[,;:()|]|(?<!\d)\/|\/(?!\d)|\p{L}{3}\. /u.test(row)) return row;
  const things = row.split(NEXT_NUMBER);
  const isList =
    isListOf(things) && things.every((t) => MUCH_FIRST.test(t) && !/\b(?:each|total|min\p{L}*|sec\p{L}*)$/iu.test(t));
  return isList ? things.join(', ') : row;
}

/** "1 cup cornmeal      1 tsp salt": things side by side, in columns of their own; null: the row has none. */
const COLUMNS = /\s{3,}|\t+/;
const TO_TASTE = /^(?:salt|vanilla|nutmeg|cinnamon|pepper|oil|butter|lard)$/i;
const MUCH_ANYWHERE = /^\p{L}[\p{L} .’'-]{1,30}?[ :]\s*(?:[\d½¼¾⅓⅔⅛]|an? (?:pinch|dash|splash|knob)\b)/iu;
function besideEachOther(row: string): string | null {
  // "Flour  2 cups    | Eggs   2": a bar between two lists
  const barred = row.includes('|') && !/^\s*\|/.test(row);
  const things = barred
    ? row.split('|').flatMap((p) => (p.trim() === '' ? [] : [p.trim().replace(/\s+/g, ' ')]))
    : row.trim().split(COLUMNS);
  const isBeside =
    things.length > 1 &&
    things.every(
      (p, n) => ((SO_MUCH_OF.test(p) || MUCH_ANYWHERE.test(p)) && !MUCH_ALONE.test(p)) || (n > 0 && TO_TASTE.test(p)),
    );
  return isBeside ? things.join(', ') : null;
}

/** "150 g flour / 2 eggs / 300 ml milk / salt": with commas, where most parts tell so much of a thing, and none says its amount again. */
function listParted(row: string): string {
  const beside = besideEachOther(row);
  if (beside !== null) return beside;
  const inside = IN_BRACKETS.exec(row);
  if (inside && isListOf((inside[2] ?? '').split(PARTS_BY_ANY)))
    return listParted(`${inside[1]}: ${inside[2]}.${row.slice(inside[0].length)}`);
  const signs = [...row.matchAll(PARTS_BY)].map((m) => m[0].trim().toLowerCase());
  const sign = signs.find((x) => signs.filter((y) => y === x).length >= LEAST_PARTED - 1);
  if (sign === undefined || row.startsWith(sign || '\t'))
    return commaed(row.includes(', ') ? row.replace(BEGINS_DOING, '. ') : row);
  // "discard 200 g / eggs 3" begins with a thing, and no name of its list
  const begins = row.slice(0, row.toLowerCase().indexOf(sign)).trim();
  const called = THING_MUCH.test(begins) ? null : CALLED.exec(row);
  const list = row.slice(called?.[0].length ?? 0);
  const parts: string[] = [];
  let from = 0;
  for (const m of list.matchAll(PARTS_BY)) {
    if (m[0].trim().toLowerCase() !== sign) continue;
    parts.push(list.slice(from, m.index));
    from = m.index + m[0].length;
  }
  parts.push(list.slice(from));
  if (!isListOf(parts)) return row;
  return `${called ? `${called[1] ?? called[2]}: ` : ''}${parts.join(', ')}`.replace(BEGINS_DOING, '. ');
}

/** "1 cup flour to 1 cup milk, 1 egg": two things in their proportion, of a row that begins with them. */
const UNITS_TO = `(?:cups?|c|g|ml|tbsp|tsp|mugs?|eggs?)`;
const TO_SO_MUCH = new RegExp(
  String.raw`(?<=^\W*(?:[\d½¼¾⅓⅔][\d/ ½¼¾⅓⅔]*|one|an?) ?${UNITS_TO} (?:of )?(?:[\p{L}-]+ ){0,2}?\p{L}[\p{L}-]{2,}) to (?=(?:[\d½¼¾⅓⅔][\d/ ½¼¾⅓⅔]*|one |an? ) ?${UNITS_TO} (?:of )?\p{L}{3})`,
  'iu',
);

/** One of its rows as it is read. */
export const rowAsRead = (raw: string, languages: ReadonlySet<Language> | null): string =>
  spelledOut(
    sentenceCased(
      pointed(unStroke(unTab(listParted(undashed(unEntity(unTag(raw))).replace(TO_SO_MUCH, ', ')))), languages),
    ),
    languages,
  );
