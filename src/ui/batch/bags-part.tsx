'use client';
import { bagsLeft } from '@/core/premix/premix';
import { type Bagged, piecesOfBags } from '@/core/premix/use';
import { counted } from '@/core/quantity/say';
import { readTaken, StorePart, type TakenTyped } from './store-part';

interface BagsRead {
  readonly taken: readonly { readonly bagged: Bagged; readonly bags: number; readonly pieces: number }[];
  /** Of all of them. */
  readonly pieces: number;
  /** By the lot's id. */
  readonly errors: Readonly<Record<string, string>>;
}

/** What is typed of bags. @param portionMl of one piece */
export function readBags(typed: TakenTyped, offered: readonly Bagged[], portionMl: number): BagsRead {
  const { taken, errors } = readTaken(
    typed,
    offered.map((b) => ({ id: b.lot.id, left: bagsLeft(b.lot) })),
    'Bags',
  );
  const bags = taken.flatMap(({ id, count }) => {
    const bagged = offered.find((b) => b.lot.id === id);
    return bagged ? [{ bagged, bags: count, pieces: piecesOfBags(bagged, count, portionMl) }] : [];
  });
  return { taken: bags, pieces: bags.reduce((a, t) => a + t.pieces, 0), errors };
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
  readonly typed: TakenTyped;
  readonly set: (t: TakenTyped) => void;
  readonly offered: readonly Bagged[];
  readonly read: BagsRead;
  readonly portionMl: number;
  /** Pieces in all. */
  readonly asked: number;
  readonly pieces: string;
}) {
  const fresh = asked - read.pieces;
  return (
    <StorePart
      title="From bags"
      typed={typed}
      set={set}
      errors={read.errors}
      offered={offered.map((b) => {
        const left = bagsLeft(b.lot);
        return {
          id: b.lot.id,
          label: `Bags of lot ${b.lot.number}`,
          hint: `${left} left, a bag makes ${piecesOfBags(b, 1, portionMl)}`,
          left,
        };
      })}
    >
      {read.pieces > 0 ? (
        <p className="text-[15px]" role="status">
          {fresh > 0
            ? `${counted(asked, pieces)} in all: ${read.pieces} from bags, ${fresh} mixed fresh.`
            : `The bags make ${counted(read.pieces, pieces)}: all of the ${asked}, nothing is mixed fresh.`}
        </p>
      ) : null}
    </StorePart>
  );
}
