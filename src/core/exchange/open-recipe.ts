/**
 * A recipe as an open format tells it, before its lines are read: what goes to the reader of cards as it stands, what
 * is kept beside it, and, where it is one of ours, the whole formula.
 */

import { unEntity } from '../card/bullet';
import { MOST_CARD_CHARS } from '../card/card';
import { recipesOnCard } from '../card/recipes';
import type { Result } from '../result';

export interface OpenRecipe {
  readonly name: string | null;
  /** For the reader of cards: title, yield, headings and ingredient lines, a row each. */
  readonly card: string;
  /** The ingredient lines alone, and the headings among them; empty where only the reader of cards can tell them. */
  readonly lines: readonly string[];
  /** Steps, as they stand; headings end in a colon. Empty where they are in the card. */
  readonly method: readonly string[];
  /** What the file says besides, a row each: nothing of it is dropped. */
  readonly remarks: readonly string[];
  /** A piece or serving by the file's own numbers. */
  readonly nutrition: OpenNutrition | null;
  /** The whole formula where the file carries one of ours, still to be checked. */
  readonly formula: unknown;
}

/** Of one serving: kcal and grams. */
export interface OpenNutrition {
  readonly kcal: number | null;
  readonly fatG: number | null;
  readonly sugarsG: number | null;
  readonly proteinG: number | null;
  /** So many servings the file makes; null: it does not say. */
  readonly servings: number | null;
}

export interface Unread {
  /** In plain words, what is wrong and what to do. */
  readonly message: string;
}

export type Recipes = Result<readonly OpenRecipe[], Unread>;

export const unread = (message: string): { readonly ok: false; readonly error: Unread } => ({
  ok: false,
  error: { message },
});

/** A row of a card: one line, without what a page wraps it in. */
export const oneRow = (s: string): string =>
  unEntity(s)
    .replace(/<[^<>]{0,500}>/g, ' ')
    .replace(/[\s\u00a0\u200b]+/g, ' ')
    .trim();

/** Rows under a heading, as a card has them. */
export const under = (heading: string | null, rows: readonly string[]): readonly string[] =>
  heading === null || heading === '' ? rows : [`${heading.replace(/[\s:]+$/, '')}:`, ...rows];

/** Remarks longer than this are told with their length. */
const MOST_REMARK = 600;
export const remark = (name: string, said: string): string => {
  const text = oneRow(said);
  return `${name}: ${text.length > MOST_REMARK ? `${text.slice(0, MOST_REMARK)} … (${text.length.toLocaleString('en-GB')} characters)` : text}`;
};

/** A recipe in words, or each of those that its words hold; what is said besides them goes with the first. */
export function parted(r: OpenRecipe): readonly OpenRecipe[] {
  const several = r.lines.length > 0 || r.formula !== undefined ? [] : recipesOnCard(r.card.split(/\r\n|\r|\n/));
  if (several.length === 0) return [r];
  return several.map(({ title, text }, n) => ({
    ...r,
    name: title,
    card: text,
    ...(n > 0 && { method: [], remarks: [] }),
  }));
}

/** As a text for the reader of cards and for the eye: the card, then the steps, then what is said besides. */
export const wholeText = (r: OpenRecipe): string =>
  [
    r.card,
    ...(r.method.length > 0 ? ['', 'Method:', ...r.method] : []),
    ...(r.remarks.length > 0 ? ['', 'Notes:', ...r.remarks] : []),
  ]
    .join('\n')
    .slice(0, MOST_CARD_CHARS);
