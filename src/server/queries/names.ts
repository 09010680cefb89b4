/** What things are called, for the titles of their pages. */
import { z } from 'zod';
import { rowsFrom } from '../db/rows';

const NAME_OF = {
  batch: 'select name from batches where id = $1',
  formula:
    'select v.name from formulas f join formula_versions v on v.formula_id = f.id and v.number = f.newest where f.id = $1',
  morning: "select plan->>'name' as name from mornings where id = $1",
  premix: 'select name from premixes where id = $1',
  lot: "select 'Lot ' || number as name from lots where id = $1",
  trial:
    "select 'Trial of ' || v.name as name from trials t join formula_versions v on v.id = t.version_id where t.id = $1",
  side: 'select name from sides where id = $1',
} as const;
export type WithName = keyof typeof NAME_OF;

const nameRow = z.object({ name: z.string().nullable() });
/** Its name; null where there is no such thing, or it has none. */
export const calledBy = async (of: WithName, id: string): Promise<string | null> =>
  (await rowsFrom(nameRow, NAME_OF[of], [id]))[0]?.name || null;
