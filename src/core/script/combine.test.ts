/** What has to be ready before dry meets wet, and how far it is mixed. */

import type { Batch } from '../batch/batch';
import { scriptOfBatch } from '../batch/script-of';
import type { SheetLine } from '../batch/sheet-line';
import { KIND_IDS } from '../formula/kinds';
import { FRESH_KITCHEN } from '../formula/kitchen-settings';
import { choicesOf, type SchoolIdOf } from '../formula/schools';
import { FRESH_WAYS, type Ways } from '../formula/ways';
import { findIngredient } from '../pantry/pantry';
import { type MiseWith, miseOf, miseStates } from '../prep/mise';
import { howFar, joinSteps } from './combine';
import { joiningIn } from './read';

const KNOWN: MiseWith = { measured: { ...FRESH_KITCHEN, exactness: 'gram' }, bowls: [], mixMl: 1300 };

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
  const parts = (...sheet: readonly SheetLine[]) =>
    joiningIn(scriptOfBatch({ sheet, kind: 'griddle' }, FRESH_WAYS, findIngredient)).parts.map((p) => p.part);
  expect(parts(FLOUR, MILK)).toEqual(['dry', 'wet']);
  expect(parts(FLOUR, MILK, line('l3', 'fold-in', 'egg-white'))).toEqual(['dry', 'wet', 'whites']);
  expect(parts(FLOUR, line('l3', 'wet', 'egg-large', { preparation: 'separated, whites whipped' }))).toEqual([
    'dry',
    'wet',
    'whites',
  ]);
  expect(parts(FLOUR, line('l3', 'wet', 'egg-large', { preparation: 'beaten' }))).toEqual(['dry', 'wet']);
  // what is taken as needed stands in its bowl all the same
  expect(parts(line('l3', 'dry', 'flour-oat', { grams: null }))).toEqual(['dry']);
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
  const mise = miseOf(
    { sheet, kind: 'crepe', split: { by: 'kits', benches: 2, classes: 1 }, entries: [] },
    { ...FRESH_WAYS, joining: 'blender' },
    findIngredient,
    KNOWN,
  );
  expect(mise.ingredients.map((i) => [i.key, i.grams, i.lineKey])).toEqual([
    ['of:flour-all-purpose', 200, 'l1'],
    // on two lines: what stands in does so on both
    ['of:oil-vegetable', 200, 'l4+l5'],
    ['lot:2611-1', 750, 'b1'],
  ]);
  const tools = mise.tools.map((t) => t.key);
  expect(tools).toEqual(expect.arrayContaining(['tool:blender', 'tool:crepe-pan', 'tool:scale']));
  expect(tools).not.toContain('tool:whisk');
  expect(tools).not.toContain('tool:iron');
  expect(mise.tools.find((t) => t.key === 'tool:dry-bowl')?.name).toBe('2 bowls or bags for the dry');
  const said = (at: number, state: 'here' | 'missing') => ({
    id: String(at),
    at,
    act: { what: 'mise', key: 'tool:scale', state } as const,
  });
  expect(miseStates([said(2, 'missing'), said(1, 'here')]).get('tool:scale')).toBe('missing');
});

test('tools come from what the batch does: a scale only where it weighs, cups that are asked for, whites’ bowl and beaters, bowls large enough', () => {
  const tools = (
    sheet: readonly SheetLine[],
    split: Batch['split'] = { by: 'one' },
    more: Partial<MiseWith> = {},
    entries: Batch['entries'] = [],
  ) => miseOf({ sheet, kind: 'griddle', split, entries }, FRESH_WAYS, findIngredient, { ...KNOWN, ...more }).tools;
  const cups = { ...FLOUR, measure: '2 1/4 cups', spoons: null };
  const spoon = line('l2', 'wet', 'oil-vegetable', { measure: '1 tbsp + 1 tsp' });
  const keys = tools([cups, spoon]).map((t) => t.key);
  expect(keys).not.toContain('tool:scale');
  expect(keys).toEqual(expect.arrayContaining(['tool:cups', 'tool:spoons', 'tool:dry-bowl', 'tool:wet-bowl']));
  expect(tools([cups, spoon]).find((t) => t.key === 'tool:cups')?.name).toBe('Measuring cups: 1, 1/4');
  expect(tools([FLOUR]).map((t) => t.key)).toEqual(expect.arrayContaining(['tool:scale']));
  expect(tools([FLOUR]).map((t) => t.key)).not.toContain('tool:cups');
  // 1.3 l need 2 l with room to whisk: the house's own bowl, where it has one
  const dry = (more: Partial<MiseWith>) =>
    tools([FLOUR, spoon], { by: 'one' }, more).find((t) => t.key === 'tool:dry-bowl')?.name;
  expect(dry({})).toBe('Bowl for the dry, 2 l or larger: all of it is combined there');
  const bowls = [
    { id: 's', sort: 'bowl', name: 'Small bowl', bowlMl: 1500, bowls: 2 },
    { id: 'b', sort: 'bowl', name: 'Large bowl', bowlMl: 4000, bowls: 2 },
  ] as const;
  expect(dry({ bowls })).toContain('large bowl');
  const kits = tools([FLOUR, spoon], { by: 'kits', benches: 3, classes: 1 });
  expect(kits.find((t) => t.key === 'tool:wet-bowl')?.name).toBe('3 tubs or jugs for the wet');
  const whites = line('l3', 'fold-in', 'egg-white', { preparation: 'whipped' });
  expect(tools([FLOUR, spoon, whites]).map((t) => t.key)).toEqual(
    expect.arrayContaining(['tool:whites-bowl', 'tool:beater']),
  );
  const own = tools([FLOUR], { by: 'one' }, {}, [
    { id: 'a', at: 1, act: { what: 'tool', name: 'Grandmother’s ring' } },
  ]);
  expect(own.at(-1)).toMatchObject({ key: 'own:Grandmother’s ring', name: 'Grandmother’s ring' });
});
