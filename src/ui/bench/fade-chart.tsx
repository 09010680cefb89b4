'use client';
import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { FadePoint } from '@/core/lift/fade';

/** Minutes on a stretched axis: the first quarter of an hour takes as much room as the afternoon. */
const stretch = (min: number): number => Math.log1p(min / 6);
const TICKS = [0, 5, 15, 30, 60, 120, 240, 720, 1440];
const sayMin = (m: number): string => (m < 60 ? `${m}` : `${m / 60} h`);

/** The fade as a curve: joined now, beside dry and wet kept apart. Its numbers stand in words under it. */
export default function FadeChart({
  points,
  restMin,
}: {
  readonly points: readonly FadePoint[];
  readonly restMin: number;
}) {
  const fresh = points[0]?.lift ?? 0;
  const data = points.map((p) => ({ x: stretch(p.min), joined: p.lift, apart: fresh }));
  return (
    <div className="h-52 w-full" aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 520, height: 208 }}>
        <LineChart data={data} margin={{ top: 20, right: 18, bottom: 18, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--color-line)" vertical={false} />
          <XAxis
            dataKey="x"
            type="number"
            domain={[0, stretch(1440)]}
            ticks={TICKS.map(stretch)}
            tickFormatter={(x: number) => sayMin(Math.round(6 * Math.expm1(x)))}
            tick={{ fill: 'var(--color-soft)', fontSize: 12 }}
            stroke="var(--color-soft)"
            label={{
              value: 'minutes, then hours of standing',
              position: 'insideBottom',
              offset: -12,
              fill: 'var(--color-soft)',
              fontSize: 12,
            }}
          />
          <YAxis
            width={44}
            domain={[0, (m: number) => Math.ceil(m / 50) * 50]}
            tick={{ fill: 'var(--color-soft)', fontSize: 12 }}
            stroke="var(--color-soft)"
            unit=""
          />
          <ReferenceLine
            x={stretch(restMin)}
            stroke="var(--color-rim)"
            strokeDasharray="2 3"
            label={{ value: 'rest', position: 'top', fill: 'var(--color-rim)', fontSize: 12 }}
          />
          <Line
            type="monotone"
            dataKey="apart"
            stroke="var(--color-soft)"
            strokeWidth={2}
            strokeDasharray="7 5"
            dot={false}
            isAnimationActive={false}
          />
          <Line
            type="monotone"
            dataKey="joined"
            stroke="var(--color-rim)"
            strokeWidth={3}
            dot={false}
            isAnimationActive={false}
          />
        </LineChart>
      </ResponsiveContainer>
    </div>
  );
}
