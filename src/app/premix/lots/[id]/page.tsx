import { FileText } from 'lucide-react';
import { notFound } from 'next/navigation';
import {
  bagsBack,
  bagsGone,
  correctTheLot,
  countTheBags,
  orderTheLot,
  sayTraces,
  strikeTheTest,
  testTheLot,
  undoGone,
  useBags,
  voidTheLot,
  weighTheLot,
} from '@/app/premix/actions';
import { titled } from '@/app/titled';
import { findIngredient } from '@/core/pantry/pantry';
import { bagsOfLot } from '@/core/premix/blended';
import { labelGaps, lacksSince } from '@/core/premix/frozen';
import { LABEL_SIZES } from '@/core/premix/label';
import { bagsLeft, firstToUse, isPast, type Lot, labelWaits, numbersSaid, sayBags } from '@/core/premix/premix';
import { codesIn } from '@/core/premix/recall';
import { addSacks } from '@/core/premix/weigh';
import { grams, money, type Units } from '@/core/quantity/say';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { labelsOf } from '@/server/print/lot';
import { loadHouse } from '@/server/queries/house';
import { changesOfLot, usesOfLot } from '@/server/queries/lot-books';
import { testsOfMix } from '@/server/queries/lot-tests';
import { workById } from '@/server/queries/lot-works';
import { stockNoted } from '@/server/queries/pantry';
import { lotById, openLots, sizesOfLot } from '@/server/queries/premixes';
import { takingsOfLot } from '@/server/queries/stock';
import { frozenLotById, frozenParts, goneFromPantry } from '@/server/usecases/premix-lots';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';
import { Day } from '@/ui/kit/time';
import { when } from '@/ui/kit/when';
import { BagsOut } from '@/ui/premix/bags-out';
import { BestBy } from '@/ui/premix/best-by';
import { LabelFit } from '@/ui/premix/label-fit';
import { LotBlends } from '@/ui/premix/lot-blends';
import { BagsGone, LotBooks } from '@/ui/premix/lot-books';
import { LotChanges } from '@/ui/premix/lot-changes';
import { LotTests } from '@/ui/premix/lot-tests';
import { LotTraces } from '@/ui/premix/lot-traces';

export const generateMetadata = titled('lot', 'Lot');

/** "Weighed in 50,240 g: 50,000 g in bags, 120 g in the sieve, 120 g lost." @param sizes every size of the lot */
function balanceWords(sizes: readonly Lot[], units: Units): string {
  const sum = (of: (l: Lot) => number): number => sizes.reduce((a, l) => a + of(l), 0);
  const inG = sum((l) => l.contents.reduce((a, c) => a + c.grams, 0));
  const restG = sum((l) => l.restG ?? 0);
  const lost = inG - sum((l) => l.bags * l.bagG) - restG;
  const bags = sizes
    .map((l) => `${grams(l.bags * l.bagG, units)} in bags${sizes.length > 1 ? ` of ${grams(l.bagG, units)}` : ''}`)
    .join(', ');
  const off =
    Math.abs(lost) < 1
      ? ''
      : lost > 0
        ? `, ${grams(lost, units)} lost`
        : `; ${grams(-lost, units)} more in bags than was weighed`;
  return `Weighed in ${grams(inG, units)}: ${bags}${restG > 0 ? `, ${grams(restG, units)} in the sieve` : ''}${off}.`;
}

/** One thing as it went in over all sizes of a lot, and of each sack. */
function wentIn(id: string, sizes: readonly Lot[], units: Units): { readonly grams: number; readonly sacks: string } {
  const all = sizes.flatMap((l) => l.contents.filter((c) => c.id === id));
  const sacks = addSacks(all.flatMap((c) => c.sacks ?? []));
  return {
    grams: all.reduce((a, c) => a + c.grams, 0),
    sacks:
      sacks.length > 1 ? sacks.map((s) => `${grams(s.grams, units)} of ${s.lot || 'no lot noted'}`).join(', ') : '',
  };
}

export default async function LotPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(async () => {
    const [house, stock] = await Promise.all([loadHouse(), stockNoted()]);
    const lot = (await frozenLotById(id, house)) ?? (await lotById(id));
    return (
      lot && {
        lot,
        house,
        stock,
        uses: await usesOfLot(id),
        changes: await changesOfLot(id),
        took: await takingsOfLot(id),
        siblings: await openLots(lot.premixId),
        sizes: await sizesOfLot(lot.number),
        tests: await testsOfMix(lot.premixId),
        work: lot.workId ? await workById(lot.workId) : null,
      }
    );
  });
  if (!r.up) return <AwayPage kind={r.kind} here="premix" />;
  if (!r.value) notFound();
  const { lot, house, stock, uses, changes, siblings, took, sizes, work, tests } = r.value;
  const others = sizes.filter((l) => l.id !== lot.id);
  const less = took.filter((t) => t.takenG < t.wantedG - 0.05);
  const { frozen } = lot;
  const find = (x: string) => findIngredient(x, house.conventions.own);
  const products = frozen?.products.map((p) => ({ product: p.product, parts: frozenParts(p, house).parts })) ?? [];
  const gone = frozen?.products.map((p) => goneFromPantry(lot, p, house)).find((g) => g !== null) ?? null;
  const lacking = frozen ? lacksSince(frozen, lot.contents, find) : '';
  const lastBag = lot.firstBag ? lot.firstBag + lot.bags - 1 : null;
  const left = bagsLeft(lot);
  const waits = labelWaits(lot);
  const bags = bagsOfLot(sizes, work);
  const own = bags.filter((b) => b.bagG === lot.bagG).map((b) => b.number);
  const first = firstToUse(siblings, house.today).find((l) => !isPast(l, house.today));
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
            ; made <Day day={lot.made} />, <BestBy date={lot.bestBefore} today={house.today} />. A quality date: look,
            smell, and try a spoon in hot water.
          </p>
        </div>
        {waits ? null : (
          <div className="flex flex-wrap gap-2">
            {(
              [
                ['full', 'Labels'],
                ['front', 'Front labels'],
              ] as const
            ).map(([size, text]) => (
              <a
                key={size}
                href={`/premix/lots/${lot.id}/labels?size=${size}`}
                target="_blank"
                rel="noreferrer"
                className={lookOf('plain', 'work')}
              >
                <FileText size={20} aria-hidden />
                {text}
                <span className="sr-only"> (PDF, opens in a new tab)</span>
              </a>
            ))}
          </div>
        )}
      </div>
      <div className="grid items-start gap-x-10 gap-y-6 lg:grid-cols-2">
        <div className="grid gap-6">
          <section aria-label="Bags">
            <h2 className="mb-1 text-xl">Bags</h2>
            {lot.voidedAt ? (
              <Notice weight="stop">
                Cancelled {when(lot.voidedAt, house.units)} by {lot.voidedBy}: {lot.voidWhy}. Nothing leaves it any
                more.
              </Notice>
            ) : null}
            <p className="text-lg">
              <strong>{sayBags(left)}</strong> left: {lot.bags} made of {grams(lot.bagG, house.units)},{' '}
              {sayBags(lot.used)} used; {grams(left * lot.bagG, house.units)} of mix.
              {own.length > 0 ? ` ${own.length === 1 ? 'Bag' : 'Bags'} ${numbersSaid(own)} of the lot.` : ''}
            </p>
            {others.length > 0 ? (
              <p>
                Of the same lot:{' '}
                {others.map((l, n) => (
                  <span key={l.id}>
                    {n > 0 ? ', ' : ''}
                    <Link className="font-semibold text-rim underline" href={`/premix/lots/${l.id}`}>
                      bags of {grams(l.bagG, house.units)}
                    </Link>{' '}
                    ({sayBags(bagsLeft(l))} left of {l.bags})
                  </span>
                ))}
                .
              </p>
            ) : null}
            {isPast(lot, house.today) && left > 0 ? (
              <Notice weight="look">
                It is past its date. What that means is yours, and the local food code’s, to say.
              </Notice>
            ) : null}
            {first && first.number !== lot.number && left > 0 ? (
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
          {lot.between && lot.between.carried.length > 0 ? (
            <LotTraces lotId={lot.id} between={lot.between} waits={waits} say={sayTraces} />
          ) : null}
          {left > 0 && gone ? <Notice weight="stop">{gone}</Notice> : null}
          {left > 0 && frozen ? (
            <>
              <BagsOut lot={lot} products={products} house={house} shelf={stock} use={useBags} />
              <BagsGone lot={lot} gone={bagsGone} />
            </>
          ) : null}
          {lot.voidedAt ? null : (
            <LotTests lotId={lot.id} number={lot.number} tests={tests} test={testTheLot} strike={strikeTheTest} />
          )}
          <LotChanges
            key={changes.length}
            lot={lot}
            changes={changes}
            correct={correctTheLot}
            voidIt={voidTheLot}
            weighed={[...new Set(work?.weighings.map((w) => w.ingredientId))]}
          />
        </div>
        <div className="grid gap-6">
          {work && work.weighings.length > 0 ? (
            <LotBlends work={work} weighings={work.weighings} bags={bags} weigh={weighTheLot} order={orderTheLot} />
          ) : null}
          <LotBooks lot={lot} uses={uses} undo={undoGone} back={bagsBack} count={countTheBags} />
          <section aria-label="What is in it">
            <h2 className="mb-1 text-xl">What is in it</h2>
            <table data-cards className="w-full text-left">
              <caption className="sr-only">What went in, and of which sack</caption>
              <thead className="border-b-2 border-rim text-sm text-soft">
                <tr>
                  <th scope="col" className="py-1 pr-3">
                    Ingredient
                  </th>
                  <th scope="col" className="pr-3 text-right">
                    Weighed
                  </th>
                  <th scope="col">Its lot</th>
                </tr>
              </thead>
              <tbody>
                {lot.contents.map((c) => {
                  const went = wentIn(c.id, sizes, house.units);
                  return (
                    <tr key={c.id} className="border-b border-line">
                      <th scope="row" className="font-normal py-1 pr-3">
                        {c.name}
                      </th>
                      <td data-label="Weighed" className="pr-3 text-right font-semibold whitespace-nowrap">
                        {grams(went.grams, house.units)}
                      </td>
                      <td data-label="Its lot">
                        {codesIn(c.lot).length === 0 ? <span className="text-soft">not noted</span> : null}
                        {codesIn(c.lot).map((code, n) => (
                          <span key={code}>
                            {n > 0 ? ', ' : ''}
                            <Link
                              className="font-semibold text-rim underline"
                              href={`/premix/recall?code=${encodeURIComponent(code)}`}
                            >
                              {code}
                            </Link>
                          </span>
                        ))}
                        {went.sacks ? <span className="block text-[15px] text-soft">{went.sacks}</span> : null}
                      </td>
                    </tr>
                  );
                })}
              </tbody>
            </table>
            <p className="mt-2">{balanceWords(sizes, house.units)}</p>
            {less.length > 0 ? (
              <p className="mt-2">
                There was less in stock than went in:{' '}
                {less
                  .map(
                    (t) =>
                      `${lot.contents.find((c) => c.id === t.id)?.name ?? t.id} ${grams(t.takenG, house.units)} of ${grams(t.wantedG, house.units)}`,
                  )
                  .join(', ')}
                . Count it, in the pantry.
              </p>
            ) : took.length === 0 ? (
              <p className="mt-2 text-soft">Nothing of it came out of stock.</p>
            ) : null}
            {typeof lot.cost === 'number' ? (
              <p className="mt-2">A bag cost {money(lot.cost, house.units)} to make, as prices were that day.</p>
            ) : null}
            {lot.madeBy ? <p className="mt-2">Made by {lot.madeBy}.</p> : null}
            {lot.checked ? <p className="mt-2">Checked: {lot.checked}</p> : null}
            {lot.note ? <p className="mt-1 [overflow-wrap:anywhere]">{lot.note}</p> : null}
          </section>
          {frozen ? (
            <section aria-label="On its label" className="grid gap-1 rounded-plate bg-white p-4">
              <h2 className="text-xl">On its label</h2>
              {waits
                ? null
                : LABEL_SIZES.map((size) => (
                    <LabelFit
                      key={size}
                      lotId={lot.id}
                      size={size}
                      fit={labelsOf(lot, frozen, lacking, size, lastBag)}
                    />
                  ))}
              {frozen.writtenOn ? (
                <Notice weight="note">
                  Written down on <Day day={frozen.writtenOn} />, from what the house and the product were that day:
                  when this lot was made, nothing of it was kept. Hold it against a bag.
                </Notice>
              ) : null}
              <p>
                Ingredients:{' '}
                {frozen.ingredients.map((x, n) => {
                  const key = `${n} ${x.text}`;
                  return x.strong ? <strong key={key}>{x.text}</strong> : <span key={key}>{x.text}</span>;
                })}
                .
              </p>
              {lacking ? (
                <Notice weight="stop">Corrected since: {lacking}. Labels that are on the bags don’t say so.</Notice>
              ) : null}
              {frozen.contains.length > 0 ? (
                <p className="font-semibold">Contains: {frozen.contains.join(', ')}.</p>
              ) : null}
              {frozen.products.map((p) => (
                <p key={p.title} className="text-[15px]">
                  <strong>{p.title}:</strong> {p.directions}
                </p>
              ))}
              <h3 className="mt-2 text-lg">For you, and not on the bag</h3>
              <ul className="list-disc pl-5 text-[15px]">
                {labelGaps(frozen, lot.contents, find).map((g) => (
                  <li key={g}>{g}</li>
                ))}
              </ul>
            </section>
          ) : null}
        </div>
      </div>
    </Frame>
  );
}
