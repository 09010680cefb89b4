'use client';
import { useState } from 'react';
import { typedNumber } from '@/core/quantity/typed';

/**
 * A number that stands in a text and can be typed over: it goes when Enter is pressed or the box is left, and comes
 * back as it was on Esc. What can't be a number of that kind stays in the box, with the reason under it.
 */
export function TypedNumber({
  label,
  value,
  wrong,
  onCommit,
  onEmpty,
  disabled = false,
  className = '',
}: {
  readonly label: string;
  /** As it is said, without its unit. */
  readonly value: string;
  /** Why a number can't be taken; null when it can. */
  readonly wrong: (x: number) => string | null;
  readonly onCommit: (x: number) => void;
  /** Left empty; without it an empty box goes back to what it was. */
  readonly onEmpty?: () => void;
  readonly disabled?: boolean;
  readonly className?: string;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const clean = (typed ?? '').trim();
  const x = typedNumber(clean, 'ml', 'g', '%');
  const reason = typed === null || clean === '' ? null : Number.isFinite(x) ? wrong(x) : 'Write a number.';
  const send = (): void => {
    if (typed === null || reason) return;
    if (clean === '') onEmpty?.();
    else if (typed !== value) onCommit(x);
    setTyped(null);
  };
  return (
    <span className="relative inline-block min-w-0 flex-1">
      <input
        autoComplete="off"
        aria-label={label}
        aria-invalid={reason ? true : undefined}
        data-own-undo={typed === null ? undefined : ''}
        data-number
        inputMode="decimal"
        disabled={disabled}
        value={typed ?? value}
        onFocus={(e) => e.currentTarget.select()}
        onChange={(e) => setTyped(e.target.value.slice(0, 14))}
        onBlur={send}
        onKeyDown={(e) => {
          if (e.key === 'Enter') send();
          else if (e.key === 'Escape') setTyped(null);
          else return;
          e.preventDefault();
          e.stopPropagation();
        }}
        className={`w-full min-w-0 rounded-lg border-2 text-right focus:border-rim focus:bg-white focus:outline-none ${reason ? '!border-berry' : ''} ${className}`}
      />
      {reason ? (
        <span
          role="alert"
          className="absolute top-full right-0 z-10 rounded-hold border-2 border-berry bg-white px-2 py-1 text-sm font-semibold whitespace-nowrap text-berry"
        >
          {reason}
        </span>
      ) : null}
    </span>
  );
}
