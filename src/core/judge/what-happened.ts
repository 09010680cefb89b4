/**
 * What most likely happened to a batch, by what was seen of it: how likely each slip was before, by how well each of its
 * sizes fits what was marked. Slips that would look alike are one group, with what tells them apart.
 */

import type { Tested } from '../batch/came-out';
import { massNumber, minutesOrHours, type Units } from '../quantity/say';
import type { Happening, Possible, Size, TestShows } from './happenings';
import { expected, isEvidence, likelihood, QUALITIES, type Qualities, type SeenSigns } from './signs';

/** A slip that fits what was seen. */
export interface Suspected {
  readonly id: string;
  readonly words: string;
  /** Of all that may have happened, 0 to 1. */
  readonly share: number;
  /** Where four of five of its sizes lie, in its own unit. */
  readonly range: readonly [low: number, high: number];
  /** The same in words; empty where it has no size. */
  readonly sizes: string;
  readonly test: string;
  /** What the test shows where it was so, and where it was not. */
  readonly shows: TestShows;
  /** What it showed; null: it was not made. */
  readonly tested: boolean | null;
}

/** Slips that what was seen can't tell apart, the likeliest first. */
export interface Alike {
  readonly share: number;
  readonly members: readonly Suspected[];
}

export interface Happened {
  /** Groups of slips, the likeliest first. */
  readonly groups: readonly Alike[];
  /** That it went as it was noted: what was seen is the formula's own, or a mark that is wrong. */
  readonly asNoted: number;
}

/** Two slips look alike where nothing they would show differs by more than this. */
const ALIKE = 0.3;
/** A slip less likely than this is told nowhere. */
const LEAST_SHARE = 0.03;

/** Shares of four in five around the middle, read between the sizes. */
function rangeOf(sizes: readonly Size[], weights: readonly number[]): readonly [number, number] {
  const all = weights.reduce((a, w) => a + w, 0);
  const at = (share: number): number => {
    let sum = 0;
    for (const [n, s] of sizes.entries()) {
      const w = (weights[n] ?? 0) / all;
      if (sum + w >= share && w > 0) {
        const next = sizes[Math.min(sizes.length - 1, n + 1)] ?? s;
        const before = sizes[Math.max(0, n - 1)] ?? s;
        // the size stands for what lies half-way to its neighbours
        const [from, to] = [(before.at + s.at) / 2, (s.at + next.at) / 2];
        return from + ((to - from) * (share - sum)) / w;
      }
      sum += w;
    }
    return sizes[sizes.length - 1]?.at ?? 0;
  };
  const [a, b] = [at(0.1), at(0.9)];
  return a < b ? [a, b] : [b, a];
}

const middleOf = (sizes: readonly Size[], weights: readonly number[]): Qualities => {
  const all = weights.reduce((a, w) => a + w, 0);
  return QUALITIES.map((_, q) => sizes.reduce((a, s, n) => a + ((s.z[q] ?? 0) * (weights[n] ?? 0)) / all, 0));
};

interface Weighed {
  readonly h: Happening;
  readonly weight: number;
  /** How likely what was marked is with it, over its sizes. */
  readonly fit: number;
  readonly range: readonly [number, number];
  readonly looks: readonly number[];
}

/** A test shows what was so this often, where it was, and where it was not. */
const TEST_RIGHT = 0.9;
/** How much likelier a slip is by its own test; 1: it was not made. */
function byTest(id: string, tested: Tested): number {
  const showed = tested[id];
  return showed === undefined ? 1 : showed ? TEST_RIGHT / (1 - TEST_RIGHT) : (1 - TEST_RIGHT) / TEST_RIGHT;
}

function weigh(h: Happening, seen: SeenSigns, timed: number | null, tested: Tested): Weighed {
  const weights = h.sizes.map((s) => likelihood(seen, s.z));
  const mean = weights.reduce((a, w) => a + w, 0) / Math.max(1, weights.length);
  return {
    h,
    weight: h.before * byTime(h.id, timed) * byTest(h.id, tested) * mean,
    fit: mean,
    range: rangeOf(h.sizes, weights),
    looks: expected(middleOf(h.sizes, weights)),
  };
}

const lookAlike = (a: readonly number[], b: readonly number[]): boolean =>
  a.every((x, n) => Math.abs(x - (b[n] ?? 0)) <= ALIKE);

/** A side timed within these parts of its usual minutes was neither early nor late; one beyond them was, most likely. */
const EARLY = 0.85;
const LATE = 1.2;
const TIMED_SO = 5;
const TIMED_OTHERWISE = 0.1;
/** How much likelier a slip is by the side that was timed, as a part of its usual time; null: nobody timed it. */
function byTime(id: string, timed: number | null): number {
  if (timed === null || (id !== 'early' && id !== 'late')) return 1;
  return (id === 'early' ? timed < EARLY : timed > LATE) ? TIMED_SO : TIMED_OTHERWISE;
}

/**
 * @param possible what may have happened, as it is worked of the batch
 * @param seen what somebody has marked; what is not marked says nothing
 * @param timed the first side as a part of its usual time; null: nobody timed it
 * @param tested what tests showed since, by the slip
 * @returns null where nothing that was marked is evidence
 */
export function whatHappened(
  possible: Possible,
  seen: SeenSigns,
  u: Pick<Units, 'weight' | 'temperature'>,
  timed: number | null = null,
  tested: Tested = {},
): Happened | null {
  if (!isEvidence(seen)) return null;
  const noted = likelihood(seen, possible.noted);
  const weighed = possible.happenings.map((h) => weigh(h, seen, timed, tested)).sort((a, b) => b.weight - a.weight);
  const all = noted + weighed.reduce((a, w) => a + w.weight, 0);
  if (!(all > 0)) return null;
  const groups: Weighed[][] = [];
  for (const w of weighed) {
    // what fits no better than that nothing happened explains nothing
    if ((w.weight < LEAST_SHARE * all && tested[w.h.id] === undefined) || w.fit <= noted) continue;
    const own = groups.find((g) => g[0] !== undefined && lookAlike(g[0].looks, w.looks));
    if (own) own.push(w);
    else groups.push([w]);
  }
  return {
    asNoted: noted / all,
    groups: groups
      .map((g) => ({
        share: g.reduce((a, w) => a + w.weight, 0) / all,
        members: g.map(({ h, weight, range }) => ({
          id: h.id,
          words: h.words,
          share: weight / all,
          range,
          sizes: sizesSaid(h, range[0], range[1], u),
          test: h.test,
          shows: h.shows,
          tested: tested[h.id] ?? null,
        })),
      }))
      .sort((a, b) => b.share - a.share),
  };
}

/** A group is named where it is likelier than not to be the reason, and so many times likelier than that nothing happened. */
const NAMED = 0.5;
const TIMES_NOTED = 5;
export const isNamed = (h: Happened): boolean =>
  (h.groups[0]?.share ?? 0) >= NAMED && (h.groups[0]?.share ?? 0) >= TIMES_NOTED * h.asNoted;

/** "about 7 in 10". */
export const chanceSaid = (share: number): string =>
  share >= 0.95 ? 'almost surely' : `about ${Math.max(1, Math.round(10 * share))} in 10`;

/** A range of sizes in words: "1.4 to 3 g instead of 14 g". */
function sizesSaid(h: Happening, low: number, high: number, u: Pick<Units, 'weight' | 'temperature'>): string {
  const to = (say: (x: number) => string): string =>
    say(low) === say(high) ? say(low) : `${say(low)} to ${say(high)}`;
  switch (h.unit) {
    case 'g':
      return `${to((x) => massNumber(x, u))} ${u.weight}${h.planned === null ? '' : ` instead of ${massNumber(h.planned, u)} ${u.weight}`}`;
    case 'min':
      return to((x) => minutesOrHours(Math.round(x / 5) * 5));
    case 'degrees':
      return `by ${to((x) => String(Math.round(u.temperature === 'F' ? x * 1.8 : x)))} °${u.temperature}`;
    case 'times':
      return `${to((x) => x.toFixed(1))} times the usual`;
    case 'of its strength':
    case 'of its time':
      return `${to((x) => String(Math.round(10 * x) * 10))} % ${h.unit}`;
    case null:
      return '';
  }
}
