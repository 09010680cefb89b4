/**
 * A card: free text with a title, headings, ingredient lines, a yield and a method around them. Each line of the text
 * ends up in one place: the title, the ingredient lines, or set aside with the reason. Nothing is dropped.
 */

import type { KitchenConventions } from '../pantry/conventions';
import { lookUp } from '../pantry/lookup';
import { readAmount } from '../quantity/amount';
import type { Result } from '../result';
import { stripBullet } from './bullet';
import { doubtFractions } from './doubt';
import { type Line, readLine } from './line';
import type { Vessel } from './parts';

export interface CardLine extends Line {
  /** 1-based line of the text. */
  readonly lineNumber: number;
}

export interface SetAside {
  readonly lineNumber: number;
  readonly text: string;
  readonly why: 'heading' | 'yield' | 'method' | 'note';
}

export interface Card {
  readonly title: string | null;
  readonly lines: readonly CardLine[];
  readonly ignored: readonly SetAside[];
}

export interface CardTooLong {
  readonly chars: number;
  readonly message: string;
}

/** A card longer than this is no card. */
export const MOST_CARD_CHARS = 60_000;
const MOST_CARD_LINES = 1_500;

type Section = Vessel | 'batter' | 'method' | 'notes';

const METHOD_HEAD =
  /^(?:method|directions?|instructions?|preparation|steps?|how to(?: make)?(?: it| them)?|procedure|to (?:make|cook|mix|prepare)(?: .{1,30})?|making|cooking)\s*[:.]?$/i;
const NOTES_HEAD = /^(?:notes?|tips?|variations?|storage|nutrition|equipment|tools)\s*[:.]?$/i;
const PAN_HEAD = /\b(?:pan|griddle|frying|greasing|cooking)\b/i;
const TOPPING_HEAD = /\b(?:topping|toppings|serve|serving|sauce|garnish|filling|finish)\b/i;
const FOLD_HEAD = /\b(?:fold[- ]?ins?|add[- ]?ins?|mix[- ]?ins?|to fold in|whites)\b/i;
const YIELD =
  /^(?:(?:serves|makes|yields?|servings?|feeds|portions?|for)\b\s*:?\s*(?:about\s+|approx\.?\s+)?(?:\d|one|two|three|four|six|eight|ten|twelve|a dozen)|(?:about\s+)?\d+(?:\s*(?:-|–|to)\s*\d+)?\s+(?:servings?|portions?|pancakes|waffles|crepes|pieces|people|guests)\s*\.?$)/i;
const TIMES =
  /^(?:notes?|tips?|prep(?:aration)?|cook(?:ing)?|total|active|rest(?:ing)?|ready|oven|temperature|heat|difficulty|level|source|from|by|cuisine|course|category|date)\b[^,]{0,24}:/i;
const CLOCK =
  /^(?:about\s+)?[\d.,½¼¾/ –-]+\s*(?:(?:to|or)\s+\d+\s*)?(?:min(?:ute)?s?|hours?|hrs?|h|seconds?|secs?|°|degrees?|cm\b|mm\b|inch(?:es)?\b)(?:\b|\s|$)/i;
const VERBS = new Set(
  `add allow arrange bake beat blend boil bring brush chill check combine cook cool cover crack cut discard divide do drain drizzle drop dust fill finish flip
  fold fry garnish grease grind heat hold if in invert keep ladle leave let lift lightly line lower make mash measure meanwhile melt mix once open place pour
  preheat prepare press puree put quickly reduce reheat remove repeat rest return rub scatter scoop scrape season separate serve set sieve sift simmer slide slowly soak
  spoon spread sprinkle start stack stir strain swirl switch take then tilt toss transfer turn until use wait warm when whip whisk wipe work wrap gently carefully
  using with after before while as for to first next finally repeat`
    .split(/\s+/)
    .filter(Boolean),
);

function headingSection(text: string): Section | null {
  const t = text.replace(/^[#=*_\s]+|[#=*_\s]+$/g, '');
  if (METHOD_HEAD.test(t)) return 'method';
  if (NOTES_HEAD.test(t)) return 'notes';
  const bare =
    /^(?:ingredients?(?: for .{1,24})?|ingredients?: (?:amount|quantity|measure)|(?:step|day|part) \d{1,2}|batter|pancakes?|waffles?|crepes?|dry(?: ingredients?| mix| bowl)?|wet(?: ingredients?| mix| bowl)?)\s*:?$/i.test(
      t,
    );
  const colon = /:$/.test(t);
  const words = t.replace(/:$/, '').split(/\s+/).length;
  const marked = /^[#=*_]/.test(text);
  if (!bare && !((colon || marked) && words <= 7)) {
    return /^(?:for|to)\s+(?:the\s+)?(?:pan|griddle|serving|serve|finish|garnish|top|topping|toppings|batter|sauce|filling|frying)$/i.test(t)
      ? sectionOf(t)
      : null;
  }
  return sectionOf(t);
}

function sectionOf(t: string): Section {
  if (TOPPING_HEAD.test(t)) return 'topping';
  if (PAN_HEAD.test(t) && !/pancake/i.test(t)) return 'pan';
  if (FOLD_HEAD.test(t)) return 'fold-in';
  if (/^dry\b/i.test(t)) return 'dry';
  if (/^wet\b/i.test(t)) return 'wet';
  return 'batter';
}

const hintOf = (s: Section): Vessel | null => (s === 'batter' || s === 'method' || s === 'notes' ? null : s);

const firstWord = (t: string): string => (/^[\p{L}]+/u.exec(t)?.[0] ?? '').toLowerCase();

function isMethod(t: string): boolean {
  const words = t.split(/\s+/).length;
  if (CLOCK.test(t)) return true;
  if (/^\d{3}\s*[CF]\b/.test(t)) return true;
  const amount = readAmount(t);
  if (amount && amount.amount.terms[0]?.unit !== null) return words > 28;
  if (VERBS.has(firstWord(t)) && (words > 3 || /[.!]$/.test(t))) return true;
  // prose: a full sentence of some length
  return words > 14 || (words > 4 && /[.!]$/.test(t)) || /[.!?]\s+[A-Z]/.test(t);
}

/** "2 cups flour, 1 tsp salt, 2 eggs": several whole ingredients on one line. */
function several(t: string, house: KitchenConventions): readonly string[] | null {
  const bits = t.split(/\s*;\s*|\s*,\s+(?=[\d½¼¾⅓⅔⅛]|(?:an?|one|two|three|four|five|six|half|pinch)\s)/iu).filter(Boolean);
  if (bits.length < 2) return null;
  const whole = bits.every((b) => {
    const l = readLine(b, house);
    return l.ingredient !== null && l.grams !== null;
  });
  return whole ? bits : null;
}

type Place =
  | { readonly at: 'nowhere' }
  | { readonly at: 'title'; readonly text: string }
  | { readonly at: 'heading'; readonly section: Section }
  | { readonly at: 'aside'; readonly why: SetAside['why'] }
  | { readonly at: 'lines'; readonly lines: readonly Line[] };

interface Reading {
  readonly house: KitchenConventions;
  readonly rows: readonly string[];
  /** The text is a single row: an ingredient line, whatever it looks like. */
  readonly single: boolean;
  /** A card that writes "-2 cups" on several lines uses the dash as a bullet. */
  readonly dashBullets: boolean;
  readonly section: Section;
  readonly title: string | null;
  readonly started: boolean;
}

const aside = (why: SetAside['why']): Place => ({ at: 'aside', why });

/** Where one row of the text belongs. */
function place(raw: string, n: number, r: Reading): Place {
  const source = r.dashBullets ? raw.replace(/^(\s*)-(?=\d)/, '$1') : raw;
  const t = stripBullet(source);
  if (t === '') return { at: 'nowhere' };
  const section = r.single ? null : headingSection(t);
  if (section) return { at: 'heading', section };
  if (r.section === 'method') return aside('method');
  if (r.section === 'notes') return aside('note');
  if (YIELD.test(t)) return aside('yield');
  if (TIMES.test(t)) return aside('note');
  const numbered = /^\s*\(?\d{1,2}[.)]\s+[A-Za-z]/.test(source);
  if (!r.single && isMethod(t)) return aside(!r.started && !numbered && !VERBS.has(firstWord(t)) ? 'note' : 'method');
  const hint = hintOf(r.section);
  const bits = several(t, r.house);
  if (bits) return { at: 'lines', lines: bits.map((bit) => readLine(bit, r.house, {}, hint)) };
  const line = readLine(source.trim(), r.house, {}, hint);
  // "Waffles (makes 8)": a number with nothing to count is no amount
  const bare = line.ingredient === null && /^\p{L}/u.test(t) && line.written.every((a) => a.terms[0]?.unit === null);
  const hasAmount = (line.written.length > 0 && !bare) || line.findings.some((f) => f.code === 'not-positive' || f.code === 'enormous');
  if (!hasAmount && !r.single && !r.started) {
    const names = line.ingredient !== null || lookUp(t, r.house).kind !== 'unknown';
    if (!r.title && (!names || looksLikeTitle(raw, r.rows.slice(n + 1)))) return { at: 'title', text: t };
    if (!names) return aside('note');
  }
  return { at: 'lines', lines: [line] };
}

/**
 * Reads a pasted card.
 * @param text free text; what is longer than a card can be is refused with its length, nothing is cut off
 * @param house conventions for what the card does not say
 */
export function readCard(text: string, house: KitchenConventions): Result<Card, CardTooLong> {
  const rows = text.split(/\r\n|\r|\n|\u2028|\u2029/);
  if (text.length > MOST_CARD_CHARS || rows.length > MOST_CARD_LINES) {
    const n = (x: number): string => x.toLocaleString('en-GB');
    const message = `This text has ${n(text.length)} characters on ${n(rows.length)} lines; a card has at most ${n(MOST_CARD_CHARS)} on ${n(MOST_CARD_LINES)}. Paste only the recipe.`;
    return { ok: false, error: { chars: text.length, message } };
  }
  const dashBullets = rows.filter((r) => /^\s*-\d/.test(r)).length > 1;
  const single = rows.filter((r) => r.trim() !== '').length === 1;
  let title: string | null = null;
  let section: Section = 'batter';
  const lines: CardLine[] = [];
  const ignored: SetAside[] = [];
  for (const [n, raw] of rows.entries()) {
    const lineNumber = n + 1;
    const p = place(raw, n, { house, rows, single, dashBullets, section, title, started: lines.length > 0 });
    switch (p.at) {
      case 'nowhere':
        break;
      case 'title':
        title = p.text;
        break;
      case 'heading':
        section = p.section;
        ignored.push({ lineNumber, text: raw, why: 'heading' });
        break;
      case 'aside':
        ignored.push({ lineNumber, text: raw, why: p.why });
        break;
      case 'lines':
        for (const line of p.lines) lines.push({ ...line, lineNumber });
    }
  }
  return { ok: true, value: { title, lines: doubtFractions(lines), ignored } };
}

/** "Buttermilk" alone on top, a gap below it: a title though it names an ingredient. */
function looksLikeTitle(raw: string, after: readonly string[]): boolean {
  return /^\s*[A-Z#]/.test(raw) && !/^\s*[-*•]/.test(raw) && (after[0]?.trim() === '' || /^\s*#/.test(raw)) && after.some((r) => r.trim() !== '');
}
