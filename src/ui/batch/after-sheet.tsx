'use client';
import dynamic from 'next/dynamic';
import { type ReactNode, useState } from 'react';
import type { Split } from '@/core/batch/split';
import { allergensSaid } from '@/core/facts/account';
import { Taps } from '../kit/choice';
import { Opening } from '../kit/opening';
import { AllergensView } from '../shared/allergens';
import type { CostProps } from '../shared/cost-view';

const CostView = dynamic(() => import('../shared/cost-view').then((m) => m.CostView), { loading: Opening });
const GatherView = dynamic(() => import('./gather-view').then((m) => m.GatherView), { loading: Opening });

type Part = 'take-out' | 'cost';

/** What stands behind a sheet: what to take out and buy for it, what it costs and what is in it. */
export function AfterSheet({
  notice,
  takes,
  split,
  children,
  ...props
}: CostProps & {
  readonly notice: string;
  /** What the shelf gives, where that is not all of it. */
  readonly takes?: CostProps['lines'];
  readonly split: Split;
  /** Behind what has to be told. */
  readonly children?: ReactNode;
}) {
  const { lines, shelf, units } = props;
  const [part, setPart] = useState<Part | ''>('');
  return (
    <section aria-label="For this batch" className="grid gap-3 print:hidden">
      <Taps
        label="For this batch"
        value={part}
        optional
        onChange={setPart}
        options={[
          { value: 'take-out', label: 'Get out and buy' },
          { value: 'cost', label: 'Cost and nutrition' },
        ]}
      />
      {part === 'take-out' ? (
        <div className="rounded-plate bg-white p-4">
          <GatherView lines={takes ?? lines} split={split} shelf={shelf} units={units} />
        </div>
      ) : null}
      {part === 'cost' ? (
        <div className="rounded-plate bg-white p-4">
          <CostView {...props} />
        </div>
      ) : null}
      <AllergensView said={allergensSaid(lines)} notice={notice} />
      {children}
    </section>
  );
}
