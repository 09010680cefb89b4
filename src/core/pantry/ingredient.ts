/**
 * An ingredient: what 100 g of it is made of, what a cup and a piece of it weigh, and what it does to soda.
 * Composition in grams per 100 g, acidity in milliequivalents per 100 g to about pH 7.5 (negative: alkaline other
 * than soda). Rows come from public composition tables and general dairy and cereal chemistry; each row's note says
 * where it is weak. Organic acids that "starch by difference" would swallow are stated apart.
 */
export const CATEGORIES = [
  'flour',
  'starch',
  'sugar',
  'syrup',
  'leavening',
  'acid',
  'salt',
  'egg',
  'dairy',
  'plant-milk',
  'fat',
  'fruit-veg',
  'nut-seed',
  'flavour',
  'dry-dairy',
  'liquid',
  'topping',
] as const;
export type Category = (typeof CATEGORIES)[number];
export const CATEGORY_NAMES: Readonly<Record<Category, string>> = {
  flour: 'flour',
  starch: 'starch',
  sugar: 'sugar',
  syrup: 'syrup',
  leavening: 'leavening',
  acid: 'acid',
  salt: 'salt',
  egg: 'egg',
  dairy: 'dairy',
  'plant-milk': 'plant drink',
  fat: 'fat',
  'fruit-veg': 'fruit and vegetable',
  'nut-seed': 'nut and seed',
  flavour: 'flavour',
  'dry-dairy': 'milk powder',
  liquid: 'liquid',
  topping: 'topping',
};

export const ALLERGENS = [
  'wheat',
  'gluten',
  'milk',
  'egg',
  'peanut',
  'tree-nut',
  'soy',
  'sesame',
  'lupin',
  'mustard',
  'celery',
  'sulphites',
  'fish',
  'crustacean',
  'mollusc',
] as const;
export type Allergen = (typeof ALLERGENS)[number];

const ALLERGEN_NAMES: Readonly<Record<Allergen, string>> = {
  wheat: 'wheat',
  gluten: 'gluten',
  milk: 'milk',
  egg: 'egg',
  peanut: 'peanut',
  'tree-nut': 'tree nuts',
  soy: 'soya',
  sesame: 'sesame',
  lupin: 'lupin',
  mustard: 'mustard',
  celery: 'celery',
  sulphites: 'sulphites',
  fish: 'fish',
  crustacean: 'crustaceans',
  mollusc: 'molluscs',
};

export const allergenName = (a: Allergen): string => ALLERGEN_NAMES[a];

export interface Composition {
  readonly waterG: number;
  readonly fatG: number;
  readonly proteinG: number;
  readonly sugarsG: number;
  /** Digestible non-sugar carbohydrate by difference, organic acids included. */
  readonly starchG: number;
  readonly fibreG: number;
  readonly ashG: number;
  readonly alcoholG: number;
  readonly sodiumMg: number;
  /** Sodium chloride only. */
  readonly naclG: number;
  readonly kcal: number;
}

/** What may be unknown of an ingredient that is only known from its packet. */
export type Unknown = keyof Composition | 'acid' | 'soda';

/** Grams in one US cup (236.588 mL) by the way the cup was filled; and how far cups of one way spread, %. */
export interface FillRow {
  readonly sifted?: number;
  readonly spooned?: number;
  readonly fluffed?: number;
  readonly dipped?: number;
  readonly packed?: number;
  readonly uncertaintyPct: number;
}

export interface Member {
  readonly ingredient: Ingredient;
  /** Of the blend's mass, 0 to 1; all members come to 1. */
  readonly share: number;
}

/** A table row as written: what is zero or without meaning is left out. */
export interface IngredientRow {
  readonly id: string;
  readonly name: string;
  readonly category: Category;
  readonly per100g: Partial<Composition>;
  readonly gPerUsCup?: number;
  readonly gPerTsp?: number;
  readonly piece?: { readonly grams: number; readonly name: string };
  readonly acidMeqPer100g?: number;
  /** Sodium bicarbonate, % of the mass: plain soda 100, powders 26-30, self-raising flours about 1.2. */
  readonly sodaPct?: number;
  /** The part of the acid that a powder or self-raising flour carries for its own soda, meq per 100 g. */
  readonly ownAcidMeqPer100g?: number;
  /** g water one g takes up at dough consistency, all-purpose flour = 0.60. */
  readonly waterAbsorption?: number;
  readonly organicAcidG?: number;
  readonly allergens?: readonly Allergen[];
  readonly aliases: readonly string[];
  readonly note?: string;
  /** The shipped ingredient it behaves like where its packet is silent: hydration, thickness, acidity (estimate). */
  readonly like?: string;
  /** The shipped ingredient whose hydration, thickness and strength it has, where it is another thing. */
  readonly behaves?: string;
  /** What its packet does not say; counted as nothing, and said so. */
  readonly unknown?: readonly Unknown[];
  /** Nobody has said which allergens it holds. */
  readonly allergensUnstated?: boolean;
  /** A blend of other ingredients: a line of it is read as its members. */
  readonly blend?: readonly Member[];
  /** A blend that no list takes apart: it is had, or fed, as itself. */
  readonly keptWhole?: true;
  /** Cup weights by fill, where they are its own. */
  readonly fills?: FillRow;
}

export interface Ingredient extends Omit<IngredientRow, 'per100g'> {
  readonly per100g: Composition;
  readonly acidMeqPer100g: number;
  readonly sodaPct: number;
  readonly ownAcidMeqPer100g: number;
  readonly allergens: readonly Allergen[];
}

/** What has nothing in it: each figure of the composition at 0. */
export const NOTHING: Composition = {
  waterG: 0,
  fatG: 0,
  proteinG: 0,
  sugarsG: 0,
  starchG: 0,
  fibreG: 0,
  ashG: 0,
  alcoholG: 0,
  sodiumMg: 0,
  naclG: 0,
  kcal: 0,
};

/** A table row with everything left out made zero. */
export const ingredientFrom = (row: IngredientRow): Ingredient => ({
  acidMeqPer100g: 0,
  sodaPct: 0,
  ownAcidMeqPer100g: 0,
  allergens: [],
  ...row,
  per100g: { ...NOTHING, ...row.per100g },
});

export const isFlour = (i: Ingredient): boolean => i.category === 'flour' || i.category === 'starch';

/** Whether it is an ingredient of the tables, or one of a kitchen's own that behaves like it. */
export const isA = (i: Pick<Ingredient, 'id' | 'like'>, id: string): boolean => i.id === id || i.like === id;

/** What an amount of an ingredient is made of, as shares of it: a blend is its members, anything else itself. */
export const membersOf = (i: Ingredient): readonly Member[] =>
  i.blend
    ? i.blend.flatMap((m) =>
        membersOf(m.ingredient).map((x) => ({ ingredient: x.ingredient, share: x.share * m.share })),
      )
    : [{ ingredient: i, share: 1 }];

/** What a blend holds, from what its members hold. */
export function ofMembers(
  members: readonly Member[],
): Pick<Ingredient, 'per100g' | 'acidMeqPer100g' | 'sodaPct' | 'ownAcidMeqPer100g' | 'allergens' | 'blend'> {
  const sum = (of: (i: Ingredient) => number): number => members.reduce((a, m) => a + m.share * of(m.ingredient), 0);
  const keys = Object.keys(NOTHING) as (keyof Composition)[];
  return {
    per100g: Object.fromEntries(keys.map((k) => [k, sum((i) => i.per100g[k])])) as unknown as Composition,
    acidMeqPer100g: sum((i) => i.acidMeqPer100g),
    sodaPct: sum((i) => i.sodaPct),
    ownAcidMeqPer100g: sum((i) => i.ownAcidMeqPer100g),
    allergens: [...new Set(members.flatMap((m) => m.ingredient.allergens))],
    blend: members,
  };
}

/** The name as it is said in the kitchen: without the remarks in brackets. */
export const kitchenName = (i: Pick<Ingredient, 'name'>): string => i.name.replace(/\s*\([^)]*\)/g, '');
