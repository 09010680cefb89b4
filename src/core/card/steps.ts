/**
 * The steps of a card: rows that are numbered, the lines of a card that has its amounts in them alone, and what they put
 * in beside a list.
 */
import type { KitchenConventions } from '../pantry/conventions';
import type { Category } from '../pantry/ingredient';
import type { Language } from '../pantry/tables/other-names';
import { amountsIn, asksWhich } from './items';
import type { Line } from './line';
import { KEPT_BACK } from './phrases';
import { DOES, isMeasure, MEASURE_POINT, toldIn } from './prose';
import { type CardLine, type CardRow, inPlace, isMethod, type SetAside } from './rows';
import { clausesOf } from './told/clause';
import { DOING, firstWord } from './writing';

/** Rows of one run of numbers that are steps: so many of them tell what is done, at least. */
const LEAST_STEPS = 3;
const DOING_SHARE = 1 / 3;

/**
 * Numbered rows that measure little, below a list that is measured and has no numbers: what is done with it. Names
 * alone, each with a large letter, may be what goes on top.
 */
function isBelowList(run: readonly number[], rows: readonly CardRow[]): boolean {
  const measured = (some: readonly (CardRow | undefined)[]): number =>
    some.filter((row) => row !== undefined && isMeasure(row.text)).length;
  const above = rows.slice(0, run[0] ?? 0);
  return (
    run.length >= LEAST_STEPS &&
    measured(above) >= LEAST_STEPS - 1 &&
    measured(run.map((n) => rows[n])) < run.length / 2 &&
    run.some((n) => !/^\p{Lu}/u.test(rows[n]?.text ?? '') || /[.,!]/.test(rows[n]?.text ?? ''))
  );
}

const BARE_NUMBER = /^\s*(\d{1,2})\s+(?=\p{Lu}\p{L}+)/u;
/** So many of them make a run, and each begins with what is done. */
const LEAST_RUN = 2;
/** "1 Whisk the eggs" above "2 Fold in the flour": steps whose numbers have no point, with it. */
export function withPointedSteps(rows: readonly string[]): readonly string[] {
  const steps: number[] = [];
  for (const [n, row] of rows.entries()) {
    const number = BARE_NUMBER.exec(row);
    const isStep = number !== null && DOING.has(firstWord(row.slice(number[0].length)));
    if (isStep && Number(number[1]) === steps.length + 1) steps.push(n);
  }
  if (steps.length < LEAST_RUN) return rows;
  return rows.map((row, n) => (steps.includes(n) ? row.replace(BARE_NUMBER, '$1. ') : row));
}

/** Rows that are numbered from 1 on, one after the other, where some of them tell what is done: all are steps. */
export function numberedSteps(rows: readonly CardRow[]): ReadonlySet<number> {
  const out = new Set<number>();
  let run: number[] = [];
  const close = (): void => {
    const doing = run.filter((n) => {
      const t = rows[n]?.text ?? '';
      return isMethod(t) || DOING.has(firstWord(t));
    });
    const isDoing = run.length >= LEAST_STEPS && doing.length >= DOING_SHARE * run.length;
    if (isDoing || isBelowList(run, rows)) for (const n of run) out.add(n);
    run = [];
  };
  for (const [n, row] of rows.entries()) {
    const number = Number(/^\s*(?:step\s*)?\(?(\d{1,2})\s*[.):]\s+\S/i.exec(row.source)?.[1] ?? Number.NaN);
    if (number === run.length + 1) run.push(n);
    else if (row.text !== '') {
      close();
      if (number === 1) run.push(n);
    }
  }
  close();
  return out;
}

/** A thing of one of these kinds is none of another's: soda beside powder, butter beside oil. */
const EACH_ITS_OWN: ReadonlySet<Category> = new Set(['leavening', 'fat', 'flavour', 'acid', 'nut-seed', 'fruit-veg']);
/** What a step is of that is none of the batter. */
const OF_ANOTHER =
  /(?<!\p{L})(?:sauce|(?<!(?:maple|golden|corn|agave|rice|date|birch|glucose|malt) )syrup|compote|toppings?|filling|swirl|caramel|marinad\p{L}*|marinat\p{L}*|dredge\p{L}*|poach\p{L}*|grill\p{L}*|steamer|zip[- ]?bag|chicken|bacon(?! (?:fat|grease|drippings?))|(?:fold|dip|lay|turn|slide) (?:the |each |your )?(?:cr[eê]pes?|pancakes?|waffles?)|sausages?|salmon|sprinkle|dust|toss|coat|glaze|icing|frosting|coulis|jam|custard|whipped cream|serv\w+|garnish|variation|instead|soße|füllung|belag|garniture|relleno|salsa|cobertura)(?!\p{L})|\bto use\b|\b(?:of|the|this|your|dry|cups?)\s+(?:the\s+)?(?:dry\s+)?mix\b(?!\s+(?:the|in|with|until|well)\b)/iu;
/** Fat and water go into the bowl where the step speaks of it, and of nothing hot. */
const BOWL =
  /(?<!\p{L})(?:stir|whisk|whip|cream together|beat|fold|whites?|yolks?|boiling (?:water|milk)|mix|blend|bowl|kefir|buttermilk|yogh?urt|dry|wet|oats|licua\p{L}*|mixe[rz]|pürier\p{L}*|jug|batter|eggs?|milk|flour|yeast|dissolve\w*|rühren|verrühren|schlagen|teig|eier|milch|mehl|dazu|hefe|mélange\p{L}*|ajoute\p{L}*|incorpore\p{L}*|pâte|œufs?|lait|farine|mezcla\p{L}*|añad\p{L}+|bat[ei]\p{L}*|masa|huevos?|leche|harina)(?!\p{L})/iu;
const AT_HEAT =
  /(?<!\p{L})(?:pans?|skillets?|griddle|irons?|tins?|oven|fry|frying|greas\w+|brush|drizzle|lid|steam|cover|holes?|wells?|hollows?|\p{L}*pfanne|\p{L}*eisen|(?:aus|an)?braten|(?:aus)?backen|(?:ein)?(?:fetten|pinseln)|poêle|gaufrier|cuire|cuisez|sart[eé]n|gofrera|plancha|cocina\p{L}*|freír|fríe\p{L}*|engras\p{L}+)(?!\p{L})/iu;
const INTO_BATTER = /\bin(?:to)? the (?:batter|mix|dough|bowl)\b/i;
const MADE_SOFT = /\b(?:melted|softened|cooled|browned)\b/i;
/** So much water is poured on nothing hot, g. */
const LEAST_POURED = 50;
/** What a line is of; of a word for several sorts ("powder", "bacon fat") what they are; undefined: of anything. */
const kindOf = (l: Line): Category | undefined =>
  l.ingredient?.category ??
  (asksWhich(l) ? l.suggestions.map((i) => i.category).find((c) => c === 'leavening' || c === 'fat') : undefined);
/** Whether fat or water is put into the bowl by a step, and into no pan. */
function isInBowl(l: Line, sentence: string): boolean {
  const clause = clausesOf(sentence).find((c) => c.text.includes(l.text))?.text ?? sentence;
  if (INTO_BATTER.test(clause)) return true;
  const isPoured = l.ingredient?.id === 'water' && (l.grams ?? 0) >= LEAST_POURED;
  return !AT_HEAT.test(clause) && (BOWL.test(sentence) || MADE_SOFT.test(l.text) || isPoured);
}
/** The batter itself, by what only it is made of. */
const OF_BATTER =
  /(?<!\p{L})(?:batter|flour|dry|wet|yolks?|whites?|griddle|teig|mehl|pâte|farine|masa|harina)(?!\p{L})/iu;
/** Begins with an amount, and tells no more. */
const AMOUNT_FIRST = /^(?:then |and |plus )*(?:[\d½¼¾⅓⅔⅛]|zest|juice|pinch|half|one|two|three|an? )/i;
/** The sentences of a step that put something into the batter: a sauce, once spoken of, is until the batter is again. */
function putInBy(step: string): readonly string[] {
  let isBeside = false;
  return step
    .replace(MEASURE_POINT, '$1')
    .split(/(?<=[.!;])\s+/)
    .filter((sentence) => {
      isBeside = OF_ANOTHER.test(sentence) || (isBeside && !OF_BATTER.test(sentence));
      if (isBeside || !(isMeasure(sentence) || /\b(?:zest|juice)\b/i.test(sentence))) return false;
      if (!BOWL.test(sentence) && !AMOUNT_FIRST.test(sentence)) return false;
      return clausesOf(sentence).some((c) => c.taken === 'told' && amountsIn(c.text) > 0);
    });
}

/** Yolks on the list are not the whites of a step. */
const isOtherPart = (one: string, other: string | undefined): boolean =>
  (one === 'egg-yolk' && other === 'egg-white') || (one === 'egg-white' && other === 'egg-yolk');

/**
 * "Whisk the flour with 1/2 tsp salt", "sift together 2 c. flour, 4 tsp. powder": what the steps of a list put in that the
 * list has not. Milk, eggs, flour and sugar by their bare names are those of the list.
 */
function withThingsOfSteps(
  lines: readonly CardLine[],
  steps: readonly SetAside[],
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): readonly CardLine[] {
  const isListed = (l: Line, all: readonly Line[]): boolean =>
    all.some((x) => {
      const kind = kindOf(l);
      if (x.ingredient === null) return x.text === l.text;
      // by a word for several sorts it is the list's own, where the list has one
      const isSame = l.ingredient === null || (kind !== undefined && !EACH_ITS_OWN.has(kind));
      if (isOtherPart(x.ingredient.id, l.ingredient?.id)) return false;
      return x.ingredient.id === l.ingredient?.id || (isSame && x.ingredient.category === kind);
    });
  const isPutIn = (l: Line, sentence: string): boolean => {
    const kind = kindOf(l);
    return (
      kind !== undefined &&
      l.use === 'batter' &&
      l.side === null &&
      (l.written.length > 0 || kind === 'salt' || kind === 'flavour') &&
      !KEPT_BACK.test(l.text) &&
      !/\bif\b/i.test(l.text) &&
      ((kind !== 'fat' && l.ingredient?.id !== 'water') || isInBowl(l, sentence))
    );
  };
  const own = lines.filter((l) => l.use === 'batter');
  const found: CardLine[] = [];
  // what was told in sentences has its lines already
  for (const step of steps.filter((i) => !lines.some((l) => l.lineNumber === i.lineNumber)))
    for (const sentence of putInBy(step.text))
      for (const line of toldIn(sentence, house, languages))
        if (isPutIn(line, sentence) && !isListed(line, [...own, ...found]))
          found.push(inPlace(line, step.lineNumber, 's0'));
  return found.length === 0 ? lines : [...lines, ...found].sort((a, b) => a.lineNumber - b.lineNumber);
}

/**
 * The lines of a card; of one that has its amounts in its steps alone ("Mix 3 eggs, 125 ml milk and 60 g flour."), those
 * of its steps, also where a short step was read as a line. A paragraph is parted into its sentences already.
 */
export function linesOfSteps(
  { lines, ignored }: { readonly lines: readonly CardLine[]; readonly ignored: readonly SetAside[] },
  rows: readonly CardRow[],
  house: KitchenConventions,
  languages: ReadonlySet<Language> | null,
): readonly CardLine[] {
  const told = ignored.filter((i) => i.why === 'method');
  const parted = told.some((i) => lines.some((l) => l.lineNumber === i.lineNumber));
  const words = (l: CardLine): string => rows[l.lineNumber - 1]?.text ?? '';
  const unclear = lines.some((l) => l.status !== 'read');
  const ofSteps = numberedSteps(rows);
  const inSteps =
    lines.every((l) => DOES.test(words(l)) || ofSteps.has(l.lineNumber - 1)) &&
    ((told.length > 0 && !parted) || unclear);
  if (lines.length > 0 && !inSteps) return withThingsOfSteps(lines, told, house, languages);
  const steps = new Map(ignored.map((i) => [i.lineNumber, i.text] as const));
  const before = new Map(lines.map((l) => [l.lineNumber, l] as const));
  for (const l of lines) steps.set(l.lineNumber, words(l));
  return [...steps]
    .sort(([a], [b]) => a - b)
    .flatMap(([n, step]) => {
      const found = toldIn(step, house, languages).map((line) => inPlace(line, n, 's0'));
      // a line that tells nothing more stays what it was, and asks
      const was = before.get(n);
      return found.length === 0 && was ? [was] : found;
    });
}
