import type { Metadata } from 'next';
import { bagsLeft, firstToUse, isPast, leftBySize, sayBags } from '@/core/premix/premix';
import { grams } from '@/core/quantity/say';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { openLots, premixes } from '@/server/queries/premixes';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { BestBy } from '@/ui/premix/best-by';

export const metadata: Metadata = { title: 'Premix' };

export default async function PremixPage() {
  const r = await reach(() => Promise.all([premixes(), openLots(), loadHouse()]));
  if (!r.up) return <AwayPage kind={r.kind} here="premix" />;
  const [all, made, house] = r.value;
  return (
    <Frame here="premix">
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-[26px]">Premix</h1>
          <p className="text-soft">
            The dry side of a formula as a bag: its lots, its labels, and what it asks for at the bench.
          </p>
        </div>
        <div className="flex flex-wrap gap-2">
          <Link href="/premix/recall" className={lookOf('plain')}>
            Where a lot went
          </Link>
          <Link href="/premix/foreign" className={lookOf('plain')}>
            A bought mix
          </Link>
          <Link href="/premix/new" className={lookOf('now')}>
            New premix
          </Link>
        </div>
      </div>
      {all.length === 0 ? (
        <p className="max-w-xl">
          None yet. Choose one of your formulas: its dry side becomes a bag, with what is added to it at the bench.
        </p>
      ) : (
        <table data-cards className="w-full text-left">
          <caption className="sr-only">Premixes</caption>
          <thead className="border-b-2 border-rim text-sm text-soft">
            <tr>
              <th scope="col" className="py-1 pr-4">
                Premix
              </th>
              <th scope="col" className="pr-4">
                A bag
              </th>
              <th scope="col" className="pr-4">
                Bags there are
              </th>
              <th scope="col">Use first</th>
            </tr>
          </thead>
          <tbody>
            {all.map((p) => {
              const own = made.filter((l) => l.premixId === p.id);
              const first = firstToUse(own, house.today).find((l) => !isPast(l, house.today));
              const left = leftBySize(own);
              return (
                <tr key={p.id} className="border-b border-line">
                  <th scope="row" className="font-normal py-2 pr-4">
                    <Link
                      href={`/premix/${p.id}`}
                      className="inline-flex min-h-9 items-center font-semibold text-rim underline [overflow-wrap:anywhere]"
                    >
                      {p.name}
                    </Link>
                  </th>
                  <td data-label="A bag" className="pr-4 whitespace-nowrap">
                    {grams(p.settings.bagG, house.units)}
                  </td>
                  <td data-label="Bags there are" className="pr-4">
                    {left.length === 0 ? (
                      <span className="text-soft">none</span>
                    ) : (
                      left.map((x) => `${sayBags(x.bags)} of ${grams(x.bagG, house.units)}`).join(', ')
                    )}
                  </td>
                  <td data-label="Use first">
                    {first ? (
                      <>
                        <Link
                          href={`/premix/lots/${first.id}`}
                          className="inline-flex min-h-9 items-center font-semibold text-rim underline"
                        >
                          lot {first.number}
                        </Link>
                        , {sayBags(bagsLeft(first))} of {grams(first.bagG, house.units)} left,{' '}
                        <BestBy date={first.bestBefore} today={house.today} />
                      </>
                    ) : null}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      )}
    </Frame>
  );
}
