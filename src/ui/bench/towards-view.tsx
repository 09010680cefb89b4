'use client';
import { useDeferredValue, useMemo } from 'react';
import type { Bench, Proposal } from '@/core/balance/bench';
import { WISHES } from '@/core/balance/moves';
import { proposalsFor } from '@/core/balance/propose';
import { Button } from '../kit/button';

/** Wishes in the cook's words; each shows what it would do before it is taken. */
export function TowardsView({
  bench,
  onPropose,
}: {
  readonly bench: Bench;
  readonly onPropose: (proposals: readonly Proposal[]) => void;
}) {
  const at = useDeferredValue(bench);
  const wishes = useMemo(
    () => WISHES.map((w) => ({ id: w.id, name: w.name, ...proposalsFor(at, { wish: w.id }) })),
    [at],
  );
  // what lacks a line says which, and how much of it
  const lacking = wishes.flatMap((w) =>
    w.refused.flatMap((r) => (r.add ? [`${w.name}: ${r.why.charAt(0).toLowerCase()}${r.why.slice(1)}`] : [])),
  );
  return (
    <div>
      <div className="flex flex-wrap gap-2">
        {wishes.map((w) => (
          <Button key={w.id} disabled={w.offered.length === 0} onClick={() => onPropose(w.offered)}>
            {w.name}
          </Button>
        ))}
      </div>
      <p className="mt-2 text-sm text-soft">
        A first step, never out of the zone.{' '}
        {wishes.some((w) => w.offered.length === 0)
          ? 'What is greyed out stands at its end already, or has nothing to work with.'
          : ''}
      </p>
      {lacking.length > 0 ? (
        <ul className="mt-1 text-[15px]">
          {lacking.map((l) => (
            <li key={l}>{l}</li>
          ))}
        </ul>
      ) : null}
    </div>
  );
}
