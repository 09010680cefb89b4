import type { Metadata } from 'next';
import { linesOfSheet, offTheShelf, usesOf } from '@/core/batch/sheet';
import { takeOut, withTaken } from '@/core/batch/take-out';
import { findIngredient } from '@/core/pantry/pantry';
import { reach } from '@/server/db/pool';
import { underWay } from '@/server/queries/batches';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { PrintButton } from '@/ui/batch/print-button';
import { TakeOutView } from '@/ui/batch/take-out-view';
import { AwayPage, Frame } from '@/ui/frame/frame';
import { lookOf } from '@/ui/kit/button';
import { Link } from '@/ui/kit/link';
import { PantryParts } from '@/ui/pantry/parts';

export const metadata: Metadata = { title: 'What to get' };

export default async function TakeOutPage() {
  const r = await reach(() => Promise.all([loadHouse(), stockNoted(), underWay()]));
  if (!r.up) return <AwayPage kind={r.kind} here="pantry" />;
  const [house, stock, batches] = r.value;
  const several = batches.length > 1;
  const uses = batches.flatMap((b) =>
    usesOf(
      linesOfSheet(offTheShelf(b.sheet), (id) => findIngredient(id, house.conventions.own)),
      stock,
      several ? b.name : '',
    ),
  );
  return (
    <Frame here="pantry">
      <h1 className="mb-1 text-[26px]">What to get out and buy</h1>
      <div className="print:hidden">
        <PantryParts here={null} />
      </div>
      {batches.length === 0 ? (
        <div className="max-w-xl">
          <p className="mb-4">
            No batch is under way. The list adds up every ingredient over all batches that are: batter, pan and topping
            together.
          </p>
          <Link href="/" className={lookOf('plain')}>
            To the formulas
          </Link>
        </div>
      ) : (
        <div className="grid max-w-4xl gap-4">
          <div className="flex flex-wrap items-center gap-3">
            <p className="min-w-0 flex-1 text-soft">For {batches.map((b) => b.name).join('; ')}.</p>
            <span className="print:hidden">
              <PrintButton />
            </span>
          </div>
          <TakeOutView
            list={takeOut(
              uses,
              withTaken(
                stock,
                batches.flatMap((b) => b.deductions),
              ),
            )}
            units={house.units}
          />
        </div>
      )}
    </Frame>
  );
}
