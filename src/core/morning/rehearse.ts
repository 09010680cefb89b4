/**
 * A morning rehearsed: the kept order of its steps is gone through with times that vary, guests who come when they come,
 * and what they take. The same seed gives the same mornings. Minutes from midnight.
 */
import { max, mean, quantileSorted } from 'd3-array';
import { randomLcg, randomNormal, randomUniform } from 'd3-random';
import { HOLDS_MIN } from '../script/on-heat';
import { type Morning, ovensOf, platesWanted } from './morning';
import { neededBy } from './running';
import { isLoad } from './show';
import type { SolvedMorning } from './solve';
import { type MorningAsked, type PlacedStep, plateId } from './work';

/** A step as it is rehearsed: its times are those of the plan, before they vary. */
interface RehearsedStep {
  readonly id: string;
  readonly by: string | null;
  /** What it takes places of: a surface, an oven, the hob; null: the bench. */
  readonly on: string | null;
  readonly places: number;
  /** Of an oven, so that two heats never stand in one. */
  readonly ovenC: number | null;
  readonly from: number;
  readonly min: number;
  readonly handsMin: number;
  /** So long after its beginning it is marked as done: a load when it is off the heat, else when hands are free. */
  readonly markMin: number;
  /** Steps that have to be over, by their place in the list. */
  readonly needs: readonly number[];
  /** Pieces of a dish that are off the heat with it; null: none are. */
  readonly dish: string | null;
  readonly pieces: number;
}

interface RehearsedDish {
  readonly id: string;
  readonly name: string;
  readonly each: number;
  /** Off the heat pieces are as they should be for so long, min. */
  readonly holdsMin: number;
  /**
   * How much a batch's minutes on the heat vary by this kitchen's own records, as one standard deviation of their
   * logarithm; null: not learned, or not in use.
   */
  readonly heatSd: number | null;
  /** Guests choose among the dishes of the covers; of one that is asked for by count so many are taken. */
  readonly chosen: boolean;
  /** It has to be without something: whoever asks for it takes nothing else, and nobody else takes it. */
  readonly apart: boolean;
  /** Plates of each wave, as they are planned. */
  readonly plates: readonly number[];
}

/** What is rehearsed of a plan: small enough to be sent to a browser several times. */
export interface RehearsedPlan {
  readonly waves: readonly { readonly at: number; readonly covers: number }[];
  readonly dishes: readonly RehearsedDish[];
  readonly steps: readonly RehearsedStep[];
  readonly people: readonly { readonly name: string; readonly from: number; readonly to: number }[];
  /** Places of each surface and oven, and of the hob. */
  readonly places: Readonly<Record<string, number>>;
}

/** How guests and times vary. */
export interface Varies {
  /** Guests of a wave come evenly over so long from its time on, min. */
  readonly overMin: number;
  /** They take what is planned of each dish; else each guest chooses by the shares. */
  readonly orders: 'planned' | 'chosen';
  /** How much hands vary, as a part of their time: about two of three steps lie within it. */
  readonly hands: number;
  /** Likewise what is on the heat or stands. */
  readonly heat: number;
  /** A plate is dressed and handed over in so long, one after the other, min. */
  readonly plateMin: number;
}

/** A plate is dressed and handed over in so long, s. Ours. */
const PLATE_S = 10;
/**
 * How much times vary where this kitchen has not learned better. Ours, rough: a fifth of what hands do, a twelfth of what
 * heat does.
 */
export const AS_IT_GOES: Varies = {
  overMin: 10,
  orders: 'chosen',
  hands: 0.2,
  heat: 0.08,
  plateMin: PLATE_S / 60,
};

/** A guest whose plate is longer than this away takes what is ready instead, min. Ours. */
const PATIENCE_MIN = 15;

const HOB = 'hob';

/** What of a solved morning is rehearsed. The low oven that keeps pieces warm binds nobody. */
export function rehearsalOf(
  { morning: m, dishes, house }: MorningAsked,
  solved: Pick<SolvedMorning, 'steps'>,
): RehearsedPlan {
  const wanted = platesWanted(m);
  const steps = solved.steps.filter((s) => s.id !== 'hold');
  const at = new Map(steps.map((s, n) => [s.id, n]));
  const reheated = piecesReheated({ dishes, wanted }, steps);
  return {
    waves: m.waves,
    dishes: dishes.map((d, n) => ({
      id: d.id,
      name: d.name,
      each: d.each,
      holdsMin: HOLDS_MIN[d.kind],
      heatSd: house.learned?.[`time:${d.kind}`]?.sd ?? null,
      chosen: 'share' in d.of,
      apart: d.without.length > 0,
      plates: wanted[n] ?? [],
    })),
    steps: steps.map((s) => {
      const again = reheated.get(s.id);
      return {
        id: s.id,
        by: s.by,
        on: s.on ?? s.oven ?? (s.hob ? HOB : null),
        places: isLoad(s) ? s.places : 1,
        ovenC: s.oven === null ? null : s.ovenC,
        from: s.from,
        min: s.to - s.from,
        handsMin: s.handsMin,
        markMin: isLoad(s) ? s.to - s.from : s.handsMin,
        needs: neededBy(s, steps).flatMap((x) => at.get(x.id) ?? []),
        dish: isLoad(s) ? s.dish : (again?.dish ?? null),
        pieces: isLoad(s) ? s.places : (again?.pieces ?? 0),
      };
    }),
    people: m.people.map(({ name, from, to }) => ({ name, from, to })),
    places: Object.fromEntries([
      ...m.surfaces.map((s) => [s.name, s.places] as const),
      ...ovensOf(m).map((o) => [o.name, o.places] as const),
      [HOB, Math.max(1, m.hob)] as const,
    ]),
  };
}

/** Kept pieces that are heated again, by the step that heats them: what the loads leave of a wave's plates. */
function piecesReheated(
  { dishes, wanted }: { readonly dishes: Morning['dishes']; readonly wanted: readonly (readonly number[])[] },
  steps: readonly PlacedStep[],
): ReadonlyMap<string, { readonly dish: string; readonly pieces: number }> {
  const out = new Map<string, { dish: string; pieces: number }>();
  for (const [n, d] of dishes.entries())
    for (const [wave, plates] of (wanted[n] ?? []).entries()) {
      const needs = steps.find((s) => s.id === plateId(d.id, wave))?.needs ?? [];
      const heated = needs.filter((id) => id.startsWith('reheat '));
      const poured = steps.filter((s) => s.dish === d.id && s.wave === wave).reduce((a, s) => a + s.places, 0);
      const left = Math.max(0, Math.ceil(plates * d.each) - poured);
      for (const [k, id] of heated.entries())
        out.set(id, { dish: d.id, pieces: Math.floor(left / heated.length) + Number(k < left % heated.length) });
    }
  return out;
}

/** What has happened of a morning under way: nothing that is not done begins before now. */
interface GoneBy {
  readonly now: number;
  /** When each step was marked as done, by its id. */
  readonly done: ReadonlyMap<string, number>;
}

interface Ended {
  readonly from: number;
  readonly to: number;
  readonly handsMin: number;
}

/** Places that are taken until some time. */
interface Taken {
  readonly to: number;
  readonly places: number;
  readonly ovenC: number | null;
}

/** When so many places are free. @param capacity of them all; one that takes more than there are has it to itself */
function freeFrom(
  taken: readonly Taken[],
  from: number,
  places: number,
  capacity: number,
  ovenC: number | null,
): number {
  const inTheWay = taken.filter((t) => t.to > from).sort((a, b) => a.to - b.to);
  const most = Math.max(capacity, places);
  let used = inTheWay.reduce((a, t) => a + t.places, 0);
  let at = from;
  for (const t of inTheWay) {
    const others = inTheWay.some((x) => x.to > at && x.ovenC !== ovenC);
    if (used + places <= most && !others) break;
    at = t.to;
    used -= t.places;
  }
  return at;
}

/** Steps gone through in the plan's order: each as planned, or as soon as what it needs, its hands and its places allow. */
export function goneThrough(
  p: Pick<RehearsedPlan, 'steps' | 'places'>,
  vary: (s: RehearsedStep) => { readonly hands: number; readonly heat: number },
  goneBy: GoneBy | null,
): readonly Ended[] {
  const out: Ended[] = [];
  const free = new Map<string, number>();
  const taken = new Map<string, Taken[]>();
  for (const s of p.steps) {
    const { hands, heat } = vary(s);
    const handsMin = s.handsMin * hands;
    const min = handsMin + Math.max(0, s.min - s.handsMin) * heat;
    const doneAt = goneBy?.done.get(s.id);
    const held = s.on === null ? [] : (taken.get(s.on) ?? []);
    let ended: Ended;
    if (doneAt === undefined) {
      const behind = s.needs.reduce((a, n) => Math.max(a, out[n]?.to ?? 0), 0);
      const own = s.by === null ? 0 : (free.get(s.by) ?? 0);
      const earliest = Math.max(s.from, behind, own, goneBy?.now ?? 0);
      const from = s.on === null ? earliest : freeFrom(held, earliest, s.places, p.places[s.on] ?? 1, s.ovenC);
      ended = { from, to: from + min, handsMin };
    } else {
      const from = doneAt - s.markMin;
      ended = { from, to: from + s.min, handsMin: s.handsMin };
    }
    out.push(ended);
    if (s.by !== null) free.set(s.by, Math.max(free.get(s.by) ?? 0, ended.from + ended.handsMin));
    // what is off long before is in nobody's way: the list stays as short as the surface is small
    if (s.on !== null)
      taken.set(s.on, [...held.filter((t) => t.to > s.from), { to: ended.to, places: s.places, ovenC: s.ovenC }]);
  }
  return out;
}

/** One plate that somebody wants. */
interface Order {
  readonly dish: number;
  readonly at: number;
  readonly wave: number;
}

/** Every plate that is asked for, in the order in which guests come. */
function ordersOf(p: RehearsedPlan, v: Varies, random: () => number): readonly Order[] {
  const out: Order[] = [];
  const come = randomUniform.source(random)(0, Math.max(0, v.overMin));
  for (const [wave, w] of p.waves.entries()) {
    const chosen = p.dishes.map((d) => (d.chosen ? (d.plates[wave] ?? 0) : 0));
    const all = chosen.reduce((a, n) => a + n, 0);
    for (const [dish, d] of p.dishes.entries()) {
      const plates = d.plates[wave] ?? 0;
      for (let n = 0; n < plates; n++) {
        let which = dish;
        if (d.chosen && v.orders === 'chosen') {
          let left = random() * all;
          which = Math.max(
            0,
            chosen.findIndex((c) => {
              left -= c;
              return left < 0;
            }),
          );
        }
        out.push({ dish: which, at: w.at + come(), wave });
      }
    }
  }
  return out.sort((a, b) => a.at - b.at);
}

/** What a guest takes: the dish that was asked for, or another that is ready where that would be too long. */
function takenBy(
  p: RehearsedPlan,
  o: Order,
  canAt: (dish: number, from: number) => number | null,
): { readonly dish: number; readonly can: number | null } {
  const own = { dish: o.dish, can: canAt(o.dish, o.at) };
  const asked = p.dishes[o.dish];
  if (!asked?.chosen || asked.apart || (own.can !== null && own.can - o.at <= PATIENCE_MIN)) return own;
  const others = p.dishes.flatMap((d, dish) => {
    const can = d.chosen && !d.apart && dish !== o.dish ? canAt(dish, o.at) : null;
    return can === null || can - o.at > PATIENCE_MIN ? [] : [{ dish, can }];
  });
  return others.sort((a, b) => a.can - b.can)[0] ?? own;
}

/** One morning as it went. */
interface OneMorning {
  /** By order: how long it waited; null: there was none left of it. */
  readonly waits: readonly (number | null)[];
  readonly orders: readonly Order[];
  /** When each piece was ready, and how long it was kept until it was on a plate, by dish; in order of time. */
  readonly readyAt: readonly (readonly number[])[];
  readonly heldMin: readonly (readonly number[])[];
  /** Guests who asked for a dish and took another, by dish. */
  readonly otherwise: readonly number[];
  /** Pieces that nobody took, by dish. */
  readonly left: readonly number[];
  /** Hands at work and places in use, min: by person and by surface. */
  readonly busy: ReadonlyMap<string, number>;
  readonly inUse: ReadonlyMap<string, readonly [number, number, number]>;
}

/** Where the chances of a morning come from: guests and times apart, so that two plans are given the same guests. */
interface Chances {
  readonly guests: () => number;
  readonly times: () => number;
}

function oneMorning(p: RehearsedPlan, v: Varies, chances: Chances, goneBy: GoneBy | null): OneMorning {
  const normal = randomNormal.source(chances.times)(0, 1);
  // about its mean: a part that takes longer is a little likelier than one that takes as much less
  const about = (spread: number): number => Math.exp(spread * normal() - (spread * spread) / 2);
  // what was learned is of a whole batch: one that takes long takes long in each of its loads
  const ofDish = new Map(p.dishes.map((d) => [d.id, d.heatSd === null ? null : about(d.heatSd)]));
  const vary = (s: RehearsedStep) => ({
    hands: about(v.hands),
    heat: (s.dish === null ? null : ofDish.get(s.dish)) ?? about(v.heat),
  });
  const ended = goneThrough(p, vary, goneBy);
  const made = p.dishes.map((d) =>
    p.steps
      .flatMap((s, n) => (s.dish === d.id ? Array.from({ length: s.pieces }, () => ended[n]?.to ?? 0) : []))
      .sort((a, b) => a - b),
  );
  const orders = ordersOf(p, v, chances.guests);
  const next = p.dishes.map(() => 0);
  /** When a plate of a dish can be had by whoever comes next; null: nothing is left of it. */
  const canAt = (dish: number, from: number): number | null => {
    const last = made[dish]?.[Math.ceil((next[dish] ?? 0) + (p.dishes[dish]?.each ?? 1) - 1e-9) - 1];
    return last === undefined ? null : Math.max(from, last);
  };
  const heldMin = p.dishes.map((): number[] => []);
  const otherwise = p.dishes.map(() => 0);
  let passFree = 0;
  const waits: (number | null)[] = orders.map(() => null);
  // whoever came first is served first, of what is ready; one whose dish is not ready lets others by
  const open = orders.map((o, n) => {
    const { dish, can } = takenBy(p, o, canAt);
    if (dish !== o.dish) otherwise[o.dish] = (otherwise[o.dish] ?? 0) + 1;
    if (can === null) return null;
    const from = next[dish] ?? 0;
    const to = from + (p.dishes[dish]?.each ?? 1);
    next[dish] = to;
    return { n, dish, from: Math.floor(from + 1e-9), upTo: Math.ceil(to - 1e-9), at: o.at, can };
  });
  for (const x of open.filter((x) => x !== null).sort((a, b) => a.can - b.can || a.at - b.at)) {
    passFree = Math.max(passFree, x.can) + v.plateMin;
    waits[x.n] = passFree - x.at;
    for (let k = x.from; k < x.upTo; k++) heldMin[x.dish]?.push(passFree - (made[x.dish]?.[k] ?? passFree));
  }
  const busy = new Map<string, number>();
  const inUse = new Map<string, readonly [number, number, number]>();
  for (const [n, s] of p.steps.entries()) {
    const e = ended[n];
    if (!e) continue;
    if (s.by !== null) busy.set(s.by, (busy.get(s.by) ?? 0) + e.handsMin);
    if (s.on !== null && s.dish !== null) {
      const [min, from, to] = inUse.get(s.on) ?? [0, e.from, e.to];
      const share = s.places / Math.max(s.places, p.places[s.on] ?? 1);
      inUse.set(s.on, [min + share * (e.to - e.from), Math.min(from, e.from), Math.max(to, e.to)]);
    }
  }
  const left = made.map((m, d) => m.length - Math.ceil((next[d] ?? 0) - 1e-9));
  return { waits, orders, readyAt: made, heldMin, otherwise, left, busy, inUse };
}

/** A number over many mornings: in half of them at most so much, and in one of ten and nine of ten. */
export interface Among {
  readonly half: number;
  readonly low: number;
  readonly high: number;
}

export interface Rehearsed {
  readonly mornings: number;
  /** How long a guest waits for a plate, min: half of them, nine of ten; and whoever waits longest, in half of the mornings. */
  readonly wait: { readonly mean: number; readonly half: number; readonly nineOfTen: number; readonly longest: number };
  /** By wave: nine of ten plates are out so long after its time, and the last of them, in half of the mornings. */
  readonly waves: readonly { readonly at: number; readonly nineOfTenBy: number; readonly lastBy: number }[];
  /** Plates that nothing was left for, and pieces that nobody took; by dish. */
  readonly dishes: readonly {
    readonly id: string;
    readonly name: string;
    readonly without: Among;
    /** Guests who did not wait for it and took another dish. */
    readonly otherwise: Among;
    /** When somebody asks for it and nothing is left, where that is so in most mornings; null: it lasts. */
    readonly outAt: number | null;
    readonly left: Among;
    /** How long pieces were kept, min; and the part of them that was kept longer than they hold. */
    readonly held: { readonly half: number; readonly nineOfTen: number; readonly tooLong: number };
  }[];
  /** Hands at work as a part of the time somebody is there; surfaces while something lies on them. */
  readonly hands: readonly { readonly name: string; readonly load: number }[];
  readonly surfaces: readonly { readonly name: string; readonly load: number }[];
  /** Plates that were ready and wanted by then, over all waves; every few minutes. */
  readonly curve: readonly { readonly at: number; readonly ready: Among; readonly wanted: number }[];
}

const sorted = (xs: Iterable<number>): number[] => [...xs].sort((a, b) => a - b);
const at = (xs: readonly number[], part: number): number => quantileSorted(xs as number[], part) ?? 0;
const spread = (xs: Iterable<number>): Among => {
  const s = sorted(xs);
  return { half: at(s, 0.5), low: at(s, 0.1), high: at(s, 0.9) };
};

/** A point of the curve every so many minutes; it begins before the first wave, and ends after the last. */
const CURVE_MIN = 5;
const BEFORE_MIN = 45;
const AFTER_MIN = 60;

/** How many of a sorted list lie at or under a value. */
function countUpTo(xs: readonly number[], value: number): number {
  let [low, high] = [0, xs.length];
  while (low < high) {
    const mid = (low + high) >> 1;
    if ((xs[mid] ?? 0) <= value) low = mid + 1;
    else high = mid;
  }
  return low;
}

/** Plates that were ready by a time. */
const platesBy = (p: RehearsedPlan, m: OneMorning, time: number): number =>
  p.dishes.reduce((a, d, n) => a + Math.floor(countUpTo(m.readyAt[n] ?? [], time) / d.each + 1e-9), 0);

/** When a dish has run out, in half of the mornings in which it does; null: it lasts in most. */
function outAt(all: readonly OneMorning[], dish: number): number | null {
  const first = all.flatMap((m) => {
    const out = m.orders.find((o, n) => o.dish === dish && m.waits[n] === null);
    return out ? [out.at] : [];
  });
  return first.length * 2 > all.length ? at(sorted(first), 0.5) : null;
}

function summed(p: RehearsedPlan, all: readonly OneMorning[]): Rehearsed {
  const waits = sorted(all.flatMap((m) => m.waits.filter((w) => w !== null)));
  const first = Math.min(...p.waves.map((w) => w.at)) - BEFORE_MIN;
  const last = Math.max(...p.waves.map((w) => w.at)) + AFTER_MIN;
  const times = Array.from({ length: Math.floor((last - first) / CURVE_MIN) + 1 }, (_, n) => first + n * CURVE_MIN);
  const perWave = (wave: number, of: (waits: readonly number[]) => number): number => {
    const each = all.map((m) =>
      of(
        sorted(
          m.orders.flatMap((o, n) => {
            const w = m.waits[n];
            return o.wave === wave && w !== null && w !== undefined ? [o.at + w] : [];
          }),
        ),
      ),
    );
    return at(sorted(each), 0.5);
  };
  return {
    mornings: all.length,
    wait: {
      mean: mean(waits) ?? 0,
      half: at(waits, 0.5),
      nineOfTen: at(waits, 0.9),
      longest: at(sorted(all.map((m) => max(m.waits, (w) => w ?? 0) ?? 0)), 0.5),
    },
    waves: p.waves.map((w, n) => ({
      at: w.at,
      nineOfTenBy: perWave(n, (x) => at(x, 0.9)),
      lastBy: perWave(n, (x) => x.at(-1) ?? w.at),
    })),
    dishes: p.dishes.map((d, n) => {
      const held = sorted(all.flatMap((m) => m.heldMin[n] ?? []));
      return {
        id: d.id,
        name: d.name,
        without: spread(all.map((m) => m.orders.filter((o, k) => o.dish === n && m.waits[k] === null).length)),
        otherwise: spread(all.map((m) => m.otherwise[n] ?? 0)),
        outAt: outAt(all, n),
        left: spread(all.map((m) => m.left[n] ?? 0)),
        held: {
          half: at(held, 0.5),
          nineOfTen: at(held, 0.9),
          tooLong: held.length === 0 ? 0 : 1 - countUpTo(held, d.holdsMin) / held.length,
        },
      };
    }),
    hands: p.people.map(({ name, from, to }) => ({
      name,
      load: (mean(all, (m) => m.busy.get(name) ?? 0) ?? 0) / Math.max(1, to - from),
    })),
    surfaces: Object.keys(p.places).flatMap((name) => {
      const used = all.flatMap((m) => m.inUse.get(name) ?? []);
      if (used.length === 0) return [];
      const load = mean(all, (m) => {
        const [min, from, to] = m.inUse.get(name) ?? [0, 0, 1];
        return min / Math.max(1, to - from);
      });
      return [{ name, load: load ?? 0 }];
    }),
    curve: times.map((time) => ({
      at: time,
      ready: spread(all.map((m) => platesBy(p, m, time))),
      wanted: at(sorted(all.map((m) => m.orders.filter((o) => o.at <= time).length)), 0.5),
    })),
  };
}

/** Mornings that are gone through between two looks at whether it is to go on. */
const AT_ONCE = 20;

/**
 * Rehearses a plan many times. The same plan, seed and number give the same answer.
 * @param mornings how many
 * @param seed 0 to 1
 * @param goneBy what of it has happened already
 * @yields how many are done; the last is what came of all of them
 */
export function* rehearsing(
  p: RehearsedPlan,
  v: Varies,
  mornings: number,
  seed: number,
  goneBy: GoneBy | null = null,
): Generator<number, Rehearsed> {
  const chances: Chances = { guests: randomLcg(seed), times: randomLcg((seed + 0.5) % 1) };
  const all: OneMorning[] = [];
  for (let n = 0; n < mornings; n++) {
    if (n > 0 && n % AT_ONCE === 0) yield n;
    all.push(oneMorning(p, v, chances, goneBy));
  }
  return summed(p, all);
}

/** The same at one go. */
export function rehearse(...asked: Parameters<typeof rehearsing>): Rehearsed {
  const going = rehearsing(...asked);
  for (;;) {
    const r = going.next();
    if (r.done) return r.value;
  }
}

/** What stands longer than this is not begun for one more bowl: it goes without. Ours. */
const STANDS_MIN = 120;

/** How long it takes from a bowl's first step to its first pieces, min, as it is planned; what stands overnight does not. */
export function bowlLeadMin({ steps }: Pick<RehearsedPlan, 'steps'>, dish: string): number {
  const path = (s: RehearsedStep): number =>
    (s.min > STANDS_MIN ? s.handsMin : s.min) + Math.max(0, ...s.needs.map((n) => (steps[n] ? path(steps[n]) : 0)));
  const first = steps.find((s) => s.dish === dish && s.needs.length > 0);
  return first ? path(first) : 0;
}
