/** The smallest lie: found where there is one, silence where there is none. */
import fc from 'fast-check';
import { readLine } from '../card/line';
import { numbersOf } from '../numbers';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { COMMON } from '../testing/common';
import { linesOf } from '../testing/formulas';
import { SLIPPED, UNUSUAL } from '../testing/slips';
import { rereadingsOf } from './slips';
import { type Suspect, suspectsIn } from './suspects';
import { troubleOf } from './trouble';

interface Card {
  readonly kind: (typeof COMMON)[number]['kind'];
  readonly school: string;
  readonly lines: readonly string[];
}
const search = ({ kind, school, lines }: Card, cardNotes = ''): readonly Suspect[] =>
  suspectsIn({
    lines: linesOf(...lines),
    kind,
    school,
    at: { cardNotes },
    conventions: FRESH_CONVENTIONS,
    asLine: (l) => l,
  });
const said = (s: readonly Suspect[]) =>
  s.map((x) => x.rereads.map((r) => `${r.at === null ? '' : r.at + 1} ${r.text}: ${r.as}`).join(' + '));

const CAKES = '2 eggs; 30 g sugar; 12 g baking powder; 3 g salt; 40 g butter, melted';
const cakes = (...first: string[]): Card => ({
  kind: 'griddle',
  school: 'even',
  lines: [...first, ...CAKES.split('; ')],
});

test('three kilograms of flour for three hundred grams: the line, and all findings gone', () => {
  const [s, ...others] = search(cakes('3 kg flour', '520 g milk'));
  expect(others).toEqual([]);
  expect(said([s as Suspect])).toEqual(['1 300 g flour: a nought too many']);
  expect(s?.left).toEqual([]);
  expect(s?.ends.map((f) => f.code)).toEqual(expect.arrayContaining(['too-thick', 'under-raised', 'egg-low']));
});

test('milk doubled or flour halved explain equally: both are named, and the yield on the card decides', () => {
  const card = cakes('150 g flour', '520 g milk');
  const both = search(card).map((s) => s.rereads[0]?.text);
  expect(both).toEqual(expect.arrayContaining(['300 g flour', '260 g milk']));
  // 300 g of flour pours some 14 of 60 ml, 150 g some 7
  expect(search(card, 'Makes 24').map((s) => s.rereads[0]?.text)[0]).toBe('300 g flour');
});

test('two slips on one card are found together', () => {
  const [s] = search(cakes('3 kg flour', '52 g milk'));
  expect(s?.rereads.map((r) => r.text).sort()).toEqual(['300 g flour', '520 g milk']);
});

/** g of the first line that is said to have been left out; null where none is. */
const leftOut = (card: Card): readonly [string, number] | null => {
  for (const { rereads } of search(card)) for (const r of rereads) if (r.at === null) return [r.thing, r.grams];
  return null;
};
const without = ({ lines, ...card }: Card, what: RegExp): Card => ({
  ...card,
  lines: lines.filter((l) => !what.test(l)),
});

test('a line left out: flour, milk and powder are missed on any card, eggs where the kind stands on them', () => {
  const cards: readonly Card[] = [
    { kind: 'griddle', school: 'even', lines: ['300 g flour', '520 g milk', ...CAKES.split('; ')] },
    {
      kind: 'griddle',
      school: 'tall',
      lines: ['250 g flour', '360 g milk', '1 egg', '30 g sugar', '15 g baking powder', '3 g salt', '40 g butter'],
    },
    {
      kind: 'waffle',
      school: 'crisp',
      lines: ['240 g flour', '400 g milk', '2 eggs', '90 g butter', '25 g sugar', '12 g baking powder', '4 g salt'],
    },
    {
      kind: 'small',
      school: 'even',
      lines: ['225 g flour', '25 g sugar', '9 g baking powder', '2 g salt', '330 g milk', '1 egg', '25 g butter'],
    },
  ];
  // of what was there between two thirds and one and a half times as much
  const near = (card: Card, what: RegExp, thing: string): void => {
    const [was] = linesOf(...card.lines.filter((l) => what.test(l)));
    const [id, g] = leftOut(without(card, what)) ?? [];
    expect([card.kind, id]).toEqual([card.kind, thing]);
    expect(Math.abs(Math.log((g ?? 0) / (was?.grams ?? 0)))).toBeLessThan(Math.log(1.65));
  };
  for (const card of cards) {
    near(card, /flour/, 'flour-all-purpose');
    near(card, /milk/, 'milk-whole');
    near(card, /powder/, 'baking-powder-double-al');
    // who leaves out egg, sugar, salt or butter mostly means it
    for (const what of [/egg/, /sugar/, /salt/, /butter/]) expect(leftOut(without(card, what))).toBeNull();
  }
  const crepes: Card = {
    kind: 'crepe',
    school: 'sweet',
    lines: ['250 g flour', '500 g milk', '20 g sugar', '2 g salt', '50 g butter'],
  };
  expect(leftOut(crepes)?.[0]).toBe('egg-large');
});

test('what stands last on a list may be for the table; between others it is sooner a nought too many', () => {
  const syrup = [...cakes('300 g flour', '520 g milk').lines, '280 g maple syrup'];
  expect(said(search({ ...cakes(), lines: syrup }))[0]).toBe('8 280 g maple syrup, to serve: not for the batter');
  expect(said(search(cakes('300 g flour', '300 g powdered sugar', '520 g milk')))).toEqual([
    '2 30 g powdered sugar: a nought too many',
  ]);
});

test('nobody serves more butter than a batter of its weight takes: six cups are six tablespoons', () => {
  const card: Card = {
    kind: 'griddle',
    school: 'even',
    lines:
      '3 cups flour; 1 tbsp sugar; 2 tbsp baking powder; 1 tsp salt; 2 1/2 cups milk; 3 eggs; 6 cups butter, melted'.split(
        '; ',
      ),
  };
  expect(said(search(card))).toContain('7 6 tablespoons butter, melted: cup for tablespoon');
  expect(said(search(card)).filter((x) => x.includes('to serve'))).toEqual([]);
});

test('half a tablespoon of salt is half a teaspoon sooner than a tablespoon is a teaspoon', () => {
  const salted = (salt: string): Card => ({
    kind: 'griddle',
    school: 'even',
    lines:
      `2 cups flour; 2 tbsp sugar; 1 tbsp baking powder; ${salt} salt; 1 3/4 cups milk; 2 eggs; 3 tbsp butter, melted`.split(
        '; ',
      ),
  });
  expect(said(search(salted('1/2 tbsp')))[0]).toBe('4 1/2 teaspoon salt: tablespoon for teaspoon');
  expect(said(search(salted('1 1/2 tsp')))).toEqual([]);
  const cost = (text: string) =>
    rereadingsOf(readLine(text, FRESH_CONVENTIONS)).find((r) => r.as === 'tablespoon for teaspoon')?.cost;
  expect(cost('1/2 tbsp salt')).toBeLessThan(cost('1 tbsp salt') ?? 0);
});

test('ten times the salt is found though what is meant is well salted too, and is said so', () => {
  const card: Card = {
    kind: 'crepe',
    school: 'buckwheat',
    lines: ['200 g buckwheat flour', '470 g water', '100 g salt', '1 egg'],
  };
  const [s] = search(card);
  expect(said(s ? [s] : [])).toEqual(['3 10 g salt: a nought too many']);
  expect(s?.ends).toEqual([]);
  expect(s?.left.map((f) => f.code)).toEqual(['salt-high']);
});

test('what nobody has weighed wrong: a calm card, a card of notes, an unread line', () => {
  expect(search(cakes('300 g flour', '520 g milk'))).toEqual([]);
  expect(search(cakes('300 g flour', '470 g milk', '9 g salt'))).toEqual([]);
  expect(search(cakes('300 g moondust', '520 g milk'))).toEqual([]);
});

test('of sixty cards with one slip the true line stands first, or among equals, in 55', () => {
  const missed = SLIPPED.filter((c) => !search(c).some((s) => s.rereads.some((r) => r.at === c.at)));
  expect(SLIPPED).toHaveLength(60);
  expect(SLIPPED.length - missed.length).toBeGreaterThanOrEqual(55);
});

// one of the common has an oven pancake of 62 g flour for four eggs: twice the flour would calm it, and it is meant so
const MEANT = new Set(['german apple oven']);
test('of sixty that are unusual on purpose none is suspected, nor of the common ones but one', () => {
  expect(UNUSUAL).toHaveLength(60);
  const suspected = [...UNUSUAL, ...COMMON].filter((c) => search(c).length > 0);
  expect(suspected.map((c) => c.name).filter((n) => !MEANT.has(n))).toEqual([]);
});

const BY_NOUGHT = new Set(['a nought too many', 'a nought too few']);
test('what is offered calms the whole, keeps what the line is of, and is read as it is written', () => {
  fc.assert(
    fc.property(fc.constantFrom(...SLIPPED), (c) => {
      const lines = linesOf(...c.lines);
      const trouble = (l: typeof lines): number => troubleOf(numbersOf(l, c.kind, c.school), l);
      for (const s of search(c)) {
        const now = [
          ...lines.map((l, n) => {
            const r = s.rereads.find((x) => x.at === n);
            return r ? { ...l, ...readLine(r.text, FRESH_CONVENTIONS) } : l;
          }),
          ...s.rereads.filter((r) => r.at === null).map((r) => readLine(r.text, FRESH_CONVENTIONS)),
        ];
        expect(trouble(now)).toBeLessThan(trouble(lines));
        for (const r of s.rereads) {
          if (r.at === null) continue;
          expect(now[r.at]?.grams).toBeCloseTo(r.grams, 6);
          const was = lines[r.at]?.grams ?? 0;
          if (BY_NOUGHT.has(r.as)) expect(Math.abs(Math.log10(r.grams / was))).toBeCloseTo(1, 6);
        }
        expect(s.weight).toBeGreaterThan(0);
        expect(s.weight).toBeLessThanOrEqual(1);
      }
    }),
    { numRuns: 60 },
  );
});

test('a line is read again only as one plain amount of one thing', () => {
  const as = (text: string) => rereadingsOf(readLine(text, FRESH_CONVENTIONS)).map((r) => r.as);
  expect(as('1 tbsp salt')).toEqual(expect.arrayContaining(['tablespoon for teaspoon', 'salt for sugar']));
  expect(as('1 1/2 cups sugar')).toContain('a fraction misread');
  expect(as('2 eggs plus 1 yolk')).toEqual([]);
  expect(as('2 to 3 tbsp sugar')).toEqual([]);
  // nobody halves an egg by a slip of a nought
  expect(as('2 eggs')).not.toContain('a nought too many');
});

test('egg sizes, the acting of a powder and the fill of a cup are among what may have been meant', () => {
  const as = (text: string): readonly string[] => rereadingsOf(readLine(text, FRESH_CONVENTIONS)).map((r) => r.as);
  expect(as('3 large eggs')).toContain('large eggs for small');
  expect(as('3 medium eggs')).toContain('small eggs for large');
  expect(as('10 g single-acting baking powder')).toContain('single-acting powder for double-acting');
  expect(as('2 cups flour')).toEqual(
    expect.arrayContaining(['a packed cup for a spooned one', 'a sifted cup for a packed one']),
  );
  expect(as('250 g flour').filter((x) => x.includes('cup'))).toEqual([]);
});
