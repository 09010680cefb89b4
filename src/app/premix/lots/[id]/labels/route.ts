import { createElement } from 'react';
import { findIngredient } from '@/core/pantry/pantry';
import { bagLabels } from '@/core/premix/label';
import { isUuid } from '@/server/api/params';
import { problem } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { Labels } from '@/server/print/batch';
import { asPdf } from '@/server/print/paper';
import { loadHouse } from '@/server/queries/house';
import { lotById } from '@/server/queries/premixes';
import { workedPremix } from '@/server/usecases/premix-lots';

/** A label for every bag of a lot. */
export async function GET(_: Request, { params }: { readonly params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  if (!isUuid(id)) return problem(404, 'There is no such lot.');
  const r = await reach(async () => {
    const [lot, house] = await Promise.all([lotById(id), loadHouse()]);
    return { lot, house, kept: lot && (await workedPremix(lot.premixId, house)) };
  });
  if (!r.up) return problem(503, 'The records are out of reach just now.');
  const { lot, house, kept } = r.value;
  if (!lot || !kept) return problem(404, 'There is no such lot.');
  const find = (x: string) => findIngredient(x, house.conventions.own);
  const products = (kept.worked?.products ?? []).filter((p, n) => n === 0 || p.against.length === 0);
  const labels = bagLabels(lot, kept.premix.settings, products, find, house.units);
  return asPdf(createElement(Labels, { name: `Labels of lot ${lot.number}`, labels }), `lot ${lot.number} labels`);
}
