import { FRESH_KITCHEN } from '@/core/formula/kitchen-settings';
import type { Shelf } from '@/core/pantry/stock';
import { FRESH_PREMIX } from '@/core/premix/premix';
import { workPremix } from '@/core/premix/work';
import { FRESH_LOT, type LotFacts, type LotTyped, lotOf } from './lot.state';

const CARD = {
  name: 'Plain mix',
  kind: 'griddle',
  school: 'plain',
  entries: [
    { key: 'l1', text: '900 g all-purpose flour' },
    { key: 'l2', text: '80 g sugar' },
    { key: 'l3', text: '20 g salt' },
    { key: 'l4', text: '500 ml milk' },
  ],
} as unknown as Parameters<typeof workPremix>[0];
const worked = workPremix(CARD, FRESH_KITCHEN, null, FRESH_PREMIX);
if (!worked) throw new Error('the card is no mix');
const settings = { ...FRESH_PREMIX, bagG: 500 };
const facts = (shelf: Shelf = {}): LotFacts => ({ settings, worked, house: FRESH_KITCHEN, shelf, work: null });
const typed = (part: Partial<LotTyped>): LotTyped => ({ ...FRESH_LOT, ...part });
const sugar = worked.bag.items.find((i) => /sugar/i.test(i.ingredient.name))?.ingredient.id ?? '';

test('ten bags as nobody has typed anything: five kilograms, and no stock that anybody has counted', () => {
  const lot = lotOf(FRESH_LOT, facts());
  expect(lot).toMatchObject({ fills: [{ bagG: 500, bags: 10 }], lotG: 5000, overG: 0, whole: true, short: [] });
  expect(lot.unnoted).toHaveLength(3);
  expect(lot.parts.map((p) => Math.round(p.grams)).sort((a, b) => b - a)).toEqual([4500, 400, 100]);
});

test('kilograms, and all there is of one thing, fill whole bags; the rest is told', () => {
  expect(lotOf(typed({ by: 'kg', amount: '1.7' }), facts())).toMatchObject({
    fills: [{ bagG: 500, bags: 3 }],
    lotG: 1500,
    overG: 200,
  });
  // 8 % of the mix is sugar: 100 g of it make 1,250 g
  const all = lotOf(typed({ by: 'all', of: sugar, amount: '100 g' }), facts());
  expect(all).toMatchObject({ fills: [{ bagG: 500, bags: 2 }], lotG: 1000 });
  expect(all.overG).toBeCloseTo(250, 6);
});

test('what can not be is told at its place, and nothing goes into the book', () => {
  const wrong = (part: Partial<LotTyped>) => {
    const lot = lotOf(typed(part), facts());
    expect(lot.whole).toBe(false);
    return [lot.wrong.amount, lot.wrong.size, ...lot.wrongMore.flatMap((w) => [w.size, w.bags])].filter(Boolean);
  };
  expect(wrong({ amount: '2.5' })).toEqual(['Bags come whole.']);
  expect(wrong({ amount: 'some' })).toEqual(['Write a number.']);
  expect(wrong({ by: 'kg', amount: '0.3' })).toEqual(['Less than one bag of 500 g.']);
  expect(wrong({ size: '10' })).toEqual(['From 20 g to 25 kg.']);
  expect(wrong({ others: [{ size: '500', bags: '0' }] })).toEqual(['That size is there already.', 'From 1 to 500.']);
});

test('sacks as typed: all but one with grams; stock that lacks some says how much', () => {
  const sacks = (...rows: { lot: string; grams: string }[]): LotTyped => typed({ sacks: { [sugar]: rows } });
  const two = lotOf(sacks({ lot: 'A', grams: '150' }, { lot: 'B', grams: '' }), facts());
  expect(two).toMatchObject({
    badSacks: false,
    went: {
      [sugar]: [
        { lot: 'A', grams: 150 },
        { lot: 'B', grams: null },
      ],
    },
  });
  expect(lotOf(sacks({ lot: 'A', grams: '' }, { lot: 'B', grams: '' }), facts())).toMatchObject({
    whole: false,
    unclear: { [`sacks.${sugar}`]: 'Write the grams of all sacks but one: that one has the rest.' },
  });
  const shelf = { [sugar]: { onHandG: 350 } } as unknown as Shelf;
  expect(lotOf(FRESH_LOT, facts(shelf)).short.map((s) => Math.round(s.g))).toEqual([50]);
});
