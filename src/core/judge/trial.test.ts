import { analyseFormula } from '../analyse-formula';
import { planOf } from '../batch/plan-of';
import { ONE } from '../batch/split';
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { railOf } from '../formula/kinds';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { formulasDiffer } from './differs';
import { nextTrials } from './next-trial';
import { tastedOf } from './taste';
import {
  asTried,
  bowlsBeside,
  portionOfWay,
  reasonOf,
  type TrialChange,
  timesWritten,
  tooMuchMoved,
  triedOf,
  wayInWords,
  wrongWays,
} from './trial';

const card = (...lines: readonly string[]): Formula => ({
  ...EMPTY_FORMULA,
  name: 'Dock cakes',
  entries: lines.map((text, n) => ({ key: `l${n + 1}`, text })),
});
const CAKES = card(
  '500 g flour',
  '60 g sugar',
  '8 g salt',
  '20 g baking powder',
  '800 g milk',
  '3 eggs',
  '80 g butter, melted',
);
const NONE: ReadonlyMap<number, Formula> = new Map();
const moved = (change: TrialChange, versions = NONE) =>
  triedOf(CAKES, { ways: [{ bowl: 'A', change }] }, versions, FRESH_KITCHEN)[0]?.moved;

test('what one change makes otherwise is said as one thing', () => {
  expect(moved({ do: 'same' })).toEqual([]);
  expect(moved({ do: 'line', key: 'l7', text: '70 g oil' })).toEqual(['vegetable oil for unsalted butter, 70 g']);
  expect(moved({ do: 'line', key: 'l2', text: '30 g sugar' })).toEqual(['granulated sugar 60 g to 30 g']);
  expect(moved({ do: 'leave', key: 'l2' })).toEqual(['no granulated sugar']);
  expect(moved({ do: 'add', text: '5 g vanilla sugar' })).toHaveLength(1);
  expect(moved({ do: 'edit', edit: { do: 'way', act: 'rest', value: 'hour' } })).toEqual([
    'rest: as the kind is used to to 1 hour, covered',
  ]);
  expect(moved({ do: 'edit', edit: { do: 'set', act: 'preheat', heatC: 200 } })).toEqual(['Preheat: 200 °C']);
  expect(moved({ do: 'portion', ml: 90 })).toEqual(['portion 90 ml']);
  expect(wayInWords({ moved: [] })).toBe('as written');
});

test('a version that moved two things is named as one where nobody can tell which is tasted', () => {
  const two = card(
    '500 g flour',
    '30 g sugar',
    '8 g salt',
    '20 g baking powder',
    '800 g milk',
    '3 eggs',
    '120 g butter, melted',
  );
  const [way] = triedOf(
    CAKES,
    { ways: [{ bowl: 'B', change: { do: 'version', number: 3 } }] },
    new Map([[3, two]]),
    FRESH_KITCHEN,
  );
  expect(tooMuchMoved({ moved: ['one'] })).toBeNull();
  expect(way && tooMuchMoved(way)).toBe(
    '2 things are otherwise here (granulated sugar 60 g to 30 g; unsalted butter 80 g to 120 g): nobody can tell which of them is tasted.',
  );
});

test('what a formula is called and what stands around its card bakes nothing', () => {
  expect(formulasDiffer(CAKES, { ...CAKES, name: 'Other', cardNotes: 'A note.' }, FRESH_KITCHEN)).toEqual([]);
});

test('what a line had that its new words do not say is dropped, but not its bowl, end or moment', () => {
  const f: Formula = {
    ...CAKES,
    entries: [
      {
        key: 'l1',
        text: '80 g butter',
        ingredientId: 'butter-unsalted',
        drainedG: 3,
        vessel: 'wet',
        moment: 'rest',
        end: 'a',
      },
    ],
  };
  expect(asTried(f, { do: 'line', key: 'l1', text: '70 g oil' }, NONE)?.entries).toEqual([
    { key: 'l1', text: '70 g oil', vessel: 'wet', moment: 'rest', end: 'a' },
  ]);
  expect(asTried(f, { do: 'line', key: 'l9', text: 'x' }, NONE)).toBeNull();
  expect(asTried(f, { do: 'leave', key: 'l9' }, NONE)).toBeNull();
  expect(asTried(f, { do: 'version', number: 7 }, NONE)).toBeNull();
});

test('ways that are the same, are not there or are not understood are told at their place', () => {
  const wrong = (...changes: readonly TrialChange[]) => wrongWays(CAKES, changes, NONE, FRESH_KITCHEN);
  const SAME: TrialChange = { do: 'same' };
  expect(wrong(SAME, { do: 'line', key: 'l2', text: '30 g sugar' })).toEqual({});
  expect(wrong(SAME, SAME)).toEqual({ 1: 'As written is one of the ways already.' });
  expect(wrong(SAME, { do: 'line', key: 'l2', text: '60 g sugar' })).toEqual({ 1: 'That makes the same as way 1.' });
  expect(wrong(SAME, { do: 'leave', key: 'l2' }, { do: 'leave', key: 'l2' })).toEqual({
    2: 'That makes the same as way 2.',
  });
  expect(wrong(SAME, { do: 'line', key: 'l2', text: 'some frobnium' })).toEqual({
    1: '“some frobnium” is not understood.',
  });
  expect(wrong(SAME, { do: 'version', number: 9 })).toEqual({ 1: 'That line or version is not there any more.' });
});

test('all bowls are the formula so many times over: what they share is the same in each, and weighed together', () => {
  const plan = { pieces: 6, portionMl: 60 };
  const times = timesWritten(CAKES, plan, FRESH_KITCHEN);
  if (!times.ok) throw new Error(times.error);
  const sheet = (change: TrialChange) => {
    const formula = asTried(CAKES, change, NONE) ?? CAKES;
    const made = planOf({
      formula,
      house: FRESH_KITCHEN,
      end: null,
      driver: { by: 'factor', factor: times.value },
      split: ONE,
      eggs: null,
      exactness: 'gram',
      portionMl: 60,
      sides: [],
    });
    if (!made.ok) throw new Error(made.error.message);
    return made.value.sheet;
  };
  const rows = bowlsBeside([sheet({ do: 'same' }), sheet({ do: 'line', key: 'l7', text: '70 g oil' })]);
  const apart = rows.filter((r) => r.togetherG === null);
  expect(apart.map((r) => r.name)).toEqual(['Unsalted butter', 'Vegetable oil']);
  for (const r of rows) if (r.togetherG !== null) expect(r.togetherG).toBeCloseTo(2 * (r.each[0] ?? 0), 9);
  // what they share stands first, what differs last
  expect(rows.slice(-2)).toEqual(apart);
  expect(portionOfWay(plan, { change: { do: 'portion', ml: 90 } })).toBe(90);
  expect(portionOfWay(plan, { change: { do: 'same' } })).toBe(60);
});

test('a version says why it came to be', () => {
  const [way] = triedOf(
    CAKES,
    { ways: [{ bowl: 'B', change: { do: 'line', key: 'l2', text: '30 g sugar' } }] },
    NONE,
    FRESH_KITCHEN,
  );
  const tasted = tastedOf(['A', 'B'], [{ taster: 'Ann', tasted: ['A', 'B'], picked: ['B'] }]);
  expect(way && reasonOf(way, tasted)).toBe(
    'Tried side by side: granulated sugar 60 g to 30 g was bowl B. 1 of 1 chose B. By chance one of the two gets one always: no clear winner.',
  );
});

test('the next trial is one line moved half of the way to where nobody has tasted', () => {
  const tested = (f: Formula, rail: 'sugar' | 'fat' | 'salt' | 'water') =>
    railOf(analyseFormula(f, FRESH_KITCHEN).analysis, rail)?.tested ?? Number.NaN;
  const all = nextTrials(CAKES, [], FRESH_KITCHEN);
  expect(all.length).toBeGreaterThan(0);
  expect([...all].sort((a, b) => b.score - a.score)).toEqual(all);
  const sugar = all.find((n) => n.change.do === 'line' && n.change.key === 'l2');
  const then = sugar && asTried(CAKES, sugar.change, NONE);
  if (!then) throw new Error('no sugar');
  expect(formulasDiffer(CAKES, then, FRESH_KITCHEN)).toHaveLength(1);
  const zone = railOf(analyseFormula(CAKES, FRESH_KITCHEN).analysis, 'sugar')?.zone;
  // the untasted side is above: half of the way to its end, to the whole gram
  const half = (tested(CAKES, 'sugar') + (zone?.[1] ?? 0)) / 2;
  expect(Math.abs(tested(then, 'sugar') - half)).toBeLessThan(0.2);
  // once what lies there was made the other side is news, and then neither
  const had = ['170 g sugar', '25 g sugar'].flatMap(
    (text) => asTried(CAKES, { do: 'line', key: 'l2', text }, NONE) ?? [],
  );
  const sugars = (tasted: readonly Formula[]) =>
    nextTrials(CAKES, tasted, FRESH_KITCHEN).flatMap((n) =>
      n.change.do === 'line' && n.change.key === 'l2' ? [n.change.text] : [],
    );
  expect(sugars(had.slice(0, 1))).toEqual(['22 g sugar']);
  expect(sugars(had)).toEqual([]);
});
