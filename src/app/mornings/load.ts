/** A planned morning as it stands now: solved from the kitchen's formulas, gear and kept lots. */
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { askedOfPlan, type MorningFacts } from '@/core/morning/asked';
import type { MorningPlan } from '@/core/morning/plan';
import type { SolvedMorning } from '@/core/morning/solve';
import type { DishMade } from '@/core/morning/work';
import type { Result } from '@/core/result';
import { loadHouse } from '@/server/queries/house';
import { keptNow } from '@/server/queries/kept';
import { version } from '@/server/queries/versions';
import { inReader } from '@/server/reading/reader';

interface MorningNow {
  readonly shown: MorningShown;
  /** The dishes with what they are made of. */
  readonly made: readonly DishMade[];
  readonly house: Kitchen;
}

/** What the screens show. */
interface MorningShown {
  readonly solved: SolvedMorning;
  /** The dishes as they are called here, in the plan's order. */
  readonly dishes: readonly Pick<DishMade, 'id' | 'name' | 'kind'>[];
  readonly surfaces: readonly { readonly name: string; readonly places: number }[];
}

const TOO_MUCH = 'It can’t be worked within five seconds: plan fewer waves or dishes.';

async function factsFor(plan: MorningPlan): Promise<MorningFacts> {
  const ids = [...new Set(plan.dishes.map((d) => d.formulaId))];
  const [house, kept, versions] = await Promise.all([
    loadHouse(),
    keptNow(),
    Promise.all(ids.map(async (id) => [id, (await version(id, null))?.formula] as const)),
  ]);
  return { house, kept, formulas: new Map(versions.filter((v): v is [string, Formula] => v[1] !== undefined)) };
}

/** @returns the morning solved; or what of it can't be, at its place */
export async function morningNow(
  plan: MorningPlan,
): Promise<Result<MorningNow, { readonly path: string; readonly message: string }>> {
  const facts = await factsFor(plan);
  const asked = askedOfPlan(plan, facts);
  if (!asked.ok) return asked;
  const r = await inReader('morning', asked.value);
  if (!r.ok)
    return 'dish' in r.error
      ? { ok: false, error: { path: `dishes.${r.error.dish}.formulaId`, message: r.error.message } }
      : { ok: false, error: { path: '', message: TOO_MUCH } };
  const { dishes, morning } = asked.value;
  return {
    ok: true,
    value: {
      shown: {
        solved: r.value,
        dishes: dishes.map(({ id, name, kind }) => ({ id, name, kind })),
        surfaces: morning.surfaces.map(({ name, places }) => ({ name, places })),
      },
      made: dishes,
      house: facts.house,
    },
  };
}
