/** What the records of this kitchen teach, and the switch of each number: nothing is used before the cook agrees. */
import { type ActionResult, refuse } from '@/contract/action-result';
import { type Batch, waysOf } from '@/core/batch/batch';
import { type AgainstForetold, againstForetold } from '@/core/batch/foretold';
import { pouringsOf } from '@/core/batch/pourings';
import { type Surface, surfaceOf } from '@/core/batter/surface';
import { bowlOf } from '@/core/day/bowl';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { LessonId } from '@/core/formula/learned';
import { type DrawnPlaces, drawnPlaces, type PlaceMap, type TimedPiece, timedPieces } from '@/core/griddle/places';
import { lessonsOf, type Observation, type TaughtLesson } from '@/core/learn/lessons';
import { appetitesOf, observationsOf } from '@/core/learn/observed';
import type { Gear } from '@/core/pantry/gear';
import { findIngredient } from '@/core/pantry/pantry';
import { batchById, judgedBatches } from '../queries/batches';
import { tapsOnSurface } from '../queries/griddle';
import { loadHouse } from '../queries/house';
import { keepLesson, keepPlaces, lessonAsides, placesInUse, putLessonAside } from '../queries/lessons';
import { closedMornings } from '../queries/mornings';
import { GONE } from '../queries/revised';

const CHANGED = 'The records have changed since this was shown: look at it again.';
const NOT_BETTER = 'It would not have foretold the past better: it is not offered.';

/** What a batch says, worked with nothing learned. */
function saidBy(b: Batch, house: Kitchen): readonly Observation[] {
  const ways = waysOf(b, house);
  const find = (id: string) => findIngredient(id, house.conventions.own);
  return observationsOf(b, bowlOf(b, ways, { gear: house.gear }, find), ways);
}

/** A surface with what its taps draw, and whether that is used. */
interface SurfacePlaces {
  readonly gear: Pick<Gear, 'id' | 'name'>;
  readonly wideCm: number;
  readonly deepCm: number;
  readonly round: boolean;
  /** Null: fewer than three batches turned enough pieces on it. */
  readonly drawn: DrawnPlaces | null;
  readonly used: { readonly map: PlaceMap; readonly from: number } | null;
}

/** How wide a piece of a batch lay when it was poured: as it was foretold then, else as it is worked with nothing learned. */
function surfaceThen(g: Gear, b: Batch, house: Kitchen): Surface | null {
  const [p] = pouringsOf(b);
  const foretold = b.foretold?.numbers.find((n) => n.what === 'across');
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const across = foretold
    ? foretold.value / 10
    : bowlOf(b, waysOf(b, house), { gear: house.gear }, find).pourings[0].acrossCm;
  return across === undefined ? null : surfaceOf(g, p.kind, across);
}

async function placesOf(g: Gear, house: Kitchen): Promise<Omit<SurfacePlaces, 'used'> | null> {
  const surface = surfaceOf(g, 'griddle', USUAL_ACROSS_CM);
  const taps = surface ? await tapsOnSurface(g.id) : [];
  if (!surface || taps.length === 0) return null;
  const ids = [...new Set(taps.map((t) => t.batchId))];
  const pieces: TimedPiece[] = [];
  for (const id of ids) {
    const b = await batchById(id);
    const then = b && pouringsOf(b).length === 1 ? surfaceThen(g, b, house) : null;
    if (then)
      pieces.push(
        ...timedPieces(
          id,
          taps.filter((t) => t.batchId === id),
          then,
        ),
      );
  }
  const { wideCm, deepCm, round } = surface;
  return { gear: { id: g.id, name: g.name }, wideCm, deepCm, round, drawn: drawnPlaces(pieces, surface) };
}
const USUAL_ACROSS_CM = 10;

/** Griddles and pans that pieces were turned on. */
export async function placesHere(house: Kitchen): Promise<readonly SurfacePlaces[]> {
  const used = await placesInUse();
  const found = await Promise.all(
    house.gear.filter((g) => g.sort === 'griddle' || g.sort === 'pan').map((g) => placesOf(g, house)),
  );
  return found.flatMap((p) => (p ? [{ ...p, used: used[p.gear.id] ?? null }] : []));
}

/** Uses the places that the taps draw now, or stops. @param from batches that the cook saw them rest on */
export async function switchPlaces(gearId: string, use: boolean, from: number): Promise<ActionResult> {
  if (!use) {
    await keepPlaces(gearId, null);
    return { ok: true };
  }
  const house = await loadHouse();
  const g = house.gear.find((x) => x.id === gearId);
  const drawn = (g && (await placesOf(g, house)))?.drawn;
  if (!drawn || drawn.batches !== from) return refuse(CHANGED);
  if (!drawn.offered) return refuse(NOT_BETTER);
  await keepPlaces(gearId, drawn);
  return { ok: true };
}

interface Taught {
  readonly lessons: readonly TaughtLesson[];
  /** Numbers that were foretold and then measured, over the batches that are looked at; and those within their range. */
  readonly foretold: {
    readonly numbers: number;
    readonly within: number;
    /** Those that lay outside it, of the newest batches. */
    readonly missed: readonly (AgainstForetold & {
      readonly batchId: string;
      readonly batch: string;
      readonly at: number;
    })[];
  };
  readonly batches: number;
}

/** Foretellings that were wrong are told of the newest batches. */
const MOST_MISSED = 8;

export async function whatWasLearned(house: Kitchen): Promise<Taught> {
  const [batches, mornings, asides] = await Promise.all([judgedBatches(), closedMornings(), lessonAsides()]);
  const appetites = mornings.flatMap(({ id, plan, closing, closedAt }) =>
    plan && closing && closedAt ? appetitesOf({ id, at: closedAt.getTime(), plan, closing }) : [],
  );
  const held = batches.flatMap((b) =>
    (b.foretold ? againstForetold(b.foretold, b) : []).map((h) => ({
      ...h,
      batchId: b.id,
      batch: b.name,
      at: b.startedAt.getTime(),
    })),
  );
  return {
    lessons: lessonsOf([...batches.flatMap((b) => saidBy(b, house)), ...appetites], asides, house.learned ?? {}),
    foretold: {
      numbers: held.length,
      within: held.filter((h) => h.within).length,
      missed: held.filter((h) => !h.within).slice(0, MOST_MISSED),
    },
    batches: batches.length,
  };
}

/**
 * Uses what the records teach now of a number, or stops using it. @param from batches that the cook saw it rest on: where
 * another was judged meanwhile nothing is used unseen
 */
export async function switchLesson(id: LessonId, use: boolean, from: number): Promise<ActionResult> {
  if (!use) {
    await keepLesson(id, null);
    return { ok: true };
  }
  const { lessons } = await whatWasLearned(await loadHouse());
  const taught = lessons.find((l) => l.id === id);
  if (!taught?.now || taught.now.from !== from) return refuse(CHANGED);
  if (!taught.offered) return refuse(NOT_BETTER);
  await keepLesson(id, taught.now);
  return { ok: true };
}

export const setAside = async (id: LessonId, batchId: string, aside: boolean): Promise<ActionResult> =>
  (await putLessonAside(id, batchId, aside)) ? { ok: true } : refuse(GONE);
