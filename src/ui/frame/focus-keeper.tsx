'use client';
import { usePathname } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { useAwake } from '../kit/awake';
import { NotYet } from '../kit/opening';

const PASSING = '[role=menu],[role=dialog],[role=listbox],[data-sonner-toast]';

/** The heading of the page, or the page itself: where reading goes on. */
function land(): void {
  const seen = [...document.querySelectorAll<HTMLElement>('main h1')].find((h) => h.getClientRects().length > 0);
  const at = seen ?? document.querySelector<HTMLElement>('main');
  if (!at) return;
  if (!at.hasAttribute('tabindex')) at.setAttribute('tabindex', '-1');
  at.focus({ preventScroll: true });
}

/** So long a page that does not come is waited for, ms. */
const MOST_WAIT_MS = 30_000;

/** Whether a press of a link opens another page of ours in this tab. */
function opens(e: MouseEvent): boolean {
  const a = e.target instanceof Element ? e.target.closest('a[href]') : null;
  if (
    !(a instanceof HTMLAnchorElement) ||
    e.defaultPrevented ||
    e.button !== 0 ||
    e.ctrlKey ||
    e.metaKey ||
    e.shiftKey ||
    e.altKey
  )
    return false;
  return (
    a.origin === location.origin && a.target === '' && !a.hasAttribute('download') && a.pathname !== location.pathname
  );
}

/**
 * A page that is under way says so at once, by a bar on top and a word for who listens; so does one that is seen and
 * can't be used yet, where that takes longer than a blink.
 */
export function UnderWayBar() {
  const path = usePathname();
  const [going, setGoing] = useState(false);
  const awake = useAwake();
  useEffect(() => {
    const onClick = (e: MouseEvent): void => {
      if (opens(e)) setGoing(true);
    };
    // seen before the link itself takes the press for its own
    document.addEventListener('click', onClick, true);
    return () => document.removeEventListener('click', onClick, true);
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is the change of page that is meant
  useEffect(() => setGoing(false), [path]);
  useEffect(() => {
    if (!going) return;
    const t = setTimeout(() => setGoing(false), MOST_WAIT_MS);
    return () => clearTimeout(t);
  }, [going]);
  return (
    <>
      <span className="sr-only" role="status">
        {going ? 'Opening …' : ''}
      </span>
      {awake ? null : <NotYet />}
      {going ? (
        <span
          aria-hidden
          className="pointer-events-none fixed inset-x-0 top-0 z-50 h-1.5 animate-pulse bg-rim print:hidden"
          data-going
        />
      ) : null}
    </>
  );
}

/**
 * The focus is never left on the body: after a page change it is at the page's heading, after a dialog or a menu at its
 * opener, and where what had it is gone, at what had it before that.
 */
export function FocusKeeper() {
  const path = usePathname();
  const first = useRef(true);
  useEffect(() => {
    // what stood outside of passing things, the last at the end
    let trail: HTMLElement[] = [];
    const onIn = (e: FocusEvent): void => {
      if (!(e.target instanceof HTMLElement) || e.target === document.body || e.target.closest(PASSING)) return;
      trail = [...trail.filter((x) => x !== e.target), e.target].slice(-6);
    };
    const onOut = (e: FocusEvent): void => {
      const left = e.target;
      setTimeout(() => {
        if (document.activeElement !== document.body || !(left instanceof HTMLElement)) return;
        // who clicked into the blank means it; what was taken away did not
        if (left.isConnected && !left.closest(PASSING) && !(left instanceof HTMLButtonElement && left.disabled)) return;
        if (document.querySelector('[role=dialog],[role=menu]')) return;
        const back = trail.findLast(
          (x) => x.isConnected && !(x instanceof HTMLButtonElement && x.disabled) && x.getClientRects().length > 0,
        );
        if (back) back.focus({ preventScroll: true });
        else land();
      }, 80);
    };
    // a thing that is taken out of the page tells nobody: the page is looked at when it changes
    const watch = new MutationObserver(() => {
      const last = trail.at(-1);
      if (document.activeElement === document.body && last && !last.isConnected)
        onOut({ target: last } as unknown as FocusEvent);
    });
    document.addEventListener('focusin', onIn);
    document.addEventListener('focusout', onOut);
    watch.observe(document.body, { subtree: true, childList: true });
    return () => {
      document.removeEventListener('focusin', onIn);
      document.removeEventListener('focusout', onOut);
      watch.disconnect();
    };
  }, []);
  // biome-ignore lint/correctness/useExhaustiveDependencies: it is the change of page that is meant
  useEffect(() => {
    if (first.current) {
      first.current = false;
      return;
    }
    const t = setTimeout(() => {
      const at = document.activeElement;
      // who has gone on already, to a button or a dialog, is left there
      if (document.querySelector('[role=dialog],[role=menu]')) return;
      if (!at || at === document.body || (at instanceof HTMLAnchorElement && !at.closest('main'))) land();
    }, 60);
    return () => clearTimeout(t);
  }, [path]);
  return null;
}
