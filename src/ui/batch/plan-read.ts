/**
 * What is typed on a plan, read as what it asks: its driver, its portion, its split, and what is taken from the store.
 */

import { circumstancesOf } from '@/core/analyse-formula';
import { type Driver, hasTestPiece, portionOf, wantedPieces } from '@/core/batch/driver';
import type { KeptLot } from '@/core/batch/kept';
import { lifeOf, paceOf } from '@/core/batch/mixes';
import { readyFor } from '@/core/batch/plan';
import { madeAs } from '@/core/batch/plan-of';
import { endsAsked } from '@/core/batch/pourings';
import { scriptOfBatch } from '@/core/batch/script-of';
import { mixesIn, ONE } from '@/core/batch/split';
import { meansOf } from '@/core/batch/worth';
import { surfacesFor } from '@/core/batter/surface';
import { piecesOf } from '@/core/batter/volume';
import { expectedTimes } from '@/core/cooking/expected';
import { type Formula, kitchenOf } from '@/core/formula/formula';
import { usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { countedLines } from '@/core/formula/lines';
import { pouredG } from '@/core/formula/tally';
import { type Numbers, numbersOf } from '@/core/numbers';
import { ovenPanfulMl, portionFor } from '@/core/pantry/gear';
import type { Shelf } from '@/core/pantry/stock';
import type { Bagged } from '@/core/premix/use';
import { typedNumber } from '@/core/quantity/typed';
import { onHeatS, type SideTimes } from '@/core/script/on-heat';
import { heatIn } from '@/core/script/read';
import { readBags } from './bags-part';
import { readBeside } from './beside-part';
import { readKept } from './kept-in-part';
import { asTheCard, readBoth, readDriver, wrong } from './plan.state';
import type { PlanStands } from './plan-opens';
import { readSplit } from './split-part';

export interface PlanTypedIn {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly shelf: Shelf;
  /** Seconds of each side on the heat, as earlier batches were timed. */
  readonly timed: SideTimes | null;
  /** Bags of premix that may make a part of it. */
  readonly bagged: readonly Bagged[];
  /** The same of what is kept of earlier makings. */
  readonly keptLots: readonly KeptLot[];
  readonly stands: PlanStands;
}

/** A pan that is filled: the middle of those that are lit, or the one whose width is typed. mL */
function panRead({ house, stands: s }: PlanTypedIn, kind: ReturnType<typeof madeAs>['kind'], fillsPan: boolean) {
  const lit = surfacesFor(house.gear, kind.id, undefined, s.lit).map((x) => x.id);
  const noted = fillsPan
    ? house.gear.filter((g) => lit.includes(g.id)).flatMap((g) => portionFor(g, kind.id) ?? [])
    : [];
  const asksPan = fillsPan && noted.length === 0;
  const typed = s.typed.panCm ?? '';
  const isWrong = asksPan ? wrong(typed.replace(/\s*cm$/i, ''), 'Your pan, cm', 100) : null;
  const typedMl = asksPan && isWrong === null ? ovenPanfulMl(typedNumber(typed, 'cm')) : null;
  const panfulMl = noted.length > 0 ? noted.reduce((a, x) => a + x, 0) / noted.length : typedMl;
  const errors: Readonly<Record<string, string>> = isWrong === null ? {} : { 'pan.cm': isWrong };
  return { asksPan, panfulMl, errors };
}

/** What is taken from the store for it: so many pieces fewer are mixed fresh. */
function storeRead(q: PlanTypedIn, wantedAll: number | null, portionMl: number) {
  const { stands: s } = q;
  const apart = wantedAll !== null && s.both === null && s.split.by !== 'kits';
  const kept = apart && q.keptLots.length > 0 ? readKept(s.kept, q.keptLots) : null;
  const bags = apart && q.bagged.length > 0 ? readBags(s.bags, q.bagged, portionMl) : null;
  const errors = Object.entries({ ...bags?.errors, ...kept?.errors });
  return {
    kept,
    bags,
    pieces: (bags?.pieces ?? 0) + (kept?.pieces ?? 0),
    errors: Object.fromEntries(errors.map(([id, why]) => [`store.${id}`, why])),
  };
}

/** The driver of what is mixed fresh; null where that is nothing, or can't be told. */
function freshDriver(d: Driver | null, fromStore: number, wanted: number | null, portionMl: number): Driver | null {
  if (!d || fromStore === 0) return d;
  const fresh = (wanted ?? 0) - fromStore;
  return fresh > 0 ? { by: 'pieces', pieces: fresh, portionMl, ...(hasTestPiece(d) && { testPiece: true }) } : null;
}

/** s a piece lies on the heat as this formula is made, before any is timed. */
function expectedS(
  { formula, kind, school }: ReturnType<typeof madeAs>,
  house: Kitchen,
  card: Numbers,
  portionMl: number,
): number {
  const { ways } = kitchenOf(formula, house);
  const bare = { sheet: [], kind: kind.id, school: school.id, making: { ways, edits: formula.edits, told: {} } };
  const heat = heatIn(scriptOfBatch(bare, ways, () => undefined));
  return onHeatS(expectedTimes(heat, kind.id, ways, card, portionMl).times);
}

export function readPlan(q: PlanTypedIn) {
  const { formula, house, shelf, stands: s } = q;
  // of two ends the first, where both are made
  const made = madeAs(formula, s.both ? 'a' : s.end);
  const { kind, school, fillsPan } = made;
  const lines = countedLines(formula, house, s.end);
  const card = numbersOf(lines, kind.id, school.id, circumstancesOf(made.formula, house));
  const typedWith = { house, shelf, lines, card, pan: fillsPan };
  const read =
    s.both && formula.ends
      ? readBoth(s.both, formula.ends, s.typed.testPiece === true, typedWith)
      : readDriver(s.typed, typedWith);
  const pan = panRead(q, kind, fillsPan);
  const portionMl =
    read.portion?.ml ??
    (read.driver ? portionOf(read.driver) : null) ??
    pan.panfulMl ??
    usualPortionMl(kind.schools[0]);
  const wantedAll = read.driver ? wantedPieces(read.driver) : null;
  const store = storeRead(q, wantedAll, portionMl);
  const storeIsRight = Object.keys(store.errors).length === 0;
  const fresh = storeIsRight ? freshDriver(read.driver, store.pieces, wantedAll, portionMl) : null;
  // the whole card in one bowl is the card, to the spoon; parted into bowls each loses its own
  const cardMakes = card.volume ? piecesOf(pouredG(card.tally), card.volume.densityGPerMl, portionMl).pieces : null;
  const sized = fresh && s.split.by !== 'bowls' ? asTheCard(fresh, cardMakes) : fresh;
  const driver = sized && endsAsked(sized, formula);

  const whole = driver ? readyFor({ formula, house, end: s.end, driver, split: ONE, eggs: null }) : null;
  const w = whole?.ok ? whole.value : null;
  const means = w && { ...meansOf(w.lines, w.before, w.all, fillsPan ? null : portionMl), factor: w.times };
  const wanted = driver ? wantedPieces(driver) : null;
  const pace = paceOf(
    house,
    kind.id,
    card,
    portionMl,
    q.timed === null
      ? { seconds: expectedS(made, house, card, portionMl), timed: false }
      : { seconds: onHeatS(q.timed), timed: true },
    s.lit,
  );
  const splitAsked = means && {
    massG: means.massG,
    volumeMl: means.volumeMl,
    pieces: wanted ?? means.pieces,
    life: lifeOf(card),
    pace,
    bowls: house.gear.filter((g) => g.sort === 'bowl'),
  };
  const split = splitAsked ? readSplit(s.split, splitAsked) : null;
  const kits = s.split.by === 'kits' && split?.split ? mixesIn(split.split) : 1;
  const guests = read.driver?.by === 'guests' ? read.driver.guests : null;
  const each = typedNumber(s.typed.each, '');
  const fed = guests ?? (wantedAll !== null && each > 0 ? Math.ceil(wantedAll / each) : null);
  const atTable = fed === null ? null : fed * kits;
  const bagsAlone = storeIsRight && (store.bags?.pieces ?? 0) > 0 && (wantedAll ?? 1) - store.pieces <= 0;
  return {
    ...made,
    lines,
    card,
    typedWith,
    driver,
    portion: read.portion,
    portionMl,
    /** No pan is noted: how wide it is has to be said before anything is poured into it. */
    asksPan: pan.asksPan,
    panfulMl: pan.panfulMl,
    errors: { ...pan.errors, ...read.errors, ...store.errors },
    bags: store.bags,
    kept: store.kept,
    wantedAll,
    /** What is asked, where the bags make all of it. */
    bagsAlone: bagsAlone ? read.driver : null,
    means,
    refused: whole && !whole.ok ? whole.error : null,
    wanted,
    pace,
    splitAsked,
    split,
    /** People that are fed; null where the plan counts none. */
    atTable,
    covers: guests === null ? null : guests * kits,
    besideRead: readBeside(s.beside, atTable),
  };
}
export type PlanRead = ReturnType<typeof readPlan>;
