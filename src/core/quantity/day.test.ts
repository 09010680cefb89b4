import fc from 'fast-check';
import {
  DAY_ORDERS,
  dayIn,
  eveningBefore,
  FRESH_DATING,
  isZone,
  localDay,
  localTime,
  momentIn,
  momentOf,
  sayDay,
  sayMoment,
  sayTime,
  sayTimeAndDay,
  timeIn,
  zoneHere,
} from './day';

const at = new Date(2026, 10, 20, 16, 5).getTime();
const now = new Date(2026, 10, 25, 9, 0).getTime();
const US = { clock: '12', days: 'month-day', zone: '' } as const;

test('times and days as the house writes them', () => {
  expect([sayTime(at, FRESH_DATING), sayTime(at, US)]).toEqual(['16:05', '4:05 pm']);
  expect([
    sayTime(new Date(2026, 1, 1, 0, 30).getTime(), US),
    sayTime(new Date(2026, 1, 1, 12, 0).getTime(), US),
  ]).toEqual(['12:30 am', '12:00 pm']);
  expect(DAY_ORDERS.map((days) => sayDay('2026-11-27', { days }))).toEqual([
    '27 Nov 2026',
    'Nov 27, 2026',
    '2026-11-27',
  ]);
  expect([sayMoment(at, at, FRESH_DATING), sayMoment(at, now, FRESH_DATING), sayMoment(at, now, US)]).toEqual([
    'today 16:05',
    'Fri 20 Nov, 16:05',
    'Fri Nov 20, 4:05 pm',
  ]);
  expect(sayMoment(at, new Date(2027, 0, 2).getTime(), FRESH_DATING)).toBe('20 Nov 2026, 16:05');
  expect([sayTimeAndDay(at, at, US), sayTimeAndDay(at, now, US)]).toEqual(['4:05 pm', 'Fri Nov 20 4:05 pm']);
});

test.each([
  ['16:05', '16:05'],
  ['4:05 pm', '16:05'],
  ['4pm', '16:00'],
  ['12 am', '00:00'],
  ['12:30 PM', '12:30'],
  ['0905', '09:05'],
  ['9.05', '09:05'],
  ['24:00', null],
  ['13 pm', null],
  ['4', '04:00'],
  ['9', '09:00'],
  ['9h', '09:00'],
  ['9 h', '09:00'],
  ['25', null],
  ['9:75', null],
  ['', null],
])('the time "%s" is %s', (text, said) => expect(timeIn(text)).toBe(said));

test.each([
  ['27 Nov 2026', '2026-11-27'],
  ['Nov 27, 2026', '2026-11-27'],
  ['Fri 27 November', '2026-11-27'],
  ['2026-11-27', '2026-11-27'],
  ['27.11.', '2026-11-27'],
  ['27/11/26', '2026-11-27'],
  ['31 Feb 2026', null],
  ['2026-02-30', null],
  ['29/2/2028', '2028-02-29'],
  ['13/13/2026', null],
  ['soon', null],
  // 1 January 2026 is a Thursday
  ['Sunday', '2026-01-04'],
  ['sun', '2026-01-04'],
  ['Thurs', '2026-01-01'],
  ['this friday', '2026-01-02'],
  ['tomorrow', '2026-01-02'],
  ['today', '2026-01-01'],
  ['Sunday 9', null],
])('the day "%s" is %s', (text, said) => expect(dayIn(text, FRESH_DATING, '2026-01-01')).toBe(said));

test('a day and a time in one', () => {
  const at = (text: string) => momentIn(text, FRESH_DATING, '2026-01-01');
  expect(at('Sunday 9')).toEqual({ day: '2026-01-04', time: '09:00' });
  expect(at('tomorrow at 7:30 am')).toEqual({ day: '2026-01-02', time: '07:30' });
  expect(at('9')).toBeNull();
  expect(at('27 Nov')).toBeNull();
  expect(at('Sunday')).toBeNull();
});

test('figures are read in the order of the house', () => {
  expect([dayIn('3/4/2026', FRESH_DATING, '2026-01-01'), dayIn('3/4/2026', US, '2026-01-01')]).toEqual([
    '2026-04-03',
    '2026-03-04',
  ]);
});

test('law: what is said is read back as the same, in every order and on both clocks', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 946_684_800_000, max: 4_102_444_800_000 }),
      fc.constantFrom(...DAY_ORDERS),
      fc.constantFrom('24', '12'),
      fc.constantFrom('', 'Europe/Berlin', 'America/St_Johns', 'Pacific/Auckland', 'Asia/Kathmandu'),
      (ms, days, clock, zone) => {
        const z = { zone };
        const day = localDay(ms, z);
        const time = localTime(ms, z);
        expect(dayIn(sayDay(day, { days }), { days }, '2000-01-01')).toBe(day);
        expect(timeIn(sayTime(ms, { clock: clock as '24' | '12', zone }))).toBe(time);
        // where the clock goes back an hour the earlier of two is meant
        expect(Math.abs(momentOf(day, time, z) - Math.floor(ms / 60_000) * 60_000)).toBeLessThanOrEqual(3_600_000);
      },
    ),
  );
});

test('law: where no zone is named, days and times are those of the machine’s own zone', () => {
  const here = { zone: zoneHere() };
  const none = { zone: '' };
  fc.assert(
    fc.property(fc.integer({ min: 946_684_800_000, max: 4_102_444_800_000 }), (ms) => {
      const [day, time] = [localDay(ms, none), localTime(ms, none)];
      expect([day, time]).toEqual([localDay(ms, here), localTime(ms, here)]);
      expect(momentOf(day, time, none)).toBe(momentOf(day, time, here));
    }),
  );
});

test('a house that says where it is has its own day, wherever the machine stands', () => {
  const late = Date.UTC(2026, 10, 25, 23, 30);
  const at = (zone: string): string => `${localDay(late, { zone })} ${localTime(late, { zone })}`;
  expect(['Pacific/Auckland', 'America/St_Johns', 'Asia/Kathmandu'].map(at)).toEqual([
    '2026-11-26 12:30',
    '2026-11-25 20:00',
    '2026-11-26 05:15',
  ]);
  // the clocks of Berlin go forward at 2 on 29 March 2026: that day has 23 hours
  const berlin = { zone: 'Europe/Berlin' };
  expect(momentOf('2026-03-30', '00:00', berlin) - momentOf('2026-03-29', '00:00', berlin)).toBe(23 * 3_600_000);
  expect(eveningBefore(momentOf('2026-03-29', '08:00', berlin), berlin)).toBe(Date.UTC(2026, 2, 28, 17));
  expect([isZone('Europe/Berlin'), isZone('Europe/Nowhere'), isZone('')]).toEqual([true, false, false]);
});
