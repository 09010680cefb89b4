/** A planned morning as it stands now: solved from the kitchen's formulas, gear and kept lots. */
import { type ActionResult, refuse } from '@/contract/action-result';
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { askedOfPlan, type MorningFacts } from '@/core/morning/asked';
import type { MorningPlan } from '@/core/morning/plan';
import { begunOf } from '@/core/morning/running';
import type { SolvedMorning } from '@/core/morning/solve';
import type { BegunMorning, DishMade } from '@/core/morning/work';
import { momentOf } from '@/core/quantity/day';
import type { Result } from '@/core/result';
import { loadHouse } from '@/server/queries/house';
import { keptNow } from '@/server/queries/kept';
import { keepSchedule, marksOfMorning, morningById } from '@/server/queries/mornings';
import { GONE } from '@/server/queries/revised';
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

const UNREADABLE = 'The plan of this morning can’t be read: it stays in the records as it is.';
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

/** The dishes of a plan as they are called here. */
export async function dishesCalled(plan: MorningPlan): Promise<readonly Pick<DishMade, 'id' | 'name'>[]> {
  const asked = askedOfPlan(plan, await factsFor(plan));
  return asked.ok ? asked.value.dishes.map(({ id, name }) => ({ id, name })) : [];
}

/** Minutes from the midnight with which a day begins here. @param day yyyy-mm-dd @param at ms since 1970 */
const minuteOf = (day: string, at: number, units: Kitchen['units']): number =>
  (at - momentOf(day, '00:00', units)) / 60_000;

/** When each step was marked as done, in the order of the marks: the last one of a step stands. */
export function markedDone(
  marks: readonly { readonly step: string; readonly done: boolean; readonly at: Date }[],
  day: string,
  units: Kitchen['units'],
): ReadonlyMap<string, number> {
  const out = new Map<string, number>();
  for (const m of marks)
    if (m.done) out.set(m.step, minuteOf(day, m.at.getTime(), units));
    else out.delete(m.step);
  return out;
}

type Morning = NonNullable<Awaited<ReturnType<typeof morningById>>>;

/** What of a morning under way stays as it is, to the whole minute; null: it has not begun. */
async function begunNow({ id, day, schedule, plan }: Morning, house: Kitchen): Promise<BegunMorning | null> {
  if (!schedule || !plan) return null;
  const done = markedDone(await marksOfMorning(id), day, house.units);
  const now = Math.floor(minuteOf(day, Date.now(), house.units));
  const names = (of: readonly { readonly name: string }[]): readonly string[] => of.map((x) => x.name);
  return begunOf(schedule, done, now, names(plan.people), names(plan.surfaces));
}

/** Solves a morning, around what of it has begun, and keeps that as its schedule: it begins, or goes on so. */
export async function placeMorning(id: string): Promise<ActionResult> {
  const morning = await morningById(id);
  if (!morning?.plan) return refuse(GONE);
  const now = await morningNow(morning, false);
  if (!now.ok) return refuse(now.error.message);
  await keepSchedule(id, now.value.shown.solved);
  return { ok: true };
}

/** @returns the morning solved; or what of it can't be, at its place */
export async function morningNow(
  morning: Morning,
  withWays = true,
): Promise<Result<MorningNow, { readonly path: string; readonly message: string }>> {
  const { plan } = morning;
  if (!plan) return { ok: false, error: { path: '', message: UNREADABLE } };
  const facts = await factsFor(plan);
  const asked = askedOfPlan(plan, facts);
  if (!asked.ok) return asked;
  const begun = await begunNow(morning, facts.house);
  const q = { ...asked.value, ...(begun && { begun }) };
  const placed = await inReader('place', q);
  // where the ways out take too long, the morning is shown without them
  const whole = withWays && placed.ok && placed.value.unmet.length > 0 ? await inReader('morning', q) : placed;
  const r = whole.ok ? whole : placed;
  if (!r.ok)
    return 'dish' in r.error
      ? { ok: false, error: { path: `dishes.${r.error.dish}.formulaId`, message: r.error.message } }
      : { ok: false, error: { path: '', message: TOO_MUCH } };
  const { dishes } = asked.value;
  return {
    ok: true,
    value: {
      shown: {
        solved: r.value,
        dishes: dishes.map(({ id, name, kind }) => ({ id, name, kind })),
        surfaces: asked.value.morning.surfaces.map(({ name, places }) => ({ name, places })),
      },
      made: dishes,
      house: facts.house,
    },
  };
}
