'use client';
/**
 * The first save gives a formula its address, and the address a Bench of its own: what stands on the old one (typed
 * since, the way back, the place of the hand) goes on there, so that the cook never notices.
 */
import { type RefObject, useLayoutEffect, useRef } from 'react';
import type { BenchState } from './state';

/** The place of the hand: the nth of the things that are called so. */
interface Spot {
  readonly name: string;
  readonly nth: number;
  readonly range: readonly [number, number] | null;
}

let left: { readonly formulaId: string; readonly state: BenchState; readonly spot: Spot | null } | null = null;

/** What another Bench left for this formula; null where none did. */
export const handedOver = (formulaId: string | null): BenchState | null => (left !== null && left.formulaId === formulaId ? left.state : null);

const nameOf = (e: Element): string =>
  `${e.tagName} ${e.getAttribute('aria-label') ?? (e instanceof HTMLInputElement ? e.labels?.[0]?.textContent : e.textContent) ?? ''}`;
const sameName = (root: Element, name: string): readonly HTMLElement[] =>
  [...root.querySelectorAll<HTMLElement>('input,textarea,button,a')].filter((e) => nameOf(e) === name);

function spotIn(root: Element): Spot | null {
  const at = document.activeElement;
  if (!(at instanceof HTMLElement) || !root.contains(at)) return null;
  const name = nameOf(at);
  const text = at instanceof HTMLInputElement && at.selectionStart !== null && at.selectionEnd !== null;
  return { name, nth: sameName(root, name).indexOf(at), range: text ? [at.selectionStart ?? 0, at.selectionEnd ?? 0] : null };
}

/**
 * Hands a Bench on to the one that takes its place.
 * @param opened the formula this Bench was opened with; null for a new one
 * @param formulaId what it is now
 */
export function useHandOver(root: RefObject<HTMLElement | null>, opened: string | null, formulaId: string | null, state: BenchState): void {
  const latest = useRef({ formulaId, state });
  useLayoutEffect(() => {
    latest.current = { formulaId, state };
    if (opened === null && formulaId !== null) left = { formulaId, state, spot: left?.spot ?? null };
  });
  useLayoutEffect(() => {
    const here = root.current;
    if (opened !== null && left?.formulaId === opened) {
      const { spot } = left;
      left = null;
      const to = spot && here ? sameName(here, spot.name)[spot.nth] : undefined;
      to?.focus({ preventScroll: true });
      if (spot?.range && to instanceof HTMLInputElement) to.setSelectionRange(...spot.range);
    }
    return () => {
      const now = latest.current;
      if (opened === null && now.formulaId !== null && here) left = { formulaId: now.formulaId, state: now.state, spot: spotIn(here) };
    };
  }, [opened, root]);
}
