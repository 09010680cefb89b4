import type { Metadata } from 'next';
import { saveOutcome } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { seenIn } from '@/core/griddle/times';
import { tapsOf } from '@/server/griddle';
import { OutcomeForm } from '@/ui/batch/outcome';

export const metadata: Metadata = { title: 'Outcome' };

export default async function OutcomePage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'outcome', async (batch) => <OutcomeForm batch={batch} seen={seenIn(batch, await tapsOf(batch.id))} save={saveOutcome} />);
}
