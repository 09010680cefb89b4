import type { ScaleId } from '@/core/batch/came-out';
import { Drawing } from './drawing';

/** Spots of a face, and holes of a crumb, from few to many. */
const SPOTS = [
  [34, 24],
  [20, 20],
  [46, 18],
  [28, 34],
  [42, 34],
  [14, 28],
  [54, 28],
] as const;
const CAKE = 'M6 28 C6 12 62 12 62 28 C62 44 6 44 6 28 Z';

/** Lines across a cake: the darker, the closer. */
const hatch = (n: number) => Array.from({ length: n }, (_, k) => 14 + ((k + 0.5) * 40) / n);

const EDGES: readonly string[] = [
  'M4 40 C8 34 10 44 14 36 C18 28 50 28 54 36 C58 44 60 34 64 40 Z',
  'M4 40 C6 28 16 24 34 24 C52 24 62 28 64 40 Z',
  'M4 40 V34 C4 26 16 22 34 22 C52 22 64 26 64 34 V40 Z',
  'M4 40 V28 L10 22 H58 L64 28 V40 Z',
  'M4 40 V22 H64 V40 Z',
];
const SPREADS: readonly string[] = [
  'M22 42 C20 14 48 14 46 42 Z',
  'M14 42 C14 24 54 24 54 42 Z',
  'M8 42 C8 30 60 30 60 42 Z',
  'M2 42 C2 36 66 36 66 42 Z',
  'M0 42 C2 37 30 37 34 41 C38 37 66 37 68 42 Z',
];

/** One step of a scale of what came out; its word stands beneath. @param step 1 to 5 */
export function CameOutDrawing({
  scale,
  step,
  className = '',
}: {
  readonly scale: ScaleId;
  readonly step: number;
  readonly className?: string;
}) {
  const at = Math.max(0, Math.min(4, step - 1));
  return (
    <Drawing width={68} height={52} className={className}>
      {scale === 'colour' ? (
        <>
          <path d={CAKE} />
          {at === 4 ? (
            <path d={CAKE} fill="currentColor" />
          ) : (
            hatch([0, 2, 4, 8][at] ?? 0).map((x) => <path key={x} d={`M${x} 19 V37`} />)
          )}
        </>
      ) : null}
      {scale === 'face' ? (
        <>
          <path d={CAKE} />
          {at === 1 ? <path d="M14 28 C14 20 54 20 54 28 C54 36 14 36 14 28 Z" strokeDasharray="2 5" /> : null}
          {at === 2 ? <path d="M14 28 C14 20 54 20 54 28 C54 36 14 36 14 28 Z" fill="currentColor" /> : null}
          {at === 3
            ? SPOTS.map(([x, y]) => <circle key={`${x} ${y}`} cx={x} cy={y} r="1.6" fill="currentColor" />)
            : null}
          {at === 4 ? (
            <path
              d="M16 22 C26 16 28 30 18 32 Z M36 20 C52 18 52 26 42 28 Z M36 34 C44 32 50 36 42 38 Z"
              fill="currentColor"
            />
          ) : null}
        </>
      ) : null}
      {scale === 'edge' ? <path d={EDGES[at] ?? ''} /> : null}
      {scale === 'crumb' ? (
        <>
          <path d="M6 12 H62 V42 H6 Z" />
          {Array.from({ length: [0, 4, 9, 7, 4][at] ?? 0 }, (_, k) => {
            const r = [0, 1.2, 1.8, 3.2, 6][at] ?? 1;
            const columns = [1, 4, 5, 4, 4][at] ?? 4;
            const [x, y] = [
              12 + ((k % columns) + (Math.floor(k / columns) % 2) * 0.5) * (46 / columns),
              20 + Math.floor(k / columns) * 12,
            ];
            return <circle key={`${x} ${y}`} cx={x} cy={at === 4 ? 18 + (k % 2) * 16 : y} r={r} />;
          })}
        </>
      ) : null}
      {scale === 'taste' ? (
        <path
          d={`M4 28 ${Array.from({ length: 4 }, (_, k) => `q7.5 ${(k % 2 ? 1 : -1) * ([0, 8, 16, 26, 40][at] ?? 0)} 15 0`).join(' ')}`}
        />
      ) : null}
      {scale === 'spread' ? (
        <>
          <path d={SPREADS[at] ?? ''} />
          <path d="M0 44 H68" />
        </>
      ) : null}
    </Drawing>
  );
}
