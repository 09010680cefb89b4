/** What is typed on the plan: read whole, or wrong at its place. */
import { FRESH_UNITS } from '@/core/quantity/say';
import { sheetAbout, wavesWords } from './about';
import { readBeside } from './beside-part';
import { type PlanTyped, readDriver } from './plan-driver';
import { FRESH_SPLIT, readSplit, type SplitAsked } from './split-part';

const TYPED: PlanTyped = {
  by: 'guests',
  amount: '84',
  portion: '60',
  each: '2',
  seconds: '10',
  testPiece: true,
  head: '35',
  gear: '',
  piecesEach: '1',
  ingredientId: '',
};
const ASKED: SplitAsked = {
  massG: 16_500,
  volumeMl: 15_340,
  pieces: 186,
  life: { min: 60, why: 'powder' },
  pace: { perMin: 4, atOnce: 18, why: '18 at once' },
  bowls: [],
};

test('a driver is read with comma or point; each wrong number is told at its own box', () => {
  const read = (part: Partial<PlanTyped>) => readDriver({ ...TYPED, ...part }, FRESH_UNITS, false);
  expect(read({ portion: '62,5' }).driver).toEqual({ by: 'guests', guests: 84, each: 2, secondsPct: 10, testPiece: true, portionMl: 62.5 });
  expect(read({ seconds: '0' }).driver).not.toBeNull();
  expect(read({ amount: '8.5', each: '', seconds: '-1' })).toEqual({
    driver: null,
    errors: {
      'driver.guests': 'Guests come whole.',
      'driver.each': 'Pieces each: write a number.',
      'driver.secondsPct': 'Seconds has to be more than nothing.',
    },
  });
  expect(readDriver({ ...TYPED, by: 'flour', amount: '10' }, { ...FRESH_UNITS, weight: 'oz' }, false).driver).toEqual({
    by: 'flour',
    grams: expect.closeTo(283.495, 3),
  });
});

test('what was worked out stands until something else is typed over it', () => {
  const bowls = { ...FRESH_SPLIT, by: 'bowls' } as const;
  // 186 pieces at 4 a minute are 46.5 minutes: the arm decides, four of 4125 g, all within their hour
  expect(readSplit(bowls, ASKED).split).toMatchObject({ by: 'bowls', mixes: 4, atOnce: 4, lifeMin: 60 });
  expect(readSplit({ ...bowls, mixes: '6', life: '20' }, ASKED).split).toMatchObject({ mixes: 6, atOnce: 2, lifeMin: 20, apartMin: 15.5 });
  const wrong = readSplit({ ...bowls, mixes: '2.5', pace: 'fast' }, ASKED);
  expect(wrong.split).toBeNull();
  expect(wrong.errors).toEqual({ 'split.mixes': 'Mixes come whole.', 'split.pace': 'Pieces a minute: "fast" is not a number.' });
  // in one bowl nobody asks for them
  expect(readSplit({ ...FRESH_SPLIT, mixes: 'x' }, ASKED)).toMatchObject({ split: { by: 'one' }, errors: {} });
  expect(readSplit({ ...FRESH_SPLIT, by: 'kits', benches: '4', classes: '2' }, ASKED).split).toEqual({ by: 'kits', benches: 4, classes: 2 });
  expect(readSplit({ ...FRESH_SPLIT, by: 'kits', benches: '31', classes: '2' }, ASKED).errors).toEqual({ 'split.benches': 'At most 60 kits at a time.' });
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
  const about = { driver: null, wanted: 186, made: null, portionMl: 60, pieces: 'cakes', massG: 16_000, volumeMl: null, units: FRESH_UNITS };
  const bowls = { by: 'bowls', mixes: 4, atOnce: 1, bowl: null, lifeMin: 60, apartMin: 12 } as const;
  const plain = (x: readonly string[]): string => x.join('; ').replaceAll('\u2009', '');
  expect(plain(sheetAbout({ ...about, split: bowls }))).toBe(
    '186 cakes of 60 ml; 16000 g of batter; 4 equal mixes of 4000 g; one at a time, 4 waves about 12 min apart',
  );
  expect(plain(sheetAbout({ ...about, wanted: 12, split: { by: 'kits', benches: 4, classes: 1 } }))).toBe(
    '4 kits; each 12 cakes of 60 ml; 4000 g of batter each, 16000 g in all',
  );
  expect(wavesWords({ ...bowls, atOnce: 4 })).toBe('all joined together');
  expect(wavesWords({ ...bowls, mixes: 1, atOnce: 1 })).toBe('');
});
