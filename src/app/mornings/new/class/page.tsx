import type { Metadata } from 'next';
import { keepMorningHere } from '@/app/actions';
import { dayAfter, localDay } from '@/core/quantity/day';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { dishChoices } from '@/server/queries/mornings';
import { kitchenPeople } from '@/server/queries/people';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { ClassForm } from '@/ui/morning/class-form';

export const metadata: Metadata = { title: 'Plan a class' };

/** Pans that a kitchen’s hob takes where nobody says. */
const HOB_PANS = 4;

export default async function NewClassPage() {
  const r = await reach(() => Promise.all([loadHouse(), kitchenPeople(), dishChoices()]));
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const [house, people, choices] = r.value;
  return (
    <Frame here="today">
      <h1 className="mb-1 text-[26px]">Plan a class</h1>
      <p className="mb-3 max-w-prose text-soft">
        Every bench has its own bowl, hands and pan, and makes what its people eat. Times are worked out for all of them
        at once; each bench can have a screen of its own.
      </p>
      <div className="max-w-2xl">
        <ClassForm
          day={dayAfter(house.today ?? localDay(Date.now(), house.units), 1)}
          ovens={1}
          hob={HOB_PANS}
          people={people}
          choices={choices}
          keep={keepMorningHere}
        />
      </div>
    </Frame>
  );
}
