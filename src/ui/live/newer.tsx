'use client';
/** Says that the server was updated since the page was drawn; the page is taken anew when the cook wants, never by itself. */
import { useEffect, useState } from 'react';
import { Button } from '../kit/button';
import { answersAlike, NEWER } from '../kit/refresh';

/** So often it is looked for while the page is seen, ms. */
const LOOK_MS = 60_000;

export function Newer() {
  const [is, setIs] = useState(false);
  const [later, setLater] = useState(false);
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
  // over the head of the page: nothing moves that a finger is about to press
  return is && !later ? (
    <div
      role="status"
      className="fixed inset-x-0 top-0 z-50 flex items-center justify-center gap-1 whitespace-nowrap border-b-2 border-rim bg-wash px-3 py-1 text-sm print:hidden sm:text-base"
    >
      <span className="mr-auto sm:mr-2">Even Crumb was updated.</span>
      <Button look="bare" className="!min-h-11 !px-2" onClick={() => window.location.reload()}>
        Open it anew
      </Button>
      <Button look="bare" className="!min-h-11 !px-2" onClick={() => setLater(true)}>
        Later
      </Button>
    </div>
  ) : null;
}
