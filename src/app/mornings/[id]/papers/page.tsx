import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { titled } from '@/app/titled';
import { SHARED } from '@/core/batch/notice';
import { takeOut } from '@/core/batch/take-out';
import { allergenBoard, besidesOf, linesOfBeside, usesOfMorning } from '@/core/morning/papers';
import { sayLongDay } from '@/core/quantity/day';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { morningById } from '@/server/queries/mornings';
import { stockNoted } from '@/server/queries/pantry';
import { kitchenPeople } from '@/server/queries/people';
import { sides } from '@/server/queries/sides';
import { PrintButton } from '@/ui/batch/print-button';
import { TakeOutView } from '@/ui/batch/take-out-view';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { Notice } from '@/ui/kit/notice';
import { AllergenBoardView } from '@/ui/morning/allergen-board';
import { BesideLines } from '@/ui/morning/beside-lines';
import { Evening, People, Plates, Surfaces } from '@/ui/morning/morning-parts';
import { morningNow } from '../../load';

export const generateMetadata = titled('morning', 'Papers');

/** One paper: on a sheet of its own, with the morning it is of. */
const Paper = ({
  title,
  of,
  children,
}: {
  readonly title: string;
  readonly of: string;
  readonly children: ReactNode;
}) => (
  <section aria-label={title} className="min-w-0 rounded-plate bg-white p-4 print:break-before-page print:p-0">
    <h2 className="text-2xl">{title}</h2>
    <p className="mb-2 text-soft">{of}</p>
    {children}
  </section>
);

export default async function MorningPapersPage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(async () => {
    const morning = await morningById(id);
    return Promise.all([morning, kitchenPeople(), stockNoted(), morning?.plan ? morningNow(morning) : null, sides()]);
  });
  if (!r.up) return <AwayPage kind={r.kind} here="today" />;
  const [morning, people, stock, now, sauces] = r.value;
  if (!morning) notFound();
  const { plan } = morning;
  const back = (
    <Link href={`/mornings/${id}`} className={lookOf('plain', 'work')}>
      Back to the morning
    </Link>
  );
  if (!plan || !now?.ok)
    return (
      <Frame here="today">
        <Notice weight="stop" role="alert">
          {now && !now.ok
            ? now.error.message
            : 'The plan of this morning can’t be read: it stays in the records as it is.'}
        </Notice>
        {back}
      </Frame>
    );
  const { made, house, shown } = now.value;
  const day = sayLongDay(Date.parse(`${morning.day}T12:00:00Z`), { ...house.units, zone: 'UTC' });
  const covers = plan.waves.reduce((a, w) => a + w.covers, 0);
  const of = `${plan.name || 'A morning'}, ${day}, ${covers} covers`;
  const all = { plan, people, ...shown };
  const besides = besidesOf(plan, sauces);
  const named = plan.sides.filter((s) => !besides.some((b) => b.side.id === s.sideId));
  return (
    <Frame here="today">
      <div className="mb-3 flex flex-wrap items-center gap-3 print:hidden">
        <h1 className="mr-auto text-[26px] [overflow-wrap:anywhere]">Papers of {plan.name || 'a morning'}</h1>
        <PrintButton />
        {back}
      </div>
      <div className="grid gap-4 print:block">
        <section aria-label="Run of service" className="grid gap-3">
          <h2 className="text-2xl">Run of service</h2>
          <p className="text-soft">{of}</p>
          {shown.solved.unmet.map((u) => (
            <p key={u.what} className="font-semibold text-berry">
              {u.what}
            </p>
          ))}
          <Plates {...all} />
          <Evening {...all} />
          <Surfaces {...all} />
        </section>
        <People {...all} sheets={id} />
        <Paper title="What to get" of={of}>
          <TakeOutView
            list={takeOut(usesOfMorning(made, shown.solved.bowls, house, stock, besides), stock)}
            units={house.units}
          />
          {besides.map((b) => (
            <BesideLines key={b.side.id} of={b} lines={linesOfBeside(b, house)} />
          ))}
          {named.length > 0 ? (
            <p className="mt-2 text-soft">Besides, for {named.map((s) => s.name).join(', ')}: as each is made.</p>
          ) : null}
        </Paper>
        <Paper title="Allergens" of={of}>
          <AllergenBoardView board={allergenBoard(made, house, besides)} />
          <p className="mt-2 text-sm text-soft">
            From a table of ingredients, pan fat and toppings among them; packets differ, and change. {SHARED}{' '}
            {named.length > 0 ? `Not on this sheet: ${named.map((s) => s.name).join(', ')}. ` : ''}The law on what
            guests are told is your local food code’s.
          </p>
        </Paper>
      </div>
    </Frame>
  );
}
