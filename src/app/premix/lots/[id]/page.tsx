import { FileText } from 'lucide-react';
import type { Metadata } from 'next';
import Link from 'next/link';
import { notFound } from 'next/navigation';
import { loseBags, useBags } from '@/app/premix/actions';
import { bagsLeft, firstToUse } from '@/core/premix/premix';
import { grams } from '@/core/quantity/say';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { lotById, openLots, usesOfLot } from '@/server/queries/premixes';
import { workedPremix } from '@/server/usecases/premix-lots';
import { AwayPage, Frame } from '@/ui/frame';
import { lookOf } from '@/ui/kit/button';
import { Notice } from '@/ui/kit/notice';
import { BagsOut } from '@/ui/premix/bags-out';
import { BestBy } from '@/ui/premix/best-by';
import { Day } from '@/ui/time';
import { when } from '@/ui/when';

export const metadata: Metadata = { title: 'Lot' };

export default async function LotPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(async () => {
    const [lot, house, stock] = await Promise.all([lotById(id), loadHouse(), stockNoted()]);
    return lot && { lot, house, stock, uses: await usesOfLot(id), kept: await workedPremix(lot.premixId, house), siblings: await openLots(lot.premixId) };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="premix" />;
  if (!r.value) notFound();
  const { lot, house, stock, uses, kept, siblings } = r.value;
  const left = bagsLeft(lot);
  const first = firstToUse(siblings)[0];
  return (
    <Frame here="premix">
      <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-[26px] [overflow-wrap:anywhere]">
            Lot {lot.number}: {lot.premixName}
          </h1>
          <p className="text-soft">
            <Link className="font-semibold text-rim underline" href={`/premix/${lot.premixId}`}>
              The premix
            </Link>
            ; made <Day day={lot.made} />, <BestBy date={lot.bestBefore} today={house.today} />. A quality date: look, smell, and try a spoon in hot water.
          </p>
        </div>
        <a href={`/premix/lots/${lot.id}/labels`} target="_blank" rel="noreferrer" className={lookOf('plain', 'work')}>
          <FileText size={20} aria-hidden />
          Labels<span className="sr-only"> (PDF, opens in a new tab)</span>
        </a>
      </div>
      <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-2">
        <div className="grid gap-6">
          <section aria-label="Bags">
            <h2 className="mb-1 text-xl">Bags</h2>
            <p className="text-lg">
              <strong>{left}</strong> left: {lot.bags} made of {grams(lot.bagG, house.units)}, {lot.used} used.
            </p>
            {first && first.id !== lot.id && left > 0 ? (
              <div className="mt-2">
                <Notice weight="look">
                  <Link className="font-semibold text-rim underline" href={`/premix/lots/${first.id}`}>
                    Lot {first.number}
                  </Link>{' '}
                  is nearer its date (<Day day={first.bestBefore} />
                  ), with {bagsLeft(first)} left: use that first.
                </Notice>
              </div>
            ) : null}
          </section>
          {left > 0 && kept?.worked ? <BagsOut lot={lot} products={kept.worked.products} house={house} shelf={stock} use={useBags} lose={loseBags} /> : null}
        </div>
        <div className="grid gap-6">
          <section aria-label="Where its bags went">
            <h2 className="mb-1 text-xl">Where its bags went</h2>
            {uses.length === 0 ? <p className="text-soft">None has left yet.</p> : null}
            <ul>
              {uses.map((u) => (
                <li key={u.id} className="border-b border-line py-1.5">
                  {u.bags} {u.bags === 1 ? 'bag' : 'bags'}, {when(u.usedAt, house.units)}:{' '}
                  {u.batchId ? (
                    <Link className="font-semibold text-rim underline" href={`/batches/${u.batchId}/plan`}>
                      {u.batchName}
                    </Link>
                  ) : (
                    u.why
                  )}
                </li>
              ))}
            </ul>
          </section>
          <section aria-label="What is in it">
            <h2 className="mb-1 text-xl">What is in it</h2>
            <table className="w-full text-left">
              <thead className="border-b-2 border-rim text-sm text-soft">
                <tr>
                  <th className="py-1 pr-3">Ingredient</th>
                  <th className="pr-3 text-right">Weighed</th>
                  <th>Its lot</th>
                </tr>
              </thead>
              <tbody>
                {lot.contents.map((c) => (
                  <tr key={c.id} className="border-b border-line">
                    <td className="py-1 pr-3">{c.name}</td>
                    <td className="pr-3 text-right font-semibold whitespace-nowrap">{grams(c.grams, house.units)}</td>
                    <td>{c.lot || <span className="text-soft">not noted</span>}</td>
                  </tr>
                ))}
              </tbody>
            </table>
            {lot.checked ? <p className="mt-2">Checked: {lot.checked}</p> : null}
            {lot.note ? <p className="mt-1 [overflow-wrap:anywhere]">{lot.note}</p> : null}
          </section>
        </div>
      </div>
    </Frame>
  );
}
