/** Moments as the kitchen says them, in the server's time zone. Formatted on the server, passed on as text. */
import { type Dating, sayMoment } from '@/core/quantity/day';

/** "today 09:12", "Sat 14 Nov, 09:12", with the year where it is another. */
export const when = (d: Date, units: Dating, now: Date = new Date()): string =>
  sayMoment(d.getTime(), now.getTime(), units);
