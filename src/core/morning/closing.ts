/** A morning that is over: what was made against what was planned, wave by wave when, and what comes of it. */
import type { MorningPlan } from './plan';
import { allDone } from './running';
import type { SolvedMorning } from './solve';

/** Of a dish, pieces. Null: nobody has counted. */
export interface DishClosing {
  readonly dish: string;
  readonly made: number | null;
  readonly served: number | null;
  readonly kept: number | null;
  readonly thrown: number | null;
}

export interface MorningClosing {
  readonly dishes: readonly DishClosing[];
  /** What is to be otherwise; it comes back when the morning is copied. */
  readonly next: string;
}

export const MOST_NEXT_CHARS = 1000;

interface Happened {
  /** By dish in the plan's order: pieces that were to be made, and that are marked as off the heat. */
  readonly dishes: readonly { readonly dish: string; readonly planned: number; readonly made: number }[];
  /** By wave: when its last plate was marked as laid, min from midnight; null: it is not marked. */
  readonly waves: readonly { readonly at: number; readonly over: number | null }[];
}

/** What happened, as far as it was marked. */
export function happenedOf(
  plan: Pick<MorningPlan, 'dishes' | 'waves'>,
  { steps }: Pick<SolvedMorning, 'steps'>,
  done: ReadonlyMap<string, number>,
): Happened {
  const all = allDone(steps, done);
  const sum = (of: typeof steps): number => of.reduce((a, s) => a + s.places, 0);
  return {
    dishes: plan.dishes.map((d) => {
      const loads = steps.filter((s) => s.dish === d.id && s.wave !== null);
      return { dish: d.id, planned: sum(loads), made: sum(loads.filter((s) => all.has(s.id))) };
    }),
    waves: plan.waves.map(({ at }, n) => {
      const plates = steps.filter((s) => s.id.startsWith('plate ') && s.id.endsWith(` ${n + 1}`));
      const marked = plates.map((s) => all.get(s.id));
      return {
        at,
        over: plates.length > 0 && marked.every((x) => x !== undefined) ? Math.max(...marked.map((x) => x ?? 0)) : null,
      };
    }),
  };
}

/** Pieces made that were neither served, kept nor thrown away; below 0: more went out. Null: not counted. */
export function unaccounted({ made, served, kept, thrown }: DishClosing): number | null {
  return made === null || served === null ? null : made - served - (kept ?? 0) - (thrown ?? 0);
}
