import Link from 'next/link';
import { reach } from '@/server/db/pool';
import { underWay } from '@/server/queries/batches';
import { shelf } from '@/server/queries/formulas';
import { loadHouse } from '@/server/queries/house';
import { AwayPage, Frame } from '@/ui/frame';
import { lookOf } from '@/ui/kit/button';
import { Shelf } from '@/ui/today/shelf';
import { UnderWay } from '@/ui/today/under-way';

export default async function Today() {
  const r = await reach(async () => Promise.all([underWay(), shelf(), loadHouse()]));
  if (!r.up) return <AwayPage here="today" />;
  const [batches, rows, house] = r.value;
  return (
    <Frame here="today">
      <h1 className="sr-only">Today</h1>
      <UnderWay batches={batches} units={house.units} />
      {rows.length === 0 ? (
        <section className="mt-14 max-w-xl">
          <h2 className="text-3xl">The shelf is empty</h2>
          <p className="mt-3">Paste a recipe card, in cups or in grams, and it becomes your first formula: weighed, balanced and ready to scale.</p>
          <Link href="/formulas/new" className={`${lookOf('now', 'work')} mt-5`}>
            Paste a card
          </Link>
        </section>
      ) : (
        <Shelf rows={rows.map(({ savedAt: _, ...row }) => row)} />
      )}
    </Frame>
  );
}
