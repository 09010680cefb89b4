import { batchAgain, coversHere, serveAt, undoSwapsHere, untakeBatch } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { titled } from '@/app/titled';
import { litOf } from '@/core/batch/acts';
import { EXACTNESS_WORDS } from '@/core/batch/exactness';
import { KEPT_STATE_WORDS, keptWords, lotName } from '@/core/batch/kept';
import { oneMix } from '@/core/batch/plan';
import { scriptOfBatch } from '@/core/batch/script-of';
import { linesOfSheet, offTheShelf } from '@/core/batch/sheet';
import { mixesIn } from '@/core/batch/split';
import { withTaken } from '@/core/batch/take-out';
import { surfacesFor } from '@/core/batter/surface';
import { kindById } from '@/core/formula/kinds';
import { findIngredient } from '@/core/pantry/pantry';
import { besideOf } from '@/server/queries/batches';
import { tapsOf } from '@/server/queries/griddle';
import { keptTakenBy } from '@/server/queries/kept';
import { dayOf, onTheCounter } from '@/server/usecases/day';
import { batchAbout } from '@/ui/batch/about';
import { AfterSheet } from '@/ui/batch/after-sheet';
import { ChangesPart } from '@/ui/batch/changes-part';
import { MeasureSheet } from '@/ui/batch/measure-sheet';
import { PrintButton } from '@/ui/batch/print-button';
import { Prints } from '@/ui/batch/prints';
import { takenSaid } from '@/ui/batch/taken-said';
import { TakenView } from '@/ui/batch/taken-view';
import { TimeLineView } from '@/ui/day/time-line';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';
import { eventLogFrom } from '@/ui/live/event-log-from';
import { AskGear } from '@/ui/shared/ask-gear';

export const generateMetadata = titled('batch', 'Plan');

export default async function BatchPlanPage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'plan', async (b, house, stock, lots) => {
    const pieces = kindById(b.kind).pieces;
    const find = (id: string) => findIngredient(id, house.conventions.own);
    const [day, taps, beside, kept, counter] = await Promise.all([
      dayOf(b, house),
      tapsOf(b.id),
      besideOf(b),
      keptTakenBy(b.id),
      onTheCounter(b, house, Date.now()),
    ]);
    return (
      <div className="grid gap-6">
        <div className="print:hidden">
          <h2 className="mb-2 text-2xl">Time line</h2>
          {surfacesFor(house.gear, b.kind, undefined, litOf(b.entries)).length === 0 ? (
            <Notice weight="look">
              <p>Nothing to make {pieces} on is noted here: the line below takes one at a time.</p>
              <AskGear kind={b.kind} />
            </Notice>
          ) : null}
          <TimeLineView
            batch={b}
            steps={day.steps}
            others={counter}
            first={eventLogFrom(b, taps)}
            serve={serveAt}
            drawnAt={Date.now()}
          />
        </div>
        <div className="mx-auto grid w-full max-w-4xl gap-4">
          <div className="flex flex-wrap items-center gap-3 print:hidden">
            <PrintButton />
            <Prints batch={b} />
          </div>
          <MeasureSheet
            title={b.name}
            lines={oneMix(b.sheet)}
            split={b.split}
            oneBowl={b.exactness === 'eye'}
            units={house.units}
            script={scriptOfBatch(b, day.ways, find, house.units)}
            about={[...batchAbout(b, house.units), EXACTNESS_WORDS[b.exactness], `version ${b.versionNumber}`]}
          />
          {beside.length > 0 ? (
            <p className="print:hidden">
              One headcount with{' '}
              {beside.map((x, n) => (
                <span key={x.id}>
                  {n > 0 ? ', ' : ''}
                  <Link href={`/batches/${x.id}/plan`} className="font-semibold text-rim underline">
                    {x.name}
                  </Link>
                  {x.pieces === null ? '' : ` (${x.pieces})`}
                </span>
              ))}
              .
            </p>
          ) : null}
          {kept.length > 0 ? (
            <p className="print:hidden">
              With{' '}
              {kept.map((k, n) => (
                <span key={k.lotId}>
                  {n > 0 ? ', ' : ''}
                  {keptWords(k, k.pieces)} of{' '}
                  <Link href={`/kept/${k.lotId}`} className="font-semibold text-rim underline">
                    {lotName(k)}
                  </Link>
                  {k.state === 'batter' ? '' : `, ${KEPT_STATE_WORDS[k.state]}`}
                </span>
              ))}
              : they have left their lot for it.
            </p>
          ) : null}
          <ChangesPart batch={b} covers={coversHere} undo={undoSwapsHere} again={batchAgain} />
          <TakenView batch={b} lots={lots} taken={takenSaid(b, house)} putBack={untakeBatch} />
          {b.sheet.some((l) => l.parts) ? (
            <AfterSheet
              notice={`/batches/${b.id}/notice`}
              lines={linesOfSheet(b.sheet, find)}
              split={b.split}
              takes={linesOfSheet(offTheShelf(b.sheet), find)}
              shelf={withTaken(stock, b.deductions)}
              units={house.units}
              pieces={b.piecesPlanned}
              piecesName={pieces}
              covers={
                b.driver.by === 'guests' ? b.driver.guests * (b.split.by === 'kits' ? mixesIn(b.split) : 1) : null
              }
            />
          ) : null}
        </div>
      </div>
    );
  });
}
