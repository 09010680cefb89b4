/** What the records of this kitchen teach, and the switch of each number: nothing is used before the cook agrees. */
import { type ActionResult, refuse } from '@/contract/action-result';
import { type Batch, waysOf } from '@/core/batch/batch';
import { againstForetold } from '@/core/batch/foretold';
import { bowlOf } from '@/core/day/bowl';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import type { LessonId } from '@/core/formula/learned';
import { lessonsOf, type Observation, type TaughtLesson } from '@/core/learn/lessons';
import { observationsOf } from '@/core/learn/observed';
import { findIngredient } from '@/core/pantry/pantry';
import { judgedBatches } from '../queries/batches';
import { loadHouse } from '../queries/house';
import { keepLesson, lessonAsides, putLessonAside } from '../queries/lessons';
import { GONE } from '../queries/revised';

/** What a batch says, worked with nothing learned. */
function saidBy(b: Batch, house: Kitchen): readonly Observation[] {
  const ways = waysOf(b, house);
  const find = (id: string) => findIngredient(id, house.conventions.own);
  return observationsOf(b, bowlOf(b, ways, { gear: house.gear }, find), ways);
}

interface Taught {
  readonly lessons: readonly TaughtLesson[];
  /** Numbers that were foretold and then measured, over the batches that are looked at; and those within their range. */
  readonly foretold: { readonly numbers: number; readonly within: number };
  readonly batches: number;
}

export async function whatWasLearned(house: Kitchen): Promise<Taught> {
  const [batches, asides] = await Promise.all([judgedBatches(), lessonAsides()]);
  const held = batches.flatMap((b) => (b.foretold ? againstForetold(b.foretold, b) : []));
  return {
    lessons: lessonsOf(
      batches.flatMap((b) => saidBy(b, house)),
      asides,
      house.learned ?? {},
    ),
    foretold: { numbers: held.length, within: held.filter((h) => h.within).length },
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
  if (!taught?.now || taught.now.from !== from)
    return refuse('The records have changed since this was shown: look at it again.');
  if (!taught.offered) return refuse('It would not have foretold the past better: it is not offered.');
  await keepLesson(id, taught.now);
  return { ok: true };
}

export const setAside = async (id: LessonId, batchId: string, aside: boolean): Promise<ActionResult> =>
  (await putLessonAside(id, batchId, aside)) ? { ok: true } : refuse(GONE);
