/**
 * A plan: what drives the batch, whether it is mixed in one bowl, in several equal ones or as kits for several cooks,
 * and the sheet that follows. The page shows it while it is typed, the server works the same again when the batch
 * starts.
 */

import Fraction from 'fraction.js';
import { isShellEgg } from '../formula/eggs';
import { atEnd, type EndId, type Formula, type FormulaLine, kindIdOf, kitchenOf } from '../formula/formula';
import type { KindId } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { countedLines } from '../formula/lines';
import type { Numbers } from '../numbers';
import { kitchenName } from '../pantry/ingredient';
import { scaleAmount } from '../quantity/amount';
import { counted, grams as sayGrams } from '../quantity/say';
import type { Result } from '../result';
import { type Driver, portionOf, pouredPieces } from './driver';
import { type Exactness, inMeasures } from './exactness';
import { type InKitchen, inKitchen } from './kitchen';
import { inLargeBowl } from './large-bowl';
import { takenOnce } from './once';
import { owedByOne, type Pieces, panfulsOf, piecesOfPlan } from './pieces';
import { type Scaled, scale } from './scale';
import { sheetOf } from './sheet';
import type { SheetLine } from './sheet-line';
import { mixesIn, type Split } from './split';
import { drawerFor } from './taken';
import { withWholeEggs } from './whole-eggs';
import { type CannotScale, meansOf, timesOf, wholeEggs } from './worth';

export interface Ready {
  readonly lines: readonly FormulaLine[];
  readonly before: Numbers;
  /** Times the formula for one mix, and for all of them. */
  readonly each: number;
  readonly all: number;
  /** Times the card in all: where two ends are put together, of both. */
  readonly times: number;
  /** Names of the two ends that are made from one base; null: one is. */
  readonly ends: Readonly<Record<EndId, string>> | null;
  /** What the whole eggs could not keep; mostly null. */
  readonly short: string | null;
  readonly eggsWhole: boolean;
}

/** What is asked of a plan, by page and server alike. */
export interface PlanAsked {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly end: EndId | null;
  readonly driver: Driver;
  readonly split: Split;
  /** So many whole eggs in each mix, the rest balanced anew; null: eggs scale as they come. */
  readonly eggs: number | null;
}

/** A line so many times as large, its words too. */
const at = (l: FormulaLine, times: number): FormulaLine => ({
  ...l,
  grams: l.grams === null ? null : l.grams * times,
  parts: l.parts.map((p) => ({ ...p, grams: p.grams * times })),
  written: l.written.map((w) => scaleAmount(w, new Fraction(times))),
});

/**
 * One base, two finishes on one base: what both hold at its sum, what one holds at its own; each end as many times the
 * card as its pieces ask.
 */
function bothEnds(
  q: PlanAsked,
  d: Extract<Driver, { readonly by: 'both' }>,
  per: number,
): Result<{ readonly lines: readonly FormulaLine[]; readonly times: number }, CannotScale> {
  const { formula, house } = q;
  if (!formula.ends) return { ok: false, error: { path: 'driver', message: 'This formula has one finish.' } };
  const sized: { readonly lines: readonly FormulaLine[]; readonly times: number }[] = [];
  for (const [id, e] of [['a', d.a] as const, ['b', d.b] as const]) {
    const lines = countedLines(formula, house, id);
    // the test piece comes off the first
    const t = timesOf(
      lines,
      { by: 'pieces', pieces: e.pieces, portionMl: e.portionMl, ...(id === 'a' && d.testPiece && { testPiece: true }) },
      kindIdOf(formula, id),
      per,
    );
    if (!t.ok) return t;
    sized.push({ lines, times: t.value.factor });
  }
  const [a, b] = sized as [(typeof sized)[0], (typeof sized)[0]];
  const shared = a.lines.filter((l) => l.end === null).map((l) => at(l, a.times + b.times));
  const own = [
    ...a.lines.filter((l) => l.end === 'a').map((l) => at(l, a.times)),
    ...b.lines.filter((l) => l.end === 'b').map((l) => at(l, b.times)),
  ];
  return { ok: true, value: { lines: [...shared, ...own], times: a.times + b.times } };
}

/**
 * From driver and split to lines and factors. Errors as the driver has them, and where the eggs can't be made whole.
 */
export function readyFor(q: PlanAsked): Result<Ready, CannotScale> {
  const { formula, house, end, split } = q;
  const n = mixesIn(split);
  const per = split.by === 'kits' ? 1 : n;
  const both = q.driver.by === 'both' ? bothEnds(q, q.driver, per) : null;
  if (both && !both.ok) return both;
  const asWritten = both ? both.value.lines : countedLines(formula, house, end);
  const begun = timesOf(asWritten, q.driver, kindIdOf(formula, end), per);
  if (!begun.ok) return begun;
  const whole = q.eggs === null ? null : withWholeEggs({ formula, house, end }, begun.value.factor / per, q.eggs);
  if (q.eggs !== null && !whole)
    return {
      ok: false,
      error: { path: 'eggs', message: 'The eggs of this formula can’t be made whole by themselves.' },
    };
  const lines = takenOnce(whole ? countedLines(whole.formula, house, end) : asWritten, both !== null);
  // the eggs set the size to the gram, so that they stay whole
  const at = whole ? timesOf(lines, { by: 'eggs', eggs: q.eggs ?? 0 }, kindIdOf(formula, end)) : null;
  if (at && !at.ok) return at;
  const before = at ? at.value.before : begun.value.before;
  const each = at ? at.value.factor : begun.value.factor / per;
  const short = tooMuchOf(lines, before, each * n, portionOf(q.driver) ?? atEnd(formula, end).portionMl, house);
  if (short) return short;
  const school = kitchenOf(formula, house).ways.largeBowl;
  return {
    ok: true,
    value: {
      lines: inLargeBowl(lines, each * before.tally.massG, school),
      before,
      each,
      all: each * n,
      times: both ? both.value.times * (split.by === 'kits' ? n : 1) : each * n,
      ends: both && formula.ends ? { a: formula.ends[0].name, b: formula.ends[1].name } : null,
      short: whole?.short ?? null,
      eggsWhole: whole !== null,
    },
  };
}

/** Where a plan asks for more of a thing than there is: how far it goes. @param all times the formula */
function tooMuchOf(
  lines: readonly FormulaLine[],
  before: Numbers,
  all: number,
  portionMl: number | null,
  house: Kitchen,
): Result<never, CannotScale> | null {
  const limited = lines.flatMap((l) => (l.mostG && l.grams ? [{ l, times: l.mostG / l.grams, mostG: l.mostG }] : []));
  const [least] = [...limited].sort((a, b) => a.times - b.times);
  if (!least || all <= least.times * (1 + 1e-6)) return null;
  const { pieces, massG } = meansOf(lines, before, least.times, portionMl);
  const far = pieces === null ? `${sayGrams(massG, house.units)} of batter` : counted(pieces, 'pieces');
  return {
    ok: false,
    error: {
      path: 'to',
      message: `There is only ${sayGrams(least.mostG, house.units)} of ${least.l.ingredient ? kitchenName(least.l.ingredient).toLowerCase() : least.l.text}: enough for ${far}.`,
    },
  };
}

export interface Planned {
  /** One mix. */
  readonly one: Scaled<FormulaLine>;
  /** All of them, g of batter. */
  readonly massG: number;
  readonly volumeMl: number;
  /** Whole eggs of all of them, as the sheet takes them. */
  readonly eggs: number;
  /** How the measures were chosen, where it is taken with cups and spoons. */
  readonly kitchen: InKitchen | null;
  /** Null where nothing is portioned. */
  readonly pieces: Pieces | null;
  /** The lines of every mix, to be ticked and taken from the shelf. */
  readonly sheet: readonly SheetLine[];
}

interface SheetAsked {
  readonly driver: Driver;
  readonly exactness: Exactness;
  /** What there is to measure with. */
  readonly house: Pick<Kitchen, 'conventions' | 'drawer'>;
  /** Kitchen measures line by line, to answer at once. */
  readonly rough?: boolean;
  readonly kind: KindId;
  /** Null: the kind fills its pan, and pieces are counted only where they are asked for. */
  readonly portionMl: number | null;
  /** What one pan takes, mL, where the kind fills it and the pan is known. */
  readonly panfulMl?: number | null;
  readonly split: Split;
  /** Of the finest scale, g. */
  readonly stepG: number;
}

/**
 * Rounding that leaves a mix short of its last piece is made up by so much more of all of it, twice as much each try.
 */
const MAKE_UP = 0.0005;
const MOST_TRIES = 8;
/** Cups are coarser than grams: step by step. */
const MAKE_UP_CUPS = 0.012;
const MOST_TRIES_CUPS = 14;

/** One mix as it is weighed: rounded, it still pours what it owes. */
function oneMade(
  r: Ready,
  q: SheetAsked,
  house: SheetAsked['house'] & { readonly byEye: boolean },
): Result<{ readonly one: Scaled<FormulaLine>; readonly kitchen: InKitchen | null }, CannotScale> {
  const portion = portionOf(q.driver) ?? q.portionMl;
  const poured = pouredPieces(q.driver);
  const cups = inMeasures(q.exactness);
  // where eggs are whole they stay so: what is made up is made up by the rest
  const larger = (by: number): readonly FormulaLine[] =>
    r.eggsWhole
      ? r.lines.map((l) => (l.use === 'batter' && !l.parts.some((p) => isShellEgg(p.ingredient.id)) ? at(l, by) : l))
      : r.lines;
  const made = (by: number) => {
    const [lines, factor] = [larger(by), r.eggsWhole ? r.each : r.each * by];
    const kitchen = cups ? inKitchen(lines, factor, house, q.rough) : null;
    const one = scale(
      lines,
      { by: 'factor', factor },
      inMeasures(q.exactness) ? (kitchen?.taken ?? []) : q.exactness,
      q.kind,
      portion,
    );
    return one.ok ? { ok: true as const, value: { one: one.value, kitchen } } : one;
  };
  let one = made(1);
  if (poured === null || q.rough) return one;
  const owes = owedByOne(poured, q.split);
  const more = (n: number): number => (cups ? MAKE_UP_CUPS * (n + 1) : MAKE_UP * 2 ** n);
  const most = cups ? MOST_TRIES_CUPS : MOST_TRIES;
  for (let n = 0; one.ok && (one.value.one.yield?.pieces ?? owes) < owes && n < most; n++) one = made(1 + more(n));
  return one;
}

/** The sheet of a plan. */
export function plannedSheet(r: Ready, q: SheetAsked): Result<Planned, CannotScale> {
  const { driver, kind, split, stepG } = q;
  const n = mixesIn(split);
  const portion = portionOf(driver) ?? q.portionMl;
  const house = { ...q.house, drawer: drawerFor(q.exactness, q.house.drawer), byEye: q.exactness === 'eye' };
  const made = oneMade(r, q, house);
  if (!made.ok) return made;
  const { one, kitchen } = made.value;
  const counted = portionOf(driver) !== null || q.portionMl !== null;
  const fills = !counted && q.panfulMl ? { pieces: panfulsOf(one.volumeMl, q.panfulMl), restMl: 0 } : null;
  const pieces = piecesOfPlan(driver, split, counted ? one.yield : fills);
  const bare = sheetOf(one, stepG, n, r.ends);
  const eggs = n * wholeEggs(one.lines.map((l) => ({ use: l.line.use, parts: l.parts })));
  const volumeMl = one.volumeMl * n;
  const massG = one.massG * n;
  if (n === 1) return { ok: true, value: { one, kitchen, massG, volumeMl, eggs, pieces, sheet: bare } };
  // the pan's fat and what is strewn on serve all the mixes: measured once, as the mixes are
  const times = one.factor * n;
  const whole = scale(
    r.lines,
    { by: 'factor', factor: times },
    inMeasures(q.exactness) ? inKitchen(r.lines, times, house, true).taken : q.exactness,
    kind,
    portion,
  );
  if (!whole.ok) return whole;
  const shared = sheetOf(whole.value, stepG, 1, r.ends).filter((l) => l.vessel === 'pan' || l.vessel === 'topping');
  const mixed = bare.filter((l) => l.vessel !== 'pan' && l.vessel !== 'topping');
  const sheet = [
    ...Array.from({ length: n }, (_, m) =>
      mixed.map((l) => ({ ...l, key: m === 0 ? l.key : `${l.key}m${m + 1}`, mix: m + 1 })),
    ).flat(),
    ...shared,
  ];
  return { ok: true, value: { one, kitchen, massG, volumeMl, eggs, pieces, sheet } };
}

/** One mix of a sheet that holds several, with what serves them all. */
export const oneMix = (sheet: readonly SheetLine[], mix = 1): readonly SheetLine[] =>
  sheet.filter((l) => l.mix === undefined || l.mix === mix);
