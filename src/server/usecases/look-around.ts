/** The demo kitchen: looked around in an empty kitchen, and cleared away again for one of the cook's own. */
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import { query, transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';
import { fillAsBefore } from '../queries/house';
import { stampAnew } from '../queries/pantry';
import { BackupFailed, takeBackup } from './backup';
import { loadDemo } from './demo';

const kitchenRow = z.object({
  /** Nothing was ever put in. */
  empty: z.boolean(),
  /** What is in it is, or began as, the demo. */
  demo: z.boolean(),
  /** The formula to look at first; null: there is none. */
  first: z.object({ id: z.string(), name: z.string() }).nullable(),
});
type KitchenState = z.output<typeof kitchenRow>;

const OWNED = [
  'formulas',
  'batches',
  'sides',
  'premixes',
  'own_ingredients',
  'own_measures',
  'stock',
  'mornings',
] as const;

export async function kitchenState(): Promise<KitchenState> {
  const row = (
    await rowsFrom(
      kitchenRow,
      `select not (${OWNED.map((t) => `exists (select 1 from ${t})`).join(' or ')}) as empty,
              coalesce((select (value->>'demo')::boolean from kitchen where key = 'started'), false) as demo,
              (select jsonb_build_object('id', f.id, 'name', f.name) from formulas f
                where f.newest is not null and f.archived_at is null and f.deleted_at is null order by f.created_at, f.id limit 1) as first`,
    )
  )[0];
  return row ?? { empty: false, demo: false, first: null };
}

const started = (demo: boolean): Promise<unknown> =>
  query(
    `insert into kitchen (key, value) values ('started', $1) on conflict (key) do update set value = kitchen.value || excluded.value`,
    [JSON.stringify({ demo, at: new Date().toISOString() })],
  );

/** Loads the demo into a kitchen that nothing was ever put in; once, whoever asks meanwhile. */
export async function lookAround(): Promise<ActionResult> {
  // who asks second finds it loading, and loads nothing
  const mine = await transaction(async (client) => {
    await client.query("select pg_advisory_xact_lock(hashtext('demo'))");
    return (
      (await client.query("insert into kitchen (key, value) values ('loading', 'true') on conflict do nothing"))
        .rowCount === 1
    );
  });
  if (!mine) return refuse('The demo is being loaded: look again in a moment.');
  try {
    if (!(await kitchenState()).empty)
      return refuse('There is something in this kitchen: the demo is only loaded into an empty one.');
    await loadDemo();
    await started(true);
    return { ok: true };
  } finally {
    await query("delete from kitchen where key = 'loading'");
  }
}

/** Clears a demo kitchen away, and all that was put in besides; a backup is kept first. The house stays as it is. */
export async function clearDemo(): Promise<ActionResult<{ readonly file: string }>> {
  if (!(await kitchenState()).demo) return refuse('This is no demo kitchen: nothing was cleared.');
  try {
    const { file } = await takeBackup('asked');
    await transaction(async (client) => {
      await client.query(
        'truncate formulas, sides, own_ingredients, own_measures, stock, stock_counts, mornings, people cascade',
      );
      await stampAnew(client);
    });
    await fillAsBefore();
    await started(false);
    return { ok: true, file };
  } catch (e) {
    if (e instanceof BackupFailed) return refuse(`${e.message} Without a backup nothing is cleared.`);
    throw e;
  }
}
