import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { wayIn } from '@/app/way-in';
import { reach } from '@/server/db/pool';
import { devices } from '@/server/queries/devices';
import { loadHouse } from '@/server/queries/house';
import { kitchenDoor } from '@/server/usecases/door';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { DevicesView } from '@/ui/house/devices-view';
import { Notice } from '@/ui/kit/notice';
import { when } from '@/ui/kit/when';
import { codeForDevice, letOut } from './actions';

export const metadata: Metadata = { title: 'Devices' };

/** Which devices may come in from the kitchen's network, and the code for another. */
export default async function DevicesPage() {
  const isOwn = wayIn(await headers()) === 'own';
  const r = await reach(() => Promise.all([devices(), loadHouse()]));
  if (!r.up) return <AwayPage kind={r.kind} here="house" />;
  const [list, { units }] = r.value;
  return (
    <Frame here="house">
      <h1 className="mb-3 text-[26px]">Devices</h1>
      {isOwn ? (
        <DevicesView
          addresses={kitchenDoor()?.addresses ?? []}
          devices={list.map((d) => ({
            id: d.id,
            name: d.name,
            place: d.place,
            paired: when(d.pairedAt, units),
            seen: d.seenAt ? when(d.seenAt, units) : null,
          }))}
          code={codeForDevice}
          letOut={letOut}
        />
      ) : (
        <Notice weight="look">Devices are paired, and let out, on the server’s own screen.</Notice>
      )}
    </Frame>
  );
}
