/** What this kitchen has learned of itself: what is used, and what is not to be learned from. */
import { z } from 'zod';
import { placeMapSchema } from '@/contract/stored';
import type { Learned, Lesson, LessonId } from '@/core/formula/learned';
import { LESSON_IDS } from '@/core/formula/learned';
import type { DrawnPlaces, PlaceMap } from '@/core/griddle/places';
import { asideKey } from '@/core/learn/lessons';
import { type JsonColumn, readStored } from '../db/json';
import { query, transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';

const isLesson = (id: string): id is LessonId => (LESSON_IDS as readonly string[]).includes(id);

/** Lessons in use; those that this version of the app does not know are left where they are. */
export async function lessonsInUse(): Promise<Learned> {
  const rows = await rowsFrom(
    z.object({ lesson: z.string(), factor: z.number(), sd: z.number(), from: z.number() }),
    'select lesson, factor, sd, batches as "from" from lessons where ended_at is null',
  );
  return Object.fromEntries(rows.flatMap(({ lesson, ...of }) => (isLesson(lesson) ? [[lesson, of] as const] : [])));
}

interface Kept extends Lesson {
  /** Of a surface. */
  readonly places?: PlaceMap;
}

/** Uses a number, or the places of a surface, from now on in place of what was before; null: none. */
const keep = (lesson: string, of: Kept | null): Promise<void> =>
  transaction(async (client) => {
    await client.query("select pg_advisory_xact_lock(hashtextextended('lesson ' || $1, 0))", [lesson]);
    await client.query('update lessons set ended_at = now() where lesson = $1 and ended_at is null', [lesson]);
    if (of)
      await client.query('insert into lessons (lesson, factor, sd, batches, places) values ($1, $2, $3, $4, $5)', [
        lesson,
        of.factor,
        of.sd,
        of.from,
        of.places ? JSON.stringify(of.places) : null,
      ]);
  });
export const keepLesson = (lesson: LessonId, of: Lesson | null): Promise<void> => keep(lesson, of);

const placesName = (gearId: string): string => `places:${gearId}`;
export const keepPlaces = (
  gearId: string,
  of: Pick<DrawnPlaces, 'map' | 'batches' | 'offWith'> | null,
): Promise<void> => keep(placesName(gearId), of && { factor: 1, sd: of.offWith, from: of.batches, places: of.map });

const PLACES: JsonColumn<PlaceMap | null> = {
  at: 'lessons.places',
  called: 'hot and cool places',
  schema: placeMapSchema,
  fresh: null,
};

/** Places in use by the surface they are of, each with how many batches drew it. */
export async function placesInUse(): Promise<
  Readonly<Record<string, { readonly map: PlaceMap; readonly from: number }>>
> {
  const rows = await rowsFrom(
    z.object({ gearId: z.string(), places: z.unknown(), from: z.number() }),
    `select substr(lesson, 8) as "gearId", places, batches as "from" from lessons where ended_at is null and lesson like 'places:%'`,
  );
  return Object.fromEntries(
    rows.flatMap(({ gearId, places, from }) => {
      const map = readStored(PLACES, places, gearId).value;
      return map ? [[gearId, { map, from }] as const] : [];
    }),
  );
}

/** Keys of what is not to be learned from, as `asideKey` has them. */
export const lessonAsides = async (): Promise<ReadonlySet<string>> =>
  new Set(
    (
      await rowsFrom(
        z.object({ lesson: z.string(), batchId: z.string() }),
        'select lesson, batch_id as "batchId" from lesson_asides',
      )
    ).flatMap((r) => (isLesson(r.lesson) ? [asideKey(r.lesson, r.batchId)] : [])),
  );

/** Sets a batch aside for a lesson, or takes it back. @returns whether there is such a batch */
export async function putLessonAside(lesson: LessonId, batchId: string, aside: boolean): Promise<boolean> {
  if (!aside) {
    await query('delete from lesson_asides where lesson = $1 and batch_id = $2', [lesson, batchId]);
    return true;
  }
  const rows = await query(
    `insert into lesson_asides (lesson, batch_id) select $1, id from batches where id = $2
     on conflict (lesson, batch_id) do update set lesson = excluded.lesson returning batch_id`,
    [lesson, batchId],
  );
  return rows.length > 0;
}
