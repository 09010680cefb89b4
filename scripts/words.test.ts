/**
 * One word for one thing: what docs/glossary.md took out of the kitchen's mouth stands on no label, heading, button,
 * message or paper.
 */
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { codeIn, wordsOf } from './words.mjs';

/** What is not said any more, and what is said instead. */
const OLD: readonly (readonly [RegExp, string])[] = [
  [/\b[Ss]chools?\b/, 'Style'],
  [/^Ways\b|\b[Ww]ays of (?:work|this|measur)|house’s ways\b|under Ways\b/, 'How we measure and mix'],
  [/\b[Tt]wo ends\b|\b(?:[Ff]irst|[Ss]econd|[Bb]oth|[Ee]ach|one) ends?\b|^End$/, 'One base, two finishes'],
  [/^Towards\b/, 'Make it ... (taller, softer)'],
  [/\b[Ll]ift\b(?! by itself)|\b[Ll]ifted\b/, 'Rise'],
  [/\b[Pp]in(?:ned|s)?\b|\b[Hh]old it where|^hold the\b|\b[Ll]ock(?:s|ed|ing)? (?:it|the|this|\{\})|^Locked?:/, 'Keep'],
  [/\bI mean it\b/, 'Leave it as it is'],
  [/^Stands in:/, 'Goes in'],
  [/\b[Tt]ake-out\b|\b[Tt]ak(?:e|en) (?:it |them |\{\} )?out\b(?! to warm)/, 'What to get; Delete'],
  [/\b[Hh]ow exact\b/, 'Measure with'],
  [/\b[Kk]its for benches\b/, 'Kits for several cooks'],
  [/^>?today$/, 'now (on a rail)'],
  [/\b[Jj]oin(?:ed|ing|s)?\b|\b[Tt]hey meet\b/, 'Combine'],
  [/\b[Mm]ise\b/, 'Set out'],
  [/\bwhat it bears\b|\bgive or take\b/, 'Close enough, allowed ±'],
  [/\b[Ll]oads?\b/, 'One griddleful'],
  [/\b[Ss]orts?\b/, 'Type'],
  [/\b[Ss]hel(?:f|ves)\b/, 'Stock'],
  [/\b[Tt]able in and out\b/, 'Import and export'],
  [/\b[Ss]heet to mix from\b/, 'Mixing sheet'],
  [/\b[Aa]longside\b/, 'Sauces and sides'],
  [/\b[Dd]rawer\b/, 'Our cups and spoons'],
  [/\(arithmetic\)|\(model\)|\b[Aa] model\b|\bmodels?\b/, 'calculated, measured, estimate'],
  [/\btimes the card\b/, '0.99 x the recipe'],
  [/\b[Gg]ather\b/, 'What to get'],
  [/\b[Vv]erdicts?\b(?! = )/, 'How it was'],
  [/\b[Ss]ettle (?:it|what)\b|\bto settle\b/, 'Answer what is open'],
  [/\bdrives? (?:it|the (?:rest|batch))\b/, 'Set the rest by it'],
  [/\b[Cc]ount on from\b/, 'Start the times from now'],
  [/\b[Ss]tand-ins?\b/, 'Swap'],
  [/\b[Ff]ilm\b(?!$)/, 'A little fat, wiped off again'],
  [/\b[Vv]ented\b/, 'Its door ajar'],
  [/\b[Hh]eaped, /, 'In a heap'],
  [/\b[Tt]race (?:a lot|it)\b/, 'Where a lot went'],
  [/\b[Vv]oid(?:ed)?\b (?:it|this|lot)/, 'Cancel this lot'],
  [/\b[Ff]lour fill\b/, 'Flour into the cup'],
  [/\bmeq of acid\b/, 'Acid, in meq'],
];

/** What is no word for the cook: keys, addresses, queries, and the verbs and makers' names a card is read by. */
const said = (text: string): boolean =>
  (/[ …]/.test(text) || /^[A-Z]/.test(text) || /^loads$/.test(text)) &&
  !/^(?:select|insert|update|delete|with|alter|create|exists|join|left join|\{\} (?:join|where))\b|\bfrom \w+ \w\b|\bwhere\b.*=/i.test(
    text,
  );
/** Tables of words that cards are read by, and cards of our own to read. */
const READ_BY = /src\/core\/(?:testing|card\/(?:card|writing)|card\/told\/words|pantry\/tables\/(?:words|other-names))/;

const told = codeIn(['src/app', 'src/ui', 'src/core', 'src/contract', 'src/server'])
  .filter((f) => !READ_BY.test(f))
  .flatMap((f) =>
    wordsOf(f)
      .filter(said)
      .map((text) => ({ f, text })),
  );

test('what a file says is found: between tags, in attributes, strings and templates; imports, keys, types and classes are not said', () => {
  const folder = mkdtempSync(join(tmpdir(), 'even-crumb-words-'));
  const path = join(folder, 'a.tsx');
  writeFileSync(
    path,
    `import x from 'a shelf';
    type T = 'a sort of thing';
    const y = { 'a key of it': 'a value said' };
    if (z === 'compared with it') say('a message');
    export const A = () => <p className="shelf of it" title="a title">Text <b aria-label={\`Mise \${y} check\`}>in it</b></p>;`,
  );
  expect(wordsOf(path)).toEqual(['a value said', 'a message', 'a title', 'Text', 'Mise {} check', 'in it']);
  rmSync(folder, { recursive: true });
});

test.each(OLD)('%s is said no more, but: %s', (old) => {
  expect(told.filter(({ text }) => old.test(text)).map(({ f, text }) => `${f}: ${text}`)).toEqual([]);
});

test('no word is taken from what the list itself says instead', () => {
  for (const [old, instead] of OLD) expect(old.test(instead)).toBe(false);
});
