'use client';
/** A topic of the house: its name with what is set in one line; opened by a press, or by a link that points to it. */
import { type ReactNode, useEffect, useRef, useState } from 'react';

/** A link to `#all` opens every topic. */
const ALL = 'all';

export function Fold({
  id,
  title,
  label = title,
  says,
  children,
}: {
  /** What a link points to. */
  readonly id: string;
  readonly title: string;
  readonly label?: string;
  /** What is set, in one line. */
  readonly says: string;
  readonly children: ReactNode;
}) {
  const [open, setOpen] = useState(false);
  const at = useRef<HTMLElement>(null);
  const details = useRef<HTMLDetailsElement>(null);
  useEffect(() => {
    const look = (): void => {
      const asked = window.location.hash.slice(1);
      // opened by hand before this page's script was there it is open too
      if (asked === id || asked === ALL || details.current?.open) setOpen(true);
      if (asked === id) at.current?.scrollIntoView();
    };
    look();
    window.addEventListener('hashchange', look);
    return () => window.removeEventListener('hashchange', look);
  }, [id]);
  return (
    <section ref={at} id={id} aria-label={label} className="border-b border-line">
      <details ref={details} open={open} onToggle={(e) => setOpen(e.currentTarget.open)}>
        <summary className="flex min-h-14 cursor-pointer list-none flex-wrap items-baseline gap-x-3 py-3 hover:bg-wash [&::-webkit-details-marker]:hidden">
          <span aria-hidden className="w-4 text-rim">
            {open ? '▾' : '▸'}
          </span>
          <h2 className="text-xl">{title}</h2>
          <span className="min-w-0 flex-1 truncate text-soft">{open ? '' : says}</span>
        </summary>
        <div className="grid gap-3 pb-6 pl-7 max-md:pl-0">{children}</div>
      </details>
    </section>
  );
}
