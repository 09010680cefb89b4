/** The lines of a formula as they are read in a house: what the words on them come to. */

import { doubtFractions } from '../card/doubt';
import { type Line, readLine } from '../card/line';
import { BY_TASTE } from '../card/phrases';
import { houseKey } from '../pantry/conventions';
import { behaviourOf } from '../pantry/tables/behaviour';
import { drainLine } from './drained';
import {
  counts,
  type EndId,
  type Entry,
  endOf,
  type Formula,
  type FormulaLine,
  kitchenOf,
  type Moment,
} from './formula';
import { FRESH_KITCHEN, type Kitchen } from './kitchen-settings';
import { powderStrength } from './powder-age';

/**
 * Add-ins go in when their entry says; of other lines of the batter nothing can be said but that they wait for the
 * rest.
 */
const momentOf = (e: Entry, line: Line): Moment | null => {
  if (isAddIn(line)) return e.moment ?? (line.ingredient?.id === 'lemon-zest' ? null : 'bowl');
  return line.use === 'batter' && (e.moment === 'rest' || e.moment === 'whipped') ? e.moment : null;
};

export const isAddIn = (l: Line): boolean =>
  l.ingredient !== null && l.use === 'batter' && behaviourOf(l.ingredient).inclusion;

/** Lines as last made of their entries: an entry that has not changed is the same line, by reference too. */
const made = new WeakMap<Entry, { readonly kitchen: string; readonly line: FormulaLine }>();

const kitchenKey = ({ conventions, ways, today, openedOn }: Kitchen): string =>
  [houseKey(conventions), ways.whites, today, ...Object.entries(openedOn ?? {}).flat()].join(' ');

function lineOf(e: Entry, k: Kitchen): FormulaLine {
  const read = readLine(e.text, k.conventions, e);
  const line = e.drainedG ? drainLine(read, e.drainedG) : read;
  const ages = line.ingredient !== null && line.ingredient.ownAcidMeqPer100g > 0;
  const opened = e.opened ?? (ages ? (k.openedOn?.[line.ingredient?.id ?? ''] ?? null) : null);
  // field by field: this is worked at every keystroke, and spreading a line is most of its cost
  return {
    text: line.text,
    status: line.status,
    ingredient: line.ingredient,
    amounts: line.amounts,
    written: line.written,
    parts: line.parts,
    grams: line.grams,
    gramsLow: line.gramsLow,
    gramsHigh: line.gramsHigh,
    basis: line.basis,
    use: line.use,
    vessel: line.vessel,
    preparation: line.preparation,
    // a line or a method that names its peaks has them; else they are as the cook whips
    foam: line.foam && !e.foam && !/\b(?:soft|firm|stiff)\b/i.test(line.text) ? k.ways.whites : line.foam,
    findings: line.findings,
    suggestions: line.suggestions,
    words: line.words,
    alternatives: line.alternatives,
    readings: line.readings,
    side: e.group ? (e.group.role === 'side' ? e.group.name : null) : line.side,
    rows: line.rows,
    key: e.key,
    off: e.off === true,
    pinned: e.pinned === true,
    end: e.end ?? null,
    opened,
    drainedG: line === read ? 0 : (e.drainedG ?? 0),
    mostG: e.mostG ?? null,
    proposed: e.proposed ?? null,
    strength: opened && k.today && ages ? powderStrength(opened, k.today) : 1,
    moment: momentOf(e, line),
    dressing: e.dressing ?? 'plain',
    group: e.group ?? null,
  };
}

/** All lines of a formula, read in its own conventions, those switched off and those of the other end too. */
export function formulaLines(
  f: Pick<Formula, 'entries' | 'conventions'> & Partial<Pick<Formula, 'edits'>>,
  house: Kitchen = FRESH_KITCHEN,
): readonly FormulaLine[] {
  const k = kitchenOf(f, house);
  const kitchen = kitchenKey(k);
  return doubtFractions(
    f.entries.map((e): FormulaLine => {
      const known = made.get(e);
      if (known?.kitchen === kitchen) return known.line;
      const line = lineOf(e, k);
      made.set(e, { kitchen, line });
      return line;
    }),
  );
}

/** The lines that make up one end of a formula (a formula without ends has only its base). */
export const countedLines = (f: Formula, house: Kitchen, end: EndId | null = null): readonly FormulaLine[] => {
  const at = endOf(f, end);
  return formulaLines(f, house).filter((l) => counts(l, at?.id ?? null));
};

/** "Salt to taste": a thing that is known, as much of it as is liked. It is on the sheet without an amount. */
const isByTaste = (l: FormulaLine): boolean =>
  l.ingredient !== null && l.findings[0]?.code === 'no-amount' && BY_TASTE.test(l.text);

/** Lines that would be in the batter and are not understood: they never go into a batch unseen. */
export const notUnderstood = (lines: readonly FormulaLine[]): readonly FormulaLine[] =>
  lines.filter(
    (l) =>
      !l.off &&
      l.use === 'batter' &&
      l.status !== 'read' &&
      l.parts.length === 0 &&
      l.text.trim() !== '' &&
      !isByTaste(l),
  );
