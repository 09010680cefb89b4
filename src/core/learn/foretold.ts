/**
 * A batch foretold before it is made: what this formula will be in this kitchen. Models, corrected by what the kitchen
 * has learned; of two ends from one base nothing is foretold.
 */

import { wantedPieces } from '../batch/driver';
import type { Foretelling, Foretold, ForetoldWhat } from '../batch/foretold';
import { testsIn } from '../batch/pieces';
import type { WholePlan } from '../batch/plan-of';
import type { Serving } from '../batch/serving';
import { mixesIn, type Split } from '../batch/split';
import { liesAs } from '../batter/spread';
import { piecesOf } from '../batter/volume';
import type { BowlAtWork } from '../day/bowl';
import type { dayOfPlan } from '../day/day';
import { timeLine } from '../day/schedule';
import { kindById } from '../formula/kinds';
import { factorOf, type LessonId } from '../formula/learned';
import { pouredG } from '../formula/tally';
import type { SideTimes } from '../script/on-heat';
import { heatIn } from '../script/read';
import { priorOf } from './lessons';
import { cakeHeightMm } from './observed';
import { sdOfNext } from './rule';

/** Standard deviations either way that eight of ten lie within. */
const EIGHT_OF_TEN = 1.2816;
/** Share of the time at the heat, and the least, by which the last piece may be off earlier or later; ms. Ours. */
const OFF_SHARE = 0.15;
const OFF_LEAST_MS = 3 * 60_000;

interface OfPlan {
  readonly bowl: BowlAtWork;
  /** Seconds a side is expected to lie. */
  readonly times: SideTimes;
  /** Sides that rest on what this kitchen timed or on what somebody gave, and not on the lesson of their kind. */
  readonly own: { readonly first: boolean; readonly second: boolean };
  /** The model says a range alone: the pour is thick for it. */
  readonly ranged: boolean;
  /** Pieces it is to make, a test piece left out; null: none are counted. */
  readonly pieces: number | null;
  /** Somebody asked for so many: what is over stays in the bowl. */
  readonly counted: boolean;
  readonly mixes: number;
  readonly tests: number;
  /** When the heat begins and the last piece is off, by the time line; null: nobody has said when it is served. */
  readonly atHeat: { readonly from: number; readonly to: number } | null;
}

/** @returns null where nothing can be foretold */
function foretell(q: OfPlan): Foretold | null {
  const [p, ...more] = q.bowl.pourings;
  if (more.length > 0) return null;
  const { analysis: a } = q.bowl;
  const kind = kindById(p.kind);
  const by = new Set<LessonId>();
  /** The range of a number, as the lesson spreads it. */
  const about = (what: ForetoldWhat, value: number, lesson: LessonId, power: number): Foretelling => {
    if (a.learned[lesson]) by.add(lesson);
    const far = Math.exp(EIGHT_OF_TEN * power * sdOfNext(a.learned[lesson], priorOf(lesson)));
    return { what, value, low: value / far, high: value * far };
  };
  const numbers: Foretelling[] = [];
  if (q.pieces !== null && p.portionMl && a.volume && p.kind !== 'oven') {
    const takes = about('pieces', factorOf(a.learned, 'pours'), 'pours', 1);
    const pours = (times: number): number =>
      Math.max(
        0,
        q.mixes * piecesOf(pouredG(a.tally), a.volume?.densityGPerMl ?? 1, (p.portionMl ?? 1) * times).pieces - q.tests,
      );
    const most = q.counted ? q.pieces : Number.POSITIVE_INFINITY;
    numbers.push({
      what: 'pieces',
      value: Math.min(most, pours(takes.value)),
      low: Math.min(most, pours(takes.high)),
      high: Math.min(most, pours(takes.low)),
    });
  }
  const lies = p.portionMl && !a.volume?.foamed && !kind.tilted ? liesAs(kind, a, p.portionMl) : null;
  if (lies) {
    numbers.push(about('across', 10 * lies.diameterCm, 'spread', 1 / 3));
    const high = cakeHeightMm(a, lies.thickMm);
    if (high !== null) numbers.push(about('height', high * factorOf(a.learned, 'height'), 'height', 1));
  }
  const side = (what: 'first' | 'second', s: number): Foretelling => {
    if (!q.own[what]) return { ...about(what, s, `time:${p.kind}`, 1), ...(q.ranged && { ranged: true }) };
    const far = Math.exp(EIGHT_OF_TEN * priorOf(`time:${p.kind}`).sdBatch);
    return { what, value: s, low: s / far, high: s * far };
  };
  numbers.push(side('first', q.times.first));
  if (q.times.second !== null) numbers.push(side('second', q.times.second));
  if (q.atHeat) {
    const far = Math.max(OFF_LEAST_MS, OFF_SHARE * (q.atHeat.to - q.atHeat.from));
    numbers.push({ what: 'off', value: q.atHeat.to, low: q.atHeat.to - far, high: q.atHeat.to + far });
  }
  return { numbers, by: [...by] };
}

/** A plan foretold. @param timed seconds its sides took here so far; null: it was not timed */
export function foretoldOf(
  plan: Pick<WholePlan, 'driver' | 'planned'>,
  day: ReturnType<typeof dayOfPlan>,
  split: Split,
  serving: Serving | null,
  timed: SideTimes | null,
): Foretold | null {
  const { driver, planned } = plan;
  const all = planned.pieces?.all ?? null;
  const loads = serving ? timeLine(day.steps, serving, null).placed.filter((p) => p.step.loads) : [];
  const [expected] = day.expected;
  if (!expected) return null;
  const given = heatIn(day.bowl.script).given;
  return foretell({
    bowl: day.bowl,
    times: timed ?? expected.times,
    own: timed ? { first: true, second: timed.second !== null } : given,
    ranged: !timed && expected.ranged,
    pieces: all,
    counted: wantedPieces(driver) !== null,
    mixes: mixesIn(split),
    tests: testsIn({ driver, split, piecesPlanned: all }),
    atHeat:
      loads.length > 0
        ? { from: Math.min(...loads.map((p) => p.start)), to: Math.max(...loads.map((p) => p.end)) }
        : null,
  });
}
