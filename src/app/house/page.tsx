import type { Metadata } from 'next';
import Link from 'next/link';
import { setHouse } from '@/app/actions';
import { zonesWith } from '@/core/quantity/day';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { AwayPage, Frame } from '@/ui/frame';
import { HouseForm } from '@/ui/house/house-form';
import { lookOf } from '@/ui/kit/button';

export const metadata: Metadata = { title: 'House' };

export default async function HousePage() {
  const r = await reach(loadHouse);
  if (!r.up) return <AwayPage kind={r.kind} here="house" />;
  return (
    <Frame here="house">
      <div className="mb-1 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-[26px]">How this house measures and mixes</h1>
        <Link href="/house/records" className={lookOf('plain')}>
          Records and backups
        </Link>
      </div>
      <HouseForm house={r.value} zones={zonesWith(r.value.units.zone)} save={setHouse} />
    </Frame>
  );
}
