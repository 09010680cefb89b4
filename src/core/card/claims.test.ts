/**
 * The laws of reading a line: put together from the tables it gives its parts back, or asks; and no word is ever
 * missing.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { PANTRY } from '../pantry/pantry';
import { STATE_IN_ENGLISH } from '../pantry/tables/words';
import { weigh } from '../pantry/weigh';
import { parseAmount } from '../quantity/amount';
import { workedLines } from '../testing/corpus';
import { counting } from '../testing/counted';
import { cases, thirdOf } from '../testing/share';
import { stripBullet } from './bullet';
import { readCard } from './card';
import { readLine } from './line';
import { isWord, tokensOf } from './words';
import { unwrapped, withWholeLines } from './wrapped';

const NAMES = PANTRY.flatMap((i) =>
  [i.name.toLowerCase(), ...i.aliases].filter((n) => /^[\p{L} '-]+$/u.test(n)).map((name) => ({ name, i })),
).filter(
  // names that the house decides, or that are asked about, are other laws' business
  ({ name, i }) =>
    !/^(?:pan|griddle) /.test(name) && readLine(`100 g ${name}`, FRESH_CONVENTIONS).ingredient?.id === i.id,
);
const anyName = fc.constantFrom(...NAMES);
const anyNumber = fc.constantFrom(
  '2',
  '3',
  '250',
  '1/2',
  '1 1/2',
  '1½',
  '0.75',
  'two',
  'half',
  'three quarters of',
  '2-3',
  '2 to 3',
);
const anyUnit = fc.constantFrom('g', 'cups', 'cup', 'tbsp', 'teaspoons', 'ml', 'oz', 'dl', 'kg');
const anyFull = fc.constantFrom('', '', '', 'scant ', 'heaped ', 'level ');
const anyState = fc.constantFrom(
  '',
  '',
  'melted',
  'sifted',
  'chopped',
  'at room temperature',
  'peeled and diced',
  'lightly beaten',
  'from the fridge',
  'softened',
);
const anyUse = fc.constantFrom(
  ['', 'batter'],
  ['', 'batter'],
  [' for the pan', 'pan'],
  [', to serve', 'topping'],
  [' for dusting', 'topping'],
);

type Order = (p: { readonly amount: string; readonly name: string; readonly state: string }) => string;
const after = (state: string): string => (state ? `, ${state}` : '');
const inBrackets = (state: string): string => (state ? ` (${state})` : '');
const ORDERS: readonly Order[] = [
  ({ amount, name, state }) => `${amount} ${name}${after(state)}`,
  ({ amount, name, state }) => `${amount} of ${name}${after(state)}`,
  ({ amount, name, state }) => `${amount} ${name}${inBrackets(state)}`,
  ({ amount, name, state }) => `${name}: ${amount}${after(state)}`,
  ({ amount, name, state }) => `${name}, ${amount}${after(state)}`,
  ({ amount, name, state }) => `${name} ${amount}${after(state)}`,
  ({ amount, name, state }) => `- ${amount} ${name}${after(state)}`,
  ({ amount, name, state }) => `and ${amount} ${name}${after(state)}`,
];

test('a line put together from the tables gives its parts back, or asks', () => {
  const tested = counting();
  fc.assert(
    fc.property(
      anyName,
      anyNumber,
      anyFull,
      anyUnit,
      anyState,
      anyUse,
      fc.integer({ min: 0, max: ORDERS.length - 1 }),
      ({ name, i }, number, full, unit, state, [use, where], order) => {
        const said = `${number.startsWith('three') || number === 'half' ? number : number} ${full}${unit}`;
        const amount = parseAmount(said);
        if (!amount) return;
        const text = `${ORDERS[order]?.({ amount: said, name, state })}${use}`;
        const line = readLine(text, FRESH_CONVENTIONS);
        if (line.status !== 'read') return;
        tested.one();
        expect([text, line.ingredient?.id]).toEqual([text, i.id]);
        // a spray goes onto the pan unless it is said to go elsewhere
        expect([text, line.use]).toEqual([text, i.id === 'cooking-spray' && where === 'batter' ? 'pan' : where]);
        const weighed = weigh(amount, i, null, FRESH_CONVENTIONS);
        // "sifted" right behind the amount fills the cup otherwise; that is the corpus' to hold
        if (weighed.ok && !/sifted/.test(state))
          expect([text, Math.abs((line.grams ?? 0) - weighed.value.grams) < 1e-6 * weighed.value.grams + 1e-9]).toEqual(
            [text, true],
          );
      },
    ),
    { numRuns: cases(1500) },
  );
  // asked now and then, read mostly
  tested.atLeast(cases(1000));
});

const LINES = fc
  .tuple(anyName, anyNumber, anyUnit, anyState)
  .map(([{ name }, n, unit, state]) => `${n} ${unit} ${name}${after(state)}`);

/** A line gone wrong: a letter lost, two words changed over, one said twice, a stranger among them, a mark anywhere. */
const anyMutation = fc.tuple(
  fc.constantFrom('lose', 'turn', 'twice', 'stranger', 'mark', 'number'),
  fc.nat(),
  fc.constantFrom('moondust', 'zorblike', '&', 'or', 'each', '½', '(', '7', 'of', 'œuf'),
);
function mutate(text: string, [how, at, what]: readonly [string, number, string]): string {
  const words = text.split(' ');
  const n = at % words.length;
  if (how === 'lose') return text.slice(0, at % text.length) + text.slice((at % text.length) + 1);
  if (how === 'turn')
    return [...words.slice(0, n), words[n + 1] ?? '', words[n] ?? '', ...words.slice(n + 2)].join(' ');
  if (how === 'twice') return [...words.slice(0, n), words[n], words[n], ...words.slice(n + 1)].join(' ');
  if (how === 'number') return [...words.slice(0, n), '3', ...words.slice(n)].join(' ');
  return [...words.slice(0, n), what, ...words.slice(n)].join(' ');
}

test('an egg that is written short is no “e.g.”', () =>
  expect(readLine('1 large eg, from the fridge', FRESH_CONVENTIONS).words.map((w) => w.text)).toContain('eg'));

test('no word of any line is missing from its parts, whatever became of it', () => {
  fc.assert(
    fc.property(
      fc.oneof(
        LINES,
        fc.tuple(LINES, fc.array(anyMutation, { minLength: 1, maxLength: 3 })).map(([t, ms]) => ms.reduce(mutate, t)),
        fc.string({ maxLength: 60 }),
      ),
      (text) => {
        const line = readLine(text, FRESH_CONVENTIONS);
        expect(line.words.map((w) => w.text)).toEqual(
          tokensOf(stripBullet(text))
            .filter(isWord)
            .map((t) => t.text),
        );
      },
    ),
    { numRuns: cases(1500) },
  );
});

test('a stranger with a digit, or a second amount, never leaves a line plainly read', () => {
  fc.assert(
    fc.property(anyName, fc.constantFrom('7b', '7 7', '3 4', '12'), ({ name }, odd) => {
      const line = readLine(`200 g ${name} ${odd}`, FRESH_CONVENTIONS);
      expect([line.text, line.status]).not.toEqual([line.text, 'read']);
    }),
    { numRuns: 300 },
  );
});

test('a word that changes the thing never leaves the plain thing standing', () => {
  const odd = fc.constantFrom(
    'smoked',
    'dried',
    'condensed',
    'powdered',
    'hemp',
    'goat',
    'quail',
    'imitation',
    'candied',
    'evaporated',
    'chickpea',
  );
  fc.assert(
    fc.property(
      fc.constantFrom('flour', 'milk', 'eggs', 'butter', 'sugar', 'honey', 'cream', 'yoghurt', 'walnuts'),
      odd,
      fc.boolean(),
      (name, word, behind) => {
        const plainly = readLine(`200 g ${name}`, FRESH_CONVENTIONS).ingredient?.id ?? 'none';
        const line = readLine(behind ? `200 g ${name}, ${word}` : `200 g ${word} ${name}`, FRESH_CONVENTIONS);
        expect([line.text, line.status === 'read' ? line.ingredient?.id : 'asked']).not.toEqual([line.text, plainly]);
      },
    ),
    { numRuns: 200 },
  );
});

test('nothing of a card is dropped: every row is title, line, heading, set aside or empty, and no two places at once but as rows parted', () => {
  fc.assert(
    fc.property(
      fc.array(
        fc.oneof(
          LINES,
          fc.constantFrom(
            '',
            'Sauce:',
            'For the pan:',
            'Method',
            'Serves 4',
            'Whisk it all well.',
            'Moonlight:',
            'Crepes',
            '# Batter',
            'salt and pepper',
          ),
          fc.string({ maxLength: 30 }),
        ),
        { minLength: 1, maxLength: 14 },
      ),
      (rows) => {
        const clean = rows.map((r) => r.replace(/[\r\n\u2028\u2029]/g, ' '));
        const r = readCard(clean.join('\n'), FRESH_CONVENTIONS);
        if (!r.ok) throw new Error(r.error.message);
        const at = new Set([...r.value.lines.map((l) => l.lineNumber), ...r.value.ignored.map((i) => i.lineNumber)]);
        // what went on in the next row is one with it
        const whole = withWholeLines(unwrapped(clean), FRESH_CONVENTIONS);
        const empty = whole.filter((x) => stripBullet(x) === '').length;
        expect(at.size + empty + (r.value.title === null ? 0 : 1)).toBe(clean.length);
        for (const l of r.value.lines) expect(r.value.sections.some((s) => s.id === l.section)).toBe(true);
      },
    ),
    { numRuns: cases(300) },
  );
});

test('a line is a line wherever it stands: below a heading, first, within or last in a list', () => {
  const lines = workedLines(readFileSync(join(__dirname, 'corpus', 'lines.tsv'), 'utf8'))
    .map((w) => w.text)
    // what is a remark, or the method, below a title alone
    .filter(
      (t) =>
        !t.includes('\t') && t.length < 150 && !['NaN g flour', 'no salt', 'in another bowl three eggs'].includes(t),
    );
  const places = (t: string): readonly string[] => [
    `Ingredients\n${t}`,
    `Lock cakes\n\n${t}\n250 g flour\n2 eggs\n300 ml milk`,
    `Lock cakes\n\n250 g flour\n2 eggs\n${t}\n300 ml milk\n1 tsp salt\n\nMix and fry.`,
    `Lock cakes\n\n250 g flour\n2 eggs\n300 ml milk\n${t}`,
  ];
  const lost = thirdOf(lines).flatMap((t) =>
    places(t).filter((text) => {
      const card = readCard(text, FRESH_CONVENTIONS);
      const row = text.split('\n').indexOf(t) + 1;
      return !card.ok || !card.value.lines.some((l) => l.lineNumber === row);
    }),
  );
  expect(lost).toEqual([]);
});

test('a word abroad for how a thing is prepared is told by its English one, and nothing of it is left', () => {
  const lost = [...STATE_IN_ENGLISH].filter(([word, english]) => {
    const l = readLine(`50 g Butter, ${word}`, FRESH_CONVENTIONS);
    return l.ingredient?.id !== 'butter-unsalted' || l.grams !== 50 || l.preparation !== english;
  });
  expect(lost).toEqual([]);
});

test.each([
  ['2 pommes, pelées et coupées en dés', 'apple', 'peeled and cut in cubes', null],
  ['50 g de mantequilla fría, en dados', 'butter-unsalted', 'cold, in cubes', null],
  ['50 g Rosinen (in warmem Wasser eingeweicht)', 'raisins', 'in warm Wasser soaked', null],
  ['3 blancs d’œufs battus en neige ferme', 'egg-white', 'beaten stiff', 'firm'],
  ['3 claras montadas a punto de nieve', 'egg-white', 'whipped stiff', 'firm'],
  ['3 Eier, getrennt', 'egg-large', 'separated', 'soft'],
  ['50 g de beurre, à température ambiante', 'butter-unsalted', 'room temperature', null],
  ['3 huevos, claras y yemas separadas', 'egg-large', 'claras and yemas separated', 'soft'],
  ['80 g lait en poudre', 'milk-powder-skim', '', null],
] as const)('%s: %s, %s', (line, id, preparation, foam) => {
  const l = readLine(line, FRESH_CONVENTIONS);
  expect([l.ingredient?.id, l.preparation, l.foam]).toEqual([id, preparation, foam]);
});
