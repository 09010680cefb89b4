/** Mornings that are planned. */
import type { ClientBase } from 'pg';
import { z } from 'zod';
import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import {
  type closeMorningSchema,
  closingSchema,
  type keepMorningSchema,
  type markSchema,
  morningPlanSchema,
  scheduleSchema,
} from '@/contract/morning';
import { VERDICTS } from '@/core/batch/batch';
import { END_IDS } from '@/core/formula/formula';
import type { MorningClosing } from '@/core/morning/closing';
import type { MorningPlan } from '@/core/morning/plan';
import type { SolvedMorning } from '@/core/morning/solve';
import { SHAPES } from '@/core/records/editable';
import { doneAt } from '../db/done';
import { type JsonColumn, readStored } from '../db/json';
import { query, transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { GONE, type OpenedRow, onceFor, saveRevised } from './revised';

type MorningSchedule = Pick<SolvedMorning, 'steps' | 'bowls'>;

const PLAN: JsonColumn<MorningPlan | null> = {
  at: 'mornings.plan',
  called: 'the plan of a morning',
  schema: morningPlanSchema,
  fresh: null,
};

const SCHEDULE: JsonColumn<MorningSchedule | null> = {
  at: 'mornings.schedule',
  called: 'the schedule of a morning',
  schema: scheduleSchema,
  fresh: null,
};

const CLOSING: JsonColumn<MorningClosing | null> = {
  at: 'mornings.closing',
  called: 'the closing of a morning',
  schema: closingSchema,
  fresh: null,
};

const morningRow = z.object({
  id: z.string(),
  day: z.string(),
  plan: z.unknown(),
  revision: z.number(),
  begunAt: z.date().nullable(),
  schedule: z.unknown(),
  closedAt: z.date().nullable(),
  closing: z.unknown(),
});
const SELECT = `select id, to_char(day, 'YYYY-MM-DD') as day, plan, revision, begun_at as "begunAt", schedule, closed_at as "closedAt", closing from mornings`;

interface KeptMorning {
  readonly id: string;
  readonly day: string;
  readonly revision: number;
  /** Null: it can't be read. */
  readonly plan: MorningPlan | null;
  /** Null: it has not begun. */
  readonly begunAt: Date | null;
  readonly schedule: MorningSchedule | null;
  /** Null: it is not closed. */
  readonly closedAt: Date | null;
  readonly closing: MorningClosing | null;
}

const morningOf = ({ plan, schedule, closing, ...row }: z.output<typeof morningRow>): KeptMorning => ({
  ...row,
  plan: readStored(PLAN, plan, row.id).value,
  schedule: schedule === null ? null : readStored(SCHEDULE, schedule, row.id).value,
  closing: closing === null ? null : readStored(CLOSING, closing, row.id).value,
});

export const morningById = async (id: string): Promise<KeptMorning | null> => {
  const row = (await rowsFrom(morningRow, `${SELECT} where id = $1`, [id]))[0];
  return row ? morningOf(row) : null;
};

/** Mornings shown at once. */
const MOST_MORNINGS = 20;

/** A morning as it is listed. */
interface MorningListed {
  readonly id: string;
  readonly day: string;
  readonly name: string;
  readonly covers: number;
  readonly waves: number;
  readonly dishes: number;
}

const listed = (row: z.output<typeof morningRow>): MorningListed => {
  const { plan } = morningOf(row);
  return {
    id: row.id,
    day: row.day,
    name: plan?.name ?? '',
    covers: plan?.waves.reduce((a, w) => a + w.covers, 0) ?? 0,
    waves: plan?.waves.length ?? 0,
    dishes: plan?.dishes.length ?? 0,
  };
};

/** Mornings of yesterday and of the days that come, not closed, the next in front. */
export const morningsAhead = async (): Promise<readonly MorningListed[]> =>
  (
    await rowsFrom(
      morningRow,
      `${SELECT} where day >= current_date - 1 and closed_at is null order by mornings.day, created_at limit ${MOST_MORNINGS}`,
      [],
    )
  ).map(listed);

/** Mornings that are over, the last in front. */
export const morningsOver = async (): Promise<readonly MorningListed[]> =>
  (
    await rowsFrom(
      morningRow,
      `${SELECT} where day < current_date or closed_at is not null order by mornings.day desc, created_at desc limit ${MOST_MORNINGS}`,
      [],
    )
  ).map(listed);

/** Mornings that the kitchen learns from: the newest that are closed. */
const LEARNED_FROM = 30;
export const closedMornings = async (): Promise<readonly KeptMorning[]> =>
  (
    await rowsFrom(
      morningRow,
      `${SELECT} where closed_at is not null order by mornings.day desc, created_at desc limit ${LEARNED_FROM}`,
      [],
    )
  ).map(morningOf);

/** Keeps a morning; what another screen has changed meanwhile is kept with it, or both sides are told. */
export const keepMorning = ({
  id,
  plan,
  seen,
  batches,
}: z.output<typeof keepMorningSchema>): Promise<ActionResult<Kept>> =>
  transaction(async (client) => {
    if (!seen) {
      await client.query('insert into mornings (id, day, plan) values ($1, $2, $3) on conflict (id) do nothing', [
        id,
        plan.day,
        JSON.stringify(plan),
      ]);
      // one that belongs to another by now stays there
      await client.query('update batches set morning_id = $1 where id = any($2) and morning_id is null', [id, batches]);
      return { ok: true, revision: 1, merged: [] };
    }
    const row = (await rowsFrom(morningRow, `${SELECT} where id = $1 for update`, [id], client))[0];
    if (!row) return refuse(GONE);
    const now = morningOf(row).plan;
    // what can't be read whole is not written over
    if (!now) return refuse('The plan of this morning can’t be read whole: it stays as it is.');
    return saveRevised<MorningPlan>(
      SHAPES.morning,
      { revision: row.revision, value: now },
      plan,
      seen as OpenedRow<MorningPlan>,
      (v, revision) =>
        client.query('update mornings set day = $2, plan = $3, revision = $4 where id = $1', [
          id,
          v.day,
          JSON.stringify(v),
          revision,
        ]),
    );
  });

/** Drops a morning; its batches stay, each by itself. Once, however often it is asked. */
export const dropMorning = async (id: string): Promise<ActionResult> => {
  await query('delete from mornings where id = $1', [id]);
  return { ok: true };
};

const morningBatchRow = z.object({
  id: z.string(),
  name: z.string(),
  formulaId: z.string(),
  pieces: z.number().nullable(),
  made: z.number().nullable(),
  verdict: z.enum(VERDICTS).nullable(),
  change: z.string(),
  finishedAt: z.date().nullable(),
});
type MorningBatch = z.output<typeof morningBatchRow>;

/** Batches that were begun for a morning. */
export const batchesOfMorning = (id: string): Promise<MorningBatch[]> =>
  rowsFrom(
    morningBatchRow,
    'select id, name, formula_id as "formulaId", pieces_planned as pieces, pieces as made, verdict, change, finished_at as "finishedAt" from batches where morning_id = $1 and not put_away order by started_at',
    [id],
  );

/** A batch is begun for a morning, where that is still there. */
export const joinMorning = async (batchId: string, morningId: string): Promise<void> => {
  await query(
    'update batches set morning_id = $2 where id = $1 and exists (select 1 from mornings where id = $2) and morning_id is null',
    [batchId, morningId],
  );
};

const choiceRow = z.object({
  id: z.string(),
  name: z.string(),
  ends: z.array(z.object({ id: z.enum(END_IDS), name: z.string() })).nullable(),
});
/** A formula that a morning can make. */
type DishChoice = z.output<typeof choiceRow>;

/** Formulas offered at once, those used lately first. */
const MOST_CHOICES = 300;

/** Formulas to choose a morning's dishes from, by name. @param besides that stand on it already, also where put away */
export const dishChoices = async (besides: readonly string[] = []): Promise<DishChoice[]> => {
  const rows = await rowsFrom(
    choiceRow.extend({ settings: z.unknown() }).omit({ ends: true }),
    `select f.id, v.name, v.settings from formulas f join formula_versions v on v.formula_id = f.id and v.number = f.newest
      where f.deleted_at is null and (f.archived_at is null or f.id = any($1)) order by (f.id = any($1)) desc, f.used_at desc limit ${MOST_CHOICES}`,
    [besides],
  );
  return rows
    .map(({ settings, ...row }) => ({
      ...row,
      ends: choiceRow.shape.ends.catch(null).parse((settings as { ends?: unknown })?.ends ?? null),
    }))
    .sort((a, b) => a.name.localeCompare(b.name));
};

const markRow = z.object({ step: z.string(), done: z.boolean(), at: z.date() });
/** What was marked of a morning, in the order it was told. */
export const marksOfMorning = (morningId: string, client?: ClientBase): Promise<z.output<typeof markRow>[]> =>
  rowsFrom(markRow, 'select step, done, at from morning_marks where morning_id = $1 order by seq', [morningId], client);

/** Marks a step as done, or takes that back; once, however often it is told. */
export async function markStep({ id, morningId, step, done }: z.output<typeof markSchema>): Promise<ActionResult> {
  await query(
    'insert into morning_marks (id, morning_id, step, done, at) select $1, $2, $3, $4, coalesce($5, now()) where exists (select 1 from mornings where id = $2) on conflict (id) do nothing',
    [id, morningId, step, done, doneAt()],
  );
  const kept = await query('select 1 from morning_marks where id = $1', [id]);
  return kept.length > 0 ? { ok: true } : refuse(GONE);
}

/** Keeps the schedule of a morning under way; the first one begins it. */
export const keepSchedule = async (id: string, schedule: MorningSchedule): Promise<void> => {
  const { steps, bowls } = schedule;
  await query('update mornings set schedule = $2, begun_at = coalesce(begun_at, $3, now()) where id = $1', [
    id,
    JSON.stringify({ steps, bowls }),
    doneAt(),
  ]);
};

/**
 * Changes the kept schedule of a morning under way; once for each press.
 * @param change what its steps are then; or why they stay
 */
export const changeSchedule = (
  id: string,
  requestId: string | null,
  change: (
    morning: KeptMorning,
    marks: Awaited<ReturnType<typeof marksOfMorning>>,
  ) => ActionResult<{ readonly steps: MorningSchedule['steps'] }>,
): Promise<ActionResult> =>
  transaction((client) =>
    onceFor(client, requestId, 'change-schedule', async () => {
      const row = (await rowsFrom(morningRow, `${SELECT} where id = $1 for update`, [id], client))[0];
      const morning = row && morningOf(row);
      if (!morning?.schedule) return refuse(GONE);
      const to = change(morning, await marksOfMorning(id, client));
      if (!to.ok) return to;
      const schedule = { ...morning.schedule, steps: to.steps };
      await client.query('update mornings set schedule = $2 where id = $1', [id, JSON.stringify(schedule)]);
      return { ok: true };
    }),
  );

/** Closes a morning; closed again, what is said of it is put right. */
export async function closeMorning({ id, closing }: z.output<typeof closeMorningSchema>): Promise<ActionResult> {
  const kept = await query(
    'update mornings set closing = $2, closed_at = coalesce(closed_at, $3, now()) where id = $1 returning id',
    [id, JSON.stringify(closing), doneAt()],
  );
  return kept.length > 0 ? { ok: true } : refuse(GONE);
}

/** Takes a person's name out of every morning: there stands what they are called now that they are erased. */
export const renameInMornings = (client: ClientBase, personId: string, to: string): Promise<unknown> =>
  client.query(
    `update mornings m set revision = revision + 1,
       plan = jsonb_set(plan, '{people}', (select jsonb_agg(case when p->>'personId' = $1 then p || jsonb_build_object('name', $2::text) else p end order by n)
         from jsonb_array_elements(plan->'people') with ordinality as x(p, n))),
       schedule = case when schedule is null then null else jsonb_set(schedule, '{steps}', (select coalesce(jsonb_agg(case when s->>'by' = was.name then s || jsonb_build_object('by', $2::text) else s end order by n), '[]')
         from jsonb_array_elements(schedule->'steps') with ordinality as x(s, n))) end
      from (select id, p->>'name' as name from mornings, jsonb_array_elements(plan->'people') p where p->>'personId' = $1) was
      where m.id = was.id`,
    [personId, to],
  );
