import type { ReactNode } from 'react';

/** A part of a page that may be wider than a phone: it scrolls by itself, by keys too. */
export const Wide = ({
  label,
  plate = true,
  children,
}: {
  readonly label: string;
  /** On a white plate. */
  readonly plate?: boolean;
  readonly children: ReactNode;
}) => (
  <section
    aria-label={label}
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls has to be reached by keys
    tabIndex={0}
    className={`min-w-0 overflow-x-auto ${plate ? 'rounded-plate bg-white p-4' : ''}`}
  >
    {children}
  </section>
);
