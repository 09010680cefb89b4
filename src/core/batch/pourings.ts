/** What a batch is poured as: one thing, or two ends from one base, each of its kind and in its portion. */
import type { EndId, Formula } from '../formula/formula';
import { kindIdOf, schoolIdOf } from '../formula/formula';
import type { KindId } from '../formula/kinds';
import type { Batch } from './batch';
import type { Driver } from './driver';
import { mixesIn } from './split';

export interface Pouring {
  /** Null: there is one end. */
  readonly end: EndId | null;
  readonly name: string | null;
  readonly kind: KindId;
  readonly school: string;
  /** Of all that are poured, a test piece left out; null where nothing is counted. */
  readonly pieces: number | null;
  readonly portionMl: number | null;
  /** "1/3 cup", where it was said so. */
  readonly said: string | null;
}

export type Poured = Pick<
  Batch,
  'driver' | 'kind' | 'school' | 'piecesPlanned' | 'portionMl' | 'portionSaid' | 'split'
>;

/** In the order they are poured where nobody says otherwise. More pieces than were planned are of the second. */
export function pouringsOf(b: Poured): readonly [Pouring, ...Pouring[]] {
  const { driver: d } = b;
  if (d.by !== 'both')
    return [
      {
        end: null,
        name: null,
        kind: b.kind,
        school: b.school,
        pieces: b.piecesPlanned,
        portionMl: b.portionMl,
        said: b.portionSaid ?? null,
      },
    ];
  const kits = b.split.by === 'kits' ? mixesIn(b.split) : 1;
  const all = b.piecesPlanned ?? kits * (d.a.pieces + d.b.pieces);
  const first = Math.min(all, kits * d.a.pieces);
  const of = (end: EndId, pieces: number): Pouring => ({
    end,
    name: d[end].name,
    kind: d[end].kind ?? b.kind,
    school: d[end].school ?? b.school,
    pieces,
    portionMl: d[end].portionMl,
    said: d[end].said ?? null,
  });
  return [of('a', first), of('b', all - first)];
}

/** The kinds that come out of a batch, each once. */
export const kindsIn = (b: Pick<Batch, 'kind'> & Partial<Pick<Batch, 'driver'>>): readonly KindId[] =>
  b.driver?.by === 'both' ? [...new Set([b.driver.a.kind ?? b.kind, b.driver.b.kind ?? b.kind])] : [b.kind];

/**
 * Which of them a piece is of: as it was said when it was poured; else by its number, in their order. @param nth from
 * 1, a test piece left out
 */
export const pouringOf = (
  all: readonly [Pouring, ...Pouring[]],
  piece: { readonly end?: EndId | null },
  nth: number,
): Pouring =>
  all.find((p) => p.end !== null && p.end === piece.end) ??
  all.find((p) => p.pieces !== null && nth <= p.pieces) ??
  (all.at(-1) as Pouring);

/** The two ends a driver asks for as the formula has them: names, kinds and schools are its own, whatever was sent. */
export function endsAsked(d: Driver, f: Formula): Driver {
  const { ends } = f;
  if (d.by !== 'both' || !ends) return d;
  const of = (id: EndId) => ({
    ...d[id],
    name: (id === 'a' ? ends[0] : ends[1]).name,
    kind: kindIdOf(f, id),
    school: schoolIdOf(f, id),
  });
  return { ...d, a: of('a'), b: of('b') };
}
