/**
 * Doubt settled by the whole card: lines that can be read in two ways are tried in all of them, and where one set makes
 * the whole clearly calmer (`trouble.ts`) it is one answer. A line that fits either way stays asked.
 */
import { type LineChoice, readLine } from '../card/line';
import { numbersOf } from '../numbers';
import type { SuspectLine, SuspectsOf } from './suspects';
import { troubleOf } from './trouble';

/** One way to read a line that has several. */
export interface WayToRead {
  /** Where the line stands among those given, from 0. */
  readonly at: number;
  /** The line so written that it can be read no other way. */
  readonly text: string;
  /** Which of two amounts counts, where that is what is asked. */
  readonly stands: LineChoice['stands'];
  readonly grams: number;
}

export interface Settled {
  /** The lines that the whole decides, each as it is to be read. */
  readonly ways: readonly WayToRead[];
  /** The same lines as they would be in the nearest other set. */
  readonly otherwise: readonly WayToRead[];
}

/** More lines in doubt than this are asked one by one: 2 to the power of it is tried. */
const MOST_DOUBTS = 6;
/** How much calmer a set has to be before it decides, natural-logarithm units: some four to one. */
const CLEARLY = 1.4;
/** A card with more trouble than this agrees with nothing. */
const AGREES = 3.5;

type Doubted<L extends SuspectLine> = Omit<SuspectsOf<L>, 'asLine' | 'speaks'>;

interface Option<L> extends WayToRead {
  readonly line: L;
}

/** The ways to read a line; fewer than two where it is not in doubt. */
function optionsOf<L extends SuspectLine>(line: L, at: number, q: Doubted<L>): readonly Option<L>[] {
  const choice = q.choiceOf?.(line) ?? {};
  const read = (text: string, stands: LineChoice['stands']): readonly Option<L>[] => {
    const now = readLine(text, q.conventions, { ...choice, stands });
    if (now.status !== 'read' || now.grams === null) return [];
    return [{ at, text, stands, grams: now.grams, line: { ...line, ...now } }];
  };
  if (line.readings.length > 1) return line.readings.flatMap((r) => read(r.text, undefined));
  const disagrees = line.findings.some((f) => f.code === 'amounts-disagree') && choice.stands === undefined;
  return disagrees ? (['weight', 'volume'] as const).flatMap((s) => read(line.text, s)) : [];
}

/** What the whole decides of the lines in doubt; null where there are none, or it decides nothing. */
export function settledBy<L extends SuspectLine>(q: Doubted<L>): Settled | null {
  const doubts = q.lines
    .map((l, n) => (l.use === 'batter' ? optionsOf(l, n, q) : []))
    .filter((options) => options.length > 1);
  if (doubts.length === 0 || doubts.length > MOST_DOUBTS) return null;
  let sets: readonly (readonly Option<L>[])[] = [[]];
  for (const options of doubts) sets = sets.flatMap((s) => options.map((o) => [...s, o]));
  const tried = sets
    .map((set) => {
      const by = new Map(set.map((o) => [o.at, o.line]));
      const lines = q.lines.map((l, n) => by.get(n) ?? l);
      return { set, trouble: troubleOf(numbersOf(lines, q.kind, q.school, q.at), lines) };
    })
    .sort((a, b) => a.trouble - b.trouble);
  const best = tried[0];
  if (!best || best.trouble > AGREES) return null;
  // a line is decided where every set that reads it otherwise is clearly worse
  const decided = best.set.filter((o, n) => {
    const other = tried.find((t) => t.set[n] !== o);
    return other !== undefined && other.trouble - best.trouble >= CLEARLY;
  });
  if (decided.length === 0) return null;
  const other = tried.find((t) => decided.some((o) => !t.set.includes(o)));
  const plain = ({ at, text, stands, grams }: Option<L>): WayToRead => ({ at, text, stands, grams });
  return {
    ways: decided.map(plain),
    otherwise: (other?.set ?? []).filter((o) => decided.some((d) => d.at === o.at)).map(plain),
  };
}
