import type { Metadata, Viewport } from 'next';
import { headers } from 'next/headers';
import type { ReactNode } from 'react';
import { setHouse } from '@/app/actions';
import { wayIn } from '@/app/way-in';
import { scalesOf } from '@/core/pantry/gear';
import { FRESH_UNITS } from '@/core/quantity/say';
import { reach } from '@/server/db/pool';
import { heardLast } from '@/server/live/changes';
import { lastHouse, loadHouse } from '@/server/queries/house';
import { kitchenPeople } from '@/server/queries/people';
import { FocusKeeper, UnderWayBar } from '@/ui/frame/focus-keeper';
import { PEOPLE_LIST } from '@/ui/kit/field';
import { GearProvider } from '@/ui/kit/gear';
import { Toasts } from '@/ui/kit/toasts';
import { TypedEarly } from '@/ui/kit/typed-early';
import { UnitsProvider } from '@/ui/kit/units';
import { UnreadableNotice } from '@/ui/kit/unreadable';
import { Follower } from '@/ui/live/follower';
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
  if (wayIn(await headers()) === 'outside')
    return (
      <html lang="en-GB">
        <body>{children}</body>
      </html>
    );
  const drawnAt = heardLast();
  const r = await reach(() => Promise.all([loadHouse(), kitchenPeople()]));
  const [here, people] = r.up ? r.value : [null, []];
  const house = here ?? lastHouse();
  const units = house?.units ?? FRESH_UNITS;
  return (
    <html lang="en-GB">
      <body>
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
      </body>
    </html>
  );
}
