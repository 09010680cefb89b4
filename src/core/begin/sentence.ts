/**
 * One sentence that begins a breakfast: "30 people Sunday 9, one without milk, griddle 60 by 40". It is read like a card
 * is: what each word was taken for is told, with what else it might mean, and what nobody understood is told as well.
 */
import type { KindId } from '../formula/kinds';
import type { Gear, GearSort } from '../pantry/gear';
import type { Allergen } from '../pantry/ingredient';
import { hideOtherHours, type WaveSaid, wavesSaidIn } from './waves';
import { hourAlone, type When, whenSaid } from './when';
import {
  CAKE,
  CAKES,
  COUNT,
  isOfAll,
  LEADS_COUNT,
  LOW_OF_RANGE,
  NUMBER,
  numberOf,
  PERSONS,
  RELATIVE,
  Rest,
  spelledRight,
} from './words';

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

export interface Begin extends When {
  readonly people: number | null;
  /** Pieces for each of them. */
  readonly each: number | null;
  /** Pieces in all, where no people are counted. */
  readonly pieces: number | null;
  readonly without: readonly Without[];
  /** Who comes after whom, where they don't come all at once; the first is at the time. Shares, until people are counted. */
  readonly waves: readonly (WaveSaid & { readonly people: number })[];
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

/** What a guest does without, by the words for it. */
const LACKS: readonly (readonly [words: string, allergens: readonly Allergen[]])[] = [
  ['milk|dairy|lactose|butter|cream|buttermilk|cheese|yogh?urt|df', ['milk']],
  ['eggs?', ['egg']],
  ['gluten|coeliacs?|celiacs?|gf', ['gluten', 'wheat']],
  ['wheat', ['wheat']],
  ['peanuts?', ['peanut']],
  ['nuts?', ['tree-nut', 'peanut']],
  ['tree[- ]nuts?|almonds?|hazelnuts?|walnuts?|pecans?|pistachios?|cashews?', ['tree-nut']],
  ['soya?', ['soy']],
  ['sesame', ['sesame']],
  ['mustard', ['mustard']],
  ['celery', ['celery']],
  ['lupins?', ['lupin']],
  ['sul(?:ph|f)ites?', ['sulphites']],
  ['fish', ['fish']],
  ['shellfish|crustaceans?|prawns?|shrimps?', ['crustacean']],
  ['mussels?|molluscs?', ['mollusc']],
];
const THINGS = LACKS.map(([w]) => w).join('|');
const THING_LIST = String.raw`(?:${THINGS})(?:\s*-?\s*(?:,|and|or|nor|&|/)\s*(?:no\s+)?(?:${THINGS}))*`;
const allergensIn = (said: string): readonly Allergen[] => [
  ...new Set(LACKS.flatMap(([w, of]) => (new RegExp(String.raw`\b(?:${w})\b`, 'i').test(said) ? of : []))),
];
/** One guest, by who it is. */
const SOMEONE = `(?:my|our|his|her|the) (?:${RELATIVE}|baby)|some(?:one|body)|s?he|another|a (?:friend|guest|neighbou?r|child|kid)`;
/** Guests of whom nobody says how many they are. */
const UNCOUNTED_FEW = 'most|some|many|several|a few';
const IS_FEW = new RegExp(`^(?:${UNCOUNTED_FEW})$`, 'i');
const WHO = String.raw`(?:(?<who>${NUMBER}|half|${UNCOUNTED_FEW}|every(?:body|one)|all|nobody|${SOMEONE})\s{1,2}(?:of\s+(?:them|us|whom|which|those|(?:the\s+|our\s+|my\s+|those\s+)?(?:(?<outOf>${COUNT})(?=\s)|guests?|kids?))\s+)?(?<persons>(?:${PERSONS})\s+)?(?:(?:who|that|is|are|eats?|has|have|had|needs?|wants?|must|both|also|an?)\s+)*)?`;
const FOR_WHOM = String.raw`(?:\s+(?:for\s+(?<forWhom>${COUNT}|half)|on\s+(?<onWhom>${COUNT})(?=\s*(?:[,;.]|$|of\b|plates?\b)))(?![\d:.]|\s*(?:am|pm)\b)(?:\s+(?:of\s+(?:them|us|(?:the\s+)?(?<ofAll>${COUNT}))|guests?|people|persons?|kids?|plates?))?)?`;
/** "One without milk or egg", "no nuts", "two can't have gluten", "no egg for three of them". */
const WITHOUT = new RegExp(
  String.raw`\b${WHO}(?:without|no|not|nothing (?:with|containing)|free (?:of|from)|allergic to|intolerant (?:of|to)|avoids?|hates?|can(?:no|[’']?)t (?:have|eat|do|take)|do(?:es)?(?:\s?n[o’']?t| not) (?:have|eat|do|take|like))\s+(?:any\s+)?(?<things>${THING_LIST})\b${FOR_WHOM}`,
  'gi',
);
/** "Two vegan", "one gluten-free", "a coeliac", "dairy free for two". */
const DIETS = new RegExp(
  String.raw`\b${WHO}(?<things>vegans?|plant[- ]based|coeliacs?|celiacs?|gf|df|${THING_LIST}[- ]free|lactose[- ]intolerant|(?:${THINGS})[- ]allerg(?:y|ic|ies))\b${FOR_WHOM}`,
  'gi',
);
/** "Two allergic to nuts, one to sesame". */
const TO_ANOTHER = new RegExp(String.raw`\b(?<who>${COUNT})\s+to\s+(?<things>${THING_LIST})\b`, 'gi');
/** "All but two eat eggs", "nobody eats milk". */
const ALL_BUT = new RegExp(
  String.raw`\b(?:(?:all|every(?:body|one))\s+(?:but|except)\s+(?:for\s+)?(?<who>${NUMBER}|${SOMEONE})|(?:nobody|no\s?one|none))\s+(?:of\s+(?:them|us)\s+)?(?:can\s+|may\s+|will\s+)?(?:eats?|ha(?:s|ve)|takes?|likes?)\s+(?<things>${THING_LIST})\b`,
  'gi',
);
const VEGAN: readonly Allergen[] = ['milk', 'egg'];

/** A mention as it is said, before it is known how many there are in all. */
interface Mention {
  readonly allergens: readonly Allergen[];
  /** "Two", "half", "my mum"; null: everybody. */
  readonly who: string | null;
  /** "Of the eight": how many there are in all. */
  readonly outOf: number | null;
  /** "Most", "some": how many is not known, so it is made without for everybody, and the word is told as not understood. */
  readonly few: string | null;
  /** They are counted as people, or told for: where nobody else is counted, these are all. */
  readonly areAll: boolean;
  /** "30 + 6 vegans", "2 vegans and 6 others": beside those who are counted. */
  readonly isMore: boolean;
}

/** Who is counted beside those who do without. */
const AND_OTHERS = new RegExp(
  String.raw`^[^.;]*?(?:\band|\bplus|[,+&])\s+(?:${COUNT}\s+(?:others|other\s+(?:${PERSONS}))|(?:normal|regular|ordinary|plain)\s+for\s+${COUNT})\b`,
  'i',
);

function mentionsIn(rest: Rest): readonly Mention[] {
  const said = rest.text;
  const isAllergic = /\b(?:allergic|intolerant)\s+to\b/i.test(rest.text);
  const found = [ALL_BUT, WITHOUT, DIETS, ...(isAllergic ? [TO_ANOTHER] : [])].flatMap((re) => rest.all(re));
  return found.flatMap(({ groups = {}, index }): readonly Mention[] => {
    const who = groups.who ?? groups.forWhom ?? groups.onWhom ?? null;
    const things = groups.things ?? '';
    const allergens = /^(?:vegan|plant)/i.test(things) ? VEGAN : allergensIn(things);
    if (allergens.length === 0 || /^nobody/i.test(who ?? '')) return [];
    const few = who !== null && IS_FEW.test(who) ? who : null;
    const isEverybody = who === null || few !== null || /^(?:every|all)/i.test(who);
    return [
      {
        allergens,
        few,
        who: isEverybody ? null : who,
        outOf: numberOf(groups.outOf ?? groups.ofAll ?? ''),
        areAll:
          groups.persons !== undefined ||
          (groups.who === undefined && groups.forWhom !== undefined) ||
          // "waffles for 6 without milk"
          /\bfor\s+(?:the\s+)?$/i.test(said.slice(0, index)),
        isMore:
          (groups.who ?? groups.forWhom) !== undefined &&
          (/(?:\+|\bplus)\s*$/i.test(said.slice(0, index)) || AND_OTHERS.test(said.slice(index))),
      },
    ];
  });
}

/** The largest number that nothing else took: of several the one that may be everybody. */
function largestIn(rest: Rest): number | null {
  const found = [...rest.text.matchAll(LOOSE)].map((m) => ({ m, n: numberOf(m[1] ?? '') ?? 0 }));
  const [most] = found.sort((a, b) => b.n - a.n);
  if (most) rest.take(most.m.index, most.m[0].length);
  return most?.n ?? null;
}

/** How many guests a mention is of. @param people in all; null: nobody has said */
function guestsOf(m: Mention, people: number | null): number | null {
  if (m.who === null) return null;
  if (/^half$/i.test(m.who)) return people === null ? null : Math.ceil(people / 2);
  return numberOf(m.who) ?? 1;
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

const GEAR_ADJECTIVES = String.raw`(?:(?:electric|cast[- ]iron|non-?stick|big|small|large|long|round|old|black|hot)\s+)*`;
const SIZED_BEHIND = new RegExp(
  String.raw`\b(?:(?:on|with|using)\s+)?(?:an?\s+|the\s+|my\s+|our\s+)?${GEAR_ADJECTIVES}(${SORT_WORDS})s?\s*(?:of\s+)?(\d{2,3})\s*(?:cm\s*)?(?:by|x|×)\s*(\d{2,3})\s*(cm|in(?:ch(?:es)?)?)?\b`,
  'i',
);
const SIZED_BEFORE = new RegExp(
  String.raw`\b(?:(?:on|with|using)\s+)?(?:an?\s+|the\s+|my\s+|our\s+)?(?:(?<count>${COUNT})\s+)?(\d{1,3})(?:\s*(?:cm\s*)?(?:by|x|×)\s*(\d{2,3}))?\s*[- ]?(cm|in(?:ch(?:es)?)?)\s+${GEAR_ADJECTIVES}(${SORT_WORDS})s?\b`,
  'i',
);
const NAMED_SORT = new RegExp(
  String.raw`(?<!\b(?:first|last)\s)\b(?:(?:on|with|using)\s+)?(?:(?:an?|the|my|our|both)\s+)?(?:(${COUNT})\s+)?${GEAR_ADJECTIVES}(${SORT_WORDS})s?\b(?![- ]?cakes?\b)`,
  'i',
);

/** A size that is said, what of the kitchen's gear has it, and the word for its sort. */
function sizeIn(rest: Rest, gear: readonly Gear[]) {
  const behind = SIZED_BEHIND.exec(rest.text);
  const m = behind ?? SIZED_BEFORE.exec(rest.text);
  if (!m) return { sized: null, fits: [], word: '' };
  const [word = '', wide, deep, unit] = behind ? m.slice(1) : [m[5], ...m.slice(2, 5)];
  const cm = /^in/i.test(unit ?? '') ? CM_IN_INCH : 1;
  const sort = SORTS[word.toLowerCase()];
  const sized = sort ? { sort, wideCm: cm * Number(wide), deepCm: deep ? cm * Number(deep) : null } : null;
  const fits = sized ? gear.filter((g) => isSize(g, sized)) : [];
  takeBehind(rest, m, m.groups?.count, fits.length);
  return { sized: fits.length > 0 ? null : sized, fits: fits.map((g) => g.id), word: word.toLowerCase() };
}

/** Gear said and counted: where more of it are asked for than there are, their number stands as not understood. */
function takeBehind(rest: Rest, m: RegExpExecArray, count: string | undefined, there: number): void {
  const tooMany = count !== undefined && there > 0 && (numberOf(count) ?? 1) > there;
  const skip = tooMany ? m[0].indexOf(count) + count.length : 0;
  rest.take(m.index + skip, m[0].length - skip);
}

/** What it is made on: by the gear's name, by a size, or by its sort alone; and the kind that such gear is for. */
function gearIn(rest: Rest, gear: readonly Gear[]): Pick<Begin, 'on' | 'sized' | 'kind'> {
  const on: string[] = [];
  for (const g of [...gear].sort((a, b) => b.name.length - a.name.length)) {
    if (!Object.values(SORTS).includes(g.sort)) continue;
    const at = rest.text.toLowerCase().indexOf(g.name.toLowerCase());
    if (at < 0) continue;
    rest.take(at, g.name.length);
    on.push(g.id);
  }
  const { sized, fits, word } = sizeIn(rest, gear);
  on.push(...fits);
  const named = NAMED_SORT.exec(rest.text);
  const sort = (named?.[2] ?? '').toLowerCase();
  if (named) {
    const there = gear.filter((g) => g.sort === SORTS[sort]).map((g) => g.id);
    takeBehind(rest, named, named[1], there.length);
    if (on.length === 0) on.push(...there);
  }
  const isFor = (of: string): boolean => word === of || sort === of;
  return { on: [...new Set(on)], sized, kind: isFor('waffle iron') ? 'waffle' : isFor('ball pan') ? 'ball' : null };
}

const OTHERS = String.raw`(?:my\s+|a\s+|our\s+)?(?:(${COUNT})\s+)?(?:other\s+)?(?:(${RELATIVE})|${PERSONS})\b`;
/** "Me and three friends", "my wife and me". */
const WITH_ME = [
  new RegExp(String.raw`\b(?:me|myself|i)\s+(?:and|plus|\+|&)\s+${OTHERS}`, 'i'),
  new RegExp(String.raw`\b${OTHERS}\s+(?:and|plus|\+|&)\s+(?:me|myself|i)\b`, 'i'),
];
const UNCOUNTED = new RegExp(
  String.raw`\b(?:my|our|the)\s+(?:${RELATIVE}|parents|kids|children|family|friends)\b`,
  'i',
);
const ALONE = /\b(?:just|only)\s+me\b|\b(?:me|myself)\s+alone\b|\bfor\s+me\b(?!\s+and)/i;
const GROUP = new RegExp(
  String.raw`\b(?:(?:an?|the|our|my)\s+)?(?:party|family|crowd|group|class|table|team|crew|bunch|total)\s+of\s+(${COUNT})\b(?:\s+(?:${PERSONS})\b)?`,
  'i',
);
const COUNTED = new RegExp(
  String.raw`\b(?:${LOW_OF_RANGE})?(${COUNT}|(?<=(?:and|plus|[,+&])\s+)an?(?=\s))\s*(?:of\s+)?(?:(?:hungry|more|small|big|little|other)\s+)?(${PERSONS})\b`,
  'gi',
);
const COUPLES = new RegExp(String.raw`\b(${COUNT})\s+couples\b`, 'i');
/** "8 in all". */
const IN_ALL = new RegExp(
  String.raw`\b(${COUNT})\s+(?:(?:${PERSONS})\s+)?(?:in (?:all|total)|altogether|all told|total)\b`,
  'i',
);
/** "Two of them children": a part of those who were counted. */
const PART_OF = new RegExp(
  String.raw`\b(?:including\s+)?(?:${COUNT}|half|most|some)\s+of\s+(?:them|whom|us)\s+(?:(?:is|are)\s+)?(?:an?\s+)?(?:${PERSONS})\b`,
  'gi',
);

/** How many eat, as far as a word says that it counts people. */
function peopleIn(rest: Rest): number | null {
  rest.all(PART_OF);
  for (const re of WITH_ME) {
    const m = rest.first(re);
    // "my parents, my sister and me": how many that is, nobody says
    if (m && UNCOUNTED.test(rest.text)) return null;
    if (m && (m[1] !== undefined || m[2] !== undefined)) return 1 + (numberOf(m[1] ?? 'one') ?? 1);
  }
  if (rest.first(ALONE)) return 1;
  const couples = rest.first(COUPLES);
  if (couples) return 2 * (numberOf(couples[1] ?? '') ?? 1);
  const inAll = rest.first(IN_ALL);
  if (inAll) {
    rest.all(COUNTED);
    return numberOf(inAll[1] ?? '');
  }
  const group = rest.first(GROUP);
  return sumOfCounted(rest, group && numberOf(group[1] ?? ''));
}

/** All that are counted, by whatever word. @param group a party of so many, to which others may be added */
function sumOfCounted(rest: Rest, group: number | null): number | null {
  let sum = group;
  let ofAll = group !== null;
  for (const m of rest.text.matchAll(COUNTED)) {
    const n = numberOf(m[1] ?? '') ?? 0;
    const joined = /(?:\band|\bplus|[+&])\s*$/i.test(rest.text.slice(0, m.index));
    // "six of us, two children": the children are of the six
    if (sum !== null && ofAll && !joined) continue;
    sum = (sum ?? 0) + n;
    ofAll ||= isOfAll(m[2] ?? '');
  }
  rest.all(COUNTED);
  return sum;
}

/** Words that say nothing by themselves. */
const GLUE =
  /^(?:a|an|and|at|be|breakfast|brekk(?:ie|y)|brunch|by|coming|come|comes|cook|cooking|every|everybody|everyone|everything|family|for|from|get|group|guests?|hungry|i|in|is|it|just|kids?|make|making|me|morning|my|need|now|of|on|only|our|out|party|people|please|plus|ready|serve|served?|serving|some|that|the|them|then|there|they|this|to|us|want|we|who|whom|which|will|with|have|eat|eats|all|each|no|not|also|one|are|would|like|about|around|roughly|afternoon|evening|o|clock|cm|can|you|plan|having|start|begin|lunch|supper|dinner|total|altogether|we[’']?re|including|incl|among|normal|regular|ordinary|eating|gets?|feed|feeding|whole|sharp|time|waves?|sittings?|seatings?|day|days|latest|up|least|most|more|than|maximum|max|maybe|perhaps|probably|cakes?|[’']?ll|we[’'](?:ll|re)|i[’'](?:ll|m)|there[’'](?:ll|s))$/i;

const EACH = new RegExp(
  String.raw`\b(${NUMBER})(\s+(?:(?:${CAKE}|pieces?|cakes?)\s+)?)(each|apiece|(?:per|a)\s+(?:person|head|guest|plate|child|kid|cover)|for (?:each|every)(?:one|body)?)\b`,
  'i',
);
const EACH_GETS = new RegExp(String.raw`\b(?:each|everybody|everyone)\s+(?:gets?|has|have|eats?)\s+(${COUNT})\b`, 'i');
/** "24 pieces": in all. */
const PIECES = new RegExp(
  String.raw`\b(${COUNT})\s*(?:pieces?|pcs)\b(?:\s+of\b)?|^\s*(?:make|cook|bake|fry)\s+(${COUNT})\s*$`,
  'i',
);
/** "20 people x 2 pancakes". */
const TIMES = new RegExp(
  String.raw`\b(${COUNT})\s*(?:(?:${PERSONS})\s*)?(?:x|×|times)\s*(${COUNT})\b(?!\s*(?:cm|inch|in\b))`,
  'i',
);
const FOR_SO_MANY = new RegExp(
  String.raw`\b(?:for|${LEADS_COUNT}|we will be|we[’']ll be|there (?:are|will be)|there[’']ll be)\s+(?:about\s+|around\s+|the\s+)?(${COUNT})\b(?!\s*(?:%|cm|g\b|ml|pieces?|${CAKE}|[:.]\d|am\b|pm\b))`,
  'i',
);
/** A number that nothing else took. */
const LOOSE = new RegExp(
  String.raw`(?<![\d:.,])\b(?!one\b|a\b(?! dozen| couple| hundred))(?:${LOW_OF_RANGE})?(${COUNT})\b(?![\d:.,%]*\d|%)`,
  'gi',
);
const MADE = new RegExp(
  String.raw`(?:(?<!\b(?:of|${LEADS_COUNT}|breakfast for)\s)\b(${NUMBER})\s+)?\b(${CAKE})\b`,
  'i',
);
const kindOf = (word: string): KindId | null =>
  CAKES.find(([w]) => new RegExp(`^(?:${w})$`, 'i').test(word))?.[1] ?? null;

/** How many for each, and how many people where one product tells both. */
function eachIn(rest: Rest): { readonly each: number | null; readonly people: number | null } {
  const times = rest.first(TIMES);
  if (times) return { people: numberOf(times[1] ?? ''), each: numberOf(times[2] ?? '') };
  const gets = rest.first(EACH_GETS);
  if (gets) return { people: null, each: numberOf(gets[1] ?? '') };
  const m = EACH.exec(rest.text);
  if (!m) return { each: null, people: null };
  // what is made is named between the two
  const [count = '', between = '', each = ''] = m.slice(1);
  rest.take(m.index, count.length);
  rest.take(m.index + count.length + between.length, each.length);
  return { each: numberOf(count), people: null };
}

/** Waves of which nobody says how many come to each: as many to one as to the other; one to each where nobody is counted. */
const shared = (waves: readonly WaveSaid[], people: number): Begin['waves'] =>
  waves.map((w, n) => ({
    ...w,
    people: w.people ?? Math.round((people * (n + 1)) / waves.length) - Math.round((people * n) / waves.length),
  }));

/**
 * @param gear of this kitchen @param today yyyy-mm-dd, and @param now hh:mm, as it is there
 * @param dayFirst whether 6/12 is the sixth of December
 */
export function beginIn(said: string, gear: readonly Gear[], today: string, now: string, dayFirst = true): Begin {
  const rest = new Rest(spelledRight(said.slice(0, MOST_SENTENCE)));
  const { on, sized, kind: madeIn } = gearIn(rest, gear);
  const waves = wavesSaidIn(rest);
  const putHoursBack = waves.length > 0 ? undefined : hideOtherHours(rest);
  const when = whenSaid(rest, today, now, dayFirst);
  const each = eachIn(rest);
  const mentions = mentionsIn(rest);
  const pieces = rest.first(PIECES);
  const made = rest.first(MADE);
  const inWaves = waves.reduce((sum, w) => sum + (w.people ?? 0), 0);
  // where nobody else is counted, those who do without are all there are
  const told =
    (inWaves || null) ??
    peopleIn(rest) ??
    each.people ??
    mentions.find((m) => m.outOf !== null)?.outOf ??
    numberOf(rest.first(FOR_SO_MANY)?.[1] ?? '') ??
    null;
  const all = told === null ? mentions.find((m) => m.areAll) : undefined;
  const counted = told ?? (all ? guestsOf(all, null) : null);
  // "an oven pancake, a dozen guests"
  const isOne = /^an?$/i.test(made?.[1] ?? '') && rest.text.search(LOOSE) >= 0;
  const count = (isOne ? undefined : made?.[1]) ?? pieces?.[1] ?? pieces?.[2];
  const more =
    counted === null ? 0 : mentions.reduce((sum, m) => sum + (m.isMore ? (guestsOf(m, counted) ?? 0) : 0), 0);
  const people = counted === null ? (count === undefined ? largestIn(rest) : null) : counted + more;
  const hour = when.time === null && people !== null ? hourAlone(rest) : null;
  rest.all(/\bor (?:so|thereabouts)\b/gi);
  putHoursBack?.();
  const words = rest.text.match(/[\p{L}\d](?:[\p{L}\d'’-]|(?<=\d)[:.](?=\d))*/gu) ?? [];
  const left = [...mentions.flatMap((m) => m.few ?? []), ...words.filter((w) => !GLUE.test(w))];
  return {
    people,
    each: each.each,
    pieces: count === undefined ? null : numberOf(count),
    ...when,
    ...hour,
    waves: shared(waves, people ?? waves.length),
    without: mentions.map((m) => ({ allergens: m.allergens, guests: m === all ? null : guestsOf(m, people) })),
    on,
    sized,
    kind: kindOf((made?.[2] ?? '').toLowerCase()) ?? madeIn,
    called: left.filter((w) => /\p{L}/u.test(w)),
    unread: left,
  };
}
/** Longer than this nobody says it in one sentence, characters. */
const MOST_SENTENCE = 300;
