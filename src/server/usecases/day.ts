/** The day of a batch, from the records: what is in its bowl, its steps, and how long a piece lies on the heat here. */
import { type Batch, waysOf } from '@/core/batch/batch';
import { noticeOf } from '@/core/batch/notice';
import { pouringsOf } from '@/core/batch/pourings';
import type { Serving } from '@/core/batch/serving';
import { surfaceOf } from '@/core/batter/surface';
import { type BowlAtWork, bowlOf } from '@/core/day/bowl';
import { daySteps, expectedIn } from '@/core/day/day';
import { lineNow } from '@/core/day/done';
import { type OnCounter, type StepsOfDay, stepsByDay } from '@/core/day/schedule';
import type { Step } from '@/core/day/step';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { Ways } from '@/core/formula/ways';
import { type Contact, contactsOf } from '@/core/griddle/contact';
import type { BoardFacts } from '@/core/griddle/griddle-now';
import { type KnownTimes, timesFor } from '@/core/griddle/times';
import type { Gear } from '@/core/pantry/gear';
import { findIngredient } from '@/core/pantry/pantry';
import { heatIn } from '@/core/script/read';
import { batchById, underWay } from '../queries/batches';
import { careNotes } from '../queries/care';
import { earlierSides, lastPours, tapsOf } from '../queries/griddle';
import { keptTakenBy } from '../queries/kept';
import { placesInUse } from '../queries/lessons';
import { sides } from '../queries/sides';

interface BatchDay {
  readonly bowl: BowlAtWork;
  readonly steps: readonly Step[];
  /** Of each end that is poured, in their order. */
  readonly known: readonly KnownTimes[];
  readonly ways: Ways;
}

/**
 * The steps a batch still has, by the house's days; nothing where nobody has said when it is served. @param now ms
 * since 1970
 */
export async function stepsLeft(batch: Batch, house: Kitchen, now: number): Promise<readonly StepsOfDay[]> {
  if (!batch.timeline) return [];
  const [day, taps] = await Promise.all([dayOf(batch, house), tapsOf(batch.id)]);
  const { line } = lineNow(day.steps, batch, { ...batch, taps }, batch.timeline, true, now);
  return stepsByDay(line.placed, now, house.units);
}

/** Batches so near in time share the counter, its hands and its heat. */
const TOGETHER_MS = 12 * 3_600_000;
const MOST_TOGETHER = 4;

/** Other batches under way about the same time, with what of each is still to do. @param now ms since 1970 */
export async function onTheCounter(batch: Batch, house: Kitchen, now: number): Promise<readonly OnCounter[]> {
  if (batch.finishedAt) return [];
  const at = batch.timeline?.at ?? now;
  const others = (await underWay()).filter(
    (b) => b.id !== batch.id && b.timeline !== null && Math.abs(b.timeline.at - at) < TOGETHER_MS,
  );
  return Promise.all(
    others.slice(0, MOST_TOGETHER).map(async (b): Promise<OnCounter> => {
      const [day, taps] = await Promise.all([dayOf(b, house), tapsOf(b.id)]);
      const { line } = lineNow(day.steps, b, { ...b, taps }, b.timeline as Serving, true, now);
      return { id: b.id, name: b.name, placed: line.placed };
    }),
  );
}

export async function dayOf(batch: Batch, house: Kitchen): Promise<BatchDay> {
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const ways = waysOf(batch, house);
  const bowl = bowlOf(batch, ways, house, find);
  const known = await Promise.all(
    bowl.pourings.map(async (p, n) =>
      timesFor(expectedIn(bowl, n, ways).times, await earlierSides({ ...batch, kind: p.kind, portionMl: p.portionMl })),
    ),
  );
  const [beside, kept] = await Promise.all([
    batch.sheet.some((l) => l.side !== undefined) ? sides() : [],
    keptTakenBy(batch.id),
  ]);
  const serve = { methods: new Map(beside.map((s) => [s.name, s.method])), kept, gear: house.gear };
  return { bowl, steps: daySteps(batch, bowl, ways, known, find, house.units, serve), known, ways };
}

/** What a batch's board is worked from, besides its log. @param places in use, by surface */
export const boardFactsOf = (
  batch: Batch,
  { bowl, known }: BatchDay,
  house: Kitchen,
  places: NonNullable<BoardFacts['places']>,
): BoardFacts => ({
  batch,
  gear: house.gear,
  ends: bowl.pourings.map((p, n) => ({
    acrossCm: p.acrossCm,
    known: known[n] ?? (known[0] as KnownTimes),
    zone: heatIn(bowl.script, n).zoneC,
  })),
  restMin: bowl.standing.restMin,
  places,
});

/** Hot and cool places that the kitchen uses, by surface. */
export const mapsInUse = async (): Promise<NonNullable<BoardFacts['places']>> =>
  Object.fromEntries(Object.entries(await placesInUse()).map(([id, p]) => [id, p.map]));

/** Batches at one surface that are drawn at once. */
const MOST_AT_A_SURFACE = 6;

/** Batches under way that can be made on a piece of gear, by when they are served. */
export async function batchesAt(g: Gear): Promise<readonly Batch[]> {
  const made = (b: Batch): boolean => pouringsOf(b).some((p) => surfaceOf(g, p.kind, NARROW_CM) !== null);
  return (await underWay()).filter(made).slice(0, MOST_AT_A_SURFACE);
}
/** So small a piece fits anywhere that its kind is made on. */
const NARROW_CM = 4;

/**
 * Other batches' pieces on the surfaces of this one, with allergens that it lacks: those that lie there, and those
 * since it was cleaned.
 */
export async function touchedBefore(
  batch: Batch,
  house: Kitchen,
  surfaces: readonly string[],
): Promise<readonly Contact[]> {
  const [pours, care] = await Promise.all([lastPours(batch.id, surfaces), careNotes()]);
  if (pours.length === 0) return [];
  const heldBy = (b: Batch): readonly string[] =>
    noticeOf(b, waysOf(b, house), (id) => findIngredient(id, house.conventions.own)).held.map((h) => h.name);
  const others = new Map(
    (await Promise.all([...new Set(pours.map((p) => p.batchId))].map(batchById))).flatMap((b) =>
      b ? [[b.id, b] as const] : [],
    ),
  );
  const lay = pours.flatMap((p) => {
    const b = others.get(p.batchId);
    return b ? [{ ...p, batch: b.name, held: heldBy(b) }] : [];
  });
  const cleaned = care.filter((n) => n.what === 'cleaned' && !n.undone);
  return contactsOf(
    heldBy(batch),
    surfaces,
    lay,
    Object.fromEntries(
      surfaces.map((s) => [s, Math.max(0, ...cleaned.filter((n) => n.gearId === s).map((n) => n.at.getTime()))]),
    ),
  );
}
