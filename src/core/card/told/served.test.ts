/** What a card says its pieces are eaten with: in any of the ways to say it each thing is found, once, and nothing else. */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { servedBy } from '../../findings/served';
import { FRESH_CONVENTIONS } from '../../pantry/conventions';
import { everyNth } from '../../testing/share';
import { servedIn } from './served';

const served = (text: string): readonly string[] => servedIn(text, FRESH_CONVENTIONS).map((t) => t.said);
const AND: Readonly<Record<string, string>> = { English: 'and', German: 'und', French: 'et', Spanish: 'y' };
const SECTIONS = readFileSync(join(__dirname, '../corpus/served-ways.txt'), 'utf8')
  .split(/^=== /m)
  .slice(1)
  .map((section) => {
    const [head = '', ...ways] = section.trim().split('\n');
    const [language = '', things = ''] = head.split('; ');
    return { language, things: things.split('|'), ways };
  });

/** One, two and three things as they are listed. */
const LISTS = SECTIONS.flatMap(({ language, things, ways }) =>
  ways.flatMap((way) =>
    things.flatMap((_, n) =>
      [[0], [0, 1], [0, 3, 5]].map((steps) => {
        const of = steps.flatMap((s) => things[(n + s) % things.length] ?? []);
        const last = of.at(-1) ?? '';
        const list = of.length === 1 ? last : `${of.slice(0, -1).join(', ')} ${AND[language] ?? ''} ${last}`;
        const text = way.replace('[things]', list).replace('[Things]', list.charAt(0).toUpperCase() + list.slice(1));
        return { language, of, text };
      }),
    ),
  ),
);
const TOLD = LISTS.filter((x) => x.language !== 'none');

test(`of ${TOLD.length} sentences each names what it serves, in its order`, () => {
  expect(TOLD.length).toBeGreaterThan(3500);
  expect(
    everyNth(TOLD, 3).flatMap(({ text, of }) =>
      served(text).join('; ') === of.join('; ') ? [] : [`${text} ${served(text).join('; ')}`],
    ),
  ).toEqual([]);
});

test.each(SECTIONS.find((s) => s.language === 'none')?.ways ?? [])('serves nothing: %s', (text) =>
  expect(served(text)).toEqual([]),
);

test('the notice holds the allergens of whatever is found', () => {
  const missed = everyNth(TOLD, 5).flatMap(({ text }) => {
    const told = new Set(servedBy(text).map((s) => s.allergen));
    return servedIn(text, FRESH_CONVENTIONS).flatMap(({ said, line }) =>
      (line.ingredient?.allergens ?? []).filter((a) => !told.has(a)).map((a) => `${text} ${said}: ${a}`),
    );
  });
  expect(missed).toEqual([]);
});

test('what is left to the guest is on the notice, and what is denied is not', () => {
  const told = (text: string): readonly string[] => servedBy(text).map((s) => `${s.said} ${s.allergen}`);
  expect(told('Serve with caramel sauce if you like.')).toEqual(['caramel sauce milk']);
  expect(told('Spread with peanut butter and roll up.')).toEqual(['peanut butter peanut']);
  expect(told('Never serve them with lemon curd.')).toEqual([]);
});

test('of a sentence that goes on, as far as it is done', () => {
  expect(served('(Serve with maple syrup and jam).')).toEqual(['maple syrup', 'jam']);
  expect(served('Serve with syrup, and berries if you like.')).toEqual(['syrup']);
  expect(served('Dust with icing sugar and serve with lemon wedges.')).toEqual(['icing sugar', 'lemon wedges']);
  expect(served('Top with butter. Butter them again while hot.')).toEqual(['butter']);
});
