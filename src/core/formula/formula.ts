/**
 * A formula: a name, the kind of batter it is meant to be, the conventions it is written in, and its lines as the cook
 * wrote them. Everything else (grams, ratios, findings) is read from these.
 */

import { stripBullet } from '../card/bullet';
import { readCard } from '../card/card';
import { doubtFractions } from '../card/doubt';
import { type Line, type LineChoice, readLine } from '../card/line';
import { type Conventions, FRESH_HOUSE } from '../pantry/conventions';
import { isFlour, kitchenName } from '../pantry/ingredient';
import { behaviourOf } from '../pantry/tables/behaviour';
import type { KindId } from './kinds';

export interface Entry extends LineChoice {
  /** Stable within the formula; ticks and edits hang on it. */
  readonly key: string;
  readonly text: string;
}

export interface Formula {
  readonly name: string;
  readonly kind: KindId;
  readonly school: string;
  readonly conventions: Conventions;
  readonly entries: readonly Entry[];
  /** What stood around the lines on the card. */
  readonly cardNotes: string;
}

export interface FormulaLine extends Line {
  readonly key: string;
}

export const MOST_ENTRIES = 200;
export const MOST_NAME_CHARS = 120;
export const MOST_NOTES_CHARS = 20_000;

export const EMPTY_FORMULA: Formula = { name: '', kind: 'griddle', school: 'even', conventions: FRESH_HOUSE, entries: [], cardNotes: '' };

/** The lines of a formula, read in its own conventions. */
export const formulaLines = (f: Pick<Formula, 'entries' | 'conventions'>): readonly FormulaLine[] =>
  doubtFractions(f.entries.map((e) => ({ ...readLine(e.text, f.conventions, e), key: e.key })));

/** The next free key: keys are never used twice in a formula. */
export function nextKey(entries: readonly Pick<Entry, 'key'>[]): string {
  const most = entries.reduce((m, e) => Math.max(m, Number(/^l(\d+)$/.exec(e.key)?.[1] ?? 0)), 0);
  return `l${most + 1}`;
}

export interface PastedCard {
  readonly title: string | null;
  readonly entries: readonly Entry[];
  readonly notes: string;
}

/**
 * Turns a pasted card into entries. Where a heading put a line into a vessel other than the one it would have by
 * itself, that is kept as the cook's choice.
 * @returns the reason when the text is too long to be a card
 */
export function entriesFromCard(
  text: string,
  house: Conventions,
  after: readonly Entry[] = [],
): { readonly ok: true; readonly value: PastedCard } | { readonly ok: false; readonly message: string } {
  const card = readCard(text, house);
  if (!card.ok) return { ok: false, message: card.error.message };
  const entries: Entry[] = [...after];
  const first = entries.length;
  for (const l of card.value.lines) {
    const text = stripBullet(l.text);
    const alone = readLine(text, house);
    const entry: Entry = { key: nextKey(entries), text };
    entries.push(alone.vessel === l.vessel ? entry : { ...entry, vessel: l.vessel });
  }
  const notes = card.value.ignored
    .filter((s) => s.why !== 'heading')
    .map((s) => s.text.trim())
    .join('\n');
  return { ok: true, value: { title: card.value.title, entries: entries.slice(first), notes } };
}

/** The heaviest flour and the heaviest poured liquid, by name; null where there is none. */
export function mainsOf(lines: readonly Line[]): { readonly flour: string | null; readonly liquid: string | null } {
  const sums = new Map<string, { grams: number; flour: boolean }>();
  for (const l of lines) {
    if (l.use !== 'batter') continue;
    for (const { ingredient: i, grams } of l.parts) {
      const flour = isFlour(i);
      if (!flour && !behaviourOf(i).poured) continue;
      const name = kitchenName(i);
      sums.set(name, { grams: (sums.get(name)?.grams ?? 0) + grams, flour });
    }
  }
  const top = (flour: boolean): string | null =>
    [...sums.entries()].filter(([, s]) => s.flour === flour).sort((a, b) => b[1].grams - a[1].grams)[0]?.[0] ?? null;
  return { flour: top(true), liquid: top(false) };
}
