import { timeLine } from '@/core/day/schedule';
import { appointmentsOf, calendarOf } from './calendar';

const step = (id: string, name: string, min: number, after: readonly string[]) => ({
  id,
  name,
  why: 'Because, and so; on.',
  who: 'cook' as const,
  min,
  handsMin: min,
  ovenC: null,
  after,
  keepsMin: null,
  slips: 'may slip',
  ahead: false,
});

test('a calendar file has an appointment for each step, in UTC, that a calendar can read', () => {
  const at = Date.UTC(2026, 4, 2, 8);
  const { placed } = timeLine(
    [step('dry', 'Weigh the dry', 10, []), step('join1', 'Join', 4, ['dry'])],
    { at, anchor: 'last', helpers: 0, dayOneAt: null, moved: {} },
    null,
  );
  const text = calendarOf(
    'Regatta; cakes',
    appointmentsOf([{ name: 'Regatta; cakes', batchId: 'b1', placed }]),
    'Europe/Lisbon',
  );
  expect(text.startsWith('BEGIN:VCALENDAR\r\n')).toBe(true);
  expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(2);
  expect(text).toContain('X-WR-TIMEZONE:Europe/Lisbon\r\n');
  expect(text).toContain('UID:b1-dry@even-crumb');
  expect(text).toContain('DTSTART:20260502T074600Z');
  expect(text).toContain('DTEND:20260502T075600Z');
  expect(text).toContain('SUMMARY:Join: Regatta\\; cakes');
  expect(text.trimEnd().endsWith('END:VCALENDAR')).toBe(true);
});
