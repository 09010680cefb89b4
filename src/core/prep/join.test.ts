/** What has to be ready before dry meets wet, and how far it is mixed. */
import type { SheetLine } from '../batch/sheet-line';
import { KIND_IDS } from '../formula/kinds';
import { choicesOf, type SchoolIdOf } from '../formula/schools';
import { FRESH_WAYS, type Ways } from '../formula/ways';
import { findIngredient } from '../pantry/pantry';
import { howFar, joinParts, joinSteps } from './join';
import { miseOf, miseStates } from './mise';

const line = (key: string, vessel: SheetLine['vessel'], id: string, more: Partial<SheetLine> = {}): SheetLine => ({
  key,
  text: '',
  name: id,
  vessel,
  measure: '100 g',
  grams: 100,
  preparation: '',
  parts: [{ id, grams: 100 }],
  ...more,
});
const FLOUR = line('l1', 'dry', 'flour-all-purpose');
const MILK = line('l2', 'wet', 'milk-whole');

test('dry and wet; whites where they are whipped apart, by themselves or of separated eggs', () => {
  const parts = (...lines: readonly SheetLine[]) => joinParts(lines, findIngredient);
  expect(parts(FLOUR, MILK)).toEqual(['dry', 'wet']);
  expect(parts(FLOUR, MILK, line('l3', 'fold-in', 'egg-white'))).toEqual(['dry', 'wet', 'whites']);
  expect(parts(FLOUR, line('l3', 'wet', 'egg-large', { preparation: 'separated, whites whipped' }))).toEqual(['dry', 'wet', 'whites']);
  expect(parts(FLOUR, line('l3', 'wet', 'egg-large', { preparation: 'beaten' }))).toEqual(['dry', 'wet']);
  expect(parts(line('l3', 'dry', 'flour-oat', { grams: null }))).toEqual([]);
});

test('every kind by every way of joining says what to do, how far, and stops', () => {
  for (const kind of KIND_IDS)
    for (const [id] of choicesOf('joining')) {
      const joining = id as SchoolIdOf<'joining'>;
      const ways: Ways = { ...FRESH_WAYS, joining };
      const far = howFar(kind, ways);
      expect(far.count).toBeGreaterThan(0);
      expect(far.unit).toBe(joining.startsWith('blender') ? 'seconds' : 'turns');
      expect(joinSteps(kind, ways, ['dry', 'wet']).length).toBeGreaterThan(1);
      expect(joinSteps(kind, ways, ['dry', 'wet', 'whites']).at(-1)).toMatch(/whites/);
    }
  // griddle cakes only just, crepes smooth
  expect(howFar('griddle', FRESH_WAYS).count).toBeLessThan(howFar('crepe', FRESH_WAYS).count);
});

test('the mise: each ingredient once over all its lines and mixes, bags by their lot, and the tools of the kind and the way', () => {
  const sheet = [
    FLOUR,
    { ...FLOUR, key: 'l1m2', mix: 2 },
    line('l4', 'pan', 'oil-vegetable'),
    line('l5', 'topping', 'oil-vegetable'),
    line('b1', 'dry', 'flour-oat', { lot: '2611-1', grams: 750 }),
  ];
  const mise = miseOf({ sheet, kind: 'crepe', split: { by: 'kits', benches: 2, classes: 1 } }, { ...FRESH_WAYS, joining: 'blender' }, findIngredient);
  expect(mise.ingredients.map((i) => [i.key, i.grams, i.lineKey])).toEqual([
    ['of:flour-all-purpose', 200, 'l1'],
    // on two lines: no one line to swap
    ['of:oil-vegetable', 200, null],
    ['lot:2611-1', 750, 'b1'],
  ]);
  const tools = mise.tools.map((t) => t.key);
  expect(tools).toEqual(expect.arrayContaining(['tool:blender', 'tool:crepe-pan', 'tool:scale']));
  expect(tools).not.toContain('tool:whisk');
  expect(tools).not.toContain('tool:iron');
  expect(mise.tools.find((t) => t.key === 'tool:dry-bowl')?.name).toBe('2 bowls or bags for the dry');
  const said = (at: number, state: 'here' | 'missing') => ({ id: String(at), at, act: { what: 'mise', key: 'tool:scale', state } as const });
  expect(miseStates([said(2, 'missing'), said(1, 'here')]).get('tool:scale')).toBe('missing');
});
