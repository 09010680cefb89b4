import { createElement } from 'react';
import { scalesOf } from '@/core/pantry/gear';
import { blendsFor } from '@/core/premix/blend';
import { MOST_BAGS, MOST_SIZES } from '@/core/premix/premix';
import { type Fill, massOfFills } from '@/core/premix/weigh';
import { grams } from '@/core/quantity/say';
import { isUuid } from '@/server/api/params';
import { problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { BlendSheet } from '@/server/print/lot';
import { asPdf } from '@/server/print/paper';
import { loadHouse } from '@/server/queries/house';
import { workedPremix } from '@/server/usecases/premix-lots';

const FILL = /^(\d{1,3})x(\d{1,5}(?:\.\d{1,3})?)$/;

/** The sheet a lot is blended by: `?fill=20x500` for so many bags of so many grams, once for each size. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params;
  if (!isUuid(id)) return problem(404, 'There is no such premix.');
  const fills = new URL(request.url).searchParams.getAll('fill').flatMap((f): readonly Fill[] => {
    const read = FILL.exec(f);
    const [bags, bagG] = [Number(read?.[1] ?? 0), Number(read?.[2] ?? 0)];
    return bags >= 1 && bags <= MOST_BAGS && bagG >= 20 && bagG <= 25_000 ? [{ bags, bagG }] : [];
  });
  if (fills.length === 0 || fills.length > MOST_SIZES)
    return problem(400, `Say how many bags of how many grams: ?fill=20x500, 1 to ${MOST_BAGS} bags.`);
  const r = await reach(async () => {
    const house = await loadHouse();
    return { house, kept: await workedPremix(id, house) };
  });
  if (!r.up) return troubled(r.kind);
  const { house, kept } = r.value;
  if (!kept?.worked) return problem(404, 'There is no such premix, or nothing of it goes into a bag.');
  const { units, gear } = house;
  const lotG = massOfFills(fills);
  const bowls = gear.filter((g) => g.sort === 'bowl');
  const blends = blendsFor(kept.worked.bag, lotG, kept.worked.densityGPerMl, bowls, scalesOf(gear));
  return asPdf(
    createElement(BlendSheet, {
      name: kept.premix.name,
      about: `${fills.map((f) => `${f.bags} ${f.bags === 1 ? 'bag' : 'bags'} of ${grams(f.bagG, units)}`).join(', ')}; ${grams(lotG, units)} in all`,
      blends,
      units,
    }),
    `${kept.premix.name} blend sheet`,
  );
}
