/**
 * A card: free text with a title, headings, ingredient lines, a yield and a method around them. Each row of the text
 * ends up in one place: the title, a section's heading, the ingredient lines, or set aside with the reason. Nothing is
 * dropped.
 */

import type { KitchenConventions } from '../pantry/conventions';
import { lookUp } from '../pantry/lookup';
import type { Language } from '../pantry/tables/other-names';
import { readAmount } from '../quantity/amount';
import { capital } from '../quantity/say';
import type { Result } from '../result';
import { stripBullet } from './bullet';
import { doubtFractions } from './doubt';
import { DISH, headingShape, type Role, roleOf } from './headings';
import { COUNT_WORDS, endsInAmount, itemsIn, measuredIn } from './items';
import { languagesIn } from './language';
import { type Line, readLine } from './line';
import { servingClaim, yieldClaim } from './method';
import type { Use, Vessel } from './parts';
import { A_MEASURE, CLOCK, DOES, enoughIn, isClean, isMeasure, putRight, thingsNamed, toldIn } from './prose';
import { inGrams } from './shares';
import { withoutLead } from './split';
import { clausesOf } from './told/clause';
import { portionsTold } from './told/portion';
import {
  cardAsRead,
  DOING,
  firstWord,
  LEAST_TALK_CHARS,
  rowAsRead,
  SHORTENED,
  TABLE_HEAD,
  withColumnUnits,
} from './writing';

interface CardLine extends Line {
  /** 1-based line of the text. */
  readonly lineNumber: number;
  /** The section it stands in. */
  readonly section: string;
}

interface SetAside {
  readonly lineNumber: number;
  readonly text: string;
  readonly why: 'heading' | 'yield' | 'method' | 'note';
}

/** Lines under one heading, and where they go. */
export interface Section {
  readonly id: string;
  /** As written, without its marks; null: what stands above the first heading. */
  readonly heading: string | null;
  readonly role: Role;
  /** A heading whose words are not understood: where its lines go is a guess, and asked. */
  readonly asked: boolean;
}

export interface Card {
  readonly title: string | null;
  readonly lines: readonly CardLine[];
  readonly ignored: readonly SetAside[];
  readonly sections: readonly Section[];
}

export interface CardTooLong {
  readonly chars: number;
  readonly message: string;
}

/** A card longer than this is no card. */
export const MOST_CARD_CHARS = 60_000;
const MOST_CARD_LINES = 1_500;

const YIELD =
  /^(?:(?:serves|makes|yields?|servings?|feeds|portions?|for|enough for)\b\s*:?\s*(?:about\s+|approx\.?\s+|around\s+)?(?:\d|one\b|two\b|three\b|four\b|five\b|six\b|eight\b|ten\b|twelve\b|a dozen)(?!.*\b(?:pan|griddle|iron)\b(?![\s-]*cakes?\b))|(?:about\s+)?\d+(?:\s*(?:-|–|to)\s*\d+)?\s+(?:servings?|portions?|pancakes|waffles|crepes|pieces|people|guests|persons?|personen|personnes|personas|persone|personer|portionen|st[uü]ck)\s*\.?$|(?:für|fur|pour|para|per|voor|til|till)\s+(?:\d+|ca\.?\s*\d+)\s+\p{L}+\s*:?$)/iu;
const TIMES =
  /^(?:notes?|tips?|remember|nb|n\.b\.|ps|important|warning|prep(?:aration)?(?: time)?|cook(?:ing)?(?: time)?|total(?: time)?|active|rest(?:ing)?|ready|oven|temperature|heat|difficulty|level|source|from|by|cuisine|course|category|date|author|rating|equipment)\b[^,]{0,24}:/i;
/** "and then you just whisk it": who does it, before what is done. */
const TOLD =
  /^(?:(?:and|then|so|now|next|after that|once|ok|well)[,\s]+)*(?:you|i|we|they|one)(?:[’']ll|[’']d)?\s+(?:(?:just|then|can|should|always|simply|want to|need to|have to|gently|now|also|usually|must|may|will)\s+)*/i;

/** How much of the batter is poured for a piece, and how it is spread. */
const A_PORTION =
  /\b(?:each|ea|apiece|per (?:piece|pancake|waffle|crepe|cake)|goes in|in the middle|tilt|swirl|spread|roll it round|lid (?:on|down))\b/i;

/** "Iron at 200 C, 4 minutes", "griddle 375", "medium heat": what is heated and how far, or how long. */
const AT_THE_HEAT =
  /^(?:(?:hot|medium|low|high|moderate|preheated|waffle|cast[\s-]iron|dry|buttered|greased|oiled)[\s-]+)*(?:irons?|griddle|pan|skillet|oven|heat)\b|\d\s*(?:min(?:ute)?s?|mins?|secs?|seconds?|hours?|hrs?|°|degrees)(?!\p{L})/iu;

/** "Two big spoons each", "70 ml, ten across the top": a portion, and nothing that it is of. */
const A_PORTION_ALONE =
  /^(?:(?:an?|one|two|three|half|\d+)\s+)?(?:(?:big|small|large|heaped|good|level)\s+)?(?:(?:table|dessert|tea)?spoon|ladle|scoop)(?:ful)?s?\s+(?:each|apiece|a piece|per (?:piece|cake|pancake))\b|^\d+ ?ml(?:$|,(?!.*\bof\b)| (?:scoops?|ladles?|dishers?|portions?)\b)|^(?:about |around |roughly )?(?:an?|one|half|two|[\d½¼¾⅓⅔]+)(?:[\s-]+(?:a|of a|half|quarter|third|thirds))*[\s-]+(?:cups?|ladles?|scoops?|ml)\s+(?:for\s+)?(?:each|every|apiece|per)\b(?!\s+of\b)|^(?:(?:a|about|just|heaped|generous|scant|level|full)\s)*(?:\d\/\d|[½¼⅓⅔¾]|quarter|third|half|two[- ]thirds)(?: of a)?[ -]cups?(?: goes in| in (?:each|either)\b.*)?$/i;

function isMethod(said: string): boolean {
  if (/^step\s*\d{1,2}\b/i.test(said)) return true;
  // "in another bowl three eggs": an amount once the words that lead it in are off
  const bare = /^[\d½¼¾⅓⅔⅛]/u.test(said) ? said : withoutLead(said);
  const t = bare !== said && readAmount(bare) ? bare : said;
  if (/^[\d½¼¾⅓⅔⅛.]/u.test(t)) {
    if (CLOCK.test(t) || /^\d{3}\s*[CF]\b/.test(t)) return true;
    // a short row that starts with a number and is no sentence
    if (t.length < 60 && !/[.!?]/.test(t)) return false;
  } else if (CLOCK.test(t)) return true;
  const words = t.split(/\s+/).length;
  const amount = readAmount(t);
  if (amount && amount.amount.terms[0]?.unit !== null) return words > 28 || (words > 9 && /[.!]$/.test(t));
  if (DOING.has(firstWord(t)) && (words > 3 || /[.!]$/.test(t))) return true;
  // "serve it hot": nothing is measured and nothing named
  if (DOING.has(firstWord(t)) && words > 1 && amount === null && /\b(?:it|them|all|hot|cold|warm|once|well)\b/i.test(t))
    return true;
  const told = TOLD.exec(t);
  if (told && DOING.has(firstWord(t.slice(told[0].length))) && words > 3) return true;
  // prose: a full sentence of some length
  return words > 14 || (words > 4 && /[.!]$/.test(t)) || /[.!?]\s+[A-Z]/.test(t);
}

type Place =
  | { readonly at: 'nowhere' }
  | { readonly at: 'title'; readonly text: string }
  | { readonly at: 'heading'; readonly words: string; readonly role: Role; readonly asked?: true }
  | { readonly at: 'aside'; readonly why: SetAside['why'] }
  | {
      readonly at: 'lines';
      readonly lines: readonly Line[];
      readonly heading?: { readonly words: string; readonly role: Role; readonly stays: boolean };
    }
  | { readonly at: 'mixed'; readonly lines: readonly Line[]; readonly method: string; readonly title?: string };

interface Row {
  /** As written, entities and table bars undone. */
  readonly source: string;
  /** Without its bullet. */
  readonly text: string;
}

interface Reading {
  readonly house: KitchenConventions;
  readonly languages: ReadonlySet<Language> | null;
  readonly rows: readonly Row[];
  /** Sentences alone, a row for each or for a few: talk as it was written down, and no list. */
  readonly talk: boolean;
  /** Lines so far. */
  readonly before: readonly Line[];
  /** The text is a single row: an ingredient line, whatever it looks like. */
  readonly single: boolean;
  readonly role: Role;
  readonly title: string | null;
  readonly started: boolean;
  /** A row that ends with a point is a sentence: the list's own rows have none, or the method has begun. */
  readonly pointed: boolean;
  /** Rows that are numbered steps, by their place. */
  readonly steps: ReadonlySet<number>;
}

const aside = (why: SetAside['why']): Place => ({ at: 'aside', why });
const vesselOf = (role: Role): Vessel | null => {
  if (role === 'dry' || role === 'wet' || role === 'fold-in' || role === 'pan') return role;
  return role === 'topping' || role === 'side' ? 'topping' : null;
};

const nextRow = (r: Reading, n: number): Row | undefined => r.rows.slice(n + 1).find((x) => x.text !== '');

/** Whether a row reads as an ingredient with its amount, or at least names one. */
function isItem(row: Row | undefined, r: Reading, amountToo: boolean): boolean {
  if (!row || isMethod(row.text) || YIELD.test(row.text) || TIMES.test(row.text)) return false;
  const l = readLine(row.source.trim(), r.house, {}, null, r.languages);
  if (l.rows.length > 1) return true;
  if (l.written.length > 0)
    return l.ingredient !== null || l.written.some((a) => a.terms[0]?.unit !== null) || /^\d/.test(row.text);
  return (
    !amountToo &&
    (l.ingredient !== null ||
      lookUp(row.text, r.house).kind !== 'unknown' ||
      itemsIn(row.text, r.house, r.languages) !== null)
  );
}

/** What a list is called, whatever follows it. */
const STRUCTURAL =
  /^(?:the )?(?:ingredients?|ingredients list|shopping list|zutaten|ingredienti|ingredientes|ingr[eé]dients|ingredi[eë]nten|ingredienser)$/iu;
/** Kinds of thing that a batter is made of: a heading that only names one is the batter's. */
const OF_A_BATTER = new Set([
  'flour',
  'starch',
  'sugar',
  'leavening',
  'salt',
  'egg',
  'dairy',
  'plant-milk',
  'fat',
  'dry-dairy',
]);

/** Companions that are made, not bought: a bare row of one is a heading where amounts follow. */
const MADE =
  /\b(?:sauce|glaze|compote|coulis|fillings?|icing|frosting|drizzle|ganache|crumble|streusel|custard|topping|whip|soak|crunch|brittle|whipped butter)$/i;

/** A row that has the shape of a heading, among the rows around it. */
interface HeadingRow {
  readonly shape: NonNullable<ReturnType<typeof headingShape>>;
  readonly next: Row | undefined;
  /** Nothing stands above it. */
  readonly first: boolean;
  readonly n: number;
  readonly r: Reading;
}

/** Words that head the method wherever they stand. */
const HEADS_METHOD = /^(?:method|directions?|instructions?|preparation|steps?|notes?|tips?)$/i;
/** Words that head a list without a mark and without a gap above them. */
const HEADS_LIST =
  /^(?:ingredients?|(?:the )?batter|base|(?:dry|wet)(?: \w+)?|toppings?|to serve|sauce|glaze|filling|icing|frosting|compote|(?:step|part|day|bowl|stage) (?:\d{1,2}|one|two|three|a|b)|(?:the )?(?:night|evening) before|(?:in the |the )?next (?:morning|day)|in the morning|on the day)$/i;

/** A row that is a heading, by its shape, its words and what follows; null where it is none. */
function headingAt(raw: Row, n: number, r: Reading): Place | null {
  const shape = headingShape(raw.source, raw.text);
  if (!shape) return null;
  const { words } = shape;
  const next = nextRow(r, n);
  const said = roleOf(words);
  // "To cook", and what follows is butter: the pan's, not the method's
  const cooks = said === 'method' && /^(?:to cook|cooking|for cooking)$/i.test(words) && isItem(next, r, false);
  const role = cooks ? 'pan' : said;
  if (STRUCTURAL.test(words)) return { at: 'heading', words, role: 'batter' };
  const untitled = r.title === null && !r.started;
  if (untitled && r.role === 'batter' && DISH.test(words) && !/^(?:for|to)\b/i.test(words))
    return { at: 'title', text: raw.text.replace(/^[#=*_>\s]+|[#=*_\s]+$/g, '').replace(/\s*:$/, '') };
  const at: HeadingRow = { shape, next, first: untitled && r.rows.slice(0, n).every((x) => x.text === ''), n, r };
  if (role === 'method' || role === 'notes')
    return shape.marked || !next || !isItem(next, r, true) || HEADS_METHOD.test(words)
      ? { at: 'heading', words, role }
      : null;
  // in the method a heading of steps stays there
  if (!isItem(next, r, role === null)) return headingOfNothing(at, role);
  return role === null ? headingOfSomething(raw, at) : headingOfRole(at, role);
}

/** A heading that no list follows. */
function headingOfNothing({ shape, next, first, r }: HeadingRow, role: Role | null): Place | null {
  const nothing = !next || headingShape(next.source, next.text) !== null;
  if (!shape.marked) return null;
  if (role !== null && r.role === 'method') return aside('method');
  if (role !== null) return nothing ? { at: 'heading', words: shape.words, role } : null;
  return first && nothing ? { at: 'title', text: shape.words } : null;
}

/** A heading whose words say what its list is for. */
function headingOfRole({ shape: { words, marked }, next, first, n, r }: HeadingRow, role: Role): Place | null {
  const named = lookUp(words, r.house).kind !== 'unknown';
  const apart = n === 0 || r.rows[n - 1]?.text === '' || !r.started;
  const heads = !named || isItem(next, r, true);
  if (marked ? heads : HEADS_LIST.test(words) || (apart && heads && !first)) return { at: 'heading', words, role };
  // "Caramel sauce" in the middle of a list, and amounts below it: made here, most likely; asked
  const made = role === 'side' && (MADE.test(words) || !named) && isItem(next, r, true);
  if (made) return { at: 'heading', words, role, asked: true };
  // "Garnish", "Leaven", among rows that are all measured
  const isBatters = role === 'batter' && named && HEADS_FERMENT.test(words);
  const row = r.rows[n];
  const own = row && readLine(row.text, r.house, {}, null, r.languages);
  const isWords =
    row !== undefined && isFewWords(row, words) && own?.written.length === 0 && (own.ingredient === null || isBatters);
  return !first && isWords && (!named || isBatters) && isAmongMeasured(n, r, 1) ? { at: 'heading', words, role } : null;
}

/** What a yeast batter is begun with, and is made of rows of its own. */
const HEADS_FERMENT = /^(?:leaven|levain|starter|poolish|biga|sponge|pre-?ferment)$/i;
/** Rows right below that have their amounts, where a heading has neither mark nor gap. */
const MEASURED_UNDER_HEADING = 2;
/** A row that has no amount, where those above it in the list do, and the next below. @param least so many of them */
function isAmongMeasured(n: number, r: Reading, least = MEASURED_UNDER_HEADING): boolean {
  const below = r.rows.slice(n + 1).filter((x) => x.text !== '');
  return (
    r.before.every((l) => l.written.length > 0 || l.findings.length === 0) &&
    below.length >= least &&
    below.slice(0, least).every((x) => isItem(x, r, true))
  );
}

/** A marked heading whose words nobody knows, above a list. */
function headingOfSomething(raw: Row, { shape: { words, marked }, next, first, n, r }: HeadingRow): Place | null {
  if (!marked) return isUnmarkedHeading(raw, words, n, r) ? { at: 'heading', words, role: 'unknown' } : null;
  if (first) return { at: 'title', text: words };
  const named = readLine(raw.text.replace(/:\s*$/, ''), r.house).ingredient;
  if (named && !isItem(next, r, true)) return null;
  return { at: 'heading', words, role: named && OF_A_BATTER.has(named.category) ? 'batter' : 'unknown' };
}

/** "Sausages", and "8 sausages" right below. */
function isNamedBelow(raw: Row, n: number, r: Reading): boolean {
  const read = (x: Row | undefined): Line | null => (x ? readLine(x.text, r.house, {}, null, r.languages) : null);
  const [own, next] = [read(raw)?.ingredient, read(nextRow(r, n))?.ingredient];
  return own?.id === next?.id && own !== undefined && own !== null && !OF_A_BATTER.has(own.category);
}

function namesNothing(words: string, r: Reading): boolean {
  const line = readLine(words, r.house, {}, null, r.languages);
  return line.ingredient === null && line.written.length === 0 && line.suggestions.length === 0;
}

const MOST_HEADING_WORDS = 4;
const isFewWords = (raw: Row, words: string): boolean =>
  /^\p{Lu}/u.test(raw.source) && words.split(/\s+/).length <= MOST_HEADING_WORDS;

/** "Tempering", "Final dough" within a list: a name that nobody knows, where every other row begins with its amount. */
const isUnmarkedHeading = (raw: Row, words: string, n: number, r: Reading): boolean =>
  r.started &&
  !r.single &&
  r.role !== 'method' &&
  r.role !== 'notes' &&
  isFewWords(raw, words) &&
  !/^(?:an?|some|few|little|enough|pinch|handful|dash|splash|knob|sprigs?|bunch|drizzle|squeeze|more|extra)\b/i.test(
    words,
  ) &&
  (namesNothing(words, r) || isNamedBelow(raw, n, r)) &&
  r.before.every((l) => /^\W*[\d½¼¾⅓⅔⅛]/u.test(l.text)) &&
  isAmongMeasured(n, r);

/** "for the sauce I take a hundred grams of sugar": a heading, as spoken. */
const SPOKEN_HEADING =
  /^(?:(?:and|then|so|now)\s+)*(for (?:the|my|a) [\p{L} ]{3,30}?)[,\s]+(?:i|we|you)(?:[’']ll|[’']d)?\s+(?:use|take|need|start with|put in|put|add|want|mix)\s+(\S.*)$/iu;

/** "maple syrup, 2 bananas": a few words each, none of which is something to do; null: it is no list. */
function shortItems(list: string): readonly string[] | null {
  const bits = list.split(/\s*,\s+(?:and\s+)?|\s+and\s+/);
  return bits.every((b) => b.split(/\s+/).length <= 5 && !DOING.has(firstWord(b))) && !/[.!?]\s/.test(list)
    ? bits
    : null;
}

/** "Sauce: 100 g butter, 50 g sugar"; "For the pan: butter". */
function inlineHeading(raw: Row, r: Reading): Place | null {
  const m =
    SPOKEN_HEADING.exec(raw.text) ??
    /^([\p{L}][\p{L}\s'’-]{1,38}?)\.?\s*(?::|\s[–—-])\s+(\S.*)$/u.exec(raw.text) ??
    // "Hotel breakfast, per 50: flour 4 kg, salt 60 g"
    /^(\p{L}(?=[^:]*\d)[\p{L}\d\s'’,()/-]{1,48}?)\s*:\s+(\S.*)$/u.exec(raw.text);
  if (!m?.[1] || !m[2]) return null;
  // "optional: chocolate chips" is said of a thing
  const role = /^optional$/i.test(m[1]) ? 'unknown' : (roleOf(m[1]) ?? 'unknown');
  if (role === 'method' || role === 'notes') return null;
  // "Sauce: 1 cup berries": what goes with the batter, though sauces can be bought too
  const isBeside = role === 'topping' || role === 'side' || role === 'pan';
  const list = m[2].replace(/[.!]$/, '');
  const items = itemsIn(list, r.house, r.languages) ?? (isBeside ? shortItems(list) : null);
  // "Butter: 50 g" is a thing; "Cream: 500 ml cream, 50 g sugar" is made of its list
  if (!isBeside && items === null && lookUp(m[1], r.house).kind !== 'unknown') return null;
  // a heading that nobody knows heads a list, or nothing
  if (items === null && (role === 'unknown' || isMethod(m[2]))) return null;
  const hint = vesselOf(role);
  const lines = (items ?? [m[2]]).flatMap((bit) => readRows(bit, r, hint));
  const isMeasured = lines.some((l) => l.written.length > 0);
  if (lines.every((l) => l.ingredient === null) && !(isBeside && items && isMeasured)) return null;
  if (role === 'unknown' && !lines.every((l) => l.ingredient !== null && l.written.length > 0)) return null;
  return { at: 'lines', lines, heading: { words: m[1], role, stays: role === 'side' || role === 'batter' } };
}

/** A line, or several where one row says several. */
function readRows(text: string, r: Reading, hint: Vessel | null): readonly Line[] {
  const line = readLine(text, r.house, {}, hint, r.languages);
  if (line.rows.length < 2) return [line];
  const rows = line.rows.map((x) => readLine(x, r.house, {}, hint, r.languages));
  return rows.every((x) => x.ingredient !== null) ? rows : [line];
}

const MOST_NAME_WORDS = 9;
const isName = (s: string): boolean =>
  s.split(/\s+/).length <= MOST_NAME_WORDS &&
  !A_MEASURE.test(s) &&
  !DOING.has(firstWord(s)) &&
  /^\p{Lu}/u.test(s) &&
  !/^(?:it|i|we|you|they|she|he)\b/i.test(s);
const countIn = (l: Line): number | null => {
  const [one] = l.written;
  const [term] = one?.terms ?? [];
  return term && term.unit === null ? term.low.valueOf() : null;
};
/** "Whip the three egg whites" of three eggs: their own. */
const isPartOfEggs = (l: Line, before: readonly Line[]): boolean =>
  (l.ingredient?.id === 'egg-white' || l.ingredient?.id === 'egg-yolk') &&
  !/\b(?:extra|more|additional|another)\b/i.test(l.text) &&
  countIn(l) !== null &&
  before.some(
    (x) =>
      x.ingredient?.category === 'egg' && !/^egg-(?:white|yolk)$/.test(x.ingredient.id) && countIn(x) === countIn(l),
  );
/** The same thing in the same amount has been told already. */
const isToldAgain = (l: Line, before: readonly Line[]): boolean =>
  isPartOfEggs(l, before) ||
  before.some((x) => x.ingredient?.id === l.ingredient?.id && x.grams !== null && x.grams === l.grams);

/** What was asked for each guest, and is told in all further on: "for four that is four eggs". */
const isToldInAll = (l: Line, all: readonly Line[]): boolean =>
  /\b(?:for (?:every|each)|per (?:head|person|guest))\b/i.test(l.text) &&
  all.some((x) => x.ingredient?.id === l.ingredient?.id && x.grams !== null);

/** "Banana pancakes: mash two bananas ...", "Right, waffles. Three eggs ...": what it is, before what is told. */
function calledIn(t: string): { readonly name: string; readonly rest: string } | null {
  const m =
    /^(?:(?:right|ok|okay|so|well|now|then|also|alors|bon|bueno|allora|dus)[,:]?\s+)*(?:(?:for|my|these are|this is|here are)\s+)?(\p{L}[\p{L}' -]{2,40}?(?:,? (?:per|for) \d+(?: (?:people|covers|guests|pieces|portions))?)?)(?:,\s+(?:metric|imperial|by weight|in grams|quick|(?:a )?(?:small|half|double|big) (?:batch|lot)))?\s*(?::\s+(?=\p{L})|[.!]\s+(?=\p{Lu}|\d))/iu.exec(
      t,
    );
  if (!m?.[1] || A_MEASURE.test(m[1]) || !(DISH.test(m[1]) || / (?:per|for) \d/.test(m[1]))) return null;
  return { name: capital(m[1].replace(/\s+(?:today|tonight|this morning|again)$/i, '')), rest: t.slice(m[0].length) };
}

/** How a spoken list begins. */
const BEGINS_LIST =
  /^(?:(?:so|ok(?:ay)?|right|well|now|then|and|for (?:the|my|these|our) \p{L}+|what i (?:usually |always )?do(?: is)?)[,\s]+)*(?:you(?:'ll| will)? (?:need|want)|i (?:take|use|start with|put in|get|measure)|i(?:[’']ve| have)? got|take|we (?:take|use|need)|start with|ingredients?:?)\s+/iu;

/** Words beside a list that tell more than how one thing goes to the next. */
const LEAST_LEFT_WORDS = 3;
/** What a sentence says beside its lines, in the order it was told. */
function leftBeside(sentence: string, lines: readonly Line[]): readonly string[] {
  let [from, parts]: [number, string[]] = [0, []];
  for (const l of lines) {
    const at = sentence.indexOf(l.text, from);
    if (at < 0) continue;
    parts = [...parts, sentence.slice(from, at)];
    from = at + l.text.length;
  }
  return [...parts, sentence.slice(from)]
    .map((p) => p.replace(/^[\s,;:.]+|[\s,;:.]+$|^(?:and|then|with|plus)\s+/g, ''))
    .filter((p) => p.split(/\s+/).length >= LEAST_LEFT_WORDS);
}

/** The lines of a sentence that lists ingredients, and what else it says; null: it tells what to do. */
function listedIn(
  sentence: string,
  r: Reading,
  hint: Vessel | null,
): { readonly lines: readonly Line[]; readonly left: readonly string[] } | null {
  const whole = sentence.replace(/[.!?]$/, '');
  const bare = whole.replace(BEGINS_LIST, '');
  const bits = itemsIn(bare, r.house, r.languages);
  if (bits === null) {
    const named = bare.split(PARTED).every(endsInAmount) ? strungUp(bare, r, hint) : null;
    const lines = named ?? (bare === whole ? null : thingsNamed(bare, r.house, r.languages));
    return lines && { lines, left: [] };
  }
  const own = bits.flatMap((bit) => readRows(bit, r, hint));
  // "2 tbsp sugar; sift with 3 tsp baking powder": more is measured than the seams part
  const apart = own.every(isClean) ? [] : measuredIn(bare, r.house, r.languages, isMeasure);
  const sure = (all: readonly Line[]): number => all.filter(isClean).length;
  const better = apart.length > own.length && sure(apart) > sure(own);
  const named = better
    ? own.filter(
        (l) => l.written.length === 0 && l.ingredient && !apart.some((x) => x.ingredient?.id === l.ingredient?.id),
      )
    : [];
  return {
    lines: [...(better ? [...apart, ...named] : own), ...enoughIn(bare, r.house)],
    left: better ? leftBeside(bare, apart) : [],
  };
}

/** Where something to do may begin behind a list: "3 eggs, 500 ml milk, whisk it and leave it ten minutes". */
const ACT_SEAM =
  /,\s+(?:(?:and|then|now)\s+)*(?=(?:(?:i|we|you)\s+)?(?:it\s+all\s+)?(?:beat|blend|blitz|whizz?|chill|cook|fold|fry|give|knead|leave|let|mix|pour|prove|rest|shake|stir|strain|whip|whisk|(?:all|everything|straight) in(?:to)?)\s+\p{L})/giu;
/** A list, and what a sentence says is done with it; a thing that is measured behind the act is no end of a list. */
function actBehind(sentence: string): { readonly list: string; readonly act: string } | null {
  const seam = [...sentence.matchAll(ACT_SEAM)].find((m) => !isMeasure(sentence.slice(m.index)));
  return seam ? { list: sentence.slice(0, seam.index), act: sentence.slice(seam.index + seam[0].length) } : null;
}

/** Where a sentence may end. */
const POINT = /(\p{L}*)[.!?]\s+(?=[\p{Lu}\d])/gu;
const MOST_LINE_WITH_POINTS = 80;
/** Letters before the point of an abbreviation: "Gr.", "Pck.". */
const MOST_SHORTENED = 3;
/** "3 Eier (Gr. M)", "1 P. Backpulver": a row that begins with an amount and whose points end no sentence. */
function isOneLine(t: string, r: Reading): boolean {
  if (t.length > MOST_LINE_WITH_POINTS || !/^[\d½¼¾⅓⅔⅛]/.test(t) || CLOCK.test(t)) return false;
  const points = [...t.matchAll(POINT)];
  const shortened = points.every(
    (m) =>
      ((m[1] ?? '').length <= MOST_SHORTENED || SHORTENED.test(m[1] ?? '')) &&
      !DOING.has(firstWord(t.slice(m.index + m[0].length))),
  );
  if (points.length > 0 && shortened && !/[.!?]$/.test(t)) return true;
  const line = readLine(t, r.house, {}, null, r.languages);
  return isClean(line) && line.words.every((w) => w.as !== 'unknown');
}

/** Things measured in one sentence, so many that it tells a whole card in one breath. */
const LEAST_IN_A_BREATH = 3;
const MEASURES = new RegExp(A_MEASURE.source, 'giu');
const isOneBreath = (t: string): boolean =>
  t.length > LEAST_TALK_CHARS && /^\p{L}/u.test(t) && [...t.matchAll(MEASURES)].length >= LEAST_IN_A_BREATH;

const FOR_WHOM =
  /^((?:for|für|pour|para) \S+(?: \S+)? (?:people|persons|leute|personen|gäste|personnes|personas))[ ,]/iu;

/** "Scant quarter cup, spread thin": what a sentence measures is poured for a piece. */
const tellsPortion = (sentence: string, house: KitchenConventions): boolean => {
  const clauses = clausesOf(sentence);
  return clauses.some((c, n) => portionsTold(c, house, clauses[n + 1]).length > 0);
};

/** A paragraph: sentences that list ingredients, and sentences that tell what to do. */
function paragraph(row: string, r: Reading, hint: Vessel | null): Place | null {
  // after a list the same amounts are told again by the method
  if ((r.started && !r.talk) || !(/[.!?]\s/.test(row) || isOneBreath(row) || r.talk)) return null;
  const t = putRight(row);
  const called = calledIn(t);
  const sentences = (called?.rest ?? t).split(/(?<=[.!?])\s+(?=\p{Lu}|\d)/u);
  if ((sentences.length < 2 && !isOneBreath(t) && !r.talk) || isOneLine(t, r)) return null;
  const lines: Line[] = [];
  const rest: string[] = [];
  let listed = false;
  for (const [n, text] of sentences.entries()) {
    // "für vier Leute nehme ich 250 g Mehl": for whom, before what
    const whom = FOR_WHOM.exec(text)?.[1];
    const parted = actBehind(text);
    const list = listedIn(parted?.list ?? text, r, hint);
    if (list) {
      listed = true;
      lines.push(...list.lines);
      rest.push(...(whom ? [`${whom}.`] : []), ...list.left, ...(parted ? [parted.act] : []));
    } else {
      // "Add a pinch of salt.", "Beat 2 eggs with 1 cup milk": amounts that no list gives
      const told = toldIn(text.replace(/[.!?]$/, '').replace(BEGINS_LIST, ''), r.house, r.languages, sentences[n + 1]);
      const isPoured = told.length > 0 && told.every((l) => l.ingredient === null) && tellsPortion(text, r.house);
      lines.push(...(isPoured ? [] : told.filter((l) => !isToldAgain(l, [...r.before, ...lines]))));
      rest.push(text);
    }
  }
  // steps of a longer card are read together, when all of them are known
  const alone = r.talk || r.rows.filter((x) => x.text !== '').length <= 2;
  if (lines.length === 0 || (!listed && !alone)) return null;
  // "Waffles for the landing stage.": what it is, before what goes in
  const [first = ''] = rest;
  const names = !r.title && first === sentences[0] && isName(first);
  return {
    at: 'mixed',
    // how much is poured for a piece is told by the method, and is no thing
    lines: lines.filter((l) => l.status === 'read' || !(isToldInAll(l, lines) || A_PORTION_ALONE.test(l.text))),
    method: (names ? rest.slice(1) : rest).join(' '),
    ...(names && { title: first.replace(/[.!]$/, '') }),
    ...(called && !r.title && { title: called.name }),
  };
}

/** A line in its place; written out, as spreading one costs more than reading it. */
const standing = (l: Line, lineNumber: number, section: string): CardLine => ({
  text: l.text,
  status: l.status,
  ingredient: l.ingredient,
  amounts: l.amounts,
  written: l.written,
  parts: l.parts,
  grams: l.grams,
  gramsLow: l.gramsLow,
  gramsHigh: l.gramsHigh,
  basis: l.basis,
  use: l.use,
  vessel: l.vessel,
  preparation: l.preparation,
  foam: l.foam,
  findings: l.findings,
  suggestions: l.suggestions,
  words: l.words,
  alternatives: l.alternatives,
  readings: l.readings,
  side: l.side,
  rows: l.rows,
  lineNumber,
  section,
});

/** Words that say how many a card makes. */
const COUNTS_PIECES = /serving|portion|pancakes|waffles|crepes|pieces|people|guests|person|portionen|st[uü]ck/i;

/** Where one row of the text belongs. */
function place(n: number, r: Reading): Place {
  const row = r.rows[n];
  if (!row || row.text === '') return { at: 'nowhere' };
  const t = row.text;
  if (r.started && r.steps.has(n)) return aside('method');
  // a step's number in a row of its own
  if (r.started && /^\(?\d{1,2}[.):]$/.test(t)) return aside('method');
  // "Notes:" alone heads the notes, and no column
  if (!r.single && /[:|\t]/.test(row.source) && TABLE_HEAD.test(t) && !/^notes?\s*:$/i.test(t)) return aside('heading');
  // "Makes 8 crepes" names crepes, and heads none
  const plainYield = /^(?:makes|serves|yields?|feeds)\b/i.test(t) && YIELD.test(t);
  const heading = r.single || plainYield ? null : headingAt(row, n, r);
  return heading ?? placeBeside(row, r) ?? placeOfItems(row, r);
}

/** What is beside the list: the method, notes, what it makes, how long it takes; and lines behind a heading of theirs. */
function placeBeside(row: Row, r: Reading): Place | null {
  const t = row.text;
  const yields = (!/^[\d½¼¾]/.test(t) || COUNTS_PIECES.test(t)) && YIELD.test(t);
  const times = TIMES.test(t);
  if (r.role !== 'method' && r.role !== 'notes' && !yields && !times) {
    const inline = inlineHeading(row, r);
    if (inline) return inline;
  }
  if (r.role === 'method' || /^(?:method|directions?|instructions?|procedure|steps?|how to)\s*:\s+\S/i.test(t))
    return aside('method');
  if (r.role === 'notes' || /^\([^()\d]*\)$/.test(t)) return aside('note');
  if (yields) return aside('yield');
  return times ? aside('note') : null;
}

/** Things measured in one row, so many that its commas part them although one of them is not understood. */
const LEAST_STRUNG = 4;
const STRUNG_CLEAN = 0.6;
const PARTED = /,\s+/;
function strungUp(t: string, r: Reading, hint: Vessel | null): readonly Line[] | null {
  if (/[.!?]\s+\p{Lu}/u.test(t)) return null;
  const row = t.replace(/[.!]$/, '');
  const named = row.split(PARTED);
  const bits = named.every(endsInAmount) ? named : row.split(/,\s+(?=[\d½¼¾⅓⅔⅛])/u);
  if (bits.length < LEAST_STRUNG || !(bits === named || /^[\d½¼¾⅓⅔⅛]/u.test(t))) return null;
  const lines = bits.flatMap((bit) => {
    const whole = readRows(bit, r, hint);
    if (whole.every(isClean)) return whole;
    // "1/2 tsp powder, sweetener to taste": the first may be known by itself
    const apart = bit.split(/,\s+/).flatMap((x) => readRows(x, r, hint));
    return apart[0] && isClean(apart[0]) ? apart : whole;
  });
  return lines.filter(isClean).length >= STRUNG_CLEAN * bits.length ? lines : null;
}

/** A row of several items, and what it says is done with them. */
function placeOfBits(t: string, bits: readonly string[], r: Reading, hint: Vessel | null): Place {
  // "1 egg. Rest overnight, thin with 50 ml of water": a list, and what is done with it
  const told = /[.!?]\s+(?=\p{Lu}|\d)/u.test(t) ? paragraph(t, r, hint) : null;
  if (told) return told;
  const parted = actBehind(t);
  const list = parted && itemsIn(parted.list, r.house, r.languages);
  const lines = (list ?? bits).flatMap((bit) => readRows(bit, r, hint));
  return parted && list ? { at: 'mixed', lines, method: parted.act } : { at: 'lines', lines };
}

/** A row of the list, a title above it, or a sentence of the method within it. */
function placeOfItems(row: Row, r: Reading): Place {
  const t = row.text;
  const hint = vesselOf(r.role);
  const bits = itemsIn(t.replace(/[.!]$/, ''), r.house, r.languages);
  if (bits) return placeOfBits(t, bits, r, hint);
  const strung = strungUp(t, r, hint);
  if (strung) return { at: 'lines', lines: strung };
  const para = paragraph(t, r, hint);
  if (para) return para;
  const numbered = /^\s*\(?\d{1,2}[.)]\s+[A-Za-z]/.test(row.source);
  if (!r.single && isMethod(t) && !isOneLine(t, r))
    return aside(!r.started && !numbered && !DOING.has(firstWord(t)) ? 'note' : 'method');
  const lines = readRows(row.source.trim(), r, hint);
  const [line] = lines;
  if (!line) return { at: 'nowhere' };
  // "One waffle takes 120 ml.", a sentence a row: within the method, and no thing
  const isMeasured = line.written.some((w) => w.terms[0]?.unit != null) || line.ingredient !== null;
  const isShortItem = /^[\d½¼¾⅓⅔⅛]/u.test(t) && isMeasured && t.split(/\s+/).length <= MOST_ITEM_WORDS;
  if (r.pointed && !r.single && /[.!]$/.test(t) && !isShortItem && !(isClean(line) && line.written.length > 0))
    return aside('method');
  const alone = lines.length === 1 && !r.single ? placeOfNothing(row, line, r) : null;
  if (alone) return alone;
  if (hasAmount(line, t) || r.single || r.started) return { at: 'lines', lines };
  const names = line.ingredient !== null || lines.length > 1 || lookUp(t, r.house).kind !== 'unknown';
  if (names || isNumbered(row, r)) return { at: 'lines', lines };
  return r.title ? aside('note') : { at: 'title', text: t };
}

/** Words of a row that begins with an amount and ends in a point, and is no sentence: "2 tbsp zork.". */
const MOST_ITEM_WORDS = 6;

/** A row that is no thing: told of the heat or the portion behind the list, or what the dish is called; null: it is one. */
function placeOfNothing(row: Row, line: Line, r: Reading): Place | null {
  const t = row.text;
  if (isDishOfThing(row, line, r) || isAboveTalk(row, line, r)) return { at: 'title', text: t };
  if (line.ingredient !== null) return null;
  // "three tablespoons each, tilt to spread", "Iron at 200 C, 4 minutes"
  if (r.started) return A_PORTION.test(t) || (AT_THE_HEAT.test(t) && !isMeasure(t)) ? aside('method') : null;
  // "Base mix (makes 1.2 kg)"
  const isNamed = /\((?:makes|yields?|serves|feeds)\b/i.test(t) || (DISH.test(t) && /^\d+(?:-\d+)+ /.test(t));
  return !r.title && isNamed ? { at: 'title', text: t } : null;
}

const WORD_AND_NUMBER = /^\p{L}[\p{L}. ]{0,24}\s\d{1,4}(?:[.,]\d+)?$/u;
/** "flr 250" under a title, and more of the kind below: a line that is asked about. */
function isNumbered(row: Row, r: Reading): boolean {
  const next = r.title === null ? undefined : nextRow(r, r.rows.indexOf(row));
  return next !== undefined && WORD_AND_NUMBER.test(row.text) && WORD_AND_NUMBER.test(next.text);
}

/** What no cook calls a dish by. */
const NO_DISH: ReadonlySet<string> = new Set(['salt', 'leavening', 'fat', 'egg', 'flour', 'starch', 'sugar']);
/** So many measured rows below make a first row without an amount the title: "Pumpkin spice". */
const MEASURED_BELOW = 3;

/** A first row that names a thing and no amount, above a list of measured rows that has it too: what the dish is of. */
function isDishOfThing(row: Row, line: Line, r: Reading): boolean {
  if (r.started || r.title || line.written.length > 0 || line.use !== 'batter') return false;
  if (line.ingredient === null || NO_DISH.has(line.ingredient.category)) return false;
  const below = r.rows.slice(r.rows.indexOf(row) + 1).filter((x) => x.text !== '');
  const again = new RegExp(`\\b(?:${row.text.match(/\p{L}{4,}/gu)?.join('|') ?? '(?!)'})`, 'iu');
  return (
    below.some((x) => again.test(x.text)) &&
    below.length >= MEASURED_BELOW &&
    below.slice(0, MEASURED_BELOW).every((x) => isItem(x, r, true))
  );
}

/** "Buckwheat for the fire pit", above sentences that measure: what is talked of, and no thing. */
function isAboveTalk(row: Row, line: Line, r: Reading): boolean {
  if (r.started || r.title || line.written.length > 0 || !/^\p{Lu}/u.test(row.text)) return false;
  const next = nextRow(r, r.rows.indexOf(row))?.text ?? '';
  return line.findings.some((f) => f.code === 'not-understood') && isOneBreath(next) && /[.!?]\s/.test(next);
}

function hasAmount(line: Line, t: string): boolean {
  // "Waffles (makes 8)": a number with nothing to count is no amount
  const bare = line.ingredient === null && /^\p{L}/u.test(t) && line.written.every((a) => a.terms[0]?.unit === null);
  return (
    (line.written.length > 0 && !bare) || line.findings.some((f) => f.code === 'not-positive' || f.code === 'enormous')
  );
}

/** Flour, or milk with eggs: what makes a group a batter. */
const isBatter = (lines: readonly Line[]): boolean =>
  lines.some((l) => l.ingredient?.category === 'flour' || l.ingredient?.category === 'starch');

/** Where the lines of groups go whose headings nobody understands, or whose words contradict what is in them. */
function settleGroups(
  sections: readonly Section[],
  lines: readonly CardLine[],
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): { sections: readonly Section[]; lines: readonly CardLine[] } {
  const of = (id: string): readonly CardLine[] => lines.filter((l) => l.section === id);
  const used = sections.filter((s) => of(s.id).length > 0);
  const flourElsewhere = (s: Section): boolean =>
    used.some(
      (x) => x.id !== s.id && x.role !== 'side' && x.role !== 'topping' && x.role !== 'unknown' && isBatter(of(x.id)),
    );
  const settled = sections.map((s): Section => {
    if (s.role === 'unknown') {
      // powder and soda are in no sauce
      const lifts = of(s.id).some((l) => l.ingredient?.category === 'leavening');
      const batter = used.length === 1 || lifts || (isBatter(of(s.id)) && !flourElsewhere(s));
      return { ...s, role: batter ? 'batter' : 'side', asked: used.length > 1 };
    }
    // a sauce with all the flour of the card in it is no sauce
    if (
      s.role === 'side' &&
      isBatter(of(s.id)) &&
      !flourElsewhere(s) &&
      used.filter((x) => x.role === 'side' && isBatter(of(x.id))).length === 1 &&
      of(s.id).length > 2
    )
      return { ...s, role: 'batter', asked: true };
    return s;
  });
  const moved = lines.map((l): CardLine => {
    const was = sections.find((s) => s.id === l.section)?.role;
    const is = settled.find((s) => s.id === l.section)?.role;
    if (was === is || is === undefined) return l;
    return { ...readLine(l.text, house, {}, vesselOf(is), languages), lineNumber: l.lineNumber, section: l.section };
  });
  return { sections: settled, lines: moved };
}

/** "Bank cakes, makes 8", "Crepes for six": how many pieces or people a title tells. */
const TITLE_MAKES = /\b(?:makes?|yields?|serves|feeds)\s+(?:about\s+)?\d{1,4}(?:\s*(?:-|–|to)\s*\d{1,4})?\b/i;
const TITLE_FOR = new RegExp(
  `\\bfor (?:an? (?:party|table|crowd|family) of )?((?:\\d{1,3}|${COUNT_WORDS}))(?:\\s+people)?\\s*[).!]?$`,
  'i',
);
function claimOfTitle(title: string): string | null {
  const people = TITLE_FOR.exec(title)?.[1];
  const makes = TITLE_MAKES.exec(title)?.[0];
  if (makes !== undefined) return `${capital(makes)}.`;
  // "Classic crepes (about 16)", "(4 Personen)"
  const inside = /\(((?:about |approx\.? |ca\.? |environ )?\d{1,3}(?: \p{L}+)?)\)\s*$/iu.exec(title)?.[1];
  if (inside !== undefined && !/\d (?:g|kg|ml|cm|min|minutes|inch|percent)$/i.test(inside))
    return /^\d{1,3}$/.test(inside) ? `Makes ${inside}.` : `${capital(inside)}.`;
  if (people !== undefined) return `Serves ${people}.`;
  // "Kaiserschmarrn, für zwei", "Pour une douzaine de crêpes"
  const claim = servingClaim(title) ?? (/(?<!\p{L})(?:pour|für|para)\s/iu.test(title) ? yieldClaim(title) : null);
  return claim && `${capital(claim.text)}.`;
}

/** What stands around the lines of a card: what its title tells of how many, its method and its notes. */
export function notesOn({ title, ignored }: Pick<Card, 'title' | 'ignored'>): string {
  const claim = claimOfTitle(title ?? '');
  return [
    ...(claim === null ? [] : [claim]),
    ...ignored.flatMap((i) => (i.why === 'heading' ? [] : [i.text.trim()])),
  ].join('\n');
}

/** A clause that whips the whites, in either order of its words. */
const WHIPS =
  /\b(?:whip|whipped|whipping|beat|beaten|whisk|whisked)\b[^.;]{0,30}\bwhites\b|\bwhites\b[^.;]{0,40}\b(?:whipped|beaten|whisked|stiff|firm|peaks)\b/i;

/** Lines of whites, or else of whole eggs, whose whites the method whips apart. */
function withWhipped<L extends CardLine>(
  lines: readonly L[],
  notes: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): readonly L[] {
  const clause = clausesOf(notes).find((c) => c.taken === 'told' && WHIPS.test(c.text));
  if (!clause || lines.some((l) => l.foam)) return lines;
  const eggs = lines.filter((l) => l.use === 'batter' && l.side === null && l.ingredient?.category === 'egg');
  const whites = eggs.filter((l) => l.ingredient?.id === 'egg-white');
  const of = whites.length > 0 ? whites : eggs.filter((l) => l.ingredient?.id !== 'egg-yolk');
  const foam = /\b(?:firm|stiff)/i.test(clause.sentence) ? 'firm' : 'soft';
  return lines.map((l) => (of.includes(l) ? { ...l, ...readLine(l.text, house, { foam }, null, languages) } : l));
}

/** A longer row that is mostly strokes and signs: a rule across the card, or nothing that a cook wrote. */
const STROKES_CHARS = 80;
const isStrokes = (row: string): boolean =>
  row.length > STROKES_CHARS && (row.match(/[\p{L}\p{N}]/gu)?.length ?? 0) < 0.25 * row.length;

/**
 * Reads a pasted card.
 * @param written free text; what is longer than a card can be is refused with its length, nothing is cut off
 * @param house conventions for what the card does not say
 */
export function readCard(written: string, house: KitchenConventions): Result<Card, CardTooLong> {
  const text = cardAsRead(written);
  const raws = withColumnUnits(inGrams(text.split(/\r\n|\r|\n|\u2028|\u2029/)));
  if (text.length > MOST_CARD_CHARS || raws.length > MOST_CARD_LINES) {
    const n = (x: number): string => x.toLocaleString('en-GB');
    const message = `This text has ${n(text.length)} characters on ${n(raws.length)} lines; a card has at most ${n(MOST_CARD_CHARS)} on ${n(MOST_CARD_LINES)}. Paste only the recipe.`;
    return { ok: false, error: { chars: text.length, message } };
  }
  // a card that writes "-2 cups" on several lines uses the dash as a bullet
  const dashBullets = raws.filter((r) => /^\s*-\d/.test(r)).length > 1;
  const languages = languagesIn(text);
  const rows = raws.map((raw): Row => {
    const source = rowAsRead(dashBullets ? raw.replace(/^(\s*)-(?=\d)/, '$1') : raw, languages);
    return { source, text: isStrokes(source) ? '' : stripBullet(source) };
  });
  const said = rows.filter((r) => r.text !== '');
  // one row is a line, whatever it looks like; but not a recipe told in one breath
  const single = said.length === 1 && !(DOES.test(said[0]?.text ?? '') && /[.!?]\s+\p{Lu}/u.test(said[0]?.text ?? ''));
  const placed = placeRows(raws, { house, languages, rows, single, talk: isTalk(said), steps: numberedSteps(rows) });
  const lines = linesOfSteps(placed, rows, house, languages);
  const settled = settleGroups(placed.sections, lines, house, languages);
  const { title, ignored } = placed;
  const whipped = withWhipped(doubtFractions(settled.lines), notesOn({ title: null, ignored }), house, languages);
  return { ok: true, value: { title, lines: whipped, ignored, sections: settled.sections } };
}

/** So many rows are talk where nearly all are sentences, and hardly one is a row of a list. */
const LEAST_TALK_ROWS = 3;
const TALK_SHARE = 0.75;
const LONG_SENTENCE = 45;
function isTalk(rows: readonly Row[]): boolean {
  const sentences = rows.filter(
    (x) => /[.!?]$/.test(x.text) && !/^(?:step\s*)?\(?\d{1,2}[.):]\s/i.test(x.source.trim()),
  );
  return (
    rows.length >= LEAST_TALK_ROWS &&
    sentences.length >= TALK_SHARE * rows.length &&
    sentences.some((x) => x.text.length > LONG_SENTENCE) &&
    !rows.some((x) => /^for the [^:.]{3,40}:/i.test(x.text))
  );
}

/** Rows of one run of numbers that are steps: so many of them tell what is done, at least. */
const LEAST_STEPS = 3;
const DOING_SHARE = 1 / 3;

/** Rows that are numbered from 1 on, one after the other, where some of them tell what is done: all are steps. */
function numberedSteps(rows: readonly Row[]): ReadonlySet<number> {
  const out = new Set<number>();
  let run: number[] = [];
  const close = (): void => {
    const doing = run.filter((n) => {
      const t = rows[n]?.text ?? '';
      return isMethod(t) || DOING.has(firstWord(t));
    });
    if (run.length >= LEAST_STEPS && doing.length >= DOING_SHARE * run.length) for (const n of run) out.add(n);
    run = [];
  };
  for (const [n, row] of rows.entries()) {
    const number = Number(/^\s*(?:step\s*)?\(?(\d{1,2})\s*[.):]\s+\S/i.exec(row.source)?.[1] ?? Number.NaN);
    if (number === run.length + 1) run.push(n);
    else if (row.text !== '') {
      close();
      if (number === 1) run.push(n);
    }
  }
  close();
  return out;
}

/** Every row in its place. */
interface Placed {
  readonly title: string | null;
  readonly sections: readonly Section[];
  readonly lines: readonly CardLine[];
  readonly ignored: readonly SetAside[];
}

/** So many lines show how the rows of a list are written. */
const LEAST_LISTED = 2;
function placeRows(
  raws: readonly string[],
  of: Omit<Reading, 'role' | 'title' | 'started' | 'pointed' | 'before'>,
): Placed {
  let title: string | null = null;
  const sections: Section[] = [{ id: 's0', heading: null, role: 'batter', asked: false }];
  let section = sections[0] as Section;
  const lines: CardLine[] = [];
  const ignored: SetAside[] = [];
  const open = (words: string, role: Role, asked = false): Section => {
    const s: Section = { id: `s${sections.length}`, heading: words, role, asked };
    sections.push(s);
    return s;
  };
  for (const [n, raw] of raws.entries()) {
    const lineNumber = n + 1;
    const p: Place = isStrokes(raw)
      ? aside('note')
      : place(n, {
          ...of,
          role: section.role,
          title,
          started: lines.length > 0,
          before: lines,
          pointed:
            lines.length >= LEAST_LISTED &&
            (ignored.some((i) => i.why === 'method') ||
              !lines.some((l) => /[.!]$/.test(raws[l.lineNumber - 1]?.trim() ?? ''))),
        });
    switch (p.at) {
      case 'nowhere':
        break;
      case 'title':
        title = p.text
          .replace(/^(?:title|name|recipe)\s*:\s*/i, '')
          .replace(/\s*(?:(?![©®™])\p{Extended_Pictographic}(?:\uFE0F|\u200D)*\s*)+$/u, '');
        break;
      case 'heading':
        section = open(p.words, p.role, p.asked);
        ignored.push({ lineNumber, text: raw, why: 'heading' });
        break;
      case 'aside':
        ignored.push({ lineNumber, text: raw, why: p.why });
        break;
      case 'mixed':
        title ??= p.title ?? null;
        for (const line of p.lines) lines.push(standing(line, lineNumber, section.id));
        if (p.method) ignored.push({ lineNumber, text: p.method, why: 'method' });
        break;
      case 'lines': {
        const own = p.heading ? open(p.heading.words, p.heading.role) : section;
        // "Zutaten für 6 Waffeln: 125 g Butter"
        const claim = p.heading ? claimOfTitle(p.heading.words) : null;
        if (claim !== null) ignored.push({ lineNumber, text: claim, why: 'yield' });
        for (const line of p.lines) lines.push(standing(line, lineNumber, own.id));
        if (p.heading?.stays) section = own;
      }
    }
  }
  return { title, sections, lines, ignored };
}

/**
 * "Sift together 2 c. flour, 4 tsp. baking powder" within a list: a card without flour in its list has what its steps
 * measure besides.
 */
function withFlourOfSteps(
  lines: readonly CardLine[],
  steps: readonly SetAside[],
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): readonly CardLine[] {
  const found = steps
    .flatMap((i) => toldIn(i.text, house, languages).map((line) => standing(line, i.lineNumber, 's0')))
    .filter(
      (l) => l.use === 'batter' && l.status === 'read' && !lines.some((x) => x.ingredient?.id === l.ingredient?.id),
    );
  return isBatter(found) ? [...lines, ...found].sort((a, b) => a.lineNumber - b.lineNumber) : lines;
}

/**
 * The lines of a card; of one that has its amounts in its steps alone ("Mix 3 eggs, 125 ml milk and 60 g flour."), those
 * of its steps, also where a short step was read as a line. A paragraph is parted into its sentences already.
 */
function linesOfSteps(
  { lines, ignored }: Placed,
  rows: readonly Row[],
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): readonly CardLine[] {
  const told = ignored.filter((i) => i.why === 'method');
  const parted = told.some((i) => lines.some((l) => l.lineNumber === i.lineNumber));
  const words = (l: CardLine): string => rows[l.lineNumber - 1]?.text ?? '';
  const unclear = lines.some((l) => l.status !== 'read');
  const inSteps = lines.every((l) => DOES.test(words(l))) && ((told.length > 0 && !parted) || unclear);
  if (lines.length > 0 && !inSteps) return isBatter(lines) ? lines : withFlourOfSteps(lines, told, house, languages);
  const steps = new Map(ignored.map((i) => [i.lineNumber, i.text] as const));
  const before = new Map(lines.map((l) => [l.lineNumber, l] as const));
  for (const l of lines) steps.set(l.lineNumber, words(l));
  return [...steps]
    .sort(([a], [b]) => a - b)
    .flatMap(([n, step]) => {
      const found = toldIn(step, house, languages).map((line) => standing(line, n, 's0'));
      // a line that tells nothing more stays what it was, and asks
      const was = before.get(n);
      return found.length === 0 && was ? [was] : found;
    });
}

/** Where a section's lines go, in the words of the sheet. */
export const placeOf = (role: Role): Use | 'side' | 'method' => {
  if (role === 'pan' || role === 'topping' || role === 'side') return role;
  return role === 'method' || role === 'notes' ? 'method' : 'batter';
};
