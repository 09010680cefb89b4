/**
 * A recipe of an open format as a formula of ours: its lines read, every one accounted for, and what is still to be
 * asked.
 */

import { nutritionOf } from '../facts/account';
import { EMPTY_FORMULA, type Formula, MOST_ENTRIES, MOST_NAME_CHARS, MOST_NOTES_CHARS } from '../formula/formula';
import { entriesFromCard } from '../formula/from-card';
import type { Kitchen } from '../formula/kitchen-settings';
import { countedLines, formulaLines } from '../formula/lines';
import { withCard } from '../formula/pasted';
import type { Result } from '../result';
import { type OpenNutrition, type OpenRecipe, type Unread, unread, wholeText } from './open-recipe';
import { ingredientRows, notesOf } from './write';

export interface Imported {
  readonly formula: Formula;
  /** Lines that were read; and how many of them ask something before they can be weighed. */
  readonly lines: number;
  readonly asked: number;
  /** Why it is taken for its kind; null where nothing speaks for any. */
  readonly why: string | null;
  /** Came whole, with its kind, ways and choices: it is one of ours. */
  readonly whole: boolean;
}

/** Energy of a serving by the source's own numbers may be off by so much before the cook is told. */
const NUTRITION_OFF = 0.3;

/**
 * Where the source's own energy of a serving and ours are far apart: most often a line that was not read, or is
 * missing.
 */
function nutritionCheck(f: Formula, house: Kitchen, n: OpenNutrition | null): readonly string[] {
  if (!n?.kcal || !n.servings) return [];
  const lines = countedLines(f, house);
  const { of, open } = nutritionOf(lines);
  const ours = of.kcal / n.servings;
  if (!(ours > 0) || Math.abs(ours - n.kcal) <= NUTRITION_OFF * n.kcal) return [];
  const missing =
    open.length > 0 ? ` ${open.length === 1 ? 'One line has' : `${open.length} lines have`} no amount yet.` : '';
  return [
    `Energy check: the source says ${Math.round(n.kcal)} kcal a serving, the batter’s lines come to ${Math.round(ours)}.${missing}`,
  ];
}

/**
 * Whether a file still says what the formula it carries says, of one of its ends where it has two: no other hand was at
 * it.
 */
function isStill(own: Formula, r: OpenRecipe, house: Kitchen): boolean {
  const same = (a: readonly string[], b: readonly string[]): boolean =>
    a.length === b.length && a.every((x, n) => x === b[n]);
  const notes = notesOf({ formula: own });
  return (
    (notes.length === 0 || same(notes, r.method)) &&
    (own.ends?.map((e) => e.id) ?? [null]).some((end) => same(ingredientRows({ formula: own, house, end }), r.lines))
  );
}

/**
 * @param own one of our formulas that the file carries whole, already checked; it stands where its lines are still
 * those of the file, or the file has none beside it; else the file's lines do
 */
export function formulaFrom(r: OpenRecipe, house: Kitchen, own: Formula | null): Result<Imported, Unread> {
  if (own !== null && (r.lines.length === 0 || isStill(own, r, house)))
    return { ok: true, value: told(own, house, null, true) };
  const card = entriesFromCard(r.card, house.conventions);
  if (!card.ok) return unread(card.message);
  if (card.value.entries.length === 0)
    return unread('No ingredient line was found in it. A line starts with an amount, like "2 cups flour".');
  if (card.value.entries.length > MOST_ENTRIES)
    return unread(`It has ${card.value.entries.length} lines; a formula has at most ${MOST_ENTRIES}.`);
  const whole = entriesFromCard(wholeText(r), house.conventions);
  const guess = (whole.ok ? whole.value.guess : null) ?? card.value.guess;
  const notes = [card.value.notes, ...r.method, ...r.remarks].filter(Boolean).join('\n');
  const name = (r.name ?? card.value.title ?? '').slice(0, MOST_NAME_CHARS);
  const formula = withCard({ ...EMPTY_FORMULA, name }, { ...card.value, notes, guess });
  const checked = [formula.cardNotes, ...nutritionCheck(formula, house, r.nutrition)].join('\n');
  if (checked.length > MOST_NOTES_CHARS)
    return unread(
      `What stands around its lines has ${checked.length.toLocaleString('en-GB')} characters; at most ${MOST_NOTES_CHARS.toLocaleString('en-GB')} are kept. Shorten it first.`,
    );
  return { ok: true, value: told({ ...formula, cardNotes: checked }, house, guess?.why ?? null, false) };
}

function told(formula: Formula, house: Kitchen, why: string | null, whole: boolean): Imported {
  const lines = formulaLines(formula, house).filter((l) => !l.off);
  return {
    formula,
    lines: lines.length,
    asked: lines.filter((l) => l.status !== 'read' || l.group?.asked === true).length,
    why,
    whole,
  };
}
