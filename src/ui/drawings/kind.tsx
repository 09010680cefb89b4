import type { KindId } from '@/core/formula/kinds';

const PATHS: Readonly<Record<KindId, readonly string[]>> = {
  griddle: [
    'M8 20 C8 15 40 15 40 20 C40 25 8 25 8 20 Z',
    'M8 20 V25 C8 30 40 30 40 25 V20',
    'M8 26 V31 C8 36 40 36 40 31 V26',
    'M20 14 h8 v5 h-8 Z',
  ],
  small: [
    'M4 30 C4 26 20 26 20 30 C20 34 4 34 4 30 Z',
    'M26 30 C26 26 42 26 42 30 C42 34 26 34 26 30 Z',
    'M15 19 C15 15 31 15 31 19 C31 23 15 23 15 19 Z',
  ],
  foam: ['M9 34 C7 22 12 16 24 16 C36 16 41 22 39 34 Z', 'M14 22 q3 -3 6 0 q3 3 6 0 q3 -3 6 0', 'M9 34 H39'],
  ball: [
    'M14 18 m-7 0 a7 7 0 1 0 14 0 a7 7 0 1 0 -14 0',
    'M33 18 m-7 0 a7 7 0 1 0 14 0 a7 7 0 1 0 -14 0',
    'M24 32 m-7 0 a7 7 0 1 0 14 0 a7 7 0 1 0 -14 0',
  ],
  crepe: ['M6 34 L24 10 L42 34 C34 38 14 38 6 34 Z', 'M24 10 C22 20 20 28 17 36', 'M24 10 C27 20 30 28 34 35'],
  waffle: [
    'M10 12 h28 a3 3 0 0 1 3 3 v18 a3 3 0 0 1 -3 3 h-28 a3 3 0 0 1 -3 -3 v-18 a3 3 0 0 1 3 -3 Z',
    'M18.5 12 V36',
    'M29.5 12 V36',
    'M7 20 H41',
    'M7 28 H41',
  ],
  oven: ['M4 24 H36 C36 34 30 36 20 36 C10 36 4 34 4 24 Z', 'M36 26 H46', 'M6 24 C8 12 14 20 18 14 C22 8 26 20 34 24'],
};

/** What comes off the heat, in line; its name always stands beside it. */
export function KindDrawing({ kind, className = '' }: { readonly kind: KindId; readonly className?: string }) {
  return (
    <svg
      viewBox="0 0 48 44"
      className={className}
      fill="none"
      stroke="currentColor"
      strokeWidth="2"
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden="true"
    >
      {PATHS[kind].map((d) => (
        <path key={d} d={d} />
      ))}
    </svg>
  );
}
