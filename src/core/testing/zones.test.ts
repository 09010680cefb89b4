/** The day's laws in three time zones, across a change of the clocks in each: a process of its own for every zone. */
import { execFileSync } from 'node:child_process';
import { join } from 'node:path';
import { dayAfter } from '../quantity/day';
import { cases } from './share';

const LAW = join(__dirname, 'day-law.ts');

test.each([
  ['Europe/Berlin', '2026-10-25T01:00:00Z'],
  ['America/St_Johns', '2026-11-01T04:30:00Z'],
  ['Pacific/Auckland', '2026-09-26T14:00:00Z'],
])(
  '%s: random lines over one and two days put no step before what it needs, and keep the calendar',
  (zone, changes) => {
    // a machine that stands there, and one that stands elsewhere with a house that says where it is
    const two = [
      { machine: zone, house: '' },
      { machine: 'Asia/Tokyo', house: zone },
    ].map(({ machine, house }) => {
      const script = `const { dayLaw } = require(${JSON.stringify(LAW)}); console.log(Intl.DateTimeFormat().resolvedOptions().timeZone, dayLaw(${cases(667)}, Date.parse('${changes}'), '${house}'));`;
      const said = execFileSync(process.execPath, ['-r', 'tsx/cjs', '-e', script], {
        env: { ...process.env, TZ: machine },
        encoding: 'utf8',
        cwd: process.cwd(),
      }).trim();
      const [there, many] = said.split(' ');
      expect(there).toBe(machine);
      return Number(many);
    });
    // enough of them over two days
    expect(Math.min(...two)).toBeGreaterThan(cases(300));
  },
);

test('days are counted in the calendar', () => {
  expect(dayAfter('2026-02-28', 1)).toBe('2026-03-01');
  expect(dayAfter('2028-02-28', 1)).toBe('2028-02-29');
  expect(dayAfter('2027-01-01', -1)).toBe('2026-12-31');
  expect(dayAfter('2026-10-24', 1)).toBe('2026-10-25');
});
