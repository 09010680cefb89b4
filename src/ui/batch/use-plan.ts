'use client';
import { useDeferredValue, useMemo } from 'react';
import { circumstancesOf } from '@/core/analyse-formula';
import { HURRIED } from '@/core/batch/batch';
import { type Driver, hasTestPiece, portionOf, wantedPieces } from '@/core/batch/driver';
import type { KeptLot } from '@/core/batch/kept';
import { acrossOf, lifeOf, paceOf } from '@/core/batch/mixes';
import { plannedSheet, readyFor } from '@/core/batch/plan';
import { endsAsked } from '@/core/batch/pourings';
import { scriptOfBatch } from '@/core/batch/script-of';
import { linesOfSheet, offTheShelf, usesOf } from '@/core/batch/sheet';
import { type Side, sideLines } from '@/core/batch/sides';
import { mixesIn, ONE } from '@/core/batch/split';
import { takeOut } from '@/core/batch/take-out';
import { eggLine, withWholeEggs } from '@/core/batch/whole-eggs';
import { meansOf } from '@/core/batch/worth';
import { surfacesFor } from '@/core/batter/surface';
import { piecesOf } from '@/core/batter/volume';
import { bowlOf } from '@/core/day/bowl';
import { daySteps } from '@/core/day/day';
import type { Step } from '@/core/day/step';
import { atEnd, type Formula, kindIdOf, kitchenOf } from '@/core/formula/formula';
import { kindById, schoolOf, usualPortionMl } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { countedLines } from '@/core/formula/lines';
import { pouredG } from '@/core/formula/tally';
import { numbersOf } from '@/core/numbers';
import { EGG_G } from '@/core/pantry/egg-parts';
import { ovenPanfulMl, portionFor, scalesOf } from '@/core/pantry/gear';
import { findIngredient } from '@/core/pantry/pantry';
import type { Shelf } from '@/core/pantry/stock';
import { type Bagged, bagSheet } from '@/core/premix/use';
/** Everything the Plan page works out from what is typed; the sheet follows every keystroke. */
import { typedNumber } from '@/core/quantity/typed';
import { methodIn } from '@/core/script/act';
import { waysMade } from '@/core/script/pan-fat';
import { readBags } from './bags-part';
import { readBeside } from './beside-part';
import { readKept } from './kept-in-part';
import { amountAsked, asTheCard, type By, type PlanTyped, readBoth, readDriver, wrong } from './plan.state';
import type { PlanStands } from './plan-opens';
import { readSplit } from './split-part';

interface PlanOf {
  readonly formula: Formula;
  readonly house: Kitchen;
  readonly shelf: Shelf;
  readonly sides: readonly Side[];
  /** Seconds a piece takes on the heat, as earlier batches were timed. */
  readonly cycleS: number | null;
  /** Bags of premix that may make a part of it. */
  readonly bagged: readonly Bagged[];
  /** The same of what is kept of earlier makings. */
  readonly keptLots: readonly KeptLot[];
  readonly stands: PlanStands;
}
export type PlanWorked = ReturnType<typeof usePlan>;

/** Fewer are weighed, and this near a whole number they are whole. */
const LEAST_EGGS = 0.5;
const WHOLE_WITHIN = 0.02;

export function usePlan(q: PlanOf) {
  const { formula, house, shelf } = q;
  const { end, typed, exactness, eggs, both, lit, litSecond, split: splitTyped } = q.stands;
  // of two ends the first, where both are made
  const made = useMemo(() => atEnd(formula, both ? 'a' : end), [formula, both, end]);
  const kind = kindById(made.kind);
  const school = schoolOf(kind, made.school);
  const pan = school.portionMl === null;
  const { units } = house;
  const lines = useMemo(() => countedLines(formula, house, end), [formula, house, end]);
  const circumstances = useMemo(
    () => numbersOf(lines, made.kind, school.id, circumstancesOf(made, house)),
    [lines, made, house, school.id],
  );
  const typedWith = { house, shelf, lines, card: circumstances, pan };
  const read =
    both && formula.ends
      ? readBoth(both, formula.ends, typed.testPiece === true, typedWith)
      : readDriver(typed, typedWith);
  // what fills its pan is poured by the pan: the middle of those that are lit, or the one whose width is typed
  const pans = surfacesFor(house.gear, made.kind, undefined, lit).flatMap((s) =>
    house.gear.filter((g) => g.id === s.id),
  );
  const panfuls = pan ? pans.flatMap((g) => portionFor(g, made.kind) ?? []) : [];
  const typedCm = typedNumber(typed.panCm ?? '', 'cm');
  const asksPan = pan && panfuls.length === 0;
  const panCmWrong = asksPan ? wrong((typed.panCm ?? '').replace(/\s*cm$/i, ''), 'Your pan, cm', 100) : null;
  const panfulMl =
    panfuls.length > 0
      ? panfuls.reduce((a, x) => a + x, 0) / panfuls.length
      : asksPan && panCmWrong === null
        ? ovenPanfulMl(typedCm)
        : null;
  const portionMl =
    read.portion?.ml ?? (read.driver ? portionOf(read.driver) : null) ?? panfulMl ?? usualPortionMl(kind.schools[0]);
  const poured = portionMl;
  // the whole card in one bowl is the card, to the spoon; parted into bowls each loses its own
  const cardMakes = circumstances.volume
    ? piecesOf(pouredG(circumstances.tally), circumstances.volume.densityGPerMl, portionMl).pieces
    : null;
  // what bags make is not mixed fresh
  const wantedAll = read.driver ? wantedPieces(read.driver) : null;
  const apart = wantedAll !== null && both === null && splitTyped.by !== 'kits';
  const kept = apart && q.keptLots.length > 0 ? readKept(q.stands.kept, q.keptLots) : null;
  const bags = apart && q.bagged.length > 0 ? readBags(q.stands.bags, q.bagged, portionMl) : null;
  const fresh = wantedAll === null ? null : wantedAll - (bags?.pieces ?? 0) - (kept?.pieces ?? 0);
  const wrongIn = { ...bags?.errors, ...kept?.errors };
  const errors: Readonly<Record<string, string>> = {
    ...(panCmWrong !== null && { 'pan.cm': panCmWrong }),
    ...read.errors,
    ...Object.fromEntries(Object.entries(wrongIn).map(([id, why]) => [`store.${id}`, why])),
  };
  const partly = ((d: Driver | null): Driver | null => {
    if (Object.keys(wrongIn).length > 0) return null;
    if (!d || (bags?.pieces ?? 0) + (kept?.pieces ?? 0) === 0) return d;
    return fresh !== null && fresh > 0
      ? { by: 'pieces', pieces: fresh, portionMl, ...(hasTestPiece(d) && { testPiece: true }) }
      : null;
  })(read.driver);
  const sized = partly && splitTyped.by !== 'bowls' ? asTheCard(partly, cardMakes) : partly;
  const driver = sized && endsAsked(sized, formula);

  const whole = driver ? readyFor({ formula, house, end, driver, split: ONE, eggs: null }) : null;
  const before = whole?.ok ? whole.value.before : null;
  const means = whole?.ok
    ? {
        ...meansOf(whole.value.lines, whole.value.before, whole.value.all, pan ? null : portionMl),
        factor: whole.value.times,
      }
    : null;
  const wanted = driver ? wantedPieces(driver) : null;
  const bowls = house.gear.filter((g) => g.sort === 'bowl');
  const pace = paceOf(house, made.kind, circumstances, poured, q.cycleS, lit);
  const splitAsked =
    before && means
      ? {
          massG: means.massG,
          volumeMl: means.volumeMl,
          pieces: wanted ?? means.pieces,
          life: lifeOf(circumstances),
          pace,
          bowls,
        }
      : null;
  const split = splitAsked ? readSplit(splitTyped, splitAsked) : null;

  const ready = driver && split?.split ? readyFor({ formula, house, end, driver, split: split.split, eggs }) : null;
  const at = ready?.ok ? ready.value : null;
  // cups and spoons answer at once line by line, and better as soon as the hand that types lets it
  const asked = JSON.stringify([
    at?.each,
    driver,
    split?.split,
    exactness,
    at?.lines.map((l) => l.parts.map((p) => p.grams)),
  ]);
  const rough = useDeferredValue(asked) !== asked;
  const stepG = scalesOf(house.gear)[0]?.stepG ?? 1;
  // worked again only for another question: what else is on the page changes nothing of it
  // biome-ignore lint/correctness/useExhaustiveDependencies: the question is all of these, as text
  const planned = useMemo(
    () =>
      driver && at && split?.split
        ? plannedSheet(at, {
            driver,
            exactness,
            house,
            rough,
            kind: made.kind,
            portionMl: pan ? null : portionMl,
            panfulMl,
            split: split.split,
            stepG,
          })
        : null,
    [asked, rough, house, made.kind, portionMl, panfulMl, pan, stepG],
  );
  const refused = [whole, ready, planned].flatMap((r) => (r && !r.ok ? [r.error] : []))[0] ?? null;

  const kits = splitTyped.by === 'kits' && split?.split ? mixesIn(split.split) : 1;
  const each = typedNumber(typed.each, '');
  const guests =
    read.driver?.by === 'guests'
      ? read.driver.guests
      : wantedAll !== null && each > 0
        ? Math.ceil(wantedAll / each)
        : null;
  const atTable = guests === null ? null : guests * kits;
  const besideRead = readBeside(q.stands.beside, atTable);
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const besideLines = (besideRead.sides ?? []).flatMap((b, n) => {
    const side = q.sides.find((s) => s.id === b.sideId);
    return side ? sideLines(side, b.people, n + 1, find, { ...house, exactness }) : [];
  });
  const sheet = planned?.ok ? [...planned.value.sheet, ...besideLines] : [];
  // what is added to the bags is taken out with the rest; what is in them came off the shelf when the lot was made
  const bagSheets = (bags?.taken ?? []).flatMap((t) => bagSheet(t.bagged.lot, t.bags, t.bagged.parts));
  const account = linesOfSheet([...sheet, ...bagSheets], find);
  const takes = linesOfSheet(offTheShelf([...sheet, ...bagSheets]), find);
  const list = takeOut(usesOf(takes, shelf), shelf);
  const short = list.rows.filter((r) => (r.shortG ?? 0) > 0);

  const madeBy = waysMade({ ...kitchenOf(formula, house).ways, ...(exactness === 'eye' && HURRIED) }, sheet);

  // the steps of the day, for when it is to be served
  const pieces = planned?.ok ? (planned.value.pieces?.all ?? null) : null;
  const stepsNow = (): readonly Step[] | null => {
    if (!driver || !split?.split || sheet.length === 0) return null;
    const ways = madeBy;
    const batch = {
      sheet,
      weights: {},
      entries: [
        { id: '', at: 0, act: { what: 'lit' as const, ...lit } },
        { id: '', at: 0, act: { what: 'lit' as const, end: 'b' as const, ...litSecond } },
      ],
      split: split.split,
      kind: made.kind,
      school: school.id,
      driver,
      piecesPlanned: pieces,
      portionMl: poured,
    };
    return daySteps(batch, bowlOf(batch, ways, house.gear, find), ways, [], find, house.units, {
      methods: new Map(q.sides.map((s) => [s.name, s.method])),
      kept: (kept?.taken ?? []).map((t) => ({ ...t.lot, pieces: t.pieces })),
      gear: house.gear,
    });
  };

  // what whole eggs would make of it, for one mix
  const perMix = split?.split?.by === 'bowls' ? mixesIn(split.split) : 1;
  const times = means ? means.factor / perMix : null;
  const eggsEach = means ? means.eggs / perMix : 0;
  const line = eggLine(lines);
  const count = Math.max(1, Math.round(eggsEach));
  const wholeCount =
    both === null && line && eggsEach > LEAST_EGGS && Math.abs(eggsEach - count) > WHOLE_WITHIN ? count : null;
  const canBeWhole = useMemo(
    () => times !== null && wholeCount !== null && withWholeEggs({ formula, house, end }, times, wholeCount) !== null,
    [formula, house, end, times, wholeCount],
  );

  // the second end at the heat, where it is of another kind
  const other = driver?.by === 'both' && driver.b.kind !== undefined && driver.b.kind !== made.kind ? driver.b : null;
  const second = other?.kind
    ? {
        name: other.name,
        kind: other.kind,
        surfaces: surfacesFor(house.gear, other.kind, acrossOf(other.kind, circumstances, other.portionMl), litSecond),
      }
    : null;
  return {
    kind,
    pan,
    /** No pan is noted: how wide it is has to be said before anything is poured into it. */
    asksPan,
    panfulMl,
    /** Both ends can be made from one base: neither fills its pan. */
    canBoth:
      formula.ends?.every((e) => schoolOf(kindById(kindIdOf(formula, e.id)), e.school).portionMl !== null) ?? false,
    units,
    lines,
    driver,
    errors,
    portion: read.portion,
    portionMl,
    portionSaid: read.portion?.comes ? typed.portion.trim() : null,
    poured,
    pieces,
    covers: read.driver?.by === 'guests' ? read.driver.guests * kits : null,
    bags,
    kept,
    wantedAll,
    /** What is asked, where the bags make all of it. */
    bagsAlone:
      read.driver && bags && bags.pieces > 0 && Object.keys(wrongIn).length === 0 && (fresh ?? 1) <= 0
        ? read.driver
        : null,
    takes,
    amountFor: (by: By, t: PlanTyped): string => amountAsked(by, t, means, typedWith),
    surfaces: surfacesFor(
      house.gear,
      made.kind,
      acrossOf(made.kind, circumstances, driver?.by === 'both' ? driver.a.portionMl : poured),
      lit,
    ),
    second,
    means,
    wanted,
    pace,
    splitAsked,
    split,
    ready: at,
    planned: planned?.ok ? planned.value : null,
    refused,
    atTable,
    besideRead,
    sheet,
    method: methodIn(
      scriptOfBatch(
        { sheet, kind: made.kind, school: school.id, portionMl: poured, ...(driver && { driver }) },
        madeBy,
        find,
        units,
      ),
    ),
    stepG,
    account,
    steps: stepsNow(),
    list,
    short,
    density: circumstances.volume?.densityGPerMl ?? null,
    eggChoice:
      wholeCount === null
        ? null
        : {
            exact: eggsEach,
            whole: wholeCount,
            gramsEach: line?.parts[0]?.ingredient.piece?.grams ?? EGG_G,
            canBeWhole,
          },
  };
}
