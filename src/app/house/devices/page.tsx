import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { wayIn } from '@/app/way-in';
import { reach } from '@/server/db/pool';
import { devices } from '@/server/queries/devices';
import { loadHouse } from '@/server/queries/house';
import { auditLog, signers, tokens } from '@/server/queries/sign-in';
import { kitchenDoor } from '@/server/usecases/door';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { DevicesView } from '@/ui/house/devices-view';
import { DoorLog } from '@/ui/house/door-log';
import { SignersPart } from '@/ui/house/signers-part';
import { TokensPart } from '@/ui/house/tokens-part';
import { Notice } from '@/ui/kit/notice';
import { when } from '@/ui/kit/when';
import { codeForDevice, endToken, givePin, letOut, takePin, tokenForProgram } from './actions';

export const metadata: Metadata = { title: 'Devices' };

/** Of what was done on the devices the page shows so much; the file has all of it. */
const LAST = 25;

/** Which devices may come in from the kitchen's network, who signs on them, and what was done on them. */
export default async function DevicesPage() {
  const isOwn = wayIn(await headers()) === 'own';
  const r = await reach(() => Promise.all([devices(), loadHouse(), signers(), tokens(), auditLog(LAST)]));
  if (!r.up) return <AwayPage kind={r.kind} here="house" />;
  const [list, { units }, people, programs, done] = r.value;
  const addresses = kitchenDoor()?.addresses ?? [];
  const isOpen = addresses.length > 0 || list.length > 0;
  return (
    <Frame here="house">
      <h1 className="mb-3 text-[26px]">Devices</h1>
      {isOwn ? (
        <div className="grid gap-6">
          <DevicesView
            addresses={addresses}
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
          {isOpen ? (
            <div className="grid items-start gap-6 lg:grid-cols-2">
              <SignersPart people={people} give={givePin} take={takePin} />
              <TokensPart
                tokens={programs.map((t) => ({
                  id: t.id,
                  name: t.name,
                  scope: t.scope,
                  until: when(t.expiresAt, units),
                  isOver: t.expiresAt.getTime() < Date.now(),
                  seen: t.seenAt ? when(t.seenAt, units) : null,
                }))}
                make={tokenForProgram}
                end={endToken}
              />
            </div>
          ) : null}
        </div>
      ) : (
        <Notice weight="look">Devices are paired, and let out, on the server’s own screen.</Notice>
      )}
      {done.length > 0 ? (
        <DoorLog rows={done.map((d) => ({ ...d, at: when(d.doneAt, units) }))} isAll={done.length < LAST} />
      ) : null}
    </Frame>
  );
}
