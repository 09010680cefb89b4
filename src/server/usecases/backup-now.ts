/**
 * A backup from the command line, or before something is changed for good:
 *   node --import tsx src/server/usecases/backup-now.ts asked | migration | restore
 */
import { closePool } from '../db/pool';
import { BACKUP_WHYS, takeBackup } from './backup';

async function main(): Promise<void> {
  const why = BACKUP_WHYS.find((w) => w === process.argv[2]) ?? 'asked';
  const b = await takeBackup(why);
  console.log(`          backup ${b.file}: ${b.rows} rows, ${(b.bytes / 1e6).toFixed(1)} MB, read back whole`);
}

main()
  .catch((e: unknown) => {
    console.error(e instanceof Error ? e.message : e);
    process.exitCode = 1;
  })
  .finally(closePool);
