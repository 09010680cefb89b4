import type { Metadata } from 'next';
import { lessonAsideHere, useLessonHere, usePlacesHere } from '@/app/actions';
import { foretoldName, foretoldNumber, foretoldRange } from '@/core/batch/foretold';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { placesHere, whatWasLearned } from '@/server/usecases/learned';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { LearnedView } from '@/ui/house/learned-view';
import { PlacesPart } from '@/ui/house/places-part';
import { when } from '@/ui/kit/when';

export const metadata: Metadata = { title: 'What was learned' };

/** Every number that the records can teach, how well it would have foretold the past, and its switch. */
export default async function LearnedPage() {
  const r = await reach(async () => {
    const house = await loadHouse();
    const [learned, places] = await Promise.all([whatWasLearned(house), placesHere(house)]);
    return { house, ...learned, places };
  });
  if (!r.up) return <AwayPage kind={r.kind} here="house" />;
  const { house, lessons, foretold, batches, places } = r.value;
  return (
    <Frame here="house">
      <h1 className="mb-1 text-[26px]">What this kitchen has learned</h1>
      <LearnedView
        lessons={lessons.map((l) => ({
          ...l,
          told: l.told.map((t) => ({ ...t, when: when(new Date(t.at), house.units) })),
        }))}
        foretold={{
          ...foretold,
          missed: foretold.missed.map((m) => ({
            key: `${m.batchId} ${m.what}`,
            batchId: m.batchId,
            batch: m.batch,
            when: when(new Date(m.at), house.units),
            says: `${foretoldNumber(m.what, m.seen, house.units)} ${foretoldName(m.what)}, foretold ${foretoldRange(m, house.units) ?? foretoldNumber(m.what, m.value, house.units)}`,
          })),
        }}
        batches={batches}
        use={useLessonHere}
        setAside={lessonAsideHere}
      >
        {places.map((p) => (
          <PlacesPart key={p.gear.id} places={p} use={usePlacesHere} />
        ))}
      </LearnedView>
    </Frame>
  );
}
