import type { EventLog } from '@/core/day/event-log';

/** A batch's event log as a page loads it. */
export const eventLogFrom = (b: Omit<EventLog, 'taps'>, taps: EventLog['taps']): EventLog => ({
  taps,
  entries: b.entries,
  ticked: b.ticked,
  weights: b.weights,
});
