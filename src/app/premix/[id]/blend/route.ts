import { createElement } from 'react';
import { scalesOf } from '@/core/pantry/gear';
import { blendsFor } from '@/core/premix/blend';
import { MOST_BAGS } from '@/core/premix/premix';
import { grams } from '@/core/quantity/say';
import { isUuid } from '@/server/api/params';
import { problem } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { BlendSheet } from '@/server/print/lot';
import { asPdf } from '@/server/print/paper';
import { loadHouse } from '@/server/queries/house';
import { workedPremix } from '@/server/usecases/premix-lots';

/** The sheet a lot is blended by: `?bags=` so many, `&bag=` of so many grams. */
export async function GET(request: Request, { params }: { readonly params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  const asked = new URL(request.url).searchParams;
  const bags = Number(asked.get('bags') ?? '');
  const size = Number(asked.get('bag') ?? '');
  if (!isUuid(id)) return problem(404, 'There is no such premix.');
  if (!Number.isInteger(bags) || bags < 1 || bags > MOST_BAGS) return problem(400, `Say how many bags, 1 to ${MOST_BAGS}: ?bags=`);
  const r = await reach(async () => {
    const house = await loadHouse();
    return { house, kept: await workedPremix(id, house) };
  });
  if (!r.up) return problem(503, 'The records are out of reach just now.');
  const { house, kept } = r.value;
  if (!kept?.worked) return problem(404, 'There is no such premix, or nothing of it goes into a bag.');
  const { units, gear } = house;
  const bagG = size >= 20 && size <= 25_000 ? size : kept.premix.settings.bagG;
  const lotG = bags * bagG;
  const bowls = gear.filter((g) => g.sort === 'bowl');
  const blends = blendsFor(kept.worked.bag, lotG, kept.worked.densityGPerMl, bowls, scalesOf(gear));
  return asPdf(
    createElement(BlendSheet, {
      name: kept.premix.name,
      about: `${bags} ${bags === 1 ? 'bag' : 'bags'} of ${grams(bagG, units)}, ${grams(lotG, units)} in all`,
      blends,
      units,
    }),
    `${kept.premix.name} blend sheet`,
  );
}
