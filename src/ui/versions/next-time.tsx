import Link from 'next/link';
import { VERDICT_WORDS, type Verdict } from '@/core/batch/batch';
import type { Units } from '@/core/quantity/say';
import { when } from '../when';

export interface Next {
  readonly batchId: string;
  readonly change: string;
  readonly verdict: string | null;
  readonly at: Date;
}

/** What the last making asked to change, where it is needed: before the next. */
export function NextTime({ next, units }: { readonly next: Next | null; readonly units: Units }) {
  if (!next) return null;
  return (
    <section aria-label="Next time" className="mb-3 rounded-r-hold border-l-8 border-butter bg-white px-3 py-2 print:hidden">
      <p className="[overflow-wrap:anywhere]">
        <strong>Next time:</strong> {next.change}{' '}
        <span className="text-soft">
          (
          <Link className="font-semibold text-rim underline" href={`/batches/${next.batchId}/outcome`}>
            {when(next.at, units)}
            {next.verdict ? `, ${VERDICT_WORDS[next.verdict as Verdict].toLowerCase()}` : ''}
          </Link>
          )
        </span>
      </p>
    </section>
  );
}
