import { createElement } from 'react';
import { kitLabels } from '@/core/batch/kits';
import { oneMix } from '@/core/batch/plan';
import { linesOfSheet, offTheShelf, usesOf } from '@/core/batch/sheet';
import { takeOut, withTaken } from '@/core/batch/take-out';
import { findIngredient } from '@/core/pantry/pantry';
import { grams } from '@/core/quantity/say';
import { batchById } from '@/server/batches';
import { loadHouse } from '@/server/house';
import { shelf } from '@/server/pantry';
import { isUuid } from '@/server/params';
import { reach } from '@/server/pool';
import { BatchSheet, Labels, ShoppingPaper } from '@/server/print/batch';
import { asPdf } from '@/server/print/paper';
import { problem } from '@/server/problem';
import { batchAbout } from '@/ui/batch/about';

/** A batch on paper: `sheet`, `shopping` or `labels`. */
export async function GET(_: Request, { params }: { readonly params: Promise<{ id: string; what: string }> }): Promise<Response> {
  const { id, what } = await params;
  if (!isUuid(id)) return problem(404, 'There is no such batch.');
  const r = await reach(() => Promise.all([batchById(id), loadHouse(), shelf()]));
  if (!r.up) return problem(503, 'The records are out of reach just now.');
  const [b, house, stock] = r.value;
  if (!b) return problem(404, 'There is no such batch.');
  const { units } = house;
  const find = (x: string) => findIngredient(x, house.conventions.own);
  const about = batchAbout(b, units);
  if (what === 'sheet') {
    const made = b.startedAt.toISOString().slice(0, 10);
    return asPdf(
      createElement(BatchSheet, { name: b.name, about: [...about, `version ${b.versionNumber}, ${made}`], lines: oneMix(b.sheet), split: b.split, units }),
      b.name,
    );
  }
  if (what === 'shopping') {
    const list = takeOut(usesOf(linesOfSheet(offTheShelf(b.sheet), find), stock), withTaken(stock, b.takings));
    return asPdf(createElement(ShoppingPaper, { name: b.name, about: `${grams(b.massG, units)} of batter`, list, units }), `${b.name} shopping`);
  }
  if (what === 'labels' && b.split.by === 'kits')
    return asPdf(createElement(Labels, { name: `Kit labels: ${b.name}`, labels: kitLabels(b, find, units, b.startedAt) }), `${b.name} labels`);
  return problem(404, 'There is no such paper of this batch.');
}
