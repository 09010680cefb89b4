import type { Metadata } from 'next';
import { headers } from 'next/headers';
import { senderOf, wayIn } from '@/app/way-in';
import { leastAt, MAY_WORDS } from '@/contract/roles';
import { reach } from '@/server/db/pool';
import { signers } from '@/server/queries/sign-in';
import { RecordsAway } from '@/ui/frame/away';
import { SignOff } from '@/ui/house/sign-off';
import { SignView } from '@/ui/house/sign-view';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';

export const metadata: Metadata = { title: 'Sign' };

interface Asked {
  readonly searchParams: Promise<Readonly<Record<string, string | string[] | undefined>>>;
}

/** Where people of the kitchen sign on a paired device. */
export default async function SignPage({ searchParams }: Asked) {
  const { to } = await searchParams;
  const asked = typeof to === 'string' && /^\/(?!\/)[\w\-/]{0,200}$/.test(to) ? to : null;
  const head = await headers();
  const who = senderOf(head);
  const r = await reach(signers);
  const people = r.up ? r.value.filter((p) => p.hasPin) : [];
  const here = people.find((p) => p.id === who.person);
  return (
    <main id="page" className="mx-auto grid max-w-xl gap-4 px-4 py-6">
      <h1 className="text-3xl">Even Crumb</h1>
      {!r.up ? <RecordsAway kind={r.kind} /> : null}
      {wayIn(head) === 'own' || (r.up && people.length === 0) ? (
        <p className="text-lg">
          {wayIn(head) === 'own'
            ? 'This is the server’s own screen: nobody signs here. '
            : 'Nobody of this kitchen has a PIN: every paired device can do everything. '}
          <Link href="/" className="font-semibold text-rim underline">
            Go on to Today
          </Link>
        </p>
      ) : null}
      {here && asked ? (
        <Notice weight="look">
          That page is for somebody who {MAY_WORDS[leastAt(asked)]}. {here.name} {MAY_WORDS[here.role]}.
        </Notice>
      ) : null}
      {here ? <SignOff name={here.name} /> : null}
      {people.length > 0 ? (
        <>
          <h2 className="text-xl">{here ? 'Somebody else signs' : 'Who are you?'}</h2>
          <SignView people={people.map(({ id, name, mark }) => ({ id, name, mark }))} to={asked ?? '/'} />
          <p>
            <Link href={here ? '/' : '/table'} className="font-semibold text-rim underline">
              {here ? 'Back to Today' : 'What is served, and what is in it'}
            </Link>
          </p>
          <p className="text-soft">A PIN that is lost is set anew on the server’s own screen: House, Devices.</p>
        </>
      ) : null}
    </main>
  );
}
