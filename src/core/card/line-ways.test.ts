/**
 * Lines of a list in other languages, as a whole card has them: each thing with each amount is the line that it is in
 * English, in whatever form it is written.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../pantry/conventions';
import { readCard } from './card';
import { readLine } from './line';

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

/** A card around a line: what it is called, the eggs before it, and what is done. */
const CARDS: Readonly<Record<string, readonly [head: string, eggs: string, method: string]>> = {
  german: ['Pfannkuchen', '3 Eier', 'Alles verrühren und in der Pfanne backen.'],
  french: ['Crêpes', '3 œufs', 'Mélanger le tout et laisser reposer la pâte.'],
  spanish: ['Tortitas', '3 huevos', 'Mezclar todo y dejar reposar la masa.'],
};

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
  const [head, eggs, method] = CARDS[list.language] ?? ['', '', ''];
  const lost = list.things.flatMap(([thing, inEnglish], k) =>
    list.amounts.flatMap(([amount, measure], n) => {
      const english = readLine(`${measure} ${inEnglish}`, FRESH_CONVENTIONS);
      if (english.ingredient === null || english.grams === null) throw new Error(`not read: ${english.text}`);
      const { id } = english.ingredient;
      const grams = english.grams;
      return Array.from({ length: FORMS_EACH }, (_, f) => {
        const form = list.forms[(FORMS_EACH * (k + n) + f) % list.forms.length] ?? '';
        const row = written(form, amount, thing, list.language === 'french');
        const card = readCard(`${head}\n\n${eggs}\n${row}\n\n${method}`, FRESH_CONVENTIONS);
        const line = card.ok ? card.value.lines[1] : undefined;
        const isRead = line?.ingredient?.id === id && Math.abs((line.grams ?? 0) - grams) <= NEAR * grams + 0.01;
        return isRead ? '' : `${row} → ${line?.ingredient?.id ?? 'nothing'} ${line?.grams ?? ''}`;
      }).filter((x) => x !== '');
    }),
  );
  expect(lost).toEqual([]);
});
