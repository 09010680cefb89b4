/** What people of the kitchen have practised. */
import { z } from 'zod';
import type { trySchema } from '@/contract/practice';
import type { Try } from '@/core/practice/progress';
import { doer } from '../db/done';
import { query, transaction } from '../db/pool';
import { rowsFrom } from '../db/rows';

const tryRow = z.object({ what: z.string(), passed: z.boolean(), worth: z.number(), was: z.string(), at: z.date() });
const SELECT_TRY = 'select t.what, t.passed, t.worth, t.was, t.at from practice_tries t';

/** What somebody tried, in order; of nobody, what was tried on this kitchen's screens without a name. */
export const triesOf = (personId: string | null): Promise<Try[]> =>
  rowsFrom(tryRow, `${SELECT_TRY} where t.by_person is not distinct from $1 order by t.at, t.id`, [personId]);

/** Of everybody who is not erased: for whoever teaches. */
export const triesOfClass = (): Promise<(Try & { readonly personId: string })[]> =>
  rowsFrom(
    tryRow.extend({ personId: z.string() }),
    `select t.what, t.passed, t.worth, t.was, t.at, t.by_person as "personId" from practice_tries t
       join people p on p.id = t.by_person where p.erased_at is null order by t.at, t.id`,
  );

/** Keeps a go, once; whoever has signed on the device is who made it. */
export const keepTry = (t: z.output<typeof trySchema>): Promise<void> =>
  transaction(async (client) => {
    await client.query(
      `insert into practice_tries (id, what, passed, worth, was, by_person)
       values ($1, $2, $3, $4, $5, (select id from people where id = $6 and erased_at is null)) on conflict (id) do nothing`,
      [t.id, t.what, t.passed, t.worth, t.was, t.personId],
    );
  });

/** Erases what somebody practised. @returns whether it was: somebody else who has signed may not */
export async function forgetTries(personId: string): Promise<boolean> {
  const who = doer()?.person ?? null;
  if (who !== null && who !== personId) return false;
  await query('delete from practice_tries where by_person = $1', [personId]);
  return true;
}
