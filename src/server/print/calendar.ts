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

/**
 * @param zone the kitchen's, for the calendar to show it in; '' is the server's. @returns the text of an .ics file;
 * times in UTC
 */
export function calendarOf(name: string, days: readonly DayOf[], zone: string): string {
  const events = days.flatMap((d) =>
    d.placed.map(
      ({ step, start, end }): EventAttributes => ({
        uid: `${d.batchId}-${step.id}@even-crumb`,
        title: `${step.name}: ${d.name}`,
        description: `${step.why} ${step.slips}`.trim(),
        start,
        startInputType: 'utc',
        startOutputType: 'utc',
        end,
        endInputType: 'utc',
        endOutputType: 'utc',
        productId: 'even-crumb',
      }),
    ),
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
export const asCalendar = (name: string, days: readonly DayOf[], zone: string): Response =>
  new Response(calendarOf(name, days, zone), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; ${fileNamed(`${name} time line`, 'ics')}`,
      'cache-control': 'no-store',
    },
  });
