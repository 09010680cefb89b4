/**
 * npm run bench: how many 20-line formulas are analysed and 20-line cards read in a second, and the same arithmetic
 * done through a general spreadsheet-calculation library, in the same run. Median of five rounds, after a warm-up.
 */
import { HyperFormula } from 'hyperformula';
import { analyse } from '../src/core/analyse';
import { readCard } from '../src/core/card/card';
import { FRESH_HOUSE } from '../src/core/pantry/conventions';
import { spreadsheet } from './spreadsheet';

const CARD = `Bench cakes
300 g flour
1 cup whole wheat flour
1/2 cup oat flour
2 tablespoons corn starch
1/4 cup sugar
2 tbsp brown sugar
1 tbsp honey
1 1/2 teaspoons salt
2 teaspoons baking powder
3/4 tsp baking soda
1 tsp cinnamon
1/4 tsp nutmeg
2 1/2 cups buttermilk
1/2 cup milk
1/4 cup yoghurt
3 large eggs
1 egg yolk
1/2 stick butter, melted
2 tbsp oil
1 tsp vanilla extract`;

/** Operations per second: the median of five rounds of about 0.4 s. */
function perSecond(work: (n: number) => void): number {
  for (let n = 0; n < 50; n++) work(n);
  const rounds: number[] = [];
  for (let r = 0; r < 5; r++) {
    const from = performance.now();
    let n = 0;
    while (performance.now() - from < 400) for (let i = 0; i < 10; i++) work(n++);
    rounds.push((1000 * n) / (performance.now() - from));
  }
  return rounds.sort((a, b) => a - b)[2] ?? 0;
}

const card = readCard(CARD, FRESH_HOUSE);
if (!card.ok) throw new Error(card.error.message);
const { lines } = card.value;
if (lines.length !== 20 || lines.some((l) => l.grams === null)) throw new Error('the bench card is not 20 whole lines');

// each round changes one amount, as typing does, so that nothing can be answered from memory
const changed = (n: number) =>
  lines.map((l, i) => (i === n % 20 ? { ...l, parts: l.parts.map((p) => ({ ...p, grams: p.grams * (1 + (n % 97) / 1000) })) } : l));

const sheet = spreadsheet(HyperFormula, lines);
const mine = analyse(changed(7), 'griddle', 'even');
const theirs = sheet.recalculate(7, changed(7));
for (const [name, a, b] of [
  ['water', mine.percent?.water, theirs.water],
  ['fat', mine.percent?.fat, theirs.fat],
  ['sugar', mine.percent?.sugar, theirs.sugar],
  ['gas', mine.co2Per100gFlour, theirs.co2],
  ['volume', mine.volume?.volumeMl, theirs.volumeMl],
] as const)
  if (Math.abs((a ?? 0) - b) > 1e-6 * Math.abs(b)) throw new Error(`the two do not compute the same ${name}: ${a} and ${b}`);

const show = (name: string, n: number): void => console.log(`${name.padEnd(64)} ${Math.round(n).toLocaleString('en-GB').padStart(9)} per second`);
const analysed = perSecond((n) => analyse(changed(n), 'griddle', 'even'));
const recalculated = perSecond((n) => sheet.recalculate(n, changed(n)));
const built = perSecond((n) => spreadsheet(HyperFormula, changed(n)).destroy());
show('analyse a 20-line formula (ratios, ledger, thickness, findings)', analysed);
show('  tally, ledger and volume alone, in a spreadsheet kept open', recalculated);
show('  the same, spreadsheet built anew', built);
show(
  'read a 20-line card to grams',
  perSecond((n) => readCard(CARD.replace('300 g', `${300 + (n % 500)} g`), FRESH_HOUSE)),
);
console.log(`analysing is ${(analysed / recalculated).toFixed(1)} times as fast as recalculating the sheet, which does less.`);
