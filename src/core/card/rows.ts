/** The rows of a card as they are placed: what is known where one is read, and where it may belong. */

import type { KitchenConventions } from '../pantry/conventions';
import { lookUp } from '../pantry/lookup';
import type { Language } from '../pantry/tables/other-names';
import { readAmount } from '../quantity/amount';
import type { Role } from './headings';
import { itemsIn } from './items';
import { type Line, readLine } from './line';
import type { Vessel } from './parts';
import { CLOCK } from './prose';
import { withoutLead } from './split';
import { DOING, firstWord, withoutShortPoints } from './writing';

/** A row, or a part of one, that is no line, and why. */
export interface SetAside {
  readonly lineNumber: number;
  readonly text: string;
  /** `another`: it is of another recipe of the same text, or of another size. */
  readonly why: 'heading' | 'yield' | 'method' | 'note' | 'another';
}

/** A row that tells how many it makes, or for how many it is. */
export const YIELD =
  /^(?:(?:serves|makes|yields?|servings?|feeds|portions?|for|enough for)\b\s*:?\s*(?:about\s+|approx\.?\s+|around\s+|~\s*)?(?:\d|one\b|two\b|three\b|four\b|five\b|six\b|eight\b|ten\b|twelve\b|a dozen)(?!.*\b(?:pan|griddle|iron)\b(?![\s-]*cakes?\b))|(?:about\s+)?\d+(?:\s*(?:-|–|to)\s*\d+)?\s+(?:servings?|portions?|pancakes|waffles|crepes|pieces|people|guests|persons?|personen|personnes|personas|persone|personer|portionen|port(?:ioner)?\.?|porsjoner|pers\.?|st[uü]ck|raciones|porciones|comensales|pi[eè]ces?|parts|unidades|gaufres|cr[eê]pes|gofres|tortitas|waffeln|pfannkuchen)\s*\.?$|(?:für|fur|pour|para|per|voor|til|till)\s+(?:\d+|ca\.?\s*\d+)\s+\p{L}+\s*:?$)/iu;
/** "For 84 covers (2 each):", "per 10 waffles:": for how many the list behind it is. */
export const YIELD_LABEL =
  /^((?:for|per|batch of|enough for|(?:to )?makes?|serves|yields?)\s+(?:about\s+)?\d+\s+\p{L}+(?:\s*\([^()]*\))?)\s*:\s+(?=\S)/iu;

/** A row of notes or times behind their name: "Prep: 10 min". */
export const TIMES =
  /^(?:(?:zubereitungs|arbeits|koch|back|gesamt|ruhe|vorbereitungs)zeit|schwierigkeit(?:sgrad)?|portionen|temps(?: de (?:pr[eé]paration|cuisson|repos))?|pr[eé]paration|cuisson|repos|difficult[eé]|tiempo(?: de (?:preparaci[oó]n|cocci[oó]n|reposo))?|dificultad|raciones|porciones|(?:serving|portion|batch) size|quantity|qty|notes?|tips?|remember|nb|n\.b\.|ps|important|warning|prep(?:aration)?(?: time)?|cook(?:ing)?(?: time)?|total(?: time)?|active|rest(?:ing)?|ready|oven|temperature|heat|difficulty|level|source|from|by|cuisine|course|category|date|author|rating|equipment)\b[^,]{0,24}:/i;
/** The same without a colon: "Arbeitszeit ca. 10 Minuten"; and what a card says of itself: "Hydration ~ 112 %". */
export const TIME_ROW =
  /^(?:(?:prep|cook|bake|total)(?: time)?:? \d+ ?(?:m|mins?|minutes?|h|hrs?)?\b[ /|,·–-]*)+$|^(?:(?:arbeits|vorbereitungs|zubereitungs|gesamt|koch(?:-?\/-?back)?|back|ruhe)zeit|(?:prep(?:aration)?|cook(?:ing)?|total|active) time|(?:total |dough |batter )?hydration)[^\p{L}]*(?:(?:ca|etwa|about|approx)\.? ?)?\d[\d.,/– -]*\s?(?:%|\p{L}{1,8}\.?)?(?: \d+ \p{L}{1,8}\.?)?$/iu;
/** "and then you just whisk it": who does it, before what is done. */
const TOLD =
  /^(?:(?:and|then|so|now|next|after that|once|ok|well)[,\s]+)*(?:you|i|we|they|one)(?:[’']ll|[’']d)?\s+(?:(?:just|then|can|should|always|simply|want to|need to|have to|gently|now|also|usually|must|may|will)\s+)*/i;

/** How much of the batter is poured for a piece, and how it is spread. */
export const A_PORTION =
  /\b(?:each|ea|apiece|per (?:piece|pancake|waffle|crepe|cake|iron|plate)|goes in|in the middle|tilt|swirl|spread|roll it round|lid (?:on|down))\b/i;

/** "Iron at 200 C, 4 minutes", "griddle 375", "medium heat": what is heated and how far, or how long. */
export const ROW_AT_HEAT =
  /^(?:(?:hot|medium|low|high|moderate|preheated|waffle|cast[\s-]iron|dry|buttered|greased|oiled)[\s-]+)*(?:irons?|griddle|pan|skillet|oven|heat)\b|^(?:repos|cuisson|poêle|ruhezeit|pfanne|reposo|sartén)(?!\p{L})(?=.*\d)|^(?:rest|stand|chill|prove|proof|soak|sit|hold|mix|mixer|blend|whisk|disher|scoop|flip|turn)\b(?=[^\p{L}]*\d|.*\d\s*(?:s|min|c)\b)|^\d{1,2}:\d{2}(?:\s*(?:\/|,|-|\+|then|and)\s*\d{1,2}:\d{2})?$|\d\s*(?:min(?:ute)?s?|mins?|secs?|seconds?|hours?|hrs?|°|degrees)(?!\p{L})/iu;

/** "Two big spoons each", "70 ml, ten across the top": a portion, and nothing that it is of. */
export const A_PORTION_ALONE =
  /^\d+ ?g ?\/ ?(?:pcs?|pieces?|ea|each|stk|pancake|waffle|crepe)\b|^\d+ (?:tbsps?|tsps?) (?:each|apiece)(?:$|,(?=.*\b(?:pan|griddle|iron|min|side)))|^(?:(?:an?|one|two|three|half|\d+)\s+)?(?:(?:big|small|large|heaped|good|level)\s+)?(?:(?:table|dessert|tea)?spoon|ladle|scoop)(?:ful)?s?\s+(?:each|apiece|a piece|per (?:piece|cake|pancake))\b|^\d+ ?ml(?:$|,(?!.*\bof\b)| (?:scoops?|ladles?|dishers?|portions?)\b)|^(?:about |around |roughly )?(?:an?|one|half|two|[\d½¼¾⅓⅔]+)(?:[\s-]+(?:a|of a|half|quarter|third|thirds))*[\s-]+(?:cups?|ladles?|scoops?|ml)\s+(?:for\s+)?(?:each|every|apiece|per)\b(?!\s+of\b)|^(?:(?:a|about|just|heaped|generous|scant|level|full)\s)*(?:\d\/\d|[½¼⅓⅔¾]|quarter|third|half|two[- ]thirds)(?: of a)?[ -]cups?(?: goes in| in (?:each|either)\b.*)?$/i;

/** "1 inch ginger, grated": so much of what is cut by its length. */
const A_LENGTH_OF =
  /^[^\p{L}]*(?:inch(?:es)?|cm)\s+(?:(?:piece|knob|stick|length)\s+)?(?:of\s+)?(?:fresh\s+|root\s+)?(?:ginger|turmeric|galangal|horseradish|butter|lard|cinnamon|vanilla|chorizo)\b/iu;

/** "Warm syrup on top": how it is, and nothing that is done. */
const IS_STATE =
  /^(?:warm|cool|dry)\s+(?!(?:the|it|them|an?|up|through|your|to|in|for|on|until|till|gently|slowly|over|and|together|well|thoroughly)\b)[^.!]*$/i;

const THING_AND_AMOUNT =
  /^(\p{L}[^:\d½¼¾⅓⅔⅛]*?)(?:\s*:|\s+[–—-])?\s+((?:(?:about|around|roughly|environ|env\.|ca\.?|etwa|unos|unas|aprox\.)\s+)?[\d½¼¾⅓⅔⅛].*)$/iu;
const THING_AND_SPELLED =
  /^(\p{L}[^:\d½¼¾⅓⅔⅛]*?)(?:\s*:|\s+[–—-]|\t)\s*((?:an?|one|two|three|four|half|quarter|third)\b.*)$/iu;
/** "Active dry yeast: 7 g", "date syrup - 1 tbsp (20 g)": a thing of the pantry, and behind it nothing but an amount. */
export function isThingAndAmount(row: string, house: KitchenConventions): boolean {
  const [, name = '', amount = ''] = THING_AND_AMOUNT.exec(row) ?? THING_AND_SPELLED.exec(row) ?? [];
  const bare = amount.replace(/\s*\([^()]*\)\s*$|[.,;]$/, '').trim();
  return bare !== '' && readAmount(bare)?.length === bare.length && lookUp(name, house).kind !== 'unknown';
}

/** "Mix & fry": nothing but what is done. */
const isAllDone = (t: string): boolean => {
  const words = t.split(/\s*(?:,|\band\b|\bthen\b|&|\+)\s*/).filter(Boolean);
  return words.length > 1 && words.every((w) => DOING.has(w.toLowerCase()));
};

/** Whether a row tells what to do, and is no line of the list. */
export function isMethod(said: string): boolean {
  if (/^step\s*\d{1,2}\b/i.test(said)) return true;
  // "in another bowl three eggs": an amount once the words that lead it in are off
  const row = withoutShortPoints(said);
  const bare = /^[\d½¼¾⅓⅔⅛]/u.test(row) ? row : withoutLead(row);
  const t = bare !== row && readAmount(bare) ? bare : row;
  const isTimed = CLOCK.test(t) && !A_LENGTH_OF.test(t);
  if (isTimed || /^\d{3}\s*[CF]\b/.test(t)) return true;
  // a short row that starts with a number and is no sentence
  if (/^[\d½¼¾⅓⅔⅛.]/u.test(t) && t.length < 60 && !/[.!?]/.test(t)) return false;
  const words = t.split(/\s+/).length;
  const amount = readAmount(t);
  if (amount && amount.amount.terms[0]?.unit !== null) return words > 28 || (words > 9 && /[.!]$/.test(t));
  // "as much flour as it takes"
  const isDone = DOING.has(firstWord(t)) && !IS_STATE.test(t) && !/^as (?:much|many)\b/i.test(t);
  if (isDone && (words > 3 || /[.!]$/.test(t) || isAllDone(t))) return true;
  // "serve it hot": nothing is measured and nothing named
  if (isDone && words > 1 && amount === null && /\b(?:it|them|all|hot|cold|warm|once|well)\b/i.test(t)) return true;
  const told = TOLD.exec(t);
  if (told && DOING.has(firstWord(t.slice(told[0].length))) && words > 3) return true;
  // prose: a full sentence of some length
  return words > 14 || (words > 4 && /[.!]$/.test(t)) || /[.!?]\s+[A-Z]/.test(t);
}

/** Where a row belongs. */
export type RowPlace =
  | { readonly at: 'nowhere' }
  | { readonly at: 'title'; readonly text: string; readonly claims?: readonly string[] }
  | { readonly at: 'heading'; readonly words: string; readonly role: Role; readonly asked?: true }
  | { readonly at: 'aside'; readonly why: SetAside['why']; readonly claims?: readonly string[] }
  | {
      readonly at: 'lines';
      readonly lines: readonly Line[];
      readonly heading?: {
        readonly words: string;
        readonly role: Role;
        readonly stays: boolean;
        /** What the whole card is called by it; null: it heads a group. */
        readonly title: string | null;
      };
    }
  | { readonly at: 'mixed'; readonly lines: readonly Line[]; readonly method: string; readonly title?: string };

/** A row of the text. */
export interface CardRow {
  /** As written, entities and table bars undone. */
  readonly source: string;
  /** Without its bullet. */
  readonly text: string;
}

/** What is known where a row is read. */
export interface RowReading {
  readonly house: KitchenConventions;
  readonly languages: ReadonlySet<Language> | null;
  readonly rows: readonly CardRow[];
  /** Sentences alone, a row for each or for a few: talk as it was written down, and no list. */
  readonly talk: boolean;
  /** Lines so far. */
  readonly before: readonly Line[];
  /** The text is a single row: an ingredient line, whatever it looks like. */
  readonly single: boolean;
  readonly role: Role;
  readonly title: string | null;
  readonly started: boolean;
  /** A heading stands above: the list has begun, and a row below is no title. */
  readonly listed: boolean;
  /** A row that ends with a point is a sentence: the list's own rows have none, or the method has begun. */
  readonly pointed: boolean;
  /** The row that heads the list of a page with talk above it; 0: there is none. */
  readonly list: number;
  /** Rows that are numbered steps, by their place. */
  readonly steps: ReadonlySet<number>;
}

/** A row that is set aside. */
export const aside = (why: SetAside['why']): RowPlace => ({ at: 'aside', why });
/** The vessel that lines under a heading go into; null: the batter's, as each line says. */
export const vesselOf = (role: Role): Vessel | null => {
  if (role === 'dry' || role === 'wet' || role === 'fold-in' || role === 'pan') return role;
  return role === 'topping' || role === 'side' ? 'topping' : null;
};

/** The next row that is not empty. */
export const nextRow = (r: RowReading, n: number): CardRow | undefined =>
  r.rows.slice(n + 1).find((x) => x.text !== '');

/** Whether a row reads as an ingredient with its amount, or at least names one. */
export function isItem(row: CardRow | undefined, r: RowReading, amountToo: boolean): boolean {
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

/** A line, or several where one row says several. */
export function readRows(text: string, r: RowReading, hint: Vessel | null): readonly Line[] {
  const line = readLine(text, r.house, {}, hint, r.languages);
  if (line.rows.length < 2) return [line];
  const rows = line.rows.map((x) => readLine(x, r.house, {}, hint, r.languages));
  return rows.every((x) => x.ingredient !== null) ? rows : [line];
}

/** A line in its place on a card. */
export interface CardLine extends Line {
  /** 1-based line of the text. */
  readonly lineNumber: number;
  /** The section it stands in. */
  readonly section: string;
}

/** A line in its place; written out, as spreading one costs more than reading it. */
export const inPlace = (l: Line, lineNumber: number, section: string): CardLine => ({
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

/** Flour, or milk with eggs: what makes a group a batter. */
export const isBatter = (lines: readonly Line[]): boolean =>
  lines.some((l) => l.ingredient?.category === 'flour' || l.ingredient?.category === 'starch');
