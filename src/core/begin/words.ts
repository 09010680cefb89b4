/** What the parts of a beginning sentence share: numbers as they are said, who eats, and a text that is read piece by piece. */
import { distance } from 'fastest-levenshtein';
import type { KindId } from '../formula/kinds';
import { readNumber } from '../quantity/number';

const ONES = 'one|two|three|four|five|six|seven|eight|nine';
const TENS = 'twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety';
const UP_TO_99 = `(?:${TENS})(?:[- ](?:${ONES}))?|${ONES}|ten|eleven|twelve|thirteen|fourteen|fifteen|sixteen|seventeen|eighteen|nineteen`;
const COUNTED = String.raw`\d{1,2},\d{3}|(?:half a|an?|\d{1,2}|${ONES}) dozen|\d{1,4}|(?:an? |(?:${ONES}) )?hundred(?: (?:and )?(?:${UP_TO_99}))?|a couple|${UP_TO_99}`;
/** A count, without the article that may be one of something. */
export const COUNT = `(?:${COUNTED})`;
export const NUMBER = `(?:${COUNTED}|an?)`;
/** "10 to", "10-": before the most of a range; the hyphen of "twenty-five" begins none. */
export const LOW_OF_RANGE = String.raw`${COUNT}\s*(?:–|to|or)\s*|\d{1,4}\s*-\s*(?=\d)`;
/** Before how many there are: "feed 20", "we are seven". */
export const LEADS_COUNT = "feed(?:s|ing)?|we are|we[’']re";
const DOZEN = 12;
const SAID: Readonly<Record<string, number>> = { 'half a': 0.5, 'a couple': 2, hundred: 100, a: 1, an: 1 };
/** A number as one of these patterns finds it; null: it is none. */
export function numberOf(said: string): number | null {
  const word = said
    .toLowerCase()
    .replace(/(?<=\d),(?=\d{3})/, '')
    .replace(/^(?:an? )?hundred (?=\S)/, 'one hundred ');
  const dozens = /^(.+) dozen$/.exec(word)?.[1];
  if (dozens) return DOZEN * (numberOf(dozens) ?? 1);
  return SAID[word] ?? readNumber(word)?.low.valueOf() ?? null;
}

/** Who all of them may be. */
const EVERYBODY =
  'people|ppl|persons?|pers|pax|folks?|guests?|covers?|mouths?|diners?|eaters?|heads?|of us|portions?|plates?|servings?';
/** Who some of them are beside others. */
const SOME_OF_THEM =
  'kids?|child(?:ren)?|bab(?:y|ies)|adults?|grown-?ups?|teens|teenagers?|toddlers?|juniors?|seniors?|friends?|cousins?|neighbou?rs?|scouts?|campers?|pupils?|students?|players?|rowers?|walkers?|hikers?|runners?|swimmers?|volunteers?|members|colleagues?|visitors?|girls?|boys?|men|women|ladies|lads|crew|staff|parents?|grandparents?|grandchildren|in-laws|relatives|others';
export const PERSONS = `${EVERYBODY}|${SOME_OF_THEM}`;
/** Whether a word is of all that eat, and no part of them: "six of us, two children" are six. */
export const isOfAll = (persons: string): boolean => new RegExp(`^(?:${EVERYBODY})$`, 'i').test(persons);

/** One of the household: "my mum", "me and a friend". */
export const RELATIVE =
  'wife|husband|partner|mum|mom|dad|mother|father|sister|brother|son|daughter|girlfriend|boyfriend|flatmate|friend|neighbou?r|boss|aunt|uncle|niece|nephew|nan|gran(?:ny|dma|dpa|dad)?';

/** What is made, by the words for its kind. */
export const CAKES: readonly (readonly [words: string, kind: KindId])[] = [
  ['oven pancakes?|dutch bab(?:y|ies)', 'oven'],
  ['ball (?:pan)?cakes?|balls?', 'ball'],
  ['small (?:griddle |pan)?cakes?|silver[- ]dollars?(?: (?:pan)?cakes?)?|blinis?', 'small'],
  ['foam[- ]?(?:raised )?cakes?|souffl[eé] (?:pan)?cakes?', 'foam'],
  ['waffles?', 'waffle'],
  ['cr[eê]pes?|galettes?', 'crepe'],
  ['griddle ?cakes?|pancakes?|hot ?cakes?|flapjacks?', 'griddle'],
];
export const CAKE = CAKES.map(([w]) => w).join('|');

/** Words that decide what a sentence says, as they are spelled; one letter missed or two changes none of them. */
const SPELLED = 'tomorrow tuesday wednesday thursday saturday breakfast pancakes waffles without children people'.split(
  ' ',
);
const LONG = 8;
/** A sentence with these words spelled right, "2x" without its sign, "8@8" with its word. */
export const spelledRight = (said: string): string =>
  said
    .replace(/\p{L}{5,}/gu, (word) => {
      const low = word.toLowerCase();
      return SPELLED.includes(low)
        ? word
        : (SPELLED.find(
            (w) => w[0] === low[0] && distance(w, low) <= (w.length >= LONG ? 2 : 1) && low.at(-1) === w.at(-1),
          ) ?? word);
    })
    .replace(/\b(?:2mor\p{L}+|tmrw?|tmw|tomoz)\b/giu, 'tomorrow')
    .replace(/(?<=\d|^|[\s,;])\s?@\s?(?=\d)/g, ' at ')
    // a dash between two things, and no range
    .replace(
      /(?<!\d)\s[-–—]\s|\s[-–—]\s(?!\d)|(?<=\b(?:for|of|feeds?|are) \d{1,3})\s[-–—]\s(?=\d{1,2}(?::\d\d| ?[ap]m\b))|\s[-–—]\s(?=\d{1,2}(?:st|nd|rd|th)? (?:jan|feb|mar|apr|may|jun|jul|aug|sep|oct|nov|dec))/gi,
      ', ',
    )
    .replace(/\b(\d{1,3})x(?=\s+\p{L})/gu, '$1 ');

/** Text whose read parts are blanked out, so that what is left keeps its place. */
export class Rest {
  constructor(public text: string) {}
  take(at: number, length: number): void {
    this.text = this.text.slice(0, at) + ' '.repeat(length) + this.text.slice(at + length);
  }
  /** Writes over what stands there. */
  put(at: number, text: string): void {
    this.text = this.text.slice(0, at) + text + this.text.slice(at + text.length);
  }
  /** The first match, blanked out. */
  first(re: RegExp): RegExpExecArray | null {
    const m = re.exec(this.text);
    if (m) this.take(m.index, m[0].length);
    return m;
  }
  all(re: RegExp): readonly RegExpExecArray[] {
    const found = [...this.text.matchAll(re)];
    for (const m of found) this.take(m.index, m[0].length);
    return found;
  }
}
