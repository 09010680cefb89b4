'use server';
/** What the Records page asks the server to do. */
import { acted } from '@/app/acted';
import { type ActionResult, refuse } from '@/contract/action-result';
import { asideSchema, keepBackupsSchema, nothingSchema } from '@/contract/records';
import type { Unreadable } from '@/core/records/unreadable';
import { setHousePartAside } from '@/server/queries/house';
import { BackupFailed, keepSoMany, takeBackup } from '@/server/usecases/backup';
import { checkRecords } from '@/server/usecases/records';

export const backUpNow = async (): Promise<ActionResult<{ readonly file: string; readonly rows: number }>> =>
  acted('back-up', nothingSchema, {}, async () => {
    try {
      const b = await takeBackup('asked');
      return { ok: true, file: b.file, rows: b.rows };
    } catch (e) {
      if (e instanceof BackupFailed) return refuse(e.message);
      throw e;
    }
  });

export const keepBackups = async (input: unknown): Promise<ActionResult> =>
  acted('keep-backups', keepBackupsSchema, input, async ({ keep }) => {
    await keepSoMany(keep);
    return { ok: true };
  });

interface CheckAnswer {
  readonly tables: number;
  readonly rows: number;
  readonly unreadable: readonly Unreadable[];
}

/** Reads everything there is. */
export const checkAll = async (): Promise<ActionResult<CheckAnswer>> =>
  acted('check-records', nothingSchema, {}, async () => ({ ok: true, ...(await checkRecords()) }), 'nothing');

/** Puts a part of the house that can't be read aside. */
export const setAsidePart = async (input: unknown): Promise<ActionResult> =>
  acted('set-aside', asideSchema, input, async ({ path }) =>
    (await setHousePartAside(path)) ? { ok: true } : refuse('That can be read now, or is gone.'),
  );
