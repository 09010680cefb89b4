/**
 * Where pieces lie: the places on a griddle, in a pan, an iron or a ball pan, and which of them are lit. Plan, time
 * line and board count on the same places. Centimetres.
 */
import type { KindId } from '../formula/kinds';
import { GAP_CM, type Gear, isPouredFreely, madeOn } from '../pantry/gear';

interface Slot {
  /** Middle of the piece from the left and the front edge, cm. */
  readonly x: number;
  readonly y: number;
}

export interface Surface {
  readonly id: string;
  readonly name: string;
  readonly wideCm: number;
  readonly deepCm: number;
  readonly round: boolean;
  /** Across one piece as it is drawn, cm. */
  readonly acrossCm: number;
  /** In pour order: from the back left, row by row, so that the hand that flips follows the hand that poured. */
  readonly slots: readonly Slot[];
}

/**
 * What is lit for a batch, and how many lie on it at a time at most: "six for beginners". Null: as the kitchen would
 * have it.
 */
export interface Lit {
  readonly on: readonly string[] | null;
  readonly most: number | null;
}

export const AS_USUAL: Lit = { on: null, most: null };

/** Across a piece where the batter says nothing, cm. */
const USUAL_ACROSS_CM = 10;

const grid = (wide: number, deep: number, across: number): readonly Slot[] => {
  const n = (cm: number): number => Math.max(0, Math.floor((cm + GAP_CM) / (across + GAP_CM)));
  const [columns, rows] = [n(wide), n(deep)];
  const start = (cm: number, k: number): number => (cm - (k * across + (k - 1) * GAP_CM)) / 2 + across / 2;
  return Array.from({ length: rows * columns }, (_, i) => ({
    x: start(wide, columns) + (i % columns) * (across + GAP_CM),
    y: start(deep, rows) + Math.floor(i / columns) * (across + GAP_CM),
  }));
};

/** Rows set into each other's gaps. */
const staggered = (wide: number, deep: number, across: number): readonly Slot[] => {
  const pitch = across + GAP_CM;
  const columns = Math.max(0, Math.floor((wide + GAP_CM) / pitch));
  const rowPitch = (pitch * Math.sqrt(3)) / 2;
  const rows = deep < across ? 0 : 1 + Math.floor((deep - across) / rowPitch + 1e-9);
  const left = (wide - (columns * across + (columns - 1) * GAP_CM)) / 2 + across / 2;
  const front = (deep - (across + (rows - 1) * rowPitch)) / 2 + across / 2;
  return Array.from({ length: rows }, (_, r) => r).flatMap((r) =>
    Array.from({ length: columns }, (_, c) => ({
      x: left + c * pitch + (r % 2) * (pitch / 2),
      y: front + r * rowPitch,
    })).filter((s) => s.x + across / 2 <= wide + 1e-9),
  );
};

/** So many places in a ring about the middle of a pan, as far out as they go. */
const ring = (pan: number, across: number, n: number): readonly Slot[] =>
  Array.from({ length: n }, (_, k) => {
    const [turn, out] = [(2 * Math.PI * k) / n - Math.PI / 2, (pan - across) / 2];
    return { x: pan / 2 + out * Math.cos(turn), y: pan / 2 + out * Math.sin(turn) };
  });

/**
 * Places in a round pan: one in the middle, or a ring of them with another ring, or one, inside. A piece as wide as the
 * pan, or wider, fills it: there is always one.
 */
function inPan(pan: number, across: number): readonly Slot[] {
  const pitch = across + GAP_CM;
  const middle: readonly Slot[] = [{ x: pan / 2, y: pan / 2 }];
  const out = (pan - across) / 2;
  if (2 * out < pitch - 1e-9) return middle;
  const n = Math.floor(Math.PI / Math.asin(Math.min(1, pitch / (2 * out))) + 1e-9);
  const inner = pan - 2 * pitch;
  return [
    ...ring(pan, across, n),
    ...(inner >= across - 1e-9 ? inPan(inner, across).map((s) => ({ x: s.x + pitch, y: s.y + pitch })) : []),
  ];
}

const WAFFLE_CM = 12;
const HOLLOW_CM = 5;
/** What a crepe or an oven pancake leaves free of its pan, as a share. */
const PAN_SHARE = 0.92;

/**
 * A piece of gear as a surface for a kind.
 * @param acrossCm how far one piece spreads, where it is poured freely
 * @returns null where the kind is not made on it, or not one piece fits
 */
export function surfaceOf(g: Gear, kind: KindId, acrossCm: number): Surface | null {
  if (!madeOn(g, kind)) return null;
  const { id, name } = g;
  const round = (slots: readonly Slot[], pan: number, across: number): Surface => ({
    id,
    name,
    wideCm: pan,
    deepCm: pan,
    round: true,
    acrossCm: Math.min(across, pan * PAN_SHARE),
    slots,
  });
  if (g.sort === 'griddle') {
    const [rows, set] = [grid(g.wideCm, g.deepCm, acrossCm), staggered(g.wideCm, g.deepCm, acrossCm)];
    const slots = set.length > rows.length ? set : rows;
    return slots.length > 0 ? { id, name, wideCm: g.wideCm, deepCm: g.deepCm, round: false, acrossCm, slots } : null;
  }
  if (g.sort === 'pan')
    return isPouredFreely(kind)
      ? round(inPan(g.acrossCm, acrossCm), g.acrossCm, acrossCm)
      : round([{ x: g.acrossCm / 2, y: g.acrossCm / 2 }], g.acrossCm, g.acrossCm);
  if (g.sort === 'iron') {
    const pitch = WAFFLE_CM + GAP_CM;
    return {
      id,
      name,
      wideCm: g.pieces * pitch + GAP_CM,
      deepCm: WAFFLE_CM + 2 * GAP_CM,
      round: false,
      acrossCm: WAFFLE_CM,
      slots: Array.from({ length: g.pieces }, (_, n) => ({
        x: GAP_CM + WAFFLE_CM / 2 + n * pitch,
        y: GAP_CM + WAFFLE_CM / 2,
      })),
    };
  }
  if (g.sort !== 'ball-pan') return null;
  const pitch = HOLLOW_CM + GAP_CM;
  const columns = Math.ceil(Math.sqrt(g.hollows));
  return {
    id,
    name,
    wideCm: columns * pitch + GAP_CM,
    deepCm: Math.ceil(g.hollows / columns) * pitch + GAP_CM,
    round: false,
    acrossCm: HOLLOW_CM,
    slots: Array.from({ length: g.hollows }, (_, n) => ({
      x: GAP_CM + HOLLOW_CM / 2 + (n % columns) * pitch,
      y: GAP_CM + HOLLOW_CM / 2 + Math.floor(n / columns) * pitch,
    })),
  };
}

/** How many of a kind a piece of gear takes at once. */
export const placesOn = (g: Gear, kind: KindId, acrossCm = USUAL_ACROSS_CM): number =>
  surfaceOf(g, kind, acrossCm)?.slots.length ?? 0;

/** What a kind can be made on here. */
export const gearFor = (gear: readonly Gear[], kind: KindId): readonly Gear[] => gear.filter((g) => madeOn(g, kind));

/**
 * What is lit where nobody has said: every griddle, iron and ball pan; of pans all for crepes, but one, the widest,
 * where a griddle does as well or a pancake fills it in the oven.
 */
export function litUsually(gear: readonly Gear[], kind: KindId): readonly Gear[] {
  const able = gearFor(gear, kind);
  const pans = able.filter((g) => g.sort === 'pan').sort((a, b) => b.acrossCm - a.acrossCm);
  const others = able.filter((g) => g.sort !== 'pan');
  if (kind === 'crepe' || others.length > 0) return kind === 'crepe' ? able : others;
  return pans.slice(0, 1);
}

/** A surface of which nothing is noted but how many lie there at once: places side by side. */
function unnoted(places: number, acrossCm: number): Surface {
  const columns = Math.ceil(Math.sqrt(places));
  const pitch = acrossCm + GAP_CM;
  return {
    id: 'unnoted',
    name: 'The heat',
    wideCm: columns * pitch + GAP_CM,
    deepCm: Math.ceil(places / columns) * pitch + GAP_CM,
    round: false,
    acrossCm,
    slots: Array.from({ length: places }, (_, n) => ({
      x: GAP_CM + acrossCm / 2 + (n % columns) * pitch,
      y: GAP_CM + acrossCm / 2 + Math.floor(n / columns) * pitch,
    })),
  };
}

/**
 * The surfaces a batch is poured on, each with its places; none where nothing is noted and nobody has said how many lie
 * there. No more of them than are to lie there at a time.
 * @param acrossCm how far one piece spreads where it is poured freely
 */
export function surfacesFor(
  gear: readonly Gear[],
  kind: KindId,
  acrossCm = USUAL_ACROSS_CM,
  lit: Lit = AS_USUAL,
): readonly Surface[] {
  const chosen = lit.on === null ? [] : gearFor(gear, kind).filter((g) => lit.on?.includes(g.id));
  const on = chosen.length > 0 ? chosen : litUsually(gear, kind);
  if (on.length === 0 && lit.most !== null) return [unnoted(lit.most, acrossCm)];
  let left = lit.most ?? Number.POSITIVE_INFINITY;
  return on.flatMap((g): readonly Surface[] => {
    const s = surfaceOf(g, kind, acrossCm);
    if (!s || left <= 0) return [];
    const slots = s.slots.slice(0, left);
    left -= slots.length;
    return [{ ...s, slots }];
  });
}

/** The surfaces that are lit, and those that are out but still have a piece on them. */
export function withWhatLies(
  surfaces: readonly Surface[],
  gear: readonly Gear[],
  kind: KindId,
  acrossCm: number | undefined,
  lie: readonly { readonly surface: string }[],
): readonly Surface[] {
  const out = gear.filter((g) => lie.some((p) => p.surface === g.id) && !surfaces.some((s) => s.id === g.id));
  return [...surfaces, ...out.flatMap((g) => surfaceOf(g, kind, acrossCm ?? USUAL_ACROSS_CM) ?? [])];
}

/** Places in all. */
export const placesIn = (surfaces: readonly Surface[]): number => surfaces.reduce((a, s) => a + s.slots.length, 0);
