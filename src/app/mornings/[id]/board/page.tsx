import { notFound, redirect } from 'next/navigation';
import { keepMorningHere, markStepHere, placeMorningHere, previewMorningHere, swapPeopleHere } from '@/app/actions';
import { titled } from '@/app/titled';
import { momentOf, sayWeekday } from '@/core/quantity/day';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { marksOfMorning, morningById } from '@/server/queries/mornings';
import { kitchenPeople } from '@/server/queries/people';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { BoardView } from '@/ui/morning/board-view';
import { boardFacts, markedDone } from '../../load';

export const generateMetadata = titled('morning', 'Board');

interface Props {
  readonly params: Promise<{ id: string }>;
  readonly searchParams: Promise<{ readonly who?: string | string[] }>;
}

export default async function MorningBoardPage({ params, searchParams }: Props) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const { who } = await searchParams;
  const r = await reach(async () => {
    const morning = await morningById(id);
    const rest = [loadHouse(), kitchenPeople(), marksOfMorning(id), morning && boardFacts(morning)] as const;
    return [morning, ...(await Promise.all(rest))] as const;
  });
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const [morning, house, people, marks, facts] = r.value;
  if (!morning) notFound();
  const { plan, schedule, day } = morning;
  if (!plan || !schedule) redirect(`/mornings/${id}`);
  return (
    <Frame here="today" atWork>
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="mr-auto min-w-0 text-[26px] [overflow-wrap:anywhere]">{plan.name || 'A morning'}</h1>
        <Link href={`/mornings/${id}`} className={lookOf('plain')}>
          Change the plan
        </Link>
        <Link href={`/mornings/${id}/close`} className={lookOf('plain')}>
          Close the morning
        </Link>
      </div>
      <BoardView
        id={id}
        plan={plan}
        schedule={schedule}
        done={[...markedDone(marks, day, house.units)]}
        dishes={facts?.dishes ?? []}
        allergens={facts?.allergens ?? []}
        revision={morning.revision}
        people={people}
        rehearsed={morning.closedAt ? null : (facts?.rehearsed ?? null)}
        day={sayWeekday(Date.parse(`${day}T12:00:00Z`), { ...house.units, zone: 'UTC' })}
        midnight={momentOf(day, '00:00', house.units)}
        drawnAt={Date.now()}
        who={typeof who === 'string' ? who : null}
        mark={markStepHere}
        place={placeMorningHere}
        keep={keepMorningHere}
        preview={previewMorningHere}
        swap={swapPeopleHere}
      />
    </Frame>
  );
}
