'use client';
import { useState } from 'react';
import { localDay, localTime, momentOf } from '@/core/quantity/day';
import { DayField, TimeField } from '../kit/date-fields';
import { useUnits } from '../units';

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
  const units = useUnits();
  const [typed, setTyped] = useState<{ readonly of: number; readonly date: string; readonly time: string } | null>(null);
  const shown = typed && typed.of === at ? typed : { of: at, date: localDay(at, units), time: localTime(at, units) };
  const put = (part: { readonly date?: string; readonly time?: string }): void => {
    const next = { ...shown, ...part };
    setTyped(next);
    const to = momentOf(next.date, next.time, units);
    if (told(to) && to !== at) onAt(to);
  };
  const wrong = !told(momentOf(shown.date, shown.time, units));
  return (
    <div className="flex items-end gap-2">
      <TimeField
        label={label}
        value={shown.time}
        disabled={disabled}
        onTime={(time) => put({ time })}
        error={wrong ? 'A time and a day.' : undefined}
        className="w-32"
        inputClass="text-xl font-semibold"
      />
      <DayField label="on" aria-label={`${label}, day`} value={shown.date} disabled={disabled} onDay={(date) => put({ date })} className="w-40" />
    </div>
  );
}
