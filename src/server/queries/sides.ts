/** Queries on what goes with a batch: sauces, butters, fillings and toppings by parts. */
import { z } from 'zod';
import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import { sideSchema } from '@/contract/side';
import { SIDE_BYS, type Side } from '@/core/batch/sides';
import { SHAPES } from '@/core/records/editable';
import { type JsonColumn, readStored } from '../db/json';
import { query, transaction } from '../db/pool';
import { idRow, rowsFrom } from '../db/rows';
import { GONE, keepRaw, type OpenedRow, onceFor, saveRevised } from './revised';

const PARTS: JsonColumn<Side['parts']> = {
  at: 'sides.parts',
  called: 'the parts',
  schema: sideSchema.shape.parts,
  fresh: [],
};

const SELECT = 'select id, name, measure as by, parts, serving_g as "servingG", method, revision from sides';
const sideRow = z.object({
  id: z.string(),
  name: z.string(),
  by: z.enum(SIDE_BYS),
  parts: z.unknown(),
  servingG: z.number(),
  method: z.string(),
  revision: z.number(),
});

function toSide(r: z.output<typeof sideRow>): Side & { readonly revision: number } {
  const parts = readStored({ ...PARTS, called: `the parts of ${r.name}` }, r.parts, r.id);
  return { ...r, parts: parts.value, unreadable: parts.unreadable };
}

export const sides = async (): Promise<Side[]> =>
  (await rowsFrom(sideRow, `${SELECT} order by lower(name)`)).map(toSide);

export async function sideById(id: string): Promise<Side | null> {
  const row = (await rowsFrom(sideRow, `${SELECT} where id = $1`, [id]))[0];
  return row ? toSide(row) : null;
}

export type SideFields = Pick<Side, 'name' | 'by' | 'parts' | 'servingG' | 'method'>;
export const sideFields = ({ name, by, parts, servingG, method }: SideFields): SideFields => ({
  name,
  by,
  parts,
  servingG,
  method,
});
const TWIN = 'There is one of that name already.';

/** Keeps a side; without an id it is a new one, made once for a request. */
export const keepSide = (
  s: z.output<typeof sideSchema>,
  opened: OpenedRow<SideFields> | null = null,
  requestId: string | null = null,
): Promise<ActionResult<Kept & { readonly id: string }>> =>
  transaction((client) =>
    onceFor(client, requestId, 'side', async (): Promise<ActionResult<Kept & { readonly id: string }>> => {
      const twin = await client.query('select 1 from sides where lower(name) = lower($1) and id is distinct from $2', [
        s.name,
        s.id,
      ]);
      if (twin.rowCount) return refuse(TWIN, { name: TWIN });
      if (!s.id) {
        const made = await rowsFrom(
          idRow,
          'insert into sides (name, measure, parts, serving_g, method) values ($1, $2, $3, $4, $5) on conflict do nothing returning id',
          [s.name, s.by, JSON.stringify(s.parts), s.servingG, s.method],
          client,
        );
        return made[0] ? { ok: true, id: made[0].id, revision: 1, merged: [] } : refuse(TWIN, { name: TWIN });
      }
      const { id } = s;
      const row = (await rowsFrom(sideRow, `${SELECT} where id = $1 for update`, [id], client))[0];
      if (!row) return refuse(GONE);
      const now = toSide(row);
      if (now.unreadable?.length) await keepRaw(client, `sides.parts ${id}`, row.parts);
      const kept = await saveRevised(
        SHAPES.side,
        { revision: now.revision, value: sideFields(now) },
        sideFields(s),
        opened,
        (v, revision) =>
          client.query(
            'update sides set name = $1, measure = $2, parts = $3, serving_g = $4, method = $5, revision = $6 where id = $7',
            [v.name, v.by, JSON.stringify(v.parts), v.servingG, v.method, revision, id],
          ),
      );
      return kept.ok ? { ...kept, id } : kept;
    }),
  );

/**
 * Takes a side out as it was seen; one that another has changed since is told first, with the revision to drop it by.
 */
export async function dropSide(id: string, revision: number): Promise<ActionResult> {
  if ((await query('delete from sides where id = $1 and revision = $2 returning id', [id, revision])).length > 0)
    return { ok: true };
  const now = await sideById(id);
  if (!now) return { ok: true };
  return {
    ...refuse(
      'Another screen has changed it since this was opened. Press again to delete it all the same.',
      {},
      'conflict',
    ),
    conflict: { revision: now.revision ?? 1, theirs: sideFields(now), clashes: [] },
  };
}
