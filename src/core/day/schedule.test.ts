/** The time line: what is where, whose hands, and what gives way. */
import fc from 'fast-check';
import type { Serving } from '../batch/serving';
import { clashesIn, dayList, fromNow, type Placed, stepsByDay, timeLine } from './schedule';
import type { Step } from './step';

const MIN = 60_000;
const EIGHT = Date.UTC(2026, 4, 2, 8);
const SERVING: Serving = { at: EIGHT, anchor: 'last', helpers: 0, dayOneAt: null, moved: {} };

const step = (id: string, min: number, handsMin: number, after: readonly string[], more: Partial<Step> = {}): Step => ({
  id,
  name: id,
  why: '',
  who: 'helper',
  min,
  handsMin,
  ovenC: null,
  after,
  keepsMin: null,
  slips: '',
  ahead: false,
  ...more,
});

/** Dry 10, wet 6, join 4, rest 10, griddle 15 (1 of hands), one load of 5, plate 2. */
const CAKES: readonly Step[] = [
  step('dry', 10, 10, []),
  step('wet', 6, 6, []),
  step('join1', 4, 4, ['dry', 'wet'], { who: 'cook', keepsMin: 0 }),
  step('rest1', 10, 0, ['join1'], { keepsMin: 20 }),
  step('heat', 15, 1, [], { who: 'cook' }),
  step('load1', 5, 5, ['rest1', 'heat'], { who: 'cook', loads: { from: 1, to: 1, off: 5, holdsMin: 25 } }),
  step('plate', 2, 2, ['load1']),
];
/** Minutes before eight that each begins. */
const before = (placed: readonly Placed[]) =>
  Object.fromEntries(placed.map((p) => [p.step.id, (EIGHT - p.start) / MIN]));

test('counted back: all over at eight, the griddle warms during the rest, one pair of hands', () => {
  const line = timeLine(CAKES, SERVING, null);
  // plate 2, load 5 = 7, rest 10 = 17, join 4 = 21; the griddle wants 22 and its minute of hands just before the
  // joining; then the wet 6 = 28 and the dry 10 = 38
  expect(before(line.placed)).toEqual({ plate: 2, load1: 7, rest1: 17, join1: 21, heat: 22, wet: 28, dry: 38 });
  expect(line).toMatchObject({ servedAt: EIGHT, clashes: [] });
  // a helper weighs the wet until the joining; the cook the dry, and then lights the griddle
  expect(before(timeLine(CAKES, { ...SERVING, helpers: 1 }, null).placed)).toMatchObject({
    heat: 22,
    wet: 27,
    dry: 32,
  });
});

test('the first plate at eight instead of the last: the same line, two minutes later', () => {
  const line = timeLine(CAKES, { ...SERVING, anchor: 'first' }, null);
  expect(before(line.placed)).toMatchObject({ load1: 5, rest1: 15, dry: 36 });
});

test('moved by hand: what is before it gives way, what is after it waits, and plates go later only if they must', () => {
  // the joining a quarter of an hour earlier: the rest begins with it, and stands 15 min more, of the 20 it bears
  const early = timeLine(CAKES, { ...SERVING, moved: { join1: EIGHT - 36 * MIN } }, null);
  expect(before(early.placed)).toMatchObject({ join1: 36, load1: 7, rest1: 32, wet: 42, dry: 52 });
  expect(early.clashes).toEqual([]);
  const stands = timeLine(CAKES, { ...SERVING, moved: { join1: EIGHT - 46 * MIN } }, null);
  expect(stands.clashes.map((c) => [c.step, c.what])).toEqual([['rest1', 'stands']]);
  expect(early.servedAt).toBe(EIGHT);
  // three minutes later than it can be: plates go three minutes later
  const late = timeLine(CAKES, { ...SERVING, moved: { join1: EIGHT - 18 * MIN } }, null);
  expect(late.servedAt).toBe(EIGHT + 3 * MIN);
  expect(before(late.placed)).toMatchObject({ rest1: 14, load1: 4, plate: -1 });
});

test('begun, and what follows was moved too soon: told, and the plates do not run away', () => {
  const now = EIGHT - 25 * MIN;
  const line = timeLine(
    CAKES,
    { ...SERVING, moved: { wet: EIGHT - 30 * MIN, join1: EIGHT - 22 * MIN } },
    { now, done: new Map([['wet', now]]) },
  );
  // the dry wants ten minutes before 7:38 and has three; the griddle's minute of hands waits for it
  expect(line.servedAt).toBeLessThanOrEqual(EIGHT + 8 * MIN);
  expect(line.clashes.map((c) => [c.step, c.what])).toContainEqual(['dry', 'order']);
});

test('two moved onto one pair of hands, and two heats in one oven: told, not hidden', () => {
  const line = timeLine(CAKES, { ...SERVING, moved: { dry: EIGHT - 60 * MIN, wet: EIGHT - 55 * MIN } }, null);
  expect(line.clashes.map((c) => c.what)).toContain('hands');
  const roast = step('roast', 30, 2, [], { ovenC: 180 });
  const hold = step('hold', 15, 1, [], { ovenC: 93 });
  const auto = timeLine(
    [roast, hold, step('load1', 5, 5, ['roast', 'hold'], { loads: { from: 1, to: 1, off: 5, holdsMin: 25 } })],
    SERVING,
    null,
  );
  expect(auto.clashes).toEqual([]);
  const at = (id: string) => auto.placed.find((p) => p.step.id === id) as Placed;
  expect(Math.min(at('roast').end, at('hold').end)).toBeLessThanOrEqual(Math.max(at('roast').start, at('hold').start));
  const both = timeLine(
    [roast, hold],
    { ...SERVING, moved: { roast: EIGHT - 60 * MIN, hold: EIGHT - 50 * MIN } },
    null,
  );
  expect(both.clashes.map((c) => c.what)).toEqual(['oven']);
});

test('two days: what can be done ahead is, from when that day begins', () => {
  const evening = EIGHT - 14 * 60 * MIN;
  const steps = CAKES.map((s) => (s.id === 'dry' || s.id === 'wet' ? { ...s, ahead: true } : s));
  const line = timeLine(steps, { ...SERVING, dayOneAt: evening }, null);
  expect(line.placed.filter((p) => p.ahead).map((p) => [p.step.id, (p.start - evening) / MIN])).toEqual([
    ['dry', 0],
    ['wet', 10],
  ]);
  expect(before(line.placed)).toMatchObject({ join1: 21, heat: 22 });
  // in the morning the bag still is not packed: it is done now, and plates wait for it as long as they must
  const now = EIGHT - 20 * MIN;
  const morning = timeLine(steps, { ...SERVING, dayOneAt: evening }, { now, done: new Map([['wet', evening]]) });
  expect(morning.placed.find((p) => p.step.id === 'dry')).toMatchObject({ ahead: false, start: now });
  // dry 10, the griddle's minute of hands, join 4, rest 10, load 5, plate 2: 12 minutes over eight at most
  expect((morning.servedAt - EIGHT) / MIN).toBeGreaterThanOrEqual(11);
  expect((morning.servedAt - EIGHT) / MIN).toBeLessThanOrEqual(12);
});

test('begun: late is told, and what can move moves; a rest runs from when the bowl was joined', () => {
  const planned = timeLine(CAKES, SERVING, null);
  const now = EIGHT - 33 * MIN;
  const done = new Map<string, number>();
  // five minutes late with the dry, nothing done: plates five minutes later
  const line = timeLine(CAKES, SERVING, { now, done });
  expect(line.servedAt).toBe(EIGHT + 5 * MIN);
  expect(dayList(line, planned, now).map((s) => [s.step.id, s.state])[0]).toEqual(['dry', 'late']);
  expect(dayList(line, planned, now)[1]?.state).toBe('next');
  // joined three minutes early: the rest began by itself
  const joined = EIGHT - 20 * MIN;
  const rest = timeLine(CAKES, SERVING, {
    now: EIGHT - 19 * MIN,
    done: new Map([
      ['dry', 0],
      ['wet', 0],
      ['heat', 0],
      ['join1', joined],
    ]),
  });
  expect(rest.placed[0]).toMatchObject({ start: joined, end: joined + 10 * MIN });
  expect(rest.servedAt).toBe(EIGHT);
});

test('on from now: the first thing is begun at once', () => {
  const now = EIGHT - 3 * 60 * MIN;
  const s = fromNow(CAKES, SERVING, now);
  const line = timeLine(CAKES, s, null);
  expect(Math.min(...line.placed.map((p) => p.start))).toBe(now);
  expect(line.clashes).toEqual([]);
});

test('law: never two things in one pair of hands, nothing before what it waits for, whatever the steps', () => {
  const anyStep = fc.record({
    min: fc.integer({ min: 1, max: 40 }),
    share: fc.constantFrom(0, 0.2, 1),
    who: fc.constantFrom('cook', 'helper', 'child'),
    oven: fc.constantFrom(null, null, 93, 180),
    after: fc.array(fc.nat(), { maxLength: 2 }),
  });
  fc.assert(
    fc.property(
      fc.array(anyStep, { minLength: 1, maxLength: 14 }),
      fc.integer({ min: 0, max: 2 }),
      fc.constantFrom('first', 'last'),
      fc.option(fc.integer({ min: -40, max: 60 })),
      (raw, helpers, anchor, late) => {
        const steps = raw.map((r, n) =>
          step(
            n % 3 === 2 ? `load${Math.floor(n / 3) + 1}` : `s${n}`,
            r.min,
            Math.ceil(r.min * r.share),
            n === 0
              ? []
              : r.after.map((a) => a % n).map((a) => (a % 3 === 2 ? `load${Math.floor(a / 3) + 1}` : `s${a}`)),
            {
              who: r.who as Step['who'],
              ovenC: r.oven,
              ...(n % 3 === 2 && {
                loads: { from: Math.floor(n / 3) + 1, to: Math.floor(n / 3) + 1, off: n, holdsMin: 25 },
              }),
            },
          ),
        );
        const begun = late === null ? null : { now: EIGHT + late * MIN, done: new Map<string, number>() };
        const line = timeLine(steps, { ...SERVING, helpers, anchor: anchor as Serving['anchor'] }, begun);
        expect(line.placed).toHaveLength(steps.length);
        expect(line.clashes.filter((c) => c.what !== 'stands')).toEqual([]);
        if (begun)
          for (const p of line.placed) if (p.step.handsMin > 0) expect(p.start).toBeGreaterThanOrEqual(begun.now - 1);
        expect(clashesIn(line.placed)).toEqual(line.clashes);
      },
    ),
    { numRuns: 300 },
  );
});

test('steps are counted on the day they begin there: a rest needs no hands, what is late is today’s, midnight parts them', () => {
  const there = { zone: 'Pacific/Auckland' };
  // eight in the morning UTC is eight in the evening there; asked from five to midnight of the day before
  const line = timeLine(CAKES, { ...SERVING, at: EIGHT + 4 * 60 * MIN + 10 * MIN }, null);
  // plates at 00:10 on the 3rd: dry at 23:32, wet 23:42, griddle 23:48, joining 23:49 on the 2nd; the load at 00:03,
  // plates 00:08
  const days = (now: number) => stepsByDay(line.placed, now, there).map((d) => [d.day, d.count, d.first.step.id]);
  expect(days(EIGHT)).toEqual([
    ['2026-05-02', 4, 'dry'],
    ['2026-05-03', 2, 'load1'],
  ]);
  expect(days(EIGHT + 4 * 60 * MIN + MIN)).toEqual([['2026-05-03', 6, 'dry']]);
  // where the house is elsewhere, all of it is of one day
  expect(stepsByDay(line.placed, EIGHT, { zone: 'UTC' }).map((d) => [d.day, d.count])).toEqual([['2026-05-02', 6]]);
});

test('what waits for the last plates longer than it is good for is told; not where plates go as they come off', () => {
  const batch = (atOnce: number, on: readonly string[]) =>
    Array.from({ length: 12 / atOnce }, (_, n) =>
      step(`load${n + 1}`, 6, 6, n === 0 ? [] : [`load${n}`], {
        who: 'cook',
        on,
        loads: { from: n + 1, to: n + 1, off: (n + 1) * atOnce, holdsMin: 15 },
      }),
    ).concat(step('plate', 2, 2, [`load${12 / atOnce}`], { who: 'cook' }));
  const told = (atOnce: number, on: readonly string[], anchor: Serving['anchor'] = 'last') =>
    timeLine(batch(atOnce, on), { at: 1.8e12, anchor, helpers: 0, dayOneAt: null, moved: {} }, null).clashes.map(
      (c) => c.text,
    );
  // six loads of six minutes: the first is off five loads, 30 min, before the plates
  expect(told(2, ['iron'])).toEqual([
    'What comes off first waits 30 min for the last, and is good for about 15: let the first plates go as they come off, or light more.',
  ]);
  expect(told(2, ['iron'], 'first')).toEqual([]);
  // two more irons: two loads, 6 min
  expect(told(6, ['iron'])).toEqual([]);
  // nobody has said what it is made on: as many loads as pieces are a guess
  expect(told(1, [])).toEqual([]);
});
