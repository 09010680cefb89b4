import type { Metadata } from 'next';
import { saveOutcome } from '@/app/actions';
import { batchPage } from '@/app/batches/load';
import { analyse } from '@/core/analyse';
import { USUAL_TIMES } from '@/core/batch/heat';
import { kindById, schoolOf } from '@/core/formula/kinds';
import { seenIn } from '@/core/griddle/times';
import { findIngredient } from '@/core/pantry/pantry';
import { bowlLines, wentIn } from '@/core/prep/weigh';
import { tapsOf } from '@/server/griddle';
import { OutcomeForm } from '@/ui/batch/outcome';

export const metadata: Metadata = { title: 'Outcome' };

export default async function OutcomePage({ params }: { readonly params: Promise<{ id: string }> }) {
  return batchPage(params, 'outcome', async (b, house) => {
    const { rails, ledger, tally } = analyse(
      wentIn(bowlLines(b.sheet, 1), b.weights, (id) => findIngredient(id, house.conventions.own)),
      b.kind,
      b.school,
    );
    return (
      <OutcomeForm
        batch={b}
        seen={seenIn(b, await tapsOf(b.id))}
        judged={{
          kind: b.kind,
          // of the ledger and the tally what the page needs, not every row
          analysis: { rails, ledger: { ...ledger, rows: [] }, tally },
          portionMl: b.portionMl,
          usualPortion: schoolOf(kindById(b.kind), b.school).portionMl,
          usual: USUAL_TIMES[b.kind],
        }}
        save={saveOutcome}
      />
    );
  });
}
