import { notFound, redirect } from 'next/navigation';
import { closeMorningHere } from '@/app/actions';
import { titled } from '@/app/titled';
import { VERDICT_WORDS } from '@/core/batch/batch';
import { happenedOf } from '@/core/morning/closing';
import { clockOf } from '@/core/morning/morning';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { batchesOfMorning, marksOfMorning, morningById } from '@/server/queries/mornings';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { ClosingForm } from '@/ui/morning/closing-form';
import { dishesMade, markedDone } from '../../load';

export const generateMetadata = titled('morning', 'Closing');

export default async function CloseMorningPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(async () => {
    const morning = await morningById(id);
    const dishes = morning?.plan ? await dishesMade(morning.plan) : [];
    return [morning, dishes, ...(await Promise.all([loadHouse(), marksOfMorning(id), batchesOfMorning(id)]))] as const;
  });
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const [morning, dishes, house, marks, batches] = r.value;
  if (!morning) notFound();
  const { plan, schedule, day } = morning;
  if (!plan || !schedule) redirect(`/mornings/${id}`);
  const happened = happenedOf(plan, schedule, markedDone(marks, day, house.units));
  const clock = (min: number): string => clockOf(min, house.units.clock);
  return (
    <Frame here="today">
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="mr-auto min-w-0 text-[26px] [overflow-wrap:anywhere]">Closing {plan.name || 'the morning'}</h1>
        <Link href={`/mornings/${id}`} className={lookOf('plain')}>
          Back to the morning
        </Link>
      </div>
      <div className="grid max-w-3xl gap-4">
        <section aria-label="When" className="rounded-plate bg-white p-4">
          <h2 className="mb-1 text-xl">When</h2>
          <ul>
            {happened.waves.map((w) => (
              <li key={w.at}>
                For {clock(w.at)}:{' '}
                {w.over === null
                  ? 'not all plates are marked.'
                  : `the last plate at ${clock(w.over)}${w.over > w.at + 1 ? `, ${Math.round(w.over - w.at)} min late` : ', in time'}.`}
              </li>
            ))}
          </ul>
          {batches.length > 0 ? (
            <ul aria-label="What each batch came to" className="mt-2">
              {batches.map((b) => (
                <li key={b.id} className="border-t border-line py-1">
                  <Link href={`/batches/${b.id}/outcome`} className="font-semibold text-rim underline">
                    {b.name}
                  </Link>
                  {b.made === null && b.pieces === null ? '' : `, ${b.made ?? '–'} of ${b.pieces ?? '–'} pieces`}
                  {b.verdict ? `, ${VERDICT_WORDS[b.verdict].toLowerCase()}` : ', no outcome written'}
                  {b.change ? <span className="block text-soft">Next time: {b.change}</span> : null}
                </li>
              ))}
            </ul>
          ) : null}
        </section>
        <ClosingForm
          id={id}
          name={plan.name || 'the morning'}
          dishes={dishes}
          made={happened.dishes}
          closing={morning.closing}
          close={closeMorningHere}
        />
      </div>
    </Frame>
  );
}
