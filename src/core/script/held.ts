/**
 * What a batch holds, as far as sentences about making it name it: no sentence names an egg, a milk, a melted fat or a
 * leavening that the batch hasn't. Worked from its sheet as it is, stand-ins and all; what is for the pan, the plate or
 * beside it is not the batter's.
 */
import { type Ingredient, isA, kitchenName } from '../pantry/ingredient';
import { capital, listAnd } from '../quantity/say';

/** What a line of a sheet says of it. */
export interface HeldLine {
  readonly vessel: string;
  readonly side?: string | undefined;
  readonly grams: number | null;
  readonly text: string;
  readonly preparation: string;
  readonly parts?: readonly { readonly id: string }[] | undefined;
}

export interface HeldWords {
  readonly egg: boolean;
  readonly leavened: boolean;
  /** What comes out of the cold, by name: "egg", "buttermilk"; empty: nothing does. */
  readonly cold: readonly string[];
  /** Fat or chocolate that is melted, and fat that is softened, by name; null: none is. */
  readonly melted: string | null;
  readonly softened: string | null;
}

const BUTTERS = ['butter-unsalted', 'butter-salted'];
/** Butter in the wet bowl is melted, unless its line says otherwise. */
const NOT_MELTED = /\b(?:soft|softened|cold|cubed|cut|grated|rubbed|creamed|room[- ]temperature)\b/i;
const MELTED = /\bmelt|\bbrowned\b/i;
const SOFTENED = /\bsoft(?:ened)?\b/i;

const butterish = (i: Ingredient): boolean => BUTTERS.some((b) => isA(i, b));
const nameOf = (i: Ingredient): string => (butterish(i) ? 'butter' : kitchenName(i).toLowerCase());
/** "butter", "butter and chocolate". */
const named = (list: readonly Ingredient[]): string | null =>
  list.length === 0 ? null : [...new Set(list.map(nameOf))].slice(0, 2).join(' and ');

type Find = (id: string) => Ingredient | undefined;
const saidOf = (l: HeldLine): string => `${l.preparation} ${l.text}`;
const partsOf = (l: HeldLine, find: Find): readonly Ingredient[] => (l.parts ?? []).flatMap((p) => find(p.id) ?? []);

/** What stands in the cold until it is used. */
export const isCold = (i: Ingredient): boolean => ['egg', 'dairy', 'plant-milk'].includes(i.category);

/** What of a line is melted: fat or chocolate whose line says so, and butter in the wet bowl. */
const meltedOf = (l: HeldLine, find: Find): readonly Ingredient[] =>
  MELTED.test(saidOf(l))
    ? partsOf(l, find).filter((i) => i.category === 'fat' || /chocolate/.test(i.id))
    : l.vessel === 'wet' && !NOT_MELTED.test(saidOf(l))
      ? partsOf(l, find).filter(butterish)
      : [];
const softenedOf = (l: HeldLine, find: Find): readonly Ingredient[] =>
  SOFTENED.test(saidOf(l)) ? partsOf(l, find).filter((i) => i.category === 'fat') : [];

/** In a bowl, and of the batter's own. */
export const inABowl = (l: HeldLine): boolean =>
  l.side === undefined && l.vessel !== 'pan' && l.vessel !== 'topping' && l.grams !== null;
/** Whether a line is melted before it goes in, or softened. */
export const meltsFrom = (l: HeldLine, find: Find): boolean => inABowl(l) && meltedOf(l, find).length > 0;
export const softensFrom = (l: HeldLine, find: Find): boolean => inABowl(l) && softenedOf(l, find).length > 0;

/** @param sheet the lines of a batch @param find the pantry */
export function heldBy(sheet: readonly HeldLine[], find: Find): HeldWords {
  const lines = sheet.filter(inABowl);
  const all = lines.flatMap((l) => partsOf(l, find));
  const egg = all.some((i) => i.category === 'egg');
  return {
    egg,
    leavened: all.some((i) => i.category === 'leavening'),
    cold: [
      ...new Set([
        ...(egg ? ['egg'] : []),
        ...all.filter((i) => isCold(i) && i.category !== 'egg').map((i) => kitchenName(i).toLowerCase()),
      ]),
    ],
    melted: named(lines.flatMap((l) => meltedOf(l, find))),
    softened: named(lines.flatMap((l) => softenedOf(l, find))),
  };
}

/** "Egg and buttermilk". @param names at least one */
export function togetherNamed(names: readonly string[]): string {
  const few = names.length > 3 ? [...names.slice(0, 2), 'what else is cold'] : names;
  return capital(listAnd(few));
}
