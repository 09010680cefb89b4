/**
 * What lines may have been meant to say, on the Bench: what is said of it, the formula so read, and the cook's answers.
 */
import { EMPTY_FORMULA, type Formula } from '../formula/formula';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import type { Bench } from './bench';
import { sayEnds, sayIf, saySettled, sayTake, settledOn, slipsOn } from './meant';

const LINES = ['3 kg flour', '520 g milk', '2 eggs', '30 g sugar', '12 g baking powder', '3 g salt', '40 g butter'];
const on = (lines: readonly string[], more: Partial<Formula> = {}): Bench => ({
  formula: { ...EMPTY_FORMULA, entries: lines.map((text, n) => ({ key: `l${n + 1}`, text })), ...more },
  house: FRESH_KITCHEN,
  end: null,
});

test('the line by its number, both balances, and the formula with that line alone written otherwise', () => {
  const b = on(LINES);
  const [slip, ...others] = slipsOn(b);
  expect(others).toEqual([]);
  if (!slip) throw new Error('nothing is suspected');
  expect(sayIf(slip)).toBe('If line 1, “3 kg flour”, was 300 g flour');
  expect(sayEnds(slip)).toBe('all 6 findings are gone');
  expect(slip.formula.entries).toEqual([{ key: 'l1', text: '300 g flour' }, ...b.formula.entries.slice(1)]);
  // 100 g of egg: 3.3 % of 3 kg, 33 % of 300 g
  const egg = slip.rails.find((r) => r.before.rail === 'egg');
  expect([egg?.before.tested, egg?.after.tested].map((x) => x?.toFixed(1))).toEqual(['3.3', '33.3']);
  for (const { after } of slip.rails) expect(after.reading?.standing).toBe('in');
});

test('a line left out is put at the end by one tap; "it is meant so" ends it', () => {
  const [slip, ...others] = slipsOn(
    on(LINES.filter((l) => !l.endsWith('milk')).map((l) => l.replace('3 kg', '300 g'))),
  );
  expect(others).toEqual([]);
  if (!slip) throw new Error('nothing is suspected');
  const milk = slip.lines[0]?.meant ?? '';
  expect(milk).toMatch(/^\d+ g milk$/);
  expect([sayIf(slip), sayTake(slip)]).toEqual([`If ${milk} was left out`, `Add ${milk}`]);
  expect(slip.formula.entries.slice(0, 6).map((e) => e.text)).not.toContain(milk);
  expect(slip.formula.entries[6]).toMatchObject({ key: 'l7', text: milk });
  expect(
    slipsOn({
      ...on([]),
      formula: { ...slip.formula, entries: slip.formula.entries.slice(0, 6), dismissed: [slip.answer] },
    }),
  ).toEqual([]);
});

test('"it is meant as it is written" ends it, until the line is written otherwise', () => {
  const [slip] = slipsOn(on(LINES));
  const dismissed = [slip?.answer ?? ''];
  expect(slipsOn(on(LINES, { dismissed }))).toEqual([]);
  expect(slipsOn(on(['2.5 kg flour', ...LINES.slice(1)], { dismissed }))).toHaveLength(1);
});

test('findings that are answered are no reason to suspect; what was picked for a line is kept by a reading of its amount', () => {
  const salty = ['300 g flour', ...LINES.slice(1)].map((t) => t.replace('3 g salt', '30 g salt'));
  expect(slipsOn(on(salty)).map((s) => s.lines[0]?.meant)).toEqual(['3 g salt']);
  expect(slipsOn(on(salty, { dismissed: ['salt-high:look'] }))).toEqual([]);
  const picked = on(salty.map((t) => t.replace('salt', 'the white stuff')));
  const entries = picked.formula.entries.map((e) => (e.key === 'l6' ? { ...e, ingredientId: 'salt-table' } : e));
  const [slip] = slipsOn({ ...picked, formula: { ...picked.formula, entries } });
  expect(slip?.formula.entries[5]).toEqual({ key: 'l6', text: '3 g the white stuff', ingredientId: 'salt-table' });
});

test('only what is in the end that is looked at is suspected, and a line that is off is not', () => {
  const off = on(LINES);
  const entries = off.formula.entries.map((e) => (e.key === 'l1' ? { ...e, off: true } : e));
  expect(
    slipsOn({ ...off, formula: { ...off.formula, entries: [...entries, { key: 'l8', text: '300 g flour' }] } }),
  ).toEqual([]);
});

test('lines in doubt that the whole card decides: said, both balances, and the formula with those lines so read', () => {
  const b = on([
    '11/2 cups flour',
    '11/4 cups milk',
    '1 egg',
    '2 tsp baking powder',
    '1/4 tsp salt',
    '1 cup oil (15 g)',
  ]);
  const settled = settledOn(b);
  if (!settled) throw new Error('nothing is decided');
  expect(saySettled(settled)).toBe(
    'Line 1, “11/2 cups flour”, is 1 1/2 cups flour; line 2, “11/4 cups milk”, is 1 1/4 cups milk; line 6, “1 cup oil (15 g)”, is 15 g, as its weight says',
  );
  expect(settled.formula.entries.map((e) => e.text)).toEqual([
    '1 1/2 cups flour',
    '1 1/4 cups milk',
    ...b.formula.entries.slice(2).map((e) => e.text),
  ]);
  expect(settled.formula.entries[5]?.stands).toBe('weight');
  for (const { so, otherwise } of settled.rails) expect(so.reading?.standing).not.toBe(otherwise.reading?.standing);
  expect(settledOn({ ...b, formula: settled.formula })).toBeNull();
});
