/**
 * npm run why -- "1 cup 240 ml milk": how a line is read, word by word: what took each, what it comes to, and what is
 * asked. Reads the kitchen's shipped pantry alone, without the database.
 */
import { readLine } from '../src/core/card/line';
import { FRESH_CONVENTIONS } from '../src/core/pantry/conventions';
import { kitchenName } from '../src/core/pantry/ingredient';
import { writeAmount } from '../src/core/quantity/amount';

const text = process.argv.slice(2).join(' ').trim();
if (text === '') {
  process.stderr.write('Which line? npm run why -- "1 cup 240 ml milk"\n');
  process.exit(2);
}
const line = readLine(text, FRESH_CONVENTIONS);
const say = (head: string, rest: string): void => {
  process.stdout.write(`${head.padEnd(14)}${rest}\n`);
};
for (const w of line.words) say(w.as, w.text);
say('', '');
say('status', line.status);
for (const [n, a] of line.written.entries())
  say(n === 0 ? 'amount' : 'and again', `${writeAmount(a)}${n === 0 && line.basis ? ` (${line.basis})` : ''}`);
say('ingredient', line.ingredient ? `${kitchenName(line.ingredient)} (${line.ingredient.id})` : 'none that is known');
for (const p of line.parts)
  say('part', `${p.grams.toFixed(1)} g ${p.ingredient.id}, ${p.low.toFixed(1)} to ${p.high.toFixed(1)}`);
say('goes into', `${line.use}, ${line.vessel}${line.side ? `, for ${line.side}` : ''}`);
if (line.preparation) say('done to it', line.preparation);
for (const r of line.readings) say('or is it', `${r.text} (${r.why})`);
for (const s of line.suggestions) say('perhaps', `${kitchenName(s)} (${s.id})`);
for (const f of line.findings) say('says', `${f.code}: ${f.message}`);
