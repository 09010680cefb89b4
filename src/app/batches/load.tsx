import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { endBatchHere, putAwayBatch, takeUpBatch } from '@/app/actions';
import { type Batch, VERDICT_WORDS } from '@/core/batch/batch';
import { correctedSince, correctedWords } from '@/core/batch/known';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { differencesOf } from '@/core/judge/differs';
import { findIngredient } from '@/core/pantry/pantry';
import type { Shelf } from '@/core/pantry/stock';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { batchById } from '@/server/queries/batches';
import { triedBy } from '@/server/queries/came-back';
import { loadHouse } from '@/server/queries/house';
import { lotsOfBatch } from '@/server/queries/lot-books';
import { stockNoted } from '@/server/queries/pantry';
import { BatchHead } from '@/ui/batch/tabs';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';
import { UnreadableNotice } from '@/ui/kit/unreadable';
import { when } from '@/ui/kit/when';

/** A page of a batch: loaded, framed, under its tabs. */
export async function batchPage(
  params: Promise<{ id: string }>,
  here: 'plan' | 'prep' | 'griddle' | 'outcome',
  show: (
    batch: Batch,
    house: Kitchen,
    shelf: Shelf,
    lots: Awaited<ReturnType<typeof lotsOfBatch>>,
  ) => ReactNode | Promise<ReactNode>,
): Promise<ReactNode> {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(() => Promise.all([batchById(id), loadHouse(), stockNoted(), lotsOfBatch(id), triedBy(id)]));
  if (!r.up) return <AwayPage kind={r.kind} here="batch" />;
  const [batch, house, stock, lots, tried] = r.value;
  if (!batch) notFound();
  // a change that was meant is claimed only where the batch really is another
  const then = tried ? await reach(() => batchById(tried.batchId)) : null;
  const differs =
    then?.up && then.value
      ? differencesOf(batch, then.value, (x) => findIngredient(x, house.conventions.own), house.units)
      : [];
  const corrected = correctedSince(batch.known ?? {}, (x) => findIngredient(x, house.conventions.own));
  // what a part of the batch loads besides may be out of reach too
  const shown = await reach(async () => show(batch, house, stock, lots));
  if (!shown.up) return <AwayPage kind={shown.kind} here="batch" />;
  return (
    <Frame here="batch" atWork={here === 'prep' || here === 'griddle'}>
      <BatchHead
        batch={batch}
        here={here}
        units={house.units}
        acts={{ away: putAwayBatch, end: endBatchHere, again: takeUpBatch }}
      />
      <UnreadableNotice list={batch.unreadable} />
      {corrected.length > 0 ? (
        <div className="mb-3 print:hidden">
          <Notice weight="stop" role="status">
            Corrected since it was begun: {correctedWords(corrected)}. The{' '}
            <Link href={`/batches/${id}/notice`} className="font-semibold text-rim underline">
              allergen notice
            </Link>{' '}
            says what is known now; a printed one doesn’t.
          </Notice>
        </div>
      ) : null}
      {batch.trialId ? (
        <p className="mb-3 print:hidden">
          A bowl of a trial:{' '}
          <Link href={`/trials/${batch.trialId}`} className="font-semibold text-rim underline">
            to the trial
          </Link>
        </p>
      ) : null}
      {tried && !batch.putAway ? (
        <p className="mb-3 rounded-r-hold border-l-8 border-butter bg-white px-3 py-2 print:hidden">
          <strong>{differs.length > 0 ? 'This batch tries:' : 'To be tried:'}</strong> {tried.change}{' '}
          <span className="text-soft">
            (
            <Link href={`/batches/${tried.batchId}/outcome`} className="font-semibold text-rim underline">
              {when(tried.at, house.units)}
              {tried.verdict ? `, ${VERDICT_WORDS[tried.verdict].toLowerCase()}` : ''}
            </Link>
            )
          </span>{' '}
          {differs.length > 0
            ? `Against that making: ${differs.slice(0, 4).join('; ')}${differs.length > 4 ? ', and more' : ''}.`
            : 'Sheet and ways are as they were then: was it done by hand? Say so in the outcome.'}
        </p>
      ) : null}
      {shown.value}
    </Frame>
  );
}
