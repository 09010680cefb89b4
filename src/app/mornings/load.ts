/** A planned morning as it stands now: solved from the kitchen's formulas, gear and kept lots. */
import type { z } from 'zod';
import { type ActionResult, refuse } from '@/contract/action-result';
import type { swapPeopleSchema } from '@/contract/morning';
import type { Formula } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { askedOfPlan, type MorningFacts } from '@/core/morning/asked';
import type { MorningChange } from '@/core/morning/changes';
import { type AllergenBoard, allergenBoard } from '@/core/morning/papers';
import { type MorningPlan, plannedWith } from '@/core/morning/plan';
import { type MorningPreview, previewOf } from '@/core/morning/preview';
import { type RehearsedPlan, rehearsalOf } from '@/core/morning/rehearse';
import { begunOf, swapped } from '@/core/morning/running';
import type { SolvedMorning } from '@/core/morning/solve';
import { type BegunMorning, type DishMade, type EveningStep, eveningOf } from '@/core/morning/work';
import { minuteOf } from '@/core/quantity/day';
import type { Result } from '@/core/result';
import { loadHouse } from '@/server/queries/house';
import { keptNow } from '@/server/queries/kept';
import { changeSchedule, keepSchedule, marksOfMorning, morningById } from '@/server/queries/mornings';
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
  /** What is done the evening before. */
  readonly evening: readonly EveningStep[];
}

const UNREADABLE = 'The plan of this morning can’t be read: it stays in the records as it is.';
const TOO_MUCH = 'It can’t be worked within fifteen seconds: plan fewer waves or dishes.';

async function factsFor(plan: MorningPlan): Promise<MorningFacts> {
  const ids = [...new Set(plan.dishes.map((d) => d.formulaId))];
  const [house, kept, versions] = await Promise.all([
    loadHouse(),
    keptNow(),
    Promise.all(ids.map(async (id) => [id, (await version(id, null))?.formula] as const)),
  ]);
  return { house, kept, formulas: new Map(versions.filter((v): v is [string, Formula] => v[1] !== undefined)) };
}

/** The dishes of a plan with what they are made of, as they are called here; none where it can't be worked any more. */
export async function dishesMade(plan: MorningPlan): Promise<readonly DishMade[]> {
  const asked = askedOfPlan(plan, await factsFor(plan));
  return asked.ok ? asked.value.dishes : [];
}

/** What the board of a morning shows besides its schedule. */
interface BoardFacts {
  readonly dishes: readonly Pick<DishMade, 'id' | 'name'>[];
  /** What each dish holds, in the same order. */
  readonly allergens: AllergenBoard['rows'];
  /** As it is rehearsed from here on. */
  readonly rehearsed: RehearsedPlan;
}

/** @returns null: the plan can't be worked any more */
export async function boardFacts({ plan, schedule }: Pick<Morning, 'plan' | 'schedule'>): Promise<BoardFacts | null> {
  if (!plan || !schedule) return null;
  const facts = await factsFor(plan);
  const asked = askedOfPlan(plan, facts);
  if (!asked.ok) return null;
  const { dishes } = asked.value;
  return {
    dishes: dishes.map(({ id, name }) => ({ id, name })),
    allergens: allergenBoard(dishes, facts.house).rows,
    rehearsed: rehearsalOf(asked.value, schedule),
  };
}

/** What a change would change of a morning, around what of it has begun; with what mends what it breaks. */
export async function previewMorning(
  id: string,
  change: MorningChange,
): Promise<ActionResult<{ readonly preview: MorningPreview }>> {
  const morning = await morningById(id);
  if (!morning?.plan) return refuse(GONE);
  const gone = change.do === 'out' ? morning.plan.surfaces.find((s) => s.name === change.surface)?.gearId : null;
  const [was, is] = await Promise.all([
    morningNow(morning, false),
    morningNow({ ...morning, plan: plannedWith(morning.plan, change) }, true, gone),
  ]);
  if (!was.ok) return refuse(was.error.message);
  if (!is.ok) return refuse(is.error.message);
  const { shown, made, house } = is.value;
  return { ok: true, preview: previewOf(was.value.shown.solved, shown.solved, made, house) };
}

/** A plan that can be rehearsed beside another: with what is changed, in words. */
interface OtherPlan {
  readonly label: string;
  /** What is changed; null: it is the plan as it is. */
  readonly change: MorningChange | null;
  readonly rehearsed: RehearsedPlan;
}

const MOST_OTHERS = 5;
const OTHER_DISHES = 2;

/** The plan as it is and others beside it: the ways out of what does not go, then what a cook would try. */
export async function plansToRehearse(plan: MorningPlan, solved: SolvedMorning): Promise<readonly OtherPlan[]> {
  const facts = await factsFor(plan);
  const ways = new Map<string, MorningChange>();
  for (const w of solved.unmet.flatMap((u) => u.waysOut)) ways.set(w.label, w.change);
  const [first, last] = [Math.min(...plan.people.map((p) => p.from)), Math.max(...plan.people.map((p) => p.to))];
  const more: readonly (readonly [string, MorningChange])[] = [
    ...(plan.before ? [] : [['Weigh the evening before what can be', { do: 'before' }] as const]),
    ['One more pair of hands', { do: 'hand', from: first, to: last }],
    ['Begin half an hour earlier', { do: 'earlier', min: 30 }],
    ...plan.dishes
      .flatMap((d, n) => (d.each > 1 ? [{ d, n }] : []))
      .slice(0, OTHER_DISHES)
      .map(({ d }): readonly [string, MorningChange] => [
        `${d.each - 1} on a plate of ${facts.formulas.get(d.formulaId)?.name} instead of ${d.each}`,
        { do: 'each', dish: d.id, each: d.each - 1 },
      ]),
  ];
  for (const [label, change] of more) if (!ways.has(label)) ways.set(label, change);
  const asked = askedOfPlan(plan, facts);
  if (!asked.ok) return [];
  const others = await Promise.all(
    [...ways].slice(0, MOST_OTHERS).map(async ([label, change]): Promise<readonly OtherPlan[]> => {
      const q = askedOfPlan(plannedWith(plan, change), facts);
      const placed = q.ok ? await inReader('place', q.value) : null;
      return q.ok && placed?.ok ? [{ label, change, rehearsed: rehearsalOf(q.value, placed.value) }] : [];
    }),
  );
  return [{ label: 'As it is planned', change: null, rehearsed: rehearsalOf(asked.value, solved) }, ...others.flat()];
}

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

/**
 * @param out gear that is out of order: no way out lights it
 * @returns the morning solved; or what of it can't be, at its place
 */
export async function morningNow(
  morning: Morning,
  withWays = true,
  out: string | null = null,
): Promise<Result<MorningNow, { readonly path: string; readonly message: string }>> {
  const { plan } = morning;
  if (!plan) return { ok: false, error: { path: '', message: UNREADABLE } };
  const facts = await factsFor(plan);
  const asked = askedOfPlan(plan, facts);
  if (!asked.ok) return asked;
  const begun = await begunNow(morning, facts.house);
  const { spare } = asked.value;
  const q = {
    ...asked.value,
    ...(begun && { begun }),
    ...(spare && { spare: { ...spare, surfaces: spare.surfaces.filter((s) => s.gearId !== out) } }),
  };
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
        evening: eveningOf(asked.value, r.value.bowls),
      },
      made: dishes,
      house: facts.house,
    },
  };
}

/** Two people of a morning under way swap what they have still to do; once for each press. */
export async function swapPeople({
  morningId,
  a,
  b,
  requestId,
}: z.output<typeof swapPeopleSchema>): Promise<ActionResult> {
  const units = (await loadHouse()).units;
  return changeSchedule(morningId, requestId, ({ plan, day, schedule }, marks) => {
    const [one, other] = [a, b].map((name) => plan?.people.find((p) => p.name === name));
    if (!schedule || !one || !other || one === other) return refuse('Choose two people of this morning.');
    const steps = swapped(schedule.steps, markedDone(marks, day, units), one, other);
    return steps
      ? { ok: true, steps }
      : refuse(`${a} and ${b} are not both there for all that is left: change the plan, and the rest is placed anew.`);
  });
}
