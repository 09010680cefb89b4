import type { Metadata } from 'next';
import { importPantry } from '@/app/pantry/actions';
import { reach } from '@/server/db/pool';
import { ownThings } from '@/server/queries/pantry';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { ImportForm } from '@/ui/pantry/import-form';
import { PantryParts } from '@/ui/pantry/parts';

export const metadata: Metadata = { title: 'Import and export' };

export default async function ImportPage() {
  const r = await reach(ownThings);
  if (!r.up) return <AwayPage kind={r.kind} here="pantry" />;
  return (
    <Frame here="pantry">
      <h1 className="mb-1 text-[26px]">Import and export</h1>
      <PantryParts here="import" />
      <section aria-label="Out" className="mb-6 flex flex-wrap items-center gap-3">
        <a href="/pantry/export" download className={lookOf('plain')}>
          Download the pantry as CSV
        </a>
        <p className="text-soft">
          Every ingredient with its price, stock and dates, and your own with their packets. Brought in again, it
          changes nothing.
        </p>
      </section>
      <section aria-label="In">
        <h2 className="mb-2 text-xl">Import a table</h2>
        <ImportForm own={r.value} take={importPantry} />
      </section>
    </Frame>
  );
}
