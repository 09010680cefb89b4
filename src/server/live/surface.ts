/** The practice griddle of this server, with a probe on it: one, as there is one by the wall. */
import {
  coldSurface,
  heatOn,
  probeOf,
  type SimulatedSurface,
  type SurfaceAct,
  type SurfaceReading,
} from '@/core/griddle/simulated-surface';

declare global {
  // routes are bundled apart; the griddle is one thing
  var evenCrumbSurface: SimulatedSurface | undefined;
}

const surface = (): SimulatedSurface => (globalThis.evenCrumbSurface ??= coldSurface(Date.now()));

export const touchSurface = (act: SurfaceAct): void => {
  globalThis.evenCrumbSurface = heatOn(surface(), act, Date.now());
};

/** What its probe shows now; null where it is unplugged. */
export const readSurface = (): SurfaceReading | null => probeOf(surface(), Date.now(), 2 * Math.random() - 1);
