import type { Metadata } from 'next';
import { swapHere, tellBook, workRestAnew } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { tapsOf } from '@/server/queries/griddle';
import { standInsOf } from '@/server/usecases/swap';
import { Prep } from '@/ui/batch/prep';
import { eventLogFrom } from '@/ui/day/event-log-from';

export const metadata: Metadata = { title: 'Prep' };

export default async function PrepPage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'prep', async (batch, house) => {
    const [taps, offers] = await Promise.all([tapsOf(batch.id), batch.finishedAt ? {} : standInsOf(batch, house)]);
    return <Prep batch={batch} house={house} first={eventLogFrom(batch, taps)} offers={offers} tell={tellBook} anew={workRestAnew} swap={swapHere} />;
  });
}
