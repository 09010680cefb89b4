/** The work of a morning: bowls, what is done for each before it is poured, and what is poured for whom. Minutes. */

import { analyseFormula } from '../analyse-formula';
import { type KeptState, reheatOf } from '../batch/kept';
import { planOf } from '../batch/plan-of';
import { ONE } from '../batch/split';
import { AS_USUAL } from '../batter/surface';
import { dayOfPlan } from '../day/day';
import type { Step, Who } from '../day/step';
import { forDays } from '../day/steps';
import type { Formula } from '../formula/formula';
import { type KindId, kindById, schoolOf, usualPortionMl } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import { allergensOf } from '../formula/tally';
import type { Allergen } from '../pantry/ingredient';
import { findIngredient } from '../pantry/pantry';
import type { Result } from '../result';
import { BETWEEN_S, HOLD_C, onHeatS, PLATE_MIN, USUAL_TIMES } from '../script/on-heat';
import { holdIn } from '../script/read';
import { type Dish, type Morning, type MorningSurface, platesWanted } from './morning';

/** Something that is done once: its hands are bound from its beginning. */
export interface Task {
  readonly id: string;
  readonly batch: string | null;
  readonly name: string;
  readonly who: Who;
  readonly min: number;
  readonly handsMin: number;
  readonly ovenC: number | null;
  readonly hob: boolean;
  readonly needs: readonly string[];
  readonly keepsMin: number | null;
  readonly allergens: readonly Allergen[];
  /** Of plates: for which wave, from 0; null: it is no plates. */
  readonly plates: number | null;
  /** The bench of a class whose own hands do it; null: whoever has no bench. */
  readonly bench: string | null;
}

/** A step with its place in time, its hands and what it lies on. */
export interface PlacedStep {
  readonly id: string;
  readonly batch: string | null;
  readonly dish: string | null;
  readonly name: string;
  readonly from: number;
  readonly to: number;
  /** Whose hands, from the beginning; null: none. */
  readonly by: string | null;
  readonly handsMin: number;
  readonly on: string | null;
  readonly places: number;
  readonly ovenC: number | null;
  readonly oven: string | null;
  readonly hob: boolean;
  readonly keepsMin: number | null;
  readonly allergens: readonly Allergen[];
  readonly without: readonly Allergen[];
  readonly needs: readonly string[];
  /** Pieces of a wave that are off the heat with it. */
  readonly wave: number | null;
}

/** Pieces of a bowl for a wave: they go onto the heat a load at a time. */
export interface Pour {
  readonly id: string;
  readonly batch: string;
  readonly dish: string;
  /** Which wave, from 0. */
  readonly wave: number;
  readonly pieces: number;
  readonly name: string;
  readonly cycleMin: number;
  /** Of it with hands bound. */
  readonly handsMin: number;
  readonly kind: KindId;
  readonly ovenC: number | null;
  /** How hot the low oven is in which they wait for the plates, Celsius. */
  readonly holdC: number;
  /** What the bowl has to have behind it. */
  readonly needs: readonly string[];
  readonly allergens: readonly Allergen[];
  readonly without: readonly Allergen[];
  /** The bench of a class on whose own surfaces it is made; null: on those that are nobody's own. */
  readonly bench: string | null;
}

/** One bowl: for which waves it is combined. */
export interface MorningBowl {
  readonly id: string;
  readonly dish: string;
  readonly pieces: number;
  readonly waves: readonly number[];
  /** Pieces of it for each wave. */
  readonly of: BowlPieces;
  readonly allergens: readonly Allergen[];
  /** So long its batter may stand before the last is poured, min; null: as long as a morning. */
  readonly standsMin: number | null;
  /** Tasks that end its making: it stands from the last of them on. */
  readonly ready: readonly string[];
}

export interface Work {
  readonly bowls: readonly MorningBowl[];
  readonly tasks: readonly Task[];
  readonly pours: readonly Pour[];
}

/** A dish with what it is made of. */
export interface DishMade extends Dish {
  readonly formula: Formula;
  readonly portionMl: number | null;
}

/** A sauce or side for everybody: what it takes. */
export interface SideWork {
  readonly name: string;
  readonly min: number;
  readonly onHob: boolean;
}

/** What a pan in the oven takes where nobody says, mL: of 26 cm, two fingers deep. Ours. */
const PANFUL_ML = 800;
/** Steps that a morning makes of its own: by surface, by wave, and none at all. */
const OWN = /^(?:load\d+|heat|heat-also|hold|test|plate|stand|reheat\d+|label)$/;
/** What ends the making of a bowl. */
const READY = /^(?:join|rest|whip)1$/;

interface Prepared {
  readonly steps: readonly Step[];
  /** What is done the evening before. */
  readonly evening: readonly Step[];
  readonly ready: readonly string[];
  /** What the first load waits for: what is ready, and what is set out, warmed or done besides. */
  readonly opens: readonly string[];
  /** What the plates alone wait for. */
  readonly plating: readonly string[];
  readonly standsMin: number | null;
  readonly ovenC: number | null;
  readonly holdC: number;
  readonly cycleMin: number;
  readonly handsMin: number;
}

/** A bowl of a dish, planned as a batch of so many pieces is. */
export function bowlPlan(d: DishMade, pieces: number, house: Kitchen): ReturnType<typeof planOf> {
  const portionMl = dishPortionMl(d);
  return planOf({
    formula: d.formula,
    end: null,
    driver: { by: 'pieces', pieces, portionMl },
    split: ONE,
    eggs: null,
    house,
    exactness: 'gram',
    portionMl,
    sides: [],
  });
}

/** What one piece of a dish takes, mL. */
export function dishPortionMl(d: DishMade): number {
  const school = schoolOf(kindById(d.kind), d.formula.school);
  return d.portionMl ?? (school.portionMl === null ? PANFUL_ML : usualPortionMl(school));
}

/** What is done on the day for a bowl of so many pieces. @param before what can be is done the evening before */
function prepared(
  d: DishMade,
  pieces: number,
  house: Kitchen,
  before: boolean,
): Result<Prepared, { readonly path: string; readonly message: string }> {
  const portionMl = dishPortionMl(d);
  const plan = bowlPlan(d, pieces, house);
  if (!plan.ok) return plan;
  const find = (id: string) => findIngredient(id, house.conventions.own);
  const day = dayOfPlan(
    plan.value,
    { house, split: ONE, portionMl, lit: AS_USUAL, litSecond: AS_USUAL, methods: new Map(), kept: [] },
    find,
  );
  const all = forDays(day.steps, before);
  const steps = all.filter((s) => !OWN.test(s.id) && !(before && s.ahead));
  const loads = all.filter((s) => s.loads);
  const times = day.expected[0]?.times ?? USUAL_TIMES[d.kind];
  const cycleMin = (onHeatS(times) + BETWEEN_S) / 60;
  const ready = steps.filter((s) => READY.test(s.id)).map((s) => s.id);
  // the steps count what pouring takes on the house's own surface: here it is counted by the morning
  const last = steps.findLast((s) => READY.test(s.id));
  const pouring = loads.reduce((a, s) => a + s.min, 0);
  const own = new Set(steps.map((s) => s.id));
  const before1 = loads[0]?.after.filter((a) => own.has(a)) ?? [];
  return {
    ok: true,
    value: {
      steps,
      evening: before ? all.filter((s) => s.ahead && !OWN.test(s.id)) : [],
      ready,
      opens: before1.length > 0 ? before1 : steps.slice(-1).map((s) => s.id),
      plating: all.find((s) => s.id === 'plate')?.after.filter((a) => own.has(a)) ?? [],
      standsMin: last?.keepsMin === null || last?.keepsMin === undefined ? null : last.keepsMin + pouring,
      ovenC: loads[0]?.ovenC ?? null,
      holdC: holdIn(day.bowl.script) ?? HOLD_C,
      cycleMin,
      handsMin: d.kind === 'oven' ? 1 : d.kind === 'waffle' ? Math.min(2, cycleMin) : cycleMin,
    },
  };
}

/** Bowls that are worked already, by dish and pieces: the ways out of a morning share them. */
export type KnownBowls = Map<string, ReturnType<typeof prepared>>;

/** Pieces that are kept, and are heated again for a dish. */
export interface KeptFor {
  readonly dish: string;
  /** Which kept lot they come from; none: nobody has noted it. */
  readonly lotId?: string;
  readonly pieces: number;
  readonly state: Exclude<KeptState, 'batter'>;
}

export interface MorningAsked {
  readonly morning: Morning;
  readonly dishes: readonly DishMade[];
  readonly sides: readonly SideWork[];
  readonly kept: readonly KeptFor[];
  readonly house: Kitchen;
  /** What can be done the evening before is done then. */
  readonly before: boolean;
  /** What of it has begun already; none: nothing has. */
  readonly begun?: BegunMorning;
  /** What else there is and could be taken: ways out are looked for here first. */
  readonly spare?: Spare;
}

/** What of a morning has begun: it stays as it is, and the rest is placed around it. */
export interface BegunMorning {
  /** Nothing is placed before now, min. */
  readonly now: number;
  /** Done, under way, or so near that it stays with its person in its place. */
  readonly steps: readonly PlacedStep[];
  /** Bowls that something was weighed for: they stay as large as they are. */
  readonly bowls: readonly MorningBowl[];
}

/** What a kitchen has besides what a morning takes. */
export interface Spare {
  readonly surfaces: readonly (MorningSurface & { readonly gearId: string })[];
  readonly kept: readonly (KeptFor & { readonly lotId: string; readonly name: string })[];
}

/** Kept pieces for the waves that want them, the last first: the surfaces are fullest then. */
function takenIn(
  wanted: readonly number[],
  kept: readonly KeptFor[],
): readonly { readonly wave: number; readonly pieces: number; readonly state: KeptFor['state'] }[] {
  const left = [...wanted];
  return kept.flatMap((k) => {
    let pieces = k.pieces;
    const out: { wave: number; pieces: number; state: KeptFor['state'] }[] = [];
    for (let wave = left.length - 1; wave >= 0 && pieces > 0; wave--) {
      const taken = Math.min(pieces, left[wave] ?? 0);
      if (taken <= 0) continue;
      left[wave] = (left[wave] ?? 0) - taken;
      pieces -= taken;
      out.push({ wave, pieces: taken, state: k.state });
    }
    return out;
  });
}

/** Pieces of a dish for each wave that go into one bowl. */
type BowlPieces = readonly { readonly wave: number; readonly pieces: number }[];

/** Waves that one bowl serves: while its batter may stand. @param apart so often the bowls are halved */
function grouped(wanted: BowlPieces, m: Morning, standsMin: number | null, apart: number): readonly BowlPieces[] {
  const groups: { wave: number; pieces: number }[][] = [];
  for (const w of wanted) {
    const open = groups.at(-1);
    const first = open?.[0];
    const span = first ? (m.waves[w.wave]?.at ?? 0) - (m.waves[first.wave]?.at ?? 0) : 0;
    if (open && apart === 0 && (standsMin === null || span <= standsMin / 2)) open.push({ ...w });
    else groups.push([{ ...w }]);
  }
  // a bowl for a wave alone that stands too long is halved, and halved again
  const parts = 2 ** Math.max(0, apart - 1);
  return groups.flatMap((g): BowlPieces[] => {
    const [only] = g;
    if (parts === 1 || g.length !== 1 || !only || only.pieces < parts) return [g];
    const each = Math.ceil(only.pieces / parts);
    return Array.from({ length: parts }, (_, n) => [
      { wave: only.wave, pieces: Math.min(each, Math.max(0, only.pieces - n * each)) },
    ]).filter((x) => x.every((y) => y.pieces > 0));
  });
}

/** A task that binds nothing but hands, and hangs on nothing. */
export const task = (t: Pick<Task, 'id' | 'name' | 'min' | 'handsMin'> & Partial<Task>): Task => ({
  batch: null,
  who: 'helper',
  ovenC: null,
  hob: false,
  needs: [],
  keepsMin: null,
  allergens: [],
  plates: null,
  bench: null,
  ...t,
});

/** Kept pieces heated again for a dish of a wave. */
interface Reheat {
  readonly dish: string;
  readonly wave: number;
  readonly pieces: number;
  readonly task: Task;
}

/** @param wanted pieces of the dish, wave by wave */
const reheatsFor = (d: DishMade, wanted: readonly number[], kept: readonly KeptFor[]): readonly Reheat[] =>
  takenIn(
    wanted,
    kept.filter((k) => k.dish === d.id),
  ).map(({ wave, pieces, state }, n) => {
    const way = reheatOf({ state, kind: d.kind, cooked: 'done', pieces });
    return {
      dish: d.id,
      wave,
      pieces,
      task: task({
        bench: d.bench ?? null,
        id: `reheat ${d.id} ${wave + 1} ${n + 1}`,
        name: `Heat ${pieces} kept ${d.name} again, ${way.by}`,
        min: way.allMin,
        handsMin: Math.min(way.allMin, 2 * way.loads),
        ovenC: way.ovenC,
        keepsMin: 10,
      }),
    };
  });

/** The id of a bowl's own step or pour. */
const ownId = (bowl: string, x: string): string => `${bowl} ${x}`;

/** Washing a bowl, a whisk and a spatula and setting them apart, min. Ours. */
const OWN_TOOLS_MIN = 3;

/**
 * What is done for one bowl, and what is poured from it.
 * @param apart it has to be without what another dish brings: its tools are washed and its own before anything else
 */
function bowlWork(
  d: DishMade,
  bowl: MorningBowl,
  of: BowlPieces,
  { steps, opens, ovenC, holdC, cycleMin, handsMin }: Prepared,
  apart: boolean,
): Pick<Work, 'tasks' | 'pours'> {
  const { id, allergens, ready } = bowl;
  const bench = d.bench ?? null;
  const own = (x: string): string => ownId(id, x);
  const tools = task({
    id: own('tools'),
    batch: id,
    bench,
    name: `A washed bowl, whisk and spatula of their own, ${d.name}`,
    min: OWN_TOOLS_MIN,
    handsMin: OWN_TOOLS_MIN,
  });
  const first = apart ? [tools.id] : [];
  const within = (s: Step): readonly string[] => s.after.filter((a) => steps.some((x) => x.id === a)).map(own);
  const made = steps.map((s) =>
    task({
      id: own(s.id),
      batch: id,
      bench,
      name: `${s.name}, ${d.name}`,
      who: s.who,
      min: s.min,
      handsMin: s.handsMin,
      ovenC: s.ovenC,
      hob: s.pan !== undefined || s.id === 'melt',
      needs: within(s).length > 0 ? within(s) : first,
      // how long it stands is counted to the last load, and here by the morning's own surfaces
      keepsMin: own(s.id) === ready.at(-1) ? bowl.standsMin : s.keepsMin,
      allergens,
    }),
  );
  return {
    tasks: apart ? [tools, ...made] : made,
    pours: of.map((x) => ({
      id: own(`w${x.wave + 1}`),
      batch: id,
      dish: d.id,
      wave: x.wave,
      pieces: x.pieces,
      name: d.name,
      cycleMin,
      handsMin,
      kind: d.kind,
      ovenC,
      holdC,
      needs: opens.map(own),
      allergens,
      without: d.without,
      bench,
    })),
  };
}

/**
 * A plate step for each wave and dish: it waits for all that is poured or heated for it, and for the sauces.
 * @param plating by bowl: its steps that the plates wait for
 */
const platesFor = (
  dishes: readonly DishMade[],
  pours: readonly Pour[],
  reheats: readonly Reheat[],
  besides: readonly Task[],
  plating: ReadonlyMap<string, readonly string[]>,
): readonly Task[] =>
  [...new Map([...pours, ...reheats].map((p) => [plateId(p.dish, p.wave), p]))].map(([id, { dish, wave }]) => {
    const of = pours.filter((p) => p.dish === dish && p.wave === wave);
    const again = reheats.filter((r) => r.dish === dish && r.wave === wave);
    return task({
      id,
      bench: dishes.find((d) => d.id === dish)?.bench ?? null,
      batch: of[0]?.batch ?? null,
      name: `Plates of ${dishes.find((d) => d.id === dish)?.name}`,
      min: PLATE_MIN,
      handsMin: PLATE_MIN,
      needs: [
        ...of.flatMap((x) => [x.id, ...(plating.get(x.batch) ?? [])]),
        ...again.map((r) => r.task.id),
        ...besides.map((s) => s.id),
      ],
      allergens: of[0]?.allergens ?? [],
      plates: wave,
    });
  });

/**
 * The work of a morning.
 * @param known bowls that are worked already; those that are new are put in
 * @param apart by dish: how often its bowls are halved, since their batter would stand too long
 * @returns which dish can't be made, and why
 */
export function workOf(
  { morning: m, dishes, sides, kept, house, before, begun }: MorningAsked,
  known: KnownBowls = new Map(),
  apart: ReadonlyMap<string, number> = new Map(),
): Result<Work, { readonly dish: number; readonly message: string }> {
  const bowlOf = (d: DishMade, pieces: number): ReturnType<typeof prepared> => {
    const key = `${d.id} ${pieces} ${before}`;
    const made = known.get(key) ?? prepared(d, pieces, house, before);
    known.set(key, made);
    return made;
  };
  const wanted = platesWanted(m);
  const held = dishes.map((d) => allergensOf(analyseFormula(d.formula, house).lines).held.map((h) => h.allergen));
  const bowls: MorningBowl[] = [];
  const tasks: Task[] = [];
  const pours: Pour[] = [];
  const reheats: Reheat[] = [];
  const plating = new Map<string, readonly string[]>();
  for (const [n, d] of dishes.entries()) {
    const all = (wanted[n] ?? []).map((plates) => Math.ceil(plates * d.each - 1e-9));
    const heated = reheatsFor(d, all, kept);
    reheats.push(...heated);
    const there = begun?.bowls.filter((b) => b.dish === d.id) ?? [];
    const of: BowlPieces = all.flatMap((pieces, wave) => {
      const have = [...heated, ...there.flatMap((b) => b.of)].filter((h) => h.wave === wave);
      const left = pieces - have.reduce((a, h) => a + h.pieces, 0);
      return left > 0 ? [{ wave, pieces: left }] : [];
    });
    const first = of[0] ?? there[0]?.of[0];
    if (!first) continue;
    const allergens = held[n] ?? [];
    const setApart = d.without.some((a) => held.some((of, o) => o !== n && of.includes(a)));
    const probe = bowlOf(d, first.pieces);
    if (!probe.ok) return { ok: false, error: { dish: n, message: probe.error.message } };
    const groups = grouped(of, m, probe.value.standsMin, apart.get(d.id) ?? 0);
    const wantedBowls = [
      ...there.map((b) => ({ id: b.id, g: b.of })),
      ...groups.map((g, k) => ({ id: `${d.id} bowl ${there.length + k + 1}`, g })),
    ];
    for (const { id, g } of wantedBowls) {
      const pieces = g.reduce((a, x) => a + x.pieces, 0);
      const made = bowlOf(d, pieces);
      if (!made.ok) return { ok: false, error: { dish: n, message: made.error.message } };
      const { standsMin } = made.value;
      const ready = made.value.ready.map((x) => ownId(id, x));
      const waves = [...new Set(g.map((x) => x.wave))];
      const bowl: MorningBowl = { id, dish: d.id, pieces, waves, of: g, allergens, standsMin, ready };
      const work = bowlWork(d, bowl, g, made.value, setApart);
      bowls.push(bowl);
      plating.set(
        id,
        made.value.plating.map((x) => ownId(id, x)),
      );
      tasks.push(...work.tasks);
      pours.push(...work.pours);
    }
  }
  // what is not warm waits covered
  const besides = sides.flatMap(({ name, min, onHob }, n) =>
    before && !onHob
      ? []
      : [task({ id: `side${n + 1}`, name, min, handsMin: min, who: onHob ? 'cook' : 'helper', hob: onHob })],
  );
  const again = reheats.map((r) => r.task);
  const plates = platesFor(dishes, pours, reheats, besides, plating);
  return { ok: true, value: { bowls, tasks: [...besides, ...tasks, ...again, ...plates], pours } };
}

export const plateId = (dish: string, wave: number): string => `plate ${dish} ${wave + 1}`;

/** Something that is done the evening before. */
export interface EveningStep {
  readonly dish: string;
  readonly bowl: string;
  readonly name: string;
  readonly min: number;
}

/** What of a morning's bowls is done the evening before, in the order in which it is done; a sauce that waits too. */
export function eveningOf(
  { dishes, sides, house, before }: MorningAsked,
  bowls: readonly MorningBowl[],
): readonly EveningStep[] {
  if (!before) return [];
  const known: KnownBowls = new Map();
  const ofBowls = bowls.flatMap((b) => {
    const d = dishes.find((x) => x.id === b.dish);
    if (!d) return [];
    const key = `${d.id} ${b.pieces}`;
    const made = known.get(key) ?? prepared(d, b.pieces, house, true);
    known.set(key, made);
    return made.ok
      ? made.value.evening.map((s) => ({ dish: d.id, bowl: b.id, name: `${s.name}, ${d.name}`, min: s.handsMin }))
      : [];
  });
  const beside = sides.filter((s) => !s.onHob).map(({ name, min }) => ({ dish: '', bowl: '', name, min }));
  return [...ofBowls, ...beside];
}
