/** Judging: what a batch's own numbers make likelier. */
import { analyse } from '../analyse';
import { MOVES } from '../balance/moves';
import { faultsIn, isFault, MARKS, type Mark, markName, marksOf, occursOn, SCALES } from '../batch/came-out';
import { KIND_IDS, type KindId, kindById } from '../formula/kinds';
import { linesOf } from '../testing/formulas';
import { JUDGED_AS_USUAL } from '../testing/judged';
import { CAUSES } from './causes';
import { causesOf } from './diagnose';
import type { Judged } from './evidence';

/** What is in the bowl, as a batch of a kind has it. */
const at = (texts: readonly string[], kind: KindId): Pick<Judged, 'analysis' | 'pour' | 'wantedPour' | 'holds'> => {
  const lines = linesOf(...texts);
  const a = analyse(lines, kind);
  return {
    analysis: a,
    pour: a.thickness?.pour ?? null,
    wantedPour: a.school?.pour ?? null,
    holds: lines.filter((l) => l.use === 'batter').flatMap((l) => l.parts.map((p) => p.ingredient.id)),
  };
};
const judged = (texts: readonly string[], more: Partial<Judged> = {}): Judged => ({
  kind: 'griddle',
  ...at(texts, more.kind ?? 'griddle'),
  ...JUDGED_AS_USUAL,
  ...more,
});
/** A common formula of each kind, in the middle of its zones. */
const OF: Readonly<Record<KindId, readonly string[]>> = {
  griddle: ['250 g flour', '25 g sugar', '4 g salt', '12 g baking powder', '430 g milk', '2 eggs', '40 g butter'],
  small: ['225 g flour', '25 g sugar', '3 g salt', '11 g baking powder', '340 g milk', '2 eggs', '30 g butter'],
  foam: [
    '200 g flour',
    '25 g sugar',
    '4 g baking powder',
    '2 g salt',
    '300 g milk',
    '4 eggs, separated',
    '20 g butter',
  ],
  ball: ['250 g flour', '20 g sugar', '8 g baking powder', '3 g salt', '450 g milk', '4 eggs', '50 g butter'],
  crepe: ['250 g flour', '550 ml milk', '5 eggs', '60 g butter, melted', '20 g sugar', '2 g salt'],
  waffle: ['250 g flour', '25 g sugar', '12 g baking powder', '4 g salt', '400 g milk', '3 eggs', '110 g butter'],
  oven: ['100 g flour', '220 g milk', '4 eggs', '10 g sugar', '2 g salt', '50 g butter for the pan'],
};
const PLAIN = ['250 g flour', '25 g sugar', '4 g salt', '10 g baking powder', '430 g milk', '2 eggs', '40 g butter'];

test('nothing spoken for: the usual first cause, and a share of what could be', () => {
  const causes = causesOf('tough', judged(PLAIN));
  expect(causes[0]).toMatchObject({ cause: 'Mixed too far', evidence: null });
  expect(causes.length).toBeLessThanOrEqual(3);
  expect(causes.reduce((a, c) => a + c.share, 0)).toBeLessThanOrEqual(1 + 1e-9);
  expect(causesOf('tall', judged(PLAIN))).toEqual([]);
});

test("the batch's own numbers bring a cause to the front, and are shown", () => {
  const lean = judged(['250 g flour', '25 g sugar', '4 g salt', '10 g baking powder', '500 g skim milk', '1 egg']);
  expect(causesOf('tough', lean)[0]).toMatchObject({
    cause: 'Too little fat',
    evidence: expect.stringMatching(/^fat \d/),
    move: 'tender',
  });
  const soda = judged([
    '250 g flour',
    '25 g sugar',
    '4 g salt',
    '6 g baking soda',
    '430 g milk',
    '2 eggs',
    '40 g butter',
  ]);
  expect(causesOf('soapy', soda)[0]).toMatchObject({
    cause: 'Soda left over',
    evidence: expect.stringContaining('finds no acid'),
  });
  // without soda that is left it is hardly that
  expect(causesOf('soapy', judged(PLAIN))[0]?.cause).toBe('Leavening not spread');
  const big = judged(PLAIN, { portionMl: 118, firstS: 80 });
  expect(
    causesOf('gummy', big)
      .map((c) => c.cause)
      .slice(0, 2),
  ).toEqual(['Portion too large', 'Too hot: brown before it was set']);
  expect(causesOf('gummy', big)[0]?.evidence).toBe('portions of 118 ml, usually 60 ml');
  expect(causesOf('gummy', big)[1]?.evidence).toBe('first side 1:20, usually about 2:20');
  // a first side of 3:20 is no hot griddle
  expect(causesOf('dark', judged(PLAIN, { firstS: 200 })).map((c) => c.cause)).not.toContain('Too hot');
  // foam is only knocked out of what has some
  expect(causesOf('flat', judged(PLAIN)).some((c) => c.cause === 'Foam knocked out')).toBe(false);
});

test('every fault has causes on every kind where it can be seen, every wish is one of the Bench', () => {
  // what needs a thing that is not in it is ruled out: no butter, no bits, no nuts
  for (const kind of KIND_IDS)
    for (const m of MARKS.filter((x) => occursOn(x, kind)))
      expect([kind, m, causesOf(m, judged(OF[kind], { kind, usual: { first: 140, second: 90 } })).length > 0]).toEqual([
        kind,
        m,
        isFault(m),
      ]);
  const wishes = new Set(MOVES.map((m) => m.id));
  for (const c of CAUSES) if (c.move) expect(wishes.has(c.move)).toBe(true);
  expect(new Set(CAUSES.map((c) => c.mark))).toEqual(new Set(MARKS.filter(isFault)));
});

test('both ends of every drawn scale lead to causes, but the middle to none', () => {
  for (const kind of KIND_IDS)
    for (const id of SCALES) {
      expect(faultsIn({ [id]: 3 }, kind)).toEqual([]);
      for (const end of [1, 5]) {
        const [mark] = faultsIn({ [id]: end }, kind);
        // a crepe and an oven pancake are meant to be wide
        const wide = id === 'spread' && end === 5 && (kind === 'crepe' || kind === 'oven');
        expect([kind, id, end, mark !== undefined && causesOf(mark, judged(OF[kind], { kind })).length > 0]).toEqual([
          kind,
          id,
          end,
          !wide,
        ]);
      }
    }
});

// what a baker would name first, with the numbers that make it first
const SWEET = ['250 g flour', '90 g sugar', '4 g salt', '12 g baking powder', '430 g milk', '2 eggs', '40 g butter'];
const LEAN_WAFFLE = [
  '250 g flour',
  '25 g sugar',
  '12 g baking powder',
  '4 g salt',
  '400 g skim milk',
  '2 eggs',
  '20 g oil',
];
const THIN = ['250 g flour', '25 g sugar', '4 g salt', '12 g baking powder', '640 g milk', '2 eggs', '40 g butter'];
const THICK_CREPE = ['250 g flour', '330 ml milk', '3 eggs', '30 g butter, melted', '20 g sugar', '2 g salt'];
test.each<readonly [KindId, Mark, readonly string[] | null, Partial<Judged>, string]>([
  ['griddle', 'tough', null, { turns: 40 }, 'Mixed too far'],
  ['griddle', 'tough', null, { turns: 12, restMin: 1 }, 'No rest'],
  ['waffle', 'tough', LEAN_WAFFLE, { turns: 20 }, 'Too little fat'],
  ['griddle', 'gummy', null, { portionMl: 110, heatC: 175, batterC: 22 }, 'Portion too large'],
  ['griddle', 'gummy', null, { batterC: 6, heatC: 175, portionMl: 60 }, 'Batter cold'],
  ['griddle', 'raw', null, { heatC: 205 }, 'Too hot'],
  ['griddle', 'raw', null, { heatC: 175, portionMl: 120 }, 'Portion too large'],
  ['griddle', 'flat', null, { weakPowder: true }, 'Rise spent by waiting, or an old tin'],
  ['griddle', 'flat', THIN, { restMin: 10, turns: 12 }, 'Too thin'],
  ['foam', 'flat', null, { turns: 20, flip: 'once', restMin: 5 }, 'Foam knocked out'],
  ['small', 'flat', null, { turns: 12, restMin: 10, flip: 'press' }, 'Pressed'],
  ['griddle', 'greasy', null, { panFat: 'butter-oil', heatC: 175 }, 'Too much fat in the pan'],
  [
    'griddle',
    'greasy',
    ['250 g flour', '25 g sugar', '4 g salt', '12 g baking powder', '430 g milk', '2 eggs', '110 g butter'],
    { panFat: 'none' },
    'Much fat in the batter',
  ],
  ['griddle', 'spotted', null, { panFat: 'butter' }, 'Too much fat in the pan'],
  ['griddle', 'spotted', null, { panFat: 'none' }, 'Fat not wiped even'],
  ['griddle', 'patchy', null, { panFat: 'none' }, 'Surface uneven in heat'],
  ['griddle', 'pale', null, { heatC: 150 }, 'Too cool'],
  ['griddle', 'dark', null, { heatC: 175, panFat: 'butter', firstS: 140 }, 'Butter burnt in the pan'],
  ['griddle', 'dark', SWEET, { heatC: 175, firstS: 140, panFat: 'film' }, 'Much sugar'],
  ['griddle', 'dry', null, { heldMin: 45, secondS: 90 }, 'Held too long'],
  ['griddle', 'dry', null, { secondS: 160, heldMin: 5 }, 'Too long on the heat'],
  ['griddle', 'broke', null, { firstS: 80 }, 'Underdone when it was turned'],
  ['griddle', 'splashed', null, { firstS: 80 }, 'Turned early'],
  ['griddle', 'ran', THIN, {}, 'Too thin'],
  ['griddle', 'ran', null, { portionMl: 110 }, 'Too much in each'],
  ['griddle', 'heaped', null, { batterC: 6 }, 'Batter cold'],
  ['griddle', 'ragged', null, { heatC: 150 }, 'Too cool'],
  ['griddle', 'hard', null, { firstS: 200, panFat: 'none' }, 'Too long on the heat'],
  ['griddle', 'hard', null, { firstS: 140, panFat: 'butter', heatC: 175 }, 'Too much fat in the pan: the edge fried'],
  [
    'griddle',
    'holes',
    ['250 g flour', '25 g sugar', '4 g salt', '24 g baking powder', '430 g milk', '2 eggs', '40 g butter'],
    { turns: 12, heatC: 175 },
    'Much rise',
  ],
  [
    'griddle',
    'soapy',
    ['250 g flour', '25 g sugar', '4 g salt', '6 g baking soda', '430 g milk', '2 eggs', '40 g butter'],
    {},
    'Soda left over',
  ],
  [
    'griddle',
    'bland',
    ['250 g flour', '25 g sugar', '1 g salt', '12 g baking powder', '430 g milk', '2 eggs', '40 g butter'],
    {},
    'Little salt',
  ],
  [
    'griddle',
    'sank',
    [
      '250 g flour',
      '25 g sugar',
      '4 g salt',
      '12 g baking powder',
      '430 g milk',
      '2 eggs',
      '40 g butter',
      '100 g blueberries',
    ],
    {},
    'Stirred into the bowl',
  ],
  ['griddle', 'threads', null, {}, 'Hot fat into the egg'],
  [
    'griddle',
    'green',
    [
      '250 g flour',
      '25 g sugar',
      '4 g salt',
      '5 g baking soda',
      '430 g milk',
      '2 eggs',
      '40 g butter',
      '100 g blueberries',
    ],
    {},
    'An alkaline batter beside nuts or blueberries',
  ],
  ['griddle', 'one-side', null, { secondS: 90 }, 'A hot spot'],
  ['griddle', 'one-side', null, { secondS: 40 }, 'Second side cut short'],
  ['griddle', 'uneven', null, {}, 'Leavening not spread'],
  ['griddle', 'first-poor', null, { panFat: 'film' }, 'Not yet level in heat: expected'],
  ['griddle', 'soggy-stack', null, { heldMin: 40 }, 'Steam in the stack'],
  ['griddle', 'stuck', null, { panFat: 'none', heatC: 175 }, 'Nothing in the pan'],
  ['crepe', 'tore', null, { restMin: 2, usualRestMin: 30, firstS: 60, usual: { first: 60, second: 20 } }, 'No rest'],
  [
    'crepe',
    'tore',
    ['250 g flour', '600 ml milk', '2 eggs', '30 g butter', '20 g sugar', '2 g salt'],
    { restMin: 30, usualRestMin: 30, firstS: 60, usual: { first: 60, second: 20 } },
    'Little egg',
  ],
  ['crepe', 'wont-run', null, { restMin: 0, usualRestMin: 30, heatC: 198, heatZone: [190, 205] }, 'No rest'],
  ['crepe', 'wont-run', THICK_CREPE, { restMin: 30, usualRestMin: 30, heatC: 198, heatZone: [190, 205] }, 'Too thick'],
  ['crepe', 'wont-run', null, { restMin: 30, usualRestMin: 30, heatC: 220, heatZone: [190, 205] }, 'Pan too hot'],
  ['crepe', 'soggy', null, { heatC: 160, heatZone: [190, 205] }, 'Pan too cool'],
  [
    'crepe',
    'soggy',
    null,
    { heatC: 198, heatZone: [190, 205], portionMl: 90, usualPortion: [45, 60] },
    'Too much in the pan',
  ],
  [
    'crepe',
    'holes',
    null,
    { restMin: 0, usualRestMin: 30, heatC: 198, heatZone: [190, 205] },
    'No rest: bubbles of the whisk',
  ],
  ['crepe', 'bare', null, { heatC: 160, heatZone: [190, 205] }, 'Too cool'],
  [
    'waffle',
    'stuck',
    LEAN_WAFFLE,
    { panFat: 'spray', firstS: 270, usual: { first: 270, second: null } },
    'Too little fat in the batter',
  ],
  ['waffle', 'stuck', null, { panFat: 'spray', firstS: 150, usual: { first: 270, second: null } }, 'Opened early'],
  ['waffle', 'stuck', null, { panFat: 'spray', firstS: 270, usual: { first: 270, second: null } }, 'Iron not clean'],
  [
    'waffle',
    'limp',
    null,
    { heldMin: 40, firstS: 270, usual: { first: 270, second: null } },
    'Stacked or held in its steam',
  ],
  ['waffle', 'limp', LEAN_WAFFLE, { heldMin: 2, firstS: 270, usual: { first: 270, second: null } }, 'Too little fat'],
  ['oven', 'no-puff', null, { heatC: 190, heatZone: [220, 230] }, 'Oven or pan not hot'],
  [
    'oven',
    'no-puff',
    ['150 g flour', '350 g milk', '2 eggs', '2 g salt', '40 g butter for the pan'],
    { heatC: 225, heatZone: [220, 230] },
    'Too little egg',
  ],
  ['oven', 'no-puff', null, { heatC: 225, heatZone: [220, 230], batterC: 22 }, 'The oven was opened'],
  [
    'ball',
    'gummy',
    null,
    { heatC: 200, heatZone: [170, 185], portionMl: 30, usualPortion: [25, 35] },
    'Too hot: brown before it was set',
  ],
])('%s, %s (%#)', (kind, mark, texts, more, cause) => {
  const causes = causesOf(mark, judged(texts ?? OF[kind], { kind, ...more }));
  expect(causes[0]?.cause).toBe(cause);
});

test('never advises what the batch already did', () => {
  const none = (mark: Mark, more: Partial<Judged>, cause: string) =>
    expect(causesOf(mark, judged(PLAIN, more)).map((c) => c.cause)).not.toContain(cause);
  none('tough', { restMin: 15 }, 'No rest');
  none('tough', { turns: 12 }, 'Mixed too far');
  none('flat', { flip: 'once' }, 'Pressed');
  none('greasy', { panFat: 'none' }, 'Too much fat in the pan');
  none('dry', { heldMin: 3 }, 'Held too long');
  none('gummy', { portionMl: 60 }, 'Portion too large');
  none('gummy', { heatC: 175 }, 'Too hot: brown before it was set');
  none('soapy', {}, 'Soda left over');
  none('flat', { restMin: 5 }, 'Rise spent by waiting, or an old tin');
  expect(causesOf('gummy', judged(PLAIN)).map((c) => c.cause)).not.toContain('Much puree');
});

test('the marks of a kind: what can be seen on it, each with a name of its own', () => {
  expect(marksOf('crepe')).toEqual(expect.arrayContaining(['wont-run', 'soggy', 'tore']));
  expect(marksOf('crepe')).not.toContain('no-puff');
  expect(marksOf('oven')).toContain('no-puff');
  expect(new Set(MARKS.map(markName)).size).toBe(MARKS.length);
  expect(markName('from an older log')).toBe('from an older log');
  for (const k of KIND_IDS) expect(kindById(k).id).toBe(k);
});

test('what was read and counted speaks: temperatures, turns, minutes', () => {
  const first = (mark: (typeof MARKS)[number], more: Partial<Judged>) => causesOf(mark, judged(PLAIN, more))[0];
  expect(first('gummy', { heatC: 198 })).toMatchObject({
    cause: 'Too hot: brown before it was set',
    evidence: 'surface 198 °C, of 165 °C to 190 °C',
  });
  expect(first('gummy', { batterC: 6, heatC: 180, portionMl: 60 })).toMatchObject({
    cause: 'Batter cold',
    evidence: 'batter at 6 °C',
  });
  expect(first('pale', { heatC: 150, units: { temperature: 'F' } })).toMatchObject({
    cause: 'Too cool',
    evidence: 'surface 302 °F, of 329 °F to 374 °F',
  });
  expect(first('tough', { turns: 40 })).toMatchObject({ cause: 'Mixed too far', evidence: '40 turns, 16 are enough' });
  expect(first('tough', { turns: 14, restMin: 2 })).toMatchObject({
    cause: 'No rest',
    evidence: 'it stood 2 min, usually 10',
  });
  expect(first('dry', { heldMin: 41 })).toMatchObject({ cause: 'Held too long', evidence: 'held 41 min' });
});
