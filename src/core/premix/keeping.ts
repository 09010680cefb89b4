/**
 * How long a mix keeps: the earliest of what is in it, of its own kind of mix, and of the house's rule. Months and
 * warnings are conventions of the trade; what may be sold is the local food code's to say.
 */
import { type Ingredient, isA, kitchenName } from '../pantry/ingredient';
import type { Shelf } from '../pantry/stock';
import type { Bag } from './bag';

/** Months a mix keeps its lift and its taste, by what shortens it most. */
export const MONTHS = { plain: 6, milkOrEgg: 3, fat: 2 } as const;
const FAT_PCT = 20;
/** The part of a mix from which a thing counts for how long it keeps. */
const LEAST_SHARE = 0.005;
/** Powders with a fat of their own, and own ones that behave like them. */
const MILK_OR_EGG = ['milk-powder-whole', 'egg-powder-whole', 'egg-yolk-powder'];
/** A leavening that stands open weakens: a mix of it is given this long from the day it was opened. */
const OPENED_MONTHS = 9;

interface Limit {
  /** yyyy-mm-dd. */
  readonly date: string;
  readonly why: string;
}

/** A day so many months on; the last of the month where it has no such day. */
export function monthsOn(day: string, months: number): string {
  const [y = 0, m = 1, d = 1] = day.split('-').map(Number);
  const last = new Date(Date.UTC(y, m - 1 + months + 1, 0)).getUTCDate();
  return new Date(Date.UTC(y, m - 1 + months, Math.min(d, last))).toISOString().slice(0, 10);
}

/** Powders and nuts whose fat turns. */
export const fatty = (bag: Pick<Bag, 'items'>): readonly string[] =>
  bag.items
    .filter((i) => i.ingredient.per100g.fatG >= FAT_PCT && i.share >= LEAST_SHARE)
    .map((i) => kitchenName(i.ingredient));

/**
 * Everything that limits a lot made on a day, the earliest first: its best-before is the first one's.
 * @param houseMonths the house's own rule; null: none
 */
export function limitsOf(
  bag: Pick<Bag, 'items'>,
  shelf: Shelf,
  made: string,
  houseMonths: number | null,
): readonly Limit[] {
  const isMilkOrEgg = (i: Ingredient): boolean => MILK_OR_EGG.some((id) => isA(i, id));
  const milkOrEgg = bag.items.some((i) => isMilkOrEgg(i.ingredient));
  // by what is in it, whatever it is called: nut flour and chips turn as nuts and fat do
  const fat = bag.items.some(
    ({ ingredient: i, share }) =>
      !isMilkOrEgg(i) && (i.category === 'fat' || (i.per100g.fatG >= FAT_PCT && share >= LEAST_SHARE)),
  );
  const limits: Limit[] = [
    fat
      ? { date: monthsOn(made, MONTHS.fat), why: `${MONTHS.fat} months for a mix with fat, nuts or chocolate in it` }
      : milkOrEgg
        ? {
            date: monthsOn(made, MONTHS.milkOrEgg),
            why: `${MONTHS.milkOrEgg} months for a mix with whole milk or egg powder`,
          }
        : { date: monthsOn(made, MONTHS.plain), why: `${MONTHS.plain} months for a mix with leavening` },
  ];
  if (houseMonths !== null)
    limits.push({
      date: monthsOn(made, houseMonths),
      why: `the house’s own rule of ${houseMonths} ${houseMonths === 1 ? 'month' : 'months'}`,
    });
  for (const { ingredient: i } of bag.items) {
    const s = shelf[i.id];
    if (s?.bestBefore) limits.push({ date: s.bestBefore, why: `${kitchenName(i)} is best by then` });
    if (s?.opened && i.ownAcidMeqPer100g > 0 && i.category === 'leavening')
      limits.push({ date: monthsOn(s.opened, OPENED_MONTHS), why: `${kitchenName(i)} was opened on ${s.opened}` });
  }
  return limits.sort((a, b) => (a.date < b.date ? -1 : a.date > b.date ? 1 : 0));
}
