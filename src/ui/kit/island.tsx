'use client';
/**
 * A part of a page whose script is large: the server draws it, and its script is fetched when a hand comes near the page (a
 * pointer that moves, a touch, a key, the focus, a press), at the latest when the page has come to rest. What is pressed and typed in
 * it until then is held by the few lines that come with every page (`early.ts`), and done as soon as it can be.
 */
import { type ComponentType, memo, type ReactNode, Suspense, use, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { replayIn } from '../early';
import { type Later, later, whenHere } from './later';
import { NotYet, Opening } from './opening';

const SIGNS = ['pointermove', 'pointerdown', 'touchstart', 'keydown', 'focusin', 'wheel', 'click', 'input'] as const;

/** @returns what calls it off */
function onFirstSign(act: () => void): () => void {
  const off = (): void => {
    for (const s of SIGNS) window.removeEventListener(s, once, true);
  };
  const once = (): void => {
    off();
    act();
  };
  for (const s of SIGNS) window.addEventListener(s, once, { capture: true, passive: true });
  return off;
}

const never = () => () => {};

export interface IslandOf<P extends object> {
  readonly part: Later<ComponentType<P>>;
  /** Kept when it is here, whoever asked for it. On the server that is at once. */
  readonly arrives: Promise<ComponentType<P>>;
}

/** @param fetch the import of the component */
export function island<P extends object>(fetch: () => Promise<ComponentType<P>>): IslandOf<P> {
  const part = later(fetch);
  return { part, arrives: typeof window === 'undefined' ? part.load() : new Promise((done) => part.onHere(done)) };
}

function Drawn<P extends object>({ of, props, now }: { readonly of: IslandOf<P>; readonly props: P; readonly now: boolean }) {
  const Component = of.part.here() ?? use(now ? of.part.load() : of.arrives);
  return <Component {...props} />;
}

export function Island<P extends object>({ of, props }: { readonly of: IslandOf<P>; readonly props: P }) {
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  // drawn by the server; or here and now, and then the page before stays until it can be
  const [sent] = useState(!here);
  const [asleep, setAsleep] = useState(sent);
  const [near, setNear] = useState(false);
  const [awaken] = useState(() => () => setAsleep(false));
  useEffect(() => {
    if (!sent) return;
    return onFirstSign(() => {
      setNear(true);
      whenHere(of.part, () => {});
    });
  }, [sent, of]);
  if (!sent) return <Drawn of={of} props={props} now />;
  return (
    <div className="contents" data-asleep={asleep || undefined}>
      <Kept of={of as IslandOf<object>} props={props} onAwake={awaken} />
      {asleep && near ? <NotYet /> : null}
    </div>
  );
}

/** A part that opens in place within another that was fetched: drawn by the server where it stands open, fetched when it opens. */
export function opened<P extends object>(fetch: () => Promise<ComponentType<P>>): ComponentType<P> {
  const of = island(fetch);
  return (props: P) => (
    <Suspense fallback={<Opening />}>
      <Drawn of={of} props={props} now />
    </Suspense>
  );
}

interface KeptProps {
  readonly of: IslandOf<object>;
  readonly props: object;
  readonly onAwake: () => void;
}

/** Drawn again only for other props: what still sleeps must be left as the server drew it. */
const Kept = memo(
  function Kept({ of, props, onAwake }: KeptProps) {
    return (
      <Suspense fallback={<Opening />}>
        <Awake onAwake={onAwake}>
          <Drawn of={of} props={props} now={false} />
        </Awake>
      </Suspense>
    );
  },
  (a, b) => a.of === b.of && sameIn(a.props, b.props),
);

function sameIn(a: object, b: object): boolean {
  const [x, y] = [a, b] as [Record<string, unknown>, Record<string, unknown>];
  return Object.keys({ ...x, ...y }).every((k) => Object.is(x[k], y[k]));
}

/** Around what wakes: what was done in its sleep is done when all of it has begun to work, and only then it hears by itself. */
function Awake({ onAwake, children }: { readonly onAwake: () => void; readonly children: ReactNode }) {
  const at = useRef<HTMLDivElement>(null);
  useEffect(() => {
    if (at.current) void replayIn(at.current).then(onAwake);
  }, [onAwake]);
  return (
    <div ref={at} className="contents">
      {children}
    </div>
  );
}
