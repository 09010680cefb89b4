/**
 * What ends with a plate: sauces by their method, what is written to serve, and kept pieces heated again. Numbers by
 * hand.
 */

import fc from 'fast-check';
import { scriptOfBatch } from '../batch/script-of';
import type { SheetLine } from '../batch/sheet-line';
import { type Side, sideLines } from '../batch/sides';
import { ONE } from '../batch/split';
import { KIND_IDS } from '../formula/kinds';
import { FRESH_WAYS } from '../formula/ways';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { FRESH_GEAR } from '../pantry/gear';
import { findIngredient } from '../pantry/pantry';
import { clashesBetween, type Placed, timeLine } from './schedule';
import { minutesIn, platesOf, type ServeAsked, serveSteps } from './serve';
import type { Step } from './step';
import { stepsOf } from './steps';

const find = (id: string) => findIngredient(id);
const BATTER: readonly SheetLine[] = [
  {
    key: 'l1',
    text: '200 g flour',
    name: 'Plain flour',
    vessel: 'dry',
    measure: '200 g',
    grams: 200,
    preparation: '',
    parts: [{ id: 'flour-all-purpose', grams: 200 }],
  },
  {
    key: 'l2',
    text: '240 g milk',
    name: 'Whole milk',
    vessel: 'wet',
    measure: '240 g',
    grams: 240,
    preparation: '',
    parts: [{ id: 'milk-whole', grams: 240 }],
  },
];
const SIDES = {
  apples: {
    name: 'Weir apples',
    method: 'Apples cut small, in foaming butter for 10 minutes; sugar last.',
    parts: [
      { ingredientId: 'apple', parts: 12 },
      { ingredientId: 'butter-unsalted', parts: 1 },
    ],
  },
  butter: {
    name: 'Whipped honey butter',
    method: 'Butter soft but cool, whipped pale; honey in a thread.',
    parts: [
      { ingredientId: 'butter-unsalted', parts: 2 },
      { ingredientId: 'honey', parts: 1 },
    ],
  },
  ricotta: {
    name: 'Ricotta filling',
    method: 'Ricotta drained an hour, beaten smooth.',
    parts: [{ ingredientId: 'ricotta', parts: 1 }],
  },
} as const;
const taken = (...names: readonly (keyof typeof SIDES)[]): readonly SheetLine[] =>
  names.flatMap((s, n) =>
    sideLines({ id: s, by: 'weight', servingG: 50, ...SIDES[s] } as Side, 8, n + 1, find, {
      conventions: FRESH_CONVENTIONS,
      gear: FRESH_GEAR,
      exactness: 'gram',
    } as never),
  );
const methods = new Map(Object.values(SIDES).map((s) => [s.name, s.method]));
const top = (name: string, id: string, grams: number | null): SheetLine => ({
  key: `t${id}`,
  text: name,
  name,
  vessel: 'topping',
  measure: grams === null ? null : `${grams} g`,
  grams,
  preparation: '',
  parts: [{ id, grams: grams ?? 0 }],
});
const GUESTS = { by: 'guests', guests: 8, each: 3, secondsPct: 0, portionMl: 60 } as const;
const asked = (sheet: readonly SheetLine[], more: Partial<ServeAsked> = {}): ServeAsked => ({
  batch: { sheet: [...BATTER, ...sheet], kind: 'griddle', driver: GUESTS, split: ONE, piecesPlanned: 24 },
  find,
  methods,
  ...more,
});
const row = (s: readonly Step[], id: string): Step => s.find((x) => x.id === id) as Step;

test('a sauce by its method: fried on the hob with bound hands and warmed late; butter softened an hour before; a filling kept cold', () => {
  const { before } = serveSteps(asked(taken('apples', 'butter', 'ricotta')));
  expect(before.map((s) => s.id)).toEqual(['side1', 'side1warm', 'side2soften', 'side2', 'side3']);
  // two lines and ten minutes of frying, all of it at the pan
  expect(row(before, 'side1')).toMatchObject({
    name: 'Cook Weir apples',
    min: 12,
    handsMin: 12,
    who: 'cook',
    pan: 1,
    ahead: true,
    why: SIDES.apples.method,
  });
  expect(row(before, 'side1warm')).toMatchObject({ min: 4, handsMin: 1, after: ['side1'], keepsMin: 20 });
  expect(row(before, 'side2soften')).toMatchObject({ min: 60, handsMin: 1, who: 'child' });
  expect(row(before, 'side2')).toMatchObject({ name: 'Make Whipped honey butter', after: ['side2soften'], min: 10 });
  // an hour that it drains by itself, hands for a quarter of it
  expect(row(before, 'side3')).toMatchObject({
    min: 61,
    handsMin: 17,
    slips: 'earlier is fine in the cold, as the local food code has it',
  });
  expect(row(before, 'side3').pan).toBeUndefined();
});

test('a caramel with butter and cream from a card, without a method, is cooked: no butter is softened for it', () => {
  const part = (text: string, id: string, preparation = ''): SheetLine => ({
    ...top(text, id, 60),
    key: text,
    preparation,
    side: 'Caramel sauce',
  });
  const ids = (lines: readonly SheetLine[]): readonly string[] => serveSteps(asked(lines)).before.map((s) => s.id);
  expect(
    ids([
      part('150 g sugar', 'sugar-granulated'),
      part('60 g butter', 'butter-unsalted'),
      part('100 ml heavy cream', 'cream-35'),
    ]),
  ).toEqual(['side1', 'side1warm']);
  expect(
    ids([part('60 g butter', 'butter-unsalted', 'softened')].map((l) => ({ ...l, side: 'Honey butter' }))),
  ).toEqual(['side1soften', 'side1']);
});

test('what is written to serve becomes steps, and amounts a plate: as written, or as is usual of it', () => {
  const { before, plate } = serveSteps(
    asked([
      top('Maple syrup', 'maple-syrup', 240),
      top('Butter', 'butter-unsalted', null),
      top('Icing sugar', 'sugar-icing', null),
    ]),
  );
  expect(before.map((s) => s.id)).toEqual(['topsoft', 'topready', 'topwarm']);
  // 240 g over eight guests
  expect(row(before, 'topwarm')).toMatchObject({
    name: 'Warm the maple syrup',
    why: 'Maple syrup: 30 g a plate, 240 g in all.',
  });
  // ten grams of butter and three of sugar are ours: eight plates
  expect(row(before, 'topready').why).toBe(
    'Butter: about 10 g a plate, 80 g in all. Icing sugar: about 3 g a plate, 24 g in all.',
  );
  expect(plate).toContain('Maple syrup 30 g a plate; butter about 10 g a plate; icing sugar about 3 g a plate.');
  expect(plate).toContain('Last of all, at the table or just before: icing sugar.');
});

test('plates: guests, or pieces by what lies on one; minutes as a method says them', () => {
  const of = (kind: (typeof KIND_IDS)[number], piecesPlanned: number | null) =>
    platesOf({ sheet: [], kind, driver: { by: 'factor', factor: 1 }, split: ONE, piecesPlanned });
  expect([of('griddle', 24), of('griddle', 25), of('waffle', 7), of('oven', 2), of('griddle', null)]).toEqual([
    8,
    9,
    4,
    8,
    null,
  ]);
  expect(
    platesOf({
      sheet: [],
      kind: 'griddle',
      driver: GUESTS,
      split: { by: 'kits', benches: 2, classes: 3 },
      piecesPlanned: 24,
    }),
  ).toBe(48);
  expect([
    minutesIn('simmer 10 to 12 min'),
    minutesIn('drained an hour, then 5 minutes'),
    minutesIn('1 1/2'),
    minutesIn('until soft'),
  ]).toEqual([12, 65, null, null]);
});

const all = (
  sheet: readonly SheetLine[],
  more: Parameters<typeof stepsOf>[0]['serve'] = { methods },
  pieces = 24,
): readonly Step[] =>
  stepsOf({
    batch: asked(sheet).batch,
    ways: FRESH_WAYS,
    script: scriptOfBatch(asked(sheet).batch, FRESH_WAYS, find),
    restMin: 10,
    life: { min: 60, why: 'powder' },
    pourings: [{ kind: 'griddle', name: null, pieces, times: { first: 140, second: 90 }, atOnce: 8, on: ['long'] }],
    find,
    serve: more,
  });
const AT = Date.UTC(2026, 10, 28, 9, 0);
const serving = { at: AT, anchor: 'last', helpers: 0, dayOneAt: null, moved: {} } as const;

test('on the time line a lone cook fries the apples while the butter waits and before the griddle, and nothing clashes', () => {
  const line = timeLine(all(taken('apples', 'butter')), serving, null);
  expect(line.clashes).toEqual([]);
  const at = (id: string): Placed => line.placed.find((p) => p.step.id === id) as Placed;
  expect(at('side1').end).toBeLessThanOrEqual(at('load1').start);
  expect(at('side1warm').start).toBeGreaterThanOrEqual(at('side1').end);
  expect(at('side2').start - at('side2soften').start).toBeGreaterThanOrEqual(60 * 60_000);
});

test('kept waffles are heated again with the last pieces, and stand on the same plate', () => {
  const steps = all([], { kept: [{ pieces: 8, kind: 'waffle', state: 'frozen', cooked: 'early' }] });
  // four slots, three to five minutes: two loads
  expect(row(steps, 'reheat1')).toMatchObject({
    name: 'Heat 8 waffles again, from the freezer',
    min: 10,
    handsMin: 4,
    ovenC: null,
  });
  expect(row(steps, 'reheat1').why).toMatch(/^Toaster, 3 to 5 min, 2 times with at most 4: .*local food code/);
  // eighty-four pass no toaster: four ovenfuls of 24, thirteen minutes each
  const many = all([], { kept: [{ pieces: 84, kind: 'waffle', state: 'frozen', cooked: 'early' }] });
  expect(row(many, 'reheat1')).toMatchObject({ min: 52, ovenC: 160 });
  expect(row(steps, 'plate').after).toContain('reheat1');
  expect(timeLine(steps, serving, null).clashes).toEqual([]);
  // an oven that bakes at 225 °C heats nothing at 160
  const oven = { sheet: BATTER, split: ONE, kind: 'oven', driver: { by: 'factor', factor: 1 } } as const;
  const baked = stepsOf({
    batch: oven,
    ways: FRESH_WAYS,
    script: scriptOfBatch(oven, FRESH_WAYS, find),
    restMin: 0,
    life: { min: null, why: '' },
    pourings: [{ kind: 'oven', name: null, pieces: 1, times: { first: 1320, second: null }, atOnce: 1 }],
    find,
    serve: { kept: [{ pieces: 20, kind: 'crepe', state: 'frozen', cooked: 'done' }] },
  });
  const line = timeLine(baked, serving, null);
  const at = (id: string): Placed => line.placed.find((p) => p.step.id === id) as Placed;
  expect(at('reheat1').start >= at('load1').end || at('reheat1').end <= at('load1').start).toBe(true);
  // so one of the two waits for the other, which is told
  expect(line.clashes.map((c) => c.what)).toContain('stands');
  expect(
    all([], { kept: [{ pieces: 8, kind: 'griddle', state: 'batter', cooked: 'raw' }] }).some((s) =>
      s.id.startsWith('reheat'),
    ),
  ).toBe(false);
});

test('two batches at once clash openly: the same hands, the same griddle, another oven', () => {
  const own = timeLine(all([]), serving, null).placed;
  const texts = clashesBetween(own, own, 'Lock waffles').map((c) => c.text);
  expect(texts).toContain('Griddleful 1 (Lock waffles) and griddleful 1 want the same pair of hands.');
  expect(texts).toContain('Griddleful 1 (Lock waffles) and griddleful 1 want the same place on the heat.');
  // an hour and a half later they meet no more
  const later = timeLine(all([]), { ...serving, at: AT + 3 * 3_600_000 }, null).placed;
  expect(clashesBetween(own, later, 'Lock waffles')).toEqual([]);
});

test('law: whatever goes with it, every step is named, of one id, waits for steps that are there, and a lone cook’s hands do one thing at a time', () => {
  const tops = [
    top('Maple syrup', 'maple-syrup', 200),
    top('Butter', 'butter-unsalted', null),
    top('Blueberries', 'blueberries', 300),
  ];
  fc.assert(
    fc.property(
      fc.subarray(['apples', 'butter', 'ricotta'] as const),
      fc.subarray(tops),
      fc.constantFrom(...KIND_IDS),
      fc.option(fc.integer({ min: 1, max: 40 })),
      (sides, more, kind, kept) => {
        const steps = all([...taken(...sides), ...more], {
          methods,
          kept: kept === null ? [] : [{ pieces: kept, kind, state: 'frozen', cooked: 'done' }],
        });
        const ids = steps.map((s) => s.id);
        expect(new Set(ids).size).toBe(ids.length);
        for (const s of steps) {
          expect(s.name).not.toMatch(/undefined|NaN/);
          expect(s.handsMin).toBeLessThanOrEqual(s.min);
          for (const a of s.after) expect(ids).toContain(a);
        }
        expect(timeLine(steps, serving, null).clashes.filter((c) => c.what === 'hands' || c.what === 'pan')).toEqual(
          [],
        );
      },
    ),
    { numRuns: 60 },
  );
});
