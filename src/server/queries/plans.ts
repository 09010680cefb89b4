/** Queries on plans that are kept for later: how they stand, and what they ask to be started. */
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import { type keepPlanSchema, planAskedSchema, planTypedSchema } from '@/contract/batch';
import { type JsonColumn, readStored } from '../db/json';
import { query, transaction } from '../db/pool';
import { idRow, rowsFrom } from '../db/rows';
import { GONE, onceFor } from './revised';

type KeptPlanAsked = z.output<typeof planAskedSchema>;
type KeptPlanTyped = z.output<typeof planTypedSchema>;

const ASKED: JsonColumn<KeptPlanAsked | null> = {
  at: 'plans.asked',
  called: 'what it asks',
  schema: planAskedSchema,
  fresh: null,
};
const TYPED: JsonColumn<KeptPlanTyped | null> = {
  at: 'plans.typed',
  called: 'how it stands',
  schema: planTypedSchema,
  fresh: null,
};

/** A kept plan as it is listed. */
const planRow = z.object({
  id: z.string(),
  formulaId: z.string(),
  versionNumber: z.number(),
  name: z.string(),
  /** Null: nobody has said when it is served. */
  serveAt: z.date().nullable(),
});
type PlanRow = z.output<typeof planRow>;

export interface KeptPlan extends PlanRow {
  readonly versionId: string;
  readonly revision: number;
  /** Null: it can't be read. */
  readonly asked: KeptPlanAsked | null;
  readonly typed: KeptPlanTyped | null;
}

const SELECT = `select p.id, v.formula_id as "formulaId", v.id as "versionId", v.number as "versionNumber", v.name, p.serve_at as "serveAt", p.revision, p.asked, p.typed
  from plans p join formula_versions v on v.id = p.version_id join formulas f on f.id = v.formula_id`;

/** Plans shown at once. */
const MOST_PLANS = 40;

/** Plans that wait to be started, the next to be served in front. */
export const plansWaiting = (): Promise<PlanRow[]> =>
  rowsFrom(
    planRow,
    `${SELECT} where p.batch_id is null and f.deleted_at is null order by p.serve_at nulls last, p.kept_at limit ${MOST_PLANS}`,
  );

/** A plan that waits; null where it was started, dropped, or never was. */
export async function planById(id: string): Promise<KeptPlan | null> {
  const row = (
    await rowsFrom(
      planRow.extend({ versionId: z.string(), revision: z.number(), asked: z.unknown(), typed: z.unknown() }),
      `${SELECT} where p.id = $1 and p.batch_id is null`,
      [id],
    )
  )[0];
  if (!row) return null;
  const called = (c: { readonly called: string }): string => `the plan of ${row.name}: ${c.called}`;
  return {
    ...row,
    asked: readStored({ ...ASKED, called: called(ASKED) }, row.asked, id).value,
    typed: readStored({ ...TYPED, called: called(TYPED) }, row.typed, id).value,
  };
}

const OTHERWISE =
  'Another screen has changed this plan: open it again, and keep yours as a new one if both are wanted.';

/**
 * Keeps a plan; without an id it is a new one, kept once for a request. What another screen changed since it was opened
 * is not written over.
 */
export const keepPlan = ({
  id,
  revision,
  asked,
  typed,
  requestId,
}: z.output<typeof keepPlanSchema>): Promise<ActionResult<{ readonly id: string; readonly revision: number }>> =>
  transaction((client) =>
    onceFor(client, requestId ?? null, 'plan', async () => {
      const values = [
        asked.versionId,
        asked.serving ? new Date(asked.serving.at) : null,
        JSON.stringify(asked),
        JSON.stringify(typed),
      ];
      if (id === null) {
        const made = await rowsFrom(
          idRow,
          `insert into plans (version_id, serve_at, asked, typed) select $1, $2, $3, $4 where exists (select 1 from formula_versions where id = $1) returning id`,
          values,
          client,
        );
        return made[0] ? { ok: true, id: made[0].id, revision: 1 } : refuse(GONE);
      }
      const row = (
        await rowsFrom(
          z.object({ revision: z.number() }),
          'select revision from plans where id = $1 and batch_id is null for update',
          [id],
          client,
        )
      )[0];
      if (!row) return refuse(GONE);
      if (row.revision !== revision) return refuse(OTHERWISE, {}, 'conflict');
      await client.query(
        'update plans set version_id = $1, serve_at = $2, asked = $3, typed = $4, revision = revision + 1 where id = $5',
        [...values, id],
      );
      return { ok: true, id, revision: row.revision + 1 };
    }),
  );

/** Drops a plan; once, however often it is asked. @returns false where it has become a batch */
export const dropPlan = async (id: string): Promise<boolean> => {
  await query('delete from plans where id = $1 and batch_id is null', [id]);
  return (await query('select 1 from plans where id = $1', [id])).length === 0;
};

/** A plan has become a batch: it waits no longer. */
export const planStarted = async (id: string, batchId: string): Promise<void> => {
  await query('update plans set batch_id = $2 where id = $1 and batch_id is null', [id, batchId]);
};
