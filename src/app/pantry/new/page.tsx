import type { Metadata } from 'next';
import { keepThing } from '@/app/pantry/actions';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { AwayPage, Frame } from '@/ui/frame';
import { PacketForm } from '@/ui/pantry/packet-form';
import { PantryParts } from '@/ui/pantry/parts';

export const metadata: Metadata = { title: 'New ingredient' };

export default async function NewIngredientPage() {
  const r = await reach(loadHouse);
  if (!r.up) return <AwayPage kind={r.kind} here="pantry" />;
  return (
    <Frame here="pantry">
      <h1 className="mb-1 text-[26px]">New ingredient</h1>
      <PantryParts here={null} />
      <PacketForm was={null} house={r.value.conventions} keep={keepThing} />
    </Frame>
  );
}
