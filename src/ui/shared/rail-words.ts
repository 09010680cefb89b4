/** How a rail is drawn and said, on the Bench and wherever ratios only stand. */
import type { Rail, RailReading, Zone } from '@/core/formula/kinds';
import { lift, percentNumber } from '@/core/quantity/say';

/** Beyond this a number only says that something is badly off. */
export const MOST_SAID = 9999;
export const sayValue = (r: Rail, x: number): string =>
  x > MOST_SAID ? `> ${MOST_SAID}` : r === 'lift' ? lift(x) : percentNumber(x);
export const sayUnit = (r: Rail, x: number): string => `${sayValue(r, x)} ${r === 'lift' ? 'g' : '%'}`;

interface Scale {
  readonly from: number;
  readonly to: number;
}

/** A rail shows its zone in the middle, and as much again on either side. */
export const scaleOf = ([low, high]: Zone): Scale => ({
  from: Math.max(0, low - (high - low)),
  to: high + (high - low),
});

export const at = (x: number, s: Scale): number => Math.min(100, Math.max(0, (100 * (x - s.from)) / (s.to - s.from)));

/** "in range", "above by 3", "waits for an open line". */
export function words(r: RailReading): string {
  if (!r.zone) return '';
  if (r.waits) return 'waits for an open line';
  if (r.unknown.length > 0 && !r.reading) return 'at least: part of it is not known';
  if (!r.reading) return 'yeast: not counted';
  const { standing, far } = r.reading;
  if (standing === 'in') return 'in range';
  const off = standing === 'below' ? r.zone[0] - r.tested : r.tested - r.zone[1];
  return off > MOST_SAID ? `far ${standing}` : `${far ? 'far ' : ''}${standing} by ${sayValue(r.rail, off)}`;
}
