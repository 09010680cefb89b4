import type { Metadata } from 'next';
import { keepThing } from '@/app/pantry/actions';
import { cleanText } from '@/contract/clean';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { PacketForm } from '@/ui/pantry/packet-form';
import { PantryParts } from '@/ui/pantry/parts';

export const metadata: Metadata = { title: 'New ingredient' };

/** `name`: as a card has it. */
export default async function NewIngredientPage({
  searchParams,
}: {
  readonly searchParams: Promise<{ name?: string | string[] }>;
}) {
  const asked = (await searchParams).name;
  const name = typeof asked === 'string' ? cleanText(asked).trim().slice(0, 60) : '';
  const r = await reach(loadHouse);
  if (!r.up) return <AwayPage kind={r.kind} here="pantry" />;
  return (
    <Frame here="pantry">
      <h1 className="mb-1 text-[26px]">New ingredient</h1>
      <PantryParts here={null} />
      <PacketForm key={name} was={null} named={name} house={r.value.conventions} keep={keepThing} />
    </Frame>
  );
}
