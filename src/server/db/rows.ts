/** Rows as they come from PostgreSQL, checked where they enter: what a query returns is known, not assumed. */
import type { ClientBase } from 'pg';
import { z } from 'zod';
import { query } from './pool';

/** The id of what was written, or found. */
export const idRow = z.object({ id: z.string() });
/** How many. */
export const countRow = z.object({ n: z.number() });

/**
 * The rows of a query.
 * @param row what each row is; columns it does not name are left out
 * @param on the transaction it belongs to; none: a connection of the pool
 * @throws ZodError when a row is not as `row` says: the query and its schema disagree
 */
export async function rowsFrom<S extends z.ZodType>(
  row: S,
  sql: string,
  values: readonly unknown[] = [],
  on?: Pick<ClientBase, 'query'>,
): Promise<z.output<S>[]> {
  const rows = on ? (await on.query(sql, [...values])).rows : await query(sql, values);
  return rows.map((r) => row.parse(r));
}

/** Who has signed for a row, and on which device, as it is said: "Wren, Griddle 2"; null: nobody. @param of the row's table, as the query calls it */
export const signedBy = (of: string): string =>
  `nullif(concat_ws(', ', (select p.name from people p where p.id = ${of}.by_person), (select d.name from gate.devices d where d.id = ${of}.by_device)), '')`;
