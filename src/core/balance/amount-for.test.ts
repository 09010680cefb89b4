/** Amounts that nobody told: all at once, by what is known, each where most cooks have it. */
import fc from 'fast-check';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { type KindId, kindById, schoolOf } from '../formula/kinds';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { formulaLines } from '../formula/lines';
import { lacksAmount } from '../formula/open';
import { amountFor, amountsForAll } from './amount-for';
import { amountsWeighed } from './as-weighed';
import { type Bench, workedOn } from './bench';

const of = (texts: readonly string[], kind: KindId = 'griddle', school = 'even'): Formula => ({
  ...EMPTY_FORMULA,
  kind,
  school,
  entries: texts.map((text, n) => ({ key: `l${n + 1}`, text })),
});
function proposed(f: Formula) {
  const b: Bench = { formula: f, house: FRESH_KITCHEN, end: null };
  const w = workedOn(b);
  const p = amountsForAll(
    b,
    w,
    w.lines.filter((l) => lacksAmount(l)),
  );
  if (!p) return null;
  const now = formulaLines(p.formula, FRESH_KITCHEN);
  return { p, grams: now.map((l) => l.grams), after: workedOn({ ...b, formula: p.formula }).analysis };
}

test('a card that names things alone is a usual batch: 250 g of flour, and every ratio in its zone', () => {
  const made = proposed(of(['flour', 'milk', 'eggs', 'a bit of baking powder', 'salt', 'sugar', 'butter']));
  expect(made?.grams[0]).toBe(250);
  for (const r of made?.after.rails ?? []) expect([r.rail, r.reading?.standing]).toEqual([r.rail, 'in']);
  expect([made?.p.title, made?.p.why]).toEqual([
    'Propose all 7 amounts',
    expect.stringMatching(/^250 g .*flour, 2 eggs, /),
  ]);
  expect(made?.p.why).toContain('by a usual batch');
});

test('what is known sets the flour: the milk, else the eggs; a spoon of milk or a banana sets nothing', () => {
  const { zones } = schoolOf(kindById('griddle'), 'even');
  // 300 g of milk hold 264 g of water: flour where that is two fifths of the way up the zone
  const byMilk = proposed(of(['flour', '300 g milk', 'salt']));
  const wet = 300 * 0.8813;
  const [low, high] = zones.water;
  const aim = low + 0.4 * (high - low);
  expect(Math.abs((byMilk?.grams[0] ?? 0) - (100 * wet) / aim)).toBeLessThan(4);
  expect(byMilk?.p.why).toContain('by what is poured in');
  const byEggs = proposed(of(['flour', '4 eggs', 'milk']));
  expect(byEggs?.p.why).toContain('by the eggs');
  expect(byEggs?.grams[0]).toBeGreaterThan(250);
  for (const anchor of ['1 tbsp milk', '1 banana', '1 egg']) {
    const made = proposed(of(['flour', anchor, 'milk', 'baking powder']));
    expect([anchor, (made?.grams[0] ?? 0) >= 60]).toEqual([anchor, true]);
  }
  expect(proposed(of(['flour', '1 banana', 'milk', 'baking powder']))?.grams[0]).toBe(250);
});

test('a pinch and nothing wet ask for no flour by themselves', () => {
  const b: Bench = { formula: of(['flour', 'a pinch of salt', 'milk']), house: FRESH_KITCHEN, end: null };
  const w = workedOn(b);
  const [flour] = w.lines;
  expect(flour && amountFor(b, w, flour)).toBeNull();
});

test('nothing is proposed where one is open, or no flour is there; what is written stays', () => {
  expect(proposed(of(['250 g flour', '300 g milk', 'salt']))).toBeNull();
  expect(proposed(of(['milk', 'eggs']))).toBeNull();
  const made = proposed(of(['200 g flour', '2 eggs', 'milk', 'salt', 'blueberries']));
  expect(made?.grams.slice(0, 2)).toEqual([200, 100]);
  expect(made?.grams[4]).toBe(100);
  expect(made?.grams.every((g) => g !== null)).toBe(true);
});

test('law: of any kind and any things, a proposal changes no line that has an amount, and leaves none a tenth of what it may be', () => {
  const kinds: readonly KindId[] = ['griddle', 'crepe', 'waffle', 'oven', 'small', 'ball'];
  let made = 0;
  fc.assert(
    fc.property(
      fc.constantFrom(...kinds),
      fc.subarray(
        ['milk', 'eggs', 'sugar', 'salt', 'butter', 'vanilla extract', 'baking powder', '2 eggs', '300 g milk'],
        {
          minLength: 2,
        },
      ),
      (kind, things) => {
        const p = proposed(of(['flour', ...things], kind, kindById(kind).schools[0].id));
        if (!p) return;
        made++;
        things.forEach((t, n) => {
          if (/\d/.test(t)) expect(p.p.formula.entries[n + 1]?.text).toBe(t);
        });
        expect(p.grams[0]).toBeGreaterThanOrEqual(60);
        expect(p.grams[0]).toBeLessThanOrEqual(600);
      },
    ),
    { numRuns: 60 },
  );
  expect(made).toBeGreaterThan(40);
});

test('what is proposed says so, with what is usual on both sides; nothing else does', () => {
  const f = of(['250 g flour', 'milk', '2 eggs', 'salt', 'vanilla']);
  const after = proposed(f)?.p.formula.entries ?? [];
  expect(after.map((e) => e.proposed !== undefined)).toEqual([false, true, false, true, true]);
  for (const { proposed: p } of after)
    if (p) {
      expect(p[0]).toBeLessThanOrEqual(1);
      expect(p[1]).toBeGreaterThanOrEqual(1);
    }
  // vanilla has no ratio: half to twice
  expect(after[4]?.proposed).toEqual([0.5, 2]);
  // salt of even griddle cakes: its zone's ends, by the amount at four tenths of it
  const zone = schoolOf(kindById('griddle'), 'even').zones.salt;
  const at = zone[0] + 0.4 * (zone[1] - zone[0]);
  const salt = after[3]?.proposed ?? [0, 0];
  expect(salt[1] / (salt[0] || 1)).toBeGreaterThan(1);
  expect(salt[1]).toBeCloseTo(zone[1] / at, 0);
});

test('as weighed: what went in otherwise is rewritten, for what the formula makes; what was proposed is told now', () => {
  const entries = of(['250 g flour', '300 g milk', '4 g salt']).entries.map((e, n) =>
    n > 0 ? { ...e, proposed: [0.5, 2] as const } : e,
  );
  const b: Bench = { formula: { ...of([]), entries }, house: FRESH_KITCHEN, end: null };
  // a batch of twice as much
  const went = [
    { key: 'l1', askedG: 500, wentG: 501 },
    { key: 'l2', askedG: 600, wentG: 700 },
    { key: 'l3', askedG: 8, wentG: 8 },
  ];
  const p = amountsWeighed(b, went, 'Saturday', FRESH_KITCHEN.units);
  expect(p?.title).toBe('As weighed in Saturday');
  expect(p?.why).toBe('whole milk 350 g: as it went in, for what this formula makes.');
  expect(p?.formula.entries.map((e) => e.text)).toEqual(['250 g flour', '350 g milk', '4 g salt']);
  expect(p?.formula.entries.some((e) => e.proposed)).toBe(false);
  const told: Bench = { ...b, formula: of(['250 g flour']) };
  expect(amountsWeighed(told, [{ key: 'l1', askedG: 500, wentG: 500 }], 'Saturday', FRESH_KITCHEN.units)).toBeNull();
});
