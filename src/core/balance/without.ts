/**
 * A formula for a guest who does without something: each line that holds it becomes its usual stand-in and the other
 * lines make up for it, as a swap on the Bench does; what nothing stands in for is left off a plate, and named where it
 * is of the batter. By the pantry's own allergens: what is on a packet is the cook's to read.
 */
import { type Formula, type FormulaLine, kindIdOf, kitchenOf, MOST_NAME_CHARS } from '../formula/formula';
import type { KindId } from '../formula/kinds';
import { formulaLines, isAddIn } from '../formula/lines';
import { type Allergen, allergenName, type Ingredient, kitchenName } from '../pantry/ingredient';
import { findIngredient } from '../pantry/pantry';
import { houseFatLines } from '../script/pan-fat';
import { addAfter, type Bench, editEntry, withFormula } from './bench';
import { joinEnds } from './lines';
import { type Swap, swapRebalanced, swapsFor } from './swaps';

export interface WithoutBowl {
  /** A formula of its own, named after the first. */
  readonly formula: Formula;
  /** "oat drink for whole milk". */
  readonly swaps: readonly string[];
  /** Left off: what is on top, beside, or stirred in whole. */
  readonly leftOut: readonly string[];
  /** What of the batter nothing stands in for, and what may hold it for all that is known: not to be had without it. */
  readonly stays: readonly string[];
  readonly cautions: readonly string[];
}

/** Kinds that eggs raise: nothing stands in for them there. */
const RAISED_BY_EGGS: readonly KindId[] = ['oven', 'foam'];

const PAN_OIL = 'vegetable oil for the pan';

const holds = (i: Pick<Ingredient, 'allergens'>, of: readonly Allergen[]): boolean =>
  i.allergens.some((a) => of.includes(a));
const isWhipped = (l: FormulaLine): boolean => l.moment === 'whipped' || /\b(?:whipped|stiff|peaks)\b/i.test(l.text);

const calledIn = (l: FormulaLine): string => (l.ingredient ? kitchenName(l.ingredient).toLowerCase() : l.text);

/** The stand-in that holds none of it and brings the fewest other allergens; of equals the first of the table. */
function standIn(l: FormulaLine, without: readonly Allergen[], others: ReadonlySet<Allergen>): Swap | undefined {
  const brings = (s: Swap): number => s.effect.allergensIn.filter((a) => !others.has(a)).length;
  const ids = (s: Swap): readonly string[] => [s.standIn.to, ...(s.standIn.with ? [s.standIn.with.id] : [])];
  return swapsFor(l)
    .filter((s) => !ids(s).some((id) => holds(findIngredient(id) ?? { allergens: without }, without)))
    .sort((a, b) => brings(a) - brings(b))[0];
}

/** "without milk, egg". Wheat is gluten too, and is said once. */
export const withoutSaid = (of: readonly Allergen[]): string =>
  `without ${of
    .filter((a) => a !== 'wheat' || !of.includes('gluten'))
    .map(allergenName)
    .join(', ')}`;

interface Answer {
  readonly formula: Formula;
  readonly what: 'swaps' | 'leftOut' | 'stays';
  readonly said: string;
  readonly caution?: string | undefined;
}

/** What becomes of one line that holds it. @param others allergens that the formula holds anyway */
function answerFor(b: Bench, line: FormulaLine, without: readonly Allergen[], others: ReadonlySet<Allergen>): Answer {
  const called = calledIn(line);
  const needsEgg =
    line.ingredient?.category === 'egg' && (RAISED_BY_EGGS.includes(kindIdOf(b.formula, null)) || isWhipped(line));
  const swap = needsEgg ? undefined : standIn(line, without, others);
  if (swap)
    return {
      formula: swapRebalanced(b, line, swap).formula,
      what: 'swaps',
      said: `${swap.name.toLowerCase()} for ${called}`,
      caution: swap.standIn.caution,
    };
  if (line.use === 'pan')
    return {
      formula: editEntry(b.formula, line.key, { text: PAN_OIL, ingredientId: undefined, stands: undefined }),
      what: 'swaps',
      said: `oil for ${called} in the pan`,
    };
  if (line.use === 'batter' && !isAddIn(line)) return { formula: b.formula, what: 'stays', said: called };
  return { formula: editEntry(b.formula, line.key, { off: true }), what: 'leftOut', said: called };
}

const holdersOf = (l: FormulaLine): readonly Ingredient[] => [
  ...l.parts.map((p) => p.ingredient),
  ...(l.ingredient ? [l.ingredient] : []),
];

/** Whether a line may hold anything: it is not read, or nobody has stated the allergens of what is in it. */
const isOpen = (l: FormulaLine): boolean =>
  l.text.trim() !== '' && (holdersOf(l).length === 0 || holdersOf(l).some((i) => i.allergensUnstated));

/**
 * @param b of a forked formula the end that is looked at becomes the formula
 * @param without what the guest does without
 */
export function bowlWithout(b: Bench, without: readonly Allergen[]): WithoutBowl {
  const plain = b.formula.ends ? joinEnds(b.formula, b.end ?? b.formula.ends[0].id) : b.formula;
  const said = withoutSaid(without);
  const after = `, ${plain.name.includes(', without ') ? said.slice('without '.length) : said}`;
  const name = `${plain.name.slice(0, Math.max(0, MOST_NAME_CHARS - after.length))}${after}`.slice(0, MOST_NAME_CHARS);
  let now: Bench = { ...b, end: null, formula: { ...plain, name, dismissed: [] } };
  const all = formulaLines(plain, b.house).filter((l) => !l.off);
  const others = new Set(all.flatMap((l) => l.parts.flatMap((p) => p.ingredient.allergens)));
  const answers: Answer[] = [];
  for (const { key } of all.filter((l) => holdersOf(l).some((i) => holds(i, without)))) {
    // the lines before it have moved this one's amount too
    const line = formulaLines(now.formula, now.house).find((l) => l.key === key && !l.off);
    if (!line) continue;
    const answer = answerFor(now, line, without, others);
    now = withFormula(now, answer.formula);
    answers.push(answer);
  }
  const { ways, conventions } = kitchenOf(now.formula, now.house);
  const lines = formulaLines(now.formula, now.house).filter((l) => !l.off);
  const find = (id: string) => findIngredient(id, conventions.own);
  if (houseFatLines(lines, ways, now.formula.kind, find).some((f) => holds(f.ingredient, without))) {
    now = withFormula(now, addAfter(now.formula, null, PAN_OIL));
    answers.push({ formula: now.formula, what: 'swaps', said: 'oil in the pan' });
  }
  const told = (what: Answer['what']): readonly string[] => answers.filter((x) => x.what === what).map((x) => x.said);
  return {
    formula: now.formula,
    swaps: told('swaps'),
    leftOut: told('leftOut'),
    stays: [...told('stays'), ...all.filter(isOpen).map((l) => `“${l.text}”`)],
    cautions: [...new Set(answers.flatMap((x) => x.caution ?? []))],
  };
}
