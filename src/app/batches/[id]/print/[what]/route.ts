import { createElement } from 'react';
import { kitLabels } from '@/core/batch/kits';
import { oneMix } from '@/core/batch/plan';
import { linesOfSheet, offTheShelf, usesOf } from '@/core/batch/sheet';
import { takeOut, withTaken } from '@/core/batch/take-out';
import { timeLine } from '@/core/day/schedule';
import { findIngredient } from '@/core/pantry/pantry';
import { localDay, sayDay } from '@/core/quantity/day';
import { grams } from '@/core/quantity/say';
import { isUuid } from '@/server/api/params';
import { problem } from '@/server/api/problem';
import { reach } from '@/server/db/pool';
import { BatchSheet, Labels, ShoppingPaper } from '@/server/print/batch';
import { asCalendar } from '@/server/print/calendar';
import { asPdf } from '@/server/print/paper';
import { TimeLinePaper } from '@/server/print/timeline';
import { batchById } from '@/server/queries/batches';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { dayOf } from '@/server/usecases/day';
import { batchAbout } from '@/ui/batch/about';

/** A batch on paper: `sheet`, `shopping`, `labels` or `timeline`; and its time line for a calendar. */
export async function GET(_: Request, { params }: { readonly params: Promise<{ id: string; what: string }> }): Promise<Response> {
  const { id, what } = await params;
  if (!isUuid(id)) return problem(404, 'There is no such batch.');
  const r = await reach(() => Promise.all([batchById(id), loadHouse(), stockNoted()]));
  if (!r.up) return problem(503, 'The records are out of reach just now.');
  const [b, house, stock] = r.value;
  if (!b) return problem(404, 'There is no such batch.');
  const { units } = house;
  const find = (x: string) => findIngredient(x, house.conventions.own);
  const about = batchAbout(b, units);
  if (what === 'sheet') {
    const made = sayDay(localDay(b.startedAt.getTime()), units);
    return asPdf(
      createElement(BatchSheet, { name: b.name, about: [...about, `version ${b.versionNumber}, ${made}`], lines: oneMix(b.sheet), split: b.split, units }),
      b.name,
    );
  }
  if (what === 'shopping') {
    const list = takeOut(usesOf(linesOfSheet(offTheShelf(b.sheet), find), stock), withTaken(stock, b.deductions));
    return asPdf(createElement(ShoppingPaper, { name: b.name, about: `${grams(b.massG, units)} of batter`, list, units }), `${b.name} shopping`);
  }
  if (what === 'timeline' || what === 'calendar') {
    if (!b.timeline) return problem(404, 'Nobody has said yet when it is served.');
    const { timeline } = b;
    const day = await reach(() => dayOf(b, house));
    if (!day.up) return problem(503, 'The records are out of reach just now.');
    const line = timeLine(day.value.steps, timeline, null);
    if (what === 'timeline')
      return asPdf(createElement(TimeLinePaper, { name: b.name, about: about.filter(Boolean).join('; '), line, units }), `${b.name} time line`);
    return asCalendar(b.name, b.id, line.placed);
  }
  if (what === 'labels' && b.split.by === 'kits')
    return asPdf(createElement(Labels, { name: `Kit labels: ${b.name}`, labels: kitLabels(b, find, units, b.startedAt) }), `${b.name} labels`);
  return problem(404, 'There is no such paper of this batch.');
}
