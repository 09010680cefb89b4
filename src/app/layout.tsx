import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { setHouse } from '@/app/actions';
import { senderOf, wayIn } from '@/app/way-in';
import { atLeast, leastAt } from '@/contract/roles';
import { scalesOf } from '@/core/pantry/gear';
import { FRESH_UNITS } from '@/core/quantity/say';
import { reach } from '@/server/db/pool';
import { buildName } from '@/server/live/build';
import { heardLast } from '@/server/live/changes';
import { lastHouse, loadHouse } from '@/server/queries/house';
import { kitchenPeople } from '@/server/queries/people';
import { certificateEnds } from '@/server/queries/sign-in';
import { kitchenDoor } from '@/server/usecases/door';
import { FocusKeeper, UnderWayBar } from '@/ui/frame/focus-keeper';
import { PLACES_OF_THE_FRAME } from '@/ui/frame/places';
import { IdleLock } from '@/ui/frame/signed-here';
import { PEOPLE_LIST } from '@/ui/kit/field';
import { GearProvider } from '@/ui/kit/gear';
import { SignedProvider } from '@/ui/kit/signed';
import { Toasts } from '@/ui/kit/toasts';
import { TypedEarly } from '@/ui/kit/typed-early';
import { UnitsProvider } from '@/ui/kit/units';
import { UnreadableNotice } from '@/ui/kit/unreadable';
import { when } from '@/ui/kit/when';
import { Follower } from '@/ui/live/follower';
import { KeptCopy } from '@/ui/live/kept-copy';
import { Newer } from '@/ui/live/newer';
import { OutboxSender } from '@/ui/live/outbox-sender';
import './globals.css';

// every page carries a fresh nonce for its scripts, so none is built ahead
export const dynamic = 'force-dynamic';

export const metadata: Metadata = {
  title: { default: 'Even Crumb', template: '%s · Even Crumb' },
  description: 'The bench book of a breakfast cook.',
};
export const viewport: Viewport = {
  width: 'device-width',
  initialScale: 1,
  colorScheme: 'light dark',
  themeColor: [
    { media: '(prefers-color-scheme: light)', color: '#f3f6fa' },
    { media: '(prefers-color-scheme: dark)', color: '#10182a' },
  ],
};

export default async function Layout({ children }: { readonly children: ReactNode }) {
  // at the door, before it is let in, a device is shown nothing of the kitchen
  const head = await headers();
  if (wayIn(head) === 'outside')
    return (
      <html lang="en-GB">
        <body>{children}</body>
      </html>
    );
  const who = senderOf(head);
  const drawnAt = heardLast();
  const r = await reach(() =>
    Promise.all([loadHouse(), kitchenPeople(), kitchenDoor()?.signs ? certificateEnds() : null]),
  );
  const [here, people, ends] = r.up ? r.value : [null, [], null];
  const house = here ?? lastHouse();
  const units = house?.units ?? FRESH_UNITS;
  // a device of a house without PINs leads, and nobody signs
  const signs = who.device !== null && (who.person !== null || who.may !== 'lead');
  const person = people.find((p) => p.id === who.person);
  const signed = signs
    ? {
        person: person ? { id: person.id, name: person.name } : null,
        session: who.session,
        locked: who.locked,
        shut: PLACES_OF_THE_FRAME.filter((to) => !atLeast(who.may, leastAt(to))),
      }
    : null;
  return (
    <html lang="en-GB">
      <body data-session={who.session ?? undefined} data-device={who.device ?? undefined} data-build={buildName()}>
        <SignedProvider of={signed}>
          <KeptCopy />
          <Newer />
          {ends ? (
            <p role="status" className="border-b-2 border-rim bg-wash px-4 py-2 text-center font-semibold print:hidden">
              The kitchen’s certificate {ends.getTime() < Date.now() ? 'was good until' : 'is good until'}{' '}
              {when(ends, units)}: start Even Crumb again on its own machine, with a newer one where it was given one.
            </p>
          ) : null}
          <UnitsProvider units={units} scaleless={house !== null && scalesOf(house.gear).length === 0}>
            <GearProvider gear={house?.gear ?? []} save={setHouse}>
              {children}
            </GearProvider>
            <UnreadableNotice list={here?.unreadable ?? []} />
          </UnitsProvider>
          {people.length > 0 ? (
            <datalist id={PEOPLE_LIST}>
              {people.map((p) => (
                <option key={p.id} value={p.name} />
              ))}
            </datalist>
          ) : null}
          <UnderWayBar />
          <FocusKeeper />
          <OutboxSender />
          <Follower drawnAt={drawnAt} />
          <Toasts />
          <TypedEarly />
          <IdleLock />
        </SignedProvider>
      </body>
    </html>
  );
}
