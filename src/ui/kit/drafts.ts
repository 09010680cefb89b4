'use client';
/**
 * Drafts: what is typed and not yet sent, kept in this browser's store so that a reload or a closed lid loses nothing.
 * A draft stands in a place of its own for each tab; what a closed tab has left is brought back by the next that asks
 * for it.
 */
import { useEffect, useRef, useState } from 'react';
import { copyOf, keepCopy, STORE_FULL } from './browser-copy';
import { browserStore, type KeptDraft } from './store';

const TAB = 'even-crumb-tab';
export const lockOf = (tab: string): string => `even-crumb:tab:${tab}`;

// where a tab remembers nothing the page itself does: a reload is another tab then, and brings back what this one left
const inPage = new Map<string, string>();
/** What this tab alone remembers, over a reload. */
function tabsOwn(name: string): string | null {
  try {
    return window.sessionStorage.getItem(name);
  } catch {
    return inPage.get(name) ?? null;
  }
}
/** @param text null takes it away. @returns it */
function rememberInTab<T extends string | null>(name: string, text: T): T {
  try {
    if (text === null) window.sessionStorage.removeItem(name);
    else window.sessionStorage.setItem(name, text);
  } catch {
    if (text === null) inPage.delete(name);
    else inPage.set(name, text);
  }
  return text;
}

let tab: string | null = null;
let claimed: Promise<void> | null = null;
export const thisTab = (): string => (tab ??= rememberInTab(TAB, tabsOwn(TAB) ?? crypto.randomUUID()));

/**
 * ms to wait for this tab's name: a reload may wake before the page it replaces has let go, on a busy machine long
 * before; any other page that finds it held is a tab that was doubled.
 */
const [LET_GO_MS, RELOADED_LET_GO_MS] = [2000, 20_000];
const isReload = (): boolean =>
  performance.getEntriesByType('navigation').some((e) => (e as PerformanceNavigationTiming).type === 'reload');
/** Holds this tab's name as long as it lives; a tab that was doubled with its memory takes another. */
export function claimTab(): Promise<void> {
  claimed ??= (async (): Promise<void> => {
    const locks = typeof navigator === 'undefined' ? undefined : navigator.locks;
    if (!locks) return;
    const mostMs = isReload() ? RELOADED_LET_GO_MS : LET_GO_MS;
    const hold = (name: string): Promise<boolean> =>
      new Promise((told) => {
        const holding = (): Promise<void> => {
          told(true);
          return new Promise(() => {});
        };
        // refused when the time is up: another tab holds the name
        locks.request(lockOf(name), { signal: AbortSignal.timeout(mostMs) }, holding).catch(() => told(false));
      });
    while (!(await hold(thisTab()))) tab = rememberInTab(TAB, crypto.randomUUID());
  })();
  return claimed;
}

/** So long a press whose answer a reload has cut off is the same one, pressed again, ms. */
const SAME_PRESS_MS = 600_000;
const pressName = (draft: string): string => `even-crumb-press:${draft}`;

/**
 * The id of a press of a form's button: the same until it is answered or something is typed, so that what is in the
 * records already, unanswered, makes no second one when the page was drawn anew and it is pressed again.
 * @param draft the draft that the form stands in @param of what is sent, where another is another press
 */
export function pressOf(draft: string, of = ''): string {
  const had = JSON.parse(tabsOwn(pressName(draft)) ?? 'null') as readonly [id: string, at: number, of: string] | null;
  if (had && had[2] === of && Date.now() - had[1] < SAME_PRESS_MS) return had[0];
  const id = crypto.randomUUID();
  rememberInTab(pressName(draft), JSON.stringify([id, Date.now(), of]));
  return id;
}
/** The press was answered, or something was typed since. */
export const pressOver = (draft: string): void => void rememberInTab(pressName(draft), null);

/** Names of the locks that open tabs hold. */
export async function liveTabs(): Promise<Set<string>> {
  const held = typeof navigator !== 'undefined' && navigator.locks ? ((await navigator.locks.query()).held ?? []) : [];
  return new Set(held.map((l) => l.name ?? ''));
}

/** Whether a tab of that name is open. */
export const isTabLive = async (name: string): Promise<boolean> => (await liveTabs()).has(lockOf(name));

// where the browser keeps nothing the page itself remembers, as long as it is open
export const draftsInMemory = new Map<string, KeptDraft>();
const placeOf = (name: string, of: string): string => `${name}@${of}`;

// what the store has not answered for yet
const underWay = new Map<string, KeptDraft | null>();
// what was left beside the store as the page went
const leftBeside = new Set<string>();

const ofText = (draft: KeptDraft | null): boolean => {
  let is = true;
  // bytes are no text
  JSON.stringify(draft, (_, v: unknown) => {
    is &&= !(v instanceof Blob || ArrayBuffer.isView(v));
    return v;
  });
  return is;
};

/**
 * What was typed just before the page goes: the store may not answer any more, so that it is left where a page can
 * write at once; the store takes it up when it is next opened.
 */
export function leaveBeside(): void {
  for (const [place, draft] of underWay) {
    if (!ofText(draft)) continue;
    leftBeside.add(place);
    keepCopy(place, draft ?? { at: Date.now(), value: null });
  }
}
if (typeof window !== 'undefined') window.addEventListener?.('pagehide', leaveBeside);

/** Keeps a draft at its place; null takes it away. */
export async function putDraft(place: string, draft: KeptDraft | null): Promise<void> {
  draftsInMemory.delete(place);
  underWay.set(place, draft);
  try {
    const store = await browserStore();
    if (!store) throw new Error('this browser keeps nothing');
    const tx = store.transaction('drafts', 'readwrite');
    const written = draft ? tx.store.put(draft, place) : tx.store.delete(place);
    // handed over before the page may go
    tx.commit();
    await Promise.all([written, tx.done]);
  } catch {
    if (!draft) return;
    draftsInMemory.set(place, draft);
    window.dispatchEvent?.(new Event(STORE_FULL));
  } finally {
    if (underWay.get(place) === draft) {
      underWay.delete(place);
      // the page was only put aside, and is back
      if (leftBeside.delete(place)) keepCopy(place, null);
    }
  }
}

/** Every tab's draft of something, by its tab. */
async function draftsOf(name: string): Promise<ReadonlyMap<string, KeptDraft>> {
  const start = placeOf(name, '');
  const out = new Map<string, KeptDraft>();
  const store = await browserStore();
  if (store) {
    const under = IDBKeyRange.bound(start, `${start}\uffff`);
    for (let c = await store.transaction('drafts').store.openCursor(under); c; c = await c.continue())
      out.set(c.key.slice(start.length), c.value);
  }
  for (const [place, draft] of draftsInMemory) if (place.startsWith(start)) out.set(place.slice(start.length), draft);
  return out;
}

const openPage = (): Pick<KeptDraft, 'href' | 'words'> =>
  typeof document === 'undefined'
    ? {}
    : { href: location.pathname + location.search, words: document.title.replace(/ · Even Crumb$/, '') };

/** Keeps a tab's draft of something, with the page it is typed on; null takes it away. */
export const keepDraftIn = (name: string, of: string, value: unknown): Promise<void> =>
  putDraft(placeOf(name, of), value === null ? null : { at: Date.now(), value, ...openPage() });

/** Keeps this tab's draft of something; null takes it away. */
export const keepDraftOf = (name: string, value: unknown): Promise<void> => keepDraftIn(name, thisTab(), value);

/**
 * This tab's draft of something, or the newest one that a closed tab has left: it is this tab's from then on. A draft
 * of another tab that is open stays that tab's.
 * @param within ms after which a draft is too old to come back
 */
export async function draftOf(name: string, within: number = Number.POSITIVE_INFINITY): Promise<unknown> {
  await claimTab();
  const fresh = (k: KeptDraft): boolean => Date.now() - k.at <= within;
  const all = await draftsOf(name).catch((): ReadonlyMap<string, KeptDraft> => new Map());
  const own = all.get(thisTab());
  if (own) return fresh(own) ? own.value : null;
  const live = await liveTabs();
  const left = [...all]
    .filter(([of, kept]) => !live.has(lockOf(of)) && fresh(kept))
    .sort(([, a], [, b]) => b.at - a.at)[0];
  // one place for all tabs, as the first versions of the app had it
  const value = left ? left[1].value : copyOf(name);
  if (value === null) return null;
  await keepDraftOf(name, value);
  if (left) await keepDraftIn(name, left[0], null);
  else keepCopy(name, null);
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
    void keepDraftOf(name, null);
  };
  return {
    name,
    value,
    set: (part) => {
      touched.current = true;
      // several changes of one press add up
      put({ ...latest.current, ...part });
      void keepDraftOf(name, latest.current);
    },
    follow: (part) => {
      put({ ...latest.current, ...part });
      if (touched.current) void keepDraftOf(name, latest.current);
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
