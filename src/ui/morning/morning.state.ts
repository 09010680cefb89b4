/** A morning as it stands in its form, and what is sent of it. */

import { USUAL_EACH } from '@/core/begin/offers';
import type { EndId } from '@/core/formula/formula';
import { eachHere, type Learned } from '@/core/formula/learned';
import { wavesOfArrivals } from '@/core/morning/arrivals';
import { clockOf, type MorningRole, type SurfaceKind } from '@/core/morning/morning';
import type { KitchenPerson } from '@/core/morning/people';
import { type MorningPlan, type PlannedKept, surfacesIn } from '@/core/morning/plan';
import type { Gear } from '@/core/pantry/gear';
import type { Allergen } from '@/core/pantry/ingredient';
import { timeIn } from '@/core/quantity/day';
import { typedNumber } from '@/core/quantity/typed';

interface WaveTyped {
  readonly at: string;
  readonly covers: string;
}
interface DishTyped {
  readonly id: string;
  /** The formula, and which of its ends: "<id>" or "<id> a"; empty: none is chosen. */
  readonly of: string;
  readonly each: string;
  readonly by: 'share' | 'count';
  readonly amount: string;
  readonly without: readonly Allergen[];
  readonly bench: string | null;
}
interface PersonTyped {
  readonly personId: string | null;
  readonly name: string;
  readonly role: MorningRole;
  readonly from: string;
  readonly to: string;
  readonly bench: string | null;
}
interface SurfaceTyped {
  readonly gearId: string | null;
  readonly name: string;
  readonly kind: SurfaceKind;
  /** Empty: as many as the gear takes. */
  readonly places: string;
  readonly bench: string | null;
}
interface BesideTyped {
  /** Which of the kitchen's sauces; null: one that is known by its name alone. */
  readonly sideId: string | null;
  readonly name: string;
  readonly min: string;
  readonly onHob: boolean;
}
export interface MorningTyped {
  readonly name: string;
  readonly day: string;
  readonly waves: readonly WaveTyped[];
  readonly dishes: readonly DishTyped[];
  readonly people: readonly PersonTyped[];
  readonly surfaces: readonly SurfaceTyped[];
  readonly ovens: string;
  readonly hob: string;
  readonly bell: string;
  readonly kept: readonly PlannedKept[];
  readonly sides: readonly BesideTyped[];
  readonly before: boolean;
}

/** @param learned what guests here eat */
export const blankDish = (dishes: readonly DishTyped[], learned?: Learned): DishTyped => {
  const taken = new Set(dishes.map((d) => d.id));
  let n = 1;
  while (taken.has(`d${n}`)) n++;
  return {
    id: `d${n}`,
    of: '',
    each: String(eachHere(learned, USUAL_EACH)),
    by: 'share',
    amount: dishes.length === 0 ? '100' : '',
    without: [],
    bench: null,
  };
};

const FIRST_COMES = '06:00';
const LAST_GOES = '11:00';
/** What is said of somebody of the kitchen who comes: from when to when is the cook's to say. */
export const comes = (p: Pick<KitchenPerson, 'id' | 'name' | 'role'> | null): PersonTyped => ({
  personId: p?.id ?? null,
  name: p?.name ?? '',
  role: p?.role ?? 'helper',
  from: FIRST_COMES,
  to: LAST_GOES,
  bench: null,
});

/** A new morning: one wave, one dish, who there is, all that there is to make pieces on. */
export function freshMorning(
  day: string,
  of: string,
  gear: readonly Gear[],
  people: readonly KitchenPerson[],
  learned?: Learned,
): MorningTyped {
  return {
    name: '',
    day,
    waves: [{ at: '08:00', covers: '' }],
    dishes: [{ ...blankDish([], learned), of }],
    people: people.length > 0 ? people.map(comes) : [{ ...comes(null), name: 'The cook', role: 'lead' }],
    surfaces: surfacesIn(gear).map(({ gearId, name, kind }) => ({ gearId, name, kind, places: '', bench: null })),
    ovens: '1',
    hob: '4',
    bell: '',
    kept: [],
    sides: [],
    before: false,
  };
}

export function morningTyped(p: MorningPlan): MorningTyped {
  const num = (x: number): string => String(Math.round(100 * x) / 100);
  return {
    name: p.name,
    day: p.day,
    waves: p.waves.map((w) => ({ at: clockOf(w.at), covers: String(w.covers) })),
    dishes: p.dishes.map(({ id, formulaId, end, each, of, without, bench = null }) => ({
      id,
      of: end ? `${formulaId} ${end}` : formulaId,
      each: num(each),
      ...('share' in of
        ? { by: 'share' as const, amount: num(100 * of.share) }
        : { by: 'count' as const, amount: String(of.count) }),
      without,
      bench,
    })),
    people: p.people.map((x) => ({
      personId: x.personId ?? null,
      name: x.name,
      role: x.role,
      from: clockOf(x.from),
      to: clockOf(x.to),
      bench: x.bench ?? null,
    })),
    surfaces: p.surfaces.map((s) => ({
      gearId: s.gearId ?? null,
      name: s.name,
      kind: s.kind,
      places: s.places === null ? '' : String(s.places),
      bench: s.bench ?? null,
    })),
    ovens: String(p.ovens),
    hob: String(p.hob),
    bell: p.bell === null ? '' : clockOf(p.bell),
    kept: p.kept,
    sides: p.sides.map((s) => ({ sideId: s.sideId ?? null, name: s.name, min: num(s.min), onHob: s.onHob })),
    before: p.before,
  };
}

/** Minutes from midnight of a time as it was typed; NaN where it is none. */
export function minuteIn(text: string): number {
  const [, h, m] = /^(\d{1,2}):(\d{2})$/.exec(timeIn(text.trim()) ?? '') ?? [];
  return h === undefined ? Number.NaN : 60 * Number(h) + Number(m);
}

interface MorningRead {
  readonly plan: MorningPlan;
  /** By its place in the plan. */
  readonly errors: Readonly<Record<string, string>>;
}

export const A_TIME = 'Write a time, as 8:00.';
const A_NUMBER = 'Write a number.';

/** What is sent of what is typed. @param was what it stands over: what the form doesn't show of it stays */
export function readMorning(typed: MorningTyped, was: MorningPlan | null): MorningRead {
  const errors: Record<string, string> = {};
  const time = (text: string, path: string): number => {
    const min = minuteIn(text);
    if (Number.isNaN(min)) errors[path] = A_TIME;
    return min;
  };
  const num = (text: string, path: string): number => {
    const x = typedNumber(text);
    if (Number.isNaN(x) || text.trim() === '') errors[path] = A_NUMBER;
    return x;
  };
  const waves = typed.waves.map((w, n) => ({
    at: time(w.at, `waves.${n}.at`),
    covers: num(w.covers, `waves.${n}.covers`),
  }));
  const dishes = typed.dishes.map((d, n) => {
    if (d.of === '') errors[`dishes.${n}.formulaId`] = 'Choose what is made.';
    const [formulaId = '', end] = d.of.split(' ');
    const x = num(d.amount, `dishes.${n}.of`);
    return {
      id: d.id,
      formulaId,
      end: (end as EndId | undefined) ?? null,
      each: num(d.each, `dishes.${n}.each`),
      of: d.by === 'share' ? { share: x / 100 } : { count: x },
      without: d.without,
      ...(d.bench && { bench: d.bench }),
    };
  });
  const people = typed.people.map((p, n) => {
    if (p.name.trim() === '') errors[`people.${n}.name`] = 'A first name or nickname.';
    const [from, to] = [time(p.from, `people.${n}.from`), time(p.to, `people.${n}.to`)];
    if (to <= from) errors[`people.${n}.to`] = 'Nobody goes before they come.';
    return { personId: p.personId, name: p.name.trim(), role: p.role, from, to, ...(p.bench && { bench: p.bench }) };
  });
  const surfaces = typed.surfaces.map((s, n) => {
    const before = was?.surfaces.find((x) => x.name === s.name);
    return {
      gearId: s.gearId,
      name: s.name,
      kind: s.kind,
      places: s.places.trim() === '' ? null : num(s.places, `surfaces.${n}.places`),
      from: before?.from ?? null,
      to: before?.to ?? null,
      ...(s.bench && { bench: s.bench }),
    };
  });
  const sides = typed.sides
    .filter((s) => s.name.trim() !== '' || s.min.trim() !== '')
    .map((s, n) => {
      if (s.name.trim() === '') errors[`sides.${n}.name`] = 'Give it a name.';
      const side = { name: s.name.trim(), min: num(s.min, `sides.${n}.min`), onHob: s.onHob };
      return s.sideId ? { sideId: s.sideId, ...side } : side;
    });
  const plan: MorningPlan = {
    name: typed.name.trim(),
    day: typed.day,
    waves: [...waves].sort((a, b) => a.at - b.at),
    dishes,
    people,
    surfaces,
    ovens: num(typed.ovens, 'ovens'),
    hob: num(typed.hob, 'hob'),
    bell: typed.bell.trim() === '' ? null : time(typed.bell, 'bell'),
    kept: typed.kept.filter((k) => dishes.some((d) => d.id === k.dish)),
    sides,
    before: typed.before,
    ...(was?.pins && { pins: was.pins }),
  };
  return { plan, errors };
}

/** An arrival pattern as it is typed. */
export interface ArrivalsTyped {
  readonly from: string;
  readonly to: string;
  readonly covers: string;
  /** Empty: as many at one time as at another. */
  readonly most: string;
}
export const NO_ARRIVALS: ArrivalsTyped = { from: '', to: '', covers: '', most: '' };

/** The waves of an arrival pattern, as they are typed; or what is wrong with it, at its place. */
export function arrivalsRead(
  a: ArrivalsTyped,
):
  | { readonly waves: readonly WaveTyped[] }
  | { readonly errors: Readonly<Partial<Record<keyof ArrivalsTyped, string>>> } {
  const [from, to, covers] = [minuteIn(a.from), minuteIn(a.to), typedNumber(a.covers)];
  const most = a.most.trim() === '' ? null : minuteIn(a.most);
  const errors = {
    ...(Number.isNaN(from) && { from: A_TIME }),
    ...(Number.isNaN(to) ? { to: A_TIME } : to < from ? { to: 'Later than the first.' } : {}),
    ...(!(covers >= 1) && { covers: A_NUMBER }),
    ...(most !== null && !(most >= from && most <= to) && { most: 'A time between the two.' }),
  };
  if (Object.keys(errors).length > 0) return { errors };
  const waves = wavesOfArrivals({ from, to, covers, most });
  return { waves: waves.map((w) => ({ at: clockOf(w.at), covers: String(w.covers) })) };
}

/** Covers in all, as they are typed; what is no number counts nothing. */
export const coversTyped = (typed: Pick<MorningTyped, 'waves'>): number =>
  typed.waves.reduce((a, w) => a + (typedNumber(w.covers) || 0), 0);
