'use client';
import { useEffect, useState } from 'react';

/** A part of the script that is fetched when it is first wanted, and at the latest when the page has come to rest. */
export interface Later<T> {
  readonly load: () => Promise<T>;
  readonly here: () => T | null;
}

const all: Later<unknown>[] = [];

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
  return part;
}

/** The part once it is here; null before. It is fetched when it is first wanted, and again when that failed. */
export function useLater<T>(part: Later<T>, wanted: boolean): T | null {
  const [, seen] = useState(0);
  useEffect(() => {
    if (!wanted || part.here()) return;
    let gone = false;
    const look = (): void => {
      part.load().then(
        () => gone || seen((n) => n + 1),
        // the line is down: what is wanted still comes when it is up again
        () => gone || setTimeout(() => gone || look(), 2000),
      );
    };
    look();
    return () => {
      gone = true;
    };
  }, [part, wanted]);
  return part.here();
}

/** So long after a page is drawn, what may be wanted on it is fetched too: it opens then with the server away, ms. */
const AT_REST_MS = 4000;

/** Fetches every later part of the page once it is at rest. */
export function useWarmed(): void {
  useEffect(() => {
    const t = setTimeout(() => {
      for (const part of all) void part.load().catch(() => {});
    }, AT_REST_MS);
    return () => clearTimeout(t);
  }, []);
}
