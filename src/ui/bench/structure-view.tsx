import type { Worked } from '@/core/analyse-formula';
import { type Pair, type Share, structureOf } from '@/core/batter/structure';

/** What toughens against what tenders, what dries against what moistens; each line's share of its side. */
export function StructureView({ worked }: { readonly worked: Worked }) {
  const s = structureOf(worked.lines);
  return (
    <div className="grid gap-4">
      <Tug left="toughens" right="makes tender" pair={s.bite} />
      <Tug left="dries" right="moistens" pair={s.moisture} />
      <p className="text-sm text-soft">
        Shares of each side, for comparing formulas: an estimate, no judgement. Mixing far toughens whatever stands
        here.
      </p>
    </div>
  );
}

const pct = (x: number): string => `${Math.round(100 * x)} %`;

function Tug({ left, right, pair }: { readonly left: string; readonly right: string; readonly pair: Pair }) {
  const at = 100 * pair.leftPart;
  return (
    <div>
      <div className="flex justify-between text-[15px] font-semibold">
        <span>
          {left} {pct(pair.leftPart)}
        </span>
        <span>
          {pct(1 - pair.leftPart)} {right}
        </span>
      </div>
      <div className="mt-0.5 flex h-7 overflow-hidden rounded-md border-2 border-rim" aria-hidden="true">
        <Side shares={pair.left} width={at} look="bg-rim text-white" />
        <Side shares={[...pair.right].reverse()} width={100 - at} look="bg-white text-ink" />
      </div>
      <div className="mt-0.5 flex justify-between gap-6 text-sm text-soft">
        <span>{listed(pair.left)}</span>
        <span className="text-right">{listed(pair.right)}</span>
      </div>
    </div>
  );
}

const listed = (shares: readonly Share[]): string =>
  shares
    .slice(0, 5)
    .map((s) => `${s.name} ${pct(s.share)}`)
    .join(', ');

function Side({
  shares,
  width,
  look,
}: {
  readonly shares: readonly Share[];
  readonly width: number;
  readonly look: string;
}) {
  return (
    <div className={`flex ${look}`} style={{ width: `${width}%` }}>
      {shares.map((s) => (
        <span
          key={s.name}
          className="block overflow-hidden border-x border-rim px-1 text-[12px] leading-6 text-ellipsis whitespace-nowrap"
          style={{ width: `${100 * s.share}%` }}
        >
          {s.share * width > 12 ? s.name : ''}
        </span>
      ))}
    </div>
  );
}
