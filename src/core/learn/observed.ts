/** What a finished batch says of what can be learned: what was seen against what is foretold with nothing learned. */
import type { Batch } from '../batch/batch';
import { testsIn } from '../batch/pieces';
import { mixesIn } from '../batch/split';
import { spreadOf } from '../batter/spread';
import { toolLossG } from '../batter/volume';
import type { BowlAtWork } from '../day/bowl';
import { expectedIn } from '../day/day';
import { kindById } from '../formula/kinds';
import type { LessonId } from '../formula/learned';
import { pouredG } from '../formula/tally';
import type { Ways } from '../formula/ways';
import { cakeDensity, fade } from '../lift/fade';
import type { Numbers } from '../numbers';
import { minutesAndSeconds } from '../quantity/say';
import { heatIn } from '../script/read';
import type { Observation } from './lessons';

/** How high a cake stands that was poured so thick, mm: its gas swells, its mass stays. */
export function cakeHeightMm(a: Numbers, thickMm: number): number | null {
  if (!a.volume || !a.thickness || a.volume.foamed) return null;
  const { massG, waterG } = a.tally;
  const { restMin, batterC } = a.standing;
  const [left] = fade(a.ledger, { batterG: massG, waterG, paS: a.thickness.paS, batterC }, [restMin]);
  return left ? (thickMm * a.volume.densityGPerMl) / cakeDensity(left.lift) : null;
}

/** mL that one bowl pours, what sticks to it left out. */
export const usableMl = (a: Numbers): number | null => {
  if (!a.volume) return null;
  const g = pouredG(a.tally);
  return (g - toolLossG(g)) / a.volume.densityGPerMl;
};

/** mm of a pour so wide. */
const thickMmOf = (ml: number, acrossCm: number): number => (40 * ml) / (Math.PI * acrossCm ** 2);

const cm = (mm: number): string => `${(mm / 10).toFixed(1)} cm`;
const mm = (x: number): string => `${Math.round(x)} mm`;

/**
 * @param b a finished batch, with what came out
 * @param bowl what was in it, worked with nothing learned
 */
export function observationsOf(b: Batch, bowl: BowlAtWork, ways: Ways): readonly Observation[] {
  const [p, ...more] = bowl.pourings;
  // of two ends nobody has said which piece was measured
  if (more.length > 0) return [];
  const { analysis: a } = bowl;
  const kind = kindById(p.kind);
  const found: Observation[] = [];
  const say = (
    lesson: LessonId,
    seen: number,
    foretold: number | null | undefined,
    says: (x: number) => string,
  ): void => {
    if (foretold && seen > 0 && Number.isFinite(seen / foretold))
      found.push({
        lesson,
        batchId: b.id,
        batch: b.name,
        at: b.startedAt.getTime(),
        ratio: lesson === 'spread' ? (seen / foretold) ** 3 : seen / foretold,
        says: `${says(seen)}, foretold ${says(foretold)}`,
      });
  };
  const lies = p.portionMl && a.thickness && !a.volume?.foamed ? spreadOf(kind, a.thickness.paS, p.portionMl) : null;
  if (lies && !kind.tilted && b.acrossMm !== null) say('spread', b.acrossMm, 10 * lies.diameterCm, cm);
  if (lies && !kind.tilted && b.heightMm !== null && p.portionMl) {
    const thick = b.acrossMm === null ? lies.thickMm : thickMmOf(p.portionMl, b.acrossMm / 10);
    say('height', b.heightMm, cakeHeightMm(a, thick), mm);
  }
  const { times, by } = expectedIn(bowl, 0, ways);
  const given = heatIn(bowl.script).given;
  if (by !== 'told' && !given.second && b.firstSideS !== null) {
    // both sides where both were timed
    const both = times.second !== null && b.secondSideS !== null;
    const seen = b.firstSideS + (both ? (b.secondSideS ?? 0) : 0);
    say(`time:${p.kind}`, seen, times.first + (both ? (times.second ?? 0) : 0), minutesAndSeconds);
  }
  const usable = usableMl(a);
  if (p.portionMl && usable !== null && b.pieces !== null && b.pieces > 0 && !kindFillsPan(b, p.portionMl)) {
    const poured = b.pieces + testsIn(b);
    say('pours', (usable * mixesIn(b.split)) / poured, p.portionMl, (x) => `${x.toFixed(0)} ml`);
  }
  return found;
}

/** An oven pancake is counted in pans. */
const kindFillsPan = (b: Pick<Batch, 'kind'>, portionMl: number): boolean => b.kind === 'oven' || portionMl <= 0;
