/**
 * How far a batch has come at the griddle: what is off, what is still to pour, and when the next bowl has to be joined.
 */
import type { Batch } from '../batch/batch';
import { isTestPiece, testsIn } from '../batch/pieces';
import type { Pouring } from '../batch/pourings';
import { mixesIn } from '../batch/split';
import type { Ingredient } from '../pantry/ingredient';
import { BETWEEN_S, onHeatS, type SideTimes } from '../script/on-heat';
import { dueAt, type Piece } from './board';

/** Joining a bowl takes so long before it is needed, ms. */
const JOIN_MS = 5 * 60_000;

export interface AddInNow {
  readonly name: string;
  readonly of: Ingredient | null;
  /** g on each piece; null where no pieces are counted. */
  readonly eachG: number | null;
  readonly moment: 'poured' | 'flip' | 'top';
}

/**
 * What is put on a piece at the heat, and how much of it.
 * @param keys of the lines that the script puts on now @param of the end the piece is of
 */
export function addInsOf(
  batch: Pick<Batch, 'sheet' | 'piecesPlanned' | 'split'>,
  keys: readonly string[],
  find: (id: string) => Ingredient | undefined,
  of: Pick<Pouring, 'name' | 'pieces'> = { name: null, pieces: batch.piecesPlanned },
): readonly AddInNow[] {
  const inOne = (pieces: number | null): number | null => (pieces === null ? null : pieces / mixesIn(batch.split));
  return batch.sheet.flatMap((l) => {
    // what is of one end alone goes on its pieces alone
    if (!keys.includes(l.key) || (l.forEnd !== undefined && l.forEnd !== of.name)) return [];
    const moment = l.moment === 'flip' || l.moment === 'top' ? l.moment : 'poured';
    const each = inOne(l.forEnd === undefined ? batch.piecesPlanned : of.pieces);
    return [
      {
        name: l.name,
        of: find(l.parts?.[0]?.id ?? '') ?? null,
        eachG: each && l.grams !== null ? l.grams / each : null,
        moment,
      },
    ];
  });
}

export interface Progress {
  /** Off the heat; a test piece is outside the count. */
  readonly off: number;
  /** Still to pour, a test piece among them; no end where none were counted. */
  readonly toPour: number;
  /** The bowl that is poured from, from 1, of how many. */
  readonly bowl: number;
  readonly bowls: number;
  /** Null where no pieces were counted. */
  readonly leftInBowl: number | null;
  /** When the next bowl has to be joined; null where there is none. */
  readonly joinBy: number | null;
  readonly loads: number | null;
  /** When the last is off, at this pace. */
  readonly lastAt: number | null;
}

/**
 * @param places there are on the heat at once @param now ms since 1970, as the times that come out
 * @param ends where several are poured from one base, each; null: there is one
 */
export function progressOf(
  batch: Pick<Batch, 'driver' | 'piecesPlanned' | 'split'>,
  pieces: readonly Piece[],
  times: SideTimes,
  places: number,
  now: number,
  ends: readonly EndNow[] | null = null,
): Progress {
  const wanted = batch.piecesPlanned;
  const bowls = mixesIn(batch.split);
  const counted = pieces.filter((p) => !isTestPiece(batch, p.piece));
  const off = counted.filter((p) => p.pulledAt !== null).length;
  const none = { off, bowl: 1, bowls, leftInBowl: null, joinBy: null, loads: null, lastAt: null };
  if (wanted === null) return { ...none, toPour: Number.POSITIVE_INFINITY };
  const toPour = wanted + testsIn(batch) - pieces.length;
  const perBowl = Math.ceil(wanted / bowls);
  const bowl = Math.min(bowls, Math.floor(counted.length / perBowl) + 1);
  const leftInBowl = Math.max(0, Math.min(bowl * perBowl, wanted) - counted.length);
  if (places === 0) return { ...none, toPour, bowl, leftInBowl };
  const cycleMs = 1000 * (onHeatS(times) + BETWEEN_S);
  return {
    off,
    toPour,
    bowl,
    bowls,
    leftInBowl,
    joinBy: bowl < bowls ? now + (leftInBowl / places) * cycleMs - JOIN_MS : null,
    ...(restOf(ends ?? [{ left: Math.max(0, toPour), offAt: offAtOf(pieces, times, now), places, times }], now) ?? {
      loads: null,
      lastAt: null,
    }),
  };
}

/** An end at the heat: how many of it are still to pour, when each that lies there is off, its places and its times. */
interface EndNow {
  readonly left: number;
  /** ms since 1970, by the times of its sides; what is due is off now. */
  readonly offAt: readonly number[];
  readonly places: number;
  readonly times: SideTimes;
}

/**
 * When each piece on the heat is off, by the times of its sides: what it still needs counts from when it was poured or
 * turned.
 */
export const offAtOf = (pieces: readonly Piece[], t: SideTimes, now: number): readonly number[] =>
  pieces
    .filter((p) => p.pulledAt === null)
    .map((p) => Math.max(now, dueAt(p, t)) + (p.flippedAt === null ? 1000 * (t.second ?? 0) : 0));

/**
 * When the last of an end is off: each to come lies on the place that is free first. @param from ms; places with
 * nothing on them are free then
 */
function lastOff(e: EndNow, from: number): number {
  const free = [
    ...e.offAt.map((x) => x + 1000 * BETWEEN_S),
    ...Array.from({ length: Math.max(0, e.places - e.offAt.length) }, () => from),
  ].sort((a, b) => a - b);
  let last = Math.max(from, ...e.offAt);
  for (let n = 0; n < e.left; n++) {
    const [at = from] = free.splice(0, 1);
    last = Math.max(last, at + 1000 * onHeatS(e.times));
    // the row stays in order: what is poured last is free last, but for what lies there now
    const again = at + 1000 * (onHeatS(e.times) + BETWEEN_S);
    const k = free.findLastIndex((x) => x <= again) + 1;
    free.splice(k, 0, again);
  }
  return last;
}

/** Loads and the end of them over all ends, poured one after the other. @param now ms since 1970 */
export function restOf(
  ends: readonly EndNow[],
  now: number,
): { readonly loads: number; readonly lastAt: number } | null {
  let [at, loads] = [now, 0];
  for (const e of ends) {
    const more = e.left + e.offAt.length;
    if (more === 0) continue;
    if (e.places === 0) return null;
    at = lastOff(e, loads === 0 ? at : at + 1000 * BETWEEN_S);
    loads += Math.ceil(more / e.places);
  }
  return { loads, lastAt: at };
}
