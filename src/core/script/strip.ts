/**
 * A script as a drawing: vessels left to right as they are first used, acts from top to bottom, and what flows from one
 * to the next. Places are counted, not measured: a screen gives them their size.
 */
import type { Script, ScriptAct } from './act';

interface Flow {
  /** Act that gave the mix, and act that takes it, by row. */
  readonly from: number;
  readonly to: number;
  readonly mix: string;
}

interface Strip {
  readonly columns: readonly string[];
  /** An act a row: its column, and the lines that go into it there. */
  readonly rows: readonly { readonly act: ScriptAct; readonly column: number; readonly lines: readonly string[] }[];
  readonly flows: readonly Flow[];
}

/** What is done in no vessel is done on the counter. */
const vesselOf = (a: ScriptAct): string => a.vessel ?? 'counter';

export function stripOf({ acts }: Pick<Script, 'acts'>): Strip {
  const columns = [...new Set(acts.map(vesselOf))];
  const giver = new Map<string, number>();
  const flows: Flow[] = [];
  const rows = acts.map((act, row) => {
    for (const t of act.takes) {
      const from = t.of === 'mix' ? giver.get(t.id) : undefined;
      if (from !== undefined) flows.push({ from, to: row, mix: t.id });
    }
    for (const g of act.gives) giver.set(g, row);
    return {
      act,
      column: columns.indexOf(vesselOf(act)),
      lines: act.takes.flatMap((t) => (t.of === 'line' ? [t.id] : [])),
    };
  });
  return { columns, rows, flows };
}
