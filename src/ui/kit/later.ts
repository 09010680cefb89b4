'use client';
import { useEffect, useState } from 'react';

/** A part of the script that is fetched when it is first wanted, and at the latest when the page has come to rest. */
export interface Later<T> {
  readonly load: () => Promise<T>;
  readonly here: () => T | null;
}

const all: Later<unknown>[] = [];
/** The page has come to rest: what is known from here on is fetched as it becomes known. */
let rested = false;

/** @param fetch the import; tried again at the next wish when the line was down */
export function later<T>(fetch: () => Promise<T>): Later<T> {
  let here: T | null = null;
  let coming: Promise<T> | null = null;
  const part: Later<T> = {
    here: () => here,
    load: () => {
      coming ??= fetch().then(
        (got) => {
          here = got;
          return got;
        },
        (e) => {
          coming = null;
          throw e;
        },
      );
      return coming;
    },
  };
  all.push(part);
  if (rested) setTimeout(() => void part.load().catch(() => {}), 0);
  return part;
}

/** So long after the line was down it is tried again, ms. */
const AGAIN_MS = 2000;

/**
 * Does something with a part as soon as it is here: at once, or when it has been fetched, however often that takes.
 * @returns what calls it off
 */
export function whenHere<T>(part: Later<T>, act: (got: T) => void): () => void {
  let off = false;
  const here = part.here();
  if (here !== null) act(here);
  else {
    const look = (): void => {
      part.load().then(
        (got) => off || act(got),
        () => off || setTimeout(() => off || look(), AGAIN_MS),
      );
    };
    look();
  }
  return () => {
    off = true;
  };
}

/** The part once it is here; null before. It is fetched when it is first wanted, and again when that failed. */
export function useLater<T>(part: Later<T>, wanted: boolean): T | null {
  const [, seen] = useState(0);
  const shown = part.here();
  const missing = shown === null;
  useEffect(() => {
    // by what was drawn, not by what is here now: it may have come in between, and nobody would draw it
    if (wanted && missing) return whenHere(part, () => seen((n) => n + 1));
  }, [part, wanted, missing]);
  return shown;
}

/** So long after a page is drawn, what may be wanted on it is fetched too: it opens then with the server away, ms. */
const AT_REST_MS = 4000;

/** Fetches every later part of the page once it is at rest. */
export function useWarmed(): void {
  useEffect(() => {
    const t = setTimeout(() => {
      rested = true;
      for (const part of all) void part.load().catch(() => {});
    }, AT_REST_MS);
    return () => clearTimeout(t);
  }, []);
}
