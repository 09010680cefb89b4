'use client';
/**
 * On every page: what another hand has changed shows without being asked for. A page is drawn anew only while nobody
 * touches it, so that nothing moves that a finger is about to press; what is typed stays as it is.
 */
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';
import { type HeardAt, isLater } from '@/contract/changes';
import { later, whenHere } from '../kit/later';
import { useRefresh } from '../kit/refresh';

/** The stream keeps no page from being there: it comes after it, and tells what was meanwhile, ms. */
const FIRST_MS = 2000;
/** A page that nobody has touched for so long is at rest, ms. */
const REST_MS = 1500;

const changes = later(() => import('./changes'));

/** @param drawnAt the place of what the server had heard when it drew the page: what was before that is on it */
export function Follower({ drawnAt }: { readonly drawnAt: HeardAt }) {
  const refresh = useRefresh();
  const path = usePathname();
  const drawn = useRef(drawnAt);
  if (isLater(drawnAt, drawn.current)) drawn.current = drawnAt;
  useEffect(() => {
    let touched = 0;
    let changed: HeardAt | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const touch = (): void => {
      touched = performance.now();
    };
    const look = (): void => {
      timer = undefined;
      const rested = performance.now() - touched;
      if (rested < REST_MS) timer = setTimeout(look, REST_MS - rested);
      else if (changed && isLater(changed, drawn.current)) {
        changed = null;
        refresh();
      }
    };
    let off = (): void => {};
    let stop = (): void => {};
    const begin = setTimeout(
      () => {
        stop = whenHere(changes, ({ beginFollowing, onChanged, pageShows }) => {
          off = onChanged(
            (thing) => pageShows(path, thing),
            (c) => {
              changed = c.at;
              timer ??= setTimeout(look, REST_MS);
            },
          );
          beginFollowing(drawn.current);
        });
      },
      changes.here() === null ? FIRST_MS : 0,
    );
    const kinds = ['pointerdown', 'keydown', 'input', 'touchstart', 'wheel'] as const;
    for (const kind of kinds) window.addEventListener(kind, touch, { capture: true, passive: true });
    return () => {
      stop();
      off();
      clearTimeout(begin);
      clearTimeout(timer);
      for (const kind of kinds) window.removeEventListener(kind, touch, { capture: true });
    };
  }, [path, refresh]);
  return null;
}
