'use client';
import { useEffect } from 'react';
import { Button } from './button';
import { useRefresh } from './refresh';

const RETRY_MS = 4000;

/** Asks for the page anew every few seconds, and when it is pressed. */
export function LookAgain() {
  const refresh = useRefresh();
  useEffect(() => {
    const again = setInterval(refresh, RETRY_MS);
    return () => clearInterval(again);
  }, [refresh]);
  return (
    <Button look="now" size="work" className="mt-5" onClick={refresh}>
      Look again now
    </Button>
  );
}
