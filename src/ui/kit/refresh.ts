'use client';
/** Drawing a page anew, where somebody answers: with nobody there the browser would put its own error in its place. */
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import { BUILD } from '@/contract/trouble';

/** Told on the window when the server has been updated since the page was drawn. */
export const NEWER = 'even-crumb-newer';

/** @returns whether somebody answers, of the build that the page is of: drawn anew by another it would be loaded anew */
export async function answersAlike(): Promise<boolean> {
  try {
    const build = (await fetch('/api/health')).headers.get(BUILD);
    if (build === null || build === document.body.dataset.build) return true;
    window.dispatchEvent(new Event(NEWER));
    return false;
  } catch {
    return false; // what is shown stays; it is asked for again when something changes
  }
}

export function useRefresh(): () => void {
  const router = useRouter();
  return useCallback(() => {
    void answersAlike().then((alike) => alike && router.refresh());
  }, [router]);
}
