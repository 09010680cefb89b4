import type { Metadata } from 'next';
import { KEPT_CAUTION, KEPT_STATE_WORDS, keptWords, lotName, toUseFirst } from '@/core/batch/kept';
import { sayDay } from '@/core/quantity/day';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { keptLots } from '@/server/queries/kept';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Link } from '@/ui/kit/link';
import { NearDay } from '@/ui/shared/near-day';

export const metadata: Metadata = { title: 'Kept' };

/** What is frozen, chilled or kept cold, that which has to be used first in front; and what is gone. */
export default async function KeptPage() {
  const r = await reach(() => Promise.all([keptLots(), loadHouse()]));
  if (!r.up) return <AwayPage kind={r.kind} here="log" />;
  const [lots, house] = r.value;
  const there = toUseFirst(lots);
  const gone = lots.filter((l) => l.left <= 0);
  return (
    <Frame here="log">
      <h1 className="mb-1 text-[26px]">Kept</h1>
      <p className="mb-4 max-w-3xl text-soft">
        What is over, or made on purpose, frozen, chilled or kept cold. It is kept from a batch’s outcome.
      </p>
      {lots.length === 0 ? (
        <p className="max-w-xl">
          Nothing is kept. When more comes off the heat than is eaten, open the batch’s outcome in the{' '}
          <Link href="/log" className="font-semibold text-rim underline">
            log
          </Link>
          , and keep what is over.
        </p>
      ) : null}
      {there.length > 0 ? (
        <table data-cards className="w-full max-w-4xl text-left">
          <caption className="sr-only">What there is, to be used first in front</caption>
          <thead className="border-b-2 border-rim text-sm text-soft">
            <tr>
              <th scope="col" className="py-1 pr-4">
                Lot
              </th>
              <th scope="col" className="pr-4">
                What
              </th>
              <th scope="col" className="pr-4">
                Best by
              </th>
              <th scope="col" className="pr-4">
                Where
              </th>
            </tr>
          </thead>
          <tbody>
            {there.map((l) => (
              <tr key={l.id} className="border-b border-line">
                <th scope="row" className="py-2 pr-4">
                  <Link href={`/kept/${l.id}`} className="font-semibold text-rim underline">
                    {lotName(l)} {l.name}
                  </Link>
                </th>
                <td data-label="What" className="pr-4">
                  {keptWords(l, l.left)}
                  {l.state === 'batter' ? '' : `, ${KEPT_STATE_WORDS[l.state]}`}
                </td>
                <td data-label="Best by" className="pr-4 whitespace-nowrap">
                  {sayDay(l.bestBy, house.units)}
                  <NearDay bestBy={l.bestBy} today={house.today} />
                </td>
                <td data-label="Where" className="pr-4">
                  {l.place}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      ) : lots.length > 0 ? (
        <p>All of it is used up.</p>
      ) : null}
      {gone.length > 0 ? (
        <details className="mt-5">
          <summary className="min-h-11 cursor-pointer py-2 font-semibold text-rim">Used up: {gone.length}</summary>
          <ul className="grid gap-1">
            {gone.map((l) => (
              <li key={l.id}>
                <Link href={`/kept/${l.id}`} className="text-rim underline">
                  {lotName(l)} {l.name}
                </Link>
                , {keptWords(l, l.pieces)}
              </li>
            ))}
          </ul>
        </details>
      ) : null}
      <p className="mt-6 max-w-3xl text-[15px] text-soft">{KEPT_CAUTION}</p>
    </Frame>
  );
}
