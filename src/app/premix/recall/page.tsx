import { Download } from 'lucide-react';
import type { Metadata } from 'next';
import { cleanText } from '@/contract/clean';
import { bagsLeft, entryWords, type LotItem, numbersSaid, sayBags, standingUses } from '@/core/premix/premix';
import {
  bagsSaid,
  certaintyOf,
  certaintySaid,
  codeKey,
  codesIn,
  gramsInLots,
  holdersOf,
  recallText,
} from '@/core/premix/recall';
import { grams } from '@/core/quantity/say';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { nearlyCalled, recalled } from '@/server/usecases/premix-lots';
import { PrintButton } from '@/ui/batch/print-button';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { Day } from '@/ui/kit/time';
import { when } from '@/ui/kit/when';

/** "Weir Café (2, and 1 that may be)". */
const holderSaid = (h: ReturnType<typeof holdersOf>[number]): string =>
  `${h.who} (${[...(h.is > 0 ? [sayBags(h.is)] : []), ...(h.may > 0 ? [`${sayBags(h.may)} that may be`] : [])].join(', and ')})`;

export const metadata: Metadata = { title: 'Where a lot went' };

/** From an ingredient's lot to every mix, batch and customer, or from a mix's lot; on one page, for paper too. */
export default async function RecallPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ code?: string | string[] }>;
}) {
  const asked = (await searchParams).code;
  const code = typeof asked === 'string' ? cleanText(asked).trim().slice(0, 40) : '';
  const r = await reach(async () => ({
    house: await loadHouse(),
    recall: code ? await recalled(code) : null,
    near: code ? await nearlyCalled(code) : [],
  }));
  if (!r.up) return <AwayPage kind={r.kind} here="premix" />;
  const { house, recall, near } = r.value;
  const found = recall?.lots ?? [];
  const batches = recall?.batches ?? [];
  const any = found.length + batches.length > 0;
  const written = [
    ...new Set(
      found
        .flatMap((f) => [f.lot.number, ...f.by.flatMap((c) => codesIn(c.lot))])
        .filter((w) => codeKey(w) === codeKey(code)),
    ),
  ];
  const holders = holdersOf(found);
  const gramsWords = (c: LotItem): string => {
    const g = gramsInLots(c, code);
    return g === null ? '' : `, ${grams(g, house.units)}`;
  };
  const numbers = new Set(found.map((f) => f.lot.number)).size;
  return (
    <Frame here="premix">
      <h1 className="mb-3 text-[26px]">Where a lot went</h1>
      <form className="mb-5 flex flex-wrap items-end gap-3 print:hidden">
        <label className="grid gap-1">
          <span className="text-sm font-semibold text-soft">
            Lot of a packet or a mix, a bag’s number, or who has some
          </span>
          <input name="code" defaultValue={code} maxLength={40} className="hold min-h-11 w-72 px-3" />
        </label>
        <button type="submit" className={lookOf('now', 'work')}>
          Find it
        </button>
        {any ? (
          <>
            <PrintButton />
            <a
              href={`/premix/recall/csv?code=${encodeURIComponent(code)}`}
              download
              className={lookOf('plain', 'work')}
            >
              <Download size={20} aria-hidden />
              As a table
            </a>
          </>
        ) : null}
      </form>
      {code === '' ? (
        <p className="max-w-xl text-soft">
          Write what stands on the packet, on a bag (261125-2/7), or a name. It finds every lot made of it, every batch
          those bags went into, and whoever has some.
        </p>
      ) : !any ? (
        <p role="status">Nothing here was made of a lot “{code}”, whichever way it is written.</p>
      ) : (
        <div className="grid gap-5">
          <p className="text-lg" role="status">
            {recall?.by === 'who' ? (
              <>
                <strong>{code}</strong> has bags of {numbers} {numbers === 1 ? 'lot' : 'lots'}.
              </>
            ) : (
              <>
                {recall?.by === 'bag' ? 'Bag' : 'Lot'} <strong>{code}</strong>
                {written.some((w) => w !== code) ? `, written ${written.join(' and ')},` : ''}{' '}
                {recall?.by === 'bag' ? 'is of' : 'is in'} {numbers} {numbers === 1 ? 'lot' : 'lots'} of mix
                {batches.length > 0
                  ? ` and in ${batches.length} ${batches.length === 1 ? 'batch' : 'batches'} mixed without a bag`
                  : ''}
                .{' '}
                {holders.length > 0 ? (
                  <>
                    With: <strong>{holders.map(holderSaid).join(', ')}</strong>.
                  </>
                ) : (
                  'Nobody outside has a bag of it.'
                )}
              </>
            )}
          </p>
          <details className="max-w-3xl print:hidden">
            <summary className="min-h-11 cursor-pointer content-center font-semibold text-rim">
              As text, to copy
            </summary>
            <textarea
              readOnly
              aria-label="What was found, as text"
              rows={Math.min(20, 3 + 4 * found.length)}
              className="hold w-full p-3 text-[15px]"
              value={recallText(code, found, batches, house.units)}
            />
          </details>
          {batches.length > 0 ? (
            <section aria-label="Batches" className="rounded-plate bg-white p-4 print:p-0">
              <h2 className="text-xl">Batches mixed from the packet itself</h2>
              <ul>
                {batches.map((b) => (
                  <li key={`${b.batchId} ${b.id}`} className="border-b border-line py-1">
                    <Link className="font-semibold text-rim underline" href={`/batches/${b.batchId}/plan`}>
                      {b.batchName}
                    </Link>
                    , {when(b.startedAt, house.units)}: {b.name.toLowerCase()}, {b.lot}
                  </li>
                ))}
              </ul>
            </section>
          ) : null}
          {found.map((one) => {
            const { lot, by, uses, bags } = one;
            const stand = standingUses(uses);
            const left = bagsLeft(lot);
            return (
              <section
                key={lot.id}
                aria-label={`Lot ${lot.number}, ${grams(lot.bagG, house.units)}`}
                className="rounded-plate bg-white p-4 print:p-0"
              >
                <h2 className="text-xl">
                  <Link href={`/premix/lots/${lot.id}`} className="text-rim underline">
                    {lot.premixName}, lot {lot.number}
                  </Link>
                </h2>
                <p className="text-soft">
                  Made <Day day={lot.made} />, best before <Day day={lot.bestBefore} />; {lot.bags} bags of{' '}
                  {grams(lot.bagG, house.units)}, {sayBags(left)} here
                  {lot.voidedAt ? '; voided' : ''}.
                  {by.length > 0
                    ? ` By ${by.map((c) => `${c.name.toLowerCase()}, ${c.lot}${gramsWords(c)}`).join('; ')}.`
                    : ''}{' '}
                  {by.length > 0 ? `${bagsSaid(bags) ?? 'Nobody noted which bags: each may be of it'}.` : ''}
                </p>
                {uses.length === 0 ? <p>No bag has left.</p> : null}
                <ul>
                  {uses.map((u) => (
                    <li key={u.id} className={`border-b border-line py-1 ${stand.includes(u) ? '' : 'text-soft'}`}>
                      {u.bags < 0 ? `back ${sayBags(-u.bags)}` : sayBags(u.bags)}, {when(u.usedAt, house.units)}:{' '}
                      {u.batchId && u.bags > 0 ? (
                        <Link className="font-semibold text-rim underline" href={`/batches/${u.batchId}/plan`}>
                          {u.batchName}
                        </Link>
                      ) : (
                        entryWords(u, house.units)
                      )}
                      {u.numbers.length > 0
                        ? `, ${u.numbers.length === 1 ? 'bag' : 'bags'} ${numbersSaid(u.numbers)}`
                        : ''}
                      {stand.includes(u) || u.undoes || u.returns ? '' : ' (taken back)'}
                      {stand.includes(u) && by.length > 0 ? `: ${certaintySaid(certaintyOf(u, one))}` : ''}
                    </li>
                  ))}
                </ul>
              </section>
            );
          })}
        </div>
      )}
      {near.length > 0 ? (
        <p className="mt-5 max-w-2xl rounded-r-hold border-l-8 border-rim bg-white px-3 py-2" role="note">
          Nearly so, and not counted here: look at the packet, and find {near.length === 1 ? 'it' : 'them'} too if it
          may be the same.{' '}
          {near.map((n) => (
            <Link
              key={n}
              href={`/premix/recall?code=${encodeURIComponent(n)}`}
              className="mr-3 inline-flex min-h-9 items-center font-semibold text-rim underline"
            >
              {n}
            </Link>
          ))}
        </p>
      ) : null}
    </Frame>
  );
}
