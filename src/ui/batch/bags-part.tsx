'use client';
import { bagsLeft } from '@/core/premix/premix';
import { type Bagged, piecesOfBags } from '@/core/premix/use';
import { counted } from '@/core/quantity/say';
import { typedNumber } from '@/core/quantity/typed';
import { Field } from '../kit/field';

/** Bags as typed, by the lot's id. */
export type BagsTyped = Readonly<Record<string, string>>;

export interface BagsRead {
  readonly taken: readonly { readonly bagged: Bagged; readonly bags: number; readonly pieces: number }[];
  /** Of all of them. */
  readonly pieces: number;
  /** By the lot's id. */
  readonly errors: Readonly<Record<string, string>>;
}

/** What is typed of bags. @param portionMl of one piece */
export function readBags(typed: BagsTyped, offered: readonly Bagged[], portionMl: number): BagsRead {
  const errors: Record<string, string> = {};
  const taken = offered.flatMap((bagged) => {
    const text = (typed[bagged.lot.id] ?? '').trim();
    if (text === '' || text === '0') return [];
    const bags = typedNumber(text, 'bags');
    const left = bagsLeft(bagged.lot);
    if (!Number.isInteger(bags) || bags < 1) errors[bagged.lot.id] = 'Bags come whole.';
    else if (bags > left) errors[bagged.lot.id] = `Only ${left} ${left === 1 ? 'is' : 'are'} left.`;
    else return [{ bagged, bags, pieces: piecesOfBags(bagged, bags, portionMl) }];
    return [];
  });
  return { taken, pieces: taken.reduce((a, t) => a + t.pieces, 0), errors };
}

/** Bags of premix that make a part of what is asked; the rest is mixed fresh. */
export function BagsPart({
  typed,
  set,
  offered,
  read,
  portionMl,
  asked,
  pieces,
}: {
  readonly typed: BagsTyped;
  readonly set: (t: BagsTyped) => void;
  readonly offered: readonly Bagged[];
  readonly read: BagsRead;
  readonly portionMl: number;
  /** Pieces in all. */
  readonly asked: number;
  readonly pieces: string;
}) {
  const fresh = asked - read.pieces;
  return (
    <section aria-label="From bags" className="grid gap-2">
      <span aria-hidden className="text-sm font-semibold text-soft">
        From bags
      </span>
      {offered.map((b) => {
        const left = bagsLeft(b.lot);
        return (
          <Field
            key={b.lot.id}
            label={`Bags of lot ${b.lot.number}`}
            hint={`${left} left, a bag makes ${piecesOfBags(b, 1, portionMl)}`}
            inputMode="numeric"
            value={typed[b.lot.id] ?? ''}
            placeholder="none"
            onChange={(e) => set({ ...typed, [b.lot.id]: e.target.value })}
            error={read.errors[b.lot.id]}
          />
        );
      })}
      {read.pieces > 0 ? (
        <p className="text-[15px]" role="status">
          {fresh > 0
            ? `${counted(asked, pieces)} in all: ${read.pieces} from bags, ${fresh} mixed fresh.`
            : `The bags make ${counted(read.pieces, pieces)}: all of the ${asked}, nothing is mixed fresh.`}
        </p>
      ) : null}
    </section>
  );
}
