/** What a card is called, among its first rows, and what its title tells of how many it makes. */
import { capital } from '../quantity/say';
import { amountsIn, COUNT_WORDS, itemsIn } from './items';
import type { Line } from './line';
import { PEOPLE_EACH, servingClaim, yieldClaim } from './method';
import { isOneBreath } from './paragraph';
import { isMeasure } from './prose';
import { type CardRow, isItem, nextRow, type RowReading } from './rows';
import { DOING, firstWord } from './writing';

/** What no cook calls a dish by. */
const NO_DISH: ReadonlySet<string> = new Set(['salt', 'leavening', 'fat', 'egg', 'flour', 'starch', 'sugar']);
/** So many measured rows below make a first row without an amount the title: "Pumpkin spice". */
const MEASURED_BELOW = 3;

/** A first row that names a thing and no amount, above a list of measured rows that has it too: what the dish is of. */
export function isDishOfThing(row: CardRow, line: Line, r: RowReading): boolean {
  if (r.started || r.title || line.written.length > 0 || line.use !== 'batter') return false;
  if (line.ingredient === null) return false;
  // "Buckwheat, raised": a grain by its bare name may be what the cakes are called by
  const isGrain = line.ingredient.category === 'flour' && !/flour|meal|starch/i.test(row.text);
  if (NO_DISH.has(line.ingredient.category) && !isGrain) return false;
  const below = r.rows.slice(r.rows.indexOf(row) + 1).filter((x) => x.text !== '');
  const again = new RegExp(`\\b(?:${row.text.match(/\p{L}{4,}/gu)?.join('|') ?? '(?!)'})`, 'iu');
  if (!below.some((x) => again.test(x.text))) return false;
  // "Night before: 1 cup buckwheat flour, 1 cup plain flour, 1 tsp yeast"
  const list = /^[^:\d]{3,30}:\s+(.+)$/.exec(below[0]?.text ?? '')?.[1];
  if (list && (itemsIn(list.replace(/\..*$/, ''), r.house, r.languages)?.length ?? 0) >= MEASURED_BELOW) return true;
  return below.length >= MEASURED_BELOW && below.slice(0, MEASURED_BELOW).every((x) => isItem(x, r, true));
}

/** "Spelt and honey", "Sourdough leftovers": a few words above talk that measures, whatever they name. */
const TITLE_WORDS = /^(?:\p{Lu}[\p{L}’'-]*|\p{Ll}[\p{L}’'-]*(?=,? ))(?:,? (?:&|[\p{L}’'-]+)){0,5}$/u;
/** An amount among its words. */
const MEASURES = new RegExp(`\\b(?:${COUNT_WORDS}|half|pinch|spoon|cup|a|an)\\b`, 'i');
/** "3-ingredient pancakes", "My 5-minute waffles": what a dish is called, by a number that measures nothing of it. */
const BY_A_NUMBER =
  /^(?:\p{L}+ )?\d{1,2}[- ](?:ingredient|minute|zutaten|ingrédients?)\b(?!.*\b(?:rest|chill|stand|soak|prep|cook|bake|total)\b).*\p{L}$/iu;
export function isTitleOfTalk(row: CardRow, r: RowReading): boolean {
  if (!r.single && !r.started && r.title === null && BY_A_NUMBER.test(row.text)) return true;
  if (r.single || r.started || r.title !== null || !TITLE_WORDS.test(row.text) || DOING.has(firstWord(row.text)))
    return false;
  if (MEASURES.test(row.text)) return false;
  const next = nextRow(r, r.rows.indexOf(row))?.text ?? '';
  const isTold = /[.!?]\s/.test(next) || (/[.!]$/.test(next) && amountsIn(next) > 1);
  return next.length > row.text.length && isMeasure(next) && isTold;
}

/** "Buckwheat for the fire pit", above sentences that measure: what is talked of, and no thing. */
export function isAboveTalk(row: CardRow, line: Line, r: RowReading): boolean {
  if (r.started || r.title || line.written.length > 0 || !/^\p{Lu}/u.test(row.text)) return false;
  const next = nextRow(r, r.rows.indexOf(row))?.text ?? '';
  return line.findings.some((f) => f.code === 'not-understood') && isOneBreath(next) && /[.!?]\s/.test(next);
}

const TITLE_MAKES =
  /\b(?:makes?|yields?|serves|feeds)\s*:?\s+(?:about\s+)?\d{1,4}(?:\s*(?:-|–|to)\s*\d{1,4})?\b(?! ?(?:bags?|jars?|packets?|tins?|tubs?|batches|kg|kilos?|g|l|lit(?:re|er)s?|quarts?|cups?|lbs?|pounds?)\b)(?: (?:doz(?:en)?|portions|servings)\b)?/gi;
/** "Pancakes / 12 pcs". */
const SO_MANY_BEHIND = /(?:^|[\s/,(–—-])(\d{1,3} (?:pcs|pieces|stück|portions|servings))\.?\)?$/iu;
const TITLE_FOR = new RegExp(
  `\\bfor (?:an? (?:party|table|crowd|family) of )?((?:\\d{1,3}|${COUNT_WORDS}))(?:\\s+people)?\\s*[).!]?$`,
  'i',
);
/** "About 40 small": a count with no more than how large they are. */
const SIZE_OF_ONES = / (?:small|mini|little|tiny|big|large)(?: ones)?$/i;
const COUNT_ALONE =
  /^(?:about |approx\.? |ca\.? |env\.? |environ |aprox\.? )?\d{1,3}(?:\s?(?:-|to)\s?\d{1,3})?(?: (?:small|mini|little|tiny|big|large)(?: ones)?)?$/i;
/** "Hotcakes | serves four | 30 mins": what stands last behind a stroke. */
const LAST_BEHIND = /^(.{3,}?)\s+[|·•–—-]\s+([^|·•–—]+)$/u;
const HOW_LONG = /^(?:ready in |takes |total )?(?:about )?\d+ ?(?:mins?|minutes?|hours?|hrs?|h)\.?$/i;
const LABELLED = /^(.{3,}?)\s*(?:[-–—|,·(]\s*)?\b((?:yield|serves|makes|servings|portions)\s*:\s*\S.*?)\)?$/i;
/** "Bank cakes - Yield: 12", "Hotcakes | serves four | 30 mins": what it is called, and what it claims behind a sign. */
export function withoutClaim(title: string): readonly [name: string, claim: string | null] {
  const [, before = '', last = ''] = LAST_BEHIND.exec(title) ?? [];
  const isClaim = [yieldClaim(last), servingClaim(last)].some((c) => c?.text === last);
  if (last !== '' && (isClaim || HOW_LONG.test(last))) {
    const [name, claim] = withoutClaim(before);
    return [name, [...(claim === null ? [] : [claim]), ...(isClaim ? [`${capital(last)}.`] : [])].join(' ') || null];
  }
  const m = LABELLED.exec(title);
  return m ? [m[1] ?? title, `${capital(m[2] ?? '')}.`] : [title, null];
}

/** "Bank cakes, makes 8", "Crepes for six": how many pieces or people a title tells. */
export function claimOfTitle(title: string): string | null {
  const people = TITLE_FOR.exec(title)?.[1];
  const makes = [...title.matchAll(TITLE_MAKES)].map(([text]) => `${capital(text)}.`);
  if (makes.length > 0) return makes.join(' ');
  const behind = SO_MANY_BEHIND.exec(title)?.[1];
  if (behind !== undefined) return `${behind}.`;
  const each = PEOPLE_EACH.exec(title)?.[0];
  if (each !== undefined) return `For ${each}.`;
  // "Vegan pancakes x 8"
  const times = /(?:cakes|waffles|cr[eê]pes|blinis?|balls|pikelets|crumpets)\s[x×]\s?(\d{1,3})$/i.exec(title)?.[1];
  if (times !== undefined) return `Makes ${times}.`;
  // "Buttermilk pancakes x 60 covers"
  const covers = /\s[x×] ?(\d{1,3}) (?:covers|people|pax|guests|persons)$/i.exec(title)?.[1];
  if (covers !== undefined) return `Serves ${covers}.`;
  // "Classic crepes (about 16)", "(4 Personen)"
  const inside =
    /\(((?:about |approx\.? |ca\.? |env\.? |environ |aprox\.? )?\d{1,3}(?:\s?(?:-|to)\s?\d{1,3})?(?: \p{L}+)?)\.?\)\s*$/iu.exec(
      title,
    )?.[1];
  if (inside !== undefined && !/\d (?:g|kg|ml|cm|min|minutes|inch|percent)$/i.test(inside))
    return COUNT_ALONE.test(inside)
      ? `${/^(?:feeds|serves)\b/i.test(title) ? 'Serves' : 'Makes'} ${inside.replace(SIZE_OF_ONES, '').replace(/^[^\d]+/, 'about ')}.`
      : `${capital(inside)}.`;
  if (people !== undefined) return `Serves ${people}.`;
  // "Kaiserschmarrn, für zwei", "Pour une douzaine de crêpes"
  const fed = servingClaim(title);
  if (fed) return `${capital(fed.text)}.`;
  const made = /(?<!\p{L})(?:pour|für|para|for)\s/iu.test(title) ? yieldClaim(title) : null;
  return made && `Makes ${made.pieces}.`;
}
