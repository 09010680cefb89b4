/** A morning under way: what is done stays done, and the rest is placed around it. */
import fc from 'fast-check';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { h, REGATTA } from '../testing/regatta';
import { cases } from '../testing/share';
import { stationsOf } from './class';
import { happenedOf, unaccounted } from './closing';
import { allDone, begunOf, boardOf, poursBeforeBell, swapped } from './running';
import { solveMorning } from './solve';
import type { MorningAsked, PlacedStep } from './work';

const ASKED: MorningAsked = {
  morning: REGATTA,
  dishes: REGATTA.dishes,
  sides: [],
  kept: [],
  house: FRESH_KITCHEN,
  before: false,
};
const solved = (q: MorningAsked) => {
  const s = solveMorning(q, false);
  if (!s.ok) throw new Error(s.error.message);
  return s.value;
};
const FIRST = solved(ASKED);
const NAMES = REGATTA.people.map((p) => p.name);
const ON = REGATTA.surfaces.map((s) => s.name);
/** All that should be over by then is. */
const freeAt = (s: PlacedStep): number => (s.dish !== null && s.wave !== null ? s.to : s.from + s.handsMin);
const doneBy = (now: number) =>
  new Map(FIRST.steps.filter((s) => s.by !== null && freeAt(s) <= now).map((s) => [s.id, freeAt(s)]));
const meet = (a: { from: number; to: number }, b: { from: number; to: number }): boolean =>
  a.from < b.to - 0.001 && b.from < a.to - 0.001;
const hands = (s: PlacedStep) => ({ from: s.from, to: s.from + s.handsMin });

test('what a step waits for is done with it, each load of what is poured too', () => {
  const plates = FIRST.steps.find((s) => s.id.startsWith('plate d0 1'));
  if (!plates) throw new Error('no plates');
  const all = allDone(FIRST.steps, new Map([[plates.id, plates.to]]));
  const loads = FIRST.steps.filter((s) => s.dish === 'd0' && s.wave === 0);
  expect(loads.length).toBeGreaterThan(1);
  for (const l of loads) expect(all.has(l.id)).toBe(true);
  for (const l of loads)
    for (const n of l.needs) if (FIRST.steps.some((s) => s.id === n)) expect(all.has(n)).toBe(true);
  expect([...all.keys()].some((id) => FIRST.steps.find((s) => s.id === id)?.dish === 'd1')).toBe(false);
});

test('on time, nothing that is done, under way or near moves; nothing is placed before now', () => {
  fc.assert(
    fc.property(fc.integer({ min: h('6:30'), max: h('9:00') }), (now) => {
      const begun = begunOf(FIRST, doneBy(now), now, NAMES, ON);
      const again = solved({ ...ASKED, begun });
      const before = new Map(FIRST.steps.map((s) => [s.id, s]));
      for (const s of begun.steps) {
        const was = before.get(s.id);
        const is = again.steps.find((x) => x.id === s.id);
        expect([s.id, is?.by, is?.on]).toEqual([s.id, was?.by, was?.on]);
      }
      const stays = new Set(begun.steps.map((s) => s.id));
      for (const s of again.steps)
        if (!stays.has(s.id) && s.by !== null) expect(s.from).toBeGreaterThanOrEqual(now - 0.001);
      // no hand twice at once among what is yet to be done, and every wave has what it is to have
      const open = again.steps.filter((s) => s.by !== null && s.from >= now);
      for (const [n, a] of open.entries())
        for (const b of open.slice(n + 1))
          if (a.by === b.by) expect([a.id, b.id, meet(hands(a), hands(b))]).toEqual([a.id, b.id, false]);
      for (const p of FIRST.plates) {
        const pieces = (of: readonly PlacedStep[]) =>
          of.filter((s) => s.dish === p.dish && s.wave === p.wave).reduce((a, s) => a + s.places, 0);
        if (again.plates.find((x) => x.dish === p.dish && x.wave === p.wave)?.at !== null)
          expect(pieces(again.steps)).toBe(pieces(FIRST.steps));
      }
    }),
    { numRuns: cases(12) },
  );
}, 60_000);

test('what goes on by itself goes on from when hands were done with it', () => {
  const out = FIRST.steps.find((s) => s.id.endsWith(' out') && s.handsMin < s.to - s.from);
  if (!out) throw new Error('nothing is taken out of the cold');
  const at = out.from + out.handsMin + 6;
  const stays = begunOf(FIRST, new Map([[out.id, at]]), at, NAMES, ON).steps.find((s) => s.id === out.id);
  expect([stays?.from, stays?.to]).toEqual([out.from + 6, out.to + 6]);
});

test('a griddle that is out: what lay ahead there goes elsewhere, what is done there is done', () => {
  const now = h('7:45');
  const morning = { ...REGATTA, surfaces: REGATTA.surfaces.filter((s) => s.name !== 'griddle 1') };
  const begun = begunOf(
    FIRST,
    doneBy(now),
    now,
    NAMES,
    morning.surfaces.map((s) => s.name),
  );
  const again = solved({ ...ASKED, morning, begun });
  const later = again.steps.filter((s) => s.from > now && s.on === 'griddle 1');
  expect(later).toEqual([]);
  expect(again.steps.filter((s) => s.on === 'griddle 1' && s.wave === 0).length).toBeGreaterThan(0);
});

test('twelve more for the last wave: bowls that are weighed stay as large as they are, and another is mixed', () => {
  const now = h('8:50');
  const begun = begunOf(FIRST, doneBy(now), now, NAMES, ON);
  const had = begun.bowls.find((b) => b.dish === 'd0' && b.waves.includes(2));
  const waves = REGATTA.waves.map((w, n) => (n === 2 ? { ...w, covers: w.covers + 12 } : w));
  const again = solved({ ...ASKED, morning: { ...REGATTA, waves }, begun });
  expect(again.bowls.find((b) => b.id === had?.id)?.pieces).toBe(had?.pieces);
  const cakes = again.bowls.filter((b) => b.dish === 'd0' && b.waves.includes(2));
  const pieces = cakes
    .flatMap((b) => b.of)
    .filter((g) => g.wave === 2)
    .reduce((a, g) => a + g.pieces, 0);
  const wanted = again.plates.find((p) => p.dish === 'd0' && p.wave === 2)?.wanted ?? 0;
  expect([cakes.length, pieces]).toEqual([2, 3 * wanted]);
});

test('the board: what each has now, how late, what lies where, what of a wave is ready', () => {
  const now = h('7:22');
  const done = doneBy(h('7:18'));
  const board = boardOf(FIRST, done, stationsOf(REGATTA), ON, now);
  for (const p of board.people) {
    const mine = FIRST.steps.filter((s) => s.by === p.name);
    expect([p.done + p.left, p.now?.by ?? p.name]).toEqual([mine.length, p.name]);
    expect(p.lateMin).toBe(p.now && p.now.from < now ? now - p.now.from : 0);
  }
  for (const s of board.surfaces) {
    const mine = FIRST.steps.filter((x) => x.on === s.name && x.dish !== null && x.wave !== null);
    expect([s.done + s.left, s.now?.on ?? s.name]).toEqual([mine.length, s.name]);
  }
  const cakes = board.waves.find((w) => w.wave === 0 && w.dish === 'd0');
  const loads = FIRST.steps.filter((s) => s.dish === 'd0' && s.wave === 0);
  const sum = (of: readonly PlacedStep[]): number => of.reduce((a, s) => a + s.places, 0);
  expect(cakes).toMatchObject({ wanted: sum(loads), ready: sum(loads.filter((s) => s.to <= h('7:18'))) });
  expect(board.lies.reduce((a, l) => a + l.pieces, 0)).toBe(board.waves.reduce((a, w) => a + w.onHeat, 0));
});

test('two people swap what is left: what is done stays whose it was, and nobody who is not there gets anything', () => {
  const [ada, ben] = REGATTA.people.map((p) => ({ ...p, from: h('5:30') }));
  if (!ada || !ben) throw new Error('two people');
  const done = doneBy(h('7:18'));
  const all = allDone(FIRST.steps, done);
  const steps = swapped(FIRST.steps, done, ada, ben);
  if (!steps) throw new Error('they swap');
  for (const [n, s] of FIRST.steps.entries()) {
    const other = s.by === ada.name ? ben.name : s.by === ben.name ? ada.name : s.by;
    expect([s.id, steps[n]?.by]).toEqual([s.id, all.has(s.id) ? s.by : other]);
  }
  // back again it is as it was
  expect(swapped(steps, done, ada, ben)).toEqual(FIRST.steps);
  expect(swapped(FIRST.steps, done, ada, { ...ben, to: h('8:00') })).toBeNull();
});

test('near the bell: until when each dish is poured, and how many pieces would stay in its bowl', () => {
  const end = Math.max(...FIRST.steps.map((s) => s.to));
  const bell = end - 6;
  const done = doneBy(bell - 40);
  const of = (now: number) => poursBeforeBell(FIRST, done, bell, 2, now);
  expect(of(bell - 60)).toEqual([]);
  expect(poursBeforeBell(FIRST, done, null, 2, bell)).toEqual([]);
  const last = of(bell - 30);
  expect(last.length).toBeGreaterThan(1);
  for (const l of last) {
    const loads = FIRST.steps.filter((s) => s.dish === l.dish && s.wave !== null);
    const longest = Math.max(...loads.map((s) => s.to - s.from));
    expect(l.at).toBeCloseTo(bell - 2 - longest, 6);
    expect(l.unpoured).toBe(loads.filter((s) => s.from > l.at && !done.has(s.id)).reduce((a, s) => a + s.places, 0));
  }
});

test('the closing is filled in from what was marked: pieces off the heat by dish, and when each wave had its last plate', () => {
  const plan = { waves: REGATTA.waves, dishes: REGATTA.dishes.map((d) => ({ ...d, formulaId: d.id, end: null })) };
  const done = doneBy(h('7:31'));
  const { dishes, waves } = happenedOf(plan, FIRST, done);
  const cakes = FIRST.steps.filter((s) => s.dish === 'd0' && s.wave !== null);
  const first = cakes.filter((s) => s.wave === 0).reduce((a, s) => a + s.places, 0);
  expect(dishes[0]).toEqual({ dish: 'd0', planned: cakes.reduce((a, s) => a + s.places, 0), made: first });
  expect(waves.map((w) => w.over)).toEqual([h('7:30'), null, null]);
});

test.each([
  [{ made: 84, served: 80, kept: 4, thrown: null }, 0],
  [{ made: 84, served: 80, kept: null, thrown: 1 }, 3],
  [{ made: 20, served: 24, kept: null, thrown: null }, -4],
  [{ made: null, served: 24, kept: null, thrown: null }, null],
] as const)('of %j so many are unaccounted for: %s', (of, left) => {
  expect(unaccounted({ dish: 'd', ...of })).toBe(left);
});
