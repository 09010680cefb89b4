/**
 * The trial that is worth making next: what nobody here has tasted yet, and moves the batter most. Worked from the
 * formula as it stands and from what its makings and trials have had; every way it names is one line of the formula.
 */
import { analyseFormula } from '../analyse-formula';
import { rewriteAmount } from '../card/rewrite';
import { type Formula, kitchenOf } from '../formula/formula';
import { RAIL_NAMES, type Rail, type RailReading, railOf, sayRail, type Zone } from '../formula/kinds';
import type { Kitchen } from '../formula/kitchen-settings';
import type { TrialChange } from './trial';

interface NextTrial {
  readonly change: TrialChange;
  readonly why: string;
  /** What of its zone nobody has tasted, as a share of its width; and how much of the amount moves. */
  readonly score: number;
}

/** Amounts that a trial moves by one line alone; what holds the batter together is not among them. */
const TRIED_RAILS = ['sugar', 'fat', 'salt', 'water'] as const satisfies readonly Rail[];
/** A line that makes up less than this of a rail is not the one that moves it. */
const MAIN_SHARE = 0.5;
/** So much of the way to the untasted end one trial goes: it is to be tasted, and not to fail. */
const STEP = 0.5;
/** Less than this of a zone untasted is no news. */
const LEAST_NEWS = 0.25;

/** The longer side of a zone that lies beyond what was had; null: it was had from end to end. */
function untasted([low, high]: Zone, had: readonly number[]): { readonly to: number; readonly from: number } | null {
  const [least, most] = [Math.min(...had), Math.max(...had)];
  const [below, above] = [least - low, high - most];
  const side = above >= below ? { from: most, to: high } : { from: least, to: low };
  return Math.max(below, above) / (high - low) < LEAST_NEWS ? null : side;
}

/** The one line that a rail hangs on, and what of the rail it makes up; null: several do. */
function mainLine(f: Formula, house: Kitchen, r: RailReading): { readonly key: string; readonly part: number } | null {
  const parts = f.entries.flatMap((e) => {
    if (e.off || e.pinned) return [];
    const without = { ...f, entries: f.entries.map((x) => (x === e ? { ...x, off: true } : x)) };
    const left = railOf(analyseFormula(without, house).analysis, r.rail);
    return left ? [{ key: e.key, part: r.tested - left.tested }] : [];
  });
  const most = parts.reduce<(typeof parts)[number] | null>((a, p) => (a === null || p.part > a.part ? p : a), null);
  return most && most.part >= MAIN_SHARE * r.tested && most.part > 0 ? most : null;
}

/**
 * What is worth trying next, the best first; none: all that one line moves was had from end to end.
 * @param had formulas of makings and trials so far: what they had of each rail was tasted
 */
export function nextTrials(f: Formula, had: readonly Formula[], house: Kitchen): readonly NextTrial[] {
  if (f.ends) return [];
  const { analysis, lines } = analyseFormula(f, house);
  const before = had.map((x) => analyseFormula(x, house).analysis);
  const out = TRIED_RAILS.flatMap((rail): readonly NextTrial[] => {
    const r = railOf(analysis, rail);
    if (!r?.zone || r.waits || r.unknown.length > 0 || r.tested <= 0) return [];
    const zone = r.zone;
    const tasted = [r.tested, ...before.flatMap((a) => railOf(a, rail)?.tested ?? [])];
    const side = untasted(zone, tasted);
    const main = side && mainLine(f, house, r);
    const line = main && lines.find((l) => l.key === main.key);
    const entry = main && f.entries.find((e) => e.key === main.key);
    if (!side || !main || !line || line.grams === null || !entry) return [];
    const target = r.tested + STEP * (side.to - r.tested);
    const grams = (line.grams * (main.part + target - r.tested)) / main.part;
    if (!(grams > 0)) return [];
    // whole grams where a kitchen's scale shows no finer
    const round = grams >= 20 ? Math.round(grams) : grams;
    const text = rewriteAmount(line, round, kitchenOf(f, house).conventions, entry);
    if (text === entry.text) return [];
    const news = Math.abs(side.to - side.from) / (zone[1] - zone[0]);
    const [least, most] = [Math.min(...tasted), Math.max(...tasted)].map((x) => sayRail(rail, x));
    return [
      {
        change: { do: 'line', key: main.key, text },
        why: `${RAIL_NAMES[rail]} was ${least === most ? least : `${least} to ${most}`} of the flour in all that was made; most batters like this have ${sayRail(rail, zone[0])} to ${sayRail(rail, zone[1])}.`,
        score: news,
      },
    ];
  });
  return out.sort((a, b) => b.score - a.score);
}
