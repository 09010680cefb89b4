import type { Batch } from '@/core/batch/batch';
import type { Units } from '@/core/quantity/say';
import { counted } from '@/core/quantity/say';
import { Link } from '../kit/link';
import { when } from '../kit/when';
import { type EndActs, EndBatch } from './end-batch';

const TABS = [
  { id: 'plan', name: 'Plan' },
  { id: 'prep', name: 'Prep' },
  { id: 'griddle', name: 'Griddle' },
  { id: 'outcome', name: 'Outcome' },
] as const;

/** The head of a batch and its tabs, in the order of the day. */
export function BatchHead({
  batch,
  here,
  units,
  acts,
}: {
  readonly batch: Batch;
  readonly here: (typeof TABS)[number]['id'];
  readonly units: Units;
  readonly acts: EndActs;
}) {
  return (
    <div className="mb-4 flex flex-wrap items-end gap-x-6 gap-y-2 border-b-2 border-rim print:hidden">
      <div className="min-w-0 pb-2">
        <h1 className="text-[26px] [overflow-wrap:anywhere]">{batch.name}</h1>
        <p className="text-sm text-soft">
          <Link
            className="font-semibold text-rim underline"
            href={`/formulas/${batch.formulaId}?version=${batch.versionNumber}`}
          >
            version {batch.versionNumber}
          </Link>
          , {batch.piecesPlanned ? `${counted(batch.piecesPlanned, 'pieces')}, ` : ''}begun{' '}
          {when(batch.startedAt, units)}
          {batch.putAway ? '; given up' : ''}
        </p>
      </div>
      {batch.finishedAt === null ? <EndBatch batchId={batch.id} name={batch.name} acts={acts} /> : null}
      <nav aria-label="Parts of the batch" className="ml-auto flex flex-wrap gap-1 max-sm:ml-0">
        {TABS.map((t) => (
          <Link
            key={t.id}
            href={`/batches/${batch.id}/${t.id}`}
            aria-current={t.id === here ? 'page' : undefined}
            className={`flex min-h-12 items-center rounded-t-hold border-2 border-b-0 px-5 text-lg max-sm:px-3 font-semibold ${t.id === here ? 'border-rim bg-white text-ink' : 'border-transparent text-rim hover:bg-wash'}`}
          >
            {t.name}
          </Link>
        ))}
      </nav>
    </div>
  );
}
