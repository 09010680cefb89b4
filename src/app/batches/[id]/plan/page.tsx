import type { Metadata } from 'next';
import { batchPage } from '@/app/batches/load';
import { linesOfSheet } from '@/core/batch/sheet';
import { kindById } from '@/core/formula/kinds';
import { findIngredient } from '@/core/pantry/pantry';
import { grams } from '@/core/quantity/say';
import { AfterSheet } from '@/ui/batch/after-sheet';
import { MeasureSheet } from '@/ui/batch/measure-sheet';
import { PrintButton } from '@/ui/batch/print-button';

export const metadata: Metadata = { title: 'Plan' };

export default async function BatchPlanPage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'plan', (b, house, stock) => (
    <div className="mx-auto grid max-w-4xl gap-4">
      <div className="print:hidden">
        <PrintButton />
      </div>
      <MeasureSheet
        title={b.name}
        lines={b.sheet}
        units={house.units}
        about={[
          b.piecesPlanned ? `${b.piecesPlanned} pieces of ${b.portionMl} ml` : '',
          `${grams(b.massG, house.units)} of batter`,
          b.exactness === 'exact' ? 'to 0.1 g' : b.exactness === 'kitchen' ? 'cups and spoons' : 'whole grams',
          `version ${b.versionNumber}`,
        ]}
      />
      {b.sheet.some((l) => l.parts) ? (
        <AfterSheet
          notice={`/formulas/${b.formulaId}/notice?version=${b.versionNumber}`}
          lines={linesOfSheet(b.sheet, (id) => findIngredient(id, house.conventions.own))}
          shelf={stock}
          units={house.units}
          pieces={b.piecesPlanned}
          piecesName={kindById(b.kind).pieces}
        />
      ) : null}
    </div>
  ));
}
