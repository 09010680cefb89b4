'use client';
import './globals.css';
import Broken from './error';

/** Where even the frame of a page can't be drawn: the same words, in a page of their own. */
export default function BrokenWhole(props: {
  readonly error: Error & { digest?: string };
  readonly reset: () => void;
}) {
  return (
    <html lang="en-GB">
      <body>
        <Broken {...props} />
      </body>
    </html>
  );
}
