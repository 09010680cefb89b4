import type { Metadata } from 'next';
import { tickLine, weighLine, workRestAnew } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { Prep } from '@/ui/batch/prep';

export const metadata: Metadata = { title: 'Prep' };

export default async function PrepPage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'prep', (batch, house) => <Prep batch={batch} house={house} tick={tickLine} weigh={weighLine} anew={workRestAnew} />);
}
