'use client';
import { askKey, type MethodAsk } from '@/core/bench/ask';
import { bareAsk } from '@/core/bench/bare-numbers';
import { type Formula, kitchenOf } from '@/core/formula/formula';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { formulaLines } from '@/core/formula/lines';
import { type Offer, withOffer } from '@/core/formula/offers';
import { Button } from '../kit/button';
import { offerSaid } from './offer-said';
import type { BenchAction } from './state';

interface Props {
  readonly formula: Formula;
  readonly asks: readonly MethodAsk[];
  readonly send: (a: BenchAction) => void;
}

/** Lines with a number and no unit, settled by one tap. */
export function BareNumbers({ formula, house, send }: Omit<Props, 'asks'> & { readonly house: Kitchen }) {
  const ask = bareAsk(formulaLines(formula, house), formula, kitchenOf(formula, house).conventions);
  if (!ask) return null;
  return (
    <div className="mb-2 rounded-plate border border-line bg-white px-3 py-1 font-semibold">
      <OpenAsks formula={formula} asks={[ask]} send={send} />
    </div>
  );
}

/** What a card leaves open: each with its choices, taken with one tap or left as it is. */
export function OpenAsks({ formula: f, asks, send }: Props) {
  const take = (o: Offer): void => {
    if (o.what !== 'rows') send({ do: 'put', formula: withOffer(f, o) });
  };
  return (
    <ul>
      {asks.map((q) => (
        <li key={q.asks} className="border-t border-line py-1 first:border-t-0">
          <p>{q.asks}</p>
          <div className="flex flex-wrap gap-2">
            {q.choices.map((o) => (
              <Button key={o.what === 'rows' ? o.key : o.says} onClick={() => take(o)}>
                {o.what === 'portion' ? o.says : offerSaid(o)}
              </Button>
            ))}
            <Button
              look="bare"
              aria-label={`Leave it: ${q.words}`}
              onClick={() => send({ do: 'set', part: { dismissed: [...f.dismissed, askKey(q.words)] }, place: null })}
            >
              Leave it
            </Button>
          </div>
        </li>
      ))}
    </ul>
  );
}
