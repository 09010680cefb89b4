'use client';
import { KEPT_STATE_WORDS, type KeptLot, keptWords, lotName } from '@/core/batch/kept';
import { sayDay } from '@/core/quantity/day';
import { counted } from '@/core/quantity/say';
import { Link } from '../kit/link';
import { useUnits } from '../kit/units';
import { readTaken, StorePart, type TakenTyped } from './store-part';

interface KeptRead {
  readonly taken: readonly { readonly lot: KeptLot; readonly pieces: number }[];
  readonly pieces: number;
  /** By the lot's id. */
  readonly errors: Readonly<Record<string, string>>;
}

/** What is typed of kept lots. */
export function readKept(typed: TakenTyped, offered: readonly KeptLot[]): KeptRead {
  const { taken, errors } = readTaken(typed, offered, 'Pieces');
  const lots = taken.flatMap(({ id, count }) => {
    const lot = offered.find((l) => l.id === id);
    return lot ? [{ lot, pieces: count }] : [];
  });
  return { taken: lots, pieces: lots.reduce((a, t) => a + t.pieces, 0), errors };
}

/** Kept pieces that make a part of what is asked: so many fewer are made. */
export function KeptInPart({
  typed,
  set,
  offered,
  read,
  asked,
  pieces,
}: {
  readonly typed: TakenTyped;
  readonly set: (t: TakenTyped) => void;
  readonly offered: readonly KeptLot[];
  readonly read: KeptRead;
  /** Pieces in all, bags apart. */
  readonly asked: number;
  readonly pieces: string;
}) {
  const units = useUnits();
  const fresh = asked - read.pieces;
  return (
    <StorePart
      title="From what is kept"
      typed={typed}
      set={set}
      errors={read.errors}
      offered={offered.map((l) => ({
        id: l.id,
        label: `Pieces of ${lotName(l)}`,
        hint: `${keptWords(l, l.left)} left, ${l.state === 'batter' ? 'kept cold' : KEPT_STATE_WORDS[l.state]}, best by ${sayDay(l.bestBy, units)}`,
        left: l.left,
      }))}
    >
      {read.pieces > 0 ? (
        <p className="text-[15px]" role="status">
          {fresh > 0 ? (
            `${counted(asked, pieces)} in all: ${read.pieces} from what is kept, ${fresh} made. They leave their lot when the batch begins.`
          ) : (
            <>
              All of the {asked} are kept already: nothing is to be made. Serve them from{' '}
              <Link className="font-semibold text-rim underline" href="/kept">
                what is kept
              </Link>
              .
            </>
          )}
        </p>
      ) : null}
    </StorePart>
  );
}
