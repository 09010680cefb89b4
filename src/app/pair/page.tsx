import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { wayIn } from '@/app/way-in';
import { kitchenDoor } from '@/server/usecases/door';
import { PairView } from '@/ui/house/pair-view';
import { Link } from '@/ui/kit/link';

export const metadata: Metadata = { title: 'Pair this device' };

interface Asked {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

/** The way in from the kitchen's network. Nothing of the kitchen is shown here. */
export default async function PairPage({ searchParams }: Asked) {
  const { code } = await searchParams;
  const way = wayIn(await headers());
  return (
    <main id="page" className="mx-auto grid max-w-xl gap-4 px-4 py-6">
      <h1 className="text-3xl">Even Crumb</h1>
      {way === 'outside' ? (
        <PairView code={typeof code === 'string' ? code.slice(0, 20) : ''} signs={kitchenDoor()?.signs !== false} />
      ) : (
        <p className="text-lg">
          {way === 'own' ? 'This is the server’s own screen: it needs no pairing. ' : 'This device is paired. '}
          <Link href={way === 'own' ? '/house/devices' : '/'} className="font-semibold text-rim underline">
            {way === 'own' ? 'Pair another device' : 'Go on to Today'}
          </Link>
        </p>
      )}
    </main>
  );
}
