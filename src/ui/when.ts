/** Dates and times as the kitchen says them, in the server's time zone. Formatted on the server, passed on as text. */
const day = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short' });
const time = new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit' });
const year = new Intl.DateTimeFormat('en-GB', { day: 'numeric', month: 'short', year: 'numeric' });

const clock = (d: Date): string => time.format(d);

/** "today 09:12", "Sat 14 Nov 09:12", with the year where it is another. */
export function when(d: Date, now: Date = new Date()): string {
  if (d.toDateString() === now.toDateString()) return `today ${clock(d)}`;
  return `${d.getFullYear() === now.getFullYear() ? day.format(d) : year.format(d)}, ${clock(d)}`;
}
