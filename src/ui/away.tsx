'use client';
import { useRouter } from 'next/navigation';
import { useEffect } from 'react';
import { Button } from './kit/button';

const RETRY_MS = 4000;

/** In place of a page whose records cannot be reached; looks again by itself. */
export function RecordsAway() {
  const router = useRouter();
  useEffect(() => {
    const again = setInterval(() => router.refresh(), RETRY_MS);
    return () => clearInterval(again);
  }, [router]);
  return (
    <section className="mx-auto mt-16 max-w-xl" role="alert">
      <h1 className="text-3xl">The kitchen's records are out of reach</h1>
      <p className="mt-3">
        The database does not answer. Nothing that was saved is lost, and what you typed on a bench is kept in this browser. This page looks again every few
        seconds; if it stays away, start Even Crumb again.
      </p>
      <Button look="now" size="work" className="mt-5" onClick={() => router.refresh()}>
        Try again
      </Button>
    </section>
  );
}
