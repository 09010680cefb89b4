import { createElement } from 'react';
import { waysOf } from '@/core/batch/batch';
import { keptLabels, lotName } from '@/core/batch/kept';
import { noticeLines, noticeOf } from '@/core/batch/notice';
import { findIngredient } from '@/core/pantry/pantry';
import { sayDay } from '@/core/quantity/day';
import { isUuid } from '@/server/api/params';
import { problem, troubled } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { Labels } from '@/server/print/batch';
import { asPdf } from '@/server/print/paper';
import { batchById } from '@/server/queries/batches';
import { loadHouse } from '@/server/queries/house';
import { keptLot } from '@/server/queries/kept';

/** A label for each parcel of a kept lot. */
export async function GET(_: Request, { params }: { readonly params: Promise<{ id: string }> }): Promise<Response> {
  const { id } = await params;
  if (!isUuid(id)) return problem(404, 'There is no such lot.');
  const r = await reach(async () => {
    const [lot, house] = await Promise.all([keptLot(id), loadHouse()]);
    return { lot, house, batch: lot?.batchId ? await batchById(lot.batchId) : null };
  });
  if (!r.up) return troubled(r.kind);
  const { lot, house, batch } = r.value;
  if (!lot) return problem(404, 'There is no such lot.');
  const notice = batch
    ? noticeLines(noticeOf(batch, waysOf(batch, house), (i) => findIngredient(i, house.conventions.own))).map((n) =>
        `${n.strong} ${n.text}`.trim(),
      )
    : [];
  return asPdf(
    createElement(Labels, {
      name: `Labels: ${lot.name}`,
      labels: keptLabels(lot, (d) => sayDay(d, house.units), notice),
    }),
    `${lotName(lot)} labels`,
  );
}
