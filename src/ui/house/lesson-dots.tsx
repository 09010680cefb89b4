/** Batches of a lesson as dots on a line: left of the mark less than foretold, right of it more; a bar where it is here. */

const WIDE = 320;
const HIGH = 44;
const MIDDLE = WIDE / 2;
/** The ends of the line: half, and twice as much; what lies beyond stands at the end. */
const ENDS = Math.log(2);
const x = (ratio: number): number => MIDDLE + (MIDDLE - 10) * Math.max(-1, Math.min(1, Math.log(ratio) / ENDS));

export function LessonDots({
  name,
  told,
  factor,
}: {
  readonly name: string;
  readonly told: readonly { readonly ratio: number; readonly counts: boolean }[];
  readonly factor: number | null;
}) {
  const counts = told.filter((t) => t.counts).length;
  return (
    <svg
      viewBox={`0 0 ${WIDE} ${HIGH}`}
      className="w-full max-w-md"
      role="img"
      aria-label={`${name}: ${counts} of ${told.length} batches count; less than foretold on the left, more on the right`}
    >
      <line x1={4} x2={WIDE - 4} y1={16} y2={16} stroke="var(--color-line)" strokeWidth={2} />
      <line x1={MIDDLE} x2={MIDDLE} y1={4} y2={28} stroke="var(--color-soft)" strokeWidth={2} />
      {factor === null ? null : (
        <rect
          x={x(factor) - 3}
          y={2}
          width={6}
          height={28}
          rx={2}
          fill="var(--color-butter)"
          stroke="var(--color-rim)"
        />
      )}
      {told.map((t, n) => (
        <circle
          // biome-ignore lint/suspicious/noArrayIndexKey: dots have no names
          key={n}
          cx={x(t.ratio)}
          cy={16}
          r={5}
          fill={t.counts ? 'var(--color-rim)' : 'white'}
          fillOpacity={t.counts ? 0.6 : 1}
          stroke="var(--color-rim)"
        />
      ))}
      <text x={4} y={42} fontSize={12} fill="var(--color-soft)">
        less
      </text>
      <text x={MIDDLE} y={42} fontSize={12} fill="var(--color-soft)" textAnchor="middle">
        as foretold
      </text>
      <text x={WIDE - 4} y={42} fontSize={12} fill="var(--color-soft)" textAnchor="end">
        more
      </text>
    </svg>
  );
}
