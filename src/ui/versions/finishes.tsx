'use client';
import { type ReactNode, useState } from 'react';
import type { EndId } from '@/core/formula/formula';
import { Taps } from '../kit/choice';

/** Of two finishes the one that is looked at. */
export function Finishes({
  names,
  a,
  b,
}: {
  readonly names: Readonly<Record<EndId, string>>;
  readonly a: ReactNode;
  readonly b: ReactNode;
}) {
  const [end, setEnd] = useState<EndId>('a');
  return (
    <>
      <div className="mb-3">
        <Taps
          label="Finish"
          value={end}
          onChange={(v) => v !== '' && setEnd(v)}
          options={[
            { value: 'a', label: names.a },
            { value: 'b', label: names.b },
          ]}
        />
      </div>
      {end === 'a' ? a : b}
    </>
  );
}
