'use client';
import { type Formula, type FormulaLine, kitchenOf } from '@/core/formula/formula';
import { guessKind, type Offer, offersFrom, toldBy } from '@/core/formula/from-card';
import { oneOf } from '@/core/formula/kinds';
import type { Kitchen } from '@/core/formula/kitchen-settings';
import { MATTERS, MEASURED } from '@/core/formula/schools';
import { wayName } from '@/core/formula/ways';
import { Button } from '../kit/button';
import type { BenchAction } from './state';

interface Props {
  readonly formula: Formula;
  readonly lines: readonly FormulaLine[];
  readonly house: Kitchen;
  /** Never saved yet: the reason for its kind is worth a word. */
  readonly fresh: boolean;
  readonly send: (a: BenchAction) => void;
}

/** Whether what is offered is already so. */
function isTaken(o: Offer, f: Formula, lines: readonly FormulaLine[], house: Kitchen): boolean {
  if (o.what === 'way') return kitchenOf(f, house).ways[o.way] === o.value;
  if (o.what === 'measure') return kitchenOf(f, house).conventions[o.of] === o.value;
  if (o.what === 'portion') return f.portionMl !== null && Math.abs(f.portionMl - o.ml) < 0.5;
  return lines.find((l) => l.key === o.key)?.moment === o.moment;
}

const capital = (t: string): string => `${t.charAt(0).toUpperCase()}${t.slice(1)}`;

function sets(o: Offer): string {
  switch (o.what) {
    case 'way':
      return `${MATTERS[o.way].name}: ${wayName(o.way, o.value)}`;
    case 'measure':
      return `${MEASURED[o.of].name}: ${o.says}`;
    case 'portion':
      return `Portion: ${o.says}`;
    case 'moment':
      return capital(o.says);
  }
}

/** What the card says of this formula's own ways, and the kind it seems to be: each with its reason, taken with one tap. */
export function CardSays({ formula: f, lines, house, fresh, send }: Props) {
  if (f.cardNotes.trim() === '' && f.name.trim() === '') return null;
  const guess = guessKind(f.name, lines, f.cardNotes);
  const other = guess && guess.kind !== f.kind && !f.dismissed.includes(`guess:${guess.kind}`) ? guess : null;
  const offers = offersFrom(f.cardNotes, lines, kitchenOf(f, house).conventions).filter((o) => !isTaken(o, f, lines, house));
  const told = toldBy(f.cardNotes);
  if (!other && offers.length === 0 && (!fresh || (told.length === 0 && !guess))) return null;
  const take = (o: Offer): void => {
    if (o.what === 'way') send({ do: 'set', part: { ways: { ...f.ways, [o.way]: o.value } }, place: null });
    else if (o.what === 'measure') send({ do: 'set', part: { conventions: { ...f.conventions, [o.of]: o.value } }, place: null });
    else if (o.what === 'portion') send({ do: 'set', part: { portionMl: o.ml }, place: null });
    else send({ do: 'choose', key: o.key, choice: { moment: o.moment } });
  };
  return (
    <section aria-label="What the card says" className="mt-3 rounded-plate border border-line bg-white px-3 py-2 text-[15px]">
      {other ? (
        <div className="flex flex-wrap items-center gap-2">
          <p className="min-w-0 grow">
            It looks like {oneOf(other.kind)}: {other.why}.
          </p>
          <Button onClick={() => send({ do: 'set', part: { kind: other.kind, school: other.school }, place: null })}>Make it {oneOf(other.kind)}</Button>
          <Button look="bare" onClick={() => send({ do: 'set', part: { dismissed: [...f.dismissed, `guess:${other.kind}`] }, place: null })}>
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
          <h3 className="mt-1 font-bold text-rim">As this card measures and mixes</h3>
          <ul>
            {offers.map((o) => (
              <li key={`${o.what} ${o.says}`} className="flex items-center gap-2 border-t border-line py-1 first:border-t-0">
                <span className="min-w-0 grow">
                  {sets(o)}
                  <span className="block text-sm text-soft">“{o.words}”</span>
                </span>
                <Button onClick={() => take(o)} aria-label={`Take: ${sets(o)}`}>
                  Take it
                </Button>
              </li>
            ))}
          </ul>
        </>
      ) : null}
      {told.length > 0 ? <p className="mt-1 text-sm text-soft">It also says: {told.map((t) => t.says).join('; ')}.</p> : null}
    </section>
  );
}
