'use client';
import type { ScaleAct } from '@/core/prep/simulated-scale';
import { Button } from '../kit/button';

/** A hand at the practice scale. */
export function ScalePanel({ target, act }: { readonly target: number; readonly act: (act: ScaleAct) => void }) {
  const pour = (grams: number, label: string) => (
    <Button size="work" onClick={() => act({ do: 'pour', grams })}>
      {label}
    </Button>
  );
  return (
    <section aria-label="Practice scale" className="flex flex-wrap items-center gap-2 rounded-plate bg-white p-3">
      {pour(1, 'pour 1 g')}
      {pour(10, 'pour 10 g')}
      {pour(100, 'pour 100 g')}
      {target >= 0.1 ? pour(Math.round(target * 10) / 10, 'pour the target') : null}
      <Button size="work" onClick={() => act({ do: 'spill', grams: 10 })}>
        take 10 g out
      </Button>
      <Button size="work" onClick={() => act({ do: 'tare' })}>
        tare
      </Button>
      <Button size="work" onClick={() => act({ do: 'clear' })}>
        clear the plate
      </Button>
      <Button size="work" onClick={() => act({ do: 'plug', in: false })}>
        pull the plug
      </Button>
      <Button size="work" onClick={() => act({ do: 'plug', in: true })}>
        plug it in
      </Button>
    </section>
  );
}
