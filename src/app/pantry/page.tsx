import type { Metadata } from 'next';
import { everyIngredient } from '@/core/pantry/pantry';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { PantryTable } from '@/ui/pantry/pantry-table';
import { PantryParts } from '@/ui/pantry/parts';

export const metadata: Metadata = { title: 'Pantry' };

export default async function PantryPage() {
  const r = await reach(() => Promise.all([loadHouse(), stockNoted()]));
  if (!r.up) return <AwayPage kind={r.kind} here="pantry" />;
  const [house, stock] = r.value;
  return (
    <Frame here="pantry">
      <div className="flex flex-wrap items-start justify-between gap-3">
        <h1 className="mb-1 text-[26px]">Pantry</h1>
        <div className="flex flex-wrap gap-2">
          <Link href="/pantry/take-out" className={lookOf('plain')}>
            What to get
          </Link>
          <Link href="/pantry/new" className={lookOf('plain')}>
            New ingredient
          </Link>
        </div>
      </div>
      <PantryParts here="ingredients" />
      <PantryTable
        ingredients={everyIngredient(house.conventions.own)}
        shelf={stock}
        units={house.units}
        today={house.today ?? ''}
      />
    </Frame>
  );
}
