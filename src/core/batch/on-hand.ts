/**
 * Begin from what there is: things on hand with their amounts, and which formulas use them up, how far each goes, how
 * many pieces that is and what else it takes. What there is is a hard bound: no formula is scaled beyond it. Grams.
 */

import { readLine } from '../card/line';
import { isClean } from '../card/prose';
import { asItself } from '../facts/account';
import { isShellEgg } from '../formula/eggs';
import { atEnd, type EndId, type Formula, type FormulaLine } from '../formula/formula';
import { kindById, schoolOf, usualPortionMl } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { countedLines } from '../formula/lines';
import { isOpen } from '../formula/open';
import { numbersOf } from '../numbers';
import { type Ingredient, kitchenName } from '../pantry/ingredient';
import { meansOf } from './worth';

export interface OnHand {
  readonly text: string;
  readonly ingredient: Ingredient;
  readonly grams: number;
}

interface OnHandRead {
  readonly things: readonly OnHand[];
  /** What names no known thing, or says no amount: asked about. */
  readonly open: readonly { readonly text: string; readonly why: string }[];
}

/** More things than this are a pantry, and no question. */
const MOST_ON_HAND = 40;

/** What is said of why it has to go, and names nothing: "the last of", "going off tomorrow", "left over". */
const WHY_IT_GOES =
  /^(?:there(?:[’']s| is| are)|(?:we|i)(?:[’']ve)?(?: still)? (?:got|have)|left|in the fridge|ich habe|wir haben|j[’']ai|il (?:y a|reste)|hay|tengo|quedan?)(?: noch| encore| todavía)?:?\s+|^(?:(?:about|some|the|my|all|just|only|a (?:few|little|bit of)|(?:the )?(?:last|rest|remains|remainder)(?: bit)? of(?: the)?|left[- ]?over|remaining)\s+)+(?=(?:left[- ]?over\s+)?\p{L}{3,})|\s*[(,]?\s*(?:that (?:is|are|needs?|has|have)\s+)?(?:going (?:off|soft|sour)|left(?:[- ]?over)?|needs? (?:using|to go|eating)|to (?:be used|use) up|about to (?:turn|go)|past its (?:date|best)|near(?:ing)? its date|from (?:yesterday|last night))\b(?: (?:up|tomorrow|today|soon))?\)?$/giu;
/** How much of the next thing begins. */
const SO_MUCH = String.raw`(?:[\d½¼¾⅓⅔]|(?:an?|one|two|three|four|five|six|seven|eight|nine|ten|half|some|plenty|eine?n?|zwei|drei|une?|deux|trois|una?|dos|tres)\b)`;
/** Between two things; "a cup and a half" and "1/2 cup" are one. */
const BETWEEN = new RegExp(
  String.raw`[\n;]|,(?!\d)|(?!\band (?:an? )?(?:half|quarter|third)\b)\b(?:and|und|et|y)\b(?=\s+${SO_MUCH})|\s[+&/•·|–-]\s(?=${SO_MUCH})|(?<=\p{L}{3})\.\s+(?=${SO_MUCH})`,
  'iu',
);

/** "No butter": nothing of it is there. */
const NONE = /^(?:no|not any|out of|never any)\s+\p{L}+(?:\s\p{L}+)?$/iu;

/** Things, a row each: by comma, semicolon, line, or "and" before a number; "rice, 300 g" is one. */
function rowsIn(text: string, house: Kitchen): readonly string[] {
  const parts = text
    .split(BETWEEN)
    .map((t) => t.replace(WHY_IT_GOES, ' ').trim())
    .filter((t) => t !== '' && !NONE.test(t));
  const rows: string[] = [];
  for (const part of parts) {
    const before = rows.at(-1);
    // what names nothing is of the thing before it, where both are read together: its amount, or its state
    const isBare = before !== undefined && readLine(part, house.conventions).ingredient === null;
    const joined = isBare
      ? [`${part} ${before}`, `${before} (${part})`, `${before}, ${part}`].find((row) => {
          const line = readLine(row, house.conventions);
          return line.status === 'read' && isClean(line);
        })
      : undefined;
    if (joined === undefined) rows.push(part);
    else rows[rows.length - 1] = joined;
  }
  return rows;
}

/**
 * "700 g of buttermilk, five eggs, one banana". @param text things by comma, semicolon, "and" before a number, or line
 */
export function readOnHand(text: string, house: Kitchen): OnHandRead {
  const rows = rowsIn(text, house);
  const things: OnHand[] = [];
  const open: { text: string; why: string }[] = [];
  for (const row of rows.slice(MOST_ON_HAND))
    open.push({ text: row, why: `More than ${MOST_ON_HAND} things at once: left out.` });
  for (const row of rows.slice(0, MOST_ON_HAND)) {
    const l = readLine(row, house.conventions);
    // "200 g sourdough discard": itself, and not its flour and water
    const [part, ...more] = asItself(l);
    // written twice, it is there twice
    const at = part ? things.findIndex((t) => sameThing(t.ingredient, part.ingredient)) : -1;
    const before = things[at];
    if (part && more.length === 0 && part.grams > 0) {
      if (before) things[at] = { ...before, text: `${before.text}, ${row}`, grams: before.grams + part.grams };
      else things.push({ text: row, ingredient: part.ingredient, grams: part.grams });
    } else open.push({ text: row, why: l.findings[0]?.message ?? 'Write one thing and how much of it there is.' });
  }
  return { things, open };
}

/** One and the same in a kitchen: shell eggs of any size, a kitchen's own thing and what it is like. */
export const sameThing = (a: Ingredient, b: Ingredient): boolean =>
  a.id === b.id || (isShellEgg(a.id) && isShellEgg(b.id)) || a.like === b.id || b.like === a.id;

export interface UsesUp<F> {
  readonly of: F;
  readonly end: EndId | null;
  /** Times the formula. */
  readonly factor: number;
  readonly massG: number;
  /** Null where it fills a pan. */
  readonly pieces: number | null;
  readonly portionMl: number | null;
  /** What of the things on hand goes in, and how much there is of each. */
  readonly uses: readonly { readonly thing: OnHand; readonly grams: number }[];
  /** The one that sets how far it goes. */
  readonly drives: OnHand;
  /** What else it takes, by name. */
  readonly needs: readonly { readonly name: string; readonly grams: number }[];
  /** Lines of it that are not read or say no amount, as written: it takes them too, nobody knows how much. */
  readonly unread: readonly string[];
}

/** More than this many times a card is another day's work. */
export const MOST_TIMES_A_CARD = 10;
/** A thing all but used up counts as used up: this share of it. */
export const USED_UP = 0.98;

/** What a line takes, as far as it is no topping: a blend that is on hand as itself. */
const takes = (l: FormulaLine, things: readonly Ingredient[]): ReturnType<typeof asItself> =>
  l.use === 'topping' ? [] : things.some((t) => t.id === l.ingredient?.id) ? asItself(l) : l.parts;

const inIt = (lines: readonly FormulaLine[], thing: Ingredient): number =>
  lines.reduce(
    (a, l) => a + takes(l, [thing]).reduce((b, p) => (sameThing(p.ingredient, thing) ? b + p.grams : b), 0),
    0,
  );

/**
 * What a formula takes of the things on hand as its lines stand, and what else.
 * @param lines in the amounts that are made
 */
export function usesIn<F>(
  of: F,
  at: Pick<Formula, 'kind' | 'school' | 'portionMl'>,
  end: EndId | null,
  lines: readonly FormulaLine[],
  things: readonly OnHand[],
  factor = 1,
): Omit<UsesUp<F>, 'drives'> {
  const found = things.map((thing) => ({ thing, each: inIt(lines, thing.ingredient) })).filter((x) => x.each > 0);
  const before = numbersOf(lines, at.kind);
  const school = schoolOf(kindById(at.kind), at.school);
  const portionMl = school.portionMl ? (at.portionMl ?? usualPortionMl(school)) : null;
  const { pieces, massG } = meansOf(lines, before, factor, portionMl);
  const others = new Map<string, number>();
  for (const l of lines)
    for (const p of takes(
      l,
      found.map((x) => x.thing.ingredient),
    ))
      if (!found.some((x) => sameThing(x.thing.ingredient, p.ingredient))) {
        const name = kitchenName(p.ingredient).toLowerCase();
        others.set(name, (others.get(name) ?? 0) + p.grams * factor);
      }
  return {
    of,
    end,
    factor,
    massG,
    pieces,
    portionMl,
    uses: found.map((x) => ({ thing: x.thing, grams: x.each * factor })),
    needs: [...others].map(([name, grams]) => ({ name, grams })).sort((a, b) => b.grams - a.grams),
    unread: lines.filter(isOpen).map((l) => l.text),
  };
}

/** A formula scaled until the first thing on hand is used up; null: it has none of them. */
export function scaledFor<F extends { readonly formula: Formula }>(
  of: F,
  end: EndId | null,
  things: readonly OnHand[],
  house: Kitchen,
): UsesUp<F> | null {
  const f = of.formula;
  const lines = countedLines(f, house, end);
  const found = things.map((thing) => ({ thing, each: inIt(lines, thing.ingredient) })).filter((x) => x.each > 0);
  const [least] = [...found].sort((a, b) => a.thing.grams / a.each - b.thing.grams / b.each);
  if (!least) return null;
  const factor = Math.min(MOST_TIMES_A_CARD, least.thing.grams / least.each);
  return { ...usesIn(of, atEnd(f, end), end, lines, things, factor), drives: least.thing };
}

/** Of all that there is, the share that a formula uses up; things used up whole count once more. */
export const shareUsed = (u: Pick<UsesUp<unknown>, 'uses'>, things: readonly OnHand[]): number =>
  things.reduce((a, t) => {
    const used = u.uses.find((x) => sameThing(x.thing.ingredient, t.ingredient));
    const share = used ? Math.min(1, used.grams / t.grams) : 0;
    return a + share + (share >= USED_UP ? 0.5 : 0);
  }, 0);

/**
 * Which formulas use up what there is, the best first; those that use none of it are not in it. An end of a forked
 * formula stands by itself.
 */
export function usingUpFrom<F extends { readonly formula: Formula }>(
  formulas: readonly F[],
  things: readonly OnHand[],
  house: Kitchen,
): readonly UsesUp<F>[] {
  return formulas
    .flatMap((of) =>
      (of.formula.ends?.map((e) => e.id) ?? [null]).flatMap((end) => scaledFor(of, end, things, house) ?? []),
    )
    .map((u) => ({ u, score: shareUsed(u, things) }))
    .sort((a, b) => b.score - a.score || a.u.needs.length - b.u.needs.length)
    .map(({ u }) => u);
}
