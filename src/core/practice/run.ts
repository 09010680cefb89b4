/**
 * A surface to practise on: what lies on it, how hot it is where, and what the learner does to it. The same seed and the
 * same acts at the same seconds give the same morning. Seconds of practice; taps are those of the board, in ms.
 */
import { randomLcg } from 'd3-random';
import type { Surface } from '../batter/surface';
import type { PouredPiece } from '../cooking/expected';
import { piecesFrom, settle, type Tap } from '../griddle/board';
import { factorAt, type PlaceMap } from '../griddle/places';
import { heatOn, type SimulatedSurface, settledSurface, surfaceAt } from '../griddle/simulated-surface';
import {
  DULL_TO,
  FEW_STAY,
  type FlatPiece,
  HALF_STAYS,
  moveFlat,
  peekFlat,
  pourFlat,
  pressFlat,
  rimLifts,
  setFrom,
  slides,
  staying,
  stepFlat,
  swirlFlat,
  turnFlat,
} from './flat';
import {
  openDoor,
  openWaffle,
  pourShaped,
  puffOf,
  type ShapedKind,
  STEAM_TEARS,
  steamOf,
  steamStops,
  stepShaped,
  turnBall,
  waffleBrown,
} from './shaped';
import { cameOff, colourWord, type PieceOutcome, type PracticePiece } from './worth';

export const STEP_S = 0.5;
const ROOM_C = 24;
/** A wiped film serves so many pieces. */
const FILM_SERVES = 8;

/** How much is poured, of the usual portion. */
export const POURED = { less: 0.75, usual: 1, more: 1.35 } as const;
export type HowMuch = keyof typeof POURED;

export const HANDS = ['turn', 'peek', 'press', 'move', 'off'] as const;
export type Hand = (typeof HANDS)[number];

export type PracticeAct =
  | { readonly do: 'dial'; readonly toC: number }
  | { readonly do: 'lean'; readonly deg: number }
  | { readonly do: 'drop' | 'fat' | 'wipe' }
  | { readonly do: 'pour'; readonly slot: number; readonly much: HowMuch }
  | { readonly do: 'swirl' | Exclude<Hand, 'move'>; readonly piece: number }
  | { readonly do: 'move'; readonly piece: number; readonly slot: number };

interface Practised {
  readonly number: number;
  readonly pouredAt: number;
  turnedAt: number | null;
  offAt: number | null;
  /** How hot its place was as it was poured. */
  readonly pouredC: number;
  /** How far it ran to the front of a plate that leans, cm. */
  readonly ranCm: number;
  readonly piece: PracticePiece;
}

/** What a run is of. */
export interface PracticeOf {
  readonly does: 'flat' | ShapedKind;
  /** Of a flat piece, by how much is poured; none: what fills a shape. */
  readonly made: Readonly<Record<HowMuch, PouredPiece>> | null;
  readonly surface: Surface;
  /** Hot and cool places that the kitchen has learned of this surface; null: none. */
  readonly places: PlaceMap | null;
  /** What the kitchen's minutes have come to, of the model's: 1 as they are. */
  readonly slow: number;
}

export interface PracticeRun extends PracticeOf {
  readonly seed: number;
  s: number;
  heat: SimulatedSurface;
  /** How far the plate leans to its front, degrees. */
  leanDeg: number;
  fat: { readonly is: FlatPiece['onFat']; readonly left: number };
  taps: readonly Tap[];
  readonly pieces: Practised[];
  /** When a drop of water was last read; null: never. */
  readAt: number | null;
  /** Neighbours that wet batter hit. */
  hits: number;
}

/** @param seed from 0 to 1 @param dialC where it stood before, settled */
export const beginRun = (
  of: PracticeOf,
  seed: number,
  dialC: number,
  fat: FlatPiece['onFat'] = 'film',
): PracticeRun => ({
  ...of,
  seed,
  s: 0,
  heat: settledSurface(dialC, 0),
  leanDeg: 0,
  fat: { is: fat, left: FILM_SERVES },
  taps: [],
  pieces: [],
  readAt: null,
  hits: 0,
});

const ms = (s: number): number => Math.round(1000 * s);

/** How hot a place is. @param ranCm so far to the front of it */
export function placeC(run: PracticeRun, slot: number, ranCm = 0): number {
  const { wideCm, deepCm, slots } = run.surface;
  const at = slots[slot];
  if (!at) return surfaceAt(run.heat, ms(run.s), 0.5);
  const [x, y] = [(2 * at.x) / wideCm - 1, (2 * (at.y + ranCm)) / deepCm - 1];
  return surfaceAt(run.heat, ms(run.s), Math.min(1, Math.hypot(x, y)));
}

/** Where each piece lies, as the board's taps have it; by its number. */
export const slotsOf = (run: PracticeRun): ReadonlyMap<number, number> =>
  new Map(piecesFrom(run.taps).map((p) => [p.piece, p.slot]));

/** Goes on by so many seconds, in steps. */
export function advance(run: PracticeRun, seconds: number): void {
  const slots = slotsOf(run);
  for (let left = seconds; left > 1e-9; left -= STEP_S) {
    const dt = Math.min(STEP_S, left);
    run.s += dt;
    for (const { number, piece, ranCm } of run.pieces) {
      if (piece.offS !== null) continue;
      const slot = slots.get(number) ?? 0;
      const at = run.surface.slots[slot];
      const heat = 1 / (run.slow * (run.places && at ? factorAt(run.places, at.x, at.y) : 1));
      if (piece.does === 'flat') stepFlat(piece, dt, placeC(run, slot, ranCm), heat);
      else stepShaped(piece, dt, placeC(run, slot), heat);
    }
  }
}

/** What a drop of water does at so many degrees. */
export function dropSays(c: number): string {
  if (c < 105) return 'It sits and steams: far too cool.';
  if (c < 155) return 'It sizzles away in a few seconds: still cool.';
  if (c < 195) return 'It dances for a while: right for cakes.';
  return 'It skitters off as mist: too hot.';
}

/** A pour drifts so far downhill for each degree, cm. */
const DRIFTS_CM = 0.2;
/** What of a piece lies past the front edge runs off. @returns what is seen of it */
function runsDown(run: PracticeRun, slot: number, piece: PracticePiece, ranCm: number): string {
  if (ranCm === 0 || piece.does !== 'flat') return '';
  const over = (run.surface.slots[slot]?.y ?? 0) + ranCm + piece.made.acrossCm / 2 - run.surface.deepCm;
  if (over > 0) piece.splash = Math.min(0.6, over / piece.made.acrossCm);
  return ` It runs ${Math.round(10 * ranCm)} mm to the front${over > 0 ? ', and over the edge' : ''}.`;
}

function pour(run: PracticeRun, slot: number, much: HowMuch): string {
  const number = run.pieces.length + 1;
  const tap = settle({ id: `p${number}`, act: 'pour', surface: run.surface.id, slot, at: ms(run.s) }, run.taps);
  if (!tap || tap === 'unknown' || tap.slot >= run.surface.slots.length) return 'There is no free place.';
  run.taps = [...run.taps, tap];
  const ranCm = run.does === 'flat' ? DRIFTS_CM * run.leanDeg : 0;
  const c = placeC(run, tap.slot, ranCm);
  const random = randomLcg((run.seed + 0.618 * number) % 1);
  const piece: PracticePiece =
    run.does === 'flat' && run.made
      ? pourFlat(run.made[much], c, ROOM_C, run.fat.is, random())
      : pourShaped(run.does === 'flat' ? 'ball' : run.does);
  run.pieces.push({ number, pouredAt: run.s, turnedAt: null, offAt: null, pouredC: c, ranCm, piece });
  run.heat = heatOn(run.heat, { do: 'pour', pieces: POURED[much] }, ms(run.s));
  const left = run.fat.left - 1;
  run.fat = left <= 0 ? { is: 'none', left: 0 } : { ...run.fat, left };
  const hiss = c < 105 ? 'No sound: it is far too cool.' : c < 150 ? 'A faint hiss.' : 'It hisses.';
  return hiss + runsDown(run, tap.slot, piece, ranCm);
}

const TURNED_SAID = {
  clean: 'Turned clean.',
  folds: 'It folds on itself.',
  splashes: 'Wet batter flies out as it lands.',
  tears: 'It tears.',
} as const;

/** Pieces so near, in widths of one from middle to middle, are hit by what flies out. */
const NEAR = 1.4;
function hasNeighbour(run: PracticeRun, number: number): boolean {
  const slots = slotsOf(run);
  const middle = (n: number) => run.surface.slots[slots.get(n) ?? -1];
  const own = middle(number);
  return run.pieces.some((q) => {
    const at = q.number !== number && q.offAt === null ? middle(q.number) : undefined;
    return own && at && Math.hypot(own.x - at.x, own.y - at.y) < NEAR * run.surface.acrossCm;
  });
}

/** A piece is turned or taken off, in the board's taps. */
function noteTap(run: PracticeRun, piece: number, act: 'flip' | 'pull'): void {
  const tap = { id: `${act}${piece}`, piece, act, surface: run.surface.id, slot: 0, at: ms(run.s), of: `p${piece}` };
  run.taps = [...run.taps, tap];
}

function turned(run: PracticeRun, p: Practised): string {
  const { piece } = p;
  if (piece.does === 'flat') {
    const how = turnFlat(piece);
    if (how === null) return 'It is turned already.';
    noteTap(run, p.number, 'flip');
    p.turnedAt = run.s;
    const hit = how === 'splashes' && hasNeighbour(run, p.number);
    if (hit) run.hits++;
    return hit ? `${TURNED_SAID[how]} It hits the one beside it.` : TURNED_SAID[how];
  }
  if (piece.does === 'ball')
    return turnBall(piece) ? 'A quarter further: the shell holds.' : 'The shell breaks: liquid runs out.';
  return 'This one is not turned.';
}

function looked({ piece }: Practised): string {
  if (piece.does === 'waffle')
    return openWaffle(piece) ? 'It comes apart in two halves.' : `The lid lifts: ${colourWord(waffleBrown(piece))}.`;
  if (piece.does === 'oven')
    return openDoor(piece) ? 'A breath of cold air: it falls.' : 'The door is open: it stands.';
  if (piece.does === 'ball') return `Beneath it is ${colourWord(piece.brown[piece.at as 0])}.`;
  const brown = peekFlat(piece);
  return brown === null ? 'It tears as you look.' : `Beneath it is ${colourWord(brown)}.`;
}

function takenOff(run: PracticeRun, p: Practised): string {
  const { piece } = p;
  if (piece.does === 'waffle' && !steamStops(piece)) openWaffle(piece);
  if (piece.does === 'oven') openDoor(piece);
  piece.offS = piece.s;
  p.offAt = run.s;
  noteTap(run, p.number, 'pull');
  return resultSaid(cameOff(piece));
}

/** "Nine tenths of what it can be: light on the first side. Wait for its sign." */
function resultSaid(o: PieceOutcome): string {
  const was = o.losses.map((l) => l.was).join(', ');
  return `${Math.round(100 * o.worth)} of 100${was ? `: ${was}` : ''}. ${o.advice}`;
}

/** Does one thing. @returns what is seen or heard */
export function practise(run: PracticeRun, a: PracticeAct): string {
  switch (a.do) {
    case 'dial':
      run.heat = heatOn(run.heat, { do: 'dial', toC: a.toC }, ms(run.s));
      return `The dial stands at ${a.toC}.`;
    case 'lean':
      run.leanDeg = a.deg;
      return a.deg === 0 ? 'The plate stands level.' : `The plate leans ${a.deg}° to its front.`;
    case 'drop':
      run.readAt = run.s;
      return dropSays(surfaceAt(run.heat, ms(run.s), 0.3));
    case 'fat':
      run.fat = { is: 'pool', left: FILM_SERVES };
      return 'Fat lies on it: wipe it off again.';
    case 'wipe':
      run.fat = run.fat.is === 'none' ? run.fat : { is: 'film', left: FILM_SERVES };
      return run.fat.is === 'none' ? 'There is no fat to wipe.' : 'A little fat stays.';
    case 'pour':
      return pour(run, a.slot, a.much);
    default:
      return practisePiece(run, a);
  }
}

function practisePiece(run: PracticeRun, a: Extract<PracticeAct, { readonly piece: number }>): string {
  const p = run.pieces.find((x) => x.number === a.piece);
  if (!p || p.offAt !== null) return 'It is off already.';
  const { piece } = p;
  switch (a.do) {
    case 'turn':
      return turned(run, p);
    case 'peek':
      return looked(p);
    case 'off':
      return takenOff(run, p);
    case 'press':
      if (piece.does !== 'flat') return 'There is nothing to press.';
      pressFlat(piece);
      return 'Steam hisses out: it is flatter for good.';
    case 'swirl':
      if (piece.does !== 'flat' || piece.swirled === true) return 'It lies as it lies.';
      return swirlFlat(piece) ? 'It runs thin over the whole pan.' : 'Too late: it has set where it was poured.';
    case 'move': {
      const tap = settle(
        {
          id: `m${p.number} ${run.s}`,
          act: 'move',
          surface: run.surface.id,
          slot: a.slot,
          at: ms(run.s),
          of: `p${p.number}`,
        },
        run.taps,
      );
      if (!tap || tap === 'unknown') return 'Another lies there.';
      run.taps = [...run.taps, tap];
      if (piece.does === 'flat') moveFlat(piece);
      return `Moved to place ${a.slot + 1}.`;
    }
  }
}

const edgeSaid = (from: number): string =>
  from > 0.99 ? 'edge wet' : from > DULL_TO ? 'edge turning dull' : 'edge dull';
function bubblesSaid(stay: number, s: number): string {
  if (stay >= 0.95) return 'all bubbles stay';
  if (stay >= HALF_STAYS) return 'half of the bubbles stay';
  if (stay > FEW_STAY) return 'a third of the bubbles stay';
  return s > 20 ? 'bubbles come and close' : 'no bubbles yet';
}
function filmSaid(p: FlatPiece): string {
  if (p.swirled === null) return 'just poured';
  return slides(p) ? 'slides' : rimLifts(p) ? 'rim lifts' : 'wet';
}

const MUCH_STEAM = 0.3;
const A_LITTLE_STEAM = 0.04;
function flatSigns(p: FlatPiece): readonly string[] {
  if (p.turnedS !== null) return [p.doneS === null ? 'soft in the middle' : 'springs back'];
  const steam = p.steam > MUCH_STEAM ? ['much steam'] : p.steam > A_LITTLE_STEAM ? ['a little steam'] : [];
  if (p.made.how.film) return [filmSaid(p), ...steam];
  return [edgeSaid(setFrom(p)), bubblesSaid(staying(p), p.s), ...(p.lateS !== null ? ['face dry'] : []), ...steam];
}

/** The signs a piece shows now, in words: what is drawn of it, for whoever can't see that. */
export function signsOf(p: PracticePiece): readonly string[] {
  if (p.does === 'flat') return flatSigns(p);
  if (p.does === 'waffle') {
    const steam = steamOf(p);
    return [
      p.torn
        ? 'in two'
        : steamStops(p)
          ? 'steam has all but stopped'
          : p.ripeS > 40 && steam < STEAM_TEARS
            ? 'steam thinning'
            : 'much steam',
    ];
  }
  if (p.does === 'ball')
    return [`quarter ${p.at + 1} down`, `${p.brown.filter((b) => b >= 0.5).length} of 4 quarters golden`];
  return [puffOf(p) < 0.2 ? 'flat' : puffOf(p) < 0.8 ? 'rising' : 'stands', ...(p.fell ? ['fell'] : [])];
}
