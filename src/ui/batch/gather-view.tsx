'use client';
import { fetchedByWave } from '@/core/batch/packs';
import { usesOf } from '@/core/batch/sheet';
import type { Split } from '@/core/batch/split';
import { takeOut } from '@/core/batch/take-out';
import type { CostProps } from '../shared/cost-view';
import { TakeOutView, WavesView } from './take-out-view';

/** What a batch asks for out of stock and what is to buy; the same by wave of mixes. */
export function GatherView({
  lines,
  split,
  shelf,
  units,
}: Pick<CostProps, 'lines' | 'shelf' | 'units'> & { readonly split: Split }) {
  return (
    <>
      <TakeOutView list={takeOut(usesOf(lines, shelf), shelf)} units={units} />
      <WavesView waves={fetchedByWave(lines, split, shelf)} units={units} />
    </>
  );
}
