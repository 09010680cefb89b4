/**
 * Cards in baker's percentages and in parts by weight, as grams: flour is 100 %, or as many grams as one row tells in a
 * bracket. What such a card says is its ratio; how much of it is made is scaled on the Bench.
 */

const NUMBER = String.raw`(\d{1,4}(?:[.,]\d+)?)`;
const BULLET = String.raw`^\s*(?:[-*•–]\s*)?`;
/** "172 % milk"; "milk 172 %". */
const PERCENT_FIRST = new RegExp(String.raw`${BULLET}${NUMBER}\s*%\s*(?:of\s+)?(\p{L}.*)$`, 'u');
const PERCENT_LAST = new RegExp(String.raw`${BULLET}(\p{L}[^%\d]*?)[\s:=.…|\t–-]+${NUMBER}\s*%\s*(\(.*\))?\s*$`, 'u');
/** "milk 170"; "170 milk": parts, where the card says that its numbers are. */
const PARTS_LAST = new RegExp(String.raw`${BULLET}(\p{L}[^\d]*?)[\s:=.…|\t–-]+${NUMBER}\s*(?:parts?)?\s*$`, 'u');
const PARTS_FIRST = new RegExp(String.raw`${BULLET}${NUMBER}\s+(?:parts?\s+(?:of\s+)?)?(\p{L}.*)$`, 'u');
const SAYS_PARTS =
  /\b(?:parts by weight|(?:in|by) (?:parts|weight)|ratios?|baker[’']?s? (?:percent(?:age)?s?|math)|gewichtsteile|en parties|en partes)\b/i;
/** A measure anywhere: such a card tells amounts, and no shares. */
const MEASURED =
  /[\d½¼¾⅓⅔⅛]\s*(?:g|gr|kg|mg|ml|cl|dl|l|oz|lbs?|cups?|c|tbsps?|tsps?|tablespoons?|teaspoons?|el|tl|pints?|quarts?|sticks?|grams?)(?![\p{L}])/iu;
const FLOUR = /flour|mehl\b|farine|harina|farina|bloem|buckwheat|\bmeel\b|\bmel\b|mjöl/iu;
const IN_GRAMS = /\(\s*(\d+(?:[.,]\d+)?)\s*(kg|g)\s*\)/i;

/** So many rows have to be shares before a card is read so. */
const LEAST_ROWS = 4;
/** Flour of fewer parts than this is brought to a hundred grams. */
const FEW_PARTS = 20;

interface ShareRow {
  readonly at: number;
  readonly share: number;
  readonly name: string;
  /** g that the row tells in a bracket; null: none. */
  readonly grams: number | null;
}

const numberOf = (said: string): number => Number(said.replace(',', '.'));
const gramsIn = (text: string): number | null => {
  const m = IN_GRAMS.exec(text);
  return m ? numberOf(m[1] ?? '') * (m[2]?.toLowerCase() === 'kg' ? 1000 : 1) : null;
};

function rowsOf(raws: readonly string[], first: RegExp, last: RegExp): readonly ShareRow[] {
  return raws.flatMap((raw, at): ShareRow[] => {
    const [a, b] = [first.exec(raw), last.exec(raw)];
    const [number, name] = a ? [a[1], a[2]] : b ? [b[2], `${b[1]} ${b[3] ?? ''}`] : [];
    if (number === undefined || name === undefined) return [];
    return [{ at, share: numberOf(number), name: name.replace(IN_GRAMS, ' ').trim(), grams: gramsIn(name) }];
  });
}

/** "Eggs 3" beside 250 of flour: so many. */
const MOST_COUNTED = 6;
const isCounted = (row: ShareRow, flour: number): boolean =>
  /\beggs\b/i.test(row.name) && row.share <= MOST_COUNTED && Number.isInteger(row.share) && flour >= 100;
const flourOf = (rows: readonly ShareRow[]): number =>
  rows.filter((r) => FLOUR.test(r.name)).reduce((a, r) => a + r.share, 0);

/** To a tenth of a gram. */
const written = (g: number): string => String(Math.round(10 * g) / 10);

/** The rows of a card that is written in shares, each share as grams; the rows as they are where it is not. */
export function inGrams(raws: readonly string[]): readonly string[] {
  const asGrams = (rows: readonly ShareRow[], flourG: number): readonly string[] => {
    const told = rows.find((r) => r.grams !== null && r.share > 0);
    const each = told?.grams ? told.grams / told.share : flourG / flourOf(rows);
    return raws.map((raw, n) => {
      const row = rows.find((r) => r.at === n);
      return row && !isCounted(row, flourOf(rows)) ? `${written(row.share * each)} g ${row.name}` : raw;
    });
  };
  const percent = rowsOf(raws, PERCENT_FIRST, PERCENT_LAST);
  if (percent.length >= LEAST_ROWS && Math.abs(flourOf(percent) - 100) <= 1) return asGrams(percent, 100);
  const says = raws.some((r) => SAYS_PARTS.test(r) && !/\d/.test(r));
  if (!says || raws.some((r) => MEASURED.test(r.replace(IN_GRAMS, '')))) return raws;
  const parts = rowsOf(raws, PARTS_FIRST, PARTS_LAST);
  const flour = flourOf(parts);
  if (parts.length < LEAST_ROWS || !(flour > 0)) return raws;
  return asGrams(parts, flour < FEW_PARTS ? 100 : flour);
}
