/** The keys, once: what the list shows (keys-list.tsx) and what the page does both come from here. */

interface Everywhere {
  readonly keys: string;
  readonly does: string;
  /** Goes to this page. */
  readonly to?: string;
  /** Does something on the page. */
  readonly act?: 'keys' | 'find';
}

/**
 * Keys of one letter or sign: they work wherever nothing is typed and no widget has the focus, and can be turned off.
 */
export const SINGLE_KEYS: readonly (Everywhere & ({ readonly to: string } | { readonly act: 'keys' | 'find' }))[] = [
  { keys: '?', does: 'this list', act: 'keys' },
  { keys: 't', does: 'Today', to: '/' },
  { keys: 'l', does: 'Log', to: '/log' },
  { keys: 'p', does: 'Pantry', to: '/pantry' },
  { keys: 'm', does: 'My measures', to: '/pantry/measures' },
  { keys: 'h', does: 'House', to: '/house' },
  { keys: 'n', does: 'New formula', to: '/formulas/new' },
  { keys: '/', does: 'find (Today, Pantry and Log)', act: 'find' },
];

/** Keys on the Bench with Ctrl or the Mac's command key; the last is an act of the Bench. */
export const BENCH_KEYS = [
  { keys: 'Ctrl+S', key: 's', shift: false, does: 'save as a new version', act: 'save' },
  { keys: 'Ctrl+Z', key: 'z', shift: false, does: 'undo', act: 'undo' },
  { keys: 'Ctrl+Shift+Z', key: 'z', shift: true, does: 'redo', act: 'redo' },
] as const;
type BenchKey = (typeof BENCH_KEYS)[number]['act'];

/** Which act of the Bench a key asks for; null: none. */
export const benchKey = (
  e: Pick<KeyboardEvent, 'key' | 'shiftKey' | 'ctrlKey' | 'metaKey' | 'altKey'>,
): BenchKey | null =>
  (e.ctrlKey || e.metaKey) && !e.altKey
    ? (BENCH_KEYS.find((k) => k.key === e.key.toLowerCase() && k.shift === e.shiftKey)?.act ?? null)
    : null;

/** Keys in a line of the sheet with Alt; the last is what is done with the line. */
export const LINE_KEYS = [
  { keys: 'Alt+Backspace', key: 'Backspace', does: 'in a line: take it away', act: 'remove' },
  { keys: 'Alt+Up', key: 'ArrowUp', does: 'in a line: move it up, into the bowl above at the edge', act: 'up' },
  { keys: 'Alt+Down', key: 'ArrowDown', does: 'in a line: move it down, into the bowl below at the edge', act: 'down' },
  { keys: 'Alt+P', key: 'p', does: 'in a line: keep its amount, let it go', act: 'lock' },
  { keys: 'Alt+O', key: 'o', does: 'in a line: switch it off, on', act: 'off' },
  { keys: 'Alt+S', key: 's', does: 'in a line: swap it', act: 'swap' },
] as const;
type LineKey = (typeof LINE_KEYS)[number]['act'];

export const lineKey = (e: Pick<KeyboardEvent, 'key' | 'code' | 'altKey'>): LineKey | null =>
  e.altKey
    ? (LINE_KEYS.find((k) => k.key === e.key || (k.key.length === 1 && e.code === `Key${k.key.toUpperCase()}`))?.act ??
      null)
    : null;
