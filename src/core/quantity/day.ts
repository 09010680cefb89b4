/** The kitchen's own day and clock: days as yyyy-mm-dd, times of day as hh:mm, in the time zone of the house. */
import { TZDateMini } from '@date-fns/tz';

const two = (n: number): string => String(n).padStart(2, '0');

/** Where the house is: an IANA name of its zone; '' is the zone of whoever asks. */
export interface Zoned {
  readonly zone: string;
}

/** A moment as the clock and the calendar there have it. @param at ms since 1970 */
const there = (at: number, { zone }: Zoned): Date => (zone === '' ? new Date(at) : new TZDateMini(at, zone));

/** Whether a name is one of a zone that is known here. */
export function isZone(name: string): boolean {
  try {
    return name !== '' && Boolean(Intl.DateTimeFormat('en', { timeZone: name }));
  } catch {
    return false;
  }
}

/** All zones that are known here by name, and one more. */
export const zonesWith = (zone: string): readonly string[] =>
  [...new Set([zone, 'UTC', ...Intl.supportedValuesOf('timeZone')])].sort();

/** The zone of this machine. */
export const zoneHere = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone;

/** The day it is there at a moment. @param at ms since 1970 */
export function localDay(at: number, z: Zoned): string {
  const d = there(at, z);
  return `${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`;
}

/** The time of day it is there, "08:40" in 24 hours whatever the house writes. */
export function localTime(at: number, z: Zoned): string {
  const d = there(at, z);
  return `${two(d.getHours())}:${two(d.getMinutes())}`;
}

export const CLOCKS = ['24', '12'] as const;
export const DAY_ORDERS = ['day-month', 'month-day', 'year-month-day'] as const;

/** How a house writes times and days, and where its own begin. */
export interface Dating extends Zoned {
  readonly clock: (typeof CLOCKS)[number];
  readonly days: (typeof DAY_ORDERS)[number];
}

export const FRESH_DATING: Dating = { clock: '24', days: 'day-month', zone: '' };

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'] as const;
const WEEKDAYS = ['Sun', 'Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat'] as const;

const split = (day: string): readonly [year: number, month: number, date: number] => {
  const [y = 0, m = 1, d = 1] = day.split('-').map(Number);
  return [y, m, d];
};

/** A day as the house writes it: "27 Nov 2026", "Nov 27, 2026", "2026-11-27". @param day yyyy-mm-dd */
export function sayDay(day: string, u: Pick<Dating, 'days'>): string {
  const [y, m, d] = split(day);
  if (u.days === 'year-month-day') return day;
  const month = MONTHS[m - 1] ?? '';
  return u.days === 'day-month' ? `${d} ${month} ${y}` : `${month} ${d}, ${y}`;
}

/** "Fri 20 Nov", "Fri Nov 20", "Fri 11-20", without the year. @param at ms since 1970 */
export function sayWeekday(at: number, u: Pick<Dating, 'days' | 'zone'>): string {
  const d = there(at, u);
  const month = MONTHS[d.getMonth()] ?? '';
  const written =
    u.days === 'year-month-day'
      ? `${two(d.getMonth() + 1)}-${two(d.getDate())}`
      : u.days === 'day-month'
        ? `${d.getDate()} ${month}`
        : `${month} ${d.getDate()}`;
  return `${WEEKDAYS[d.getDay()] ?? ''} ${written}`;
}

/** A day that a paper is for, weekday and year and all: "Sun 29 Nov 2026". @param at ms since 1970 */
export const sayLongDay = (at: number, u: Pick<Dating, 'days' | 'zone'>): string =>
  `${WEEKDAYS[there(at, u).getDay()] ?? ''} ${sayDay(localDay(at, u), u)}`;

/** A time of day as the house writes it: "16:05", "4:05 pm". @param at ms since 1970 */
export function sayTime(at: number, u: Pick<Dating, 'clock' | 'zone'>): string {
  if (u.clock === '24') return localTime(at, u);
  const d = there(at, u);
  return `${d.getHours() % 12 || 12}:${two(d.getMinutes())} ${d.getHours() < 12 ? 'am' : 'pm'}`;
}

/** The same with the day before it where that is another than now: "Sat 14 Nov 09:12". */
export const sayTimeAndDay = (at: number, now: number, u: Dating): string =>
  localDay(at, u) === localDay(now, u) ? sayTime(at, u) : `${sayWeekday(at, u)} ${sayTime(at, u)}`;

/** "today 09:12", "Sat 14 Nov, 09:12", with the year where it is another. */
export function sayMoment(at: number, now: number, u: Dating): string {
  if (localDay(at, u) === localDay(now, u)) return `today ${sayTime(at, u)}`;
  const sameYear = there(at, u).getFullYear() === there(now, u).getFullYear();
  return `${sameYear ? sayWeekday(at, u) : sayDay(localDay(at, u), u)}, ${sayTime(at, u)}`;
}

/** A typed time of day as hh:mm in 24 hours: "16:05", "4:05 pm", "4 pm", "0905"; null where it is none. */
export function timeIn(text: string): string | null {
  const m = /^(\d{1,2})(?:[:.h ]?([0-5]\d))?\s*(?:h|o'clock)?\s*(am|pm|a\.m\.|p\.m\.)?$/i.exec(text.trim());
  if (!m) return null;
  const half = m[3]?.[0]?.toLowerCase();
  let h = Number(m[1]);
  if (half !== undefined) {
    if (h < 1 || h > 12) return null;
    h = (h % 12) + (half === 'p' ? 12 : 0);
  }
  return h > 23 ? null : `${two(h)}:${m[2] ?? '00'}`;
}

const exists = (y: number, m: number, d: number): boolean =>
  m >= 1 && m <= 12 && d >= 1 && d <= new Date(Date.UTC(y, m, 0)).getUTCDate();

const NAMED_DAYS = ['sunday', 'monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday'];

/** "Sunday", "sun", "today", "tomorrow" as a day; the next one there is, today among them. Null for anything else. */
export function wordDay(word: string, today: string): string | null {
  if (word === 'today') return today;
  if (word === 'tomorrow') return dayAfter(today, 1);
  const at = /^[a-z]{3,}\.?$/.test(word)
    ? NAMED_DAYS.findIndex(
        (d) =>
          d.startsWith(word.replace(/\.$/, '')) ||
          (d === 'tuesday' && word === 'tues') ||
          (d === 'thursday' && word === 'thurs'),
      )
    : -1;
  if (at < 0) return null;
  const [y, m, d] = split(today);
  return dayAfter(today, (at - new Date(Date.UTC(y, m - 1, d)).getUTCDay() + 7) % 7);
}

/** A day and a time in one: "Sunday 9", "tomorrow at 7:30". Null where it is not both. @param today yyyy-mm-dd */
export function momentIn(
  text: string,
  u: Pick<Dating, 'days'>,
  today: string,
): { readonly day: string; readonly time: string } | null {
  const m = /^(.*\D)\s+(\d{1,2}(?:[:.h]?[0-5]\d)?\s*(?:h|am|pm|a\.m\.|p\.m\.)?)$/i.exec(text.trim());
  const [day, time] = [dayIn((m?.[1] ?? '').replace(/\s+at$/i, ''), u, today), timeIn(m?.[2] ?? '')];
  return day !== null && time !== null ? { day, time } : null;
}

/**
 * A typed day as yyyy-mm-dd: "Sunday", "tomorrow", "27 Nov 2026", "Nov 27", "2026-11-27", or figures in the house's
 * order ("27/11/2026", "27.11."); null where there is no such day.
 * @param today yyyy-mm-dd, for the year where none is typed
 */
export function dayIn(text: string, u: Pick<Dating, 'days'>, today: string): string | null {
  const word = wordDay(
    text
      .trim()
      .toLowerCase()
      .replace(/^this\s+/, ''),
    today,
  );
  if (word !== null) return word;
  const t = text
    .trim()
    .toLowerCase()
    .replace(/,/g, ' ')
    .replace(/^(?:mon|tue|wed|thu|fri|sat|sun)[a-z]*\.?\s+/, '');
  const [thisYear] = split(today);
  const made = (y: number, m: number, d: number): string | null =>
    exists(y, m, d) ? `${y}-${two(m)}-${two(d)}` : null;
  const year = (s: string | undefined): number =>
    s === undefined ? thisYear : s.length === 2 ? 2000 + Number(s) : Number(s);
  const iso = /^(\d{4})-(\d{1,2})-(\d{1,2})$/.exec(t);
  if (iso) return made(Number(iso[1]), Number(iso[2]), Number(iso[3]));
  const named = /^(?:(\d{1,2})\.?\s*([a-z]{3,9})\.?|([a-z]{3,9})\.?\s*(\d{1,2}))(?:\s+(\d{4}))?$/.exec(t);
  if (named) {
    const month = MONTHS.findIndex((m) => (named[2] ?? named[3] ?? '').startsWith(m.toLowerCase())) + 1;
    return month > 0 ? made(year(named[5]), month, Number(named[1] ?? named[4])) : null;
  }
  const figures = /^(\d{1,2})[/.\-\s](\d{1,2})(?:[/.\-\s](\d{4}|\d{2})?)?$/.exec(t);
  if (!figures) return null;
  const [a, b] = [Number(figures[1]), Number(figures[2])];
  return u.days === 'day-month' ? made(year(figures[3]), b, a) : made(year(figures[3]), a, b);
}

/**
 * So many days after a day: days are counted in the calendar, not in hours, so that a change of the clocks moves none.
 * @param day yyyy-mm-dd
 */
export function dayAfter(day: string, days: number): string {
  const [y, m, d] = split(day);
  return new Date(Date.UTC(y, m - 1, d + days)).toISOString().slice(0, 10);
}

/** When work that is done the day before begins, until the cook says otherwise. */
const EVENING = '18:00';

/** The evening of the day before a moment, there. @param at ms since 1970 */
export const eveningBefore = (at: number, z: Zoned): number => momentOf(dayAfter(localDay(at, z), -1), EVENING, z);

/**
 * The moment of a day and a time there, ms since 1970; no number where there is no such day or time. @param day
 * yyyy-mm-dd @param time hh:mm
 */
export function momentOf(day: string, time: string, { zone }: Zoned): number {
  const [y, m, d] = split(day);
  const [h = Number.NaN, min = Number.NaN] = time.split(':').map(Number);
  return (zone === '' ? new Date(y, m - 1, d, h, min) : new TZDateMini(y, m - 1, d, h, min, zone)).getTime();
}

/** Minutes from the midnight with which a day begins there. @param day yyyy-mm-dd @param at ms since 1970 */
export const minuteOf = (day: string, at: number, z: Zoned): number => (at - momentOf(day, '00:00', z)) / 60_000;
