'use client';
import { useEffect, useState } from 'react';

/** The clock of the browser: the server's may be another. Null until there is one. */
export function useNow(everyMs: number): readonly [number | null, () => void] {
  const [now, setNow] = useState<number | null>(null);
  useEffect(() => {
    setNow(Date.now());
    const timer = setInterval(() => setNow(Date.now()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return [now, () => setNow(Date.now())];
}

/** "08:40". */
export const timeOfDay = (at: number): string => new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' });

const day = (at: number): string => new Date(at).toDateString();
/** "08:40", with the day where it is another than now. */
export const timeAndDay = (at: number, now: number): string =>
  day(at) === day(now) ? timeOfDay(at) : `${new Date(at).toLocaleDateString('en-GB', { weekday: 'short', day: 'numeric', month: 'short' })} ${timeOfDay(at)}`;

/** As a date box and a time box hold it, here. */
export const boxesOf = (at: number): { readonly date: string; readonly time: string } => {
  const d = new Date(at);
  const two = (n: number): string => String(n).padStart(2, '0');
  return { date: `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`, time: `${two(d.getHours())}:${two(d.getMinutes())}` };
};
/** And back; NaN where it is no time. */
export const fromBoxes = (date: string, time: string): number =>
  /^\d{4}-\d\d-\d\d$/.test(date) && /^\d\d:\d\d$/.test(time) ? new Date(`${date}T${time}`).getTime() : Number.NaN;
