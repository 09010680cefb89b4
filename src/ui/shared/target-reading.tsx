'use client';
import type { ReactNode, RefObject } from 'react';
import type { ScaleReading } from '@/core/prep/simulated-scale';
import { standing, type WeighedIn } from '@/core/prep/tolerance';
import { grams, gramsExact } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';

/** The bar shows from nothing to a quarter over the target. */
const BAR_OVER = 1.25;

export const sayWeight = (g: number): string => (Math.abs(g) < 20 ? gramsExact(g) : grams(g));

export interface Shown {
  /** What the scale shows, or what is typed; NaN: nothing yet. */
  readonly shown: number;
  /** Of it, what is of this weighing. */
  readonly reading: number;
  readonly stands: WeighedIn | null;
  readonly off: number | null;
}

/** What is on the scale against what is wanted. @param before g the scale showed when the last thing was in */
export function shownOf(
  typed: string,
  scale: ScaleReading | null,
  before: number,
  target: number,
  tolerance: number,
): Shown {
  const shown = typed.trim() !== '' ? typedNumber(typed) : (scale?.grams ?? Number.NaN);
  const reading = shown - before;
  const none = Number.isNaN(reading);
  return {
    shown,
    reading,
    stands: none ? null : standing(reading, target, tolerance),
    off: none ? null : reading - target,
  };
}

/** A target in figures to be read across the kitchen, the reading beside it, and a bar for both. */
export function TargetReading({
  target,
  tolerance,
  proposed = false,
  more,
  scale,
  now,
  typed,
  box,
  onTyped,
  onEnter,
}: {
  readonly target: number;
  readonly tolerance: number;
  /** Nobody told the amount: it is a proposal. */
  readonly proposed?: boolean;
  /** Said after how far it may be off. */
  readonly more?: ReactNode;
  readonly scale: { readonly on: boolean; readonly stalled: boolean; readonly reading: ScaleReading | null };
  readonly now: Shown;
  readonly typed: string;
  readonly box: RefObject<HTMLInputElement | null>;
  readonly onTyped: (text: string) => void;
  readonly onEnter: () => void;
}) {
  const { reading, stands, off } = now;
  const at = (g: number): number => Math.min(100, Math.max(0, (100 * g) / (target * BAR_OVER)));
  return (
    <>
      <div className="grid grid-cols-2 gap-4 rounded-plate bg-white p-4">
        <p>
          <span className="block text-soft">{proposed ? 'Proposed' : 'Target'}</span>
          <strong className="text-[64px] leading-none whitespace-nowrap">{sayWeight(target)}</strong>
          <span className="block text-soft">
            {proposed ? 'told by nobody' : `allowed ± ${sayWeight(tolerance)}`}
            {more}
          </span>
        </p>
        <div>
          <label htmlFor="weight" className="block text-soft">
            {scale.on && !scale.stalled ? 'On the scale, or typed' : 'What the scale shows'}
          </label>
          <div className="flex items-baseline gap-2">
            <input
              id="weight"
              ref={box}
              inputMode="decimal"
              autoComplete="off"
              aria-describedby="stands"
              className="hold min-h-[72px] w-full min-w-0 px-3 text-right text-[56px] leading-none font-bold placeholder:text-ink"
              placeholder={scale.reading ? String(scale.reading.grams) : ''}
              value={typed}
              onChange={(e) => onTyped(e.target.value.slice(0, 12))}
              onKeyDown={(e) => {
                if (e.key !== 'Enter') return;
                e.preventDefault();
                onEnter();
              }}
            />
            <span className="text-2xl text-soft">g</span>
          </div>
          <p
            id="stands"
            aria-live={typed.trim() !== '' || scale.reading?.stable ? 'polite' : 'off'}
            className="min-h-6 text-lg"
          >
            {typed.trim() !== '' && Number.isNaN(now.shown)
              ? 'Write a number of grams.'
              : scale.reading?.over && typed.trim() === ''
                ? 'More than the scale carries.'
                : off === null
                  ? ''
                  : stands === 'right'
                    ? '✓ close enough'
                    : `${sayWeight(Math.abs(off))} ${off < 0 ? 'to go' : 'too much'}`}
            {scale.reading && !scale.reading.stable && typed.trim() === '' ? ' …' : ''}
          </p>
        </div>
      </div>
      <div aria-hidden className="relative h-6 overflow-hidden rounded-full border-2 border-rim bg-white">
        <span
          className="absolute inset-y-0 left-0 bg-butter"
          style={{ width: `${Number.isNaN(reading) ? 0 : at(reading)}%` }}
        />
        <span
          className="absolute inset-y-0 border-x-2 border-herb"
          style={{ left: `${at(target - tolerance)}%`, width: `${at(target + tolerance) - at(target - tolerance)}%` }}
        />
      </div>
    </>
  );
}
