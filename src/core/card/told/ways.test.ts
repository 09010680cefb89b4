/**
 * A fact of the method in whatever words: each way to tell it with each amount, in four languages, gives that fact
 * alone; and so it does among the other facts of a method.
 */
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { FRESH_CONVENTIONS } from '../../pantry/conventions';
import type { ToldFact } from './clause';
import { factsTold } from './told';

interface Telling {
  readonly language: string;
  readonly fact: string;
  /** What it is of; '': that is not looked at. */
  readonly of: string;
  /** As it is said, and what it is: minutes, ml, cm, degrees C, pieces or people; or a word. */
  readonly amounts: readonly (readonly [said: string, is: string])[];
  /** Sentences with ◦ for the amount. */
  readonly ways: readonly string[];
}

const TELLINGS: readonly Telling[] = readFileSync(join(__dirname, '../corpus/told-ways.txt'), 'utf8')
  .split(/^=== /m)
  .slice(1)
  .map((section) => {
    const [head = '', amounts = '', ...ways] = section.trim().split('\n');
    const [language = '', fact = '', of = ''] = head.split(' ');
    const said = amounts.split('; ').map((a): readonly [string, string] => {
      const [words = '', is = ''] = a.split(' = ');
      return [words, is];
    });
    return { language, fact, of, amounts: said, ways };
  });
const LANGUAGES = [...new Set(TELLINGS.map((t) => t.language))];

/** How far a value may be from what was told: a heat is whole degrees, cups have odd millilitres. */
const near = (fact: string): number => (fact === 'heat' ? 0.51 : 0.06);
const factsOf = (fact: string): readonly string[] => (fact === 'side' ? ['firstSide', 'secondSide'] : [fact]);
/** What a way says besides, in passing: that it is turned, or folded in. */
const BESIDES: ReadonlySet<string> = new Set(['turns', 'mix', 'panFat', 'whites', 'fold']);

const sentence = (way: string, said: string): string => {
  const text = way.replace(/◦/g, said).replace(/\.\.$/, '.');
  return text.charAt(0).toUpperCase() + text.slice(1) + (/[.!]$/.test(text) ? '' : '.');
};

/** Whether the facts hold what was told, as told, and no other amount of its kind. */
const isTold = (facts: readonly ToldFact[], { fact, of }: Telling, is: string): boolean =>
  factsOf(fact).every((name) => {
    const own = facts.filter((f) => f.fact === name && (of === '' || f.of === of));
    const [f] = own;
    const same = typeof f?.value === 'number' ? Math.abs(f.value - Number(is)) < near(name) : f?.value === is;
    return own.length === 1 && f?.taken === 'told' && same;
  });

const shown = (facts: readonly ToldFact[]): string =>
  facts.map((f) => `${f.taken === 'told' ? '' : `${f.taken} `}${f.fact} ${f.value} ${f.of ?? ''}`.trim()).join(', ');

test.each(TELLINGS)('told in whatever words: $language $fact $of', (telling) => {
  const wrong = telling.ways.flatMap((way) =>
    telling.amounts.flatMap(([said, is]) => {
      const text = sentence(way, said);
      const facts = factsTold(text, FRESH_CONVENTIONS);
      const others = facts.filter((f) => !factsOf(telling.fact).includes(f.fact) && !BESIDES.has(f.fact));
      return isTold(facts, telling, is) && others.length === 0 ? [] : [`${text} → ${shown(facts)}`];
    }),
  );
  expect(wrong).toEqual([]);
});

/** Methods by what they tell, sentence by sentence. */
const METHODS = [
  'rest batter|heat surface|portion piece|side|pieces',
  'rest batter|portion piece|firstSide|secondSide|serves',
  'chill|heat surface|portion piece|side|load',
  'rest batter|heat oven|bake',
  'portion piece|width|side|heat holding',
  'rest batter|load|portion piece|side|pieces',
];

const METHODS_A_KIND = 60;

test.each(LANGUAGES.flatMap((language) => METHODS.map((method) => [language, method] as const)))(
  'and among the other facts of a method: %s, %s',
  (language, method) => {
    const tellings = method.split('|').map((kind) => {
      const telling = TELLINGS.find((t) => t.language === language && `${t.fact} ${t.of}`.trim() === kind);
      if (!telling) throw new Error(`no ways to tell ${kind} in ${language}`);
      return telling;
    });
    const wrong = Array.from({ length: METHODS_A_KIND }, (_, n) => n).flatMap((n) => {
      const parts = tellings.map((telling, k) => {
        // each goes through its own ways and amounts at its own pace
        const way = telling.ways[(n * (k + 1) + k) % telling.ways.length] ?? '';
        const [said, is] = telling.amounts[(n + 3 * k) % telling.amounts.length] ?? ['', ''];
        return { telling, is, text: sentence(way, said) };
      });
      const text = parts.map((p) => p.text).join(' ');
      const facts = factsTold(text, FRESH_CONVENTIONS);
      return parts
        .filter(({ telling, is }) => !isTold(facts, telling, is))
        .map(({ telling, is }) => `${telling.fact} ${is} ← ${text} → ${shown(facts)}`);
    });
    expect(wrong).toEqual([]);
  },
);
