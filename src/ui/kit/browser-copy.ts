/**
 * Small things that this browser remembers for itself, such as how it calls: read at once, written at once. What is
 * typed and not yet sent stands in the drafts.
 */
const OURS = 'even-crumb:';
/** Told on the window when the browser has no room for what is not sent: the page works on, without its safety net. */
export const STORE_FULL = 'even-crumb-store-full';
/** Told on the window when acts have arrived: what the browser keeps of the page is older than it. */
export const ARRIVED = 'even-crumb-arrived';

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

/** Keeps a value under a name; null takes it away. Where the browser keeps nothing it holds for this page alone. */
export function keepCopy(name: string, value: unknown): void {
  try {
    if (value === null) window.localStorage.removeItem(`${OURS}${name}`);
    else window.localStorage.setItem(`${OURS}${name}`, JSON.stringify(value));
  } catch {
    // a choice of this browser's, made again in a moment
  }
}
