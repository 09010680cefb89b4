/** What a proposal changes on the sheet, line by line: for the rows to show before it is taken. */
import type { Bench } from '@/core/balance/bench';
import { counts, type Formula, type FormulaLine } from '@/core/formula/formula';
import { formulaLines } from '@/core/formula/lines';

export interface LineDiff {
  /** Grams as they stand and as proposed; null where a side has none. */
  readonly was: number | null;
  readonly becomes: number | null;
  readonly text: string | null;
  readonly goes: boolean;
}

export interface SheetDiff {
  readonly byKey: ReadonlyMap<string, LineDiff>;
  /** Lines that the proposal adds. */
  readonly added: readonly FormulaLine[];
}

const NEAR = 0.005;

export function diffSheet(b: Bench, proposed: Formula): SheetDiff {
  const now = formulaLines(b.formula, b.house);
  const then = formulaLines(proposed, b.house);
  const byKey = new Map<string, LineDiff>();
  for (const l of now) {
    const to = then.find((x) => x.key === l.key);
    const isOn = counts(l, b.end);
    const willBe = to !== undefined && counts(to, b.end);
    if (!isOn && !willBe) continue;
    const goes = isOn && !willBe;
    const was = isOn ? l.grams : null;
    const becomes = willBe ? (to.grams ?? null) : null;
    if (
      !goes &&
      isOn &&
      to?.text === l.text &&
      Math.abs((was ?? 0) - (becomes ?? 0)) < NEAR &&
      to.moment === l.moment &&
      to.dressing === l.dressing
    )
      continue;
    byKey.set(l.key, { was, becomes, goes, text: to && to.text !== l.text ? to.text : null });
  }
  const known = new Set(now.map((l) => l.key));
  const added = then.filter((l) => !known.has(l.key) && counts(l, b.end));
  return { byKey, added };
}
