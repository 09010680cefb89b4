'use client';
import { useState } from 'react';

/**
 * A number on the sheet that can be typed over: it goes when Enter is pressed or the cell is left, and comes back as it was
 * on Esc. What can't be a number of that kind stays in the cell, with the reason.
 */
export function NumberCell({
  label,
  value,
  unit,
  strong = false,
  fixed = null,
  most,
  onCommit,
}: {
  readonly label: string;
  /** As it is said, without its unit. */
  readonly value: string;
  readonly unit: string;
  readonly strong?: boolean;
  /** Why it can't be changed; null: it can. */
  readonly fixed?: string | null;
  readonly most: number;
  readonly onCommit: (x: number) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const clean = (typed ?? '')
    .trim()
    .replace(/[\s\u2009]/g, '')
    .replace(',', '.')
    .replace(/(?:g|%)$/, '');
  const x = Number(clean);
  const wrong =
    typed === null || clean === ''
      ? null
      : !Number.isFinite(x)
        ? 'Write a number.'
        : x <= 0
          ? 'More than nothing, please.'
          : x > most
            ? `At most ${most.toLocaleString('en-GB')}.`
            : null;
  const send = (): void => {
    if (typed === null || wrong) return;
    if (clean !== '' && typed !== value) onCommit(x);
    setTyped(null);
  };
  const weight = strong ? 'font-semibold text-ink' : 'text-soft';
  if (fixed !== null)
    return (
      <span className={`block pr-1 text-right ${weight}`} title={fixed}>
        {value} {unit}
      </span>
    );
  return (
    <span className="relative flex items-baseline justify-end">
      <input
        aria-label={label}
        aria-invalid={wrong ? true : undefined}
        data-own-undo={typed === null ? undefined : ''}
        data-number
        inputMode="decimal"
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
        className={`h-8 w-full min-w-0 rounded-lg border-2 bg-transparent text-right focus:border-rim focus:bg-white focus:outline-none ${weight} ${wrong ? '!border-berry' : 'border-transparent hover:border-line'}`}
      />
      <span className={`ml-0.5 shrink-0 ${weight}`}>{unit}</span>
      {wrong ? (
        <span
          role="alert"
          className="absolute top-8 right-0 z-10 rounded-hold border-2 border-berry bg-white px-2 py-1 text-sm font-semibold whitespace-nowrap text-berry"
        >
          {wrong}
        </span>
      ) : null}
    </span>
  );
}
