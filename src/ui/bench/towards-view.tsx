'use client';
import { useDeferredValue, useMemo } from 'react';
import type { Bench, Proposal } from '@/core/balance/bench';
import { WISHES } from '@/core/balance/moves';
import { Button } from '../kit/button';

/** Wishes in the cook's words; each shows what it would do before it is taken. */
export function TowardsView({ bench, onPropose }: { readonly bench: Bench; readonly onPropose: (proposals: readonly Proposal[]) => void }) {
  const at = useDeferredValue(bench);
  const wishes = useMemo(() => WISHES.map((w) => ({ id: w.id, name: w.name, proposal: w.propose(at) })), [at]);
  return (
    <div>
      <div className="flex flex-wrap gap-2">
        {wishes.map((w) => (
          <Button key={w.id} disabled={w.proposal === null} onClick={() => w.proposal && onPropose([w.proposal])}>
            {w.name}
          </Button>
        ))}
      </div>
      <p className="mt-2 text-sm text-soft">
        A first step, never out of the zone.{' '}
        {wishes.some((w) => w.proposal === null) ? 'What is greyed out stands at its end already, or has nothing to work with.' : ''}
      </p>
    </div>
  );
}
