'use client';
import type { ComponentProps } from 'react';
import { type Batch, waysOf } from '@/core/batch/batch';
import { bowlOf } from '@/core/day/bowl';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { findIngredient } from '@/core/pantry/pantry';
import { miseOf } from '@/core/prep/mise';
import { MiseView } from './mise-view';

/** Setting out: what the batch asks for, worked out when this stage is looked at. */
export function MiseStage({
  batch,
  house,
  ...view
}: Omit<ComponentProps<typeof MiseView>, 'batchId' | 'mise'> & { readonly batch: Batch; readonly house: Kitchen }) {
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const ways = waysOf(batch, house);
  const { analysis } = bowlOf(batch, ways, house, find);
  const mise = miseOf(batch, ways, find, {
    measured: { ...house, exactness: batch.exactness },
    bowls: house.gear.filter((g) => g.sort === 'bowl'),
    mixMl: analysis.volume?.volumeMl ?? null,
  });
  return <MiseView batchId={batch.id} mise={mise} {...view} />;
}
