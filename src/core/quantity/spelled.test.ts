import fc from 'fast-check';
import { inFiguresOf } from './spelled';

test.each([
  ['de', 'zweihundertfünfzig Gramm', '250 Gramm'],
  ['de', 'fünfundzwanzig, einhundertzwanzig, tausendfünfhundert, hundert, zwölf', '25, 120, 1500, 100, 12'],
  ['fr', 'deux cent cinquante grammes, quatre-vingts, quatre-vingt-dix', '250 grammes, 80, 90'],
  ['fr', 'soixante-quinze, vingt et un, deux mille cinq cents, cent vingt-cinq', '75, 21, 2500, 125'],
  ['es', 'doscientos cincuenta, treinta y cinco, ciento veinte, mil quinientos', '250, 35, 120, 1500'],
  ['it', 'duecentocinquanta, trentotto, ventuno, duemila, centoventi', '250, 38, 21, 2000, 120'],
  ['nl', 'tweehonderdvijftig, vijfentwintig, tweeëntwintig, duizend', '250, 25, 22, 1000'],
] as const)('%s: "%s"', (language, text, figures) => expect(inFiguresOf(text, [language])).toBe(figures));

test('a word that only begins like a number is left, and so is what means something else in no language known', () => {
  for (const t of ['achtung', 'dreikorn', 'centimes', 'trentino', 'einkorn', 'onzekerheid'])
    expect(inFiguresOf(t, null)).toBe(t);
  // six, neuf, once, due, sei: numbers in one language, words in another
  for (const t of ['six', 'neuf', 'once', 'due', 'sei', 'ein', 'une', 'een', 'sixty mil'])
    expect(inFiguresOf(t, null)).toBe(t);
  expect(inFiguresOf('nove uova, nove', ['it'])).toBe('9 uova, 9');
});

/** A number to 9999 in German, as it is written. */
function german(n: number): string {
  const ones = ['', 'ein', 'zwei', 'drei', 'vier', 'fünf', 'sechs', 'sieben', 'acht', 'neun'];
  const teens = [
    'zehn',
    'elf',
    'zwölf',
    'dreizehn',
    'vierzehn',
    'fünfzehn',
    'sechzehn',
    'siebzehn',
    'achtzehn',
    'neunzehn',
  ];
  const tens = ['', '', 'zwanzig', 'dreißig', 'vierzig', 'fünfzig', 'sechzig', 'siebzig', 'achtzig', 'neunzig'];
  if (n >= 1000)
    return `${german(Math.floor(n / 1000)).replace(/eins$/, 'ein')}tausend${n % 1000 ? german(n % 1000) : ''}`;
  if (n >= 100) return `${ones[Math.floor(n / 100)]}hundert${n % 100 ? german(n % 100) : ''}`;
  if (n >= 20) return `${n % 10 ? `${ones[n % 10]}und` : ''}${tens[Math.floor(n / 10)]}`;
  return n >= 10 ? (teens[n - 10] ?? '') : n === 1 ? 'eins' : (ones[n] ?? '');
}
test('every German number to 9999 is what it says', () => {
  fc.assert(
    fc.property(fc.integer({ min: 2, max: 9999 }), (n) => expect(inFiguresOf(german(n), ['de'])).toBe(String(n))),
  );
});
