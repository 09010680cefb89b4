/** Too thick, too thin: how much, of what, and what stays. */
import fc from 'fast-check';
import { analyse } from '../analyse';
import { pooled } from '../batter/spread';
import { thickness } from '../batter/thickness';
import { EMPTY_FORMULA } from '../formula/formula';
import { kindById } from '../formula/kinds';
import { formulaLines } from '../formula/lines';
import { FRESH_WAYS, standingOf } from '../formula/ways';
import { ingredient } from '../pantry/pantry';
import { counting } from '../testing/counted';
import { PLAIN_CAKE } from '../testing/formulas';
import { correction, inTheBowl, leadsOut, leaveningWith, meansInBowl, paSOf, wantedPourOf } from './correct';

const LINES = formulaLines({ ...EMPTY_FORMULA, entries: PLAIN_CAKE.map((text, n) => ({ key: `l${n + 1}`, text })) });
const STANDING = standingOf(FRESH_WAYS, kindById('griddle'));
const MEANS = meansInBowl(LINES, ingredient('milk-whole'), ingredient('flour-all-purpose'));
const ask = (seen: number, bowlG = 400) =>
  correction(LINES, { bowlG, seen, want: 'ribbon', standing: STANDING, ...MEANS, stepG: 1 });

test('a measured pour turned round is the batter that poured it', () => {
  for (const eta of [0.3, 1, 2.4, 9])
    expect(paSOf({ by: 'pour', ml: 60, cm: [pooled(eta, 60).diameterCm] })).toBeCloseTo(eta, 9);
  expect(paSOf({ by: 'pour', ml: 60, cm: [] })).toBeNull();
  // a tenth narrower: 0.9^-10 = 2.87 times as thick
  const d = pooled(2, 60).diameterCm;
  expect((paSOf({ by: 'pour', ml: 60, cm: [0.9 * d] }) ?? 0) / 2).toBeCloseTo(2.868, 2);
});

test('too thick takes the batter’s own milk, too thin its own flour; near enough takes nothing', () => {
  const thick = ask(8);
  expect(thick).toMatchObject({ towards: 'thinner', short: false });
  expect(thick?.ingredient.id).toBe(MEANS.thin.id);
  const thin = ask(0.5);
  expect(thin).toMatchObject({ towards: 'thicker' });
  expect(thin?.ingredient.id).toBe('flour-all-purpose');
  expect(ask(2)).toBeNull();
  // half, then a look, then the rest in two; a twentieth of the bowl at once, 20 of 400 g
  expect(thick?.grams).toBe(61);
  expect(thick?.steps).toEqual([20, 20, 11, 10]);
  expect(ask(2.8)?.steps.reduce((a, g) => a + g, 0)).toBe(ask(2.8)?.grams);
});

test('the table of models.md: 400 g at 8.5 Pa.s take about 60 g of milk to 2.0', () => {
  const at = (milk: number) =>
    LINES.map((l) => (l.key === 'l5' ? { ...l, parts: l.parts.map((p) => ({ ...p, grams: milk })) } : l));
  const eta = (milk: number) => thickness(at(milk), STANDING.restMin, STANDING.batterC)?.paS ?? 0;
  const milk = Array.from({ length: 400 }, (_, n) => 150 + n).find((g) => eta(g) <= 8.5) as number;
  const c = correction(at(milk), {
    bowlG: 400,
    seen: eta(milk),
    want: 'ribbon',
    standing: STANDING,
    ...MEANS,
    stepG: 1,
  });
  // to the middle of a ribbon, 1.88
  expect(c?.grams).toBeGreaterThan(50);
  expect(c?.grams).toBeLessThan(75);
});

test('the class of the school that is nearest', () => {
  expect(wantedPourOf({ pour: ['thin cream', 'heavy cream'] }, 0.05)).toBe('thin cream');
  expect(wantedPourOf({ pour: ['thin cream', 'heavy cream'] }, 5)).toBe('heavy cream');
});

test('law: a bowl that went wrong by a cup too much comes right from how it is seen, and twice the bowl takes twice as much', () => {
  const tested = counting();
  const wrongs = fc.oneof(
    fc.record({ of: fc.constant('flour-all-purpose'), share: fc.integer({ min: 2, max: 13 }).map((x) => x / 100) }),
    fc.record({ of: fc.constant('milk-whole'), share: fc.integer({ min: 4, max: 35 }).map((x) => x / 100) }),
  );
  fc.assert(
    fc.property(wrongs, fc.integer({ min: 300, max: 6000 }), ({ of, share }, bowlG) => {
      // what is really in it: nobody knows, but how it pours is seen
      const mass = LINES.filter((l) => l.use === 'batter').reduce((a, l) => a + (l.grams ?? 0), 0);
      const real = [...LINES, { use: 'batter' as const, parts: [{ ingredient: ingredient(of), grams: share * mass }] }];
      const pours = (lines: Parameters<typeof thickness>[0]) =>
        thickness(lines, STANDING.restMin, STANDING.batterC)?.paS ?? 0;
      const c = ask(pours(real), bowlG);
      if (!c) return;
      const two = ask(pours(real), 2 * bowlG);
      expect(Math.abs((two?.grams ?? 0) - 2 * c.grams)).toBeLessThanOrEqual(2);
      expect(c.steps.reduce((a, g) => a + g, 0)).toBe(c.grams);
      for (const g of c.steps) expect(g).toBeLessThanOrEqual(Math.ceil(0.05 * bowlG) + 2);
      if (c.short) return;
      tested.one();
      const then = pours([
        ...real,
        { use: 'batter', parts: [{ ingredient: c.ingredient, grams: (c.grams * mass * (1 + share)) / bowlG }] },
      ]);
      // to the whole gram in the bowl
      expect(Math.abs(Math.log(then / (paSOf({ by: 'look', pour: 'ribbon' }) as number)))).toBeLessThan(0.12);
    }),
    { numRuns: 60 },
  );
  tested.atLeast(20);
});

test('a correction that leads out of the usual says so; flour brings its leavening along', () => {
  const then = (id: string, grams: number) =>
    analyse([...LINES, { use: 'batter', parts: [{ ingredient: ingredient(id), grams }] }], 'griddle', null, {
      standing: STANDING,
    });
  const now = analyse(LINES, 'griddle', null, { standing: STANDING });
  expect(leadsOut(now, then('milk-whole', 10))).toEqual([]);
  expect(leadsOut(now, then('milk-whole', 300))).toContain('water');
  // 50 g into a bowl of 859 g with 250 g of flour and 25 g ... : a fifth more flour, a fifth more powder
  const mass = LINES.filter((l) => l.use === 'batter').reduce((a, l) => a + (l.grams ?? 0), 0);
  const flour = LINES.find((l) => l.ingredient?.category === 'flour')?.grams ?? 0;
  const powder =
    LINES.filter((l) => l.ingredient?.category === 'leavening').sort((a, b) => (b.grams ?? 0) - (a.grams ?? 0))[0]
      ?.grams ?? 0;
  expect(leaveningWith(LINES, MEANS.thick, flour / 5, mass)?.grams).toBeCloseTo(powder / 5, 6);
  expect(leaveningWith(LINES, MEANS.thick, flour / 100, mass)).toBeNull();
  expect(leaveningWith(LINES, MEANS.thin, 100, mass)).toBeNull();
});

test('what was stirred in is in the bowl', () => {
  const sheet = [
    {
      key: 'l1',
      text: '',
      name: '',
      vessel: 'dry' as const,
      measure: '100 g',
      grams: 100,
      preparation: '',
      parts: [{ id: 'flour-all-purpose', grams: 100 }],
    },
  ];
  const corrected = (mix: number, grams = 30, bowlG = 110) => ({
    id: `${mix} ${grams}`,
    at: -grams,
    act: { what: 'corrected', mix, ingredientId: 'milk-whole', grams, bowlG, seen: '' } as const,
  });
  const lines = inTheBowl({ sheet, weights: { l1: 110 }, entries: [corrected(1), corrected(2)] }, 1, ingredient);
  expect(lines.map((l) => l.parts.map((p) => [p.ingredient.id, p.grams]))).toEqual([
    [['flour-all-purpose', 110]],
    [['milk-whole', 30]],
  ]);
  // half of it is poured: 14 g into the 70 that are left are as 28 into the 140
  const half = inTheBowl({ sheet, weights: { l1: 110 }, entries: [corrected(1), corrected(1, 14, 70)] }, 1, ingredient);
  expect(half.at(-1)?.parts[0]?.grams).toBeCloseTo(28, 9);
});
