import type { Metadata } from 'next';
import { setHouse } from '@/app/actions';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { AwayPage, Frame } from '@/ui/frame';
import { HouseForm } from '@/ui/house/house-form';

export const metadata: Metadata = { title: 'House' };

export default async function HousePage() {
  const r = await reach(loadHouse);
  if (!r.up) return <AwayPage here="house" />;
  return (
    <Frame here="house">
      <h1 className="mb-1 text-[26px]">The house’s ways</h1>
      <HouseForm house={r.value} save={setHouse} />
    </Frame>
  );
}
