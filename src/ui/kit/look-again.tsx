'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { Button } from './button';

const RETRY_MS = 4000;

/** Asks for the page anew every few seconds, and when it is pressed. */
export function LookAgain() {
  const router = useRouter();
  useEffect(() => {
    const again = setInterval(() => router.refresh(), RETRY_MS);
    return () => clearInterval(again);
  }, [router]);
  return (
    <Button look="now" size="work" className="mt-5" onClick={() => router.refresh()}>
      Look again now
    </Button>
  );
}
