import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { reach } from '@/server/db/pool';
import { tapsOf } from '@/server/queries/griddle';
import { loadHouse } from '@/server/queries/house';
import { batchesAt, boardFactsOf, dayOf, mapsInUse, touchedBefore } from '@/server/usecases/day';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { HeatCaution, TouchedNotice } from '@/ui/griddle/notices';
import { SharedBoard } from '@/ui/griddle/shared-board';
import { eventLogFrom } from '@/ui/live/event-log-from';

export const metadata: Metadata = { title: 'All on one griddle' };

/** One griddle, iron or pan with the pieces of every batch that is made on it. */
export default async function SharedGriddlePage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  const r = await reach(async () => {
    const house = await loadHouse();
    const gear = house.gear.find((g) => g.id === decodeURIComponent(id));
    if (!gear) return null;
    const places = await mapsInUse();
    const batches = await Promise.all(
      (await batchesAt(gear)).map(async (b) => {
        const [day, taps, touched] = await Promise.all([
          dayOf(b, house),
          tapsOf(b.id),
          touchedBefore(b, house, [gear.id]),
        ]);
        return { facts: boardFactsOf(b, day, house, places), first: eventLogFrom(b, taps), touched };
      }),
    );
    return { gear, batches };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  if (!r.value) notFound();
  const { gear, batches } = r.value;
  const touched = batches.flatMap((b) => b.touched.map((t) => ({ ...t, of: b.facts.batch.name })));
  return (
    <Frame here="today" atWork>
      <h1 className="mb-3 text-[26px] [overflow-wrap:anywhere]">{gear.name}</h1>
      <TouchedNotice touched={touched.map((t) => ({ ...t, id: `${t.of} ${t.batchId}`, where: gear.name }))} />
      {batches.length === 0 ? (
        <p className="text-lg">No batch that is made on it is under way.</p>
      ) : (
        <SharedBoard id={gear.id} batches={batches.map(({ facts, first }) => ({ facts, first }))} />
      )}
      <div className="mt-4">
        <HeatCaution />
      </div>
    </Frame>
  );
}
