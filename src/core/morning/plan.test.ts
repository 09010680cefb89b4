/** A planned morning: what is solved of it, its ways out taken, and how it is shown. */
import { analyseFormula } from '../analyse-formula';
import { acrossOf } from '../batch/mixes';
import type { Side } from '../batch/sides';
import { takeOut } from '../batch/take-out';
import { placesOn } from '../batter/surface';
import { FRESH_KITCHEN, type Kitchen } from '../formula/kitchen-settings';
import type { Gear } from '../pantry/gear';
import { dishOf, h } from '../testing/regatta';
import { askedOfPlan, type MorningFacts } from './asked';
import { changedMorning } from './changes';
import { allergenBoard, besidesOf, usesOfMorning } from './papers';
import { type MorningPlan, plannedWith } from './plan';
import { movedBetween, onSurface, personSteps } from './show';
import { solveMorning } from './solve';
import { bowlPlan, type PlacedStep } from './work';

const GEAR: readonly Gear[] = [
  { id: 'long', sort: 'griddle', name: 'Long griddle', wideCm: 76, deepCm: 45 },
  { id: 'iron', sort: 'iron', name: 'Shed iron', holdsMl: 310, pieces: 2 },
  { id: 'pan', sort: 'pan', name: 'Crepe pan', acrossCm: 24 },
  { id: 'balls', sort: 'ball-pan', name: 'Round pan', hollowMl: 32, hollows: 7 },
];
const HOUSE: Kitchen = { ...FRESH_KITCHEN, gear: GEAR };
const CAKES = dishOf(0, { share: 1 });
const WAFFLES = dishOf(1, { share: 1 });
const CREPES = dishOf(2, { share: 1 });
const FACTS: MorningFacts = {
  house: HOUSE,
  formulas: new Map([CAKES, WAFFLES, CREPES].map((d) => [d.id, { ...d.formula, name: d.name }])),
  kept: [
    { id: 'k1', formulaId: WAFFLES.id, state: 'frozen', left: 20, name: 'waffles' },
    { id: 'k2', formulaId: WAFFLES.id, state: 'batter', left: 5, name: 'batter' },
    { id: 'k3', formulaId: 'another', state: 'frozen', left: 9, name: 'balls' },
  ],
};
const planned = (d: { readonly id: string }, share: number, id = d.id) => ({
  id,
  formulaId: d.id,
  end: null,
  each: 2,
  of: { share },
  without: [],
});
const lit = (gearId: string) => {
  const name = GEAR.find((g) => g.id === gearId)?.name ?? '';
  const kind = gearId === 'long' ? ('griddle' as const) : gearId === 'iron' ? ('iron' as const) : ('pan' as const);
  return { gearId, name, kind, places: null, from: null, to: null };
};
const PLAN: MorningPlan = {
  name: 'Regatta breakfast',
  day: '2026-12-05',
  waves: [
    { at: h('7:30'), covers: 20 },
    { at: h('8:30'), covers: 20 },
  ],
  dishes: [planned(CAKES, 0.6)],
  people: [
    { name: 'Wren', role: 'lead', from: h('5:30'), to: h('10:00') },
    { name: 'Pip', role: 'helper', from: h('6:00'), to: h('10:00') },
  ],
  surfaces: [lit('long')],
  ovens: 1,
  hob: 2,
  bell: null,
  kept: [],
  sides: [],
  before: false,
};
const asked = (p: MorningPlan) => {
  const a = askedOfPlan(p, FACTS);
  if (!a.ok) throw new Error(a.error.message);
  return a.value;
};
const solved = (p: MorningPlan) => {
  const s = solveMorning(asked(p));
  if (!s.ok) throw new Error(s.error.message);
  return s.value;
};

test('shares are parts of what is eaten, whatever they sum to; counted plates are as they are counted', () => {
  const of = asked({
    ...PLAN,
    dishes: [planned(CAKES, 0.6), planned(WAFFLES, 0.2), { ...planned(CREPES, 1), of: { count: 9 } }],
  }).dishes.map((d) => d.of);
  expect(of).toEqual([
    { share: expect.closeTo(0.75) as number },
    { share: expect.closeTo(0.25) as number },
    { count: 9 },
  ]);
});

test('gear takes as many as of the largest piece made on it, and only what is made on it', () => {
  const { morning, spare } = asked({
    ...PLAN,
    dishes: [planned(CAKES, 1), planned(CREPES, 1)],
    surfaces: [lit('long'), lit('pan')],
  });
  const [long, pan] = morning.surfaces;
  // as the plan of a batch of these cakes counts them; crepes go into the pan alone
  const across = acrossOf('griddle', analyseFormula(CAKES.formula, HOUSE).analysis, 60);
  expect([long?.places, long?.kinds]).toEqual([
    GEAR[0] && placesOn(GEAR[0], 'griddle', across),
    ['griddle', 'small', 'foam'],
  ]);
  expect([pan?.places, pan?.kinds?.includes('crepe'), pan?.kinds?.includes('ball')]).toEqual([1, true, false]);
  expect(spare?.surfaces.map((s) => [s.name, s.kinds])).toEqual([
    ['Shed iron', ['waffle']],
    ['Round pan', ['ball']],
  ]);
  // what is said stands
  expect(asked({ ...PLAN, surfaces: [{ ...lit('long'), places: 6 }] }).morning.surfaces[0]?.places).toBe(6);
});

test('a formula that is gone is said at its place', () => {
  expect(askedOfPlan({ ...PLAN, dishes: [planned(CAKES, 1), planned({ id: 'gone' }, 1)] }, FACTS)).toMatchObject({
    ok: false,
    error: { path: 'dishes.1.formulaId' },
  });
});

test('kept pieces of a dish can be taken: pieces, not batter, no more than are left', () => {
  const p = { ...PLAN, dishes: [planned(WAFFLES, 1)] };
  expect(asked(p).spare?.kept).toEqual([
    { dish: WAFFLES.id, pieces: 20, state: 'frozen', lotId: 'k1', name: 'waffles' },
  ]);
  const taken = { dish: WAFFLES.id, lotId: 'k1', pieces: 30, state: 'frozen' as const };
  const a = asked({ ...p, kept: [taken, { ...taken, lotId: 'eaten' }] });
  expect([a.kept, a.spare?.kept]).toEqual([[{ ...taken, pieces: 20 }], []]);
});

test('what the kitchen has is lit before anything else is asked for; taken, it ends what it was offered for', () => {
  const p = { ...PLAN, dishes: [planned(WAFFLES, 1)] };
  const { unmet } = solved(p);
  expect(unmet[0]?.what).toContain('nothing is lit that they can be made on');
  const way = unmet[0]?.waysOut.find((w) => w.label === 'Light Shed iron');
  if (!way) throw new Error('the iron is not offered');
  const now = plannedWith(p, way.change);
  expect(now.surfaces).toEqual([lit('long'), lit('iron')]);
  expect(solved(now).unmet.some((u) => u.what.includes('nothing is lit'))).toBe(false);
});

test('each change changes its one thing, and its name is nobody else’s', () => {
  const twice = changedMorning(changedMorning(PLAN, { do: 'hand', from: 330, to: 600 }), {
    do: 'hand',
    from: 330,
    to: 600,
  });
  expect(twice.people.map((p) => p.name)).toEqual(['Wren', 'Pip', 'one more', 'one more 2']);
  const earlier = changedMorning(PLAN, { do: 'earlier', min: 30 });
  expect(earlier.people.map((p) => p.from)).toEqual([300, 360]);
  expect(changedMorning(PLAN, { do: 'later', wave: 1, min: 10 }).waves.map((w) => w.at)).toEqual([450, 520]);
  expect(changedMorning(PLAN, { do: 'each', dish: CAKES.id, each: 1 }).dishes[0]?.each).toBe(1);
  expect([changedMorning(PLAN, { do: 'oven' }).ovens, changedMorning(PLAN, { do: 'before' }).before]).toEqual([
    2,
    true,
  ]);
});

test('a dish that holds what it has to be without is told first, and no way out pretends to mend it', () => {
  const { unmet } = solved({ ...PLAN, dishes: [{ ...planned(CAKES, 1), without: ['milk', 'egg', 'sesame'] }] });
  expect(unmet[0]).toMatchObject({
    what: 'Griddle cakes: asked for without milk and egg, and its own ingredients hold them.',
    waysOut: [],
  });
  expect(solved({ ...PLAN, dishes: [{ ...planned(CAKES, 1), without: ['sesame'] }] }).unmet).toEqual(
    solved(PLAN).unmet,
  );
});

test('every way out that is said to end something, taken, ends it', () => {
  const tight: MorningPlan = {
    ...PLAN,
    waves: [{ at: h('7:30'), covers: 60 }],
    dishes: [planned(CAKES, 0.5), planned(WAFFLES, 0.5)],
    surfaces: [lit('long'), lit('iron')],
    people: [{ name: 'Wren', role: 'lead', from: h('6:45'), to: h('10:00') }],
  };
  const { unmet } = solved(tight);
  expect(unmet.length).toBeGreaterThan(0);
  for (const u of unmet)
    for (const w of u.waysOut.filter((x) => x.effect.startsWith('ends it'))) {
      const left = solved(plannedWith(tight, w.change)).unmet.map((x) => x.what);
      expect([w.label, left.includes(u.what)]).toEqual([w.label, false]);
    }
});

const step = (id: string, from: number, to: number, more: Partial<PlacedStep>): PlacedStep => ({
  id,
  batch: null,
  dish: null,
  name: id,
  from,
  to,
  by: 'Wren',
  handsMin: to - from,
  on: null,
  places: 0,
  ovenC: null,
  oven: null,
  hob: false,
  keepsMin: null,
  allergens: [],
  without: [],
  needs: [],
  wave: null,
  ...more,
});
const LOAD = { dish: 'd', wave: 0, on: 'Long griddle', places: 6 };

test('loads that follow each other in one place are one thing to do; another place, dish or a pause parts them', () => {
  const steps = [
    step('out', 0, 60, { handsMin: 2 }),
    step('r1', 60, 65, LOAD),
    step('r2', 65, 70, LOAD),
    step('r3', 74, 79, LOAD),
    step('s1', 80, 85, { ...LOAD, on: 'Pan' }),
    step('other', 0, 5, { by: 'Pip' }),
  ];
  expect(personSteps(steps, 'Wren').map((s) => [s.id, s.from, s.to, s.loads, s.pieces])).toEqual([
    ['out', 0, 2, 0, 0],
    ['r1', 60, 70, 2, 12],
    ['r3', 74, 79, 1, 6],
    ['s1', 80, 85, 1, 6],
  ]);
  expect(onSurface(steps, 'Long griddle').map((s) => [s.from, s.to])).toEqual([
    [60, 70],
    [74, 79],
  ]);
});

test('what has moved: another time, another hand, another place, or new; whose, most first', () => {
  const was = [step('a', 0, 5, {}), step('b', 5, 9, {}), step('c', 9, 12, { by: 'Pip' }), step('d', 20, 25, {})];
  const now = [
    step('a', 0.3, 5, {}),
    step('b', 6, 9, { by: 'Pip' }),
    step('c', 10, 12, { by: 'Pip' }),
    step('d', 20, 25, { on: 'Pan' }),
    step('e', 30, 35, { by: null }),
  ];
  expect(movedBetween(was, now)).toEqual({ steps: 4, people: ['Pip', 'Wren'] });
  expect(movedBetween(was, was)).toEqual({ steps: 0, people: [] });
});

test('what is gathered for a morning is what its bowls hold: as many times the card as the pieces ask', () => {
  const a = asked(PLAN);
  const s = solved(PLAN);
  const flour = takeOut(usesOfMorning(a.dishes, s.bowls, HOUSE, {}), {}).rows.find(
    (r) => r.ingredient.category === 'flour',
  );
  const one = s.bowls.reduce((sum, b) => {
    const plan = bowlPlan(a.dishes[0] ?? CAKES, b.pieces, HOUSE);
    if (!plan.ok) throw new Error(plan.error.message);
    return sum + (plan.value.sheet.find((l) => l.text === '250 g flour')?.grams ?? 0);
  }, 0);
  expect(one).toBeGreaterThan(0);
  expect(flour?.grams).toBeCloseTo(one, 6);
  expect(s.bowls.reduce((sum, b) => sum + b.pieces, 0)).toBe(80);
});

test('the allergen board says what each dish holds and from what, and claims nothing of the rest', () => {
  const board = allergenBoard(asked({ ...PLAN, dishes: [planned(CAKES, 0.5), planned(WAFFLES, 0.5)] }).dishes, HOUSE);
  expect(board.names).toEqual(['egg', 'gluten', 'milk', 'wheat']);
  const cakes = board.rows[0];
  expect([cakes?.dish, cakes?.holds.get('egg'), cakes?.holds.get('milk')]).toEqual([
    'Griddle cakes',
    ['Large egg'],
    expect.arrayContaining(['Cultured buttermilk']),
  ]);
  // what its card serves and no line holds is not known here
  const [dish] = asked({ ...PLAN, dishes: [planned(CAKES, 1)] }).dishes;
  const served = dish && { ...dish, formula: { ...dish.formula, cardNotes: 'Serve with walnuts.' } };
  expect(allergenBoard(served ? [served] : [], HOUSE).rows[0]?.unknown).toEqual([...(cakes?.unknown ?? []), 'walnuts']);
});

test('a sauce of the kitchen counts once for all covers: its grams are gathered, and the board says what it holds', () => {
  const side: Side = {
    id: 's1',
    name: 'Honey butter',
    by: 'weight',
    parts: [
      { ingredientId: 'butter-unsalted', parts: 3 },
      { ingredientId: 'honey', parts: 1 },
    ],
    servingG: 12,
    method: '',
  };
  const a = asked(PLAN);
  const besides = besidesOf({ ...PLAN, sides: [{ sideId: 's1', name: 'Honey butter', min: 5, onHob: false }] }, [side]);
  const gathered = (with_: typeof besides) =>
    takeOut(usesOfMorning(a.dishes, solved(PLAN).bowls, HOUSE, {}, with_), {}).rows;
  // 40 covers of 12 g, a quarter of it honey
  expect(gathered(besides).find((r) => r.ingredient.id === 'honey')?.grams).toBeCloseTo(120, 6);
  expect(gathered([]).find((r) => r.ingredient.id === 'honey')).toBeUndefined();
  expect(allergenBoard(a.dishes, HOUSE, besides).rows.at(-1)?.holds.get('milk')).toEqual(['Unsalted butter']);
  expect(besidesOf({ ...PLAN, sides: [{ name: 'Honey butter', min: 5, onHob: false }] }, [side])).toEqual([]);
});
