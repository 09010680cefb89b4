import type { ActEdit } from '../formula/act-edits';
import type { KindId } from '../formula/kinds';
import { FRESH_WAYS, type Ways } from '../formula/ways';
import { findIngredient } from '../pantry/pantry';
import type { Script, ScriptAct } from './act';
import type { ScriptAsked, ScriptLine } from './making';
import { heatIn, joiningIn } from './read';
import { scriptOf } from './script';
import { stripOf } from './strip';

const find = (id: string) => findIngredient(id);
const line = (
  key: string,
  id: string,
  vessel: string,
  grams: number,
  more: Partial<ScriptLine> & { readonly name: string },
): ScriptLine => ({ key, vessel, grams, text: '', preparation: '', parts: [{ id }], ...more });

/** Lock-keeper's waffles, as their card has them: eggs separated, butter melted. */
const WAFFLES: readonly ScriptLine[] = [
  line('l1', 'flour-all-purpose', 'dry', 250, { name: 'All-purpose flour' }),
  line('l2', 'baking-powder-double-al', 'dry', 12, { name: 'Baking powder' }),
  line('l3', 'salt-table', 'dry', 3, { name: 'Table salt' }),
  line('l4', 'egg-large', 'wet', 150, { name: 'Eggs', preparation: 'separated' }),
  line('l5', 'sugar-granulated', 'dry', 30, { name: 'Granulated sugar' }),
  line('l6', 'milk-whole', 'wet', 400, { name: 'Whole milk' }),
  line('l7', 'butter-unsalted', 'wet', 110, { name: 'Butter', preparation: 'melted' }),
];
const asked = (lines: readonly ScriptLine[], kind: KindId, ways: Partial<Ways> = {}): ScriptAsked => ({
  lines,
  kind,
  ways: { ...FRESH_WAYS, ...ways },
  pourings: [{ name: null, kind, school: 'even', portionMl: 60 }],
  find,
  units: { temperature: 'C' },
});
const act = (s: Script, id: string): ScriptAct => {
  const found = s.acts.find((a) => a.id === id);
  if (!found) throw new Error(`no act "${id}" among ${s.acts.map((a) => a.id).join(', ')}`);
  return found;
};
const ids = (s: Script): readonly string[] => s.acts.map((a) => a.id);

test('waffles with whites apart: each bowl, what meets where, and the foam from the whip on', () => {
  const s = scriptOf(asked(WAFFLES, 'waffle', { whites: 'firm' }));
  expect(ids(s)).toEqual([
    'let warm egg and whole milk',
    'melt butter',
    'cool butter',
    'separate eggs',
    'whisk dry',
    'whisk wet',
    'combine dry and wet',
    'rest batter',
    'whip whites',
    'fold foam',
    'preheat iron',
    'grease iron',
    'pour waffles',
    'bake piece',
    'plate piece',
  ]);
  expect(act(s, 'whisk wet').takes).toEqual([
    { of: 'line', id: 'l6', share: 1 },
    { of: 'mix', id: 'yolks', share: 1 },
    { of: 'mix', id: 'cooled fat', share: 1 },
  ]);
  expect(act(s, 'whip whites')).toMatchObject({
    takes: [{ of: 'mix', id: 'whites', share: 1 }],
    vessel: 'clean bowl',
    until: 'firm peaks',
    keepsMin: 15,
    from: 'house',
  });
  expect(act(s, 'fold foam').after).toEqual(['rest batter', 'whip whites']);
  expect(act(s, 'bake piece')).toMatchObject({ minutes: { all: 4.5, hands: 1 }, heatC: [175, 195] });
});

test('whose word an act is: the card’s over the formula’s, that over the house’s, that over the kind’s', () => {
  const s = scriptOf({
    ...asked(WAFFLES, 'waffle', { rest: 'half-hour', whites: 'firm', panFat: 'butter' }),
    told: { rest: 'let it stand half an hour', portion: '120 ml each' },
    asked: { whites: 'firm' },
  });
  expect(act(s, 'rest batter')).toMatchObject({
    minutes: { all: 30, hands: 0 },
    from: 'told',
    words: 'let it stand half an hour',
  });
  expect([act(s, 'whip whites').from, act(s, 'grease iron').from, act(s, 'combine dry and wet').from]).toEqual([
    'asked',
    'house',
    'usual',
  ]);
  expect(act(s, 'pour waffles')).toMatchObject({ from: 'told', words: '120 ml each', portionMl: 60 });
});

test('the melted butter last goes in where dry and wet meet, not into the wet', () => {
  const s = scriptOf(asked(WAFFLES, 'waffle', { joining: 'butter-last' }));
  expect(act(s, 'whisk wet').takes.map((t) => t.id)).toEqual(['l6', 'yolks']);
  expect(act(s, 'combine dry and wet').takes.map((t) => t.id)).toEqual(['dry', 'wet', 'cooled fat']);
});

test('whites whipped first wait in the cold, and are in before the rest where the house has it so', () => {
  const first = scriptOf(asked(WAFFLES, 'waffle', { whip: 'first' }));
  expect(ids(first).indexOf('whip whites')).toBeLessThan(ids(first).indexOf('whisk dry'));
  expect(act(first, 'whip whites').vessel).toBe('cold');
  const before = scriptOf(asked(WAFFLES, 'waffle', { whip: 'before-rest' }));
  expect(ids(before).indexOf('fold foam')).toBeLessThan(ids(before).indexOf('rest batter'));
});

test('what is roasted, softened or browned is done first; the butter in the pan and what goes on stand by themselves', () => {
  const s = scriptOf(
    asked(
      [
        line('f', 'flour-all-purpose', 'dry', 200, { name: 'All-purpose flour' }),
        line('s', 'pumpkin-puree', 'wet', 100, { name: 'Squash', preparation: 'roasted and mashed' }),
        line('b', 'butter-unsalted', 'wet', 40, { name: 'Butter', preparation: 'browned, melted' }),
        line('p', 'butter-unsalted', 'pan', 20, { name: 'Butter for the pan' }),
        line('n', 'walnuts', 'fold-in', 50, { name: 'Walnuts' }),
        line('c', 'chocolate-dark', 'fold-in', 40, { name: 'Dark chocolate', moment: 'flip' }),
        line('y', 'maple-syrup', 'topping', 60, { name: 'Maple syrup' }),
      ],
      'griddle',
    ),
  );
  expect(act(s, 'roast squash')).toMatchObject({ on: ['s'], heatC: [180, 180], takes: [] });
  expect(act(s, 'brown butter')).toMatchObject({ minutes: { all: 8, hands: 8 }, gives: ['fat'] });
  expect(act(s, 'whisk wet').after).toEqual(['cool butter', 'roast squash']);
  expect(act(s, 'stir in walnuts').takes.map((t) => t.id)).toEqual(['batter', 'n']);
  expect(act(s, 'grease griddle').takes.map((t) => t.id)).toEqual(['p']);
  expect(act(s, 'put on dark chocolate').takes.map((t) => t.id)).toEqual(['griddle cakes, poured', 'c']);
  expect(act(s, 'plate piece').takes.map((t) => t.id)).toEqual(['griddle cakes', 'y']);
});

test('one base for two kinds: parted, each part finished, each heat said by name', () => {
  const s = scriptOf({
    ...asked(
      [
        line('f', 'flour-all-purpose', 'dry', 200, { name: 'All-purpose flour' }),
        line('m', 'milk-whole', 'wet', 300, { name: 'Whole milk' }),
        line('s', 'sugar-granulated', 'dry', 30, { name: 'Granulated sugar', forEnd: 'sweet' }),
      ],
      'crepe',
    ),
    pourings: [
      { name: 'sweet', kind: 'crepe', school: 'even' },
      { name: 'savoury', kind: 'griddle', school: 'even' },
    ],
  });
  expect(act(s, 'part batter').gives).toEqual(['batter for sweet', 'batter for savoury']);
  expect(act(s, 'stir in granulated sugar').takes.map((t) => t.id)).toEqual(['batter for sweet', 's']);
  expect(s.acts.flatMap((a) => a.says.map((x) => x.do)).filter((d) => /heat /.test(d))).toEqual([
    'Sweet: heat 190 °C to 205 °C, a drop of water dances.',
    'Savoury: heat 165 °C to 190 °C, a drop of water dances.',
  ]);
});

test('what is for the plate is no step of the batter: roasted nuts to serve are not roasted here, nor cream warmed', () => {
  const s = scriptOf(
    asked(
      [
        line('f', 'flour-all-purpose', 'dry', 200, { name: 'All-purpose flour' }),
        line('w', 'water', 'wet', 300, { name: 'Water' }),
        line('n', 'walnuts', 'topping', 40, { name: 'Walnuts', preparation: 'roasted, to serve' }),
        line('c', 'cream-heavy', 'topping', 60, { name: 'Cream' }),
      ],
      'griddle',
    ),
  );
  expect(ids(s).filter((id) => /^(?:roast|let warm)/.test(id))).toEqual([]);
  expect(act(s, 'plate piece').takes.map((t) => t.id)).toEqual(['griddle cakes', 'n', 'c']);
});

test('a second heat follows the first: told on the sheet, kept apart from what is poured at, and at one place alone', () => {
  const edits: readonly ActEdit[] = [
    { do: 'set', act: 'preheat iron', heatC: 200, thenC: 180 },
    { do: 'set', act: 'bake piece', thenC: 150 },
  ];
  const s = scriptOf({ ...asked(WAFFLES, 'waffle'), edits });
  expect(act(s, 'preheat iron')).toMatchObject({ heatC: [200, 200], thenC: 180, from: 'asked' });
  expect(act(s, 'preheat iron').says[0]?.do).toBe('Heat: 200 °C, a drop of water dances; 180 °C once the first is on.');
  expect(heatIn(s)).toMatchObject({ zoneC: [192, 208], thenC: 180 });
  // a bake has the heat of what it is baked in
  expect(act(s, 'bake piece').thenC).toBeNull();
  expect(s.idle).toEqual([edits[1]]);
});

test('edits: numbers and sentences follow, what is left out hands its mix on, an act besides comes before its own', () => {
  const edits: readonly ActEdit[] = [
    { do: 'set', act: 'preheat iron', heatC: 200, words: 'iron at 200' },
    { do: 'set', act: 'bake piece', minutes: 6 },
    { do: 'leave', act: 'cool butter' },
    { do: 'own', act: 'do warm the plates', before: 'plate piece', does: 'warm the plates', minutes: 10, hands: 1 },
    { do: 'set', act: 'turn piece', minutes: 2 },
    { do: 'note', act: 'bake piece', note: 'hot first, then low' },
    { do: 'note', act: 'combine dry and wet', note: 'in the blue bowl' },
    { do: 'set', act: 'rest batter', minutes: 90 },
    { do: 'leave', act: 'combine dry and wet' },
  ];
  const s = scriptOf({ ...asked(WAFFLES, 'waffle'), edits });
  expect(act(s, 'preheat iron')).toMatchObject({ heatC: [200, 200], from: 'told', words: 'iron at 200' });
  expect(act(s, 'preheat iron').says[0]?.do).toBe('Heat: 200 °C, a drop of water dances.');
  // a griddle swings: 8 degrees either way are right; six minutes are 360 s
  expect(heatIn(s)).toMatchObject({ zoneC: [192, 208], times: { first: 360, second: null } });
  // an iron's minutes are hands for one of them alone
  expect(act(s, 'bake piece')).toMatchObject({ minutes: { all: 6, hands: 1 }, heatC: [200, 200], from: 'asked' });
  expect(ids(s)).not.toContain('cool butter');
  expect(act(s, 'whisk wet').takes.map((t) => t.id)).toEqual(['l6', 'yolks', 'fat']);
  expect(act(s, 'plate piece').after).toContain('do warm the plates');
  expect(ids(s).indexOf('do warm the plates')).toBe(ids(s).indexOf('plate piece') - 1);
  // a note is told on the sheet; before the mixing, which is counted last
  expect(act(s, 'bake piece').says.at(-1)?.do).toBe('Hot first, then low.');
  expect(joiningIn(s).steps[0]).toBe('In the blue bowl.');
  // a waffle is not turned; how long a batter rests is a way; and what combines can't be left out
  expect(s.idle.map((e) => e.act)).toEqual(['turn piece', 'rest batter', 'combine dry and wet']);
  expect(act(s, 'rest batter').minutes?.all).toBe(10);
  // an edit and its undo give the same script
  expect(scriptOf({ ...asked(WAFFLES, 'waffle'), edits: [] })).toEqual(scriptOf(asked(WAFFLES, 'waffle')));
});

test('drawn, each act stands in its vessel, and what it takes comes from the act that gave it', () => {
  const { acts } = scriptOf(asked(WAFFLES, 'waffle', { whites: 'firm' }));
  const { columns, rows, flows } = stripOf({ acts });
  expect(columns).toEqual(['counter', 'pot', 'clean bowl', 'large bowl', 'second bowl', 'surface', 'plate']);
  const row = (id: string): number => rows.findIndex((r) => r.act.id === id);
  expect(rows[row('whisk dry')]).toMatchObject({ column: 3, lines: ['l1', 'l2', 'l3', 'l5'] });
  expect(flows.filter((f) => f.to === row('whisk wet')).map((f) => f.from)).toEqual([
    row('separate eggs'),
    row('cool butter'),
  ]);
  // nothing flows upwards, and each mix that is taken comes from somewhere
  for (const f of flows) expect(f.from).toBeLessThan(f.to);
  expect(flows).toHaveLength(acts.flatMap((a) => a.takes.filter((t) => t.of === 'mix')).length);
});
