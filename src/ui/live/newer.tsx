'use client';
/** Says that the server was updated since the page was drawn; the page is taken anew when the cook wants, never by itself. */
import { useEffect, useState } from 'react';
import { Button } from '../kit/button';
import { answersAlike, NEWER } from '../kit/refresh';

/** So often it is looked for while the page is seen, ms. */
const LOOK_MS = 60_000;

export function Newer() {
  const [is, setIs] = useState(false);
  useEffect(() => {
    if (is) return;
    const tell = (): void => setIs(true);
    window.addEventListener(NEWER, tell);
    const look = setInterval(() => document.visibilityState === 'visible' && void answersAlike(), LOOK_MS);
    return () => {
      window.removeEventListener(NEWER, tell);
      clearInterval(look);
    };
  }, [is]);
  return is ? (
    <p
      role="status"
      className="flex flex-wrap items-center justify-center gap-3 border-b-2 border-rim bg-wash px-4 py-1 print:hidden"
    >
      <span>Even Crumb was updated since this page was opened.</span>
      <Button look="bare" onClick={() => window.location.reload()}>
        Open it anew
      </Button>
    </p>
  ) : null;
}
