/**
 * Batches that were begun each by itself and are served at one time of one day: together they are a morning, in which
 * hands, places and ovens are shared.
 */
import type { EndId } from '../formula/formula';
import type { Gear } from '../pantry/gear';
import { type Dating, localDay, minuteOf } from '../quantity/day';
import { type MorningPlan, usualMorning } from './plan';

interface LooseBatch {
  readonly id: string;
  readonly formulaId: string;
  readonly endId?: EndId | null;
  readonly morningId?: string | null;
  readonly piecesPlanned: number | null;
  readonly timeline: { readonly at: number } | null;
}

/** Served within so long of each other they are served together, min. */
const TOGETHER_MIN = 30;

/** The batches that are served together, each group of two or more, the first served in front. */
export function servedTogether<B extends LooseBatch>(batches: readonly B[], units: Dating): readonly (readonly B[])[] {
  const timed = batches
    .flatMap((b) => (b.timeline && b.piecesPlanned && !b.morningId ? [{ b, at: b.timeline.at }] : []))
    .sort((x, y) => x.at - y.at);
  const out: { at: number; batches: B[] }[] = [];
  for (const { b, at } of timed) {
    const last = out.at(-1);
    const isWith = last && at - last.at <= TOGETHER_MIN * 60_000 && localDay(at, units) === localDay(last.at, units);
    if (isWith) last.batches.push(b);
    else out.push({ at, batches: [b] });
  }
  return out.map((g) => g.batches).filter((g) => g.length > 1);
}

/**
 * The morning that batches make together: a wave when the first of them is served, a dish each with its own pieces.
 * @returns null: there are none with a time
 */
export function morningOfLoose(
  batches: readonly LooseBatch[],
  gear: readonly Gear[],
  cooks: Parameters<typeof usualMorning>[1],
  units: Dating,
): MorningPlan | null {
  const first = Math.min(...batches.flatMap((b) => (b.timeline ? [b.timeline.at] : [])));
  if (!Number.isFinite(first)) return null;
  const day = localDay(first, units);
  const pieces = batches.map((b) => b.piecesPlanned ?? 0);
  return {
    ...usualMorning(gear, cooks),
    day,
    waves: [{ at: Math.round(minuteOf(day, first, units)), covers: Math.max(1, ...pieces) }],
    // a plate of one piece: how many go on one nobody has said of a batch
    dishes: batches.map((b, n) => ({
      id: `d${n + 1}`,
      formulaId: b.formulaId,
      end: b.endId ?? null,
      each: 1,
      of: { count: Math.max(1, pieces[n] ?? 1) },
      without: [],
    })),
  };
}
