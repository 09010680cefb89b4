/** Lines whose number has no unit, asked together: most who write so weigh in grams. */
import { readLine } from '../card/line';
import type { Formula, FormulaLine } from '../formula/formula';
import type { Offer } from '../formula/offers';
import type { KitchenConventions } from '../pantry/conventions';
import type { Category } from '../pantry/ingredient';
import { readAmount } from '../quantity/amount';
import { askKey, type MethodAsk } from './ask';

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
/** From so many on, eggs among numbers without a unit are grams as those are. */
const MANY_EGGS = 20;
const isManyEggs = ({ ingredient, amounts }: FormulaLine): boolean =>
  ingredient?.category === 'egg' && amounts[0]?.unit === null && amounts[0].low.valueOf() >= MANY_EGGS;
/** "240 flour, 300 milk, 5 salt": all in one unit, or liquids by volume; null: there are few such lines. */
export function bareAsk(
  lines: readonly FormulaLine[],
  { dismissed }: Pick<Formula, 'dismissed'>,
  house: KitchenConventions,
): MethodAsk | null {
  const unread = lines.filter((l) => l.ingredient && l.findings.some((f) => f.code === 'no-unit'));
  // "eggs 55" among bare numbers
  const bare = unread.length < LEAST_BARE ? unread : lines.filter((l) => unread.includes(l) || isManyEggs(l));
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
