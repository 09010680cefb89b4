/**
 * Every school that can be chosen changes something that is seen: steps, cues, words at joining, tools, times, a
 * number.
 */

import { analyseFormula } from '../analyse-formula';
import { type Bench, workedOn } from '../balance/bench';
import { fixesFor } from '../balance/fixes';
import { usualLift } from '../balance/start';
import { inLargeBowl } from '../batch/large-bowl';
import { scriptOfBatch } from '../batch/script-of';
import type { SheetLine } from '../batch/sheet-line';
import { readLine } from '../card/line';
import { wayEdits } from '../formula/act-edits';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { KIND_IDS, type KindId } from '../formula/kinds';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { choiceFor, choicesOf, MATTERS, MEASURED, WAY_IDS } from '../formula/schools';
import { againstKind, FRESH_WAYS, standingOf, type Ways } from '../formula/ways';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { findIngredient } from '../pantry/pantry';
import { miseOf } from '../prep/mise';
import { cuesFor, usualTimes } from '../script/cues';
import { foldingIn, heatIn, joiningIn } from '../script/read';
import { linesOf } from '../testing/formulas';
import { stepsOf } from './steps';

const KNOWN = { measured: { ...FRESH_KITCHEN, exactness: 'gram' }, bowls: [], mixMl: 800 } as const;
const sheetLine = (key: string, vessel: SheetLine['vessel'], text: string): SheetLine => {
  const l = readLine(text, FRESH_CONVENTIONS);
  return {
    key,
    vessel,
    name: text,
    text,
    preparation: l.preparation,
    grams: l.grams,
    measure: text,
    parts: l.parts.map((p) => ({ id: p.ingredient.id, grams: p.grams })),
  };
};
const SHEET = [
  sheetLine('l1', 'dry', '250 g flour'),
  sheetLine('l2', 'wet', '430 g milk'),
  sheetLine('l3', 'wet', '3 eggs, separated'),
];

/** What a cook sees of a kind by some ways, all of it. */
function seen(kind: KindId, ways: Ways): string {
  const formula: Formula = {
    ...EMPTY_FORMULA,
    kind,
    edits: wayEdits(ways),
    entries: [
      '250 g flour',
      '25 g sugar',
      '4 g salt',
      '10 g baking powder',
      '1 g baking soda',
      '430 g milk',
      '40 g butter',
    ].map((text, n) => ({
      key: `l${n}`,
      text,
    })),
  };
  const b: Bench = { formula, house: FRESH_KITCHEN, end: null };
  const mends = workedOn(b).analysis.findings.map((f) => [f.code, f.message, fixesFor(b, f).map((p) => p.title)]);
  const batch = {
    sheet: SHEET,
    kind,
    split: { by: 'one' },
    driver: { by: 'factor', factor: 1 },
    piecesPlanned: 12,
    entries: [],
  } as const;
  const script = scriptOfBatch(batch, ways, findIngredient);
  const standing = standingOf(ways, { id: kind, restMin: 10 });
  const steps = stepsOf({
    batch,
    ways,
    script,
    restMin: standing.restMin,
    life: { min: 60, why: '' },
    pourings: [{ kind, name: null, pieces: 12, times: usualTimes(kind, ways), atOnce: 4 }],
    find: findIngredient,
  });
  const volume = analyseFormula(
    { ...formula, entries: [...formula.entries, { key: 'l9', text: '3 eggs, separated' }] },
    FRESH_KITCHEN,
  ).analysis.volume;
  return JSON.stringify([
    joiningIn(script),
    foldingIn(script),
    miseOf(batch, ways, findIngredient, KNOWN),
    heatIn(script),
    standing,
    steps,
    againstKind(ways, kind),
    mends,
    usualLift(kind, 'milk-whole', ways),
    volume,
    inLargeBowl(linesOf('10 g baking powder'), 12_000, ways.largeBowl).map((l) => l.parts),
  ]);
}

const ALL = WAY_IDS.flatMap((w) => choicesOf(w).map(([id, c]) => [`${MATTERS[w].name}: ${c.name}`, w, id] as const));

const worked = new Map<string, string>();
/** What is seen of a kind with one way chosen, worked once. */
function seenWith(kind: KindId, way: (typeof WAY_IDS)[number], id: string): string {
  const key = `${kind} ${way} ${id}`;
  const known = worked.get(key) ?? seen(kind, { ...FRESH_WAYS, [way]: id });
  worked.set(key, known);
  return known;
}

test.each(ALL)('%s is seen', (_name, way, id) => {
  const others = choicesOf(way).filter(([other]) => other !== id && other !== 'usual' && id !== 'usual');
  for (const [other] of others) {
    const differs = KIND_IDS.some((kind) => seenWith(kind, way, id) !== seenWith(kind, way, other));
    expect([other, differs]).toEqual([other, true]);
  }
  // "as the kind is used to" is one of the others, by kind
  if (id === 'usual' && 'usual' in MATTERS[way])
    for (const kind of KIND_IDS) expect(choiceFor(way, id, kind)?.name).not.toBe('as the kind is used to');
});

test('how a cup is filled, and which cup it is, change the grams', () => {
  const grams = (c: object): number => readLine('1 cup flour', { ...FRESH_CONVENTIONS, ...c }).grams ?? 0;
  expect(grams({ flourFill: 'dipped' })).toBeGreaterThan(grams({ flourFill: 'spooned' }));
  expect(grams({ cup: 'imperial' })).toBeGreaterThan(grams({ cup: 'us-customary' }));
  expect(Object.keys(MEASURED)).toEqual(['flourFill', 'cup']);
});

test('fourteen matters that cooks differ by, and two of ours; each school of a name of its own', () => {
  // how a cup is filled and which cup stand in the conventions; what whites and the check are is two of the bowl
  expect(WAY_IDS.length + Object.keys(MEASURED).length).toBeGreaterThanOrEqual(14);
  for (const w of WAY_IDS) {
    const names = choicesOf(w).map(([, c]) => c.name);
    expect(new Set(names).size).toBe(names.length);
    expect(MATTERS[w].why.length).toBeGreaterThan(20);
  }
});

test('a house that fries in butter and one that wipes: mise and cue differ', () => {
  const batch = { sheet: SHEET, kind: 'griddle', split: { by: 'one' }, entries: [] } as const;
  const [butter, film] = (['butter', 'film'] as const).map((panFat) =>
    miseOf(batch, { ...FRESH_WAYS, panFat }, findIngredient, KNOWN),
  );
  expect(butter?.ingredients.at(-1)).toMatchObject({
    name: 'Butter for the pan',
    note: expect.stringMatching(/^Butter brings milk/),
  });
  expect(film?.ingredients.at(-1)?.name).toBe('Oil for the pan, a little');
  expect(film?.tools.map((t) => t.key)).toContain('tool:cloth');
  expect(butter?.tools.map((t) => t.key)).toContain('tool:fat-dish');
  expect(cuesFor('griddle', { ...FRESH_WAYS, panFat: 'butter' }).pour).toMatch(/stopped foaming/);
  expect(cuesFor('griddle', { ...FRESH_WAYS, panFat: 'film' }).pour).toMatch(/a shine, no drop/);
  // a card that has its own fat keeps it
  const own = miseOf(
    { ...batch, sheet: [...SHEET, sheetLine('l9', 'pan', '10 g oil for the pan')] },
    { ...FRESH_WAYS, panFat: 'butter' },
    findIngredient,
    KNOWN,
  );
  expect(own.ingredients.map((i) => i.key)).not.toContain('pan-fat');
});

test('times by the second side, a rest of any minutes, and what goes against a kind', () => {
  expect(usualTimes('griddle', { ...FRESH_WAYS, second: 'shorter' })).toEqual({ first: 140, second: 70 });
  expect(usualTimes('griddle', { ...FRESH_WAYS, second: 'equal' })).toEqual({ first: 140, second: 140 });
  expect(usualTimes('waffle', { ...FRESH_WAYS, second: 'equal' })).toEqual({ first: 270, second: null });
  expect(standingOf({ ...FRESH_WAYS, rest: 37 }, null)).toEqual({ restMin: 37, batterC: 22 });
  expect(againstKind(FRESH_WAYS, 'griddle')).toEqual([]);
  for (const kind of KIND_IDS) expect([kind, againstKind(FRESH_WAYS, kind)]).toEqual([kind, []]);
  expect(againstKind({ ...FRESH_WAYS, flip: 'press' }, 'griddle')).toEqual([
    { matter: 'Turning', choice: 'a light press', why: 'pressing drives the gas out: flat and dense' },
  ]);
  const formula: Formula = {
    ...EMPTY_FORMULA,
    edits: wayEdits({ flip: 'press' }),
    entries: [{ key: 'l1', text: '250 g flour' }],
  };
  const b: Bench = { formula, house: FRESH_KITCHEN, end: null };
  const f = workedOn(b).analysis.findings.find((x) => x.code === 'way-against-kind');
  expect(f?.message).toMatch(/^Turning, a light press: with griddle cakes, pressing drives/);
  expect(f ? fixesFor(b, f)[0]?.formula.edits : null).toEqual([{ do: 'way', act: 'flip', value: 'usual' }]);
});
