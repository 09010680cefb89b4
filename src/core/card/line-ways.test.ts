/**
 * Lines of a list in other languages, as a whole card has them: each thing with each amount is the line that it is in
 * English, in whatever form it is written.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { PANTRY } from '../pantry/pantry';
import { OTHER_NAMES } from '../pantry/tables/other-names';
import { thirdOf } from '../testing/share';
import { stripBullet } from './bullet';
import { readCard } from './card';
import { readLine } from './line';
import type { CardLine } from './rows';

/** Words of a list, each with what it is in English. */
type Words = readonly (readonly [said: string, english: string])[];
const wordsOf = (row: string): Words =>
  row.split('; ').map((pair): readonly [string, string] => {
    const [said = '', english = ''] = pair.split(' = ');
    return [said, english];
  });

const LISTS = readFileSync(join(__dirname, 'corpus/line-ways.txt'), 'utf8')
  .split(/^=== /m)
  .slice(1)
  .map((section) => {
    const [language = '', things = '', amounts = '', ...forms] = section.trimEnd().split('\n');
    return { language, things: wordsOf(things), amounts: wordsOf(amounts), forms };
  });

/** A card around a line: what it is called, the eggs before it, the milk and what is done behind it. */
const CARDS: Readonly<Record<string, readonly [head: string, eggs: string, milk: string, method: string]>> = {
  english: ['Pancakes', '3 eggs', '300 ml milk', 'Mix and fry.'],
  german: ['Pfannkuchen', '3 Eier', '300 ml Milch', 'Alles verrühren und in der Pfanne backen.'],
  french: ['Crêpes', '3 œufs', '300 ml de lait', 'Mélanger le tout et laisser reposer la pâte.'],
  spanish: ['Tortitas', '3 huevos', '300 ml de leche', 'Mezclar todo y dejar reposar la masa.'],
};

/** The lines of a card that holds a row. */
function linesWith(row: string, language: string): readonly CardLine[] {
  const [head = '', eggs, milk, method] = CARDS[language] ?? [];
  const card = readCard(`${head}\n\n${eggs}\n${row}\n${milk}\n\n${method}`, FRESH_CONVENTIONS);
  return card.ok ? card.value.lines : [];
}

/** @param elides "de" loses its vowel before another, as in French */
function written(form: string, amount: string, thing: string, elides: boolean): string {
  const isElided = elides && /^[aeouiéhœ]/u.test(thing) && amount.endsWith(' de');
  return form
    .replace('◦ ◇', isElided ? `${amount.slice(0, -1)}’${thing}` : `${amount} ${thing}`)
    .replace('◦', amount)
    .replace('◇', thing)
    .replace('□', amount.replace(/ de$/, ''));
}

/** Forms that each amount of each thing is tried in: all of them are, with one thing or another. */
const FORMS_EACH = 3;
/** How far the grams may be from those of the English line, of one: a spoon is 15 ml here and there. */
const NEAR = 0.02;

test.each(LISTS)('each thing in each amount is its line, however it is written: $language', (list) => {
  const lost = list.things.flatMap(([thing, inEnglish], k) =>
    list.amounts.flatMap(([amount, measure], n) => {
      const english = readLine(`${measure} ${inEnglish}`, FRESH_CONVENTIONS);
      if (english.ingredient === null || english.grams === null) throw new Error(`not read: ${english.text}`);
      const { id } = english.ingredient;
      const grams = english.grams;
      return Array.from({ length: FORMS_EACH }, (_, f) => {
        const form = list.forms[(FORMS_EACH * (k + n) + f) % list.forms.length] ?? '';
        const row = written(form, amount, thing, list.language === 'french');
        const line = linesWith(row, list.language)[1];
        // and so it is on the Bench, which keeps the thing and reads the row by itself
        const alone = readLine(stripBullet(line?.text ?? ''), FRESH_CONVENTIONS, { ingredientId: id });
        const isRead = [line, alone].every(
          (l) => l?.ingredient?.id === id && Math.abs((l.grams ?? 0) - grams) <= NEAR * grams + 0.01,
        );
        return isRead ? '' : `${row} → ${line?.ingredient?.id ?? 'nothing'} ${line?.grams ?? ''}`;
      }).filter((x) => x !== '');
    }),
  );
  expect(lost).toEqual([]);
});

const TONGUES = { german: 'de', french: 'fr', spanish: 'es' } as const;
/** Every name that the pantry has in a language, with the things it names: where there are several, it is asked. */
function namesIn(language: string): ReadonlyMap<string, readonly string[]> {
  const out = new Map<string, string[]>();
  for (const { id, name, aliases } of PANTRY) {
    const tongue = language === 'english' ? null : TONGUES[language as keyof typeof TONGUES];
    for (const n of tongue ? (OTHER_NAMES[id]?.[tongue] ?? []) : [name, ...aliases])
      out.set(n, [...(out.get(n) ?? []), id]);
  }
  return out;
}

/** Names with a bracket, a number or an "and" left out are for the search field; "soda" is another thing in English. */
const OTHERWISE: ReadonlySet<string> = new Set(['soda', 'half half']);
const isSearched = (name: string): boolean => OTHERWISE.has(name) || /^E\d|\((?:SAPP|US|UK)\b/.test(name);

test.each(Object.keys(CARDS))(
  'each name of the pantry is its thing, or asked, and what follows stays: %s',
  (language) => {
    const names = thirdOf([...namesIn(language)].filter(([name]) => !isSearched(name)));
    expect(names.length).toBeGreaterThan(50);
    const lost = names.flatMap(([name, ids]) =>
      [`100 g ${name}`, `${name}: 100 g`, `${name} 100 g`].flatMap((row) => {
        const lines = linesWith(row, language);
        const [, line, milk] = lines;
        const isAsked = line !== undefined && line.status !== 'read' && ids.length > 1;
        const isRead = isAsked || (line?.status === 'read' && ids.includes(line.ingredient?.id ?? ''));
        const stays = lines.length === 3 && milk?.ingredient?.id === 'milk-whole' && milk.use === 'batter';
        return isRead && stays ? [] : [`${row} → ${lines.map((l) => `${l.ingredient?.id} ${l.use}`).join(', ')}`];
      }),
    );
    expect(lost).toEqual([]);
  },
);
