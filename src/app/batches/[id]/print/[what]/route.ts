import { randomUUID } from 'node:crypto';
import { createElement } from 'react';
import { waysOf } from '@/core/batch/batch';
import { kitLabels } from '@/core/batch/kits';
import { noticeOf } from '@/core/batch/notice';
import { fetchedByWave } from '@/core/batch/packs';
import { oneMix } from '@/core/batch/plan';
import { scriptOfBatch } from '@/core/batch/script-of';
import { forCooks, linesOfSheet, offTheShelf, usesOf } from '@/core/batch/sheet';
import { mixesIn, mixName } from '@/core/batch/split';
import { takeOut, withTaken } from '@/core/batch/take-out';
import { timeLine } from '@/core/day/schedule';
import { kindById } from '@/core/formula/kinds';
import { findIngredient } from '@/core/pantry/pantry';
import { localDay, sayDay, sayLongDay, sayMoment } from '@/core/quantity/day';
import { grams } from '@/core/quantity/say';
import { isUuid } from '@/server/api/params';
import { problem, troubled } from '@/server/api/problem';
import { reach, transaction } from '@/server/db/pool';
import { BatchSheet, Labels, MixSheets, NoticePaper, ShoppingPaper } from '@/server/print/batch';
import { appointmentsOf, asCalendar } from '@/server/print/calendar';
import { asPdf } from '@/server/print/paper';
import { TimeLinePaper } from '@/server/print/timeline';
import { batchById } from '@/server/queries/batches';
import { noteEntry } from '@/server/queries/event-log';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { dayOf } from '@/server/usecases/day';
import { batchAbout } from '@/ui/batch/about';

const PAPERS = ['sheet', 'sheets', 'cooks', 'shopping', 'labels', 'notice', 'timeline'];

/** A batch on paper: `sheet`, `shopping`, `labels` or `timeline`; and its time line for a calendar. */
export async function GET(
  _: Request,
  { params }: { readonly params: Promise<{ id: string; what: string }> },
): Promise<Response> {
  const { id, what } = await params;
  if (!isUuid(id)) return problem(404, 'There is no such batch.');
  const r = await reach(() => Promise.all([batchById(id), loadHouse(), stockNoted()]));
  if (!r.up) return troubled(r.kind);
  const [b, house, stock] = r.value;
  if (!b) return problem(404, 'There is no such batch.');
  const { units } = house;
  const find = (x: string) => findIngredient(x, house.conventions.own);
  const script = scriptOfBatch(b, waysOf(b, house), find, units);
  const about = batchAbout(b, units);
  // which state a paper is of: when the sheet changes, the batch says that it is no longer true
  const state = b.sheetState ?? 1;
  if (PAPERS.includes(what) && !b.finishedAt)
    await reach(() =>
      transaction((client) =>
        noteEntry(client, b.id, { id: randomUUID(), at: Date.now(), act: { what: 'printed', paper: what, state } }),
      ),
    );
  const stateWords =
    state > 1 && b.sheetAt ? `state ${state}, ${sayMoment(b.sheetAt.getTime(), Date.now(), units)}` : '';
  if (what === 'sheet') {
    const made = sayDay(localDay(b.startedAt.getTime(), units), units);
    return asPdf(
      createElement(BatchSheet, {
        name: b.name,
        about: [...about, `version ${b.versionNumber}, ${made}`, stateWords],
        lines: oneMix(b.sheet),
        split: b.split,
        oneBowl: b.exactness === 'eye',
        units,
        script,
      }),
      b.name,
    );
  }
  if (what === 'sheets') {
    const n = mixesIn(b.split);
    const sheets = Array.from({ length: n }, (_, m) => ({
      name: n > 1 ? mixName(b.split, m + 1).replace(/^./, (c) => c.toUpperCase()) : b.name,
      lines: b.sheet.filter((l) => l.mix === m + 1 || (n === 1 && l.side === undefined)),
    }));
    return asPdf(
      createElement(MixSheets, {
        name: b.name,
        about: [`version ${b.versionNumber}`, stateWords].filter(Boolean).join('; '),
        sheets,
        script,
        units,
      }),
      `${b.name} sheets`,
    );
  }
  if (what === 'cooks')
    return asPdf(
      createElement(MixSheets, {
        name: b.name,
        about: [`version ${b.versionNumber}`, stateWords].filter(Boolean).join('; '),
        sheets: forCooks(oneMix(b.sheet), mixesIn(b.split)),
        script,
        units,
      }),
      `${b.name} prep cooks`,
    );
  if (what === 'notice')
    return asPdf(
      createElement(NoticePaper, {
        name: b.name,
        kind: [kindById(b.kind).name, b.timeline ? `for ${sayLongDay(b.timeline.at, units)}` : '']
          .filter(Boolean)
          .join(', '),
        notice: noticeOf(b, waysOf(b, house), find),
        foot: `${[`This batch, ${sayMoment((b.sheetAt ?? b.startedAt).getTime(), Date.now(), units)}`, `version ${b.versionNumber}`, stateWords].filter(Boolean).join('; ')}.`,
      }),
      `${b.name} notice`,
    );
  if (what === 'shopping') {
    const lines = linesOfSheet(offTheShelf(b.sheet), find);
    const shelf = withTaken(stock, b.deductions);
    const list = takeOut(usesOf(lines, stock), shelf);
    const waves = fetchedByWave(lines, b.split, shelf);
    return asPdf(
      createElement(ShoppingPaper, { name: b.name, about: `${grams(b.massG, units)} of batter`, list, waves, units }),
      `${b.name} shopping`,
    );
  }
  if (what === 'timeline' || what === 'calendar') {
    if (!b.timeline) return problem(404, 'Nobody has said yet when it is served.');
    const { timeline } = b;
    const day = await reach(() => dayOf(b, house));
    if (!day.up) return troubled(day.kind);
    const line = timeLine(day.value.steps, timeline, null);
    if (what === 'timeline')
      return asPdf(
        createElement(TimeLinePaper, { name: b.name, about: about.filter(Boolean).join('; '), line, units }),
        `${b.name} time line`,
      );
    return asCalendar(b.name, appointmentsOf([{ name: b.name, batchId: b.id, placed: line.placed }]), units.zone);
  }
  if (what === 'labels') {
    // packed when the tubs are filled: the day before, where it is made over two days
    const packed = new Date(b.timeline?.dayOneAt ?? b.startedAt.getTime());
    return asPdf(
      createElement(Labels, { name: `Labels: ${b.name}`, labels: kitLabels(b, find, units, packed) }),
      `${b.name} labels`,
    );
  }
  return problem(404, 'There is no such paper of this batch.');
}
