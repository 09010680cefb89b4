import { ArrowRight } from 'lucide-react';
import Link from 'next/link';
import { type Batch, nextAction } from '@/core/batch/batch';
import type { Units } from '@/core/quantity/say';
import { taken } from '../batch/measure-sheet';
import { lookOf } from '../kit/button';
import { when } from '../when';

/** The batches under way, oldest first, each with its one next action. */
export function UnderWay({ batches, units }: { readonly batches: readonly Batch[]; readonly units: Units }) {
  if (batches.length === 0) return null;
  return (
    <section aria-labelledby="under-way" className="mb-6">
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <h2 id="under-way" className="text-2xl">
          Under way
        </h2>
        <Link href="/pantry/take-out" className={lookOf('bare')}>
          Take-out list
        </Link>
      </div>
      <ul className="grid gap-2 lg:grid-cols-2">
        {batches.map((b) => {
          const next = nextAction(b);
          const weigh = next.do === 'weigh';
          return (
            <li key={b.id} className="flex flex-wrap items-center gap-x-4 gap-y-2 rounded-plate bg-white px-4 py-3">
              <div className="min-w-0 flex-1">
                <h3 className="truncate text-xl">{b.name}</h3>
                <p className="text-sm text-soft">
                  {b.piecesPlanned ? `${b.piecesPlanned} pieces, ` : ''}begun {when(b.startedAt)}
                  {weigh ? `, ${next.left} to weigh` : ''}
                </p>
              </div>
              <Link href={weigh ? `/batches/${b.id}/prep` : `/batches/${b.id}/outcome`} className={`${lookOf('now', 'work')} max-w-full !whitespace-normal`}>
                {weigh ? `Weigh ${taken(next.line, units)} ${next.line.name.toLowerCase()}` : 'Write what came out'}
                <ArrowRight size={20} aria-hidden className="shrink-0" />
              </Link>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
