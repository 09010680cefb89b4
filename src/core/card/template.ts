/** A line that was split before with another number: only its amount is read. */
import Fraction from 'fraction.js';
import { houseKey, type KitchenConventions } from '../pantry/conventions';
import type { Language } from '../pantry/tables/other-names';
import type { Amount } from '../quantity/amount';
import { readNumber } from '../quantity/number';
import type { SplitLine } from './claims/reader';
import { isWord, tokensOf, type Word } from './words';

/** A plain number and words without another: what the words mean hangs on no number. */
const SIMPLE = /^(\d{1,4}(?:\.\d{1,2})?|\d{1,4} \d\/\d|\d{1,4}\/\d|\d{0,3}[½¼¾⅓⅔⅛])( ?)(\p{L}[^\d½¼¾⅓⅔⅛%×*/]*)$/u;

const HANGS_ON_NUMBER =
  /^de\b|\b(?:x|or|and|plus|minus|less|cc|gr|to|dozen|half|quarter|third|one|two|three|four|five|six|ten|twelve|an?)\b/i;

const SEVEN = new Fraction(7);

const templates = new Map<string, SplitLine | null>();

const MOST_TEMPLATES = 4000;

/** The line as it was split before with another number; null where it has to be read whole. @param whole reads it so */
export function byTemplate(
  text: string,
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
  whole: (text: string, house: KitchenConventions, languages: ReadonlySet<Language> | null) => SplitLine,
): SplitLine | null {
  const m = SIMPLE.exec(text);
  if (
    !m?.[1] ||
    m[3] === undefined ||
    HANGS_ON_NUMBER.test(m[3]) ||
    (m[2] === '' && /^(?:rds?|ths?|nds?|st|x)\b/i.test(m[3]))
  )
    return null;
  const rest = `${m[2]}${m[3]}`;
  const key = `${houseKey(house)}|${languages ? [...languages].join('') : ''}|${rest}`;
  let t = templates.get(key);
  if (t === undefined) {
    const seven = whole(`7${rest}`, house, languages);
    const term = seven.amounts[0]?.terms[0];
    const plainly =
      seven.amounts.length === 1 &&
      seven.amountSpans[0]?.start === 0 &&
      seven.amounts[0]?.terms.length === 1 &&
      term?.low.equals(SEVEN) &&
      !term.high &&
      !term.other &&
      seven.words[0]?.text === '7' &&
      seven.extras.length + seven.rows.length + seven.alternatives.length === 0 &&
      seven.problem === null;
    t = plainly ? seven : null;
    if (templates.size >= MOST_TEMPLATES) templates.clear();
    templates.set(key, t);
  }
  const n = t ? readNumber(m[1]) : null;
  if (!t || !n || n.high || n.other || n.length !== m[1].length) return null;
  const more = m[1].length - 1;
  const { low } = n;
  const [a] = t.amounts;
  const [x] = a?.terms ?? [];
  if (!a || !x) return null;
  const words: Word[] = (
    /^\d+$/.test(m[1])
      ? [m[1]]
      : tokensOf(m[1])
          .filter(isWord)
          .map((t) => t.text)
  ).map((w) => ({ text: w, as: 'amount' }));
  for (let k = 1; k < t.words.length; k++) words.push(t.words[k] as Word);
  const term = {
    sign: x.sign,
    low,
    high: null,
    unit: x.unit,
    fullness: x.fullness,
    ...(x.which && { which: x.which }),
  };
  const amount: Amount = { terms: [term], approximate: a.approximate, ...(a.bound && { bound: a.bound }) };
  return {
    text,
    words,
    amounts: [amount],
    amountSpans: [{ start: 0, end: (t.amountSpans[0]?.end ?? 1) + more }],
    name: t.name,
    said: t.said,
    alternatives: t.alternatives,
    preparation: t.preparation,
    fill: t.fill,
    use: t.use,
    side: t.side,
    extras: t.extras,
    rows: t.rows,
    problem: t.problem,
  };
}
