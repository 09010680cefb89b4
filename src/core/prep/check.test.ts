/** The second look, the whites' own clock, what is taken once, and what goes on at the heat. */

import fc from 'fast-check';
import type { Act, ActEntry } from '../batch/acts';
import { batterLife, FOAM_LIFE, lifeOf } from '../batch/mixes';
import { plannedSheet, readyFor } from '../batch/plan';
import { scriptOfBatch } from '../batch/script-of';
import { sheetGroups } from '../batch/sheet-groups';
import type { SheetLine } from '../batch/sheet-line';
import { bowlLines } from '../batch/sheet-line';
import { ONE, type Split } from '../batch/split';
import { batterVolume } from '../batter/volume';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { FRESH_WAYS, type Ways } from '../formula/ways';
import { addInsOf } from '../griddle/progress';
import { findIngredient } from '../pantry/pantry';
import type { Script } from '../script/act';
import { foldingIn, joiningIn, putOnIn } from '../script/read';
import { counting } from '../testing/counted';
import { linesOf } from '../testing/formulas';
import { foldedAt, isLookedAt, openIn } from './check';

const entry = (at: number, act: Act): ActEntry => ({ id: String(at), at, act });

function sheetOf(
  texts: readonly string[],
  split: Split = ONE,
  more: Partial<Formula> = {},
  choices: Readonly<Record<number, object>> = {},
): readonly SheetLine[] {
  const formula = {
    ...EMPTY_FORMULA,
    ...more,
    entries: texts.map((text, n) => ({ key: `l${n + 1}`, text, ...choices[n] })),
  };
  const driver = { by: 'factor', factor: 1 } as const;
  const r = readyFor({ formula, house: FRESH_KITCHEN, end: null, driver, split, eggs: null });
  if (!r.ok) throw new Error(r.error.message);
  const p = plannedSheet(r.value, {
    driver,
    exactness: 'gram',
    house: FRESH_KITCHEN,
    kind: formula.kind,
    portionMl: 60,
    split,
    stepG: 1,
  });
  if (!p.ok) throw new Error(p.error.message);
  return p.value.sheet;
}

test('law: a second look never passes an open line, in any of twelve kits over three classes', () => {
  const sheet = sheetOf(
    ['250 g flour', '10 g baking powder', '4 g salt', '430 g milk', '2 eggs', '10 g oil for the pan'],
    {
      by: 'kits',
      benches: 4,
      classes: 3,
    },
  );
  const keys = sheet.filter((l) => l.mix !== undefined).map((l) => l.key);
  const [tested, open] = [counting(), counting()];
  fc.assert(
    fc.property(fc.subarray(keys), fc.integer({ min: 1, max: 12 }), (ticked, mix) => {
      const own = bowlLines(sheet, mix).filter((l) => l.grams !== null);
      const all = fc.sample(fc.boolean(), 1)[0] ? [...ticked, ...own.map((l) => l.key)] : ticked;
      const batch = { sheet, ticked: all, entries: [entry(1, { what: 'checked', mix, initials: 'AB' })] };
      const left = own.filter((l) => !all.includes(l.key));
      expect(openIn(sheet, all, mix)).toEqual(left);
      expect(isLookedAt(batch, mix)).toBe(left.length === 0);
      // another bench is not looked at by it
      expect(isLookedAt(batch, (mix % 12) + 1)).toBe(false);
      (left.length === 0 ? tested : open).one();
    }),
  );
  tested.atLeast(10);
  open.atLeast(10);
});

test('one thing twice in one bowl is weighed once, with both lines named; done otherwise, or in another bowl, it is not', () => {
  const sheet = sheetOf([
    '250 g flour',
    '30 g sugar',
    '430 g milk',
    '1 tbsp sugar',
    '40 g butter, melted',
    '20 g butter, softened',
    '10 g flour for the pan',
  ]);
  const sugar = sheet.filter((l) => l.name === 'White sugar' || l.text.includes('sugar'));
  expect(sugar).toHaveLength(1);
  expect(sugar[0]).toMatchObject({
    key: 'l2+l4',
    preparation: expect.stringContaining('30 g sugar, and 1 tbsp sugar'),
  });
  // 30 and 12.5
  expect(sugar[0]?.grams).toBe(43);
  expect(sheet.filter((l) => l.text.includes('butter'))).toHaveLength(2);
  expect(sheet.filter((l) => l.text.includes('flour'))).toHaveLength(2);
});

test('whites are a state of their own: ready apart, folded by the school before or after the rest, and then on the foam’s clock', () => {
  const sheet = sheetOf(['150 g flour', '5 g baking powder', '150 g milk', '3 eggs, separated', '40 g sugar'], ONE, {
    kind: 'foam',
  });
  const made = (ways: Ways): Script => scriptOfBatch({ sheet, kind: 'foam' }, ways, findIngredient);
  expect(joiningIn(made(FRESH_WAYS)).parts.map((p) => p.part)).toEqual(['dry', 'wet', 'whites']);
  expect(foldedAt([entry(5, { what: 'folded', mix: 1 })], 2)).toBeNull();
  expect(foldedAt([entry(5, { what: 'folded', mix: 2 }), entry(9, { what: 'folded', mix: 2 })], 2)).toBe(9);
  const firm = { ...FRESH_WAYS, whites: 'firm' } as const;
  const folded = (ways: Ways): string => foldingIn(made(ways))?.steps.join(' ') ?? '';
  expect(folded(FRESH_WAYS)).toContain('soft peaks');
  expect(folded(FRESH_WAYS)).toContain('in one go');
  expect(folded(firm)).toContain('a third');
  const rests = { ...FRESH_WAYS, rest: 'half-hour' } as const;
  const before = { ...rests, whip: 'before-rest' } as const;
  expect([rests, before].map((w) => foldingIn(made(w))?.beforeRest)).toEqual([false, true]);
  expect(joiningIn(made(before)).steps.at(-1)).toMatch(/^Last, before it rests: whip the whites/);
  // a quarter of an hour from the folding; until then it is the leavening that runs
  const a = {
    volume: { foamed: true } as never,
    ledger: { sodaG: 0, unspentSodaG: 0, sodaInPowderG: 3 } as never,
    co2Per100gFlour: 1,
  };
  expect([lifeOf(a), batterLife(a).min]).toEqual([FOAM_LIFE, 60]);
});

test('foam’s volume follows the air it holds: no jump at a trace, more air is never less volume, and none is lighter than foam', () => {
  const at = (whites: number) =>
    batterVolume(
      linesOf('200 g flour', '220 g milk', ...(whites > 0 ? [`${whites} g egg whites, whipped to firm peaks`] : [])),
      0.08,
    );
  let last = at(0)?.volumeMl ?? 0;
  for (let g = 0.5; g <= 200; g += 0.5) {
    const v = at(g);
    const now = v?.volumeMl ?? 0;
    expect(now).toBeGreaterThan(last);
    // half a gram of white is half a millilitre and at most 2.2 of air
    expect(now - last).toBeLessThan(4);
    expect(v?.densityGPerMl).toBeGreaterThanOrEqual(0.55 - 1e-9);
    last = now;
  }
});

test('an add-in keeps its moment to the end: on the sheet beside the heat, and at the griddle with how much a piece', () => {
  const split: Split = { by: 'bowls', mixes: 2, atOnce: 1, bowl: null, lifeMin: null, apartMin: null };
  const sheet = sheetOf(
    ['250 g flour', '430 g milk', '120 g blueberries', '60 g chocolate chips', '80 g raspberries'],
    split,
    {},
    {
      2: { moment: 'poured' },
      3: { moment: 'flip' },
      4: { moment: 'rest' },
    },
  );
  expect(
    sheetGroups(
      sheet.filter((l) => l.mix === 1),
      scriptOfBatch({ sheet, kind: 'griddle' }, FRESH_WAYS, findIngredient),
    )
      .find((g) => g.name === 'Beside the heat')
      ?.lines.map((l) => l.moment),
  ).toEqual(expect.arrayContaining(['poured', 'flip']));
  const batch = { sheet, piecesPlanned: 12, split };
  const script = scriptOfBatch({ sheet, kind: 'griddle' }, FRESH_WAYS, findIngredient);
  // 60 g in each of two bowls, six pieces from each
  expect(addInsOf(batch, putOnIn(script, 'poured'), findIngredient)).toMatchObject([
    { name: 'Blueberries', eachG: 10, moment: 'poured' },
  ]);
  expect(addInsOf(batch, putOnIn(script, 'flip'), findIngredient)).toMatchObject([{ eachG: 5, moment: 'flip' }]);
  expect(addInsOf(batch, [], findIngredient)).toEqual([]);
});
