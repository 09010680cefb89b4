'use client';
import { useState } from 'react';
import { SCALE_WORDS, SCALES, type ScaleId, type Scales, STEPS } from '@/core/batch/came-out';
import { capital } from '@/core/quantity/say';
import { CameOutDrawing } from '../drawings/came-out';
import { Button } from '../kit/button';
import { Press } from '../kit/press';

/**
 * What came out, a tap each on drawn scales; tapped again it is left open.
 * @param first scales that stand there at once, the others behind a press; left out: all of them
 */
export function ScalesView({
  scales,
  onScales,
  first = SCALES,
}: {
  readonly scales: Scales;
  readonly onScales: (s: Scales) => void;
  readonly first?: readonly ScaleId[];
}) {
  const [isOpen, setIsOpen] = useState(false);
  const behind = SCALES.filter((id) => !first.includes(id));
  const all = isOpen || behind.some((id) => scales[id] !== undefined);
  const put = (id: ScaleId, step: number): void => {
    const { [id]: had, ...rest } = scales;
    onScales(had === step ? rest : { ...rest, [id]: step });
  };
  return (
    <div className="grid gap-x-6 gap-y-3 md:grid-cols-2">
      {(all ? SCALES : first).map((id) => (
        <fieldset key={id} className="min-w-0">
          <legend className="mb-1 font-semibold first-letter:uppercase">{id}</legend>
          <div className="grid grid-cols-5 gap-1">
            {STEPS.map((step) => {
              const on = scales[id] === step;
              return (
                <Press
                  key={step}
                  type="button"
                  aria-pressed={on}
                  onClick={() => put(id, step)}
                  className={`flex min-h-16 flex-col items-center rounded-hold border bg-white px-0.5 pt-1 pb-1.5 text-rim hover:bg-wash ${on ? 'border-rim !bg-wash ring-2 ring-rim' : 'border-edge'}`}
                >
                  <CameOutDrawing scale={id} step={step} className="h-10 w-full" />
                  <span
                    className={`w-full text-center text-[13px] leading-tight text-ink [overflow-wrap:anywhere] ${on ? 'font-bold' : ''}`}
                  >
                    {on ? '✓ ' : ''}
                    {SCALE_WORDS[id][step - 1]}
                  </span>
                </Press>
              );
            })}
          </div>
        </fieldset>
      ))}
      {all ? null : (
        <Button look="bare" className="!min-h-11 justify-self-start" onClick={() => setIsOpen(true)}>
          {behind.map((id, n) => (n === 0 ? capital(id) : id)).join(', ')} …
        </Button>
      )}
    </div>
  );
}
