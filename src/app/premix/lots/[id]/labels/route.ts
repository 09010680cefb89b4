import { createElement } from 'react';
import { findIngredient } from '@/core/pantry/pantry';
import { lacksSince } from '@/core/premix/frozen';
import { LABEL_SIZES } from '@/core/premix/label';
import { labelWaits } from '@/core/premix/premix';
import { isUuid } from '@/server/api/params';
import { problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { codePicture } from '@/server/print/code';
import { LotLabels, labelsOf } from '@/server/print/lot';
import { asPdf } from '@/server/print/paper';
import { loadHouse } from '@/server/queries/house';
import { frozenLotById } from '@/server/usecases/premix-lots';

/** A label for every bag of a lot, as it was made: `?size=front` for the front alone, `?part=2` for what the first label does not hold. */
export async function GET(
  request: Request,
  { params }: { readonly params: Promise<{ id: string }> },
): Promise<Response> {
  const { id } = await params;
  if (!isUuid(id)) return problem(404, 'There is no such lot.');
  const r = await reach(async () => {
    const house = await loadHouse();
    const lot = await frozenLotById(id, house);
    return (
      lot && { lot, lacking: lacksSince(lot.frozen, lot.contents, (x) => findIngredient(x, house.conventions.own)) }
    );
  });
  if (!r.up) return troubled(r.kind);
  if (!r.value) return problem(404, 'There is no such lot.');
  const { lot, lacking } = r.value;
  const waits = labelWaits(lot);
  if (waits) return problem(409, waits);
  const asked = new URL(request.url).searchParams;
  const size = LABEL_SIZES.find((s) => s === asked.get('size')) ?? 'full';
  const part = Number(asked.get('part') ?? 1);
  const { labels } = labelsOf(lot, lot.frozen, lacking, size, null);
  if (!labels[part - 1]) return problem(404, 'All of it fits on fewer labels.');
  return asPdf(
    createElement(LotLabels, {
      lot,
      frozen: lot.frozen,
      lacking,
      size,
      part,
      code: await codePicture(lot.frozen.code),
    }),
    `lot ${lot.number} labels`,
  );
}
