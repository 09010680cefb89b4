'use client';
/**
 * What is typed and not yet sent, kept in this browser so that a reload or a closed lid loses nothing. Drafts stand in
 * a place of their own for each tab; what a closed tab has left is brought back by the next that asks for it.
 */
import { useEffect, useRef, useState } from 'react';

const OURS = 'even-crumb:';
/** Told on the window when the browser has no room for a copy: the page works on, without its safety net. */
export const STORE_FULL = 'even-crumb-store-full';

/** What was kept under a name; null when nothing was, or the browser keeps nothing. Whoever asks checks its shape. */
export function copyOf(name: string): unknown {
  try {
    const text = window.localStorage.getItem(`${OURS}${name}`);
    return text ? (JSON.parse(text) as unknown) : null;
  } catch {
    return null; // storage is off, or holds what is none of ours
  }
}

/** Names of what is kept here that begin so. */
export function copiesNamed(start: string): readonly string[] {
  try {
    return Object.keys(window.localStorage)
      .filter((k) => k.startsWith(`${OURS}${start}`))
      .map((k) => k.slice(OURS.length));
  } catch {
    return [];
  }
}

/** Keeps a value under a name; null takes it away. @returns whether it is kept; where it is not, the window is told */
export function keepCopy(name: string, value: unknown): boolean {
  try {
    if (value === null) window.localStorage.removeItem(`${OURS}${name}`);
    else window.localStorage.setItem(`${OURS}${name}`, JSON.stringify(value));
    return true;
  } catch {
    if (value !== null) window.dispatchEvent?.(new Event(STORE_FULL));
    return value === null;
  }
}

const TAB = 'even-crumb-tab';
const lockOf = (tab: string): string => `${OURS}tab:${tab}`;

function rememberedTab(): string {
  try {
    const had = window.sessionStorage.getItem(TAB);
    if (had) return had;
  } catch {
    // without it a reload is another tab, and brings back what this one has left
  }
  return crypto.randomUUID();
}
const remember = (tab: string): string => {
  try {
    window.sessionStorage.setItem(TAB, tab);
  } catch {
    // as above
  }
  return tab;
};

let tab: string | null = null;
let claimed: Promise<void> | null = null;
export const thisTab = (): string => (tab ??= remember(rememberedTab()));

/** ms to wait for this tab's name: a reload may wake before the page it replaces has let go. */
const LET_GO_MS = 2000;
/** Holds this tab's name as long as it lives; a tab that was doubled with its memory takes another. */
export function claimTab(): Promise<void> {
  claimed ??= (async (): Promise<void> => {
    const locks = typeof navigator === 'undefined' ? undefined : navigator.locks;
    if (!locks) return;
    const hold = (name: string): Promise<boolean> =>
      new Promise((told) => {
        const holding = (): Promise<void> => {
          told(true);
          return new Promise(() => {});
        };
        // refused when the time is up: another tab holds the name
        locks.request(lockOf(name), { signal: AbortSignal.timeout(LET_GO_MS) }, holding).catch(() => told(false));
      });
    while (!(await hold(thisTab()))) tab = remember(crypto.randomUUID());
  })();
  return claimed;
}

async function liveTabs(): Promise<ReadonlySet<string>> {
  const held = typeof navigator !== 'undefined' && navigator.locks ? ((await navigator.locks.query()).held ?? []) : [];
  return new Set(held.map((l) => l.name ?? ''));
}

interface Kept {
  readonly at: number;
  readonly value: unknown;
}
const keptIn = (name: string): Kept | null => {
  const c = copyOf(name);
  return typeof c === 'object' && c !== null && 'value' in c && 'at' in c ? (c as Kept) : null;
};

/** Whether a tab of that name is open. */
export const isTabLive = async (name: string): Promise<boolean> => (await liveTabs()).has(lockOf(name));

/** Keeps a tab's draft of something; null takes it away. */
export const keepDraftIn = (name: string, of: string, value: unknown): boolean =>
  keepCopy(`${name}@${of}`, value === null ? null : ({ at: Date.now(), value } satisfies Kept));

/** Keeps this tab's draft of something; null takes it away. */
export const keepDraftOf = (name: string, value: unknown): boolean => keepDraftIn(name, thisTab(), value);

/**
 * This tab's draft of something, or the newest one that a closed tab has left: it is this tab's from then on. A draft
 * of another tab that is open stays that tab's.
 * @param within ms after which a draft is too old to come back
 */
export async function draftOf(name: string, within: number = Number.POSITIVE_INFINITY): Promise<unknown> {
  await claimTab();
  const fresh = (k: Kept): boolean => Date.now() - k.at <= within;
  const own = keptIn(`${name}@${thisTab()}`);
  if (own) return fresh(own) ? own.value : null;
  const live = await liveTabs();
  const left = copiesNamed(`${name}@`)
    .filter((n) => !live.has(lockOf(n.slice(name.length + 1))))
    .flatMap((n) => {
      const kept = keptIn(n);
      return kept && fresh(kept) ? [{ n, kept }] : [];
    })
    .sort((a, b) => b.kept.at - a.kept.at)[0];
  // one place for all tabs, as older versions of the app had it
  const older = left ? null : copyOf(name);
  const value = left ? left.kept.value : older;
  if (value === null) return null;
  if (keepDraftOf(name, value)) keepCopy(left ? left.n : name, null);
  return value;
}

/** Whether a kept value has the shape of what stands now, so that it can take its place; null stands for anything. */
function fits(now: unknown, kept: unknown): boolean {
  if (now === null || kept === null) return true;
  if (typeof now !== 'object' || typeof kept !== 'object') return typeof now === typeof kept;
  if (Array.isArray(now) || Array.isArray(kept)) return Array.isArray(now) && Array.isArray(kept);
  return Object.entries(now).every(([k, v]) => v === undefined || (k in kept && fits(v, kept[k as keyof typeof kept])));
}

/** The parts of a copy that still have their shape: an older version of the app may have kept others. */
export const ofItsShape = <T extends object>(now: T, kept: object): Partial<T> =>
  Object.fromEntries(Object.entries(kept).filter(([k, v]) => k in now && fits(now[k as keyof T], v))) as Partial<T>;

/** A form's state with a copy in the browser. */
export interface Copied<T> {
  /** As it is kept under. */
  readonly name: string;
  readonly value: T;
  readonly set: (part: Partial<T>) => void;
  /** What it stands over is another now: nobody has typed it, so that it is no draft. */
  readonly follow: (part: Partial<T>) => void;
  /** Drops the copy: the form was sent. */
  readonly drop: () => void;
  /** Drops the copy and begins as the form first opened; null where nothing was brought back. */
  readonly startOver: (() => void) | null;
}

/**
 * A form's state with a copy in the browser: as it was left, until it is sent.
 * @param within ms after which what was left is too old to come back
 */
export function useCopy<T extends object>(
  name: string,
  initial: () => T,
  within: number = Number.POSITIVE_INFINITY,
): Copied<T> {
  const [value, setValue] = useState<T>(initial);
  const [broughtBack, setBroughtBack] = useState(false);
  const touched = useRef(false);
  const latest = useRef(value);
  const put = (next: T): void => {
    latest.current = next;
    setValue(next);
  };
  // biome-ignore lint/correctness/useExhaustiveDependencies: a copy is asked for once for each name
  useEffect(() => {
    touched.current = false;
    void draftOf(name, within).then((kept) => {
      // who has begun to type already is not interrupted
      if (typeof kept !== 'object' || kept === null || touched.current) return;
      put({ ...latest.current, ...ofItsShape(latest.current, kept) });
      setBroughtBack(true);
    });
  }, [name, within]);
  const drop = (): void => {
    touched.current = false;
    keepDraftOf(name, null);
  };
  return {
    name,
    value,
    set: (part) => {
      touched.current = true;
      // several changes of one press add up
      put({ ...latest.current, ...part });
      keepDraftOf(name, latest.current);
    },
    follow: (part) => {
      put({ ...latest.current, ...part });
      if (touched.current) keepDraftOf(name, latest.current);
    },
    drop,
    startOver: broughtBack
      ? () => {
          drop();
          setBroughtBack(false);
          put(initial());
        }
      : null,
  };
}

/** The same for a form that is short enough to be told apart by looking: state, change, drop. */
export function useCopied<T extends object>(
  name: string,
  initial: () => T,
): readonly [T, (part: Partial<T>) => void, () => void] {
  const { value, set, drop } = useCopy(name, initial);
  return [value, set, drop];
}
