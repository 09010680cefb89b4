'use client';
import { useEffect, useRef, useState } from 'react';
import { copyOf, keepCopy } from '../kit/browser-copy';
import { later, useLater } from '../kit/later';
import { Link } from '../kit/link';
import { postTo } from '../kit/post';
import { useRefresh } from '../kit/refresh';
import { useSigned } from '../kit/signed';
import { forgetCopies } from '../live/kept-copy';

/** A screen that nobody has touched for so long locks itself, ms. */
const IDLE_MS = 10 * 60_000;
const LOOK_MS = 5000;
const TOUCHED = 'touched';
const LOCKED = 'locked';
const plate = later(() => import('./lock-plate'));

/** The name of who has signed; a tap leads to where somebody else does, or nobody. */
export function SignedMark() {
  const signed = useSigned();
  if (!signed) return null;
  return (
    <Link
      href="/sign"
      className="inline-flex min-h-10 items-center rounded-hold px-3 font-semibold text-rim hover:bg-wash"
    >
      {signed.person ? signed.person.name : 'Sign'}
    </Link>
  );
}

/**
 * Locks the screen when nobody touches any tab of this browser for ten minutes. What stands on it stays, and what runs
 * runs on; who has signed goes on with the PIN.
 */
export function IdleLock() {
  const refresh = useRefresh();
  const signed = useSigned();
  const person = signed?.person ?? null;
  const [locked, setLocked] = useState(signed?.locked ?? false);
  const part = useLater(plate, locked);
  const noted = useRef(0);
  // the server may not have heard of it, or know it a moment later
  useEffect(() => {
    setLocked(signed !== null && signed.person !== null && (signed.locked || copyOf(LOCKED) === signed.session));
  }, [signed]);
  useEffect(() => {
    if (!person || locked) return;
    const touched = (): void => {
      if (Date.now() - noted.current < LOOK_MS) return;
      noted.current = Date.now();
      keepCopy(TOUCHED, noted.current);
    };
    touched();
    // the lock is here before the server may be away
    void plate.load().catch(() => {});
    const look = setInterval(() => {
      const last = copyOf(TOUCHED);
      if (Date.now() - Math.max(noted.current, typeof last === 'number' ? last : 0) < IDLE_MS) return;
      setLocked(true);
      keepCopy(LOCKED, document.body.dataset.session ?? null);
      // where the server is away the screen waits all the same, and the session ends by itself
      void postTo('/sign/out', { lock: true });
    }, LOOK_MS);
    const on = ['pointerdown', 'keydown'] as const;
    for (const e of on) window.addEventListener(e, touched, { passive: true });
    return () => {
      clearInterval(look);
      for (const e of on) window.removeEventListener(e, touched);
    };
  }, [person, locked]);
  if (!locked || !person || !part) return null;
  return (
    <part.LockPlate
      person={person}
      then={(session) => {
        document.body.dataset.session = session;
        void forgetCopies();
        keepCopy(TOUCHED, Date.now());
        setLocked(false);
        refresh();
      }}
    />
  );
}
