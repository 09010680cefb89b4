/**
 * The board: what lies on the heat, where, since when, and what to do next. It is worked from the cook's taps alone:
 * the tap is the truth, the clock only asks for a look. Times in milliseconds since 1970, durations in seconds.
 */

import type { EndId } from '../formula/formula';
import type { SideTimes } from '../script/on-heat';

const ACTS = ['pour', 'flip', 'pull'] as const;
/**
 * Besides what is done to pieces: a bowl whose dry and wet have met; a piece that was looked at and lies on, and one
 * that was moved to another place.
 */
export const TAPPED = [...ACTS, 'join', 'wait', 'move'] as const;

export interface Tap {
  readonly id: string;
  /** From 1, in the order of pouring; of a bowl that is combined, its number. */
  readonly piece: number;
  readonly act: (typeof TAPPED)[number];
  readonly surface: string;
  /** From 0. */
  readonly slot: number;
  readonly at: number;
  /** Of a piece that is turned or taken off: the tap that poured it. */
  readonly of?: string | null;
  /** Of two ends from one base, the one that is poured. */
  readonly end?: EndId | null | undefined;
}

/**
 * A tap as a screen tells it: it knows which pour it means and where it wants to pour, not which number comes of it.
 */
export type ToldTap = Omit<Tap, 'piece'> & { readonly piece?: number };

/**
 * A tap among those there are, in the order they arrived: a pour gets the next number, and another place where its own
 * is taken (two screens pour at once); a turn or a pull is its pour's.
 * @returns null where it changes nothing: the piece is turned, or off, already
 * @throws never; a tap on a piece that nobody poured is `'unknown'`
 */
export function settle(t: ToldTap, taps: readonly Tap[]): Tap | null | 'unknown' {
  if (taps.some((x) => x.id === t.id)) return null;
  if (t.act === 'join') {
    const piece = t.piece ?? 1;
    return taps.some((x) => x.act === 'join' && x.piece === piece) ? null : { ...t, piece, of: null };
  }
  const pieces = piecesFrom(taps);
  if (t.act === 'pour') {
    const taken = new Set(onHeat(pieces).flatMap((p) => (p.surface === t.surface ? [p.slot] : [])));
    let slot = t.slot;
    if (taken.has(slot)) for (slot = 0; taken.has(slot); slot++);
    return { ...t, slot, of: null, piece: Math.max(0, ...pieces.map((p) => p.piece)) + 1 };
  }
  // an older screen knows the piece by its number alone
  const piece = pieces.find((p) => (t.of ? p.id === t.of : p.piece === t.piece));
  if (!piece) return 'unknown';
  if (piece.pulledAt !== null || (t.act === 'flip' && piece.flippedAt !== null)) return null;
  // a place that another has taken meanwhile: it stays where it is
  if (t.act === 'move' && onHeat(pieces).some((p) => p.surface === t.surface && p.slot === t.slot)) return null;
  return { ...t, of: piece.id, piece: piece.piece };
}

export interface Piece {
  /** The tap that poured it. */
  readonly id: string;
  readonly piece: number;
  readonly surface: string;
  readonly slot: number;
  readonly end?: EndId | null | undefined;
  readonly pouredAt: number;
  readonly flippedAt: number | null;
  readonly pulledAt: number | null;
  /** Looked at, and not ready: until when it asks for no look; none: it was not. */
  readonly lookAgainAt?: number;
}

/**
 * Pieces as the taps made them, in the order they arrived: clocks differ. Taps that can't be (flipped before it was
 * poured, twice) do nothing.
 */
export function piecesFrom(taps: readonly Tap[]): readonly Piece[] {
  const pieces = new Map<number, Piece>();
  for (const t of taps) {
    if (t.act === 'join') continue;
    const p = pieces.get(t.piece);
    if (t.act === 'pour') {
      if (!p)
        pieces.set(t.piece, {
          id: t.id,
          piece: t.piece,
          surface: t.surface,
          slot: t.slot,
          ...(t.end && { end: t.end }),
          pouredAt: t.at,
          flippedAt: null,
          pulledAt: null,
        });
    } else if (p && p.pulledAt === null) {
      if (t.act === 'flip' && p.flippedAt === null) {
        const { lookAgainAt: _, ...turned } = p;
        pieces.set(t.piece, { ...turned, flippedAt: t.at });
      }
      if (t.act === 'pull') pieces.set(t.piece, { ...p, pulledAt: t.at });
      if (t.act === 'wait') pieces.set(t.piece, { ...p, lookAgainAt: t.at + 1000 * LOOK_AGAIN_S });
      if (t.act === 'move') pieces.set(t.piece, { ...p, surface: t.surface, slot: t.slot });
    }
  }
  return [...pieces.values()].sort((a, b) => a.piece - b.piece);
}

/** When a bowl was joined; null: not yet. @param bowl from 1 */
export const joinedAt = (taps: readonly Tap[], bowl: number): number | null =>
  taps.find((t) => t.act === 'join' && t.piece === bowl)?.at ?? null;

export const onHeat = (pieces: readonly Piece[]): readonly Piece[] => pieces.filter((p) => p.pulledAt === null);

/** A piece that was looked at and is not ready asks again after so long, s. Ours. */
const LOOK_AGAIN_S = 15;

/** When a piece asks for a look. */
export const dueAt = (p: Piece, t: SideTimes): number =>
  Math.max(
    p.lookAgainAt ?? 0,
    p.flippedAt === null ? p.pouredAt + 1000 * t.first : p.flippedAt + 1000 * (t.second ?? 0),
  );
export const actFor = (p: Piece, t: SideTimes): 'flip' | 'pull' =>
  p.flippedAt === null && t.second !== null ? 'flip' : 'pull';

export interface Place {
  readonly surface: string;
  readonly slot: number;
}

export type BoardStep =
  | { readonly do: 'flip' | 'pull'; readonly piece: Piece }
  | { readonly do: 'pour'; readonly place: Place }
  /** Nothing is to be done until then. */
  | { readonly do: 'wait'; readonly piece: Piece; readonly until: number }
  | { readonly do: 'done' };

/** A pour takes so long that what is due sooner is waited for, s. */
export const POUR_S = 5;

/**
 * The one next thing to do.
 * @param places in the order they are poured @param timesOf a piece: two ends may lie for other times @param left how
 * many may still be poured
 */
export function nextStep(
  pieces: readonly Piece[],
  places: readonly Place[],
  timesOf: (p: Piece) => SideTimes,
  left: number,
  now: number,
): BoardStep {
  const on = [...onHeat(pieces)].sort((a, b) => a.pouredAt - b.pouredAt || a.piece - b.piece);
  // the oldest of those that are due: never a younger one before it
  const due = on.find((p) => dueAt(p, timesOf(p)) <= now);
  if (due) return { do: actFor(due, timesOf(due)), piece: due };
  const soonest = [...on].sort((a, b) => dueAt(a, timesOf(a)) - dueAt(b, timesOf(b)))[0];
  const free = left > 0 ? places.find((f) => !on.some((p) => p.surface === f.surface && p.slot === f.slot)) : undefined;
  if (free && (!soonest || dueAt(soonest, timesOf(soonest)) > now + 1000 * POUR_S)) return { do: 'pour', place: free };
  return soonest ? { do: 'wait', piece: soonest, until: dueAt(soonest, timesOf(soonest)) } : { do: 'done' };
}
