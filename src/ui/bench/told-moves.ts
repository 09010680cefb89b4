import { useEffect, useRef, useState } from 'react';

interface Place {
  readonly key: string;
  readonly text: string;
  /** The bowl or sauce it stands under, as it is headed. */
  readonly under: string;
  /** From 1. */
  readonly nth: number;
  readonly of: number;
}

/** Where a line stands now that it was moved: "85 g butter: line 2 of 3, wet bowl". Null: no line of the two moved. */
export function moveSaid(was: readonly Place[], is: readonly Place[], moved: string | null): string | null {
  const before = new Map(was.map((p) => [p.key, p]));
  // a line that is typed, added or taken away is told by what was typed
  if (is.length !== was.length || is.some((p) => !before.has(p.key))) return null;
  const at =
    is.find((p) => p.key === moved && (before.get(p.key)?.under !== p.under || before.get(p.key)?.nth !== p.nth)) ??
    is.find((p) => before.get(p.key)?.under !== p.under);
  return at ? `${at.text}: line ${at.nth} of ${at.of}, ${at.under.toLowerCase()}` : null;
}

/** What a live region says of a line that was moved. @returns the words, and the way to say which line is moved next */
export function useToldMoves(places: readonly Place[]): readonly [said: string, moving: (key: string) => void] {
  const [said, setSaid] = useState('');
  const moved = useRef<string | null>(null);
  const last = useRef(places);
  useEffect(() => {
    const words = moveSaid(last.current, places, moved.current);
    last.current = places;
    if (words === null) return;
    moved.current = null;
    setSaid(words);
  }, [places]);
  const moving = useRef((key: string): void => {
    moved.current = key;
  });
  return [said, moving.current];
}
