'use client';
/**
 * A part of a page whose script is large: the server draws it, and its script is fetched when a hand comes near the page (a
 * pointer that moves, a touch, a key, the focus, a press), at the latest when the page has come to rest. What is pressed and typed in
 * it until then is held by the few lines that come with every page (`early.ts`), and done as soon as it can be.
 */
import { Activity, type ComponentType, memo, type ReactNode, Suspense, use, useEffect, useRef, useState, useSyncExternalStore } from 'react';
import { pressedEarly, replayIn } from '../early';
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
  /** Fetches it, however often that takes; once. */
  readonly ask: () => void;
  /** Kept when it is here, whoever asked for it. On the server that is at once. */
  readonly arrives: Promise<ComponentType<P>>;
}

/** @param fetch the import of the component */
export function island<P extends object>(fetch: () => Promise<ComponentType<P>>): IslandOf<P> {
  const part = later(fetch);
  let asked = false;
  const ask = (): void => {
    if (asked) return;
    asked = true;
    whenHere(part, () => {});
  };
  return { part, ask, arrives: typeof window === 'undefined' ? part.load() : new Promise((done) => part.onHere(done)) };
}

function Drawn<P extends object>({ of, props, now }: { readonly of: IslandOf<P>; readonly props: P; readonly now: boolean }) {
  if (now) of.ask();
  const Component = of.part.here() ?? use(of.arrives);
  return <Component {...props} />;
}

/** Whether this is what the server has drawn, being brought to life; or drawn here and now. */
function useSent(): boolean {
  const here = useSyncExternalStore(
    never,
    () => true,
    () => false,
  );
  return useState(!here)[0];
}

/** What the server has drawn, asleep until its script is here. @param now its script is fetched at once */
function Sleeper<P extends object>({
  of,
  props,
  now,
  children,
}: {
  readonly of: IslandOf<P>;
  readonly props: P;
  readonly now: boolean;
  readonly children?: ReactNode;
}) {
  const [asleep, setAsleep] = useState(true);
  const [awaken] = useState(() => () => setAsleep(false));
  return (
    <div className="contents" data-asleep={asleep || undefined}>
      <Kept of={of as IslandOf<object>} props={props} now={now} onAwake={awaken} />
      {asleep ? children : null}
    </div>
  );
}

export function Island<P extends object>({ of, props }: { readonly of: IslandOf<P>; readonly props: P }) {
  const sent = useSent();
  const [near, setNear] = useState(false);
  useEffect(() => {
    if (!sent) return;
    const wake = (): void => {
      setNear(true);
      of.ask();
    };
    if (!pressedEarly()) return onFirstSign(wake);
    wake();
  }, [sent, of]);
  // drawn here and now, the page before stays until it can be
  if (!sent) return <Drawn of={of} props={props} now />;
  return (
    <Sleeper of={of} props={props} now={false}>
      {near ? <NotYet /> : null}
    </Sleeper>
  );
}

/** A part that opens in place within another that was fetched: drawn by the server where it stands open, fetched when it opens. */
export function opened<P extends object>(fetch: () => Promise<ComponentType<P>>): ComponentType<P> {
  const of = island(fetch);
  return (props: P) => <Opened of={of as IslandOf<object>} props={props} />;
}

function Opened({ of, props }: { readonly of: IslandOf<object>; readonly props: object }) {
  if (useSent()) return <Sleeper of={of} props={props} now />;
  return (
    <Suspense fallback={<Opening />}>
      <Drawn of={of} props={props} now />
    </Suspense>
  );
}

interface KeptProps {
  readonly of: IslandOf<object>;
  readonly props: object;
  readonly now: boolean;
  readonly onAwake: () => void;
}

/** Drawn again only for other props: what still sleeps must be left as the server drew it. It comes to life by itself, later than what is around it. */
const Kept = memo(
  function Kept({ of, props, now, onAwake }: KeptProps) {
    return (
      <Activity>
        <Awake onAwake={onAwake}>
          <Drawn of={of} props={props} now={now} />
        </Awake>
      </Activity>
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
