/**
 * Hot and cool places of a surface, drawn by the cook's taps: where pieces ask for the turn late it is cool, where they
 * ask early it is hot; the first load against later ones shows the drop after pouring. Worked from logarithms of first
 * sides against the middle of their batch, so that batches of any formula speak together. Centimetres, seconds.
 */
import type { Surface } from '../batter/surface';
import { median } from '../quantity/middle';
import type { SideTimes } from '../script/on-heat';
import { piecesFrom, type Tap } from './board';

/** A piece that was poured and turned where it lay. */
export interface TimedPiece {
  readonly batchId: string;
  readonly x: number;
  readonly y: number;
  /** From 0: the first pieces on the surface, those after them, and from then on. */
  readonly load: number;
  readonly firstS: number;
}

/** Times a first side takes by place, against the middle of the surface, at points so far apart, row by row. */
export interface PlaceMap {
  readonly stepCm: number;
  readonly columns: number;
  readonly rows: number;
  readonly factors: readonly number[];
}

export interface DrawnPlaces {
  readonly map: PlaceMap;
  /** First sides of the first load, the second, and later ones, against the middle. */
  readonly loads: readonly number[];
  readonly batches: number;
  readonly pieces: number;
  /** How far a piece lay from the middle of its batch, as a share: with no map, and with one drawn by the other batches. */
  readonly offBefore: number;
  readonly offWith: number;
  /** It would have foretold the turns of the past clearly better. */
  readonly offered: boolean;
}

const STEP_CM = 10;
/** A piece speaks for about so far around it. */
const REACH_CM = 8;
/** Spread of a tap, and of places, as logarithms: so many pieces weigh as much as "no difference". */
const WEIGHT_OF_NONE = (0.12 / 0.08) ** 2;
/** A piece so many times as long as the middle was late for another reason. */
const OUTLIER = 2;
const LEAST_BATCHES = 3;
/** Pieces of a batch that have a middle. */
const LEAST_PIECES = 6;
const BETTER_BY = 0.1;
const LOADS = 3;

/** The pieces of a batch on a surface that were turned where they were poured. */
export function timedPieces(batchId: string, taps: readonly Tap[], surface: Surface): readonly TimedPiece[] {
  const moved = new Set(taps.flatMap((t) => (t.act === 'move' || t.act === 'wait' ? [t.piece] : [])));
  return piecesFrom(taps)
    .filter((p) => p.surface === surface.id)
    .flatMap((p, n): readonly TimedPiece[] => {
      const at = surface.slots[p.slot];
      if (!at || p.flippedAt === null || moved.has(p.piece)) return [];
      const load = Math.min(LOADS - 1, Math.floor(n / surface.slots.length));
      return [{ batchId, x: at.x, y: at.y, load, firstS: (p.flippedAt - p.pouredAt) / 1000 }];
    });
}

interface Residual extends TimedPiece {
  /** ln of its first side against the middle of its batch. */
  readonly log: number;
}

const mean = (xs: readonly number[]): number => (xs.length === 0 ? 0 : xs.reduce((a, x) => a + x, 0) / xs.length);
const rms = (xs: readonly number[]): number => Math.sqrt(mean(xs.map((x) => x * x)));

/** Of every batch with enough pieces, each piece against their middle; wild ones left out. */
function residualsOf(pieces: readonly TimedPiece[]): readonly Residual[] {
  const batches = [...new Set(pieces.map((p) => p.batchId))];
  return batches.flatMap((id) => {
    const own = pieces.filter((p) => p.batchId === id && p.firstS > 0);
    const middle = median(own.map((p) => p.firstS));
    if (middle === null || own.length < LEAST_PIECES) return [];
    return own
      .map((p) => ({ ...p, log: Math.log(p.firstS / middle) }))
      .filter((p) => Math.abs(p.log) <= Math.log(OUTLIER));
  });
}

/** ln by load, over all places. */
const loadsOf = (all: readonly Residual[]): readonly number[] =>
  Array.from({ length: LOADS }, (_, load) => {
    const own = all.filter((p) => p.load === load);
    return (own.length * mean(own.map((p) => p.log))) / (own.length + WEIGHT_OF_NONE);
  });

/** ln at a place: the pieces about it, each by how near it lay. */
function logAt(all: readonly Residual[], loads: readonly number[], x: number, y: number): number {
  let [sum, weight] = [0, WEIGHT_OF_NONE];
  for (const p of all) {
    const near = Math.exp(-0.5 * (((p.x - x) ** 2 + (p.y - y) ** 2) / REACH_CM ** 2));
    sum += near * (p.log - (loads[p.load] ?? 0));
    weight += near;
  }
  return sum / weight;
}

/** @param wideCm of the surface @returns null where fewer than three batches have enough turns on it */
export function drawnPlaces(
  pieces: readonly TimedPiece[],
  { wideCm, deepCm }: Pick<Surface, 'wideCm' | 'deepCm'>,
): DrawnPlaces | null {
  const all = residualsOf(pieces);
  const ids = [...new Set(all.map((p) => p.batchId))];
  if (ids.length < LEAST_BATCHES) return null;
  const loads = loadsOf(all);
  const [columns, rows] = [wideCm, deepCm].map((cm) => Math.floor(cm / STEP_CM) + 1) as [number, number];
  const factors = Array.from({ length: columns * rows }, (_, n) =>
    Math.exp(logAt(all, loads, (n % columns) * STEP_CM, Math.floor(n / columns) * STEP_CM)),
  );
  // each batch by what the others say
  const [before, after]: [number[], number[]] = [[], []];
  for (const id of ids) {
    const others = all.filter((p) => p.batchId !== id);
    const theirs = loadsOf(others);
    for (const p of all.filter((x) => x.batchId === id)) {
      before.push(p.log - (theirs[p.load] ?? 0));
      after.push(p.log - (theirs[p.load] ?? 0) - logAt(others, theirs, p.x, p.y));
    }
  }
  return {
    map: { stepCm: STEP_CM, columns, rows, factors },
    loads: loads.map(Math.exp),
    batches: ids.length,
    pieces: all.length,
    offBefore: Math.expm1(rms(before)),
    offWith: Math.expm1(rms(after)),
    offered: rms(after) < (1 - BETTER_BY) * rms(before),
  };
}

/** Times a first side takes at a place, between the points of a map. */
export function factorAt(map: PlaceMap, x: number, y: number): number {
  const along = (cm: number, points: number): readonly [number, number] => {
    const at = Math.min(points - 1, Math.max(0, cm / map.stepCm));
    const low = Math.min(points - 2, Math.floor(at));
    return points < 2 ? [0, 0] : [low, at - low];
  };
  const [column, right] = along(x, map.columns);
  const [row, down] = along(y, map.rows);
  const point = (c: number, r: number): number =>
    map.factors[Math.min(map.rows - 1, r) * map.columns + Math.min(map.columns - 1, c)] ?? 1;
  const mix = (a: number, b: number, share: number): number => a + (b - a) * share;
  return mix(
    mix(point(column, row), point(column + 1, row), right),
    mix(point(column, row + 1), point(column + 1, row + 1), right),
    down,
  );
}

/** Both sides at a place. */
export const timesAt = (t: SideTimes, factor: number): SideTimes => ({
  first: t.first * factor,
  second: t.second === null ? null : t.second * factor,
});

/** Places differ so far that it is worth a word; and that two are worth exchanging half-way. */
const WORTH_A_WORD = 0.06;
const WORTH_A_MOVE = 0.12;

interface PlaceAdvice {
  /** Places by their number, from 0: the coolest, which is poured first, and the hottest. */
  readonly cool: number;
  readonly hot: number;
  /** How much longer the cool one takes than the hot one, as a share. */
  readonly apart: number;
  /** The two are worth exchanging half-way. */
  readonly exchange: boolean;
}

/** Which place of a surface to pour first, and which two to exchange; null: they are all alike. */
export function placeAdvice(map: PlaceMap, { slots }: Pick<Surface, 'slots'>): PlaceAdvice | null {
  const factors = slots.map((s) => factorAt(map, s.x, s.y));
  if (factors.length < 2) return null;
  const cool = factors.indexOf(Math.max(...factors));
  const hot = factors.indexOf(Math.min(...factors));
  const apart = (factors[cool] ?? 1) / (factors[hot] ?? 1) - 1;
  return apart < WORTH_A_WORD ? null : { cool, hot, apart, exchange: apart >= WORTH_A_MOVE };
}
