'use client';
/** Drawing a page anew, where somebody answers: with nobody there the browser would put its own error in its place. */
import { useRouter } from 'next/navigation';
import { useCallback } from 'react';
import { BUILD } from '@/contract/trouble';

const RECORDS_AWAY = 503;

/** Told on the window when the server has been updated since the page was drawn. */
export const NEWER = 'even-crumb-newer';

/**
 * @returns whether somebody answers who can read the records, of the build that the page is of: drawn anew by another
 * it would be loaded anew, and with the records away by a page that says so
 */
export async function answersAlike(): Promise<boolean> {
  try {
    const res = await fetch('/api/health');
    if (res.status === RECORDS_AWAY) return false;
    const build = res.headers.get(BUILD);
    if (build === null || build === document.body.dataset.build) return true;
    window.dispatchEvent(new Event(NEWER));
    return false;
  } catch {
    return false; // what is shown stays; it is asked for again when something changes
  }
}

/** @returns draws the page anew where somebody answers; what is shown stays where nobody does */
export function useRefresh(): () => void {
  const router = useRouter();
  return useCallback(() => {
    void answersAlike().then((alike) => alike && router.refresh());
  }, [router]);
}
