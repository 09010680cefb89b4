/**
 * Slips of the pen on the Bench: what a line may have been meant to say, what of the balance would be otherwise then, and the
 * formula with the line so written.
 */
import { circumstancesOf } from '../analyse-formula';
import { type Finding, heard } from '../findings/finding';
import { atEnd, counts, type Entry, type Formula } from '../formula/formula';
import { type RailReading, railOf } from '../formula/kinds';
import { formulaLines } from '../formula/lines';
import { suspectsIn } from '../suspects/suspects';
import { type Bench, conventionsOn, withEntries, withFormula, workedOn } from './bench';

export interface SlipLine {
  /** As the lines are counted on the sheet, from 1. */
  readonly number: number;
  readonly written: string;
  readonly meant: string;
  /** The slip in a cook's words. */
  readonly as: string;
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

const MOST_ANSWER_CHARS = 60;
const answerFor = (lines: readonly SlipLine[]): string =>
  `slip:${lines.map((l) => l.written).join('+')}`.slice(0, MOST_ANSWER_CHARS);

/** An entry as it was meant: what was settled of its old amount is dropped, and of another thing what was picked. */
function reread({ stands: _, ...e }: Entry, text: string, sameThing: boolean): Entry {
  if (sameThing) return { ...e, text };
  const { ingredientId: __, ...rest } = e;
  return { ...rest, text };
}

const standsIn = (r: RailReading): string => r.reading?.standing ?? '';

/** The likeliest slips, the likeliest first; none that the cook has answered already, none where the formula is calm. */
export function slipsOn(b: Bench): readonly Slip[] {
  const { formula, house, end } = b;
  const at = atEnd(formula, end);
  const all = formulaLines(formula, house);
  const lines = all.filter((l) => counts(l, end ?? formula.ends?.[0].id ?? null));
  const entryOf = new Map(formula.entries.map((e) => [e.key, e]));
  const dismissed = new Set(heard(workedOn(b).analysis, formula).dismissed.map((f) => f.code));
  const now = workedOn(b).analysis;
  const speaking = heard(now, formula).open;
  const found = suspectsIn({
    lines,
    kind: at.kind,
    school: at.school,
    at: circumstancesOf(at, house),
    conventions: conventionsOn(b),
    choiceOf: (l) => entryOf.get(l.key) ?? {},
    speaks: (f) => !dismissed.has(f.code),
  });
  return found.flatMap((s): readonly Slip[] => {
    const said = s.rereads.flatMap((r): readonly (SlipLine & { readonly key: string; readonly thing: boolean })[] => {
      const line = lines[r.at];
      if (!line) return [];
      const number = formula.entries.findIndex((e) => e.key === line.key) + 1;
      const thing = r.thing === line.ingredient?.id;
      return [{ key: line.key, number, written: line.text, meant: r.text, as: r.as, thing }];
    });
    const answer = answerFor(said);
    if (formula.dismissed.includes(answer)) return [];
    const meant = said.reduce(
      (f, l) =>
        withEntries(
          f,
          f.entries.map((e) => (e.key === l.key ? reread(e, l.meant, l.thing) : e)),
        ),
      formula,
    );
    const then = workedOn(withFormula(b, meant)).analysis;
    return [
      {
        lines: said.map(({ key: _, thing: __, ...l }) => l),
        ends: s.ends.length,
        of: speaking.length,
        left: s.left,
        rails: now.rails.flatMap((before) => {
          const after = railOf(then, before.rail);
          return after && standsIn(before) !== standsIn(after) ? [{ before, after }] : [];
        }),
        formula: meant,
        answer,
      },
    ];
  });
}

/** "If line 1, “3 kg flour”, was 300 g flour". */
export const sayIf = ({ lines }: Pick<Slip, 'lines'>): string =>
  `If ${lines.map((l) => `line ${l.number}, “${l.written.trim()}”, was ${l.meant}`).join(' and ')}`;

/** What would come of it: "all 6 findings are gone". */
export function sayEnds({ ends, of, left }: Pick<Slip, 'ends' | 'of' | 'left'>): string {
  if (left.length === 0) return of === 1 ? 'the finding is gone' : `all ${of} findings are gone`;
  return `${ends} of ${of} findings ${ends === 1 ? 'is' : 'are'} gone`;
}
