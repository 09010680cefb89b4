/**
 * A cake or a crepe to practise on: it behaves by the model of a piece on the heat, and shows the signs that a cook
 * goes by. Signs are drawn from that model and were never measured: they are for practice and never this kitchen's
 * times. Seconds, millimetres, degrees Celsius; stepped in place.
 */
import { randomLcg, randomLogNormal } from 'd3-random';
import { DONE_C, SECOND_BROWN, turnsAtC } from '../cooking/cook';
import type { PouredPiece } from '../cooking/expected';
import { coreC, cueC, heatFor, laid, lossShare, type PieceOnHeat, turn } from '../cooking/heat-through';

/** A poured cake is a cap: at r of its radius it is so high, its height where half of the bubbles stay being the pour's. */
const CAP_POWER = 0.35;
export const HALF_STAYS = 0.5;
const CAP_TOP = 1 / (1 - HALF_STAYS ** 2) ** CAP_POWER;
const capAt = (r: number): number => CAP_TOP * (1 - r * r) ** CAP_POWER;
/** Where the second column stands; a film has its thinner rim further out. */
const RIM_R = 0.8;
const FILM_RIM = 0.6;

/** Bubbles that count are nearer to the middle than this. */
const COUNTED_R = 0.7;
/** First sign: the edge is dull so far in, and so many bubbles stay. */
export const DULL_TO = 0.85;
export const FEW_STAY = 1 / 3;
/** Degrees past the turn, in the middle, from which the face is dry. */
const DRY_PAST_C = 4;

/** Degrees short of the turn: above the first it folds, above the second it splashes. */
const FOLDS_C = 3;
const SPLASHES_C = 8;
const SPLASH_BY_C = 30;
/** Gas that goes for each 5 s past the best moment, share of the height. */
const GOES_EACH_S = 5;
const GOES = 0.01;
const PRESSED_HEIGHT = 0.85;
const CREASED = 0.98;
/** Seconds without the plate: looked under, and moved. */
const PEEK_S = 4;
const MOVE_S = 2;

/** A crepe: its rim lifts under this share of its own water; it slides from this loss on. */
const RIM_LIFTS = 0.35;
const SLIDES_AT_LOSS = 0.2;
/** A crepe's colour is drawn by its loss: golden where it slides. A thin film browns the model's plate too little. */
const FILM_GOLDEN_LOSS = 0.2;
const FILM_SECOND_GOLDEN_S = 16;
/** A crepe is late when it has lost so many times what it slides at. */
const LATE_LOSSES = 1.5;
/** A film that is not run over its pan in this time lies thick where it was poured. */
const SWIRL_WITHIN_S = 4;

/** Water that a crepe loses in each second as it is poured, share of it. */
const MOST_STEAM = 0.006;
const BUBBLES_PER_CM2 = 0.55;
const LIFT_MEANT_ML = 180;
const SWOLLEN_C = 85;
/** A bubble on a wet skin is open for so long of each so many seconds. */
const OPEN_S = 1.4;

interface Bubble {
  /** Of the piece's radius, from its middle. */
  readonly x: number;
  readonly y: number;
  readonly r: number;
  readonly mm: number;
  /** Born when so much of the gas has swollen, share. */
  readonly at: number;
  /** On a wet skin it comes again after so long, s. */
  readonly every: number;
}

export interface FlatPiece {
  readonly does: 'flat';
  readonly made: PouredPiece;
  readonly middle: PieceOnHeat;
  readonly rim: PieceOnHeat;
  readonly bubbles: readonly Bubble[];
  /** Seconds on the heat, by the clock of whoever watches. */
  s: number;
  turnedS: number | null;
  /** Water lost as it was turned, share; null: it was not. */
  turnLoss: number | null;
  offS: number | null;
  /** Without the plate until then. */
  aloftUntil: number;
  /** When each sign was first there; null: not yet. */
  firstSignS: number | null;
  bestS: number | null;
  lateS: number | null;
  /** Second side: when it was done; null: not yet. */
  doneS: number | null;
  /** Shares of the piece: thrown out at the turn, and torn off. */
  splash: number;
  torn: number;
  folded: boolean;
  creases: number;
  pressed: boolean;
  /** Of a film: run over its pan in time; null: not yet. */
  swirled: boolean | null;
  /** How much it steams now: 1 is as much as a crepe does as it is poured. */
  steam: number;
  /** Poured on fat that nobody wiped, or on a plate without any. */
  readonly onFat: 'film' | 'pool' | 'none';
}

/** A fresh pour. @param seed from 0 to 1: where its bubbles come */
export function pourFlat(
  made: PouredPiece,
  surfaceC: number,
  roomC: number,
  onFat: FlatPiece['onFat'],
  seed: number,
): FlatPiece {
  const { pour, how, acrossCm } = made;
  const column = (share: number): PieceOnHeat =>
    laid({ ...pour, kgPerM2: pour.kgPerM2 * share }, { surfaceC, roomC, lid: false });
  return {
    does: 'flat',
    made,
    middle: column(how.film ? 1 : CAP_TOP),
    rim: column(how.film ? FILM_RIM : capAt(RIM_R)),
    bubbles: bubblesOf(made, acrossCm, seed),
    s: 0,
    turnedS: null,
    turnLoss: null,
    offS: null,
    aloftUntil: 0,
    firstSignS: null,
    bestS: null,
    lateS: null,
    doneS: null,
    splash: 0,
    torn: 0,
    folded: false,
    creases: 0,
    pressed: false,
    swirled: how.film ? null : true,
    steam: 0,
    onFat,
  };
}

function bubblesOf({ pour }: PouredPiece, acrossCm: number, seed: number): readonly Bubble[] {
  const random = randomLcg(seed);
  const size = randomLogNormal.source(random)(0, 0.45);
  const cm2 = (Math.PI / 4) * acrossCm ** 2;
  const count = Math.round(BUBBLES_PER_CM2 * cm2 * Math.min(1.5, pour.liftMl / LIFT_MEANT_ML));
  return Array.from({ length: count }, () => {
    const r = 0.96 * Math.sqrt(random());
    const turnTo = 2 * Math.PI * random();
    return {
      x: r * Math.cos(turnTo),
      y: r * Math.sin(turnTo),
      r,
      mm: Math.min(3, Math.max(0.7, 1.1 * size())),
      at: 0.15 + 0.7 * random(),
      every: 3 + 3 * random(),
    };
  });
}

/** Cue, degrees: what a piece with its sugar is turned at. */
const cueOf = (p: FlatPiece): number => turnsAtC(p.made.how);

/** Degrees at the cue's depth at r of the radius, between the two columns by how high the cap is there. */
function cueAt(p: FlatPiece, r: number): number {
  const [top, rim] = [cueC(p.middle), cueC(p.rim)];
  const share = (CAP_TOP - capAt(r)) / (CAP_TOP - capAt(RIM_R));
  return Math.min(100, top + (rim - top) * share);
}

/** The face is set, and its edge dull, from so far out inward: 1 nowhere, 0 all of it. */
export function setFrom(p: FlatPiece): number {
  if (p.turnedS !== null || cueC(p.middle) >= cueOf(p)) return 0;
  const [top, rim] = [cueC(p.middle), cueC(p.rim)];
  if (rim <= top + 1e-6) return 1;
  const high = CAP_TOP - ((cueOf(p) - top) / (rim - top)) * (CAP_TOP - capAt(RIM_R));
  return high <= 0 ? 1 : Math.sqrt(Math.max(0, 1 - (high / CAP_TOP) ** (1 / CAP_POWER)));
}

/** Share of the bubbles near the middle that stay open. */
export function staying(p: FlatPiece): number {
  const from = Math.min(COUNTED_R, setFrom(p));
  return (COUNTED_R ** 2 - from ** 2) / COUNTED_R ** 2;
}

/** How far the gas has swollen the upper half, share. */
const swollen = (p: FlatPiece): number => {
  const { hottest, pour } = p.middle;
  const upper = hottest.slice(hottest.length >> 1);
  const mean = upper.reduce((a, c) => a + c, 0) / upper.length;
  return Math.min(1, Math.max(0, (mean - pour.batterC) / (SWOLLEN_C - pour.batterC)));
};

/** A bubble as it is seen now: not yet, open on a wet skin, closed again, open for good. */
function seenBubble(p: FlatPiece, b: Bubble, gas: number, from: number): 'none' | 'open' | 'stays' {
  if (gas < b.at) return 'none';
  if (b.r >= from) return 'stays';
  return p.s % b.every < OPEN_S ? 'open' : 'none';
}
/** What all bubbles of a piece are seen by, worked once for a drawing. */
export const bubblesSeen = (p: FlatPiece): readonly { readonly b: Bubble; readonly seen: 'open' | 'stays' }[] => {
  const [gas, from] = [swollen(p), setFrom(p)];
  return p.bubbles.flatMap((b) => {
    const seen = seenBubble(p, b, gas, from);
    return seen === 'none' ? [] : [{ b, seen }];
  });
};

const rimWater = (p: FlatPiece): number => {
  const { water, pour } = p.rim;
  return water.reduce((a, w) => a + w, 0) / (pour.kgPerM2 * pour.waterShare);
};
/** A crepe's rim stands off the pan. */
export const rimLifts = (p: FlatPiece): boolean => p.made.how.film && rimWater(p) < RIM_LIFTS;
/** A crepe slides as the pan is shaken. */
export const slides = (p: FlatPiece): boolean =>
  rimLifts(p) && lossShare(p.middle) >= SLIDES_AT_LOSS && p.swirled !== false;

/** The side that was first down, and the other: 1 is golden. */
export function brownOf(p: FlatPiece): { readonly first: number; readonly second: number } {
  if (!p.made.how.film) return p.middle.brown;
  const first = (p.turnLoss ?? lossShare(p.middle)) / FILM_GOLDEN_LOSS;
  const second = p.turnedS === null ? 0 : (0.9 * ((p.offS ?? p.s) - p.turnedS)) / FILM_SECOND_GOLDEN_S;
  return { first, second };
}

/** Signs of a first side as they come: each is noted with its second, once. */
function noteFirst(p: FlatPiece): void {
  if (p.made.how.film) {
    if (rimLifts(p)) p.firstSignS ??= p.s;
    if (slides(p)) p.bestS ??= p.s;
    if (p.bestS !== null && lossShare(p.middle) > LATE_LOSSES * SLIDES_AT_LOSS) p.lateS ??= p.s;
    return;
  }
  const stay = staying(p);
  if (setFrom(p) <= DULL_TO && stay >= FEW_STAY) p.firstSignS ??= p.s;
  if (stay >= HALF_STAYS) p.bestS ??= p.s;
  if (cueC(p.middle) >= cueOf(p) + DRY_PAST_C) p.lateS ??= p.s;
}

function noteSecond(p: FlatPiece, sinceS: number): void {
  const isDone = p.made.how.film
    ? sinceS >= FILM_SECOND_GOLDEN_S
    : coreC(p.middle) >= DONE_C && p.middle.brown.second >= SECOND_BROWN;
  if (isDone) p.doneS ??= p.s;
}

/**
 * A piece some time later. @param dt s of the watcher's clock @param heat so much faster or slower its place is, 1 as it
 * is
 */
export function stepFlat(p: FlatPiece, dt: number, surfaceC: number, heat = 1): void {
  if (p.offS !== null) return;
  p.s += dt;
  for (const column of [p.middle, p.rim]) column.plate = { ...column.plate, surfaceC };
  if (p.made.how.film && p.swirled === null && p.s > SWIRL_WITHIN_S) p.swirled = false;
  const lost = lossShare(p.middle);
  if (p.s > p.aloftUntil) {
    heatFor(p.middle, dt * heat);
    heatFor(p.rim, dt * heat);
  }
  p.steam = Math.min(1, (lossShare(p.middle) - lost) / dt / MOST_STEAM);
  if (p.turnedS === null) noteFirst(p);
  else noteSecond(p, p.s - p.turnedS);
}

/** A chance that the same piece meets the same way: from 0 to 1, by its bubbles and how often it was asked. */
const chanceOf = (p: FlatPiece): number => (((p.bubbles[p.creases]?.at ?? 0.5) - 0.15) / 0.7 + 0.37 * p.creases) % 1;

/** Looked under. @returns what is seen of its underside; null where it tore */
export function peekFlat(p: FlatPiece): number | null {
  const ready = p.turnedS === null ? Math.min(1, p.made.how.film ? (slides(p) ? 1 : 0.4) : staying(p) / HALF_STAYS) : 1;
  const tears = ready < 0.5 && chanceOf(p) < 1 - ready;
  p.creases++;
  p.aloftUntil = p.s + PEEK_S;
  if (tears) p.torn = Math.min(1, p.torn + 0.12);
  return tears ? null : p.turnedS === null ? brownOf(p).first : brownOf(p).second;
}

/** Nothing is waited for longer than this, s. */
const MOST_WAITED_S = 400;
/** When a piece that lay on as it does would have come to its best moment; null: never. */
function wouldBe(p: FlatPiece): number | null {
  const on = structuredClone(p);
  while (on.bestS === null && on.s < p.s + MOST_WAITED_S) stepFlat(on, 0.5, on.middle.plate.surfaceC);
  return on.bestS;
}

/** Turned over. @returns what happened as it was */
export function turnFlat(p: FlatPiece): 'clean' | 'folds' | 'splashes' | 'tears' | null {
  if (p.turnedS !== null || p.offS !== null) return null;
  const short = cueOf(p) - cueAt(p, HALF_STAYS);
  p.turnLoss = lossShare(p.middle);
  const wasReady = p.bestS !== null;
  p.bestS ??= wouldBe(p);
  for (const column of [p.middle, p.rim]) turn(column);
  p.turnedS = p.s;
  if (p.made.how.film) {
    if (wasReady) return 'clean';
    p.torn = Math.min(1, p.torn + (p.firstSignS === null ? 0.5 : 0.15));
    return 'tears';
  }
  if (short > SPLASHES_C) {
    p.splash = Math.min(0.6, short / SPLASH_BY_C);
    return 'splashes';
  }
  if (p.onFat === 'none') p.torn = Math.min(1, p.torn + 0.1);
  p.folded = short > FOLDS_C;
  return p.folded ? 'folds' : p.onFat === 'none' ? 'tears' : 'clean';
}

export function pressFlat(p: FlatPiece): void {
  p.pressed = true;
}
export function moveFlat(p: FlatPiece): void {
  p.aloftUntil = p.s + MOVE_S;
}
/** Run over its pan. @returns whether it was in time */
export function swirlFlat(p: FlatPiece): boolean {
  if (p.swirled === null) p.swirled = p.s <= SWIRL_WITHIN_S;
  return p.swirled;
}

/** Height kept of what it could have been, share: what was pressed, creased, folded, and waited for too long. */
export function heightKept(p: FlatPiece): number {
  const waited = p.bestS === null ? 0 : Math.max(0, (p.turnedS ?? p.s) - p.bestS);
  return (
    Math.max(0, 1 - (GOES * waited) / GOES_EACH_S) *
    (p.pressed ? PRESSED_HEIGHT : 1) *
    CREASED ** p.creases *
    (p.folded ? 0.9 : 1)
  );
}

/** Share that is not baked through: 0 at 90 degrees in the middle. */
export function rawShare(p: FlatPiece): number {
  if (p.made.how.film) return p.turnedS === null ? 0.3 : 0;
  return Math.min(1, Math.max(0, (DONE_C - coreC(p.middle)) / 30)) * (p.turnedS === null ? 1 : 0.8);
}
