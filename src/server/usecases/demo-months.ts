/**
 * Three months of the demo kitchen before the batches that `database/demo` tells of: made up by numbers of this kitchen
 * that its records can teach, with the spread of real mornings. One seed, one three months.
 */
import { randomUUID } from 'node:crypto';
import { randomLcg, randomNormal } from 'd3-random';
import { type Batch, waysOf } from '@/core/batch/batch';
import type { Surface } from '@/core/batter/surface';
import { bowlOf } from '@/core/day/bowl';
import type { LessonId } from '@/core/formula/learned';
import { priorOf } from '@/core/learn/lessons';
import { plainForetelling } from '@/core/learn/observed';
import { findIngredient } from '@/core/pantry/pantry';
import { batchById, writeOutcome } from '../queries/batches';
import { keepItems } from '../queries/event-log';
import { loadHouse } from '../queries/house';
import { startBatch } from './start-batch';

/** How this kitchen is: by what factor each is off what is foretold with nothing learned. */
export const DEMO_TRUTH: Readonly<Partial<Record<LessonId, number>>> = {
  spread: 1.4,
  height: 0.8,
  'time:crepe': 1.25,
  pours: 1.07,
};

/** Of these formulas, so many batches, a week apart, the last of them so many days ago. */
interface Made {
  readonly name: string;
  readonly pieces: number;
  readonly portionMl: number;
  readonly batches: number;
  readonly lastDaysAgo: number;
  /** Every piece was tapped at the griddle. */
  readonly tapped?: true;
}
const MADE: readonly Made[] = [
  { name: 'Regatta griddle cakes', pieces: 84, portionMl: 60, batches: 9, lastDaysAgo: 44 },
  { name: "Juniors' small cakes", pieces: 60, portionMl: 28, batches: 4, lastDaysAgo: 50, tapped: true },
  { name: 'Lock-side crepes', pieces: 40, portionMl: 50, batches: 6, lastDaysAgo: 23 },
];
/** The long griddle is cool at its left end and hot at its right: times a first side takes, by cm from the left. */
export const demoPlace = (x: number): number => 1.14 - 0.28 * (x / 76);
const GRIDDLE = 'long-griddle';
/** Spread of one turn, as a logarithm, and seconds from one pour to the next. */
const SD_TURN = 0.05;
const NEXT_POUR_S = 6;
const SEED = 0.137;
const HOUR_MS = 3_600_000;
/** A batch is one and a half hours from the first gram to the log. */
const TAKES_MS = 1.5 * HOUR_MS;

/** Taps of all pieces of a batch on the long griddle, place by place and load by load, each turned by its look. */
async function tapAll(
  b: Batch,
  surfaces: readonly Surface[],
  firstS: number,
  secondS: number,
  normal: () => number,
): Promise<void> {
  const slots = surfaces.find((s) => s.id === GRIDDLE)?.slots ?? [];
  const beganMs = b.startedAt.getTime() + TAKES_MS / 3;
  // the next load is poured when the slowest of the one before is off
  const loadMs = 1000 * (1.4 * (firstS + secondS) + NEXT_POUR_S * slots.length);
  const items = Array.from({ length: b.piecesPlanned ?? 0 }, (_, n) => {
    const slot = n % slots.length;
    const at = beganMs + Math.floor(n / slots.length) * loadMs + 1000 * NEXT_POUR_S * slot;
    const first = 1000 * firstS * demoPlace(slots[slot]?.x ?? 0) * Math.exp(SD_TURN * normal());
    const pour = { id: randomUUID(), surface: GRIDDLE, slot };
    const tap = (act: 'flip' | 'pull', when: number) => ({
      id: randomUUID(),
      do: 'tap' as const,
      tap: { ...pour, id: randomUUID(), act, of: pour.id, at: Math.round(when) },
    });
    return [
      { id: randomUUID(), do: 'tap' as const, tap: { ...pour, act: 'pour' as const, at: Math.round(at) } },
      tap('flip', at + first),
      tap('pull', at + first + 1000 * secondS),
    ];
  }).flat();
  await keepItems(b.id, items);
}

/** @param versions of each formula by its name, the first first @param nowMs ms since 1970 */
export async function loadMonths(versions: ReadonlyMap<string, readonly string[]>, nowMs: number): Promise<void> {
  const normal = randomNormal.source(randomLcg(SEED))(0, 1);
  const house = await loadHouse();
  const off = (lesson: LessonId, power = 1): number =>
    ((DEMO_TRUTH[lesson] ?? 1) * Math.exp(priorOf(lesson).sdBatch * normal())) ** power;
  for (const { name, pieces, portionMl, batches, lastDaysAgo, tapped } of MADE)
    for (let n = 0; n < batches; n++) {
      const versionId = versions.get(name)?.[0];
      if (!versionId) throw new Error(`The demo has no ${name}.`);
      const startedAt = new Date(nowMs - (lastDaysAgo + 7 * (batches - 1 - n)) * 24 * HOUR_MS);
      const driver = { by: 'mass', grams: pieces * portionMl } as const;
      const started = await startBatch({ versionId, driver, portionMl, exactness: 'gram', startedAt });
      const b: Batch | null = started.ok ? await batchById(started.id) : null;
      if (!b) throw new Error(`${name} could not be begun.`);
      const ways = waysOf(b, house);
      const find = (id: string) => findIngredient(id, house.conventions.own);
      const bowl = bowlOf(b, ways, { gear: house.gear }, find);
      const plain = plainForetelling(b, bowl, ways);
      if (!plain?.times || !plain.pours) throw new Error(`${name} can’t be foretold.`);
      // a crepe is as wide as its pan
      const acrossMm = plain.acrossMm && Math.round(plain.acrossMm * off('spread', 1 / 3));
      const heightMm = acrossMm && plain.heightMm(acrossMm);
      const slow = off(`time:${plain.kind}`);
      const second = plain.times.second === null ? null : plain.times.second * slow;
      if (tapped) await tapAll(b, bowl.pourings[0].surfaces, plain.times.first * slow, second ?? 0, normal);
      await writeOutcome(
        b.id,
        {
          pieces: Math.round(plain.pours.allMl / (plain.pours.portionMl * off('pours'))),
          firstSideS: Math.round(plain.times.first * slow),
          secondSideS: second === null ? null : Math.round(second),
          verdict: 'good',
          marks: [],
          note: '',
          scales: { colour: 3, crumb: 3 },
          acrossMm,
          heightMm: heightMm && Math.round(heightMm * off('height')),
        },
        null,
        new Date(startedAt.getTime() + TAKES_MS),
      );
    }
}
