import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import {
  COOKED_WORDS,
  KEPT_CAUTION,
  KEPT_STATE_WORDS,
  keptWords,
  leftoverMakes,
  lotName,
  minutesSaid,
  packingOf,
  reheatsOf,
} from '@/core/batch/kept';
import { sayDay } from '@/core/quantity/day';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { keptLot, usesOfKept } from '@/server/queries/kept';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { KeptBook } from '@/ui/kept/kept-book';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { when } from '@/ui/kit/when';
import { NearDay } from '@/ui/shared/near-day';
import { keptBack, keptGone } from '../actions';

export const metadata: Metadata = { title: 'Kept lot' };

/** A kept lot: what there is of it, how it comes back to the plate, and its book. */
export default async function KeptLotPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(() => Promise.all([keptLot(id), usesOfKept(id), loadHouse()]));
  if (!r.up) return <AwayPage kind={r.kind} here="log" />;
  const [lot, uses, house] = r.value;
  if (!lot) notFound();
  return (
    <Frame here="log">
      <h1 className="text-[26px] [overflow-wrap:anywhere]">
        {lotName(lot)} {lot.name}
      </h1>
      <p className="mb-4 text-soft">
        {keptWords(lot, lot.pieces)}
        {lot.state === 'batter' ? '' : `, ${KEPT_STATE_WORDS[lot.state]}, ${COOKED_WORDS[lot.cooked]}`}
        {lot.parcel === null ? '' : `, in parcels of ${lot.parcel}`}, made {sayDay(lot.made, house.units)}
        {lot.place === '' ? '' : `, ${lot.place}`}
      </p>
      <div className="grid max-w-5xl gap-x-10 gap-y-6 lg:grid-cols-2">
        <div className="grid content-start gap-4">
          <p className="text-2xl">
            <strong>{lot.left === 0 ? 'Nothing left' : `${keptWords(lot, lot.left)} left`}</strong>
          </p>
          <p>
            Best by {sayDay(lot.bestBy, house.units)}
            <NearDay bestBy={lot.bestBy} today={house.today} />
          </p>
          {lot.note === '' ? null : <p className="[overflow-wrap:anywhere]">{lot.note}</p>}
          <KeptBook
            lot={lot}
            uses={uses.map((u) => ({
              id: u.id,
              pieces: u.pieces,
              how: u.how,
              who: u.who,
              undone: u.undoneAt !== null,
              into: u.forBatch && u.forName ? { id: u.forBatch, name: u.forName } : null,
              when: when(u.at, house.units),
            }))}
            go={keptGone}
            back={keptBack}
          />
          <p className="flex flex-wrap gap-2">
            <a href={`/kept/${lot.id}/label`} target="_blank" className={lookOf('plain')} rel="noopener">
              {lot.parcel === null ? 'Label (PDF)' : 'Labels, one for each parcel (PDF)'}
            </a>
            {lot.batchId ? (
              <Link href={`/batches/${lot.batchId}/outcome`} className={lookOf('bare')}>
                The batch it is of
              </Link>
            ) : null}
          </p>
        </div>
        <div className="grid content-start gap-4">
          <section aria-label="Packing" className="rounded-plate bg-white p-4">
            <h2 className="mb-1 text-xl">Putting it away</h2>
            <ol className="list-decimal pl-5">
              {packingOf(lot).map((p) => (
                <li key={p}>{p}</li>
              ))}
            </ol>
          </section>
          <section aria-label="Back to the plate" className="rounded-plate bg-white p-4">
            <h2 className="mb-1 text-xl">Back to the plate</h2>
            {lot.state === 'batter' ? (
              <ul className="mb-1 list-disc pl-5">
                {leftoverMakes(lot.kind, null).map((m) => (
                  <li key={m}>{m}</li>
                ))}
              </ul>
            ) : null}
            <dl>
              {reheatsOf(lot).map((h) => (
                <div key={h.by} className="border-b border-line py-1.5 last:border-0">
                  <dt className="font-semibold">
                    {h.by.replace(/^./, (c) => c.toUpperCase())}
                    {minutesSaid(h.minutes) ? `, ${minutesSaid(h.minutes)}` : ''}
                  </dt>
                  <dd className="text-soft">{h.how}</dd>
                </div>
              ))}
            </dl>
          </section>
          <p className="text-[15px] text-soft">{KEPT_CAUTION}</p>
        </div>
      </div>
    </Frame>
  );
}
