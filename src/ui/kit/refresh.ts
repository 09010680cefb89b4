'use client';
/** Drawing a page anew, where somebody answers: with nobody there the browser would put its own error in its place. */
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';

export function useRefresh(): () => void {
  const router = useRouter();
  return useCallback(() => {
    fetch('/api/health').then(
      () => router.refresh(),
      () => {
        // what is shown stays; it is asked for again when something changes
      },
    );
  }, [router]);
}
