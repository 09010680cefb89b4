/**
 * What other hands change, as it changes: one stream a browser, held by one of its tabs and told to the others. Where
 * there is none, screens ask every few seconds as before.
 */
import { ANYTHING, type Heard, type HeardAt, isLater, placeText } from '@/contract/changes';

type Hear = (c: Heard) => void;

const NAME = 'even-crumb:changes';
/** The tab that holds the stream says that it does, so often; unheard for longer, nobody does, ms. */
const ALIVE_MS = 5000;
const GONE_MS = 12_000;

const hears = new Set<Hear>();
let alive = Number.NEGATIVE_INFINITY;
let begun = false;

const tell = (c: Heard): void => {
  for (const hear of hears) hear(c);
};

/** Whether changes are told as they come. */
export const isFollowing = (): boolean => Date.now() - alive < GONE_MS;

/** What a tab tells the others: that the stream is held, what came, or what it would hear of again. */
type Said = { readonly alive: true } | { readonly heard: Heard } | { readonly ask: HeardAt };
/** So much of what came is remembered, for a tab that begins later. */
const MOST_RECENT = 200;

/** Holds the stream. @param others where what comes is told to the other tabs @param after what is told is later */
function hold(others: BroadcastChannel | null, after: HeardAt): void {
  const say = (s: Said): void => others?.postMessage(s);
  const recent: Heard[] = [{ thing: ANYTHING, at: after }];
  const here = (): void => {
    alive = Date.now();
    say({ alive: true });
  };
  const told = (c: Heard): void => {
    here();
    tell(c);
    say({ heard: c });
    recent.push(c);
    if (recent.length > MOST_RECENT) recent.splice(0, 2, { thing: ANYTHING, at: recent[1]?.at ?? c.at });
  };
  others?.addEventListener('message', (e: MessageEvent<Said>) => {
    const { data } = e;
    if ('ask' in data) for (const c of recent) if (isLater(c.at, data.ask)) say({ heard: c });
  });
  const stream = new EventSource(`/api/changes?after=${encodeURIComponent(placeText(after))}`);
  stream.onmessage = (e: MessageEvent<string>) => told(JSON.parse(e.data) as Heard);
  setInterval(() => {
    if (stream.readyState === EventSource.OPEN) here();
    else alive = Number.NEGATIVE_INFINITY;
  }, ALIVE_MS);
}

/** Begins to follow, once a tab. @param after the place of what the server had heard when it drew the page */
export function beginFollowing(after: HeardAt): void {
  if (begun || typeof EventSource === 'undefined') return;
  begun = true;
  if (typeof BroadcastChannel === 'undefined' || !navigator.locks) {
    hold(null, after);
    return;
  }
  const others = new BroadcastChannel(NAME);
  others.addEventListener('message', (e: MessageEvent<Said>) => {
    if ('ask' in e.data) return;
    alive = Date.now();
    if ('heard' in e.data) tell(e.data.heard);
  });
  // who holds it says what this page has missed
  others.postMessage({ ask: after } satisfies Said);
  // held as long as the tab lives; the next in line takes over then
  void navigator.locks.request(NAME, () => {
    hold(others, after);
    return new Promise(() => {});
  });
}

/** Hears of every change that concerns it. @returns what stops it */
export function onChanged(concerns: (thing: string) => boolean, hear: Hear): () => void {
  const mine: Hear = (c) => {
    if (c.thing === ANYTHING || concerns(c.thing)) hear(c);
  };
  hears.add(mine);
  return () => void hears.delete(mine);
}

/** What the pages under an address show, besides what they follow themselves. */
const SHOWN: readonly (readonly [RegExp, readonly string[]])[] = [
  [/^\/$/, ['batches', 'formulas', 'plans', 'mornings', 'pantry', 'premix', 'kept', 'house']],
  [/^\/mornings/, ['mornings', 'batches', 'formulas', 'kept', 'house']],
  [/^\/log/, ['batches', 'photos']],
  [/^\/(?:pantry|on-hand)/, ['pantry', 'batches', 'house']],
  [/^\/premix/, ['premix', 'pantry']],
  [/^\/sides/, ['sides', 'pantry']],
  [/^\/trials/, ['trials', 'batches', 'photos', 'formulas']],
  [/^\/kept/, ['kept']],
  [/^\/house/, ['house', 'pantry']],
  [/^\/formulas\/[^/]+\/plan/, ['formulas', 'plans', 'pantry', 'premix', 'kept', 'sides', 'house']],
  [/^\/formulas/, ['formulas', 'trials', 'photos', 'house', 'pantry']],
  [/^\/batches\/[^/]+\/outcome/, ['photos', 'kept']],
];

/** Whether a page shows something. */
export const pageShows = (path: string, thing: string): boolean =>
  SHOWN.find(([re]) => re.test(path))?.[1].includes(thing) === true ||
  (thing.startsWith('batch:') && path === `/batches/${thing.slice('batch:'.length)}/outcome`);
