'use client';
import { useEffect, useState } from 'react';

/** How far this device's clock is behind the kitchen's, ms. */
let behindMs = 0;
/** Closer than this is the way the answer takes. */
const NEAR_MS = 1500;

/** The kitchen's clock: the server's, as far as this device knows it. */
export const kitchenNow = (): number => Date.now() + behindMs;

/** What the server's clock said. @param asked and @param heard by this device's clock */
export function setKitchenClock(server: number, asked: number, heard: number): void {
  const off = server - (asked + heard) / 2;
  if (Math.abs(off - behindMs) > NEAR_MS) behindMs = Math.abs(off) < NEAR_MS ? 0 : off;
}

/**
 * The kitchen's clock, as it goes. Before the page has one of its own: what the server's said when it was drawn, else
 * null.
 */
export function useNow(everyMs: number): readonly [number | null, () => void];
export function useNow(everyMs: number, drawnAt: number): readonly [number, () => void];
export function useNow(everyMs: number, drawnAt: number | null = null): readonly [number | null, () => void] {
  const [now, setNow] = useState(drawnAt);
  useEffect(() => {
    setNow(kitchenNow());
    const timer = setInterval(() => setNow(kitchenNow()), everyMs);
    return () => clearInterval(timer);
  }, [everyMs]);
  return [now, () => setNow(kitchenNow())];
}
