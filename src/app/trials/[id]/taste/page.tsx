import { notFound } from 'next/navigation';
import { tasteHere } from '@/app/actions';
import { titled } from '@/app/titled';
import { isUuid } from '@/server/api/params';
import { reach } from '@/server/db/pool';
import { kitchenPeople } from '@/server/queries/people';
import { ballotsOf, trialById } from '@/server/queries/trials';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { TasteForm } from '@/ui/trials/taste-form';

export const generateMetadata = titled('trial', 'Tasting');

/** The tasters' screen: letters alone, and nothing of what was picked. */
export default async function TastePage({ params }: { readonly params: Promise<{ id: string }> }) {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(() => Promise.all([trialById(id), ballotsOf(id), kitchenPeople()]));
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  const [trial, ballots, people] = r.value;
  if (!trial?.plan) notFound();
  const { plan, openedAt } = trial;
  return (
    <Frame here="bench" atWork>
      <h1 className="mb-3 text-[26px] [overflow-wrap:anywhere]">Tasting: {trial.name}</h1>
      {openedAt ? (
        <p className="text-lg">The letters are open: nobody tastes blind any more.</p>
      ) : (
        <TasteForm
          trialId={id}
          bowls={plan.ways.map((w) => w.bowl).sort()}
          people={people.map((p) => ({ id: p.id, name: p.name }))}
          maker={plan.maker}
          said={ballots.map(({ taster, tasted }) => ({ taster, tasted }))}
          tell={tasteHere}
        />
      )}
    </Frame>
  );
}
