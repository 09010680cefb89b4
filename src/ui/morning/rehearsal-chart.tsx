'use client';
import { Area, CartesianGrid, ComposedChart, Legend, Line, ResponsiveContainer, XAxis, YAxis } from 'recharts';
import type { Rehearsed } from '@/core/morning/rehearse';
import { TICK } from '../kit/chart';

const TICK_MIN = 30;

/** Plates ready against plates wanted over a morning, with the band of eight of ten. In words it stands beneath. */
export default function RehearsalChart({
  curve,
  clock,
}: {
  readonly curve: Rehearsed['curve'];
  readonly clock: (min: number) => string;
}) {
  const [first, last] = [curve[0]?.at ?? 0, curve.at(-1)?.at ?? 0];
  const from = Math.ceil(first / TICK_MIN) * TICK_MIN;
  const ticks = Array.from({ length: Math.floor((last - from) / TICK_MIN) + 1 }, (_, n) => from + n * TICK_MIN);
  return (
    <div className="h-72 w-full overflow-hidden" aria-hidden="true">
      <ResponsiveContainer width="100%" height="100%" initialDimension={{ width: 700, height: 280 }}>
        <ComposedChart
          data={curve.map((c) => ({
            at: c.at,
            band: [c.ready.low, c.ready.high],
            ready: c.ready.half,
            wanted: c.wanted,
          }))}
          margin={{ top: 8, right: 16, bottom: 4, left: 0 }}
          accessibilityLayer={false}
        >
          <CartesianGrid stroke="var(--color-line)" vertical={false} />
          <XAxis
            dataKey="at"
            type="number"
            domain={[first, last]}
            ticks={ticks}
            tickFormatter={clock}
            tick={TICK}
            stroke="var(--color-soft)"
          />
          <YAxis
            width={64}
            allowDecimals={false}
            tick={TICK}
            stroke="var(--color-soft)"
            label={{ value: 'plates', angle: -90, position: 'insideLeft', fill: 'var(--color-soft)' }}
          />
          <Legend verticalAlign="top" height={26} iconType="plainline" />
          <Area
            name="ready, eight of ten mornings"
            legendType="rect"
            dataKey="band"
            stroke="none"
            fill="var(--color-rim)"
            fillOpacity={0.18}
            isAnimationActive={false}
          />
          <Line
            name="ready, half of the mornings"
            dataKey="ready"
            stroke="var(--color-rim)"
            strokeWidth={2.5}
            dot={false}
            isAnimationActive={false}
          />
          <Line
            name="wanted"
            dataKey="wanted"
            stroke="var(--color-berry)"
            strokeWidth={2.5}
            strokeDasharray="6 4"
            dot={false}
            isAnimationActive={false}
          />
        </ComposedChart>
      </ResponsiveContainer>
    </div>
  );
}
