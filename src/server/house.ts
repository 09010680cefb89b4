/** The house: its conventions and ways, kept in the table of kitchen facts. A fresh kitchen has the fresh ones. */
import type { z } from 'zod';
import { FRESH_KITCHEN, type Kitchen } from '@/core/formula/ways';
import { query } from './pool';
import { houseSchema } from './schemas';

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
  const rows = await query<{ value: unknown }>("select value from kitchen where key = 'house'");
  // what an older version of the app did not know yet is as a fresh house has it
  const kept = houseSchema.partial().safeParse(rows[0]?.value ?? {});
  const own = kept.success ? kept.data : {};
  const house: Kitchen = { conventions: { ...FRESH_KITCHEN.conventions, ...own.conventions }, ways: { ...FRESH_KITCHEN.ways, ...own.ways }, today: today() };
  globalThis.evenCrumbHouse = house;
  return house;
}

export const saveHouse = async (house: z.infer<typeof houseSchema>): Promise<void> => {
  await query("insert into kitchen (key, value) values ('house', $1) on conflict (key) do update set value = excluded.value", [JSON.stringify(house)]);
};
