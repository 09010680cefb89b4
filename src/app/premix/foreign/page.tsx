import type { Metadata } from 'next';
import { saveFormula } from '@/app/actions';
import { isFlour } from '@/core/pantry/ingredient';
import { everyIngredient } from '@/core/pantry/pantry';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { ForeignMix } from '@/ui/premix/foreign-mix';

export const metadata: Metadata = { title: 'A bought mix' };

export default async function ForeignPage() {
  const r = await reach(loadHouse);
  if (!r.up) return <AwayPage kind={r.kind} here="premix" />;
  const house = r.value;
  const mixes = everyIngredient(house.conventions.own)
    .filter((i) => i.id.startsWith('own-') && isFlour(i) && !i.blend)
    // a leavened one is most likely meant
    .sort((a, b) => Number(b.unknown?.includes('soda') ?? false) - Number(a.unknown?.includes('soda') ?? false));
  return (
    <Frame here="premix">
      <h1 className="text-[26px]">A bought mix</h1>
      <p className="mb-4 text-soft">Known by its panel alone: what it asks for to reach a kind’s zone.</p>
      {mixes.length === 0 ? (
        <div className="grid max-w-xl justify-items-start gap-3">
          <p>
            No packet is in the pantry yet. Enter its panel there, as a flour: then it can be worked with here, and
            stand on any formula’s line.
          </p>
          <Link href="/pantry/new" className={lookOf('now', 'work')}>
            Enter a packet
          </Link>
        </div>
      ) : (
        <ForeignMix mixes={mixes} house={house} save={saveFormula} />
      )}
    </Frame>
  );
}
