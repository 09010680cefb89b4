/**
 * An ingredient of the kitchen's own, from what its packet says or as a blend of others. The nutrition panel is taken
 * per 100 g, per 100 ml or per serving; what it does not say stays unknown, and sums that can't be are refused at the
 * field that is likely wrong. Energy by 4, 9, 2 and 7 kcal per gram of protein and carbohydrate, fat, fibre and
 * alcohol.
 */

import { US_CUP_ML } from './fill';
import {
  type Allergen,
  type Category,
  type Composition,
  type FillRow,
  type Ingredient,
  ingredientFrom,
  type Member,
  ofMembers,
  type Unknown,
} from './ingredient';
import { fillRow } from './pantry';

export const PANEL_BASES = ['100g', '100ml', 'serving'] as const;
export type PanelBase = (typeof PANEL_BASES)[number];

export interface Panel {
  readonly by: 'panel';
  readonly category: Category;
  /** The shipped ingredient it behaves like; null: like none. */
  readonly like: string | null;
  readonly base: PanelBase;
  /** g of a serving, or of 100 ml; null for "per 100 g". */
  readonly baseG: number | null;
  readonly kcal: number | null;
  readonly fatG: number | null;
  readonly carbohydrateG: number | null;
  readonly sugarsG: number | null;
  readonly fibreG: number | null;
  /** Whether the carbohydrate on this panel has the fibre in it. */
  readonly fibreWithin: boolean;
  readonly proteinG: number | null;
  readonly saltG: number | null;
  readonly alcoholG: number | null;
  /** Where it is known; else by difference. */
  readonly waterG: number | null;
  /** There is soda or powder in it, how much is not said. */
  readonly leavened: boolean;
  /** g in 100 ml of it as it is measured out; null: as what it is like, or unknown. */
  readonly gPer100Ml: number | null;
  /** Null: the packet has not been read for them. */
  readonly allergens: readonly Allergen[] | null;
}

export interface Blend {
  readonly by: 'blend';
  readonly category: Category;
  /** Parts by weight; they need not come to 100. */
  readonly members: readonly { readonly ingredientId: string; readonly parts: number }[];
}

export type Packet = Panel | Blend;

export interface OwnThing {
  readonly id: string;
  readonly name: string;
  readonly packet: Packet;
}

interface FieldError {
  readonly field: string;
  readonly message: string;
}

export type Made =
  | { readonly ok: true; readonly ingredient: Ingredient }
  | { readonly ok: false; readonly errors: readonly FieldError[] };

/** Packets round each figure: their sum may pass the whole by this share. */
const ROUNDING = 0.015;
/** No food holds more energy than fat does, kcal per g, with the packet's rounding. */
const MOST_KCAL_PER_G = 9.3;
/** Energy further from its parts than this, as a share and in kcal per 100 g, is worth a look. */
const ENERGY_OFF = [0.2, 25] as const;

const FIGURES = ['fatG', 'carbohydrateG', 'sugarsG', 'fibreG', 'proteinG', 'saltG', 'alcoholG', 'waterG'] as const;
const FIGURE_NAMES: Readonly<Record<(typeof FIGURES)[number], string>> = {
  fatG: 'Fat',
  carbohydrateG: 'Carbohydrate',
  sugarsG: 'Sugars',
  fibreG: 'Fibre',
  proteinG: 'Protein',
  saltG: 'Salt',
  alcoholG: 'Alcohol',
  waterG: 'Water',
};

const baseGrams = (p: Panel): number | null => (p.base === '100g' ? 100 : p.baseG);

const g1 = (x: number): string => `${Number(x.toFixed(1))} g`;

/** What can't be, each at its field. */
function panelErrors(p: Panel): readonly FieldError[] {
  const errors: FieldError[] = [];
  const say = (field: string, message: string): void => void errors.push({ field, message });
  const base = baseGrams(p);
  if (base === null || !(base > 0)) {
    say('baseG', p.base === 'serving' ? 'How many grams is a serving?' : 'What do 100 ml of it weigh, in grams?');
    return errors;
  }
  const per = p.base === '100g' ? '100 g' : p.base === '100ml' ? `${g1(base)} (100 ml)` : `a serving of ${g1(base)}`;
  for (const f of FIGURES) {
    const x = p[f];
    if (x !== null && x > base * (1 + ROUNDING)) say(f, `${FIGURE_NAMES[f]}: ${g1(x)} can't be in ${per}.`);
  }
  const carb = p.carbohydrateG;
  if (p.sugarsG !== null && carb !== null && p.sugarsG > carb + ROUNDING * base)
    say('sugarsG', `Sugars are part of the carbohydrate: ${g1(p.sugarsG)} can't be in ${g1(carb)}.`);
  if (p.fibreWithin && p.fibreG !== null && carb !== null && p.fibreG > carb + ROUNDING * base)
    say('fibreG', `Here the fibre is part of the carbohydrate: ${g1(p.fibreG)} can't be in ${g1(carb)}.`);
  const sum = sumOf(p);
  if (errors.length === 0 && sum > base * (1 + ROUNDING))
    say('sum', `Together that is ${g1(sum)} in ${per}. One of the figures, or the serving, is not right.`);
  if (p.kcal !== null && p.kcal > base * MOST_KCAL_PER_G)
    say('kcal', `${Math.round(p.kcal)} kcal can't be in ${per}: pure fat has 900 in 100 g. Is that kJ?`);
  return errors;
}

const sumOf = (p: Panel): number =>
  (p.fatG ?? 0) +
  (p.carbohydrateG ?? 0) +
  (p.fibreWithin ? 0 : (p.fibreG ?? 0)) +
  (p.proteinG ?? 0) +
  (p.saltG ?? 0) +
  (p.alcoholG ?? 0) +
  (p.waterG ?? 0);

/**
 * Energy that does not fit its parts, in words; null where it does, or not enough is known. Never a reason to refuse.
 */
export function energyDoubt(p: Panel): string | null {
  const base = baseGrams(p);
  if (p.kcal === null || p.fatG === null || p.carbohydrateG === null || p.proteinG === null || !base) return null;
  const fibre = p.fibreG ?? 0;
  const worked =
    9 * p.fatG +
    4 * (p.carbohydrateG - (p.fibreWithin ? fibre : 0)) +
    4 * p.proteinG +
    2 * fibre +
    7 * (p.alcoholG ?? 0);
  const off = Math.abs(worked - p.kcal);
  if (off <= ENERGY_OFF[0] * Math.max(worked, p.kcal) || off <= (ENERGY_OFF[1] * base) / 100) return null;
  return `The figures come to about ${Math.round(worked)} kcal, the panel says ${Math.round(p.kcal)}. Is one of them misread?`;
}

/** What a packet leaves unsaid that nothing of the category could hold much of. */
const NO_ACID: readonly Category[] = ['sugar', 'salt', 'fat', 'starch', 'nut-seed'];

function compose(p: Panel, base: number): { readonly per100g: Composition; readonly unknown: readonly Unknown[] } {
  const k = 100 / base;
  const unknown: Unknown[] = [];
  const of = (x: number | null, what: Unknown): number => {
    if (x === null) unknown.push(what);
    return (x ?? 0) * k;
  };
  const fatG = of(p.fatG, 'fatG');
  const proteinG = of(p.proteinG, 'proteinG');
  const sugarsG = of(p.sugarsG, 'sugarsG');
  const fibreG = of(p.fibreG, 'fibreG');
  const kcal = of(p.kcal, 'kcal');
  const carb = of(p.carbohydrateG, 'starchG');
  const saltG = (p.saltG ?? 0) * k;
  if (p.saltG === null) unknown.push('sodiumMg');
  // on a packet "salt" is 2.5 times the sodium of everything in it, soda too
  if (p.saltG === null || p.leavened) unknown.push('naclG');
  const alcoholG = (p.alcoholG ?? 0) * k;
  const starchG = Math.max(0, carb - sugarsG - (p.fibreWithin ? fibreG : 0));
  const whole = p.fatG !== null && p.proteinG !== null && p.carbohydrateG !== null;
  if (p.waterG === null && !whole) unknown.push('waterG');
  const waterG = p.waterG === null ? (whole ? Math.max(0, 100 - sumOf(p) * k) : 0) : p.waterG * k;
  return {
    per100g: {
      waterG,
      fatG,
      proteinG,
      sugarsG,
      starchG,
      fibreG,
      ashG: saltG,
      alcoholG,
      sodiumMg: saltG * 400,
      naclG: p.leavened ? 0 : saltG,
      kcal,
    },
    unknown,
  };
}

/** A cup's weight by fill, in proportion to what it is like. */
function fillsLike(like: Ingredient, gPerUsCup: number | null): FillRow | undefined {
  const row = fillRow(like);
  if (!row || gPerUsCup === null || !row.spooned) return row;
  const by = gPerUsCup / row.spooned;
  const way = (g: number | undefined): number | undefined => (g === undefined ? undefined : g * by);
  const scaled = {
    sifted: way(row.sifted),
    spooned: way(row.spooned),
    fluffed: way(row.fluffed),
    dipped: way(row.dipped),
    packed: way(row.packed),
  };
  return {
    ...(Object.fromEntries(Object.entries(scaled).filter(([, v]) => v !== undefined)) as Omit<
      FillRow,
      'uncertaintyPct'
    >),
    uncertaintyPct: row.uncertaintyPct,
  };
}

/** g of a US cup, as the packet tells it; null: it doesn't. */
function cupOf(p: Panel): number | null {
  const gPer100Ml = p.gPer100Ml ?? (p.base === '100ml' && p.baseG ? p.baseG : null);
  return gPer100Ml === null ? null : (gPer100Ml * US_CUP_ML) / 100;
}

/** What comes of the thing that it behaves like; of nothing where it is like none. */
const lentBy = (like: Ingredient | undefined) => ({
  acidMeqPer100g: like?.acidMeqPer100g ?? 0,
  sodaPct: like?.sodaPct ?? 0,
  ownAcidMeqPer100g: like?.ownAcidMeqPer100g ?? 0,
  ...(like?.waterAbsorption !== undefined && { waterAbsorption: like.waterAbsorption }),
  ...(like && { like: like.id }),
});

function fromPanel(id: string, name: string, p: Panel, find: (id: string) => Ingredient | undefined): Made {
  const like = p.like === null ? undefined : find(p.like);
  const errors: FieldError[] = [...panelErrors(p)];
  if (p.like !== null && !like) errors.push({ field: 'like', message: 'That is not in the pantry.' });
  if (errors.length > 0) return { ok: false, errors };
  const { per100g, unknown } = compose(p, baseGrams(p) ?? 100);
  const gPerUsCup = cupOf(p);
  const cup = gPerUsCup ?? like?.gPerUsCup;
  const tsp = gPerUsCup === null ? like?.gPerTsp : gPerUsCup / 48;
  const fills = like ? fillsLike(like, gPerUsCup) : undefined;
  const silent: Unknown[] = [...unknown];
  if (!like && !NO_ACID.includes(p.category)) silent.push('acid');
  if (p.leavened && !(like && like.sodaPct > 0)) silent.push('soda');
  return {
    ok: true,
    ingredient: {
      ...ingredientFrom({ id, name, category: p.category, per100g, aliases: [] }),
      ...lentBy(like),
      allergens: p.allergens ?? [],
      ...(p.allergens === null && { allergensUnstated: true }),
      ...(cup !== undefined && { gPerUsCup: cup }),
      ...(tsp !== undefined && { gPerTsp: tsp }),
      ...(fills && { fills }),
      ...(silent.length > 0 && { unknown: silent }),
    },
  };
}

/** g in a measure of a blend: its members side by side, each as loose as it is alone (estimate). */
function together(members: readonly Member[], of: (i: Ingredient) => number | undefined): number | undefined {
  let room = 0;
  for (const m of members) {
    const g = of(m.ingredient);
    if (!g) return undefined;
    room += m.share / g;
  }
  return 1 / room;
}

function fromBlend(id: string, name: string, b: Blend, find: (id: string) => Ingredient | undefined): Made {
  const errors: FieldError[] = [];
  const total = b.members.reduce((a, m) => a + m.parts, 0);
  const members: Member[] = [];
  b.members.forEach((m, n) => {
    const ingredient = find(m.ingredientId);
    if (!ingredient || m.ingredientId === id)
      errors.push({ field: `members.${n}`, message: 'That is not in the pantry.' });
    else if (!(m.parts > 0)) errors.push({ field: `members.${n}`, message: 'How much of it? More than nothing.' });
    else if (ingredient.blend)
      errors.push({ field: `members.${n}`, message: 'A blend of blends: name what that one is made of instead.' });
    else members.push({ ingredient, share: m.parts / total });
  });
  if (b.members.length < 2) errors.push({ field: 'members', message: 'A blend has two parts and more.' });
  if (new Set(b.members.map((m) => m.ingredientId)).size !== b.members.length)
    errors.push({ field: 'members', message: 'One of them stands there twice.' });
  if (errors.length > 0) return { ok: false, errors };
  const unknown = [...new Set(members.flatMap((m) => m.ingredient.unknown ?? []))];
  const cup = together(members, (i) => i.gPerUsCup);
  const way = (w: 'sifted' | 'spooned' | 'fluffed' | 'dipped' | 'packed'): number | undefined =>
    together(members, (i) => fillRow(i)?.[w]);
  const rows = members.map((m) => fillRow(m.ingredient));
  const fills = rows.every((r) => r !== undefined)
    ? {
        ...Object.fromEntries(
          (['sifted', 'spooned', 'fluffed', 'dipped', 'packed'] as const).flatMap((w) =>
            way(w) === undefined ? [] : [[w, way(w)]],
          ),
        ),
        uncertaintyPct: Math.max(...rows.map((r) => r?.uncertaintyPct ?? 0)),
      }
    : undefined;
  return {
    ok: true,
    ingredient: {
      ...ingredientFrom({ id, name, category: b.category, per100g: {}, aliases: [] }),
      ...ofMembers(members),
      ...(members.some((m) => m.ingredient.allergensUnstated) && { allergensUnstated: true }),
      ...(cup !== undefined && { gPerUsCup: cup, gPerTsp: cup / 48 }),
      ...(fills && { fills: fills as FillRow }),
      ...(unknown.length > 0 && { unknown }),
    },
  };
}

/**
 * The ingredient a packet or a blend makes.
 * @param find the pantry it may refer to
 * @returns errors by field
 */
export const ingredientOf = ({ id, name, packet }: OwnThing, find: (id: string) => Ingredient | undefined): Made =>
  packet.by === 'panel' ? fromPanel(id, name, packet, find) : fromBlend(id, name, packet, find);
