import { notFound } from 'next/navigation';
import { dropMorningHere, keepMorningHere, placeMorningHere } from '@/app/actions';
import { titled } from '@/app/titled';
import { sayWeekday } from '@/core/quantity/day';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { batchesOfMorning, dishChoices, morningById } from '@/server/queries/mornings';
import { kitchenPeople } from '@/server/queries/people';
import { sides } from '@/server/queries/sides';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';
import { BeginMorning } from '@/ui/morning/begin-morning';
import { DropMorning } from '@/ui/morning/drop-morning';
import { MorningForm } from '@/ui/morning/morning-form';
import { MorningView } from '@/ui/morning/morning-view';
import { morningNow } from '../load';

export const generateMetadata = titled('morning', 'Plan of a morning');

export default async function MorningPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(async () => {
    const morning = await morningById(id);
    const plan = morning?.plan ?? null;
    return Promise.all([
      morning,
      loadHouse(),
      kitchenPeople(),
      dishChoices(plan?.dishes.map((d) => d.formulaId)),
      batchesOfMorning(id),
      morning && plan ? morningNow(morning) : null,
      sides(),
    ]);
  });
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const [morning, house, people, choices, begun, now, sauces] = r.value;
  if (!morning) notFound();
  const { plan, revision } = morning;
  return (
    <Frame here="today">
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="min-w-0 text-[26px] [overflow-wrap:anywhere]">{plan?.name || 'A morning'}</h1>
        <p className="text-lg text-soft">
          {sayWeekday(Date.parse(`${morning.day}T12:00:00Z`), { ...house.units, zone: 'UTC' })}
        </p>
        {morning.begunAt ? (
          <Link href={`/mornings/${id}/board`} className={lookOf('now')}>
            To the board
          </Link>
        ) : plan && now?.ok ? (
          <BeginMorning id={id} name={plan.name || 'the morning'} place={placeMorningHere} />
        ) : null}
        {morning.closedAt ? (
          <Link href={`/mornings/${id}/close`} className={lookOf('bare')}>
            What came of it
          </Link>
        ) : null}
        {now?.ok && !morning.closedAt ? (
          <Link href={`/mornings/${id}/rehearse`} className={lookOf('plain')}>
            Rehearse it
          </Link>
        ) : null}
        <Link href={`/mornings/${id}/papers`} className={lookOf('bare')}>
          Papers
        </Link>
        <Link href={`/mornings/new?like=${id}`} className={lookOf('bare')}>
          Copy to another day
        </Link>
        <DropMorning id={id} name={plan?.name || 'this morning'} drop={dropMorningHere} />
      </div>
      {plan ? (
        <div className="grid items-start gap-6 lg:grid-cols-[minmax(0,25rem)_minmax(0,1fr)]">
          <div className="min-w-0 max-lg:order-2">
            <MorningForm
              morning={{ id, revision, plan }}
              day={morning.day}
              of=""
              house={house}
              people={people}
              choices={choices}
              sauces={sauces}
              keep={keepMorningHere}
            />
          </div>
          {now?.ok ? (
            <MorningView
              id={id}
              revision={revision}
              plan={plan}
              {...now.value.shown}
              people={people}
              begun={begun}
              keep={keepMorningHere}
            />
          ) : (
            <Notice weight="stop" role="alert">
              {now?.error.message}
            </Notice>
          )}
        </div>
      ) : (
        <Notice weight="stop" role="alert">
          The plan of this morning can’t be read: it stays in the records as it is.
        </Notice>
      )}
    </Frame>
  );
}
