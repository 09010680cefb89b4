import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import type { Batch } from '@/core/batch/batch';
import { batchById } from '@/server/batches';
import { isUuid } from '@/server/params';
import { reach } from '@/server/pool';
import { BatchHead } from '@/ui/batch/tabs';
import { AwayPage, Frame } from '@/ui/frame';

/** A page of a batch: loaded, framed, under its tabs. */
export async function batchPage(params: Promise<{ id: string }>, here: 'plan' | 'prep' | 'outcome', show: (batch: Batch) => ReactNode): Promise<ReactNode> {
  const { id } = await params;
  if (!isUuid(id)) notFound();
  const r = await reach(() => batchById(id));
  if (!r.up) return <AwayPage here="batch" />;
  if (!r.value) notFound();
  return (
    <Frame here="batch">
      <BatchHead batch={r.value} here={here} />
      {show(r.value)}
    </Frame>
  );
}
