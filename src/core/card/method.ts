/**
 * What stands around the lines of a card, read for what can be checked: the yield it claims and the things its method
 * uses.
 */
import { kitchenNouns } from '../pantry/nouns';
import { readNumber } from '../quantity/number';
import { anyWord } from './told/words';

interface YieldClaim {
  readonly pieces: number;
  readonly text: string;
}

const EACH_FOR = /\b(\d+|one|two|three|four|five|six)\s+each\s+for\s+(\d+|two|three|four|five|six|eight|ten|twelve)\b/i;
/** "Makes about 24": pieces it claims. "Serves 8" claims people, not pieces, and is not tested. */
export function yieldClaim(notes: string): YieldClaim | null {
  for (const row of notes.split('\n')) {
    const each = EACH_FOR.exec(row);
    const [pieces, people] = each ? [readNumber(each[1] ?? ''), readNumber(each[2] ?? '')] : [null, null];
    if (pieces && people) return { pieces: Math.round(pieces.low.valueOf() * people.low.valueOf()), text: row.trim() };
  }
  const tells = (text: string): boolean =>
    (MADE.test(text) && !/\benough for\b/i.test(text)) || PIECES.test(text) || ABOUT_SO_MANY.test(text);
  const told = countAfter(notes, MAKES, NO_PIECES, false) ?? countTold(notes, tells, [PIECES, MADE]);
  return told && told.count > 1 ? { pieces: told.count, text: told.text } : null;
}

/** Pieces, as they are called. */
const PIECES = anyWord(
  'pcs|pièces?|squares?|dosas?|cones?|balls?|scones?|waffles?|pancakes?|cakes?|crepes?|crêpes?|pieces?|rounds?|blinis?|galettes?|gaufres?|gofres?|tortitas?|filloas?|stück|waffeln?|pfannkuchen|palatschinken|eierkuchen|panqueques?|hotcakes?|fritters?|pikelets?|crumpets?|piezas?|slices?|wedges?',
);
/** That so many are made of it. */
const MADE = anyWord(
  "makes?|making|yields?|gives|i reckon on|da para|you(?:[’']ll)? get|you will get|you should get|i get|we get|comes? (?:out )?of|comes? out|cuts? in(?:to)?|divides? into|ergibt|ergeben|rinde|salen|sale|donne|out of (?:that|it|this)|from (?:that|it|this)",
);
/** "Twelve or so": a number of what the card makes, and nothing else. */
const ABOUT_SO_MANY =
  /\b(?:or so|or thereabouts|give or take|of them)\b|^(?:about|around|roughly|some|environ|unas?|unos|etwa|ca\.?) \S+(?: (?:small|little|large|big|thin|good) ones| ones)?$|^\d{1,3} environ$/iu;
/** For whom it is. */
const FED = anyWord(
  'serves?|feeds?|eats?|does|do|for|enough for|plenty for|reicht für|für|para|pour|people|persons?|guests?|of us|eaters?|adults?|kids|children|juniors|mouths?|covers?|portions?|servings?|portionen|personen|personas|personnes|raciones|comensales',
);
const PEOPLE = anyWord(
  "serves?|feeds?|eats?|servings?|people|persons?|guests?|of us|eaters?|adults?|kids|juniors|mouths?|covers?|personen|personas|personnes|raciones|porciones|comensales|portions?|portionen|parts|that[’']ll do|this does|enough for|plenty for|good for|breakfast for|brunch for|reicht für|family of|crowd of|table of|party of",
);
/** Words that may stand around a count, and say nothing more. */
const AROUND =
  /(?<!\p{L})(?:about|around|roughly|some|approx|approximately|or|so|thereabouts|give|take|in|all|of|it|them|these|this|that|s|the|a|an|small|mini|little|tiny|sized|petites?|petits?|grandes?|grosses?|belles?|kleine|große|pequeñas?|big|large|medium|thin|thick|good|nice|hungry|decent|you|get|i|we|me|us|ll|is|will|should|can|be|batch|recipe|batter|up|to|just|unas?|unos|etwa|ca|circa|environ|de|des|d|ein|eine|einem|mit|with|bacon|syrup|fruit|breakfast|easily|comfortably|generously|here|ones?|enough|for|from|out|pour|für|para|family|crowd|table|party|serve|at|once)(?!\p{L})/giu;
/** Numbers that are words for a heap of things. */
const HEAPS: readonly (readonly [RegExp, number])[] = [
  [/\bhalf a dozen\b/i, 6],
  [/\b(?:a|one|une|una|ein) (?:good )?(?:dozen|douzaine|docena|dutzend)\b/i, 12],
  [/\bune dizaine\b/i, 10],
  [/\bune quinzaine\b/i, 15],
  [/\bune vingtaine\b|\buna veintena\b/i, 20],
];
const MOST_COUNT = 10_000;
const A_NUMBER =
  /(?<![\p{L}\d.,/])(?:\d|(?:one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fifteen|sixteen|eighteen|twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety|zwei|drei|vier|sechs|acht|zehn|deux|trois|quatre|dos|tres|cuatro)\b)/iu;
/** Parts of a sentence; what stands behind a colon is apart where a number stands before it: "for four: 200 g flour". */
const partsOf = (sentence: string): readonly string[] => {
  const [head = '', ...more] = sentence.replace(/(?<=\d\s*)bis(?=\s*\d)/g, '-').split(/:\s+/);
  const parted = A_NUMBER.test(head) ? [head, more.join(': ')] : [[head, ...more].join(': ')];
  return parted.flatMap((p) => p.split(/\s*[,;()]\s*(?!\d{3}\b)|\s+[–·]\s+/));
};

/** The number that a text tells, and what is left of the text without it. @param most of a range, its end */
function countIn(text: string, most: boolean): { readonly count: number; readonly rest: string } | null {
  const heap = HEAPS.find(([re]) => re.test(text));
  if (heap) return { count: heap[1], rest: text.replace(heap[0], ' ') };
  const at = text.search(A_NUMBER);
  const n = at < 0 ? null : readNumber(text.slice(at));
  if (!n) return null;
  // "2 dozen"
  const dozen = /^\s*dozen\b/i.exec(text.slice(at + n.length))?.[0] ?? '';
  const per = dozen === '' ? 1 : 12;
  const low = per * n.low.valueOf();
  const high = n.high ? per * n.high.valueOf() : low;
  const rest = `${text.slice(0, at)} ${text.slice(at + n.length + dozen.length)}`;
  return { count: most ? high : Math.round((low + high) / 2), rest };
}

/** "Makes about 12", "yield: 12": the number stands behind the word for it, whatever follows. */
const MAKES =
  /\b(?:makes?|yields?|gives?(?: (?:me|us|you))?|ergibt|rinde|salen|donne(?:nt)?|da para|i get|i reckon on|you(?:[’']ll| will| should| can)? get)\s*:?\s*/giu;
/** What so many of are no pieces. */
const NO_PIECES =
  /^\s*-?\s*(?:cups?|g\b|ml|l\b|litres?|kg|oz|batter|portions?|servings?|people|cm\b|mm\b|inch|min(?:ute)?s?\b|hours?\b|more\b|turns?\b)/i;
/** And the same of people. */
const SERVES = /\b(?:serves|feeds?|plenty for|crowd of|enough for|good for|breakfast for|brunch for|servings?:)\s*/gi;
const NO_PEOPLE = new RegExp(`^\\s*(?:\\p{L}+ )?${PIECES.source}`, 'iu');
const ROUGHLY =
  /^(?:about|approx\.?|around|some|up to|the|a (?:family|party|crowd|table) of|etwa|ca\.?|environ|unas?|unos)\s+/i;

/** The count behind a word for it, unless what follows is something else. @param most of a range, its end */
function countAfter(
  notes: string,
  word: RegExp,
  not: RegExp,
  most: boolean,
): { readonly count: number; readonly text: string } | null {
  for (const m of notes.matchAll(word)) {
    const [said = ''] = notes
      .slice(m.index + m[0].length)
      .replace(ROUGHLY, '')
      .split(/[.!?;()\n]|,(?!\d)/);
    // "make one well" makes nothing
    if (/^(?:half an?|one)\b/i.test(said) && !/^one dozen\b/i.test(said)) continue;
    const told =
      said.search(A_NUMBER) === 0 || HEAPS.some(([re]) => said.search(re) === 0) ? countIn(said, most) : null;
    if (told && told.count >= 1 && told.count <= MOST_COUNT && !not.test(told.rest))
      return {
        count: told.count,
        text:
          notes
            .slice(m.index)
            .split(/[.!?\n]/)[0]
            ?.trim() ?? '',
      };
  }
  return null;
}

/** A count that a part of a sentence tells by itself: every word of it is one of what is counted, or says nothing. */
function countTold(
  notes: string,
  tells: (text: string) => boolean,
  counted: readonly RegExp[],
  most = false,
): { readonly count: number; readonly text: string } | null {
  const left = (rest: string): string =>
    counted
      .reduce((t, re) => t.replace(new RegExp(re.source, 'giu'), ' '), rest)
      // how wide they are is told beside it
      .replace(/\S+[- ](?:inch|cm|centimet(?:re|er)s?)\b/gi, ' ')
      .replace(AROUND, ' ')
      .replace(/[^\p{L}\d]/gu, '');
  for (const sentence of notes.split(/(?<=[.!?])\s+|\n+/))
    for (const part of partsOf(sentence)) {
      const text = part.replace(/[.!?]+$/, '').trim();
      const told = tells(text) ? countIn(text, most) : null;
      if (told && told.count >= 1 && told.count <= MOST_COUNT && left(told.rest) === '')
        return { count: told.count, text };
    }
  return null;
}

/** "Serves 4", "two each for two people": for how many it is meant. */
export function servingClaim(notes: string): { readonly people: number; readonly text: string } | null {
  const counted =
    /(?<!\p{L})(?:for|pour|für|para) (\S+) (?:people|persons|personnes|personen|personas)(?!\p{L})/iu.exec(notes);
  const many = counted && readNumber(counted[1] ?? '');
  if (counted && many) return { people: (many.high ?? many.low).valueOf(), text: counted[0] };
  const each = EACH_FOR.exec(notes);
  const fed = each && readNumber(each[2] ?? '');
  if (each && fed) return { people: fed.low.valueOf(), text: each[0] };
  const told =
    countAfter(notes, SERVES, NO_PEOPLE, true) ??
    countTold(
      notes,
      (text) => PEOPLE.test(text) || /^(?:for|für|pour|para|feeds|does) (?:about )?(?:the )?\S+$/i.test(text),
      [PEOPLE, FED],
      true,
    );
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
