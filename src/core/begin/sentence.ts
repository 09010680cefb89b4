/**
 * One sentence that begins a breakfast: "30 people Sunday 9, one without milk, griddle 60 by 40". It is read like a card
 * is: what each word was taken for is told, with what else it might mean, and what nobody understood is told as well.
 */
import { casual, GB } from 'chrono-node/en';
import type { KindId } from '../formula/kinds';
import type { Gear, GearSort } from '../pantry/gear';
import type { Allergen } from '../pantry/ingredient';
import { dayAfter, timeIn } from '../quantity/day';
import { readNumber } from '../quantity/number';

/** One mention of guests who eat without something: "two vegan". */
export interface Without {
  readonly allergens: readonly Allergen[];
  /** How many of them; null: everybody does. */
  readonly guests: number | null;
}

/** What a mention is called by in an address, without spaces: "2:milk+egg". */
export const mentionKey = (w: Without): string => `${w.guests ?? 'all'}:${w.allergens.join('+')}`;

/** A size that was said of something to cook on, cm. */
interface SizeSaid {
  readonly sort: GearSort;
  readonly wideCm: number;
  /** Null: it is round. */
  readonly deepCm: number | null;
}

export interface Begin {
  readonly people: number | null;
  /** Pieces for each of them. */
  readonly each: number | null;
  /** Pieces in all, where no people are counted. */
  readonly pieces: number | null;
  /** yyyy-mm-dd. */
  readonly day: string | null;
  /** Another day that the same words may mean. */
  readonly orDay: string | null;
  /** hh:mm, when it is to be ready. */
  readonly time: string | null;
  /** Another time that the same words may mean. */
  readonly orTime: string | null;
  readonly without: readonly Without[];
  /** What it is made on, of the kitchen's gear, by id. */
  readonly on: readonly string[];
  /** A size that none of the kitchen's gear has. */
  readonly sized: SizeSaid | null;
  /** What is made, as far as its kind is named. */
  readonly kind: KindId | null;
  /** Words that may be a formula's name. */
  readonly called: readonly string[];
  /** Words that are none of these, as they were written. */
  readonly unread: readonly string[];
}

const NUMBER = String.raw`(?:\d{1,4}|a dozen|two dozen|half a dozen|an?|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve|fifteen|sixteen|eighteen|twenty(?:[- ]\w+)?|thirty|forty|fifty|sixty|eighty|a hundred)`;
const HEAPS: Readonly<Record<string, number>> = {
  'a dozen': 12,
  'two dozen': 24,
  'half a dozen': 6,
  'a hundred': 100,
  a: 1,
  an: 1,
};
const numberOf = (said: string): number | null => {
  const word = said.toLowerCase();
  return HEAPS[word] ?? readNumber(word)?.low.valueOf() ?? null;
};

/** What a guest does without, by the words for it. */
const LACKS: readonly (readonly [words: string, allergens: readonly Allergen[]])[] = [
  ['milk|dairy|lactose|butter', ['milk']],
  ['eggs?', ['egg']],
  ['gluten|coeliacs?|celiacs?', ['gluten', 'wheat']],
  ['wheat', ['wheat']],
  ['peanuts?', ['peanut']],
  ['nuts?', ['tree-nut', 'peanut']],
  ['soya?', ['soy']],
  ['sesame', ['sesame']],
];
const THINGS = LACKS.map(([w]) => w).join('|');
const WHO = String.raw`(?:(${NUMBER}|every(?:body|one)|all|nobody)\s+(?:(?:of\s+(?:them|us)|guests?|people|persons?|kids?|child(?:ren)?|adults?)\s+)?(?:(?:who|that|is|are|eats?|has|have|needs?|wants?)\s+)*)?`;
/** "One without milk or egg", "no nuts", "two can't have gluten". */
const WITHOUT = new RegExp(
  String.raw`\b${WHO}(?:without|no|not|free of|allergic to|avoids?|can(?:no|[’']?)t (?:have|eat))\s+(?:any\s+)?((?:${THINGS})(?:\s*(?:,|and|or|nor)\s*(?:no\s+)?(?:${THINGS}))*)\b`,
  'gi',
);
/** "Two vegan", "one gluten-free", "a coeliac". */
const DIETS = new RegExp(
  String.raw`\b${WHO}(vegans?|coeliacs?|celiacs?|(?:${THINGS})[- ]free|lactose[- ]intolerant)\b`,
  'gi',
);
const VEGAN: readonly Allergen[] = ['milk', 'egg'];

/** Text whose read parts are blanked out, so that what is left keeps its place. */
class Rest {
  constructor(public text: string) {}
  take(at: number, length: number): void {
    this.text = this.text.slice(0, at) + ' '.repeat(length) + this.text.slice(at + length);
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

function withoutIn(rest: Rest): readonly Without[] {
  const out: Without[] = [];
  const add = (who: string | undefined, allergens: readonly Allergen[]): void => {
    const guests = who === undefined || /^(?:every|all)/i.test(who) ? null : numberOf(who);
    if (allergens.length > 0) out.push({ allergens, guests });
  };
  for (const m of rest.all(WITHOUT))
    if (!/^nobody/i.test(m[1] ?? ''))
      add(
        m[1],
        LACKS.flatMap(([w, of]) => (new RegExp(String.raw`\b(?:${w})\b`, 'i').test(m[2] ?? '') ? of : [])),
      );
  for (const m of rest.all(DIETS))
    add(
      m[1],
      /vegan/i.test(m[2] ?? '')
        ? VEGAN
        : LACKS.flatMap(([w, of]) => (new RegExp(`^(?:${w})`, 'i').test(m[2] ?? '') ? of : [])),
    );
  return out;
}

const SORTS: Readonly<Record<string, GearSort>> = {
  griddle: 'griddle',
  plate: 'griddle',
  'flat top': 'griddle',
  pan: 'pan',
  skillet: 'pan',
  iron: 'iron',
  'waffle iron': 'iron',
  'ball pan': 'ball-pan',
};
const SORT_WORDS = 'ball pan|waffle iron|flat top|griddle|plate|pan|skillet|iron';
const CM_IN_INCH = 2.54;
/** A size that is said is taken for gear that is so near to it, as a share. */
const NEAR = 0.08;

const isNear = (a: number, b: number): boolean => Math.abs(a - b) <= NEAR * Math.max(a, b);
const isSize = (g: Gear, s: SizeSaid): boolean =>
  (g.sort === 'pan' && s.sort === 'pan' && isNear(g.acrossCm, s.wideCm)) ||
  (g.sort === 'griddle' &&
    s.sort === 'griddle' &&
    s.deepCm !== null &&
    ((isNear(g.wideCm, s.wideCm) && isNear(g.deepCm, s.deepCm)) ||
      (isNear(g.deepCm, s.wideCm) && isNear(g.wideCm, s.deepCm))));

/** What it is made on: by the gear's name, by a size, or by its sort alone. */
function gearIn(rest: Rest, gear: readonly Gear[]): Pick<Begin, 'on' | 'sized'> {
  const on: string[] = [];
  for (const g of [...gear].sort((a, b) => b.name.length - a.name.length)) {
    if (!Object.values(SORTS).includes(g.sort)) continue;
    const at = rest.text.toLowerCase().indexOf(g.name.toLowerCase());
    if (at < 0) continue;
    rest.take(at, g.name.length);
    on.push(g.id);
  }
  const m =
    rest.first(
      new RegExp(
        String.raw`\b(?:(?:on|with)\s+)?(?:an?\s+|the\s+|my\s+|our\s+)?(${SORT_WORDS})\s*(?:of\s+)?(\d{2,3})\s*(?:cm\s*)?(?:by|x|×)\s*(\d{2,3})\s*(cm|in(?:ch(?:es)?)?)?\b`,
        'i',
      ),
    ) ??
    rest.first(
      new RegExp(
        String.raw`\b(?:(?:on|with)\s+)?(?:an?\s+|the\s+|my\s+|our\s+)?()(\d{1,3})()\s*[- ]?(cm|in(?:ch(?:es)?)?)\s+(${SORT_WORDS})\b`,
        'i',
      ),
    );
  const cm = m && /^in/i.test(m[4] ?? '') ? CM_IN_INCH : 1;
  const sort = m ? SORTS[(m[1] || m[5] || '').toLowerCase()] : undefined;
  const sized = m && sort ? { sort, wideCm: cm * Number(m[2]), deepCm: m[3] ? cm * Number(m[3]) : null } : null;
  const fits = sized ? gear.filter((g) => isSize(g, sized)) : [];
  on.push(...fits.map((g) => g.id));
  const named = rest.first(
    new RegExp(String.raw`\b(?:on|with)\s+(?:an?\s+|the\s+|my\s+|our\s+|both\s+)?(${SORT_WORDS})s?\b`, 'i'),
  );
  if (named && on.length === 0)
    on.push(...gear.filter((g) => g.sort === SORTS[(named[1] ?? '').toLowerCase()]).map((g) => g.id));
  return { on: [...new Set(on)], sized: fits.length > 0 ? null : sized };
}

const MINUTES_PAST: Readonly<Record<string, number>> = { 'half past': 30, 'quarter past': 15, 'quarter to': -15 };
const HOUR = String.raw`(\d{1,2}|one|two|three|four|five|six|seven|eight|nine|ten|eleven|twelve)`;
/** Breakfast is at this hour at the earliest; an hour before is of the afternoon. */
const FIRST_HOUR = 5;
const two = (n: number): string => String(n).padStart(2, '0');
/** A bare hour, as it is likely meant, and what else it may mean. */
function hourAs(h: number, min: number): Pick<Begin, 'time' | 'orTime'> {
  const at = (x: number): string => `${two((x + 24) % 24)}:${two(min)}`;
  if (h > 12 || h < 1) return { time: at(h), orTime: null };
  const later = (h % 12) + 12;
  return h < FIRST_HOUR || h === 12 ? { time: at(later), orTime: at(h % 12) } : { time: at(h), orTime: at(later) };
}

function hourIn(rest: Rest): Pick<Begin, 'time' | 'orTime'> {
  const spoken = rest.first(new RegExp(String.raw`\b(?:at\s+)?(half past|quarter past|quarter to)\s+${HOUR}\b`, 'i'));
  if (spoken) {
    const past = MINUTES_PAST[(spoken[1] ?? '').toLowerCase()] ?? 0;
    const h = numberOf(spoken[2] ?? '') ?? 0;
    return past < 0 ? hourAs(h - 1 || 12, 60 + past) : hourAs(h, past);
  }
  const exact = rest.first(
    /\b(?:at\s+|by\s+|from\s+|for\s+(?=\d{1,2}[:.]))?(\d{1,2}(?:[:.][0-5]\d)?\s*(?:am|pm|a\.m\.|p\.m\.))(?![\w])/i,
  );
  if (exact) return { time: timeIn(exact[1] ?? ''), orTime: null };
  const clock = rest.first(/\b(?:at\s+|by\s+|from\s+|for\s+)?(\d{1,2})[:.]([0-5]\d)\b/i);
  if (clock)
    return clock[1]?.startsWith('0')
      ? { time: `${two(Number(clock[1]))}:${clock[2]}`, orTime: null }
      : hourAs(Number(clock[1]), Number(clock[2]));
  const at = rest.first(
    new RegExp(String.raw`\b(?:(?:at|by|from)\s+${HOUR}|${HOUR}\s+o[’']?\s?clock)\b(?!\s*(?:%|cm|${PERSONS}))`, 'i'),
  );
  const h = at && numberOf(at[1] ?? at[2] ?? '');
  return h ? hourAs(h, 0) : { time: null, orTime: null };
}

const PERSONS =
  'people|persons?|guests?|covers?|kids?|children|adults?|juniors?|mouths?|diners?|eaters?|friends?|of us|heads?';

const MONTH = /\b(?:jan|feb|mar|apr|may|june?|july?|aug|sep|oct|nov|dec)\p{L}*\.?$/iu;
const EVENINGS = /\b(?:tonight|evening|afternoon|dinner|supper)\b/i;
const WEEKDAY = /\b(?:mon|tues?|wed|thurs?|fri|sat|sun)\p{L}*/iu;
/** What stands behind a bare number that is no hour. */
const COUNTS = `${PERSONS}|of them|vegans?|coeliacs?|celiacs?|gluten|without|by|x|×|cm|each`;

/** "The 6th": the next day of that number. */
function dayOfMonth(n: number, today: string): string | null {
  for (let k = 0; k < 62; k++) {
    const day = dayAfter(today, k);
    if (Number(day.slice(8)) === n) return day;
  }
  return null;
}

/** The words of a day at the start of what was found, without the time behind them. */
function dayWords(text: string): string {
  const words = /^(.*?)(?:,?\s+(?:at\s+)?\d{1,2}(?:[:.]\d\d)?\s*(?:am|pm)?)?$/i.exec(text)?.[1] ?? text;
  // "December 6": the number is the day's
  return MONTH.test(words) && !/\d/.test(words) ? (/^.*?\d{1,2}(?:st|nd|rd|th)?/i.exec(text)?.[0] ?? text) : words;
}

/** The day, and a bare hour right behind it: "Sunday 9". @param today yyyy-mm-dd @param now hh:mm */
function whenIn(
  rest: Rest,
  today: string,
  now: string,
  dayFirst: boolean,
): Pick<Begin, 'day' | 'orDay' | 'time' | 'orTime'> {
  const isEvening = EVENINGS.test(rest.text);
  const asMeant = (t: Pick<Begin, 'time' | 'orTime'>): Pick<Begin, 'time' | 'orTime'> =>
    isEvening && t.orTime !== null && t.orTime > (t.time ?? '') ? { time: t.orTime, orTime: t.time } : t;
  // bare numbers are people and hours: days are looked for in words and whole dates, hours below
  const found = (dayFirst ? GB : casual)
    .parse(rest.text, new Date(`${today}T00:00:00`), { forwardDate: true })
    .find((r) => r.start.isCertain('weekday') || r.start.isCertain('day'));
  if (!found) return { day: null, orDay: null, ...asMeant(hourIn(rest)) };
  const words = dayWords(found.text);
  const end = found.index + words.length;
  rest.take(found.index, words.length);
  const d = found.start.date();
  const named = WEEKDAY.test(words) && !/\d/.test(words);
  const numbered = named ? rest.first(/\bthe\s+(\d{1,2})(?:st|nd|rd|th)\b/i) : null;
  const of = numbered ? dayOfMonth(Number(numbered[1]), today) : null;
  const day = of ?? `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
  const orDay = named && of === null ? dayAfter(day, 7) : null;
  const bare = new RegExp(
    String.raw`^\s*(\d{1,2}|seven|eight|nine|ten|eleven)(?![\d:.]|\s*(?:am|pm|${COUNTS})\b)(?=\s*(?:,|$|\s))`,
    'i',
  ).exec(rest.text.slice(end));
  const h = bare ? numberOf(bare[1] ?? '') : null;
  const isHour = bare !== null && h !== null && h >= 1 && h <= 23;
  if (isHour) rest.take(end, bare[0].length);
  const at = asMeant(isHour ? hourAs(h, 0) : hourIn(rest));
  // "Sunday 9", said on a Sunday at ten, is next week's
  const isOver = orDay !== null && day === today && at.time !== null && at.time < now;
  return isOver ? { day: orDay, orDay: dayAfter(orDay, 7), ...at } : { day, orDay, ...at };
}

/** "30 people": of several counts of guests the one that is not of those who do without something. */
function peopleIn(rest: Rest): RegExpExecArray | null {
  const all = [
    ...rest.text.matchAll(
      new RegExp(String.raw`\b(${NUMBER})\s+(?:(?:hungry|more|small|big|little)\s+)?(?:${PERSONS})\b`, 'gi'),
    ),
  ];
  const lacks = (m: RegExpExecArray): boolean =>
    /^\s*(?:(?:who|that|is|are|eats?)\s+)*(?:without|no|not|can|free|allergic|avoid|vegan|coeliac|celiac|gluten)/i.test(
      rest.text.slice(m.index + m[0].length),
    );
  const m = all.find((x) => !lacks(x)) ?? all[0] ?? null;
  if (m) rest.take(m.index, m[0].length);
  return m;
}

const CAKES: readonly (readonly [words: string, kind: KindId])[] = [
  ['oven pancakes?|dutch bab(?:y|ies)', 'oven'],
  ['ball (?:pan)?cakes?|balls?', 'ball'],
  ['small (?:griddle |pan)?cakes?|silver dollars?|blinis?', 'small'],
  ['foam[- ]?(?:raised )?cakes?|souffl[eé] (?:pan)?cakes?', 'foam'],
  ['waffles?', 'waffle'],
  ['cr[eê]pes?|galettes?', 'crepe'],
  ['griddle ?cakes?|pancakes?|hot ?cakes?|flapjacks?', 'griddle'],
];
const CAKE = CAKES.map(([w]) => w).join('|');

/** Words that say nothing by themselves. */
const GLUE =
  /^(?:a|an|and|at|be|breakfast|brunch|by|coming|come|comes|cook|cooking|every|everybody|everyone|everything|for|from|get|i|in|is|it|make|making|me|morning|my|need|of|on|our|people|please|ready|served?|some|that|the|them|there|they|this|to|us|want|we|will|with|have|eat|eats|all|each|no|not|also|one|who|are|would|like|about|around|roughly|afternoon|evening|o|clock|cm)$/i;

/**
 * @param gear of this kitchen @param today yyyy-mm-dd, and @param now hh:mm, as it is there
 * @param dayFirst whether 6/12 is the sixth of December
 */
export function beginIn(said: string, gear: readonly Gear[], today: string, now: string, dayFirst = true): Begin {
  const rest = new Rest(said.slice(0, MOST_SENTENCE));
  const { on, sized } = gearIn(rest, gear);
  const when = whenIn(rest, today, now, dayFirst);
  const counted = peopleIn(rest);
  const without = withoutIn(rest);
  const eachSaid = rest.first(
    new RegExp(String.raw`\b(${NUMBER})\s+(?:each|apiece|per (?:person|head|guest|plate)|a head)\b`, 'i'),
  );
  const made = rest.first(new RegExp(String.raw`\b(?:(${NUMBER})\s+)?(${CAKE})\b`, 'i'));
  const bare =
    counted ?? rest.first(new RegExp(String.raw`\b(?:for|we are|we[’']re)\s+(${NUMBER})\b(?!\s*(?:%|cm|g|ml))`, 'i'));
  const first = bare ?? (made?.[1] ? null : rest.first(/(?<![\d:.])\b(\d{1,3})\b(?![\d:.%])/));
  const people = first ? numberOf(first[1] ?? '') : null;
  const word = (made?.[2] ?? '').toLowerCase();
  const kind = CAKES.find(([w]) => new RegExp(`^(?:${w})$`, 'i').test(word))?.[1] ?? null;
  const words = rest.text.match(/[\p{L}\d][\p{L}\d'’-]*/gu) ?? [];
  const left = words.filter((w) => !GLUE.test(w));
  return {
    people,
    each: eachSaid ? numberOf(eachSaid[1] ?? '') : null,
    pieces: made?.[1] ? numberOf(made[1]) : null,
    ...when,
    without,
    on,
    sized,
    kind,
    called: left.filter((w) => /\p{L}/u.test(w)),
    unread: left,
  };
}
/** Longer than this nobody says it in one sentence, characters. */
const MOST_SENTENCE = 300;
