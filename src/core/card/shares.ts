/**
 * Cards in baker's percentages and in parts by weight, as grams: flour is 100 %, or as many grams as the card tells of it
 * or of the whole. What such a card says is its ratio; how much of it is made is scaled on the Bench.
 */

import { DOING, firstWord } from './writing';

const NUMBER = String.raw`(\d{1,4}(?:[.,]\d+)?)`;
const BULLET = /^\s*(?:[-*•–]\s*)?/;
/** "172 % milk"; "milk: 172 %": one in a row. */
const PERCENT = new RegExp(String.raw`(?<![\d.,])${NUMBER}\s*%`, 'gu');
const WEIGHT = /(?<![\d.,/])(\d+(?:[.,]\d+)?)\s*(kg|g)(?![\p{L}\d])/giu;
const IN_BRACKETS = /\(\s*\d+(?:[.,]\d+)?\s*k?g\s*\)/giu;
/** "milk 170"; "170 milk": parts, where the card says that its numbers are. */
const PARTS_LAST = new RegExp(String.raw`^(\p{L}[^\d]*?)[\s:=.…|\t–-]+${NUMBER}\s*(?:parts?)?\s*$`, 'u');
const PARTS_FIRST = new RegExp(String.raw`^${NUMBER}\s+(?:parts?\s+(?:of\s+)?)?(\p{L}.*)$`, 'u');
const SAYS_PARTS =
  /\b(?:parts by weight|(?:in|by) (?:parts|weight)|ratios?|baker[’']?s? (?:percent(?:age)?s?\b|math\b|%)|gewichtsteile|en parties|en partes)/i;
/** A measure anywhere: such a card tells amounts, and no shares. */
const MEASURED =
  /[\d½¼¾⅓⅔⅛]\s*(?:g|gr|kg|mg|ml|cl|dl|l|oz|lbs?|cups?|c|tbsps?|tsps?|tablespoons?|teaspoons?|el|tl|pints?|quarts?|sticks?|grams?)(?![\p{L}])/iu;
/** A portion, a time or a sentence: of the method, whatever it measures. */
const OF_METHOD =
  /\b(?:each|apiece|per (?:piece|side|pancake|waffle|crepe)|sides?|min(?:ute)?s?|scoops?|ladles?|griddle|iron|pan|rest|chill|stand)\b|\p{L}{3,}.*[.!]\s*$/iu;
const isMeasured = (row: string): boolean => MEASURED.test(row) && !OF_METHOD.test(row);
const FLOUR = /flour|mehl\b|farine|harina|farina|bloem|buckwheat|\bmeel\b|\bmel\b|mjöl/iu;
/** All of it, and no thing of the list: "Total batter: 1.2 kg". */
const OF_ALL =
  /^(?:total|sum|batch(?: size)?|batter|dough|makes?|yields?|gesamt\p{L}*|insgesamt|summe|suma|total général)(?!\p{L})|\(total\b/iu;
/** "Flour: 400 g", besides its 100 %. */
const FLOUR_ALONE = /^(?:total )?(?:flour|mehl|farine|harina)(?: weight)?$/iu;

/** So many rows have to be shares before a card is read so; fewer, where each says its percent. */
const LEAST_ROWS = 4;
const LEAST_PERCENTS = 3;
/** So much of all else stands beside a hundred of flour: "flour 100, milk 1, eggs 3" are no shares. */
const LEAST_BESIDE = 50;
/** Flour of fewer parts than this is brought to a hundred grams. */
const FEW_PARTS = 20;

interface ShareRow {
  readonly at: number;
  readonly share: number;
  readonly name: string;
  /** g that the row tells beside its share; null: none. */
  readonly grams: number | null;
}

const numberOf = (said: string | undefined): number => Number((said ?? '').replace(',', '.'));
const gramsIn = (text: string): number | null => {
  const all = [...text.matchAll(WEIGHT)];
  const [m] = all;
  return m && all.length === 1 ? numberOf(m[1]) * (m[2]?.toLowerCase() === 'kg' ? 1000 : 1) : null;
};
/** A name without the signs that stood between it and its numbers. */
const nameOf = (text: string): string =>
  text
    .replace(/\(\s*\)/g, ' ')
    .replace(/[\s:=.…|,–-]+$|^[\s:=.…|,–-]+(?:of\s+)?/gu, '')
    .replace(/\s*[:=|]\s*/g, ' ')
    .replace(/\s{2,}/g, ' ')
    .trim();

/** Rows that tell one percentage each, and no other number but a weight. */
const percentRows = (raws: readonly string[]): readonly ShareRow[] =>
  raws.flatMap((raw, at): readonly ShareRow[] => {
    const row = raw.replace(BULLET, '');
    const said = [...row.matchAll(PERCENT)];
    const rest = row.replace(PERCENT, ' ');
    const name = nameOf(rest.replace(WEIGHT, ' '));
    if (said.length !== 1 || !/^\(?\p{L}/u.test(name) || /\d/.test(name) || OF_ALL.test(name)) return [];
    return [{ at, share: numberOf(said[0]?.[1]), name, grams: gramsIn(rest) }];
  });

const partRows = (raws: readonly string[]): readonly ShareRow[] =>
  raws.flatMap((raw, at): readonly ShareRow[] => {
    const row = raw.replace(BULLET, '').replace(IN_BRACKETS, '').trimEnd();
    if (OF_METHOD.test(row)) return [];
    const [first, last] = [PARTS_FIRST.exec(row), PARTS_LAST.exec(row)];
    const [number, name] = first ? [first[1], first[2]] : last ? [last[2], last[1]] : [];
    if (number === undefined || name === undefined || OF_ALL.test(name)) return [];
    return [{ at, share: numberOf(number), name: name.trim(), grams: gramsIn(raw) }];
  });

/** "Eggs 3" beside 250 of flour: so many. */
const MOST_COUNTED = 6;
const isCounted = (row: ShareRow, flour: number): boolean =>
  /\beggs\b/i.test(row.name) && row.share <= MOST_COUNTED && Number.isInteger(row.share) && flour >= 100;
const flourOf = (rows: readonly ShareRow[]): number =>
  rows.filter((r) => FLOUR.test(r.name)).reduce((a, r) => a + r.share, 0);
const isHundred = (rows: readonly ShareRow[], least = LEAST_ROWS): boolean =>
  rows.length >= least && Math.abs(flourOf(rows) - 100) <= 1;

/** To a tenth of a gram. */
const written = (g: number): string => String(Math.round(10 * g) / 10);
/** A weight that a row tells is its share's, where it is as near as it is rounded. */
const NEAR = 0.1;

/** The row that weighs all of it. */
function ofAll(raws: readonly string[]): { readonly at: number; readonly grams: number } | undefined {
  const at = raws.findIndex((raw) => OF_ALL.test(raw.trim()) && gramsIn(raw) !== null);
  const grams = gramsIn(raws[at] ?? '');
  return grams === null ? undefined : { at, grams };
}

/** The rows of a card by percent: what has a weight keeps it, what has none has its share of what the card tells. */
function byPercent(raws: readonly string[], rows: readonly ShareRow[]): readonly string[] {
  const besides = raws.flatMap((raw, at) => {
    const name = nameOf(raw.replace(WEIGHT, ' '));
    const grams = gramsIn(raw);
    return grams === null || rows.some((r) => r.at === at) || /\d/.test(name) ? [] : [{ at, name, grams }];
  });
  const flour = besides.find((b) => FLOUR_ALONE.test(b.name));
  const all = ofAll(raws);
  const told = rows.find((r) => r.grams !== null && r.share > 0);
  const shares = rows.reduce((a, r) => a + r.share, 0);
  const each = told?.grams ? told.grams / told.share : flour ? flour.grams / 100 : all ? all.grams / shares : 1;
  return raws.map((raw, n) => {
    const row = rows.find((r) => r.at === n);
    if (n === flour?.at || n === all?.at) return `Note: ${raw.trim()}`;
    if (!row) return raw;
    if (row.grams !== null && Math.abs(row.grams - row.share * each) > NEAR * row.grams) return raw;
    return isCounted(row, 100) ? raw : `${written(row.grams ?? row.share * each)} g ${row.name}`;
  });
}

/** "Baker's %: flour 100, milk 120, egg 25" in one row, a row for each of its things. */
function inOneRow(raw: string): readonly string[] | null {
  const at = raw.indexOf(':');
  if (at < 0 || !SAYS_PARTS.test(raw.slice(0, at))) return null;
  const things = raw
    .slice(at + 1)
    .split(/[,;]\s+|\s+[/–—]\s+/)
    .map((t) => t.replace(/[.\s]+$/, '').replace(/\s*%$/, ''));
  return things.length >= LEAST_ROWS ? things : null;
}

/** A row that tells what all numbers are of: "all weights in grams", "(grams)", "Cups:". */
const UNIT_SAID =
  /^[\s(*-]*(?:(?:all|everything|amounts?|weights?|numbers?|quantities|measures?|alles|alle|mengen|angaben|tout|todo)\s+)*(?:(?:is|are|sind)\s+)?(?:in\s+|en\s+)?(g|gr|grams?|gramm|grammes|gramos|cups?)(?:,? (?:but |except )?(?:eggs|eier|œufs|huevos)(?: (?:in|en|by|as) \p{L}+)?)?[\s).:*]*$/iu;
const UNIT_BEHIND =
  /\((?:(?:all|weights?|amounts?)\s+)*(?:in\s+|en\s+)?(g|gr|grams?|gramm|grammes|gramos|cups?)\)\s*:?\s*$/iu;
const unitSaid = (row: string): string | undefined =>
  (UNIT_SAID.exec(row) ?? (/\d/.test(row) ? null : UNIT_BEHIND.exec(row)))?.[1];
/** Whether a row says no more than the unit of all numbers: "(g)", "all in grams". */
export const saysUnit = (row: string): boolean => UNIT_SAID.test(row);
/** "flour 300", "300 flour": a thing and a number without a unit. */
const BARE_LAST =
  /^(\s*(?:[-*•–]\s*)?\p{L}[^\d]*?[\s:=–-]+)(\d[\d.,]*(?: \d\/\d)?|\d\/\d|[½¼¾⅓⅔])\s*((?:\([^\d()]*\))?)\s*$/u;
const BARE_FIRST = /^(\s*(?:[-*•–]\s*)?)(\d[\d.,]*(?: \d\/\d)?|\d\/\d|[½¼¾⅓⅔])\s+(?=\p{L}{2,})([^\d]*)$/u;
const COUNTED = /(?<!\p{L})(?:eggs?|yolks?|whites?|eier|ei|œufs?|oeufs?|huevos?|bananas?)(?!\p{L})/iu;
/** A dozen eggs may be counted; more are weighed. */
const MOST_EGGS = 12;
const isBare = (thing: string): boolean => BARE_LAST.test(thing) || BARE_FIRST.test(thing);
/** "Dry: flour 240, cornmeal 60, BP 12": the things of a list in one row, and what stands around them. */
const LABEL = /^\s*\p{L}[\p{L} ]{1,24}:\s+/u;
const BETWEEN_THINGS = /(,\s+|;\s+|\s+[/|]\s+)/;
const thingsIn = (raw: string): readonly string[] => {
  const label = LABEL.exec(raw)?.[0] ?? '';
  const parts = raw.slice(label.length).split(BETWEEN_THINGS);
  const isList = parts.filter(isBare).length > 1 && parts.every((p) => !/\d/.test(p) || isBare(p));
  return isList && !parts.some((p) => DOING.has(firstWord(p))) ? [label, ...parts] : [raw];
};
/** A bare number with its unit; eggs that are counted as they are. */
function inUnit(thing: string, unit: 'cups' | 'g'): string {
  const [last, first] = [BARE_LAST.exec(thing), BARE_FIRST.exec(thing)];
  const number = last?.[2] ?? first?.[2];
  if (number === undefined) return thing;
  if (COUNTED.test(thing) && (unit === 'cups' || numberOf(number) <= MOST_EGGS)) return thing;
  return last ? `${last[1]}${number} ${unit} ${last[3]}`.trimEnd() : `${first?.[1]}${number} ${unit} ${first?.[3]}`;
}

/** Each bare number with the unit that a row of the card tells for all of them. */
function inUnitSaid(raws: readonly string[]): readonly string[] {
  const said = raws.flatMap((r) => unitSaid(r) ?? [])[0];
  if (said === undefined) return raws;
  const unit = /^c/i.test(said) ? 'cups' : 'g';
  const bare = raws.flatMap(thingsIn).filter(isBare).length;
  if (bare < LEAST_PERCENTS || raws.some(isMeasured)) return raws;
  return raws.map((raw) => {
    // "** all g **": told, and no line
    if (unitSaid(raw) !== undefined && !/^\s*\(|:\s*$/.test(raw) && saysUnit(raw)) return `Note: ${raw.trim()}`;
    return thingsIn(raw)
      .map((thing) => inUnit(thing, unit))
      .join('');
  });
}

/** "For 1 kg of flour:", "auf 500 g Mehl: 3 Eier ...": what all else is measured by. */
const FOR_SO_MUCH = new RegExp(
  String.raw`^\s*(?:for|to|per|with|auf|für|zu|je|pour|par|para|por|voor|per ogni)\s+(?:each |every |jede |chaque |cada )?(\d[\d.,]*\s*\p{L}+\s+(?:of\s+|de\s+)?(?:\p{L}+[ -]){0,2}\p{L}*(?:${FLOUR.source})\p{L}*)\s*(?:$|:\s*(?:$|(?:add|use|take|nimm)\b\s*|(?=\S)))`,
  'iu',
);
/** The flour that a card is written for as its line, where no other row has any. */
function withItsFlour(raws: readonly string[]): readonly string[] {
  const at = raws.findIndex((r) => FOR_SO_MUCH.test(r));
  if (at < 0 || raws.some((r, n) => n !== at && FLOUR.test(r) && /\d/.test(r))) return raws;
  return raws.map((raw, n) => {
    if (n !== at) return raw;
    const [lead = '', flour = ''] = FOR_SO_MUCH.exec(raw) ?? [];
    const rest = raw.slice(lead.length).trim();
    return rest === '' ? flour : `${flour}, ${rest}`;
  });
}

/** "2 cups flour (100%)": a share behind an amount says nothing more. */
const SHARE_BEHIND = /\s*\(\s*(\d{1,4}(?:[.,]\d+)?)\s*%\s*\)/gu;
function withoutShares(raws: readonly string[]): readonly string[] {
  const said = raws.flatMap((raw) => [...raw.matchAll(SHARE_BEHIND)].map((m) => ({ raw, share: numberOf(m[1]) })));
  const isOfFlour = said.some((s) => Math.abs(s.share - 100) < 1 && FLOUR.test(s.raw));
  if (said.length < LEAST_PERCENTS || !isOfFlour) return raws;
  return raws.map((raw) => {
    const bare = raw.replace(SHARE_BEHIND, '');
    return /\d/.test(bare) ? bare : raw;
  });
}

/** The rows of a card that is written in shares, each share as grams; the rows as they are where it is not. */
export function inGrams(card: readonly string[]): readonly string[] {
  const raws = withoutShares(withItsFlour(inUnitSaid(card)));
  const percent = percentRows(raws);
  if (isHundred(percent, LEAST_PERCENTS)) return byPercent(raws, percent);
  const byParts = (rows: readonly string[], isSaid: boolean): readonly string[] => {
    const parts = partRows(rows);
    const flour = flourOf(parts);
    const others = parts.reduce((a, r) => a + r.share, 0) - flour;
    if (parts.length < LEAST_ROWS || !(isSaid ? flour > 0 : isHundred(parts) && others >= LEAST_BESIDE)) return rows;
    const told = parts.find((r) => r.grams !== null && r.share > 0);
    const all = ofAll(rows);
    const each = told?.grams
      ? told.grams / told.share
      : all
        ? all.grams / parts.reduce((a, r) => a + r.share, 0)
        : flour < FEW_PARTS
          ? 100 / flour
          : 1;
    return rows.map((raw, n) => {
      const row = parts.find((r) => r.at === n);
      if (!row) return OF_ALL.test(raw.trim()) ? `Note: ${raw.trim()}` : raw;
      return isCounted(row, flour) ? raw : `${written(row.share * each)} g ${row.name}`;
    });
  };
  const rows = raws.map((raw) => {
    const things = inOneRow(raw);
    return things && !things.some((t) => MEASURED.test(t)) ? byParts(things, true).join(', ') : raw;
  });
  if (rows.some((r, n) => isMeasured(r.replace(IN_BRACKETS, '')) && ofAll(rows)?.at !== n)) return rows;
  // flour of a hundred, and nothing measured: what the numbers are is told by it
  return byParts(
    rows,
    rows.some((r) => SAYS_PARTS.test(r) && !/\d/.test(r)),
  );
}
