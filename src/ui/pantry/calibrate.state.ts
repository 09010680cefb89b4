/** Three of one measure weighed, as typed, and the measure that comes of them; pure. */
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { LEAST_WEIGHINGS, MOST_WEIGHING_G, measureFrom, WATER_G_PER_ML, withMeasure } from '@/core/pantry/calibrate';
import type { Ingredient } from '@/core/pantry/ingredient';
import type { OwnMeasure } from '@/core/pantry/own';
import { hangsOnFill } from '@/core/pantry/weigh';
import { typedNumber } from '@/core/quantity/typed';
import { unitById } from '@/core/quantity/units';
import { ingredientNamed } from '../shared/ingredient-field';

/** A griddle batter, whisked. */
const USUAL_BATTER = '1.05';

type Filling = 'ingredient' | 'water' | 'batter';

/** What is weighed, and what the scale showed each time. */
export interface MeasureTyped {
  readonly unit: string;
  readonly which: string;
  readonly full: string;
  readonly filling: Filling;
  readonly of: string;
  readonly density: string;
  readonly typed: readonly string[];
}
export const NOTHING_WEIGHED: MeasureTyped = {
  unit: 'cup',
  which: '',
  full: '1',
  filling: 'ingredient',
  of: 'flour',
  density: USUAL_BATTER,
  typed: ['', '', ''],
};

interface MeasureAtHand {
  /** What it is filled with; null: water, batter, or nothing the pantry has. */
  readonly ingredient: Ingredient | null;
  /** A measure that cooks own several of: it needs a name. */
  readonly vague: boolean;
  readonly weighings: readonly number[];
  /** What is kept of it. */
  readonly asked: {
    readonly unit: string;
    readonly which: string;
    readonly full: string;
    readonly ingredientId: string | null;
    readonly weighings: readonly number[];
    /** g per mL of what it is filled with; 1 for an ingredient. */
    readonly gPerMl: number;
  };
  /** Null: too little is typed, or something of it can't be. */
  readonly measure: OwnMeasure | null;
}

export function measureAtHand(t: MeasureTyped, house: Kitchen): MeasureAtHand {
  const ingredient = t.filling === 'ingredient' ? ingredientNamed(t.of, house.conventions) : null;
  const gPerMl = t.filling === 'ingredient' ? 1 : t.filling === 'water' ? WATER_G_PER_ML : typedNumber(t.density);
  const weighings = t.typed.filter((x) => x.trim() !== '').map((x) => typedNumber(x));
  const vague = unitById(t.unit)?.dimension === 'vague';
  const asked = {
    unit: t.unit,
    which: vague ? t.which.trim().toLowerCase() : '',
    full: t.full,
    ingredientId: ingredient?.id ?? null,
    weighings,
    gPerMl,
  };
  const good = weighings.every((w) => w > 0 && w <= MOST_WEIGHING_G) && gPerMl > 0 && gPerMl <= 3;
  const enough = weighings.length >= LEAST_WEIGHINGS && (t.filling !== 'ingredient' || ingredient !== null);
  return { ingredient, vague, weighings, asked, measure: good && enough ? measureFrom({ id: 'new', ...asked }) : null };
}

/** The kitchen with the measure in use. */
export function kitchenWith(before: Kitchen, m: OwnMeasure, ingredient: Ingredient | null): Kitchen {
  const fills = ingredient !== null && hangsOnFill(ingredient);
  const own = withMeasure(before.conventions.own, m);
  return { ...before, conventions: { ...before.conventions, own, ...(fills && { flourFill: 'own' as const }) } };
}

/** What is wrong with a weighing as typed; an empty one is not wrong. */
export function wrongWeighing(text: string): string | undefined {
  if (text.trim() === '') return undefined;
  const w = typedNumber(text);
  if (!Number.isFinite(w)) return 'A number of grams.';
  if (w <= 0) return 'More than nothing.';
  return w > MOST_WEIGHING_G ? `At most ${MOST_WEIGHING_G.toLocaleString('en-GB')} g.` : undefined;
}
