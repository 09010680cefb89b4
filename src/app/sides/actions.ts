'use server';
/** What the Alongside pages ask the server to do. */
import { AWAY, type Done, everyPageAnew, invalid, refuse } from '@/app/answers';
import { dropSideSchema, sideSchema } from '@/contract/side';
import { findIngredient } from '@/core/pantry/pantry';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { dropSide, keepSide } from '@/server/queries/sides';

const GONE = 'That is not in this kitchen any more.';

export async function keepBeside(input: unknown): Promise<Done<{ readonly id: string }>> {
  const checked = sideSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(async (): Promise<Done<{ readonly id: string }>> => {
    const { own } = (await loadHouse()).conventions;
    const stranger = checked.data.parts.findIndex((p) => !findIngredient(p.ingredientId, own));
    if (stranger >= 0) return refuse('A part is not in the pantry.', { [`parts.${stranger}.ingredientId`]: 'Not in the pantry.' });
    const kept = await keepSide(checked.data);
    if (kept === 'name') return refuse('There is one of that name already.', { name: 'There is one of that name already.' });
    return kept ? { ok: true, id: kept.id } : refuse(GONE);
  });
  if (!r.up) return AWAY;
  if (r.value.ok) everyPageAnew();
  return r.value;
}

export async function dropBeside(input: unknown): Promise<Done<object>> {
  const checked = dropSideSchema.safeParse(input);
  if (!checked.success) return invalid(checked.error);
  const r = await reach(() => dropSide(checked.data.id));
  if (!r.up) return AWAY;
  if (!r.value) return refuse(GONE);
  everyPageAnew();
  return { ok: true };
}
