import { createElement } from 'react';
import { isUuid } from '@/server/api/params';
import { problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { codePicture } from '@/server/print/code';
import { LABEL_SIZES, LotLabels } from '@/server/print/lot';
import { asPdf } from '@/server/print/paper';
import { loadHouse } from '@/server/queries/house';
import { frozenLotById } from '@/server/usecases/premix-lots';

/** A label for every bag of a lot, as it was made: `?size=front` for the front alone. */
export async function GET(request: Request, { params }: { readonly params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  if (!isUuid(id)) return problem(404, 'There is no such lot.');
  const r = await reach(async () => frozenLotById(id, await loadHouse()));
  if (!r.up) return troubled(r.kind);
  const lot = r.value;
  if (!lot) return problem(404, 'There is no such lot.');
  const size = LABEL_SIZES.find((s) => s === new URL(request.url).searchParams.get('size')) ?? 'full';
  return asPdf(createElement(LotLabels, { lot, frozen: lot.frozen, size, code: await codePicture(lot.frozen.code) }), `lot ${lot.number} labels`);
}
