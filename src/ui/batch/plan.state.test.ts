/** What is typed on the plan: read whole, or wrong at its place. */
import { analyse } from '@/core/analyse';
import type { Driver } from '@/core/batch/driver';
import { meansOf, timesOf } from '@/core/batch/worth';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { FRESH_KITCHEN } from '@/core/formula/kitchen-settings';
import { countedLines } from '@/core/formula/lines';
import { FRESH_UNITS } from '@/core/quantity/say';
import { PLAIN_CAKE } from '@/core/testing/formulas';
import { sheetAbout, wavesWords } from './about';
import { readBeside } from './beside-part';
import {
  amountAsked,
  asTheCard,
  type By,
  type PlanTyped,
  readDriver,
  runsOutFirst,
  type TypedWith,
} from './plan.state';
import { FRESH_SPLIT, readSplit, type SplitAsked } from './split-part';

const TYPED: PlanTyped = {
  by: 'guests',
  amount: '84',
  portion: '60',
  each: '2',
  seconds: '10',
  testPiece: null,
  head: '35',
  gear: '',
  piecesEach: '1',
  ingredientId: '',
  several: [],
};
const NOTED = { onHandG: null, price: null, packG: null, noted: null } as unknown as TypedWith['shelf'][string];
const ASKED: SplitAsked = {
  massG: 16_500,
  volumeMl: 15_340,
  pieces: 186,
  life: { min: 60, why: 'powder' },
  pace: { perMin: 4, atOnce: 18, why: '18 at once' },
  bowls: [],
};

const FORMULA = {
  ...EMPTY_FORMULA,
  entries: [...PLAIN_CAKE, '1 banana, mashed'].map((text, n) => ({ key: `l${n + 1}`, text })),
};
const LINES = countedLines(FORMULA, FRESH_KITCHEN, null);
const BANANA_G = LINES.find((l) => l.ingredient?.id.startsWith('banana'))?.parts[0]?.grams ?? 0;
const WITH: TypedWith = { house: FRESH_KITCHEN, shelf: {}, lines: LINES, card: analyse(LINES, 'griddle'), pan: false };
const oz: TypedWith = { ...WITH, house: { ...FRESH_KITCHEN, units: { ...FRESH_UNITS, weight: 'oz' } } };

test('a driver is read with comma or point; each wrong number is told at its own box', () => {
  const read = (part: Partial<PlanTyped>) => readDriver({ ...TYPED, ...part }, WITH);
  expect(read({ portion: '62,5' }).driver).toEqual({
    by: 'guests',
    guests: 84,
    each: 2,
    secondsPct: 10,
    testPiece: true,
    portionMl: 62.5,
  });
  expect(read({ seconds: '0' }).driver).not.toBeNull();
  expect(read({ amount: '8.5', each: '', seconds: '-1' })).toMatchObject({
    driver: null,
    errors: {
      'driver.guests': 'Guests come whole.',
      'driver.each': 'Pieces each: write a number.',
      'driver.secondsPct': 'Seconds has to be more than nothing.',
    },
  });
  expect(readDriver({ ...TYPED, by: 'flour', amount: '10' }, oz).driver).toEqual({
    by: 'flour',
    grams: expect.closeTo(283.495, 3),
  });
});

test('a driver takes a count of the thing itself, and all there is of it; what is another thing is refused', () => {
  const read = (amount: string, shelf: TypedWith['shelf'] = {}, ingredientId = bananaId) =>
    readDriver({ ...TYPED, by: 'ingredient', ingredientId, amount }, { ...WITH, shelf });
  const bananaId = LINES.find((l) => l.ingredient?.id.startsWith('banana'))?.parts[0]?.ingredient.id ?? '';
  expect(read('2 bananas').driver).toMatchObject({ by: 'ingredient', grams: expect.closeTo(2 * BANANA_G, 6) });
  expect(read('180').driver).toMatchObject({ grams: 180 });
  expect(read('1 lb').driver).toMatchObject({ grams: expect.closeTo(453.6, 1) });
  expect(read('all of it', { [bananaId]: { ...NOTED, onHandG: 420 } }).driver).toMatchObject({ grams: 420 });
  expect(read('all of it').errors['driver.grams']).toContain('nobody has noted how much');
  expect(read('2 carrots').errors['driver.grams']).toContain('is not what the amount is set by');
  // 3 large eggs are 150 g
  const egg = LINES.flatMap((l) => l.parts).find((p) => p.ingredient.category === 'egg')?.ingredient.id ?? '';
  expect(read('3 eggs', {}, egg).driver).toMatchObject({ grams: 150 });
});

test('what another driver asks is worked from the batch as it stands: twelve pieces never become twelve grams', () => {
  const begun = timesOf(LINES, { by: 'pieces', pieces: 12, portionMl: 60 }, 'griddle');
  if (!begun.ok) throw new Error(begun.error.message);
  const means = meansOf(LINES, begun.value.before, begun.value.factor, 60);
  const as = (by: By): Driver | null =>
    readDriver({ ...TYPED, by, ingredientId: 'egg', amount: amountAsked(by, { ...TYPED, by }, means, WITH) }, WITH)
      .driver;
  for (const by of ['pieces', 'flour', 'mass', 'vessel', 'factor'] as const) {
    const d = as(by);
    const again = d && timesOf(LINES, d, 'griddle');
    // to the rounding of what is written in the box
    expect(again?.ok && Math.abs(again.value.factor / begun.value.factor - 1)).toBeLessThan(0.005);
  }
  expect(amountAsked('guests', TYPED, means, WITH)).toBe('6');
  // nothing is known: it asks
  expect(amountAsked('flour', TYPED, null, WITH)).toBe('');
});

test('of several things on the shelf the one that runs out first drives, with all there is of it', () => {
  const id = (name: string) =>
    LINES.flatMap((l) => l.parts).find((p) => p.ingredient.id.startsWith(name))?.ingredient.id ?? '';
  const [flour, banana] = [id('flour'), id('banana')];
  const has = (x: string) =>
    LINES.flatMap((l) => l.parts).reduce((a, p) => a + (p.ingredient.id === x ? p.grams : 0), 0);
  // four times the flour, and twice the banana
  const shelf = { [flour]: { ...NOTED, onHandG: 4 * has(flour) }, [banana]: { ...NOTED, onHandG: 2 * has(banana) } };
  expect(runsOutFirst([flour, banana], { lines: LINES, shelf })).toEqual({
    ingredientId: banana,
    grams: 2 * has(banana),
  });
  expect(runsOutFirst([flour], { lines: LINES, shelf })?.ingredientId).toBe(flour);
  expect(runsOutFirst(['honey'], { lines: LINES, shelf })).toBeNull();
});

test('just what the card makes is the card itself, to the spoon; a test piece or one more is not', () => {
  const eight: Driver = { by: 'pieces', pieces: 8, portionMl: 60 };
  expect(asTheCard(eight, 8)).toEqual({ by: 'factor', factor: 1 });
  expect(asTheCard({ ...eight, pieces: 9 }, 8)).toMatchObject({ by: 'pieces', pieces: 9 });
  expect(asTheCard({ ...eight, testPiece: true }, 8)).toMatchObject({ by: 'pieces' });
});

test('what was worked out stands until something else is typed over it', () => {
  const bowls = { ...FRESH_SPLIT, by: 'bowls' } as const;
  // 186 pieces at 4 a minute are 46.5 minutes: the arm decides, four of 4125 g, all within their hour
  expect(readSplit(bowls, ASKED).split).toMatchObject({ by: 'bowls', mixes: 4, atOnce: 4, lifeMin: 60 });
  expect(readSplit({ ...bowls, mixes: '6', life: '20' }, ASKED).split).toMatchObject({
    mixes: 6,
    atOnce: 2,
    lifeMin: 20,
    apartMin: 15.5,
  });
  const wrong = readSplit({ ...bowls, mixes: '2.5', pace: 'fast' }, ASKED);
  expect(wrong.split).toBeNull();
  expect(wrong.errors).toEqual({
    'split.mixes': 'Mixes come whole.',
    'split.pace': 'Pieces a minute: "fast" is not a number.',
  });
  // in one bowl nobody asks for them
  expect(readSplit({ ...FRESH_SPLIT, mixes: 'x' }, ASKED)).toMatchObject({ split: { by: 'one' }, errors: {} });
  expect(readSplit({ ...FRESH_SPLIT, by: 'kits', benches: '4', classes: '2' }, ASKED).split).toEqual({
    by: 'kits',
    benches: 4,
    classes: 2,
  });
  expect(readSplit({ ...FRESH_SPLIT, by: 'kits', benches: '31', classes: '2' }, ASKED).errors).toEqual({
    'split.benches': 'At most 60 kits at a time.',
  });
});

test('a sauce is for everyone at the table unless it says for how many', () => {
  const two = [
    { sideId: 'a', people: null },
    { sideId: 'b', people: '12' },
  ];
  expect(readBeside(two, 84).sides).toEqual([
    { sideId: 'a', people: 84 },
    { sideId: 'b', people: 12 },
  ]);
  expect(readBeside(two, null)).toEqual({ sides: null, errors: { 'sides.0.people': 'People: write a number.' } });
});

test('what stands under the name of a sheet', () => {
  const about = {
    driver: null,
    wanted: 186,
    made: null,
    portionMl: 60,
    pieces: 'cakes',
    massG: 16_000,
    volumeMl: null,
    units: FRESH_UNITS,
  };
  const bowls = { by: 'bowls', mixes: 4, atOnce: 1, bowl: null, lifeMin: 60, apartMin: 12 } as const;
  const plain = (x: readonly string[]): string => x.join('; ').replaceAll('\u202f', '');
  expect(plain(sheetAbout({ ...about, split: bowls }))).toBe(
    '186 cakes of 60 ml; 16000 g of batter; 4 equal mixes of 4000 g; one at a time, 4 waves about 12 min apart',
  );
  expect(plain(sheetAbout({ ...about, wanted: 12, split: { by: 'kits', benches: 4, classes: 1 } }))).toBe(
    '4 kits; each 12 cakes of 60 ml; 4000 g of batter each, 16000 g in all',
  );
  expect(wavesWords({ ...bowls, atOnce: 4 })).toBe('all combined together');
  expect(wavesWords({ ...bowls, mixes: 1, atOnce: 1 })).toBe('');
});
