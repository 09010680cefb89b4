import { ingredient } from '../pantry/pantry';
import { linesOf } from '../testing/formulas';
import { changesInWords, pairLines } from './compare';
import { countEggs } from './eggs';
import { EMPTY_FORMULA, type Formula, sameFormula } from './formula';
import { FRESH_KITCHEN, type Kitchen } from './kitchen-settings';
import { formulaLines } from './lines';
import { powderStrength } from './powder-age';
import { allergensOf } from './tally';
import { FRESH_WAYS, standingOf } from './ways';

const lines = (...texts: readonly string[]) =>
  formulaLines({ ...EMPTY_FORMULA, entries: texts.map((text, n) => ({ key: `l${n + 1}`, text })) } satisfies Formula);
const words = (a: readonly string[], b: readonly string[]): readonly string[] =>
  changesInWords(pairLines(lines(...a), lines(...b)));

test('the change in words a cook would use', () => {
  expect(words(['500 g flour', '182 g water', '3 eggs'], ['500 g flour', '191 g water', '2 eggs'])).toEqual([
    'water 182 g to 191 g',
    'one egg fewer',
  ]);
  expect(words(['500 g flour', '880 g buttermilk'], ['500 g flour', '880 g milk'])).toEqual([
    'whole milk for cultured buttermilk, 880 g',
  ]);
  expect(words(['500 g flour', '60 g sugar'], ['500 g flour'])).toEqual(['no granulated sugar']);
  expect(words(['500 g flour'], ['500 g flour', '60 g sugar'])).toEqual(['granulated sugar new, 60 g']);
  expect(words(['2 egg yolks'], ['4 egg yolks'])).toEqual(['two yolks more']);
  expect(words(['500 g flour', 'oil for the pan'], ['500 g flour', 'oil for the pan'])).toEqual([]);
});

test('two formulas share no keys: a line is paired with the same thing, else it is new or gone, by name', () => {
  const a = lines('500 g flour', '12 g baking powder', '60 g sugar', 'oil for the pan');
  const b = lines('480 g flour', '305 g milk', '10 g baking powder');
  expect(changesInWords(pairLines(a, b, null, 'two formulas'))).toEqual([
    'all-purpose wheat flour 500 g to 480 g',
    'baking powder, double-acting 12 g to 10 g',
    'no granulated sugar',
    'no vegetable oil',
    'whole milk new, 305 g',
  ]);
});

test('lines that only changed places are the same lines', () => {
  const a = lines('500 g flour', '60 g sugar', '8 g salt');
  const b = lines('8 g salt', '500 g flour', '60 g sugar');
  expect(pairLines(a, b).map((p) => p.change)).toEqual(['same', 'same', 'same']);
});

test('eggs to crack: whole, yolks and whites from the same eggs, and what is left over', () => {
  expect(countEggs(linesOf('2 eggs', '3 egg yolks', '4 egg whites'), 50)).toEqual({
    eggs: expect.closeTo(6),
    whole: expect.closeTo(2),
    yolks: expect.closeTo(3),
    whites: expect.closeTo(4),
    left: { part: 'yolk', count: expect.closeTo(1), grams: expect.closeTo(17) },
  });
  expect(countEggs(linesOf('3 egg yolks'), 50)?.left).toEqual({
    part: 'white',
    count: expect.closeTo(3),
    grams: expect.closeTo(99),
  });
  expect(countEggs(linesOf('100 g flour'), 50)).toBeNull();
});

// a month is 30.44 days: 91 days are 2.99 months, 365 are 11.99: 1 - .05 x 8.99
test.each([
  ['2026-11-24', '2026-11-24', 1],
  ['2026-08-25', '2026-11-24', 1],
  ['2025-11-24', '2026-11-24', 0.5505],
  ['2020-01-01', '2026-11-24', 0.2],
  ['2027-01-01', '2026-11-24', 1],
  ['yesterday', '2026-11-24', 1],
])('powder opened %s is worth %d', (opened, today, s) => expect(powderStrength(opened, today)).toBeCloseTo(s, 3));

test('the day in the pantry ages the powder of every line that says no day of its own, and nothing else', () => {
  const house = {
    ...FRESH_KITCHEN,
    today: '2026-11-24',
    openedOn: { 'baking-powder-double-al': '2025-11-24', 'flour-all-purpose': '2020-01-01' },
  };
  const of = (opened?: string, k: Kitchen = house) =>
    formulaLines(
      {
        ...EMPTY_FORMULA,
        entries: [
          { key: 'l1', text: '250 g flour' },
          { key: 'l2', text: '10 g baking powder', ...(opened && { opened }) },
        ],
      },
      k,
    ).map((l) => [l.opened, Math.round(10_000 * l.strength) / 10_000]);
  expect(of()).toEqual([
    [null, 1],
    ['2025-11-24', 0.5505],
  ]);
  expect(of('2026-11-20')[1]).toEqual(['2026-11-20', 1]);
  expect(of(undefined, { ...house, openedOn: {} })[1]).toEqual([null, 1]);
});

test('ways of working come to minutes and degrees', () => {
  const ways = FRESH_WAYS;
  expect(standingOf({ ...ways, rest: 45 }, null)).toEqual({ restMin: 45, batterC: 22 });
  expect(standingOf({ ...ways, rest: 600 }, null)).toEqual({ restMin: 600, batterC: 4 });
  expect(standingOf({ ...ways, joining: 'blender' }, { id: 'crepe', restMin: 30 }).restMin).toBe(50);
  expect(standingOf(ways, { id: 'crepe', restMin: 30 })).toEqual({ restMin: 30, batterC: 22 });
  expect(standingOf({ ...ways, rest: 'overnight' }, null)).toEqual({ restMin: 720, batterC: 4 });
  expect(standingOf({ ...ways, rest: 'none', warmth: 'cold' }, null)).toEqual({ restMin: 0, batterC: 8 });
});

test('allergens of everything, amounts or not; what is not read is said', () => {
  expect(allergensOf(linesOf('100 g flour', '200 g oat drink', 'butter for the pan', '10 g moondust'))).toEqual({
    held: [
      { allergen: 'wheat', name: 'wheat', from: ['All-purpose wheat flour'] },
      { allergen: 'gluten', name: 'gluten', from: ['All-purpose wheat flour', 'Oat drink'] },
      { allergen: 'milk', name: 'milk', from: ['Unsalted butter'] },
    ],
    unstated: [],
    unread: ['10 g moondust'],
  });
});

/* Apple is 85.56 % water: 200 g hold 171.1 g; 60 pressed out leave 140 g with 111.1 g, which is 79.4 %. */
test('what is squeezed out of fruit is water: lighter, drier, and no more than nine tenths of it', () => {
  const of = (drainedG: number) =>
    formulaLines({ ...EMPTY_FORMULA, entries: [{ key: 'l1', text: '200 g apple, grated', drainedG }] })[0];
  const line = of(60);
  expect(line).toMatchObject({ grams: 140, drainedG: 60 });
  const [part] = line?.parts ?? [];
  expect(((part?.ingredient.per100g.waterG ?? 0) * 140) / 100).toBeCloseTo(
    2 * ingredient('apple').per100g.waterG - 60,
    6,
  );
  expect(((part?.ingredient.per100g.sugarsG ?? 0) * 140) / 100).toBeCloseTo(2 * ingredient('apple').per100g.sugarsG, 6);
  expect(of(190)).toMatchObject({ grams: 200, drainedG: 0 });
});

test('the same formula is the same in whatever order its fields came; another word or setting is another', () => {
  const f = { ...EMPTY_FORMULA, name: 'Cakes', entries: [{ key: 'l1', text: '250 g flour', pinned: undefined }] };
  const turned = Object.fromEntries(Object.entries(f).reverse()) as unknown as typeof f;
  expect(sameFormula(f, { ...turned, entries: [{ text: '250 g flour', key: 'l1', pinned: undefined }] })).toBe(true);
  expect(
    sameFormula(f, { ...f, entries: [{ ...f.entries[0], key: 'l1', text: '251 g flour', pinned: undefined }] }),
  ).toBe(false);
  expect(sameFormula(f, { ...f, held: { ...f.held, mass: true } })).toBe(false);
});
