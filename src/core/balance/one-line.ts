/**
 * A ratio put right by one line: the salt for the salt, the butter for the fat. What a hand would do first, and what
 * moves nothing else. Spoons and cups stay spoons and cups a drawer has, eggs whole ones; grams are whole.
 */
import { SMALLER, writtenGrams } from '../card/rewrite';
import type { FormulaLine } from '../formula/formula';
import { type Rail, type RailReading, railOf } from '../formula/kinds';
import { testedFlourG } from '../formula/tally';
import { CO2_G_PER_MMOL } from '../lift/ledger';
import { tableTeaspoonG } from '../pantry/honest';
import type { Ingredient } from '../pantry/ingredient';
import { nameFor } from '../pantry/naming';
import { findIngredient } from '../pantry/pantry';
import { writeEighths } from '../quantity/number';
import { addAfter, type Bench, conventionsOn, withGrams } from './bench';
import { bringsOf, SOURCE_OF } from './brings';
import { sourceOf } from './source';

/** What a cook would change first for a rail. */
const FIRST: Readonly<Record<Rail, (i: Ingredient) => boolean>> = {
  ...SOURCE_OF,
  // soda alone has its acid to look to
  lift: (i) => i.category === 'leavening' && i.ownAcidMeqPer100g > 0,
};

const free = (l: FormulaLine): boolean =>
  l.use === 'batter' && !l.pinned && l.drainedG === 0 && l.parts.length === 1 && (l.grams ?? 0) > 0;

/** The line a cook would change for a rail: the heaviest of its kind that may move. */
function firstLine(lines: readonly FormulaLine[], rail: Rail): FormulaLine | null {
  const able = lines.filter((l) => free(l) && l.ingredient !== null && FIRST[rail](l.ingredient));
  return [...able].sort((a, b) => (b.grams ?? 0) - (a.grams ?? 0))[0] ?? null;
}

/** Steps of each unit that a drawer has, parts of one: eighths of a teaspoon only where it is less than one. */
const STEPS: Readonly<Record<string, readonly [under: number, over: number]>> = {
  tsp: [8, 4],
  tbsp: [2, 2],
  cup: [4, 4],
  piece: [1, 1],
  stick: [8, 8],
};

/** Grams near those wanted that can be measured as the line is: the two around them, the nearer first. */
function measurable(line: FormulaLine, grams: number): readonly number[] {
  const [amount] = line.amounts;
  const unit = amount?.unit ?? 'piece';
  const steps =
    line.written.length === 1 && line.written[0]?.terms.length === 1 && !amount?.high ? STEPS[unit] : undefined;
  if (!amount || !line.grams || steps === undefined) {
    const step = grams >= 20 ? 1 : grams >= 3 ? 0.5 : 0.1;
    return [step * Math.round(grams / step), step * Math.floor(grams / step), step * Math.ceil(grams / step)];
  }
  let one = line.grams / amount.low.valueOf();
  let by = steps;
  // less than its least step is measured with the next smaller thing
  for (let smaller = SMALLER[unit]; smaller && grams < one / by[1]; smaller = SMALLER[smaller.unit])
    [one, by] = [one / smaller.per, STEPS[smaller.unit] ?? by];
  const each = one / by[grams < one ? 0 : 1];
  const [down, up] = [each * Math.floor(grams / each + 1e-9), each * Math.ceil(grams / each - 1e-9)];
  return grams - down <= up - grams ? [down, up] : [up, down];
}

/** Grams of a line that bring a rail to a value, the others as they are. */
function gramsFor(line: FormulaLine, r: RailReading, value: number, flourG: number): number | null {
  const all = bringsOf(line, false);
  const brings = r.rail === 'lift' ? all.powderMeq * CO2_G_PER_MMOL : all[r.rail];
  const per = brings / (line.grams ?? 1);
  return per > 0 ? (line.grams ?? 0) + ((value - r.tested) * flourG) / 100 / per : null;
}

export interface OneLine {
  readonly formula: Bench['formula'];
  /** What it was and what it is, as written: null where it was not there. */
  readonly was: string | null;
  readonly is: string;
}

/** The least of a thing worth adding, g. */
const LEAST_G = 0.3;

/** Eighths of a spoon that are over by less than this are not over. */
const A_LITTLE = 0.3;

/** How a new line of so many grams is written on this sheet: spoons where it goes by spoons, whole eggs. */
function newText(b: Bench, lines: readonly FormulaLine[], i: Ingredient, grams: number): string {
  const named = nameFor(i.id, conventionsOn(b));
  if (i.category === 'egg' && i.piece) {
    const n = Math.max(1, Math.round(grams / i.piece.grams));
    return `${n} ${named.name}${n > 1 ? 's' : ''}`;
  }
  const spooned = lines.some((l) => ['tsp', 'tbsp', 'cup'].includes(l.amounts[0]?.unit ?? ''));
  const tsp = spooned ? tableTeaspoonG(i) : null;
  if (tsp && grams >= 3 * tsp && grams <= 24 * tsp) return `${Math.round(grams / tsp / 3)} tbsp ${named.name}`;
  // a new spoonful may be a little more than was worked out, never less than is wanted
  if (tsp && grams < 3 * tsp) return `${writeEighths(Math.ceil((8 * grams) / tsp - A_LITTLE) / 8)} tsp ${named.name}`;
  const step = grams >= 20 ? 1 : grams >= 3 ? 0.5 : 0.1;
  return `${writtenGrams(step * Math.round(grams / step))} ${named.name}`;
}

/** The thing added that a rail has none of. */
function added(b: Bench, lines: readonly FormulaLine[], r: RailReading, value: number, flourG: number): OneLine | null {
  const i = findIngredient(sourceOf(b, r.rail), conventionsOn(b).own);
  if (!i || value <= r.tested) return null;
  const probe = { parts: [{ ingredient: i, grams: 100 }], use: 'batter' as const };
  const all = bringsOf(probe, false);
  const per = (r.rail === 'lift' ? all.powderMeq * CO2_G_PER_MMOL : all[r.rail]) / 100;
  const grams = per > 0 ? ((value - r.tested) * flourG) / 100 / per : 0;
  if (grams < LEAST_G) return null;
  const text = newText(b, lines, i, grams);
  const named = nameFor(i.id, conventionsOn(b));
  return {
    formula: addAfter(b.formula, null, text, named.ingredientId ? { ingredientId: named.ingredientId } : {}),
    was: null,
    is: text,
  };
}

/**
 * The formula with one line changed, or added, so that a rail comes to stand at a value or as near as a kitchen
 * measures.
 * @param allow which of the near amounts may be taken; the first that is allowed is
 * @returns none where the line is pinned, or the rail is nobody's
 */
export function byOneLine(
  b: Bench,
  lines: readonly FormulaLine[],
  rail: Rail,
  value: number,
  a: Parameters<typeof railOf>[0] & { readonly tally: Parameters<typeof testedFlourG>[0] },
): readonly OneLine[] {
  const r = railOf(a, rail);
  if (!r) return [];
  const flourG = testedFlourG(a.tally);
  const line = firstLine(lines, rail);
  if (!line) {
    // one that is there and may not move is no reason for a second
    if (lines.some((l) => l.use === 'batter' && l.parts.some((p) => FIRST[rail](p.ingredient)))) return [];
    const more = added(b, lines, r, value, flourG);
    return more ? [more] : [];
  }
  const wanted = gramsFor(line, r, value, flourG);
  if (wanted === null || wanted <= 0) return [];
  return [...new Set(measurable(line, wanted))]
    .filter(
      (g) =>
        g > 0 &&
        Math.abs(g - (line.grams ?? 0)) > 1e-6 &&
        g <= Math.max(line.grams ?? 0, line.mostG ?? Number.POSITIVE_INFINITY),
    )
    .map((g) => {
      const formula = withGrams(b, lines, new Map([[line.key, g]]), 0.1);
      return { formula, was: line.text, is: formula.entries.find((e) => e.key === line.key)?.text ?? '' };
    });
}
