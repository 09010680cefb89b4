/**
 * A bought mix, known by its panel alone: how much of it is flour, from its starch and protein, bracketed; the sugar,
 * salt and fat beside it; and what is left, whose lift nobody has said. Grams in 100 g.
 */
import type { TallyPart } from '../formula/tally';
import { type Composition, type Ingredient, NOTHING } from '../pantry/ingredient';
import { ingredient } from '../pantry/pantry';

/** Wheat flours differ by so much in starch either way, g in 100 g; and the least protein one has. */
const STARCH_SPREAD = 4;
const LEAST_PROTEIN = 8;

interface Bracket {
  readonly low: number;
  readonly best: number;
  readonly high: number;
}

interface Unmixed {
  /** g of flour in 100 g of mix. */
  readonly flourG: Bracket;
  readonly sugarG: number;
  readonly saltG: number;
  readonly fatG: number;
  /** What it is worked as, at so much flour. @param flourG within the bracket */
  readonly partsAt: (flourG: number) => readonly TallyPart[];
}

/** @param mix known by its panel @returns null where its panel holds no starch to tell flour by */
export function unmixed(mix: Ingredient): Unmixed | null {
  const flour = ingredient('flour-all-purpose');
  const { starchG, proteinG, sugarsG, fatG, naclG } = mix.per100g;
  if (!(starchG > 0)) return null;
  const by = (starch: number): number => (100 * starchG) / starch;
  const beside = (of: keyof Composition, has: number, f: number): number =>
    Math.max(0, has - (f * flour.per100g[of]) / 100);
  // no more flour than its protein bears, and than what stands beside it leaves room for
  let room = 100;
  for (let n = 0; n < 20; n++) room = 100 - naclG - beside('sugarsG', sugarsG, room) - beside('fatG', fatG, room);
  const most = Math.min(room, proteinG > 0 ? (100 * proteinG) / LEAST_PROTEIN : room);
  const within = (g: number): number => Math.max(0, Math.min(most, g));
  const flourG = {
    low: within(by(flour.per100g.starchG + STARCH_SPREAD)),
    best: within(by(flour.per100g.starchG)),
    high: within(by(flour.per100g.starchG - STARCH_SPREAD)),
  };
  const partsAt = (f: number): readonly TallyPart[] => {
    const [sugar, fat] = [beside('sugarsG', sugarsG, f), beside('fatG', fatG, f)];
    const rest = Math.max(0, 100 - f - sugar - fat - naclG);
    const unknown = mix.unknown?.filter((u) => u === 'soda' || u === 'acid' || u === 'naclG');
    // what is left is nobody's: it has no ratio, and keeps what the packet does not say
    const other: Ingredient = { ...mix, category: 'flavour', per100g: NOTHING, ...(unknown && { unknown }) };
    return [
      { ingredient: flour, grams: f },
      { ingredient: ingredient('sugar-granulated'), grams: sugar },
      { ingredient: ingredient('salt-table'), grams: naclG },
      { ingredient: ingredient('oil-vegetable'), grams: fat },
      { ingredient: other, grams: rest },
    ].filter((p) => p.grams > 0 || p.ingredient === other);
  };
  return {
    flourG,
    sugarG: beside('sugarsG', sugarsG, flourG.best),
    saltG: naclG,
    fatG: beside('fatG', fatG, flourG.best),
    partsAt,
  };
}
