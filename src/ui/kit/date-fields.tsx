'use client';
/** Boxes for a day and a time of day, written and read as the house has them. */
import { type ComponentProps, useState } from 'react';
import { dayIn, localDay, momentOf, sayDay, sayTime, timeIn } from '@/core/quantity/day';
import { Field } from './field';
import { useUnits } from './units';

type Common = Omit<ComponentProps<typeof Field>, 'value' | 'onChange' | 'type' | 'inputMode' | 'onBlur'>;

const isDay = (s: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(s);

/** A day. What can't be read stays as it was typed, and is handed on so, for the form to say. */
export function DayField({
  value,
  onDay,
  ...rest
}: Common & { readonly value: string; readonly onDay: (day: string) => void }) {
  const units = useUnits();
  const [typed, setTyped] = useState<{ readonly text: string; readonly of: string } | null>(null);
  const shown = typed && typed.of === value ? typed.text : isDay(value) ? sayDay(value, units) : value;
  return (
    <Field
      {...rest}
      placeholder={`as ${sayDay('2026-11-27', units)}`}
      autoComplete="off"
      value={shown}
      onChange={(e) => {
        const text = e.target.value;
        const day = text.trim() === '' ? '' : (dayIn(text, units, localDay(Date.now(), units)) ?? text);
        setTyped({ text, of: day });
        onDay(day);
      }}
      onBlur={() => setTyped(null)}
    />
  );
}

/** A time of day. @param value hh:mm, or what was typed and is none */
export function TimeField({
  value,
  onTime,
  ...rest
}: Common & { readonly value: string; readonly onTime: (time: string) => void }) {
  const units = useUnits();
  const [typed, setTyped] = useState<{ readonly text: string; readonly of: string } | null>(null);
  const isTime = timeIn(value) === value;
  const shown =
    typed && typed.of === value ? typed.text : isTime ? sayTime(momentOf('2026-01-01', value, units), units) : value;
  return (
    <Field
      {...rest}
      placeholder={`as ${sayTime(momentOf('2026-01-01', '16:05', units), units)}`}
      autoComplete="off"
      value={shown}
      onChange={(e) => {
        const text = e.target.value;
        const time = timeIn(text) ?? text;
        setTyped({ text, of: time });
        onTime(time);
      }}
      onBlur={() => setTyped(null)}
    />
  );
}
