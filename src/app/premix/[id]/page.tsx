import { notFound } from 'next/navigation';
import { keepThing } from '@/app/pantry/actions';
import { dropMix, giveUpTheLot, keepMix, makeMixLot, orderTheLot, weighTheLot } from '@/app/premix/actions';
import { titled } from '@/app/titled';
import { bagsLeft, firstToUse, isPast, type Lot, sayBags } from '@/core/premix/premix';
import { grams } from '@/core/quantity/say';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { openWork } from '@/server/queries/lot-works';
import { stockNoted } from '@/server/queries/pantry';
import { hasLots, openLots, usedUpLots } from '@/server/queries/premixes';
import { allergensInMix, carriedOver, newestOf, workedPremix } from '@/server/usecases/premix-lots';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Link } from '@/ui/kit/link';
import { Day } from '@/ui/kit/time';
import { UnreadableNotice } from '@/ui/kit/unreadable';
import { BestBy } from '@/ui/premix/best-by';
import { MakeLot } from '@/ui/premix/make-lot';
import { PremixForm } from '@/ui/premix/premix-form';

export const generateMetadata = titled('premix', 'Premix');

/** The lot an address goes on from. */
const beforeOf = (s: string | string[] | undefined): string | null => (typeof s === 'string' && isUuid(s) ? s : null);

/** The lot that was made last, of those that stand. */
const newestLot = (made: readonly Lot[]): Lot | null =>
  made.filter((l) => !l.voidedAt).sort((a, b) => b.made.localeCompare(a.made) || b.number.localeCompare(a.number))[0] ??
  null;

interface Props {
  readonly params: Promise<{ id: string }>;
  /** `version=newest`: the form is of the formula's newest version, to be kept as the mix's next. */
  readonly searchParams: Promise<{ before?: string | string[]; version?: string | string[] }>;
}

export default async function OnePremixPage({ params, searchParams }: Props) {
  const { id } = await params;
  const asked = await searchParams;
  if (!isUuid(id)) notFound();
  const r = await reach(async () => {
    const house = await loadHouse();
    const kept = await workedPremix(id, house);
    return {
      house,
      kept,
      carried: kept?.worked ? await carriedOver(allergensInMix(kept.worked), house) : null,
      newest: asked.version === 'newest' ? await newestOf(id) : null,
      made: await openLots(id),
      gone: await usedUpLots(id, beforeOf(asked.before)),
      has: await hasLots(id),
      stock: await stockNoted(),
      work: await openWork(id),
    };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="premix" />;
  const { house, kept, made: open, gone, has, stock, newest, work, carried } = r.value;
  if (!kept) notFound();
  const { premix, version, worked } = kept;
  const order = firstToUse(open, house.today);
  const made = [...order, ...gone.rows];
  return (
    <Frame here="premix">
      <h1 className="text-[26px] [overflow-wrap:anywhere]">{premix.name}</h1>
      <UnreadableNotice list={[...premix.unreadable, ...made.flatMap((l) => l.unreadable ?? [])]} />
      <p className="mb-4 text-soft">
        The dry side of{' '}
        <Link
          className="font-semibold text-rim underline"
          href={`/formulas/${version.formulaId}?version=${version.number}`}
        >
          {version.formula.name}, version {version.number}
        </Link>
        {premix.edition > 1 ? `; version ${premix.edition} of the mix` : ''}
        {version.newest > version.number && !newest ? (
          <>
            ; the formula has since come to version {version.newest}:{' '}
            <Link className="font-semibold text-rim underline" href={`/premix/${id}?version=newest`}>
              the mix of that
            </Link>
            {premix.settings.bagged ? ' (without what was put right for this mix alone; it is looked at anew)' : ''}
          </>
        ) : null}
        .
      </p>
      <section aria-label="Lots" className="mb-6">
        <h2 className="mb-1 text-xl">Lots</h2>
        {made.length === 0 ? (
          <p className="text-soft">None made yet.</p>
        ) : (
          <table data-cards className="w-full max-w-4xl text-left">
            <caption className="sr-only">Lots, the first to use in front</caption>
            <thead className="border-b-2 border-rim text-sm text-soft">
              <tr>
                <th scope="col" className="py-1 pr-4">
                  Lot
                </th>
                <th scope="col" className="pr-4">
                  Made
                </th>
                <th scope="col" className="pr-4">
                  Keeps
                </th>
                <th scope="col" className="pr-4 text-right">
                  Bags made
                </th>
                <th scope="col" className="pr-4 text-right">
                  used
                </th>
                <th scope="col" className="text-right">
                  left
                </th>
              </tr>
            </thead>
            <tbody>
              {made.map((l) => (
                <tr key={l.id} className="border-b border-line">
                  <th scope="row" className="font-normal py-1 pr-4">
                    <Link
                      href={`/premix/lots/${l.id}`}
                      className="inline-flex min-h-10 items-center font-semibold text-rim underline"
                    >
                      {l.number}
                    </Link>
                    {l.edition && l.edition !== premix.edition ? (
                      <span className="text-soft"> version {l.edition}</span>
                    ) : null}
                    {l === order[0] && !isPast(l, house.today) ? <strong> use first</strong> : null}
                  </th>
                  <td data-label="Made" className="pr-4 whitespace-nowrap">
                    <Day day={l.made} />
                  </td>
                  <td data-label="Keeps" className="pr-4">
                    <BestBy date={l.bestBefore} today={house.today} />
                  </td>
                  <td data-label="Bags made" className="pr-4 text-right whitespace-nowrap">
                    {l.bags} of {grams(l.bagG, house.units)}
                  </td>
                  <td data-label="Used" className="pr-4 text-right">
                    {l.voidedAt ? 'cancelled' : sayBags(l.used)}
                  </td>
                  <td data-label="Left" className="text-right font-semibold">
                    {sayBags(bagsLeft(l))}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {gone.more ? (
          <Link
            className="mt-2 inline-flex min-h-10 items-center font-semibold text-rim underline"
            href={`/premix/${id}?before=${gone.rows.at(-1)?.id ?? ''}`}
          >
            Older lots
          </Link>
        ) : null}
      </section>
      {worked ? (
        <details className="mb-6 max-w-4xl rounded-plate bg-white p-4" open={!has || work !== null}>
          <summary className="min-h-11 cursor-pointer content-center font-sign text-xl font-extrabold text-rim">
            {work ? 'The lot that is being weighed' : 'Make a lot'}
          </summary>
          <div className="mt-3">
            <MakeLot
              key={JSON.stringify(premix.settings)}
              premixId={premix.id}
              settings={premix.settings}
              worked={worked}
              house={house}
              shelf={stock}
              work={work}
              carried={carried}
              make={makeMixLot}
              weigh={weighTheLot}
              giveUp={giveUpTheLot}
              order={orderTheLot}
            />
          </div>
        </details>
      ) : null}
      <h2 className="mb-3 border-t border-line pt-5 text-xl">
        {newest ? `Bag and bench, of version ${newest.number} of the formula` : 'Bag and bench'}
      </h2>
      <PremixForm
        key={newest?.versionId ?? premix.id}
        id={premix.id}
        versionId={newest?.versionId ?? premix.versionId}
        formula={newest?.formula ?? version.formula}
        was={premix}
        anew={newest !== null}
        hasLots={has}
        house={house}
        shelf={stock}
        last={newestLot(made)}
        keep={keepMix}
        drop={dropMix}
        keepThing={keepThing}
      />
    </Frame>
  );
}
