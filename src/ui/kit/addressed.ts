'use client';
/**
 * What is looked for on a page that the address says: the page is drawn anew for each, and the next change is made from
 * what was asked last, not from what is drawn yet.
 */
import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';

/**
 * @param drawn what the page was drawn for
 * @param addressOf the address of what is asked
 * @returns what is asked now, and a way to ask something else
 */
export function useAddressed<T>(drawn: T, addressOf: (asked: T) => string): readonly [T, (part: Partial<T>) => void] {
  const router = useRouter();
  const [asked, setAsked] = useState(drawn);
  const now = useRef(asked);
  // addresses that are on their way: what is drawn for one of them, and is not the last, is passed by
  const under = useRef<readonly string[]>([]);
  const here = addressOf(drawn);
  const latest = useRef(drawn);
  latest.current = drawn;
  useEffect(() => {
    const at = under.current.indexOf(here);
    if (at >= 0) {
      under.current = under.current.slice(at + 1);
      return;
    }
    // back, forward, or a link: the address is another's word
    under.current = [];
    now.current = latest.current;
    setAsked(latest.current);
  }, [here]);
  const ask = (part: Partial<T>): void => {
    const to = { ...now.current, ...part };
    now.current = to;
    setAsked(to);
    const address = addressOf(to);
    if (address === (under.current.at(-1) ?? here)) return;
    under.current = [...under.current, address];
    router.replace(address, { scroll: false });
  };
  return [asked, ask];
}
