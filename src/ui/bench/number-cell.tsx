'use client';
import { TypedNumber } from '../kit/typed-number';

/** A number on the sheet with its unit, to be typed over where it can be changed. */
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
  readonly value: string;
  readonly unit: string;
  readonly strong?: boolean;
  /** Why it can't be changed; null: it can. */
  readonly fixed?: string | null;
  readonly most: number;
  readonly onCommit: (x: number) => void;
}) {
  const weight = strong ? 'font-semibold text-ink' : 'text-soft';
  if (fixed !== null)
    return (
      <span className={`flex items-baseline justify-end border-b border-transparent ${weight}`} title={fixed}>
        <span className="h-8 content-center pr-1">{value}</span> {unit}
      </span>
    );
  return (
    <span className="flex items-baseline justify-end">
      <TypedNumber
        label={label}
        value={value}
        wrong={(x) =>
          x <= 0 ? 'More than nothing, please.' : x > most ? `At most ${most.toLocaleString('en-GB')}.` : null
        }
        onCommit={onCommit}
        className={`h-8 rounded-b-none border-b border-transparent border-b-edge bg-transparent hover:border-line ${weight}`}
      />
      <span className={`ml-0.5 shrink-0 ${weight}`}>{unit}</span>
    </span>
  );
}
