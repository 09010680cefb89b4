/** The house: its conventions, ways, units and gear, kept in the table of kitchen facts, with what it has of its own. A fresh kitchen has the fresh ones. */
import type { z } from 'zod';
import { type houseChangeSchema, keptHouseSchema } from '@/contract/house';
import { FRESH_KITCHEN, type Kitchen } from '@/core/formula/ways';
import { FILL_METHODS } from '@/core/pantry/conventions';
import { ownFill } from '@/core/pantry/fill';
import { query, transaction } from '../db/pool';
import { loadOwn } from './pantry';

/** The day it is here, yyyy-mm-dd. */
const today = (): string => {
  const d = new Date();
  return `${d.getFullYear()}-${String(d.getMonth() + 1).padStart(2, '0')}-${String(d.getDate()).padStart(2, '0')}`;
};

declare global {
  // pages and the JSON interface are bundled apart; what the house said last is one thing
  var evenCrumbHouse: Kitchen | undefined;
}

/** The house as it was last loaded or saved by this server; null before that. For answers that must not wait for records. */
export const lastHouse = (): Kitchen | null => (globalThis.evenCrumbHouse ? { ...globalThis.evenCrumbHouse, today: today() } : null);

export async function loadHouse(): Promise<Kitchen> {
  const rows = await query<{ key: string; value: unknown }>("select key, value from kitchen where key in ('house', 'own')");
  const fact = (key: string): unknown => rows.find((r) => r.key === key)?.value;
  const kept = keptHouseSchema.safeParse(fact('house') ?? {});
  const { conventions, ways, units, gear, drawer } = kept.success ? kept.data : keptHouseSchema.parse({});
  const stamp = fact('own');
  const house: Kitchen = {
    conventions: { ...FRESH_KITCHEN.conventions, ...conventions, own: await loadOwn(typeof stamp === 'string' ? stamp : '') },
    ways: { ...FRESH_KITCHEN.ways, ...ways },
    units: { ...FRESH_KITCHEN.units, ...units },
    gear: gear ?? FRESH_KITCHEN.gear,
    drawer: drawer ?? FRESH_KITCHEN.drawer,
    today: today(),
  };
  globalThis.evenCrumbHouse = house;
  return house;
}

/** Changes a part of the house; what two people change at the same moment is both kept, where it is not the same thing. */
export const changeHouse = (change: z.infer<typeof houseChangeSchema>): Promise<void> =>
  transaction(async (client) => {
    await client.query("insert into kitchen (key, value) values ('house', '{}') on conflict (key) do nothing");
    const rows = await client.query<{ value: unknown }>("select value from kitchen where key = 'house' for update");
    const kept = keptHouseSchema.safeParse(rows.rows[0]?.value);
    const now = kept.success ? kept.data : keptHouseSchema.parse({});
    const next = {
      conventions: { ...now.conventions, ...change.conventions },
      ways: { ...now.ways, ...change.ways },
      units: { ...now.units, ...change.units },
      ...((change.gear ?? now.gear) && { gear: change.gear ?? now.gear }),
      ...((change.drawer ?? now.drawer) && { drawer: change.drawer ?? now.drawer }),
    };
    await client.query("update kitchen set value = $1 where key = 'house'", [JSON.stringify(next)]);
  });

/** Lets the house fill its cups its own way, as it has weighed them; the way it had before is kept for going back. */
export async function fillOwnWay(): Promise<void> {
  const { conventions } = await loadHouse();
  if (conventions.flourFill === 'own') return;
  await query("insert into kitchen (key, value) values ('fill-before', $1) on conflict (key) do update set value = excluded.value", [
    JSON.stringify(conventions.flourFill),
  ]);
  await changeHouse({ conventions: { flourFill: 'own' } });
}

/** Goes back to the way of filling there was, once no cup of its own is left to fill by. */
export async function fillAsBefore(): Promise<void> {
  const { conventions } = await loadHouse();
  if (conventions.flourFill !== 'own' || ownFill(conventions)) return;
  const rows = await query<{ value: unknown }>("select value from kitchen where key = 'fill-before'");
  const before = FILL_METHODS.find((f) => f === rows[0]?.value);
  await changeHouse({ conventions: { flourFill: before ?? FRESH_KITCHEN.conventions.flourFill } });
}
