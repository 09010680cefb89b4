/** A piece cooked through: when it is turned, when it is done, how brown, how high. Seconds, millimetres. */
import {
  coreC,
  cueC,
  heatFor,
  heightMm,
  laid,
  lossShare,
  type PieceOnHeat,
  type Plate,
  type PouredLayer,
  turn,
} from './heat-through';

const STEP_S = 0.5;
/** No piece is waited for longer, s: on its first side, and in all. */
const MOST_FIRST_S = 480;
const MOST_S = 900;

/** The turn: degrees below the free face, and what sugar adds by its percent of sugar and water. */
const TURNED_AT_C = 66;
const BY_SUGAR_C = 0.35;
/** Done: the middle, degrees, the second side's colour, and no sooner than this, s. */
export const DONE_C = 90;
export const SECOND_BROWN = 0.35;
const LEAST_SECOND_S = 10;
/** A crepe is turned when so much of it has left as water, and lies so long on its second side, s. */
const CREPE_LOSS = 0.15;
const CREPE_SECOND_S = 15;

export interface HowTurned {
  /** Sugar, % of sugar and water: it sets hotter. */
  readonly sugarPercent: number;
  /** A thin film on a pan: it is turned when it is dry, not when it has set. */
  readonly film: boolean;
}

export interface CookedPiece {
  readonly firstS: number;
  readonly secondS: number;
  /** It came to its turn, and was done, before the longest that is waited for. */
  readonly through: boolean;
  /** Of the side first down, and of the other: 1 is golden. */
  readonly brown: { readonly first: number; readonly second: number };
  readonly heightMm: number;
  readonly lossPercent: number;
  readonly coreC: number;
}

/** Degrees below the free face at which a piece is turned. */
export const turnsAtC = ({ sugarPercent }: Pick<HowTurned, 'sugarPercent'>): number =>
  TURNED_AT_C + BY_SUGAR_C * sugarPercent;

function isTurned(p: PieceOnHeat, how: HowTurned): boolean {
  return cueC(p) >= turnsAtC(how) && (!how.film || lossShare(p) >= CREPE_LOSS);
}

/** Cooks a piece as a cook who turns and pulls it at its signs does. A few milliseconds. */
export function cooked(pour: PouredLayer, plate: Plate, how: HowTurned): CookedPiece {
  const p = laid(pour, plate);
  let turned = false;
  while (!turned && p.s < MOST_FIRST_S) {
    heatFor(p, STEP_S);
    turned = isTurned(p, how);
  }
  const firstS = p.s;
  turn(p);
  const isDone = (): boolean =>
    how.film
      ? p.s - firstS >= CREPE_SECOND_S
      : coreC(p) >= DONE_C && p.brown.second >= SECOND_BROWN && p.s - firstS >= LEAST_SECOND_S;
  let done = false;
  while (!done && p.s < MOST_S) {
    heatFor(p, STEP_S);
    done = isDone();
  }
  return {
    firstS,
    secondS: p.s - firstS,
    through: turned && done,
    brown: { ...p.brown },
    heightMm: heightMm(p),
    lossPercent: 100 * lossShare(p),
    coreC: coreC(p),
  };
}
