import type { Metadata } from 'next';
import { keepCards, lookAtCards, saveFormula, takeCardsBack } from '@/app/actions';
import { dropMeasure, keepAnswered } from '@/app/pantry/actions';
import { firstSight } from '@/core/bench/sight';
import { EMPTY_FORMULA } from '@/core/formula/formula';
import { reach } from '@/server/db/pool';
import { loadHouse } from '@/server/queries/house';
import { stockNoted } from '@/server/queries/pantry';
import { Bench } from '@/ui/bench/bench';
import { AwayPage, Frame } from '@/ui/frame';

export const metadata: Metadata = { title: 'New formula' };

/** `from=nothing`: the kind, style and flour are asked first. */
export default async function NewFormula({ searchParams }: { readonly searchParams: Promise<{ from?: string | string[] }> }) {
  const { from } = await searchParams;
  const r = await reach(() => Promise.all([loadHouse(), stockNoted()]));
  if (!r.up) return <AwayPage kind={r.kind} here="bench" />;
  const [house, stock] = r.value;
  return (
    <Frame here="bench">
      <h1 className="sr-only">New formula</h1>
      <Bench
        key={from === 'nothing' ? 'nothing' : 'card'}
        begin={from === 'nothing' ? 'nothing' : 'card'}
        formulaId={null}
        formula={EMPTY_FORMULA}
        first={firstSight({ formula: EMPTY_FORMULA, house, end: null })}
        number={null}
        newest={null}
        house={house}
        shelf={stock}
        save={saveFormula}
        cards={{ look: lookAtCards, keep: keepCards, back: takeCardsBack }}
        remember={keepAnswered}
        forget={dropMeasure}
      />
    </Frame>
  );
}
