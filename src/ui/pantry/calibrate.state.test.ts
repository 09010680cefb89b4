import { FRESH_KITCHEN } from '@/core/formula/kitchen-settings';
import { kitchenWith, type MeasureTyped, measureAtHand, NOTHING_WEIGHED, wrongWeighing } from './calibrate.state';

const at = (part: Partial<MeasureTyped>) => measureAtHand({ ...NOTHING_WEIGHED, ...part }, FRESH_KITCHEN);

test('three cups of flour are a measure; two, a wrong one, or flour that nobody knows are none', () => {
  expect(at({ typed: ['118', '122', '126'] }).measure).toMatchObject({ unit: 'cup', weighings: [118, 122, 126] });
  expect(at({ typed: ['118', '122', ''] }).measure).toBeNull();
  expect(at({ typed: ['118', '122', 'x'] }).measure).toBeNull();
  expect(at({ typed: ['118', '122', '126'], of: 'moon dust' })).toMatchObject({ ingredient: null, measure: null });
});

test('water weighs as much as it fills; a batter as its density says', () => {
  const ladle = { unit: 'ladle', which: ' Blue ', typed: ['120', '118', '122'] };
  expect(at({ ...ladle, filling: 'water' }).asked).toMatchObject({ which: 'blue', gPerMl: 0.998 });
  expect(at({ ...ladle, filling: 'batter', density: '1.05' }).asked.gPerMl).toBe(1.05);
  expect(at({ ...ladle, filling: 'batter', density: 'thick' }).measure).toBeNull();
});

test('a cup of flour in use is the kitchen’s fill; the old kitchen stays as it was', () => {
  const { measure, ingredient } = at({ typed: ['118', '122', '126'] });
  if (!measure) throw new Error('no measure');
  expect(kitchenWith(FRESH_KITCHEN, measure, ingredient).conventions.flourFill).toBe('own');
  expect(FRESH_KITCHEN.conventions.flourFill).not.toBe('own');
});

test('a weighing is a number of grams, more than nothing', () => {
  expect(['', '120', 'x', '0', '9999999'].map(wrongWeighing)).toEqual([
    undefined,
    undefined,
    'A number of grams.',
    'More than nothing.',
    expect.stringMatching(/^At most/),
  ]);
});
