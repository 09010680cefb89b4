/** What was noted of a batch while it was made, as its column is read. */
import { z } from 'zod';
import { actSchema } from '@/contract/event-log';
import type { ActEntry } from '@/core/batch/acts';
import { type JsonColumn, readStored, type Stored } from '../db/json';

const entrySchema = z.object({ id: z.uuid(), at: z.number(), act: actSchema });
const ENTRY_LIST: JsonColumn<readonly ActEntry[]> = {
  at: 'batch_entries.act',
  called: 'what was noted of it',
  schema: z.array(entrySchema),
  fresh: [],
};

/** @param name of the batch */
export const readEntries = (name: string, raw: unknown): Stored<readonly ActEntry[]> =>
  readStored({ ...ENTRY_LIST, called: name === '' ? ENTRY_LIST.called : `${name}: ${ENTRY_LIST.called}` }, raw);

/** A batch's entries as a column, in the order they arrived. */
export const ENTRIES = `coalesce((select json_agg(json_build_object('id', e.id, 'at', (extract(epoch from e.at) * 1000)::float8, 'act', e.act) order by e.seq)
  from batch_entries e where e.batch_id = b.id), '[]')`;
