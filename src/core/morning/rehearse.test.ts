/** A morning rehearsed: against what is known exactly, and laws on mornings drawn at random. */
import fc from 'fast-check';
import { type MorningDrawn, REGATTA, regattaAsked } from '../testing/regatta';
import {
  AS_IT_GOES,
  bowlLeadMin,
  goneThrough,
  type RehearsedPlan,
  rehearsalOf,
  rehearse,
  type Varies,
} from './rehearse';
import { solveMorning } from './solve';

/** Nothing varies: everybody is there at once, and takes what was planned. */
const EXACT: Varies = { overMin: 0, orders: 'planned', hands: 0, heat: 0, plateMin: 0 };
type Step = RehearsedPlan['steps'][number];
const load = (n: number, from: number, more: Partial<Step> = {}): Step => ({
  id: `load ${n}`,
  by: 'Wren',
  on: 'griddle',
  places: 8,
  ovenC: null,
  from,
  min: 6,
  handsMin: 2,
  markMin: 6,
  needs: [],
  dish: 'cakes',
  pieces: 8,
  ...more,
});
/** @param plates of one dish for one wave at 480, which lies ready if nobody says how it is made */
const planOf = (
  plates: number,
  steps: readonly Step[] = [load(1, 400, { pieces: plates, places: plates })],
): RehearsedPlan => ({
  waves: [{ at: 480, covers: plates }],
  dishes: [
    { id: 'cakes', name: 'Cakes', each: 1, holdsMin: 20, heatSd: null, chosen: true, apart: false, plates: [plates] },
  ],
  steps,
  people: [{ name: 'Wren', from: 360, to: 600 }],
  places: { griddle: 8 },
});

test('one server without spread: forty guests at once, and one plate every half a minute', () => {
  const r = rehearse(planOf(40), { ...EXACT, plateMin: 0.5 }, 3, 0.1);
  // 0.5, 1 ... 20 min: on average 10.25
  expect(r.wait.mean).toBeCloseTo(10.25, 6);
  expect(r.wait.longest).toBeCloseTo(20, 6);
  expect(r.waves[0]?.lastBy).toBeCloseTo(500, 6);
  // all of it lay from 406 on, and the first is taken at 480.5
  expect(r.dishes[0]?.held.half).toBeCloseTo(74 + 10.25, 6);
  expect(r.dishes[0]?.held.tooLong).toBe(1);
});

test('a queue with one server: guests at random, four fifths of what it can serve, wait twice as long as a plate takes', () => {
  // M/D/1: the mean wait before the plate is begun is ρ / (2 (1 - ρ)) of its time: 2 min of 1
  const plates = 40_000;
  const r = rehearse(planOf(plates), { ...EXACT, plateMin: 1, overMin: plates / 0.8 }, 1, 0.42);
  expect(r.wait.mean - 1).toBeGreaterThan(1.85);
  expect(r.wait.mean - 1).toBeLessThan(2.15);
});

test('at most as many are ready as the surface can make: eight places, six minutes', () => {
  const loads = Array.from({ length: 10 }, (_, n) => load(n, 420));
  const { curve } = rehearse(planOf(80, loads), EXACT, 1, 0.5);
  for (const c of curve)
    expect([c.at, c.ready.half]).toEqual([c.at, Math.min(80, 8 * Math.max(0, Math.floor((c.at - 420) / 6)))]);
});

test('more than is made is told as plates that nothing was left for; fewer, as pieces that are left', () => {
  const short = rehearse({ ...planOf(20), steps: [load(1, 400)] }, EXACT, 2, 0.1).dishes[0];
  expect([short?.without.half, short?.left.half]).toEqual([12, 0]);
  const over = rehearse({ ...planOf(5), steps: [load(1, 400)] }, EXACT, 2, 0.1).dishes[0];
  expect([over?.without.half, over?.left.half]).toEqual([0, 3]);
});

test('a guest waits a quarter of an hour for a dish, and then takes what is ready; one who has to be without something does not', () => {
  const cakes = planOf(4, []).dishes[0] as RehearsedPlan['dishes'][number];
  const plan = (apart: boolean): RehearsedPlan => ({
    ...planOf(4, [load(1, 400, { dish: 'waffles', pieces: 8 }), load(2, 520, { pieces: 4 })]),
    dishes: [
      { ...cakes, apart },
      { ...cakes, id: 'waffles', name: 'Waffles', plates: [4] },
    ],
  });
  const [turns, waits] = [rehearse(plan(false), EXACT, 1, 0.1), rehearse(plan(true), EXACT, 1, 0.1)];
  expect([turns.wait.longest, turns.dishes[0]?.otherwise.half, turns.dishes[0]?.left.half]).toEqual([0, 4, 4]);
  expect([waits.wait.longest, waits.dishes[0]?.otherwise.half, waits.dishes[0]?.left.half]).toEqual([46, 0, 0]);
});

test('the same seed gives the same mornings, another one others', () => {
  const plan = planOf(24, [load(1, 470), load(2, 474), load(3, 478)]);
  const of = (seed: number) => rehearse(plan, AS_IT_GOES, 40, seed);
  expect(of(0.3)).toEqual(of(0.3));
  expect(of(0.3).wait.mean).not.toBe(of(0.4).wait.mean);
});

test('two plans are given the same guests, so that what differs is the plans’', () => {
  const wanted = (steps: readonly Step[]) =>
    rehearse(planOf(24, steps), AS_IT_GOES, 20, 0.7).curve.map((c) => c.wanted);
  expect(wanted([load(1, 470), load(2, 476), load(3, 482)])).toEqual(wanted([load(1, 440, { pieces: 24 })]));
});

test('minutes on the heat vary as batches here did, where that is learned and in use, and a whole batch alike', () => {
  const base = planOf(24, [load(1, 470), load(2, 476), load(3, 482)]);
  const learned = (heatSd: number): RehearsedPlan => ({ ...base, dishes: base.dishes.map((d) => ({ ...d, heatSd })) });
  const exact = rehearse(base, EXACT, 20, 0.4).wait.mean;
  // what is learned stands instead of the guess
  expect(rehearse(learned(0), { ...EXACT, heat: 0.5 }, 20, 0.4).wait.mean).toBeCloseTo(exact, 6);
  expect(rehearse(base, { ...EXACT, heat: 0.5 }, 20, 0.4).wait.mean).not.toBeCloseTo(exact, 1);
  // three loads of one batch are late together, and early together: more mornings lie far off than where each varies alone
  const wait = (p: RehearsedPlan, heat: number) => rehearse(p, { ...EXACT, heat }, 300, 0.4).wait;
  const [together, alone] = [wait(learned(0.5), 0), wait(base, 0.5)];
  expect(together.nineOfTen).toBeGreaterThan(alone.nineOfTen + 0.5);
  expect(together.half).toBeLessThan(alone.half);
  const taught = regattaAsked(REGATTA);
  const house = { ...taught.house, learned: { 'time:griddle': { factor: 1.1, sd: 0.13, from: 5 } } };
  const solved = solveMorning({ ...taught, house }, false);
  if (!solved.ok) throw new Error(solved.error.message);
  const { dishes } = rehearsalOf({ ...taught, house }, solved.value);
  const kinds = new Map(taught.dishes.map((d) => [d.id, d.kind]));
  expect(dishes.every((d) => d.heatSd === (kinds.get(d.id) === 'griddle' ? 0.13 : null))).toBe(true);
  expect(dishes.some((d) => d.heatSd !== null)).toBe(true);
});

test('under way, what is done is as it was marked, and nothing else begins before now', () => {
  const plan = planOf(24, [load(1, 470), load(2, 476, { needs: [0] }), load(3, 482, { needs: [1] })]);
  const steady = () => ({ hands: 1, heat: 1 });
  const ended = goneThrough(plan, steady, { now: 495, done: new Map([['load 1', 481]]) });
  expect(ended.map((e) => [e.from, e.to])).toEqual([
    [475, 481],
    [495, 501],
    [501, 507],
  ]);
});

/** A morning solved, as it is rehearsed. */
const planned = (m: MorningDrawn): RehearsedPlan => {
  const s = solveMorning(regattaAsked(m), false);
  if (!s.ok) throw new Error(s.error.message);
  return rehearsalOf(regattaAsked(m), s.value);
};
const AT_THE_REGATTA = planned(REGATTA);

test('one more bowl takes its longest way to its first pieces; what stands overnight is not counted', () => {
  const made = (n: number, min: number, needs: readonly number[]): Step =>
    load(n, 300, { dish: null, pieces: 0, on: null, min, handsMin: 2, needs });
  const steps = [made(1, 600, []), made(2, 12, []), made(3, 20, [0, 1]), load(4, 400, { needs: [2] })];
  // 12 min, 20 min, and a load of 6: the ten hours in the cold are 2 min of hands
  expect(bowlLeadMin({ steps }, 'cakes')).toBe(38);
  expect(bowlLeadMin({ steps }, 'waffles')).toBe(0);
});

test('without spread the regatta goes as it is planned; all that is made is served or left', () => {
  const plan = AT_THE_REGATTA;
  const ended = goneThrough(plan, () => ({ hands: 1, heat: 1 }), null);
  for (const [n, step] of plan.steps.entries()) {
    expect([step.id, ended[n]?.from]).toEqual([step.id, expect.closeTo(step.from, 6)]);
    expect(ended[n]?.to).toBeCloseTo(step.from + step.min, 6);
  }
  const r = rehearse(plan, EXACT, 1, 0.5);
  for (const d of r.dishes) {
    const made = plan.steps.filter((x) => x.dish === d.id).reduce((a, x) => a + x.pieces, 0);
    const of = plan.dishes.find((x) => x.id === d.id);
    const wanted = (of?.plates ?? []).reduce((a, n) => a + n, 0);
    expect([d.id, made - (wanted - d.without.half) * (of?.each ?? 1)]).toEqual([d.id, d.left.half]);
  }
});

test('however times vary, nobody has two things in hand, and no surface holds more than it has places for', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 0.5, max: 2, noNaN: true }), { minLength: 40, maxLength: 40 }), (factors) => {
      const plan = AT_THE_REGATTA;
      let n = 0;
      const f = (): number => factors[n++ % factors.length] ?? 1;
      const ended = goneThrough(plan, () => ({ hands: f(), heat: f() }), null);
      for (const { name } of plan.people) {
        const mine = plan.steps.flatMap((s, k) => (s.by === name && ended[k] ? [ended[k]] : []));
        for (const [k, e] of mine.entries())
          expect(e.from).toBeGreaterThanOrEqual((mine[k - 1]?.from ?? 0) + (mine[k - 1]?.handsMin ?? 0) - 1e-6);
      }
      for (const [on, places] of Object.entries(plan.places)) {
        const lie = plan.steps.flatMap((s, k) => (s.on === on && ended[k] ? [{ ...ended[k], places: s.places }] : []));
        for (const x of lie) {
          const there = lie.filter((y) => y.from <= x.from && y.to > x.from + 1e-6).reduce((a, y) => a + y.places, 0);
          expect(there).toBeLessThanOrEqual(Math.max(places, x.places));
        }
      }
      for (const [k, s] of plan.steps.entries())
        for (const need of s.needs) expect(ended[k]?.from).toBeGreaterThanOrEqual((ended[need]?.to ?? 0) - 1e-6);
    }),
    { numRuns: 20 },
  );
});

test('with fewer hands guests wait longer, and those that are there have more to do', () => {
  const of = (m: MorningDrawn) => rehearse(planned(m), AS_IT_GOES, 60, 0.2);
  const [all, two] = [of(REGATTA), of({ ...REGATTA, people: REGATTA.people.slice(0, 2) })];
  expect(two.wait.nineOfTen).toBeGreaterThan(all.wait.nineOfTen);
  expect(two.hands[0]?.load).toBeGreaterThan(all.hands[0]?.load ?? 1);
});
