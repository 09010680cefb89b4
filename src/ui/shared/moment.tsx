'use client';
import { useState } from 'react';
import { localDay, localTime, momentIn, momentOf } from '@/core/quantity/day';
import { DayField, TimeField } from '../kit/date-fields';
import { useUnits } from '../kit/units';

/** The kitchen's own time: from 2001 on, as the records take it. */
const told = (at: number): boolean => at > 1e12 && at < 1e13;

/** A day and a time in two boxes, or both in the first ("Sunday 9"); it goes when both are one. */
export function MomentField({
  label,
  at,
  onAt,
  onWrong,
  disabled = false,
}: {
  readonly label: string;
  readonly at: number;
  readonly onAt: (at: number) => void;
  /** Told whether what stands there can be read. */
  readonly onWrong?: (wrong: boolean) => void;
  readonly disabled?: boolean;
}) {
  const units = useUnits();
  const [typed, setTyped] = useState<{ readonly of: number; readonly date: string; readonly time: string } | null>(
    null,
  );
  const shown = typed && typed.of === at ? typed : { of: at, date: localDay(at, units), time: localTime(at, units) };
  const put = (part: { readonly date?: string; readonly time?: string }): void => {
    const both = momentIn(part.time ?? part.date ?? '', units, localDay(Date.now(), units));
    const next = { ...shown, ...(both ? { date: both.day, time: both.time } : part) };
    setTyped(next);
    const to = momentOf(next.date, next.time, units);
    onWrong?.(!told(to));
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
        error={wrong ? 'A time and a day, as “9:00” and “Sunday”.' : undefined}
        className="w-32"
        inputClass="text-xl font-semibold"
      />
      <DayField
        label="on"
        aria-label={`${label}, day`}
        value={shown.date}
        disabled={disabled}
        onDay={(date) => put({ date })}
        className="w-40"
      />
    </div>
  );
}
