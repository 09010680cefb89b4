/**
 * The smallest lie: which single line, read as one slip of the pen, would make the whole calm. Every line is read again
 * in all the ways it may have been meant (`slips.ts`); what the whole gains by it (`trouble.ts`) is held against how
 * common the slip is. Where one line can't explain it, two are tried. Where nothing explains it, nothing is said.
 */
import { type Line, type LineChoice, readLine } from '../card/line';
import { asMany, withoutAmount } from '../card/rewrite';
import type { Evidence, Finding } from '../findings/finding';
import { findingsOf } from '../findings/findings';
import type { KindId } from '../formula/kinds';
import { type Circumstances, type Numbers, numbersOf } from '../numbers';
import type { KitchenConventions } from '../pantry/conventions';
import { writeAmount } from '../quantity/amount';
import { MOST_SERVED, OMISSIONS, type Omission, type Rereading, rereadingsOf } from './slips';
import { troubleOf } from './trouble';

export type SuspectLine = Line &
  Partial<Omit<Evidence['lines'][number], keyof Line>> & {
    /** g of water that is taken off it: its words don't say what it weighs. */
    readonly drainedG?: number;
  };

export interface SuspectsOf<L extends SuspectLine> {
  readonly lines: readonly L[];
  readonly kind: KindId;
  readonly school: string | null;
  readonly at: Circumstances;
  readonly conventions: KitchenConventions;
  /** What the cook has settled about a line, which a rereading keeps. */
  readonly choiceOf?: (line: L) => LineChoice;
  /** What still speaks of a formula, of all that is found. */
  readonly speaks?: (f: Finding) => boolean;
  /** A line that the card does not hold, as one of its own. */
  readonly asLine: (line: Line) => L;
}

/** One line as it may have been meant. */
interface Reread {
  /** Where the line stands among those given, from 0; null: the card does not hold it. */
  readonly at: number | null;
  /** The slip in a cook's words. */
  readonly as: string;
  readonly text: string;
  /** The id of what it would be of. */
  readonly thing: string;
  /** What it would weigh, g. */
  readonly grams: number;
}

export interface Suspect {
  /** One line, or two that only together make it calm. */
  readonly rereads: readonly Reread[];
  /** Findings that would be gone, and those that would stay, the loudest first. */
  readonly ends: readonly Finding[];
  readonly left: readonly Finding[];
  /** 0 to 1: how likely it is beside the others, and beside that all is meant as it stands. */
  readonly weight: number;
}

/** Gain over what the slip costs from which it is worth a word, natural-logarithm units. */
const WORTH = 0.9;
/** Gains this near each other explain equally. */
const EQUAL = 0.8;
/** So much trouble is looked into though all that is found is notes. */
const LOUD = 8;
const MOST_NAMED = 3;
/** A gain by which the whole is calmer beyond doubt, whatever is found of what stays. */
const FAR_LESS = 4;
/** What may be left of the trouble, as a share of it, and in itself. */
const LEFT_SHARE = 0.35;
const LEFT_CALM = 1.6;
/** A line that would be more of the whole than this is no better reading. */
const MOST_OF_ALL = 0.85;
/** A card of more lines is not searched: the time grows with their square. */
const MOST_LINES = 50;
/** The best single rereadings that are tried in pairs. */
const PAIRED = 14;

/** Lines by where they stand; under null the one that the card does not hold. */
type Changed<L> = ReadonlyMap<number | null, L>;

interface Tried<L> {
  readonly rereads: readonly Reread[];
  readonly changed: Changed<L>;
  readonly lines: readonly L[];
  readonly numbers: Numbers;
  readonly trouble: number;
  readonly cost: number;
}

type TryOut<L> = (changed: Changed<L>, rereads: readonly Reread[], cost: number) => Tried<L>;

/** The line read again; null where the words, so changed, would say another thing. */
function readAgain<L extends SuspectLine>(line: L, r: Rereading, q: SuspectsOf<L>): L | null {
  const { ingredientId, vessel } = q.choiceOf?.(line) ?? {};
  const [written] = line.written;
  if (!written) return null;
  const amount = r.term ? { terms: [{ sign: 1 as const, fullness: null, ...r.term }], approximate: false } : written;
  const said = writeAmount(amount);
  if (r.served) {
    const served = readLine(`${line.text}, to serve`, q.conventions, q.choiceOf?.(line) ?? {});
    return served.status === 'read' && served.use === 'topping' ? { ...line, ...served } : null;
  }
  const rest = r.name === null ? asMany(withoutAmount(line, q.conventions), said) : r.name;
  const prepared = r.name !== null && line.preparation ? `, ${line.preparation}` : '';
  const choice: LineChoice = { vessel, ...(r.name === null && { ingredientId }) };
  const now = readLine(`${said} ${rest}${prepared}`, q.conventions, choice);
  if (now.status !== 'read' || now.grams === null || now.use !== line.use) return null;
  if (r.name === null && now.ingredient?.id !== line.ingredient?.id) return null;
  return { ...line, ...now };
}

/** Amounts that a cook writes: whole grams, above 50 in fives. */
const asWritten = (g: number): number => (g < 50 ? Math.round(g) : 5 * Math.round(g / 5));

/** The lines that a forgotten thing may have been, each amount that its table has. */
function omitted<L extends SuspectLine>(o: Omission, tally: Numbers['tally'], q: SuspectsOf<L>): readonly L[] {
  if (q.lines.some((l) => l.ingredient && o.unless.includes(l.ingredient.category))) return [];
  const base = o.by === 'flour' ? tally.flourG : tally.massG;
  return o.amounts.flatMap((n) => {
    const amount = o.by === 'count' ? n : asWritten((n / 100) * base);
    const line = readLine(o.by === 'count' ? `${n} ${o.name}` : `${amount} g ${o.name}`, q.conventions);
    return amount > 0 && line.status === 'read' && line.use === 'batter' ? [q.asLine(line)] : [];
  });
}

/** The likeliest slips in a card, the likeliest first; none where it is calm, or nothing explains what is found. */
export function suspectsIn<L extends SuspectLine>(q: SuspectsOf<L>): readonly Suspect[] {
  if (q.lines.length > MOST_LINES) return [];
  const numbers = (lines: readonly L[]): Numbers => numbersOf(lines, q.kind, q.school, q.at);
  const speaks = q.speaks ?? (() => true);
  const found = (lines: readonly L[], n: Numbers): readonly Finding[] => findingsOf({ lines, ...n }).filter(speaks);
  const stands = numbers(q.lines);
  const standing = found(q.lines, stands);
  const before = troubleOf(stands, q.lines);
  const quiet = standing.every((f) => f.severity === 'note' && f.code !== 'self-raising-and-powder');
  if (standing.length === 0 || (quiet && before < LOUD)) return [];
  const tryOut: TryOut<L> = (changed, rereads, cost) => {
    const added = changed.get(null);
    const lines = [...q.lines.map((l, n) => changed.get(n) ?? l), ...(added ? [added] : [])];
    const now = numbers(lines);
    return { rereads, changed, lines, numbers: now, trouble: troubleOf(now, lines), cost };
  };
  const gain = (t: Tried<L>): number => before - t.trouble - t.cost;
  const single = (at: number | null, as: string, now: L, cost: number): Tried<L> =>
    tryOut(
      new Map([[at, now]]),
      [{ at, as, text: now.text, thing: now.ingredient?.id ?? '', grams: now.grams ?? 0 }],
      cost,
    );

  const last = q.lines.findLastIndex((l) => l.use === 'batter');
  const reread = q.lines.flatMap((line, at) => {
    if (line.use !== 'batter' || line.status !== 'read' || (line.drainedG ?? 0) > 0) return [];
    const tried = rereadingsOf(line, at === last).flatMap((r) => {
      const now = readAgain(line, r, q);
      if (!now || now.grams === null || now.text === line.text) return [];
      const rest = stands.tally.massG - (line.grams ?? 0);
      if (r.served && now.grams > rest * ((now.ingredient && MOST_SERVED[now.ingredient.category]) ?? 1)) return [];
      if (now.grams > MOST_OF_ALL * (rest + now.grams)) return [];
      return [single(at, r.as, now, r.cost)];
    });
    // of the ways to read one line the best, and what is as good
    tried.sort((a, b) => gain(b) - gain(a));
    const near = tried.filter((t) => tried[0] && gain(t) >= gain(tried[0]) - EQUAL);
    // said in another way it is the same
    return near.filter((t, n) => !near.slice(0, n).some((b) => comesToTheSame(t, b)));
  });
  // of the amounts that a forgotten line may have had the best
  const forgotten = OMISSIONS.flatMap((o) =>
    omitted(o, stands.tally, q)
      .map((now) => single(null, 'a line left out', now, o.cost))
      .sort((a, b) => gain(b) - gain(a))
      .slice(0, 1),
  );
  const singles = [...reread, ...forgotten];
  const explains = (t: Tried<L>): boolean => gain(t) >= WORTH && t.trouble <= Math.max(LEFT_CALM, LEFT_SHARE * before);
  let good = singles.filter(explains);
  if (good.length === 0) good = pairsOf(singles, gain, tryOut).filter(explains);
  good.sort((a, b) => gain(b) - gain(a));
  const best = good[0];
  if (!best) return [];
  const named = good.filter((t) => gain(t) >= gain(best) - EQUAL).slice(0, MOST_NAMED);
  const all = 1 + good.reduce((a, t) => a + Math.exp(gain(t)), 0);
  return named.flatMap((t) => {
    const left = found(t.lines, t.numbers);
    const stay = new Set(left.map((f) => f.code));
    const ends = standing.filter((f) => !stay.has(f.code));
    // what ends nothing, or stops the hand more than before, explains only where far less of all is left
    const stops = left.some((f) => f.severity === 'stop' && !standing.some((s) => s.code === f.code));
    const farLess = gain(t) >= FAR_LESS && !t.changed.has(null);
    if ((ends.length === 0 || stops) && !farLess) return [];
    return [{ rereads: t.rereads, ends, left, weight: Math.exp(gain(t)) / all }];
  });
}

const SAME = 0.02;
const comesToTheSame = (a: { readonly rereads: readonly Reread[] }, b: { readonly rereads: readonly Reread[] }) =>
  a.rereads.every((r, n) => {
    const other = b.rereads[n];
    return other?.at === r.at && other.thing === r.thing && Math.abs(other.grams - r.grams) <= SAME * r.grams;
  });

/** The best rereadings two by two, of two lines each. */
function pairsOf<L extends SuspectLine>(
  singles: readonly Tried<L>[],
  gain: (t: Tried<L>) => number,
  tryOut: TryOut<L>,
): Tried<L>[] {
  const best = [...singles].sort((a, b) => gain(b) - gain(a)).slice(0, PAIRED);
  return best.flatMap((a, n) =>
    best.slice(n + 1).flatMap((b) => {
      if (a.rereads[0]?.at === b.rereads[0]?.at) return [];
      return [tryOut(new Map([...a.changed, ...b.changed]), [...a.rereads, ...b.rereads], a.cost + b.cost)];
    }),
  );
}
