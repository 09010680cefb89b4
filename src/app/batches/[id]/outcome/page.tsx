import type { Metadata } from 'next';
import { saveOutcome } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { OutcomeForm } from '@/ui/batch/outcome';

export const metadata: Metadata = { title: 'Outcome' };

export default async function OutcomePage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'outcome', (batch) => <OutcomeForm batch={batch} save={saveOutcome} />);
}
