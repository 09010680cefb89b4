/** Portions as cooks say them, and amounts that drive a batch. */
import { pooled } from '../batter/spread';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { portionSaid } from './said';

const WITH = { density: 1.05, paS: 2, conventions: FRESH_KITCHEN.conventions };
const CUP = 236.588;

test.each([
  ['60', 60],
  ['62,5 ml', 62.5],
  ['1/3 cup', CUP / 3],
  ['a quarter cup', CUP / 4],
  ['half a 1/4 cup', CUP / 8],
  ['two thirds of a 1/2 cup', CUP / 3],
  ['1/4 cup half full', CUP / 8],
  ['2 tbsp', CUP / 8],
  ['1 1/2 oz', 44.36],
  ['1 1/2 fl oz', 44.36],
  ['0.5 dl', 50],
  // so many to the quart of 946.35 ml
  ['#12', 78.86],
  ['no. 20', 47.32],
  ['half a #16', 29.57],
  ['52.5 g', 50],
])('"%s" is %d ml', (text, ml) => {
  const r = portionSaid(text, WITH);
  expect(r.ok && r.value.ml).toBeCloseTo(ml, 1);
});

test('a width is so much batter as runs so wide, by the same model that draws it', () => {
  for (const [text, cm] of [
    ['10 cm', 10],
    ['4 inches across', 10.16],
    ['12,5 cm wide', 12.5],
  ] as const) {
    const r = portionSaid(text, WITH);
    if (!r.ok) throw new Error(r.error);
    expect(pooled(WITH.paS, r.value.ml).diameterCm).toBeCloseTo(cm, 3);
  }
});

test.each([
  ['', 'write how much'],
  ['0', 'more than nothing'],
  ['-3', 'more than nothing'],
  ['a bit', 'is no portion'],
  ['12 pieces', 'is no portion'],
  ['3 eggs', 'is no portion'],
  ['#2', 'numbered from 4 to 100'],
  ['1 ladle', 'Which ladle'],
  ['1000 cm', 'a width from 1 to 60'],
])('"%s" is asked about: %s', (text, says) => {
  const r = portionSaid(text, WITH);
  expect(r.ok ? '' : r.error).toContain(says);
});

test('what can not be worked without the batter says so', () => {
  expect(portionSaid('50 g', { ...WITH, density: null })).toMatchObject({ ok: false });
  expect(portionSaid('10 cm', { ...WITH, paS: null })).toMatchObject({ ok: false });
});
