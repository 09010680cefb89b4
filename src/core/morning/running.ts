/**
 * A morning under way: its schedule as it was begun, and what has been marked as done. What is done, under way or about
 * to begin stays with its person in its place; the rest can be placed anew around it. Minutes from midnight.
 */
import type { Station } from './class';
import type { Person } from './morning';
import { isLoad } from './show';
import type { SolvedMorning } from './solve';
import type { BegunMorning, PlacedStep } from './work';

/** What begins within so long stays as it is, min. */
const SOON_MIN = 10;

/** When each step was marked as done, by its id: hands are free again, or a load is off the heat. */
type DoneSteps = ReadonlyMap<string, number>;

/** Steps that a step waits for; of what is poured, every load. */
export const neededBy = (s: PlacedStep, steps: readonly PlacedStep[]): readonly PlacedStep[] =>
  steps.filter((x) => s.needs.some((n) => x.id === n || x.id.startsWith(`${n} round `)));

/** When the hands of a step are free again; of a load, when it is off the heat. */
const freeAt = (s: PlacedStep): number => (isLoad(s) ? s.to : s.from + s.handsMin);

/** What is done, with what has to have been done for it: nobody combines what was not weighed. */
export function allDone(steps: readonly PlacedStep[], done: DoneSteps): DoneSteps {
  const out = new Map(done);
  const behind = (s: PlacedStep, at: number): void => {
    for (const n of neededBy(s, steps)) {
      if (out.has(n.id)) continue;
      out.set(n.id, Math.min(at, freeAt(n)));
      behind(n, at);
    }
  };
  for (const s of steps) {
    const at = done.get(s.id);
    if (at !== undefined) behind(s, at);
  }
  return out;
}

const moved = (s: PlacedStep, from: number): PlacedStep => ({ ...s, from, to: from + s.to - s.from });

/**
 * What of a morning stays as it is while the rest is placed anew. What should be over and is not is done from now on,
 * by whoever has it, one after the other.
 * @param people who is there: what somebody had who is not is placed anew; surfaces likewise
 */
export function begunOf(
  { steps, bowls }: Pick<SolvedMorning, 'steps' | 'bowls'>,
  done: DoneSteps,
  now: number,
  people: readonly string[],
  surfaces: readonly string[],
): BegunMorning {
  const all = allDone(steps, done);
  const stays: PlacedStep[] = [];
  const endOf = new Map<string, number>();
  const busyTo = new Map<string, number>();
  const keep = (s: PlacedStep): void => {
    stays.push(s);
    endOf.set(s.id, s.to);
  };
  for (const s of steps) {
    const at = all.get(s.id);
    // what goes on by itself goes on from there
    if (at !== undefined) keep(moved(s, s.from + at - freeAt(s)));
  }
  for (const s of steps) {
    // what goes on by itself follows what it waits for
    if (all.has(s.id) || s.from > now + SOON_MIN || s.id === 'hold') continue;
    const gone =
      (s.by !== null && !people.includes(s.by)) || (s.on !== null && s.oven === null && !surfaces.includes(s.on));
    const waits = neededBy(s, steps);
    // what it waits for is placed anew, and so is it
    if (gone || waits.some((n) => !endOf.has(n.id))) continue;
    const places = [s.by, s.dish !== null ? s.on : null].filter((x) => x !== null);
    const underWay = s.from <= now && s.to > now;
    const from = Math.max(
      underWay ? s.from : Math.max(s.from, now),
      ...waits.map((n) => endOf.get(n.id) ?? now),
      ...places.map((p) => busyTo.get(p) ?? Number.NEGATIVE_INFINITY),
    );
    const placed = moved(s, from);
    keep(placed);
    if (s.by !== null) busyTo.set(s.by, from + s.handsMin);
    if (s.dish !== null && s.on !== null) busyTo.set(s.on, placed.to);
  }
  const ids = new Set(stays.map((s) => s.batch));
  return { now, steps: stays, bowls: bowls.filter((b) => ids.has(b.id)) };
}

/** What a person has before them; or what goes onto a surface, load by load. */
export interface StationNow {
  readonly name: string;
  /** What is to be done now, and what comes after it; null: nothing is left. */
  readonly now: PlacedStep | null;
  readonly next: readonly PlacedStep[];
  readonly done: number;
  readonly left: number;
  /** How long ago the first of it should have begun, min; 0: it has not to yet. */
  readonly lateMin: number;
}

interface WaveNow {
  /** From 0. */
  readonly wave: number;
  readonly dish: string;
  /** Pieces. */
  readonly wanted: number;
  readonly ready: number;
  readonly onHeat: number;
}

interface BoardNow {
  readonly people: readonly StationNow[];
  readonly surfaces: readonly StationNow[];
  readonly waves: readonly WaveNow[];
  /** What lies on each surface, and how many pieces; a surface on which nothing lies is not named. */
  readonly lies: readonly {
    readonly on: string;
    readonly dish: string;
    readonly pieces: number;
    readonly until: number;
  }[];
}

const MOST_NEXT = 3;

/** The board of a morning under way. */
export function boardOf(
  { steps }: Pick<SolvedMorning, 'steps'>,
  done: DoneSteps,
  people: readonly Station[],
  surfaces: readonly string[],
  now: number,
): BoardNow {
  const all = allDone(steps, done);
  const loads = steps.filter(isLoad);
  const open = loads.filter((s) => !all.has(s.id));
  const lying = open.filter((s) => s.from <= now);
  const keys = [
    ...new Map(loads.map((s) => [`${s.wave} ${s.dish}`, { wave: s.wave ?? 0, dish: s.dish ?? '' }])).values(),
  ];
  const pieces = (of: readonly PlacedStep[], k: { readonly wave: number; readonly dish: string }): number =>
    of.filter((s) => s.wave === k.wave && s.dish === k.dish).reduce((a, s) => a + s.places, 0);
  const station = (name: string, mine: readonly PlacedStep[]): StationNow => {
    const left = mine.filter((s) => !all.has(s.id));
    const [first, ...rest] = left;
    return {
      name,
      now: first ?? null,
      next: rest.slice(0, MOST_NEXT),
      done: mine.length - left.length,
      left: left.length,
      lateMin: first ? Math.max(0, now - first.from) : 0,
    };
  };
  return {
    people: people.map(({ name, people: of }) =>
      station(
        name,
        steps.filter((s) => s.by !== null && of.includes(s.by)),
      ),
    ),
    surfaces: surfaces.map((name) =>
      station(
        name,
        loads.filter((s) => (s.on ?? s.oven) === name),
      ),
    ),
    waves: keys
      .sort((a, b) => a.wave - b.wave || a.dish.localeCompare(b.dish))
      .map((k) => ({
        ...k,
        wanted: pieces(loads, k),
        ready: pieces(loads, k) - pieces(open, k),
        onHeat: pieces(lying, k),
      })),
    lies: lying.flatMap((s) =>
      s.on === null ? [] : [{ on: s.on, dish: s.dish ?? '', pieces: s.places, until: s.to }],
    ),
  };
}

/** When a dish goes onto the heat for the last time before the bell, and what of it is still to be poured by then. */
interface LastPour {
  readonly dish: string;
  readonly at: number;
  /** Pieces that would still lie in the bowl. */
  readonly unpoured: number;
}

/** So long before the bell the last pours are told, min. */
const BEFORE_BELL_MIN = 45;

/** The last pours before the bell, once it is near. @param plateMin what a wave's plates take when all is off the heat */
export function poursBeforeBell(
  { steps }: Pick<SolvedMorning, 'steps'>,
  done: DoneSteps,
  bell: number | null,
  plateMin: number,
  now: number,
): readonly LastPour[] {
  if (bell === null || now < bell - BEFORE_BELL_MIN || now > bell) return [];
  const all = allDone(steps, done);
  const loads = steps.filter(isLoad);
  return [...new Set(loads.map((s) => s.dish ?? ''))].flatMap((dish) => {
    const mine = loads.filter((s) => s.dish === dish);
    const open = mine.filter((s) => !all.has(s.id));
    if (open.length === 0) return [];
    const at = bell - plateMin - Math.max(...mine.map((s) => s.to - s.from));
    const unpoured = open.filter((s) => s.from > at).reduce((a, s) => a + s.places, 0);
    return [{ dish, at, unpoured }];
  });
}

/** What two people have still to do is the other's: each step where both are there for it. @returns null: nothing is left of either */
export function swapped(
  steps: readonly PlacedStep[],
  done: DoneSteps,
  a: Person,
  b: Person,
): readonly PlacedStep[] | null {
  const all = allDone(steps, done);
  const other = (s: PlacedStep): typeof a | null => {
    const to = s.by === a.name ? b : s.by === b.name ? a : null;
    return to && !all.has(s.id) && to.from <= s.from && s.from + s.handsMin <= to.to ? to : null;
  };
  // one of a pair that can't be there keeps both as they are: nobody has two things in hand
  const mine = steps.filter((s) => (s.by === a.name || s.by === b.name) && !all.has(s.id));
  if (mine.length === 0 || mine.some((s) => other(s) === null)) return null;
  return steps.map((s) => ({ ...s, by: other(s)?.name ?? s.by }));
}
