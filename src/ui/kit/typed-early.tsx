'use client';
import { useEffect } from 'react';

type Typed = HTMLInputElement | HTMLTextAreaElement | HTMLSelectElement;

const FIELDS = 'input:not([type=checkbox],[type=radio],[type=file],[type=hidden]),textarea,select';

const asDrawn = (f: Typed): string =>
  f instanceof HTMLSelectElement
    ? (([...f.options].find((o) => o.defaultSelected) ?? f.options[0])?.value ?? '')
    : f.defaultValue;

/** Tells React what stands in a field as if it were typed now, and, drawn, that it was left where it was. */
async function tell(f: Typed): Promise<void> {
  const { value } = f;
  const own = Object.getPrototypeOf(f) as object;
  // React compares with the last value that it knows of: that is emptied first
  if (!(f instanceof HTMLSelectElement)) f.value = '';
  Object.getOwnPropertyDescriptor(own, 'value')?.set?.call(f, value);
  f.dispatchEvent(new Event(f instanceof HTMLSelectElement ? 'change' : 'input', { bubbles: true }));
  await Promise.resolve();
  if (document.activeElement !== f) f.dispatchEvent(new FocusEvent('focusout', { bubbles: true }));
}

/**
 * Last on the page: what was typed and chosen in fields before the page heard it is read once, when all of the page
 * does.
 */
export function TypedEarly() {
  useEffect(() => {
    const typed = [...document.querySelectorAll<Typed>(FIELDS)].filter((f) => f.value !== asDrawn(f));
    void (async () => {
      for (const f of typed) await tell(f);
    })();
  }, []);
  return null;
}
