/** How the finding of slips does on batches made up: figures for its tests and for the bench. */
import { faultsIn, isFault, type Mark } from '../batch/came-out';
import { causesOf } from '../judge/diagnose';
import type { Judged } from '../judge/evidence';
import { type AsMade, possibleOf } from '../judge/happenings';
import { isNamed, whatHappened } from '../judge/what-happened';
import { numbersOf } from '../numbers';
import { FRESH_UNITS } from '../quantity/say';
import { JUDGED_AS_USUAL } from './judged';
import { chanceOf, madeUp, markedOf, type SeenMorning, seeded } from './seen-mornings';

interface HeldHonest {
  /** Batches with a slip of which a fault was marked. */
  readonly slipped: number;
  /** Shares of them whose slip stands in the first group; in the first group of the exact shares; in the table's first cause. */
  readonly first: number;
  readonly ceiling: number;
  readonly byTable: number;
  /** Slips in the first group, on average. */
  readonly members: number;
  /** Of the groups said with 70 to 80 %, how many there were, and the share that is true. */
  readonly said: number;
  readonly saidTrue: number;
  /** Share of the true sizes that lie within the range that is told for four of five. */
  readonly sizesIn: number;
  readonly sized: number;
  /** Share of the batches without a slip that are accused. */
  readonly accused: number;
  readonly good: number;
}

/** What the table of causes calls a slip. */
const IN_TABLE: Readonly<Record<string, RegExp>> = {
  'less:0': /Too thin/,
  'more:0': /Too thick/,
  'less:2': /Little salt/,
  'less:3': /Too little rise|old tin/,
  'more:3': /Much rise|Soda left/,
  'less:4': /Too thick|Little water/,
  'more:4': /Too thin/,
  'less:5': /Little egg/,
  'old-tin': /old tin/,
  stood: /old tin|Held too long/,
  hot: /Too hot/,
  cool: /too cool|Too cool/,
  mixed: /Mixed too far/,
  portion: /Portion too large|Too much in each/,
  early: /early|Underdone/,
  late: /Too long/,
  fat: /Too much fat in the pan/,
  'no-fat': /Nothing in the pan/,
  held: /Held too long|Steam in the stack|held in its steam/,
};

const judgedOf = (made: AsMade): Judged => {
  const a = numbersOf(made.lines, made.kind, made.school, { standing: made.standing });
  return {
    ...JUDGED_AS_USUAL,
    kind: made.kind,
    analysis: a,
    pour: a.thickness?.pour ?? null,
    wantedPour: a.school?.pour ?? null,
    holds: made.lines.flatMap((l) => l.parts.map((p) => p.ingredient.id)),
    heatZone: made.heatZone,
    usualRestMin: made.standing.restMin,
  };
};

/** The shares of slips as the generator's own numbers give them, over draws of its own kind. */
function exactShares(draws: readonly SeenMorning[], seen: ReturnType<typeof markedOf>): ReadonlyMap<string, number> {
  const shares = new Map<string, number>();
  for (const d of draws) {
    const id = d.slip ?? 'none';
    shares.set(id, (shares.get(id) ?? 0) + chanceOf(seen, d.real));
  }
  return shares;
}

/** @param batches made up, and draws that the exact shares are worked with; one seed gives one answer */
export function heldHonest({
  batches,
  draws,
  seed,
}: {
  readonly batches: number;
  readonly draws: number;
  readonly seed: number;
}): HeldHonest {
  const random = seeded(seed);
  const possible = new Map<string, ReturnType<typeof possibleOf>>();
  const keyOf = (m: AsMade): string => `${m.kind} ${m.school}`;
  const pool = Array.from({ length: draws }, () => madeUp(random));
  const n = {
    slipped: 0,
    first: 0,
    ceiling: 0,
    table: 0,
    said: 0,
    true: 0,
    in: 0,
    sized: 0,
    accused: 0,
    good: 0,
    members: 0,
  };
  for (let k = 0; k < batches; k++) {
    const m = madeUp(random);
    const seen = markedOf(m, random);
    const key = keyOf(m.made);
    const known = possible.get(key) ?? possibleOf(m.made);
    possible.set(key, known);
    const faults: readonly Mark[] = [...seen.marks.filter(isFault), ...faultsIn(seen.scales, m.made.kind)];
    const h = whatHappened(known, seen, FRESH_UNITS);
    if (m.slip === null) {
      n.good++;
      if (h && isNamed(h)) n.accused++;
      continue;
    }
    if (!h || faults.length === 0) continue;
    n.slipped++;
    const [group] = h.groups;
    const own = group?.members.find((x) => x.id === m.slip);
    if (own) n.first++;
    n.members += group?.members.length ?? 0;
    if (group && group.share >= 0.7 && group.share < 0.8) {
      n.said++;
      if (own) n.true++;
    }
    if (own && own.sizes !== '' && m.size !== null) {
      n.sized++;
      if (m.size >= own.range[0] && m.size <= own.range[1]) n.in++;
    }
    // the exact shares, put into the same groups
    const shares = exactShares(
      pool.filter((d) => keyOf(d.made) === key),
      seen,
    );
    const grouped = h.groups.map((g) => g.members.map((x) => x.id));
    const inGroup = (id: string): readonly string[] => grouped.find((g) => g.includes(id)) ?? [id];
    const best = [...shares]
      .filter(([id]) => id !== 'none')
      .map(([id]) => inGroup(id))
      .sort((a, b) => sum(shares, b) - sum(shares, a))[0];
    if (best?.includes(m.slip)) n.ceiling++;
    const [mark] = faults;
    const [cause] = mark ? causesOf(mark, judgedOf(m.made)) : [];
    if (cause && IN_TABLE[m.slip]?.test(cause.cause)) n.table++;
  }
  return {
    slipped: n.slipped,
    first: n.first / n.slipped,
    ceiling: n.ceiling / n.slipped,
    byTable: n.table / n.slipped,
    members: n.members / n.slipped,
    said: n.said,
    saidTrue: n.true / n.said,
    sizesIn: n.in / n.sized,
    sized: n.sized,
    accused: n.accused / n.good,
    good: n.good,
  };
}
const sum = (shares: ReadonlyMap<string, number>, ids: readonly string[]): number =>
  ids.reduce((a, id) => a + (shares.get(id) ?? 0), 0);
