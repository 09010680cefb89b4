import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { keepTryHere } from '@/app/actions';
import { DRILL_WORDS, DRILLS } from '@/core/practice/drills';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { kitchenPeople } from '@/server/queries/people';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { DrillView } from '@/ui/practice/drill-view';

interface Props {
  readonly params: Promise<{ id: string }>;
}
const drillOf = async ({ params }: Props) => {
  const { id } = await params;
  return DRILLS.find((d) => d === id);
};

export async function generateMetadata(props: Props): Promise<Metadata> {
  const id = await drillOf(props);
  return { title: id ? DRILL_WORDS[id].title : 'Drill' };
}

export default async function DrillPage(props: Props) {
  const id = await drillOf(props);
  if (!id) notFound();
  const r = await reach(() => Promise.all([loadHouse(), kitchenPeople()]));
  if (!r.up) return <AwayPage kind={r.kind} here="practice" />;
  const [house, people] = r.value;
  return (
    <Frame here="practice">
      <h1 className="mb-1 text-[26px]">{DRILL_WORDS[id].title}</h1>
      <DrillView id={id} house={house} people={people.map((p) => ({ id: p.id, name: p.name }))} keep={keepTryHere} />
    </Frame>
  );
}
