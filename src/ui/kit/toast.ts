import { later } from './later';

import type { ToastOptions } from './toaster';

export const toaster = later(() => import('./toaster'));

let shown = false;
let waiting: [string, ToastOptions | undefined][] = [];
const wishes = new Set<() => void>();

/** Called when the first toast waits for its place. @returns the way to stop listening */
export function onFirstToast(wish: () => void): () => void {
  wishes.add(wish);
  if (waiting.length > 0) wish();
  return () => wishes.delete(wish);
}

/** The place for toasts is there: those that waited are said. */
export function toasterIsUp(): void {
  shown = true;
  for (const [text, options] of waiting) toaster.here()?.say(text, options);
  waiting = [];
}

/** Says for a moment, at the foot of the page, what was done. */
export function toast(text: string, options?: ToastOptions): void {
  const up = shown ? toaster.here() : null;
  if (up) up.say(text, options);
  else {
    waiting.push([text, options]);
    for (const wish of wishes) wish();
  }
}

/** So long an act can be taken back from the foot of the page, ms. */
const UNDO_MS = 12_000;

/** Says what was done, with the way back. */
export const toastUndo = (said: string, undo: () => unknown): void =>
  toast(said, { duration: UNDO_MS, action: { label: 'Undo', onClick: () => void undo() } });
