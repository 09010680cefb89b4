/** How long each side takes: learned from taps that were accepted, and from the kind until there are some. Seconds. */

import type { TestVerdict } from '../batch/acts';
import type { Batch } from '../batch/batch';
import { isTestPiece } from '../batch/pieces';
import { median } from '../quantity/middle';
import type { SideTimes } from '../script/on-heat';
import { type Piece, piecesFrom, type Tap } from './board';

interface Learned {
  readonly seconds: number;
  /** Taps it rests on, and those that were set aside. */
  readonly from: number;
  readonly aside: number;
}

/** A tap further than this from the middle, as a factor, was late for another reason. */
const OUTLIER = 2;

/** The middle of what was tapped, outliers set aside; null where nothing was. */
export function learned(seconds: readonly number[]): Learned | null {
  const told = seconds.filter((s) => s > 0);
  const middle = median(told);
  if (middle === null) return null;
  const kept = told.filter((s) => s <= middle * OUTLIER && s >= middle / OUTLIER);
  return { seconds: median(kept) ?? middle, from: kept.length, aside: told.length - kept.length };
}

/** Seconds of each side of pieces that are off the heat. */
export const sidesOf = (
  pieces: readonly Piece[],
): { readonly first: readonly number[]; readonly second: readonly number[] } => {
  const off = pieces.filter((p) => p.pulledAt !== null);
  return {
    first: off.flatMap((p) => [((p.flippedAt ?? p.pulledAt ?? 0) - p.pouredAt) / 1000]),
    second: off.flatMap((p) =>
      p.flippedAt === null || p.pulledAt === null ? [] : [(p.pulledAt - p.flippedAt) / 1000],
    ),
  };
};

export interface KnownTimes {
  readonly times: SideTimes;
  /** Taps they rest on; 0: the kind's usual. */
  readonly from: number;
  /** Taps that were set aside: twice as long or half as short as the middle. */
  readonly aside: number;
}

/**
 * Less than this share of what was known is no time on the heat: a place tapped three times at once was a slip of the
 * finger.
 */
const SLIP = 0.2;
const noSlips = (seconds: readonly number[], was: number): readonly number[] => seconds.filter((s) => s > SLIP * was);

/** Times of a formula here. @param usual as its script has them @param earlier seconds of its earlier pieces */
export function timesFor(
  usual: SideTimes,
  earlier: { readonly first: readonly number[]; readonly second: readonly number[] } = { first: [], second: [] },
): KnownTimes {
  const first = learned(noSlips(earlier.first, usual.first));
  const second = usual.second === null ? null : learned(noSlips(earlier.second, usual.second));
  return {
    times: {
      first: first?.seconds ?? usual.first,
      second: usual.second === null ? null : (second?.seconds ?? usual.second),
    },
    from: Math.min(first?.from ?? 0, usual.second === null ? (first?.from ?? 0) : (second?.from ?? 0)),
    aside: (first?.aside ?? 0) + (second?.aside ?? 0),
  };
}

/** Taps of one batch from which it is its own teacher. */
const OWN_TAPS = 3;

/** Times as a batch goes: its own once it has some, else what was known before. */
export function timesNow(known: KnownTimes, pieces: readonly Piece[]): KnownTimes {
  const sides = sidesOf(pieces);
  const own = (xs: readonly number[], was: number | null): Learned | null => {
    const l = learned(noSlips(xs, was ?? 0));
    return l && l.from >= OWN_TAPS ? l : null;
  };
  const [first, second] = [own(sides.first, known.times.first), own(sides.second, known.times.second)];
  return {
    times: {
      first: first?.seconds ?? known.times.first,
      second: known.times.second === null ? null : (second?.seconds ?? known.times.second),
    },
    from: first?.from ?? known.from,
    aside: first ? first.aside + (second?.aside ?? 0) : known.aside,
  };
}

/**
 * What the taps of a batch came to: pieces that came off (the test piece not counted), and the middle of each side's
 * time.
 */
export function seenIn(batch: Pick<Batch, 'driver' | 'kind' | 'split' | 'piecesPlanned'>, taps: readonly Tap[]) {
  const pieces = piecesFrom(taps);
  const off = pieces.filter((p) => p.pulledAt !== null && !isTestPiece(batch, p.piece)).length;
  // two taps in one second tell no time
  const whole = (l: Learned | null): number | null => (l && l.seconds >= 0.5 ? Math.round(l.seconds) : null);
  // of two ends of other kinds the times are the first's
  const { driver: d } = batch;
  const apart = d.by === 'both' && (d.a.kind ?? batch.kind) !== (d.b.kind ?? batch.kind);
  const sides = sidesOf(apart ? pieces.filter((p) => p.end !== 'b') : pieces);
  return {
    pieces: off > 0 ? off : null,
    firstSideS: whole(learned(sides.first)),
    secondSideS: whole(learned(sides.second)),
  };
}

export const TEST_WORDS: Readonly<Record<TestVerdict, string>> = {
  right: 'just right',
  dark: 'too dark',
  pale: 'too pale',
  thick: 'too thick',
  thin: 'too thin',
  sticks: 'it sticks',
};

/** Shares of the bowl: a first step, to be tried again. */
const MILK_SHARE = 0.02;
const FLOUR_SHARE = 0.012;

/**
 * One change after the test piece, with its size.
 * @param bowlG of batter in the bowl, g @param say so much of what thins it, or thickens it, as the batch is measured
 */
export function oneChange(
  v: TestVerdict,
  bowlG: number,
  say: (what: 'thin' | 'thick', grams: number) => string,
): string {
  switch (v) {
    case 'right':
      return 'Pour on.';
    case 'dark':
      return 'Heat down by about 10 °C, and wait two minutes before the next.';
    case 'pale':
      return 'Heat up by about 10 °C, and wait two minutes before the next.';
    case 'thick':
      return `Stir ${say('thin', MILK_SHARE * bowlG)} into the bowl, a few turns only, and pour another.`;
    case 'thin':
      return `Sprinkle ${say('thick', FLOUR_SHARE * bowlG)} over the bowl, fold it in, give it five minutes.`;
    case 'sticks':
      return 'Wipe the surface, let it come back to heat until a drop of water dances, then a little fat, wiped.';
  }
}
