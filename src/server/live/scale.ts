/** The practice scale of this server: one, as there is one on the counter. */
import {
  actOn,
  freshScale,
  readingOf,
  type ScaleAct,
  type ScaleReading,
  type SimulatedScale,
} from '@/core/prep/simulated-scale';

declare global {
  // routes are bundled apart; the scale is one thing
  var evenCrumbScale: SimulatedScale | undefined;
}

const STEP_G = 1;
const MOST_G = 10_000;

const scale = (): SimulatedScale => (globalThis.evenCrumbScale ??= freshScale(STEP_G, MOST_G, Date.now()));

export const touchScale = (act: ScaleAct): void => {
  globalThis.evenCrumbScale = actOn(scale(), act, Date.now());
};

/** What it shows now; null where it is unplugged. */
export const readScale = (): ScaleReading | null => readingOf(scale(), Date.now(), 2 * Math.random() - 1);
