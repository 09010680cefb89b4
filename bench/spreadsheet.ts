/** The tally, the ledger and the volume as a spreadsheet: a row a line, composition in columns, sums below. */
import type { HyperFormula } from 'hyperformula';
import type { AnalysableLine } from '../src/core/analyse';
import { specificVolume } from '../src/core/batter/volume';
import { isFlour } from '../src/core/pantry/ingredient';

export interface Recalculated {
  readonly water: number;
  readonly fat: number;
  readonly sugar: number;
  readonly co2: number;
  readonly volumeMl: number;
}

export function spreadsheet(engine: typeof HyperFormula, lines: readonly AnalysableLine[]) {
  const n = lines.length;
  // A grams, B is flour, C water, D fat, E sugars, F salt (per g), G food acid meq/g, H plain soda, I powder soda (share), J mL/g
  const rows = lines.map((l) => {
    const i = l.parts[0]?.ingredient;
    if (!i) throw new Error('a line without grams');
    const c = i.per100g;
    const own = i.ownAcidMeqPer100g > 0;
    return [
      l.parts[0]?.grams ?? 0,
      isFlour(i) ? 1 : 0,
      c.waterG / 100,
      c.fatG / 100,
      c.sugarsG / 100,
      c.naclG / 100,
      (i.acidMeqPer100g - i.ownAcidMeqPer100g) / 100,
      own ? 0 : i.sodaPct / 100,
      own ? i.sodaPct / 100 : 0,
      specificVolume(i),
    ];
  });
  const col = (c: string): string => `${c}1:${c}${n}`;
  const flour = `A${n + 1}`;
  const sums = [
    `=SUMPRODUCT(${col('A')},${col('B')})`,
    `=100*(SUMPRODUCT(${col('A')},${col('C')})-SUMPRODUCT(${col('A')},${col('B')},${col('C')}))/${flour}`,
    `=100*SUMPRODUCT(${col('A')},${col('D')})/${flour}`,
    `=100*SUMPRODUCT(${col('A')},${col('E')})/${flour}`,
    `=100*SUMPRODUCT(${col('A')},${col('F')})/${flour}`,
    `=MAX(0,SUMPRODUCT(${col('A')},${col('G')}))`,
    `=SUMPRODUCT(${col('A')},${col('H')})*1000/84.007`,
    `=SUMPRODUCT(${col('A')},${col('I')})*1000/84.007`,
    `=MIN(F${n + 1},G${n + 1})`,
    `=100*0.04401*(I${n + 1}+H${n + 1}+0.15*(G${n + 1}-I${n + 1}))/${flour}`,
    `=1.08*SUMPRODUCT(${col('A')},${col('J')})`,
  ];
  const hf = engine.buildFromArray([...rows, sums], { licenseKey: 'gpl-v3' });
  const cell = (c: number): number => Number(hf.getCellValue({ sheet: 0, row: n, col: c }));
  return {
    /** Puts one changed amount in and reads the results. */
    recalculate(at: number, now: readonly AnalysableLine[]): Recalculated {
      const before = (at + n - 1) % n;
      hf.batch(() => {
        for (const row of [before, at % n]) hf.setCellContents({ sheet: 0, row, col: 0 }, [[now[row]?.parts[0]?.grams ?? 0]]);
      });
      return { water: cell(1), fat: cell(2), sugar: cell(3), co2: cell(9), volumeMl: cell(10) };
    },
    destroy: (): void => hf.destroy(),
  };
}
