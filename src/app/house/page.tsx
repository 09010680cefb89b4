import type { Metadata } from 'next';
import { careBackHere, erasePersonHere, keepPersonHere, noteCareHere, setHouse } from '@/app/actions';
import { CARED, careOf } from '@/core/pantry/care';
import { ownFill } from '@/core/pantry/fill';
import { zonesWith } from '@/core/quantity/day';
import { reach } from '@/server/db/pool';
import { careNotes } from '@/server/queries/care';
import { loadHouse } from '@/server/queries/house';
import { kitchenPeople } from '@/server/queries/people';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { CareView } from '@/ui/house/care-view';
import { HouseForm } from '@/ui/house/house-form';
import { PeoplePart } from '@/ui/house/people-part';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { when } from '@/ui/kit/when';

export const metadata: Metadata = { title: 'House' };

export default async function HousePage() {
  const r = await reach(() => Promise.all([loadHouse(), careNotes(), kitchenPeople()]));
  if (!r.up) return <AwayPage kind={r.kind} here="house" />;
  const [house, notes, people] = r.value;
  const cared = house.gear.filter((g) => CARED.includes(g.sort));
  return (
    <Frame here="house">
      <div className="mb-1 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-[26px]">How this house measures and mixes</h1>
        <Link href="/house/learned" className={lookOf('plain')}>
          What was learned
        </Link>
        <Link href="/house/devices" className={lookOf('plain')}>
          Devices
        </Link>
        <Link href="/house/records" className={lookOf('plain')}>
          Records and backups
        </Link>
      </div>
      <HouseForm
        house={house}
        zones={zonesWith(house.units.zone)}
        weighed={ownFill(house.conventions) !== null}
        save={setHouse}
      >
        <PeoplePart people={people} keep={keepPersonHere} erase={erasePersonHere} />
        {cared.length > 0 ? (
          <CareView
            gear={cared.map((g) => ({
              id: g.id,
              name: g.name,
              says: careOf(notes.filter((n) => n.gearId === g.id)).says,
            }))}
            notes={notes.map((n) => ({
              id: n.id,
              gearId: n.gearId,
              what: n.what,
              batchId: n.batchId,
              undone: n.undone,
              when: when(n.at, house.units),
            }))}
            note={noteCareHere}
            back={careBackHere}
          />
        ) : null}
      </HouseForm>
    </Frame>
  );
}
