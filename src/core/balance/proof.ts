/**
 * A fix is tried in thought before it is offered: applied, analysed again, and held against what it promises. It passes
 * only when its own finding is gone or clearly smaller, nothing worse than a note is new, in either end, and what gives
 * the formula its name is not cut away.
 */
import type { Analysis } from '../analyse';
import { namesIn } from '../card/method';
import { strongLimit } from '../findings/card-rules';
import { type Finding, SEVERITIES } from '../findings/finding';
import { END_IDS, type Formula, type FormulaLine } from '../formula/formula';
import { railOf } from '../formula/kinds';
import { tally, testedFlourG } from '../formula/tally';
import { nounsOf } from '../pantry/nouns';
import { type Bench, type Proposal, withFormula, workedOn } from './bench';

const weight = (s: Finding['severity']): number => SEVERITIES.length - SEVERITIES.indexOf(s);

/**
 * How bad what a finding speaks of is, in its own measure: the law compares it with itself. Null: it has no measure.
 */
function measureOf(code: string, a: Analysis): number | null {
  const flour = testedFlourG(a.tally);
  if (code === 'soda-unspent') return flour > 0 ? a.ledger.unspentSodaG / flour : null;
  if (code === 'acid-unspent') return flour > 0 ? a.ledger.unspentAcidMeq / flour : null;
  const rail = (
    { salt: 'salt', sugar: 'sugar', fat: 'fat', egg: 'egg', under: 'lift', over: 'lift', too: 'water' } as const
  )[code.split('-')[0] ?? ''];
  const r = rail ? railOf(a, rail) : null;
  if (!r?.zone) return null;
  return Math.max(0, r.zone[0] - r.tested, r.tested - r.zone[1]) / (r.zone[1] - r.zone[0]);
}

/** The share of what it was that counts as clearly smaller. */
const CLEARLY = 0.5;

function eased(f: Finding, before: Analysis, after: Analysis): boolean {
  const still = after.findings.find((x) => x.code === f.code);
  if (!still) return true;
  if (weight(still.severity) > weight(f.severity)) return false;
  if (weight(still.severity) < weight(f.severity)) return true;
  const [was, is] = [measureOf(f.code, before), measureOf(f.code, after)];
  if (was === null || is === null) return (still.keys?.length ?? 0) < (f.keys?.length ?? 0);
  return is <= CLEARLY * was;
}

/** Nothing worse than a note that was not said as loudly before. */
const nothingWorse = (before: Analysis, after: Analysis): boolean =>
  after.findings.every(
    (x) =>
      x.severity === 'note' ||
      before.findings.some((y) => y.code === x.code && weight(y.severity) >= weight(x.severity)),
  );

/** The share of what gives the formula its name that a fix may take away. */
const NAMESAKE = 0.9;
/** Of a strong spice, the share of its limit that is usual: what `lessSpice` leaves, but for a spoon's rounding. */
const USUAL_SHARE = 0.4;

interface Namesake {
  readonly grams: number;
  /** What most formulas have of it at most, g; above that it is a fault, and no name is kept by a fault. */
  readonly usualG: number;
}

function namesakes(f: Pick<Formula, 'name'>, lines: readonly FormulaLine[]): ReadonlyMap<string, Namesake> {
  const names = namesIn(f.name);
  const sums = new Map<string, Namesake>();
  const flourG = testedFlourG(tally(lines));
  if (names.size === 0) return sums;
  for (const l of lines)
    for (const p of l.use === 'batter' ? l.parts : []) {
      // nobody calls a cake by its leavening and means more of it
      if (p.ingredient.category === 'leavening' || p.ingredient.category === 'salt') continue;
      const said = [...nounsOf(p.ingredient)].find((n) => names.has(n));
      const limit = strongLimit(p.ingredient);
      if (said)
        sums.set(said, {
          grams: (sums.get(said)?.grams ?? 0) + p.grams,
          usualG: limit === null ? Number.POSITIVE_INFINITY : (USUAL_SHARE * limit * flourG) / 100,
        });
    }
  return sums;
}

/** Whether what names the formula stays in it. */
function keepsItsName(
  f: Pick<Formula, 'name'>,
  before: readonly FormulaLine[],
  after: readonly FormulaLine[],
): boolean {
  const then = namesakes(f, after);
  return [...namesakes(f, before)].every(
    ([noun, n]) => (then.get(noun)?.grams ?? 0) >= Math.min(NAMESAKE * n.grams, n.usualG) - 1e-6,
  );
}

/** What a fix does to its finding. */
type Proven = 'ends' | 'eases';

/** Whether a proposal may be offered as a fix of a finding, and what it does to it. @returns null: it may not */
export function proven(b: Bench, f: Finding, p: Proposal): Proven | null {
  const [before, after] = [workedOn(b), workedOn(withFormula(b, p.formula))];
  if (!eased(f, before.analysis, after.analysis)) return null;
  const ends = b.formula.ends ? END_IDS : [null];
  const good = ends.every((end) => {
    const [was, is] = [workedOn({ ...b, end }), workedOn({ ...withFormula(b, p.formula), end })];
    return nothingWorse(was.analysis, is.analysis) && keepsItsName(b.formula, was.lines, is.lines);
  });
  if (!good) return null;
  return after.analysis.findings.some((x) => x.code === f.code) ? 'eases' : 'ends';
}
