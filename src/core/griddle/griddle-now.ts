/**
 * The griddle as it stands: the ends that are poured, the surfaces they lie on, how far the batch has come, and the one
 * next thing. Worked from the batch, its log and the clock; times in ms since 1970.
 */
import { type ActEntry, entriesOf, litOf, type TestVerdict } from '../batch/acts';
import type { Batch } from '../batch/batch';
import { countedNumber, isTestPiece } from '../batch/pieces';
import { type Pouring, pouringOf, pouringsOf } from '../batch/pourings';
import { type Lit, placesIn, type Surface, surfacesFor, withWhatLies } from '../batter/surface';
import type { EndId } from '../formula/formula';
import type { Zone } from '../formula/kinds';
import type { Gear } from '../pantry/gear';
import type { SideTimes } from '../script/on-heat';
import { type BoardStep, joinedAt, nextStep, onHeat, type Piece, type Place, piecesFrom, type Tap } from './board';
import { factorAt, type PlaceMap, timesAt } from './places';
import { offAtOf, type Progress, progressOf } from './progress';
import { type KnownTimes, timesNow } from './times';

/** What was known of an end when the board was opened. */
interface EndBefore {
  /** How far one piece spreads, cm; undefined: it fills its shape. */
  readonly acrossCm: number | undefined;
  readonly known: KnownTimes;
  /** How hot its kind wants the surface, C. */
  readonly zone: Zone;
}

/** An end as it stands at the heat. */
export interface EndAt extends Pouring, EndBefore {
  readonly mine: readonly Piece[];
  /** Still to pour of it; without end where none are counted. */
  readonly left: number;
  readonly off: number;
  readonly lit: Lit;
  readonly surfaces: readonly Surface[];
}

/** What the board is worked from, besides its log. */
export interface BoardFacts {
  readonly batch: Batch;
  readonly gear: readonly Gear[];
  /** One for each end that is poured, in their order. */
  readonly ends: readonly EndBefore[];
  /** How long a bowl rests before it is poured, minutes. */
  readonly restMin: number;
  /** Hot and cool places of a surface by its id, where the kitchen uses what its taps drew. */
  readonly places?: Readonly<Record<string, PlaceMap>>;
}

export interface GriddleNow {
  readonly pieces: readonly Piece[];
  readonly ends: readonly EndAt[];
  /** The end that is poured now. */
  readonly pouring: EndAt;
  /** The end that the next thing is done to. */
  readonly at: EndAt;
  readonly endOf: (p: Piece) => EndAt;
  readonly timesOf: (p: Piece) => SideTimes;
  /** Every surface once, with the end whose pieces lie on it. */
  readonly drawn: readonly { readonly surface: Surface; readonly of: EndAt }[];
  /** Places of the end that is poured now. */
  readonly places: readonly Place[];
  readonly progress: Progress;
  /** The test piece; undefined: none was poured. */
  readonly test: Piece | undefined;
  /** How it was found; `''`: nobody has said. */
  readonly verdict: TestVerdict | '';
  /** The test piece is looked at before the next is poured. */
  readonly held: boolean;
  /** How many of the end that is poured may be poured now. */
  readonly mayPour: number;
  readonly step: BoardStep;
  /** Until when the bowl rests; null: it may be poured, or is poured already. */
  readonly bowlRestsUntil: number | null;
  /** The same where pouring it is the next thing. */
  readonly restsUntil: number | null;
  /** What goes on the piece of the next thing: as it is poured, or before it is turned. */
  readonly goesOn: 'poured' | 'flip' | null;
  /** Number of the next piece that is poured. */
  readonly next: number;
}

function endsNow(
  { batch, gear, ends: before }: BoardFacts,
  pieces: readonly Piece[],
  entries: readonly ActEntry[],
): readonly EndAt[] {
  const pourings = pouringsOf(batch);
  return pourings.map((p, n) => {
    const mine = pieces.filter((x) => pouringOf(pourings, x, countedNumber(batch, x.piece)) === p);
    const counted = mine.filter((x) => !isTestPiece(batch, x.piece));
    const had = before[n] ?? (before[0] as EndBefore);
    const lit = litOf(entries, p.end);
    return {
      ...p,
      ...had,
      mine,
      left: p.pieces === null ? Number.POSITIVE_INFINITY : Math.max(0, p.pieces - counted.length),
      off: counted.filter((x) => x.pulledAt !== null).length,
      lit,
      surfaces: surfacesFor(gear, p.kind, had.acrossCm, lit),
      known: timesNow(had.known, mine),
    };
  });
}

/** Every surface once, with the end whose pieces lie there; where none do, the one that is poured now. */
function drawnOf(ends: readonly EndAt[], pouring: EndAt, gear: readonly Gear[]): GriddleNow['drawn'] {
  const all = [pouring, ...ends.filter((e) => e !== pouring)].flatMap((of) =>
    withWhatLies(of.surfaces, gear, of.kind, of.acrossCm, onHeat(of.mine)).map((surface) => ({ surface, of })),
  );
  const lies = (d: (typeof all)[0]): boolean => onHeat(d.of.mine).some((p) => p.surface === d.surface.id);
  const ids = [...new Set(all.map((d) => d.surface.id))];
  return ids.flatMap((id) => {
    const here = all.filter((d) => d.surface.id === id);
    // two ends of one kind and portion share it place by place
    const [first] = here;
    const shared = first && here.every((d) => d.of.kind === first.of.kind && d.of.acrossCm === first.of.acrossCm);
    return (shared ? first : (here.find(lies) ?? first)) ?? [];
  });
}

/** @param chosen the end the cook pours now; null, or one that is all poured: the first with some left */
export function griddleNow(
  facts: BoardFacts,
  taps: readonly Tap[],
  entries: readonly ActEntry[],
  chosen: EndId | null,
  now: number,
): GriddleNow {
  const { batch, gear, restMin } = facts;
  const pieces = piecesFrom(taps);
  const ends = endsNow(facts, pieces, entries);
  const pouring = (ends.find((e) => e.end === chosen && e.left > 0) ??
    ends.find((e) => e.left > 0) ??
    ends[0]) as EndAt;
  const endOf = (p: Piece): EndAt => ends.find((e) => e.mine.includes(p)) ?? pouring;
  const timesOf = (p: Piece): SideTimes => {
    const end = endOf(p);
    const map = facts.places?.[p.surface];
    const at = map && end.surfaces.find((s) => s.id === p.surface)?.slots[p.slot];
    return map && at ? timesAt(end.known.times, factorAt(map, at.x, at.y)) : end.known.times;
  };
  const drawn = drawnOf(ends, pouring, gear);
  const places = drawn
    .filter((d) => d.of === pouring && pouring.surfaces.some((s) => s.id === d.surface.id))
    .flatMap(({ surface: x }) => x.slots.map((_, slot) => ({ surface: x.id, slot })));
  const several = ends.map((e) => ({
    left: e.left,
    offAt: offAtOf(e.mine, e.known.times, now),
    places: placesIn(e.surfaces),
    times: e.known.times,
  }));
  const { times } = pouring.known;
  const progress = progressOf(batch, pieces, times, places.length, now, ends.length > 1 ? several : null);
  const test = pieces.findLast((p) => isTestPiece(batch, p.piece));
  const verdict = (test && entriesOf(entries, 'test').findLast((e) => e.at >= test.pouredAt)?.act.verdict) ?? '';
  const held = test !== undefined && (test.pulledAt === null || verdict === '');
  const mayPour = held ? 0 : Math.min(progress.toPour, ends.length > 1 ? pouring.left : progress.toPour);
  const step = nextStep(pieces, places, timesOf, mayPour, now);
  const joined = joinedAt(taps, progress.bowl);
  const rested = joined === null ? null : joined + restMin * 60_000;
  // whoever has begun to pour it all the same is not asked again
  const begun = joined !== null && taps.some((t) => t.act === 'pour' && t.at >= joined);
  const bowlRestsUntil = rested !== null && rested > now && !begun ? rested : null;
  const at = step.do === 'pour' || step.do === 'done' ? pouring : endOf(step.piece);
  const turns =
    (step.do === 'flip' || step.do === 'wait') && step.piece.flippedAt === null && at.known.times.second !== null;
  return {
    pieces,
    ends,
    pouring,
    at,
    endOf,
    timesOf,
    drawn,
    places,
    progress,
    test,
    verdict,
    held,
    mayPour,
    step,
    bowlRestsUntil,
    restsUntil: step.do === 'pour' ? bowlRestsUntil : null,
    goesOn: step.do === 'pour' ? 'poured' : turns ? 'flip' : null,
    next: Math.max(0, ...pieces.map((p) => p.piece)) + 1,
  };
}
