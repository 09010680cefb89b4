'use client';
import { useMemo } from 'react';
import type { Worked } from '@/core/analyse-formula';
import type { Bench } from '@/core/balance/bench';
import { cardSight } from '@/core/bench/card-sight';
import { oneOf } from '@/core/formula/kinds';
import { type Offer, withOffer } from '@/core/formula/offers';
import { Button } from '../kit/button';
import { offerSaid } from './offer-said';
import { OpenAsks } from './open-asks';
import type { BenchAction } from './state';

interface Props {
  readonly bench: Bench;
  /** The formula on the bench, worked. */
  readonly worked: () => Worked;
  /** Never saved yet: the reason for its kind is worth a word. */
  readonly fresh: boolean;
  readonly send: (a: BenchAction) => void;
}

/**
 * What the card says of this formula's own ways, and the kind it seems to be: each with its reason, taken with one tap.
 */
export function CardSays({ bench, worked, fresh, send }: Props) {
  const f = bench.formula;
  const card = useMemo(() => cardSight(bench, worked()), [bench, worked]);
  if (card === null) return null;
  const { guess, offers, asks, told } = card;
  const other = guess && guess.kind !== f.kind && !f.dismissed.includes(`guess:${guess.kind}`) ? guess : null;
  if (!other && offers.length === 0 && asks.length === 0 && (!fresh || (told.length === 0 && !guess))) return null;
  const take = (taken: readonly Offer[]): void => {
    const rows = taken.filter((o) => o.what === 'rows');
    const others = taken.filter((o) => o.what !== 'rows');
    if (others.length > 0) send({ do: 'put', formula: others.reduce(withOffer, f) });
    for (const o of rows) send({ do: 'part', key: o.key, rows: o.rows });
  };
  const leave = (key: string): void => send({ do: 'set', part: { dismissed: [...f.dismissed, key] }, place: null });
  return (
    <section
      aria-label="What the card says"
      className="mt-3 rounded-plate border border-line bg-white px-3 py-2 text-[15px]"
    >
      {other ? (
        <div className="flex flex-wrap items-center gap-2">
          <p className="min-w-0 grow">
            It looks like {oneOf(other.kind)}: {other.why}.
          </p>
          <Button onClick={() => send({ do: 'set', part: { kind: other.kind, school: other.school }, place: null })}>
            Make it {oneOf(other.kind)}
          </Button>
          <Button look="bare" onClick={() => leave(`guess:${other.kind}`)}>
            Leave it
          </Button>
        </div>
      ) : guess ? (
        <p className="text-soft">
          Taken for {oneOf(guess.kind)}: {guess.why}.
        </p>
      ) : null}
      {offers.length > 0 ? (
        <>
          <div className="mt-1 flex flex-wrap items-center justify-between gap-2">
            <h3 className="font-bold text-rim">As this card measures and mixes</h3>
            {offers.length > 1 ? (
              <Button look="bare" onClick={() => take(offers)}>
                Take all {offers.length}
              </Button>
            ) : null}
          </div>
          <ul>
            {offers.map((o) => (
              <li
                key={`${o.what} ${o.says}`}
                className="flex items-center gap-2 border-t border-line py-1 first:border-t-0"
              >
                <span className="min-w-0 grow">
                  {offerSaid(o)}
                  <span className="block text-sm text-soft">“{o.words}”</span>
                </span>
                <Button
                  className="shrink-0 whitespace-nowrap"
                  onClick={() => take([o])}
                  aria-label={`Take: ${offerSaid(o)}`}
                >
                  Take it
                </Button>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      {asks.length > 0 ? (
        <>
          <h3 className="mt-1 font-bold text-rim">What the card leaves open</h3>
          <OpenAsks formula={f} asks={asks} send={send} />
        </>
      ) : null}
      {told.length > 0 ? <p className="mt-1 text-sm text-soft">It also says: {told.join('; ')}.</p> : null}
    </section>
  );
}
