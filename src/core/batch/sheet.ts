/**
 * The sheet to mix from: a scaled formula as lines to weigh, in the order of the vessels they go into and, within each,
 * in the order that needs the fewest spoons washed.
 */

import Fraction from 'fraction.js';
import { VESSELS } from '../card/parts';
import { type AccountLine, takenAs } from '../facts/account';
import { isShellEgg } from '../formula/eggs';
import { type EndId, type FormulaLine, MOMENT_NAMES, type UsualSpan } from '../formula/formula';
import { EGG_G } from '../pantry/egg-parts';
import { allFine, instead, spoonsOf } from '../pantry/honest';
import { type Ingredient, kitchenName, membersOf } from '../pantry/ingredient';
import type { Shelf } from '../pantry/stock';
import { writeNumber } from '../quantity/number';
import { asWeighed, counted, gramsExact, gramsNumber } from '../quantity/say';
import { unitById } from '../quantity/units';
import { EGG_PART, EGG_PARTS, separates } from '../script/separated';
import { ONCE } from './once';
import { inOrder, type Measured } from './order';
import type { Scaled } from './scale';
import { atTheHeat } from './sheet-groups';
import { goesOnScale, type SheetLine } from './sheet-line';
import type { ShelfUse } from './take-out';

/** "about 9 3/4", to the quarter egg; empty for what is not counted. */
function eggs(line: FormulaLine, grams: number): string {
  const i = line.ingredient;
  if (i?.category !== 'egg' || !i.piece || line.parts.length !== 1) return '';
  const quarters = Math.round((4 * grams) / i.piece.grams);
  if (quarters < 1) return '';
  const exact = Math.abs(quarters / 4 - grams / i.piece.grams) < 0.02;
  return ` (${exact ? '' : 'about '}${writeNumber(new Fraction(quarters, 4))})`;
}

/** A count of eggs is whole within this much of one. */
const WHOLE = 0.02;

/**
 * Eggs that are separated as two lines: yolks where they stand, whites to be folded in; together they weigh what the
 * eggs do.
 */
function inEggParts<L extends SheetLine>(l: L, line: FormulaLine): readonly L[] {
  if (!separates(line) || l.grams === null) return [l];
  const all = l.grams;
  const count = all / (line.parts[0]?.ingredient.piece?.grams ?? EGG_G);
  const whole = Math.abs(count - Math.round(count)) < WHOLE ? Math.round(count) : null;
  // weighed to the gram they stay so, and none of it goes between them
  const fine = Math.abs(all - Math.round(all)) > 1e-9;
  const yolksG = fine ? all * EGG_PARTS[0].share : asWeighed(all * EGG_PARTS[0].share).grams;
  const counts = whole !== null && !goesOnScale(l);
  const of = line.ingredient ? kitchenName(line.ingredient) : line.text;
  return EGG_PARTS.map((p): L => {
    const grams = p.one === 'yolk' ? yolksG : all - yolksG;
    const many = counted(whole ?? Math.ceil(count), `${p.one}s`);
    return {
      ...l,
      key: `${l.key}${EGG_PART}${p.key}`,
      name: `${of} ${p.one}s${counts ? '' : whole === null ? ` (of ${counted(Math.ceil(count), 'eggs')})` : ` (${whole})`}`,
      vessel: p.one === 'white' ? 'fold-in' : l.vessel,
      grams,
      measure: counts ? many : fine ? gramsExact(grams) : `${gramsNumber(grams)} g`,
      preparation: p.one === 'white' ? `whipped apart${line.foam === 'firm' ? ', firm' : ''}` : '',
      spoons: null,
      tool: null,
      ...(l.mostG && { mostG: l.mostG * p.share }),
      parts: (l.parts ?? []).map((x) => ({ ...x, grams: (x.grams * grams) / all })),
    };
  });
}

/**
 * Part of an egg is of a beaten one: how many are beaten for what is weighed. Empty where they come whole, or are
 * separated.
 */
function beaten(line: FormulaLine, grams: number | null, weighed: boolean): string {
  const each =
    line.ingredient?.category === 'egg' && line.parts.length === 1 && isShellEgg(line.ingredient.id)
      ? line.ingredient.piece?.grams
      : undefined;
  if (!each || !weighed || grams === null || separates(line)) return '';
  const count = grams / each;
  return Math.abs(count - Math.round(count)) < WHOLE
    ? ''
    : `beat ${Math.ceil(count)}, weigh from ${count > 1 ? 'them' : 'it'}`;
}

/** The spoon or cup a line is measured with, as it is written. */
export const toolOf = (line: Pick<FormulaLine, 'amounts'>): string | null => {
  const unit = line.amounts[0]?.unit ?? null;
  return unit === 'cup' || unit === 'tbsp' || unit === 'tsp' ? unit : null;
};

/** Units too small for any spoon, and the least a set of spoons measures, mL: a quarter of a teaspoon. */
const PINCHES = new Set(['pinch', 'dash', 'smidgen', 'drop', 'tad']);
const LEAST_SPOON_ML = 1.232;

/** A pinch as so many pinches, until it is large enough for a spoon; null then, and for what was never a pinch. */
export function inPinches(line: Pick<FormulaLine, 'written' | 'parts'>, factor: number): string | null {
  const [a] = line.written;
  const [t] = a?.terms ?? [];
  const unit = t?.unit && PINCHES.has(t.unit) ? unitById(t.unit) : undefined;
  if (
    !a ||
    !t ||
    !unit ||
    line.written.length > 1 ||
    a.terms.length > 1 ||
    line.parts.length !== 1 ||
    typeof unit.ml !== 'string'
  )
    return null;
  const n = (factor * (t.low.valueOf() + (t.high ?? t.low).valueOf())) / 2;
  if (n * Number(unit.ml) >= LEAST_SPOON_ML) return null;
  const halves = Math.max(1, Math.round(2 * n));
  return `${writeNumber(new Fraction(halves, 2))} ${halves > 2 ? unit.many : unit.one}`;
}

/** A line without an amount as it is called below a heading that says what it is for. */
const withoutUse = (text: string): string => text.replace(/,?\s+(?:to serve|for serving)$/i, '');
/** A thing that stands twice on the card and is taken once: both lines by name. */
const twice = (line: FormulaLine): string => (line.key.includes(ONCE) ? `on the card ${line.text}` : '');

/**
 * Level spoons of what the card has in spoons, so many times: times 1 they are the card's own. Null where it has none,
 * or none is near.
 */
function spoonsWritten(line: Pick<FormulaLine, 'written'>, factor: number): string | null {
  const [a] = line.written;
  const [t] = a?.terms ?? [];
  if (
    !a ||
    !t ||
    line.written.length > 1 ||
    a.terms.length > 1 ||
    t.high ||
    t.fullness ||
    (t.unit !== 'tsp' && t.unit !== 'tbsp')
  )
    return null;
  return spoonsOf(factor * t.low.valueOf() * (t.unit === 'tbsp' ? 3 : 1), t.unit === 'tbsp')?.text ?? null;
}

/**
 * Spoons beside grams that the scale can't weigh honestly: worked from what is exact, never from what is rounded
 * already.
 */
function spoonsBeside(line: FormulaLine, exactG: number, factor: number, stepG: number): string | null {
  const i = line.ingredient;
  const less = i && line.parts.length === 1 ? instead(exactG, i, stepG) : null;
  return less && (spoonsWritten(line, factor) ?? less.spoons?.text ?? null);
}

type ScaledLine = Scaled<FormulaLine>['lines'][number];

/** What a line is made of, for the shelf: its blend where it is whole, else its parts; a line without grams its name. */
function partsOnSheet({ line, grams, parts }: ScaledLine): NonNullable<SheetLine['parts']> {
  const i = line.ingredient;
  if (grams === null) return i ? [{ id: i.id, grams: 0 }] : [];
  if (i?.blend && line.parts.length === membersOf(i).length) return [{ id: i.id, grams }];
  return parts.map((p) => ({ id: p.ingredient.id, grams: p.grams }));
}

/** What is usual of an amount that was proposed, g. */
const usualOf = (g: number, [least, most]: UsualSpan): NonNullable<SheetLine['usualG']> => [g * least, g * most];

/** A scaled line as it stands on the sheet, before its eggs are parted. */
function sheetLineOf(
  scaled: ScaledLine,
  factor: Scaled<FormulaLine>['factor'],
  stepG: number,
  mixes: number,
  ends: Readonly<Record<EndId, string>> | null,
): SheetLine & Measured {
  const { line, grams, exactG, measure, weighed, note } = scaled;
  const i = line.ingredient;
  const pinches = grams === null ? null : inPinches(line, factor);
  const names = i?.blend ? kitchenName(i) : line.parts.map((p) => kitchenName(p.ingredient)).join(' and ');
  const spoons = exactG !== null && weighed && pinches === null ? spoonsBeside(line, exactG, factor, stepG) : null;
  const moment = line.moment && line.moment !== 'bowl' ? line.moment : null;
  const usualG = line.proposed && grams !== null ? usualOf(grams, line.proposed) : null;
  return {
    key: line.key,
    text: line.text,
    name: grams === null ? withoutUse(line.text) : names + (weighed ? eggs(line, grams) : ''),
    vessel: line.vessel,
    ...(line.side && { side: line.side }),
    ...(ends && line.end && { forEnd: ends[line.end] }),
    ...(moment && { moment }),
    ...(line.mostG && { mostG: line.mostG / mixes }),
    ...(usualG && { usualG }),
    measure: pinches ?? measure,
    grams,
    preparation: [
      line.preparation,
      beaten(line, grams, weighed),
      note,
      moment ? MOMENT_NAMES[moment] : '',
      usualG ? `proposed: ${gramsNumber(usualG[0])} to ${gramsNumber(usualG[1])} g is usual` : '',
      twice(line),
    ]
      .filter(Boolean)
      .join('; '),
    spoons,
    parts: partsOnSheet(scaled),
    ingredient: i,
    tool: spoons ? 'tsp' : toolOf(line),
  };
}

/**
 * @param scaled the scaled formula; lines that have no grams keep their text
 * @param stepG step of the finest scale there is, g
 * @param mixes equal mixes that share what there is of a thing @param ends names of two ends made from one base
 * @returns one line each, dry bowl first; within a vessel dry before wet before oily
 */
export function sheetOf(
  scaled: Scaled<FormulaLine>,
  stepG: number,
  mixes = 1,
  ends: Readonly<Record<EndId, string>> | null = null,
): readonly SheetLine[] {
  const lines = scaled.lines.flatMap((l) => inEggParts(sheetLineOf(l, scaled.factor, stepG, mixes, ends), l.line));
  return VESSELS.flatMap((v) => inOrder(lines.filter((l) => l.vessel === v))).map(
    ({ ingredient: _i, tool: _t, ...l }) => l,
  );
}

/** Reading so far off what is asked is told, percent; and so many lines, the worst first. */
const ROUGH_PCT = 1.5;
const MOST_ROUGH = 3;

/**
 * Small amounts as a scale's steps show them: the lines it reads roughly, the worst first. What has spoons beside it is
 * left out.
 * @param stepG of the finest scale there is
 */
export const readRoughly = (
  sheet: readonly SheetLine[],
  stepG: number,
): readonly { readonly name: string; readonly reads: number; readonly pct: number }[] =>
  sheet
    .flatMap((l) => {
      if (
        l.spoons ||
        l.grams === null ||
        !goesOnScale(l) ||
        l.side !== undefined ||
        l.vessel === 'pan' ||
        l.vessel === 'topping'
      )
        return [];
      const reads = Math.max(1, Math.round(l.grams / stepG)) * stepG;
      const pct = (100 * (reads - l.grams)) / l.grams;
      return Math.abs(pct) < ROUGH_PCT ? [] : [{ name: l.name, reads, pct }];
    })
    .sort((a, b) => Math.abs(b.pct) - Math.abs(a.pct))
    .slice(0, MOST_ROUGH);

/** The lines that the shelf gives: what is in a bag of premix came off it when the lot was made. */
export const offTheShelf = (sheet: readonly SheetLine[]): readonly SheetLine[] =>
  sheet.filter((l) => l.lot === undefined);

/** Whether a line of a sheet is leavening, salt, acid or spice alone. */
export const fineLine = (l: SheetLine, find: (id: string) => Ingredient | undefined): boolean => {
  const parts = (l.parts ?? []).flatMap((p) => find(p.id) ?? []);
  return parts.length === (l.parts ?? []).length && allFine(parts.map((ingredient) => ({ ingredient })));
};

/**
 * A sheet's lines as amounts of ingredients, for what they cost, hold and take from the shelf. @param find the pantry
 * now
 */
export const linesOfSheet = (
  sheet: readonly SheetLine[],
  find: (id: string) => Ingredient | undefined,
): readonly AccountLine[] =>
  sheet.map((l): AccountLine => {
    const parts = (l.parts ?? []).flatMap((p) => {
      const ingredient = find(p.id);
      return ingredient ? [{ ingredient, grams: p.grams }] : [];
    });
    return {
      text: l.text,
      use: l.vessel === 'pan' || l.vessel === 'topping' ? l.vessel : 'batter',
      ingredient: parts[0]?.ingredient ?? null,
      ...(l.side !== undefined && { side: l.side }),
      ...(l.mix !== undefined && { mix: l.mix }),
      ...(/\bpinch/.test(l.measure ?? '') && { pinched: true }),
      parts:
        l.grams === null
          ? []
          : parts.flatMap((p) =>
              membersOf(p.ingredient).map((m) => ({ ingredient: m.ingredient, grams: p.grams * m.share })),
            ),
    };
  });

const USE_WORDS = { batter: 'batter', pan: 'for the pan', topping: 'to serve' } as const;

/** What a sheet takes off a shelf. @param of names the batch, where there are several */
export const usesOf = (lines: readonly AccountLine[], shelf: Shelf, of = ''): readonly ShelfUse[] =>
  lines.flatMap((l): ShelfUse[] => {
    const what = of ? `${of}, ${USE_WORDS[l.use]}` : USE_WORDS[l.use];
    const text = l.text ?? '';
    if (l.parts.length === 0) return [{ what, ingredient: l.ingredient ?? null, grams: null, text }];
    return takenAs(l, shelf).map((p) => ({ what, ingredient: p.ingredient, grams: p.grams, text }));
  });

/**
 * Who weighs what: one pair of hands at the dry, one at the wet, one at all that is for the pan, the plates and beside
 * them.
 */
const COOKS: readonly { readonly name: string; readonly takes: (l: SheetLine) => boolean }[] = [
  { name: 'Dry', takes: (l) => l.side === undefined && l.vessel === 'dry' && !atTheHeat(l) },
  {
    name: 'Wet',
    takes: (l) => l.side === undefined && (l.vessel === 'wet' || l.vessel === 'fold-in') && !atTheHeat(l),
  },
  {
    name: 'Heat and plates',
    takes: (l) => l.side !== undefined || l.vessel === 'pan' || l.vessel === 'topping' || atTheHeat(l),
  },
];

/** A sheet for each prep cook, dry and wet apart; nobody's is left out. @param mixes how often a mix is weighed */
export const forCooks = (
  sheet: readonly SheetLine[],
  mixes: number,
): readonly { readonly name: string; readonly lines: readonly SheetLine[]; readonly times: number }[] =>
  COOKS.map(({ name, takes }) => ({
    name,
    lines: sheet.filter(takes),
    times: sheet.some((l) => takes(l) && l.mix !== undefined) ? mixes : 1,
  })).filter((c) => c.lines.length > 0);
