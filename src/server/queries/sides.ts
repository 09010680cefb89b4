/** Queries on what goes with a batch: sauces, butters, fillings and toppings by parts. */
import type { Side } from '@/core/batch/sides';
import { query } from '../db/pool';

const SELECT = 'select id, name, measure as by, parts, serving_g as "servingG", method from sides';
type Row = Side & Record<string, unknown>;

export const sides = (): Promise<Side[]> => query<Row>(`${SELECT} order by lower(name)`);

export async function sideById(id: string): Promise<Side | null> {
  return (await query<Row>(`${SELECT} where id = $1`, [id]))[0] ?? null;
}

/**
 * Keeps a side; without an id it is a new one.
 * @returns null when there is none of that id; 'name' when another has the name
 */
export async function keepSide(s: Omit<Side, 'id'> & { readonly id: string | null }): Promise<Side | null | 'name'> {
  const twin = await query('select 1 from sides where lower(name) = lower($1) and id is distinct from $2', [s.name, s.id]);
  if (twin.length > 0) return 'name';
  const values = [s.name, s.by, JSON.stringify(s.parts), s.servingG, s.method];
  const back = 'returning id, name, measure as by, parts, serving_g as "servingG", method';
  const rows = s.id
    ? await query<Row>(`update sides set name = $1, measure = $2, parts = $3, serving_g = $4, method = $5 where id = $6 ${back}`, [...values, s.id])
    : await query<Row>(`insert into sides (name, measure, parts, serving_g, method) values ($1, $2, $3, $4, $5) on conflict do nothing ${back}`, values);
  return rows[0] ?? (s.id ? null : 'name');
}

export async function dropSide(id: string): Promise<boolean> {
  return (await query('delete from sides where id = $1 returning id', [id])).length > 0;
}
