/**
 * From a formula to the question the solver answers, and back to lines: what each line brings, what is pinned and held.
 */
import type { Worked } from '../analyse-formula';
import type { FormulaLine } from '../formula/formula';
import { RAIL_NAMES, RAILS, type Rail, railOf, sayRail } from '../formula/kinds';
import { testedFlourG } from '../formula/tally';
import { kitchenName } from '../pantry/ingredient';
import { type Bench, type Proposal, withGrams, workedOn } from './bench';
import { A_PINCH_G, aTenth, lineBounds, ROUNDING } from './bounds';
import { bringsOf, movesRail, perGram } from './brings';
import {
  type Answer,
  type Brings,
  type Goal,
  type Mover,
  NO_CHANGE,
  type Question,
  railValue,
  solve,
  sumOf,
} from './solve';

/** Flour is the hundred that all is measured by: it moves last, unless the size is held or follows something. */
const FLOUR_CLINGS = 1000;
const FLOUR_CLINGS_IN_A_SIZE = 4;
/** Share of its zone's width that a rail may stray when another is dragged. */
const LEASH = 0.5;

export interface Asked {
  readonly question: Question;
  /** Keys of the movers, in order. */
  readonly keys: readonly string[];
  /** Wishes that no line can meet: nothing that may move is a source of that rail. They are told, not solved. */
  readonly unmet: readonly Wish[];
}

export interface Wish {
  readonly rail: Rail;
  readonly value: number;
  readonly how?: Goal['how'];
}

interface Freedom {
  /** Lines that stand still besides the pinned ones. */
  readonly still?: ReadonlySet<string>;
  /** The batch may grow or shrink as a whole. */
  readonly anySize?: boolean;
  /** Rails that are nobody's business for now. */
  readonly skip?: readonly Rail[];
  /** What rails are kept at, where that is not where the lines stand now. */
  readonly keepAt?: Partial<Readonly<Record<Rail, number>>>;
  /**
   * The total that the batch keeps, where another formula came before this one: of a swap, whose flour may be what
   * changes.
   */
  readonly massG?: number;
  /** The share by which flour and total may change: a tenth, unless the size is what is asked about. */
  readonly slack?: number;
}

/** The lines of a sheet as the solver has them: those that move, with their ends, and those that stand. */
interface Movers {
  readonly movers: readonly Mover[];
  /** Of each mover its line. */
  readonly keys: readonly string[];
  readonly stillLines: readonly Brings[];
  /** Rails that some line that moves brings something to. */
  readonly moved: ReadonlySet<Rail>;
}

function moversOf(w: Worked, wishes: readonly Wish[], freedom: Freedom, massHeld: boolean): Movers {
  const panFat = w.analysis.kind?.panFatCounts ?? false;
  const movers: Mover[] = [];
  const keys: string[] = [];
  const stillLines: Brings[] = [];
  const moved = new Set<Rail>();
  const clings = freedom.anySize ? 1 : massHeld ? FLOUR_CLINGS_IN_A_SIZE : FLOUR_CLINGS;
  for (const line of w.lines) {
    const all = bringsOf(line, panFat);
    // what was pressed out was pressed out of so much: such a line stands
    const asked = wishes.some((x) => movesRail(line, x.rail));
    const isPinch = line.grams !== null && line.grams < A_PINCH_G && !asked && !freedom.anySize;
    const stands = line.pinned || line.drainedG > 0 || isPinch || freedom.still?.has(line.key);
    if (line.use !== 'batter' || line.grams === null || stands) {
      stillLines.push(all);
      continue;
    }
    const [least, most] = freedom.anySize ? [0, Number.POSITIVE_INFINITY] : lineBounds(line.grams, asked);
    movers.push({
      grams: line.grams,
      least,
      // never less than it is now: a line over its limit is told, not made smaller behind the cook's back
      most: Math.min(most, line.mostG === null ? Number.POSITIVE_INFINITY : Math.max(line.grams, line.mostG)),
      clings: all.flour > 0 ? clings : 1,
      brings: perGram(all, line.grams),
    });
    keys.push(line.key);
    for (const rail of RAILS) if (movesRail(line, rail)) moved.add(rail);
  }
  return { movers, keys, stillLines, moved };
}

/**
 * Puts the question: these rails to these values, pinned lines still, held rails where they are, the others about
 * there.
 */
export function ask(b: Bench, w: Worked, wishes: readonly Wish[], freedom: Freedom = {}): Asked {
  const { held } = b.formula;
  const { movers, keys, stillLines, moved } = moversOf(w, wishes, freedom, held.mass);
  const still = stillLines.reduce(
    (a, x) => sumOf(a, [{ grams: 1, least: 1, most: 1, clings: 1, brings: x }], [1]),
    NO_CHANGE,
  );
  // a rail that nothing on the sheet moves would be met by flour that shrinks
  const unmet = freedom.anySize ? [] : wishes.filter((x) => !moved.has(x.rail));
  const met = wishes.filter((x) => !unmet.includes(x));
  const goals = RAILS.flatMap((rail): readonly Goal[] => {
    const reading = railOf(w.analysis, rail);
    if (!reading) return [];
    const zone = reading.zone ?? [0, Math.max(1, 2 * reading.tested)];
    const width = Math.max(1e-6, zone[1] - zone[0]);
    const wish = met.find((x) => x.rail === rail);
    if (wish) return [{ rail, value: wish.value, how: wish.how ?? 'yield', width }];
    if (freedom.skip?.includes(rail) || (rail === 'lift' && w.analysis.tally.hasYeast)) return [];
    if (freedom.massG !== undefined && !moved.has(rail)) return [];
    const meet = held.rails.includes(rail);
    // where rails are kept as they stand, none is to pay for another with more than half its zone
    const leashed = !meet && !freedom.anySize && freedom.keepAt === undefined;
    const value = freedom.keepAt?.[rail] ?? reading.tested;
    return [{ rail, value, how: meet ? 'meet' : 'keep', width, ...(leashed ? { leash: LEASH * width } : {}) }];
  });
  const now = w.analysis.tally;
  const flourG = testedFlourG(now);
  const eggs = stillLines.reduce((n, x) => n + x.eggs, 0) + movers.reduce((n, m) => n + m.brings.eggs * m.grams, 0);
  const question: Question = {
    movers,
    still,
    goals,
    massG: held.mass ? now.massG : null,
    eggs: held.eggs ? eggs : null,
    size: freedom.anySize
      ? null
      : {
          flour: freedom.massG === undefined ? aTenth(flourG, freedom.slack) : null,
          mass: aTenth(freedom.massG ?? now.massG, freedom.slack),
        },
    stiffness: freedom.anySize ? 1e-3 : 1,
  };
  return { question, keys, unmet };
}

const gramsInRatio = (keys: readonly string[], a: Answer): ReadonlyMap<string, number> =>
  new Map(keys.map((k, i) => [k, a.grams[i] ?? 0]));

/** How near a goal's rail has to stay, when amounts are rounded or small changes left out. */
const near = (goal: Goal): number =>
  goal.how === 'keep' ? 0.01 * goal.width : goal.rail === 'lift' ? 0.004 : goal.rail === 'salt' ? 0.02 : 0.05;

/** Whether amounts keep the ends of their lines, and of flour and total, that the question sets. */
function keepsEnds(q: Question, grams: readonly number[]): boolean {
  const t = sumOf(q.still, q.movers, grams);
  const between = (x: number, ends: readonly [number, number] | null | undefined, share: number): boolean =>
    !ends || (x >= (1 - share) * ends[0] - 1e-6 && x <= (1 + share) * ends[1] + 1e-6);
  const size = between(t.flour, q.size?.flour, ROUNDING) && between(t.mass, q.size?.mass, ROUNDING);
  return size && q.movers.every((m, i) => between(grams[i] ?? 0, [m.least, m.most], 0));
}

/** Whole grams for what is weighed in tens, tenths below, where the rails asked for don't mind. */
function tidied(asked: Asked, a: Answer): Answer {
  const { question: q } = asked;
  const rounded = (g: number, coarse: boolean): number => {
    const step = g >= 20 ? (coarse ? 1 : 0.1) : g >= 9.95 ? 0.1 : 0.01;
    return Math.round(g / step) * step;
  };
  for (const coarse of [true, false]) {
    // what has not moved stays as it is written
    const grams = a.grams.map((g, i) => (g === q.movers[i]?.grams ? g : rounded(g, coarse)));
    const t = sumOf(q.still, q.movers, grams);
    const values = q.goals.map((goal) => railValue(t, goal.rail));
    const fine = q.goals.every((goal, i) => Math.abs((values[i] ?? 0) - (a.values[i] ?? 0)) <= near(goal));
    if (fine && keepsEnds(q, grams) && (q.massG === null || Math.abs(t.mass - q.massG) < 0.5))
      return { ...a, grams, values };
  }
  return a;
}

/**
 * Shares of itself under which a line's change is tried without, the largest first: a bystander that hardly moves
 * stays.
 */
const SMALL = [0.3, 0.15, 0.08, 0.04, 0.015, 0.004] as const;
/** How far a kept rail may stray for it, as a share of its zone's width. */
const STRAYS = 0.04;

/** The same goals met with the lines that would hardly move left alone: fewer lines to weigh anew. */
function withFewest(q: Question, a: Answer): Answer {
  for (const share of SMALL) {
    const small = a.grams.map((g, i) => Math.abs(g - (q.movers[i]?.grams ?? 0)) < share * (q.movers[i]?.grams ?? 0));
    if (!small.some((x, i) => x && a.grams[i] !== q.movers[i]?.grams)) continue;
    const movers = q.movers.map((m, i) => (small[i] ? { ...m, least: m.grams, most: m.grams } : m));
    const fewer = solve({ ...q, movers });
    const grams = fewer.grams.map((g, i) => (small[i] ? (q.movers[i]?.grams ?? g) : g));
    const kept = q.goals.every(
      (g, i) => g.how !== 'keep' || Math.abs((fewer.values[i] ?? 0) - (a.values[i] ?? 0)) <= STRAYS * g.width,
    );
    if (fewer.met && kept) return { ...fewer, grams };
  }
  return a;
}

/** What could be added to bring more of a thing. */
const SOURCES: Readonly<Record<Rail, string>> = {
  water: 'milk or water',
  egg: 'eggs',
  fat: 'butter or oil',
  sugar: 'sugar',
  salt: 'salt',
  lift: 'baking powder',
};

const listed = (lines: readonly FormulaLine[]): string =>
  lines
    .slice(0, 3)
    .map((l) => `"${l.text.slice(0, 40)}"`)
    .join(', ');

const bringsRail = (l: FormulaLine, rail: Rail, panFat: boolean): number => {
  const x = bringsOf(l, panFat);
  return rail === 'lift' ? x.powderMeq + x.sodaMeq : x[rail];
};

/** Why a rail can't go where it was asked to, and the nearest that it can. */
function whyShort(b: Bench, w: Worked, wish: Wish, reached: number): string {
  const panFat = w.analysis.kind?.panFatCounts ?? false;
  const now = railOf(w.analysis, wish.rail)?.tested ?? 0;
  const name = RAIL_NAMES[wish.rail];
  const bring = w.lines
    .filter((l) => bringsRail(l, wish.rail, panFat) > 1e-6 * w.analysis.tally.massG)
    .sort((x, y) => bringsRail(y, wish.rail, panFat) - bringsRail(x, wish.rail, panFat));
  // flour brings a little of much; it is no source of anything but itself
  const sources = bring.filter((l) => movesRail(l, wish.rail));
  const pinned = sources.filter((l) => l.pinned);
  const near = `${sayRail(wish.rail, reached)} is the nearest.`;
  const up = wish.value > now;
  if (up && sources.length === 0)
    return `${name} can't go to ${sayRail(wish.rail, wish.value)}: nothing on the sheet brings it. Add ${SOURCES[wish.rail]}. ${near}`;
  if (pinned.length > 0 && pinned.length === sources.length)
    return `${name} can't go to ${sayRail(wish.rail, wish.value)}: what brings it is kept as it is (${listed(pinned)}). ${near}`;
  const heldNames = b.formula.held.rails.filter((r) => r !== wish.rail).map((r) => RAIL_NAMES[r].toLowerCase());
  const holds = [
    ...heldNames,
    ...(b.formula.held.mass ? ['the total'] : []),
    ...(b.formula.held.eggs ? ['the eggs'] : []),
  ];
  if (pinned.length > 0 || holds.length > 0) {
    const what = [
      ...(pinned.length > 0 ? [`${listed(pinned)} kept`] : []),
      ...(holds.length > 0 ? [`${holds.join(', ')} kept`] : []),
    ].join(' and ');
    return `${name} can't go to ${sayRail(wish.rail, wish.value)} with ${what}. ${near}`;
  }
  const tied = bring.find((l) => l.parts.length > 1);
  if (tied)
    return `${name} can't go to ${sayRail(wish.rail, wish.value)}: ${listed([tied])} holds two things that move together. Give each a line of its own. ${near}`;
  if (!up) {
    const names = [...new Set(bring.flatMap((l) => l.parts.map((p) => kitchenName(p.ingredient).toLowerCase())))].slice(
      0,
      3,
    );
    const who = names.length > 0 ? names.join(', ') : 'the other lines';
    return `${name} can't go to ${sayRail(wish.rail, wish.value)}: ${who} ${names.length === 1 ? 'brings' : 'bring'} that much, and with less of it another ratio would go far off. ${near}`;
  }
  return `${name} can't go to ${sayRail(wish.rail, wish.value)} with these lines without another ratio going far off. ${near}`;
}

/** Lines with other grams so that some rails stand elsewhere. */
interface Bent extends Pick<Proposal, 'formula' | 'short'> {
  /** By key, for who writes them less finely than `formula` does. */
  readonly grams: ReadonlyMap<string, number>;
}

/** Turns an answer into lines, tidied, with what it fell short of. */
export function bentFrom(b: Bench, w: Worked, asked: Asked, answer: Answer): Bent {
  const a = answer.met ? tidied(asked, withFewest(asked.question, answer)) : answer;
  const missed = asked.question.goals
    .map((g, i) => ({ g, at: answer.values[i] ?? 0 }))
    .filter(({ g, at }) => g.how !== 'keep' && Math.abs(at - g.value) > (g.rail === 'lift' ? 0.005 : 0.05));
  const missedSaid = answer.met ? [] : missed.map(({ g, at }) => whyShort(b, w, g, at));
  const unmetSaid = asked.unmet.map((x) => whyShort(b, w, x, railOf(w.analysis, x.rail)?.tested ?? 0));
  const short = [...unmetSaid, ...missedSaid].join(' ') || null;
  // what fell short is the nearest, and needs no hundredths, but where rounding would go past an end
  const coarser = [1, 0.1]
    .map((step) => a.grams.map((g) => (g < 9.95 ? g : g < 20 ? Math.round(10 * g) / 10 : step * Math.round(g / step))))
    .find((g) => keepsEnds(asked.question, g));
  const grams = gramsInRatio(asked.keys, answer.met ? a : { ...a, grams: coarser ?? a.grams });
  return { formula: withGrams(b, w.lines, grams, 0.01), grams, short };
}

/** Asks and answers in one go, on this thread: for fixes, swaps and moves. */
export function bend(b: Bench, wishes: readonly Wish[], freedom: Freedom = {}): Bent {
  const w = workedOn(b);
  const asked = ask(b, w, wishes, freedom);
  return bentFrom(b, w, asked, solve(asked.question));
}
