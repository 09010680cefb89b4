/** What the pages of sauces and sides ask the server to do. */
import { acted } from '@/app/acted';
import { type ActionResult, type Kept, refuse } from '@/contract/action-result';
import { requestId, seen } from '@/contract/fields';
import { dropSideSchema, sideSchema } from '@/contract/side';
import { findIngredient } from '@/core/pantry/pantry';
import { loadHouse } from '@/server/queries/house';
import type { OpenedRow } from '@/server/queries/revised';
import { dropSide, keepSide, type SideFields } from '@/server/queries/sides';

export const keepBeside = async (input: unknown): Promise<ActionResult<Kept & { readonly id: string }>> =>
  acted('keep-side', sideSchema.extend({ seen, requestId }), input, async ({ seen, requestId, ...side }) => {
    const { own } = (await loadHouse()).conventions;
    const stranger = side.parts.findIndex((p) => !findIngredient(p.ingredientId, own));
    if (stranger >= 0)
      return refuse('A part is not in the pantry.', { [`parts.${stranger}.ingredientId`]: 'Not in the pantry.' });
    return keepSide(side, seen as OpenedRow<SideFields> | null, requestId);
  });

export const dropBeside = async (input: unknown): Promise<ActionResult> =>
  acted('drop-side', dropSideSchema, input, ({ id, revision }) => dropSide(id, revision));
