'use client';
import { type ComponentProps, useEffect, useRef } from 'react';

/**
 * A form that does something on this page. Submitted before the page hears it, the submission is kept by React (a form
 * whose action is a function) and done once, after the fields have told what was typed in them meanwhile; `act` never
 * runs twice at a time.
 */
export function Form({
  act,
  ...rest
}: Omit<ComponentProps<'form'>, 'action' | 'onSubmit'> & { readonly act: () => unknown }) {
  const latest = useRef(act);
  const busy = useRef(false);
  useEffect(() => {
    latest.current = act;
  });
  const run = async (): Promise<void> => {
    if (busy.current) return;
    busy.current = true;
    try {
      await latest.current();
    } finally {
      busy.current = false;
    }
  };
  return (
    <form
      {...rest}
      // what was submitted early comes after the effects of the first drawing
      action={() => void setTimeout(run, 0)}
      onSubmit={(e) => {
        e.preventDefault();
        void run();
      }}
      // what stands in a form is its state's: React's reset after an action has nothing to do
      onReset={(e) => e.preventDefault()}
    />
  );
}
