/** Rehearsed plans side by side, as the screen says them; pure. */
import type { Among, Rehearsed } from '@/core/morning/rehearse';

interface RehearsalRow {
  readonly label: string;
  /** Of each plan. */
  readonly values: readonly string[];
  /** Which of the plans are best at it; none where all are alike. */
  readonly best: readonly number[];
}

const minutes = (min: number): string => (min < 0.75 ? 'under a minute' : `${Math.round(min)} min`);
const percent = (part: number): string => `${Math.round(100 * part)} %`;
const about = ({ half, low, high }: Among): string =>
  Math.round(low) === Math.round(high)
    ? `${Math.round(half)}`
    : `${Math.round(half)} (${Math.round(low)} to ${Math.round(high)})`;

const summed = (of: readonly Among[]): Among => ({
  half: of.reduce((a, x) => a + x.half, 0),
  low: of.reduce((a, x) => a + x.low, 0),
  high: of.reduce((a, x) => a + x.high, 0),
});
const busiest = (of: Rehearsed['hands']): Rehearsed['hands'][number] | undefined =>
  [...of].sort((a, b) => b.load - a.load)[0];
const loadWords = (x: Rehearsed['hands'][number] | undefined): string => (x ? `${x.name}, ${percent(x.load)}` : '–');
/** The part of all pieces that was kept longer than it holds, the worst dish's. */
const tooLong = (r: Rehearsed): number => Math.max(0, ...r.dishes.map((d) => d.held.tooLong));

/** A difference under this is none: minutes, pieces, plates. */
const ALIKE = 0.5;

/** @param clock times of day as the house writes them */
export function rehearsalRows(plans: readonly Rehearsed[], clock: (min: number) => string): readonly RehearsalRow[] {
  const row = (
    label: string,
    of: (r: Rehearsed) => number,
    say: (n: number, r: Rehearsed) => string,
    alike = ALIKE,
  ): RehearsalRow => {
    const values = plans.map(of);
    const least = Math.min(...values);
    const apart = Math.max(...values) - least >= alike;
    return {
      label,
      values: plans.map((r, n) => say(values[n] ?? 0, r)),
      best: apart ? values.flatMap((v, n) => (v - least < alike ? [n] : [])) : [],
    };
  };
  return [
    row('Half of the guests wait at most', (r) => r.wait.half, minutes),
    row('Nine of ten wait at most', (r) => r.wait.nineOfTen, minutes),
    row('The longest wait, most mornings', (r) => r.wait.longest, minutes),
    ...(plans[0]?.waves ?? []).map((w, n) =>
      row(`Last plate of ${clock(w.at)}`, (r) => r.waves[n]?.lastBy ?? 0, clock),
    ),
    row(
      'Guests who take another dish',
      (r) => summed(r.dishes.map((d) => d.otherwise)).half,
      (_, r) => about(summed(r.dishes.map((d) => d.otherwise))),
    ),
    row(
      'Plates that nothing is left for',
      (r) => summed(r.dishes.map((d) => d.without)).half,
      (_, r) => about(summed(r.dishes.map((d) => d.without))),
    ),
    row(
      'Pieces left over',
      (r) => summed(r.dishes.map((d) => d.left)).half,
      (_, r) => about(summed(r.dishes.map((d) => d.left))),
    ),
    row('Kept longer than they hold, of the worst dish', tooLong, percent, 0.02),
    { label: 'Busiest hands', values: plans.map((r) => loadWords(busiest(r.hands))), best: [] },
    { label: 'Fullest surface', values: plans.map((r) => loadWords(busiest(r.surfaces))), best: [] },
  ];
}

/** The answer in a sentence. */
export const waitWords = (r: Rehearsed): string =>
  `Nine of ten guests have their plate ${r.wait.nineOfTen < 0.75 ? 'at once' : `within ${minutes(r.wait.nineOfTen)}`}.`;

/** What the curve shows, in words: when most plates are waited for. */
export function behindWords(r: Rehearsed, clock: (min: number) => string): string {
  const most = [...r.curve].sort((a, b) => b.wanted - b.ready.half - (a.wanted - a.ready.half))[0];
  const by = most ? Math.round(most.wanted - most.ready.half) : 0;
  if (!most || by < 1) return 'In most mornings there are always as many plates ready as are wanted.';
  return `Furthest behind at ${clock(most.at)}: ${Math.round(most.wanted)} plates are wanted by then, ${Math.round(most.ready.half)} ready in half of the mornings (${Math.round(most.ready.low)} in one of ten, ${Math.round(most.ready.high)} in nine).`;
}
