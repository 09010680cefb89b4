/**
 * What lines may have been meant to say, on the Bench: lines in doubt that the whole card decides, and slips of the
 * pen. Each with what of the balance would be otherwise, and the formula so read.
 */
import { circumstancesOf } from '../analyse-formula';
import { type Finding, heard } from '../findings/finding';
import { atEnd, type Entry, type Formula, type FormulaLine, nextKey } from '../formula/formula';
import { type RailReading, railOf } from '../formula/kinds';
import { countedLines, formulaLines } from '../formula/lines';
import { capital, grams } from '../quantity/say';
import { settledBy, type WayToRead } from '../suspects/doubts';
import { type SuspectsOf, suspectsIn } from '../suspects/suspects';
import { type Bench, conventionsOn, withEntries, withFormula, workedOn } from './bench';

interface SlipLine {
  /** As the lines are counted on the sheet, from 1; null: the sheet does not hold it. */
  readonly number: number | null;
  readonly written: string;
  readonly meant: string;
  /** The slip in a cook's words. */
  readonly as: string;
}

/** Lines in doubt, read as the whole card agrees. */
interface SettledLines {
  readonly lines: readonly Pick<SlipLine, 'number' | 'written' | 'meant'>[];
  /** Ratios that would stand otherwise in the nearest other reading. */
  readonly rails: readonly { readonly so: RailReading; readonly otherwise: RailReading }[];
  readonly formula: Formula;
}

/** All that is asked about what is meant. */
export interface Meant {
  readonly settled: SettledLines | null;
  readonly slips: readonly Slip[];
}

export interface Slip {
  /** One line, or two that only together explain what is found. */
  readonly lines: readonly SlipLine[];
  /** How many findings would be gone, of how many. */
  readonly ends: number;
  readonly of: number;
  readonly left: readonly Finding[];
  /** Ratios that would stand otherwise against their zone. */
  readonly rails: readonly { readonly before: RailReading; readonly after: RailReading }[];
  readonly formula: Formula;
  /** How the cook's answer "it is meant so" is kept among the formula's answers. */
  readonly answer: string;
}

/** The key of a line that the sheet does not hold, until it is put there. */
const FORGOTTEN = 'left-out';

const MOST_ANSWER_CHARS = 60;
const answerFor = (lines: readonly SlipLine[]): string =>
  `slip:${lines.map((l) => l.written || `no ${l.meant}`).join('+')}`.slice(0, MOST_ANSWER_CHARS);

/** An entry as it was meant: what was settled of its old amount is dropped, and of another thing what was picked. */
function reread({ stands: _, ...e }: Entry, text: string, sameThing: boolean): Entry {
  if (sameThing) return { ...e, text };
  const { ingredientId: __, ...rest } = e;
  return { ...rest, text };
}

const standsIn = (r: RailReading): string => r.reading?.standing ?? '';

/** The lines of the end that is looked at, as they are searched. */
function searched(b: Bench): SuspectsOf<FormulaLine> {
  const { formula, house, end, toldPortionMl } = b;
  const at = atEnd(formula, end);
  const entryOf = new Map(formula.entries.map((e) => [e.key, e]));
  return {
    lines: countedLines(formula, house, end),
    kind: at.kind,
    school: at.school,
    at: circumstancesOf(at, house, toldPortionMl ?? null),
    conventions: conventionsOn(b),
    choiceOf: (l) => entryOf.get(l.key) ?? {},
    asLine: (l) => {
      const [line] = formulaLines({ ...formula, entries: [{ key: FORGOTTEN, text: l.text }] }, house);
      if (!line) throw new Error('a formula of one entry has one line');
      return line;
    },
  };
}
const numberOf = (f: Formula, key: string): number => f.entries.findIndex((e) => e.key === key) + 1;

/** Ratios that stand otherwise against their zone in two readings of a formula. */
const apart = (
  a: readonly RailReading[],
  b: readonly RailReading[],
): readonly (readonly [RailReading, RailReading])[] =>
  a.flatMap((x) => {
    const y = railOf({ rails: b }, x.rail);
    return y && standsIn(x) !== standsIn(y) ? [[x, y] as const] : [];
  });

/** What the whole card decides of its lines in doubt; null where it decides nothing. */
export function settledOn(b: Bench): SettledLines | null {
  const q = searched(b);
  const settled = settledBy(q);
  if (!settled) return null;
  const read = (ways: readonly WayToRead[]): Formula =>
    withEntries(
      b.formula,
      b.formula.entries.map((e) => {
        const way = ways.find((w) => q.lines[w.at]?.key === e.key);
        return way ? { ...e, text: way.text, ...(way.stands && { stands: way.stands }) } : e;
      }),
    );
  const formula = read(settled.ways);
  const railsOf = (f: Formula): readonly RailReading[] => workedOn(withFormula(b, f)).analysis.rails;
  return {
    lines: settled.ways.flatMap((w) => {
      const line = q.lines[w.at];
      if (!line) return [];
      const meant = w.stands ? `${grams(w.grams, b.house.units)}, as its ${w.stands} says` : w.text;
      return [{ number: numberOf(b.formula, line.key), written: line.text, meant }];
    }),
    rails: apart(railsOf(formula), railsOf(read(settled.otherwise))).map(([so, otherwise]) => ({ so, otherwise })),
    formula,
  };
}

/**
 * The likeliest slips, the likeliest first; none that the cook has answered already, none where the formula is calm.
 */
export function slipsOn(b: Bench): readonly Slip[] {
  const { formula, end } = b;
  const q = searched(b);
  const { lines } = q;
  const now = workedOn(b).analysis;
  const { open, dismissed } = heard(now, formula);
  const answered = new Set(dismissed.map((f) => f.code));
  const found = suspectsIn({ ...q, speaks: (f) => !answered.has(f.code) });
  return found.flatMap((s): readonly Slip[] => {
    const said = s.rereads.flatMap((r): readonly (SlipLine & { readonly key: string; readonly thing: boolean })[] => {
      if (r.at === null)
        return [{ key: nextKey(formula.entries), number: null, written: '', meant: r.text, as: r.as, thing: true }];
      const line = lines[r.at];
      if (!line) return [];
      const number = numberOf(formula, line.key);
      const thing = r.thing === line.ingredient?.id;
      return [{ key: line.key, number, written: line.text, meant: r.text, as: r.as, thing }];
    });
    const answer = answerFor(said);
    if (formula.dismissed.includes(answer)) return [];
    const meant = withEntries(formula, [
      ...formula.entries.map((e) => {
        const l = said.find((x) => x.key === e.key);
        return l ? reread(e, l.meant, l.thing) : e;
      }),
      ...said.flatMap((l) => (l.number === null ? [{ key: l.key, text: l.meant, end: end ?? undefined }] : [])),
    ]);
    const then = workedOn(withFormula(b, meant)).analysis;
    return [
      {
        lines: said.map(({ key: _, thing: __, ...l }) => l),
        ends: s.ends.length,
        of: open.length,
        left: s.left,
        rails: apart(now.rails, then.rails).map(([before, after]) => ({ before, after })),
        formula: meant,
        answer,
      },
    ];
  });
}

/** "Line 1, “11/2 cups flour”, is 1 1/2 cups flour". */
export const saySettled = ({ lines }: Pick<SettledLines, 'lines'>): string =>
  lines.map((l, n) => `${n === 0 ? 'Line' : 'line'} ${l.number}, “${l.written.trim()}”, is ${l.meant}`).join('; ');

/** "If line 1, “3 kg flour”, was 300 g flour"; "If 240 g milk was left out". */
export const sayIf = ({ lines }: Pick<Slip, 'lines'>): string =>
  `If ${lines
    .map((l) =>
      l.number === null ? `${l.meant} was left out` : `line ${l.number}, “${l.written.trim()}”, was ${l.meant}`,
    )
    .join(' and ')}`;

/** What a tap does about it: "It is 300 g flour", "Add 240 g milk". */
export const sayTake = ({ lines }: Pick<Slip, 'lines'>): string => {
  const [added, reread] = [lines.filter((l) => l.number === null), lines.filter((l) => l.number !== null)];
  const all = [
    ...(reread.length > 0 ? [`it is ${reread.map((l) => l.meant).join(' and ')}`] : []),
    ...added.map((l) => `add ${l.meant}`),
  ].join(' and ');
  return capital(all);
};

/** What would come of it: "all 6 findings are gone". */
export function sayEnds({ ends, of, left }: Pick<Slip, 'ends' | 'of' | 'left'>): string {
  if (ends === 0) return 'what is found is far less';
  if (left.length === 0) return of === 1 ? 'the finding is gone' : `all ${of} findings are gone`;
  return `${ends} of ${of} findings ${ends === 1 ? 'is' : 'are'} gone`;
}

export const meantOn = (b: Bench): Meant => ({ settled: settledOn(b), slips: slipsOn(b) });
