import { CalendarDays, FileText } from 'lucide-react';
import type { Batch } from '@/core/batch/batch';
import { mixesIn } from '@/core/batch/split';
import { lookOf } from '../kit/button';

/** The same sheet, its shopping list and its labels as PDF. */
export function Prints({ batch }: { readonly batch: Pick<Batch, 'id' | 'split' | 'timeline'> }) {
  const link = (what: string, text: string) => (
    <a href={`/batches/${batch.id}/print/${what}`} target="_blank" rel="noreferrer" className={lookOf('plain', 'work')}>
      <FileText size={20} aria-hidden />
      {text}
      <span className="sr-only"> (PDF, opens in a new tab)</span>
    </a>
  );
  return (
    <>
      {link('sheet', 'Sheet as PDF')}
      {mixesIn(batch.split) > 1
        ? link('sheets', batch.split.by === 'kits' ? 'A sheet for each bench' : 'A sheet for each mix')
        : null}
      {link('cooks', 'A sheet for each prep cook')}
      {link('shopping', 'Shopping list')}
      {link('notice', 'Allergen notice')}
      {link('labels', batch.split.by === 'kits' ? 'Kit labels' : 'Labels for bag and tub')}
      {batch.timeline ? link('timeline', 'Time line') : null}
      {batch.timeline ? (
        <a href={`/batches/${batch.id}/print/calendar`} download className={lookOf('plain', 'work')}>
          <CalendarDays size={20} aria-hidden />
          Calendar file
        </a>
      ) : null}
    </>
  );
}
