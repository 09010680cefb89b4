import type { SheetLine } from '@/core/batch/sheet-line';
import { grams, type Units } from '@/core/quantity/say';
import { actName, type Script } from '@/core/script/act';
import { stripOf } from '@/core/script/strip';

/** Sizes of the drawing, px. */
const COLUMN = 66;
const ROW = 26;
const HEAD = 62;
const LEFT = 8;
/** A flow runs down its own vessel to the row of the act that takes it, and across there: a row has one act. */
const TURN = 10;

/** What a vessel looks like, in lines: drawn in a box of 28 by 20. */
const SHAPES: Readonly<Record<string, string>> = {
  'large bowl': 'M2 4h24c0 8-5 13-12 13S2 12 2 4M9 19h10',
  'second bowl': 'M5 6h18c0 6-4 10-9 10S5 12 5 6M10 18h8',
  'clean bowl': 'M5 8h18c0 6-4 10-9 10S5 14 5 8M14 1v4M11 3h6',
  blender: 'M8 2h12l-2 12h-8zM9 14h10v4H9z',
  pot: 'M5 7h16v10H5zM21 9h6M5 4h16',
  counter: 'M2 14h24M5 14v5M23 14v5',
  cold: 'M14 2v16M7 6l14 8M21 6l-14 8',
  surface: 'M2 11h24l-2 4H4zM8 4v3M14 4v3M20 4v3',
  oven: 'M4 3h20v15H4zM7 7h14v8H7z',
  plate: 'M2 13h24c-2 4-6 5-12 5s-10-1-12-5M8 13c1-3 11-3 12 0',
};

/** The making drawn: vessels across, acts down, and how one goes into the next. The list beneath says the same. */
export function MakingStrip({
  acts,
  lines,
  units,
}: {
  readonly acts: Script['acts'];
  readonly lines: ReadonlyMap<string, SheetLine>;
  readonly units: Units;
}) {
  const { columns, rows, flows } = stripOf({ acts });
  const width = LEFT + columns.length * COLUMN;
  const height = HEAD + rows.length * ROW + 6;
  const x = (column: number): number => LEFT + column * COLUMN + COLUMN / 2;
  const y = (row: number): number => HEAD + row * ROW + ROW / 2;
  const weight = (keys: readonly string[]): string => {
    const g = keys.reduce((a, k) => a + (lines.get(k)?.grams ?? 0), 0);
    return g > 0 ? grams(g, units) : '';
  };
  return (
    <div className="overflow-x-auto">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        width={width}
        height={height}
        role="img"
        aria-label="The making, drawn: vessels from left to right, acts from top to bottom. The list says the same."
        className="text-rim"
      >
        {columns.map((name, n) => (
          <g key={name}>
            <path
              d={SHAPES[name] ?? SHAPES.counter}
              transform={`translate(${x(n) - 14} 2)`}
              fill="none"
              stroke="currentColor"
              strokeWidth={1.75}
            />
            {name.split(' ').map((word, k) => (
              <text key={word} x={x(n)} y={36 + 13 * k} textAnchor="middle" className="fill-soft text-[12px]">
                {word}
              </text>
            ))}
            <line x1={x(n)} x2={x(n)} y1={HEAD - 4} y2={height} className="stroke-line" strokeWidth={1} />
          </g>
        ))}
        {flows.map((f) => {
          const [a, b] = [rows[f.from], rows[f.to]];
          if (!a || !b) return null;
          const [x1, y1, x2, y2] = [x(a.column), y(f.from), x(b.column), y(f.to)];
          return (
            <path
              key={`${f.from} ${f.to} ${f.mix}`}
              d={
                x1 === x2
                  ? `M${x1} ${y1}V${y2}`
                  : `M${x1} ${y1}V${y2 - TURN}q0 ${TURN} ${Math.sign(x2 - x1) * TURN} ${TURN}H${x2}`
              }
              fill="none"
              stroke="currentColor"
              strokeWidth={2.5}
            />
          );
        })}
        {rows.map(({ act, column, lines: keys }, n) => (
          <g key={act.id}>
            <title>{actName(act)}</title>
            <circle cx={x(column)} cy={y(n)} r={9} className="fill-white" stroke="currentColor" strokeWidth={2} />
            <text x={x(column)} y={y(n) + 4} textAnchor="middle" className="fill-ink text-[11px] font-semibold">
              {n + 1}
            </text>
            <text
              x={x(column) + 13}
              y={y(n) + 4}
              className="fill-ink text-[11px] tabular-nums"
              paintOrder="stroke"
              stroke="white"
              strokeWidth={3}
            >
              {weight(keys)}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}
