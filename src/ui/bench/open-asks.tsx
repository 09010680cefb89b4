'use client';
import { askKey, type MethodAsk } from '@/core/bench/method-asks';
import type { Formula } from '@/core/formula/formula';
import { type Offer, withOffer } from '@/core/formula/from-card';
import { Button } from '../kit/button';
import { offerSaid } from './offer-said';
import type { BenchAction } from './state';

interface Props {
  readonly formula: Formula;
  readonly asks: readonly MethodAsk[];
  readonly send: (a: BenchAction) => void;
}

/** What a card leaves open: each with its choices, taken with one tap or left as it is. */
export function OpenAsks({ formula: f, asks, send }: Props) {
  const take = (o: Offer): void => {
    if (o.what !== 'rows') send({ do: 'put', formula: withOffer(f, o) });
  };
  return (
    <ul>
      {asks.map((q) => (
        <li key={q.words} className="border-t border-line py-1 first:border-t-0">
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
