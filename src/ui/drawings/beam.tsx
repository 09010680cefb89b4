import { Drawing } from './drawing';

/**
 * A kitchen beam: acid hangs left, soda right; it tips to the side that is left over. The words beside it say the same.
 * @param tip -1 (all acid left) to 1 (all soda left)
 */
export function BeamDrawing({
  tip,
  acid,
  soda,
  className = '',
}: {
  readonly tip: number;
  readonly acid: number;
  readonly soda: number;
  readonly className?: string;
}) {
  const angle = Math.max(-1, Math.min(1, tip)) * 11;
  const pan = (share: number): number => 6 + 22 * Math.sqrt(Math.max(0, Math.min(1, share)));
  const [a, s] = [pan(acid), pan(soda)];
  return (
    <Drawing width={260} height={96} className={className}>
      <path d="M130 22 V84 M108 90 H152 M114 90 L130 80 L146 90" />
      <g transform={`rotate(${angle} 130 22)`}>
        <path d="M34 22 H226" />
        <circle cx="130" cy="22" r="4.5" fill="var(--color-white)" />
        <g transform={`rotate(${-angle} 40 22)`}>
          <path d="M40 22 L22 56 M40 22 L58 56 M14 56 H66 C66 66 14 66 14 56 Z" fill="var(--color-white)" />
          <path d={`M${40 - a} 56 C${40 - a} ${56 - a} ${40 + a} ${56 - a} ${40 + a} 56 Z`} fill="var(--color-wash)" />
        </g>
        <g transform={`rotate(${-angle} 220 22)`}>
          <path d="M220 22 L202 56 M220 22 L238 56 M194 56 H246 C246 66 194 66 194 56 Z" fill="var(--color-white)" />
          <path d={`M${220 - s} 56 C${220 - s} ${56 - s} ${220 + s} ${56 - s} ${220 + s} 56 Z`} fill="currentColor" />
        </g>
      </g>
    </Drawing>
  );
}
