/**
 * A griddle that is not there, with a probe on it: it warms up, drops when something cold is poured, drifts, and is
 * hotter in the middle than its dial says. For trying the board out, and for tests. Degrees Celsius, milliseconds.
 */
export interface SimulatedSurface {
  readonly dialC: number;
  /** What it was when it was last touched, and when that was. */
  readonly fromC: number;
  readonly at: number;
  readonly plugged: boolean;
}

export type SurfaceAct =
  | { readonly do: 'dial'; readonly toC: number }
  | { readonly do: 'pour'; readonly pieces: number }
  | { readonly do: 'cool' }
  | { readonly do: 'plug'; readonly in: boolean };

export interface SurfaceReading {
  readonly middleC: number;
  readonly edgeC: number;
  readonly dialC: number;
}

const ROOM_C = 22;
/** Its dial promises so much more than there is, on the average over the plate. */
const PROMISES_C = 12;
const MIDDLE_HOTTER_C = 9;
const WARMS_MS = 180_000;
/** One piece takes so much heat; and the thermostat wanders so far, this often. */
const PIECE_C = 3.5;
const DRIFT_C = 2.5;
const DRIFT_MS = 240_000;
const FLICKER_C = 0.6;

export const coldSurface = (now: number): SimulatedSurface => ({ dialC: 0, fromC: ROOM_C, at: now, plugged: true });

/** Its mean, on its way to what the dial means. */
const meanC = (s: SimulatedSurface, now: number): number => {
  const to = s.dialC > 0 ? Math.max(ROOM_C, s.dialC - PROMISES_C) : ROOM_C;
  return to + (s.fromC - to) * Math.exp(-(now - s.at) / WARMS_MS);
};

export function heatOn(s: SimulatedSurface, act: SurfaceAct, now: number): SimulatedSurface {
  const here = meanC(s, now);
  switch (act.do) {
    case 'dial':
      return { ...s, dialC: act.toC, fromC: here, at: now };
    case 'pour':
      return { ...s, fromC: Math.max(ROOM_C, here - PIECE_C * act.pieces), at: now };
    case 'cool':
      return { ...s, dialC: 0, fromC: ROOM_C, at: now };
    case 'plug':
      return { ...s, plugged: act.in };
  }
}

/** How hot it is at a place. @param outward 0 in its middle, 1 at its edge */
export function surfaceAt(s: SimulatedSurface, now: number, outward: number): number {
  const mean = meanC(s, now);
  const hot = Math.max(0, Math.min(1, (mean - ROOM_C) / 100));
  return mean + hot * (DRIFT_C * Math.sin((2 * Math.PI * now) / DRIFT_MS) + MIDDLE_HOTTER_C * (1 - 2 * outward));
}

/** A surface that has settled to what its dial means. */
export const settledSurface = (dialC: number, now: number): SimulatedSurface => ({
  ...coldSurface(now),
  dialC,
  fromC: Math.max(ROOM_C, dialC - PROMISES_C),
});

/** What the probe shows. @param flicker from -1 to 1, a new one each time @returns null where it is unplugged */
export function probeOf(s: SimulatedSurface, now: number, flicker: number): SurfaceReading | null {
  if (!s.plugged) return null;
  const at = (outward: number): number => Math.round(surfaceAt(s, now, outward) + FLICKER_C * flicker);
  return { middleC: at(0), edgeC: at(1), dialC: s.dialC };
}
