/**
 * Brings a database up to date: migrations, then the demo kitchen, once. Run by the start command and the tests:
 *   node --import tsx src/server/usecases/setup.ts --demo | --empty
 */

import { z } from 'zod';
import { migrate, pending } from '../db/migrate';
import { closePool, query } from '../db/pool';
import { countRow, rowsFrom } from '../db/rows';
import { backupFolder, takeBackup } from './backup';
import { loadDemo } from './demo';
import { freezeOld } from './premix-lots';

async function main(): Promise<void> {
  const before = await pending();
  // what is changed for good is kept first, where there is anything to keep
  if (!before.fresh && before.files.length > 0 && backupFolder()) {
    const b = await takeBackup('migration');
    console.log(`          kept a backup before the records are brought up to date: ${b.file}`);
  }
  const applied = await migrate();
  for (const name of applied) console.log(`          applied ${name}`);
  // lots older than that keep from now on what they are
  await freezeOld(null);
  const had = await rowsFrom(z.object({ value: z.unknown() }), "select value from kitchen where key = 'started'");
  if (had.length > 0) return;
  const demo = process.argv.includes('--demo');
  // a first start that was cut off half way through the demo: nobody has worked in this kitchen yet, so begin again
  const cutOff = await query("select 1 from kitchen where key = 'loading'");
  if (cutOff.length > 0) await query('truncate formulas, sides, own_ingredients, own_measures, stock cascade');
  const formulas = await rowsFrom(countRow, 'select count(*)::int as n from formulas');
  if (demo && formulas[0]?.n === 0) {
    await query("insert into kitchen (key, value) values ('loading', 'true') on conflict do nothing");
    const n = await loadDemo();
    console.log(`          loaded the demo kitchen: ${n} formulas`);
  }
  await query("insert into kitchen (key, value) values ('started', $1) on conflict do nothing", [
    JSON.stringify({ demo, at: new Date().toISOString() }),
  ]);
  await query("delete from kitchen where key = 'loading'");
}

main()
  .catch((e: unknown) => {
    console.error(e instanceof Error ? e.message : e);
    process.exitCode = 1;
  })
  .finally(closePool);
