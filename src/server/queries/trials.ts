/** Trials: planned, tasted, opened. */
import { randomInt } from 'node:crypto';
import type { ClientBase } from 'pg';
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import { type keepTrialSchema, type tasteSchema, trialPlanSchema } from '@/contract/trial';
import { VERDICTS } from '@/core/batch/batch';
import { type Ballot, BOWLS, type BowlLetter, isSameTaster } from '@/core/judge/taste';
import type { TrialPlan } from '@/core/judge/trial';
import { doneAt } from '../db/done';
import { type JsonColumn, readStored } from '../db/json';
import { query, transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { SCALED } from './batches';
import { GONE } from './revised';

const PLAN: JsonColumn<TrialPlan | null> = {
  at: 'trials.plan',
  called: 'the plan of a trial',
  schema: trialPlanSchema,
  fresh: null,
};

const trialRow = z.object({
  id: z.string(),
  formulaId: z.string(),
  versionId: z.string(),
  versionNumber: z.number(),
  name: z.string(),
  plan: z.unknown(),
  createdAt: z.date(),
  openedAt: z.date().nullable(),
  tasters: z.number(),
});
const SELECT = `select t.id, t.formula_id as "formulaId", t.version_id as "versionId", v.number as "versionNumber", v.name, t.plan, t.created_at as "createdAt", t.opened_at as "openedAt",
       (select count(distinct lower(btrim(taster)))::int from trial_ballots b where b.trial_id = t.id) as tasters
  from trials t join formula_versions v on v.id = t.version_id`;

export interface KeptTrial extends Omit<z.output<typeof trialRow>, 'plan'> {
  /** Null: it can't be read. */
  readonly plan: TrialPlan | null;
}
const trialOf = (r: z.output<typeof trialRow>): KeptTrial => ({ ...r, plan: readStored(PLAN, r.plan, r.id).value });

export const trialById = async (id: string): Promise<KeptTrial | null> => {
  const row = (await rowsFrom(trialRow, `${SELECT} where t.id = $1 and t.dropped_at is null`, [id]))[0];
  return row ? trialOf(row) : null;
};

const MOST_TRIALS = 50;
/** Trials of a formula, the newest first. */
export const trialsOf = async (formulaId: string): Promise<readonly KeptTrial[]> =>
  (
    await rowsFrom(
      trialRow,
      `${SELECT} where t.formula_id = $1 and t.dropped_at is null order by t.created_at desc, t.id limit ${MOST_TRIALS}`,
      [formulaId],
    )
  ).map(trialOf);

const ballotRow = z.object({
  taster: z.string(),
  tasted: z.array(z.enum(BOWLS)),
  picked: z.array(z.enum(BOWLS)),
});
/** What was said of a trial, in the order it came in. */
export const ballotsOf = (trialId: string): Promise<Ballot[]> =>
  rowsFrom(ballotRow, 'select taster, tasted, picked from trial_ballots where trial_id = $1 order by seq', [trialId]);

const bowlRow = z.object({
  batchId: z.string(),
  bowl: z.enum(BOWLS),
  pieces: z.number().nullable(),
  verdict: z.enum(VERDICTS).nullable(),
  marks: z.array(z.string()),
  scales: z.unknown(),
  note: z.string(),
  finishedAt: z.date().nullable(),
  putAway: z.boolean(),
});
/** The batches of a trial's bowls, those given up too: they are begun once, and taken up again. */
export const bowlsOf = async (trialId: string) => {
  const rows = await rowsFrom(
    bowlRow,
    'select id as "batchId", bowl, pieces, verdict, marks, scales, note, finished_at as "finishedAt", put_away as "putAway" from batches where trial_id = $1 and bowl is not null order by bowl',
    [trialId],
  );
  return rows.map((r) => ({ ...r, scales: readStored(SCALED, r.scales, r.batchId).value }));
};

/** The letters of the bowls in an order drawn by lot. */
function drawn(ways: number): readonly BowlLetter[] {
  const left: BowlLetter[] = BOWLS.slice(0, ways);
  return Array.from({ length: ways }, () => left.splice(randomInt(left.length), 1)[0] as BowlLetter);
}

/** Keeps a trial; the letters of its bowls are drawn here, once. */
export async function keepTrial({
  id,
  versionId,
  changes,
  ...rest
}: z.output<typeof keepTrialSchema>): Promise<ActionResult> {
  const bowls = drawn(changes.length);
  const plan: TrialPlan = { ways: changes.map((change, n) => ({ bowl: bowls[n] as BowlLetter, change })), ...rest };
  await query(
    `insert into trials (id, version_id, formula_id, plan, created_at) select $1, v.id, v.formula_id, $3, coalesce($4, now()) from formula_versions v where v.id = $2
       on conflict (id) do nothing`,
    [id, versionId, JSON.stringify(plan), doneAt()],
  );
  return { ok: true };
}

/** A taster's word; told twice it is one. Who mixed knows the letters, and has none. */
export const tellTaste = (b: z.output<typeof tasteSchema>): Promise<ActionResult> =>
  transaction(async (client) => {
    const row = (
      await rowsFrom(
        trialRow,
        `${SELECT} where t.id = $1 and t.dropped_at is null for update of t`,
        [b.trialId],
        client,
      )
    )[0];
    if (!row) return refuse(GONE);
    const { plan, openedAt } = trialOf(row);
    const had = await client.query('select 1 from trial_ballots where id = $1', [b.id]);
    if (had.rowCount) return { ok: true };
    if (!plan) return refuse('The plan of this trial can’t be read whole: it stays as it is.');
    if (openedAt) return refuse('The letters are open: nobody tastes blind any more.');
    if (plan.maker !== '' && isSameTaster(plan.maker, b.taster))
      return refuse(`${plan.maker} mixed the bowls and knows the letters: the others taste.`, {
        taster: 'Who mixed does not taste.',
      });
    const there = plan.ways.map((w) => w.bowl);
    if (b.tasted.length !== there.length || b.tasted.some((x) => !there.includes(x)))
      return refuse('Those are not the bowls of this trial.');
    await client.query(
      'insert into trial_ballots (id, trial_id, taster, person_id, tasted, picked, at) values ($1, $2, $3, $4, $5, $6, coalesce($7, now()))',
      [b.id, b.trialId, b.taster, b.personId, b.tasted, b.picked, doneAt()],
    );
    return { ok: true };
  });

/** Opens the letters; once, however often it is asked. */
export async function openTrial(id: string): Promise<ActionResult> {
  const done = await query(
    'update trials set opened_at = coalesce(opened_at, $2, now()) where id = $1 and dropped_at is null returning 1 as n',
    [id, doneAt()],
  );
  return done.length > 0 ? { ok: true } : refuse(GONE);
}

/** Drops a trial; its batches stay as they are. */
export async function dropTrial(id: string): Promise<ActionResult> {
  await query('update trials set dropped_at = coalesce(dropped_at, now()) where id = $1', [id]);
  return { ok: true };
}

/** A person is about to be erased: what was mixed and said under the name stands under another. */
export async function renameTasters(client: ClientBase, personId: string, to: string): Promise<void> {
  await client.query(
    `update trials t set plan = jsonb_set(t.plan, '{maker}', to_jsonb($2::text)) from people p
      where p.id = $1 and lower(btrim(t.plan->>'maker')) = lower(p.name)`,
    [personId, to],
  );
  await client.query('update trial_ballots set taster = $2 where person_id = $1', [personId, to]);
}
