/** People of the kitchen. */
import { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import type { personSchema } from '@/contract/people';
import { ROLES } from '@/core/morning/morning';
import { type KitchenPerson, PERSON_MARKS } from '@/core/morning/people';
import { transaction } from '../db/pool';
import { countRow, rowsFrom } from '../db/rows';
import { renameInMornings } from './mornings';
import { GONE } from './revised';
import { renameTasters } from './trials';

const personRow = z.object({
  id: z.string(),
  name: z.string(),
  role: z.enum(ROLES),
  mark: z.enum(PERSON_MARKS).catch('whisk'),
  revision: z.number(),
});

/** Who is there, by name. */
export const kitchenPeople = (): Promise<KitchenPerson[]> =>
  rowsFrom(
    personRow,
    'select id, name, role, mark, revision from people where erased_at is null order by lower(name), id',
  );

/** Adds a person or changes one; refused where another has the name, or another screen has changed the person. */
export const keepPerson = (p: z.output<typeof personSchema>): Promise<ActionResult> =>
  transaction(async (client) => {
    const same = await rowsFrom(
      personRow.pick({ id: true }),
      'select id from people where lower(name) = lower($1) and erased_at is null and id <> $2',
      [p.name, p.id],
      client,
    );
    if (same.length > 0)
      return refuse('Please mend what is marked.', { name: `There is a ${p.name} already.` }, 'invalid');
    if (p.revision === null) {
      await client.query(
        'insert into people (id, name, role, mark) values ($1, $2, $3, $4) on conflict (id) do nothing',
        [p.id, p.name, p.role, p.mark],
      );
      return { ok: true };
    }
    const kept = await client.query(
      `update people set name = $2, role = $3, mark = $4, revision = revision + 1
        where id = $1 and erased_at is null and (revision = $5 or (name, role, mark) = ($2, $3, $4))`,
      [p.id, p.name, p.role, p.mark, p.revision],
    );
    return kept.rowCount === 1
      ? { ok: true }
      : refuse('Another screen has changed this person meanwhile, or erased them: look again.');
  });

/** Takes a person's name out: the row stands as "former helper 3". Once, however often it is asked. */
export const erasePerson = (id: string): Promise<ActionResult> =>
  transaction(async (client) => {
    // one at a time: no number is given twice
    await client.query('lock table people in share row exclusive mode');
    const found = await client.query('select erased_at is not null as erased from people where id = $1 for update', [
      id,
    ]);
    if (found.rowCount === 0) return refuse(GONE);
    const [left] = await rowsFrom(
      countRow,
      'select count(*)::int as n from people where erased_at is not null',
      [],
      client,
    );
    const name = `former helper ${(left?.n ?? 0) + 1}`;
    if (found.rows[0]?.erased === false) await renameTasters(client, id, name);
    await client.query('delete from practice_tries where by_person = $1', [id]);
    await client.query(
      "update people set name = $2, mark = 'whisk', erased_at = now(), revision = revision + 1 where id = $1 and erased_at is null",
      [id, name],
    );
    if (found.rows[0]?.erased === false) await renameInMornings(client, id, name);
    return { ok: true };
  });
