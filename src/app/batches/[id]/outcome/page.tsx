import type { Metadata } from 'next';
import { saveOutcome } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { waysOf } from '@/core/batch/batch';
import { usualTimes } from '@/core/batch/heat';
import { bowlOf } from '@/core/day/day';
import { kindById, schoolOf } from '@/core/formula/kinds';
import { formulaLines } from '@/core/formula/lines';
import { WEAK } from '@/core/formula/powder-age';
import { heatZone } from '@/core/griddle/heat';
import { seenIn } from '@/core/griddle/times';
import { doneAtTheHeat, processOf } from '@/core/judge/process';
import { findIngredient } from '@/core/pantry/pantry';
import { inTheBowl } from '@/core/prep/correct';
import { howFar } from '@/core/prep/join';
import { versionById } from '@/server/queries/formulas';
import { tapsOf } from '@/server/queries/griddle';
import { OutcomeForm } from '@/ui/batch/outcome';

export const metadata: Metadata = { title: 'Outcome' };

export default async function OutcomePage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'outcome', async (b, house) => {
    const taps = await tapsOf(b.id);
    const ways = waysOf(b, house);
    const { analysis, standing } = bowlOf(b, ways, house.gear, (id) => findIngredient(id, house.conventions.own));
    const { rails, ledger, tally } = analysis;
    const version = await versionById(b.versionId);
    const lines = version ? formulaLines(version.formula, house) : [];
    const find = (id: string) => findIngredient(id, house.conventions.own);
    const { heatC, restMin, turns, heldMin } = processOf(b, taps);
    return (
      <OutcomeForm
        batch={b}
        seen={seenIn(b, taps)}
        judged={{
          kind: b.kind,
          // of the ledger and the tally what the page needs, not every row
          analysis: { rails, ledger: { ...ledger, rows: [] }, tally },
          pour: analysis.thickness?.pour ?? null,
          wantedPour: analysis.school?.pour ?? null,
          holds: inTheBowl(b, 1, find).flatMap((l) => l.parts.map((p) => p.ingredient.like ?? p.ingredient.id)),
          weakPowder: lines.some((l) => l.strength < WEAK[0]),
          ...doneAtTheHeat(b.entries, ways),
          portionMl: b.portionMl,
          usualPortion: schoolOf(kindById(b.kind), b.school).portionMl,
          usual: usualTimes(b.kind, ways),
          batterC: standing.batterC,
          heatC,
          heatZone: heatZone(b.kind, b.school),
          restMin,
          usualRestMin: standing.restMin,
          turns,
          usualTurns: howFar(b.kind, ways).count,
          heldMin,
          units: house.units,
        }}
        save={saveOutcome}
      />
    );
  });
}
