/** Laws of a morning's schedule, on mornings drawn at random and on the regatta of the boathouse. */
import fc from 'fast-check';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import type { Allergen } from '../pantry/ingredient';
import { counting } from '../testing/counted';
import { BERRIES, dishOf, h, type MorningDrawn, REGATTA, regattaAsked } from '../testing/regatta';
import { cases } from '../testing/share';
import { clockOf, ovensOf, platesWanted } from './morning';
import { solveMorning } from './solve';
import type { PlacedStep } from './work';

const solved = (m: MorningDrawn, before = false, withWays = true) => {
  const r = solveMorning(regattaAsked(m, before), withWays);
  if (!r.ok) throw new Error(r.error.message);
  return r.value;
};

/** A morning of up to four dishes, three waves, four people and five surfaces. */
const mornings = fc
  .record({
    dishes: fc.uniqueArray(fc.integer({ min: 0, max: BERRIES }), { minLength: 1, maxLength: 4 }),
    shares: fc.array(fc.integer({ min: 1, max: 5 }), { minLength: 4, maxLength: 4 }),
    waves: fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { minLength: 1, maxLength: 3 }),
    covers: fc.integer({ min: 2, max: 24 }),
    people: fc.array(fc.constantFrom('lead', 'cook', 'helper', 'child'), { minLength: 0, maxLength: 3 }),
    surfaces: fc.array(fc.tuple(fc.constantFrom('griddle', 'iron', 'pan'), fc.integer({ min: 1, max: 10 })), {
      minLength: 1,
      maxLength: 5,
    }),
    ovens: fc.integer({ min: 0, max: 2 }),
    hob: fc.integer({ min: 1, max: 2 }),
    from: fc.integer({ min: 300, max: 420 }),
  })
  .map((x): MorningDrawn => {
    const sum = x.dishes.reduce((a, _, n) => a + (x.shares[n] ?? 1), 0);
    return {
      waves: [...x.waves].sort((a, b) => a - b).map((w) => ({ at: 450 + 25 * w, covers: x.covers })),
      dishes: x.dishes.map((d, n) => dishOf(d, { share: (x.shares[n] ?? 1) / sum })),
      people: ['lead' as const, ...x.people].map((role, n) => ({ name: `p${n}`, role, from: x.from, to: 720 })),
      surfaces: x.surfaces.map(([kind, places], n) => ({ name: `s${n}`, kind, places, from: null, to: null })),
      ovens: x.ovens,
      hob: x.hob,
      bell: null,
    };
  });

const meet = (a: { from: number; to: number }, b: { from: number; to: number }): boolean =>
  a.from < b.to - 0.001 && b.from < a.to - 0.001;
const handsOf = (s: PlacedStep) => ({ from: s.from, to: s.from + s.handsMin });
const holds = (a: readonly Allergen[], b: readonly Allergen[]): boolean => a.some((x) => b.includes(x));

/** One cook for three waves, half an hour apart, on one place of each: much of it nobody can do. */
const TOO_MUCH: MorningDrawn = {
  waves: [450, 475, 500].map((at) => ({ at, covers: 11 })),
  dishes: [dishOf(1, { share: 0.57 }), dishOf(0, { share: 0.43 })],
  people: [{ name: 'p0', role: 'lead', from: 300, to: 720 }],
  surfaces: (['griddle', 'iron'] as const).map((kind) => ({ name: kind, kind, places: 1, from: null, to: null })),
  ovens: 0,
  hob: 1,
  bell: null,
};

test('no hand, place, oven or pan twice at once; nothing before what it needs; no allergen where it may not be', () => {
  fc.assert(
    fc.property(mornings, (m) => {
      const { steps, plates, bowls } = solved(m, false, false);
      const byId = new Map(steps.map((s) => [s.id, s]));
      for (const [n, a] of steps.entries())
        for (const b of steps.slice(n + 1)) {
          if (a.by !== null && a.by === b.by) expect(meet(handsOf(a), handsOf(b))).toBe(false);
          if (a.oven !== null && a.oven === b.oven && a.ovenC !== b.ovenC) expect(meet(a, b)).toBe(false);
          // what has to be without lies beside none, and after none but where it was cleaned between
          if (a.on !== null && a.on === b.on && a.oven === null) {
            const [first, then] = a.from <= b.from ? [a, b] : [b, a];
            if (!holds(first.allergens, then.without)) continue;
            expect(meet(a, b)).toBe(false);
            const clean = (c: PlacedStep): boolean =>
              c.id.startsWith('clean ') && c.on === a.on && c.from >= first.to - 0.001 && c.to <= then.from + 0.001;
            expect(steps.some(clean)).toBe(true);
          }
        }
      for (const s of m.surfaces)
        for (const at of steps.filter((x) => x.on === s.name)) {
          const beside = steps.filter((x) => x.on === s.name && x.from <= at.from + 0.001 && x.to > at.from + 0.001);
          expect(beside.reduce((a, x) => a + x.places, 0)).toBeLessThanOrEqual(s.places);
        }
      for (const at of steps.filter((x) => x.hob))
        expect(
          steps.filter((x) => x.hob && x.from <= at.from + 0.001 && x.to > at.from + 0.001).length,
        ).toBeLessThanOrEqual(m.hob);
      for (const s of steps)
        for (const need of s.needs) {
          const before = byId.get(need);
          if (before) expect(before.to).toBeLessThanOrEqual(s.from + 0.001);
        }
      for (const s of steps)
        if (s.by !== null) expect(s.from).toBeGreaterThanOrEqual(Math.min(...m.people.map((p) => p.from)) - 0.001);
      // nothing that is done for a bowl is left over: what is poured or served waits for it
      const poured = new Set(steps.filter((s) => s.wave !== null).map((s) => s.batch));
      for (const s of steps)
        if (poured.has(s.batch) && s.wave === null && !s.id.startsWith('plate'))
          expect([s.id, steps.some((x) => x.needs.includes(s.id))]).toEqual([s.id, true]);
      // what is made is what is wanted, or it is told what is not
      for (const d of m.dishes) {
        const wanted = plates.filter((p) => p.dish === d.id).reduce((a, p) => a + Math.ceil(p.wanted * d.each), 0);
        expect(bowls.filter((b) => b.dish === d.id).reduce((a, b) => a + b.pieces, 0)).toBe(wanted);
        const lies = steps.filter((s) => s.dish === d.id && s.wave !== null).reduce((a, s) => a + s.places, 0);
        const all = plates.filter((p) => p.dish === d.id).every((p) => p.at !== null);
        if (all) expect(lies).toBe(wanted);
        else expect(lies).toBeLessThan(wanted);
      }
    }),
    { numRuns: cases(60), examples: [[TOO_MUCH]] },
  );
}, 120_000);

test('what is not ready is told, and what is told is not ready; the same morning gives the same schedule', () => {
  fc.assert(
    fc.property(mornings, (m) => {
      const s = solved(m, false, false);
      const short = s.plates.filter((p) => p.ready < p.wanted);
      for (const p of short) {
        const name = m.dishes.find((d) => d.id === p.dish)?.name ?? '?';
        expect(s.unmet.some((u) => u.what.startsWith(`${name} for ${clockOf(m.waves[p.wave]?.at ?? 0)}`))).toBe(true);
      }
      for (const u of s.unmet) expect(u.by).toBeGreaterThan(0);
      expect(solved(m, false, false)).toEqual(s);
    }),
    { numRuns: cases(24) },
  );
}, 120_000);

test('plates of a wave sum to its covers, by the shares', () => {
  const wanted = platesWanted(REGATTA);
  // 28 times 0.4, 0.3, 0.15, 0.1, 0.05: 11.2, 8.4, 4.2, 2.8, 1.4
  expect(wanted.map((d) => d[0])).toEqual([11, 9, 4, 3, 1]);
  for (const w of [0, 1, 2]) expect(wanted.reduce((a, d) => a + (d[w] ?? 0), 0)).toBe(28);
  expect(platesWanted({ ...REGATTA, dishes: [dishOf(0, { count: 10 })] })).toEqual([[4, 3, 3]]);
});

test('a regatta: rice cakes have a griddle of their own, and every way out ends what it is offered for', () => {
  const s = solved(REGATTA);
  const rice = s.steps.filter((x) => x.dish === 'd3');
  expect(new Set(rice.map((x) => x.on))).toEqual(new Set(['griddle 2']));
  expect(s.steps.filter((x) => x.on === 'griddle 2' && x.dish !== null && x.allergens.includes('wheat'))).toEqual([]);
  // batter with powder is combined for each wave, an hour apart: never one bowl for three
  expect(s.bowls.filter((b) => b.dish === 'd1').map((b) => b.waves)).toEqual([[0], [1], [2]]);
  expect(s.unmet.length).toBeGreaterThan(0);
  for (const u of s.unmet) expect(u.waysOut.length).toBeGreaterThan(0);
  const before = solved(REGATTA, true);
  const evening = s.unmet.filter((u) =>
    u.waysOut.some((w) => w.label.startsWith('Weigh the evening before') && w.effect.startsWith('ends it')),
  );
  expect(evening.length).toBeGreaterThan(0);
  for (const u of evening) expect(before.unmet.map((x) => x.what.split(':')[0])).not.toContain(u.what.split(':')[0]);
});

test('what has to be without what others bring has its own washed bowl, whisk and spatula before its first step', () => {
  const { steps, bowls } = solved(REGATTA);
  const starts = new Map(steps.map((s) => [s.id, s]));
  const without = REGATTA.dishes.filter((d) => d.without.length > 0).map((d) => d.id);
  expect(without.length).toBeGreaterThan(0);
  for (const b of bowls) {
    const tools = starts.get(`${b.id} tools`);
    expect(tools !== undefined).toBe(without.includes(b.dish));
    if (!tools) continue;
    for (const s of steps)
      if (s.batch === b.id && s !== tools && s.wave === null && !s.id.startsWith('plate')) {
        expect(s.from).toBeGreaterThanOrEqual(tools.to - 0.001);
        expect(s.needs.length).toBeGreaterThan(0);
      }
  }
  // alone in the kitchen it needs none
  const alone = REGATTA.dishes.filter((d) => without.includes(d.id)).slice(0, 1);
  const one = solved({ ...REGATTA, dishes: alone });
  expect(one.steps.some((s) => s.id.endsWith(' tools'))).toBe(false);
});

test('berries kept back, butter and syrup to serve and a second rest come before the pouring, warm plates before the plates', () => {
  const { steps, bowls } = solved({ ...REGATTA, dishes: [dishOf(BERRIES, { share: 1 }, 1)] });
  expect(bowls.flatMap((b) => b.waves)).toEqual([0, 1, 2]);
  for (const { id, waves } of bowls) {
    const at = (step: string) => steps.find((s) => s.id === `${id} ${step}`);
    const poured = Math.min(...steps.filter((s) => s.batch === id && s.wave !== null).map((s) => s.from));
    for (const step of ['topready', 'topsoft', 'topwarm', 'own1', 'rest1'])
      expect([step, (at(step)?.to ?? Number.NaN) <= poured + 0.001]).toEqual([step, true]);
    expect(at('own1')?.from).toBeGreaterThanOrEqual((at('rest1')?.to ?? Number.NaN) - 0.001);
    for (const w of waves) expect(steps.find((s) => s.id === `plate d6 ${w + 1}`)?.needs).toContain(`${id} own2`);
  }
});

test('nothing is lit that waffles can be made on: told, with the way out; a lone cook with one dish is told nothing', () => {
  const [w] = [dishOf(1, { share: 1 }, 1)];
  const none = solved({ ...REGATTA, dishes: [w], surfaces: [] });
  expect(none.unmet[0]?.what).toContain('nothing is lit that they can be made on');
  expect(none.unmet[0]?.waysOut.map((x) => x.label)).toContain('Light an iron');
  const lone = solved({
    waves: [{ at: h('9:00'), covers: 4 }],
    dishes: [dishOf(0, { share: 1 }, 3)],
    people: [{ name: 'Ada', role: 'lead', from: h('6:00'), to: h('11:00') }],
    surfaces: [{ name: 'griddle', kind: 'griddle', places: 6, from: null, to: null }],
    ovens: 1,
    hob: 1,
    bell: null,
  });
  expect(lone.unmet).toEqual([]);
  expect(lone.plates).toEqual([{ wave: 0, dish: 'd0', wanted: 4, ready: 4, at: h('9:00') }]);
});

test('kept pieces are heated for the waves that want them, and so many fewer are poured', () => {
  const m: MorningDrawn = { ...REGATTA, dishes: [dishOf(1, { share: 1 }, 1)], waves: [{ at: h('8:00'), covers: 10 }] };
  const r = solveMorning({
    morning: m,
    dishes: m.dishes,
    sides: [],
    kept: [{ dish: 'd1', pieces: 6, state: 'frozen' }],
    house: FRESH_KITCHEN,
    before: false,
  });
  if (!r.ok) throw new Error();
  expect(r.value.bowls.map((b) => b.pieces)).toEqual([4]);
  const again = r.value.steps.find((s) => s.id.startsWith('reheat'));
  expect(again?.name).toContain('6 kept Waffles');
  expect(again?.to).toBeLessThanOrEqual(h('8:00'));
  expect(r.value.plates[0]).toMatchObject({ wanted: 10, ready: 10 });
});

test('ovens: those among the surfaces with their own places, the rest of one pan each', () => {
  const deck = { name: 'Deck', kind: 'oven', places: 3, from: null, to: null } as const;
  expect(ovensOf({ surfaces: [deck], ovens: 2 })).toEqual([
    { name: 'Deck', places: 3 },
    { name: 'oven 2', places: 1 },
  ]);
  expect(ovensOf({ surfaces: [deck], ovens: 0 })).toEqual([{ name: 'Deck', places: 3 }]);
});

test('law: a step that is put by hand stands there with whom it was given, or it is told; no hand is twice at once', () => {
  const law = counting();
  const put = fc.record({
    nth: fc.nat(200),
    by: fc.integer({ min: -40, max: 25 }),
    who: fc.option(fc.nat(3)),
    isTimed: fc.boolean(),
  });
  fc.assert(
    fc.property(mornings, put, (m, { nth, by, who, isTimed }) => {
      const free = solved(m, false, false).steps.filter((s) => s.by !== null && s.wave === null && s.dish === null);
      const s = free[nth % Math.max(1, free.length)];
      const person = m.people[(who ?? 0) % m.people.length];
      if (!s || s.id.startsWith('clean ') || !person || (!isTimed && who === null)) return;
      law.one();
      const pin = {
        step: s.id,
        name: s.name,
        from: isTimed ? Math.round(s.from + by) : null,
        by: who === null ? null : person.name,
      };
      const { steps, unmet } = solved({ ...m, pins: [pin] }, false, false);
      const is = steps.find((x) => x.id === s.id);
      const stands =
        is !== undefined &&
        (pin.from === null || Math.abs(is.from - pin.from) < 0.001) &&
        (pin.by === null || is.by === pin.by);
      if (!stands) expect(unmet.some((u) => u.what.includes(s.name) || u.what.includes(' for '))).toBe(true);
      for (const a of steps.filter((x) => x.hob))
        expect(steps.filter((x) => x.hob && x.from <= a.from && a.from < x.to - 0.001).length).toBeLessThanOrEqual(
          m.hob,
        );
      for (const [n, a] of steps.entries())
        for (const b of steps.slice(n + 1)) {
          if (a.by !== null && a.by === b.by) expect(meet(handsOf(a), handsOf(b))).toBe(false);
          if (a.oven !== null && a.oven === b.oven && a.ovenC !== b.ovenC) expect(meet(a, b)).toBe(false);
        }
    }),
    { numRuns: cases(30) },
  );
  law.atLeast(6);
}, 120_000);

test('a step put ten minutes earlier begins then; put later than its plates let it, they are late, or it is told', () => {
  const was = solved(REGATTA, false, false).steps.find((s) => s.name.startsWith('Weigh the dry') && s.by !== null);
  if (!was) throw new Error('somebody weighs the dry');
  const put = (from: number | null, by: string | null = null) => {
    const s = solved({ ...REGATTA, pins: [{ step: was.id, name: was.name, from, by }] }, false, false);
    return { is: s.steps.find((x) => x.id === was.id), unmet: s.unmet };
  };
  const early = put(Math.round(was.from) - 10);
  expect(early.is?.from).toBe(Math.round(was.from) - 10);
  expect(put(Math.round(was.from) + 40).unmet.length).toBeGreaterThan(0);
  expect(put(h('3:00')).unmet.map((u) => u.what)).toContain(
    `${was.name} can’t be done at 03:00, where it has been put: nobody is free for it.`,
  );
  // two pots on one place of the hob
  const melts = solved({ ...REGATTA, hob: 1 }, false, false).steps.filter((s) => s.hob);
  const pins = melts.slice(0, 2).map(({ id, name }) => ({ step: id, name, from: h('6:40'), by: null }));
  const { unmet } = solved({ ...REGATTA, hob: 1, pins }, false, false);
  const told = unmet.filter((u) => u.what.includes('has been put'));
  expect(told.map((u) => u.what.replace(/^.*, \w+ can/, 'It can'))).toEqual([
    'It can’t be done at 06:40, where it has been put: no place on the hob is free.',
  ]);
  // what is heated is known only when all loads lie
  const heat = solved(REGATTA, false, false).steps.find((s) => s.id.startsWith('heat '));
  const before = { step: heat?.id ?? '', name: heat?.name ?? '', from: Math.round(heat?.from ?? 0) - 20, by: null };
  const heated = solved({ ...REGATTA, pins: [before] }, false, false).steps.find((s) => s.id === before.step);
  expect(heated?.from).toBe(before.from);
  const late = solved({ ...REGATTA, pins: [{ ...before, from: Math.round(heat?.from ?? 0) + 3 }] }, false, false);
  expect(late.unmet.map((u) => u.what).filter((w) => w.startsWith(before.name))).toHaveLength(1);
  const other = REGATTA.people.find((p) => p.name !== was.by && p.role !== 'child');
  expect(put(null, other?.name ?? '').is?.by).toBe(other?.name);
});
