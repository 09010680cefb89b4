/**
 * The measure of the Bench's keys: twenty bare React fields and a number worked from them, with nothing else on the
 * page.
 */
import { useState } from 'react';
import { createRoot } from 'react-dom/client';

function Fields() {
  const [lines, setLines] = useState<readonly string[]>(() => Array.from({ length: 20 }, () => '300 g flour'));
  const sum = lines.reduce((a, l) => a + (Number.parseFloat(l) || 0), 0);
  return (
    <>
      {lines.map((l, n) => (
        <input
          // biome-ignore lint/suspicious/noArrayIndexKey: they never move
          key={n}
          aria-label={`line ${n}`}
          value={l}
          onChange={(e) => setLines(lines.map((x, k) => (k === n ? e.target.value : x)))}
        />
      ))}
      <output data-number>{sum}</output>
    </>
  );
}

createRoot(document.body.appendChild(document.createElement('div'))).render(<Fields />);
