/** Cautions: each once, where it belongs, and none where nothing calls for it. */
import { KIND_IDS, type KindId } from '../formula/kinds';
import { FRESH_WAYS } from '../formula/ways';
import { findIngredient, ingredient, PANTRY } from '../pantry/pantry';
import { FRESH_UNITS } from '../quantity/say';
import { type CautionLine, cautionsOf } from './cautions';

const line = (id: string, preparation = ''): CautionLine => ({ ingredients: [ingredient(id)], preparation });
const ids = (kinds: readonly KindId[], lines: readonly CautionLine[], panFat = FRESH_WAYS.panFat): readonly string[] =>
  cautionsOf(kinds, lines, { panFat }).map((c) => `${c.place} ${c.id}`);
const BATTER = [line('flour-all-purpose'), line('egg-large'), line('milk-whole')];

test('a batch of each kind: its own cautions, no more', () => {
  expect(ids(['griddle'], BATTER)).toEqual(['prep raw', 'griddle fat']);
  expect(ids(['waffle'], BATTER)).toEqual(['prep raw', 'griddle steam']);
  expect(ids(['oven'], BATTER)).toEqual(['prep raw', 'griddle fat', 'griddle handle']);
  expect(ids(['ball'], BATTER)).toEqual(['prep raw', 'griddle fat']);
  expect(cautionsOf(['ball'], BATTER, FRESH_WAYS).find((c) => c.id === 'fat')?.says).toContain('hollows');
  // flat cakes and balls from one base: the fat is told once
  expect(ids(['griddle', 'ball'], BATTER)).toEqual(['prep raw', 'griddle fat']);
});

test('a knife where something is cut, a flame where there is spirit, no fat where there is none', () => {
  expect(ids(['crepe'], [...BATTER, line('banana', 'sliced thin')])).toContain('prep knife');
  expect(ids(['crepe'], [...BATTER, line('banana', 'mashed')])).not.toContain('prep knife');
  const spirit = PANTRY.find((i) => i.per100g.alcoholG >= 25);
  if (!spirit) throw new Error('no spirit in the pantry');
  expect(ids(['crepe'], [...BATTER, line(spirit.id)])).toContain('griddle flame');
  expect(
    ids(
      ['crepe'],
      [...BATTER, line('beer')].filter(() => findIngredient('beer') !== undefined),
    ),
  ).not.toContain('griddle flame');
  expect(ids(['griddle'], BATTER, 'none')).toEqual(['prep raw']);
  expect(cautionsOf(['griddle'], [line('egg-large')], FRESH_WAYS)[0]?.says).toBe(
    'Raw egg is not tasted; wash hands, bowls and spoons after.',
  );
});

test('none twice, and none says that anything is safe', () => {
  for (const a of KIND_IDS)
    for (const b of KIND_IDS) {
      const all = cautionsOf([a, b], [...BATTER, line('lemon-zest', 'grated')], FRESH_WAYS);
      expect(new Set(all.map((c) => c.id)).size).toBe(all.length);
      for (const c of all) expect(c.says).not.toMatch(/\bsafe\b/i);
    }
});

test('a powder that has stood open too long, by the pantry’s own day, is told once', () => {
  const house = { openedOn: { 'baking-powder-double-al': '2025-11-20' }, today: '2026-11-26', units: FRESH_UNITS };
  const lines = [...BATTER, line('baking-powder-double-al'), line('baking-powder-double-al')];
  // a year: 1 - 0.05 x (12.2 - 3) is 54 %
  const told = cautionsOf(['griddle'], lines, FRESH_WAYS, house).filter((c) => c.id === 'powder');
  expect(told).toEqual([
    {
      id: 'powder',
      place: 'prep',
      says: 'Baking powder, double-acting was opened on 20 Nov 2025: a spoonful in hot water has to foam, or it is done.',
    },
  ]);
  const of = (day: string) =>
    cautionsOf(['griddle'], lines, FRESH_WAYS, { ...house, openedOn: { 'baking-powder-double-al': day } }).some(
      (c) => c.id === 'powder',
    );
  // six months and less: 85 % and more
  expect([of('2026-06-01'), of('2026-05-01')]).toEqual([false, true]);
});
