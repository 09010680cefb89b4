'use client';
import { type ReactNode, useLayoutEffect } from 'react';
import { heardByPage, replayEarly } from './early';

/** Around everything on the page: it sees what the page hears by itself, and does the rest of what was pressed too early. */
export function EarlyHand({ children }: { readonly children: ReactNode }) {
  // with the page's first drawing, not after it: no press may fall between the two
  useLayoutEffect(() => {
    void replayEarly();
  }, []);
  return (
    <div
      role="presentation"
      className="contents"
      onClickCapture={(e) => heardByPage('press', e.nativeEvent)}
      onKeyDownCapture={(e) => heardByPage('press', e.nativeEvent)}
      onChangeCapture={(e) => heardByPage('change', e.nativeEvent)}
    >
      {children}
    </div>
  );
}
