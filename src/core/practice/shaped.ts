/**
 * What fills a shape, to practise on: a waffle by its steam, a ball by its quarters, an oven pancake behind its door.
 * The heat model says nothing of these: they follow drawn rules, for practice alone and never this kitchen's times.
 * Seconds, degrees Celsius; stepped in place.
 */

/** The surface that the rules were drawn at, degrees; each degree more is so much faster. */
const DRAWN_AT_C = { waffle: 188, ball: 175, oven: 220 } as const;
const BY_DEGREE = 0.012;
const paceAt = (kind: keyof typeof DRAWN_AT_C, surfaceC: number): number =>
  Math.exp(BY_DEGREE * (surfaceC - DRAWN_AT_C[kind]));

/** Steam comes with the first and goes with the second of these, s at its pace. */
const STEAM_COMES_S = 20;
const STEAM_GOES_S = 110;
/** Steam has all but stopped under this share of the most there was; opened above the second, a waffle tears. */
export const STEAM_STOPS = 0.15;
export const STEAM_TEARS = 0.6;
const WAFFLE_GOLDEN_S = 270;

export interface WafflePiece {
  readonly does: 'waffle';
  s: number;
  /** At its own pace: warmer is further on. */
  ripeS: number;
  offS: number | null;
  /** Its two halves parted as it was opened. */
  torn: boolean;
  /** How often it was opened and shut again. */
  opened: number;
}

const steamed = (s: number): number => (1 - Math.exp(-s / STEAM_COMES_S)) * Math.exp(-s / STEAM_GOES_S);
const STEAM_MOST_S = STEAM_COMES_S * Math.log(1 + STEAM_GOES_S / STEAM_COMES_S);
/** Steam out of the iron, share of the most there is; before it has come, as if all of it were still there. */
export const steamOf = (p: Pick<WafflePiece, 'ripeS'>): number => steamed(p.ripeS) / steamed(STEAM_MOST_S);
/** Share of its steam that is still to come or coming: what tears a waffle that is opened. */
const holds = (p: WafflePiece): number => (p.ripeS < STEAM_MOST_S ? 1 : steamOf(p));
export const steamStops = (p: WafflePiece): boolean => holds(p) < STEAM_STOPS;
export const waffleBrown = (p: WafflePiece): number => (p.ripeS / WAFFLE_GOLDEN_S) ** 2;
/** Ripe seconds at which the steam stops. */
export const STOPS_AT_S = (() => {
  let s = STEAM_MOST_S;
  while (steamed(s) / steamed(STEAM_MOST_S) >= STEAM_STOPS) s += 0.5;
  return s;
})();

/** The lid is lifted. @returns whether it came apart */
export function openWaffle(p: WafflePiece): boolean {
  p.opened++;
  if (holds(p) > STEAM_TEARS) p.torn = true;
  return p.torn;
}

/** Each quarter of a ball is golden after so long on the iron, s; it can be turned from this colour on. */
const QUARTER_GOLDEN_S = 55;
const QUARTER_TURNS_AT = 0.5;
const BALL_SET_S = 150;

export interface BallPiece {
  readonly does: 'ball';
  s: number;
  ripeS: number;
  offS: number | null;
  /** Which quarter lies on the iron, from 0, and how brown each is. */
  at: number;
  readonly brown: [number, number, number, number];
  /** Turned before its shell could bear it: so often. */
  broken: number;
}
/** A quarter further. @returns whether its shell held */
export function turnBall(p: BallPiece): boolean {
  const held = p.brown[p.at as 0] >= QUARTER_TURNS_AT;
  if (!held) p.broken++;
  p.at = (p.at + 1) % 4;
  return held;
}
export const ballApart = (p: BallPiece): number => Math.max(...p.brown) - Math.min(...p.brown);
/** Set to the middle, share. */
export const ballSet = (p: BallPiece): number => Math.min(1, p.ripeS / BALL_SET_S);

/** An oven pancake has half of its puff after so long, and is golden after so long, s. */
const PUFF_HALF_S = 540;
const PUFF_WIDTH_S = 90;
export const PUFF_STANDS = 0.8;
const OVEN_GOLDEN_S = 1080;

export interface OvenPiece {
  readonly does: 'oven';
  s: number;
  ripeS: number;
  offS: number | null;
  /** It fell by half: the door was opened before it stood. */
  fell: boolean;
  opened: number;
}
export const puffOf = (p: OvenPiece): number =>
  (1 / (1 + Math.exp(-(p.ripeS - PUFF_HALF_S) / PUFF_WIDTH_S))) * (p.fell ? 0.5 : 1);
export const ovenBrown = (p: OvenPiece): number => (p.ripeS / OVEN_GOLDEN_S) ** 2;
/** The door is opened. @returns whether it fell */
export function openDoor(p: OvenPiece): boolean {
  p.opened++;
  if (!p.fell && puffOf(p) < PUFF_STANDS) p.fell = true;
  return p.fell;
}

export type ShapedPiece = WafflePiece | BallPiece | OvenPiece;
export type ShapedKind = ShapedPiece['does'];

export function pourShaped(kind: ShapedKind): ShapedPiece {
  const fresh = { s: 0, ripeS: 0, offS: null };
  if (kind === 'waffle') return { does: kind, ...fresh, torn: false, opened: 0 };
  if (kind === 'ball') return { does: kind, ...fresh, at: 0, brown: [0, 0, 0, 0], broken: 0 };
  return { does: kind, ...fresh, fell: false, opened: 0 };
}

/** A piece some time later. @param heat so much faster or slower its place is */
export function stepShaped(p: ShapedPiece, dt: number, surfaceC: number, heat = 1): void {
  if (p.offS !== null) return;
  p.s += dt;
  const ripe = dt * heat * paceAt(p.does, surfaceC);
  p.ripeS += ripe;
  if (p.does === 'ball') p.brown[p.at as 0] += ripe / QUARTER_GOLDEN_S;
}
