/**
 * The time line: every step as late as what follows lets it, so that nothing stands longer than it must, and no pair of
 * hands has two things to do at once. A step that was moved stays where it was put; the rest follows, and serving later
 * is the last way out. Times in milliseconds since 1970.
 */
import type { Serving } from '../batch/serving';
import { localDay, type Zoned } from '../quantity/day';
import { lower, type Step, type Who } from './step';
import { forDays } from './steps';

const MIN = 60_000;

export interface Placed {
  readonly step: Step;
  readonly start: number;
  readonly end: number;
  /** 0 the cook, 1 the first helper ...; null: no hands. */
  readonly by: number | null;
  readonly moved: boolean;
  /** The day before. */
  readonly ahead: boolean;
}

export interface Clash {
  readonly step: string;
  readonly with: string | null;
  readonly what: 'hands' | 'oven' | 'pan' | 'heat' | 'order' | 'stands';
  readonly text: string;
}

export interface TimeLine {
  readonly placed: readonly Placed[];
  /** When the plates that were asked for go: as wanted, or later. */
  readonly servedAt: number;
  readonly clashes: readonly Clash[];
}

interface Busy {
  readonly from: number;
  readonly to: number;
}

const meet = (a: Busy, from: number, to: number): boolean => a.from < to - 1 && from < a.to - 1;

/** Whose hands may do it, the best first. */
const hands = (who: Who, helpers: number): readonly number[] =>
  who === 'cook' ? [0] : [...Array.from({ length: helpers }, (_, n) => n + 1), 0];

interface Counter {
  /** Whether hands and oven are there from then on. */
  readonly fits: (s: Step, start: number) => boolean;
  /** Binds hands and oven. @returns whose; the first who may where nobody is free */
  readonly take: (s: Step, start: number) => number | null;
  /** The moments at which a slot can open or close. */
  readonly edges: (s: Step) => readonly number[];
}

function counterWith(helpers: number): Counter {
  const people: Busy[][] = Array.from({ length: helpers + 1 }, () => []);
  const oven: (Busy & { readonly c: number })[] = [];
  const pans: Busy[] = [];
  const free = (s: Step, start: number): number | null =>
    hands(s.who, helpers).find((p) => !(people[p] ?? []).some((b) => meet(b, start, start + s.handsMin * MIN))) ?? null;
  return {
    fits: (s, start) =>
      (s.handsMin === 0 || free(s, start) !== null) &&
      (s.ovenC === null || !oven.some((o) => o.c !== s.ovenC && meet(o, start, start + s.min * MIN))) &&
      (s.pan === undefined || pans.filter((b) => meet(b, start, start + s.min * MIN)).length < s.pan),
    take: (s, start) => {
      if (s.ovenC !== null) oven.push({ from: start, to: start + s.min * MIN, c: s.ovenC });
      if (s.pan !== undefined) pans.push({ from: start, to: start + s.min * MIN });
      if (s.handsMin === 0) return null;
      const by = free(s, start) ?? hands(s.who, helpers)[0] ?? 0;
      people[by]?.push({ from: start, to: start + s.handsMin * MIN });
      return by;
    },
    edges: (s) =>
      [...people.flat(), ...oven, ...pans].flatMap((b) => [b.to, b.from - s.handsMin * MIN, b.from - s.min * MIN]),
  };
}

const latest = (c: Counter, s: Step, before: number): number =>
  [before, ...c.edges(s).filter((e) => e < before)].sort((a, b) => b - a).find((t) => c.fits(s, t)) ?? before;
const earliest = (c: Counter, s: Step, from: number): number =>
  [from, ...c.edges(s).filter((e) => e > from)].sort((a, b) => a - b).find((t) => c.fits(s, t)) ?? from;

/** What is known of a day that has begun. */
interface StepBegun {
  readonly now: number;
  /** When each step that is done was over. */
  readonly done: ReadonlyMap<string, number>;
}

/** Steps that need no hands begin by themselves once what is before them is over. */
const selfStarted = (s: Step, begun: StepBegun): number | null => {
  if (s.handsMin > 0 || s.after.length === 0) return null;
  const over = s.after.map((a) => begun.done.get(a));
  return over.every((x) => x !== undefined) ? Math.max(...(over as number[])) : null;
};

/** Places what is done on the day, counted back from when all of it is over. */
function back(steps: readonly Step[], serving: Serving, over: number, begun: StepBegun | null): readonly Placed[] {
  const counter = counterWith(serving.helpers);
  const placed = new Map<string, Placed>();
  const put = (step: Step, start: number, moved: boolean): void => {
    placed.set(step.id, {
      step,
      start,
      end: start + step.min * MIN,
      by: counter.take(step, start),
      moved,
      ahead: false,
    });
  };
  for (const s of steps) {
    const self = begun ? selfStarted(s, begun) : null;
    const start = self ?? serving.moved[s.id];
    if (start !== undefined) put(s, start, self === null);
  }
  const left = new Set(steps.filter((s) => !placed.has(s.id)));
  while (left.size > 0) {
    // of those whose followers all have their place, the one that can be latest: it has the first choice of hands
    const next = [...left]
      .map((s) => ({ s, follow: steps.filter((f) => f.after.includes(s.id)).map((f) => placed.get(f.id)) }))
      .filter(({ follow }) => follow.every((f) => f !== undefined))
      .map(({ s, follow }) => ({ s, by: Math.min(over, ...follow.map((f) => f?.start ?? over)) }))
      // of two that can be equally late, the one that is usually done later
      .sort((a, b) => b.by - a.by || steps.indexOf(b.s) - steps.indexOf(a.s))[0];
    if (!next) break;
    put(next.s, latest(counter, next.s, next.by - next.s.min * MIN), false);
    left.delete(next.s);
  }
  // what needs no hands begins by itself when what is before it is over, and goes on until it is wanted
  return [...placed.values()].map((p) => {
    const over = p.step.after.map((a) => placed.get(a)?.end);
    if (
      p.moved ||
      p.step.handsMin > 0 ||
      p.step.ovenC !== null ||
      over.length === 0 ||
      over.some((x) => x === undefined)
    )
      return p;
    return { ...p, start: Math.min(p.start, Math.max(...(over as number[]))) };
  });
}

/**
 * The step that is placed furthest before it can begin, and by how much, ms; null: none is. @param but what can't be
 * helped
 */
function soonest(
  placed: readonly Placed[],
  begun: StepBegun | null,
  but: ReadonlySet<string>,
): { readonly step: Step; readonly by: number } | null {
  const of = new Map(placed.map((p) => [p.step.id, p]));
  let worst: { readonly step: Step; readonly by: number } | null = null;
  for (const p of placed) {
    const from = Math.max(
      ...p.step.after.map((a) => of.get(a)?.end ?? begun?.done.get(a) ?? Number.NEGATIVE_INFINITY),
      begun && p.step.handsMin > 0 ? begun.now : Number.NEGATIVE_INFINITY,
    );
    // a step that was put before its turn is the cook's to see, not to be pushed
    if (p.moved || but.has(p.step.id)) continue;
    if (from - p.start > Math.max(1, worst?.by ?? 0)) worst = { step: p.step, by: from - p.start };
  }
  return worst;
}

/** The day before: one after the other, from when it is begun. */
function ahead(steps: readonly Step[], serving: Serving, from: number): readonly Placed[] {
  const counter = counterWith(serving.helpers);
  const placed: Placed[] = [];
  const put = (step: Step, start: number, moved: boolean): void => {
    placed.push({ step, start, end: start + step.min * MIN, by: counter.take(step, start), moved, ahead: true });
  };
  for (const s of steps) {
    const moved = serving.moved[s.id];
    if (moved !== undefined) put(s, moved, true);
  }
  for (const s of steps) {
    if (serving.moved[s.id] !== undefined) continue;
    const over = Math.max(from, ...s.after.map((a) => placed.find((p) => p.step.id === a)?.end ?? from));
    put(s, earliest(counter, s, over), false);
  }
  return placed;
}

const GIVES_UP = 60;
/** What was to be done the day before, and was not, is done on the day from so long before the plates go. */
const DAY_ONE_OVER_MIN = 6 * 60;

const isLoad = (p: Placed): boolean => p.step.loads !== undefined;

/** When the plates go that the serving asks for: with the first load, or when all of it is over. */
const platesAt = (placed: readonly Placed[], serving: Serving): number | null => {
  const loads = placed.filter(isLoad).map((p) => p.end);
  const all = placed.filter((p) => !p.ahead).map((p) => p.end);
  if (all.length === 0) return null;
  return serving.anchor === 'first' && loads.length > 0 ? Math.min(...loads) : Math.max(...all);
};

/** The day's steps counted back until the right plates go when they are wanted; then later, only as far as they must. */
function counted(
  steps: readonly Step[],
  serving: Serving,
  begun: StepBegun | null,
  known: Parameters<typeof soonest>[1],
): {
  readonly placed: readonly Placed[];
  /** Steps that can't be where they should: going later does not help them. */
  readonly helpless: ReadonlySet<string>;
} {
  // the first plates have gone: the rest goes as soon as it can
  const gone = begun !== null && serving.anchor === 'first' && begun.done.has('load1');
  let over = gone ? begun.now : serving.at;
  let placed = back(steps, serving, over, begun);
  let free = !gone;
  const helpless = new Set<string>();
  for (let n = 0; n < GIVES_UP; n++) {
    const plates = platesAt(placed, serving);
    const short = free && plates !== null ? serving.at - plates : 0;
    const worst = soonest(placed, known, helpless);
    // counted back until the right plates go when they are wanted; then later, only as far as it must
    if (Math.abs(short) > 1) over += short;
    else if (worst) {
      const later = back(steps, serving, over + worst.by, begun);
      const still = soonest(later, known, helpless);
      free = false;
      // what follows it stays where it was put: going later does not help it
      if (still?.step.id === worst.step.id && still.by > worst.by - 1) {
        helpless.add(worst.step.id);
        continue;
      }
      over += worst.by;
      placed = later;
      continue;
    } else break;
    if (n > 4 && free) free = false;
    placed = back(steps, serving, over, begun);
  }
  return { placed, helpless };
}

/**
 * The time line of a batch.
 * @param begun null while it is only planned: then it is counted back, whatever the clock says
 */
export function timeLine(all: readonly Step[], serving: Serving, begun: StepBegun | null): TimeLine {
  const tooLate = begun !== null && begun.now > serving.at - DAY_ONE_OVER_MIN * MIN;
  const twoDays = serving.dayOneAt !== null && !(tooLate && all.some((s) => s.ahead && !begun.done.has(s.id)));
  const open = forDays(all, twoDays).filter((s) => !begun?.done.has(s.id));
  const isAhead = (s: Step): boolean => twoDays && s.ahead;
  const first = ahead(open.filter(isAhead), serving, Math.max(serving.dayOneAt ?? 0, begun?.now ?? 0));
  const onDay = open.filter((s) => !isAhead(s));
  // what is done the day before is over at a moment of its own: the day waits for it
  const over1 = new Map(first.map((p) => [p.step.id, p.end]));
  const known =
    begun || first.length > 0
      ? { now: begun?.now ?? Number.NEGATIVE_INFINITY, done: new Map([...over1, ...(begun?.done ?? [])]) }
      : null;
  const steps = onDay.map((s) => ({
    ...s,
    after: s.after.filter((a) => onDay.some((x) => x.id === a) || known?.done.has(a)),
  }));
  const { placed, helpless } = counted(steps, serving, begun, known);
  const both = [...first, ...placed].sort((a, b) => a.start - b.start || a.end - b.end);
  const past = placed.filter(
    (p) => helpless.has(p.step.id) && begun !== null && p.start < begun.now - 1 && p.step.handsMin > 0,
  );
  const late = past.map(
    ({ step }): Clash => ({
      step: step.id,
      with: null,
      what: 'order',
      text: `It is too late for ${lower(step.name)}: what follows was moved.`,
    }),
  );
  const held = serving.anchor === 'last' ? heldTooLong(placed) : [];
  return {
    placed: both,
    servedAt: platesAt(placed, serving) ?? serving.at,
    clashes: [...clashesIn(both), ...late, ...held],
  };
}

/** What comes off first waits for all the plates, longer than it is as it should be; on surfaces that are noted. */
function heldTooLong(placed: readonly Placed[]): readonly Clash[] {
  const plate = placed.find((p) => p.step.id === 'plate');
  const [first] = placed.filter(isLoad).sort((a, b) => a.start - b.start);
  const { loads, on = [] } = first?.step ?? {};
  if (!plate || !first || !loads || on.length === 0) return [];
  const offAt = first.start + (first.end - first.start) / (loads.to - loads.from + 1);
  const waits = (plate.start - offAt) / MIN;
  if (waits <= loads.holdsMin + 1) return [];
  return [
    {
      step: plate.step.id,
      with: first.step.id,
      what: 'stands',
      text: `What comes off first waits ${Math.round(waits)} min for the last, and is good for about ${loads.holdsMin}: let the first plates go as they come off, or light more.`,
    },
  ];
}

/**
 * What two steps want at the same time.
 * @param of whose the other is, where it is of another batch
 */
function wanting(p: Placed, o: Placed, of = ''): readonly Pick<Clash, 'what' | 'text'>[] {
  const together = meet({ from: p.start, to: p.end }, o.start, o.end);
  const both = `${o.step.name}${of} and ${lower(p.step.name)}`;
  const out: Pick<Clash, 'what' | 'text'>[] = [];
  if (
    p.by !== null &&
    p.by === o.by &&
    meet({ from: p.start, to: p.start + p.step.handsMin * MIN }, o.start, o.start + o.step.handsMin * MIN)
  )
    out.push({ what: 'hands', text: `${both} want the same pair of hands.` });
  if (together && p.step.ovenC !== null && o.step.ovenC !== null && p.step.ovenC !== o.step.ovenC)
    out.push({
      what: 'oven',
      text: `${o.step.name}${of} wants the oven at ${o.step.ovenC} °C, ${lower(p.step.name)} at ${p.step.ovenC} °C.`,
    });
  if (together && p.step.pan === 1 && o.step.pan === 1) out.push({ what: 'pan', text: `${both} want the same pan.` });
  // loads of one batch follow each other anyway
  if (together && of !== '' && p.step.on?.some((id) => o.step.on?.includes(id)))
    out.push({ what: 'heat', text: `${both} want the same place on the heat.` });
  return out;
}

/** Another batch on the same counter, and what of it is still to do. */
export interface OnCounter {
  readonly id: string;
  readonly name: string;
  readonly placed: readonly Placed[];
}

/**
 * What a batch and another on the same counter want at the same time, the same people at both; the earliest first.
 * @param name the other's
 */
export const clashesBetween = (own: readonly Placed[], other: readonly Placed[], name: string): readonly Clash[] =>
  own
    .flatMap((p) =>
      other.flatMap((o) =>
        wanting(p, o, ` (${name})`).map((c) => ({
          at: Math.max(p.start, o.start),
          clash: { step: p.step.id, with: o.step.id, ...c },
        })),
      ),
    )
    .sort((a, b) => a.at - b.at)
    .map((c) => c.clash);

/** What does not go together: the cook's to see, and to settle. */
export function clashesIn(placed: readonly Placed[]): readonly Clash[] {
  const clashes: Clash[] = [];
  placed.forEach((p, n) => {
    for (const o of placed.slice(n + 1)) {
      clashes.push(...wanting(p, o).map((c) => ({ step: o.step.id, with: p.step.id, ...c })));
    }
    const followers = placed.filter((o) => o.step.after.includes(p.step.id));
    const early = followers.find((o) => o.start < p.end - 1 && o.ahead === p.ahead);
    if (early)
      clashes.push({
        step: early.step.id,
        with: p.step.id,
        what: 'order',
        text: `${early.step.name} would begin before ${lower(p.step.name)} is over.`,
      });
    const next = followers.length > 0 ? Math.min(...followers.map((o) => o.start)) : null;
    const waits = next === null ? 0 : (next - p.start) / MIN - p.step.min;
    if (p.step.keepsMin !== null && p.step.keepsMin < 0)
      clashes.push({
        step: p.step.id,
        with: null,
        what: 'stands',
        text: `By the last piece the foam has stood ${Math.round(-p.step.keepsMin)} min longer than it keeps: fold the whites in after the rest, or rest less.`,
      });
    else if (p.step.keepsMin !== null && !p.ahead && waits > p.step.keepsMin + 1)
      clashes.push({
        step: p.step.id,
        with: null,
        what: 'stands',
        text: `After ${lower(p.step.name)} it would stand ${Math.round(waits)} min more; it keeps for ${Math.round(p.step.keepsMin)}.`,
      });
  });
  return clashes;
}

/** A serving from which nothing has to be begun before now: counted on instead of back. */
export function fromNow(all: readonly Step[], serving: Serving, now: number): Serving {
  const line = timeLine(all, { ...serving, moved: {} }, null);
  const first = Math.min(...line.placed.filter((p) => !p.ahead).map((p) => p.start));
  return { ...serving, moved: {}, at: serving.at + (now - first) };
}

/** The steps of a day that want hands. */
export interface StepsOfDay {
  /** yyyy-mm-dd, as the house's calendar has it. */
  readonly day: string;
  readonly count: number;
  readonly first: Placed;
}

/**
 * Steps still to do by the day they are done on: one that crosses midnight is of the day it begins, one that is late is
 * today's. @param now ms since 1970
 */
export function stepsByDay(placed: readonly Placed[], now: number, z: Zoned): readonly StepsOfDay[] {
  const days = new Map<string, Placed[]>();
  for (const p of [...placed].sort((a, b) => a.start - b.start)) {
    if (p.step.handsMin <= 0) continue;
    const day = localDay(Math.max(p.start, now), z);
    days.set(day, [...(days.get(day) ?? []), p]);
  }
  return [...days].flatMap(([day, [first, ...more]]) => (first ? [{ day, count: 1 + more.length, first }] : []));
}

export interface DayStep extends Placed {
  readonly state: 'now' | 'next' | 'late' | 'later';
}

/** The day's list: what is late, what is to be done now, and what comes next. */
export function dayList(line: TimeLine, planned: TimeLine, now: number): readonly DayStep[] {
  const plan = new Map(planned.placed.map((p) => [p.step.id, p]));
  let nextSeen = false;
  return line.placed.map((p): DayStep => {
    const was = plan.get(p.step.id)?.start ?? p.start;
    if (was < now - MIN && p.step.handsMin > 0) return { ...p, state: 'late' };
    if (p.start <= now + MIN / 2) return { ...p, state: 'now' };
    const state = nextSeen ? 'later' : 'next';
    nextSeen = true;
    return { ...p, state };
  });
}
