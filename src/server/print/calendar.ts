/** A time line as a calendar file: an appointment for each step, for whoever carries a calendar. */
import { createEvents, type EventAttributes } from 'ics';
import type { Placed } from '@/core/day/schedule';
import { fileNamed } from './file-named';

/** @returns the text of an .ics file; times in UTC */
export function calendarOf(name: string, batchId: string, placed: readonly Placed[]): string {
  const events = placed.map(
    ({ step, start, end }): EventAttributes => ({
      uid: `${batchId}-${step.id}@even-crumb`,
      title: `${step.name}: ${name}`,
      description: `${step.why} ${step.slips}`.trim(),
      start,
      startInputType: 'utc',
      startOutputType: 'utc',
      end,
      endInputType: 'utc',
      endOutputType: 'utc',
      productId: 'even-crumb',
    }),
  );
  const { error, value } = createEvents(events, { productId: 'even-crumb', calName: name });
  if (error || !value) throw error ?? new Error('no calendar came of it');
  return value;
}

/** The same as an answer to keep. */
export const asCalendar = (name: string, batchId: string, placed: readonly Placed[]): Response =>
  new Response(calendarOf(name, batchId, placed), {
    headers: {
      'content-type': 'text/calendar; charset=utf-8',
      'content-disposition': `attachment; ${fileNamed(`${name} time line`, 'ics')}`,
      'cache-control': 'no-store',
    },
  });
