/**
 * One surface under several batches: where each piece lies to scale, which places are free for each batch whatever the
 * others have lying there, the one next thing over all of them, and what is done in one act: a row turned, every free
 * place poured. Times in ms since 1970, lengths in cm.
 */
import type { ActEntry } from '../batch/acts';
import { type Surface, withWhatLies } from '../batter/surface';
import { actFor, dueAt, onHeat, type Piece, POUR_S, type Tap } from './board';
import { type BoardFacts, type EndAt, type GriddleNow, griddleNow } from './griddle-now';

/** A batch under way at the surface. */
export interface BatchAt {
  readonly facts: BoardFacts;
  readonly taps: readonly Tap[];
  readonly entries: readonly ActEntry[];
}

/** A piece on the surface. */
export interface Lying {
  /** Its batch, by its place in the list. */
  readonly of: number;
  readonly piece: Piece;
  /** Its middle, from the left and the front edge. */
  readonly x: number;
  readonly y: number;
  readonly acrossCm: number;
  readonly act: 'flip' | 'pull';
  readonly dueAt: number;
}

/** What of a batch can be poured here now. */
export interface PourHere {
  readonly of: number;
  readonly end: EndAt;
  /** Null: this surface is not lit for it. */
  readonly surface: Surface | null;
  /** Places where a piece of it touches none that lies there, in pour order; no more than may be poured. */
  readonly free: readonly number[];
  /** Those of them beside the first. */
  readonly row: readonly number[];
  /** How many may be poured in all. */
  readonly left: number;
  /** Its test piece is looked at first. */
  readonly held: boolean;
  /** Its bowl rests until then; null: it may be poured. */
  readonly restsUntil: number | null;
}

type NextHere =
  | { readonly do: 'flip' | 'pull'; readonly lying: Lying }
  | { readonly do: 'pour'; readonly from: PourHere }
  | { readonly do: 'wait'; readonly lying: Lying }
  | { readonly do: 'done' };

export interface SharedSurface {
  readonly wideCm: number;
  readonly deepCm: number;
  readonly round: boolean;
  /** The oldest first. */
  readonly lying: readonly Lying[];
  readonly pours: readonly PourHere[];
  readonly next: NextHere;
  /** Pieces beside each other that are due, or nearly, for the same act: two at least. */
  readonly rows: readonly (readonly Lying[])[];
}

/** What is due so soon goes with its row, ms. */
const WITH_ITS_ROW_MS = 12_000;
/** So near to touching counts as beside it, cm. */
const TOUCHING_CM = 0.1;

const surfaceFor = (id: string, { gear }: BoardFacts, e: EndAt): Surface | undefined =>
  withWhatLies(e.surfaces, gear, e.kind, e.acrossCm, [{ surface: id }]).find((s) => s.id === id);

function lyingOf(id: string, at: BatchAt, it: GriddleNow, of: number): readonly Lying[] {
  return onHeat(it.pieces).flatMap((piece): readonly Lying[] => {
    const surface = piece.surface === id ? surfaceFor(id, at.facts, it.endOf(piece)) : undefined;
    // more than lie there side by side: two screens have poured at once
    const slot = surface?.slots[piece.slot % surface.slots.length];
    if (!surface || !slot) return [];
    const times = it.timesOf(piece);
    const { acrossCm } = surface;
    return [{ of, piece, x: slot.x, y: slot.y, acrossCm, act: actFor(piece, times), dueAt: dueAt(piece, times) }];
  });
}

function pourHere(id: string, it: GriddleNow, of: number, lying: readonly Lying[]): PourHere {
  const end = it.pouring;
  const surface = end.surfaces.find((s) => s.id === id) ?? null;
  const isFree = (s: { readonly x: number; readonly y: number }): boolean =>
    surface !== null &&
    lying.every((l) => Math.hypot(l.x - s.x, l.y - s.y) >= (l.acrossCm + surface.acrossCm) / 2 - TOUCHING_CM);
  const free = (surface?.slots ?? []).flatMap((s, slot) => (isFree(s) ? [slot] : []));
  const may = free.slice(0, Math.max(0, it.mayPour));
  const slots = surface?.slots ?? [];
  const row = may.filter((n) => Math.abs((slots[n]?.y ?? 0) - (slots[may[0] ?? 0]?.y ?? 0)) < TOUCHING_CM);
  const { held, mayPour: left, bowlRestsUntil: restsUntil } = it;
  return { of, end, surface, free: may, row, left, held, restsUntil };
}

/** Pieces side by side that go over, or off, together. @param lying the oldest first */
function rowsOf(lying: readonly Lying[], now: number): readonly (readonly Lying[])[] {
  const ready = lying.filter((l) => l.dueAt <= now + WITH_ITS_ROW_MS);
  const rows: Lying[][] = [];
  for (const l of ready) {
    const row = rows.find(([r]) => r && r.act === l.act && Math.abs(r.y - l.y) < Math.min(r.acrossCm, l.acrossCm) / 2);
    if (row) row.push(l);
    else rows.push([l]);
  }
  // one that is not due makes no row
  return rows.filter((r) => r.length > 1 && r.some((l) => l.dueAt <= now));
}

/**
 * @param id of the surface's gear
 * @param batches those under way that are made on it
 * @param chosen the batch that is poured next, by its place in the list; null: the first that can be
 */
export function sharedSurface(
  id: string,
  batches: readonly BatchAt[],
  chosen: number | null,
  now: number,
): SharedSurface {
  const its = batches.map((b) => griddleNow(b.facts, b.taps, b.entries, null, now));
  const lying = batches
    .flatMap((b, of) => lyingOf(id, b, its[of] as GriddleNow, of))
    .sort((a, b) => a.piece.pouredAt - b.piece.pouredAt || a.of - b.of || a.piece.piece - b.piece.piece);
  const pours = its.map((it, of) => pourHere(id, it, of, lying));
  const drawn = batches
    .flatMap((b, of) => (its[of] as GriddleNow).ends.map((e) => surfaceFor(id, b.facts, e)))
    .find((s) => s !== undefined);
  const due = lying.find((l) => l.dueAt <= now);
  const soonest = [...lying].sort((a, b) => a.dueAt - b.dueAt)[0];
  const can = (p: PourHere): boolean => p.free.length > 0 && p.restsUntil === null;
  const from = pours.find((p) => p.of === chosen && can(p)) ?? pours.find(can);
  const next = ((): NextHere => {
    // the oldest of those that are due: never a younger one before it
    if (due) return { do: due.act, lying: due };
    if (from && (!soonest || soonest.dueAt > now + 1000 * POUR_S)) return { do: 'pour', from };
    return soonest ? { do: 'wait', lying: soonest } : { do: 'done' };
  })();
  const { wideCm, deepCm, round } = drawn ?? { wideCm: 1, deepCm: 1, round: false };
  return { wideCm, deepCm, round, lying, pours, next, rows: rowsOf(lying, now) };
}
