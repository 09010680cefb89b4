'use client';
import { useEffect } from 'react';
import { Toaster as Place, toast } from 'sonner';

/** What is done about it from the foot of the page. */
export interface ToastOptions {
  readonly duration?: number;
  readonly action?: { readonly label: string; readonly onClick: () => void };
}

export const say = (text: string, options?: ToastOptions): void => {
  toast(text, options);
};

/**
 * What was done, said for a moment at the foot of the page. It is read out and never takes the focus: the package hands
 * the focus back when a key leaves a toast, so that Tab would never get past one.
 */
export function Toaster({ onUp }: { readonly onUp: () => void }) {
  useEffect(() => {
    const still = (): void => {
      for (const t of document.querySelectorAll('[data-sonner-toast][tabindex="0"]')) t.setAttribute('tabindex', '-1');
      // what can be pressed in one keeps its place in the order of keys
      for (const b of document.querySelectorAll('[data-sonner-toast] button:not([data-dismissible])'))
        b.setAttribute('data-dismissible', 'false');
    };
    still();
    const watch = new MutationObserver(still);
    watch.observe(document.body, { subtree: true, childList: true, attributes: true, attributeFilter: ['tabindex'] });
    onUp();
    return () => watch.disconnect();
  }, [onUp]);
  return (
    <Place
      position="bottom-center"
      // long enough to be read with a whisk in the hand
      duration={6000}
      toastOptions={{
        unstyled: true,
        className: 'hold flex w-full items-center gap-3 px-4 py-1 text-[15px] font-semibold shadow-lg print:hidden',
        classNames: {
          actionButton: 'ml-auto min-h-11 shrink-0 rounded-hold px-3 whitespace-nowrap text-rim hover:bg-wash',
        },
      }}
    />
  );
}
