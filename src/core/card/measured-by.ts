/**
 * Cards that measure by one of their own things: so much for each egg, for each 100 g of flour, or all in a ratio. Each
 * such row is brought to the amounts that it comes to; where what it hangs on is told nowhere, it stays, and is asked.
 */

import { readNumber } from '../quantity/number';
import { inFiguresOf, SPELLED_IN } from '../quantity/spelled';
import { COUNT_WORDS } from './items';

const COUNT = String.raw`\d{1,3}|${COUNT_WORDS}|zwei|drei|vier|fünf|sechs|sieben|acht|neun|zehn|zwölf|deux|trois|quatre|cinq|sept|huit|neuf|dix|douze|dos|tres|cuatro|cinco|seis|siete|ocho|nueve|diez|doce`;
const countOf = (said: string): number =>
  readNumber(said.toLowerCase())?.low.valueOf() ?? Number(inFiguresOf(said, SPELLED_IN));
const written = (x: number): string => String(Math.round(100 * x) / 100);

const AN_EGG = '(?:Ei|egg|œuf|oeuf|huevo)';
const FOR_EACH =
  '(?:pro|je|auf (?:1|ein|jedes)|per|for each|for every|for (?:1|one)|to each|to every|pour chaque|pour (?:1|un)|par|por cada|por(?: 1| un)?)';
/** "Pro Ei 50 g Mehl und 100 ml Milch": as far as the sentence goes, or to where the eggs are counted. */
const EACH_EGG_FIRST = new RegExp(
  String.raw`(?<=^\s*|[.:;]\s+)${FOR_EACH}\s+${AN_EGG}(?!\p{L})\s*[,:–-]?\s*(?:(?:use|take|you need|i (?:use|take)|we (?:use|take)|nehme ich|rechnet? (?:man|ich)|braucht man|on compte|compte[rz]?|usa|usamos|kommen|kommt|(?:nimmt|gibt|rechnet) man|braucht man|gehören)\s+)?([^.;\n]*?)(?=[,;]?\s*(?:${COUNT})\s+(?:Eiern?|eggs|œufs|oeufs|huevos)(?!\p{L})|[.;]|$)`,
  'iu',
);
/** "60 g flour per egg", a row of its own. */
const EACH_EGG_LAST = new RegExp(String.raw`^(.*\d.*?),?\s+${FOR_EACH}\s+${AN_EGG}\s*[.)]?$`, 'iu');
const EGGS_TOLD = new RegExp(
  String.raw`(?<![\p{L}\d.,/])(${COUNT})\s+(?:large |medium |große |gros )?(?:Eiern?|eggs|œufs|oeufs|huevos)(?!\p{L})(?!\s+(?:per|each|for each|pro|par|por)(?!\p{L}))`,
  'iu',
);
/** An amount of a list: its number or fraction, or an article before a measure. */
const AMOUNT =
  /(?<![\p{L}\d.,/½¼¾⅓⅔⅛])(\d+ \d\/\d|\d\/\d|\d* ?[½¼¾⅓⅔⅛]|\d+(?:[.,]\d+)?)(?=\s?\p{L})|(?<!\p{L})(?:an?|eine?n?|une?|una?)(?=\s+(?:heaped |level )?(?:tablespoon|teaspoon|cup|spoon|tbsp|tsp|pinch|EL|TL|Esslöffel|Teelöffel|Prise|cuillère|pincée|cucharada|cucharadita|pizca)(?!\p{L}))/giu;
const times = (list: string, n: number): string =>
  list.replace(AMOUNT, (_, number?: string) =>
    written(n * (number === undefined ? 1 : (readNumber(number)?.low.valueOf() ?? Number(number.replace(',', '.'))))),
  );

/** Rows with what is told for one egg as it is for all of them; of a card that counts none it is for one. */
function forAllEggs(raws: readonly string[]): readonly string[] {
  const first = raws.some((r) => EACH_EGG_FIRST.test(r));
  if (!first && !raws.some((r) => EACH_EGG_LAST.test(r))) return raws;
  const counted = raws.flatMap((r) => EGGS_TOLD.exec(r)?.[1] ?? [])[0];
  if (counted === undefined && !first) return raws;
  const n = counted === undefined ? 1 : countOf(counted);
  return raws.map((raw) => {
    const last = EACH_EGG_LAST.exec(raw)?.[1];
    if (last !== undefined && counted !== undefined) return times(last, n);
    return raw.replace(EACH_EGG_FIRST, (all, list: string) =>
      /\d/.test(list) ? times(list, n) + (counted === undefined ? ', 1 egg' : '') : all,
    );
  });
}

const A_NAME = String.raw`\p{L}[\p{L}-]*(?: \p{L}[\p{L}-]*)?`;
const NAMES = String.raw`${A_NAME}(?:\s*(?:[:/,+]|\bto\b|\band\b)\s*${A_NAME}){1,5}`;
/** "1:2", "1/1/1", "1-2-1"; "1/2" is a half, and "1-2" a range. */
const SHARE = String.raw`\d+(?:[.,]\d+)?`;
const SHARES = String.raw`${SHARE}(?:\s*:\s*${SHARE}){1,5}|${SHARE}(?:\s*[/-]\s*${SHARE}){2,5}`;
const BY_WEIGHT = String.raw`(?:\s*[(,]?\s*(?:by weight|in weight|parts(?: by weight)?)\)?)?`;
/** "Flour : milk : egg = 1 : 2 : 1 by weight"; "1:2:1 flour, milk, egg". */
const NAMES_FIRST = new RegExp(
  String.raw`^(?:ratio\s*:?\s*)?(${NAMES})\s*(?:=|:|is|,|\(|–|-|\s)\s*(${SHARES})\)?${BY_WEIGHT}\s*[.)]?$`,
  'iu',
);
const SHARES_FIRST = new RegExp(
  String.raw`^(?:ratio\s*:?\s*)?(${SHARES})${BY_WEIGHT}\s*[:=,–-]?\s*(?:of\s+)?\(?(${NAMES})\)?${BY_WEIGHT}\s*[.)]?$`,
  'iu',
);
const FLOUR = /flour|mehl\b|farine|harina/iu;
const GRAMS_OF_FLOUR =
  /(?<![\d.,])(\d+(?:[.,]\d+)?)\s*(kg|g)\s+(?:of\s+|de\s+)?(?:\p{L}+ )?(?:flour|\p{L}*mehl|farine|harina)(?!\p{L})/iu;
const PER_FLOUR =
  /^(.*?\d.*?)\s+(?:per|for (?:each|every)|je|auf|pro|pour|por(?: cada)?)\s+(\d+)\s*g\s+(?:of\s+|de\s+)?(?:flour|mehl|farine|harina)\s*[.)]?$/iu;
/** So much of flour a ratio is worked on, where the card weighs none, g. */
const FLOUR_G = 100;

/** "Three parts flour to two parts milk, by weight, and two per cent baking powder": a row of no more than that. */
const PARTS = new RegExp(
  String.raw`(?<![\p{L}\d])(${COUNT}|\d+(?:[.,]\d+)?) parts?(?: of)? (${A_NAME})(?=\s*(?:,|to\b|and\b|\.|$|by\b))`,
  'giu',
);
const PER_CENT = new RegExp(
  String.raw`(?<![\p{L}\d])(${COUNT}|\d+(?:[.,]\d+)?) ?(?:%|per ?cent)(?: of)? (${A_NAME})`,
  'giu',
);
const BETWEEN = /(?<!\p{L})(?:to|and|plus|by weight|with)(?!\p{L})|[\s,.;]/giu;
function partsSaid(raw: string): Ratio['things'] | null {
  if (!/\bby weight\b/i.test(raw) || raw.replace(PARTS, '').replace(PER_CENT, '').replace(BETWEEN, '') !== '')
    return null;
  const parts = [...raw.matchAll(PARTS)].map((m) => ({ name: m[2] ?? '', share: countOf(m[1] ?? '') }));
  const flour = parts.find((t) => FLOUR.test(t.name))?.share;
  if (parts.length < 2 || flour === undefined) return null;
  const more = [...raw.matchAll(PER_CENT)].map((m) => ({
    name: m[2] ?? '',
    share: (countOf(m[1] ?? '') * flour) / 100,
  }));
  return [...parts, ...more];
}

interface Ratio {
  readonly at: number;
  readonly things: readonly { readonly name: string; readonly share: number }[];
}
function ratioIn(raws: readonly string[]): Ratio | null {
  for (const [at, raw] of raws.entries()) {
    const row = raw.trim();
    const said = partsSaid(row);
    if (said) return { at, things: said };
    const [first, second] = [NAMES_FIRST.exec(row), SHARES_FIRST.exec(row)];
    const [names = '', shares = ''] = first ? [first[1], first[2]] : [second?.[2], second?.[1]];
    const of = names.split(/\s*(?:[:/,+]|\bto\b|\band\b)\s*/).filter(Boolean);
    const parts = shares.split(/\s*[:/-]\s*/).map((s) => Number(s.replace(',', '.')));
    if (of.length < 2 || of.length !== parts.length || !of.some((n) => FLOUR.test(n))) continue;
    return { at, things: of.map((name, n) => ({ name, share: parts[n] ?? 0 })) };
  }
  return null;
}

/** Rows with a ratio as the weights that it comes to, and what is told by so much of flour. */
function byFlour(raws: readonly string[]): readonly string[] {
  const ratio = ratioIn(raws);
  if (!ratio && !raws.some((r) => PER_FLOUR.test(r))) return raws;
  const told = raws.findIndex((r) => GRAMS_OF_FLOUR.test(r) && !PER_FLOUR.test(r));
  const [, number, unit] = GRAMS_OF_FLOUR.exec(raws[told] ?? '') ?? [];
  const weighed =
    number === undefined ? null : Number(number.replace(',', '.')) * (unit?.toLowerCase() === 'kg' ? 1000 : 1);
  const flour = weighed ?? (ratio ? FLOUR_G : null);
  if (flour === null) return raws;
  const share = ratio?.things.find((t) => FLOUR.test(t.name))?.share ?? 1;
  const isLine = /^\W*\d/.test(raws[told] ?? '');
  return raws.map((raw, n) => {
    if (n === ratio?.at)
      return ratio.things
        .filter((t) => !(isLine && FLOUR.test(t.name)))
        .map((t) => `${written((flour * t.share) / share)} g ${t.name.replace(/^eggs?$/i, 'beaten egg')}`)
        .join(', ');
    if (n === told && ratio && !isLine) return `Note: ${raw.trim()}`;
    const per = PER_FLOUR.exec(raw);
    return per ? times(per[1] ?? '', flour / Number(per[2])) : raw;
  });
}

/** The rows of a card, what they measure by its eggs or its flour as what it comes to. */
export const cameTo = (raws: readonly string[]): readonly string[] => byFlour(forAllEggs(raws));
