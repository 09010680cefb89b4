import type { Thickness } from '@/core/formula/kinds';
import { Drawing } from './drawing';

/** What leaves the ladle, and what lies beneath it, for each class. */
const STREAMS: Readonly<Record<Thickness, { readonly stream: readonly string[]; readonly pool: string }>> = {
  'thin cream': { stream: ['M53 44 V92', 'M56 44 V92'], pool: 'M8 97 C30 90 80 90 104 97' },
  'heavy cream': {
    stream: ['M51 43 C52 60 52 78 51 92', 'M58 43 C57 60 57 78 58 92'],
    pool: 'M14 97 C30 87 80 87 98 97',
  },
  ribbon: {
    stream: ['M48 43 C49 56 51 66 46 76 C42 84 62 84 60 77', 'M61 43 C60 56 59 62 62 72 C66 82 44 90 48 82'],
    pool: 'M22 97 C28 83 82 83 90 97',
  },
  'spoon-and-spread': {
    stream: ['M44 43 C44 56 46 60 52 66 C56 71 59 64 60 58 C61 52 64 50 64 43'],
    pool: 'M28 97 C28 76 84 76 84 97',
  },
  'scoop-and-hold': { stream: ['M38 40 C38 26 68 24 70 40'], pool: 'M36 97 C32 66 80 66 76 97' },
};

/** A ladle letting the batter go; the class is named by the words beside it. */
export function PourDrawing({ pour, className = '' }: { readonly pour: Thickness; readonly className?: string }) {
  const { stream, pool } = STREAMS[pour];
  return (
    <Drawing width={112} height={104} className={className}>
      <path d="M36 34 C36 50 74 50 74 34 Z" fill="var(--color-white)" />
      <path d="M72 35 L100 8 C104 4 108 8 104 12" />
      {stream.map((d) => (
        <path key={d} d={d} />
      ))}
      <path d={pool} fill="var(--color-white)" />
      <path d="M2 97 H110" />
    </Drawing>
  );
}
