/** What a change of a morning would change, and what there is for a guest who has to be without something. */
import { h, REGATTA, regattaAsked } from '../testing/regatta';
import { changedMorning, type MorningChange } from './changes';
import { allergenBoard } from './papers';
import { previewOf } from './preview';
import { solveMorning } from './solve';
import { dishesWithout } from './without';
import type { MorningAsked, PlacedStep } from './work';

const ASKED = regattaAsked(REGATTA, true);
const solved = (q: MorningAsked) => {
  const s = solveMorning(q, false);
  if (!s.ok) throw new Error(s.error.message);
  return s.value;
};
const WAS = solved(ASKED);
const changed = (change: MorningChange) => {
  const { kept, before, ...morning } = changedMorning({ ...ASKED.morning, kept: ASKED.kept, before: true }, change);
  return previewOf(WAS, solved({ ...ASKED, morning, kept, before }), ASKED.dishes, ASKED.house);
};

test('twelve more at a wave are split by the shares, with what they take', () => {
  const p = changed({ do: 'covers', wave: 2, by: 12 });
  expect(p.dishes.reduce((a, d) => a + d.plates, 0)).toBe(12);
  const cakes = p.dishes.find((d) => d.dish === 'd0');
  // 40 covers of which four tenths: 16 instead of 11 plates, three pieces on each
  expect([cakes?.plates, cakes?.pieces]).toEqual([5, 15]);
  // of a card that holds 2 eggs in 731 g
  expect(cakes?.eggs).toBeCloseTo(((cakes?.grams ?? 0) * 2) / 731, 1);
  expect(cakes?.grams).toBeGreaterThan(700);
  expect(cakes?.grams).toBeLessThan(1100);
});

test('as many fewer is the same the other way; the same again changes nothing', () => {
  expect(changed({ do: 'covers', wave: 2, by: -12 }).dishes.reduce((a, d) => a + d.plates, 0)).toBe(-12);
  const same = previewOf(WAS, WAS, ASKED.dishes, ASKED.house);
  expect(same).toMatchObject({ dishes: [], waves: [], worse: [], mended: [], moved: { steps: 0 } });
});

test('a griddle that is out moves steps, and what no longer goes is told', () => {
  const p = changed({ do: 'out', surface: 'griddle 1' });
  expect(p.dishes).toEqual([]);
  expect(p.moved.steps).toBeGreaterThan(10);
  expect(p.worse.length + p.waves.length).toBeGreaterThan(0);
});

const step = (id: string, more: Partial<PlacedStep>): PlacedStep => ({
  ...(WAS.steps.find((s) => s.dish !== null) as PlacedStep),
  id,
  oven: null,
  ...more,
});
test('without wheat: what holds none, what is ready of it, and what lay there before with no cleaning between', () => {
  const rows = allergenBoard(ASKED.dishes, ASKED.house).rows;
  const steps = [
    step('a', { dish: 'd0', on: 'griddle 1', from: h('7:00'), to: h('7:06'), allergens: ['wheat', 'egg', 'milk'] }),
    step('b', { dish: 'd3', on: 'griddle 1', from: h('7:10'), to: h('7:16'), places: 6, allergens: ['egg', 'milk'] }),
    step('c', { dish: 'd3', on: 'griddle 2', from: h('7:20'), to: h('7:26'), places: 4, allergens: ['egg', 'milk'] }),
  ];
  const of = (all: readonly PlacedStep[], done: readonly string[]) =>
    dishesWithout(all, ASKED.dishes, rows, new Map(done.map((id) => [id, 0])), 'wheat');
  expect(of(steps, ['a', 'b'])).toEqual([
    {
      dish: 'd3',
      ready: 6,
      nextAt: h('7:26'),
      surfaces: [
        { on: 'griddle 1', touched: 'd0' },
        { on: 'griddle 2', touched: null },
      ],
      unknown: [],
    },
  ]);
  const clean = step('clean griddle 1 1', { dish: null, wave: null, on: 'griddle 1', from: h('7:07'), to: h('7:09') });
  expect(of([...steps, clean], [])[0]?.surfaces[0]).toEqual({ on: 'griddle 1', touched: null });
  // what lies there only after it does not touch it
  const after = step('d', { dish: 'd0', on: 'griddle 2', from: h('7:30'), to: h('7:36'), allergens: ['wheat'] });
  expect(of([...steps, after], [])[0]?.surfaces[1]).toEqual({ on: 'griddle 2', touched: null });
});

test('the regatta’s own schedule: what is without wheat lay on nothing that wheat had touched', () => {
  const rows = allergenBoard(ASKED.dishes, ASKED.house).rows;
  const there = dishesWithout(WAS.steps, ASKED.dishes, rows, new Map(), 'wheat');
  expect(there.map((d) => d.dish)).toEqual(['d3']);
  for (const s of there[0]?.surfaces ?? []) expect(s.touched).toBeNull();
});
