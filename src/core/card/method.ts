/**
 * What stands around the lines of a card, read for what can be checked: the yield it claims and the things its method
 * uses.
 */
import { kitchenNouns } from '../pantry/nouns';
import { readNumber } from '../quantity/number';

interface YieldClaim {
  readonly pieces: number;
  readonly text: string;
}

const MAKES =
  /\b(?:makes?|yields?|yield:?|gives?(?: (?:me|us|you))?|ergibt|rinde|salen|donne(?:nt)?|da para|I get|I reckon on|that(?:[’']s| is)(?= \d+ (?:pancakes|waffles|cakes|crepes|pieces))|you(?:[’']ll| will| should| can)? get)\s*:?\s*(?:about|approx\.?|around|some|up to|etwa|ca\.?|environ|unas?|unos)?\s*/i;
const EACH_FOR = /\b(\d+|one|two|three|four|five|six)\s+each\s+for\s+(\d+|two|three|four|five|six|eight|ten|twelve)\b/i;
const PIECES_WORD = '(?:ones|cakes|pancakes|waffles|crepes|pieces|of them)';
/** "About 20 small ones.", "A dozen come of it": pieces without a word for making. */
const PIECES_SAID = [
  new RegExp(
    `(?:^|[.!,]\\s+)((?:about|around|roughly|some)\\s+)(.{1,20}?)\\s+(?:(?:small|little|large|big|medium|good|nice|thin|thick)\\s+)*${PIECES_WORD}\\s*(?:[.!]|$)`,
    'i',
  ),
  /(?:^|[.!]\s+)(enough for\s+)(.{1,14}?)\s+(?:(?:small|little|large|big|medium)\s+)*(?:cakes|pancakes|waffles|crepes|pieces)\b/i,
  /(?:^|[.!]\s+)((?:about|around|roughly|some)\s+)?(.{1,20}?)\s+(?:(?:\w+\s+)?(?:cakes|pancakes|waffles|crepes|pieces|ones)\s+)?comes?\s+(?:out\s+)?(?:of|from)\s+(?:it|this|that|the batter)\b/i,
];

function piecesSaid(row: string): YieldClaim | null {
  for (const re of PIECES_SAID) {
    const m = re.exec(row);
    const words = (m?.[2] ?? '').replace(/^an?\s+(?:good|round|full)\s+/i, 'a ');
    const n = m ? readNumber(words) : null;
    if (!n || words.slice(n.length).trim() !== '') continue;
    const low = n.low.valueOf();
    const pieces = Math.round((low + (n.high?.valueOf() ?? low)) / 2);
    if (pieces >= 2 && pieces <= 10_000) return { pieces, text: row.trim() };
  }
  return null;
}

/** "5 waffles.": a sentence that is a number of pieces. */
const PIECES_ALONE =
  /(?:^|[.!]\s+)(?:pour |para |für )?(\d{1,3}) (?:waffles|pancakes|galettes|gaufres|gofres|blinis|stück|tortitas|crepes|crêpes|cakes|pieces)(?:\s+environ)?(?=\s*(?:[.!,]|$))|(?:^|[.!]\s+)(?:environ|unas?|unos|etwa|ca\.?) (\d{1,3})(?: (?:waffles|galettes|gaufres|crêpes|tortitas|stück|piezas))?(?=\s*(?:[.!]|$))/i;

/** "About 16.", and no more: the last thing a card says. */
const ABOUT_ALONE = /[.!]\s+(?:about|around) (\d{1,3}|\w{3,7})\s*[.!]?\s*$/i;

/** "Makes about 24": pieces it claims. "Serves 8" claims people, not pieces, and is not tested. */
export function yieldClaim(notes: string): YieldClaim | null {
  for (const row of notes.split('\n')) {
    const each = EACH_FOR.exec(row);
    const [pieces, people] = each ? [readNumber(each[1] ?? ''), readNumber(each[2] ?? '')] : [null, null];
    if (pieces && people) return { pieces: Math.round(pieces.low.valueOf() * people.low.valueOf()), text: row.trim() };
    const found = claimedIn(row);
    if (found !== null) return { pieces: found, text: row.trim() };
  }
  const said = notes
    .split('\n')
    .map(piecesSaid)
    .find((x) => x !== null);
  const alone = PIECES_ALONE.exec(notes) ?? ABOUT_ALONE.exec(notes);
  const number = alone?.slice(1).find((n) => n !== undefined);
  if (said) return said;
  const many = number === undefined ? null : readNumber(number);
  if (alone && many) return { pieces: many.low.valueOf(), text: alone[0].replace(/^[.!]\s+/, '') };
  const told = countTold(notes, (text) => MADE.test(text) || PIECES.test(text) || ABOUT_SO_MANY.test(text), [
    PIECES,
    MADE,
  ]);
  return told && { pieces: told.count, text: told.text };
}

const words = (of: string): RegExp => new RegExp(`(?<!\\p{L})(?:${of})(?!\\p{L})`, 'giu');
/** Pieces, as they are called. */
const PIECES = new RegExp(
  words(
    'pcs|squares?|dosas?|cones?|balls?|scones?|waffles?|pancakes?|cakes?|crepes?|crêpes?|pieces?|rounds?|blinis?|galettes?|gaufres?|gofres?|tortitas?|filloas?|stück|waffeln?|pfannkuchen|palatschinken|eierkuchen|panqueques?|hotcakes?|fritters?|pikelets?|crumpets?|piezas?|slices?|wedges?',
  ).source,
  'iu',
);
/** That so many are made of it. */
const MADE = new RegExp(
  words(
    'makes?|making|yields?|gives|you get|i get|we get|comes? out|cuts? in(?:to)?|divides? into|ergibt|ergeben|rinde|salen|sale|donne|out of (?:that|it|this)|from (?:that|it|this)',
  ).source,
  'iu',
);
/** "Twelve or so": a number of what the card makes, and nothing else. */
const ABOUT_SO_MANY = /\b(?:or so|or thereabouts|give or take)\b/i;
/** For whom it is. */
const FED = new RegExp(
  words(
    'serves?|feeds?|eats?|does|do|for|enough for|plenty for|reicht für|für|para|pour|people|persons?|guests?|of us|eaters?|adults?|kids|children|juniors|mouths?|covers?|portions?|servings?|portionen|personen|personas|personnes|raciones|comensales',
  ).source,
  'iu',
);
const PEOPLE = new RegExp(
  words(
    "serves?|feeds?|eats?|people|persons?|guests?|of us|eaters?|adults?|kids|juniors|mouths?|covers?|servings?|personen|personas|personnes|raciones|comensales|that[’']ll do|this does|enough for|plenty for",
  ).source,
  'iu',
);
/** Words that may stand around a count, and say nothing more. */
const AROUND =
  /(?<!\p{L})(?:about|around|roughly|some|approx|approximately|or|so|thereabouts|give|take|in|all|of|it|them|these|this|that|the|a|an|small|little|tiny|big|large|medium|thin|thick|good|nice|hungry|decent|you|get|i|we|me|us|ll|is|will|should|can|be|batch|recipe|batter|up|to|just|unas?|unos|etwa|ca|circa|environ|de|des|d|ein|eine|einem|mit|with|bacon|syrup|fruit|breakfast|easily|comfortably|generously|here)(?!\p{L})/giu;
/** Numbers that are words for a heap of things. */
const HEAPS: readonly (readonly [RegExp, number])[] = [
  [/\btwo dozen\b/i, 24],
  [/\bthree dozen\b/i, 36],
  [/\bhalf a dozen\b/i, 6],
  [/\b(?:a|one|une|una|ein) (?:good )?(?:dozen|douzaine|docena|dutzend)\b/i, 12],
  [/\bune dizaine\b/i, 10],
  [/\bune quinzaine\b/i, 15],
  [/\bune vingtaine\b|\buna veintena\b/i, 20],
];
const MOST_COUNT = 500;

/** A count that a part of a sentence tells by itself: every word of it is one of what is counted, or says nothing. */
function countTold(
  notes: string,
  tells: (text: string) => boolean,
  counted: readonly RegExp[],
): { readonly count: number; readonly text: string } | null {
  for (const sentence of notes.split(/(?<=[.!?])\s+|\n+/))
    for (const part of sentence.split(/\s*[,;:]\s+|\s+[–·]\s+/)) {
      const text = part.replace(/[.!?]+$/, '').trim();
      if (!tells(text)) continue;
      const heap = HEAPS.find(([re]) => re.test(text));
      let rest = heap ? text.replace(heap[0], ' ') : text;
      let count = heap?.[1] ?? null;
      if (count === null) {
        const at = text.search(
          /(?<![\p{L}\d.,/])(?:\d|one\b|two\b|three\b|four\b|five\b|six\b|seven\b|eight\b|nine\b|ten\b|eleven\b|twelve\b|fifteen\b|sixteen\b|eighteen\b|twenty\b|thirty\b)/iu,
        );
        const n = at < 0 ? null : readNumber(text.slice(at));
        if (!n) continue;
        const low = n.low.valueOf();
        count = Math.round((low + (n.high?.valueOf() ?? low)) / 2);
        rest = `${text.slice(0, at)} ${text.slice(at + n.length)}`;
      }
      for (const re of counted) rest = rest.replace(new RegExp(re.source, 'giu'), ' ');
      if (rest.replace(AROUND, ' ').replace(/[^\p{L}\d]/gu, '') !== '') continue;
      if (count >= 1 && count <= MOST_COUNT) return { count, text };
    }
  return null;
}

/** Pieces that a row says it makes; a word for making that no number follows is none. */
function claimedIn(row: string): number | null {
  for (const m of row.matchAll(new RegExp(MAKES, 'gi'))) {
    const at = row.slice(m.index + m[0].length);
    // "make a well", "makes a good cake", "half an hour": no number of pieces
    const n =
      /^(?:an?\b|half|one\b|the\b)/i.test(at) && !/^(?:an?|one)\s+(?:dozen|couple)/i.test(at) ? null : readNumber(at);
    if (!n) continue;
    const dozen = /^\s*dozen\b/i.test(at.slice(n.length)) ? 12 : 1;
    const low = dozen * n.low.valueOf();
    const high = n.high ? dozen * n.high.valueOf() : low;
    const unit =
      /^\s*-?\s*(?:cups?|g\b|ml|l\b|litres?|kg|oz|batter|portions?|servings?|people|cm\b|mm\b|inch|min(?:ute)?s?\b|hours?\b|more\b|turns?\b)/i.test(
        at.slice(n.length),
      );
    if (!unit && high >= 1 && high <= 10_000) return Math.round((low + high) / 2);
  }
  return null;
}

/** "Serves 4", "two each for two people": for how many it is meant. */
export function servingClaim(notes: string): { readonly people: number; readonly text: string } | null {
  for (const row of notes.split('\n')) {
    const m =
      /\b(?:serves|feeds?|enough for|good for|für|para|pour)\s*:?\s*(?:about\s+)?(?=\S+\s+(?:personen|portionen|personas|personnes)|(?<=\b(?:serves|feeds?|enough for|good for)\s*:?\s*(?:about\s+)?))|\b(?:breakfast|brunch) for\s+(?=(?:\d+|two|three|four|five|six|eight|ten|twelve|twenty)\b)|\b(?:for|to)\s+(?=(?:\d+|two|three|four|five|six|eight|ten|twelve)\s+(?:people|persons?|guests?|of us|eaters)\b)|\bservings?\s*:?\s*(?=\d)|(?:^|[.!]\s+)(?:does|plenty for|for a crowd of) (?=(?:\d+|two|three|four|five|six|eight|ten|twelve|twenty)\b)|\b(?:reicht für|für) (?=\d|zwei|drei|vier|fünf|sechs|acht)|(?:^|[.!]\s+)(?=\d{1,3} (?:portions?|portionen|parts|raciones|servings|covers)\b)|(?<=\d, )for (?=\d{1,3}\s*(?:[.!]|$))|(?<=, )(?=(?:two|three|four|five|six|eight) people\b)|, (?=\d{1,3} covers\b)|(?:^|[.!]\s+)(?:pour|para) (?=\d+\s*(?:[.!]|$))|(?:^|[.!,]\s+)(?=(?:\d+|two|three|four|five|six|eight|ten|twelve) of us\b)|(?:^|[.!]\s+)for (?=(?:\d+|two|three|four|five|six|eight|ten|twelve)\s*(?:[.!]|$))|(?:^|[.!]\s+)(?=(?:\d+|two|three|four|five|six|eight|ten|twelve)\s+(?:(?:hungry|good|big)\s+)?(?:people|persons|eaters|mouths|guests|adults)\b)/i.exec(
        row,
      );
    if (
      m &&
      /^\S+\s+(?:\w+\s+)?(?:cakes|pancakes|waffles|crepes|pieces|stück|waffeln|crêpes|gaufres|tortitas|gofres|blinis)(?!\p{L})/iu.test(
        row.slice(m.index + m[0].length),
      )
    )
      continue;
    const n = m
      ? readNumber(
          row
            .slice(m.index + m[0].length)
            .replace(/(?<=^\d+\s*)bis(?=\s*\d)/, '-')
            .replace(/^(?:a (?:family|party|crowd|table) of |the )/i, ''),
        )
      : null;
    const people = n ? (n.high ?? n.low).valueOf() : 0;
    if (people >= 1 && people <= 10_000) return { people, text: row.trim() };
  }
  const told = countTold(notes, (text) => PEOPLE.test(text) || /^(?:for|für|pour|para) \S+$/i.test(text), [
    PEOPLE,
    FED,
  ]);
  return told && { people: told.count, text: told.text };
}

/** Shorter than this it is a remark and no method. */
const LEAST_METHOD_CHARS = 40;

/** The method text of a card's notes, without its yield line; null when there is none to speak of. */
export function methodOf(notes: string): string | null {
  const text = notes
    .split('\n')
    .filter((row) => !/^\s*(?:makes?|serves?|yields?)\b/i.test(row))
    .join('\n')
    .trim();
  return text.length >= LEAST_METHOD_CHARS ? text : null;
}

const singular = (w: string): string => w.replace(/ies$/, 'y').replace(/(?<=[^s])s$/, '');

/** Every word of a text, in lower case and the singular. */
export function wordsOf(text: string): ReadonlySet<string> {
  // "butter the pan", "oil the griddle", "cream together": verbs name nothing
  const t = text
    .toLowerCase()
    .replace(/\b(?:butter|oil|flour|sugar)\s+(?=(?:the|a|your)\b)/g, ' ')
    .replace(/\bcream(?:y|ed|ing)?\s+(?=(?:the|together|until)\b)/g, ' ');
  return new Set((t.match(/[a-z]+/g) ?? []).flatMap((w) => [w, singular(w)]));
}

/** The things of the pantry that a text names, as singular nouns; only nouns that mean one thing in a kitchen. */
export function namesIn(text: string): ReadonlySet<string> {
  const words = wordsOf(text);
  return new Set([...kitchenNouns()].filter((n) => words.has(n)));
}
