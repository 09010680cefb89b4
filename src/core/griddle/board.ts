/**
 * The board: what lies on the heat, where, since when, and what to do next. It is worked from the cook's taps alone: the
 * tap is the truth, the clock only asks for a look. Times in milliseconds since 1970, durations in seconds.
 */

import type { SideTimes } from '../batch/heat';
import type { KindId } from '../formula/kinds';
import { GAP_CM, type Gear } from '../pantry/gear';

export const ACTS = ['pour', 'flip', 'pull'] as const;
export type Act = (typeof ACTS)[number];
/** Besides what is done to pieces: a bowl whose dry and wet have met. */
export const TAPPED = [...ACTS, 'join'] as const;

export interface Tap {
  readonly id: string;
  /** From 1, in the order of pouring; of a bowl that is joined, its number. */
  readonly piece: number;
  readonly act: (typeof TAPPED)[number];
  readonly surface: string;
  /** From 0. */
  readonly slot: number;
  readonly at: number;
  /** Of a piece that is turned or taken off: the tap that poured it. */
  readonly of?: string | null;
}

/** A tap as a screen tells it: it knows which pour it means and where it wants to pour, not which number comes of it. */
export type ToldTap = Omit<Tap, 'piece'> & { readonly piece?: number };

/**
 * A tap among those there are, in the order they arrived: a pour gets the next number, and another place where its own is
 * taken (two screens pour at once); a turn or a pull is its pour's.
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
  return { ...t, of: piece.id, piece: piece.piece };
}

export interface Piece {
  /** The tap that poured it. */
  readonly id: string;
  readonly piece: number;
  readonly surface: string;
  readonly slot: number;
  readonly pouredAt: number;
  readonly flippedAt: number | null;
  readonly pulledAt: number | null;
}

/** Pieces as the taps made them, in the order they arrived: clocks differ. Taps that can't be (flipped before it was poured, twice) do nothing. */
export function piecesFrom(taps: readonly Tap[]): readonly Piece[] {
  const pieces = new Map<number, Piece>();
  for (const t of taps) {
    if (t.act === 'join') continue;
    const p = pieces.get(t.piece);
    if (t.act === 'pour') {
      if (!p) pieces.set(t.piece, { id: t.id, piece: t.piece, surface: t.surface, slot: t.slot, pouredAt: t.at, flippedAt: null, pulledAt: null });
    } else if (p && p.pulledAt === null) {
      if (t.act === 'flip' && p.flippedAt === null) pieces.set(t.piece, { ...p, flippedAt: t.at });
      if (t.act === 'pull') pieces.set(t.piece, { ...p, pulledAt: t.at });
    }
  }
  return [...pieces.values()].sort((a, b) => a.piece - b.piece);
}

/** When a bowl was joined; null: not yet. @param bowl from 1 */
export const joinedAt = (taps: readonly Tap[], bowl: number): number | null => taps.find((t) => t.act === 'join' && t.piece === bowl)?.at ?? null;

export const onHeat = (pieces: readonly Piece[]): readonly Piece[] => pieces.filter((p) => p.pulledAt === null);

/** When a piece asks for a look. */
export const dueAt = (p: Piece, t: SideTimes): number => (p.flippedAt === null ? p.pouredAt + 1000 * t.first : p.flippedAt + 1000 * (t.second ?? 0));
export const actFor = (p: Piece, t: SideTimes): 'flip' | 'pull' => (p.flippedAt === null && t.second !== null ? 'flip' : 'pull');

export interface Place {
  readonly surface: string;
  readonly slot: number;
}

export type Step =
  | { readonly do: 'flip' | 'pull'; readonly piece: Piece }
  | { readonly do: 'pour'; readonly place: Place }
  /** Nothing is to be done until then. */
  | { readonly do: 'wait'; readonly piece: Piece; readonly until: number }
  | { readonly do: 'done' };

/** A pour takes so long that what is due sooner is waited for, s. */
const POUR_S = 5;

/**
 * The one next thing to do.
 * @param places in the order they are poured @param poured how many may still be poured
 */
export function nextStep(pieces: readonly Piece[], places: readonly Place[], times: SideTimes, left: number, now: number): Step {
  const on = [...onHeat(pieces)].sort((a, b) => a.pouredAt - b.pouredAt || a.piece - b.piece);
  // the oldest of those that are due: never a younger one before it
  const due = on.find((p) => dueAt(p, times) <= now);
  if (due) return { do: actFor(due, times), piece: due };
  const soonest = [...on].sort((a, b) => dueAt(a, times) - dueAt(b, times))[0];
  const free = left > 0 ? places.find((f) => !on.some((p) => p.surface === f.surface && p.slot === f.slot)) : undefined;
  if (free && (!soonest || dueAt(soonest, times) > now + 1000 * POUR_S)) return { do: 'pour', place: free };
  return soonest ? { do: 'wait', piece: soonest, until: dueAt(soonest, times) } : { do: 'done' };
}

export interface Slot {
  /** Middle of the piece from the left and the front edge, cm. */
  readonly x: number;
  readonly y: number;
}

export interface Surface {
  readonly id: string;
  readonly name: string;
  readonly wideCm: number;
  readonly deepCm: number;
  readonly round: boolean;
  /** Across one piece as it is drawn, cm. */
  readonly acrossCm: number;
  /** In pour order: from the back left, row by row, so that the hand that flips follows the hand that poured. */
  readonly slots: readonly Slot[];
}

const grid = (wide: number, deep: number, across: number): readonly Slot[] => {
  const n = (cm: number): number => Math.max(0, Math.floor((cm + GAP_CM) / (across + GAP_CM)));
  const [columns, rows] = [n(wide), n(deep)];
  const start = (cm: number, k: number): number => (cm - (k * across + (k - 1) * GAP_CM)) / 2 + across / 2;
  return Array.from({ length: rows * columns }, (_, i) => ({
    x: start(wide, columns) + (i % columns) * (across + GAP_CM),
    y: start(deep, rows) + Math.floor(i / columns) * (across + GAP_CM),
  }));
};

/** Rows set into each other's gaps. */
const staggered = (wide: number, deep: number, across: number): readonly Slot[] => {
  const pitch = across + GAP_CM;
  const columns = Math.max(0, Math.floor((wide + GAP_CM) / pitch));
  const rowPitch = (pitch * Math.sqrt(3)) / 2;
  const rows = deep < across ? 0 : 1 + Math.floor((deep - across) / rowPitch + 1e-9);
  const left = (wide - (columns * across + (columns - 1) * GAP_CM)) / 2 + across / 2;
  const front = (deep - (across + (rows - 1) * rowPitch)) / 2 + across / 2;
  return Array.from({ length: rows }, (_, r) => r).flatMap((r) =>
    Array.from({ length: columns }, (_, c) => ({ x: left + c * pitch + (r % 2) * (pitch / 2), y: front + r * rowPitch })).filter(
      (s) => s.x + across / 2 <= wide + 1e-9,
    ),
  );
};

/**
 * The surfaces a kind is made on, each with its places.
 * @param acrossCm how far one piece spreads on a griddle
 */
export function surfacesFor(gear: readonly Gear[], kind: KindId, acrossCm: number): readonly Surface[] {
  return gear.flatMap((g): readonly Surface[] => {
    if (g.sort === 'griddle' && kind !== 'crepe' && kind !== 'waffle' && kind !== 'ball' && kind !== 'oven') {
      const rows = grid(g.wideCm, g.deepCm, acrossCm);
      const set = staggered(g.wideCm, g.deepCm, acrossCm);
      const slots = set.length > rows.length ? set : rows;
      return slots.length > 0 ? [{ id: g.id, name: g.name, wideCm: g.wideCm, deepCm: g.deepCm, round: false, acrossCm, slots }] : [];
    }
    if (g.sort === 'pan' && (kind === 'crepe' || kind === 'oven'))
      return [
        {
          id: g.id,
          name: g.name,
          wideCm: g.acrossCm,
          deepCm: g.acrossCm,
          round: true,
          acrossCm: g.acrossCm * 0.92,
          slots: [{ x: g.acrossCm / 2, y: g.acrossCm / 2 }],
        },
      ];
    if (g.sort === 'iron' && kind === 'waffle') {
      const each = 12;
      const wide = g.pieces * (each + GAP_CM) + GAP_CM;
      return [
        {
          id: g.id,
          name: g.name,
          wideCm: wide,
          deepCm: each + 2 * GAP_CM,
          round: false,
          acrossCm: each,
          slots: Array.from({ length: g.pieces }, (_, n) => ({ x: GAP_CM + each / 2 + n * (each + GAP_CM), y: GAP_CM + each / 2 })),
        },
      ];
    }
    if (g.sort === 'ball-pan' && kind === 'ball') {
      const each = 5;
      const columns = Math.ceil(Math.sqrt(g.hollows));
      const rows = Math.ceil(g.hollows / columns);
      const pitch = each + GAP_CM;
      return [
        {
          id: g.id,
          name: g.name,
          wideCm: columns * pitch + GAP_CM,
          deepCm: rows * pitch + GAP_CM,
          round: false,
          acrossCm: each,
          slots: Array.from({ length: g.hollows }, (_, n) => ({
            x: GAP_CM + each / 2 + (n % columns) * pitch,
            y: GAP_CM + each / 2 + Math.floor(n / columns) * pitch,
          })),
        },
      ];
    }
    return [];
  });
}
