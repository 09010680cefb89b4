'use client';
/** Times and days as the house writes them, in the time zone of the screen. */
import { sayDay, sayTime, sayTimeAndDay } from '@/core/quantity/day';
import { useUnits } from './units';

export interface Said {
  /** "08:40". @param at ms since 1970 */
  readonly ofDay: (at: number) => string;
  /** "08:40", with the day where it is another than now. */
  readonly andDay: (at: number, now: number) => string;
  /** @param day yyyy-mm-dd */
  readonly day: (day: string) => string;
}

export function useTime(): Said {
  const units = useUnits();
  return {
    ofDay: (at) => sayTime(at, units),
    andDay: (at, now) => sayTimeAndDay(at, now, units),
    day: (day) => sayDay(day, units),
  };
}

/** A day, in text. @param day yyyy-mm-dd */
export const Day = ({ day }: { readonly day: string }) => <>{useTime().day(day)}</>;
