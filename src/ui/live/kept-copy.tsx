'use client';
/**
 * What this browser keeps of the kitchen for when the server is away: the worker that does it is begun here, is told when
 * a page has changed, and where it shows a copy the page says so, with the copy's age.
 */
import { usePathname } from 'next/navigation';
import { useEffect, useState } from 'react';
import { ARRIVED } from '../kit/browser-copy';
import { later } from '../kit/later';
import { useRefresh } from '../kit/refresh';

/** Nothing of it keeps a page from being there, ms. */
const FIRST_MS = 5000;
/** A page is kept anew at most so often: after what was done here, and after what others have done, ms. */
const [OWN_MS, OTHERS_MS] = [3000, 15_000];
const LOOK_MS = 5000;

const changes = later(() => import('./changes'));

const tell = async (what: object): Promise<void> => {
  const { active } = await navigator.serviceWorker.ready;
  active?.postMessage(what);
};

/** Everything that is kept of pages goes: it says who had signed, and that is another session now. */
export async function forgetCopies(): Promise<void> {
  if (typeof caches !== 'undefined') await caches.delete('pages');
  // the page that is open is taken anew
  window.dispatchEvent(new Event(ARRIVED));
}

/** "3 minutes", "2 hours". @param ms more than none */
const age = (ms: number): string => {
  const min = Math.round(ms / 60_000);
  if (min < 1) return 'less than a minute';
  const [n, of] = min < 120 ? [min, 'minute'] : [Math.round(min / 60), 'hour'];
  return `${n} ${of}${n === 1 ? '' : 's'}`;
};

export function KeptCopy() {
  const path = usePathname();
  const refresh = useRefresh();
  const [keptAt, setKeptAt] = useState<number | null>(null);
  const [now, setNow] = useState(0);
  useEffect(() => {
    const at = Number(document.documentElement.dataset.keptAt);
    if (!at) return;
    setKeptAt(at);
    setNow(Date.now());
    const look = setInterval(async () => {
      setNow(Date.now());
      const up = await fetch('/api/health').then(
        (r) => r.ok,
        () => false,
      );
      if (!up) return;
      delete document.documentElement.dataset.keptAt;
      setKeptAt(null);
      clearInterval(look);
      refresh();
    }, LOOK_MS);
    return () => clearInterval(look);
  }, [refresh]);
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    const first = setTimeout(() => {
      // a browser that does not trust the kitchen's certificate keeps nothing
      navigator.serviceWorker
        .register('/sw.js')
        .then(() => tell({ do: 'take-all' }))
        .catch(() => {});
    }, FIRST_MS);
    return () => clearTimeout(first);
  }, []);
  useEffect(() => {
    if (!('serviceWorker' in navigator)) return;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let due = Number.POSITIVE_INFINITY;
    const take = (inMs: number): void => {
      if (performance.now() + inMs >= due) return;
      clearTimeout(timer);
      due = performance.now() + inMs;
      timer = setTimeout(() => {
        due = Number.POSITIVE_INFINITY;
        void tell({ do: 'take', path: path + window.location.search });
      }, inMs);
    };
    // a page that was drawn without being loaded has no copy yet
    take(OWN_MS);
    const own = (): void => take(OWN_MS);
    window.addEventListener(ARRIVED, own);
    let off = (): void => {};
    let gone = false;
    void changes.load().then(({ onChanged }) => {
      if (!gone)
        off = onChanged(
          () => true,
          () => take(OTHERS_MS),
        );
    }, own);
    return () => {
      gone = true;
      off();
      clearTimeout(timer);
      window.removeEventListener(ARRIVED, own);
    };
  }, [path]);
  if (keptAt === null) return null;
  return (
    <p role="status" className="border-b-2 border-rim bg-wash px-4 py-2 text-center font-semibold print:hidden">
      Even Crumb does not answer. This page is a copy, {age(now - keptAt)} old.
    </p>
  );
}
