/** A class: benches that share nothing but ovens and the hob. */
import fc from 'fast-check';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { dishOf, h } from '../testing/regatta';
import { cases } from '../testing/share';
import { askedOfPlan } from './asked';
import { type ClassAsked, classPlan, stationsOf } from './class';
import { solveMorning } from './solve';
import { eveningOf } from './work';

const CAKES = dishOf(0, { share: 1 });
const ASKED: ClassAsked = {
  name: 'Juniors',
  day: '2026-12-05',
  from: h('9:00'),
  at: h('11:00'),
  formulaId: CAKES.id,
  end: null,
  benches: 4,
  hands: 2,
  each: 3,
  kind: 'pan',
  places: 3,
  ovens: 1,
  hob: 4,
  teacher: { personId: null, name: 'Skipper' },
  before: false,
};
const worked = (q: ClassAsked) => {
  const plan = classPlan(q);
  const asked = askedOfPlan(plan, {
    house: FRESH_KITCHEN,
    formulas: new Map([[CAKES.id, { ...CAKES.formula, name: 'Griddle cakes' }]]),
    kept: [],
  });
  if (!asked.ok) throw new Error(asked.error.message);
  const s = solveMorning(asked.value, false);
  if (!s.ok) throw new Error(s.error.message);
  return { plan, asked: asked.value, solved: s.value };
};

test('four benches of two: a bowl each, six pieces and no more, and all of them eat in time', () => {
  const { plan, solved } = worked(ASKED);
  expect(plan.waves).toEqual([{ at: h('11:00'), covers: 8 }]);
  expect(solved.bowls.map((b) => [b.dish, b.pieces])).toEqual([
    ['d1', 6],
    ['d2', 6],
    ['d3', 6],
    ['d4', 6],
  ]);
  expect(solved.unmet).toEqual([]);
  expect(stationsOf(plan)).toEqual([
    { name: 'Skipper', people: ['Skipper'] },
    { name: 'Bench 1', people: ['Bench 1 a', 'Bench 1 b'] },
    { name: 'Bench 2', people: ['Bench 2 a', 'Bench 2 b'] },
    { name: 'Bench 3', people: ['Bench 3 a', 'Bench 3 b'] },
    { name: 'Bench 4', people: ['Bench 4 a', 'Bench 4 b'] },
  ]);
});

test('what a bench makes its own hands make on its own surface; benches are beside each other, no queue', () => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 8 }),
      fc.integer({ min: 1, max: 3 }),
      fc.integer({ min: 1, max: 6 }),
      (benches, hands, places) => {
        const { plan, solved } = worked({ ...ASKED, benches, hands, places });
        const last: number[] = [];
        for (const d of plan.dishes) {
          const own = new Set(plan.people.filter((p) => p.bench === d.bench).map((p) => p.name));
          const on = new Set(plan.surfaces.filter((s) => s.bench === d.bench).map((s) => s.name));
          const steps = solved.steps.filter((s) => s.batch === solved.bowls.find((b) => b.dish === d.id)?.id);
          expect(steps.length).toBeGreaterThan(5);
          for (const s of steps) {
            if (s.by !== null) expect([s.id, own.has(s.by)]).toEqual([s.id, true]);
            if (s.dish !== null && s.on !== null) expect([s.id, on.has(s.on)]).toEqual([s.id, true]);
          }
          last.push(Math.max(...steps.filter((s) => s.dish !== null).map((s) => s.to)));
        }
        // as many as there are, the last bench is done no later than the first, but for the shared hob
        expect(Math.max(...last) - Math.min(...last)).toBeLessThanOrEqual(30);
      },
    ),
    { numRuns: cases(12) },
  );
});

test('through both days: what is weighed the evening before stands there by bench, and is not of the day', () => {
  const { asked, solved } = worked({ ...ASKED, benches: 2, before: true });
  const evening = eveningOf(asked, solved.bowls);
  expect(evening.filter((s) => s.dish === 'd1').map((s) => s.name)).toContain('Weigh the dry, Griddle cakes, Bench 1');
  expect(evening.filter((s) => s.dish === 'd2').length).toBe(evening.filter((s) => s.dish === 'd1').length);
  expect(solved.steps.filter((s) => s.name.startsWith('Weigh the dry'))).toEqual([]);
  expect(eveningOf({ ...asked, before: false }, solved.bowls)).toEqual([]);
});
