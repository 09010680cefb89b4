/** A time line as a calendar file: an appointment for each step, for whoever carries a calendar. */
import { createEvents, type EventAttributes } from 'ics';
import type { Placed } from '@/core/day/schedule';
import { fileNamed } from './file-named';

/** The placed steps of one batch. */
export interface DayOf {
  readonly name: string;
  readonly batchId: string;
  readonly placed: readonly Placed[];
}

/** Something in a calendar: from when to when, ms since 1970. */
interface Appointment {
  readonly uid: string;
  readonly title: string;
  readonly description: string;
  readonly start: number;
  readonly end: number;
}

/** Each placed step as an appointment. */
export const appointmentsOf = (days: readonly DayOf[]): readonly Appointment[] =>
  days.flatMap((d) =>
    d.placed.map(({ step, start, end }) => ({
      uid: `${d.batchId}-${step.id}`,
      title: `${step.name}: ${d.name}`,
      description: `${step.why} ${step.slips}`.trim(),
      start,
      end,
    })),
  );

/**
 * @param zone the kitchen's, for the calendar to show it in; '' is the server's. @returns the text of an .ics file;
 * times in UTC
 */
export function calendarOf(name: string, appointments: readonly Appointment[], zone: string): string {
  const events = appointments.map(
    ({ uid, ...a }): EventAttributes => ({
      ...a,
      uid: `${uid}@even-crumb`,
      startInputType: 'utc',
      startOutputType: 'utc',
      endInputType: 'utc',
      endOutputType: 'utc',
      productId: 'even-crumb',
    }),
  );
  // an empty calendar is one too; the package makes none
  if (events.length === 0)
    return ['BEGIN:VCALENDAR', 'VERSION:2.0', 'CALSCALE:GREGORIAN', 'PRODID:even-crumb', 'END:VCALENDAR', ''].join(
      '\r\n',
    );
  const { error, value } = createEvents(events, { productId: 'even-crumb', calName: name });
  if (error || !value) throw error ?? new Error('no calendar came of it');
  return value.replace(
    /(BEGIN:VCALENDAR\r\n)/,
    `$1X-WR-TIMEZONE:${zone || Intl.DateTimeFormat().resolvedOptions().timeZone}\r\n`,
  );
}

/** The same as an answer to keep. */
export const asCalendar = (name: string, appointments: readonly Appointment[], zone: string): Response =>
  new Response(calendarOf(name, appointments, zone), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; ${fileNamed(`${name} time line`, 'ics')}`,
      'cache-control': 'no-store',
    },
  });
