import { notFound, redirect } from 'next/navigation';
import { keepMorningHere } from '@/app/actions';
import { titled } from '@/app/titled';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { morningById } from '@/server/queries/mornings';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';
import { RehearsalView } from '@/ui/morning/rehearsal-view';
import { morningNow, plansToRehearse } from '../../load';

export const generateMetadata = titled('morning', 'Rehearsal');

export default async function RehearseMorningPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(async () => {
    const morning = await morningById(id);
    const now = morning?.plan ? await morningNow(morning) : null;
    const plans = morning?.plan && now?.ok ? await plansToRehearse(morning.plan, now.value.shown.solved) : [];
    return [morning, now, plans] as const;
  });
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const [morning, now, plans] = r.value;
  if (!morning) notFound();
  const { plan, revision } = morning;
  if (!plan || !now) redirect(`/mornings/${id}`);
  return (
    <Frame here="today">
      <div className="mb-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="mr-auto min-w-0 text-[26px] [overflow-wrap:anywhere]">
          Rehearsal of {plan.name || 'the morning'}
        </h1>
        <Link href={`/mornings/${id}`} className={lookOf('plain')}>
          Back to the morning
        </Link>
      </div>
      {now.ok ? (
        <RehearsalView id={id} revision={revision} plan={plan} plans={plans} keep={keepMorningHere} />
      ) : (
        <Notice weight="stop" role="alert">
          {now.error.message}
        </Notice>
      )}
    </Frame>
  );
}
