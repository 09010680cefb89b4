'use client';
import { Button } from '@/ui/kit/button';

export default function Broken({
  error,
  reset,
}: {
  readonly error: Error & { digest?: string };
  readonly reset: () => void;
}) {
  return (
    <section className="mx-auto mt-16 max-w-xl px-4" role="alert">
      <h1 className="text-3xl">Something went wrong on this page</h1>
      <p className="mt-3">
        Nothing saved is lost, and what you typed on a bench is kept in this browser.
        {error.digest ? ` The server's log has it under ${error.digest}.` : ''}
      </p>
      <Button look="now" size="work" className="mt-5" onClick={reset}>
        Try again
      </Button>
    </section>
  );
}
