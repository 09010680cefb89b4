import fc from 'fast-check';
import type { Tap } from '../griddle/board';
import { type EventLog, happenedAt, type Told, withItems } from './event-log';

const EMPTY: EventLog = { taps: [], entries: [], ticked: [], weights: {} };
const tap = (id: string, piece = 1): Tap => ({ id, piece, act: 'pour', surface: 'g', slot: 0, at: 0 });
const entry = (id: string) => ({ id, at: 0, act: { what: 'mise-done' } as const });

test('what is still to be sent shows at once, once, in order; and what is taken back is gone', () => {
  const had: EventLog = { taps: [tap('a'), tap('b', 2)], entries: [entry('e')], ticked: ['l1'], weights: { l1: 500 } };
  const now = withItems(had, [
    { do: 'tap', tap: tap('c', 3) },
    // the records have it already, and the answer was lost
    { do: 'tap', tap: tap('b', 2) },
    { do: 'untap', tapId: 'a' },
    { do: 'enter', entry: entry('f') },
    { do: 'enter', entry: entry('e') },
    { do: 'strike', entryId: 'e' },
    { do: 'line', key: 'l2', to: 41 },
    { do: 'line', key: 'l3', to: true },
    { do: 'line', key: 'l1', to: true },
  ]);
  expect(now.taps.map((t) => t.id)).toEqual(['b', 'c']);
  expect(now.entries.map((e) => e.id)).toEqual(['f']);
  // ticked where it was weighed: as the sheet says, no more what the scale said
  expect(now).toMatchObject({ ticked: ['l1', 'l2', 'l3'], weights: { l2: 41 } });
  expect(withItems(now, [{ do: 'line', key: 'l2', to: false }])).toMatchObject({ ticked: ['l1', 'l3'], weights: {} });
});

test('law: told twice is told once', () => {
  const id = fc.constantFrom('a', 'b', 'c');
  const item: fc.Arbitrary<Told> = fc.oneof(
    id.map((i): Told => ({ do: 'tap', tap: tap(i) })),
    id.map((i): Told => ({ do: 'untap', tapId: i })),
    id.map((i): Told => ({ do: 'enter', entry: entry(i) })),
    id.map((i): Told => ({ do: 'strike', entryId: i })),
    fc
      .tuple(id, fc.oneof(fc.boolean(), fc.integer({ min: 0, max: 900 })))
      .map(([key, to]): Told => ({ do: 'line', key, to })),
  );
  fc.assert(
    fc.property(fc.array(item, { maxLength: 12 }), item, (before, it) => {
      const once = withItems(EMPTY, [...before, it]);
      expect(withItems(once, [it])).toEqual(once);
    }),
  );
});

test('when it happened: by the screen where its clock and its stopwatch agree, by the stopwatch where they don’t, never later than now', () => {
  const now = 1_000_000;
  // told a second ago, and the answer took a while: its own time keeps the order of quick taps
  expect(happenedAt(now - 1200, 1000, now)).toBe(now - 1200);
  // the clock was set back an hour; or is an hour ahead
  expect(happenedAt(now - 3_600_000, 5000, now)).toBe(now - 5000);
  expect(happenedAt(now + 3_600_000, 5000, now)).toBe(now - 5000);
  // a page of before, without a stopwatch
  expect([happenedAt(now - 7000, null, now), happenedAt(now + 7000, null, now)]).toEqual([now - 7000, now]);
});

test('a clock just as far off as is still believed: two taps half a second apart keep their order, whatever their way takes', () => {
  const now = 1_000_000;
  // the clock of the screen is 1.95 s slow; the first tap is 100 ms on its way, the second 20
  const [first, second] = [now - 3000, now - 2500];
  const kept = [happenedAt(first - 1950, 0, first + 100), happenedAt(second - 1950, 0, second + 20)];
  expect(kept[1]).toBeGreaterThan(kept[0] ?? Number.NaN);
});
