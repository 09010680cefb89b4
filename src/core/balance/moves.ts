/**
 * Towards a target: a wish in the cook's words becomes a move of one or two ratios, never out of the kind's zone. To
 * add a wish is to add a row. The words are kitchen sense (a model): direction is sure, size is a first step.
 */
import { writtenGrams } from '../card/rewrite';
import { strongLimit } from '../findings/card-rules';
import { isShellEgg } from '../formula/eggs';
import { type Formula, type FormulaLine, kitchenOf } from '../formula/formula';
import { along, RAIL_NAMES, type Rail, railOf, sayRail } from '../formula/kinds';
import { effectOf } from '../formula/ways';
import { type Ingredient, kitchenName } from '../pantry/ingredient';
import { type Bench, editEntry, type Proposal, withFormula, withGrams, workedOn } from './bench';
import { aTenth, keepsBatch, keepsOf, ROUNDING } from './bounds';
import { movesRail } from './brings';
import { byWhites } from './fix-balance';
import { relift } from './leavening';
import { bend, type Wish } from './ratios';

export interface Move {
  readonly id: string;
  readonly name: string;
  readonly why: string;
  /** By how much of the zone's width each rail moves. */
  readonly by: Partial<Readonly<Record<Rail, number>>>;
  /** No line moves but those that bring what is wished. */
  readonly alone?: true;
}

export const MOVES: readonly Move[] = [
  {
    id: 'taller',
    name: 'Taller',
    why: 'More gas, and a batter a little thicker so that it holds it.',
    by: { lift: 0.2, water: -0.15 },
  },
  { id: 'tender', name: 'More tender', why: 'Fat and sugar keep the gluten short.', by: { fat: 0.2, sugar: 0.12 } },
  {
    id: 'crisp',
    name: 'Crisper edge',
    why: 'Fat fries the edge; less sugar lets it stay on longer before it darkens.',
    by: { fat: 0.25, sugar: -0.12 },
  },
  { id: 'thinner', name: 'Thinner', why: 'More water, everything else as it is.', by: { water: 0.2 }, alone: true },
  { id: 'thicker', name: 'Thicker', why: 'Less water, everything else as it is.', by: { water: -0.2 }, alone: true },
  { id: 'less-sweet', name: 'Less sweet', why: 'Less sugar; it also browns a little later.', by: { sugar: -0.25 } },
  {
    id: 'richer',
    name: 'Richer',
    why: 'More egg and fat: firmer, yellower, keeps its shape.',
    by: { egg: 0.2, fat: 0.12 },
  },
];

/** Shares of a move that are tried, the whole first: what would take another rail out of its zone is too far. */
const STEPS = [1, 0.5, 0.25] as const;

/**
 * @returns null where there is no flour, the rails already stand at the zone's end, or every step takes another out of
 * its zone
 */
export function moveTowards(b: Bench, move: Move): Proposal | null {
  const w = workedOn(b);
  const rails = Object.keys(move.by) as Rail[];
  for (const share of STEPS) {
    const p = stepTowards(b, move, share);
    if (!p) return null;
    if (!keepsBatch(b, p, (l) => rails.some((r) => movesRail(l, r)))) continue;
    const after = workedOn(withFormula(b, p.formula)).analysis;
    const leaves = w.analysis.rails.some(
      (r) => r.reading?.standing === 'in' && railOf(after, r.rail)?.reading?.standing !== 'in',
    );
    if (!leaves) return p;
  }
  return null;
}

function stepTowards(b: Bench, move: Move, share: number): Proposal | null {
  const w = workedOn(b);
  const wishes: Wish[] = [];
  const said: string[] = [];
  for (const [rail, by] of Object.entries(move.by) as [Rail, number][]) {
    const r = railOf(w.analysis, rail);
    if (!r?.zone) continue;
    const [low, high] = r.zone;
    const to = r.tested + share * by * (high - low);
    // milk's own sugar comes with the milk: less sweet halves what is added at most
    const least =
      rail === 'sugar' && w.analysis.percent ? w.analysis.percent.sugar - 0.5 * w.analysis.percent.sweetness : low;
    // within the zone; a rail that is out of it already is not pushed further
    const value = by > 0 ? Math.max(r.tested, Math.min(to, high)) : Math.min(r.tested, Math.max(to, low, least));
    if (Math.abs(value - r.tested) < 0.02 * (high - low)) continue;
    wishes.push({ rail, value });
    said.push(`${RAIL_NAMES[rail].toLowerCase()} ${sayRail(rail, r.tested)} to ${sayRail(rail, value)}`);
  }
  if (wishes.length === 0) return null;
  const still = move.alone
    ? new Set(w.lines.filter((l) => !wishes.some((x) => movesRail(l, x.rail))).map((l) => l.key))
    : undefined;
  const { formula, short } = bend(b, wishes, still && { still });
  // half a wish is another wish
  if (short) return null;
  return { title: move.name, why: `${move.why} ${said.join(', ')}.`, formula, short };
}

/**
 * More tang: some soda makes way for powder, so that acid is left to be tasted. Null where nothing sour is left to
 * free.
 */
export function moreTang(b: Bench): Proposal | null {
  const w = workedOn(b);
  const { ledger: l } = w.analysis;
  if (l.sodaG < 0.3 || l.acidMeq < 5) return null;
  const p = relift(b, 'no-soda');
  return p
    ? {
        ...p,
        title: 'More tang',
        why: `Soda uses up the acid; powder brings its own. Without soda the acid stays to be tasted, ${l.acidMeq.toFixed(0)} meq of it. ${p.why}`,
      }
    : null;
}

/** Alcohol in 100 g from which a thing is a drink; an extract is counted in drops, and stays. */
const A_DRINK = 0.5;
/** A share of the flour from which a drink is the liquid itself, and water takes its place. */
const THE_LIQUID = 0.12;
const isNut = (i: Ingredient): boolean => i.allergens.includes('tree-nut') || i.allergens.includes('peanut');

const named = (lines: readonly FormulaLine[]): string =>
  [
    ...new Set(
      lines.map((l) =>
        l.ingredient
          ? kitchenName(l.ingredient)
              .toLowerCase()
              .replace(/ \d.*$/, '')
          : l.text,
      ),
    ),
  ]
    .slice(0, 3)
    .join(', ');

/** Where in its zone salt comes to stand for children, and how much of the added sugar stays. */
const MILD_SALT = 0.15;
const MILD_SUGAR = 0.7;

/**
 * Milder, for children: less salt and sugar, half of what is strong, no nuts and no alcohol; with what each costs.
 * Milk, egg and wheat stay: it is no allergen-free formula. Null where nothing is to be taken back, and where what
 * would go is more than a tenth of the batch.
 */
export function milder(b: Bench): Proposal | null {
  const w = workedOn(b);
  const says: string[] = [];
  const batter = w.lines.filter((l) => l.use === 'batter' && l.ingredient && !l.pinned);
  const off = (lines: readonly FormulaLine[], f: Formula): Formula =>
    lines.reduce((x, l) => editEntry(x, l.key, { off: true }), f);
  const all = w.lines.filter((l) => l.ingredient && !l.pinned);
  const nuts = all.filter(
    (l) => l.parts.some((p) => isNut(p.ingredient)) && l.parts.every((p) => p.ingredient.category !== 'flour'),
  );
  const drinks = all.filter((l) =>
    l.parts.some((p) => p.ingredient.per100g.alcoholG >= A_DRINK && p.ingredient.category !== 'flavour'),
  );
  const isLiquid = (l: FormulaLine): boolean =>
    l.use === 'batter' && (l.grams ?? 0) >= THE_LIQUID * w.analysis.tally.flourG;
  const [liquids, spirits] = [drinks.filter(isLiquid), drinks.filter((l) => !isLiquid(l))];
  let f = off([...nuts, ...spirits], b.formula);
  f = liquids.reduce(
    (x, l) =>
      editEntry(x, l.key, { text: `${writtenGrams(l.grams ?? 0)} water`, ingredientId: undefined, stands: undefined }),
    f,
  );
  if (nuts.length > 0) says.push(`${named(nuts)} out: less bite`);
  if (spirits.length > 0) says.push(`${named(spirits)} out: a little zest or vanilla makes up for it`);
  if (liquids.length > 0) says.push(`water for the ${named(liquids)}: less taste of its own`);
  const strong = batter.filter(
    (l) =>
      l.parts.length === 1 &&
      l.ingredient &&
      l.ingredient.category === 'flavour' &&
      strongLimit(l.ingredient) !== null &&
      l.ingredient.id !== 'xanthan-gum',
  );
  const spices = strong.filter((l) => l.ingredient && !l.ingredient.id.startsWith('vanilla'));
  if (spices.length > 0) {
    f = withGrams(withFormula(b, f), w.lines, new Map(spices.map((l) => [l.key, (l.grams ?? 0) / 2])));
    says.push(`half of the ${named(spices)}: plainer`);
  }
  const wishes: Wish[] = [];
  const salt = railOf(w.analysis, 'salt');
  if (salt?.zone && salt.reading && salt.tested > along(salt.zone, MILD_SALT) + 0.05) {
    wishes.push({ rail: 'salt', value: along(salt.zone, MILD_SALT) });
    says.push(`salt ${sayRail('salt', salt.tested)} to ${sayRail('salt', along(salt.zone, MILD_SALT))}: flatter`);
  }
  const sugar = railOf(w.analysis, 'sugar');
  const sweet = w.analysis.percent?.sweetness ?? 0;
  if (sugar?.zone && sugar.reading && sweet > 3) {
    const value = Math.max(sugar.zone[0], sugar.tested - (1 - MILD_SUGAR) * sweet);
    if (sugar.tested - value > 0.5) {
      wishes.push({ rail: 'sugar', value });
      says.push(`sugar ${sayRail('sugar', sugar.tested)} to ${sayRail('sugar', value)}: paler`);
    }
  }
  if (says.length === 0) return null;
  const { formula, short } = wishes.length > 0 ? bend(withFormula(b, f), wishes) : { formula: f, short: null };
  const keeps = keepsOf(b, { formula });
  const [least] = aTenth(1);
  if (keeps.flour < least - ROUNDING || keeps.mass < least - ROUNDING) return null;
  return {
    title: 'Milder',
    why: `For children: ${says.join('; ')}. Honey is not for infants under one; milk, egg and wheat stay in it.`,
    formula,
    short,
  };
}

/**
 * The egg kept and its whites whipped: lift without more leavening. Null where nothing is to whip, or the kind lies
 * thin.
 */
export function fluffier(b: Bench): Proposal | null {
  const w = workedOn(b);
  const { kind } = w.analysis;
  if (!kind || kind.tilted || kind.panFatCounts || (w.analysis.volume?.foamed ?? false)) return null;
  const eggs = w.lines.filter(
    (l) =>
      l.use === 'batter' && l.parts.length === 1 && l.ingredient && isShellEgg(l.ingredient.id) && !l.foam && !l.pinned,
  );
  const [line] = [...eggs].sort((x, y) => (y.grams ?? 0) - (x.grams ?? 0));
  if (!line?.grams) return null;
  const formula = editEntry(b.formula, line.key, { text: `${line.text}, separated` });
  const after = workedOn(withFormula(b, formula)).analysis.volume;
  const before = w.analysis.volume;
  const { peaks } = effectOf(kitchenOf(b.formula, b.house).ways, 'whites', kind.id).whites ?? { peaks: 'soft peaks' };
  const more =
    before && after
      ? ` The bowl holds ${Math.round(100 * (after.volumeMl / before.volumeMl - 1))} % more (estimate).`
      : '';
  return {
    title: 'Egg kept, fluffier',
    why: `The same egg, its whites whipped to ${peaks} and folded in last.${more} It has to be poured within a quarter of an hour.`,
    formula,
    short: null,
  };
}

interface WishRow {
  readonly id: string;
  readonly name: string;
  readonly propose: (b: Bench) => Proposal | null;
}

/** Every wish, in the order they are offered. */
export const WISHES: readonly WishRow[] = [
  // more egg goes in as the house has it: whole, or with its whites whipped
  ...MOVES.map(
    (m): WishRow => ({
      id: m.id,
      name: m.name,
      propose: (b) => (m.by.egg ? byWhites(b, [moveTowards(b, m)])[0] : moveTowards(b, m)) ?? null,
    }),
  ),
  { id: 'tang', name: 'More tang', propose: moreTang },
  { id: 'fluffier', name: 'Egg kept, fluffier', propose: fluffier },
  { id: 'milder', name: 'Milder, for children', propose: milder },
];
