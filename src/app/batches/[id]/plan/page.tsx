import type { Metadata } from 'next';
import { batchPage } from '@/app/batches/load';
import { grams } from '@/core/quantity/say';
import { MeasureSheet } from '@/ui/batch/measure-sheet';
import { PrintButton } from '@/ui/batch/print-button';

export const metadata: Metadata = { title: 'Plan' };

export default async function BatchPlanPage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'plan', (b) => (
    <div className="mx-auto max-w-4xl">
      <div className="mb-3 print:hidden">
        <PrintButton />
      </div>
      <MeasureSheet
        title={b.name}
        lines={b.sheet}
        about={[
          b.piecesPlanned ? `${b.piecesPlanned} pieces of ${b.portionMl} ml` : '',
          `${grams(b.massG)} of batter`,
          b.exactness === 'exact' ? 'to 0.1 g' : 'whole grams',
          `version ${b.versionNumber}`,
        ]}
      />
    </div>
  ));
}
