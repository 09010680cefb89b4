import type { Batch } from '@/core/batch/batch';
import { proposedIn } from '@/core/batch/weighed';
import { grams, type Units } from '@/core/quantity/say';
import { lookOf } from '../kit/button';
import { Link } from '../kit/link';
import { Notice } from '../kit/notice';

/** Amounts that nobody told, now weighed: a way to make them the formula's. Nothing where there are none. */
export function AsWeighed({ batch, units }: { readonly batch: Batch; readonly units: Units }) {
  const went = proposedIn(batch);
  if (went.length === 0) return null;
  return (
    <div className="mx-auto mb-6 max-w-4xl">
      <Notice weight="note">
        <p>
          Amounts that nobody had told were weighed:{' '}
          {went.map((w) => `${w.name.toLowerCase()} ${grams(w.g, units)}`).join(', ')}.
        </p>
        <Link
          href={`/formulas/${batch.formulaId}?weighed=${batch.id}`}
          className={`${lookOf('plain', 'work')} mt-2 inline-flex`}
        >
          Make them the formula’s
        </Link>
      </Notice>
    </div>
  );
}
