'use client';
import { useState } from 'react';
import { Field } from '../kit/field';
import { boxesOf, fromBoxes } from './clock';

/** The kitchen's own time: from 2001 on, as the records take it. */
const told = (at: number): boolean => at > 1e12 && at < 1e13;

/** A day and a time in two boxes; it goes when both are one. */
export function Moment({
  label,
  at,
  onAt,
  disabled = false,
}: {
  readonly label: string;
  readonly at: number;
  readonly onAt: (at: number) => void;
  readonly disabled?: boolean;
}) {
  const [typed, setTyped] = useState<{ readonly of: number; readonly date: string; readonly time: string } | null>(null);
  const shown = typed && typed.of === at ? typed : { of: at, ...boxesOf(at) };
  const put = (part: { readonly date?: string; readonly time?: string }): void => {
    const next = { ...shown, ...part };
    setTyped(next);
    const to = fromBoxes(next.date, next.time);
    if (told(to) && to !== at) onAt(to);
  };
  const wrong = !told(fromBoxes(shown.date, shown.time));
  return (
    <div className="flex items-end gap-2">
      <Field
        label={label}
        type="time"
        value={shown.time}
        disabled={disabled}
        onChange={(e) => put({ time: e.target.value })}
        error={wrong ? 'A time and a day.' : undefined}
        inputClass="text-xl font-semibold"
      />
      <Field label="on" type="date" aria-label={`${label}, day`} value={shown.date} disabled={disabled} onChange={(e) => put({ date: e.target.value })} />
    </div>
  );
}
