/**
 * What a method leaves open, each with choices that are taken with one tap: how many millilitres "a big ladle" is, which
 * side two minutes are of.
 */
import { readLine } from '../card/line';
import type { FactId, ToldFact } from '../card/told/clause';
import type { Formula, FormulaLine } from '../formula/formula';
import { type Offer, waysTold } from '../formula/from-card';
import type { KitchenConventions } from '../pantry/conventions';
import type { Category } from '../pantry/ingredient';
import { readAmount } from '../quantity/amount';
import type { Units } from '../quantity/say';
import type { ScriptAct } from '../script/act';
import { editSaid, editsTold } from '../script/told-acts';

export interface MethodAsk {
  /** The clause that leaves it open. */
  readonly words: string;
  readonly asks: string;
  /** None of another thing than the others. */
  readonly choices: readonly Offer[];
}

/** What is known of the formula that a choice is worked from. */
interface AskedOf {
  /** Acts as they stand. */
  readonly acts: readonly ScriptAct[];
  readonly units: Pick<Units, 'temperature'>;
  /** What this style mostly pours, mL. */
  readonly usualMl: number;
  readonly densityGPerMl: number | null;
}

/** A time at the heat may be of the other side. */
const MAY_BE: Partial<Readonly<Record<FactId, readonly FactId[]>>> = {
  firstSide: ['firstSide', 'secondSide'],
  secondSide: ['secondSide', 'firstSide'],
};
/** Sizes of a measure that nobody has told, of what the style mostly pours. */
const SHARES = [0.75, 1, 1.5];

/** Measured by volume by whoever weighs the rest. */
const POURED: ReadonlySet<Category> = new Set(['dairy', 'plant-milk', 'liquid']);
/** Lines with a number and no unit, so many that they are asked together. */
const LEAST_BARE = 3;
/** A line's text with a unit behind its number; null where that gives no weight. */
function withUnit(l: FormulaLine, unit: 'g' | 'ml', house: KitchenConventions): string | null {
  const amount = readAmount(l.text)?.length ?? 0;
  const text = amount > 0 ? `${l.text.slice(0, amount).trimEnd()} ${unit}${l.text.slice(amount)}` : `${l.text} ${unit}`;
  return readLine(text, house).grams === null ? null : text;
}
/** "240 flour, 300 milk, 5 salt": all in one unit, or liquids by volume; null: there are few such lines. */
export function bareAsk(
  lines: readonly FormulaLine[],
  { dismissed }: Pick<Formula, 'dismissed'>,
  house: KitchenConventions,
): MethodAsk | null {
  const bare = lines.filter((l) => l.ingredient && l.findings.some((f) => f.code === 'no-unit'));
  const words = 'numbers without a unit';
  if (bare.length < LEAST_BARE || dismissed.includes(askKey(words))) return null;
  const texts = (unitOf: (l: FormulaLine) => 'g' | 'ml'): Readonly<Record<string, string>> =>
    Object.fromEntries(bare.flatMap((l) => [[l.key, withUnit(l, unitOf(l), house)] as const]).filter(isGiven));
  const isPoured = ({ ingredient: i }: FormulaLine): boolean => i !== null && POURED.has(i.category) && !i.piece;
  const choices: readonly Offer[] = [
    { what: 'texts', texts: texts(() => 'g'), says: 'all in grams', words },
    ...(bare.some(isPoured)
      ? [
          {
            what: 'texts',
            texts: texts((l) => (isPoured(l) ? 'ml' : 'g')),
            says: 'grams, liquids in ml',
            words,
          } as const,
        ]
      : []),
  ];
  return { words, asks: `${bare.length} lines have a number and no unit. What are they?`, choices };
}
const isGiven = (row: readonly [string, string | null]): row is readonly [string, string] => row[1] !== null;

export const askKey = (words: string): string => `ask:${words.slice(0, 48)}`;

const inFives = (ml: number): number => Math.max(5, 5 * Math.round(ml / 5));

function portions(f: ToldFact, { usualMl, densityGPerMl }: AskedOf): readonly Offer[] {
  const offer = (ml: number): Offer => ({ what: 'portion', ml, says: `${ml} ml a piece`, words: f.words });
  if (typeof f.value === 'number') return [offer(Math.round(f.value))];
  const grams = /^(\d+(?:\.\d+)?) ?g/i.exec(f.value)?.[1];
  if (grams !== undefined) return densityGPerMl === null ? [] : [offer(Math.round(Number(grams) / densityGPerMl))];
  return [...new Set(SHARES.map((s) => inFives(s * usualMl)))].map(offer);
}

/** What an open fact may be, each as an offer; none where this formula has no such act. */
function choicesOf(f: ToldFact, of: AskedOf): readonly Offer[] {
  if (f.fact === 'portion') return portions(f, of);
  return (MAY_BE[f.fact] ?? [f.fact]).flatMap((fact): readonly Offer[] => {
    const told: ToldFact = { ...f, fact, taken: 'told' };
    return [
      ...waysTold('', [told]),
      ...editsTold([told], of.acts, true).map(
        (edit): Offer => ({
          what: 'act',
          edit,
          says: editSaid(edit, of.acts.find((a) => a.id === edit.act)?.verb, of.units),
          words: f.words,
        }),
      ),
    ];
  });
}

/** The question, with the method's own words. */
function question({ fact, value, words }: ToldFact): string {
  if (fact !== 'portion') return `What is “${words}”?`;
  return typeof value === 'number' ? `“${words}”: about so much?` : `How much is “${value}”?`;
}

/** @returns what the facts leave open of a formula, in the order it is told, but for what the cook has left as it is */
export function methodAsks(
  facts: readonly ToldFact[],
  { cardNotes, dismissed }: Pick<Formula, 'cardNotes' | 'dismissed'>,
  of: AskedOf,
): readonly MethodAsk[] {
  const at = (q: MethodAsk): number => cardNotes.indexOf(q.words);
  const asks = facts.flatMap((f): readonly MethodAsk[] => {
    if (f.taken !== 'asked' || dismissed.includes(askKey(f.words))) return [];
    const choices = choicesOf(f, of);
    return choices.length === 0 ? [] : [{ words: f.words, asks: question(f), choices }];
  });
  return asks.sort((a, b) => at(a) - at(b));
}
