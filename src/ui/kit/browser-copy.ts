'use client';
/** What is typed and not yet sent, kept in this browser so that a reload or a closed lid loses nothing. */
import { useEffect, useState } from 'react';

/** What was kept under a name; null when nothing was, or the browser keeps nothing. Whoever asks checks its shape. */
export function copyOf(name: string): unknown {
  try {
    const text = window.localStorage.getItem(`even-crumb:${name}`);
    return text ? (JSON.parse(text) as unknown) : null;
  } catch {
    return null; // storage is off, or holds what is none of ours
  }
}

/** Names of what is kept here that begin so. */
export function copiesNamed(start: string): readonly string[] {
  try {
    return Object.keys(window.localStorage)
      .filter((k) => k.startsWith(`even-crumb:${start}`))
      .map((k) => k.slice('even-crumb:'.length));
  } catch {
    return [];
  }
}

/** Keeps a value under a name; null takes it away. Where storage is off or full the page works on without the safety net. */
export function keepCopy(name: string, value: unknown): void {
  try {
    if (value === null) window.localStorage.removeItem(`even-crumb:${name}`);
    else window.localStorage.setItem(`even-crumb:${name}`, JSON.stringify(value));
  } catch {
    // nothing to keep it in
  }
}

/** The parts of a copy that are still what they were: an older version of the app may have kept others. */
const ofItsShape = <T extends object>(now: T, kept: object): Partial<T> =>
  Object.fromEntries(
    Object.entries(kept).filter(([k, v]) => k in now && typeof v === typeof now[k as keyof T] && Array.isArray(v) === Array.isArray(now[k as keyof T])),
  ) as Partial<T>;

/**
 * A form's state with a copy in the browser: as it was left, until it is sent.
 * @returns the state, a way to change a part of it, and a way to drop the copy once it is sent
 */
export function useCopied<T extends object>(name: string, initial: () => T): readonly [T, (part: Partial<T>) => void, () => void] {
  const [value, setValue] = useState<T>(initial);
  useEffect(() => {
    const kept = copyOf(name);
    if (typeof kept === 'object' && kept !== null) setValue((v) => ({ ...v, ...ofItsShape(v, kept) }));
  }, [name]);
  const set = (part: Partial<T>): void => {
    const next = { ...value, ...part };
    setValue(next);
    keepCopy(name, next);
  };
  return [value, set, () => keepCopy(name, null)];
}
