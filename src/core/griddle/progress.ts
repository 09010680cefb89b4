/** How far a batch has come at the griddle: what is off, what is still to pour, and when the next bowl has to be joined. */
import type { Batch } from '../batch/batch';
import { BETWEEN_S, onHeatS, type SideTimes } from '../batch/heat';
import { isTestPiece, testsIn } from '../batch/pieces';
import type { Pouring } from '../batch/pourings';
import { mixesIn } from '../batch/split';
import type { Ingredient } from '../pantry/ingredient';
import type { Piece } from './board';

/** Joining a bowl takes so long before it is needed, ms. */
const JOIN_MS = 5 * 60_000;

export interface AddInNow {
  readonly name: string;
  readonly of: Ingredient | null;
  /** g on each piece; null where no pieces are counted. */
  readonly eachG: number | null;
  readonly moment: 'poured' | 'flip' | 'top';
}

/** Add-ins that go on a piece at the heat: as it is poured (what is laid on top as well), or before it is turned. @param of the end the piece is of */
export function addInsOf(
  batch: Pick<Batch, 'sheet' | 'piecesPlanned' | 'split'>,
  at: 'poured' | 'flip' | null,
  find: (id: string) => Ingredient | undefined,
  of: Pick<Pouring, 'name' | 'pieces'> = { name: null, pieces: batch.piecesPlanned },
): readonly AddInNow[] {
  if (at === null) return [];
  const inOne = (pieces: number | null): number | null => (pieces === null ? null : pieces / mixesIn(batch.split));
  return batch.sheet.flatMap((l) => {
    const { moment } = l;
    if (moment === undefined || moment === 'rest' || (l.mix ?? 1) !== 1 || (at === 'flip') !== (moment === 'flip')) return [];
    // what is of one end alone goes on its pieces alone
    if (l.forEnd !== undefined && l.forEnd !== of.name) return [];
    const each = inOne(l.forEnd === undefined ? batch.piecesPlanned : of.pieces);
    return [{ name: l.name, of: find(l.parts?.[0]?.id ?? '') ?? null, eachG: each && l.grams !== null ? l.grams / each : null, moment }];
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

/** @param places there are on the heat at once @param now ms since 1970, as the times that come out */
export function progressOf(
  batch: Pick<Batch, 'driver' | 'piecesPlanned' | 'split'>,
  pieces: readonly Piece[],
  times: SideTimes,
  places: number,
  now: number,
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
  const loads = Math.max(0, Math.ceil((wanted - off) / places));
  return {
    off,
    toPour,
    bowl,
    bowls,
    leftInBowl,
    joinBy: bowl < bowls ? now + (leftInBowl / places) * cycleMs - JOIN_MS : null,
    loads,
    lastAt: now + loads * cycleMs,
  };
}

/** An end at the heat: its pieces so far, how many of it are still to pour, its places and its times. */
export interface EndNow {
  readonly left: number;
  readonly on: number;
  readonly places: number;
  readonly times: SideTimes;
}

/** Loads and the end of them over two ends, poured one after the other: what `progressOf` says of the one that is poured now. @param now ms since 1970 */
export function withAllEnds(p: Progress, ends: readonly EndNow[], now: number): Progress {
  if (ends.length < 2 || p.loads === null) return p;
  const each = ends.map((e) => ({ loads: e.places === 0 ? 0 : Math.ceil((e.left + e.on) / e.places), cycleMs: 1000 * (onHeatS(e.times) + BETWEEN_S) }));
  const loads = each.reduce((a, e) => a + e.loads, 0);
  return { ...p, loads, lastAt: now + each.reduce((a, e) => a + e.loads * e.cycleMs, 0) };
}
