import { previewSwapHere, standInForPart, swapHere, workRestAnew } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { noteSacks } from '@/app/premix/actions';
import { titled } from '@/app/titled';
import { unsettled } from '@/core/analyse-formula';
import { waysOf } from '@/core/batch/batch';
import { scriptOfBatch } from '@/core/batch/script-of';
import { batchCautions } from '@/core/day/cautions';
import { kitchenName } from '@/core/pantry/ingredient';
import { findIngredient } from '@/core/pantry/pantry';
import { heldBy } from '@/core/script/held';
import { tapsOf } from '@/server/queries/griddle';
import { sacksOfBatch } from '@/server/queries/lot-tests';
import { versionOfBatch } from '@/server/queries/versions';
import { standInsOf } from '@/server/usecases/change-batch';
import { Unsettled } from '@/ui/batch/unsettled';
import { Cautions } from '@/ui/kit/cautions';
import { eventLogFrom } from '@/ui/live/event-log-from';
import { PacketCodes } from '@/ui/prep/packet-codes';
import { Prep } from '@/ui/prep/prep';

export const generateMetadata = titled('batch', 'Prep');

export default async function PrepPage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'prep', async (batch, house) => {
    const [taps, offers, version, sacks] = await Promise.all([
      tapsOf(batch.id),
      batch.finishedAt ? {} : standInsOf(batch, house),
      versionOfBatch(batch),
      sacksOfBatch(batch.id),
    ]);
    const find = (id: string) => findIngredient(id, house.conventions.own);
    const packets = [...new Set(batch.sheet.filter((l) => !l.lot).flatMap((l) => l.parts?.map((p) => p.id) ?? []))]
      .flatMap((id) => find(id) ?? [])
      .filter((i) => i.id !== 'water');
    const made = batch.swapped ?? version?.formula;
    return (
      <>
        {made && !batch.finishedAt ? (
          <div className="mx-auto mb-4 max-w-5xl">
            <Unsettled
              findings={unsettled(made, house, batch.endId ?? null)}
              back={`/formulas/${batch.formulaId}?version=${batch.versionNumber}`}
            />
          </div>
        ) : null}
        <Prep
          batch={batch}
          house={house}
          script={scriptOfBatch(batch, waysOf(batch, house), find)}
          first={eventLogFrom(batch, taps)}
          held={heldBy(batch.sheet, find)}
          offers={offers}
          anew={workRestAnew}
          swap={swapHere}
          part={standInForPart}
          preview={previewSwapHere}
        />
        <PacketCodes
          batchId={batch.id}
          things={packets.map((i) => ({ id: i.id, name: kitchenName(i) }))}
          noted={sacks}
          note={noteSacks}
        />
        <Cautions list={batchCautions(batch, 'prep', waysOf(batch, house), house, find)} />
      </>
    );
  });
}
