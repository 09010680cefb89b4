/** What a finished batch says of what can be learned: what was seen against what is foretold with nothing learned. */
import type { Batch } from '../batch/batch';
import { testsIn } from '../batch/pieces';
import { mixesIn } from '../batch/split';
import { spreadOf } from '../batter/spread';
import { toolLossG } from '../batter/volume';
import { liftAtPour } from '../cooking/expected';
import type { BowlAtWork } from '../day/bowl';
import { expectedIn } from '../day/day';
import { type KindId, kindById } from '../formula/kinds';
import type { LessonId } from '../formula/learned';
import { pouredG } from '../formula/tally';
import type { Ways } from '../formula/ways';
import { cakeDensity } from '../lift/fade';
import type { MorningClosing } from '../morning/closing';
import { platesWanted } from '../morning/morning';
import type { MorningPlan } from '../morning/plan';
import type { Numbers } from '../numbers';
import { minutesAndSeconds } from '../quantity/say';
import type { SideTimes } from '../script/on-heat';
import { heatIn } from '../script/read';
import type { Observation } from './lessons';

/** How high a cake stands that was poured so thick, mm: its gas swells, its mass stays. */
export function cakeHeightMm(a: Numbers, thickMm: number): number | null {
  if (!a.volume || !a.thickness || a.volume.foamed) return null;
  return (thickMm * a.volume.densityGPerMl) / cakeDensity(liftAtPour(a, a.thickness.paS));
}

/** mL that one bowl pours, what sticks to it left out. */
const usableMl = (a: Numbers): number | null => {
  if (!a.volume) return null;
  const g = pouredG(a.tally);
  return (g - toolLossG(g)) / a.volume.densityGPerMl;
};

/** mm of a pour so wide. */
const thickMmOf = (ml: number, acrossMm: number): number => (4000 * ml) / (Math.PI * acrossMm ** 2);

/** What is foretold of a batch with nothing learned; null: it can't be, or somebody gave it. */
interface PlainForetelling {
  readonly kind: KindId;
  /** mm of a cake that is poured freely. */
  readonly acrossMm: number | null;
  /** mm of a cake that lies so wide. */
  readonly heightMm: (acrossMm: number) => number | null;
  /** Seconds. */
  readonly times: SideTimes | null;
  /** mL that all its bowls pour, and what a piece is asked to take. */
  readonly pours: { readonly allMl: number; readonly portionMl: number } | null;
}

/** @param bowl worked with nothing learned @returns null where two ends came from one base: which was measured is not known */
export function plainForetelling(b: Pick<Batch, 'split'>, bowl: BowlAtWork, ways: Ways): PlainForetelling | null {
  const [p, ...more] = bowl.pourings;
  if (more.length > 0) return null;
  const { analysis: a } = bowl;
  const kind = kindById(p.kind);
  const ml = p.portionMl;
  const lies = ml && a.thickness && !a.volume?.foamed && !kind.tilted ? spreadOf(kind, a.thickness.paS, ml) : null;
  const { times, by } = expectedIn(bowl, 0, ways);
  const isGiven = by === 'told' || heatIn(bowl.script).given.second;
  const usable = usableMl(a);
  return {
    kind: p.kind,
    acrossMm: lies && 10 * lies.diameterCm,
    heightMm: (acrossMm) => (lies && ml ? cakeHeightMm(a, thickMmOf(ml, acrossMm)) : null),
    times: isGiven ? null : times,
    // an oven pancake is counted in pans
    pours: ml && usable !== null && p.kind !== 'oven' ? { allMl: usable * mixesIn(b.split), portionMl: ml } : null,
  };
}

const cm = (mm: number): string => `${(mm / 10).toFixed(1)} cm`;
const mm = (x: number): string => `${Math.round(x)} mm`;
const ml = (x: number): string => `${Math.round(x)} ml`;

/**
 * @param b a finished batch, with what came out
 * @param bowl what was in it, worked with nothing learned
 */
export function observationsOf(b: Batch, bowl: BowlAtWork, ways: Ways): readonly Observation[] {
  const plain = plainForetelling(b, bowl, ways);
  if (!plain) return [];
  const found: Observation[] = [];
  const say = (
    lesson: LessonId,
    seen: number,
    foretold: number | null,
    said: (x: number) => string,
    power = 1,
  ): void => {
    if (!foretold || !(seen > 0)) return;
    const says = `${said(seen)}, foretold ${said(foretold)}`;
    const ratio = (seen / foretold) ** power;
    found.push({ lesson, batchId: b.id, batch: b.name, at: b.startedAt.getTime(), ratio, says });
  };
  const { acrossMm, times, pours } = plain;
  if (b.acrossMm !== null) say('spread', b.acrossMm, acrossMm, cm, 3);
  // as high as a cake so wide would stand: of a width that nobody measured the model's own error would be learned here
  if (b.heightMm !== null && b.acrossMm !== null) say('height', b.heightMm, plain.heightMm(b.acrossMm), mm);
  if (times && b.firstSideS !== null) {
    // both sides where both were timed
    const both = times.second !== null && b.secondSideS !== null;
    const sides = (first: number, second: number | null): number => first + (both ? (second ?? 0) : 0);
    say(`time:${plain.kind}`, sides(b.firstSideS, b.secondSideS), sides(times.first, times.second), (s) =>
      minutesAndSeconds(Math.round(s)),
    );
  }
  if (pours && b.pieces !== null && b.pieces > 0)
    say('pours', pours.allMl / (b.pieces + testsIn(b)), pours.portionMl, ml);
  return found;
}

/** A morning that is closed. */
interface ClosedMorning {
  readonly id: string;
  readonly at: number;
  readonly plan: Pick<MorningPlan, 'name' | 'waves' | 'dishes'>;
  readonly closing: MorningClosing;
}

/** What guests ate of each dish against what was planned for a guest; what nobody counted is left out. */
export function appetitesOf(m: ClosedMorning): readonly Observation[] {
  const plates = platesWanted({
    waves: m.plan.waves,
    dishes: m.plan.dishes.map((d) => ({ ...d, name: '', kind: 'griddle' })),
  });
  return m.plan.dishes.flatMap((d, n): readonly Observation[] => {
    const served = m.closing.dishes.find((x) => x.dish === d.id)?.served ?? null;
    const guests = (plates[n] ?? []).reduce((a, x) => a + x, 0);
    if (served === null || guests === 0 || d.each <= 0) return [];
    const ate = served / guests;
    return [
      {
        lesson: 'appetite',
        batchId: `${m.id} ${d.id}`,
        batch: m.plan.name || 'A morning',
        morningId: m.id,
        at: m.at,
        ratio: Math.exp(ate - d.each),
        says: `${ate.toFixed(1)} pieces a guest, ${d.each.toFixed(1)} planned`,
      },
    ];
  });
}
